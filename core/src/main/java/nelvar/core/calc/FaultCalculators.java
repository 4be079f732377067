package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.word;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.EarthFault;
import nelvar.core.formula.FaultHeating;
import nelvar.core.standards.Adiabatic;
import nelvar.core.standards.CopperResistance;
import nelvar.core.standards.Disconnection;
import nelvar.core.standards.MetricConductors;
import nelvar.core.standards.MetricConductors.Strands;
import nelvar.core.standards.TripCurve;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.units.Capacitance;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;

/// Faults to earth: loop impedance, disconnection, heat in the wires, leakage and residual-current
/// devices.
final class FaultCalculators {
  private static final Input<Resistance> ZE =
      Inputs.resistance("Ze", "loop impedance up to the inlet", "0.35 Ω");
  private static final Input<CrossSection> SPE = Inputs.S.as("SPE", "protective conductor");
  private static final Input<Temperature> COLD = Inputs.T.usually("20 °C");
  private static final Input<Double> WARMING =
      number("k", "rise of the resistance during the fault: 1.2 takes 20 °C to 70 °C", 1, 2, "1.2")
          .usually("1.2");
  private static final Input<Double> CMIN =
      number("Cmin", "voltage factor: 0.95 for the least voltage, 1 without", 0.5, 1, "0.95")
          .usually("0.95");
  private static final Input<Current> IA =
      Inputs.current("Ia", "current that opens the device in time", "160A");
  private static final Input<TripCurve> CURVE = word("curve", "curve", TripCurve.class, "B");
  private static final Input<Disconnection.Earthing> SYSTEM =
      word("system", "earthing system", Disconnection.Earthing.class, "TN").usually("TN");
  private static final Input<Boolean> DIRECT =
      oneOf("dc", "direct current", List.of(true, false), yes -> yes ? "yes" : "no", "no")
          .usually("no");
  private static final Input<Current> RESIDUAL =
      Inputs.current("IdN", "rated residual current, or first-fault current", "300mA");
  private static final Input<Current> FAULT = Inputs.current("I", "fault current", "1600A");
  private static final Input<Duration> FAULT_TIME =
      quantity("t", "time until it opens", Kind.DURATION, 0.001, 5, "0.1s");
  private static final Input<Double> K =
      number("k", "adiabatic factor: 115 for PVC, 143 for XLPE", 20, 300, "115").usually("115");
  private static final Input<Boolean> COPPER =
      oneOf("metal", "metal", List.of(true, false), yes -> yes ? "copper" : "aluminium", "copper")
          .usually("copper");
  private static final Input<Temperature> TI =
      quantity("Ti", "temperature before", Kind.TEMPERATURE, -40, 250, "70C").usually("70 °C");
  private static final Input<Temperature> TF =
      quantity(
              "Tf", "temperature the insulation stands briefly", Kind.TEMPERATURE, 60, 1000, "160C")
          .usually("160 °C");
  private static final Input<Adiabatic> INSULATION =
      oneOf(
          "insulation",
          "insulation",
          Arrays.asList(Adiabatic.values()),
          kind -> kind.name().replace('_', '-').toLowerCase(java.util.Locale.ROOT),
          "pvc");
  private static final Input<Current> LEAK_A =
      quantity("Ia", "leakage on the first line", Kind.CURRENT, 0, 100, "3.5mA");
  private static final Input<Current> LEAK_B = LEAK_A.as("Ib", "leakage on the second line");
  private static final Input<Current> LEAK_C = LEAK_A.as("Ic", "leakage on the third line");
  private static final Input<Capacitance> CX =
      Inputs.C.as("Cx", "each capacitor from a line to the star point");
  private static final Input<Capacitance> CY =
      Inputs.C.as("Cy", "capacitor from the star point to earth");
  private static final Input<Boolean> FOLLOW =
      oneOf(
              "lost",
              "two lines lost: their wires follow the live one through the load, or float",
              List.of(true, false),
              yes -> yes ? "follow" : "float",
              "follow")
          .usually("follow");
  private static final Input<Current> LEAKAGE =
      Inputs.current("I", "standing leakage of everything behind it", "9mA");

  /// What a load can leak, and what must therefore stand before it.
  enum LeakingLoad {
    LINEAR("AC where allowed, else A", "sinusoidal"),
    TRANSFORMER("A", "none of it comes back through the transformer"),
    SINGLE_PHASE_RECTIFIER("A", "pulsating direct current"),
    SINGLE_PHASE_DRIVE("F; many drive manuals ask for B", "mixed frequencies"),
    SMOOTHED_HALF_WAVE("B", "smooth direct current"),
    TWO_PHASE_RECTIFIER("B", "smooth direct current"),
    THREE_PHASE_DRIVE("B", "smooth direct current");

    private final String type;
    private final String residual;

    LeakingLoad(String type, String residual) {
      this.type = type;
      this.residual = residual;
    }
  }

  private static final Input<LeakingLoad> LOAD =
      word("load", "the load circuit", LeakingLoad.class, "three-phase-drive");

  private static final Input<Resistance> RPE =
      Inputs.resistance("RPE", "resistance of the protective conductor", "0.4 Ω");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "loop-impedance",
              "Loop impedance of a circuit",
              "Zs, to the far end and back through earth",
              given ->
                  loop(given)
                      .<Computed<?>>map(zs -> Computed.known(given.sheet().explain(zs)))
                      .orElseGet(() -> noRow()),
              ZE,
              Inputs.S,
              SPE,
              Inputs.LENGTH,
              COLD,
              WARMING.usually("1")),
          Calculator.of(
              "fault-current",
              "Fault current at the end of a wire",
              "Ik, least, to earth",
              given ->
                  loop(given)
                      .<Computed<?>>map(zs ->
                          given.answer(
                              "Ik",
                              "Cmin · U0/Zs",
                              EarthFault.current(given.of(CMIN), given.of(Inputs.U0), zs)))
                      .orElseGet(() -> noRow()),
              ZE,
              Inputs.S,
              SPE,
              Inputs.LENGTH,
              COLD,
              WARMING,
              Inputs.U0,
              CMIN),
          Calculator.of(
              "greatest-loop-impedance",
              "Greatest loop impedance for a breaker",
              "Zs, at which it still trips at once",
              given -> {
                var rating = given.of(Inputs.IN);
                var ia =
                    given
                        .sheet()
                        .table("Ia", given.get(CURVE).trips(rating), "curve " + given.get(CURVE));
                return given.answer(
                    "Zs",
                    "Cmin · U0/Ia",
                    EarthFault.greatestLoop(given.of(CMIN), given.of(Inputs.U0), ia));
              },
              Inputs.IN,
              CURVE,
              Inputs.U0,
              CMIN),
          Calculator.of(
              "greatest-length",
              "Greatest length a device protects against shock",
              "l, one way",
              FaultCalculators::length,
              IA,
              ZE,
              Inputs.S,
              SPE,
              Inputs.U0,
              CMIN,
              WARMING),
          Calculator.of(
              "cold-loop-limit",
              "Loop impedance to be measured cold",
              "Zm, greatest reading",
              given -> {
                given
                    .sheet()
                    .table(
                        "k",
                        new Cited<>(
                            "2/3",
                            Citation.recalled("IEC 60364-6:2016", "Annex D; IEC 60204-1, A.4")),
                        "warm conductors");
                return given.answer(
                    "Zm", "2/3 · U0/Ia", EarthFault.coldLimit(given.of(Inputs.U0), given.of(IA)));
              },
              IA,
              Inputs.U0),
          Calculator.of(
              "disconnection-time",
              "How soon a fault must be cut off",
              "t, greatest, final circuits up to 32 A",
              given ->
                  given.table(
                      "t",
                      Disconnection.finalCircuit(
                          given.of(SYSTEM), given.of(Inputs.U0), given.get(DIRECT)),
                      "nominal voltage to earth",
                      "disconnection against shock is not asked for at this voltage"),
              SYSTEM,
              Inputs.U0,
              DIRECT),
          Calculator.of(
              "earth-electrode",
              "Resistance of an earth electrode",
              "RA, greatest, TT or first fault in IT",
              given -> given.answer("RA", "50 V/IdN", EarthFault.electrode(given.of(RESIDUAL))),
              RESIDUAL),
          Calculator.of(
              "touch-voltage",
              "Touch voltage during a fault",
              "Ut, between the body of the machine and earth",
              given -> given.answer("Ut", "I · RPE", given.of(FAULT).across(given.of(RPE))),
              FAULT,
              RPE),
          Calculator.of(
              "fault-section",
              "Section that stands a fault",
              "S, least, adiabatic",
              given -> {
                var least =
                    given.step(
                        "Smin",
                        "I · √t/k",
                        FaultHeating.leastSection(
                            given.of(FAULT), given.of(FAULT_TIME), given.of(K)));
                return MetricConductors.sections().stream()
                    .filter(section -> section.squareMillimetres() >= least.value())
                    .findFirst()
                    .<Computed<?>>map(section -> {
                      given.step("standard", "next standard section", section);
                      return given.answer("S", "I · √t/k", least);
                    })
                    .orElseGet(
                        () -> Computed.missing("it is more than the greatest section listed"));
              },
              FAULT,
              FAULT_TIME,
              K),
          Calculator.of(
              "fault-time",
              "How long a wire stands a fault",
              "t, adiabatic",
              given -> {
                var time = FaultHeating.time(given.of(K), given.of(Inputs.S), given.of(FAULT));
                var t = time.seconds();
                if (t < 0.1 || t > 5)
                  given
                      .sheet()
                      .assumed(
                          "validity",
                          "0.1 s to 5 s",
                          t < 0.1
                              ? "below that compare the device's let-through energy with k²·S²"
                              : "above that the wire also sheds heat, so it stands longer");
                return given.answer("t", "(k · S/I)²", time);
              },
              Inputs.S,
              FAULT,
              K),
          Calculator.of(
              "withstand-energy",
              "Energy a wire stands",
              "k²S², compare with the device's let-through",
              given ->
                  given.answer(
                      "k²S²", "k² · S²", FaultHeating.energy(given.of(K), given.of(Inputs.S))),
              Inputs.S,
              K),
          Calculator.of(
              "adiabatic-factor",
              "Adiabatic factor by temperatures",
              "k",
              given -> {
                var metal =
                    given.get(COPPER) ? FaultHeating.Metal.COPPER : FaultHeating.Metal.ALUMINIUM;
                return FaultHeating.factor(metal, given.of(TI), given.of(TF))
                    .<Computed<?>>map(k -> {
                      given.sheet().given("metal", metal.toString(), "β = " + metal.beta());
                      return given.answer(
                          "k", "%s · √(ln((β + Tf)/(β + Ti)))".formatted((int) metal.lead()), k);
                    })
                    .orElseGet(
                        () -> Computed.missing("the end temperature is not above the start"));
              },
              COPPER,
              TI,
              TF),
          Calculator.of(
              "adiabatic-table",
              "Adiabatic factor by insulation",
              "k, as tabled",
              given ->
                  given.table(
                      "k",
                      Optional.of(
                          given.get(COPPER)
                              ? given.get(INSULATION).copper()
                              : given.get(INSULATION).aluminium()),
                      given.get(INSULATION).words(),
                      ""),
              INSULATION,
              COPPER),
          Calculator.of(
              "leakage",
              "Leakage of single-phase loads on three lines",
              "I, vector sum at mains frequency",
              given -> {
                var a = given.of(LEAK_A);
                var b = given.of(LEAK_B);
                var c = given.of(LEAK_C);
                given.step("bound", "Ia + Ib + Ic, if on one line", a.plus(b).plus(c));
                return given.answer(
                    "I",
                    "√(Ia² + Ib² + Ic² − Ia·Ib − Ib·Ic − Ic·Ia)",
                    AlternatingCurrent.left(a, b, c));
              },
              LEAK_A,
              LEAK_B,
              LEAK_C),
          Calculator.of(
              "filter-leakage",
              "Leakage of a three-phase filter",
              "I, worst, two lines lost",
              given ->
                  given.answer(
                      "I",
                      given.get(FOLLOW)
                          ? "2π · f · U0 · 3 · Cx · Cy/(3 · Cx + Cy)"
                          : "2π · f · U0 · Cx · Cy/(Cx + Cy)",
                      AlternatingCurrent.filterLeakage(
                          given.of(CX),
                          given.of(CY),
                          given.of(Inputs.U0),
                          given.of(Inputs.FREQUENCY),
                          given.get(FOLLOW))),
              CX,
              CY,
              Inputs.U0,
              Inputs.FREQUENCY,
              FOLLOW),
          Calculator.of(
              "rcd-type",
              "Type of residual-current device",
              "type, least (IEC 60364-5-53)",
              given -> {
                var load = given.get(LOAD);
                given
                    .sheet()
                    .table(
                        "residual",
                        new Cited<>(
                            load.residual,
                            Citation.recalled("IEC 60364-5-53:2015", "Annex, and IEC 60755")),
                        "what such a load can leak");
                return given.answer("type", "least that still trips on it", load.type);
              },
              LOAD),
          Calculator.of(
              "rcd-leakage",
              "Leakage behind a residual-current device",
              "share of its rating; 30 % is the limit",
              given -> {
                var share = given.step("share", "I/IdN", given.of(LEAKAGE).of(given.of(RESIDUAL)));
                return given.answer(
                    "holds",
                    "share ≤ 30 %",
                    share.percent() <= 30 + 1e-9
                        ? "yes, " + share
                        : "no, " + share + ": it may trip by itself from half its rating");
              },
              LEAKAGE,
              RESIDUAL));

  private FaultCalculators() {}

  private static Computed<?> noRow() {
    return Computed.missing("the resistance table has no row for this section");
  }

  /// `Zs = Ze + k · (R1 + R2)`, at the temperature given.
  private static Optional<Resistance> loop(Given given) {
    var line =
        VoltageDrop.resistance(
                given.get(Inputs.S), Strands.CLASS_5, given.get(Inputs.LENGTH), given.get(COLD))
            .found();
    var back =
        VoltageDrop.resistance(
                given.get(SPE), Strands.CLASS_5, given.get(Inputs.LENGTH), given.get(COLD))
            .found();
    if (line.isEmpty() || back.isEmpty()) return Optional.empty();
    given.of(Inputs.S);
    given.of(SPE);
    given.of(Inputs.LENGTH);
    given.of(COLD);
    var r1 = given.step("R1", "line, R20 · l at T", line.get().value());
    var r2 = given.step("R2", "protective, R20 · l at T", back.get().value());
    var k = given.of(WARMING);
    return Optional.of(
        given.step("Zs", "Ze + k · (R1 + R2)", EarthFault.loop(given.of(ZE), k, r1, r2)));
  }

  private static Computed<?> length(Given given) {
    var line = CopperResistance.at20(given.of(Inputs.S));
    var back = CopperResistance.at20(given.of(SPE));
    if (line.isEmpty() || back.isEmpty()) return noRow();
    var r1 = given.sheet().table("r1", line.get(), "line, 20 °C");
    var r2 = given.sheet().table("r2", back.get(), "protective, 20 °C");
    var zs =
        given.step(
            "Zs",
            "Cmin · U0/Ia",
            EarthFault.greatestLoop(given.of(CMIN), given.of(Inputs.U0), given.of(IA)));
    return EarthFault.greatestLength(zs, given.of(ZE), given.of(WARMING), r1, r2)
        .<Computed<?>>map(metres -> given.answer("l", "(Zs − Ze)/(k · (r1 + r2))", metres))
        .orElseGet(() ->
            Computed.missing(
                "the loop up to the inlet is too weak already: it alone exceeds " + zs));
  }
}
