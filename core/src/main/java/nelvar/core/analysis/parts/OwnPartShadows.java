package nelvar.core.analysis.parts;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Working;

/// No part of the project's own stands under the name of a shipped one without a word.
///
/// New ones are refused when they come (`Edit.on`); files written before that, or before a shipped
/// part of that name came, are still opened, and say so here.
///
/// Demand: common practice.
public final class OwnPartShadows implements Rule {
  private static final Reason ITS_PART_STANDS_IN_THE_PLACE_OF_A_SHIPPED_ONE =
      Reason.of("Its part stands in the place of a shipped one");

  @Override
  public String id() {
    return "parts.own-part-shadows";
  }

  @Override
  public String asks() {
    return "No part of the project's own bears the name of a shipped one.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device ->
            study.project().ownParts().stream().anyMatch(own -> own.id().equals(device.part())))
        .flatMap(Contained.one(this, device -> device.id(), device -> judge(device, study)));
  }

  private static Verdict judge(Device device, Study study) {
    var w = Working.of("Part of " + device.designation());
    w.given("part", device.part(), "own part of this project");
    var shipped = study.shipped(device.part());
    w.given("shipped part of that name", shipped.map(Part::name).orElse("none"), "catalogue");
    var trail = w.explain(device).trail();
    return shipped
        .<Verdict>map(part ->
            new Verdict.Finding(
                device.id(),
                Severity.WARNING,
                ITS_PART_STANDS_IN_THE_PLACE_OF_A_SHIPPED_ONE,
                "%s is this project's own '%s', which hides the shipped '%s' (%s). Whoever reads the parts list takes one for the other: duplicate the part under a name of its own, or choose the shipped one."
                    .formatted(
                        device.designation(),
                        study.part(device).map(Part::name).orElse(""),
                        part.name(),
                        part.id()),
                trail,
                List.of()))
        .orElseGet(() -> new Verdict.Pass(device.id(), trail));
  }
}
