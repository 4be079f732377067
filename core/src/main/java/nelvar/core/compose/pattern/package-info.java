/// Recipes that make a function work, one class each, all in [Patterns]: what it is made of, what
/// feeds it, what switches it, what reads it.
///
/// A pattern places the devices at the work and asks the [nelvar.core.compose.sketch.Composer] for
/// the rest; it knows no screen and no rule.
@NullMarked
package nelvar.core.compose.pattern;

import org.jspecify.annotations.NullMarked;
