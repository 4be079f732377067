/// The working of a calculation: given, table, assumed, result, limit, written as it goes. Leaves
/// as an immutable [nelvar.core.trail.Explained]; screens, paper and the command line read the same
/// lines.
@NullMarked
package nelvar.core.trail;

import org.jspecify.annotations.NullMarked;
