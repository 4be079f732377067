package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.pattern.Patterns;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;

/// The ways to make a function work in a machine that stands, best first.
///
/// Each pattern that serves it is composed on a copy, sized and reviewed. A way that opens an error
/// is not offered; of the others the one with the fewest new findings comes first, then the
/// cheapest. What was there keeps its parts, wires and sizes.
public final class Ways {
  /// What hangs on its supply with nothing that switches it.
  public static final String ALWAYS_ON = "always on";

  private Ways() {}

  /// What was found, and why what was not found is not there.
  ///
  /// @param refused a line for each pattern that cannot be
  public record Found(List<Way> ways, List<String> refused) {
    public Found {
      ways = List.copyOf(ways);
      refused = List.copyOf(refused);
    }
  }

  /// @param function stands in the machine already, or is to be added with the way
  public static Found of(MachineFunction function, Review today, Catalogue standard) {
    var before = with(function, today.project());
    var study = before == today.project() ? today.study() : today.study().tried(before);
    return of(function, study, List.of(new Composer.From.Any()), true, today, standard);
  }

  /// @param study of the machine with nothing that serves the function
  /// @param from supplies to be tried
  /// @param uncut whether a way that no stop cuts is better than none
  static Found of(
      MachineFunction function,
      Study study,
      List<Composer.From> from,
      boolean uncut,
      Review today,
      Catalogue standard) {
    Composer probe;
    try {
      probe = Composer.beside(study, standard, TypicalLength.DISTANCE, Composer.Beside.USUAL);
    } catch (Unmet unmet) {
      return new Found(List.of(), List.of(unmet.why()));
    }
    var recipes =
        Patterns.ALL.stream()
            .filter(pattern -> pattern.serves(function, probe))
            .map(pattern ->
                new WaySearch.Recipe(
                    pattern.title(), true, false, composer -> pattern.compose(function, composer)))
            .toList();
    var asked =
        new WaySearch(
            function.designation().text(),
            function.kind().moves(),
            uncut,
            recipes,
            from,
            study,
            today,
            standard);
    return asked.found();
  }

  /// Whether a device that stands lacks something that ways could be found for: its feed, or what
  /// reads it.
  public static boolean wanted(Device device, Study study) {
    return study.part(device).isPresent()
        && (new Feeding(study, device).wanted() || new ReadBy(study, device).wanted());
  }

  /// The ways to feed one device that nothing feeds with nothing that switches it.
  public static Found alwaysOn(Device device, Review today, Catalogue standard) {
    var feeding = new Feeding(today.study(), device);
    if (!feeding.wanted()) return new Found(List.of(), List.of());
    return asked(
            device, feeding.moves(), List.of(alwaysOn(feeding)), today.study(), today, standard)
        .found();
  }

  /// The ways to feed one device that nothing feeds: always on, or switched by an output; or to
  /// have one read that nothing reads.
  public static Found connecting(Device device, Review today, Catalogue standard) {
    var feeding = new Feeding(today.study(), device);
    var read = new ReadBy(today.study(), device);
    var recipes = new ArrayList<WaySearch.Recipe>();
    if (feeding.wanted()) {
      if (feeding.switched()) recipes.add(switched(feeding));
      recipes.add(
          read.wanted() ? unswitched("fed, and read by an input", feeding) : alwaysOn(feeding));
    } else if (read.wanted()) {
      if (read.stops())
        recipes.add(new WaySearch.Recipe("in both channels of the stop", false, false, read::stop));
      recipes.add(new WaySearch.Recipe("read by an input", false, read.stops(), read::compose));
    }
    if (recipes.isEmpty()) return new Found(List.of(), List.of());
    return asked(device, feeding.moves(), recipes, today.study(), today, standard).found();
  }

  private static WaySearch.Recipe alwaysOn(Feeding feeding) {
    return unswitched(ALWAYS_ON, feeding);
  }

  private static WaySearch.Recipe unswitched(String title, Feeding feeding) {
    return new WaySearch.Recipe(
        title, false, feeding.switched(), composer -> feeding.compose(composer, false));
  }

  private static WaySearch.Recipe switched(Feeding feeding) {
    return new WaySearch.Recipe(
        "switched by a controller output",
        true,
        false,
        composer -> feeding.compose(composer, true));
  }

  /// Whether a device works whenever its supply is there, and a program could switch it.
  public static boolean unswitched(Device device, Study study) {
    return study.part(device).isPresent() && new Feeding(study, device).alwaysOn();
  }

  /// The ways to have a program switch a device that is always on: its wires are laid anew.
  public static Found switching(Device device, Review today, Catalogue standard) {
    if (!unswitched(device, today.study())) return new Found(List.of(), List.of());
    var study = today.study().tried(Feeding.unwired(device).apply(today.project()));
    var feeding = new Feeding(study, device);
    return asked(device, feeding.moves(), List.of(switched(feeding)), study, today, standard)
        .found();
  }

  /// The ways to have a program switch what holds work from what stays live at a stop: its wires
  /// are laid anew.
  static Found heldLive(Device device, Review today, Catalogue standard) {
    var study = today.study().tried(Feeding.unwired(device).apply(today.project()));
    var feeding = Feeding.holding(study, device);
    if (!feeding.wanted() || !feeding.switched()) return new Found(List.of(), List.of());
    return asked(device, false, List.of(switched(feeding)), study, today, standard).found();
  }

  private static WaySearch asked(
      Device device,
      boolean moves,
      List<WaySearch.Recipe> recipes,
      Study study,
      Review today,
      Catalogue standard) {
    return new WaySearch(
        device.designation().text(),
        moves,
        true,
        recipes,
        List.of(new Composer.From.Any()),
        study,
        today,
        standard);
  }

  private static Project with(MachineFunction function, Project project) {
    return project.plan().function(function.id()).isPresent()
        ? project
        : FunctionEdits.add(function).apply(project);
  }

  /// Stated losses of what stands in the cabinet, W.
  public static double heat(Project project, Catalogue standard) {
    var catalogue = standard.with(project.ownParts());
    return project.devices().stream()
        .filter(device -> device.place() == Place.PANEL)
        .map(Device::part)
        .flatMap(part -> catalogue.find(part).stream())
        .flatMap(part -> part.loss().stream())
        .mapToDouble(loss -> loss.watts())
        .sum();
  }
}
