/// What a document says: lists, sheets and the pack, as blocks; and how blocks fall onto pages. No
/// file format is known here; `nelvar.documents.export` writes them.
@NullMarked
package nelvar.documents.content;

import org.jspecify.annotations.NullMarked;
