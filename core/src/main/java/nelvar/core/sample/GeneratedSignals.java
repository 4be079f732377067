package nelvar.core.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// A machine of many signals: controllers of 16 inputs and 16 outputs on one supply, each with its
/// sensors and valves, on their pins or waiting for them.
public final class GeneratedSignals {
  private static final int INPUTS = 16;
  private static final int OUTPUTS = 9;

  private final List<Device> devices = new ArrayList<>();
  private final List<Conductor> conductors = new ArrayList<>();

  private GeneratedSignals() {}

  /// @param boards each with 16 sensors and 9 valves
  /// @param wired whether they are on pins; else their signals lead nowhere
  public static Project of(int boards, boolean wired) {
    return new GeneratedSignals().build(boards, wired);
  }

  private Project build(int boards, boolean wired) {
    device("X0", "inlet-3-n-pe", Place.PANEL);
    device("F0", "breaker-1p-c10", Place.PANEL);
    device("T0", "supply-24v-20a", Place.PANEL);
    wire("X0:L1", "F0:1", 2.5, 0.5);
    wire("F0:2", "T0:L", 2.5, 0.5);
    wire("T0:N", "X0:N", 2.5, 0.5);
    for (var board = 1; board <= boards; board++) {
      var a = "A" + board;
      device(a, "controller-16di-16do", Place.PANEL);
      wire("T0:+", a + ":+", 1.5, 1);
      wire(a + ":-", "T0:-", 1.5, 1);
      wire("T0:+", a + ":P+", 1.5, 1);
      for (var n = 1; n <= INPUTS; n++) {
        var b = "B" + board + "." + n;
        device(b, "inductive-m12-pnp", Place.MACHINE);
        wire("T0:+", b + ":+", 0.34, 5);
        wire(b + ":-", "T0:-", 0.34, 5);
        if (wired) wire(b + ":OUT", a + ":DI" + n, 0.34, 5);
      }
      for (var n = 1; n <= OUTPUTS; n++) {
        var y = "Y" + board + "." + n;
        device(y, "valve-24vdc-4w8", Place.MACHINE);
        wire(y + ":2", "T0:-", 0.75, 5);
        if (wired) wire(a + ":DO" + n, y + ":1", 0.75, 5);
      }
    }
    return Project.empty(
            "Generated signals, " + boards + " controllers",
            "From the generator; not a machine.",
            NewProject.usualBrief())
        .withDevices(devices)
        .withConductors(conductors);
  }

  private void device(String id, String part, Place place) {
    var device = Device.of(new Id(id), "-" + id, "", part, place);
    devices.add(part.startsWith("valve") ? device.withSuppression(Suppression.DIODE) : device);
  }

  private void wire(String from, String to, double section, double metres) {
    var name = "W" + (conductors.size() + 1);
    conductors.add(
        new Conductor(
            new Id(name),
            new Designation(name),
            TerminalRef.of(from),
            TerminalRef.of(to),
            Conductor.Function.CONTROL,
            Optional.of(new CrossSection(section)),
            Optional.of(new Length(metres)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty()));
  }
}
