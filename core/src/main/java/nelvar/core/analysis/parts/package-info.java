/// Calculations and rules about whether parts go together.
@NullMarked
package nelvar.core.analysis.parts;

import org.jspecify.annotations.NullMarked;
