package nelvar.core.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// A panel of any size from a seed: 24 V supplies, each behind its breaker, each with up to twelve
/// loads on terminals.
///
/// Every load is fed and returns; lengths and loads are drawn at random, sections are chosen
/// generously. Each load also brings a few terminals in series, so that there are about ten
/// conductors for each device.
public final class GeneratedPanel {
  private static final int SUPPLIES_PER_BAR = 15;
  private static final int LOADS_PER_SUPPLY = 12;
  private static final int DETOURS = 14;
  private static final int LOADS_PER_STRIP = 4;

  private final Random random;
  private final List<Device> devices = new ArrayList<>();
  private final List<Conductor> conductors = new ArrayList<>();
  private final List<Bundle> bundles = new ArrayList<>();
  private int wire;

  private GeneratedPanel(long seed) {
    this.random = new Random(seed);
  }

  /// @param loads number of loads, 1 or more
  public static Project of(int loads, long seed) {
    return new GeneratedPanel(seed).build(loads);
  }

  private Project build(int loads) {
    device("X0", "mains inlet", "inlet-3-n-pe", Place.PANEL);
    device("X10", "PE bar", "block-protective-32", Place.PANEL);
    wire("X0:PE", "X10:1", Conductor.Function.PROTECTIVE, 6, bundle(0));
    var supplies = (loads + LOADS_PER_SUPPLY - 1) / LOADS_PER_SUPPLY;
    for (var supply = 0; supply < supplies; supply++)
      supply(supply, Math.min(LOADS_PER_SUPPLY, loads - supply * LOADS_PER_SUPPLY));
    return Project.empty(
            "Generated panel, " + loads + " loads",
            "From the generator; not a machine.",
            NewProject.usualBrief())
        .withDevices(devices)
        .withBundles(bundles)
        .withConductors(conductors);
  }

  private void supply(int number, int loads) {
    var f = "F" + number;
    var t = "T" + number;
    var bundle = bundle(number + 1);
    device(f, "supply " + number, "breaker-1p-c10", Place.PANEL);
    device(t, "supply " + number, "supply-24v-20a", Place.PANEL);
    device("XP" + number, "+24 V", "block-plus-32", Place.PANEL);
    device("XM" + number, "0 V", "block-minus-32", Place.PANEL);
    for (var strip = 0; strip * LOADS_PER_STRIP < loads; strip++)
      device("XS" + number + "." + strip, "terminals", "terminals-60x6", Place.PANEL);
    wire("X0:L" + (number % 3 + 1), f + ":1", Conductor.Function.POWER, 6, bundle);
    wire(f + ":2", t + ":L", Conductor.Function.POWER, 2.5, bundle);
    wire(t + ":N", "X0:N", Conductor.Function.POWER, 6, bundle);
    var earth = earth(number);
    var way = 2 + 2 * (number % SUPPLIES_PER_BAR);
    wire(earth + ":" + way, t + ":PE", Conductor.Function.PROTECTIVE, 2.5, bundle);
    wire(t + ":+", "XP" + number + ":1", Conductor.Function.POWER, 6, bundle);
    wire("XM" + number + ":1", t + ":-", Conductor.Function.POWER, 6, bundle);
    wire(earth + ":" + (way + 1), "XM" + number + ":32", Conductor.Function.PROTECTIVE, 6, bundle);
    for (var load = 0; load < loads; load++) load(number, load, bundle);
  }

  /// The PE bar of a supply: each has two wires there, and a bar goes on to the next with its last
  /// way.
  private String earth(int supply) {
    var bar = supply / SUPPLIES_PER_BAR;
    var name = bar == 0 ? "X10" : "X10." + bar;
    if (bar > 0 && supply % SUPPLIES_PER_BAR == 0) {
      device(name, "PE bar", "block-protective-32", Place.PANEL);
      wire(
          (bar == 1 ? "X10" : "X10." + (bar - 1)) + ":32",
          name + ":1",
          Conductor.Function.PROTECTIVE,
          6,
          new Id("D0"));
    }
    return name;
  }

  private void load(int supply, int number, Id bundle) {
    var name = "Y" + supply + "." + number;
    var motor = random.nextInt(6) == 0;
    devices.add(
        motor
            ? device("vibrator", "vibrator-24v-2p5a", name)
            : device("valve", "valve-24vdc-4w8", name).withSuppression(Suppression.DIODE));
    var from = "XP" + supply + ":" + (number + 2);
    for (var detour = 0; detour < DETOURS; detour++) {
      var next =
          "XS"
              + supply
              + "."
              + number / LOADS_PER_STRIP
              + ":"
              + (number % LOADS_PER_STRIP * DETOURS + detour + 1);
      wire(from, next, Conductor.Function.POWER, 6, bundle);
      from = next;
    }
    wire(from, name + (motor ? ":+" : ":1"), Conductor.Function.POWER, 6, bundle);
    wire(
        name + (motor ? ":-" : ":2"),
        "XM" + supply + ":" + (number + 2),
        Conductor.Function.POWER,
        6,
        bundle);
  }

  private Id bundle(int number) {
    var id = new Id("D" + number);
    bundles.add(new Bundle(id, "duct " + number, InstallationMethod.B1, true));
    return id;
  }

  private void device(String id, String purpose, String part, Place place) {
    devices.add(Device.of(new Id(id), "-" + id, purpose, part, place));
  }

  private void wire(
      String from, String to, Conductor.Function function, double section, Id bundle) {
    wire++;
    conductors.add(
        new Conductor(
            new Id("W" + wire),
            new Designation("W" + wire),
            TerminalRef.of(from),
            TerminalRef.of(to),
            function,
            Optional.of(new CrossSection(section)),
            Optional.of(new Length(0.3 + random.nextInt(30) / 10.0)),
            Optional.of(
                function == Conductor.Function.PROTECTIVE
                    ? "green-yellow"
                    : to.endsWith(":N") ? "light blue" : "black"),
            Optional.empty(),
            Optional.of(bundle)));
  }

  private static Device device(String purpose, String part, String name) {
    return Device.of(new Id(name), "-" + name, purpose, part, Place.MACHINE);
  }
}
