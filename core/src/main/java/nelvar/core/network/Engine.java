package nelvar.core.network;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.ReentrantLock;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Solver;
import nelvar.core.units.Duration;
import nelvar.core.units.Temperature;

/// The one engine behind volts and amperes: solves a project under any conditions and trials.
///
/// Safe to ask from several threads; it answers one at a time.
public final class Engine {
  private final Topology topology;
  private final Map<Temperature, Built> built = new HashMap<>();
  private final Map<Conditions, Live> running = new HashMap<>();
  private final ReentrantLock lock = new ReentrantLock();

  /// A capacitor below this counts as empty, V.
  private static final double EMPTY = 0.05;

  private record Built(Circuitry circuitry, Solver solver) {}

  private Engine(Topology topology) {
    this.topology = topology;
  }

  public static Engine of(Network network) {
    return new Engine(network.topology());
  }

  /// The grid with wires at a temperature and nothing bridged.
  public Circuitry circuitry(Temperature wires) {
    lock.lock();
    try {
      return built(wires).circuitry();
    } finally {
      lock.unlock();
    }
  }

  private Built built(Temperature wires) {
    return built.computeIfAbsent(
        wires,
        _ -> {
          var circuitry = NetworkBuilder.build(topology, wires);
          return new Built(circuitry, new Solver(circuitry.grid()));
        });
  }

  /// The steady state the machine is in when its contacts have followed their coils, beginning from
  /// a running machine.
  public Live solve(WhatIf trial, Conditions conditions) {
    return solve(trial, conditions, Positions.RUNNING);
  }

  /// @param from where contacts stand before they follow their coils
  public Live solve(WhatIf trial, Conditions conditions, Positions from) {
    lock.lock();
    try {
      if (from.equals(Positions.RUNNING)) {
        if (trial.asDesigned()) return running(conditions);
        if (trial.rebuilt().isEmpty() && trial.loads() == LoadMode.TOGETHER)
          return following(trial, conditions).settleFrom(running(conditions), from);
      }
      return following(trial, conditions).settle(from);
    } finally {
      lock.unlock();
    }
  }

  /// The machine as designed: what is tried on it begins there, whatever was asked before.
  private Live running(Conditions conditions) {
    var known = running.get(conditions);
    if (known == null) {
      known = following(WhatIf.AS_DESIGNED, conditions).settle(Positions.RUNNING);
      running.put(conditions, known);
    }
    return known;
  }

  private Following following(WhatIf trial, Conditions conditions) {
    var use = use(trial, conditions);
    return new Following(use.circuitry(), use.solver(), trial, conditions);
  }

  /// The state with every contact held where it is.
  Live frozen(WhatIf trial, Conditions conditions, Positions at, Map<Integer, Boolean> supplies) {
    lock.lock();
    try {
      return following(trial, conditions).frozen(at, supplies);
    } finally {
      lock.unlock();
    }
  }

  /// The machine so long after it was disturbed: capacitors that lost what fed them still hold what
  /// is left of their charge, and contacts have followed.
  ///
  /// @param before what it was running as
  public Live after(WhatIf before, WhatIf trial, Conditions conditions, Duration time) {
    lock.lock();
    try {
      var was = solve(before, conditions);
      var next = following(trial, conditions);
      var steady =
          next.of(was.circuitry())
              ? next.settleFrom(was, was.positions())
              : next.settle(was.positions());
      var charges = Charges.of(was, steady);
      if (charges.isEmpty()) return steady.holding(charges, time, was);
      var use = use(trial, conditions);
      var volts = new HashMap<Integer, Double>();
      for (var store : use.circuitry().stores) {
        var plus = new TerminalRef(store.device().id(), store.across().plus());
        for (var charge : charges) {
          if (charge.across().isEmpty() || !steady.metal(charge.across().getFirst()).contains(plus))
            continue;
          var left = charge.after(time).volts();
          if (left >= EMPTY) volts.put(store.group(), left);
        }
      }
      var live =
          volts.isEmpty()
              ? steady
              : new Following(use.circuitry(), use.solver(), trial, conditions, volts)
                  .settle(was.positions());
      return live.holding(charges, time, was);
    } finally {
      lock.unlock();
    }
  }

  /// What capacitors hold in a state that were charged in an earlier one and are fed no longer.
  public static List<StoredCharge> charges(Live before, Live now) {
    return Charges.of(before, now);
  }

  /// What capacitors hold when the mains is switched off, as charged without load under conditions.
  public List<StoredCharge> charges(Conditions charging) {
    lock.lock();
    try {
      var idle = WhatIf.AS_DESIGNED.with(LoadMode.IDLE);
      var was = solve(idle, charging);
      return Charges.of(was, solve(idle, new Conditions(charging.wires(), 0), was.positions()));
    } finally {
      lock.unlock();
    }
  }

  private Built use(WhatIf trial, Conditions conditions) {
    var rebuilt = trial.rebuilt();
    if (rebuilt.isEmpty()) return built(conditions.wires());
    var other = topology.of(Rebuilt.of(topology.project(), rebuilt));
    var circuitry = NetworkBuilder.build(other, conditions.wires());
    return new Built(circuitry, new Solver(circuitry.grid()));
  }
}
