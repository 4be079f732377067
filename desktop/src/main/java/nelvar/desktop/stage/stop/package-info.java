/// The stage Stop: rehearsals of stops as lanes, and the matrix of what each takes. Not here: what
/// is computed (core analysis.stop), how it is drawn (documents.drawing).
@NullMarked
package nelvar.desktop.stage.stop;

import org.jspecify.annotations.NullMarked;
