/// Stage: every conductor, and the bundles they lie in. A model without nodes and a view without
/// computing.
@NullMarked
package nelvar.desktop.stage.runs;

import org.jspecify.annotations.NullMarked;
