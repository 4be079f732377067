package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.Mechanics;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Stopping;
import nelvar.core.model.Setting;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;
import nelvar.core.units.Duration;
import nelvar.core.units.Kind;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;

/// A drive can slow its motor down in the ramp it was given, with no braking resistor or with that
/// gone.
///
/// `T = J · ω · (1/tr − 1/tc)`: what its ramp asks for beyond what friction does by itself. Motor
/// and drive turn about a fifth of the rated torque into heat (common practice, 10 to 20 %, no
/// published source); what is more lifts the bus until the drive trips, and the motor coasts. No
/// part of the catalogue states terminals for a resistor, so none is counted on.
public final class RampHeld implements Rule {
  private static final Reason TRIPS = Reason.of("Its ramp gives back more than the drive takes");
  private static final Percent TAKES = new Percent(20);
  private static final int FEWEST = 2;

  @Override
  public String id() {
    return "stop.ramp";
  }

  @Override
  public String asks() {
    return "A drive takes up what its motor gives back while it slows down.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return DrivenMotor.all(study).stream()
        .flatMap(
            Contained.many(
                this, driven -> driven.drive().id(), driven -> judge(driven, study).stream()));
  }

  /// Its ramp, where it slows its motor down at all.
  static Optional<Duration> ramp(DrivenMotor driven) {
    return driven.entered(Role.STOPS_BY).filter("coast"::equalsIgnoreCase).isPresent()
        ? Optional.empty()
        : driven.quantity(Role.RAMP_DOWN, Kind.DURATION).filter(t -> t.seconds() > 0);
  }

  private static Optional<Verdict> judge(DrivenMotor driven, Study study) {
    var ramp = ramp(driven);
    var said =
        driven
            .function()
            .map(f -> Mechanics.read(f.wants().detail().orElse("")))
            .orElseGet(() -> Mechanics.read(""));
    var coasts = said.coasts().map(Duration::new);
    if (ramp.isEmpty() || (coasts.isEmpty() && said.inertia().isEmpty())) return Optional.empty();
    var id = driven.drive().id();
    var motor = driven.motors().getFirst();
    var w = Working.of("Ramp of " + driven.drive().designation());
    w.given("tr", ramp.get(), "ramp to rest, as entered");
    coasts.ifPresent(t -> w.given("tc", t, "it runs down so by itself"));
    if (coasts.filter(t -> t.compareTo(ramp.get()) <= 0).isPresent())
      return Optional.of(new Verdict.Pass(id, w.explain(ramp.get()).trail()));
    if (said.inertia().isEmpty())
      return Optional.of(
          new Verdict.NotChecked(
              id,
              "what %s gives back in a ramp of %s, against %s by itself, is not known: 'inertia 20 kg cm2' with its function says it"
                  .formatted(motor.designation(), ramp.get(), coasts.orElseThrow())));
    var inertia =
        w.given("J", new Measure(said.inertia().get(), Measure.Unit.INERTIA), "all that turns");
    var hertz = driven.frequency(Role.GREATEST_FREQUENCY).orElse(driven.wound(study)).hertz();
    var poles = driven.motor().poles();
    var pairs = poles.orElse(FEWEST) / 2.0;
    var greatest = new Measure(60 * hertz / pairs, Measure.Unit.ROTATION);
    if (poles.isPresent()) w.given("n", greatest, "at its greatest frequency");
    else w.assumed("n", greatest, "at its greatest frequency, with two poles");
    var asks =
        w.result(
            "T",
            "J · 2π · n · (1/tr − 1/tc)",
            Stopping.slowsDown(inertia, greatest, ramp.get(), coasts));
    var rated =
        w.result(
            "TN",
            "P/(2π · nN)",
            Stopping.torque(
                driven.motor().power(),
                new Measure(60 * driven.wound(study).hertz() / pairs, Measure.Unit.ROTATION)));
    w.assumed("taken", TAKES, "of TN, by motor and drive without a resistor");
    var most = new Measure(TAKES.fraction() * rated.value(), Measure.Unit.TORQUE);
    var trail = w.explain(asks).trail();
    if (asks.compareTo(most) <= 0) return Optional.of(new Verdict.Pass(id, trail));
    var longer = Stopping.slowsIn(inertia, greatest, most, coasts);
    return Optional.of(
        new Verdict.Finding(
            id,
            Severity.WARNING,
            TRIPS,
            "To bring %s to rest in %s %s must take up %s, and without a braking resistor, or with it gone, it takes some %s: it trips, and the motor coasts%s. Enter %s or more, or count on its coasting; a resistor belongs to a drive that has terminals for it."
                .formatted(
                    motor.designation(),
                    ramp.get(),
                    driven.drive().designation(),
                    asks,
                    most,
                    coasts.map(t -> " for " + t).orElse(""),
                    longer),
            trail,
            List.of(enter(driven, longer))));
  }

  /// A tenth of a second is as fine as anybody enters; up, so that it holds.
  private static Repair enter(DrivenMotor driven, Duration longer) {
    var text = new Duration(Math.ceil(10 * longer.seconds()) / 10).toString();
    var name = Role.RAMP_DOWN.title();
    return Repair.of(
        Edits.set(
                new Setting(
                    driven.drive().id(), name, text, "so that the drive takes up what comes back"))
            .named("Enter %s as '%s' of %s".formatted(text, name, driven.drive().designation())));
  }
}
