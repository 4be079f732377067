package nelvar.core.analysis.shock;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.earthing.ResidualCharge;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.catalogue.Disconnector;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.StoredCharge;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// The cabinet with its main switches off and its door open: what stays live, by what, until when
/// charge stays, and in which order to open it.
///
/// @param switches that are off
/// @param live terminals that still have more than 25 V to earth, or to their own source where
///   nothing joins that to earth, by device; empty too where no state is found
/// @param known whether a state was found
/// @param charges of more than 60 V, longest first
public record Opened(
    List<Device> switches,
    Map<Device, List<Stays>> live,
    boolean known,
    List<StoredCharge> charges) {
  /// Dry skin does not feel less (IEC 60364-4-41, 414.4.5, unchecked).
  private static final double FELT = 25;

  /// @param volts to earth
  public record Stays(TerminalRef at, Voltage volts) {}

  public static Opened of(Study study) {
    return study.once(Opened.class, () -> found(study));
  }

  private static Opened found(Study study) {
    var conditions = Conditions.usual(study.project().brief().surroundings().inside());
    var running = study.asDesigned();
    var switches =
        study.project().devices().stream()
            .filter(d -> study.part(d).orElse(null) instanceof Disconnector)
            .toList();
    var trial = WhatIf.AS_DESIGNED;
    for (var one : switches)
      for (var hand : running.circuitry().actuators(one.id())) trial = trial.holding(hand, false);
    var off = study.engine().solve(trial, conditions, running.positions());
    var live = new LinkedHashMap<Device, List<Stays>>();
    if (off.settled())
      for (var device : study.project().devices()) {
        var stays = stays(device, off, study);
        if (!stays.isEmpty()) live.put(device, stays);
      }
    var charges =
        ResidualCharge.charges(study).stream()
            .filter(c -> c.from().compareTo(StoredCharge.MARKS.getFirst()) > 0)
            .sorted(java.util.Comparator.comparingDouble(c -> -seconds(c)))
            .toList();
    return new Opened(switches, live, off.settled(), charges);
  }

  private static double seconds(StoredCharge charge) {
    return charge.until(StoredCharge.MARKS.getFirst()).map(Duration::seconds).orElse(1e9);
  }

  private static List<Stays> stays(Device device, Live off, Study study) {
    var all = new ArrayList<Stays>();
    for (var terminal : study.part(device).map(p -> p.terminals()).orElse(List.of())) {
      var ref = new TerminalRef(device.id(), terminal.name());
      var volts = off.toEarth(ref).map(Live.Both::rms);
      // Live and joined to no earth: as much as it is, which nobody measures against earth.
      var most = volts.orElseGet(() -> off.live(ref) ? floating(device, off) : 0.0);
      if (most > FELT) all.add(new Stays(ref, new Voltage(most)));
    }
    return all;
  }

  private static double floating(Device device, Live off) {
    return off.circuitry().served(device.id()).stream()
        .mapToDouble(served -> off.at(device, served.intake()).map(Voltage::volts).orElse(0.0))
        .max()
        .orElse(0);
  }

  /// Devices that stay live, other than inlets and the switches themselves.
  public List<Device> besides(Study study) {
    return live.keySet().stream()
        .filter(d -> !switches.contains(d))
        .filter(d -> study.part(d).filter(p -> p.mainsInlet()).isEmpty())
        .toList();
  }

  /// The longest wait until everything is below 60 V; empty where nothing discharges one of them.
  public Optional<Duration> waits() {
    var longest = new Duration(0);
    for (var charge : charges) {
      var until = charge.until(StoredCharge.MARKS.getFirst());
      if (until.isEmpty()) return Optional.empty();
      if (until.get().compareTo(longest) > 0) longest = until.get();
    }
    return Optional.of(longest);
  }

  /// What has dangerous volts and no protective terminal: double insulated (class II) as far as its
  /// part says, else by how it is built in. What stands inside the cabinet is behind its door.
  public static List<Device> unearthed(Study study) {
    return Touch.reached(study).stream()
        .filter(device ->
            study.part(device).orElseThrow().terminals().stream()
                .noneMatch(t -> t.role() == Terminal.Role.PROTECTIVE))
        .toList();
  }

  /// In the order in which it is opened.
  public List<String> order(Study study) {
    var all = new ArrayList<String>();
    var hanging =
        MotionAxes.of(study).stream()
            .filter(axis -> axis.mechanics().vertical())
            .map(axis -> axis.name())
            .distinct()
            .toList();
    all.add(
        hanging.isEmpty()
            ? "Bring it to rest."
            : "Bring it to rest and prop what hangs: %s.".formatted(String.join(", ", hanging)));
    all.add(
        switches.isEmpty()
            ? "No main switch is known: pull the plug, or switch off what feeds it, and lock that."
            : "Switch %s off and lock it; keep the key.".formatted(names(switches)));
    if (!charges.isEmpty())
      all.add(
          waits()
              .map(t ->
                  "Wait %s: %s falls below 60 V by then."
                      .formatted(t, names(charges.stream().map(StoredCharge::device).toList())))
              .orElse(
                  "Nothing is stated that discharges %s: measure before touching."
                      .formatted(
                          names(
                              charges.stream()
                                  .filter(c -> c.bleeder().isEmpty())
                                  .map(StoredCharge::device)
                                  .toList()))));
    all.add(
        "Open the door. Try the tester on something live, prove dead behind the switch between all lines and to earth, try the tester again.");
    if (!charges.isEmpty())
      all.add(
          "Measure direct voltage at %s too."
              .formatted(names(charges.stream().map(StoredCharge::device).toList())));
    if (!known) all.add("What stays live could not be computed: take everything as live.");
    else if (!live.isEmpty())
      all.add(
          "Still live with it off: %s. Cover it, or switch off upstream."
              .formatted(names(List.copyOf(live.keySet()))));
    return all;
  }

  private static String names(List<Device> devices) {
    return devices.stream()
        .map(d -> d.designation().text())
        .distinct()
        .collect(java.util.stream.Collectors.joining(", "));
  }
}
