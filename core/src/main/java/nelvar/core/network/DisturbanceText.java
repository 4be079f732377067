package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;

/// What is tried, in words: `-S1 pressed`, `-F3 pulled`, `W12 cut`.
final class DisturbanceText {
  private final Project project;

  DisturbanceText(Project project) {
    this.project = project;
  }

  List<String> of(WhatIf trial) {
    var all = new ArrayList<>(of(trial.disturbances()));
    switch (trial.loads()) {
      case TOGETHER -> {}
      case MEAN -> all.add("loads at duty");
      case ALL_ON -> all.add("every load on");
      case IDLE -> all.add("loads at rest");
    }
    return all;
  }

  private List<String> of(Set<Disturbance> disturbances) {
    return disturbances.stream().map(this::of).sorted().collect(Collectors.toList());
  }

  String of(Disturbance disturbance) {
    return switch (disturbance) {
      case Disturbance.Hold(var ref, var on) -> state(ref, on);
      case Disturbance.Frozen(var ref, var on) -> state(ref, on) + ", frozen";
      case Disturbance.Weld(var pole) -> pole(pole) + " welded";
      case Disturbance.Open(var device, var pole) ->
          pole.map(this::pole).orElseGet(() -> label(device)) + " pulled";
      case Disturbance.Cut(var conductor) -> wire(conductor) + " cut";
      case Disturbance.Loose(var conductor, var more) -> wire(conductor) + " loose, " + more;
      case Disturbance.Bridge(var a, var b) -> at(a) + " to " + at(b) + " bridged";
      case Disturbance.Swap(var a, var b) -> at(a) + " and " + at(b) + " swapped";
      case Disturbance.Plug(var device, var plug, var how, _) ->
          label(device) + " " + plug + " " + how;
      case Disturbance.WrongPart(var device, var part) -> label(device) + " is " + part;
      case Disturbance.WrongSetting(var device, var trip) -> label(device) + " set to " + trip;
      case Disturbance.Entered(var device, var how, _) -> label(device) + " " + how;
      case Disturbance.LoadAt(var device, var share) -> label(device) + " at " + share;
      case Disturbance.Sag(var left) -> "mains at " + left;
      case Disturbance.Dead(var device) -> label(device) + " dead";
    };
  }

  private String state(ActuatorRef ref, boolean on) {
    return label(ref.device())
        + " "
        + ref.name()
        + (ref.name().equals("pressed") && on ? "" : on ? " on" : " off");
  }

  private String label(Id device) {
    return project.device(device).map(d -> d.designation().text()).orElse(device.text());
  }

  private String at(TerminalRef terminal) {
    return label(terminal.device()) + ":" + terminal.terminal();
  }

  private String pole(PoleRef pole) {
    return label(pole.a().device()) + " " + pole.a().terminal() + "–" + pole.b().terminal();
  }

  private String wire(Id conductor) {
    return project.conductors().stream()
        .filter(c -> c.id().equals(conductor))
        .findFirst()
        .map(c -> c.label().text())
        .orElse(conductor.text());
  }
}
