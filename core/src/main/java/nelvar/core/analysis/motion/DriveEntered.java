package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Frequency;
import nelvar.core.units.Kind;
import nelvar.core.units.Significant;

/// What is entered in a frequency converter fits its motor and its wiring.
///
/// Judged are only values that somebody entered (settings of the drive): volts over frequency
/// against the nameplate, the motor's current, its greatest frequency, what makes it run and what
/// its run input means against what is wired to them, which ways it may turn, whether it looks at
/// its lines. The limits are common practice: 15 % more flux saturates a motor, 5 % more current is
/// no overload protection, 20 % less trips under load.
public final class DriveEntered implements Rule {
  private static final Reason RUNS = Reason.of("A drive runs by something else than its wires");
  private static final Reason OPEN = Reason.of("A broken wire runs a drive");
  private static final Reason FLUX = Reason.of("A drive gives its motor too much flux");
  private static final Reason WEAK = Reason.of("A drive gives its motor too little flux");
  private static final Reason CURRENT = Reason.of("A drive does not protect its motor");
  private static final Reason EARLY = Reason.of("A drive trips before its motor is loaded");
  private static final Reason FAST = Reason.of("A drive may turn its motor too fast");
  private static final Reason SLOW = Reason.of("A motor may turn too slowly to cool itself");
  private static final Reason WAYS = Reason.of("A drive may turn the wrong way");
  private static final Reason DEAF = Reason.of("A drive takes its speed from elsewhere");
  private static final Reason PHASES = Reason.of("A drive looks for a line it has not");
  private static final Reason TELLS = Reason.of("A contact of a drive tells something else");
  private static final Reason READ = Reason.of("A drive shows another value than entered");

  private static final double TOO_MUCH_FLUX = 1.15;
  private static final double TOO_LITTLE_FLUX = 0.8;
  private static final double TOO_MUCH_CURRENT = 1.05;
  private static final double TOO_LITTLE_CURRENT = 0.8;
  private static final double TOO_FAST = 1.2;
  private static final double COMMONEST = 50;

  @Override
  public String id() {
    return "motion.drive-entered";
  }

  @Override
  public String asks() {
    return "What is entered in every frequency converter fits its motor and what is wired to it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return DrivenMotor.all(study).stream()
        .flatMap(
            Contained.many(
                this, driven -> driven.drive().id(), driven -> judge(driven, study).stream()));
  }

  private static List<Verdict> judge(DrivenMotor driven, Study study) {
    var lines = DriveSheet.of(driven, study);
    if (lines.stream().allMatch(line -> line.row().entered().isEmpty())) return List.of();
    var w = Working.of("What is entered in " + driven.drive().designation());
    for (var line : lines)
      line.row()
          .entered()
          .ifPresent(e ->
              w.given(
                  line.parameter().role().title(),
                  e,
                  line.row().value().filter(v -> !SettingsSheet.same(v, e)).orElse("as computed")));
    var trail = w.explain(driven.name()).trail();
    var all = new ArrayList<Verdict>();
    for (var line : lines) {
      unreadable(line, driven).ifPresent(all::add);
      if (line.readOtherwise())
        all.add(
            found(
                driven,
                READ,
                Severity.WARNING,
                "%s shows %s for its %s, and %s is to be there: enter it again, with the motor standing."
                    .formatted(
                        driven.drive().designation(),
                        line.read().orElseThrow(),
                        line.row().name(),
                        line.row().value().or(line.row()::entered).orElse("")),
                trail,
                List.of()));
    }
    flux(driven, study, trail).ifPresent(all::add);
    current(driven, trail).ifPresent(all::add);
    fast(driven, study, trail).ifPresent(all::add);
    runs(driven, trail).ifPresent(all::add);
    for (var line : lines)
      if (line.row().standing() == SettingsSheet.Standing.DIFFERS
          && unreadable(line, driven).isEmpty())
        Contradiction.of(line, driven)
            .map(c -> found(driven, c.reason(), c.severity(), c.text(), trail, way(driven, line)))
            .ifPresent(all::add);
    if (all.isEmpty()) all.add(new Verdict.Pass(driven.drive().id(), trail));
    return all;
  }

  /// What a value that is another than computed does, where one sentence says it.
  private record Contradiction(Reason reason, Severity severity, String text) {
    /// Empty where it does no harm, or where another judgement of this rule says it.
    static Optional<Contradiction> of(DriveSheet.Line line, DrivenMotor driven) {
      var drive = driven.drive().designation();
      var motor = driven.motors().getFirst().designation();
      var entered = line.row().entered().orElse("");
      return switch (line.parameter().role()) {
        case RUN_INPUT ->
            said(
                OPEN,
                Severity.ERROR,
                "%s runs while its run input is open: a broken wire, and a stop that opens it, run its motor. Set it to run when closed."
                    .formatted(drive));
        case CONTACT ->
            said(
                TELLS,
                Severity.WARNING,
                "The contact of %s is set to tell %s, and it stands in a circuit that wants to know whether it is ready."
                    .formatted(drive, entered));
        case TURNS ->
            said(
                WAYS,
                Severity.WARNING,
                "%s may turn both ways, and %s is made for one. Lock the way back in the drive: no wire and no program then reverses it."
                    .formatted(drive, driven.name()));
        case LEAST_FREQUENCY ->
            said(
                SLOW,
                Severity.ADVICE,
                "%s may turn %s as slowly as %s: %s. Hold it at %s, give it a fan of its own, or let its beads be read."
                    .formatted(
                        drive, motor, entered, line.row().why(), line.row().value().orElse("")));
        case INPUT_PHASE_LOSS ->
            driven.converter().onTwoLines(driven.drive().spare())
                ? said(
                    PHASES,
                    Severity.WARNING,
                    "%s is fed by two of three lines and is set to look for the third: it trips under load."
                        .formatted(drive))
                : Optional.empty();
        case SPEED_SOURCE ->
            driven.commandWired()
                ? said(
                    DEAF,
                    Severity.WARNING,
                    "%s takes its speed from its %s, and a command is wired to it: that wire does nothing, and %s turns at whatever speed is kept."
                        .formatted(drive, entered, motor))
                : said(
                    DEAF,
                    Severity.WARNING,
                    "%s takes its speed from its %s, and nothing is wired to that: it stands, whatever runs it."
                        .formatted(drive, entered));
        case MOTOR_VOLTS,
            BASE_FREQUENCY,
            MOTOR_CURRENT,
            GREATEST_FREQUENCY,
            RAMP_UP,
            RAMP_DOWN,
            STOPS_BY,
            STARTS_FROM,
            RUN_SOURCE ->
            Optional.empty();
      };
    }

    private static Optional<Contradiction> said(Reason reason, Severity severity, String text) {
      return Optional.of(new Contradiction(reason, severity, text));
    }
  }

  /// What is no quantity, or none of its choices.
  private static Optional<Verdict> unreadable(DriveSheet.Line line, DrivenMotor driven) {
    var entered = line.row().entered();
    if (entered.isEmpty()) return Optional.empty();
    return line.parameter().reads(entered.get())
        ? Optional.empty()
        : Optional.of(
            new Verdict.NotChecked(
                driven.drive().id(),
                "'%s' says nothing for its %s: it takes %s"
                    .formatted(
                        entered.get(),
                        line.row().name().toLowerCase(Locale.ROOT),
                        line.parameter().takes())));
  }

  /// Volts a hertz against the nameplate: more saturates iron, less gives no torque.
  private static Optional<Verdict> flux(DrivenMotor driven, Study study, Trail trail) {
    var volts = driven.quantity(Role.MOTOR_VOLTS, Kind.VOLTAGE);
    var base = driven.frequency(Role.BASE_FREQUENCY);
    if ((volts.isEmpty() && base.isEmpty()) || base.filter(f -> f.hertz() <= 0).isPresent())
      return Optional.empty();
    var plate = driven.motor().nameplateVolts(driven.linkage());
    // Where no nameplate says it, 50 Hz and 60 Hz are both possible: the milder counts.
    var wound =
        driven.motor().frequency().isPresent() || driven.wound(study).hertz() <= COMMONEST
            ? driven.wound(study)
            : new Frequency(COMMONEST);
    var given =
        volts.orElse(plate).volts() / base.orElse(wound).hertz() / (plate.volts() / wound.hertz());
    if (given <= TOO_MUCH_FLUX && given >= TOO_LITTLE_FLUX) return Optional.empty();
    var much = given > TOO_MUCH_FLUX;
    return Optional.of(
        found(
            driven,
            much ? FLUX : WEAK,
            much ? Severity.ERROR : Severity.WARNING,
            "%s is set to %s at %s, and %s is wound for %s at %s: %s times the flux. %s"
                .formatted(
                    driven.drive().designation(),
                    volts.orElse(plate),
                    base.orElse(wound),
                    driven.motors().getFirst().designation(),
                    plate,
                    wound,
                    Significant.digits(given),
                    much
                        ? "Its iron saturates, it hums and burns, standing or turning."
                        : "It has that much less torque, and stalls."),
            trail,
            List.of(
                Repair.of(
                    say(driven, Role.MOTOR_VOLTS, plate)
                        .then(say(driven, Role.BASE_FREQUENCY, driven.wound(study)))
                        .named(
                            "Set %s to %s at %s"
                                .formatted(
                                    driven.drive().designation(), plate, driven.wound(study)))))));
  }

  private static nelvar.core.model.edit.Edit say(DrivenMotor driven, Role role, Object value) {
    return PinEdits.say(driven.drive(), role.title(), value.toString());
  }

  private static Optional<Verdict> current(DrivenMotor driven, Trail trail) {
    var set = driven.quantity(Role.MOTOR_CURRENT, Kind.CURRENT);
    if (set.filter(i -> i.compareTo(driven.current().times(TOO_LITTLE_CURRENT)) < 0).isPresent())
      return Optional.of(
          found(
              driven,
              EARLY,
              Severity.WARNING,
              "%s is set to a motor of %s, and what hangs on it takes %s: it trips while its motor works."
                  .formatted(driven.drive().designation(), set.get(), driven.current()),
              trail,
              List.of(Repair.of(say(driven, Role.MOTOR_CURRENT, driven.current())))));
    if (set.filter(i -> i.compareTo(driven.current().times(TOO_MUCH_CURRENT)) > 0).isEmpty())
      return Optional.empty();
    return Optional.of(
        found(
            driven,
            CURRENT,
            Severity.ERROR,
            "%s is set to a motor of %s, and what hangs on it takes %s: it lets it burn before it trips."
                .formatted(driven.drive().designation(), set.get(), driven.current()),
            trail,
            List.of(Repair.of(say(driven, Role.MOTOR_CURRENT, driven.current())))));
  }

  private static Optional<Verdict> fast(DrivenMotor driven, Study study, Trail trail) {
    var set = driven.frequency(Role.GREATEST_FREQUENCY);
    var wound = driven.wound(study);
    var most = wound.hertz() * (driven.motor().frequency().isPresent() ? 1.001 : TOO_FAST + 0.001);
    if (set.filter(f -> f.hertz() > most).isEmpty()) return Optional.empty();
    return Optional.of(
        found(
            driven,
            FAST,
            Severity.WARNING,
            "%s may turn %s at %s, and it is wound for %s: its bearings, its balance and what it turns must be made for that."
                .formatted(
                    driven.drive().designation(),
                    driven.motors().getFirst().designation(),
                    set.get(),
                    wound),
            trail,
            List.of(Repair.of(say(driven, Role.GREATEST_FREQUENCY, wound)))));
  }

  private static Optional<Verdict> runs(DrivenMotor driven, Trail trail) {
    var by =
        driven
            .entered(Role.RUN_SOURCE)
            .filter(text ->
                driven.converter().keeps().stream()
                    .anyMatch(p -> p.role() == Role.RUN_SOURCE && p.reads(text)))
            .map(text -> text.strip().toLowerCase(Locale.ROOT));
    if (by.isEmpty()) return Optional.empty();
    if (driven.runWired() && !by.get().equals("terminals"))
      return Optional.of(
          found(
              driven,
              RUNS,
              Severity.ERROR,
              "%s runs by its %s, and its run input is wired: whatever opens that wire, a stop among it, does nothing."
                  .formatted(driven.drive().designation(), by.get()),
              trail,
              List.of(Repair.of(say(driven, Role.RUN_SOURCE, "terminals")))));
    if (by.get().equals("command"))
      return Optional.of(
          found(
              driven,
              RUNS,
              Severity.WARNING,
              "%s runs as soon as its speed command is above what starts it, and nothing else holds it: a stray volt, a lifted 0 V or a program that hangs run it. Wire its run input, and let that decide."
                  .formatted(driven.drive().designation()),
              trail,
              List.of()));
    return Optional.empty();
  }

  private static List<Repair> way(DrivenMotor driven, DriveSheet.Line line) {
    return line
        .row()
        .value()
        .map(v -> Repair.of(PinEdits.say(driven.drive(), line.row().name(), v)))
        .stream()
        .toList();
  }

  private static Verdict found(
      DrivenMotor driven,
      Reason reason,
      Severity severity,
      String text,
      Trail trail,
      List<Repair> ways) {
    return new Verdict.Finding(driven.drive().id(), severity, reason, text, trail, ways);
  }
}
