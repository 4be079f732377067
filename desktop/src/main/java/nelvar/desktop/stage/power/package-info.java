/// Stage: feeds as a river from the inlet to the loads. A model without nodes and a view without
/// computing.
@NullMarked
package nelvar.desktop.stage.power;

import org.jspecify.annotations.NullMarked;
