package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Connector;
import nelvar.core.catalogue.PlugFace;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.Plugs;

/// Plugs of one machine that go onto each other's sockets, and what that destroys: each solved.
///
/// Two go together where they are of one size, or of one part where no size is stated, and are not
/// coded differently. Pairs that are wired to the same volts and to the same parts are solved once.
public final class SwappedPlugs {
  /// The setting that says how a connector is coded: pins or sleeves that block a place.
  public static final String CODING = "Coding";

  private SwappedPlugs() {}

  /// @param other whose socket it goes onto too
  public record Pair(Device device, Device other, PlugTrials.Trial trial) {}

  /// Of each pair that goes together one trial; nothing where all are told apart.
  public static List<Pair> of(Study study) {
    return study.once(SwappedPlugs.class, () -> computed(study));
  }

  private static List<Pair> computed(Study study) {
    var plugged = new ArrayList<Device>();
    for (var device : study.project().devices())
      if (connector(device, study)
          .map(Connector::faces)
          .filter(faces -> PlugTrials.wired(device, faces.getFirst(), study))
          .isPresent()) plugged.add(device);
    var all = new ArrayList<Pair>();
    var solved = new HashMap<List<String>, PlugTrials.Trial>();
    for (var i = 0; i < plugged.size(); i++)
      for (var j = i + 1; j < plugged.size(); j++) {
        var one = plugged.get(i);
        var other = plugged.get(j);
        if (!together(one, other, study)) continue;
        var alike = List.of(wiring(one, study), wiring(other, study));
        if (alike.getFirst().equals(alike.getLast())) continue;
        var trial = solved.computeIfAbsent(alike, _ -> trial(one, other, study));
        all.add(new Pair(one, other, trial));
      }
    return List.copyOf(all);
  }

  private static PlugTrials.Trial trial(Device one, Device other, Study study) {
    var face = face(one, study);
    return PlugTrials.tried(
        one, face, Plugs.exchanged(one, face, other, face(other, study)), study);
  }

  private static PlugFace face(Device device, Study study) {
    return connector(device, study).orElseThrow().faces().getFirst();
  }

  private static Optional<Connector> connector(Device device, Study study) {
    return study.part(device, Connector.class);
  }

  /// Whether one's plug goes onto the other's socket.
  static boolean together(Device one, Device other, Study study) {
    var a = connector(one, study).orElseThrow();
    var b = connector(other, study).orElseThrow();
    var fits =
        a.ways() == b.ways()
            && (a.id().equals(b.id()) || (a.size().isPresent() && a.size().equals(b.size())));
    return fits && coding(one, study).equals(coding(other, study));
  }

  /// How it is coded; nothing where nobody says.
  static String coding(Device device, Study study) {
    return study.project().setting(device.id(), CODING).orElse("").strip();
  }

  /// What its ways carry on the socket's side, and what hangs on the plug: two that are wired alike
  /// do the same on each other's sockets.
  private static String wiring(Device device, Study study) {
    var connector = connector(device, study).orElseThrow();
    var live = study.asDesigned();
    var words = new StringBuilder();
    for (var way = 1; way <= connector.ways(); way++) {
      var end = new TerminalRef(device.id(), way + "B");
      words.append(volts(end, live)).append(' ');
      for (var wire : study.at(device.id())) {
        if (!wire.lands(end)) continue;
        var there = wire.from().equals(end) ? wire.to() : wire.from();
        words
            .append(study.device(there.device()).map(Device::part).orElse(""))
            .append(':')
            .append(there.terminal());
      }
      words.append(';');
    }
    return words.toString();
  }

  private static String volts(TerminalRef end, Live live) {
    return live.toEarth(end)
        .map(volts -> Math.round(volts.direct()) + "/" + Math.round(volts.rms()))
        .orElse("-");
  }

  /// A coding that no other connector has yet: `1`, `2` …
  static String freeCoding(Device device, Study study) {
    var taken = new HashSet<String>();
    for (var other : study.project().devices())
      if (!other.id().equals(device.id()) && connector(other, study).isPresent())
        taken.add(coding(other, study));
    var number = 1;
    while (taken.contains(String.valueOf(number))) number++;
    return String.valueOf(number);
  }
}
