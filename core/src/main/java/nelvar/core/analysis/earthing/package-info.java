/// Calculations and rules about protective conductors and bonds.
@NullMarked
package nelvar.core.analysis.earthing;

import org.jspecify.annotations.NullMarked;
