package nelvar.core.analysis.motion;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Two stepper motors on one drive are alike, and one that is unplugged does not burn the other.
///
/// Side by side they share the current that is set: with one gone the other gets all of it, and a
/// drive that is set for two is set to twice what one stands. One behind the other they carry the
/// same current and share the volts: with one gone both stand. Circuit laws; that windings of one
/// type share evenly is common practice.
public final class TwoOnOneDrive implements Rule {
  private static final Reason BURNS = Reason.of("One motor unplugged burns the other");
  private static final Reason UNLIKE = Reason.of("Unlike motors on one drive");

  private static final double NEAR = 1.05;

  @Override
  public String id() {
    return "motion.two-motors";
  }

  @Override
  public String asks() {
    return "Motors on one drive are alike, and none gets too much when another is unplugged.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var drives = new LinkedHashMap<Id, List<MotionAxis>>();
    for (var axis : MotionAxes.of(study))
      if (axis.company().parallel() > 1 || axis.company().series() > 1)
        drives.merge(
            axis.drive().id(),
            List.of(axis),
            (a, b) -> Stream.concat(a.stream(), b.stream()).toList());
    return drives.entrySet().stream()
        .flatMap(Contained.one(this, e -> e.getKey(), e -> judge(e.getValue())));
  }

  private static Verdict judge(List<MotionAxis> axes) {
    var first = axes.getFirst();
    var company = first.company();
    var names = String.join(", ", axes.stream().map(a -> a.motor().designation().text()).toList());
    var w = Working.of("Motors on " + first.drive().designation());
    w.given("motors", names, company.series() > 1 ? "one behind the other" : "side by side");
    var set = first.set().orElse(first.rated().times(company.parallel()));
    w.given("Iset", set, "of the drive");
    var each =
        w.result(
            "each",
            company.series() > 1 ? "Iset" : "Iset/n",
            new Current(set.amperes() / company.parallel()));
    var least =
        axes.stream().map(MotionAxis::rated).min(java.util.Comparator.naturalOrder()).orElseThrow();
    w.given("rated", least, "the least of them");
    var trail = w.explain(each).trail();
    var drive = first.drive();
    if (axes.stream().map(a -> a.motor().part()).distinct().count() > 1)
      return new Verdict.Finding(
          drive.id(),
          Severity.WARNING,
          UNLIKE,
          "%s hang on %s and are not alike: %s. Take two of one type, or a drive for each."
              .formatted(
                  names,
                  drive.designation(),
                  company.series() > 1
                      ? "they share its volts unevenly and turn with unlike torque"
                      : "the one of fewer ohms takes more of the current"),
          trail,
          List.of());
    if (company.parallel() > 1 && set.compareTo(least.times(NEAR)) > 0)
      return new Verdict.Finding(
          drive.id(),
          Severity.WARNING,
          BURNS,
          "%s share the %s of %s. Unplug one, or let its plug come loose, and the other gets all of it, rated for %s: it burns, and a plug opened under current kills the drive. A drive for each is the way; else bolt the leads, and say so."
              .formatted(names, set, drive.designation(), least),
          trail,
          List.of());
    return new Verdict.Pass(drive.id(), trail);
  }
}
