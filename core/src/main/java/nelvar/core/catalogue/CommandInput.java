package nelvar.core.catalogue;

import nelvar.core.units.Resistance;

/// Where a part takes a command of 0–10 V: a terminal against another, and what it loads with.
public record CommandInput(String signal, String zero, Resistance resistance) {}
