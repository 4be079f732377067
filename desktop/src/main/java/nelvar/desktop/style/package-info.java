/// Themes: every colour has a name, and one palette a theme gives it a value for style sheets and
/// drawings alike.
@NullMarked
package nelvar.desktop.style;

import org.jspecify.annotations.NullMarked;
