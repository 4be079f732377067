package nelvar.core.analysis.runs;

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
import nelvar.core.model.Bundle;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.units.Length;

/// No duct, conduit or tray is fuller than it may be at its fullest cut ([Fill]).
public final class DuctFilled implements Rule {
  private static final Reason FULL = Reason.of("More in it than goes in well");

  @Override
  public String id() {
    return "runs.fill";
  }

  @Override
  public String asks() {
    return "No duct, conduit or tray is too full.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return Lying.of(study).all().stream()
        .filter(bundle -> !study.lyingIn(bundle).isEmpty())
        .filter(bundle ->
            bundle.form().isEmpty()
                ? study.project().bundles().contains(bundle)
                : Fill.of(bundle, study).isPresent())
        .flatMap(Contained.one(this, Bundle::id, bundle -> judge(bundle, study)));
  }

  private static Verdict judge(Bundle bundle, Study study) {
    var known = Fill.of(bundle, study);
    if (known.isEmpty())
      return new Verdict.NotChecked(
          bundle.id(),
          bundle.inside()
              ? "no duct is drawn where it lies, and nobody said how large it is"
              : "nobody said what it is and how large inside");
    var fill = known.get();
    var judged = fill.judged();
    if (judged.holds()) return new Verdict.Pass(bundle.id(), judged.trail());
    return new Verdict.Finding(
        bundle.id(),
        Severity.WARNING,
        FULL,
        "The %s is filled to %s where the most lies in it; it may be %s (%s). Take a larger one, or lay some elsewhere."
            .formatted(
                bundle.name(), fill.filled().value(), fill.most().percent(), fill.most().because()),
        judged.trail(),
        wider(bundle, fill, study));
  }

  /// The next size that will do; a duct that is drawn grows to both sides.
  private static List<Repair> wider(Bundle bundle, Fill fill, Study study) {
    for (var cabinet : study.project().layout().cabinets())
      for (var duct : cabinet.ducts()) {
        if (!duct.id().equals(bundle.id())) continue;
        var now = duct.width().metres() * 1000;
        var needs = now * fill.filled().value().percent() / fill.most().percent().percent();
        var next = RightSize.DUCTS.stream().filter(width -> width >= needs - 1e-9).findFirst();
        if (next.isEmpty()) return List.of();
        var aside = new Length(Math.max(0, (next.get() - now) / 2000));
        var moved =
            duct.vertical()
                ? duct.movedTo(less(duct.left(), aside), duct.top())
                : duct.movedTo(duct.left(), less(duct.top(), aside));
        var wide = moved.section(Length.ofMillimetres(next.get()), duct.depth());
        return List.of(
            Repair.of(
                LayoutEdits.change(
                    "Make duct %s %.0f mm wide".formatted(duct.id(), next.get()),
                    cabinet.withDucts(
                        cabinet.ducts().stream()
                            .map(d -> d.id().equals(duct.id()) ? wide : d)
                            .toList()))));
      }
    return RightSize.of(bundle, bundle.form().orElseThrow().kind(), study)
        .map(form ->
            Repair.of(
                Edits.change(bundle.with(b -> b.form = Optional.of(form)))
                    .named(
                        "Take a %s of %s for the %s"
                            .formatted(form.kind().words(), form.width(), bundle.name()))))
        .stream()
        .toList();
  }

  private static Length less(Length from, Length by) {
    return new Length(Math.max(0, from.metres() - by.metres()));
  }
}
