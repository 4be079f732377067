package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Cutting;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.trail.Working;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Reading;

/// A spindle gives the power of the cut that is wanted: `cuts aluminium 3 x 6 mm at 2400 mm/min` in
/// the words of its function (depth, width, feed).
///
/// `P = ap · ae · vf · kc/(60 · η)`; specific forces and 80 % are common practice, from memory: it
/// warns. A spindle cooled by air gives three quarters of its nameplate for ever (common practice).
public final class SpindleCuts implements Rule {
  private static final Reason WEAK = Reason.of("The spindle is too weak for the cut");
  private static final Percent EFFICIENCY = new Percent(80);
  private static final double BY_AIR = 0.75;

  private static final Pattern CUTS =
      Pattern.compile(
          "(?i)\\bcuts\\s+([a-z]+)\\s+([0-9.,]+)\\s*(?:mm)?\\s*x\\s*([0-9.,]+)\\s*mm\\s+at\\s+([0-9.,]+\\s*(?:mm/min|mm/s|m/min))");

  /// What is cut.
  public record Cut(Cutting.Material material, Length depth, Length width, Measure feed) {
    public Power power() {
      return Cutting.power(depth, width, feed, material, EFFICIENCY);
    }
  }

  /// Empty where the words say no cut, or none of a known material.
  public static Optional<Cut> read(String words) {
    var found = CUTS.matcher(words);
    if (!found.find()) return Optional.empty();
    var material =
        Stream.of(Cutting.Material.values())
            .filter(m ->
                m.name()
                    .equals(
                        String.valueOf(found.group(1))
                            .toUpperCase(Locale.ROOT)
                            .replace("ALUMINUM", "ALUMINIUM")))
            .findFirst();
    var depth = length(found.group(2));
    var width = length(found.group(3));
    if (material.isEmpty()
        || depth.isEmpty()
        || width.isEmpty()
        || !(Kind.of(Measure.Unit.FEED).read(String.valueOf(found.group(4)))
            instanceof Reading.Value<Measure>(var feed))) return Optional.empty();
    return Optional.of(new Cut(material.get(), depth.get(), width.get(), feed));
  }

  /// The piece of a sentence that says a cut.
  public static Optional<String> phrase(String text) {
    var found = CUTS.matcher(text);
    return found.find() ? Optional.of(found.group()) : Optional.empty();
  }

  private static Optional<Length> length(@org.jspecify.annotations.Nullable String text) {
    return Kind.LENGTH.read(text + " mm") instanceof Reading.Value<Length>(var value)
            && value.metres() > 0
        ? Optional.of(value)
        : Optional.empty();
  }

  @Override
  public String id() {
    return "motion.spindle-power";
  }

  @Override
  public String asks() {
    return "Every spindle gives the power of the cut that is wanted of it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof InductionMotor)
        .flatMap(
            Contained.many(
                this,
                Device::id,
                device ->
                    device
                        .serves()
                        .flatMap(id -> words(id, study))
                        .filter(words -> words.toLowerCase(Locale.ROOT).contains("cuts "))
                        .map(words -> judge(device, words, study))
                        .stream()));
  }

  private static Optional<String> words(Id function, Study study) {
    return study.project().functions().stream()
        .filter(f -> f.id().equals(function))
        .findFirst()
        .flatMap(f -> f.wants().detail());
  }

  private static Verdict judge(Device device, String words, Study study) {
    var cut = read(words);
    if (cut.isEmpty())
      return new Verdict.NotChecked(
          device.id(),
          "'%s' says no cut: write it such as cuts aluminium 3 x 6 mm at 2400 mm/min"
              .formatted(words));
    var part = (InductionMotor) study.part(device).orElseThrow();
    var wet = part.cooling().filter(InductionMotor.Cooling.LIQUID::equals).isPresent();
    var w = Working.of("Cut of " + device.designation());
    w.given("ap", cut.get().depth(), words);
    w.given("ae", cut.get().width(), words);
    w.given("vf", cut.get().feed(), words);
    w.assumed(
        "kc",
        cut.get().material().specificForce() + " N/mm²",
        "of " + cut.get().material().name().toLowerCase(Locale.ROOT) + ", common practice");
    w.assumed("η", EFFICIENCY, "of the spindle");
    var asked = w.result("P", "ap · ae · vf · kc/(60 · η)", cut.get().power());
    var gives =
        w.result(
            "Pmax",
            wet ? "nameplate" : "0.75 · nameplate, cooled by air",
            wet ? part.power() : part.power().times(BY_AIR));
    var trail = w.explain(asked).trail();
    if (asked.compareTo(gives) <= 0) return new Verdict.Pass(device.id(), trail);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        WEAK,
        "The cut that is wanted of %s asks for some %s, and it gives %s for ever: it slows down, its tool breaks or its drive gives up. Cut less deep or slower, or take a larger spindle."
            .formatted(device.designation(), asked, gives),
        trail,
        List.of());
  }
}
