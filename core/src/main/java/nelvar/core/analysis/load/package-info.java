/// Calculations and rules about currents of loads and of the inlet.
@NullMarked
package nelvar.core.analysis.load;

import org.jspecify.annotations.NullMarked;
