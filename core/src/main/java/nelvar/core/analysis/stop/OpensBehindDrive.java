package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Link;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// Nothing that can open under current stands between a drive and its motor: the arc and the volts
/// of the winding kill the output stage, and the drive does not know that its motor has gone.
///
/// Passes where whatever opens it takes away what lets the drive run besides. Common practice;
/// every drive's manual says so.
public final class OpensBehindDrive implements Rule {
  private static final Reason BETWEEN = Reason.of("A contact between a drive and its motor");

  @Override
  public String id() {
    return "stop.behind-drive";
  }

  @Override
  public String asks() {
    return "No contact between a drive and its motor opens while the drive gives current.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> study.part(feed.device()).filter(p -> p.motor()).isPresent())
        .filter(feed -> StopRehearsal.drive(feed.device(), study).isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Verdict judge(Feed feed, Study study) {
    var motor = feed.device();
    var drive = StopRehearsal.drive(motor, study).orElseThrow();
    var between = new LinkedHashSet<Device>();
    for (var way : feed.lineWays())
      for (var index : way)
        if (study.network().topology().edge(index) instanceof Edge.Through(var device, var link)
            && link.kind() == Link.Kind.CONTACT
            && !device.id().equals(drive.id())
            && !blocked(device, link, drive, study)) between.add(device);
    var w = Working.of("From " + drive.designation() + " to " + motor.designation());
    w.given(
        "contacts between",
        between.isEmpty()
            ? "none that opens under current"
            : String.join(", ", between.stream().map(d -> d.designation().text()).toList()),
        "network");
    var trail = w.explain(motor.id()).trail();
    if (between.isEmpty()) return new Verdict.Pass(motor.id(), trail);
    var first = between.iterator().next();
    return new Verdict.Finding(
        motor.id(),
        Severity.WARNING,
        BETWEEN,
        "%s opens between %s and %s: opened while current flows it draws an arc and may kill the drive. Wire the motor straight to its drive and use the switch as an input that stops it; a service switch there needs a contact that blocks the drive first."
            .formatted(first.designation(), drive.designation(), motor.designation()),
        trail,
        List.of(straight(feed, between, study)));
  }

  /// Whether the drive is told to stop by what opens the contact: by a stop that moves both.
  private static boolean blocked(Device device, Link link, Device drive, Study study) {
    var needs =
        study.part(drive).stream()
            .flatMap(part -> part.outputNeeds().stream())
            .filter(need -> !need.equals(Actuator.READY))
            .map(need -> new ActuatorRef(drive.id(), need))
            .toList();
    var opens = link.actuator().map(name -> new ActuatorRef(device.id(), name));
    if (opens.isEmpty() || needs.isEmpty()) return false;
    var moving = Pressed.all(study).stream().filter(one -> !one.pressed().on(opens.get())).toList();
    return !moving.isEmpty()
        && moving.stream()
            .allMatch(one -> needs.stream().anyMatch(need -> !one.pressed().on(need)));
  }

  private static Repair straight(Feed feed, Set<Device> between, Study study) {
    var label = "Wire %s straight to its drive".formatted(feed.device().designation());
    var ways = feed.lineWays().stream().map(way -> study.wires(way)).toList();
    return new Repair(
        label,
        new Edit(
            label,
            project -> {
              var next = project;
              for (var wires : ways) next = joined(next, wires, between);
              return next;
            }));
  }

  /// Of two wires that meet at the device the one in a cable stays, else the later one.
  private static Project joined(
      Project project, List<nelvar.core.model.Conductor> wires, Set<Device> between) {
    var gone = new ArrayList<nelvar.core.model.Conductor>();
    var next = project;
    for (var i = 1; i < wires.size(); i++) {
      var before = wires.get(i - 1);
      var after = wires.get(i);
      var device =
          between.stream().filter(d -> before.touches(d.id()) && after.touches(d.id())).findFirst();
      if (device.isEmpty() || gone.contains(before)) continue;
      var keeps = after.cable().isEmpty() && before.cable().isPresent() ? before : after;
      var goes = keeps == before ? after : before;
      var far = other(goes, device.get());
      var near = other(keeps, device.get());
      gone.add(goes);
      next =
          next.withConductors(
              Project.changed(
                      next.conductors(),
                      c -> c.id().equals(keeps.id()),
                      c -> keeps == after ? c.withEnds(far, near) : c.withEnds(near, far))
                  .stream()
                  .filter(c -> !c.id().equals(goes.id()))
                  .toList());
    }
    return next;
  }

  private static TerminalRef other(nelvar.core.model.Conductor wire, Device device) {
    return wire.from().device().equals(device.id()) ? wire.to() : wire.from();
  }
}
