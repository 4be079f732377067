/// From what a machine must do to how it is made: needs read from what people say, patterns that
/// make functions work, ways tried on copies, whole machines drawn up.
///
/// Everything here ends in an ordinary edit. It computes nothing that a rule computes: sizes come
/// from `analysis.choice`, loads from the study, judgement from the review.
@NullMarked
package nelvar.core.compose;

import org.jspecify.annotations.NullMarked;
