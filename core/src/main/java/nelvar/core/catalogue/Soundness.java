package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.units.Storable;

/// Whether a part is whole in itself: everything the network will ask of it can be answered, and
/// speaks only of terminals, outputs and actuators that it has.
///
/// Shipped parts are held to it by a test, a project's own whenever they come or change.
public final class Soundness {
  private static final int LONGEST_NAME = 300;

  private final Part part;
  private final Set<String> marks = new HashSet<>();
  private final Set<String> actuators = new HashSet<>();
  private final Set<String> outputs = new HashSet<>();
  private final List<String> problems = new ArrayList<>();

  private Soundness(Part part) {
    this.part = part;
  }

  /// The first thing that is wrong with it, in words; empty for a sound part.
  public static Optional<String> problem(Part part) {
    var check = new Soundness(part);
    try {
      Storable.problem(part).ifPresent(check.problems::add);
      check.run();
    } catch (IllegalArgumentException | IllegalStateException e) {
      return Optional.of(String.valueOf(e.getMessage()));
    } catch (RuntimeException e) {
      return Optional.of("what it says of itself contradicts itself");
    }
    return check.problems.stream().findFirst();
  }

  private void run() {
    if (part.id().isBlank() || part.id().length() > 100)
      problems.add("its id has 1 to 100 letters");
    if (part.name().isBlank() || part.name().length() > LONGEST_NAME)
      problems.add("its name has 1 to %d letters".formatted(LONGEST_NAME));
    for (var terminal : part.terminals()) {
      var mark = terminal.name();
      if (mark.isBlank() || mark.length() > 24)
        problems.add("the terminal mark '" + mark + "' has not 1 to 24 characters");
      if (!marks.add(mark)) problems.add("two of its terminals are marked " + mark);
    }
    part.actuators().forEach(actuator -> actuators.add(actuator.name()));
    part.outputs().forEach(output -> outputs.add(output.name()));
    for (var link : part.links()) {
      terminal(link.a());
      terminal(link.b());
      link.actuator().ifPresent(this::actuator);
      link.protection().ifPresent(ProtectiveDevice::poleResistance);
    }
    for (var output : part.outputs()) {
      output.lines().forEach(this::terminal);
      output.back().ifPresent(this::terminal);
      part.limit(output);
    }
    for (var linkage : Linkage.values()) part.intakes(linkage).forEach(this::intake);
    for (var actuator : part.actuators()) moved(actuator);
    part.outputNeeds().forEach(this::actuator);
    part.elements();
    part.ownCoil();
    part.protection().ifPresent(ProtectiveDevice::poleResistance);
  }

  private void intake(Intake intake) {
    intake.lines().forEach(this::terminal);
    intake.back().ifPresent(this::terminal);
    switch (intake.demand()) {
      case Demand.Converts(var output, var efficiency, _, _) -> {
        output(output);
        if (!(efficiency.percent() > 0 && efficiency.percent() <= 100))
          problems.add("an efficiency is above 0 % and at most 100 %, not " + efficiency);
      }
      case Demand.Chops(var outputs, _) -> outputs.forEach(this::output);
      case Demand.Ohmic(_, var madeFor) -> {
        if (madeFor.volts() <= 0)
          problems.add("what it is made for is more than 0 V, not " + madeFor);
      }
      case Demand.FixedPower(_, var powerFactor) -> {
        if (!(powerFactor > 0 && powerFactor <= 1))
          problems.add("a power factor is above 0 and at most 1, not " + powerFactor);
      }
      case Demand.FixedCurrent _ -> {}
    }
  }

  private void moved(Actuator actuator) {
    switch (actuator) {
      case Actuator.Magnet magnet -> {
        terminal(magnet.a());
        terminal(magnet.b());
      }
      case Actuator.Watch(_, var needed, var reset, _, _) -> {
        needed.forEach(reading -> terminal(reading.terminal()));
        reset.ifPresent(reading -> terminal(reading.terminal()));
      }
      case Actuator.Hand _, Actuator.Program _ -> {}
    }
  }

  private void terminal(String mark) {
    if (!marks.contains(mark)) problems.add("it has no terminal '" + mark + "'");
  }

  private void output(String name) {
    if (!outputs.contains(name)) problems.add("it has no output '" + name + "'");
  }

  private void actuator(String name) {
    if (!actuators.contains(name)) problems.add("nothing in it is called '" + name + "'");
  }
}
