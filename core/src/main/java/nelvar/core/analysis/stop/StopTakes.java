package nelvar.core.analysis.stop;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Engine;
import nelvar.core.network.Live;
import nelvar.core.network.StoredCharge;
import nelvar.core.units.Voltage;

/// What one stop takes away from each device, and what stays, when everything has settled with it
/// pressed: the volts that a hand would find at its terminals.
///
/// @param button that is pressed
public record StopTakes(Device button, Map<Id, Left> all) {
  /// Less is no voltage anybody counts, V.
  private static final double NONE = 1;

  public enum Standing {
    /// It had volts and has none.
    TAKEN,
    /// It lost its feed and holds more than 60 V.
    CHARGED,
    /// It has volts as before.
    STAYS,
    /// Nothing is known of it.
    UNKNOWN
  }

  /// @param volts to earth or to its own source: before where they are taken, else now
  public record Left(Standing standing, Voltage volts) {}

  public StopTakes {
    all = Map.copyOf(all);
  }

  /// Of the stop or guard that is chosen, else of the first; empty where there is none, or the
  /// running machine has no steady state.
  public static Optional<StopTakes> of(Optional<Id> chosen, Study study) {
    var stops = Pressed.all(study);
    return stops.stream()
        .filter(one -> chosen.filter(one.button().id()::equals).isPresent())
        .findFirst()
        .or(() -> stops.stream().findFirst())
        .map(one -> study.once(new Key(one.button().id()), () -> of(one, study)));
  }

  private record Key(Id button) {}

  private static StopTakes of(Pressed one, Study study) {
    var charged = new HashMap<Id, Voltage>();
    for (var charge : Engine.charges(study.asDesigned(), one.pressed()))
      if (charge.from().compareTo(StoredCharge.MARKS.getFirst()) > 0)
        for (var id : charge.members()) charged.put(id, charge.from());
    var all = new HashMap<Id, Left>();
    for (var device : study.project().devices()) {
      var was = most(device, study.asDesigned(), study);
      var is = most(device, one.pressed(), study);
      if (charged.containsKey(device.id()))
        all.put(device.id(), new Left(Standing.CHARGED, charged.get(device.id())));
      else if (!one.pressed().settled())
        all.put(device.id(), new Left(Standing.UNKNOWN, new Voltage(was)));
      else if (is >= NONE) all.put(device.id(), new Left(Standing.STAYS, new Voltage(is)));
      else if (was >= NONE) all.put(device.id(), new Left(Standing.TAKEN, new Voltage(was)));
    }
    return new StopTakes(one.button(), all);
  }

  public Optional<Left> of(Id device) {
    return Optional.ofNullable(all.get(device));
  }

  /// In the order of the project, those that stand so.
  public List<Device> standing(Standing standing, Study study) {
    return study.project().devices().stream()
        .filter(d -> of(d.id()).filter(left -> left.standing() == standing).isPresent())
        .toList();
  }

  /// To earth, or to its own source where nothing joins that to earth.
  private static double most(Device device, Live live, Study study) {
    var most = 0.0;
    for (var terminal : study.part(device).map(p -> p.terminals()).orElse(List.of()))
      most =
          Math.max(
              most,
              live.toEarth(new TerminalRef(device.id(), terminal.name()))
                  .map(Live.Both::rms)
                  .orElse(0.0));
    for (var served : live.circuitry().served(device.id()))
      most = Math.max(most, live.at(device, served.intake()).map(Voltage::volts).orElse(0.0));
    return most;
  }
}
