package nelvar.core.analysis.motion;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.DriveParameter;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;

/// A frequency converter with the motor, or the motors, on it: found on the wiring.
///
/// @param motors all it feeds, the first the one its name comes from
/// @param linkage how the first is linked; where that cannot be on this drive and the other way
///   can, the other way: wrong links are a finding of their own
/// @param current what they take together so, by their nameplates
/// @param runWired whether anything is wired to its run input
/// @param contactWired whether anything is wired to its contact
/// @param command the pin that commands its speed, where there is one
/// @param settings what is said of it
public record DrivenMotor(
    String name,
    Device drive,
    FrequencyConverter converter,
    List<Device> motors,
    InductionMotor motor,
    Linkage linkage,
    Current current,
    Optional<MachineFunction> function,
    boolean runWired,
    boolean contactWired,
    boolean commandWired,
    Optional<PinLink> command,
    List<Setting> settings) {
  private static final Pattern ONE_WAY =
      Pattern.compile(
          "(?i)\\b(?:pump|fan|blower|saw|router|grinder|cutter|suction|compressor)\\w*");

  public DrivenMotor {
    motors = List.copyOf(motors);
    settings = List.copyOf(settings);
  }

  /// In the order of the drives in the project.
  public static List<DrivenMotor> all(Study study) {
    return study.once(DrivenMotor.class, () -> found(study));
  }

  private static List<DrivenMotor> found(Study study) {
    var fed = new LinkedHashMap<Id, java.util.ArrayList<Device>>();
    for (var feed : study.network().feeds())
      if (feed.source().isPresent()
          && study.part(feed.device()).orElse(null) instanceof InductionMotor) {
        var list =
            fed.computeIfAbsent(
                feed.source().get().device().id(), _ -> new java.util.ArrayList<>());
        if (!list.contains(feed.device())) list.add(feed.device());
      }
    var all = new java.util.ArrayList<DrivenMotor>();
    for (var device : study.project().devices()) {
      var motors = fed.get(device.id());
      if (motors != null && study.part(device).orElse(null) instanceof FrequencyConverter drive)
        all.add(of(device, drive, motors, study));
    }
    return List.copyOf(all);
  }

  private static DrivenMotor of(
      Device device, FrequencyConverter drive, List<Device> motors, Study study) {
    var first = motors.getFirst();
    var function =
        first
            .serves()
            .or(device::serves)
            .flatMap(id ->
                study.project().functions().stream().filter(f -> f.id().equals(id)).findFirst());
    var topology = study.network().topology();
    return new DrivenMotor(
        function.map(f -> f.designation().text()).orElseGet(() -> first.designation().text()),
        device,
        drive,
        motors,
        motor(first, study),
        linkage(first, drive, study),
        new Current(
            motors.stream()
                .mapToDouble(m -> motor(m, study).nameplate(linkage(m, drive, study)).amperes())
                .sum()),
        function,
        topology.wired(new TerminalRef(device.id(), "RUN")),
        topology.wired(new TerminalRef(device.id(), "FA")),
        drive
            .command()
            .filter(c -> topology.wired(new TerminalRef(device.id(), c.signal())))
            .isPresent(),
        PinLinks.of(study).stream()
            .filter(link ->
                commands(link.pin())
                    && link.partners().stream()
                        .anyMatch(end ->
                            end.device().equals(device.id())
                                && drive
                                    .command()
                                    .filter(c -> c.signal().equals(end.terminal()))
                                    .isPresent()))
            .findFirst(),
        study.project().settings().stream().filter(s -> s.device().equals(device.id())).toList());
  }

  /// A value, or pulses of a width that is set.
  private static boolean commands(Pin pin) {
    return (pin.type() == Pin.Type.ANALOGUE_OUTPUT && !pin.analogueZero())
        || pin.type() == Pin.Type.OUTPUT_PULSES_SINGLE;
  }

  /// What its command reaches: 10 V of a value, of pulses as many volts as they have.
  public Voltage commandReaches() {
    return command
        .filter(link -> link.pin().type() == Pin.Type.OUTPUT_PULSES_SINGLE)
        .map(link -> link.pin().gives().orElse(new Voltage(5)))
        .filter(v -> v.volts() < 10)
        .orElse(new Voltage(10));
  }

  private static final double FITS = 0.12;

  private static Linkage linkage(Device device, FrequencyConverter drive, Study study) {
    var motor = motor(device, study);
    var other = device.windings() == Linkage.STAR ? Linkage.DELTA : Linkage.STAR;
    return !fits(motor, device.windings(), drive) && fits(motor, other, drive)
        ? other
        : device.windings();
  }

  private static boolean fits(InductionMotor motor, Linkage linkage, FrequencyConverter drive) {
    return Math.abs(motor.nameplateVolts(linkage).volts() / drive.output().volts() - 1) < FITS;
  }

  private static InductionMotor motor(Device device, Study study) {
    return (InductionMotor) study.part(device).orElseThrow();
  }

  /// What was entered for a parameter.
  public Optional<String> entered(DriveParameter.Role role) {
    return said(role.title());
  }

  /// What is said of it under a name.
  public Optional<String> said(String name) {
    return settings.stream()
        .filter(s -> s.name().equalsIgnoreCase(name))
        .map(Setting::value)
        .findFirst();
  }

  public Optional<Frequency> frequency(DriveParameter.Role role) {
    return quantity(role, Kind.FREQUENCY);
  }

  /// What was entered, as a quantity; empty where nothing was, or no such quantity.
  public <Q extends Quantity> Optional<Q> quantity(DriveParameter.Role role, Kind<Q> kind) {
    return entered(role)
        .flatMap(text ->
            kind.read(text) instanceof Reading.Value<Q>(var value)
                ? Optional.of(value)
                : Optional.empty());
  }

  /// The frequency its motor is wound for: its own, else that of the mains.
  public Frequency wound(Study study) {
    return motor.frequency().orElse(study.project().brief().supply().frequency());
  }

  private String words() {
    return function.map(MachineFunction::name).orElse("")
        + " "
        + drive.purpose()
        + " "
        + motors.getFirst().purpose();
  }

  /// What is damaged, or does nothing, turning the other way. A spindle for a high frequency loses
  /// its tool; one of a lathe may turn both ways.
  public boolean oneWay() {
    return motor.frequency().isPresent()
        || ONE_WAY.matcher(words()).find()
        || function.filter(f -> f.kind() == FunctionKind.PUMP).isPresent();
  }
}
