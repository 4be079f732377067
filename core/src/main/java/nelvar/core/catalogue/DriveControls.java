package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;

/// What drives of axes share at their control terminals: `EN` and `COM` in, `ALM` out, and a
/// torque-off input where they have one.
///
/// A voltage between EN and COM stops the drive; unwired it is enabled. ALM is joined to COM while
/// the drive is fed and has no fault. Common practice; drives that read it the other way need their
/// own kind.
final class DriveControls {
  private static final String STALL = "stall";
  private static final String ENABLED = "enabled";

  /// Share of its least input voltage below which a drive is dead; common practice.
  static final double DEAD = 0.5;

  private static final List<String> TORQUE_OFF = List.of("STO1", "STO2", "STO0");

  private static final Resistance OPTOCOUPLER = new Resistance(2200);

  private DriveControls() {}

  static List<Link> links(List<String> controls) {
    if (has(controls, "ALM")) return List.of(Link.contact("ALM", "COM", Actuator.READY));
    return stall(controls) ? List.of(Link.output("DIAG", "-", STALL)) : List.of();
  }

  /// Whether a driver module tells a stalled motor: its DIAG pulls to 0 V.
  private static boolean stall(List<String> controls) {
    return controls.contains("DIAG");
  }

  static List<Element> elements(List<String> controls) {
    var all = new ArrayList<>(torqueElements(controls));
    if (has(controls, "EN")) all.add(new Element.Resistor("EN", "COM", OPTOCOUPLER));
    return all;
  }

  static List<Actuator> actuators(List<String> controls, Actuator.Reading fed) {
    var all = new ArrayList<Actuator>();
    all.add(new Actuator.Watch(Actuator.READY, List.of(fed), Optional.empty(), new Duration(0.1)));
    if (stall(controls)) all.add(new Actuator.Hand(STALL, false));
    if (has(controls, "EN"))
      all.add(
          new Actuator.Watch(
              ENABLED,
              List.of(
                  Actuator.Reading.below("EN", "COM", 3), Actuator.Reading.below("COM", "EN", 3)),
              Optional.empty(),
              new Duration(0.01)));
    torque(controls).ifPresent(all::add);
    return all;
  }

  static List<String> needs(List<String> controls) {
    var all = new ArrayList<>(List.of(Actuator.READY));
    if (has(controls, "EN")) all.add(ENABLED);
    torque(controls).map(Actuator::name).ifPresent(all::add);
    return all;
  }

  /// Whether it has a torque-off input (IEC 61800-5-2, safe torque off): `STO1` and `STO2` against
  /// `STO0`.
  static boolean torqueOff(List<String> controls) {
    return TORQUE_OFF.stream().allMatch(controls::contains);
  }

  /// 24 V on both channels lets it give torque; without either it gives none within 10 to 20 ms
  /// (from memory). Its input takes 10 mA (common practice).
  static List<Element> torqueElements(List<String> controls) {
    return torqueOff(controls)
        ? List.of(
            new Element.Resistor("STO1", "STO0", OPTOCOUPLER),
            new Element.Resistor("STO2", "STO0", OPTOCOUPLER))
        : List.of();
  }

  static Optional<Actuator> torque(List<String> controls) {
    return torqueOff(controls)
        ? Optional.of(
            new Actuator.Watch(
                Actuator.TORQUE,
                List.of(
                    Actuator.Reading.above("STO1", "STO0", 15),
                    Actuator.Reading.above("STO2", "STO0", 15)),
                Optional.empty(),
                new Duration(0.02)))
        : Optional.empty();
  }

  private static boolean has(List<String> controls, String terminal) {
    return controls.contains(terminal) && controls.contains("COM");
  }
}
