package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.trail.Working;

/// Motors that move one load together stop together: a gantry with one side dead racks and jams.
///
/// Solved with each stop pressed. Where each has its own drive, a drive that stops by its own fault
/// must be told to whatever moves the other: by its alarm contact, if it has one (common practice).
public final class GantryTogether implements Rule {
  private static final Reason ONE_SIDE = Reason.of("One side of an axis stops alone");
  private static final Reason UNTOLD = Reason.of("One side may fail and nobody is told");
  private static final String ALARM = TellOfAlarm.ALARM;

  @Override
  public String id() {
    return "stop.gantry";
  }

  @Override
  public String asks() {
    return "Motors that move one load together stop together.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var together = new LinkedHashMap<Id, List<MotionAxis>>();
    for (var axis : MotionAxes.of(study))
      if (axis.sharedBy() > 1 && axis.function().isPresent())
        together.merge(
            axis.function().get().id(),
            List.of(axis),
            (a, b) -> Stream.concat(a.stream(), b.stream()).toList());
    return together.values().stream()
        .filter(sides -> sides.size() > 1)
        .flatMap(
            Contained.one(
                this, sides -> sides.getFirst().motor().id(), sides -> judge(sides, study)));
  }

  private static Verdict judge(List<MotionAxis> sides, Study study) {
    var first = sides.getFirst();
    var name = first.function().orElseThrow().designation().text();
    if (!study.asDesigned().settled())
      return new Verdict.NotChecked(first.motor().id(), "no steady state of the machine is found");
    var w = Working.of("Sides of " + name);
    for (var one : Pressed.all(study)) {
      var stopped = sides.stream().filter(axis -> one.takes(axis.motor(), study)).toList();
      w.given(
          one.button().designation().text(),
          stopped.size() + " of " + sides.size() + " lose their volts",
          "solved with it pressed");
      if (!stopped.isEmpty() && stopped.size() < sides.size())
        return new Verdict.Finding(
            first.motor().id(),
            Severity.ERROR,
            ONE_SIDE,
            "%s takes the torque of %s but not of the other side of %s: it racks and jams. Lead both sides over what the stop opens."
                .formatted(
                    one.button().designation(), stopped.getFirst().motor().designation(), name),
            w.explain(first.motor().id()).trail(),
            sides.stream()
                .filter(axis -> !stopped.contains(axis))
                .findFirst()
                .map(axis -> behindTheSame(stopped.getFirst().drive(), axis.drive(), study))
                .orElse(List.of()));
    }
    var drives = sides.stream().map(MotionAxis::drive).distinct().toList();
    var untold =
        drives.size() < 2
            ? List.<Device>of()
            : drives.stream()
                .filter(drive ->
                    study.part(drive).stream()
                        .flatMap(p -> p.terminals().stream())
                        .anyMatch(t -> t.name().equals(ALARM)))
                .filter(
                    drive -> !study.network().topology().wired(new TerminalRef(drive.id(), ALARM)))
                .toList();
    w.given("drives", drives.size(), "of its sides");
    w.given("whose alarm is not wired", untold.size(), "terminal ALM");
    var trail = w.explain(first.motor().id()).trail();
    if (untold.isEmpty()) return new Verdict.Pass(first.motor().id(), trail);
    return new Verdict.Finding(
        first.motor().id(),
        Severity.WARNING,
        UNTOLD,
        "%s has a drive a side, and the alarm of %s is not wired: when one side fails the other drives on and racks the axis. Lead the alarm of each to an input that stops both."
            .formatted(
                name, String.join(", ", untold.stream().map(d -> d.designation().text()).toList())),
        trail,
        TellOfAlarm.ways(untold, study));
  }

  /// The drive that goes on is led to where that of the stopped side gets its volts.
  private static List<Repair> behindTheSame(Device stopped, Device goesOn, Study study) {
    if (stopped.equals(goesOn) || !stopped.part().equals(goesOn.part())) return List.of();
    var edits = new ArrayList<Edit>();
    for (var feed : study.network().feeds(goesOn.id()))
      for (var mark : feed.intake().lines()) {
        var end = new TerminalRef(goesOn.id(), mark);
        var wire = only(end, study);
        var there = new TerminalRef(stopped.id(), mark);
        var source = only(there, study).map(w -> w.from().equals(there) ? w.to() : w.from());
        if (wire.isEmpty() || source.isEmpty()) return List.of();
        if (wire.get().lands(source.get())) continue;
        if (!SignalWire.room(source.get(), study)) return List.of();
        edits.add(landed(wire.get(), source.get(), end));
      }
    var label =
        "Feed %s from where %s is fed".formatted(goesOn.designation(), stopped.designation());
    return edits.stream()
        .reduce((a, b) -> a.then(b))
        .map(edit -> new Repair(label, edit.named(label)))
        .stream()
        .toList();
  }

  private static Edit landed(Conductor wire, TerminalRef source, TerminalRef load) {
    return new Edit(
        "Land " + wire.label(),
        project ->
            project.withConductors(
                Project.changed(
                    project.conductors(),
                    c -> c.id().equals(wire.id()),
                    c -> c.withEnds(source, load))));
  }

  /// The one wire that lands there.
  private static Optional<Conductor> only(TerminalRef at, Study study) {
    var all = study.project().conductors().stream().filter(c -> c.lands(at)).toList();
    return all.size() == 1 ? Optional.of(all.getFirst()) : Optional.empty();
  }
}
