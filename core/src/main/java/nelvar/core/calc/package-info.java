/// Quick calculations that need no project: each names its inputs, reads them as people write them,
/// and answers with its working. They call the calculations of `analysis` and the tables of
/// `standards`; nothing is computed twice.
@NullMarked
package nelvar.core.calc;

import org.jspecify.annotations.NullMarked;
