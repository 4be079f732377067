/// What a stop and a return of the mains do, judged by the engine. Belongs here: rules about people
/// near a machine that stops, or starts by itself. Not here: states of normal work (states/).
@NullMarked
package nelvar.core.analysis.stop;

import org.jspecify.annotations.NullMarked;
