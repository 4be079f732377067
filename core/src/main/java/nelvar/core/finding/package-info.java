/// Verdicts: pass, finding, not checked; severities; repairs.
@NullMarked
package nelvar.core.finding;

import org.jspecify.annotations.NullMarked;
