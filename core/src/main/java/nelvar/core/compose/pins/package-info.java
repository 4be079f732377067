/// Which signal takes which pin. Belongs here: matching free signals to free pins, one controller
/// in the place of another. Ends in ordinary edits; computes nothing a rule computes.
@NullMarked
package nelvar.core.compose.pins;

import org.jspecify.annotations.NullMarked;
