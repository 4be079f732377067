/// Stage: what the machine is fed from and which schools it follows. A model without nodes and a
/// view without computing.
@NullMarked
package nelvar.desktop.stage.brief;

import org.jspecify.annotations.NullMarked;
