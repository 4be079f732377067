package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.FirmwareNames;

/// Every pin of every controller: its three names, its place, what it reads or drives, and how sure
/// that is. Also the list of inputs and outputs.
final class PinMap {
  private PinMap() {}

  static ListTable of(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var link : PinLinks.of(study)) {
      var pin = link.pin();
      rows.add(
          row(
              link.board().designation() + ":" + pin.name(),
              pin.at().map(Pin.Spot::toString).orElse(""),
              pin.pinOut().orElse(""),
              FirmwareNames.of(study.project(), link.board().id(), pin).orElse(""),
              pin.type().words(),
              String.join(
                  ", ",
                  new LinkedHashSet<>(
                      link.partners().stream()
                          .map(end -> study.label(end.device()) + ":" + end.terminal())
                          .toList())),
              purpose(link, study),
              link.standing().words(),
              link.wired() ? link.words() : ""));
    }
    return new ListTable(
        "pins",
        "Pins",
        List.of(
            text("Pin", 1.2),
            text("Place", 1.2),
            text("Drawing", 1),
            text("Program", 1.2),
            text("Kind", 2),
            text("Joined to", 1.6),
            text("For", 2),
            text("State", 1.2),
            text("Found", 4)),
        rows);
  }

  private static String purpose(PinLink link, Study study) {
    return link.partners().stream()
        .findFirst()
        .flatMap(end -> study.device(end.device()))
        .map(device -> device.purpose())
        .orElse("");
  }
}
