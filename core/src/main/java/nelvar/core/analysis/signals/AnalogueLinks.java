package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CommandInput;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.formula.SpeedCommand;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Values: what loading and a lifted 0 V take from 0–10 V, what 4–20 mA drop over the input, and
/// how fine the steps are.
final class AnalogueLinks {
  private static final Voltage FULL = new Voltage(10);
  private static final Current LOOP = new Current(0.02);

  /// Of full scale; common practice, no published source.
  static final Percent ALLOWED = new Percent(1);

  private AnalogueLinks() {}

  static PinLink of(AskedPin plain, Study study) {
    if (plain.pin().type() == Pin.Type.ANALOGUE_OUTPUT)
      return output(plain.withLoads(study), study);
    return input(plain, study);
  }

  private static PinLink output(AskedPin asked, Study study) {
    if (asked.pin().analogueZero())
      return asked.said(PinLink.Standing.UNPROVED, "0 V of the analogue outputs");
    for (var end : asked.drivers().partners()) {
      var device = study.device(end.device());
      var command = device.flatMap(study::part).flatMap(part -> part.command());
      if (command.filter(c -> c.signal().equals(end.terminal())).isPresent())
        return commanding(asked, end, command.get(), study);
    }
    return asked.said(
        PinLink.Standing.UNPROVED, "0–10 V: what takes it does not state its resistance");
  }

  private static PinLink commanding(
      AskedPin asked, TerminalRef end, CommandInput command, Study study) {
    var zero = new TerminalRef(end.device(), command.zero());
    var back = back(asked, zero, study);
    if (back.isEmpty())
      return asked.said(
          PinLink.Standing.WRONG,
          "its way back is missing: nothing joins %s to the 0 V of %s"
              .formatted(
                  study.label(zero.device()) + ":" + zero.terminal(), asked.board().designation()));
    var loading =
        asked
            .pin()
            .value()
            .resistance()
            .map(r -> SpeedCommand.loadingError(r, command.resistance()));
    return valued(asked, FULL, loading, command.resistance(), back.get());
  }

  /// How far the 0 V of a partner stands from that of the board; empty where nothing joins them.
  private static Optional<Voltage> back(AskedPin asked, TerminalRef zero, Study study) {
    var joined = study.network().joined(zero);
    for (var pin : asked.logic().pins())
      if (pin.analogueZero() && joined.contains(new TerminalRef(asked.board().id(), pin.name())))
        return Optional.of(new Voltage(0));
    return lift(zero, asked, study);
  }

  private static Optional<Voltage> lift(TerminalRef zero, AskedPin asked, Study study) {
    return study
        .hotAndLow()
        .voltage(zero, asked.zero())
        .map(Live.Both::direct)
        .map(volts -> new Voltage(Math.abs(volts)));
  }

  private static PinLink input(AskedPin asked, Study study) {
    for (var end : asked.drivers().partners()) {
      var part = study.device(end.device()).flatMap(study::part).orElse(null);
      if (!(part instanceof Sensor sensor)) continue;
      var zero = new TerminalRef(end.device(), "-");
      if (sensor.output() == SensorOutput.CURRENT) return loop(asked, sensor, zero, study);
      if (sensor.output() == SensorOutput.VOLTAGE
          && asked.pin().type() == Pin.Type.ANALOGUE_INPUT) {
        var lift = lift(zero, asked, study);
        if (lift.isEmpty())
          return asked.said(PinLink.Standing.WRONG, "nothing joins its 0 V to that of its sender");
        var loading =
            sensor.stated().source().map(r -> SpeedCommand.loadingError(r, asked.pin().load()));
        return valued(asked, FULL, loading, asked.pin().load(), lift.get());
      }
      return asked.said(
          PinLink.Standing.WRONG,
          "gets %s, and takes %s".formatted(sensor.output().words(), asked.pin().type().words()));
    }
    return asked.said(
        PinLink.Standing.UNPROVED, "a value, not a level: what sends it is not stated");
  }

  private static PinLink loop(AskedPin asked, Sensor sensor, TerminalRef zero, Study study) {
    var burden =
        asked.pin().type() == Pin.Type.CURRENT_INPUT
            ? Optional.of(asked.pin().load())
            : asked.pin().value().burden();
    if (burden.isEmpty())
      return asked.said(
          PinLink.Standing.WRONG,
          "gets 4–20 mA and takes 0–10 V over %s: put 500 Ω beside it, or take an input of 4–20 mA"
              .formatted(asked.pin().load()));
    var most = sensor.stated().greatestLoad();
    if (most.isPresent() && burden.get().compareTo(most.get()) > 0)
      return asked.said(
          PinLink.Standing.WRONG,
          "drops 20 mA over %s, and its sender drives %s at most"
              .formatted(burden.get(), most.get()));
    var fed = study.hotAndLow().voltage(new TerminalRef(zero.device(), "+"), zero);
    if (fed.filter(v -> v.direct() < sensor.input().least().volts()).isPresent())
      return asked.said(
          PinLink.Standing.WRONG,
          "its sender gets %s and needs %s"
              .formatted(new Voltage(Math.max(0, fed.get().direct())), sensor.input().least()));
    var top = new Voltage(LOOP.amperes() * burden.get().ohms());
    var said = new ArrayList<String>();
    said.add("4–20 mA over %s: up to %s".formatted(burden.get(), top));
    if (asked.pin().type() == Pin.Type.ANALOGUE_INPUT) said.add("set it to 4–20 mA");
    steps(asked, new Voltage(top.volts() * 0.8)).ifPresent(said::add);
    return asked.found(
        Optional.of(new PinLink.Seen(top, LOOP)),
        Optional.empty(),
        PinLink.Standing.SURE,
        String.join(", ", said));
  }

  private static PinLink valued(
      AskedPin asked, Voltage full, Optional<Percent> loading, Resistance load, Voltage lift) {
    var lost = loading.map(Percent::fraction).orElse(0.0);
    var wrong = lost + lift.volts() / full.volts();
    var said = new ArrayList<String>(List.of("10 V into " + load));
    loading.ifPresentOrElse(
        share -> said.add("loading takes " + share),
        () -> said.add("what it gives through is not stated"));
    said.add("0 V lifted by " + lift);
    steps(asked, full).ifPresent(said::add);
    if (asked.pin().value().bits().isEmpty()) said.add("its steps are not stated");
    var volts = new Voltage(full.volts() * (1 - lost));
    return asked.found(
        Optional.of(new PinLink.Seen(volts, new Current(volts.volts() / load.ohms()))),
        Optional.of(new PinLink.Seen(lift, new Current(0))),
        wrong <= ALLOWED.fraction() ? PinLink.Standing.SURE : PinLink.Standing.WRONG,
        String.join(", ", said));
  }

  private static Optional<String> steps(AskedPin asked, Voltage range) {
    return asked
        .pin()
        .value()
        .bits()
        .map(bits -> "steps of %s".formatted(new Voltage(range.volts() / (Math.pow(2, bits) - 1))));
  }
}
