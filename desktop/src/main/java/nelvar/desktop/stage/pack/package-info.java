/// Stage: the pages themselves. A model without nodes and a view without computing.
@NullMarked
package nelvar.desktop.stage.pack;

import org.jspecify.annotations.NullMarked;
