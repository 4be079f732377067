package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.repair.RepairWay;
import nelvar.documents.drawing.CircuitPicture;

/// For each load its way, its fuse, and what a meter shows at each terminal.
final class RepairSheet {
  static final String TITLE = "Repair sheet";
  static final String NAME = "repair-sheet";

  private RepairSheet() {}

  static List<Block> blocks(Study study, SheetFormat circuits) {
    var list = list(study, circuits);
    if (list.cells().isEmpty()) return List.of();
    return List.of(
        new Block.Heading(TITLE, 1),
        new Block.Notice(
            "Measuring on what is live",
            "Only who is trained and allowed to. Prove the meter before and after, keep one hand away, and take nothing for dead that was not measured dead.",
            nelvar.documents.drawing.Ink.ERROR),
        new Block.Paragraph(
            "From the source to each load, terminal by terminal; the fault lies between the last terminal that shows its volts and the first that does not. Rest: mains on, stops reset, program off, nobody pressing. On is with everything on that can be, unless another state is named. Each is measured against the place named above it, or across the two terminals named. Computed for the usual temperature and mains. \"Floats\": nothing joins the two probes, and what a meter shows there means nothing. \"?\": no state of the machine was found."),
        new Block.Rows(list));
  }

  static ListTable list(Study study, SheetFormat circuits) {
    var sheets = CircuitSheets.of(study, circuits);
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var way : RepairWay.all(study)) {
      var about = about(way, study);
      for (var point : way.points())
        rows.add(
            List.of(
                new ListTable.Cell.Words(way.feed().name()),
                new ListTable.Cell.Words(about),
                new ListTable.Cell.Words(at(point, way, study)),
                sheets
                    .at(point.at())
                    .<ListTable.Cell>map(spot ->
                        new ListTable.Cell.Reference(
                            spot.toString(), CircuitPicture.name(spot.sheet())))
                    .orElse(new ListTable.Cell.Words("")),
                new ListTable.Cell.Words(words(point.on())),
                new ListTable.Cell.Words(words(point.rest()))));
    }
    return new ListTable(
            NAME,
            TITLE,
            List.of(
                text("Load", 2),
                text("Way", 3),
                text("At", 1.6),
                text("Sheet", 0.8),
                number("On", 0.9),
                number("Rest", 0.9)),
            rows)
        .grouped(0, 1);
  }

  private static String about(RepairWay way, Study study) {
    var fuse =
        way.protector()
            .map(p -> p.device().designation() + " " + p.protection())
            .orElse("no fuse of its own");
    var against =
        way.oneProbe() ? "; against " + Lists.end(study, way.points().getFirst().against()) : "";
    var on =
        way.onIn()
            .map(state -> state.equals("everything on") ? "" : "; on: " + state)
            .orElse("; on: in no state");
    return "%s, from %s%s%s".formatted(fuse, study.label(way.source().device().id()), against, on);
  }

  private static String at(RepairWay.Point point, RepairWay way, Study study) {
    var at = Lists.end(study, point.at());
    if (way.oneProbe()) return at;
    return point.at().device().equals(point.against().device())
        ? at + "/" + point.against().terminal()
        : at + " / " + Lists.end(study, point.against());
  }

  private static String words(RepairWay.Reading reading) {
    return switch (reading) {
      case RepairWay.Reading.Volts(var both) -> CircuitPicture.volts(both);
      case RepairWay.Reading.Floats _ -> "floats";
      case RepairWay.Reading.Unknown _ -> "?";
    };
  }
}
