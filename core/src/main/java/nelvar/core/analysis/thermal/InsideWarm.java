package nelvar.core.analysis.thermal;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.NewWalls;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Temperature;

/// The air in a cabinet gets no warmer than it is designed for: the warm edge of the band, ±25 % of
/// the rise, against what the Brief designs for. Everything in it is sized for that.
public final class InsideWarm implements Rule {
  private static final Reason WARM = Reason.of("The cabinet gets warmer than it is designed for");

  @Override
  public String id() {
    return "thermal.inside";
  }

  @Override
  public String asks() {
    return "The air inside gets no warmer than it is designed for.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.shell().closed())
        .flatMap(Contained.one(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static Verdict judge(Cabinet cabinet, Study study) {
    var air = CabinetAir.of(cabinet, study);
    var limit = study.project().brief().surroundings().inside();
    var upper = upper(cabinet, study);
    var w = Working.of("Air in " + cabinet.name());
    w.use(new nelvar.core.trail.Explained<>(air.inside(), air.trail()));
    w.result("Tupper", "Ta + %.2f · ΔTtop".formatted(1 + air.band()), upper);
    w.given("Tdesign", limit, "inside, in the Brief");
    var trail = w.explain(upper).trail();
    if (upper.compareTo(limit) <= 0) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.WARNING,
        WARM,
        "%s stay inside %s: at the top it gets %s, up to %s with what the model may be off, and everything is sized for %s. Let heat out, or design for more (Brief) and see what that asks for."
            .formatted(air.inside(), cabinet.name(), air.hottest(), upper, limit),
        trail,
        ways(cabinet, study, limit));
  }

  private static List<Repair> ways(Cabinet cabinet, Study study, Temperature limit) {
    return Stream.of(
            sinks(cabinet, study).filter(edit -> cool(edit, cabinet, study, limit)).map(Repair::of),
            larger(cabinet, study, limit).map(Repair::of))
        .flatMap(Optional::stream)
        .toList();
  }

  /// The smallest enclosure of the catalogue whose walls carry it off, its plate as it was laid
  /// out.
  private static Optional<Edit> larger(Cabinet cabinet, Study study, Temperature limit) {
    return NewWalls.larger(cabinet, study, edit -> cool(edit, cabinet, study, limit));
  }

  private static boolean cool(Edit edit, Cabinet cabinet, Study study, Temperature limit) {
    var next = study.tried(edit.apply(study.project()));
    return next.project()
        .layout()
        .cabinet(cabinet.id())
        .filter(now -> upper(now, next).compareTo(limit) <= 0)
        .isPresent();
  }

  /// The warm edge of the band under the roof.
  public static Temperature upper(Cabinet cabinet, Study study) {
    var air = CabinetAir.of(cabinet, study);
    return air.upper(air.rise(1));
  }

  /// All heat sinks that can stand outside, through the wall behind them.
  private static Optional<Edit> sinks(Cabinet cabinet, Study study) {
    var inside =
        Bodies.of(study).in(cabinet).stream()
            .filter(body -> body.fitting().through().isPresent() && !body.later())
            .filter(body -> body.surface() == Surface.PLATE && !body.at().sinkOutside())
            .toList();
    if (inside.isEmpty() || !cabinet.shell().housing().metal()) return Optional.empty();
    return Optional.of(
        LayoutEdits.place(
            "Put the heat sink%s of %s through the wall"
                .formatted(
                    inside.size() == 1 ? "" : "s",
                    inside.stream().map(Body::name).collect(Collectors.joining(", "))),
            inside.stream().map(body -> body.at().sinking(true)).toList()));
  }
}
