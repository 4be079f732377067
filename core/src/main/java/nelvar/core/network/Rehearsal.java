package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.Element;
import nelvar.core.formula.Discharge;
import nelvar.core.model.Device;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// What happens in which order when something is done to a machine: buttons pressed, mains lost,
/// terminals shorted. Between two moments nothing moves; coils, timers, protective devices and
/// supplies act after their own time.
///
/// What lets go may be quick or slow (`Pace`): coils by what takes up their energy (`LetsGo`),
/// drives by what their capacitors carry (`RideThrough`).
///
/// A supply without mains goes on for its hold-up time and needs half a second to come back (common
/// practice).
public final class Rehearsal {
  private static final double START_UP = 0.5;
  private static final int MOST_MOMENTS = 500;

  private final Engine engine;
  private final Conditions conditions;
  private final List<Act> acts;
  private final double horizon;
  private final Pace pace;

  private final List<Timeline.Moment> moments = new ArrayList<>();
  private final Map<ActuatorRef, Double> moves = new LinkedHashMap<>();
  private final Map<PoleRef, Double> trips = new LinkedHashMap<>();
  private final Map<Integer, Double> supplies = new LinkedHashMap<>();

  /// Charge that falls to a voltage, and when.
  private final Map<Falls, Double> charges = new LinkedHashMap<>();

  /// What capacitors stand at while they are fed.
  private final Map<nelvar.core.model.Id, Voltage> charged = new LinkedHashMap<>();

  private record Falls(Device device, Voltage to) {}

  /// What is taken of times that are known as a band only.
  public enum Pace {
    /// As the catalogue states them.
    USUAL,
    /// Everything that lets go does so at its quickest.
    QUICK,
    /// Everything that lets go does so at its slowest: the worst of a stop.
    SLOW
  }

  /// Supplies that stand otherwise than their input says, until their time is up.
  private final Map<Integer, Boolean> lagging = new HashMap<>();

  private WhatIf trial;
  private Positions positions;
  private double time;

  /// Something done at a time.
  public record Act(Duration at, String what, UnaryOperator<WhatIf> change) {}

  private Rehearsal(
      Engine engine,
      Conditions conditions,
      WhatIf from,
      List<Act> acts,
      double horizon,
      Pace pace) {
    this.engine = engine;
    this.conditions = conditions;
    this.trial = from;
    this.acts = acts;
    this.horizon = horizon;
    this.pace = pace;
    this.positions = Positions.RUNNING;
  }

  /// @param from the trial the machine runs under at first; it begins settled
  /// @param acts in order of time
  /// @param until nothing later is looked at
  public static Timeline of(
      Engine engine, Conditions conditions, WhatIf from, List<Act> acts, Duration until) {
    return of(engine, conditions, from, acts, until, Pace.USUAL);
  }

  public static Timeline of(
      Engine engine,
      Conditions conditions,
      WhatIf from,
      List<Act> acts,
      Duration until,
      Pace pace) {
    return new Rehearsal(engine, conditions, from, acts, until.seconds(), pace).run();
  }

  private Timeline run() {
    var live = engine.solve(trial, conditions);
    positions = live.positions();
    moments.add(new Timeline.Moment(new Duration(0), List.of(new Event.Running()), live));
    var next = 0;
    while (moments.size() < MOST_MOMENTS) {
      plan(live);
      var due = earliest();
      var act = next < acts.size() ? acts.get(next).at().seconds() : Double.MAX_VALUE;
      time = Math.min(due, act);
      if (time > horizon) break;
      List<Event> events;
      if (act <= due) {
        events = List.of(new Event.Done(acts.get(next).what()));
        trial = acts.get(next).change().apply(trial);
        next++;
      } else {
        events = happen();
      }
      live = engine.frozen(trial, conditions, positions, lagging);
      var before = Map.copyOf(lagging);
      supplies(live);
      if (!before.equals(lagging)) live = engine.frozen(trial, conditions, positions, lagging);
      moments.add(new Timeline.Moment(new Duration(time), events, live));
    }
    return new Timeline(moments, moments.size() >= MOST_MOMENTS);
  }

  private double earliest() {
    var due = Double.MAX_VALUE;
    for (var times : List.of(moves.values(), trips.values(), supplies.values(), charges.values()))
      for (var t : times) due = Math.min(due, t);
    return due;
  }

  private void plan(Live live) {
    var wanting = Following.moving(live);
    moves.keySet().retainAll(wanting);
    for (var ref : wanting) moves.computeIfAbsent(ref, _ -> time + delay(live, ref));
    var overloaded = new LinkedHashMap<PoleRef, Double>();
    for (var pole : live.poles())
      live.tripTime(pole).ifPresent(t -> overloaded.put(pole.pole(), time + t.seconds()));
    trips.keySet().retainAll(overloaded.keySet());
    overloaded.forEach((pole, at) -> trips.merge(pole, at, Math::min));
    supplies(live);
    charges(live);
  }

  /// Capacitors of devices that have just lost their supply empty through their bleeder.
  private void charges(Live live) {
    for (var served : live.circuitry().served()) {
      var device = served.device();
      for (var element : live.circuitry().topology().part(device.id()).orElseThrow().elements()) {
        if (!(element instanceof Element.Store store) || store.bleeder().isEmpty()) continue;
        // What is not known is taken to have lost its feed: charge is told of sooner, not later.
        var fed =
            live.at(device, served.intake()).map(Voltage::volts).orElse(0.0)
                >= 0.5 * served.intake().accepts().least().volts();
        if (fed) {
          charged.put(device.id(), stands(live, served, store));
          charges.keySet().removeIf(falls -> falls.device().id().equals(device.id()));
        } else {
          var from = charged.remove(device.id());
          if (from != null) empties(device, store, from);
        }
      }
    }
  }

  /// Of a bus behind no terminal the peak of its mains; its rating where nothing is known.
  private static Voltage stands(Live live, Circuitry.Served served, Element.Store store) {
    return store
        .across()
        .map(across ->
            live.voltage(
                    new TerminalRef(served.device().id(), across.plus()),
                    new TerminalRef(served.device().id(), across.minus()))
                .map(both -> new Voltage(Math.abs(both.direct()))))
        .orElseGet(() -> live.at(served.device(), served.intake()).map(u -> u.times(Math.sqrt(2))))
        .orElse(store.voltage());
  }

  private void empties(Device device, Element.Store store, Voltage from) {
    for (var mark : StoredCharge.MARKS) {
      if (from.compareTo(mark) <= 0) continue;
      var until = Discharge.time(store.capacitance(), store.bleeder().orElseThrow(), from, mark);
      charges.put(new Falls(device, mark), time + until.seconds());
    }
  }

  private double delay(Live live, ActuatorRef ref) {
    var on = live.on(ref);
    var moved = live.circuitry().actuators.get(live.circuitry().actuator(ref));
    return switch (moved.actuator()) {
      case Actuator.Magnet magnet ->
          on
              ? releases(moved.device(), magnet, live)
              : magnet.delay().orElse(magnet.operates()).seconds();
      case Actuator.Watch watch ->
          on ? ends(moved.device(), watch, live) : watch.operates().seconds();
      default -> 0;
    };
  }

  private double releases(Device device, Actuator.Magnet magnet, Live live) {
    var part = live.circuitry().topology().part(device.id()).orElseThrow();
    var coil = part.ownCoil();
    if (pace == Pace.USUAL || coil.isEmpty()) return magnet.releases().seconds() * slowed(device);
    var band = LetsGo.of(device, coil.get(), part);
    return (pace == Pace.QUICK ? band.least() : band.most()).seconds();
  }

  /// A drive that has lost its feed is ready for as long as its capacitors carry it.
  private double ends(Device device, Actuator.Watch watch, Live live) {
    if (pace == Pace.USUAL || !watch.name().equals(Actuator.READY))
      return watch.lingers().orElse(watch.operates()).seconds();
    return RideThrough.of(device, moments.getFirst().live(), live)
        .map(ride -> pace == Pace.QUICK ? ride.least() : ride.most())
        .orElse(watch.operates())
        .seconds();
  }

  /// What takes up the energy of a coil keeps it in for longer.
  private static double slowed(Device device) {
    return device.suppression().map(Suppression::lengthens).orElse(1.0);
  }

  /// A supply whose input has just gone is kept up for its hold-up time; one whose input has come
  /// back stays down for its start-up time.
  private void supplies(Live live) {
    for (var given : live.circuitry().given()) {
      if (!(live.circuitry().topology().part(given.device().id()).orElse(null)
          instanceof DcSupply supply)) continue;
      var lag = lagging.get(given.group());
      var up = lag == null ? wasUp(given) : lag;
      var fed = fed(live, given).orElse(up);
      if (fed == up) {
        lagging.remove(given.group());
        supplies.remove(given.group());
      } else {
        lagging.put(given.group(), up);
        var wait = up ? supply.holdUpTime().seconds() : START_UP;
        supplies.computeIfAbsent(given.group(), _ -> time + wait);
      }
    }
  }

  /// Empty where no state was found: it goes on as it was.
  private Optional<Boolean> fed(Live live, Circuitry.Given given) {
    var all = true;
    for (var served : live.circuitry().served(given.device().id())) {
      var volts = live.at(served.device(), served.intake());
      if (volts.isEmpty()) return Optional.empty();
      all &= volts.get().volts() >= 0.5 * served.intake().accepts().least().volts();
    }
    return Optional.of(all);
  }

  private final Map<Integer, Boolean> standing = new HashMap<>();

  private boolean wasUp(Circuitry.Given given) {
    return standing.getOrDefault(given.group(), true);
  }

  private List<Event> happen() {
    var events = new ArrayList<Event>();
    for (var ref : due(moves)) {
      var on = !positions.on().getOrDefault(ref, false);
      var all = new HashMap<>(positions.on());
      all.put(ref, on);
      positions = new Positions(all);
      events.add(new Event.Moved(ref, on));
    }
    for (var pole : due(trips)) {
      if (!trial.opened(pole)) trial = opening(pole);
      events.add(new Event.Opened(pole));
    }
    for (var falls : due(charges)) events.add(new Event.FellTo(falls.device().id(), falls.to()));
    for (var group : due(supplies)) {
      var up = !Boolean.TRUE.equals(lagging.remove(group));
      standing.put(group, up);
      for (var given : moments.getLast().live().circuitry().given())
        if (given.group() == group) events.add(new Event.SupplyTurned(given.device().id(), up));
    }
    return events;
  }

  /// A breaker opens all its poles together, a fuse-link or an electronic channel only its own.
  private WhatIf opening(PoleRef pole) {
    return moments.getLast().live().poles().stream()
            .filter(loaded -> loaded.pole().equals(pole))
            .anyMatch(Live.Loaded::alone)
        ? trial.togglingPole(pole)
        : trial.togglingProtection(pole.a().device());
  }

  private <K> List<K> due(Map<K, Double> times) {
    var now =
        times.entrySet().stream()
            .filter(entry -> entry.getValue() <= time + 1e-9)
            .map(Map.Entry::getKey)
            .toList();
    now.forEach(times::remove);
    return now;
  }

  /// When the first device opens at the currents of a state, and which.
  public static Optional<Live.Loaded> firstToOpen(Live live) {
    return live.poles().stream()
        .filter(pole -> live.tripTime(pole).isPresent())
        .min(
            java.util.Comparator.comparingDouble(
                pole -> live.tripTime(pole).orElseThrow().seconds()));
  }
}
