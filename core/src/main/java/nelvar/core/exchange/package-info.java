/// Lists of a project in open formats that need no drawing: CSV out, parts in.
@NullMarked
package nelvar.core.exchange;

import org.jspecify.annotations.NullMarked;
