package nelvar.core.analysis.load;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.supply.RatingLeft;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.MotorFormulas.InputSchool;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// A drive gives its motor its rated current.
///
/// `I motor ≤ I drive`, what is left of it in warm and thin air, and of a three-phase drive on two
/// lines: by its maker's figure, else half or 1/√3 of its rating by the school of the Brief.
/// Demand: common practice.
public final class DriveAgainstMotor implements Rule {
  private static final Reason DRIVE_TOO_SMALL_FOR_ITS_MOTOR =
      Reason.of("Drive too small for its motor");

  @Override
  public String id() {
    return "load.drive-output";
  }

  @Override
  public String asks() {
    return "Every drive gives the current its motor takes.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source ->
            study
                .part(source.device())
                .filter(part ->
                    part instanceof FrequencyConverter
                        || part instanceof ServoDrive
                        || part.chops())
                .isPresent())
        .filter(source -> study.designCurrent(source).amperes() > 0)
        .flatMap(
            Contained.one(this, source -> source.device().id(), source -> judge(source, study)));
  }

  private static Verdict judge(Source source, Study study) {
    var id = source.device().id();
    var w = Working.of("Drive against motor");
    var part = study.part(source.device()).orElseThrow();
    var unset = part.chops() && source.device().trip().isEmpty();
    var needed =
        w.given(
            "Imotor",
            unset ? winding(source, study) : study.designCurrent(source),
            study.currents().served(source).stream()
                .map(Feed::name)
                .collect(Collectors.joining(", ")));
    var rating = rating(w, source, part, study);
    if (rating.isEmpty())
      return new Verdict.NotChecked(
          id,
          "it is fed by two of three lines, counted %s (Brief), and its single-phase rating is not known"
              .formatted(
                  study.project().brief().policies().answer(School.SINGLE_PHASE_DRIVE).words()));
    var left = RatingLeft.of(part, rating.get(), source.device(), study);
    w.use(left);
    var judged = Explained.atMost(w.explain(needed), "Imotor", left.value(), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    if (unset)
      return new Verdict.Finding(
          id,
          Severity.WARNING,
          DRIVE_TOO_SMALL_FOR_ITS_MOTOR,
          "The motor is rated for %s; %s gives %s at the most: it turns with that share of its torque, and may lose steps."
              .formatted(needed, source.device().designation(), left.value()),
          judged.trail(),
          larger(source, needed, study));
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        DRIVE_TOO_SMALL_FOR_ITS_MOTOR,
        "The motor takes %s; %s gives %s for ever and will trip or stall it."
            .formatted(needed, source.device().designation(), left.value()),
        judged.trail(),
        larger(source, needed, study));
  }

  /// What the windings it feeds are rated for, the greatest.
  private static Current winding(Source source, Study study) {
    return study.currents().served(source).stream()
        .flatMap(feed ->
            feed.intake().demand() instanceof Demand.FixedCurrent(var rated)
                ? java.util.stream.Stream.of(rated)
                : java.util.stream.Stream.of(study.designCurrent(feed)))
        .max(java.util.Comparator.naturalOrder())
        .orElse(study.designCurrent(source));
  }

  /// What it gives in cool air; empty where only its maker's word counts and there is none.
  private static Optional<Current> rating(Working w, Source source, Part part, Study study) {
    var rated = part.outputs().getFirst().rating();
    if (!(part instanceof FrequencyConverter drive) || !drive.onTwoLines(source.device().spare()))
      return Optional.of(rated);
    if (drive.singlePhaseRating().isPresent())
      return Optional.of(
          w.given("I1ph", drive.singlePhaseRating().get(), "on two lines, by its maker"));
    var school = study.project().brief().policies().answer(School.SINGLE_PHASE_DRIVE);
    w.given("fed by", "two of three lines", school.words() + " (Brief)");
    w.given("Irated", rated, part.name());
    return switch (school.id()) {
      case "half" -> Optional.of(w.result("I1ph", "Irated/2", InputSchool.HALF.left(rated)));
      case "sqrt3" -> Optional.of(w.result("I1ph", "Irated/√3", InputSchool.SQRT3.left(rated)));
      default -> Optional.empty();
    };
  }

  /// A drive that gives it, on two lines as well.
  private static List<Repair> larger(Source source, Current needed, Study study) {
    var now = study.part(source.device()).orElseThrow();
    return study
        .catalogue()
        .of(now.getClass().asSubclass(Part.class))
        .filter(next ->
            rating(Working.of("tried"), source, next, study)
                    .filter(rating ->
                        RatingLeft.of(next, rating, source.device(), study)
                                .value()
                                .compareTo(needed)
                            >= 0)
                    .isPresent()
                && next.outputs().getFirst().voltage().equals(source.output().voltage())
                && next.terminals().equals(now.terminals()))
        .min(
            java.util.Comparator.comparing((Part next) -> next.outputs().getFirst().rating())
                .thenComparing(Part::id))
        .map(next -> Repair.of(Edits.swap(source.device(), next)))
        .stream()
        .toList();
  }
}
