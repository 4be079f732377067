package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;

/// Air that a fan, an exchanger or a cooling unit moves finds its way: before its face inside the
/// cabinet stand no parts, and no ducts with their wires. Wires that lie in no duct hang where
/// nobody knows: then it is not checked.
public final class AirPath implements Rule {
  private static final Reason BLOCKED = Reason.of("Something stands before a fan");

  /// So far before it nothing stands, mm (common practice: about half a fan's width).
  public static final double FREE = 50;

  /// More of its face than this takes it a good part of its air (common practice).
  public static final Percent COVERED = Percent.ofFraction(0.25);

  @Override
  public String id() {
    return "space.air-path";
  }

  @Override
  public String asks() {
    return "Nothing stands before a fan.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, AirPath::blows, AirPath::judge);
  }

  /// Whether it moves air through a wall.
  public static boolean blows(Body body) {
    return body.surface() != Surface.PLATE && body.surface().inside() && body.fitting().cools();
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    if (body.depth().isEmpty())
      return new Verdict.NotChecked(body.id(), "how deep it is is not known");
    var w = Working.of("Air of " + body.name());
    w.given("free", Length.ofMillimetres(FREE), "before its face");
    var cabinet = placed.cabinet();
    var before = before(body, cabinet, Bodies.of(placed.study()).in(cabinet));
    for (var one : before) w.given(one.name(), Percent.ofFraction(one.share()), "of its face");
    var covered = Math.min(1, before.stream().mapToDouble(Before::share).sum());
    w.result("covered", "sum of the shares", Percent.ofFraction(covered));
    var trail = w.explain(body.name()).trail();
    if (covered <= COVERED.fraction())
      return loose(placed)
          ? new Verdict.NotChecked(
              body.id(),
              "its cabinet has no ducts: whether wires hang before it, nobody can say; tie them away from it")
          : new Verdict.Pass(body.id(), trail);
    return new Verdict.Finding(
        body.id(),
        Severity.WARNING,
        BLOCKED,
        "%s covers %.0f %% of the face of %s within %.0f mm: its air does not get past. Move one of them.%s"
            .formatted(
                String.join(", ", before.stream().map(Before::name).toList()),
                covered * 100,
                body.name(),
                FREE,
                placed.measures()),
        trail,
        placed.moved(there -> clear(there, cabinet, Bodies.of(placed.study()).in(cabinet))));
  }

  /// Whether wires between what is mounted lie in no duct.
  private static boolean loose(Placed placed) {
    var bodies = Bodies.of(placed.study());
    return placed.cabinet().ducts().isEmpty()
        && placed.study().project().conductors().stream()
            .anyMatch(wire ->
                bodies.in(placed.cabinet(), wire.from().device()).isPresent()
                    && bodies.in(placed.cabinet(), wire.to().device()).isPresent()
                    && !wire.from().device().equals(wire.to().device()));
  }

  /// Whether no more of the face of something that blows is covered there than may be.
  public static boolean clear(Body there, Cabinet cabinet, List<Body> bodies) {
    return before(there, cabinet, bodies).stream().mapToDouble(Before::share).sum()
        <= COVERED.fraction();
  }

  private record Before(String name, double share) {}

  private static List<Before> before(Body body, Cabinet cabinet, List<Body> bodies) {
    var all = new ArrayList<Before>();
    var shell = cabinet.shell();
    Solid.of(body, shell)
        .map(solid -> solid.before(body.surface(), FREE))
        .ifPresent(face -> {
          for (var other : bodies)
            if (!other.id().equals(body.id()))
              Solid.of(other, shell)
                  .map(solid -> face.covered(solid, body.surface()))
                  .filter(share -> share > 0)
                  .ifPresent(share -> all.add(new Before(other.name(), share)));
          for (var duct : cabinet.ducts())
            Solid.of(duct, shell)
                .map(solid -> face.covered(solid, body.surface()))
                .filter(share -> share > 0)
                .ifPresent(share -> all.add(new Before("duct " + duct.id(), share)));
        });
    return all;
  }
}
