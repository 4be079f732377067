package nelvar.core.network;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// What is tried on the network without touching the project: switches moved, contacts welded,
/// fuses pulled, wires cut, terminals shorted. Immutable.
///
/// @param held actuators kept in a state, whatever their coil or program says
/// @param welded contacts that stay closed
/// @param opened protective devices that are off, pulled or tripped
/// @param cut conductors that are broken
/// @param shorts terminals bridged with a milliohm
public record WhatIf(
    Map<ActuatorRef, Boolean> held,
    Set<PoleRef> welded,
    Set<Id> opened,
    Set<Id> cut,
    List<Bridged> shorts,
    LoadMode loads) {

  /// Two terminals bridged.
  public record Bridged(TerminalRef a, TerminalRef b) {
    @Override
    public String toString() {
      return a + " to " + b;
    }
  }

  /// As designed: everything that runs, runs, at what can be on together.
  public static final WhatIf AS_DESIGNED =
      new WhatIf(Map.of(), Set.of(), Set.of(), Set.of(), List.of(), LoadMode.TOGETHER);

  public WhatIf {
    held = Collections.unmodifiableMap(new HashMap<>(held));
    welded = Collections.unmodifiableSet(new HashSet<>(welded));
    opened = Collections.unmodifiableSet(new HashSet<>(opened));
    cut = Collections.unmodifiableSet(new HashSet<>(cut));
    shorts = List.copyOf(shorts);
  }

  public boolean asDesigned() {
    return equals(AS_DESIGNED);
  }

  /// How many things are changed.
  public int count() {
    return held.size()
        + welded.size()
        + opened.size()
        + cut.size()
        + shorts.size()
        + (loads == LoadMode.TOGETHER ? 0 : 1);
  }

  public WhatIf holding(ActuatorRef actuator, boolean on) {
    var next = new HashMap<>(held);
    next.put(actuator, on);
    return new WhatIf(next, welded, opened, cut, shorts, loads);
  }

  public WhatIf releasing(ActuatorRef actuator) {
    var next = new HashMap<>(held);
    next.remove(actuator);
    return new WhatIf(next, welded, opened, cut, shorts, loads);
  }

  /// Opens a protective device, or puts it back.
  public WhatIf togglingGuard(Id device) {
    return new WhatIf(held, welded, toggled(opened, device), cut, shorts, loads);
  }

  /// Cuts a conductor, or mends it.
  public WhatIf togglingCut(Id conductor) {
    return new WhatIf(held, welded, opened, toggled(cut, conductor), shorts, loads);
  }

  /// Welds a contact, or frees it.
  public WhatIf togglingWeld(PoleRef pole) {
    return new WhatIf(held, toggled(welded, pole), opened, cut, shorts, loads);
  }

  /// Bridges two terminals, or takes the bridge away.
  public WhatIf togglingShort(TerminalRef a, TerminalRef b) {
    var next = new ArrayList<>(shorts);
    if (!next.removeIf(s -> Set.of(s.a(), s.b()).equals(new HashSet<>(List.of(a, b)))))
      next.add(new Bridged(a, b));
    return new WhatIf(held, welded, opened, cut, next, loads);
  }

  public WhatIf with(LoadMode next) {
    return new WhatIf(held, welded, opened, cut, shorts, next);
  }

  private static <T> Set<T> toggled(Set<T> set, T item) {
    var next = new HashSet<>(set);
    if (!next.remove(item)) next.add(item);
    return next;
  }
}
