/// Which way every conductor and cable takes, how long that makes it, and how full and how bent
/// what it lies in is. Ways within a cabinet come from [nelvar.core.analysis.space]; [HowLong] is
/// the one home of lengths, which [nelvar.core.analysis.Study] hands to the network.
@NullMarked
package nelvar.core.analysis.runs;

import org.jspecify.annotations.NullMarked;
