/// What people type, read into functions: `4 valves 24 V on the gantry`.
///
/// Quantities are read as everywhere (`units.Kind`); words come from one list ([Words]).
@NullMarked
package nelvar.core.compose.need;

import org.jspecify.annotations.NullMarked;
