/// Stage: what the machine must do, and what each of it is made of. A model without nodes and a
/// view without computing.
@NullMarked
package nelvar.desktop.stage.parts;

import org.jspecify.annotations.NullMarked;
