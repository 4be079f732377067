package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Circuitry;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.RideThrough;
import nelvar.core.network.Timeline;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// What is done to a running machine, moment by moment, and which loads lose their volts by it and
/// when. Every program goes on as before: what a controller would do besides counts for nothing.
///
/// Played twice: with everything that lets go at its quickest and at its slowest. A motor behind a
/// drive has lost its torque when the drive can give none any more: by its input that lets it run,
/// or when its capacitors are down.
///
/// @param slow at its slowest, the worst of a stop; @param quick at its quickest
public record StopRehearsal(Timeline slow, Timeline quick, List<Fate> loads) {
  /// A load that keeps this share of its volts has lost nothing.
  static final double KEPT = 0.5;

  private static final double LEAST = 1;

  /// When a load is without its volts.
  ///
  /// @param fed until when its drive, or itself, had its feed, at the latest
  /// @param carried from then on by the capacitors of its drive
  public record Dry(
      Duration soonest, Duration latest, Duration fed, Optional<RideThrough> carried) {}

  /// When a load had lost its volts, last, and since when it has them again.
  public record Back(Duration lost, Duration again) {}

  /// What becomes of one load.
  ///
  /// @param before its volts while the machine ran
  /// @param dry where it is without, at the end; empty where it still has them
  /// @param back when it had lost them and has them again
  /// @param known whether its volts are at every moment
  public record Fate(
      Device device,
      String intake,
      Voltage before,
      Optional<Dry> dry,
      Optional<Back> back,
      boolean known) {
    /// At its slowest.
    public Optional<Duration> latest() {
      return dry.map(Dry::latest);
    }
  }

  public StopRehearsal {
    loads = List.copyOf(loads);
  }

  public static StopRehearsal of(List<Rehearsal.Act> acts, Duration until, Study study) {
    var slow = play(acts, until, Rehearsal.Pace.SLOW, study);
    var quick = play(acts, until, Rehearsal.Pace.QUICK, study);
    var all = new ArrayList<Fate>();
    var first = slow.moments().getFirst().live();
    for (var served : first.circuitry().served()) {
      var before = first.at(served.device(), served.intake());
      if (before.filter(volts -> volts.volts() >= LEAST).isPresent())
        all.add(fate(served, before.get(), slow, quick, study));
    }
    return new StopRehearsal(slow, quick, all);
  }

  private static Timeline play(
      List<Rehearsal.Act> acts, Duration until, Rehearsal.Pace pace, Study study) {
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    return Rehearsal.of(study.engine(), conditions, WhatIf.AS_DESIGNED, acts, until, pace);
  }

  /// What becomes of the loads of a device.
  public List<Fate> of(Device device) {
    return loads.stream().filter(f -> f.device().id().equals(device.id())).toList();
  }

  /// The drive that a device has its volts from.
  static Optional<Device> drive(Device device, Study study) {
    return study.network().feeds(device.id()).stream()
        .flatMap(feed -> feed.source().stream())
        .map(nelvar.core.network.Source::device)
        .filter(source -> study.part(source).filter(Part::drives).isPresent())
        .findFirst();
  }

  /// One timeline's word on a load.
  private record Word(Optional<Duration> dry, Optional<Back> back, boolean known) {}

  private static Fate fate(
      Circuitry.Served served, Voltage before, Timeline slow, Timeline quick, Study study) {
    var late = word(served, before, slow);
    var soon = word(served, before, quick);
    var known = late.known() && soon.known();
    // Where the two differ, what is worse counts: it keeps its volts.
    var gone = late.dry().isPresent() && soon.dry().isPresent();
    if (!gone)
      return new Fate(
          served.device(),
          served.intake().name(),
          before,
          Optional.empty(),
          late.back().or(soon::back),
          known);
    var carried = carried(served.device(), late.dry().get(), slow, study);
    var until = late.dry().get().seconds();
    var from = soon.dry().get().seconds();
    var fed = until;
    if (carried.isPresent()) {
      until += carried.get().most().seconds();
      from += carried.get().least().seconds();
    }
    return new Fate(
        served.device(),
        served.intake().name(),
        before,
        Optional.of(
            new Dry(
                new Duration(Math.min(from, until)),
                new Duration(until),
                new Duration(Math.min(fed, until)),
                carried)),
        Optional.empty(),
        known);
  }

  /// What its drive, or the drive it is, has in its capacitors when its own feed has gone.
  private static Optional<RideThrough> carried(
      Device device, Duration dry, Timeline slow, Study study) {
    var drive = drive(device, study);
    if (drive.isEmpty()) return Optional.empty();
    var first = slow.moments().getFirst().live();
    var lost =
        first.circuitry().served(drive.get().id()).stream()
            .flatMap(served ->
                first
                    .at(served.device(), served.intake())
                    .flatMap(volts -> word(served, volts, slow).dry())
                    .stream())
            .filter(at -> at.compareTo(dry) <= 0)
            .min(Duration::compareTo);
    return lost.flatMap(at -> RideThrough.of(drive.get(), first, at(at, slow)));
  }

  /// How it stands from a time on.
  private static Live at(Duration time, Timeline timeline) {
    return timeline.moments().stream()
        .filter(moment -> moment.at().compareTo(time) <= 0)
        .reduce((_, later) -> later)
        .orElseThrow()
        .live();
  }

  static Optional<Duration> offSince(ActuatorRef ref, Timeline timeline) {
    Optional<Duration> since = Optional.empty();
    for (var moment : timeline.moments()) {
      if (moment.live().on(ref)) since = Optional.empty();
      else if (since.isEmpty()) since = Optional.of(moment.at());
    }
    return since;
  }

  /// When something had let go, last, and since when it is in again.
  static Optional<Back> backIn(ActuatorRef ref, Timeline timeline) {
    Optional<Duration> off = Optional.empty();
    Optional<Back> back = Optional.empty();
    for (var moment : timeline.moments()) {
      var on = moment.live().on(ref);
      if (on && off.isPresent()) back = Optional.of(new Back(off.get(), moment.at()));
      if (on) off = Optional.empty();
      else if (off.isEmpty()) off = Optional.of(moment.at());
    }
    return back;
  }

  private static Word word(Circuitry.Served served, Voltage before, Timeline timeline) {
    Optional<Duration> dry = Optional.empty();
    Optional<Back> back = Optional.empty();
    var known = true;
    for (var moment : timeline.moments()) {
      var volts = volts(moment.live(), served);
      known &= volts.isPresent();
      // What is not known has not lost its volts.
      var has = volts.map(u -> u.volts() >= KEPT * before.volts()).orElse(true);
      if (has && dry.isPresent()) {
        back = Optional.of(new Back(dry.get(), moment.at()));
        dry = Optional.empty();
      } else if (!has && dry.isEmpty()) {
        dry = Optional.of(moment.at());
        back = Optional.empty();
      }
    }
    return new Word(dry, back, known);
  }

  private static Optional<Voltage> volts(Live live, Circuitry.Served served) {
    return live.at(served.device(), served.intake());
  }

  /// Pressed while the machine runs, and not let go.
  public static StopRehearsal pressing(Device button, Duration until, Study study) {
    return of(List.of(press(button, study)), until, study);
  }

  /// Pressed, and let go after so long; nothing else is done.
  public static StopRehearsal pressedAndLetGo(
      Device button, Duration after, Duration until, Study study) {
    var hand = hand(button, study);
    var release =
        new Rehearsal.Act(
            after, "let go " + button.designation(), trial -> trial.holding(hand, false));
    return of(List.of(press(button, study), release), until, study);
  }

  private static Rehearsal.Act press(Device button, Study study) {
    var hand = hand(button, study);
    return new Rehearsal.Act(
        new Duration(0), "press " + button.designation(), trial -> trial.holding(hand, true));
  }

  private static ActuatorRef hand(Device button, Study study) {
    return study.asDesigned().circuitry().actuators(button.id()).stream().findFirst().orElseThrow();
  }

  /// What its part or its purpose calls a stop, with a contact closed at rest.
  public static boolean stops(Device device, Study study) {
    return study.part(device).orElse(null) instanceof ControlSwitch button
        && button.closedContacts() > 0
        && (button.id().contains("stop")
            || device.purpose().toLowerCase(Locale.ROOT).contains("stop"));
  }
}
