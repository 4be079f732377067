/// What disturbs what, and what helps.
@NullMarked
package nelvar.desktop.stage.quiet;

import org.jspecify.annotations.NullMarked;
