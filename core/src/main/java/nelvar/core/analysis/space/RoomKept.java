package nelvar.core.analysis.space;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.edit.Edit;
import nelvar.core.trail.Working;
import nelvar.core.units.Percent;

/// A fifth of the room stays free for what comes later (common practice; the share is a policy of
/// many shops, no published source).
public final class RoomKept implements Rule {
  private static final Reason FULL = Reason.of("Little room is left for what comes later");
  public static final Percent KEPT = new Percent(20);

  @Override
  public String id() {
    return "space.room-kept";
  }

  @Override
  public String asks() {
    return "A fifth of the plate stays free.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .flatMap(Contained.one(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static Verdict judge(Cabinet cabinet, Study study) {
    var bodies = Bodies.of(study).in(cabinet);
    if (bodies.isEmpty())
      return new Verdict.NotChecked(cabinet.id(), "nothing is mounted in it yet");
    var w = Working.of("Room left in " + cabinet.name());
    var left =
        w.result(
            "left",
            "free rail and rows that could be added / all rail",
            RoomLeft.of(cabinet, bodies));
    w.given("at least", KEPT, "common practice");
    var trail = w.explain(left).trail();
    if (left.compareTo(KEPT) >= 0) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.ADVICE,
        FULL,
        "%s of the rails in %s is free; a fifth is usual, so that a relay more next year needs no new cabinet. Arrange it again or take the next size."
            .formatted(left, cabinet.name()),
        trail,
        NewWalls.larger(cabinet, study, edit -> kept(edit, cabinet, study)).stream()
            .map(Repair::of)
            .toList());
  }

  /// Whether enough is left then.
  private static boolean kept(Edit edit, Cabinet cabinet, Study study) {
    var next = study.tried(edit.apply(study.project()));
    return next.project()
        .layout()
        .cabinet(cabinet.id())
        .filter(now -> RoomLeft.of(now, Bodies.of(next).in(now)).compareTo(KEPT) >= 0)
        .isPresent();
  }
}
