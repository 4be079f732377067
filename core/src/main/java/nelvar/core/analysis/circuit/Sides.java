package nelvar.core.analysis.circuit;

import java.util.HashSet;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Which terminals of a symbol are above and which below: the current comes from above.
final class Sides {
  private final Device device;
  private final Split.Group group;
  private final Pieces pieces;
  private final Set<String> lines = new HashSet<>();
  private final Set<String> gives = new HashSet<>();
  private final Set<String> protective = new HashSet<>();

  Sides(Study study, Device device, Split.Group group, Pieces pieces) {
    this.device = device;
    this.group = group;
    this.pieces = pieces;
    var part = study.part(device).orElse(null);
    if (part == null) return;
    if (part.mainsInlet()) part.terminals().forEach(terminal -> gives.add(terminal.name()));
    for (var intake : part.intakes(Linkage.STAR)) lines.addAll(intake.lines());
    for (var output : part.outputs()) {
      gives.addAll(output.lines());
      output.back().ifPresent(gives::add);
    }
    for (var terminal : part.terminals())
      if (terminal.role() == Terminal.Role.PROTECTIVE) protective.add(terminal.name());
  }

  /// Of poles, whether the first terminal of each is above.
  boolean firstAbove() {
    var sum = 0;
    for (var i = 0; i + 1 < group.marks().size(); i += 2)
      sum += enters(group.marks().get(i)) - enters(group.marks().get(i + 1));
    return sum >= 0;
  }

  boolean above(String mark) {
    return switch (group.form()) {
      case CHANGEOVER -> mark.equals(group.marks().getFirst()) == commonAbove();
      case SLIM -> slim(mark);
      case RING -> group.marks().size() <= 2 ? slim(mark) : !protective.contains(mark) || led(mark);
      case BOX, POLES, WAY -> box(mark);
    };
  }

  private int enters(String mark) {
    return pieces.enters(new TerminalRef(device.id(), mark));
  }

  private boolean commonAbove() {
    return enters(group.marks().get(0))
        >= enters(group.marks().get(1)) + enters(group.marks().get(2));
  }

  /// Of two terminals the first is above unless the current comes to the second.
  private boolean slim(String mark) {
    if (protective.contains(mark)) return false;
    if (group.marks().size() < 2) return true;
    var first = enters(group.marks().get(0)) >= enters(group.marks().get(1));
    return mark.equals(group.marks().get(0)) == first;
  }

  private boolean box(String mark) {
    if (gives.contains(mark)) return false;
    if (protective.contains(mark)) return led(mark);
    var enters = enters(mark);
    return enters > 0 || (enters == 0 && lines.contains(mark));
  }

  /// Whether a protective conductor comes to it from another device, not from a bar.
  private boolean led(String mark) {
    var terminal = new TerminalRef(device.id(), mark);
    return pieces
        .only(terminal)
        .filter(wire -> !pieces.bar(Pieces.beyond(wire, terminal)))
        .filter(wire -> !pieces.first(wire).equals(terminal))
        .isPresent();
  }
}
