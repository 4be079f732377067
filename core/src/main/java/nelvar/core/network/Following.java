package nelvar.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.network.solve.Inputs;
import nelvar.core.network.solve.Solution;
import nelvar.core.network.solve.Solver;
import org.jspecify.annotations.Nullable;

/// Lets contacts follow their coils: solve, look at the volts on coils, move contacts, solve again,
/// until nothing moves or a state comes back.
final class Following {
  /// Of a circle that are looked at for what differs in them.
  private static final int MOST_STATES = 32;

  private final Circuitry circuitry;
  private final Solver solver;
  private final WhatIf trial;
  private final Conditions conditions;

  /// By group: capacitors that stand at so many volts.
  private final Map<Integer, Double> charged;

  private @Nullable Solution start;

  Following(Circuitry circuitry, Solver solver, WhatIf trial, Conditions conditions) {
    this(circuitry, solver, trial, conditions, Map.of());
  }

  Following(
      Circuitry circuitry,
      Solver solver,
      WhatIf trial,
      Conditions conditions,
      Map<Integer, Double> charged) {
    this.charged = charged;
    this.circuitry = circuitry;
    this.solver = solver;
    this.trial = trial;
    this.conditions = conditions;
  }

  /// @param supplies by group: an output kept up without input, or kept down with it
  Live frozen(Positions at, Map<Integer, Boolean> supplies) {
    solver.begin();
    var on = positions(at);
    var inputs = inputs(on);
    supplies.forEach((group, up) -> {
      if (up) inputs.keep(group);
      else inputs.allow(group, false);
    });
    return live(new Rest(on, inputs, solver.solve(inputs), List.of()), List.of(), List.of());
  }

  /// Where actuators want to be at the volts of a state.
  static java.util.Set<ActuatorRef> moving(Live live) {
    var circuitry = live.circuitry();
    var all = new java.util.LinkedHashSet<ActuatorRef>();
    for (var set : circuitry.actuators) {
      var on = live.on(set.ref());
      if (Wish.of(set, on, live.trial(), circuitry, live.solution()) != on) all.add(set.ref());
    }
    return all;
  }

  /// Whether it is about the same grid.
  boolean of(Circuitry other) {
    return circuitry == other;
  }

  /// Begins with the volts of a running machine, which most of what is tried hardly changes.
  Live settleFrom(Live running, Positions from) {
    start = running.solution();
    return settle(from);
  }

  private void begin() {
    if (start == null) solver.begin();
    else solver.begin(start);
  }

  Live settle(Positions from) {
    begin();
    var begun = positions(from);
    // All that want to move, move together. Where that goes round in a circle, real ones do not
    // move
    // at quite the same time: one after another, whichever is first.
    var together = follow(begun, Order.TOGETHER);
    if (together.circle.isEmpty()) return live(together, List.of(), List.of());
    var first = follow(begun, Order.FIRST);
    var last = follow(begun, Order.LAST);
    if (!first.circle.isEmpty() && !last.circle.isEmpty())
      return live(first.beside(solved(first.circle, last.circle)), cycle(first.circle), List.of());
    if (first.circle.isEmpty() && last.circle.isEmpty() && Arrays.equals(first.on, last.on))
      return live(first, List.of(), List.of());
    // Which one it will be, chance decides: not the order in which the file names them.
    var shown = first.circle.isEmpty() ? first : last;
    var raced = new ArrayList<boolean[]>(List.of(first.on, last.on));
    raced.addAll(first.circle);
    raced.addAll(last.circle);
    var rival = shown == first ? last : first;
    var others = rival.circle.isEmpty() ? List.of(rival.solution) : solved(rival.circle, List.of());
    return live(shown.beside(others), List.of(), cycle(raced));
  }

  /// The states of circles, each solved.
  private List<Solution> solved(List<boolean[]> one, List<boolean[]> other) {
    var all = new LinkedHashMap<String, Solution>();
    for (var states : List.of(one, other))
      for (var on : states)
        if (all.size() < MOST_STATES)
          all.computeIfAbsent(Arrays.toString(on), _ -> solver.solve(inputs(on)));
    return List.copyOf(all.values());
  }

  /// Which of those that want to move go first.
  private enum Order {
    TOGETHER,
    FIRST,
    LAST
  }

  /// Where contacts came to rest, or the states they go round in.
  private static final class Rest {
    private final boolean[] on;
    private final Inputs inputs;
    private final Solution solution;
    private final List<boolean[]> circle;

    Rest(boolean[] on, Inputs inputs, Solution solution, List<boolean[]> circle) {
      this.on = on;
      this.inputs = inputs;
      this.solution = solution;
      this.circle = circle;
    }

    private Rest beside(List<Solution> others) {
      return new Rest(on, inputs, solution.beside(others), circle);
    }
  }

  private Rest follow(boolean[] begun, Order order) {
    var on = begun;
    var seen = new HashMap<String, Integer>();
    var history = new ArrayList<boolean[]>();
    // A chain of contacts needs a round for each; only a state that comes back is a circle.
    var rounds = 100 + 10 * on.length;
    for (var round = 0; round < rounds; round++) {
      var inputs = inputs(on);
      var solution = solver.solve(inputs);
      var wanted = wants(on, solution);
      if (Arrays.equals(on, wanted)) return new Rest(on, inputs, solution, List.of());
      var again = seen.putIfAbsent(Arrays.toString(on), round);
      if (again != null)
        return new Rest(on, inputs, solution, List.copyOf(history.subList(again, history.size())));
      history.add(on);
      on = moved(on, wanted, order);
    }
    var inputs = inputs(on);
    return new Rest(on, inputs, solver.solve(inputs), List.copyOf(history));
  }

  private static boolean[] moved(boolean[] on, boolean[] wanted, Order order) {
    if (order == Order.TOGETHER) return wanted;
    var next = on.clone();
    for (var k = 0; k < on.length; k++) {
      var i = order == Order.FIRST ? k : on.length - 1 - k;
      if (on[i] == wanted[i]) continue;
      next[i] = wanted[i];
      return next;
    }
    return next;
  }

  /// What moved between the states of a circle.
  private List<ActuatorRef> cycle(List<boolean[]> states) {
    var moving = new ArrayList<ActuatorRef>();
    for (var i = 0; i < circuitry.actuators.size(); i++) {
      var index = i;
      if (states.stream().map(state -> state[index]).distinct().count() > 1)
        moving.add(circuitry.actuators.get(i).ref());
    }
    return moving;
  }

  private Live live(Rest rest, List<ActuatorRef> chatter, List<ActuatorRef> race) {
    var on = rest.on;
    var positions = new HashMap<ActuatorRef, Boolean>();
    for (var i = 0; i < on.length; i++) positions.put(circuitry.actuators.get(i).ref(), on[i]);
    return new Live(
        circuitry,
        rest.solution,
        trial,
        conditions,
        new Positions(positions),
        chatter,
        race,
        solver,
        rest.inputs);
  }

  private boolean[] positions(Positions from) {
    var on = new boolean[circuitry.actuators.size()];
    for (var i = 0; i < on.length; i++) {
      var set = circuitry.actuators.get(i);
      on[i] = trial.held(set.ref()).orElse(from.on(set));
      if (trial.dead(set.device().id())) on[i] = false;
      on[i] = trial.frozen(set.ref()).orElse(on[i]);
    }
    return on;
  }

  private Inputs inputs(boolean[] on) {
    var inputs = new Inputs(circuitry.grid);
    inputs.mains(conditions.mains() * trial.mains());
    for (var s : circuitry.switched)
      inputs.close(s.branch(), on[s.actuator()] != s.closedAtRest() || trial.welded(s.pole()));
    for (var pole : circuitry.poles)
      if (trial.opened(pole.pole())) inputs.close(pole.branch(), false);
    for (var given : circuitry.given)
      if (!given.needs().isEmpty())
        inputs.allow(given.group(), given.needs().stream().allMatch(needed -> on[needed]));
    for (var served : circuitry.served)
      share(served, trial.loads().share(served.device().work()), inputs);
    charged.forEach(inputs::charge);
    for (var disturbance : trial.disturbances()) disturb(disturbance, inputs);
    circuitry.stray.trip(inputs);
    return inputs;
  }

  private static void share(Circuitry.Served served, double share, Inputs inputs) {
    for (var load : served.loads()) inputs.share(load, share);
  }

  /// What a disturbance does besides moving contacts.
  private void disturb(Disturbance disturbance, Inputs inputs) {
    switch (disturbance) {
      case Disturbance.Cut(var conductor) ->
          circuitry.branch(conductor).ifPresent(branch -> inputs.close(branch, false));
      case Disturbance.Loose(var conductor, var more) ->
          circuitry.branch(conductor).ifPresent(branch -> inputs.loosen(branch, more.ohms()));
      case Disturbance.LoadAt(var device, var share) -> {
        for (var served : circuitry.served)
          if (served.device().id().equals(device)) share(served, share.fraction(), inputs);
      }
      case Disturbance.Dead(var device) -> {
        for (var served : circuitry.served)
          if (served.device().id().equals(device)) share(served, 0, inputs);
        for (var given : circuitry.given)
          if (given.device().id().equals(device)) inputs.allow(given.group(), false);
      }
      case Disturbance.Bridge bridge ->
          circuitry.bridged(bridge).ifPresent(b -> inputs.bridge(b.a(), b.b(), b.ohms()));
      case Disturbance.Sag _,
          Disturbance.Hold _,
          Disturbance.Frozen _,
          Disturbance.Weld _,
          Disturbance.Open _,
          Disturbance.Swap _,
          Disturbance.Plug _,
          Disturbance.WrongPart _,
          Disturbance.WrongSetting _,
          Disturbance.Entered _ -> {}
    }
  }

  private boolean[] wants(boolean[] on, Solution solution) {
    var wanted = on.clone();
    for (var i = 0; i < wanted.length; i++)
      wanted[i] = Wish.of(circuitry.actuators.get(i), on[i], trial, circuitry, solution);
    return wanted;
  }
}
