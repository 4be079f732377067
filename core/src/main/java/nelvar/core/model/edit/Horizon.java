package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Layout;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.Standing;

/// Which machine is asked about: as it stands today, as it will stand when it is finished, or with
/// what may come later too.
///
/// What is not in it is taken out as a builder would take it out: with its wires, and with the
/// cables that have no core left. A device is not in it when its function is not, a wire when one
/// of its ends or its cable is not.
public enum Horizon {
  TODAY("today", "the machine as it stands today"),
  FINISHED("finished", "the finished machine"),
  WITH_LATER("with later", "the machine with what may come later");

  private final String words;
  private final String sentence;

  Horizon(String words, String sentence) {
    this.words = words;
    this.sentence = sentence;
  }

  public String words() {
    return words;
  }

  public String sentence() {
    return sentence;
  }

  private boolean includes(Standing standing) {
    return switch (this) {
      case TODAY -> false;
      case FINISHED -> standing == Standing.TO_BUILD;
      case WITH_LATER -> true;
    };
  }

  /// The machine asked about; the project itself where nothing of it is left out.
  public Project of(Project project) {
    if (this == WITH_LATER || project.plan().marks().isEmpty()) return project;
    var next = project;
    var later = new ArrayList<Layout.Later>();
    for (var device : project.devices()) {
      if (!absent(standing(project, device))) continue;
      project
          .layout()
          .placement(device.id())
          .ifPresent(at -> later.add(new Layout.Later(device.designation(), device.part(), at)));
      next = Edits.remove(device).apply(next);
    }
    for (var cable : project.cables())
      if (absent(project.plan().mark(cable.id()))) next = Edits.remove(cable).apply(next);
    for (var wire : List.copyOf(next.conductors()))
      if (absent(project.plan().mark(wire.id()))) next = Edits.remove(wire).apply(next);
    next = FunctionEdits.withoutEmptyCables(project, next);
    for (var function : project.functions())
      if (absent(project.plan().mark(function.id())))
        next = FunctionEdits.remove(function).apply(next);
    return later.isEmpty() ? next : next.with(next.layout().withLater(later));
  }

  private boolean absent(Optional<Standing> standing) {
    return standing.filter(s -> !includes(s)).isPresent();
  }

  /// Its own mark and its function's: the later of both; empty where it stands.
  public static Optional<Standing> standing(Project project, Device device) {
    return latest(
        Stream.of(project.plan().mark(device.id()), device.serves().flatMap(project.plan()::mark)));
  }

  /// Its own mark, its cable's and those of the devices at its ends.
  public static Optional<Standing> standing(Project project, Conductor wire) {
    return latest(
        Stream.of(
            project.plan().mark(wire.id()),
            wire.cable().flatMap(project.plan()::mark),
            project.device(wire.from().device()).flatMap(d -> standing(project, d)),
            project.device(wire.to().device()).flatMap(d -> standing(project, d))));
  }

  /// Of anything that can be marked.
  public static Optional<Standing> standing(Project project, Id thing) {
    var device = project.device(thing);
    if (device.isPresent()) return standing(project, device.get());
    var wire = project.conductor(thing);
    if (wire.isPresent()) return standing(project, wire.get());
    return project.plan().mark(thing);
  }

  private static Optional<Standing> latest(Stream<Optional<Standing>> all) {
    return all.flatMap(Optional::stream).max(java.util.Comparator.naturalOrder());
  }

  /// Whether a thing is drawn in the whole machine and not in the one asked about.
  public static boolean leavesOut(Id thing, Project asked, Project whole) {
    return asked != whole && has(whole, thing) && !has(asked, thing);
  }

  private static boolean has(Project project, Id thing) {
    return project.device(thing).isPresent()
        || project.conductor(thing).isPresent()
        || project.cable(thing).isPresent()
        || project.plan().function(thing).isPresent();
  }

  /// What of a project is not in the machine asked about.
  ///
  /// @param wires single ones and cores
  public record LeftOut(
      List<MachineFunction> functions,
      List<Device> devices,
      List<Cable> cables,
      List<Conductor> wires) {
    public boolean isEmpty() {
      return functions.isEmpty() && devices.isEmpty() && cables.isEmpty() && wires.isEmpty();
    }

    /// Such as `2 functions, 7 devices, 31 wires`; empty for nothing.
    public String words() {
      var all = new ArrayList<String>();
      say(all, functions.size(), "function");
      say(all, devices.size(), "device");
      say(all, cables.size(), "cable");
      say(all, wires.size(), "wire");
      return String.join(", ", all);
    }

    private static void say(List<String> all, int number, String word) {
      if (number > 0) all.add("%d %s%s".formatted(number, word, number == 1 ? "" : "s"));
    }
  }

  /// What answers for it must say, such as `The finished machine; 1 function, 3 devices, 9 wires of
  /// the project are not in it.`; empty where nothing is marked.
  public String says(Project project) {
    if (project.plan().marks().isEmpty()) return "";
    var left = leftOut(project).words();
    return "%s%s; %s."
        .formatted(
            sentence.substring(0, 1).toUpperCase(java.util.Locale.ROOT),
            sentence.substring(1),
            left.isEmpty()
                ? "all of the project is in it"
                : left + " of the project are not in it");
  }

  public LeftOut leftOut(Project project) {
    var shown = of(project);
    return new LeftOut(
        missing(project.functions(), shown.functions()),
        missing(project.devices(), shown.devices()),
        missing(project.cables(), shown.cables()),
        missing(project.conductors(), shown.conductors()));
  }

  private static <T> List<T> missing(List<T> all, List<T> shown) {
    var there = new java.util.HashSet<>(shown);
    return all.stream().filter(thing -> !there.contains(thing)).toList();
  }

  /// An edit found on the machine asked about, to be made in the whole project: what is not in that
  /// machine stays as it is.
  ///
  /// @throws EditRefused by the edit, where both do not go together
  public Edit lifted(Edit edit, Catalogue standard) {
    if (this == WITH_LATER) return edit;
    return new Edit(
        edit.label(),
        project -> {
          var shown = of(project);
          if (shown == project) return edit.apply(project);
          return Merge.of(shown, project, edit.apply(shown), standard).project();
        });
  }
}
