/// Study: one snapshot of a project with its network and currents, on which all rules look. One
/// folder a subject: its calculation and its rules stand together.
@NullMarked
package nelvar.core.analysis;

import org.jspecify.annotations.NullMarked;
