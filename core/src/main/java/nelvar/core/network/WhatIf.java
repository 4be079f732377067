package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;

/// What is tried on the network without touching the project: disturbances, and how hard loads
/// work. Immutable; two with the same disturbances in any order are equal.
public final class WhatIf {
  /// As designed: everything that runs, runs, at what can be on together.
  public static final WhatIf AS_DESIGNED = new WhatIf(Set.of(), LoadMode.TOGETHER);

  private final Set<Disturbance> disturbances;
  private final LoadMode loads;

  // The same by what is asked of them most often.
  private final Map<ActuatorRef, Boolean> held = new HashMap<>();
  private final Map<ActuatorRef, Boolean> frozen = new HashMap<>();
  private final Set<PoleRef> welded = new HashSet<>();
  private final Set<Id> cut = new LinkedHashSet<>();
  private final Set<Id> dead = new HashSet<>();
  private final Set<Id> opened = new HashSet<>();
  private final Set<PoleRef> openedPoles = new HashSet<>();
  private final List<Disturbance.Bridge> bridges = new ArrayList<>();
  private final double mains;

  private WhatIf(Set<Disturbance> disturbances, LoadMode loads) {
    this.disturbances = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(disturbances));
    this.loads = loads;
    var left = 1.0;
    for (var disturbance : disturbances) {
      switch (disturbance) {
        case Disturbance.Hold(var actuator, var on) -> held.put(actuator, on);
        case Disturbance.Frozen(var actuator, var on) -> frozen.put(actuator, on);
        case Disturbance.Weld(var pole) -> welded.add(pole);
        case Disturbance.Open(var device, var pole) ->
            pole.ifPresentOrElse(openedPoles::add, () -> opened.add(device));
        case Disturbance.Cut(var conductor) -> cut.add(conductor);
        case Disturbance.Dead(var device) -> dead.add(device);
        case Disturbance.Bridge bridge -> bridges.add(bridge);
        case Disturbance.Loose _,
            Disturbance.Swap _,
            Disturbance.Plug _,
            Disturbance.WrongPart _,
            Disturbance.WrongSetting _,
            Disturbance.Entered _,
            Disturbance.LoadAt _ -> {}
        case Disturbance.Sag(var share) -> left = share.fraction();
      }
    }
    this.mains = left;
  }

  /// In the order they were tried.
  public Set<Disturbance> disturbances() {
    return disturbances;
  }

  public LoadMode loads() {
    return loads;
  }

  public boolean asDesigned() {
    return equals(AS_DESIGNED);
  }

  /// How many things are changed.
  public int count() {
    return disturbances.size() + (loads == LoadMode.TOGETHER ? 0 : 1);
  }

  /// What an actuator is held at; empty where it is free.
  public Optional<Boolean> held(ActuatorRef actuator) {
    return Optional.ofNullable(held.get(actuator));
  }

  /// What an output is frozen at; empty where it follows its program.
  public Optional<Boolean> frozen(ActuatorRef actuator) {
    return Optional.ofNullable(frozen.get(actuator));
  }

  public boolean welded(PoleRef pole) {
    return welded.contains(pole);
  }

  /// Whether a whole protective device is open.
  public boolean opened(Id device) {
    return opened.contains(device);
  }

  /// Whether a protective pole is open, by itself or with its device.
  public boolean opened(PoleRef pole) {
    return opened.contains(pole.a().device()) || openedPoles.contains(pole);
  }

  public boolean cut(Id conductor) {
    return cut.contains(conductor);
  }

  public boolean dead(Id device) {
    return dead.contains(device);
  }

  public List<Disturbance.Bridge> bridges() {
    return java.util.Collections.unmodifiableList(bridges);
  }

  /// Whether nothing but actuators is disturbed.
  public boolean onlyHolds() {
    return held.size() == disturbances.size();
  }

  /// Those that make another machine of it: other parts, other wiring, other settings.
  List<Disturbance> rebuilt() {
    return disturbances.stream()
        .filter(disturbance ->
            switch (disturbance) {
              case Disturbance.Swap _,
                  Disturbance.Plug _,
                  Disturbance.WrongPart _,
                  Disturbance.WrongSetting _,
                  Disturbance.Entered _ ->
                  true;
              case Disturbance.Hold _,
                  Disturbance.Frozen _,
                  Disturbance.Weld _,
                  Disturbance.Open _,
                  Disturbance.Cut _,
                  Disturbance.Loose _,
                  Disturbance.Bridge _,
                  Disturbance.LoadAt _,
                  Disturbance.Sag _,
                  Disturbance.Dead _ ->
                  false;
            })
        .toList();
  }

  /// The machine that other parts, wiring and settings make of a project.
  public Project machine(Project project) {
    return Rebuilt.of(project, rebuilt());
  }

  /// What is tried on that machine besides.
  public WhatIf besides() {
    var made = rebuilt();
    return without(made::contains);
  }

  /// With one more disturbance; of two that exclude each other the later counts.
  public WhatIf with(Disturbance more) {
    var next = new LinkedHashSet<>(disturbances);
    next.removeIf(there -> replaces(more, there));
    next.add(more);
    return new WhatIf(next, loads);
  }

  private static boolean replaces(Disturbance more, Disturbance there) {
    return switch (more) {
      case Disturbance.Hold(var actuator, _) ->
          there instanceof Disturbance.Hold(var other, _) && other.equals(actuator);
      case Disturbance.Frozen(var actuator, _) ->
          there instanceof Disturbance.Frozen(var other, _) && other.equals(actuator);
      case Disturbance.Loose(var conductor, _) ->
          there instanceof Disturbance.Loose(var other, _) && other.equals(conductor);
      case Disturbance.WrongPart(var device, _) ->
          there instanceof Disturbance.WrongPart(var other, _) && other.equals(device);
      case Disturbance.WrongSetting(var device, _) ->
          there instanceof Disturbance.WrongSetting(var other, _) && other.equals(device);
      case Disturbance.Entered(var device, _, _) ->
          there instanceof Disturbance.Entered(var other, _, _) && other.equals(device);
      case Disturbance.LoadAt(var device, _) ->
          there instanceof Disturbance.LoadAt(var other, _) && other.equals(device);
      case Disturbance.Sag _ -> there instanceof Disturbance.Sag;
      case Disturbance.Bridge(var a, var b) ->
          there instanceof Disturbance.Bridge other && other.joins(a, b);
      case Disturbance.Swap(var a, var b) ->
          there instanceof Disturbance.Swap(var c, var d) && Set.of(a, b).equals(Set.of(c, d));
      case Disturbance.Plug(var device, var plug, _, _) ->
          there instanceof Disturbance.Plug(var other, var name, _, _)
              && other.equals(device)
              && name.equals(plug);
      case Disturbance.Weld _, Disturbance.Open _, Disturbance.Cut _, Disturbance.Dead _ ->
          there.equals(more);
    };
  }

  /// The share of its nominal volts that a dip leaves of the mains.
  public double mains() {
    return mains;
  }

  /// Without those that `gone` names.
  public WhatIf without(Predicate<Disturbance> gone) {
    var next = new LinkedHashSet<>(disturbances);
    next.removeIf(gone);
    return new WhatIf(next, loads);
  }

  /// With a disturbance, or without it where it is there already.
  public WhatIf toggling(Disturbance disturbance) {
    var without =
        without(there ->
            switch (disturbance) {
              case Disturbance.Bridge _, Disturbance.Swap _ -> replaces(disturbance, there);
              default -> there.equals(disturbance);
            });
    return without.equals(this) ? with(disturbance) : without;
  }

  public WhatIf holding(ActuatorRef actuator, boolean on) {
    return with(new Disturbance.Hold(actuator, on));
  }

  public WhatIf holding(List<ActuatorRef> actuators, boolean on) {
    var all = new HashSet<>(actuators);
    var next = new LinkedHashSet<>(disturbances);
    next.removeIf(there -> there instanceof Disturbance.Hold(var other, _) && all.contains(other));
    for (var actuator : actuators) next.add(new Disturbance.Hold(actuator, on));
    return new WhatIf(next, loads);
  }

  public WhatIf releasing(ActuatorRef actuator) {
    return without(
        there -> there instanceof Disturbance.Hold(var other, _) && other.equals(actuator));
  }

  /// Opens all poles of a protective device, or puts it back.
  public WhatIf togglingProtection(Id device) {
    return toggling(new Disturbance.Open(device, Optional.empty()));
  }

  /// Opens one pole or channel, or puts it back.
  public WhatIf togglingPole(PoleRef pole) {
    return toggling(new Disturbance.Open(pole.a().device(), Optional.of(pole)));
  }

  /// Cuts a conductor, or mends it.
  public WhatIf togglingCut(Id conductor) {
    return toggling(new Disturbance.Cut(conductor));
  }

  /// Welds a contact, or frees it.
  public WhatIf togglingWeld(PoleRef pole) {
    return toggling(new Disturbance.Weld(pole));
  }

  /// Bridges two terminals, or takes the bridge away.
  public WhatIf togglingShort(TerminalRef a, TerminalRef b) {
    return toggling(new Disturbance.Bridge(a, b));
  }

  public WhatIf with(LoadMode next) {
    return new WhatIf(disturbances, next);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof WhatIf that
        && that.disturbances.equals(disturbances)
        && that.loads == loads;
  }

  @Override
  public int hashCode() {
    return disturbances.hashCode() * 31 + loads.hashCode();
  }

  @Override
  public String toString() {
    return disturbances + " " + loads;
  }
}
