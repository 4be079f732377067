package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// A bare transformer, 1–2 in, 3–4 out; it does not protect itself.
///
/// @param rating apparent power, written in VA
/// @param shortCircuitVoltage uk; 8 % where nothing is stated, common for small ones
public record ControlTransformer(
    String id,
    String name,
    Article article,
    Power rating,
    Voltage primary,
    Voltage secondary,
    Percent efficiency,
    Optional<Percent> shortCircuitVoltage)
    implements Part {
  private static final Percent USUAL = new Percent(8);
  private static final double RESISTIVE = 0.95;
  private static final double REACTIVE = 0.3;

  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("1", Role.LINE),
        Terminal.required("2", Role.NEUTRAL),
        Terminal.required("3", Role.LINE),
        Terminal.required("4", Role.NEUTRAL),
        Terminal.required("PE", Role.PROTECTIVE));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    var accepts = new VoltageRange(primary.times(0.9), primary.times(1.1));
    var full = new Current(rating.watts() / primary.volts());
    return List.of(
        Intake.twoWire(
            "primary",
            "1",
            "2",
            accepts,
            new Demand.Converts("secondary", efficiency, 0.8, new Power(0)),
            Optional.of(new Inrush(full.times(20), new Duration(0.01)))));
  }

  @Override
  public List<Output> outputs() {
    return List.of(
        new Output(
            "secondary",
            List.of("3"),
            Optional.of("4"),
            true,
            secondary,
            new Current(rating.watts() / secondary.volts())));
  }

  @Override
  public List<Output> outputs(Optional<Voltage> set, Voltage fed) {
    return List.of(outputs().getFirst().fed(fed, primary));
  }

  @Override
  public boolean bareTransformer() {
    return true;
  }

  @Override
  public Power apparentPower() {
    return rating;
  }

  public Percent assumedShortCircuitVoltage() {
    return shortCircuitVoltage.orElse(USUAL);
  }

  /// How many times its rated voltage the secondary gives without load: the nameplate holds at
  /// rated load.
  @Override
  public double rise() {
    var uk = assumedShortCircuitVoltage().fraction();
    return Math.hypot(1 + RESISTIVE * uk, REACTIVE * uk);
  }

  /// Small transformers lose nearly all of it in the resistance of their windings.
  @Override
  public List<Element> elements() {
    var uk = assumedShortCircuitVoltage().fraction();
    var ohms = uk * secondary.volts() * secondary.volts() / rating.watts();
    return List.of(
        new Element.Windings(
            "1",
            "2",
            "3",
            "4",
            primary,
            secondary.times(rise()),
            new Resistance(RESISTIVE * ohms),
            new Resistance(REACTIVE * ohms)));
  }
}
