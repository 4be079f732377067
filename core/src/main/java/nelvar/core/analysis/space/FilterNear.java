package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.network.Edge;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// A mains filter stands beside the drive it filters, flat on the bare plate: a long wire between
/// them radiates what the filter was to keep in, and its case is its return.
///
/// 200 mm from edge to edge at most (common practice, no published source).
public final class FilterNear implements Rule {
  private static final Reason FAR = Reason.of("A filter stands far from the drive it filters");

  /// From edge to edge, mm.
  public static final double NEAR = 200;

  @Override
  public String id() {
    return "space.filter-near";
  }

  @Override
  public String asks() {
    return "Mains filters stand beside the drives they filter.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .flatMap(cabinet ->
            Bodies.of(study).in(cabinet).stream()
                .filter(body -> !body.later() && body.part().filtersMains())
                .flatMap(Contained.one(this, Body::id, body -> judge(body, cabinet, study))));
  }

  /// The drives on the mains that are fed through a filter.
  public static List<Id> served(Device filter, Study study) {
    var topology = study.network().topology();
    var all = new ArrayList<Id>();
    for (var feed : study.network().feeds()) {
      if (study.part(feed.device()).filter(part -> part.drives()).isEmpty()) continue;
      var through =
          feed.lineWays().stream()
              .flatMap(List::stream)
              .anyMatch(edge ->
                  topology.edge(edge) instanceof Edge.Through(var device, var _)
                      && device.id().equals(filter.id()));
      if (through && !all.contains(feed.device().id())) all.add(feed.device().id());
    }
    return all;
  }

  private static Verdict judge(Body filter, Cabinet cabinet, Study study) {
    var w = Working.of("Place of " + filter.name());
    var drives = drives(filter.device().orElseThrow(), cabinet, study);
    if (drives.isEmpty())
      return new Verdict.NotChecked(
          filter.id(), "no drive that it filters is placed in the same cabinet");
    var least = drives.stream().mapToDouble(drive -> drive.box().gap(filter.box())).min().orElse(0);
    w.given("gap", Length.ofMillimetres(least), "to the nearest drive it filters");
    w.given("at most", Length.ofMillimetres(NEAR), "common practice");
    var trail = w.explain(least).trail();
    if (least <= NEAR && filter.surface() == Surface.PLATE)
      return new Verdict.Pass(filter.id(), trail);
    return new Verdict.Finding(
        filter.id(),
        Severity.WARNING,
        FAR,
        "%s is %.0f mm away from %s, the nearest drive it filters: the wire between them radiates what the filter keeps from the mains. Mount it beside the drive, flat on the bare plate."
            .formatted(filter.name(), least, nearest(drives, filter).name()),
        trail,
        nearer(filter, drives, cabinet, study)
            .map(there -> Repair.of(mount(filter.device().orElseThrow(), there, drives)))
            .map(List::of)
            .orElse(List.of()));
  }

  /// What mounts it beside the nearest drive that it filters; empty where it stands there, or no
  /// place is free.
  public static Optional<Edit> beside(Device filter, Study study) {
    for (var cabinet : study.project().layout().cabinets()) {
      var body = Bodies.of(study).in(cabinet, filter.id());
      if (body.isEmpty()) continue;
      var drives = drives(filter, cabinet, study);
      if (drives.isEmpty() || nearest(drives, body.get()).box().gap(body.get().box()) <= NEAR)
        return Optional.empty();
      return nearer(body.get(), drives, cabinet, study).map(there -> mount(filter, there, drives));
    }
    return Optional.empty();
  }

  /// What mounts one that is not yet beside a drive that is; empty where no place is free.
  public static Optional<Edit> free(Device filter, Device drive, Study study) {
    return Bodies.of(study)
        .of(drive.id())
        .filter(there -> there.surface() == Surface.PLATE)
        .flatMap(_ -> Beside.mounted(filter, drive, NEAR, study));
  }

  private static Edit mount(Device filter, Body there, List<Body> drives) {
    return LayoutEdits.place(filter, there.at())
        .named("Mount %s beside %s".formatted(there.name(), nearest(drives, there).name()));
  }

  private static List<Body> drives(Device filter, Cabinet cabinet, Study study) {
    return served(filter, study).stream()
        .flatMap(id -> Bodies.of(study).of(id).stream())
        .filter(body -> body.at().cabinet().equals(cabinet.id()))
        .filter(body -> body.surface() == Surface.PLATE)
        .toList();
  }

  private static Body nearest(List<Body> drives, Body filter) {
    return drives.stream()
        .min(java.util.Comparator.comparingDouble(d -> d.box().gap(filter.box())))
        .orElseThrow();
  }

  private static Optional<Body> nearer(
      Body filter, List<Body> drives, Cabinet cabinet, Study study) {
    return FreePlace.near(
        filter,
        cabinet,
        study,
        there -> drives.stream().anyMatch(drive -> drive.box().gap(there.box()) <= NEAR));
  }
}
