package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Terminal.Role;

/// The point where the mains comes in; its voltage and system stand in the Brief.
///
/// @param lines number of line conductors, 1 to 3
public record MainsInlet(String id, String name, Article article, int lines, boolean neutral)
    implements Part {
  public MainsInlet {
    Part.require(lines >= 1 && lines <= 3, "an inlet has 1 to 3 line conductors, not " + lines);
  }

  @Override
  public boolean mainsInlet() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>();
    for (var line = 1; line <= lines; line++) all.add(Terminal.required("L" + line, Role.LINE));
    if (neutral) all.add(Terminal.optional("N", Role.NEUTRAL));
    all.add(Terminal.required("PE", Role.PROTECTIVE));
    return all;
  }
}
