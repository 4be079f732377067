package nelvar.documents.content;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.units.Price;
import nelvar.core.units.Quantity;
import nelvar.core.units.Significant;

/// A list of a project: what people compare row by row, on paper, in CSV and in XLSX.
///
/// @param name short file name, such as `wire-list`
/// @param groups columns that stand on paper above all rows that follow one another with the same
///   words there
public record ListTable(
    String name, String title, List<Column> columns, List<List<Cell>> cells, List<Integer> groups) {
  public ListTable {
    columns = List.copyOf(columns);
    cells = cells.stream().map(List::copyOf).toList();
    groups = List.copyOf(groups);
  }

  public ListTable(String name, String title, List<Column> columns, List<List<Cell>> cells) {
    this(name, title, columns, cells, List.of());
  }

  /// The same with these columns said once for all rows they are alike in.
  public ListTable grouped(Integer... by) {
    return new ListTable(name, title, columns, cells, List.of(by));
  }

  /// The cells as they are printed.
  public List<List<String>> rows() {
    return cells.stream().map(row -> row.stream().map(Cell::printed).toList()).toList();
  }

  /// A number stays a number until it is printed.
  public sealed interface Cell {
    String printed();

    record Words(String printed) implements Cell {}

    /// In the unit its column names.
    record Amount(double value) implements Cell {
      @Override
      public String printed() {
        return Significant.digits(value);
      }
    }

    record Money(BigDecimal value) implements Cell {
      @Override
      public String printed() {
        return value.toPlainString();
      }
    }

    /// What leads to another place of the paper.
    ///
    /// @param printed what stands there; the number of the page where it is empty
    /// @param to a heading, or a list and a group of it: `terminal-plan/-K1`
    record Reference(String printed, String to) implements Cell {}

    /// Quantities in the unit of their record, counts and prices stay numbers; all else is words.
    static Cell of(Object value) {
      return switch (value) {
        case Quantity quantity -> new Amount(quantity.si());
        case Integer count -> new Amount(count);
        case Price price -> new Money(price.amount());
        case Cell cell -> cell;
        default -> new Words(value.toString());
      };
    }
  }

  /// The cells of one row, each by [Cell#of].
  public static List<Cell> row(Object... values) {
    return Stream.of(values).map(Cell::of).toList();
  }

  /// @param weight share of the width on paper
  /// @param byHand whether one writes in it with a pen, and so needs room
  public record Column(String heading, double weight, boolean number, boolean byHand) {
    public static Column text(String heading, double weight) {
      return new Column(heading, weight, false, false);
    }

    public static Column number(String heading, double weight) {
      return new Column(heading, weight, true, false);
    }

    public static Column toFill(String heading, double weight) {
      return new Column(heading, weight, false, true);
    }
  }
}
