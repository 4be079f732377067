/// Stage: which pin reads and drives what. A model without nodes and a view without computing.
@NullMarked
package nelvar.desktop.stage.signals;

import org.jspecify.annotations.NullMarked;
