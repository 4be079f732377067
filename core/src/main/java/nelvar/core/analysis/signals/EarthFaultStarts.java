package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Disturbance;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;
import nelvar.core.network.Positions;
import nelvar.core.network.WhatIf;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// A wire that touches the frame starts nothing: with 0 V earthed, what switches 0 V is on the
/// wrong side.
///
/// Every open contact, output and sensor that leads to the earthed side is taken for closed, with
/// all programs off, once from cold and once ready to run: what comes on by that would come on by
/// an earth fault of its wire. Switching both poles, or a supply that is not earthed and is
/// watched, starts nothing and passes.
///
/// Demand: IEC 60204-1:2016, 9.4.3.1 (unchecked): coils common to the earthed side, the other side
/// switched.
public final class EarthFaultStarts implements Rule {
  private static final Reason STARTS = Reason.of("An earth fault switches it on");

  /// Contacts in series that are followed from the earthed side.
  private static final int DEEP = 4;

  private static final int NAMED = 4;

  @Override
  public String id() {
    return "signals.earth-fault-start";
  }

  @Override
  public String asks() {
    return "An earth fault of a control wire switches nothing on.";
  }

  /// What is switched to the earthed side, by what switches it.
  private record Switched(Device by, PoleRef way, TerminalRef end) {}

  /// Solved with programs off, without and with all those wires on the frame.
  private record Trial(Live before, Live after) {
    boolean settled() {
      return before.settled() && after.settled();
    }
  }

  @Override
  public Stream<Verdict> check(Study study) {
    // What does not come to rest as it is says nothing with a fault besides, and takes long to say
    // it.
    if (!study.asDesigned().settled()) return unknown(study);
    var switched = switched(study);
    if (switched.isEmpty()) return Stream.of();
    var by = new LinkedHashMap<Id, List<Switched>>();
    for (var one : switched) by.computeIfAbsent(one.by().id(), _ -> new ArrayList<>()).add(one);
    var trials = trials(switched, study);
    return by.values().stream()
        .flatMap(
            Contained.many(
                this,
                group -> group.getFirst().by().id(),
                group -> judge(group, trials, study).stream()));
  }

  private static Stream<Verdict> unknown(Study study) {
    return study.project().devices().stream()
        .filter(device -> PinLinks.board(device, study))
        .map(device ->
            new Verdict.NotChecked(device.id(), "no steady state of the machine is found"));
  }

  private static List<Switched> switched(Study study) {
    var all = new ArrayList<Switched>();
    var earthed = earthedSide(study);
    var cold = off(study, Positions.cold(study.engine().circuitry(conditions(study).wires())));
    // An earth fault there is a short circuit: a device opens, nothing comes on.
    var hot = new HashSet<TerminalRef>();
    for (var live : List.of(cold, off(study, Positions.RUNNING)))
      for (var source : study.network().sources())
        for (var line : source.output().lines()) {
          var end = new TerminalRef(source.device().id(), line);
          if (!hot.contains(end)) hot.addAll(live.metal(end));
        }
    for (var step = 0; step < DEEP; step++) {
      var size = all.size();
      for (var device : study.project().devices()) {
        var part = study.part(device);
        if (part.isEmpty()) continue;
        for (var link : part.get().links())
          lead(device, link, earthed, cold, study)
              .filter(one -> !hot.contains(one.end()))
              .ifPresent(all::add);
      }
      if (all.size() == size) break;
      for (var one : all.subList(size, all.size()))
        earthed.addAll(study.network().joined(one.end()));
    }
    return all;
  }

  /// What wires join to the end of a source that is earthed.
  private static Set<TerminalRef> earthedSide(Study study) {
    var all = new HashSet<TerminalRef>();
    for (var source : study.network().sources())
      for (var end : source.terminals()) {
        if (all.contains(end)) continue;
        var joined = study.network().joined(end);
        if (joined.stream().anyMatch(study.network()::earthed)) all.addAll(joined);
      }
    return all;
  }

  private static Optional<Switched> lead(
      Device device, Link link, Set<TerminalRef> earthed, Live cold, Study study) {
    if (link.actuator().isEmpty()
        || (link.kind() != Link.Kind.CONTACT && link.kind() != Link.Kind.OUTPUT))
      return Optional.empty();
    var a = new TerminalRef(device.id(), link.a());
    var b = new TerminalRef(device.id(), link.b());
    if (cold.closed(new PoleRef(a, b))) return Optional.empty();
    var first = earthed.contains(a);
    var second = earthed.contains(b);
    if (first == second) return Optional.empty();
    var end = first ? b : a;
    return study.network().topology().wired(end)
        ? Optional.of(new Switched(device, new PoleRef(a, b), end))
        : Optional.empty();
  }

  private static Conditions conditions(Study study) {
    return Conditions.usual(study.project().brief().surroundings().inside());
  }

  private static Live off(Study study, Positions from) {
    return study.engine().solve(programsOff(study), conditions(study), from);
  }

  private static WhatIf programsOff(Study study) {
    var circuitry = study.engine().circuitry(conditions(study).wires());
    return WhatIf.AS_DESIGNED.holding(circuitry.programs(), false);
  }

  private static List<Trial> trials(List<Switched> switched, Study study) {
    var faulty = programsOff(study);
    // A wire on the frame does what the contact does that leads it there.
    for (var one : switched) faulty = faulty.with(new Disturbance.Weld(one.way()));
    var circuitry = study.engine().circuitry(conditions(study).wires());
    var all = new ArrayList<Trial>();
    for (var from : List.of(Positions.RUNNING, Positions.cold(circuitry)))
      all.add(new Trial(off(study, from), study.engine().solve(faulty, conditions(study), from)));
    return all;
  }

  private static Optional<Verdict> judge(List<Switched> group, List<Trial> trials, Study study) {
    var by = group.getFirst().by();
    if (trials.stream().noneMatch(Trial::settled))
      return Optional.of(
          new Verdict.NotChecked(by.id(), "no steady state is found with its wires on the frame"));
    var started = new LinkedHashSet<Device>();
    for (var one : group)
      for (var end : study.network().joined(one.end())) {
        var device = study.device(end.device());
        if (device.isPresent()
            && trials.stream().anyMatch(t -> comesOn(device.get(), end, t, study)))
          started.add(device.get());
      }
    var w = Working.of("Wires that " + by.designation() + " switches to the earthed side");
    w.given("wires", String.valueOf(group.size()), "taken for closed, programs off");
    w.given("come on", started.isEmpty() ? "none" : names(started), "network solved");
    var trail = w.explain(group).trail();
    if (started.isEmpty()) return Optional.of(new Verdict.Pass(by.id(), trail));
    var hurts = started.stream().anyMatch(device -> Moving.could(device, study));
    return Optional.of(
        new Verdict.Finding(
            by.id(),
            hurts ? Severity.ERROR : Severity.WARNING,
            STARTS,
            "%s switches 0 V, which is earthed: a wire that touches the frame switches %s on with nobody asking. Coils and inputs belong to the earthed side, and + is switched (IEC 60204-1, 9.4.3.1): take outputs or sensors that give +, switch both poles, or take a supply that is not earthed and is watched."
                .formatted(by.designation(), names(started)),
            trail,
            List.of()));
  }

  private static String names(Set<Device> devices) {
    var first =
        devices.stream()
            .limit(NAMED)
            .map(device -> (device.designation() + " " + device.purpose()).strip())
            .toList();
    return String.join(", ", first)
        + (devices.size() > NAMED ? " and %d more".formatted(devices.size() - NAMED) : "");
  }

  /// Whether a coil, a run input, a load or an input that starts at this end is on only with the
  /// fault.
  private static boolean comesOn(Device device, TerminalRef end, Trial trial, Study study) {
    if (!trial.settled()) return false;
    var part = study.part(device).orElse(null);
    if (part == null) return false;
    for (var actuator : part.actuators()) {
      var touches =
          switch (actuator) {
            case Actuator.Magnet magnet ->
                magnet.a().equals(end.terminal()) || magnet.b().equals(end.terminal());
            case Actuator.Watch watch -> watches(watch, end.terminal());
            default -> false;
          };
      var ref = new ActuatorRef(device.id(), actuator.name());
      if (touches && trial.after().on(ref) && !trial.before().on(ref)) return true;
    }
    for (var intake : device.intakes(part)) {
      if (part.logic().isPresent() || !at(intake, end.terminal())) continue;
      var half = new Voltage(intake.accepts().least().volts() / 2);
      if (above(trial.after(), device, intake, half)
          && !above(trial.before(), device, intake, half)) return true;
    }
    return starts(device, end, part, trial, study);
  }

  private static boolean watches(Actuator.Watch watch, String terminal) {
    return watch.needed().stream()
        .anyMatch(r -> r.terminal().equals(terminal) || r.against().equals(terminal));
  }

  private static boolean at(nelvar.core.catalogue.Intake intake, String terminal) {
    return intake.lines().contains(terminal) || intake.back().filter(terminal::equals).isPresent();
  }

  private static boolean above(
      Live live, Device device, nelvar.core.catalogue.Intake intake, Voltage least) {
    return live.at(device, intake).filter(volts -> volts.compareTo(least) > 0).isPresent();
  }

  /// An input that reads something else, where it is named for starting.
  private static boolean starts(
      Device device, TerminalRef end, Part part, Trial trial, Study study) {
    var pin =
        part.logic().stream()
            .flatMap(logic -> logic.pins().stream())
            .filter(p -> p.type().digitalInput() && p.name().equals(end.terminal()))
            .findFirst();
    if (pin.isEmpty() || !namedStart(end, study)) return false;
    var zero = new TerminalRef(device.id(), "-");
    return !reads(trial.before(), end, zero, pin.get())
        .equals(reads(trial.after(), end, zero, pin.get()));
  }

  private static Optional<PinLink.Reads> reads(
      Live live, TerminalRef end, TerminalRef zero, nelvar.core.catalogue.Pin pin) {
    return live.voltage(end, zero)
        .map(both -> PinLink.reads(pin, new Voltage(Math.max(0, both.direct()))));
  }

  /// Whether anything on the wire says by its purpose that it starts.
  private static boolean namedStart(TerminalRef end, Study study) {
    return study.network().joined(end).stream()
        .flatMap(other -> study.device(other.device()).stream())
        .anyMatch(device ->
            BrokenWire.STARTING.matcher(device.purpose().toLowerCase(Locale.ROOT)).find());
  }
}
