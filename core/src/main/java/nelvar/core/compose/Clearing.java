package nelvar.core.compose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Link;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FunctionEdits;

/// Taking a function away with all that serves only it: its devices, their wires and cables, and
/// the protective devices that then protect nothing. What is fixed by hand stays.
public final class Clearing {
  private Clearing() {}

  /// The function goes too.
  public static Edit remove(MachineFunction function, Study study) {
    return with(FunctionEdits.remove(function), study);
  }

  /// The function stays, and nothing serves it.
  public static Edit clear(MachineFunction function, Study study) {
    return with(FunctionEdits.clear(function), study);
  }

  /// The same, but some of what serves it stays too.
  static Edit clear(
      MachineFunction function, java.util.function.Predicate<Device> stays, Study study) {
    return with(
        new Edit(
            "Clear " + function.designation(),
            project -> {
              var next = project;
              for (var device : FunctionEdits.served(project, function.id()))
                if (!stays.test(device)) next = Edits.remove(device).apply(next);
              return FunctionEdits.withoutEmptyCables(project, next);
            }),
        study);
  }

  /// The devices that go with a function.
  public static List<Device> gone(MachineFunction function, Study study) {
    var after = clear(function, study).apply(study.project());
    return study.project().devices().stream()
        .filter(device -> after.device(device.id()).isEmpty())
        .toList();
  }

  private static Edit with(Edit first, Study study) {
    return new Edit(
        first.label(),
        project -> {
          var next = first.apply(project);
          for (var idle = idle(project, next, study);
              !idle.isEmpty();
              idle = idle(project, next, study))
            for (var device : idle) next = Edits.remove(device).apply(next);
          return next;
        });
  }

  /// Protective devices each of whose poles led something on before, and leads nothing on any more.
  private static List<Device> idle(Project before, Project after, Study study) {
    var had = wired(before);
    var has = wired(after);
    var idle = new ArrayList<Device>();
    for (var device : after.devices()) {
      if (device.serves().isPresent() || after.fixed().contains(device.id())) continue;
      var poles =
          study.part(device).stream()
              .flatMap(part -> part.links().stream())
              .filter(link -> link.kind() == Link.Kind.PROTECTIVE)
              .toList();
      if (poles.stream().anyMatch(pole -> through(device, pole, had))
          && poles.stream().noneMatch(pole -> through(device, pole, has))) idle.add(device);
    }
    return idle;
  }

  private static boolean through(Device device, Link pole, Set<TerminalRef> wired) {
    return wired.contains(new TerminalRef(device.id(), pole.a()))
        && wired.contains(new TerminalRef(device.id(), pole.b()));
  }

  private static Set<TerminalRef> wired(Project project) {
    var all = new HashSet<TerminalRef>();
    for (var wire : project.conductors()) {
      all.add(wire.from());
      all.add(wire.to());
    }
    return all;
  }
}
