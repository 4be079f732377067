package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.Disconnector;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.Edge;
import nelvar.core.standards.AmericanDevices;
import nelvar.core.standards.AmericanDevices.Component;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// North American: the short-circuit current rating of the whole panel, the lowest of what stands
/// in the power path, reaches the short-circuit current at the inlet.
///
/// Marked components count with their rating, unmarked ones with the standard's default. What a
/// current-limiting device ahead could raise is not counted. Demand: UL 508A:2018, SB4 (unchecked).
public final class PanelRating implements Rule {
  private static final Reason THE_PANEL_MAY_BURST_ON_A_SHORT =
      Reason.of("The panel may burst on a short");

  private static final Citation DEMAND = Citation.recalled("UL 508A:2018", "SB4.2");

  @Override
  public String id() {
    return "protection.panel-rating";
  }

  @Override
  public String asks() {
    return "The panel stands the short-circuit current at its inlet (North American school).";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var inlet = InletLoad.inlet(study);
    if (!Schools.american(study) || inlet.isEmpty()) return Stream.empty();
    var id = inlet.get().device().id();
    var prospective = study.project().brief().supply().prospectiveShortCircuitCurrent();
    if (prospective.isEmpty())
      return Stream.of(
          new Verdict.NotChecked(id, "the short-circuit current at the inlet is not known"));
    var w = Working.of("Short-circuit current rating of the panel");
    Device weakest = null;
    Current least = null;
    for (var device : inPath(study)) {
      var rated = study.part(device).flatMap(PanelRating::rating);
      if (rated.isEmpty()) continue;
      if (least == null || rated.get().value().compareTo(least) < 0) {
        least = rated.get().value();
        weakest = device;
      }
    }
    if (weakest == null || least == null) return Stream.empty();
    var cited = study.part(weakest).flatMap(PanelRating::rating).orElseThrow();
    var rating = w.table("SCCR", cited, weakest.designation() + ", the lowest in the power path");
    var judged = Explained.atLeast(w.explain(rating), "SCCR", prospective.get(), DEMAND);
    return Stream.of(
        judged.holds()
            ? new Verdict.Pass(id, judged.trail())
            : new Verdict.Finding(
                id,
                Severity.ERROR,
                THE_PANEL_MAY_BURST_ON_A_SHORT,
                "%s can flow at the inlet; the panel stands %s, because of %s. Take parts with a marked rating, or a current-limiting fuse ahead whose combination is listed."
                    .formatted(prospective.get(), rating, weakest.designation()),
                judged.trail(),
                java.util.List.of()));
  }

  /// What mains current flows through on its way to loads, loads that are drives included.
  private static java.util.List<Device> inPath(Study study) {
    var all = new java.util.LinkedHashSet<Device>();
    for (var feed : study.network().feeds()) {
      if (feed.source().isEmpty()
          || !(study.part(feed.source().get().device()).orElse(null) instanceof MainsInlet))
        continue;
      for (var way : feed.lineWays())
        for (var edge : way)
          if (study.network().topology().edge(edge) instanceof Edge.Through(var device, _))
            all.add(device);
      all.add(feed.device());
    }
    return new ArrayList<>(all);
  }

  private static Optional<Cited<Current>> rating(Part part) {
    var stated = part.shortCircuitCapacity();
    if (stated.isPresent()) return marked(stated.get());
    return switch (part) {
      case Contactor _ -> unmarked(Component.CONTACTOR_TO_50_HP);
      case Disconnector _ -> unmarked(Component.DISCONNECT_SWITCH);
      case DistributionBlock _ -> unmarked(Component.TERMINAL_BLOCK);
      case FrequencyConverter _ -> unmarked(Component.DRIVE_TO_50_HP);
      default -> Optional.empty();
    };
  }

  private static Optional<Cited<Current>> marked(Current rating) {
    return Optional.of(
        new Cited<>(rating, new Citation("the part's own data", "", Citation.Status.ASSUMED)));
  }

  private static Optional<Cited<Current>> unmarked(Component component) {
    return Optional.of(AmericanDevices.shortCircuitRating(component));
  }
}
