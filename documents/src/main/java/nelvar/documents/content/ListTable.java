package nelvar.documents.content;

import java.util.List;

/// A list of a project: what people compare row by row, on paper, in CSV and in XLSX.
///
/// @param name short file name, such as `wire-list`
public record ListTable(String name, String title, List<Column> columns, List<List<String>> rows) {
  public ListTable {
    columns = List.copyOf(columns);
    rows = rows.stream().map(List::copyOf).toList();
  }

  /// @param weight share of the width on paper
  public record Column(String heading, double weight, boolean number) {
    public static Column text(String heading, double weight) {
      return new Column(heading, weight, false);
    }

    public static Column number(String heading, double weight) {
      return new Column(heading, weight, true);
    }
  }
}
