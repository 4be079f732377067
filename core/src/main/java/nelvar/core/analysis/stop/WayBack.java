package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;

/// What has to be done, in order, before the machine runs again after a rehearsal: what is let go,
/// what is reset and by which button, which controllers and drives start anew, which axes lost
/// their place and are homed in which order.
public final class WayBack {
  private WayBack() {}

  public static List<String> of(StopRehearsal rehearsal, Study study) {
    var all = new ArrayList<String>();
    all.addAll(resets(rehearsal, study));
    all.addAll(held(rehearsal, study));
    all.addAll(restarted(rehearsal, study));
    all.addAll(homing(rehearsal, study));
    return List.copyOf(all);
  }

  /// What watches with a reset and has fallen: by the button that is wired to it.
  private static List<String> resets(StopRehearsal rehearsal, Study study) {
    var last = rehearsal.slow().last();
    var first = rehearsal.slow().moments().getFirst().live();
    var all = new ArrayList<String>();
    for (var device : study.project().devices())
      for (var actuator : study.part(device).map(Part::actuators).orElse(List.of())) {
        if (!(actuator instanceof Actuator.Watch watch) || watch.reset().isEmpty()) continue;
        var ref = new ActuatorRef(device.id(), actuator.name());
        if (!first.on(ref) || last.on(ref)) continue;
        var buttons = resetButtons(device, watch, study);
        all.add(
            "Let go what was pressed, then reset %s%s: nothing may start by that alone."
                .formatted(
                    device.designation(), buttons.isEmpty() ? "" : " with " + names(buttons)));
      }
    return all;
  }

  /// Contactors that held themselves and have let go: by the button beside their own contact.
  private static List<String> held(StopRehearsal rehearsal, Study study) {
    var last = rehearsal.slow().last();
    var first = rehearsal.slow().moments().getFirst().live();
    var all = new ArrayList<String>();
    for (var device : study.project().devices()) {
      var coil = new ActuatorRef(device.id(), Actuator.COIL);
      if (!first.on(coil) || last.on(coil)) continue;
      var buttons = starts(device, study);
      if (!buttons.isEmpty())
        all.add(
            "Let go what was pressed, then switch %s on again with %s."
                .formatted(device.designation(), names(buttons)));
    }
    return all;
  }

  /// Hands with a contact that closes, both ends of which metal joins to the two ends of a contact
  /// that the device closes itself.
  private static List<Device> starts(Device device, Study study) {
    var cold = StartsByItself.cold(study);
    return study.part(device).stream()
        .flatMap(part -> part.links().stream())
        .filter(link -> link.actuator().filter(Actuator.COIL::equals).isPresent())
        .filter(link -> !link.closedAtRest())
        .flatMap(link -> {
          var in = devices(cold.metal(new TerminalRef(device.id(), link.a())), study);
          return devices(cold.metal(new TerminalRef(device.id(), link.b())), study).stream()
              .filter(in::contains);
        })
        .filter(button -> springsBack(button, study))
        .distinct()
        .toList();
  }

  private static List<Device> devices(Collection<TerminalRef> ends, Study study) {
    return ends.stream().flatMap(end -> study.device(end.device()).stream()).distinct().toList();
  }

  private static boolean springsBack(Device device, Study study) {
    return study.part(device).stream()
        .flatMap(p -> p.actuators().stream())
        .anyMatch(a -> a instanceof Actuator.Hand hand && !hand.onAtRest());
  }

  /// Every button that resets something, or closes a contactor that holds itself.
  static List<Device> buttons(Study study) {
    return Stream.concat(
            resetButtons(study).stream(),
            study.project().devices().stream().flatMap(d -> starts(d, study).stream()))
        .distinct()
        .toList();
  }

  /// Every button that resets something that watches.
  static List<Device> resetButtons(Study study) {
    var all = new ArrayList<Device>();
    for (var device : study.project().devices())
      for (var actuator : study.part(device).map(Part::actuators).orElse(List.of()))
        if (actuator instanceof Actuator.Watch watch && watch.reset().isPresent())
          for (var button : resetButtons(device, watch, study))
            if (!all.contains(button)) all.add(button);
    return all;
  }

  /// Hands that metal joins to what it is reset by, over terminals and over contacts that read
  /// contactors back, which are closed from cold.
  private static List<Device> resetButtons(Device device, Actuator.Watch watch, Study study) {
    var terminal = new TerminalRef(device.id(), watch.reset().orElseThrow().terminal());
    return StartsByItself.cold(study).metal(terminal).stream()
        .filter(end -> !end.device().equals(device.id()))
        .flatMap(end -> study.device(end.device()).stream())
        .filter(d -> springsBack(d, study))
        .distinct()
        .toList();
  }

  /// Controllers begin at their start; drives may stand in a fault.
  private static List<String> restarted(StopRehearsal rehearsal, Study study) {
    var all = new ArrayList<String>();
    var boards =
        lost(rehearsal, study).filter(d -> study.part(d).flatMap(Part::logic).isPresent()).toList();
    if (!boards.isEmpty()) all.add("%s starts anew: wait for it.".formatted(names(boards)));
    var drives =
        lost(rehearsal, study)
            .filter(d -> study.part(d).filter(Part::drives).isPresent())
            .filter(d -> study.part(d).flatMap(Part::logic).isEmpty())
            .toList();
    if (!drives.isEmpty())
      all.add(
          "%s lost %s feed: read what each shows, a fault stays until it is acknowledged."
              .formatted(names(drives), drives.size() == 1 ? "its" : "their"));
    return all;
  }

  private static Stream<Device> lost(StopRehearsal rehearsal, Study study) {
    return study.project().devices().stream()
        .filter(d ->
            rehearsal.of(d).stream().anyMatch(f -> f.dry().isPresent() || f.back().isPresent()));
  }

  /// Hanging loads first, so that nothing stands in the way of the others; what lost torque has
  /// lost its place, since nothing here keeps it without volts (a battery of an encoder is not
  /// known).
  private static List<String> homing(StopRehearsal rehearsal, Study study) {
    var axes =
        MotionAxes.of(study).stream()
            .filter(axis ->
                Stream.of(axis.motor(), axis.board())
                    .flatMap(d -> rehearsal.of(d).stream())
                    .anyMatch(f -> f.dry().isPresent() || f.back().isPresent()))
            .sorted(Comparator.comparing((MotionAxis a) -> !a.mechanics().vertical()))
            .toList();
    if (axes.isEmpty()) return List.of();
    var names = axes.stream().map(MotionAxis::name).distinct().toList();
    return List.of(
        "Home %s, slowly%s: without torque they lost their place."
            .formatted(
                String.join(", then ", names),
                axes.getFirst().mechanics().vertical() && names.size() > 1
                    ? " (what hangs first, upwards)"
                    : ""));
  }

  private static String names(List<Device> devices) {
    return devices.stream()
        .map(d -> d.designation().text())
        .collect(java.util.stream.Collectors.joining(", "));
  }
}
