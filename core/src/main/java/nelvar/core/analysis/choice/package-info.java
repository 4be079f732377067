/// Choosing devices and wires together, for one feed or the whole panel: what is proposed, why, and
/// the one edit that takes it. Judges nothing; it asks the calculations of its neighbours.
@NullMarked
package nelvar.core.analysis.choice;

import org.jspecify.annotations.NullMarked;
