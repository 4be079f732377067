package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.pattern.Patterns;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Designation;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Project;
import nelvar.core.model.Wants;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Power;

/// A whole machine from what it must do: patterns against the current, sizes last, judged once.
///
/// The same functions and Brief give the same machine. It is a proposal: an edit with its reasons.
///
/// @param project the machine
/// @param review what the rules say of it
/// @param reasons why it is made so, and what was assumed
public record Draft(Project project, Review review, List<String> reasons) {
  /// From the cabinet to what stands on the machine, until places say otherwise (assumed).
  public Draft {
    reasons = List.copyOf(reasons);
  }

  /// @param from functions and Brief; devices in it stay as they are
  /// @param upstreamStated whether the device before the inlet is as the Brief says; else one is
  ///   assumed that carries the machine
  /// @throws Unmet with the function that cannot be met
  public static Draft of(Project from, Catalogue standard, boolean upstreamStated) {
    return of(from, standard, upstreamStated, Architecture.STAND_ALONE);
  }

  /// @param architecture what runs it
  public static Draft of(
      Project from, Catalogue standard, boolean upstreamStated, Architecture architecture) {
    var reasons = new ArrayList<String>();
    var stopped = withStop(from, reasons);
    var cooled = withCooling(stopped, reasons);
    var project =
        architecture == Architecture.COMPUTER_WITH_BREAKOUT
            ? withComputer(cooled, reasons)
            : cooled;
    var composer = new Composer(project, standard, TypicalLength.DISTANCE, architecture);
    for (var function : inOrder(project.functions())) compose(function, composer);
    composer.settle();
    var sized = new Sizing(composer, standard, upstreamStated).sized();
    reasons.addAll(composer.reasons());
    reasons.add(
        "Lengths to the machine are %s%s, in the cabinet as usual, until places are laid out."
            .formatted(
                TypicalLength.DISTANCE,
                project.plan().places().isEmpty() ? "" : " where no distance of a place is said"));
    if (!upstreamStated)
      reasons.add(
          "The device before the inlet is assumed: %s."
              .formatted(sized.project().brief().supply().upstream()));
    reasons.add(
        "Not judged yet: interference, and what a fault does to the stop. Local codes and a licensed electrician decide.");
    return new Draft(sized.project(), Review.findingsOnly(sized), reasons);
  }

  /// The draft as one step.
  public Edit edit() {
    return new Edit("Draw up the machine", _ -> project);
  }

  private static void compose(MachineFunction function, Composer composer) {
    try {
      Patterns.ALL.stream()
          .filter(pattern -> pattern.serves(function, composer))
          .findFirst()
          .orElseThrow(() -> new Unmet("no pattern makes that work yet"))
          .compose(function, composer);
    } catch (Unmet unmet) {
      throw unmet.function().isPresent() ? unmet : new Unmet(Optional.of(function), unmet.why());
    } catch (ImpossibleQuantity impossible) {
      throw new Unmet(Optional.of(function), String.valueOf(impossible.getMessage()));
    }
  }

  /// The stop first: what hangs behind it depends on it.
  private static List<MachineFunction> inOrder(List<MachineFunction> functions) {
    return functions.stream()
        .sorted(Comparator.comparing((MachineFunction f) -> f.kind() != FunctionKind.STOP))
        .toList();
  }

  /// A machine that moves has a stop (IEC 60204-1:2016, 9.2.3.4.2).
  private static Project withStop(Project project, List<String> reasons) {
    var moves = project.functions().stream().anyMatch(f -> f.kind().moves());
    var stops = project.functions().stream().anyMatch(f -> f.kind() == FunctionKind.STOP);
    if (!moves || stops) return project;
    reasons.add("A stop button was added: a machine that moves has one (IEC 60204-1, 9.2.3.4.2).");
    var designation = designation(project, FunctionKind.STOP);
    return FunctionEdits.add(
            new MachineFunction(
                id(project, designation),
                designation,
                "stop",
                FunctionKind.STOP,
                Wants.NOTHING.withBy(Means.STOP_BUTTON)))
        .apply(project);
  }

  private static final double COOLANT_PUMP = 30;

  /// Whether a pump that was asked for can be the one of the coolant: not one for air or dust.
  private static boolean pumpsCoolant(MachineFunction function) {
    var name = function.name().toLowerCase(java.util.Locale.ROOT);
    return function.kind() == FunctionKind.PUMP
        && name.matches(".*(cool|water|pump).*")
        && !name.matches(".*(vacuum|dust|air|oil|mist).*");
  }

  /// A liquid-cooled spindle has a pump, and something that proves the flow.
  private static Project withCooling(Project project, List<String> reasons) {
    if (project.functions().stream()
        .noneMatch(f -> f.kind() == FunctionKind.TURN && f.liquidCooled())) return project;
    var next = project;
    if (project.functions().stream().noneMatch(Draft::pumpsCoolant)) {
      reasons.add("A coolant pump of 24 V was added: the spindle is liquid-cooled.");
      var pump = designation(next, FunctionKind.PUMP);
      next =
          FunctionEdits.add(
                  new MachineFunction(
                      id(next, pump),
                      pump,
                      "coolant pump",
                      FunctionKind.PUMP,
                      Wants.NOTHING.withBy(Means.DC_MOTOR).withPower(new Power(COOLANT_PUMP))))
              .apply(next);
    }
    if (project.functions().stream()
        .noneMatch(f -> f.wants().by().filter(by -> by == Means.FLOW_SWITCH).isPresent())) {
      reasons.add(
          "A flow switch was added: a liquid-cooled spindle is lost within minutes where the pump stands (common practice). Let the program stop the spindle with it.");
      var flow = designation(next, FunctionKind.SENSE);
      next =
          FunctionEdits.add(
                  new MachineFunction(
                      id(next, flow),
                      flow,
                      "flow switch",
                      FunctionKind.SENSE,
                      Wants.NOTHING.withBy(Means.FLOW_SWITCH)))
              .apply(next);
    }
    return next;
  }

  /// A bare board has no program of its own.
  private static Project withComputer(Project project, List<String> reasons) {
    var there =
        project.functions().stream()
            .anyMatch(f ->
                f.kind() == FunctionKind.COMPUTE
                    && f.wants().by().filter(by -> by == Means.COMPUTER).isPresent());
    if (there) return project;
    reasons.add("A computer was added: a bare breakout board has no program of its own.");
    var designation = designation(project, FunctionKind.COMPUTE);
    return FunctionEdits.add(
            new MachineFunction(
                id(project, designation),
                designation,
                "computer",
                FunctionKind.COMPUTE,
                Wants.NOTHING.withBy(Means.COMPUTER)))
        .apply(project);
  }

  /// The next free designation of a kind.
  public static Designation designation(Project project, FunctionKind kind) {
    return NextName.designation(project, "=" + kind.letters());
  }

  /// An id for a function of that designation.
  public static Id id(Project project, Designation designation) {
    return NextName.id(project, designation.text());
  }
}
