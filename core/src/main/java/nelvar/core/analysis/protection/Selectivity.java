package nelvar.core.analysis.protection;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.FuseLink;
import nelvar.core.standards.TimeCurrent;
import nelvar.core.standards.TripCurve;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;

/// Of two devices in series only the one nearer the fault opens.
///
/// Fuses: the ratio of their ratings reaches 1.6, two steps of the series (from 1.56). A breaker
/// ahead of anything: selective up to the lower end of its own magnetic band, where no maker's
/// table says more; the greatest fault behind the nearer device decides. A fuse ahead of a breaker:
/// what the breaker lets through at that fault, by its energy-limiting class and no more than Ik²
/// over half a period (assumed), stays below the fuse's least pre-arcing energy. In the slow part
/// the curves must not cross: at no current may the device ahead be the quicker, earliest against
/// earliest and latest against latest.
///
/// Common practice; IEC 60204-1 leaves it to the builder.
public final class Selectivity implements Rule {
  private static final Reason BOTH_DEVICES_MAY_OPEN = Reason.of("Both devices may open");

  private static final Citation SERIES = Citation.recalled("IEC 60269-2", "5.7");
  private static final double TWO_STEPS = 1.56;

  /// Points of the curves that are compared, evenly on log paper.
  private static final int STEPS = 60;

  /// Short-circuit capacities with a let-through of their own, A.
  private static final List<Double> CLASSES = List.of(3000.0, 6000.0, 10_000.0);

  /// Of 50 Hz, s.
  private static final double HALF_PERIOD = 0.01;

  @Override
  public String id() {
    return "protection.selectivity";
  }

  @Override
  public String asks() {
    return "Of two protective devices in series only the one nearer the fault opens.";
  }

  private record Pair(Feed.Protector up, Feed.Protector down) {}

  @Override
  public Stream<Verdict> check(Study study) {
    var pairs = new LinkedHashMap<Pair, ProtectionChain>();
    for (var chain : ProtectionChain.inSeries(study))
      for (var i = 0; i + 1 < chain.protectors().size(); i++)
        pairs.putIfAbsent(
            new Pair(chain.protectors().get(i + 1), chain.protectors().get(i)), chain);
    return pairs.entrySet().stream()
        .flatMap(
            Contained.one(
                this, e -> e.getKey().down().device().id(), e -> judge(e.getKey(), e.getValue())));
  }

  private static Verdict judge(Pair pair, ProtectionChain chain) {
    var id = pair.down().device().id();
    var w =
        Working.of(
            "%s ahead of %s"
                .formatted(pair.up().device().designation(), pair.down().device().designation()));
    w.given("up", pair.up().protection(), pair.up().device().designation().text());
    w.given("down", pair.down().protection(), pair.down().device().designation().text());
    var verdict =
        judge(
            w,
            pair.up().protection(),
            pair.down().protection(),
            chain.greatest(),
            chain.magneticBand());
    if (verdict.isEmpty())
      return new Verdict.NotChecked(
          id, "no rule is known for %s ahead of it".formatted(pair.up().protection()));
    if (verdict.get().holds()) return new Verdict.Pass(id, verdict.get().trail());
    return new Verdict.Finding(
        id,
        Severity.ADVICE,
        BOTH_DEVICES_MAY_OPEN,
        "On a short behind %s (%s) %s (%s) may open as well and stop more than it must. %s"
            .formatted(
                pair.down().device().designation(),
                pair.down().protection(),
                pair.up().device().designation(),
                pair.up().protection(),
                verdict.get().remedy()),
        verdict.get().trail(),
        List.of());
  }

  /// @param remedy what would part them, as a sentence
  public record Judgement(boolean holds, Trail trail, String remedy) {}

  /// Whether only `down` opens on a short behind it.
  ///
  /// @param greatest fault behind `down`
  /// @param band how many times the magnetic band counts, 1 on alternating current
  /// @return empty where no rule is known for the pair
  public static Optional<Judgement> judge(
      Working w,
      ProtectiveDevice up,
      ProtectiveDevice down,
      Optional<Current> greatest,
      double band) {
    if (down instanceof ProtectiveDevice.Electronic)
      return Optional.of(new Judgement(true, w.explain("electronics open first").trail(), ""));
    return switch (up) {
      case ProtectiveDevice.Fuse(var rating, var fuse)
          when down instanceof ProtectiveDevice.Fuse(var near, var other)
              && fuse == FuseClass.GG
              && other == FuseClass.GG ->
          ratio(w, rating, near);
      case ProtectiveDevice.Fuse(var rating, var fuse)
          when down instanceof ProtectiveDevice.Breaker(var near, var curve)
              && fuse == FuseClass.GG ->
          curves(w, up, down, curve.trips(near).value().times(band), band)
              .or(() -> energy(w, rating, near, curve, greatest));
      case ProtectiveDevice.Breaker(var rating, var curve) -> {
        var holds = curve.holds(rating).value().times(band);
        yield curves(w, up, down, holds, band).or(() -> magnetic(w, holds, greatest));
      }
      case ProtectiveDevice.MotorSwitch(_, var rating, _) -> {
        var holds = TimeCurrent.motorSwitchHolds(rating).times(band);
        yield curves(w, up, down, holds, band).or(() -> magnetic(w, holds, greatest));
      }
      case ProtectiveDevice.Fuse _, ProtectiveDevice.Electronic _ -> Optional.empty();
    };
  }

  private static Optional<Judgement> ratio(Working w, Current up, Current down) {
    var ratio = w.result("ratio", "up/down", up.amperes() / down.amperes());
    w.table(
        "least",
        new nelvar.core.trail.Cited<>("1.56 (two steps, nominally 1.6)", SERIES),
        "gG ahead of gG");
    return Optional.of(
        new Judgement(
            ratio >= TWO_STEPS,
            w.explain(ratio).trail(),
            "Take a fuse two steps larger ahead, or two steps smaller here."));
  }

  /// A judgement only where the curves cross in their slow part, below `fast`.
  private static Optional<Judgement> curves(
      Working w, ProtectiveDevice up, ProtectiveDevice down, Current fast, double band) {
    var from = 1.2 * down.rating().amperes();
    for (var i = 0; i <= STEPS && from < fast.amperes(); i++) {
      var at = new Current(from * Math.pow(0.999 * fast.amperes() / from, (double) i / STEPS));
      var late = quicker(TripTime.latest(up, at, band), TripTime.latest(down, at, band));
      if (!late && !quicker(TripTime.earliest(up, at, band), TripTime.earliest(down, at, band)))
        continue;
      w.given(
          "Icross",
          at,
          "here the device ahead is the quicker, by its " + (late ? "latest" : "earliest"));
      return Optional.of(
          new Judgement(
              false,
              w.explain(at).trail(),
              "On an overload of %s the one ahead is the quicker: take a larger or slower one ahead."
                  .formatted(at)));
    }
    w.given("curves", "do not cross", "in their slow part, up to " + fast);
    return Optional.empty();
  }

  private static boolean quicker(
      Optional<nelvar.core.units.Duration> up, Optional<nelvar.core.units.Duration> down) {
    return up.isPresent() && (down.isEmpty() || up.get().compareTo(down.get()) < 0);
  }

  private static Optional<Judgement> energy(
      Working w, Current up, Current down, TripCurve curve, Optional<Current> greatest) {
    var melts = FuseLink.preArcing(up, false);
    if (melts.isEmpty()) return Optional.empty();
    var least = w.table("I²tup", melts.get(), "least pre-arcing energy of up");
    var ik = greatest.map(Current::amperes).orElse(CLASSES.getFirst());
    var lets =
        CLASSES.stream()
            .filter(capacity -> ik <= capacity)
            .findFirst()
            .flatMap(capacity -> curve.letThrough(down, new Current(capacity)));
    lets.ifPresent(cited -> w.table("I²tclass", cited, "class 3, at this fault or more"));
    greatest.ifPresent(current -> w.given("Ik", current, "greatest fault behind down"));
    if (lets.isEmpty() && greatest.isEmpty()) return Optional.empty();
    var over = greatest.isEmpty() ? Double.POSITIVE_INFINITY : ik * ik * HALF_PERIOD;
    var most =
        w.result(
            "I²tdown",
            lets.isEmpty() ? "Ik² · 10 ms" : "min(I²tclass, Ik² · 10 ms)",
            new Measure(
                Math.min(lets.map(c -> c.value().value()).orElse(over), over),
                Measure.Unit.JOULE_INTEGRAL));
    return Optional.of(
        new Judgement(
            most.compareTo(least) <= 0,
            w.explain(most).trail(),
            "Take a larger fuse ahead, where its wires allow."));
  }

  private static Optional<Judgement> magnetic(
      Working w, Current holds, Optional<Current> greatest) {
    if (greatest.isEmpty()) return Optional.empty();
    w.given("Ihold", holds, "up lets pass without opening at once");
    var ik = w.given("Ik", greatest.get(), "greatest fault behind down");
    var judged = Explained.atMost(w.explain(ik), "Ik", holds, Citation.practice());
    return Optional.of(
        new Judgement(
            judged.holds(),
            judged.trail(),
            "A fuse ahead, or a breaker with a later magnetic trip, parts them; or accept it."));
  }
}
