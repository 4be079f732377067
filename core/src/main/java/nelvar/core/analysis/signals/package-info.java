/// What pins read and drive. Belongs here: every link proved by the engine in both its states, and
/// rules on them. Not here: what contacts may switch (parts/), how a stop works (stop/).
@NullMarked
package nelvar.core.analysis.signals;

import org.jspecify.annotations.NullMarked;
