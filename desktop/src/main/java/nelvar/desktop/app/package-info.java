/// Start, window, commands and shortcuts, the list of stages. The only place that knows all stages.
@NullMarked
package nelvar.desktop.app;

import org.jspecify.annotations.NullMarked;
