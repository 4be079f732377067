package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.StopMatrix;

/// What each stop, each guard and the mains going away take, and when: the timing sheet of stops.
final class StopRows {
  private StopRows() {}

  static ListTable of(Study study) {
    var matrix = StopMatrix.of(study);
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var r : matrix.rows())
      for (var c = 0; c < r.lanes().size(); c++) {
        var lane = r.lanes().get(c);
        rows.add(
            row(
                String.join(", ", r.devices().stream().map(d -> d.designation().text()).toList()),
                lane.what(),
                matrix.columns().get(c).act().words(),
                lane.powerless().<Object>map(t -> t).orElse(""),
                lane.over().<Object>map(t -> t).orElse(""),
                lane.way().<Object>map(s -> s).orElse(""),
                lane.ends()));
      }
    return new ListTable(
            "stops",
            "Stops: what each takes, and when (programs go on; at the slowest)",
            List.of(
                text("Device", 1.4),
                text("What", 1.4),
                text("Done", 1.2),
                number("No power after, s", 0.8),
                number("Over after, s", 0.8),
                number("Way, m", 0.7),
                text("Becomes", 2.4)),
            rows)
        .grouped(0, 1);
  }
}
