package nelvar.core.compose.sketch;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.DriverBoard;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Source;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Pins of the controllers of a machine that stands, and drives on its boards, that are free.
final class FreePins {
  private final Existing machine;
  private final Study study;
  private final List<Logic> controllers;

  FreePins(Existing machine, Study study) {
    this.machine = machine;
    this.study = study;
    this.controllers =
        machine
            .devices(Part.class)
            .flatMap(device ->
                study
                    .part(device)
                    .flatMap(Part::logic)
                    .map(part -> new Logic(device, part))
                    .stream())
            .toList();
  }

  private record Logic(Device device, Controller part) {
    TerminalRef at(String mark) {
      return new TerminalRef(device.id(), mark);
    }
  }

  /// A free pin of a kind; outputs only where what feeds them is on the wanted side of the stop.
  Optional<TerminalRef> pin(Pin.Type type, Optional<Boolean> safe) {
    for (var logic : controllers) {
      if (safe.isPresent() && outputsDead(logic) != (safe.get() && machine.stops())) continue;
      for (var pin : logic.part().pins()) {
        var end = logic.at(pin.name());
        if (pin.type() == type && machine.free(end) && !pin.name().endsWith("O0"))
          return Optional.of(machine.take(end));
      }
    }
    return Optional.empty();
  }

  private boolean outputsDead(Logic logic) {
    return machine.deadWhenStopped(
        logic.at(logic.part().outputSupply().orElse("+")), logic.at("-"));
  }

  /// What an output's current comes back to: the 0 V of the supply that its outputs hang on, else
  /// of its controller.
  Optional<TerminalRef> zeroOf(Id controller) {
    return study
        .device(controller)
        .flatMap(study::part)
        .flatMap(Part::logic)
        .flatMap(Controller::outputSupply)
        .flatMap(mark -> sourceAt(new TerminalRef(controller, mark)))
        .filter(machine::hasZero)
        .or(() -> sourceAt(new TerminalRef(controller, "-")))
        .flatMap(machine::zero);
  }

  /// An output that switches 0 V, with + of the supply its current comes back to.
  Optional<Rails.Fed> sink(double amperes, boolean safe) {
    for (var logic : controllers) {
      // The source the controller's own 0 V goes back to.
      var source = sourceAt(logic.at("-"));
      if (source.isEmpty()) continue;
      for (var pin : logic.part().pins()) {
        var end = logic.at(pin.name());
        if (pin.type() != Pin.Type.OUTPUT_SINKING || !machine.free(end)) continue;
        var plus = machine.plusOf(source.get(), amperes, safe);
        if (plus.isEmpty()) break;
        return Optional.of(new Rails.Fed(plus.get(), machine.take(end)));
      }
    }
    return Optional.empty();
  }

  private Optional<Source> sourceAt(TerminalRef end) {
    return study.at(end.device()).stream()
        .filter(wire -> wire.from().equals(end) || wire.to().equals(end))
        .flatMap(wire -> study.circuit(wire).stream())
        .map(circuit -> circuit.source())
        .findFirst();
  }

  /// Four pulse pins of one axis in the order step +, step -, direction +, direction -.
  Optional<List<TerminalRef>> axis() {
    for (var logic : controllers) {
      var pulses =
          logic.part().pins().stream()
              .filter(pin -> pin.type() == Pin.Type.OUTPUT_PULSES)
              .map(pin -> logic.at(pin.name()))
              .toList();
      for (var n = 0; n + 3 < pulses.size(); n += 4) {
        var four = pulses.subList(n, n + 4);
        if (four.stream().allMatch(machine::free)) return taken(four);
      }
    }
    return Optional.empty();
  }

  /// The four ends of a drive on a board, which gives so much and runs on so many volts.
  Optional<List<TerminalRef>> drive(Current current, Optional<Voltage> volts) {
    for (var device : machine.devices(DriverBoard.class).toList()) {
      var board = (DriverBoard) study.part(device).orElseThrow();
      var runsOn =
          sourceAt(new TerminalRef(device.id(), board.busEnds().getFirst()))
              .map(source -> source.output().voltage());
      if (board.rating().compareTo(current) < 0 || (volts.isPresent() && !volts.equals(runsOn)))
        continue;
      for (var number = 1; number <= board.axes(); number++) {
        var four =
            board.axis(number).stream().map(end -> new TerminalRef(device.id(), end)).toList();
        if (four.stream().allMatch(machine::free)) return taken(four);
      }
    }
    return Optional.empty();
  }

  private Optional<List<TerminalRef>> taken(List<TerminalRef> ends) {
    return Optional.of(ends.stream().map(machine::take).toList());
  }
}
