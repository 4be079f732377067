package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Sensing;
import nelvar.core.model.Device;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;

/// Every sensor whose target is said sees it: near enough for its metal and size, long enough and
/// not too often for sensor and input, and flush in metal only where it may be.
///
/// `0.81 · Sn · k` for a target of at least the face or 3 Sn (IEC 60947-5-2, unchecked; see
/// [Sensing]). A mark must be seen for as long as sensor and input need together; contrast and
/// light from outside are not judged. What a maker does not state is not checked.
public final class SensesTarget implements Rule {
  private static final Reason TOO_FAR = Reason.of("Target too far for the sensor");
  private static final Reason TOO_FAST = Reason.of("Target passes too fast to be seen");
  private static final Reason NOT_FLUSH = Reason.of("Sensor sees the metal it sits in");
  private static final Reason UNREAD = Reason.of("A target cannot be read");

  @Override
  public String id() {
    return "signals.target";
  }

  @Override
  public String asks() {
    return "Every sensor sees its target, as far away and as fast as it passes.";
  }

  private record Said(Device device, Sensor sensor, String text) {}

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().settings().stream()
        .filter(setting -> setting.name().equalsIgnoreCase(Target.SETTING))
        .flatMap(setting -> said(setting, study).stream())
        .flatMap(
            Contained.many(this, said -> said.device().id(), said -> judge(said, study).stream()));
  }

  private static Optional<Said> said(Setting setting, Study study) {
    var device = study.device(setting.device());
    return device
        .flatMap(study::part)
        .filter(Sensor.class::isInstance)
        .map(part -> new Said(device.orElseThrow(), (Sensor) part, setting.value()));
  }

  private static List<Verdict> judge(Said said, Study study) {
    var target = Target.read(said.text());
    var w = Working.of("Target of " + said.device().designation());
    w.given("target", said.text(), "as said");
    if (target.isEmpty())
      return List.of(
          finding(
              said,
              Severity.WARNING,
              UNREAD,
              "The target of %s, '%s', cannot be read: %s."
                  .formatted(said.device().designation(), said.text(), Target.ACCEPTED),
              w));
    var all = new ArrayList<Verdict>();
    distance(said, target.get(), w).ifPresent(all::add);
    time(said, target.get(), w, study).ifPresent(all::add);
    if (all.isEmpty()) all.add(new Verdict.Pass(said.device().id(), w.explain(said).trail()));
    return all;
  }

  private static Optional<Verdict> distance(Said said, Target target, Working w) {
    if (target.metal().isEmpty()) return Optional.empty();
    var data = said.sensor().stated();
    if (data.distance().isEmpty() || data.face().isEmpty())
      return Optional.of(
          new Verdict.NotChecked(said.device().id(), "its sensing distance or face is not stated"));
    var usable =
        Sensing.usable(
            data.distance().get(),
            target.metal().get(),
            target.size().orElseThrow(),
            data.face().get());
    w.given("Sn", data.distance().get(), "rated, for mild steel");
    w.result("S", "0.81 · Sn · k · target/full, the last at most 1", usable);
    w.given("distance", target.distance().orElseThrow(), "as said");
    if (target.flush() && data.flush().filter(flush -> !flush).isPresent())
      return Optional.of(
          finding(
              said,
              Severity.WARNING,
              NOT_FLUSH,
              "%s is not made to sit flush in metal: it sees its surroundings and stays on. Keep metal three rated distances away from its face, or take one that may be flush."
                  .formatted(said.device().designation()),
              w));
    if (usable.compareTo(target.distance().orElseThrow()) >= 0) return Optional.empty();
    return Optional.of(
        finding(
            said,
            Severity.ERROR,
            TOO_FAR,
            "%s surely sees %s of %s at %s, and it passes at %s. Bring it nearer, make the target %s or larger, or take a longer sensing distance."
                .formatted(
                    said.device().designation(),
                    target.metal().get().name().toLowerCase(java.util.Locale.ROOT),
                    target.size().orElseThrow(),
                    usable,
                    target.distance().orElseThrow(),
                    Sensing.fullTarget(data.distance().get(), data.face().get())),
            w));
  }

  private static Optional<Verdict> time(Said said, Target target, Working w, Study study) {
    var seen = target.seenFor();
    if (seen.isEmpty()) return Optional.empty();
    var data = said.sensor().stated();
    var pin = pin(said.device(), study);
    var input = pin.flatMap(Pin::pulse);
    if (data.response().isEmpty())
      return Optional.of(new Verdict.NotChecked(said.device().id(), "its response is not stated"));
    var needs =
        new Duration(data.response().get().seconds() + input.map(Duration::seconds).orElse(0.0));
    w.given("seen", new Duration(seen.get()), "size over speed");
    w.given("response", data.response().get(), "of the sensor");
    input.ifPresentOrElse(
        filter -> w.given("input", filter, "least pulse it sees"),
        () -> w.assumed("input", "adds nothing", "its least pulse is not stated"));
    if (seen.get() < needs.seconds())
      return Optional.of(
          finding(
              said,
              Severity.ERROR,
              TOO_FAST,
              "%s has its target before it for %s, and sensor and input need %s: it is missed. Make the target %s long, pass slower, or take a quicker sensor."
                  .formatted(
                      said.device().designation(),
                      new Duration(seen.get()),
                      needs,
                      target
                          .speed()
                          .map(v -> new Length(v * needs.seconds()).toString())
                          .orElse("wider")),
              w));
    var often = target.perSecond().map(Frequency::new);
    var most =
        Stream.of(data.frequency(), pin.flatMap(Pin::frequency))
            .flatMap(Optional::stream)
            .min(java.util.Comparator.naturalOrder());
    often.ifPresent(f -> w.given("f", f, "targets each second"));
    most.ifPresent(f -> w.given("fmax", f, "of sensor and input, the lesser"));
    if (often.isPresent() && most.isPresent() && often.get().compareTo(most.get()) > 0)
      return Optional.of(
          finding(
              said,
              Severity.ERROR,
              TOO_FAST,
              "%s is to tell %s apart, and sensor and input tell %s: counts are lost. Pass slower, or take a quicker sensor or input."
                  .formatted(said.device().designation(), often.get(), most.get()),
              w));
    return Optional.empty();
  }

  private static Optional<Pin> pin(Device sensor, Study study) {
    var out = new TerminalRef(sensor.id(), "OUT");
    return PinLinks.of(study).stream()
        .filter(link -> link.partners().contains(out))
        .map(PinLink::pin)
        .findFirst();
  }

  private static Verdict finding(
      Said said, Severity severity, Reason reason, String text, Working w) {
    return new Verdict.Finding(
        said.device().id(), severity, reason, text, w.explain(said).trail(), List.of());
  }
}
