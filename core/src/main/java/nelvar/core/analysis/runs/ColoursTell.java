package nelvar.core.analysis.runs;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.WireColours.Use;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// The colour of a single wire says what it is for ([WireColours]). Green-yellow on what works, and
/// another colour on what protects, endanger whoever opens the cabinet and are judged in every
/// school; all else is advice, and only where the Brief colours by function.
///
/// Cores of cables have the marks of their cable; leads have those of their device.
public final class ColoursTell implements Rule {
  private static final Reason WORKS = Reason.of("A working conductor in the protective colour");
  private static final Reason PROTECTS = Reason.of("A protective conductor in another colour");
  private static final Reason NEUTRAL = Reason.of("Neutral and line in each other's colour");
  private static final Reason OTHER = Reason.of("A colour says another use");

  @Override
  public String id() {
    return "runs.colour";
  }

  @Override
  public String asks() {
    return "Colours of wires say what they are for.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(wire -> wire.cable().isEmpty() && wire.leadOf().isEmpty())
        .filter(wire -> wire.colour().isPresent())
        .flatMap(Contained.many(this, Conductor::id, wire -> judge(wire, study).stream()));
  }

  private static Optional<Verdict> judge(Conductor wire, Study study) {
    var policies = study.project().brief().policies();
    var school = policies.sizing();
    var colour = WireColours.plain(wire.colour().orElseThrow());
    var use = WireColours.use(wire, study);
    var w = Working.of("Colour of " + wire.label());
    w.given("colour", colour, wire.label().text());
    use.ifPresent(it -> w.given("it is", it.words(), "what it hangs on"));
    use.ifPresent(it ->
        w.given("said by", String.join(", ", it.colours(school)), school.words() + " school"));
    w.given("colours", policies.answer(School.WIRE_COLOURS).words(), "Brief");
    var trail = w.explain(wire.id()).trail();
    var protective = wire.function() == Conductor.Function.PROTECTIVE;
    if (!protective && wire.carriesWork() && Use.PROTECTIVE.said(colour, school))
      return Optional.of(
          new Verdict.Finding(
              wire.id(),
              Severity.ERROR,
              WORKS,
              "%s carries work and is %s: whoever takes it for earth is hurt. Lay it in another colour."
                  .formatted(wire.label(), colour),
              trail,
              use.map(it -> inColour(wire, it, study)).stream().toList()));
    if (use.isEmpty()) return Optional.empty();
    if (use.get().said(colour, school)) return Optional.of(new Verdict.Pass(wire.id(), trail));
    var reason = reason(use.get(), colour, study);
    if (reason == OTHER && policies.chose(School.WIRE_COLOURS, "own"))
      return Optional.of(new Verdict.Pass(wire.id(), trail));
    return Optional.of(
        new Verdict.Finding(
            wire.id(),
            reason == OTHER ? Severity.ADVICE : Severity.WARNING,
            reason,
            "%s is %s and is %s: that is %s by the %s school."
                .formatted(
                    wire.label(),
                    use.get().words(),
                    colour,
                    String.join(" or ", use.get().colours(school)),
                    school.words()),
            trail,
            List.of(inColour(wire, use.get(), study))));
  }

  /// What endangers, before what is only unusual.
  private static Reason reason(Use use, String colour, Study study) {
    if (use == Use.PROTECTIVE) return PROTECTS;
    var school = study.project().brief().policies().sizing();
    var neutral = use == Use.NEUTRAL || (use == Use.LINE && Use.NEUTRAL.said(colour, school));
    return neutral ? NEUTRAL : OTHER;
  }

  private static Repair inColour(Conductor wire, Use use, Study study) {
    var colour = use.colours(study.project().brief().policies().sizing()).getFirst();
    return Repair.of(
        Edits.colour(Set.of(wire.id()), colour)
            .named("Lay %s in %s".formatted(wire.label(), colour)));
  }
}
