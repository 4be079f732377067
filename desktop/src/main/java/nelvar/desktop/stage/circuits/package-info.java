/// The stage Circuits: the circuit sheets, alive. Not here: how they are laid out (core
/// analysis.circuit), how they are drawn (documents.drawing).
@NullMarked
package nelvar.desktop.stage.circuits;

import org.jspecify.annotations.NullMarked;
