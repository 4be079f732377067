/// Formulas of the trade as typed functions, one class a subject: they need no project and no
/// table. Quick calculations are doors to them, rules and stages call the same. Physics or common
/// practice where no source is named.
@NullMarked
package nelvar.core.formula;

import org.jspecify.annotations.NullMarked;
