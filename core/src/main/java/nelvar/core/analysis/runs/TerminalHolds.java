package nelvar.core.analysis.runs;

import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Clamp;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Subject;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Working;

/// Every way of a row of terminals holds what lands on it: as many wires as it is made for, none
/// too thick to go in, none too thin to be held.
///
/// More than one conductor goes to a terminal only where the terminal is made for it (IEC
/// 60204-1:2016, 13.1.1, from memory). What a clamp holds is its maker's word; a row of which that
/// is not stated is not checked.
public final class TerminalHolds implements Rule {
  private static final Reason MANY = Reason.of("More wires than its clamp is made for");
  private static final Reason THICK = Reason.of("Too thick for its clamp");
  private static final Reason THIN = Reason.of("Too thin for its clamp");

  @Override
  public String id() {
    return "runs.terminal";
  }

  @Override
  public String asks() {
    return "Each way of a row of terminals holds the wires that land on it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return StripPlan.all(study).stream()
        .filter(strip -> strip.ways().stream().anyMatch(way -> !way.landing().isEmpty()))
        .flatMap(Contained.many(this, strip -> strip.device().id(), strip -> judge(strip, study)));
  }

  private static Stream<Verdict> judge(StripPlan strip, Study study) {
    if (strip.clamp().isEmpty())
      return Stream.of(
          new Verdict.NotChecked(
              strip.device().id(), "what one of its clamps holds is not stated by its part"));
    var clamp = strip.clamp().get();
    return strip.ways().stream()
        .filter(way -> !way.landing().isEmpty())
        .map(way -> judge(strip, way, clamp, study));
  }

  private static Verdict judge(StripPlan strip, StripPlan.Way way, Clamp clamp, Study study) {
    var subject = new Subject.AtTerminal(way.at());
    var name = strip.device().designation() + ":" + way.number();
    var w = Working.of("Clamp " + name);
    w.given("holds", clamp.words(), "its part");
    w.given("wires", way.landing().size(), "what lands there");
    for (var landing : way.landing())
      landing
          .wire()
          .section()
          .ifPresent(a -> w.given(landing.wire().label().text(), a, "its section"));
    var trail = w.explain(way.number()).trail();
    var many = way.landing().size();
    if (strip.most().filter(most -> many > most).isPresent())
      return new Verdict.Finding(
          subject,
          Severity.ERROR,
          MANY,
          "%d wires land on %s, which is made for %d: one of them works loose. Move one to a free way, or take two into one ferrule where its maker allows that."
              .formatted(many, name, strip.most().orElseThrow()),
          trail,
          elsewhere(strip, way, clamp, study));
    for (var landing : way.landing()) {
      var section = landing.wire().section();
      if (section.isEmpty()) continue;
      if (section.get().squareMillimetres() > clamp.greatest().squareMillimetres() + 1e-6)
        return new Verdict.Finding(
            subject,
            Severity.WARNING,
            THICK,
            "%s of %s does not go into %s, which takes up to %s. Take a larger row, or a larger piece for this way."
                .formatted(landing.wire().label(), section.get(), name, clamp.greatest()),
            trail,
            larger(strip, study));
      if (!clamp.holds(section.get()))
        return new Verdict.Finding(
            subject,
            Severity.WARNING,
            THIN,
            "%s of %s is not held by %s, which clamps from %s."
                .formatted(
                    landing.wire().label(), section.get(), name, clamp.least().orElseThrow()),
            trail,
            larger(strip, study));
    }
    if (strip.most().isEmpty() && many > strip.row().sides())
      return new Verdict.NotChecked(
          subject, "how many wires one of its clamps holds is not stated by its part");
    return way.landing().stream().allMatch(landing -> landing.wire().section().isPresent())
        ? new Verdict.Pass(subject, trail)
        : new Verdict.NotChecked(subject, "the section of a wire that lands there is not chosen");
  }

  /// What is too many goes to the nearest free way, on a strip with a bar to it.
  private static List<Repair> elsewhere(
      StripPlan strip, StripPlan.Way way, Clamp clamp, Study study) {
    var most = strip.most().orElseThrow();
    var landing = way.landing();
    var excess =
        landing.subList(most, landing.size()).stream().map(StripPlan.Landing::wire).toList();
    var held =
        excess.size() <= most
            && excess.stream().allMatch(w -> w.section().filter(clamp::holds).isPresent());
    var free =
        strip.free().stream()
            .filter(_ -> held)
            .min(Comparator.comparingInt(there -> Math.abs(there.number() - way.number())));
    return free.map(there ->
            List.of(
                Repair.of(
                    RunEdits.spread(
                        strip.device(), way.at(), there.at(), excess, !strip.common()))))
        .orElseGet(() -> larger(strip, study));
  }

  /// The cheapest row of its kind that holds all that lands on it.
  private static List<Repair> larger(StripPlan strip, Study study) {
    return larger(strip, study, _ -> true);
  }

  /// @param bears what else it has to do
  static List<Repair> larger(StripPlan strip, Study study, Predicate<Part> bears) {
    var now = study.part(strip.device()).orElseThrow();
    return study
        .catalogue()
        .of(now.getClass())
        .filter(next -> replaces(next, now, strip) && bears.test(next))
        .min(
            Comparator.comparing((Part next) ->
                    next.price()
                        .map(price -> price.amount())
                        .orElse(java.math.BigDecimal.valueOf(1e7)))
                .thenComparing(Part::id))
        .map(next -> Repair.of(Edits.swap(strip.device(), next)))
        .stream()
        .toList();
  }

  private static boolean replaces(Part next, Part now, StripPlan strip) {
    if (next.id().equals(now.id()) || next.row().filter(row -> row.replaces(strip.row())).isEmpty())
      return false;
    var clamp = next.row().get().clamp();
    var sides = next.row().get().sides();
    return clamp.isPresent()
        && strip.ways().stream()
            .allMatch(way ->
                clamp.get().wires().filter(each -> way.landing().size() <= each * sides).isPresent()
                    && way.landing().stream()
                        .allMatch(landing ->
                            landing.wire().section().filter(clamp.get()::holds).isPresent()));
  }
}
