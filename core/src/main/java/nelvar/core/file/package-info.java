/// Project file to model and back; format versions, safe save, the journal of unsaved edits.
@NullMarked
package nelvar.core.file;

import org.jspecify.annotations.NullMarked;
