package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Where a part gives power of its own making: a source for what is joined to it.
///
/// @param voltage between lines for three lines, else from line to back
/// @param rating the greatest current it can give for ever
public record Output(
    String name,
    List<String> lines,
    Optional<String> back,
    boolean alternating,
    Voltage voltage,
    Current rating) {}
