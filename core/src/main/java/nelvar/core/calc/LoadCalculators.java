package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.several;
import static nelvar.core.calc.Input.whole;

import java.util.List;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.AmericanCircuits;
import nelvar.core.formula.Derating;
import nelvar.core.standards.AmericanDevices;
import nelvar.core.standards.Diversity;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Significant;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// What loads add up to, and what feeds them: supplies, inlets, transformers.
final class LoadCalculators {
  private static final Input<Power> OUTPUT = Inputs.power("P", "power given off", "480W");
  private static final Input<Integer> PHASES =
      oneOf("phases", "phases", List.of(1, 3), String::valueOf, "3").usually("3");
  private static final Input<Voltage> LINE =
      Inputs.voltage("Un", "voltage, between lines where there are three phases", "400V");
  private static final Input<Percent> HEADROOM =
      Inputs.percent("headroom", "share of the rating that may be used", 10, 100, "80%")
          .usually("80 %");

  private static final Input<Double> SHARE = number("g", "share that is on", 0, 1, "0.5");

  /// One kind of load on a bus: `8 x 10 mA x 50 %`, the last being what is on at a time.
  record Load(int count, Current each, double share) {
    static Load read(String text) {
      var parts = text.strip().split("\\s*[x×*]\\s*", -1);
      if (parts.length < 2 || parts.length > 3 || !parts[0].matches("[1-9][0-9]{0,5}"))
        throw new ImpossibleQuantity("'" + text.strip() + "' is not number x current x share");
      var each = Input.read(parts[1], Kind.CURRENT);
      var share = parts.length == 2 ? Percent.WHOLE : share(parts[2]);
      return new Load(Integer.parseInt(parts[0]), each, share.fraction());
    }

    private static Percent share(String text) {
      var share =
          text.contains("%")
              ? Input.read(text, Kind.PERCENT)
              : Percent.ofFraction(SHARE.reader().read(text));
      if (share.percent() < 0 || share.percent() > 100)
        throw new ImpossibleQuantity("a share is from 0 % to 100 %, not " + share);
      return share;
    }

    double amperes() {
      return count * each.amperes() * share;
    }

    @Override
    public String toString() {
      return "%d · %s · %s".formatted(count, each, Significant.digits(share));
    }
  }

  private static final Input<List<Load>> LOADS =
      several(
          Input.read(
              "loads",
              "the loads",
              "number x current x share that is on, 0 to 1 or in %",
              "8 x 10mA",
              Load::read),
          "8 x 10mA, 12 x 60mA x 50%, 1 x 1.2A");

  private static final Input<List<Current>> MOTORS =
      several(
          Inputs.current("motors", "table currents of the motors that run together", "11A"),
          "11A, 4.8A, 4.8A");
  private static final Input<Current> HEATERS =
      quantity("heaters", "resistance heating", Kind.CURRENT, 0, 1e5, "10A").usually("0 A");
  private static final Input<Current> OTHER =
      quantity("other", "other loads that run together", Kind.CURRENT, 0, 1e5, "2A").usually("0 A");

  private static final Input<Current> LOAD_CURRENT =
      Inputs.current("I", "load with everything on", "3.464A");
  private static final Input<Voltage> MAINS =
      Inputs.voltage("U", "mains voltage", "230V").usually("230 V");
  private static final Input<Percent> SUPPLY_EFFICIENCY = Inputs.EFFICIENCY.usually("90 %");
  private static final Input<Double> SUPPLY_FACTOR =
      number("pf", "true power factor: 0.6 without correction, 0.95 with", 0.05, 1, "0.6")
          .usually("0.6");
  private static final Input<Current> RATED_CURRENT =
      Inputs.current("In", "rated output current", "10A");
  private static final Input<Temperature> FULL_UP_TO =
      quantity("T0", "air up to which it gives its rating", Kind.TEMPERATURE, 0, 90, "55C")
          .usually(Derating.SUPPLY.fullUpTo().toString());
  private static final Input<Percent> PER_KELVIN =
      Inputs.percent("d", "loss for each kelvin above", 0.1, 10, "2.5%")
          .usually(Derating.SUPPLY.perKelvin().toString());
  private static final Input<List<Power>> ACTIVE =
      several(Inputs.power("P", "active powers", "3 kW"), "3 kW, 1.5 kW");
  private static final Input<List<Power>> REACTIVE =
      several(
          quantity("Q", "reactive powers, in W or VA", Kind.POWER, 0, 1e7, "2 kW"), "2 kW, 0.5 kW");
  private static final Input<Current> PHASE_A =
      quantity("Ia", "current of the first line", Kind.CURRENT, 0, 1e5, "10A");
  private static final Input<Current> PHASE_B = PHASE_A.as("Ib", "current of the second line");
  private static final Input<Current> PHASE_C = PHASE_A.as("Ic", "current of the third line");
  private static final Input<Percent> THIRD =
      Inputs.percent("third", "third harmonic of the line current", 0, 150, "30%");
  private static final Input<Current> LARGEST_DEVICE =
      Inputs.current("device", "largest branch device", "30A");
  private static final Input<Current> REST_OF_LOADS =
      quantity("rest", "the other loads that run together", Kind.CURRENT, 0, 1e5, "11.6A");
  private static final Input<Current> LOCKED =
      Inputs.current("Ilocked", "locked-rotor current of the largest motor", "69A");
  private static final Input<Current> CONTINUOUS =
      quantity("continuous", "load that is on for 3 h and more", Kind.CURRENT, 0, 1e5, "16A");
  private static final Input<Measure> RATED = Inputs.apparent("S", "rated apparent power", "2 kVA");
  private static final Input<Boolean> SECONDARY_TOO =
      oneOf(
              "secondary",
              "whether the secondary has a device too",
              List.of(true, false),
              yes -> yes ? "yes" : "no",
              "yes")
          .usually("no");
  private static final Input<Current> PRIMARY = Inputs.current("I", "primary current", "4.17A");
  private static final Input<Integer> CIRCUITS = whole("n", "circuits", 1, 1000, "4");
  private static final Input<Voltage> CLASS_2_VOLTS =
      quantity("U", "voltage, up to 30 V", Kind.VOLTAGE, 1, 30, "24V");

  private static final Citation SUPPLY = Citation.recalled("NFPA 79:2021, NEC 2023", "670.4(A)");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "bus-load",
              "Current of a bus of many loads",
              "I, total",
              given -> {
                var loads = given.of(LOADS);
                return given.answer(
                    "I",
                    "Σ n · I · g",
                    new Current(loads.stream().mapToDouble(Load::amperes).sum()));
              },
              LOADS),
          Calculator.of(
              "supply-size",
              "Rating a supply needs",
              "In, least rating",
              given ->
                  given.answer(
                      "In",
                      "I/headroom",
                      given.of(LOAD_CURRENT).times(1 / given.of(HEADROOM).fraction())),
              LOAD_CURRENT,
              HEADROOM),
          Calculator.of(
              "supply-derating",
              "What a supply gives in warm air",
              "I, output current",
              LoadCalculators::derated,
              RATED_CURRENT,
              Inputs.TA,
              FULL_UP_TO,
              PER_KELVIN),
          Calculator.of(
              "supply-current",
              "Mains current of a supply",
              "I, input current",
              given ->
                  given.answer(
                      "I",
                      "P/(eta · U · pf)",
                      AlternatingCurrent.ofPower(
                          given.of(OUTPUT),
                          given.of(MAINS),
                          1,
                          given.of(SUPPLY_FACTOR),
                          given.of(SUPPLY_EFFICIENCY).fraction())),
              OUTPUT,
              MAINS,
              SUPPLY_EFFICIENCY,
              SUPPLY_FACTOR),
          Calculator.of(
              "load-current",
              "Current of a load by its power",
              "I, line current",
              given ->
                  given.answer(
                      "I",
                      given.get(PHASES) == 3 ? "P/(√3 · Un · pf · eta)" : "P/(Un · pf · eta)",
                      AlternatingCurrent.ofPower(
                          given.of(OUTPUT),
                          given.of(LINE),
                          given.get(PHASES),
                          given.of(Inputs.POWER_FACTOR),
                          given.of(Inputs.EFFICIENCY).fraction())),
              OUTPUT,
              LINE,
              PHASES,
              Inputs.POWER_FACTOR,
              Inputs.EFFICIENCY),
          Calculator.of(
              "apparent-power",
              "Apparent power of several loads",
              "S, total",
              given -> {
                var active = given.get(ACTIVE);
                var reactive = given.get(REACTIVE);
                given.step("P", "Σ P", AlternatingCurrent.sum(active));
                given.step("Q", "Σ Q", AlternatingCurrent.sum(reactive));
                return given.answer(
                    "S", "√(P² + Q²)", AlternatingCurrent.apparentPower(active, reactive));
              },
              ACTIVE,
              REACTIVE),
          Calculator.of(
              "neutral-current",
              "Current in the neutral",
              "IN, linear loads of one power factor",
              given ->
                  given.answer(
                      "IN",
                      "√(Ia² + Ib² + Ic² − Ia·Ib − Ib·Ic − Ic·Ia)",
                      AlternatingCurrent.left(
                          given.of(PHASE_A), given.of(PHASE_B), given.of(PHASE_C))),
              PHASE_A,
              PHASE_B,
              PHASE_C),
          Calculator.of(
              "neutral-harmonics",
              "Neutral current of third harmonics",
              "IN, with the third harmonic added",
              given -> {
                var third =
                    given.step(
                        "I3", "third · I", given.of(Inputs.I).times(given.of(THIRD).fraction()));
                return given.answer("IN", "3 · I3", AlternatingCurrent.thirdsInNeutral(third));
              },
              Inputs.I,
              THIRD),
          Calculator.of(
              "supply-conductor-na",
              "Supply conductor of a machine, North American",
              "Iz, least ampacity",
              given -> {
                var motors = given.get(MOTORS);
                given.step("largest", "largest motor", AmericanCircuits.largest(motors));
                given.step(
                    "rest",
                    "Σ motors − largest + other",
                    AmericanCircuits.rest(motors, given.of(OTHER)));
                given
                    .sheet()
                    .table(
                        "k",
                        new Cited<>(AmericanCircuits.CONTINUOUS, SUPPLY),
                        "heating and largest motor");
                return given.answer(
                    "Iz",
                    "1.25 · heaters + 1.25 · largest + rest",
                    AmericanCircuits.supplyConductor(given.of(HEATERS), motors, given.get(OTHER)));
              },
              HEATERS,
              MOTORS,
              OTHER),
          Calculator.of(
              "disconnect-na",
              "Main disconnect, North American",
              "In, least rating",
              given -> {
                var total =
                    given.step(
                        "total",
                        "heaters + Σ motors + other",
                        given
                            .of(HEATERS)
                            .plus(AmericanCircuits.sum(given.get(MOTORS)))
                            .plus(given.of(OTHER)));
                given
                    .sheet()
                    .table(
                        "k",
                        new Cited<>(
                            AmericanCircuits.DISCONNECT,
                            Citation.recalled("NFPA 79:2021", "5.3.3")),
                        "of everything that runs together");
                return given.answer("In", "k · total", AmericanCircuits.disconnect(total));
              },
              HEATERS,
              MOTORS,
              OTHER),
          Calculator.of(
              "feeder-device-na",
              "Feeder device of a machine, North American",
              "In, greatest standard rating",
              LoadCalculators::feederDevice,
              LARGEST_DEVICE,
              REST_OF_LOADS),
          Calculator.of(
              "disconnect",
              "Breaking capacity of a main disconnect",
              "Ibreak, least (IEC 60204-1, 5.3.3)",
              given ->
                  given.answer(
                      "Ibreak", "Ilocked + rest", given.of(LOCKED).plus(given.of(REST_OF_LOADS))),
              LOCKED,
              REST_OF_LOADS),
          Calculator.of(
              "continuous-load-na",
              "Device for a continuous load, North American",
              "In, least standard rating",
              given -> {
                var needed =
                    given.step(
                        "Imin",
                        "1.25 · continuous + other",
                        AmericanCircuits.device(given.of(CONTINUOUS), given.of(OTHER)));
                return given.table(
                    "In",
                    AmericanDevices.nextUp(needed),
                    "next size up",
                    "the list of ratings ends at 1200 A");
              },
              CONTINUOUS,
              OTHER),
          Calculator.of(
              "transformer-current",
              "Current of a transformer",
              "I, primary or secondary",
              given ->
                  given.answer(
                      "I",
                      given.get(PHASES) == 3 ? "S/(√3 · Un)" : "S/Un",
                      AlternatingCurrent.ofApparentPower(
                          given.of(RATED), given.of(LINE), given.get(PHASES))),
              RATED,
              LINE,
              PHASES.usually("1")),
          Calculator.of(
              "transformer-device-na",
              "Devices of a transformer, North American",
              "Imax, greatest rating at the primary",
              LoadCalculators::transformerDevice,
              PRIMARY,
              SECONDARY_TOO),
          Calculator.of(
              "control-transformer-device",
              "Device at a 120 V control transformer",
              "In, greatest rating (NFPA 79)",
              given ->
                  given.table(
                      "In",
                      AmericanDevices.controlTransformer(new Power(given.of(RATED).value())),
                      "rated VA",
                      "the table lists 50, 100, 150, 200, 250, 300, 500, 750, 1000, 1250, 1500, 2000, 3000 and 5000 VA"),
              RATED),
          Calculator.of(
              "diversity",
              "Assumed loading of several circuits",
              "g, factor",
              given ->
                  given.table(
                      "g", Diversity.distribution(given.of(CIRCUITS)), "circuits", "it ends"),
              CIRCUITS),
          Calculator.of(
              "class-2",
              "Current of a Class 2 source",
              "I, greatest",
              given -> {
                var low = AmericanCircuits.lowClassTwo(given.of(CLASS_2_VOLTS));
                given
                    .sheet()
                    .table(
                        "limit",
                        new Cited<>(
                            low ? "5 A" : "100 VA",
                            Citation.recalled("NEC 2023", "Chapter 9, Table 11")),
                        "not inherently limited");
                return given.answer(
                    "I",
                    low ? "limit" : "100 VA/U",
                    AmericanCircuits.classTwo(given.get(CLASS_2_VOLTS)));
              },
              CLASS_2_VOLTS));

  private LoadCalculators() {}

  private static Computed<?> derated(Given given) {
    var rated = given.of(RATED_CURRENT);
    if (given.of(Inputs.TA).compareTo(given.of(FULL_UP_TO)) <= 0)
      return given.answer("I", "In, the air is no warmer than T0", rated);
    var left =
        Derating.SUPPLY
            .upTo(given.get(FULL_UP_TO), given.of(PER_KELVIN))
            .of(rated, given.get(Inputs.TA), new Length(0));
    return left.amperes() <= 0
        ? Computed.missing("nothing is left of its rating at this temperature; ask its data sheet")
        : given.answer("I", "In · (1 − d · (Ta − T0))", left);
  }

  /// Rounded down to a standard rating (NEC 430.62 and 670.4(C), from memory).
  private static Computed<?> feederDevice(Given given) {
    var most =
        given.step("Imax", "device + rest", given.of(LARGEST_DEVICE).plus(given.of(REST_OF_LOADS)));
    return AmericanDevices.ratings().reversed().stream()
        .filter(rating -> rating.compareTo(most) <= 0)
        .findFirst()
        .<Computed<?>>map(rating -> given.answer("In", "standard rating ≤ Imax", rating))
        .orElseGet(() -> Computed.missing("the list of ratings begins at 10 A"));
  }

  /// NEC 450.3(B), up to 1000 V (from memory). With a device at the secondary the primary may have
  /// 250 %.
  private static Computed<?> transformerDevice(Given given) {
    var primary = given.of(PRIMARY);
    var percent = AmericanCircuits.transformerPrimary(primary, given.get(SECONDARY_TOO));
    var k =
        given
            .sheet()
            .table(
                "k",
                new Cited<>(percent, Citation.recalled("NEC 2023", "Table 450.3(B)")),
                given.get(SECONDARY_TOO) ? "device at both sides" : "device at the primary only");
    return given.answer("Imax", "k · I", primary.times(k.fraction()));
  }
}
