/// Stage: where everything stands, how warm it gets there, and first layouts side by side. A model
/// without nodes and views without computing: what fits, what snaps and how warm it gets says the
/// core.
@NullMarked
package nelvar.desktop.stage.panel;

import org.jspecify.annotations.NullMarked;
