package nelvar.core.analysis.runs;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.RunEdits;

/// What is written on the sleeve at each end of a wire, by the scheme of the Brief. Its number
/// stays its own in every scheme: lists and findings name it by that.
public final class WireMarks {
  private final Study study;
  private final Map<Integer, Designation> first = new HashMap<>();

  private WireMarks(Study study) {
    this.study = study;
    for (var wire : study.project().conductors())
      if (!wire.plugged() && wire.function() != Conductor.Function.SHIELD)
        first.merge(
            Potentials.of(study).at(wire.from()),
            wire.label(),
            (a, b) -> a.compareTo(b) <= 0 ? a : b);
  }

  public static WireMarks of(Study study) {
    return study.once(WireMarks.class, () -> new WireMarks(study));
  }

  /// At one of its ends. By potential: the first number on it, so that it stays when wires are
  /// added.
  public String at(Conductor wire, TerminalRef end) {
    var scheme = study.project().brief().policies().answer(School.WIRE_NUMBERS).id();
    return switch (scheme) {
      case "potential" ->
          first.getOrDefault(Potentials.of(study).at(wire.from()), wire.label()).text();
      case "ends" -> {
        var other = wire.from().equals(end) ? wire.to() : wire.from();
        yield name(end) + "/" + name(other);
      }
      default -> wire.label().text();
    };
  }

  private String name(TerminalRef end) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  /// Numbers rise in the order the wires are laid; jumpers and leads of devices keep theirs.
  public static Edit numbered(Study study) {
    var wires =
        WiringOrder.of(study).stream()
            .flatMap(step -> step.wires().stream())
            .filter(wire -> !wire.plugged() && wire.leadOf().isEmpty())
            .toList();
    var moved = new HashSet<Id>();
    wires.forEach(wire -> moved.add(wire.id()));
    var taken = taken(study, moved);
    var next = new HashMap<Id, Designation>();
    var n = 0;
    for (var wire : wires) {
      do n++;
      while (taken.contains("W" + n));
      next.put(wire.id(), new Designation("W" + n));
    }
    return RunEdits.number(next);
  }

  private static Set<String> taken(Study study, Set<Id> moved) {
    var taken = new HashSet<String>();
    for (var wire : study.project().conductors())
      if (!moved.contains(wire.id())) taken.add(wire.label().text());
    for (var device : study.project().devices()) taken.add(device.designation().text());
    for (var cable : study.project().cables()) taken.add(cable.label().text());
    return taken;
  }
}
