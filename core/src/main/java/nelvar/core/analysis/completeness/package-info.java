/// Calculations and rules about what is missing or said twice.
@NullMarked
package nelvar.core.analysis.completeness;

import org.jspecify.annotations.NullMarked;
