package nelvar.core.analysis.sizing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.FaultHeating;
import nelvar.core.model.Conductor;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Fault;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.FuseLink;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Measure;

/// A wire survives the short circuit its device has to open: the energy let through does not heat
/// it beyond what its insulation stands.
///
/// `I²t ≤ k² · S²`: k in A·s½/mm² (PVC 115, cross-linked 143, North American 104.5), S in mm². I²t
/// at the greatest fault current at the device: a breaker lets through no more than its
/// energy-limiting class and no more than Ik² over one period (assumed); a gG fuse its greatest
/// pre-arcing energy (arcing adds to it where the fault is far above its rating; not counted), or
/// Ik² times its melting time. Protective conductors are judged by their own rule. Demand: IEC
/// 60364-4-43:2008, 434.5.2 (unchecked).
public final class WithstandsFault implements Rule {
  private static final Reason BURNS_BEFORE_ITS_DEVICE_OPENS =
      Reason.of("Burns before its device opens");

  private static final Citation DEMAND = Citation.recalled("IEC 60364-4-43:2008", "434.5.2");
  private static final Citation AMERICAN = Citation.recalled("NEC 2023 (NFPA 70)", "110.10");

  /// Times its rating from which a North American fuse limits (common practice).
  private static final double LIMITS_FROM = 20;

  /// Of 50 Hz.
  private static final double PERIOD = 0.02;

  @Override
  public String id() {
    return "sizing.short-circuit-heat";
  }

  @Override
  public String asks() {
    return "Every wire survives the short circuit its device opens: I²t ≤ k²S².";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(wire -> wire.carriesWork() && !wire.plugged())
        .flatMap(
            Contained.many(
                this,
                wire -> wire.id(),
                wire ->
                    study.circuit(wire).flatMap(circuit -> circuit.protection()).stream()
                        .map(protection -> judge(wire, protection, study))));
  }

  private static Verdict judge(Conductor wire, Feed.Protector protection, Study study) {
    if (wire.section().isEmpty())
      return new Verdict.NotChecked(
          wire.id(),
          wire.sized()
              ? "its section is not chosen yet"
              : "the section of this lead is not said; its data sheet has it");
    if (protection.protection() instanceof ProtectiveDevice.Electronic)
      return new Verdict.Pass(
          wire.id(),
          Working.of("Short circuit").explain("an electronic channel limits it").trail());
    var fault = at(protection, study);
    if (fault.isEmpty())
      return new Verdict.NotChecked(
          wire.id(),
          "the short-circuit current at " + protection.device().designation() + " is not known");
    var w = Working.of("Heat of a short circuit in " + wire.label());
    var ik =
        w.given(
            "Ik",
            fault.get().current(),
            () ->
                "greatest, at "
                    + protection.device().designation()
                    + " "
                    + protection.protection());
    var energy = energy(w, protection, ik, fault.get().alternating(), study);
    var k = w.table("k", Schools.adiabatic(study), "insulation by the Brief");
    var s = w.given("S", wire.section().get(), wire.label().text());
    var stands = w.result("k²S²", "k² · S²", FaultHeating.energy(k.value(), s));
    var judged =
        Explained.atMost(
            new Explained<>(energy, w.explain(energy).trail()),
            "I²t",
            stands,
            Schools.demand(study, DEMAND, AMERICAN));
    if (judged.holds()) return new Verdict.Pass(wire.id(), judged.trail());
    var least = FaultHeating.leastSection(energy.value(), k.value()).value();
    var repairs =
        Schools.sizes(study).stream()
            .filter(size ->
                wire.sized()
                    && size.squareMillimetres() >= least
                    && Sections.available(wire, size, study))
            .findFirst()
            .map((CrossSection size) -> Repair.of(Sections.change(wire, size, study)))
            .stream()
            .toList();
    return new Verdict.Finding(
        wire.id(),
        Severity.ERROR,
        BURNS_BEFORE_ITS_DEVICE_OPENS,
        "%s (%s) stands %s; at a short %s lets %s through. Take %sa device that lets less through."
            .formatted(
                wire.label(),
                s,
                stands,
                protection.device().designation(),
                energy,
                wire.sized() ? "a thicker wire, or " : ""),
        judged.trail(),
        List.copyOf(repairs));
  }

  /// The least section, mm², that survives a short behind `protective device` with `next` in its
  /// place; zero where nothing is known, or electronics limit it.
  public static double least(Feed.Protector protection, ProtectiveDevice next, Study study) {
    if (next instanceof ProtectiveDevice.Electronic) return 0;
    return at(protection, study)
        .map(fault -> {
          var w = Working.of("Heat of a short circuit");
          var energy =
              energy(
                  w,
                  new Feed.Protector(protection.device(), next),
                  fault.current(),
                  fault.alternating(),
                  study);
          return FaultHeating.leastSection(energy.value(), Schools.adiabatic(study).value().value())
              .value();
        })
        .orElse(0.0);
  }

  /// The greatest fault where the protective device stands; one answer for all its wires.
  private static Optional<Fault.Prospective> at(Feed.Protector protection, Study study) {
    return study.once(
        List.of("fault at", protection.device().id()),
        () ->
            Optional.ofNullable(
                    study.once(WithstandsFault.class, () -> nearest(study)).get(protection))
                .flatMap(feed -> atInput(protection, feed, study)));
  }

  /// Of each protective device the first feed it is the nearest of.
  private static Map<Feed.Protector, Feed> nearest(Study study) {
    var first = new HashMap<Feed.Protector, Feed>();
    for (var feed : study.network().feeds())
      if (!feed.lineWays().isEmpty())
        study
            .network()
            .protection(feed.lineWays().getFirst())
            .ifPresent(protection -> first.putIfAbsent(protection, feed));
    return first;
  }

  /// Between the protective device's own terminal and the way back of what it feeds, at the source.
  private static Optional<Fault.Prospective> atInput(
      Feed.Protector protection, Feed feed, Study study) {
    var pole =
        study.part(protection.device()).stream()
            .flatMap(part -> part.links().stream())
            .filter(link -> link.protection().isPresent())
            .findFirst();
    if (pole.isEmpty() || feed.source().isEmpty()) return Optional.empty();
    var a = new TerminalRef(protection.device().id(), pole.get().a());
    var source = feed.source().get();
    return source.terminals().stream()
        .flatMap(end -> study.greatestFault().between(a, end).stream())
        .max(java.util.Comparator.comparing(Fault.Prospective::current));
  }

  private static Measure energy(
      Working w, Feed.Protector protection, Current ik, boolean alternating, Study study) {
    var band = study.project().brief().policies().magneticBand(alternating);
    return switch (protection.protection()) {
      case ProtectiveDevice.Breaker(var rating, var curve) -> {
        var curveTime =
            TripTime.latest(protection.protection(), ik, band).map(t -> t.seconds()).orElse(5.0);
        var time = curveTime > 0.1 ? Math.min(curveTime, 5) : PERIOD;
        if (time == PERIOD)
          w.assumed(
              "t",
              new Duration(PERIOD),
              "an instantaneous trip is through within a period; the standard itself promises 0.1 s");
        var byTime = joule(ik.amperes() * ik.amperes() * time);
        w.result("Ik²·t", "Ik² · t, t by its curve, at most 5 s", byTime);
        var capacity =
            study.part(protection.device()).orElse(null) instanceof CircuitBreaker
                ? Stream.of(3000.0, 6000.0, 10000.0)
                    .filter(row -> row >= ik.amperes())
                    .findFirst()
                    .map(Current::new)
                : Optional.<Current>empty();
        var limited =
            alternating
                ? capacity.flatMap(row -> curve.letThrough(rating, row))
                : Optional.<nelvar.core.trail.Cited<Measure>>empty();
        if (limited.isEmpty() || time > PERIOD) yield w.result("I²t", "Ik² · t", byTime);
        var table = w.table("I²tmax", limited.get(), "energy-limiting class 3, at this current");
        yield w.result("I²t", "the less of both", table.compareTo(byTime) < 0 ? table : byTime);
      }
      case ProtectiveDevice.Fuse(var rating, var fuse) -> {
        var time =
            TripTime.latest(protection.protection(), ik, band).map(t -> t.seconds()).orElse(5.0);
        var byTime = joule(ik.amperes() * ik.amperes() * Math.min(time, 5));
        var limited = fuse.letThrough(rating);
        if (limited.isPresent() && ik.amperes() >= LIMITS_FROM * rating.amperes())
          yield w.table("I²t", limited.get(), "class " + fuse.sign() + ", greatest let-through");
        var melts =
            fuse == FuseClass.GG
                ? FuseLink.preArcing(rating, true)
                : Optional.<nelvar.core.trail.Cited<Measure>>empty();
        if (melts.isEmpty() || time > 0.1) yield w.result("I²t", "Ik² · t of its curve", byTime);
        yield w.table("I²t", melts.get(), "greatest pre-arcing energy");
      }
      case ProtectiveDevice.MotorSwitch _ -> {
        var time =
            TripTime.latest(protection.protection(), ik, band).map(t -> t.seconds()).orElse(5.0);
        yield w.result(
            "I²t",
            "Ik² · t, one period where it trips at once",
            joule(ik.amperes() * ik.amperes() * (time > 0.1 ? Math.min(time, 5) : PERIOD)));
      }
      case ProtectiveDevice.Electronic _ -> joule(0);
    };
  }

  private static Measure joule(double value) {
    return new Measure(Math.min(value, 1e11), Measure.Unit.JOULE_INTEGRAL);
  }
}
