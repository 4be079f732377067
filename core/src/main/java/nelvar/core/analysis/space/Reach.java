package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Fitting;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.trail.Working;

/// What hands must get at has room before it: card slots, plugs, trimmers. At the front there is
/// room when the door is open; what is live beside it then is said in the working.
public final class Reach implements Rule {
  private static final Reason BLOCKED = Reason.of("Something that must be reached is blocked");

  /// What stands lower than this lets a hand pass, mm.
  private static final double LOW = 20;

  @Override
  public String id() {
    return "space.reach";
  }

  @Override
  public String asks() {
    return "Slots, plugs and trimmers can be reached.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, body -> !body.fitting().reach().isEmpty(), Reach::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Reach of " + body.name());
    var blocked = new ArrayList<String>();
    for (var reach : body.fitting().reach()) {
      var side = reach.side().turned(body.at().quarters());
      w.given(reach.what(), reach.free(), "free at its " + side.words());
      live(OpenDoor.one(body, reach, placed.cabinet(), placed.study()), w);
      blocker(body, side, Box.mm(reach.free()), placed)
          .ifPresent(who -> {
            w.given("in the way", who, "of the " + reach.what());
            blocked.add("the %s by %s".formatted(reach.what(), who));
          });
    }
    var trail = w.explain(body.name()).trail();
    if (blocked.isEmpty()) return new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        BLOCKED,
        "On %s nobody gets at %s. Give it its room.%s"
            .formatted(body.name(), String.join(", ", blocked), placed.measures()),
        trail,
        placed.moved(there -> free(there, placed)));
  }

  private static void live(OpenDoor.Reached reached, Working w) {
    if (reached.itself()) w.given("live", "more than extra-low volts are on it", reached.only());
    if (!reached.beside().isEmpty())
      w.given(
          "live beside it",
          String.join(", ", reached.beside().stream().map(Body::name).toList()),
          "within a hand's width; " + reached.only());
  }

  private static boolean free(Body there, Placed placed) {
    return there.fitting().reach().stream()
        .allMatch(reach ->
            blocker(there, reach.side().turned(there.at().quarters()), Box.mm(reach.free()), placed)
                .isEmpty());
  }

  /// The room before one side of a body; none before its front, which the open door leaves free.
  public static Optional<Box> before(Body body, Fitting.Side side, double free) {
    var box = body.box();
    return switch (side) {
      case FRONT -> Optional.empty();
      case TOP -> Optional.of(new Box(box.left(), box.top() - free, box.width(), free));
      case BOTTOM -> Optional.of(new Box(box.left(), box.bottom(), box.width(), free));
      case LEFT -> Optional.of(new Box(box.left() - free, box.top(), free, box.height()));
      case RIGHT -> Optional.of(new Box(box.right(), box.top(), free, box.height()));
    };
  }

  private static Optional<String> blocker(
      Body body, Fitting.Side side, double free, Placed placed) {
    var zone = before(body, side, free);
    if (zone.isEmpty()) return Optional.empty();
    var before = zone.get();
    if (body.surface() != nelvar.core.model.Surface.OUTSIDE
        && !before.within(Fits.air(placed.cabinet(), body.surface())))
      return Optional.of("the wall of the cabinet");
    var other =
        placed
            .others()
            .filter(o -> o.surface() == body.surface() && o.box().overlaps(before))
            .filter(o -> o.depth().orElse(LOW) >= LOW)
            .findFirst();
    if (other.isPresent()) return Optional.of(other.get().name());
    return placed.cabinet().ducts().stream()
        .filter(duct -> duct.surface() == body.surface() && Fits.box(duct).overlaps(before))
        .findFirst()
        .map(_ -> "a duct");
  }
}
