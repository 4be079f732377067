package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Output;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.solve.Phasor;

/// One place where power enters a circuit of its own: the mains inlet, or the output of a supply,
/// transformer or drive.
public record Source(Device device, Output output) {
  /// The terminals it gives power on: its lines, then its way back.
  public List<TerminalRef> terminals() {
    var all = new ArrayList<TerminalRef>();
    for (var line : output.lines()) all.add(new TerminalRef(device.id(), line));
    output.back().ifPresent(back -> all.add(new TerminalRef(device.id(), back)));
    return all;
  }

  /// The voltage of each terminal against the source's own reference, in the order of [#terminals].
  public List<Phasor> voltages() {
    var volts = output.voltage().volts();
    var all = new ArrayList<Phasor>();
    switch (output.lines().size()) {
      case 1 -> all.add(Phasor.of(volts, 0));
      case 2 -> {
        all.add(Phasor.of(volts / 2, 0));
        all.add(Phasor.of(volts / 2, 180));
      }
      default -> {
        for (var line = 0; line < 3; line++)
          all.add(Phasor.of(volts / Math.sqrt(3), -120.0 * line));
      }
    }
    output.back().ifPresent(_ -> all.add(Phasor.ZERO));
    return all;
  }

  @Override
  public String toString() {
    return device.designation() + (output.voltage().volts() > 0 ? " " + output.voltage() : "");
  }
}
