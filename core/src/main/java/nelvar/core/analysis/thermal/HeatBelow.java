package nelvar.core.analysis.thermal;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Placed;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;

/// What warms does not stand below what warm air hurts: a plume of more than 5 K at a controller or
/// a supply shortens its life (common practice: 10 K halve it, no published source here).
public final class HeatBelow implements Rule {
  private static final Reason BELOW = Reason.of("A heat maker stands below what heat hurts");

  /// A plume below this many kelvin is let be.
  public static final double LET_BE = 5;

  private static final double DELICATE = 56;

  @Override
  public String id() {
    return "thermal.heat-below";
  }

  @Override
  public String asks() {
    return "Heat makers do not stand below what heat hurts.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, HeatBelow::delicate, HeatBelow::judge);
  }

  /// Whether warm air hurts it: a controller or a supply that may not stand in more than 55 °C or
  /// gives less in warm air.
  public static boolean delicate(Part part) {
    return (low(part) && !part.drives()) || part.electronicSupply();
  }

  /// Whether it may not stand in more than 55 °C.
  public static boolean low(Part part) {
    return part.article()
        .fitting()
        .flatMap(Fitting::most)
        .filter(t -> t.celsius() < DELICATE)
        .isPresent();
  }

  private static boolean delicate(Body body) {
    return delicate(body.part());
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var air = CabinetAir.of(placed.cabinet(), placed.study());
    var w = Working.of("Plumes at " + body.name());
    var worst = worst(body, air, placed);
    w.given(
        "plume",
        new Measure(worst.map(Warmed::kelvin).orElse(0.0), Measure.Unit.TEMPERATURE_RISE),
        worst.map(one -> "above " + one.by().name()).orElse("nothing warms it"));
    w.given("let be", new Measure(LET_BE, Measure.Unit.TEMPERATURE_RISE), "common practice");
    var trail = w.explain(body.name()).trail();
    if (worst.filter(one -> one.kelvin() > LET_BE).isEmpty() || air.stirred())
      return new Verdict.Pass(body.id(), trail);
    var hot = worst.get().by();
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        BELOW,
        "%s stands in the warm air that rises from %s below it, %.0f K warmer: it derates and ages faster. Let the heat maker stand above or beside it."
            .formatted(body.name(), hot.name(), worst.get().kelvin()),
        trail,
        Stream.concat(
                placed.moved(there -> passes(there, air, placed)).stream(),
                placed.moved(hot, there -> spares(there, air, placed)).stream())
            .toList());
  }

  private record Warmed(Body by, double kelvin) {}

  private static Optional<Warmed> worst(Body body, CabinetAir air, Placed placed) {
    return nelvar.core.analysis.space.Bodies.of(placed.study()).in(placed.cabinet()).stream()
        .filter(hot -> !hot.later() && !hot.id().equals(body.id()))
        .filter(hot -> hot.surface() == body.surface())
        .flatMap(
            hot -> PartAir.plume(hot, watts(hot, air), body).map(k -> new Warmed(hot, k)).stream())
        .max(java.util.Comparator.comparingDouble(Warmed::kelvin));
  }

  private static double watts(Body hot, CabinetAir air) {
    return air.heat(hot.id()).map(h -> h.inside().watts()).orElse(0.0);
  }

  private static boolean passes(Body there, CabinetAir air, Placed placed) {
    return worst(there, air, placed).filter(one -> one.kelvin() > LET_BE).isEmpty();
  }

  /// Whether a heat maker hurts nothing at another place.
  private static boolean spares(Body hot, CabinetAir air, Placed placed) {
    return nelvar.core.analysis.space.Bodies.of(placed.study()).in(placed.cabinet()).stream()
        .filter(body -> !body.id().equals(hot.id()) && body.surface() == hot.surface())
        .filter(HeatBelow::delicate)
        .allMatch(
            body -> PartAir.plume(hot, watts(hot, air), body).filter(k -> k > LET_BE).isEmpty());
  }
}
