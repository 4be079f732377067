/// Valid panels of any size from a seed, and random lists of what a machine must do, for tests and
/// benchmarks.
@NullMarked
package nelvar.core.sample;

import org.jspecify.annotations.NullMarked;
