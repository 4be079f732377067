package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.DriveSteps;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ServoMotor;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.network.Feed;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// The axes of a machine that turn by pulses, found on its wiring: from the pin of a controller
/// over the drive to the motor, and on to what its function says it moves.
public final class MotionAxes {
  private MotionAxes() {}

  /// In the order of the motors in the project.
  public static List<MotionAxis> of(Study study) {
    return study.once(MotionAxes.class, () -> found(study));
  }

  private static List<MotionAxis> found(Study study) {
    var feeds = new LinkedHashMap<Id, Feed>();
    for (var feed : study.network().feeds())
      if (feed.source().isPresent()) feeds.putIfAbsent(feed.device().id(), feed);
    var all = new ArrayList<MotionAxis>();
    for (var motor : study.project().devices()) {
      var feed = Optional.ofNullable(feeds.get(motor.id()));
      var part = study.part(motor);
      if (feed.isEmpty() || part.isEmpty() || !byPulses(part.get())) continue;
      var drive = feed.get().source().orElseThrow().device();
      if (study.part(drive).filter(p -> p.chops() || p.pulseInput().isPresent()).isEmpty())
        continue;
      all.add(axis(motor, part.get(), feed.get(), drive, study));
    }
    return List.copyOf(all);
  }

  private static boolean byPulses(Part part) {
    return part instanceof StepperMotor || part instanceof ServoMotor;
  }

  private static Current rated(Part part, Feed feed) {
    if (part instanceof ServoMotor servo) return servo.current();
    return feed.intake().demand() instanceof Demand.FixedCurrent(var current)
        ? current
        : new Current(0);
  }

  private static MotionAxis axis(Device motor, Part part, Feed feed, Device drive, Study study) {
    var function = function(motor, drive, study);
    var shared = 1 + others(motor, function, study);
    var name =
        function
            .map(f -> f.designation().text())
            .filter(_ -> shared == 1)
            .orElseGet(() -> motor.designation().text());
    var step = step(drive, study);
    var board = step.map(PinLink::board).or(() -> only(study)).orElse(drive);
    // A board with drives on it is set as a board.
    var separate = study.part(drive).filter(p -> p.logic().isEmpty()).isPresent() ? drive : board;
    var driving = study.part(separate);
    return new MotionAxis(
        name,
        function,
        motor,
        part instanceof StepperMotor stepper ? Optional.of(stepper) : Optional.empty(),
        part instanceof ServoMotor servo ? Optional.of(servo) : Optional.empty(),
        rated(part, feed),
        drive,
        board,
        step,
        Mechanics.read(function.flatMap(f -> f.wants().detail()).orElse("")),
        driving.flatMap(Part::steps).orElse(DriveSteps.UNKNOWN),
        driving.flatMap(Part::pulseInput),
        drive.trip(),
        bus(drive, study),
        shared,
        carried(function, study),
        company(drive, study),
        AxisSettings.of(
            name,
            part instanceof ServoMotor ? AxisSettings.PULSES : AxisSettings.MICROSTEPS,
            drive,
            board,
            study.project()),
        study.project().settings().stream()
            .filter(s -> s.device().equals(drive.id()) || s.device().equals(board.id()))
            .toList());
  }

  /// What its motor serves, else its drive.
  private static Optional<MachineFunction> function(Device motor, Device drive, Study study) {
    return motor
        .serves()
        .or(drive::serves)
        .flatMap(
            id -> study.project().functions().stream().filter(f -> f.id().equals(id)).findFirst());
  }

  /// Other motors by pulses that serve the same function.
  private static int others(Device motor, Optional<MachineFunction> function, Study study) {
    return Math.toIntExact(
        study.project().devices().stream()
            .filter(device -> !device.id().equals(motor.id()))
            .filter(device -> study.part(device).filter(MotionAxes::byPulses).isPresent())
            .filter(device ->
                device.serves().isPresent()
                    && device.serves().equals(function.map(MachineFunction::id)))
            .count());
  }

  /// Motors of the functions that the words of this one name behind `carries`, kg; one whose mass
  /// is not stated weighs nothing here.
  private static double carried(Optional<MachineFunction> function, Study study) {
    var words = function.flatMap(f -> f.wants().detail()).orElse("");
    var sum = 0.0;
    var found = Mechanics.CARRIES.matcher(words);
    while (found.find()) {
      var name = String.valueOf(found.group(1));
      for (var other : study.project().functions()) {
        var text = other.designation().text();
        if (!text.equalsIgnoreCase(name) && !text.equalsIgnoreCase("=" + name)) continue;
        for (var device : study.project().devices())
          if (device.serves().filter(other.id()::equals).isPresent())
            sum +=
                study
                    .part(device)
                    .filter(Part::motor)
                    .flatMap(p -> p.article().mass())
                    .map(nelvar.core.units.Measure::value)
                    .orElse(0.0);
      }
    }
    return sum;
  }

  /// Of the motors a drive's first winding feeds: those whose both ends are on it share its
  /// current, those of which one end hangs on another motor share its volts.
  private static MotionAxis.Company company(Device drive, Study study) {
    var parallel = new java.util.HashSet<Id>();
    var series = new java.util.HashSet<Id>();
    for (var feed : study.network().feeds()) {
      var output = feed.source().map(source -> source.output());
      if (feed.source().filter(s -> s.device().id().equals(drive.id())).isEmpty()
          || output.flatMap(o -> o.back()).isEmpty()
          || feed.intake().back().isEmpty()) continue;
      var whole =
          joined(
                  drive,
                  output.get().lines().getFirst(),
                  feed,
                  feed.intake().lines().getFirst(),
                  study)
              && joined(drive, output.get().back().get(), feed, feed.intake().back().get(), study);
      (whole ? parallel : series).add(feed.device().id());
    }
    return new MotionAxis.Company(
        Math.max(
            1,
            study.part(drive).filter(p -> p.logic().isPresent()).isPresent() ? 1 : parallel.size()),
        Math.max(1, series.size()));
  }

  private static boolean joined(Device drive, String end, Feed feed, String mark, Study study) {
    return study
        .network()
        .joined(new nelvar.core.model.TerminalRef(drive.id(), end))
        .contains(new nelvar.core.model.TerminalRef(feed.device().id(), mark));
  }

  /// The pin that gives its steps: of two that lead to the drive the one that is no direction.
  private static Optional<PinLink> step(Device drive, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type().steps())
        .filter(link -> link.partners().stream().anyMatch(end -> end.device().equals(drive.id())))
        .min(
            java.util.Comparator.comparing(link ->
                link.partners().stream()
                    .noneMatch(end ->
                        end.device().equals(drive.id())
                            && end.terminal()
                                .toUpperCase(java.util.Locale.ROOT)
                                .contains("STEP"))));
  }

  /// The one controller that gives pulses, where their wires are not drawn.
  private static Optional<Device> only(Study study) {
    var boards =
        PinLinks.of(study).stream()
            .filter(link -> link.pin().type().steps())
            .map(PinLink::board)
            .distinct()
            .toList();
    return boards.size() == 1 ? Optional.of(boards.getFirst()) : Optional.empty();
  }

  /// What its drive has on its bus as designed.
  private static Optional<Voltage> bus(Device drive, Study study) {
    var part = study.part(drive);
    if (part.isEmpty()) return Optional.empty();
    return part.get().intakes(drive.linkage().orElse(nelvar.core.catalogue.Linkage.STAR)).stream()
        .filter(intake ->
            intake.demand() instanceof Demand.Chops || intake.demand() instanceof Demand.Converts)
        .findFirst()
        .flatMap(intake -> study.asDesigned().at(drive, intake).filter(u -> u.volts() > 1));
  }

  /// The axes whose settings are in one device.
  public static List<MotionAxis> of(Study study, Id device) {
    return of(study).stream()
        .filter(axis ->
            axis.motor().id().equals(device)
                || axis.drive().id().equals(device)
                || axis.board().id().equals(device)
                || axis.function().filter(f -> f.id().equals(device)).isPresent())
        .toList();
  }
}
