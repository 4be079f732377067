/// Valid panels of any size from a seed, for tests and benchmarks.
@NullMarked
package nelvar.core.sample;

import org.jspecify.annotations.NullMarked;
