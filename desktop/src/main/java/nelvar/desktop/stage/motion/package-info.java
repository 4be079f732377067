/// Stage: what must be set so that one unit of an axis is one. A model without nodes and a view
/// without computing.
@NullMarked
package nelvar.desktop.stage.motion;

import org.jspecify.annotations.NullMarked;
