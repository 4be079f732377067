/// The only home of bare doubles: phasors and the adding-up of currents along the ways found in
/// `network`. The nodal solver (volts everywhere, faults, states) comes to live here too.
@NullMarked
package nelvar.core.network.solve;

import org.jspecify.annotations.NullMarked;
