package nelvar.core.analysis.signals;

import java.util.Optional;
import nelvar.core.model.edit.Edit;
import nelvar.core.units.Price;

/// A signal led on two wires, each against the other, in place of one against 0 V.
///
/// @param costs of what is bought; empty where a price is not known
/// @param devices that are mounted and wired for it
/// @param ends of wires that land elsewhere
public record OnTwoWires(Edit edit, Optional<Price> costs, int devices, int ends) {}
