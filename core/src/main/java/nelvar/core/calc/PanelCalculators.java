package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.formula.Coupling;
import nelvar.core.formula.Enclosure;
import nelvar.core.formula.SafetyFigures;
import nelvar.core.standards.Conduits;
import nelvar.core.trail.Computed;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// Heat, space, coupling between wires, shields, safety figures and measurements.
final class PanelCalculators {

  private static final Input<Length> W = quantity("W", "width", Kind.LENGTH, 0.01, 20, "800mm");
  private static final Input<Length> H = W.as("H", "height");
  private static final Input<Length> D = W.as("D", "depth");
  private static final Input<Enclosure.Standing> STANDING =
      word(
              "standing",
              "how it stands: free, at a wall, at the end or in the middle of a row",
              Enclosure.Standing.class,
              "free")
          .usually("free");
  private static final Input<Power> LOSS = Inputs.power("Pv", "losses inside", "400W");
  private static final Input<Measure> AREA =
      Inputs.measure("A", "effective area", Measure.Unit.AREA, 0.01, 1000, "1.242 m2");
  private static final Input<Measure> TRANSFER =
      Inputs.measure(
              "k",
              "5.5 painted steel, 3.5 plastic, 3.7 to 5.5 stainless",
              Measure.Unit.HEAT_TRANSFER,
              0.5,
              20,
              "5.5 W/m2K")
          .usually("5.5 W/m²K");
  private static final Input<Measure> RISE =
      Inputs.measure(
          "dT", "rise above the air outside", Measure.Unit.TEMPERATURE_RISE, 0.5, 80, "10 K");
  private static final Input<Double> AIR_FACTOR =
      number(
              "f",
              "m³·K/(W·h): 3.1 to 100 m, 3.2 to 250, 3.3 to 500, 3.4 to 750, 3.5 to 1000",
              2.5,
              5,
              "3.1")
          .usually("3.1");
  private static final Input<Temperature> AIR =
      quantity("T", "air temperature", Kind.TEMPERATURE, -20, 60, "25C");
  private static final Input<Percent> HUMIDITY =
      Inputs.percent("RH", "relative humidity", 1, 100, "60%");
  private static final Input<Length> DUCT_W =
      quantity("W", "inside width", Kind.LENGTH, 0.005, 2, "60mm");
  private static final Input<Length> DUCT_H = DUCT_W.as("H", "inside height");
  private static final Input<Integer> WIRES = whole("n", "wires alike", 1, 10000, "40");
  private static final Input<Length> OUTER =
      quantity("d", "outer diameter", Kind.LENGTH, 0.0005, 0.2, "4.1mm");
  private static final Input<Conduits.TradeSize> CONDUIT =
      oneOf(
          "conduit",
          "thin-wall steel conduit, trade size in inches",
          List.of(Conduits.TradeSize.values()),
          Conduits.TradeSize::toString,
          "3/4");
  private static final Input<CrossSection> THHN =
      oneOf(
          "size",
          "size of the THHN wire",
          Stream.of("14", "12", "10", "8", "6", "4", "3", "2", "1", "1/0", "2/0", "3/0", "4/0")
              .map(gauge -> Input.read(gauge + " AWG", Kind.CROSS_SECTION))
              .toList(),
          size -> size.toString().replace(" AWG", ""),
          "12");
  private static final Input<Length> D13 =
      quantity("d13", "from wire 1 to wire 3", Kind.LENGTH, 1e-4, 100, "50mm");
  private static final Input<Length> D24 = D13.as("d24", "from wire 2 to wire 4");
  private static final Input<Length> D14 = D13.as("d14", "from wire 1 to wire 4");
  private static final Input<Length> D23 = D13.as("d23", "from wire 2 to wire 3");
  private static final Input<Length> HEIGHT =
      quantity("h", "height of both above the plate", Kind.LENGTH, 1e-4, 10, "10mm");
  private static final Input<Length> RADIUS =
      quantity("r", "radius of the wires", Kind.LENGTH, 1e-5, 0.1, "0.5mm");
  private static final Input<Length> APART =
      quantity("x", "distance between their centres", Kind.LENGTH, 1e-4, 100, "10mm");
  private static final Input<Double> PERMITTIVITY =
      number("er", "relative permittivity around them", 1, 10, "1").usually("1");
  private static final Input<Measure> C12 =
      Inputs.measure(
          "C12",
          "capacitance between the wires",
          Measure.Unit.CAPACITANCE_PER_LENGTH,
          1e-6,
          1e5,
          "3.45 pF/m");
  private static final Input<Measure> C2G =
      C12.as("C2g", "capacitance of the disturbed wire to earth");
  private static final Input<Voltage> EDGE = Inputs.voltage("dU", "step of the voltage", "300V");
  private static final Input<Duration> EDGE_TIME =
      quantity("tr", "time of the step", Kind.DURATION, 1e-10, 1, "0.1us");
  private static final Input<Resistance> LOADED =
      Inputs.resistance("R", "resistance the disturbed wire sees", "10 kΩ");
  private static final Input<ResistancePerLength> SHIELD_R =
      quantity("Rs", "resistance of the shield", Kind.RESISTANCE_PER_LENGTH, 1e-6, 10, "10 mΩ/m");
  private static final Input<Measure> SHIELD_L =
      Inputs.measure(
              "Ls",
              "inductance of the shield",
              Measure.Unit.INDUCTANCE_PER_METRE,
              1e-9,
              1e-3,
              "1 µH/m")
          .usually("1 µH/m");
  private static final Input<Resistance> ONE_TURN =
      Inputs.resistance("Z1", "impedance of one turn at the frequency", "80 Ω");
  private static final Input<Integer> TURNS = whole("N", "turns", 1, 10, "3");
  private static final Input<Resistance> CIRCUIT =
      Inputs.resistance("Zl", "impedance of the loop", "150 Ω");
  private static final Input<Integer> SEVERITY =
      oneOf("S", "severity: 1 slight, 2 serious", List.of(1, 2), String::valueOf, "2");
  private static final Input<Integer> EXPOSURE =
      oneOf(
          "F",
          "exposure: 1 seldom or short, 2 frequent or long",
          List.of(1, 2),
          String::valueOf,
          "1");
  private static final Input<Integer> AVOIDANCE =
      oneOf("P", "avoiding: 1 possible, 2 scarcely possible", List.of(1, 2), String::valueOf, "2");
  private static final Input<SafetyFigures.Category> CATEGORY =
      oneOf(
          "category",
          "category",
          List.of(SafetyFigures.Category.values()),
          SafetyFigures.Category::toString,
          "3");
  private static final Input<SafetyFigures.Level> COVERAGE =
      word("DC", "average diagnostic coverage", SafetyFigures.Level.class, "medium");
  private static final Input<SafetyFigures.Level> MTTF =
      oneOf(
          "MTTFd",
          "mean time to dangerous failure of each channel",
          List.of(SafetyFigures.Level.LOW, SafetyFigures.Level.MEDIUM, SafetyFigures.Level.HIGH),
          l -> l.name().toLowerCase(java.util.Locale.ROOT),
          "medium");
  private static final Input<Double> B10D =
      number("B10d", "operations until 10 % have failed dangerously", 1, 1e12, "1.3e6");
  private static final Input<Double> DAYS =
      number("days", "days of work a year", 1, 366, "240").usually("240");
  private static final Input<Double> HOURS =
      number("hours", "hours a day", 0.1, 24, "16").usually("16");
  private static final Input<Duration> CYCLE =
      quantity("cycle", "time between two operations", Kind.DURATION, 0.01, 1e8, "60s");
  private static final Input<Resistance> EACH =
      quantity("R", "insulation of each circuit", Kind.RESISTANCE, 1, 1e9, "20 MΩ");
  private static final Input<Integer> PARALLEL =
      whole("n", "circuits measured together", 1, 10000, "10");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "enclosure-area",
              "Effective area of an enclosure",
              "A",
              given ->
                  given.answer(
                      "A",
                      given.get(STANDING).formula(),
                      given.get(STANDING).effectiveArea(given.of(W), given.of(H), given.of(D))),
              W,
              H,
              D,
              STANDING),
          Calculator.of(
              "enclosure-rise",
              "Warming of an enclosure",
              "ΔT, mean, without a fan",
              given ->
                  given.answer(
                      "ΔT",
                      "Pv/(k · A)",
                      Enclosure.rise(given.of(LOSS), given.of(TRANSFER), given.of(AREA))),
              LOSS,
              AREA,
              TRANSFER),
          Calculator.of(
              "fan",
              "Fan of an enclosure",
              "V, air flow with its filters",
              given ->
                  Enclosure.leftForFan(
                          given.of(LOSS), given.of(TRANSFER), given.of(AREA), given.of(RISE))
                      .<Computed<?>>map(left -> {
                        given.step("P", "Pv − k · A · dT, left for the fan", left);
                        return given.answer(
                            "V",
                            "f · P/dT",
                            Enclosure.airFlow(left, given.get(RISE), given.of(AIR_FACTOR)));
                      })
                      .orElseGet(() ->
                          Computed.missing(
                              "the walls carry the heat away alone: no fan is needed")),
              LOSS,
              AREA,
              TRANSFER,
              RISE,
              AIR_FACTOR),
          Calculator.of(
              "dew-point",
              "Dew point",
              "Td, below which water condenses",
              given -> {
                given.step(
                    "g",
                    "ln(RH) + 17.62 · T/(243.12 + T)",
                    Enclosure.dampness(given.of(AIR), given.of(HUMIDITY)));
                return given.answer(
                    "Td",
                    "243.12 · g/(17.62 − g)",
                    Enclosure.dewPoint(given.get(AIR), given.get(HUMIDITY)));
              },
              AIR,
              HUMIDITY),
          Calculator.of(
              "duct-fill",
              "Fill of a duct",
              "share of its inside",
              given ->
                  given.answer(
                      "fill",
                      "n · π/4 · d²/(W · H)",
                      Enclosure.ductFill(
                          given.of(WIRES), given.of(OUTER), given.of(DUCT_W), given.of(DUCT_H))),
              DUCT_W,
              DUCT_H,
              WIRES,
              OUTER),
          Calculator.of(
              "conduit-fill-na",
              "Wires in a conduit, North American",
              "n, greatest number",
              given -> {
                var room =
                    given
                        .sheet()
                        .table(
                            "A",
                            Conduits.room(given.get(CONDUIT)).orElseThrow(),
                            "in², thin-wall steel");
                var one =
                    given
                        .sheet()
                        .table("a", Conduits.wire(given.get(THHN)).orElseThrow(), "in², THHN");
                var n = Conduits.most(room, one);
                if (n >= 3) return given.answer("n", "A/a, rounded up from 0.8", n);
                given.step("A100", "A/0.40, the whole inside", Conduits.whole(room));
                return given.answer("n", "two wires within 31 %, one within 53 % of A100", n);
              },
              CONDUIT,
              THHN),
          Calculator.of(
              "mutual-inductance",
              "Mutual inductance of two pairs",
              "M, for each metre",
              given ->
                  given.answer(
                      "M",
                      "µ0/2π · |ln(d14 · d23/(d13 · d24))|",
                      Coupling.mutualInductance(
                          given.of(D13), given.of(D24), given.of(D14), given.of(D23))),
              D13,
              D24,
              D14,
              D23),
          Calculator.of(
              "mutual-capacitance",
              "Capacitance between two wires over a plate",
              "C12, for each metre",
              given ->
                  Coupling.overPlate(
                          given.of(HEIGHT),
                          given.of(RADIUS),
                          given.of(APART),
                          given.of(PERMITTIVITY))
                      .<Computed<?>>map(c -> {
                        given.step("C2g", "(p11 − p12)/(p11² − p12²), to the plate", c.toPlate());
                        return given.answer(
                            "C12",
                            "p12/(p11² − p12²), p11 = ln(2h/r)/2πε, p12 = ln(1 + 4h²/x²)/4πε",
                            c.between());
                      })
                      .orElseGet(
                          () -> Computed.missing("the wires touch the plate or one another")),
              HEIGHT,
              RADIUS,
              APART,
              PERMITTIVITY),
          Calculator.of(
              "capacitive-coupling",
              "Voltage coupled into a wire by a neighbour",
              "U",
              given -> {
                given.step(
                    "limit",
                    "dU · C12/(C12 + C2g)",
                    Coupling.capacitiveLimit(given.of(EDGE), given.of(C12), given.of(C2G)));
                return given.answer(
                    "U",
                    "R · C12 · l · dU/tr · (1 − e^(−tr/(R · (C12 + C2g) · l)))",
                    Coupling.capacitive(
                        given.get(C12),
                        given.get(C2G),
                        given.of(Inputs.LENGTH),
                        given.get(EDGE),
                        given.of(EDGE_TIME),
                        given.of(LOADED)));
              },
              C12,
              C2G,
              Inputs.LENGTH,
              EDGE,
              EDGE_TIME,
              LOADED),
          Calculator.of(
              "shield-cutoff",
              "Frequency from which a shield helps",
              "fc, against magnetic fields, both ends earthed",
              given ->
                  given.answer(
                      "fc",
                      "Rs/(2π · Ls)",
                      Coupling.shieldCutoff(given.of(SHIELD_R), given.of(SHIELD_L))),
              SHIELD_R,
              SHIELD_L),
          Calculator.of(
              "ferrite",
              "Ferrite on a cable",
              "a, insertion loss",
              given -> {
                var core =
                    given.step(
                        "Z", "N² · Z1", Coupling.ferrite(given.of(ONE_TURN), given.of(TURNS)));
                return given.answer(
                    "a", "20 · lg((Zl + Z)/Zl)", Coupling.insertionLoss(given.of(CIRCUIT), core));
              },
              ONE_TURN,
              TURNS,
              CIRCUIT),
          Calculator.of(
              "required-performance-level",
              "Required performance level",
              "PLr (ISO 13849-1, Annex A)",
              given ->
                  given.answer(
                      "PLr",
                      "risk graph: S, F, P",
                      String.valueOf(
                          SafetyFigures.requiredLevel(
                              given.of(SEVERITY), given.of(EXPOSURE), given.of(AVOIDANCE)))),
              SEVERITY,
              EXPOSURE,
              AVOIDANCE),
          Calculator.of(
              "performance-level",
              "Performance level, simplified",
              "PL (ISO 13849-1, Table 6)",
              given ->
                  SafetyFigures.level(given.of(CATEGORY), given.of(COVERAGE), given.of(MTTF))
                      .<Computed<?>>map(level ->
                          given.answer("PL", "table: category, DC, MTTFd", String.valueOf(level)))
                      .orElseGet(() ->
                          Computed.missing(
                              "this category does not go with this coverage and MTTFd")),
              CATEGORY,
              COVERAGE,
              MTTF),
          Calculator.of(
              "time-to-failure",
              "Time to dangerous failure of what wears",
              "MTTFd",
              given -> {
                var per =
                    given.step(
                        "nop",
                        "days · hours · 3600/cycle, a year",
                        SafetyFigures.operationsAYear(
                            given.of(DAYS), given.of(HOURS), given.of(CYCLE)));
                var b = given.of(B10D);
                given.step("T10d", "B10d/nop, change it then", SafetyFigures.usefulLife(b, per));
                return given.answer(
                    "MTTFd", "B10d/(0.1 · nop)", SafetyFigures.meanTimeToDangerousFailure(b, per));
              },
              B10D,
              DAYS,
              HOURS,
              CYCLE),
          Calculator.of(
              "insulation-parallel",
              "Insulation measured over several circuits",
              "R, together",
              given ->
                  given.answer(
                      "R", "R/n", new Resistance(given.of(EACH).ohms() / given.of(PARALLEL))),
              EACH,
              PARALLEL));

  private PanelCalculators() {}
}
