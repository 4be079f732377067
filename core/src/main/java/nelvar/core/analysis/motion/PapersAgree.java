package nelvar.core.analysis.motion;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DriveParameter;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Setting;
import nelvar.core.trail.Working;

/// Papers about one value of a device agree, or a test has decided between them.
///
/// What a paper says is a setting *Microsteps by manual p. 12*, *Microsteps by label on its side*,
/// each with its value. Where two say something else, the test that decides is named; its outcome
/// is *Microsteps by test*, and counts. Common practice: copies of a drive come with the manual of
/// another.
public final class PapersAgree implements Rule {
  private static final Reason CONTRADICT = Reason.of("Papers contradict one another");
  private static final Pattern BY = Pattern.compile("(?i)(.+?) by (.+)");
  private static final String TEST = "test";

  @Override
  public String id() {
    return "motion.papers";
  }

  @Override
  public String asks() {
    return "What papers say of one value agrees, or a test has decided it.";
  }

  /// What one paper says.
  public record Said(String name, String paper, String value) {}

  private record About(Id device, String name) {}

  /// What papers say of a value of a device, in the order it was written down.
  public static List<Said> of(Device device, String name, Study study) {
    return study.project().settings().stream()
        .filter(s -> s.device().equals(device.id()))
        .flatMap(s -> said(s).stream())
        .filter(s -> s.name().equalsIgnoreCase(name))
        .toList();
  }

  /// `manual p. 12, label: 8`, as it stands beside a value; empty where nothing is cited.
  public static String cited(Device device, String name, Study study) {
    return of(device, name, study).stream().map(Said::paper).collect(Collectors.joining(", "));
  }

  private static Optional<Said> said(Setting setting) {
    var by = BY.matcher(setting.name());
    return by.matches()
        ? Optional.of(
            new Said(
                String.valueOf(by.group(1)), String.valueOf(by.group(2)).strip(), setting.value()))
        : Optional.empty();
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var all = new LinkedHashMap<About, List<Said>>();
    for (var setting : study.project().settings())
      said(setting)
          // The name of a parameter of drives, not of a paper.
          .filter(_ -> !setting.name().equalsIgnoreCase(DriveParameter.Role.STOPS_BY.title()))
          .ifPresent(s ->
              all.merge(
                  new About(setting.device(), s.name().toLowerCase(Locale.ROOT)),
                  List.of(s),
                  (a, b) -> Stream.concat(a.stream(), b.stream()).toList()));
    return all.entrySet().stream()
        .filter(e -> e.getValue().size() > 1)
        .filter(e -> study.device(e.getKey().device()).isPresent())
        .flatMap(Contained.one(this, e -> e.getKey().device(), e -> judge(e, study)));
  }

  private static Verdict judge(Map.Entry<About, List<Said>> entry, Study study) {
    var device = study.device(entry.getKey().device()).orElseThrow();
    var papers = entry.getValue();
    var name = papers.getFirst().name();
    var w = Working.of("Papers about " + name + " of " + device.designation());
    for (var one : papers) w.given(one.paper(), one.value(), "says");
    var trail = w.explain(device.designation()).trail();
    var decided = papers.stream().anyMatch(s -> s.paper().equalsIgnoreCase(TEST));
    var alike =
        papers.stream().allMatch(s -> SettingsSheet.same(papers.getFirst().value(), s.value()));
    if (alike || decided) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        CONTRADICT,
        "%s of %s: %s. %s Write down what came of it as %s by test."
            .formatted(
                name,
                device.designation(),
                papers.stream()
                    .map(s -> "%s says %s".formatted(s.paper(), s.value()))
                    .collect(Collectors.joining(", ")),
                test(name),
                name),
        trail,
        List.of());
  }

  /// What decides, by what the value does.
  private static String test(String name) {
    var what = name.toLowerCase(Locale.ROOT);
    if (what.contains("microstep") || what.contains("pulses") || what.contains("steps"))
      return "Mark the shaft and command one turn: it turns once by the one that is right, twice or half by the other.";
    if (what.contains("current") || what.contains("trimmer"))
      return "Set the lesser of both, and measure the current of one winding at rest with a clamp for direct current.";
    if (what.contains("contact"))
      return "Measure across the contact with the drive fed and well, then without its mains: closed and open say ready.";
    if (what.contains("run") || what.contains("stop"))
      return "With the motor uncoupled, open and close the run input: what starts and stops it is right.";
    if (what.contains("frequency") || what.contains("speed"))
      return "Command it with the motor uncoupled and measure its speed.";
    if (what.contains("volt"))
      return "Count on the lesser, and measure without load before anything is plugged in.";
    return "Set the one that can do no harm, try it with the motor uncoupled, and measure.";
  }
}
