/// Calculations and rules about conductor ampacity, voltage drop, minimum sizes and proposals.
@NullMarked
package nelvar.core.analysis.sizing;

import org.jspecify.annotations.NullMarked;
