/// All verdicts of one snapshot: the rule book (the one list) and the review.
@NullMarked
package nelvar.core.review;

import org.jspecify.annotations.NullMarked;
