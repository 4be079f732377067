package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// A circuit sheet as large as on a screen, every place of which can be pointed at: symbols, wires,
/// and terminals in front of them. Units are pixels.
///
/// @param places what each spot of the drawing stands for
public record CircuitScreen(Drawing drawing, Map<Id, Place> places) {
  /// From millimetres of paper.
  public static final double SCALE = 4;

  private static final double REACH = 1.3;

  public CircuitScreen {
    places = Map.copyOf(places);
  }

  /// @param about a device or a wire
  /// @param terminal where it is a terminal of the device
  /// @param symbol where it is a symbol, its name
  public record Place(Id about, Optional<TerminalRef> terminal, Optional<TerminalRef> symbol) {}

  public static CircuitScreen of(
      Study study, CircuitSheets sheets, CircuitSheet sheet, CircuitView view) {
    var paper = CircuitPicture.of(study, sheets, sheet, view);
    var places = new HashMap<Id, Place>();
    var spots = new ArrayList<Drawing.Spot>();
    var wires = new HashMap<Id, Id>();
    for (var spot : paper.spots()) {
      var symbol =
          study.device(spot.about()).isPresent()
              ? symbol(sheet, spot)
              : Optional.<TerminalRef>empty();
      var id =
          study.conductor(spot.about()).isPresent()
              ? wires.computeIfAbsent(spot.about(), _ -> new Id("s" + places.size()))
              : new Id("s" + places.size());
      places.put(id, new Place(spot.about(), Optional.empty(), symbol));
      spots.add(scaled(spot, id));
    }
    for (var port : paper.ports()) {
      var id = new Id("s" + places.size());
      places.put(
          id, new Place(port.terminal().device(), Optional.of(port.terminal()), Optional.empty()));
      spots.add(
          scaled(
              new Drawing.Spot(
                  port.x() - REACH,
                  port.y() - REACH,
                  2 * REACH,
                  2 * REACH,
                  id,
                  WireCode.terminal(port.terminal(), study) + volts(port.terminal(), view)),
              id));
    }
    var shapes = new ArrayList<Shape>();
    for (var shape : paper.shapes()) shapes.add(Scaled.at(shape, 0, 0, SCALE));
    return new CircuitScreen(
        new Drawing(paper.width() * SCALE, paper.height() * SCALE, shapes, spots), places);
  }

  private static String volts(TerminalRef terminal, CircuitView view) {
    return view.live()
        .flatMap(live -> live.toEarth(terminal))
        .map(v -> ", " + CircuitPicture.volts(v) + " to earth")
        .orElse("");
  }

  private static Optional<TerminalRef> symbol(CircuitSheet sheet, Drawing.Spot spot) {
    return sheet.pieces().stream()
        .filter(placed -> placed.piece().device().id().equals(spot.about()))
        .filter(placed ->
            Math.abs(CircuitPicture.x(placed.x()) - spot.x()) < 0.01
                && Math.abs(CircuitPicture.y(placed.y()) - spot.y()) < 0.01)
        .map(placed -> placed.piece().key())
        .findFirst();
  }

  private static Drawing.Spot scaled(Drawing.Spot spot, Id id) {
    return new Drawing.Spot(
        spot.x() * SCALE,
        spot.y() * SCALE,
        spot.width() * SCALE,
        spot.height() * SCALE,
        id,
        spot.says());
  }

  /// The first place that stands for a device or wire.
  public Optional<Id> spotOf(Id about) {
    return drawing.spots().stream()
        .map(Drawing.Spot::about)
        .filter(id -> {
          var place = places.get(id);
          return place != null && place.about().equals(about) && place.terminal().isEmpty();
        })
        .findFirst();
  }

  /// A line that follows the pointer from a terminal.
  public Drawing reaching(Drawing.Spot from, double x, double y) {
    return new Drawing(
        drawing.width(),
        drawing.height(),
        List.of(
            Shape.line(
                from.x() + from.width() / 2,
                from.y() + from.height() / 2,
                x,
                y,
                new Shape.Pen(Ink.ACCENT, 2, 5))),
        List.of());
  }
}
