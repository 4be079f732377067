/// Numbers from published standards: one file a table, one typed door a table. Each file names its
/// page and admits whether anyone has checked it. Nothing extrapolates.
@NullMarked
package nelvar.core.standards;

import org.jspecify.annotations.NullMarked;
