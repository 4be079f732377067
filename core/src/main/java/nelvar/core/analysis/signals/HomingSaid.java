package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// How an axis finds its place, as its builder says in the setting *Homing* of its drive: `switch
/// B6`, `switches B6, B7 squared`, `stall`, `by hand`; behind it order and direction as he likes
/// (`switch B6, first, towards -`).
///
/// Each switch is read by a pin of its own, surely; two that square a gantry are on two pins of a
/// controller that can square; a stall is told by a line that an input reads. Common practice.
public final class HomingSaid implements Rule {
  /// The name of the setting.
  public static final String SETTING = "Homing";

  private static final Reason NOT_SO = Reason.of("An axis cannot home as it is said to");
  private static final Pattern SWITCHES =
      Pattern.compile("(?i)switch(?:es)?\\s+(\\S+?)(?:\\s*,\\s*(\\S+?)\\s+squared)?(?:\\s*,.*)?");

  @Override
  public String id() {
    return "signals.homing-said";
  }

  @Override
  public String asks() {
    return "Every axis can home as it is said to.";
  }

  private record Said(Device drive, String text) {}

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().settings().stream()
        .filter(setting -> setting.name().equalsIgnoreCase(SETTING))
        .flatMap(setting -> said(setting, study).stream())
        .flatMap(Contained.one(this, said -> said.drive().id(), said -> judge(said, study)));
  }

  private static Optional<Said> said(Setting setting, Study study) {
    return study.device(setting.device()).map(device -> new Said(device, setting.value().strip()));
  }

  private static Verdict judge(Said said, Study study) {
    var w = Working.of("Homing of " + said.drive().designation());
    w.given("homing", said.text(), "as said");
    var wrong = wrong(said, w, study);
    var trail = w.explain(said).trail();
    return wrong.isEmpty()
        ? new Verdict.Pass(said.drive().id(), trail)
        : new Verdict.Finding(
            said.drive().id(),
            Severity.WARNING,
            NOT_SO,
            "%s is to home by '%s': %s."
                .formatted(said.drive().designation(), said.text(), wrong.get()),
            trail,
            List.of());
  }

  private static Optional<String> wrong(Said said, Working w, Study study) {
    var text = said.text().toLowerCase(Locale.ROOT);
    if (text.startsWith("by hand")) return Optional.empty();
    if (text.startsWith("stall")) return stall(said, study);
    var switches = SWITCHES.matcher(said.text());
    if (!switches.matches())
      return Optional.of(
          "that cannot be read; write switch B6, switches B6, B7 squared, stall, or by hand");
    var names = new ArrayList<String>(List.of(String.valueOf(switches.group(1))));
    if (switches.group(2) != null) names.add(String.valueOf(switches.group(2)));
    var pins = new ArrayList<PinLink>();
    for (var name : names) {
      var pin = pin(name, study);
      if (pin.isEmpty()) return Optional.of("no pin of a controller reads " + name);
      w.given(
          name, pin.get().words(), pin.get().board().designation() + ":" + pin.get().pin().name());
      if (pin.get().standing() != PinLink.Standing.SURE)
        return Optional.of("%s is not surely read".formatted(name));
      pins.add(pin.get());
    }
    if (pins.size() < 2) return Optional.empty();
    if (pins.getFirst().at().equals(pins.getLast().at()))
      return Optional.of("both switches are on one pin, and a gantry is squared by two");
    return study
            .part(pins.getFirst().board())
            .flatMap(Part::logic)
            .flatMap(Controller::terms)
            .filter(terms -> !terms.squaresAxes())
            .isPresent()
        ? Optional.of("its controller does not square axes")
        : Optional.empty();
  }

  private static Optional<PinLink> pin(String name, Study study) {
    var device = study.project().called(name);
    return PinLinks.of(study).stream()
        .filter(link -> link.wired() && link.pin().type().digitalInput())
        .filter(link ->
            Drivers.of(link.at(), study).conducting().keySet().stream()
                .anyMatch(ref -> device.filter(d -> d.id().equals(ref.device())).isPresent()))
        .findFirst();
  }

  private static Optional<String> stall(Said said, Study study) {
    var line = new TerminalRef(said.drive().id(), "DIAG");
    var joined = study.network().joined(line);
    if (joined.isEmpty()) return Optional.of("it has no line that tells a stall");
    return PinLinks.of(study).stream()
            .filter(link -> link.pin().type().digitalInput())
            .anyMatch(link -> joined.contains(link.at()))
        ? Optional.empty()
        : Optional.of("no input reads its stall line");
  }
}
