package nelvar.core.calc;

import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.read;
import static nelvar.core.calc.Input.several;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import java.util.Locale;
import nelvar.core.analysis.sizing.AmericanAmpacity;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.ConductorTemperature;
import nelvar.core.formula.WireHeat;
import nelvar.core.standards.AmericanConductors;
import nelvar.core.standards.AmericanConductors.Rating;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.standards.MetricConductors;
import nelvar.core.standards.MetricConductors.Insulation;
import nelvar.core.standards.MetricConductors.PanelLaying;
import nelvar.core.trail.Computed;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Temperature;

/// What wires may carry, in both schools, and how thick they are.
final class WireCalculators {
  private static final Input<InstallationMethod> METHOD =
      word("method", "how it is laid", InstallationMethod.class, "B2");
  private static final Input<Integer> CIRCUITS =
      whole("circuits", "loaded circuits lying together", 1, 20, "4").usually("1");
  private static final Input<Integer> CORES =
      whole("cores", "loaded cores in one cable", 1, 24, "3").usually("3");
  private static final Input<Temperature> AIR = Inputs.TA.usually("40 °C");
  private static final Input<Temperature> AIR_30 = Inputs.TA.usually("30 °C");
  private static final Input<Insulation> INSULATION =
      word("insulation", "insulation", Insulation.class, "PVC").usually("PVC");
  private static final Input<Integer> LOADED =
      oneOf("loaded", "loaded conductors of the circuit", List.of(2, 3), String::valueOf, "3")
          .usually("3");
  private static final Input<PanelLaying> LAYING =
      word("laid", "how the wires lie", PanelLaying.class, "trunking").usually("trunking");
  static final Input<CrossSection> GAUGE =
      read(
          "S",
          "size",
          "an AWG size from 36 to 4/0, or 250 to 500 kcmil",
          "12 AWG",
          WireCalculators::gauge);
  private static final Input<Rating> INSULATION_NA =
      oneOf(
              "insulation",
              "rating of the insulation",
              List.of(Rating.values()),
              WireCalculators::celsius,
              "90C")
          .usually("90C");
  private static final Input<Rating> TERMINALS =
      oneOf(
              "terminals",
              "rating of the terminals",
              List.of(Rating.values()),
              WireCalculators::celsius,
              "75C")
          .usually("75C");
  private static final Input<Integer> CONDUCTORS =
      whole("conductors", "current-carrying conductors together", 1, 1000, "8").usually("3");
  private static final Input<Integer> LAYERS = whole("layers", "layers on the drum", 1, 4, "2");
  private static final Input<Temperature> TC =
      quantity("Tc", "greatest temperature of the conductor", Kind.TEMPERATURE, 40, 250, "70C")
          .usually("70 °C");

  private static WireHeat.Stretch stretch(String text) {
    var parts = text.strip().split("\\s+for\\s+", -1);
    if (parts.length != 2)
      throw new ImpossibleQuantity("'" + text.strip() + "' is not current for time");
    return new WireHeat.Stretch(
        Input.read(parts[0], Kind.CURRENT), Input.read(parts[1], Kind.DURATION));
  }

  private static final Input<List<WireHeat.Stretch>> DUTY =
      several(
          read("duty", "one cycle", "current for time", "12A for 3s", WireCalculators::stretch),
          "12A for 3s, 0A for 7s");
  private static final Input<Current> RATED_AT = Inputs.current("I1", "ampacity as listed", "20A");
  private static final Input<Temperature> AIR_1 = AIR_30.as("Ta1", "air it is listed for");
  private static final Input<Temperature> AIR_2 = AIR.as("Ta2", "air here");
  private static final Input<Temperature> TC_1 = TC.as("Tc1", "conductor it is listed for");
  private static final Input<Temperature> TC_2 =
      TC.as("Tc2", "conductor allowed here").usually("90 °C");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "ampacity",
              "Current a wire may carry",
              "Iz, corrected ampacity (IEC 60204-1, base 40 °C)",
              given ->
                  Ampacity.corrected(
                      given.get(Inputs.S),
                      given.get(METHOD),
                      given.get(AIR),
                      given.get(CIRCUITS),
                      given.get(CORES)),
              Inputs.S,
              METHOD,
              AIR,
              CIRCUITS,
              CORES),
          Calculator.of(
              "ampacity-30",
              "Current a wire may carry, base 30 °C",
              "Iz, corrected ampacity (IEC 60364-5-52)",
              given ->
                  Ampacity.correctedFrom30(
                      given.get(Inputs.S),
                      given.get(METHOD),
                      given.get(INSULATION),
                      given.get(LOADED),
                      given.get(AIR_30),
                      given.get(CIRCUITS),
                      given.get(CORES)),
              Inputs.S,
              METHOD,
              INSULATION,
              LOADED,
              AIR_30,
              CIRCUITS,
              CORES),
          Calculator.of(
              "ampacity-panel",
              "Current a wire inside an enclosure may carry",
              "Iz, in 55 °C air (IEC 61439-1)",
              given ->
                  given.table(
                      "Iz",
                      MetricConductors.panelWiring(given.of(Inputs.S), given.of(LAYING)),
                      "single PVC wire, 55 °C",
                      "the table holds 1.5 to 120 mm²"),
              Inputs.S,
              LAYING),
          Calculator.of(
              "ampacity-na",
              "Current a wire may carry, North American",
              "Iz, corrected and limited by its terminals (NEC 310, 110.14)",
              given ->
                  AmericanAmpacity.corrected(
                      given.get(GAUGE),
                      given.get(INSULATION_NA),
                      given.get(TERMINALS),
                      given.get(AIR_30),
                      given.get(CONDUCTORS)),
              GAUGE,
              INSULATION_NA,
              TERMINALS,
              AIR_30,
              CONDUCTORS),
          Calculator.of(
              "small-conductor-na",
              "Device for a small wire, North American",
              "In, greatest (NEC 240.4(D))",
              given ->
                  given.table(
                      "In",
                      AmericanConductors.smallConductorDevice(given.of(GAUGE)),
                      "small conductor",
                      "the limit holds for 18 to 10 AWG only; thicker wires follow their ampacity"),
              GAUGE),
          Calculator.of(
              "drum",
              "Cable on a drum",
              "Iz, of the wound cable",
              given -> {
                var k =
                    given
                        .sheet()
                        .table(
                            "k",
                            MetricConductors.drumFactor(given.get(LAYERS)).orElseThrow(),
                            given.get(LAYERS) + " layers");
                return given.answer("Iw", "k · Iz", given.of(Inputs.IZ).times(k));
              },
              Inputs.IZ,
              LAYERS),
          Calculator.of(
              "conductor-temperature",
              "Temperature of a loaded wire",
              "T, when the load has been on for long",
              given -> {
                var share = given.of(Inputs.IB).amperes() / given.of(Inputs.IZ).amperes();
                return given.answer(
                    "T",
                    ConductorTemperature.FORMULA,
                    ConductorTemperature.at(given.of(AIR), given.of(TC), share));
              },
              Inputs.IB,
              Inputs.IZ,
              AIR,
              TC),
          Calculator.of(
              "rms-load",
              "Steady load equal to a duty",
              "Irms, heating value over the cycle",
              given -> {
                var duty = given.of(DUTY);
                return WireHeat.rms(duty)
                    .<Computed<?>>map(rms -> {
                      given
                          .sheet()
                          .assumed(
                              "cycle",
                              WireHeat.cycle(duty),
                              "short against the wire's own time constant: about 1 min at 1 mm², 10 min at 35 mm²");
                      return given.answer("Irms", "√(Σ I²·t / Σ t)", rms);
                    })
                    .orElseGet(() -> Computed.missing("the cycle lasts no time at all"));
              },
              DUTY),
          Calculator.of(
              "rescale-ampacity",
              "Ampacity at another temperature",
              "I2, by physics; a table decides where there is one",
              given ->
                  WireHeat.rescaled(
                          given.of(RATED_AT),
                          given.of(TC_1),
                          given.of(AIR_1),
                          given.of(TC_2),
                          given.of(AIR_2))
                      .<Computed<?>>map(i2 ->
                          given.answer(
                              "I2",
                              "I1 · √((Tc2 − Ta2)/(Tc1 − Ta1) · (234.5 + Tc1)/(234.5 + Tc2))",
                              i2))
                      .orElseGet(
                          () -> Computed.missing("the air is no cooler than the conductor may be")),
              RATED_AT,
              TC_1,
              AIR_1,
              TC_2,
              AIR_2),
          Calculator.of(
              "gauge",
              "Wire gauge in mm²",
              "S, cross-section (ASTM B258)",
              given -> {
                var size = given.of(GAUGE);
                return given.answer(
                    "S",
                    "π/4 · (0.127 mm · 92^((36 − n)/39))²",
                    new nelvar.core.units.Measure(
                        size.squareMillimetres(),
                        nelvar.core.units.Measure.Unit.SQUARE_MILLIMETRES));
              },
              GAUGE),
          Calculator.of(
              "nearest-gauge",
              "Metric size and its gauge neighbours",
              "the gauges below and above",
              WireCalculators::neighbours,
              Inputs.S));

  private WireCalculators() {}

  /// Never called equal where the copper differs: says which gauge has less and which has more.
  private static Computed<?> neighbours(Given given) {
    var section = given.of(Inputs.S);
    var sizes = AmericanConductors.sizes();
    var above = sizes.stream().filter(size -> size.compareTo(section) >= 0).findFirst();
    var below = sizes.reversed().stream().filter(size -> size.compareTo(section) < 0).findFirst();
    below.ifPresent(
        size -> given.step("thinner", "next gauge with less copper", size + ", " + square(size)));
    if (above.isEmpty()) return Computed.missing("the list of gauges ends at 500 kcmil");
    return given.answer(
        "gauge", "least gauge with no less copper", above.get() + ", " + square(above.get()));
  }

  private static String square(CrossSection size) {
    return nelvar.core.units.Significant.digits(size.squareMillimetres()) + " mm²";
  }

  private static CrossSection gauge(String text) {
    var named = text.toUpperCase(Locale.ROOT).matches(".*(AWG|KCMIL|MCM|#).*");
    var section = Input.read(named ? text : text + " AWG", Kind.CROSS_SECTION);
    if (section.gauge().isEmpty())
      throw new ImpossibleQuantity("'" + text.strip() + "' is no wire gauge");
    return section;
  }

  private static String celsius(Rating rating) {
    return (int) rating.temperature().celsius() + "C";
  }
}
