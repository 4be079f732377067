package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;

/// Mains filter: lines L1, L2, L3, N in; L1', L2', L3', N' out.
///
/// @param leakage to the protective conductor in normal running
public record EmcFilter(
    String id,
    String name,
    Article article,
    int lines,
    boolean neutral,
    Current rating,
    Current leakage)
    implements Part {
  private List<String> wires() {
    var all = new ArrayList<String>();
    for (var line = 1; line <= lines; line++) all.add("L" + line);
    if (neutral) all.add("N");
    return all;
  }

  @Override
  public boolean filtersMains() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>();
    for (var wire : wires()) {
      var role = wire.equals("N") ? Role.NEUTRAL : Role.LINE;
      all.add(Terminal.required(wire, role));
      all.add(Terminal.required(wire + "'", role));
    }
    all.add(Terminal.required("PE", Role.PROTECTIVE));
    return all;
  }

  @Override
  public List<Link> links() {
    return wires().stream().map(wire -> Link.joined(wire, wire + "'")).toList();
  }
}
