package nelvar.core.calc;

import static nelvar.core.calc.Input.number;
import static nelvar.core.calc.Input.quantity;
import static nelvar.core.calc.Input.read;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.protection.BreakerChoice;
import nelvar.core.analysis.protection.Selectivity;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.network.TripTime;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.TripCurve;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;

/// What any protective device does at a current, by the same curves as the engine and the chart
/// ([TripTime]).
final class ProtectionCalculators {
  private static final Input<ProtectiveDevice> DEVICE =
      device("device", "curve or class, and rating");
  private static final Input<ProtectiveDevice> UP = device("up", "device nearer the source");
  private static final Input<ProtectiveDevice> DOWN = device("down", "device nearer the load");
  private static final Input<Double> DIRECT =
      number(
              "dc",
              "1 for alternating current; 1.4 or 1.5 for direct current on a breaker",
              1,
              2,
              "1")
          .usually("1");
  private static final Input<Current> FAULT =
      Inputs.current("Ik", "greatest fault behind the nearer device", "600A");
  private static final Input<Current> PEAK = Inputs.current("Ipeak", "peak at switching on", "34A");
  private static final Input<Duration> LASTS =
      quantity("t", "how long it lasts", Kind.DURATION, 1e-5, 60, "1ms");

  static final List<Calculator> ALL =
      List.of(
          Calculator.of(
              "opening-time",
              "When a protective device opens",
              "t, between the earliest and the latest",
              ProtectionCalculators::opens,
              DEVICE,
              Inputs.I,
              DIRECT),
          Calculator.of(
              "stands-inrush",
              "A protective device at switching on",
              "whether it lets the inrush pass",
              ProtectionCalculators::stands,
              DEVICE,
              PEAK,
              LASTS),
          Calculator.of(
              "selectivity",
              "Two protective devices in series",
              "whether only the one nearer the load opens",
              ProtectionCalculators::selective,
              UP,
              DOWN,
              FAULT,
              DIRECT));

  private ProtectionCalculators() {}

  private static Input<ProtectiveDevice> device(String symbol, String meaning) {
    return read(
        symbol,
        meaning,
        "Z, B, C, D or K for a breaker, %s for a fuse, then amperes from 0.1 A to 1250 A"
            .formatted(
                String.join(", ", Arrays.stream(FuseClass.values()).map(FuseClass::sign).toList())),
        "C 16A",
        ProtectionCalculators::protection);
  }

  private static ProtectiveDevice protection(String text) {
    var parts = text.strip().split("\\s+", 2);
    if (parts.length == 1) {
      var digit = text.strip().replaceFirst("[0-9.,].*", "").length();
      parts = new String[] {text.strip().substring(0, digit), text.strip().substring(digit)};
    }
    if (parts[1].isBlank()) throw new ImpossibleQuantity("'" + text + "' lacks its amperes");
    var sign = parts[0];
    var rating = Input.read(parts[1].matches(".*[0-9]") ? parts[1] + " A" : parts[1], Kind.CURRENT);
    if (rating.amperes() < 0.1 || rating.amperes() > 1250)
      throw new ImpossibleQuantity("'" + text.strip() + "' is out of range");
    for (var curve : TripCurve.values())
      if (curve.name().equalsIgnoreCase(sign)) return new ProtectiveDevice.Breaker(rating, curve);
    for (var fuse : FuseClass.values())
      if (fuse.sign().equalsIgnoreCase(sign)) return new ProtectiveDevice.Fuse(rating, fuse);
    throw new ImpossibleQuantity("'" + sign + "' is no curve and no class");
  }

  private static Computed<?> opens(Given given) {
    var protection = given.of(DEVICE);
    var current = given.of(Inputs.I);
    var band = given.of(DIRECT);
    var earliest = TripTime.earliest(protection, current, band);
    var latest = TripTime.latest(protection, current, band);
    given.step("tmin", "earliest by its curve", text(earliest, "never"));
    given.step("tmax", "latest by its curve", text(latest, "need not open"));
    var notPromised = TripTime.notPromised(protection, current);
    if (notPromised.isPresent())
      return given.answer("t", "tmin to tmax", "not known: " + notPromised.get());
    return given.answer(
        "t",
        "tmin to tmax",
        earliest.isEmpty() && latest.isEmpty()
            ? "never: it carries this current for ever"
            : latest.isEmpty()
                ? "perhaps after %s, perhaps never".formatted(earliest.orElseThrow())
                : "after %s at the earliest, %s at the latest"
                    .formatted(text(earliest, "no time"), latest.get()));
  }

  private static String text(Optional<Duration> time, String none) {
    return time.map(Duration::toString).orElse(none);
  }

  private static Computed<?> stands(Given given) {
    var protection = given.of(DEVICE);
    if (protection instanceof ProtectiveDevice.Fuse(_, var fuse) && fuse == FuseClass.GR)
      return Computed.missing("the pre-arcing energy of a semiconductor fuse is its maker's");
    var surge = given.step("Ieff", "Ipeak/√2", BreakerChoice.effective(given.of(PEAK)));
    var lasts = given.of(LASTS);
    if (protection instanceof ProtectiveDevice.Breaker(var rating, var curve)) {
      var holds =
          given.sheet().table("Ihold", curve.holds(rating), protection + " still lets pass");
      if (surge.compareTo(holds) > 0)
        return given.answer(
            "stands",
            "Ieff ≤ Ihold",
            "no: %s flow, it lets %s pass for certain".formatted(surge, holds));
    }
    var opens = TripTime.earliest(protection, surge, TripTime.ALTERNATING);
    given.step("topen", "earliest by its curve", text(opens, "never"));
    return given.answer(
        "stands",
        "topen ≥ t, by its slow part too",
        opens.filter(time -> time.compareTo(lasts) < 0).isEmpty()
            ? "yes"
            : "no: it may open after " + opens.orElseThrow());
  }

  private static Computed<?> selective(Given given) {
    var up = given.of(UP);
    var down = given.of(DOWN);
    var judged =
        Selectivity.judge(given.sheet(), up, down, Optional.of(given.get(FAULT)), given.of(DIRECT));
    if (judged.isEmpty())
      return Computed.missing("no rule is known for %s ahead of %s".formatted(up, down));
    return given.answer(
        "selective",
        "by the last line",
        judged.get().holds() ? "yes" : "no: both may open. " + judged.get().remedy());
  }
}
