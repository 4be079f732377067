/// Speed and memory, measured and printed; never asserted. `benchmarks/run` runs all of it.
@NullMarked
package nelvar.benchmarks;

import org.jspecify.annotations.NullMarked;
