package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Leads surges from its lines to the protective conductor; in normal running it takes nothing.
///
/// @param continuous greatest voltage from a line to the protective conductor it stands for ever,
///   `Uc`
/// @param discharge nominal discharge current, 8/20 µs, `In`
public record SurgeArrester(
    String id,
    String name,
    Article article,
    int lines,
    boolean neutral,
    Voltage continuous,
    Current discharge)
    implements Part {
  public SurgeArrester {
    Part.require(lines >= 1 && lines <= 3, "a surge arrester has 1 to 3 lines, not " + lines);
  }

  /// Marks of its lines.
  public List<String> lineMarks() {
    return lines == 1 ? List.of("L") : List.of("L1", "L2", "L3").subList(0, lines);
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>();
    for (var line : lineMarks()) all.add(Terminal.required(line, Role.LINE));
    if (neutral) all.add(Terminal.required("N", Role.NEUTRAL));
    all.add(Terminal.required("PE", Role.PROTECTIVE));
    return all;
  }
}
