/// The open project over time: history, saving, the newest review. No nodes here; tested without a
/// window.
@NullMarked
package nelvar.desktop.session;

import org.jspecify.annotations.NullMarked;
