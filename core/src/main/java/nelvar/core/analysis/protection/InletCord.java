package nelvar.core.analysis.protection;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Connection;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// The cord before an inlet stands what the device before it lets through.
///
/// It counts as a cable in the open (method E), in the air around the cabinet. A device at its
/// other end, in the machine, protects it from overload just as well; from a short circuit the
/// device before it does. Demand: IEC 60364-4-43:2008, 433.1 and 433.2.2 (unchecked).
public final class InletCord implements Rule {
  private static final Reason A_CORD_TOO_THIN_FOR_WHAT_IS_BEFORE_IT =
      Reason.of("A cord too thin for what is before it");

  @Override
  public String id() {
    return "protection.cord";
  }

  @Override
  public String asks() {
    return "The cord before an inlet stands what the device before it lets through.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return InletLoad.inlets(study).stream()
        .filter(inlet -> inlet.device().connected().cord().isPresent())
        .flatMap(Contained.one(this, inlet -> inlet.device().id(), inlet -> judge(inlet, study)));
  }

  private static Verdict judge(Source inlet, Study study) {
    var id = inlet.device().id();
    var cord = inlet.device().connected().cord().orElseThrow();
    var ampacity =
        Ampacity.corrected(
            cord.section(),
            InstallationMethod.E,
            study.project().brief().surroundings().greatest(),
            1,
            inlet.terminals().size());
    return switch (ampacity) {
      case Computed.Missing<Current>(var why) -> new Verdict.NotChecked(id, why);
      case Computed.Known<Current>(var stands) -> {
        var w = Working.of("Cord before " + inlet.device().designation());
        var iz = w.use(stands);
        var before = w.given("In", inlet.output().rating(), "device before the inlet");
        var load = w.use(InletLoad.of(inlet, study));
        var own = devices(inlet, study);
        own.ifPresent(sum -> w.given("ΣIn", sum, "devices first behind it, in the machine"));
        var trail = w.explain(iz).trail();
        if (load.compareTo(iz) > 0)
          yield finding(
              inlet,
              cord,
              Severity.ERROR,
              "stands %s, and the machine takes %s".formatted(iz, load),
              trail);
        if (before.compareTo(iz) <= 0 || own.filter(sum -> sum.compareTo(iz) <= 0).isPresent())
          yield new Verdict.Pass(id, trail);
        yield finding(
            inlet,
            cord,
            Severity.WARNING,
            "stands %s, the device before it is rated %s, and no device of the machine opens before it is overloaded"
                .formatted(iz, before),
            trail);
      }
    };
  }

  private static Verdict finding(
      Source inlet,
      Connection.Cord cord,
      Severity severity,
      String what,
      nelvar.core.trail.Trail trail) {
    return new Verdict.Finding(
        inlet.device().id(),
        severity,
        A_CORD_TOO_THIN_FOR_WHAT_IS_BEFORE_IT,
        "The cord of %s before %s %s. Take a thicker cord, or a main device of the machine that protects it."
            .formatted(cord.section(), inlet.device().designation(), what),
        trail,
        List.of());
  }

  /// The ratings of the devices that come first behind an inlet, together; empty where a load has
  /// none on one of its lines.
  private static Optional<Current> devices(Source inlet, Study study) {
    var first = new LinkedHashMap<Feed.Protector, Current>();
    for (var feed : study.currents().served(inlet))
      for (var way : feed.lineWays()) {
        var protection =
            way.stream()
                .map(edge -> study.network().topology().edge(edge))
                .flatMap(InletCord::protector)
                .findFirst();
        if (protection.isEmpty()) return Optional.empty();
        first.put(protection.get(), protection.get().protection().rating());
      }
    return first.values().stream().reduce(Current::plus);
  }

  private static Stream<Feed.Protector> protector(Edge edge) {
    return edge instanceof Edge.Through(var device, var link)
        ? link.protection().stream()
            .filter(protection -> !(protection instanceof ProtectiveDevice.Electronic))
            .map(protection -> new Feed.Protector(device, protection))
        : Stream.empty();
  }
}
