/// A machine being drawn up, from the work back to the inlet: loads ask for feeding, outputs and
/// inputs, and what gives them is settled last, when it is known how much was asked for.
///
/// Nothing here knows what a function is; `compose.pattern` does.
@NullMarked
package nelvar.core.compose.sketch;

import org.jspecify.annotations.NullMarked;
