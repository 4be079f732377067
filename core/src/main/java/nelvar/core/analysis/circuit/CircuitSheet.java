package nelvar.core.analysis.circuit;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// One sheet: symbols, bars, wires and what leads to other places, all in steps of the grid.
///
/// @param functions of the machine that stand on it, in their order; empty for what serves all
public record CircuitSheet(
    int number,
    SheetFormat format,
    List<Id> functions,
    List<Placed> pieces,
    List<Bar> bars,
    List<Line> lines,
    List<Stub> stubs) {
  public CircuitSheet {
    functions = List.copyOf(functions);
    pieces = List.copyOf(pieces);
    bars = List.copyOf(bars);
    lines = List.copyOf(lines);
    stubs = List.copyOf(stubs);
  }

  /// Whether a symbol could stand there, if it stands on this sheet already.
  public boolean room(Placed wanted) {
    if (wanted.x() < 0
        || wanted.row() < 0
        || wanted.row() >= format.rows()
        || wanted.x() + wanted.piece().width() > format.steps()) return false;
    return pieces.stream()
        .filter(other -> other.row() == wanted.row())
        .filter(other -> !other.piece().key().equals(wanted.piece().key()))
        .noneMatch(other ->
            other.x() < wanted.x() + wanted.piece().width() + PathLayout.GAP
                && wanted.x() < other.x() + other.piece().width() + PathLayout.GAP);
  }

  public record Point(int x, int y) {}

  /// A symbol with its upper left corner.
  public record Placed(Piece piece, int x, int row) {
    public int y() {
      return Rows.top(row);
    }

    public Point at(Piece.Pin pin, int n) {
      return new Point(x + pin.x() + n * Piece.PITCH, pin.top() ? y() : y() + Piece.HEIGHT);
    }
  }

  /// A piece of a bar: terminals of one block side by side.
  public record Bar(Device block, int y, int from, int to, List<Tap> taps) {
    public Bar {
      taps = List.copyOf(taps);
    }
  }

  /// A terminal of a bar, and where its wire lands.
  public record Tap(TerminalRef terminal, Id wire, int x) {}

  /// A wire from end to end.
  ///
  /// @param labelled the corner at which its number stands: where it leaves its symbol
  /// @param from the terminal there
  /// @param upwards whether it leaves upwards there
  /// @param tap the terminal of a bar it leads to, where it does
  public record Line(
      Conductor wire,
      List<Point> points,
      Point labelled,
      TerminalRef from,
      boolean upwards,
      Optional<TerminalRef> tap) {
    public Line {
      points = List.copyOf(points);
    }
  }

  /// The end of a wire that goes on elsewhere.
  ///
  /// @param at where it leaves its symbol
  public record Stub(
      Conductor wire, TerminalRef here, TerminalRef there, Point at, boolean upwards) {}
}
