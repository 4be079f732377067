package nelvar.core.analysis.load;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.supply.Derating;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.catalogue.StepperDrive;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// A drive gives its motor its rated current.
///
/// `I motor ≤ I drive`, what is left of it in warm and thin air. Demand: common practice.
public final class DriveAgainstMotor implements Rule {
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
                        || part instanceof StepperDrive)
                .isPresent())
        .filter(source -> study.designCurrent(source).amperes() > 0)
        .map(source -> judge(source, study));
  }

  private static Verdict judge(Source source, Study study) {
    var id = source.device().id();
    var w = Working.of("Drive against motor");
    var needed =
        w.given(
            "Imotor",
            study.designCurrent(source),
            study.currents().served(source).stream()
                .map(Feed::name)
                .collect(Collectors.joining(", ")));
    var left =
        Derating.of(study.part(source.device()).orElseThrow(), source.output().rating(), study);
    w.use(left);
    var judged = Explained.atMost(w.explain(needed), "Imotor", left.value(), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        "Drive too small for its motor",
        "The motor takes %s; %s gives %s for ever and will trip or stall it."
            .formatted(needed, source.device().designation(), left.value()),
        judged.trail(),
        larger(source, needed, study));
  }

  private static List<Repair> larger(Source source, Current needed, Study study) {
    var now = study.part(source.device()).orElseThrow();
    return study
        .catalogue()
        .of(now.getClass().asSubclass(Part.class))
        .filter(next ->
            next.outputs().getFirst().rating().compareTo(needed) >= 0
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
