package nelvar.core.analysis.space;

import java.util.ArrayList;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edit;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Nothing stands where something else is, nor over the edge of what it is mounted on. Things that
/// come later keep their room.
public final class Collision implements Rule {
  /// Less of a duct than this share is not worth leaving.
  private static final double LEAST = 0.6;

  /// Ducts are cut in steps of so many mm.
  private static final double STEP = 5;

  private static final Reason OVER = Reason.of("Two things are to stand at one place");

  @Override
  public String id() {
    return "space.collision";
  }

  @Override
  public String asks() {
    return "Nothing stands where something else is.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Placed.each(this, study, _ -> true, Collision::judge);
  }

  private static Verdict judge(Placed placed) {
    var body = placed.body();
    var w = Working.of("Place of " + body.name());
    w.given("width", Length.ofMillimetres(body.box().width()), body.part().name());
    w.given("height", Length.ofMillimetres(body.box().height()), body.part().name());
    var over = placed.fits().over(body);
    var trail = w.explain(body.name()).trail();
    if (over.isEmpty()) return new Verdict.Pass(body.id(), trail);
    var names = over.stream().map(Fits.InTheWay::name).collect(Collectors.joining(", "));
    return new Verdict.Finding(
        body.id(),
        placed.unlessAssumed(over.stream().anyMatch(Fits.InTheWay::assumed)),
        OVER,
        "%s stands over %s: it cannot be mounted there.%s"
            .formatted(body.name(), names, placed.measures()),
        trail,
        Stream.concat(placed.moved(_ -> true).stream(), cut(placed).stream()).toList());
  }

  /// Level ducts that end in what hangs on the right wall are cut before it.
  private static Optional<Repair> cut(Placed placed) {
    var body = placed.body();
    var cabinet = placed.cabinet();
    var own = Solid.of(body, cabinet.shell());
    if (body.surface() != Surface.RIGHT || own.isEmpty()) return Optional.empty();
    var edit = Optional.<Edit>empty();
    var names = new ArrayList<String>();
    for (var duct : cabinet.ducts()) {
      var solid = Solid.of(duct, cabinet.shell());
      if (duct.vertical() || solid.filter(own.get()::meets).isEmpty()) continue;
      var length = Box.mm(duct.length()) - (solid.get().x2() - own.get().x1());
      if (length < LEAST * Box.mm(duct.length())) return Optional.empty();
      var after = edit.map(e -> e.apply(placed.study().project())).orElse(placed.study().project());
      var next =
          after
              .layout()
              .cabinet(cabinet.id())
              .flatMap(c -> Fixture.of(c, duct.id()))
              .orElseThrow()
              .sized(Box.length(Math.floor(length / STEP) * STEP));
      edit = Optional.of(edit.map(e -> e.then(next)).orElse(next));
      names.add(duct.id().text());
    }
    return edit.map(e ->
        Repair.of(
            e.named("Cut duct %s before %s".formatted(String.join(", ", names), body.name()))));
  }
}
