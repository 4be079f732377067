package nelvar.core.network;

import java.util.Optional;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Terminal;
import nelvar.core.formula.Stopping;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;

/// How long a drive goes on giving torque without its feed: until its capacitors are down to the
/// volts at which it switches itself off.
///
/// `t = C · (U1² − U2²)/(2 · P)`. With all its load it is over soonest; with a tenth of it
/// (assumed: its own losses and an idle motor) latest. On a direct-current bus all capacitors count
/// that are still joined to the drive when its feed is gone: banks and bridges behind a transformer
/// too. Capacitors that nobody stated count as those of the kind: 150 to 250 µF a kilowatt at 566
/// V, 600 to 1100 at 325 V, on a direct-current bus up to 0.1 s (from memory).
///
/// @param assumed whether its capacitors are not stated
public record RideThrough(Duration least, Duration most, Voltage from, boolean assumed) {
  private static final double IDLE = 0.1;

  /// 360 of 566 V, 190 of 325 V.
  private static final double GIVES_UP = 0.62;

  private static final double NEITHER = 450;
  private static final Duration UNKNOWN_BUS = new Duration(0.1);

  /// Empty where it had no feed before, or is no drive.
  ///
  /// @param before the state in which it still had its feed; @param now without
  public static Optional<RideThrough> of(Device drive, Live before, Live now) {
    var part = before.circuitry().topology().part(drive.id());
    if (part.filter(p -> p.drives()).isEmpty()) return Optional.empty();
    return before.circuitry().served(drive.id()).stream()
        .findFirst()
        .flatMap(served -> {
          var volts = before.at(drive, served.intake()).map(Voltage::volts).orElse(0.0);
          if (volts < 1) return Optional.empty();
          var watts = before.taken(drive, served.intake()).map(Power::watts).orElse(0.0);
          return Optional.of(
              alternating(drive, served.intake(), before)
                  ? rectified(volts * Math.sqrt(2), watts, part.get().busCapacitance())
                  : onBus(drive, served.intake(), volts, before, now));
        });
  }

  private static boolean alternating(Device drive, Intake intake, Live before) {
    if (intake.threePhase()) return true;
    return intake
        .back()
        .flatMap(back ->
            before.voltage(
                new TerminalRef(drive.id(), intake.lines().getFirst()),
                new TerminalRef(drive.id(), back)))
        .filter(Live.Both::mostlyAlternating)
        .isPresent();
  }

  private static RideThrough rectified(double peak, double watts, Optional<Capacitance> stated) {
    var kilowatts = watts / 1000;
    var high = peak > NEITHER;
    var least = stated.map(Capacitance::farads).orElse((high ? 150e-6 : 600e-6) * kilowatts);
    var most = stated.map(Capacitance::farads).orElse((high ? 250e-6 : 1100e-6) * kilowatts);
    return of(least, most, peak, GIVES_UP * peak, watts, stated.isEmpty());
  }

  /// Those that are still joined to it empty together.
  private static RideThrough onBus(
      Device drive, Intake intake, double volts, Live before, Live now) {
    var plus = new TerminalRef(drive.id(), intake.lines().getFirst());
    var beside = now.metal(plus);
    var topology = now.circuitry().topology();
    var farads = 0.0;
    for (var device : topology.project().devices()) {
      var part = topology.part(device.id());
      var stated = part.flatMap(p -> p.busCapacitance());
      if (stated.isEmpty()) continue;
      var joined =
          part.get().terminals().stream()
              .filter(t -> t.role() == Terminal.Role.PLUS)
              .anyMatch(t -> beside.contains(new TerminalRef(device.id(), t.name())));
      if (joined) farads += stated.get().farads();
    }
    var watts = 0.0;
    for (var served : now.circuitry().served())
      if (beside.contains(
          new TerminalRef(served.device().id(), served.intake().lines().getFirst())))
        watts += before.taken(served.device(), served.intake()).map(Power::watts).orElse(0.0);
    var ends = 0.5 * intake.accepts().least().volts();
    if (farads <= 0) return new RideThrough(new Duration(0), UNKNOWN_BUS, new Voltage(volts), true);
    return of(farads, farads, volts, ends, watts, false);
  }

  private static RideThrough of(
      double least, double most, double from, double to, double watts, boolean assumed) {
    var load = Math.max(watts, 1);
    return new RideThrough(
        Stopping.carries(
            new Capacitance(least), new Voltage(from), new Voltage(to), new Power(load)),
        Stopping.carries(
            new Capacitance(most), new Voltage(from), new Voltage(to), new Power(IDLE * load)),
        new Voltage(from),
        assumed);
  }
}
