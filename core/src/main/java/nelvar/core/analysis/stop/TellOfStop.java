package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Repair;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.units.CrossSection;

/// The way out that tells a controller of stops: a wire from the coil of a contactor that all of
/// them open to a free input, which then reads it.
final class TellOfStop {
  /// Conductors that one terminal of a device commonly takes.
  private static final int LANDINGS = 2;

  private static final CrossSection SIGNAL = new CrossSection(0.5);
  private static final CrossSection AMERICAN = CrossSection.ofGauge(20);

  private TellOfStop() {}

  static List<Repair> ways(Device board, List<Pressed> stops, Study study) {
    var pin =
        PinLinks.of(study).stream()
            .filter(link -> link.board().id().equals(board.id()))
            .filter(link -> !link.wired() && link.pin().type() == Pin.Type.INPUT_READS_PLUS)
            .findFirst();
    if (pin.isEmpty() || board.place() != Place.PANEL) return List.of();
    return coil(pin.get(), stops, study).stream()
        .map(from -> wire(from, pin.get(), study))
        .toList();
  }

  /// The first coil that reads 1 while the machine runs and 0 at each of the stops.
  private static Optional<TerminalRef> coil(PinLink pin, List<Pressed> stops, Study study) {
    return study.project().devices().stream()
        .filter(device -> device.place() == Place.PANEL)
        .flatMap(device ->
            study.part(device).stream()
                .flatMap(part -> part.actuators().stream())
                .filter(Actuator.Magnet.class::isInstance)
                .map(magnet -> new TerminalRef(device.id(), ((Actuator.Magnet) magnet).a())))
        .filter(at -> landed(at, study) < LANDINGS)
        .filter(at -> pin.reads(at, study.asDesigned()) == PinLink.Reads.ONE)
        .filter(at ->
            stops.stream().allMatch(one -> pin.reads(at, one.pressed()) == PinLink.Reads.ZERO))
        .findFirst();
  }

  private static long landed(TerminalRef at, Study study) {
    return study.project().conductors().stream()
        .filter(c -> c.from().equals(at) || c.to().equals(at))
        .count();
  }

  private static Repair wire(TerminalRef from, PinLink pin, Study study) {
    var label =
        "Tell %s of the stop: %s to %s"
            .formatted(
                pin.board().designation(),
                study.label(from.device()) + ":" + from.terminal(),
                pin.at().terminal());
    var american =
        study.project().brief().policies().sizing()
            == nelvar.core.model.Brief.Sizing.NORTH_AMERICAN;
    return new Repair(
        label,
        new Edit(
            label,
            project -> {
              var name = NextName.designation(project, "W");
              return Edits.add(
                      "",
                      new Conductor(
                              NextName.id(project, name.text()),
                              name,
                              from,
                              pin.at(),
                              Conductor.Function.CONTROL,
                              Optional.of(american ? AMERICAN : SIGNAL),
                              Optional.empty(),
                              colour(from, project),
                              Optional.empty(),
                              Optional.empty())
                          .assumed())
                  .apply(project);
            }));
  }

  /// As what lands there already.
  private static Optional<String> colour(TerminalRef at, nelvar.core.model.Project project) {
    return project.conductors().stream()
        .filter(c -> c.cable().isEmpty() && (c.from().equals(at) || c.to().equals(at)))
        .flatMap(c -> c.colour().stream())
        .findFirst();
  }
}
