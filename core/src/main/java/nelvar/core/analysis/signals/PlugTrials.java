package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.PlugFace;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Disturbance;
import nelvar.core.network.Live;
import nelvar.core.network.Plugs;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Voltage;

/// What happens when a plug of a board is put on turned round, shifted by one, or exchanged with
/// its neighbour of the same size: each solved, and what it destroys.
///
/// Destroyed counts: a pin above what it bears or below its 0 V, a device with more volts than it
/// accepts or with + and - turned round, a supply that is shorted. What is wrong without harm is
/// not told: it does not work, and is seen.
public final class PlugTrials {
  /// Below its 0 V a pin conducts through its protection; common practice.
  private static final double BELOW = -0.6;

  /// From so many times the greatest on it is told apart: what has somewhat too many already can
  /// still be destroyed at once.
  private static final double MANY = 2;

  private PlugTrials() {}

  /// @param harm what is destroyed, in words; none where nothing is
  /// @param settled whether a state was found
  public record Trial(
      Device board, PlugFace face, Disturbance.Plug plug, List<String> harm, boolean settled) {
    public Trial {
      harm = List.copyOf(harm);
    }

    public String words() {
      return "%s %s %s".formatted(board.designation(), face.name(), plug.how());
    }
  }

  /// Every plug with something on it.
  public static List<Trial> of(Study study) {
    return study.once(PlugTrials.class, () -> computed(study));
  }

  private static List<Trial> computed(Study study) {
    var all = new ArrayList<Trial>();
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.flatMap(Part::logic).isEmpty()) continue;
      for (var face : part.get().faces()) all.addAll(of(device, face, study));
    }
    return all;
  }

  public static List<Trial> of(Device device, PlugFace face, Study study) {
    if (!wired(device, face, study) || face.ways() < 2) return List.of();
    var plugs = new ArrayList<Disturbance.Plug>();
    plugs.add(Plugs.turned(device, face));
    plugs.add(Plugs.shifted(device, face, false));
    plugs.add(Plugs.shifted(device, face, true));
    for (var other : study.part(device).map(Part::faces).orElse(List.of()))
      if (other.name().compareTo(face.name()) > 0
          && other.ways() == face.ways()
          && other.rows() == face.rows()) plugs.add(Plugs.exchanged(device, face, other));
    return plugs.stream().map(plug -> tried(device, face, plug, study)).toList();
  }

  static boolean wired(Device device, PlugFace face, Study study) {
    return face.places().stream()
        .flatMap(place -> place.stream())
        .anyMatch(mark -> study.network().topology().wired(new TerminalRef(device.id(), mark)));
  }

  static Trial tried(Device device, PlugFace face, Disturbance.Plug plug, Study study) {
    var live = study.engine().solve(WhatIf.AS_DESIGNED.with(plug), conditions(study));
    if (!live.settled()) return new Trial(device, face, plug, List.of(), false);
    var before = harm(study.asDesigned(), study);
    var harm = new LinkedHashSet<>(harm(live, study));
    harm.removeAll(before);
    return new Trial(device, face, plug, List.copyOf(harm), true);
  }

  private static Conditions conditions(Study study) {
    return Conditions.usual(study.project().brief().surroundings().inside());
  }

  private static Set<String> harm(Live live, Study study) {
    var all = new LinkedHashSet<String>();
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.isEmpty()) continue;
      part.get()
          .logic()
          .ifPresent(logic -> {
            for (var pin : logic.pins()) {
              if (!pin.type().digitalInput()) continue;
              live.voltage(
                      new TerminalRef(device.id(), pin.name()), new TerminalRef(device.id(), "-"))
                  .map(Live.Both::direct)
                  .filter(volts -> volts < BELOW || volts > pin.levels().greatest().volts())
                  .ifPresent(_ ->
                      all.add(
                          "%s:%s gets more than it bears"
                              .formatted(device.designation(), pin.name())));
            }
          });
      for (var intake : device.intakes(part.get()))
        supplied(device, intake, part.get().runsBackwards(), live, all);
    }
    for (var output : live.outputs())
      if (output.tripped() || output.limited())
        all.add(
            "%s of %s is shorted".formatted(output.output().name(), output.device().designation()));
    return all;
  }

  private static void supplied(
      Device device, Intake intake, boolean backwards, Live live, Set<String> all) {
    if (!backwards && live.reversed(device, intake))
      all.add("%s gets + and - turned round".formatted(device.designation()));
    else
      live.at(device, intake)
          .filter(volts -> volts.compareTo(most(intake)) > 0)
          .ifPresent(volts ->
              all.add(
                  "%s gets %s volts"
                      .formatted(
                          device.designation(),
                          volts.compareTo(most(intake).times(MANY)) > 0
                              ? "many times its"
                              : "too many")));
  }

  private static Voltage most(Intake intake) {
    return intake.accepts().greatest().times(1.05);
  }
}
