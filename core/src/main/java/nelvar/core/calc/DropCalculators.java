package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.several;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.formula.AmericanCircuits;
import nelvar.core.formula.LinearBus;
import nelvar.core.standards.AmericanConductors;
import nelvar.core.standards.MetricConductors.Strands;
import nelvar.core.standards.ProtectiveConductor;
import nelvar.core.trail.Computed;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Resistance of wires, the volts lost on them, and protective conductors.
final class DropCalculators {
  private static final Input<Strands> STRANDS =
      word("strands", "class of the conductor", Strands.class, "class-5").usually("class-5");
  private static final Input<Temperature> COLD = Inputs.T.usually("20 °C");
  private static final Input<Voltage> NOMINAL = Inputs.voltage("Un", "nominal voltage", "24V");
  private static final Input<Integer> LINES =
      oneOf(
              "lines",
              "2 for direct or single-phase current, 3 for three-phase",
              List.of(2, 3),
              String::valueOf,
              "2")
          .usually("2");
  private static final Input<Integer> PARALLEL =
      whole("parallel", "equal conductors in parallel for each pole", 1, 20, "1").usually("1");
  private static final Input<ResistancePerLength> REACTANCE =
      quantity(
              "X",
              "reactance, 0.08 mΩ/m where nothing better is known, 0 for direct current",
              Kind.RESISTANCE_PER_LENGTH,
              0,
              1,
              "0.08 mΩ/m")
          .usually("0 Ω/m");
  private static final Input<List<Current>> FEEDS =
      several(
          Inputs.current("I", "currents of the loads, the one asked for first", "2A"),
          "2A, 1A, 0.5A");
  private static final Input<Length> FEED = Inputs.LENGTH.as("lf", "length of its own feed");
  private static final Input<Length> RETURN = Inputs.LENGTH.as("lr", "length of the shared return");
  private static final Input<Integer> RETURNS =
      whole("returns", "equal return wires in parallel", 1, 20, "1").usually("1");
  private static final Input<Double> K =
      number("K", "Ω·cmil/ft: 12.9 for copper at 75 °C, 21.2 for aluminium", 9, 30, "12.9")
          .usually("12.9");
  private static final Input<Integer> PHASES =
      oneOf("phases", "phases", List.of(1, 3), String::valueOf, "1").usually("1");
  private static final Input<Voltage> SOURCE = Inputs.voltage("Us", "voltage at the source", "24V");
  private static final Input<Power> TAKEN = Inputs.power("P", "power the load takes", "100W");
  private static final Input<Resistance> LOOP =
      Inputs.resistance("R", "resistance of the wires, out and back", "0.5 Ω");
  private static final Input<CrossSection> LINE = Inputs.S.as("S", "thickest line conductor");
  private static final Input<CrossSection> BOND_A =
      Inputs.S.as("S1", "protective conductor of the first body");
  private static final Input<CrossSection> BOND_B =
      Inputs.S.as("S2", "protective conductor of the second body");
  private static final Input<Current> DEVICE =
      Inputs.current("In", "rating of the device ahead", "70A");
  private static final Input<CrossSection> ENLARGED_FROM =
      WireCalculators.GAUGE.as("from", "size the circuit needs without its drop").usually("14 AWG");
  private static final Input<CrossSection> ENLARGED_TO =
      WireCalculators.GAUGE.as("to", "size it has").usually("14 AWG");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "resistance",
              "Resistance of a wire",
              "R, one conductor (IEC 60228)",
              given ->
                  VoltageDrop.resistance(
                      given.get(Inputs.S),
                      given.get(STRANDS),
                      given.get(Inputs.LENGTH),
                      given.get(COLD)),
              Inputs.S,
              Inputs.LENGTH,
              COLD,
              STRANDS),
          Calculator.of(
              "voltage-drop",
              "Voltage lost on a wire",
              "u, drop in % of Un",
              DropCalculators::drop,
              Inputs.S,
              Inputs.LENGTH,
              Inputs.I,
              NOMINAL,
              LINES,
              Inputs.POWER_FACTOR,
              Inputs.T,
              REACTANCE,
              PARALLEL,
              STRANDS),
          Calculator.of(
              "drop-shared-return",
              "Voltage lost where loads share their return",
              "ΔU, at the first load",
              DropCalculators::shared,
              FEEDS,
              Inputs.S,
              FEED,
              RETURN,
              RETURNS,
              Inputs.T),
          Calculator.of(
              "drop-na",
              "Voltage lost on a wire, North American",
              "ΔU, by circular mils",
              given -> {
                var size = given.of(WireCalculators.GAUGE);
                var mils = given.step("CM", "circular mils of S", size.circularMils());
                var feet = given.step("L", "l in ft", given.of(Inputs.LENGTH).feet());
                var r = given.step("R", "K · L/CM", AmericanCircuits.wire(given.of(K), feet, mils));
                var x =
                    given.step("XL", "X · l", given.of(REACTANCE).over(given.get(Inputs.LENGTH)));
                return given.answer(
                    "ΔU",
                    (given.get(PHASES) == 3 ? "√3" : "2") + " · I · (R · pf + XL · sinφ)",
                    AmericanCircuits.drop(
                        given.of(Inputs.I),
                        r,
                        x,
                        given.of(Inputs.POWER_FACTOR),
                        given.get(PHASES)));
              },
              WireCalculators.GAUGE,
              Inputs.I,
              Inputs.LENGTH,
              K,
              PHASES,
              Inputs.POWER_FACTOR,
              REACTANCE),
          Calculator.of(
              "drop-constant-power",
              "Voltage at a load that takes constant power",
              "U, at the load",
              given -> {
                var source = given.of(SOURCE);
                var loop = given.of(LOOP);
                return LinearBus.constantPower(source, given.of(TAKEN), loop)
                    .<Computed<?>>map(at -> {
                      given.step("I", "P/U", at.current());
                      return given.answer("U", "(Us + √(Us² − 4 · P · R))/2", at.voltage());
                    })
                    .orElseGet(() ->
                        Computed.missing(
                            "these wires cannot carry that power: at most Us²/(4 · R) = "
                                + LinearBus.mostThrough(source, loop)));
              },
              SOURCE,
              TAKEN,
              LOOP),
          Calculator.of(
              "protective-conductor",
              "Protective conductor",
              "SPE, least section by the line's section",
              given ->
                  given.table(
                      "SPE",
                      ProtectiveConductor.forLine(given.of(LINE)),
                      "for S",
                      "the table has rows from 0.5 to 120 mm²; none for this section"),
              LINE),
          Calculator.of(
              "protective-conductor-na",
              "Equipment grounding conductor, North American",
              "SPE, least size by the device's rating",
              DropCalculators::grounding,
              DEVICE,
              ENLARGED_FROM,
              ENLARGED_TO),
          Calculator.of(
              "bonding-conductor",
              "Supplementary bonding",
              "S, least section between two bodies",
              given -> {
                var a = given.of(BOND_A);
                var b = given.of(BOND_B);
                return given.answer("S", "the smaller of the two", a.compareTo(b) < 0 ? a : b);
              },
              BOND_A,
              BOND_B),
          Calculator.of(
              "protective-resistance",
              "Resistance to expect of a protective conductor",
              "R, to be measured",
              given ->
                  VoltageDrop.resistance(
                      given.get(Inputs.S),
                      given.get(STRANDS),
                      given.get(Inputs.LENGTH),
                      given.get(COLD)),
              Inputs.S,
              Inputs.LENGTH,
              COLD,
              STRANDS));

  private DropCalculators() {}

  private static Computed<?> drop(Given given) {
    return VoltageDrop.over(
        new VoltageDrop.Run(
            given.get(Inputs.S),
            given.get(STRANDS),
            given.get(Inputs.LENGTH),
            given.get(Inputs.I),
            given.get(NOMINAL),
            given.get(LINES),
            given.get(Inputs.POWER_FACTOR),
            given.get(Inputs.T),
            given.get(REACTANCE),
            given.get(PARALLEL)));
  }

  private static Computed<?> shared(Given given) {
    var currents = given.get(FEEDS);
    var feed =
        VoltageDrop.resistance(
                given.get(Inputs.S), Strands.CLASS_5, given.get(FEED), given.get(Inputs.T))
            .found();
    var back =
        VoltageDrop.resistance(
                given.get(Inputs.S), Strands.CLASS_5, given.get(RETURN), given.get(Inputs.T))
            .found();
    if (feed.isEmpty() || back.isEmpty())
      return Computed.missing("the resistance table has no row for " + given.get(Inputs.S));
    var w = given.sheet();
    var rf = w.result("Rf", "R20 · lf · (234.5 + T)/254.5", feed.get().value());
    var alone = w.result("Rr", "R20 · lr · (234.5 + T)/254.5", back.get().value());
    var rr = given.step("Rr", "Rr/returns", new Resistance(alone.ohms() / given.of(RETURNS)));
    var own = w.given("I1", currents.getFirst(), "the load asked for");
    var all =
        given.step(
            "ΣI",
            "of all loads",
            new Current(currents.stream().mapToDouble(Current::amperes).sum()));
    return given.answer("ΔU", "I1 · Rf + ΣI · Rr", own.across(rf).plus(all.across(rr)));
  }

  /// The grounding conductor grows with the area the line conductors were enlarged by (NEC
  /// 250.122(B), from memory).
  private static Computed<?> grounding(Given given) {
    var least = AmericanConductors.equipmentGrounding(given.of(DEVICE));
    if (least.isEmpty()) return Computed.missing("the table ends at 1600 A");
    var from = given.get(ENLARGED_FROM);
    var to = given.get(ENLARGED_TO);
    if (to.compareTo(from) <= 0) return given.table("SPE", least, "by the device's rating", "");
    var base = given.sheet().table("Smin", least.get(), "by the device's rating");
    var ratio =
        given.step(
            "ratio",
            "area of to / area of from",
            to.squareMillimetres() / from.squareMillimetres());
    var needed = base.squareMillimetres() * ratio;
    return AmericanConductors.sizes().stream()
        .filter(size -> size.squareMillimetres() >= needed * (1 - 1e-6))
        .findFirst()
        .<Computed<?>>map(size -> given.answer("SPE", "least size ≥ ratio · Smin", size))
        .orElseGet(() -> Computed.missing("the list of gauges ends at 500 kcmil"));
  }
}
