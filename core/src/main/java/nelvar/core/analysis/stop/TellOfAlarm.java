package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Repair;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;

/// The way out that tells a controller of drives that failed: the alarm contact of each to a free
/// input of its own, fed by what its common hangs on, else by the + of the controller. A wire that
/// breaks tells of a failure, because the contact is closed while the drive is ready.
final class TellOfAlarm {
  static final String ALARM = "ALM";
  private static final String COMMON = "COM";

  private TellOfAlarm() {}

  /// Empty where no controller has an input for each of them.
  static List<Repair> ways(List<Device> drives, Study study) {
    return PinLinks.of(study).stream()
        .map(PinLink::board)
        .distinct()
        .filter(board -> board.place() == Place.PANEL)
        .flatMap(board -> at(board, drives, study).stream())
        .limit(1)
        .toList();
  }

  private static Optional<Repair> at(Device board, List<Device> drives, Study study) {
    var free =
        new ArrayList<>(
            PinLinks.of(study).stream()
                .filter(link -> link.board().id().equals(board.id()))
                .filter(link -> !link.wired() && link.pin().type().digitalInput())
                .toList());
    var own = new TerminalRef(board.id(), "+");
    var plus = own;
    var edits = new ArrayList<Edit>();
    var pins = new ArrayList<String>();
    for (var drive : drives) {
      if (drive.place() != Place.PANEL) return Optional.empty();
      var common = new TerminalRef(drive.id(), COMMON);
      var wired = study.network().topology().wired(common);
      var feeds = wired ? common : own;
      var pin =
          free.stream()
              .filter(link -> wired || link.pin().type() == Pin.Type.INPUT_READS_PLUS)
              .filter(link -> link.reads(feeds, study.asDesigned()) == PinLink.Reads.ONE)
              .findFirst();
      if (pin.isEmpty()) return Optional.empty();
      free.remove(pin.get());
      if (!wired) {
        if (!SignalWire.room(plus, study)) return Optional.empty();
        edits.add(SignalWire.add(plus, common, study));
        // The next one is led on from here.
        plus = common;
      }
      edits.add(SignalWire.add(new TerminalRef(drive.id(), ALARM), pin.get().at(), study));
      pins.add(pin.get().at().terminal());
    }
    var label =
        "Tell %s of their failing: %s of %s to %s"
            .formatted(
                board.designation(),
                ALARM,
                drives.stream().map(d -> d.designation().text()).collect(Collectors.joining(", ")),
                String.join(", ", pins));
    return edits.stream()
        .reduce((a, b) -> a.then(b))
        .map(edit -> new Repair(label, edit.named(label)));
  }
}
