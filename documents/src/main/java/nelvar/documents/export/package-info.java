/// Drawings and lists to PDF, SVG, CSV and XLSX. Byte-identical for the same input.
@NullMarked
package nelvar.documents.export;

import org.jspecify.annotations.NullMarked;
