package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.oneOf;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.word;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.protection.BreakerChoice;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.formula.AlternatingCurrent;
import nelvar.core.formula.AmericanCircuits;
import nelvar.core.standards.AmericanDevices;
import nelvar.core.standards.FuseLink;
import nelvar.core.standards.Motors;
import nelvar.core.standards.TimeCurrent;
import nelvar.core.standards.TripCurve;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Fuses and breakers: ratings, curves, what a fault makes flow, which of two opens first.
final class DeviceCalculators {
  /// How a gG fuse is matched with its wire.
  enum FuseSchool {
    STRICT,
    RATING
  }

  private static final Input<Current> PEAK =
      quantity("Ipeak", "peak at switching on", Kind.CURRENT, 0, 1e5, "34A").usually("0 A");
  private static final Input<FuseSchool> FUSE_SCHOOL =
      word(
              "school",
              "strict: I2 ≤ 1.45 Iz to the letter; rating: In ≤ Iz, as British practice reads it",
              FuseSchool.class,
              "strict")
          .usually("strict");
  private static final Input<TripCurve> CURVE = word("curve", "curve", TripCurve.class, "C");
  private static final Input<Double> DIRECT =
      number(
              "dc",
              "1 for alternating current; 1.4 for direct current on an a.c. breaker, 1.5 by some makers",
              1,
              2,
              "1.4")
          .usually("1");
  private static final Input<Current> FUSE =
      quantity("In", "rating of the gG link", Kind.CURRENT, 1, 1250, "20A");
  private static final Input<Duration> WITHIN =
      quantity("t", "time", Kind.DURATION, 0.1, 5, "0.4s").usually("0.4 s");
  private static final Input<Double> HORSEPOWER = number("hp", "rated power in hp", 0.1, 500, "10");
  private static final Input<Integer> MOTOR_VOLTS =
      oneOf("U", "the table's voltage", Motors.Kind.THREE_PHASE.volts(), String::valueOf, "460");
  private static final Input<AmericanDevices.MotorDevice> MOTOR_DEVICE =
      oneOf(
              "device",
              "kind of device",
              List.of(AmericanDevices.MotorDevice.values()),
              AmericanDevices.MotorDevice::words,
              "dual-element time-delay fuse")
          .usually("dual-element time-delay fuse");
  private static final Input<Boolean> HARD_START =
      oneOf(
              "hard-start",
              "whether the motor will not start on the first figure",
              List.of(true, false),
              yes -> yes ? "yes" : "no",
              "no")
          .usually("no");
  private static final Input<Current> NAMEPLATE =
      Inputs.current("I", "current on the nameplate", "13.2A");
  private static final Input<Double> SERVICE_FACTOR =
      number("SF", "service factor", 1, 2, "1.15").usually("1.15");
  private static final Input<Current> UP = FUSE.as("up", "rating of the link nearer the source");
  private static final Input<Current> DOWN = FUSE.as("down", "rating of the link nearer the load");
  private static final Input<Voltage> BUS = Inputs.voltage("U", "voltage of the supply", "24V");
  private static final Input<Current> BOOST =
      Inputs.current("Iboost", "greatest current the supply gives", "15A");
  private static final Input<Resistance> LOOP =
      Inputs.resistance("R", "resistance of the wires, out and back", "0.4 Ω");
  private static final Input<Measure> TRANSFORMER =
      Inputs.apparent("S", "rated apparent power", "250 kVA");
  private static final Input<Percent> IMPEDANCE =
      Inputs.percent("uk", "short-circuit voltage", 0.5, 30, "4%").usually("4 %");
  private static final Input<Voltage> SECONDARY =
      Inputs.voltage("U", "secondary voltage, between lines where three-phase", "400V");
  private static final Input<Integer> PHASES =
      oneOf("phases", "phases", List.of(1, 3), String::valueOf, "3").usually("3");
  private static final Input<Current> CAPACITY =
      oneOf(
              "Icn",
              "rated short-circuit capacity",
              List.of(new Current(3000), new Current(6000), new Current(10000)),
              amperes -> (int) (amperes.amperes() / 1000) + "kA",
              "6kA")
          .usually("6kA");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "breaker",
              "Circuit-breaker for a branch",
              "In and curve",
              given ->
                  BreakerChoice.propose(given.get(Inputs.IB), Optional.of(given.get(PEAK)))
                      .<Computed<?>>map(Computed::known)
                      .orElseGet(() ->
                          Computed.missing(
                              "no standard breaker up to 63 A carries this load and stands its inrush")),
              Inputs.IB,
              PEAK),
          Calculator.of(
              "fuse-limit",
              "Largest gG fuse for a wire",
              "In, largest standard rating",
              DeviceCalculators::fuseLimit,
              Inputs.IZ,
              FUSE_SCHOOL),
          Calculator.of(
              "device-na",
              "Device for a wire, North American",
              "In, next standard size up (NEC 240.4(B), up to 800 A)",
              given ->
                  given.get(Inputs.IZ).amperes() > 800 || given.get(Inputs.IZ).amperes() < 10
                      ? Computed.missing(
                          given.get(Inputs.IZ).amperes() > 800
                              ? "above 800 A the next size down is asked for"
                              : "the least standard rating is 10 A, more than this wire stands: take a thicker wire, or a device of another list that is no larger than the wire")
                      : given.table(
                          "In",
                          AmericanDevices.nextUp(given.of(Inputs.IZ)),
                          "next size up",
                          "the list of ratings ends at 1200 A"),
              Inputs.IZ),
          Calculator.of(
              "motor-device-na",
              "Device of a motor branch, North American",
              "In, greatest standard size",
              DeviceCalculators::motorDevice,
              HORSEPOWER,
              MOTOR_VOLTS,
              MOTOR_DEVICE,
              HARD_START),
          Calculator.of(
              "motor-overload-na",
              "Overload setting, North American",
              "Ir, greatest (NEC 430.32)",
              given -> {
                var factor = given.of(SERVICE_FACTOR);
                var k =
                    given.step(
                        "k",
                        factor >= 1.15 ? "SF ≥ 1.15" : "SF < 1.15",
                        AmericanCircuits.overload(factor));
                return given.answer("Ir", "k · I", given.of(NAMEPLATE).times(k));
              },
              NAMEPLATE,
              SERVICE_FACTOR),
          Calculator.of(
              "motor-switch",
              "Motor protective switch",
              "range of its setting",
              given ->
                  Motors.switchFor(given.of(NAMEPLATE))
                      .<Computed<?>>map(greatest -> {
                        given.sheet().table("Imax", greatest, "the first range that holds I");
                        var least = Motors.leastSetting(greatest.value());
                        given.step(
                            "I13", "13 · Imax", TimeCurrent.motorSwitchNominal(greatest.value()));
                        return given.answer(
                            "range",
                            "from its least setting",
                            new ProtectiveDevice.MotorSwitch(
                                least, greatest.value(), Optional.empty()));
                      })
                      .orElseGet(() -> Computed.missing("the ranges listed end at 32 A")),
              NAMEPLATE),
          Calculator.of(
              "magnetic-trip",
              "Current that trips a breaker at once",
              "Ia, trips within 0.1 s for certain",
              given -> {
                var rating = given.of(Inputs.IN);
                var curve = given.get(CURVE);
                given
                    .sheet()
                    .table("Ihold", curve.holds(rating), "curve " + curve + ", still lets pass");
                var trips =
                    given.sheet().table("Itrip", curve.trips(rating), "curve " + curve + ", trips");
                return given.answer("Ia", "dc · Itrip", trips.times(given.of(DIRECT)));
              },
              Inputs.IN,
              CURVE,
              DIRECT),
          Calculator.of(
              "fuse-current",
              "Current that melts a gG fuse in time",
              "Ia, by the gates of the standard, between them on logarithmic scales",
              given ->
                  given.table(
                      "Ia",
                      FuseLink.meltsWithin(given.of(FUSE), given.of(WITHIN)),
                      "between the gates at 5 s and 0.1 s",
                      "the gates are listed for standard ratings from 2 A to 400 A"),
              FUSE,
              WITHIN),
          Calculator.of(
              "let-through",
              "Energy a breaker lets through",
              "I²t, greatest for energy-limiting class 3",
              given ->
                  given.table(
                      "I2t",
                      given.get(CURVE).letThrough(given.of(Inputs.IN), given.of(CAPACITY)),
                      "curve " + given.get(CURVE),
                      "the table holds curves B and C up to 32 A"),
              Inputs.IN,
              CURVE,
              CAPACITY),
          Calculator.of(
              "short-circuit",
              "Short-circuit current at a transformer",
              "Ik, prospective, bolted at its terminals",
              given ->
                  given.answer(
                      "Ik",
                      given.get(PHASES) == 3 ? "S/(√3 · U · uk)" : "S/(U · uk)",
                      AlternatingCurrent.shortCircuit(
                          given.of(TRANSFORMER),
                          given.of(SECONDARY),
                          given.of(IMPEDANCE),
                          given.get(PHASES))),
              TRANSFORMER,
              SECONDARY,
              IMPEDANCE,
              PHASES),
          Calculator.of(
              "fuse-selectivity",
              "Two gG fuses in series",
              "whether only the one nearer the load opens",
              DeviceCalculators::selectivity,
              UP,
              DOWN),
          Calculator.of(
              "trip-on-supply",
              "Will a breaker trip on an electronic supply",
              "whether it trips magnetically",
              DeviceCalculators::tripOnSupply,
              Inputs.IN,
              CURVE,
              BUS,
              BOOST,
              LOOP,
              DIRECT.usually("1.4")));

  private static final Citation MARGIN = Citation.recalled("IEC 60364-4-43:2008", "433.1");

  private DeviceCalculators() {}

  private static Computed<?> fuseLimit(Given given) {
    var iz = given.of(Inputs.IZ);
    var w = given.sheet();
    var strict = given.of(FUSE_SCHOOL) == FuseSchool.STRICT;
    for (var rating : FuseLink.ratings().reversed()) {
      var factor = FuseLink.fusingFactor(rating).orElseThrow();
      var limit = strict ? Math.min(1, 1.45 / factor.value()) : 1;
      if (rating.amperes() > limit * iz.amperes() * (1 + 1e-9)) continue;
      if (strict) {
        w.table("k", factor, "fusing factor at " + rating);
        w.given("demand", MARGIN.toString(), "I2 = k · In ≤ 1.45 · Iz");
        w.result("Imax", "1.45 · Iz/k", iz.times(1.45 / factor.value()));
      } else w.result("Imax", "Iz", iz);
      return given.answer("In", "largest standard rating ≤ Imax", rating);
    }
    return Computed.missing("even a 2 A fuse is too large for this wire");
  }

  private static Computed<?> motorDevice(Given given) {
    var current =
        Motors.fullLoadCurrent(
            Motors.Kind.THREE_PHASE, given.of(HORSEPOWER), given.of(MOTOR_VOLTS));
    if (current.isEmpty())
      return Computed.missing("the table of three-phase motors has no row for this power");
    var flc = given.sheet().table("FLC", current.get(), "full-load current by the table");
    var share =
        given
            .sheet()
            .table(
                "k",
                AmericanDevices.motorBranch(given.get(MOTOR_DEVICE), given.get(HARD_START), flc),
                given.get(MOTOR_DEVICE).words());
    var most = given.step("Imax", "k · FLC", flc.times(share.fraction()));
    if (given.get(HARD_START))
      return AmericanDevices.ratings(given.get(MOTOR_DEVICE)).reversed().stream()
          .filter(rating -> rating.compareTo(most) <= 0)
          .findFirst()
          .<Computed<?>>map(rating -> given.answer("In", "standard rating ≤ Imax", rating))
          .orElseGet(() -> Computed.missing("no standard rating is as small"));
    return AmericanDevices.ratings(given.get(MOTOR_DEVICE)).stream()
        .filter(rating -> rating.compareTo(most) >= 0)
        .findFirst()
        .<Computed<?>>map(rating -> given.answer("In", "next standard size up (NEC 240.6)", rating))
        .orElseGet(() -> Computed.missing("the list of ratings ends at 1200 A"));
  }

  /// Two steps of the R10 series count as the ratio 1.6 (common practice: accept from 1.56); below
  /// 16 A the energies decide, and are not in the table.
  private static Computed<?> selectivity(Given given) {
    var up = given.of(UP);
    var down = given.of(DOWN);
    var ratio = given.step("ratio", "up/down", up.amperes() / down.amperes());
    var melts = FuseLink.preArcing(up, false);
    var lets = FuseLink.preArcing(down, true);
    if (melts.isPresent() && lets.isPresent()) {
      given.sheet().table("I2tup", melts.get(), "least pre-arcing energy of up");
      given.sheet().table("I2tdown", lets.get(), "greatest pre-arcing energy of down");
    }
    var holds = ratio >= 1.56;
    return given.answer(
        "selective",
        "ratio ≥ 1.56, the least of two steps of the series (nominally 1.6)",
        holds ? "yes, at any fault current" : "no, both may open");
  }

  private static Computed<?> tripOnSupply(Given given) {
    var rating = given.of(Inputs.IN);
    var curve = given.get(CURVE);
    var table = given.sheet().table("Itrip", curve.trips(rating), "curve " + curve);
    var needed = given.step("Ia", "dc · Itrip", table.times(given.of(DIRECT)));
    var through =
        given.step("Ir", "U/R, what the wires let pass", given.of(BUS).over(given.of(LOOP)));
    var most = given.of(BOOST);
    var flows =
        given.step("I", "the less of Ir and Iboost", through.compareTo(most) < 0 ? through : most);
    return given.answer(
        "trips",
        "I ≥ Ia",
        flows.compareTo(needed) >= 0
            ? "yes, at once"
            : "no: only %s flow of the %s it needs; use an electronic channel or a smaller, faster device"
                .formatted(flows, needed));
  }
}
