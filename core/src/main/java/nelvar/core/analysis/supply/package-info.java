/// Calculations and rules about supplies and their headroom.
@NullMarked
package nelvar.core.analysis.supply;

import org.jspecify.annotations.NullMarked;
