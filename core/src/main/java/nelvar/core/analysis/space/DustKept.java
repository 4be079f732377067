package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Air that a fan draws in where there is dust comes through a filter and not from the floor; where
/// the dust conducts no air is drawn in at all; on an open shelf dust settles on what is live
/// (common practice, no published source). Whether dust that burns makes the place a hazardous area
/// is for whoever is licensed to judge.
public final class DustKept implements Rule {
  private static final Reason DRAWN = Reason.of("A fan draws dust in");
  private static final Reason SETTLES = Reason.of("Dust settles on what is live");

  @Override
  public String id() {
    return "space.dust";
  }

  @Override
  public String asks() {
    return "No dust is drawn in, and none settles on what is live.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var dust = study.project().brief().surroundings().dust();
    var fans =
        Placed.each(
            this,
            study,
            body -> AirPath.blows(body) && body.fitting().moves().isPresent(),
            placed -> fan(placed, dust));
    var shelves =
        study.project().layout().cabinets().stream()
            .filter(cabinet -> !cabinet.shell().closed())
            .flatMap(Contained.one(this, Cabinet::id, cabinet -> shelf(cabinet, study, dust)));
    return Stream.concat(fans, shelves);
  }

  private static Verdict fan(Placed placed, Optional<Brief.Dust> dust) {
    var fan = placed.body();
    var low = fan.surface() == Surface.BOTTOM;
    var w = Working.of("Dust at " + fan.name());
    w.given("dust", dust.map(Brief.Dust::words).orElse("not said"), "around, in the Brief");
    w.given("filter", fan.fitting().filtered() ? "of its own" : "none", fan.part().name());
    w.given(
        "draws in", low ? "from the floor" : "through the " + fan.surface().words(), "as placed");
    var trail = w.explain(fan.name()).trail();
    if (dust.isEmpty())
      return new Verdict.NotChecked(
          fan.id(), "whether the air around carries dust is not said (Brief)");
    var what = dust.get();
    var bad =
        switch (what) {
          case NONE -> false;
          case CONDUCTIVE -> true;
          case COMBUSTIBLE, OTHER -> low || !fan.fitting().filtered();
        };
    if (!bad) return new Verdict.Pass(fan.id(), trail);
    return new Verdict.Finding(
        fan.id(),
        Severity.WARNING,
        DRAWN,
        text(fan, what, low),
        trail,
        what == Brief.Dust.CONDUCTIVE ? List.of() : ways(placed, low));
  }

  private static String text(Body fan, Brief.Dust what, boolean low) {
    if (what == Brief.Dust.CONDUCTIVE)
      return "%s blows air with dust that conducts into the cabinet: it bridges what is live, through a filter too. Carry the heat off without that air: an exchanger, a sink through the wall, a larger cabinet."
          .formatted(fan.name());
    var danger =
        what == Brief.Dust.COMBUSTIBLE
            ? " Dust that burns lies on what is warm; whether the place is a hazardous area is for whoever is licensed to judge."
            : "";
    return (low
                ? "%s draws in what is swept up from the floor: its filter clogs. Put it in a wall, away from where dust is made."
                : "%s has no filter and blows dust into the cabinet, onto terminals and heat sinks. Take one with a filter, away from where dust is made.")
            .formatted(fan.name())
        + danger;
  }

  private static List<Repair> ways(Placed placed, boolean low) {
    var fan = placed.body();
    var device = fan.device();
    if (device.isEmpty()) return List.of();
    var moved = low ? inWall(placed) : Optional.<Edit>empty();
    if (low && moved.isEmpty()) return List.of();
    if (fan.fitting().filtered()) return moved.map(Repair::of).stream().toList();
    return placed.study().catalogue().all().stream()
        .filter(part -> replaces(part, fan))
        .filter(part -> part.article().fitting().filter(Fitting::filtered).isPresent())
        .sorted(java.util.Comparator.comparingDouble(DustKept::moves).thenComparing(Part::id))
        .map(part -> {
          var swap = Edits.swap(device.get(), part);
          return Repair.of(
              moved
                  .map(to -> swap.then(to).named("%s, with a filter".formatted(to.label())))
                  .orElse(swap));
        })
        .filter(repair -> stands(repair, placed))
        .limit(1)
        .toList();
  }

  /// Low in a side wall, with nothing before it.
  private static Optional<Edit> inWall(Placed placed) {
    var fan = placed.body();
    var cabinet = placed.cabinet();
    if (fan.device().isEmpty() || fan.at().stays()) return Optional.empty();
    for (var wall : List.of(Surface.RIGHT, Surface.LEFT)) {
      var room = Fits.surface(cabinet, wall);
      var there =
          Bodies.body(
                  fan.at()
                      .movedTo(
                          wall,
                          Box.length((room.width() - fan.box().width()) / 2),
                          Box.length(room.height() - fan.box().height() - AROUND)),
                  placed.study())
              .flatMap(body ->
                  FreePlace.near(
                      body,
                      cabinet,
                      placed.fits(),
                      b -> AirPath.clear(b, cabinet, Bodies.of(placed.study()).in(cabinet))));
      if (there.isPresent())
        return Optional.of(
            LayoutEdits.place(fan.device().get(), there.get().at())
                .named("Put %s in the %s".formatted(fan.name(), wall.words())));
    }
    return Optional.empty();
  }

  private static final double AROUND = 60;

  /// Alike in what feeds it, and moving no less.
  private static boolean replaces(Part part, Body fan) {
    return part.getClass().equals(fan.part().getClass())
        && part.terminals().equals(fan.part().terminals())
        && accepts(part, fan.part())
        && moves(part) >= 0.9 * moves(fan.part());
  }

  /// Made for the same nominal voltage: the middle of what each accepts is good for the other.
  private static boolean accepts(Part one, Part other) {
    var a = one.intakes(Linkage.STAR);
    var b = other.intakes(Linkage.STAR);
    return a.size() == 1
        && b.size() == 1
        && a.getFirst().accepts().contains(middle(b.getFirst().accepts()))
        && b.getFirst().accepts().contains(middle(a.getFirst().accepts()));
  }

  private static Voltage middle(VoltageRange range) {
    return new Voltage((range.least().volts() + range.greatest().volts()) / 2);
  }

  private static double moves(Part part) {
    return part.article().fitting().flatMap(Fitting::moves).map(flow -> flow.value()).orElse(0.0);
  }

  /// In the place of the old one it collides with nothing.
  private static boolean stands(Repair repair, Placed placed) {
    var next = placed.study().tried(repair.edit().apply(placed.study().project()));
    return new Collision()
        .check(next)
        .noneMatch(v ->
            v instanceof Verdict.Finding found && found.subject().concerns(placed.body().id()));
  }

  private static Verdict shelf(Cabinet cabinet, Study study, Optional<Brief.Dust> dust) {
    if (dust.isEmpty())
      return new Verdict.NotChecked(
          cabinet.id(), "whether the air around carries dust is not said (Brief)");
    var w = Working.of("Dust on " + cabinet.name());
    w.given("dust", dust.get().words(), "around, in the Brief");
    w.given("walls", cabinet.shell().housing().words(), "of " + cabinet.name());
    var trail = w.explain(cabinet.name()).trail();
    var open = !Bodies.of(study).in(cabinet).isEmpty();
    if (dust.get() == Brief.Dust.NONE || !open) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        dust.get() == Brief.Dust.OTHER ? Severity.ADVICE : Severity.WARNING,
        SETTLES,
        "On %s dust settles on terminals and boards; damp dust conducts. Close it in, and let what gets warm in it be cooled without that air."
            .formatted(cabinet.name()),
        trail,
        List.of());
  }
}
