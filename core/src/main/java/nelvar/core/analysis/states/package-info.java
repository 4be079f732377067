/// What the solved machine shows in each of its states, judged: shorts, supplies at their limit,
/// devices that would open, loads without voltage. The states are the builder's own
/// (`OperatingState`) or, without any, one with everything on that can be on together.
@NullMarked
package nelvar.core.analysis.states;

import org.jspecify.annotations.NullMarked;
