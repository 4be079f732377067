package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.network.Circuitry;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.Timeline;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// What is done to a running machine, moment by moment, and which loads lose their volts by it and
/// when. Every program goes on as before: what a controller would do besides counts for nothing.
///
/// Contacts, coils, protective devices and supplies act after their own times. What goes on without
/// volts (a drive by its capacitors, what turns, what hangs) is not in these times.
public record StopRehearsal(Timeline timeline, List<Fate> loads) {
  /// A load that keeps this share of its volts has lost nothing.
  static final double KEPT = 0.5;

  private static final double LEAST = 1;

  /// What becomes of one load.
  ///
  /// @param before its volts while the machine ran
  /// @param dry since when it is without, at the end; empty where it still has them
  /// @param back when it had lost them and has them again
  /// @param earliest whether that is the earliest: a drive before it may go on by its capacitors
  /// @param known whether its volts are at every moment
  public record Fate(
      Device device,
      String intake,
      Voltage before,
      Optional<Duration> dry,
      Optional<Duration> back,
      boolean earliest,
      boolean known) {}

  public StopRehearsal {
    loads = List.copyOf(loads);
  }

  public static StopRehearsal of(List<Rehearsal.Act> acts, Duration until, Study study) {
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    var timeline = Rehearsal.of(study.engine(), conditions, WhatIf.AS_DESIGNED, acts, until);
    var all = new ArrayList<Fate>();
    var first = timeline.moments().getFirst().live();
    for (var served : first.circuitry().served()) {
      var before = first.at(served.device(), served.intake());
      if (before.filter(volts -> volts.volts() >= LEAST).isPresent())
        all.add(fate(served, before.get(), timeline, driven(served.device(), study)));
    }
    return new StopRehearsal(timeline, all);
  }

  private static boolean driven(Device device, Study study) {
    return study.network().feeds(device.id()).stream()
        .flatMap(feed -> feed.source().stream())
        .anyMatch(source -> study.part(source.device()).filter(Part::drives).isPresent());
  }

  private static Fate fate(
      Circuitry.Served served, Voltage before, Timeline timeline, boolean earliest) {
    Optional<Duration> dry = Optional.empty();
    Optional<Duration> back = Optional.empty();
    var known = true;
    for (var moment : timeline.moments()) {
      var volts = volts(moment.live(), served);
      known &= volts.isPresent();
      // What is not known has not lost its volts.
      var has = volts.map(u -> u.volts() >= KEPT * before.volts()).orElse(true);
      if (has && dry.isPresent()) {
        back = Optional.of(moment.at());
        dry = Optional.empty();
      } else if (!has && dry.isEmpty()) {
        dry = Optional.of(moment.at());
        back = Optional.empty();
      }
    }
    return new Fate(served.device(), served.intake().name(), before, dry, back, earliest, known);
  }

  private static Optional<Voltage> volts(Live live, Circuitry.Served served) {
    return live.at(served.device(), served.intake());
  }

  /// Pressed while the machine runs, and not let go.
  public static StopRehearsal pressing(Device button, Duration until, Study study) {
    var hand =
        study.asDesigned().circuitry().actuators(button.id()).stream().findFirst().orElseThrow();
    var act =
        new Rehearsal.Act(
            new Duration(0), "press " + button.designation(), trial -> trial.holding(hand, true));
    return of(List.of(act), until, study);
  }

  /// What its part or its purpose calls a stop, with a contact closed at rest.
  public static boolean stops(Device device, Study study) {
    return study.part(device).orElse(null) instanceof ControlSwitch button
        && button.closedContacts() > 0
        && (button.id().contains("stop")
            || device.purpose().toLowerCase(java.util.Locale.ROOT).contains("stop"));
  }
}
