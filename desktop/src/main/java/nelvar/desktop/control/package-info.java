/// Reusable controls: drawings, working, the path strip, quantity fields, findings, the side sheet.
@NullMarked
package nelvar.desktop.control;

import org.jspecify.annotations.NullMarked;
