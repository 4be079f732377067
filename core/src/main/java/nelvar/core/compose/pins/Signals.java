package nelvar.core.compose.pins;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Signals without a pin, and those on a pin that does not suit them.
///
/// Sensors whose signal leads nowhere, switches with one side on + or 0 V, coils and lamps with one
/// side on + or 0 V and the other open, drives whose command is open.
final class Signals {
  private final Study study;

  /// What is joined to + and to 0 V of a source of direct current.
  private final Set<TerminalRef> plus = new HashSet<>();

  private final Set<TerminalRef> zero = new HashSet<>();

  private Signals(Study study) {
    this.study = study;
    for (var source : study.network().sources()) {
      if (source.output().alternating()) continue;
      for (var line : source.output().lines())
        plus.addAll(reached(new TerminalRef(source.device().id(), line)));
      source
          .output()
          .back()
          .ifPresent(back -> zero.addAll(reached(new TerminalRef(source.device().id(), back))));
    }
  }

  static List<Signal> free(Study study) {
    var signals = new Signals(study);
    var all = new ArrayList<Signal>();
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.isEmpty() || part.get().logic().isPresent()) continue;
      all.addAll(signals.of(device, part.get()));
    }
    return all;
  }

  /// Through protective devices too: what stands behind a fuse is + all the same.
  private Set<TerminalRef> reached(TerminalRef from) {
    return study.asDesigned().settled()
        ? metalButContacts(from)
        : Set.copyOf(study.network().joined(from));
  }

  private Set<TerminalRef> metalButContacts(TerminalRef from) {
    var all = new HashSet<TerminalRef>(study.network().joined(from));
    var waiting = new ArrayList<>(all);
    while (!waiting.isEmpty()) {
      var at = waiting.removeLast();
      var part = study.device(at.device()).flatMap(study::part);
      if (part.isEmpty()) continue;
      for (var link : part.get().links()) {
        if (link.kind() != Link.Kind.PROTECTIVE) continue;
        var other =
            link.a().equals(at.terminal())
                ? link.b()
                : link.b().equals(at.terminal()) ? link.a() : "";
        if (other.isEmpty()) continue;
        for (var next : study.network().joined(new TerminalRef(at.device(), other)))
          if (all.add(next)) waiting.add(next);
      }
    }
    return all;
  }

  private List<Signal> of(Device device, Part part) {
    return switch (part) {
      case Sensor sensor -> sensor(device, sensor).stream().toList();
      case ControlSwitch _ -> contacts(device, part);
      default -> loads(device, part);
    };
  }

  private boolean open(TerminalRef end) {
    return !study.network().topology().wired(end)
        && study
            .device(end.device())
            .filter(device -> device.spare().contains(end.terminal()))
            .isEmpty();
  }

  private Optional<Signal> sensor(Device device, Sensor sensor) {
    var end = new TerminalRef(device.id(), "OUT");
    if (sensor.output() == SensorOutput.CONTACT) return Optional.empty();
    var wants =
        switch (sensor.output()) {
          case PNP, TWO_WIRE, PUSH_PULL, CONTACT -> Signal.Wants.READ_PLUS;
          case NPN -> Signal.Wants.READ_ZERO;
          case VOLTAGE -> Signal.Wants.VALUE_VOLTS;
          case CURRENT -> Signal.Wants.VALUE_CURRENT;
          case PULSES -> Signal.Wants.READ_LOGIC;
        };
    if (open(end)) return Optional.of(new Signal(device, end, Optional.empty(), wants, 0, 0));
    return PinLinks.of(study).stream()
        .filter(link -> link.partners().contains(end))
        .filter(link -> link.pin().type().reads() && wants.suits(link.pin()).isEmpty())
        .filter(link -> link.partners().size() == 1)
        .map(PinLink::at)
        .findFirst()
        .map(now -> new Signal(device, end, Optional.of(now), wants, 0, 0));
  }

  private List<Signal> contacts(Device device, Part part) {
    var all = new ArrayList<Signal>();
    for (var link : part.links()) {
      if (link.kind() != Link.Kind.CONTACT) continue;
      var a = new TerminalRef(device.id(), link.a());
      var b = new TerminalRef(device.id(), link.b());
      if (open(b)) read(device, a, b).ifPresent(all::add);
      else if (open(a)) read(device, b, a).ifPresent(all::add);
    }
    return all;
  }

  private Optional<Signal> read(Device device, TerminalRef fed, TerminalRef end) {
    if (plus.contains(fed))
      return Optional.of(new Signal(device, end, Optional.empty(), Signal.Wants.READ_PLUS, 0, 0));
    return zero.contains(fed)
        ? Optional.of(new Signal(device, end, Optional.empty(), Signal.Wants.READ_ZERO, 0, 0))
        : Optional.empty();
  }

  private List<Signal> loads(Device device, Part part) {
    var command = part.command();
    if (command.isPresent()) {
      var end = new TerminalRef(device.id(), command.get().signal());
      return open(end) && open(new TerminalRef(device.id(), command.get().zero()))
          ? List.of(new Signal(device, end, Optional.empty(), Signal.Wants.COMMAND, 0, 0))
          : List.of();
    }
    var all = new ArrayList<Signal>();
    for (var intake : device.intakes(part)) {
      if (intake.threePhase() || intake.back().isEmpty()) continue;
      var line = new TerminalRef(device.id(), intake.lines().getFirst());
      var back = new TerminalRef(device.id(), intake.back().get());
      if (role(part, line) == Terminal.Role.LINE) continue;
      var amperes = amperes(intake, part);
      if (amperes <= 0) continue;
      var volts = intake.accepts().greatest().volts();
      if (open(line) && zero.contains(back))
        all.add(
            new Signal(device, line, Optional.empty(), Signal.Wants.GIVES_PLUS, amperes, volts));
      else if (open(back) && plus.contains(line))
        all.add(
            new Signal(device, back, Optional.empty(), Signal.Wants.PULLS_DOWN, amperes, volts));
      else if (intake.eitherWay() && open(line) && plus.contains(back))
        all.add(
            new Signal(device, line, Optional.empty(), Signal.Wants.PULLS_DOWN, amperes, volts));
      else if (intake.eitherWay() && open(back) && zero.contains(line))
        all.add(
            new Signal(device, back, Optional.empty(), Signal.Wants.GIVES_PLUS, amperes, volts));
    }
    return all;
  }

  private static Terminal.Role role(Part part, TerminalRef end) {
    return part.terminals().stream()
        .filter(terminal -> terminal.name().equals(end.terminal()))
        .map(Terminal::role)
        .findFirst()
        .orElse(Terminal.Role.SIGNAL);
  }

  /// What an output must carry; 0 for what converts or chops and is no load of an output.
  private static double amperes(nelvar.core.catalogue.Intake intake, Part part) {
    if (part.ownCoil().isEmpty() && part.intakes(Linkage.STAR).size() > 1) return 0;
    return switch (intake.demand()) {
      case Demand.FixedCurrent(var current) -> current.amperes();
      case Demand.Ohmic(var power, var madeFor) -> power.watts() / madeFor.volts();
      case Demand.FixedPower(var power, _) -> power.watts() / intake.accepts().least().volts();
      case Demand.Converts _, Demand.Chops _ -> 0;
    };
  }
}
