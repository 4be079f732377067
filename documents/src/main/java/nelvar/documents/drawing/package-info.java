/// Drawings as records: paths, labels and spots, in named inks, made from the model. The same
/// drawing goes to the screen, to PDF and to SVG. Renderers are in `nelvar.documents.export`.
@NullMarked
package nelvar.documents.drawing;

import org.jspecify.annotations.NullMarked;
