package nelvar.core.sample;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// A project to begin with: a common metric supply, the usual policies, an inlet, a PE bar, a duct
/// and a tray.
public final class NewProject {
  private NewProject() {}

  public static Project named(String name) {
    var devices =
        List.of(
            Device.of(new Id("X0"), "-X0", "mains inlet", "inlet-3-n-pe", Place.PANEL),
            Device.of(new Id("X10"), "-X10", "PE bar", "block-protective-16", Place.PANEL));
    return Project.empty(name, "", usualBrief())
        .withDevices(devices)
        .withBundles(
            List.of(
                new Bundle(new Id("D1"), "panel duct", InstallationMethod.B1, true),
                new Bundle(new Id("P1"), "tray outside", InstallationMethod.E, false)));
  }

  /// 3x400 V, 50 Hz, TN-S, 16 A upstream; 5 to 40 °C, 45 °C inside; the default schools.
  public static Brief usualBrief() {
    return new Brief(
        new Brief.Supply(
            new MainsVoltage(MainsVoltage.Phases.THREE, new Voltage(400)),
            new Frequency(50),
            Brief.Earthing.TN_S,
            new Current(16),
            Optional.empty(),
            Optional.empty()),
        new Brief.Surroundings(
            new Temperature(5), new Temperature(40), new Temperature(45), new Length(200), ""),
        new Brief.Policies(
            Brief.Sizing.METRIC,
            Brief.Protection.PER_BRANCH,
            Brief.FuseReading.STRICT,
            new Percent(80),
            new Percent(5),
            "EUR",
            java.util.List.of()));
  }
}
