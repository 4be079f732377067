/// Calculations and rules about protective devices, their rating, curve and place.
@NullMarked
package nelvar.core.analysis.protection;

import org.jspecify.annotations.NullMarked;
