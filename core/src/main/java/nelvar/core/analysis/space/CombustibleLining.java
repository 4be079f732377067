package nelvar.core.analysis.space;

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
import nelvar.core.model.Shell;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.trail.Working;

/// Mains and heat do not stand bare in wood: a fault would set fire to it. Lined with sheet steel
/// or cement board it may pass; local codes decide (IEC 60364-4-42 asks for what does not burn
/// behind what gets hot, from memory, unchecked).
public final class CombustibleLining implements Rule {
  private static final Reason BARE = Reason.of("Mains or heat stands bare in wood");

  @Override
  public String id() {
    return "space.combustible";
  }

  @Override
  public String asks() {
    return "Wood behind mains and heat is lined.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.shell().housing().combustible())
        .flatMap(Contained.one(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static Verdict judge(Cabinet cabinet, Study study) {
    var w = Working.of("Walls of " + cabinet.name());
    w.given("walls", cabinet.shell().housing().words(), "of " + cabinet.name());
    w.given(
        "lined with",
        cabinet
            .shell()
            .lining()
            .map(l -> l.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '))
            .orElse("nothing"),
        "of " + cabinet.name());
    var dangerous =
        Bodies.of(study).in(cabinet).stream()
            .filter(body -> body.device().isPresent() && body.surface().inside())
            .filter(body -> OnMains.of(study).devices().contains(body.id()))
            .map(Body::name)
            .toList();
    w.given("mains on", dangerous.isEmpty() ? "nothing" : String.join(", ", dangerous), "as wired");
    var trail = w.explain(cabinet.name()).trail();
    if (dangerous.isEmpty() || cabinet.shell().lining().isPresent())
      return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.WARNING,
        BARE,
        "%s is of wood and holds %s on mains: a loose terminal that glows would set fire to it. Line it with sheet steel, bonded, or with cement board; let local codes and whoever inspects decide."
            .formatted(cabinet.name(), dangerous.getFirst()),
        trail,
        Stream.of(Shell.Lining.CEMENT_BOARD)
            .map(lining ->
                Repair.of(
                    LayoutEdits.change(
                        "Line %s with cement board".formatted(cabinet.name()),
                        cabinet.withShell(
                            cabinet.shell().with(d -> d.lining = Optional.of(lining))))))
            .toList());
  }
}
