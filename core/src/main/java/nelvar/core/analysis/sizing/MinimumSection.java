package nelvar.core.analysis.sizing;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Place;
import nelvar.core.standards.AmericanConductors;
import nelvar.core.standards.MetricConductors;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;

/// A conductor is not thinner than its use allows, whatever its current: it must survive being
/// handled.
///
/// Demand: IEC 60204-1:2016, 12.2 and Table 5, or NFPA 79:2021, 12.6 (both unchecked). Protective
/// conductors have a rule of their own.
public final class MinimumSection implements Rule {
  private static final Reason THINNER_THAN_ALLOWED = Reason.of("Thinner than allowed");

  @Override
  public String id() {
    return "sizing.minimum-section";
  }

  @Override
  public String asks() {
    return "Every conductor has at least the cross-section its use demands.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(c -> c.carriesWork() && c.sized())
        .flatMap(Contained.one(this, c -> c.id(), c -> judge(c, study)));
  }

  /// The least section for a conductor; empty for protective ones.
  static Optional<Cited<CrossSection>> required(Conductor conductor, Study study) {
    if (Schools.american(study)) return american(conductor, study);
    var use =
        switch (conductor.function()) {
          case POWER -> MetricConductors.Use.POWER;
          case CONTROL -> MetricConductors.Use.CONTROL;
          case DATA -> MetricConductors.Use.DATA;
          case PROTECTIVE, SHIELD -> null;
        };
    return use == null
        ? Optional.empty()
        : MetricConductors.minimumSection(
            use, inside(conductor, study), conductor.cable().isPresent());
  }

  private static Optional<Cited<CrossSection>> american(Conductor conductor, Study study) {
    var current = study.designCurrent(conductor).amperes();
    var use =
        switch (conductor.function()) {
          case POWER ->
              !feedsMotor(conductor, study) || current > 8
                  ? AmericanConductors.Use.POWER
                  : current > 5
                      ? AmericanConductors.Use.MOTOR_UP_TO_8A
                      : AmericanConductors.Use.MOTOR_UP_TO_5A;
          case CONTROL ->
              conductor.cable().isPresent()
                  ? AmericanConductors.Use.CONTROL_CABLE
                  : AmericanConductors.Use.CONTROL;
          case DATA -> AmericanConductors.Use.DATA;
          case PROTECTIVE, SHIELD -> null;
        };
    return use == null
        ? Optional.empty()
        : AmericanConductors.minimumSize(use, inside(conductor, study));
  }

  /// Whether it ends at a motor or at a drive that feeds one.
  static boolean feedsMotor(Conductor conductor, Study study) {
    return Stream.of(conductor.from(), conductor.to())
        .flatMap(end -> study.device(end.device()).flatMap(study::part).stream())
        .anyMatch(part -> part.motor() || part instanceof FrequencyConverter);
  }

  private static boolean inside(Conductor conductor, Study study) {
    return study.bundles(conductor).isEmpty()
        ? Stream.of(conductor.from(), conductor.to())
            .allMatch(
                end -> study.device(end.device()).map(d -> d.place() != Place.MACHINE).orElse(true))
        : study.staysInside(conductor);
  }

  private static Verdict judge(Conductor conductor, Study study) {
    if (conductor.section().isEmpty())
      return new Verdict.NotChecked(conductor.id(), "its section is not chosen yet");
    var required = required(conductor, study);
    if (required.isEmpty())
      return new Verdict.NotChecked(
          conductor.id(), "the table of least sections has no row for it");
    var w = Working.of("Least cross-section");
    var section = w.given("S", conductor.section().get(), conductor.label().text());
    var least =
        w.table(
            "Smin",
            required.get(),
            () ->
                "%s, %s, %s"
                    .formatted(
                        conductor.function().words(),
                        inside(conductor, study) ? "inside" : "outside",
                        conductor.cable().isPresent() ? "core of a cable" : "single wire"));
    var judged = Explained.atLeast(w.explain(section), "S", least, required.get().citation());
    if (judged.holds()) return new Verdict.Pass(conductor.id(), judged.trail());
    var repairs =
        SectionChoice.propose(conductor, study)
            .map(choice -> Repair.of(Sections.change(conductor, choice.value(), study)))
            .stream()
            .toList();
    return new Verdict.Finding(
        conductor.id(),
        Severity.ERROR,
        THINNER_THAN_ALLOWED,
        "%s has %s. For %s wiring %s the least is %s: thinner wire breaks when it is pulled or bent."
            .formatted(
                conductor.label(),
                section,
                conductor.function().words(),
                inside(conductor, study) ? "inside an enclosure" : "outside an enclosure",
                least),
        judged.trail(),
        List.copyOf(repairs));
  }
}
