package nelvar.core.calc;

import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.several;
import static nelvar.core.calc.Input.whole;
import static nelvar.core.calc.Input.word;

import java.util.List;
import nelvar.core.formula.CoilFormulas;
import nelvar.core.formula.MovingEnergy;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;

/// Supplies that work together, supplies with several outputs, what starts on them, what comes back
/// to them. Common practice where no source is named.
final class SupplyCalculators {
  /// Why several supplies serve one bus.
  enum Purpose {
    CAPACITY,
    REDUNDANCY
  }

  private static final Input<Integer> SUPPLIES = whole("n", "supplies on one bus", 2, 20, "2");
  private static final Input<Current> EACH = Inputs.current("In", "rating of each", "10A");
  private static final Input<Purpose> PURPOSE =
      word("purpose", "why they work together", Purpose.class, "redundancy");
  private static final Input<Percent> HEADROOM =
      Inputs.percent("headroom", "share of the rating that may be used", 10, 100, "80%")
          .usually("80 %");

  /// One output: `5 V x 6 A`.
  record Rail(Voltage voltage, Current current) {
    static Rail read(String text) {
      var parts = text.strip().split("\\s*[x×*]\\s*", -1);
      if (parts.length != 2)
        throw new ImpossibleQuantity("'" + text.strip() + "' is not voltage x current");
      return new Rail(Input.read(parts[0], Kind.VOLTAGE), Input.read(parts[1], Kind.CURRENT));
    }

    double watts() {
      return voltage.volts() * current.amperes();
    }

    @Override
    public String toString() {
      return voltage + " · " + current;
    }
  }

  private static final Input<List<Rail>> RAILS =
      several(
          Input.read(
              "outputs", "the outputs and their loads", "voltage x current", "5V x 6A", Rail::read),
          "5V x 6A, 12V x 3A, 24V x 2.5A");

  private static final Input<Current> BUS =
      Inputs.current("Ib", "all on that can be on together", "7.8A");
  private static final Input<Current> START =
      Inputs.current("Istart", "starting current of the hardest load", "12A");
  private static final Input<Current> WORK = Inputs.current("I", "of that load in work", "3A");

  private static final Input<Measure> PULL =
      Inputs.apparent("Spull", "apparent power of the hungriest coil while it pulls in", "70VA");
  private static final Input<Measure> HOLD =
      Inputs.measure(
          "Shold",
          "apparent power of all that is on beside it",
          Measure.Unit.APPARENT_POWER,
          0,
          1e6,
          "32VA");
  private static final Input<Measure> RATED =
      Inputs.apparent("Sn", "rated apparent power", "160VA");
  private static final Input<Percent> UK =
      Inputs.percent("uk", "short-circuit voltage of the transformer", 0.5, 30, "8%")
          .usually("8 %");
  private static final Input<Percent> FALL =
      Inputs.percent(
              "dU", "fall that is allowed, 5.6 % where 0.85 is left at low mains", 0.5, 30, "5.6%")
          .usually("5.6 %");

  private static final Input<Energy> RETURNED =
      quantity("E", "energy of one stop", Kind.ENERGY, 1e-6, 1e8, "10 J");
  private static final Input<Duration> STOP =
      quantity("t", "time of the stop", Kind.DURATION, 1e-3, 1e4, "0.1s");
  private static final Input<Duration> CYCLE =
      quantity("cycle", "from stop to stop", Kind.DURATION, 1e-3, 1e6, "5s");
  private static final Input<Voltage> CLAMP =
      Inputs.voltage("Uclamp", "voltage at which the clamp acts", "55V");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "supplies-together",
              "Load of several supplies on one bus",
              "Imax, greatest load",
              given -> {
                var n = given.of(SUPPLIES);
                var each = given.of(EACH);
                return switch (given.of(PURPOSE)) {
                  case CAPACITY ->
                      given.answer(
                          "Imax",
                          "n · In · headroom, made to share",
                          each.times(n * given.of(HEADROOM).fraction()));
                  case REDUNDANCY ->
                      given.answer(
                          "Imax", "(n − 1) · In, behind diodes, one failed", each.times(n - 1));
                };
              },
              SUPPLIES,
              EACH,
              PURPOSE,
              HEADROOM),
          Calculator.of(
              "outputs-together",
              "Power of several outputs",
              "P, to be within the power of the supply",
              given ->
                  given.answer(
                      "P",
                      "Σ U · I",
                      new Power(given.of(RAILS).stream().mapToDouble(Rail::watts).sum())),
              RAILS),
          Calculator.of(
              "supply-start",
              "Peak of a supply while a load starts",
              "Ipeak, to be within its limit or boost",
              given -> {
                var start = given.of(START);
                var work = given.of(WORK);
                if (start.compareTo(work) < 0)
                  return Computed.missing("the starting current is below the current in work");
                return given.answer(
                    "Ipeak",
                    "Ib + Istart − I",
                    new Current(given.of(BUS).amperes() + start.amperes() - work.amperes()));
              },
              BUS,
              START,
              WORK),
          Calculator.of(
              "transformer-sag",
              "Sag of a control transformer while a coil pulls in",
              "dU, of its secondary voltage",
              given ->
                  given.answer(
                      "dU",
                      "uk · (Spull + Shold)/Sn",
                      CoilFormulas.sag(
                          given.of(UK), given.of(PULL), given.of(HOLD), given.of(RATED))),
              PULL,
              HOLD,
              RATED,
              UK),
          Calculator.of(
              "transformer-size",
              "Control transformer for coils",
              "Sn, least rated apparent power",
              given ->
                  given.answer(
                      "Sn",
                      "uk · (Spull + Shold)/dU",
                      CoilFormulas.transformer(
                          given.of(UK), given.of(PULL), given.of(HOLD), given.of(FALL))),
              PULL,
              HOLD,
              UK,
              FALL),
          Calculator.of(
              "bus-clamp",
              "Clamp of a bus",
              "R, greatest",
              given -> {
                var energy = given.of(RETURNED);
                var stop = given.of(STOP);
                var cycle = given.of(CYCLE);
                if (cycle.compareTo(stop) < 0)
                  return Computed.missing("a stop takes longer than its cycle");
                var clamp = given.of(CLAMP);
                var peak =
                    given.step(
                        "Ppeak",
                        "2 · E/t, at the start of the stop",
                        MovingEnergy.peak(energy, stop));
                given.step(
                    "P", "2 · E/cycle, rating of the resistor", MovingEnergy.peak(energy, cycle));
                return given.answer("R", "Uclamp²/Ppeak", MovingEnergy.resistor(clamp, peak));
              },
              RETURNED,
              STOP,
              CYCLE,
              CLAMP));

  private SupplyCalculators() {}
}
