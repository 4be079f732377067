package nelvar.core.analysis.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.trail.Working;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// A sensor's 0 V, lifted by what else returns through its wires, still gives the input a sure
/// signal.
///
/// A sinking sensor pulls its input to its own 0 V: that must stay below the input's off level as
/// the controller sees it. An analogue signal is wrong by as much as the 0 V of its sender is
/// lifted above the controller's: 1 % of 10 V is allowed (common practice, no published source). A
/// sourcing sensor must reach the on level.
///
/// Demand: thresholds of IEC 61131-2 by input type (unchecked).
public final class SignalLevel implements Rule {
  private static final Reason SIGNAL_LOST_IN_A_SHARED_RETURN =
      Reason.of("Signal lost in a shared return");

  private static final Voltage FULL_SCALE = new Voltage(10);
  private static final Percent ALLOWED = new Percent(1);

  @Override
  public String id() {
    return "signals.shared-return";
  }

  @Override
  public String asks() {
    return "Every sensor's signal is sure at its input, with its 0 V lifted by all that share its return.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var verdicts = new ArrayList<Verdict>();
    Contained.each(
        this,
        study.project().devices(),
        device -> device.id(),
        verdicts,
        device -> {
          if (!(study.part(device).orElse(null) instanceof Sensor sensor)) return;
          input(device, study)
              .ifPresent(input -> verdicts.addAll(judge(device, sensor, input, study)));
        });
    return verdicts.stream();
  }

  /// The controller's pin a sensor's signal leads to.
  private record Input(Device controller, Pin pin) {}

  private static Optional<Input> input(Device device, Study study) {
    for (var end : study.network().joined(new TerminalRef(device.id(), "OUT"))) {
      var other = study.device(end.device());
      if (other.isEmpty()) continue;
      for (var pin :
          study.part(other.get()).flatMap(Part::logic).map(Controller::pins).orElse(List.of()))
        if (pin.name().equals(end.terminal())) return Optional.of(new Input(other.get(), pin));
    }
    return Optional.empty();
  }

  /// The worst of the machine's states: the first in which the signal is not sure, else any.
  private static List<Verdict> judge(Device device, Sensor sensor, Input input, Study study) {
    List<Verdict> any = List.of();
    for (var state : MachineStates.hotAndLow(study)) {
      var found = judge(device, sensor, input, state);
      if (found.stream().anyMatch(Verdict.Finding.class::isInstance)) return found;
      if (any.isEmpty()) any = found;
    }
    return any;
  }

  private static List<Verdict> judge(
      Device device, Sensor sensor, Input input, MachineStates.State state) {
    var live = state.live();
    var common = new TerminalRef(input.controller().id(), "-");
    var lift = live.voltage(new TerminalRef(device.id(), "-"), common).map(Live.Both::direct);
    if (lift.isEmpty()) return List.of();
    return switch (sensor.output()) {
      case NPN -> List.of(sinking(device, input, state, lift.get()));
      case PNP -> List.of(sourcing(device, input, state));
      case VOLTAGE -> List.of(analogue(device, input, state, lift.get()));
      case PUSH_PULL, TWO_WIRE, CONTACT, CURRENT, PULSES -> List.of();
    };
  }

  private static Verdict sinking(
      Device device, Input input, MachineStates.State state, double lift) {
    var pin = new TerminalRef(input.controller().id(), input.pin().name());
    var seen = state.live().voltage(pin, new TerminalRef(input.controller().id(), "-"));
    var volts = new Voltage(Math.max(0, seen.map(Live.Both::direct).orElse(0.0)));
    return verdict(
        device,
        input,
        state,
        "Ulow",
        volts,
        input.pin().levels().low(),
        volts.compareTo(input.pin().levels().low()) <= 0,
        "Its 0 V stands %s above the controller's, so the input sees %s where it must see at most %s: the signal never comes. Give it a return of its own, or thicken the shared one."
            .formatted(new Voltage(Math.abs(lift)), volts, input.pin().levels().low()));
  }

  private static Verdict sourcing(Device device, Input input, MachineStates.State state) {
    var pin = new TerminalRef(input.controller().id(), input.pin().name());
    var seen = state.live().voltage(pin, new TerminalRef(input.controller().id(), "-"));
    var volts = new Voltage(Math.max(0, seen.map(Live.Both::direct).orElse(0.0)));
    var on = input.pin().levels().high();
    return verdict(
        device,
        input,
        state,
        "Uhigh",
        volts,
        on,
        volts.compareTo(on) >= 0,
        "The input sees %s where it needs %s to be surely on: the signal never comes, or comes and goes. Thicken its wires, or feed it nearer to its supply."
            .formatted(volts, on));
  }

  private static Verdict analogue(
      Device device, Input input, MachineStates.State state, double lift) {
    var volts = new Voltage(Math.abs(lift));
    var allowed = FULL_SCALE.times(ALLOWED.fraction());
    return verdict(
        device,
        input,
        state,
        "Ulift",
        volts,
        allowed,
        volts.compareTo(allowed) <= 0,
        "Its 0 V stands %s away from the controller's: its 0–10 V signal is wrong by %s. Give it a return of its own to the controller's 0 V."
            .formatted(volts, volts.of(FULL_SCALE)));
  }

  private static Verdict verdict(
      Device device,
      Input input,
      MachineStates.State state,
      String symbol,
      Voltage volts,
      Voltage limit,
      boolean holds,
      String text) {
    var w = Working.of("Signal of " + device.designation());
    w.given(
        "input",
        input.controller().designation() + ":" + input.pin().name(),
        input.pin().digital().name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '));
    w.result(symbol, "network solved %s, wires hot, mains 0.9 Un".formatted(state.words()), volts);
    w.given("limit", limit, holds ? "kept" : "not kept");
    var trail = w.explain(volts).trail();
    return holds
        ? new Verdict.Pass(device.id(), trail)
        : new Verdict.Finding(
            device.id(),
            Severity.ERROR,
            SIGNAL_LOST_IN_A_SHARED_RETURN,
            state.ownName() ? text + " It is so " + state.words() + "." : text,
            trail,
            List.of());
  }
}
