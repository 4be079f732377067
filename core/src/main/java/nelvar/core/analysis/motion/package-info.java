/// Axes that turn by pulses. Belongs here: the chain from pin to load found on the wiring, what one
/// unit of it is, what has been entered for it, what its motor can give, and rules on them. Not
/// here: levels and times of the pulses (signals/), currents and volts of drives (load/).
@NullMarked
package nelvar.core.analysis.motion;

import org.jspecify.annotations.NullMarked;
