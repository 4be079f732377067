package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// A bare transformer with several secondaries, such as a toroid: 1–2 in, 3–4, 5–6 … out. It does
/// not protect itself.
///
/// @param regulation what a secondary gives more without load than at rated load; 6 % where nothing
///   is stated, common for toroids
public record MultiWindingTransformer(
    String id,
    String name,
    Article article,
    Voltage primary,
    List<Secondary> secondaries,
    Percent efficiency,
    Optional<Percent> regulation)
    implements Part {
  private static final Percent USUAL = new Percent(6);

  /// One secondary; its rating is apparent power, in VA.
  public record Secondary(Voltage voltage, Power rating) {}

  public MultiWindingTransformer {
    secondaries = List.copyOf(secondaries);
    Part.require(
        !secondaries.isEmpty() && secondaries.size() <= 8, "a transformer has 1 to 8 secondaries");
  }

  @Override
  public boolean bareTransformer() {
    return true;
  }

  @Override
  public double rise() {
    return 1 + regulation.orElse(USUAL).fraction();
  }

  @Override
  public Power apparentPower() {
    return new Power(secondaries.stream().mapToDouble(s -> s.rating().watts()).sum());
  }

  private static String in(int secondary) {
    return String.valueOf(3 + 2 * secondary);
  }

  private static String out(int secondary) {
    return String.valueOf(4 + 2 * secondary);
  }

  private static String name(int secondary) {
    return in(secondary) + "-" + out(secondary);
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>();
    all.add(Terminal.required("1", Role.LINE));
    all.add(Terminal.required("2", Role.NEUTRAL));
    for (var i = 0; i < secondaries.size(); i++) {
      all.add(Terminal.optional(in(i), Role.LINE));
      all.add(Terminal.optional(out(i), Role.NEUTRAL));
    }
    return all;
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    var accepts = new VoltageRange(primary.times(0.9), primary.times(1.1));
    var full = new Current(apparentPower().watts() / primary.volts());
    var all = new ArrayList<Intake>();
    for (var i = 0; i < secondaries.size(); i++)
      all.add(
          Intake.twoWire(
              "primary for " + name(i),
              "1",
              "2",
              accepts,
              new Demand.Converts(name(i), efficiency, 0.9, new Power(0)),
              i == 0
                  ? Optional.of(new Inrush(full.times(20), new nelvar.core.units.Duration(0.01)))
                  : Optional.empty()));
    return all;
  }

  @Override
  public List<Output> outputs() {
    var all = new ArrayList<Output>();
    for (var i = 0; i < secondaries.size(); i++) {
      var s = secondaries.get(i);
      all.add(
          new Output(
              name(i),
              List.of(in(i)),
              Optional.of(out(i)),
              true,
              s.voltage(),
              new Current(s.rating().watts() / s.voltage().volts())));
    }
    return all;
  }

  @Override
  public List<Output> outputs(Optional<Voltage> set, Voltage fed) {
    return outputs().stream().map(output -> output.fed(fed, primary)).toList();
  }

  /// Each secondary loses its regulation at its rated load, half of the wire being the primary's.
  @Override
  public List<Element> elements() {
    var all = new ArrayList<Element>();
    var share = regulation.orElse(USUAL).fraction();
    for (var i = 0; i < secondaries.size(); i++) {
      var s = secondaries.get(i);
      var ohms = share * s.voltage().volts() * s.voltage().volts() / s.rating().watts();
      all.add(
          new Element.Windings(
              "1",
              "2",
              in(i),
              out(i),
              primary,
              s.voltage().times(rise()),
              new Resistance(ohms),
              new Resistance(0.2 * ohms)));
    }
    return all;
  }
}
