package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import java.util.Map;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
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
  private static final double VACUUM = 8.8541878128e-12;
  private static final double PERMEABILITY_BY_2PI = 2e-7;

  /// How an enclosure stands, and its effective area (IEC TR 60890).
  enum Standing {
    FREE("1.8 · H · (W + D) + 1.4 · W · D") {
      @Override
      double area(double w, double h, double d) {
        return 1.8 * h * (w + d) + 1.4 * w * d;
      }
    },
    WALL("1.4 · W · (H + D) + 1.8 · D · H") {
      @Override
      double area(double w, double h, double d) {
        return 1.4 * w * (h + d) + 1.8 * d * h;
      }
    },
    END_FREE("1.4 · D · (H + W) + 1.8 · W · H") {
      @Override
      double area(double w, double h, double d) {
        return 1.4 * d * (h + w) + 1.8 * w * h;
      }
    },
    END_WALL("1.4 · H · (W + D) + 1.4 · W · D") {
      @Override
      double area(double w, double h, double d) {
        return 1.4 * h * (w + d) + 1.4 * w * d;
      }
    },
    MIDDLE_FREE("1.8 · W · H + 1.4 · W · D + D · H") {
      @Override
      double area(double w, double h, double d) {
        return 1.8 * w * h + 1.4 * w * d + d * h;
      }
    },
    MIDDLE_WALL("1.4 · W · (H + D) + D · H") {
      @Override
      double area(double w, double h, double d) {
        return 1.4 * w * (h + d) + d * h;
      }
    };

    private final String formula;

    Standing(String formula) {
      this.formula = formula;
    }

    abstract double area(double w, double h, double d);
  }

  enum Level {
    NONE,
    LOW,
    MEDIUM,
    HIGH
  }

  private static final Input<Length> W = quantity("W", "width", Kind.LENGTH, 0.01, 20, "800mm");
  private static final Input<Length> H = W.as("H", "height");
  private static final Input<Length> D = W.as("D", "depth");
  private static final Input<Standing> STANDING =
      word(
              "standing",
              "how it stands: free, at a wall, at the end or in the middle of a row",
              Standing.class,
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
  private static final Input<String> CONDUIT =
      oneOf(
          "conduit",
          "thin-wall steel conduit, trade size in inches",
          List.of("1/2", "3/4", "1", "1-1/4", "1-1/2", "2"),
          x -> x,
          "3/4");
  private static final Input<String> THHN =
      oneOf(
          "size",
          "size of the THHN wire",
          List.of("14", "12", "10", "8", "6", "4", "3", "2", "1", "1/0", "2/0", "3/0", "4/0"),
          x -> x,
          "12");

  /// Square inches, 40 % of the inside (NEC Chapter 9, Table 4), and of one wire (Table 5), from
  /// memory.
  private static final Map<String, Double> CONDUIT_AREA =
      Map.of("1/2", 0.122, "3/4", 0.213, "1", 0.346, "1-1/4", 0.598, "1-1/2", 0.814, "2", 1.342);

  private static final Map<String, Double> WIRE_AREA =
      Map.ofEntries(
          Map.entry("14", 0.0097),
          Map.entry("12", 0.0133),
          Map.entry("10", 0.0211),
          Map.entry("8", 0.0366),
          Map.entry("6", 0.0507),
          Map.entry("4", 0.0824),
          Map.entry("3", 0.0973),
          Map.entry("2", 0.1158),
          Map.entry("1", 0.1562),
          Map.entry("1/0", 0.1855),
          Map.entry("2/0", 0.2223),
          Map.entry("3/0", 0.2679),
          Map.entry("4/0", 0.3237));
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
  private static final Input<String> CATEGORY =
      oneOf("category", "category", List.of("B", "1", "2", "3", "4"), x -> x, "3");
  private static final Input<Level> COVERAGE =
      word("DC", "average diagnostic coverage", Level.class, "medium");
  private static final Input<Level> MTTF =
      oneOf(
          "MTTFd",
          "mean time to dangerous failure of each channel",
          List.of(Level.LOW, Level.MEDIUM, Level.HIGH),
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
                      given.get(STANDING).formula,
                      new Measure(
                          given
                              .get(STANDING)
                              .area(
                                  given.of(W).metres(), given.of(H).metres(), given.of(D).metres()),
                          Measure.Unit.AREA)),
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
                      new Measure(
                          given.of(LOSS).watts()
                              / (given.of(TRANSFER).value() * given.of(AREA).value()),
                          Measure.Unit.TEMPERATURE_RISE)),
              LOSS,
              AREA,
              TRANSFER),
          Calculator.of(
              "fan",
              "Fan of an enclosure",
              "V, air flow with its filters",
              given -> {
                var rise = given.of(RISE).value();
                var rest =
                    given.of(LOSS).watts()
                        - given.of(TRANSFER).value() * given.of(AREA).value() * rise;
                if (rest <= 0)
                  return Computed.missing("the walls carry the heat away alone: no fan is needed");
                given.step("P", "Pv − k · A · dT, left for the fan", new Power(rest));
                return given.answer(
                    "V",
                    "f · P/dT",
                    new Measure(given.of(AIR_FACTOR) * rest / rise, Measure.Unit.AIR_FLOW));
              },
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
                var t = given.of(AIR).celsius();
                var g = Math.log(given.of(HUMIDITY).fraction()) + 17.62 * t / (243.12 + t);
                given.step("g", "ln(RH) + 17.62 · T/(243.12 + T)", g);
                return given.answer(
                    "Td", "243.12 · g/(17.62 − g)", new Temperature(243.12 * g / (17.62 - g)));
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
                      Percent.ofFraction(
                          given.of(WIRES)
                              * Math.PI
                              / 4
                              * Math.pow(given.of(OUTER).metres(), 2)
                              / (given.of(DUCT_W).metres() * given.of(DUCT_H).metres()))),
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
                            new Cited<>(
                                CONDUIT_AREA.getOrDefault(given.get(CONDUIT), 0.0),
                                Citation.recalled("NEC 2023", "Chapter 9, Table 4, 40 %")),
                            "in², thin-wall steel");
                var one =
                    given
                        .sheet()
                        .table(
                            "a",
                            new Cited<>(
                                WIRE_AREA.getOrDefault(given.get(THHN), 1.0),
                                Citation.recalled("NEC 2023", "Chapter 9, Table 5")),
                            "in², THHN");
                // Chapter 9, Table 1: one wire 53 %, two 31 %, three and more 40 % of the inside;
                // note 7 rounds up from 0.8 where three and more are alike.
                var many = (int) Math.floor(room / one + 0.2);
                if (many >= 3) return given.answer("n", "A/a, rounded up from 0.8", many);
                var inside = given.step("A100", "A/0.40, the whole inside", room / 0.40);
                var n = 2 * one <= 0.31 * inside ? 2 : one <= 0.53 * inside ? 1 : 0;
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
                      new Measure(
                          PERMEABILITY_BY_2PI
                              * 1e9
                              * Math.abs(
                                  Math.log(
                                      given.of(D14).metres()
                                          * given.of(D23).metres()
                                          / (given.of(D13).metres() * given.of(D24).metres()))),
                          Measure.Unit.INDUCTANCE_PER_LENGTH)),
              D13,
              D24,
              D14,
              D23),
          Calculator.of(
              "mutual-capacitance",
              "Capacitance between two wires over a plate",
              "C12, for each metre",
              given -> {
                var h = given.of(HEIGHT).metres();
                var r = given.of(RADIUS).metres();
                var x = given.of(APART).metres();
                if (h <= r || x <= 2 * r)
                  return Computed.missing("the wires touch the plate or one another");
                var epsilon = VACUUM * given.of(PERMITTIVITY);
                var own = Math.log(2 * h / r) / (2 * Math.PI * epsilon);
                var both = Math.log(1 + 4 * h * h / (x * x)) / (4 * Math.PI * epsilon);
                var det = own * own - both * both;
                given.step(
                    "C2g",
                    "(p11 − p12)/(p11² − p12²), to the plate",
                    new Measure((own - both) / det * 1e12, Measure.Unit.CAPACITANCE_PER_LENGTH));
                return given.answer(
                    "C12",
                    "p12/(p11² − p12²), p11 = ln(2h/r)/2πε, p12 = ln(1 + 4h²/x²)/4πε",
                    new Measure(both / det * 1e12, Measure.Unit.CAPACITANCE_PER_LENGTH));
              },
              HEIGHT,
              RADIUS,
              APART,
              PERMITTIVITY),
          Calculator.of(
              "capacitive-coupling",
              "Voltage coupled into a wire by a neighbour",
              "U",
              given -> {
                var c12 = given.of(C12).value() * 1e-12;
                var both = c12 + given.of(C2G).value() * 1e-12;
                var l = given.of(Inputs.LENGTH).metres();
                var slope = given.of(EDGE).volts() / given.of(EDGE_TIME).seconds();
                var r = given.of(LOADED).ohms();
                given.step("limit", "dU · C12/(C12 + C2g)", given.get(EDGE).times(c12 / both));
                return given.answer(
                    "U",
                    "R · C12 · l · dU/tr · (1 − e^(−tr/(R · (C12 + C2g) · l)))",
                    new Voltage(
                        r
                            * c12
                            * l
                            * slope
                            * -Math.expm1(-given.get(EDGE_TIME).seconds() / (r * both * l))));
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
                      new Frequency(
                          given.of(SHIELD_R).ohmsPerMetre()
                              / (2 * Math.PI * given.of(SHIELD_L).value()))),
              SHIELD_R,
              SHIELD_L),
          Calculator.of(
              "ferrite",
              "Ferrite on a cable",
              "a, insertion loss",
              given -> {
                var z = given.of(CIRCUIT).ohms();
                var n = given.of(TURNS);
                var core =
                    given.step("Z", "N² · Z1", new Resistance(given.of(ONE_TURN).ohms() * n * n));
                return given.answer(
                    "a",
                    "20 · lg((Zl + Z)/Zl)",
                    new Measure(20 * Math.log10((z + core.ohms()) / z), Measure.Unit.ATTENUATION));
              },
              ONE_TURN,
              TURNS,
              CIRCUIT),
          Calculator.of(
              "required-performance-level",
              "Required performance level",
              "PLr (ISO 13849-1, Annex A)",
              given -> {
                var index =
                    (given.of(SEVERITY) - 1) * 2
                        + (given.of(EXPOSURE) - 1)
                        + (given.of(AVOIDANCE) - 1);
                return given.answer(
                    "PLr", "risk graph: S, F, P", String.valueOf((char) ('a' + index)));
              },
              SEVERITY,
              EXPOSURE,
              AVOIDANCE),
          Calculator.of(
              "performance-level",
              "Performance level, simplified",
              "PL (ISO 13849-1, Table 6)",
              PanelCalculators::level,
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
                        given.of(DAYS) * given.of(HOURS) * 3600 / given.of(CYCLE).seconds());
                var b = given.of(B10D);
                given.step(
                    "T10d", "B10d/nop, change it then", new Measure(b / per, Measure.Unit.YEARS));
                return given.answer(
                    "MTTFd", "B10d/(0.1 · nop)", new Measure(b / (0.1 * per), Measure.Unit.YEARS));
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

  private static Computed<?> level(Given given) {
    var category = given.of(CATEGORY);
    var coverage = given.of(COVERAGE);
    var mttf = List.of(Level.LOW, Level.MEDIUM, Level.HIGH).indexOf(given.of(MTTF));
    var row =
        switch (category) {
          case "B" -> coverage == Level.NONE ? "ab-" : "";
          case "1" -> coverage == Level.NONE ? "--c" : "";
          case "2" -> coverage == Level.LOW ? "abc" : coverage == Level.MEDIUM ? "bcd" : "";
          case "3" -> coverage == Level.LOW ? "bcd" : coverage == Level.MEDIUM ? "cdd" : "";
          default -> coverage == Level.HIGH ? "--e" : "";
        };
    if (row.isEmpty() || row.charAt(mttf) == '-')
      return Computed.missing("this category does not go with this coverage and MTTFd");
    return given.answer("PL", "table: category, DC, MTTFd", String.valueOf(row.charAt(mttf)));
  }
}
