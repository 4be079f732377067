package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// A finished picture: its size, its shapes from back to front, and the spots that stand for things
/// of the project.
///
/// @param width in the drawing's own units: millimetres on paper, pixels on the screen
/// @param ports where wires land on terminals, on drawings that show wires as lines
public record Drawing(
    double width, double height, List<Shape> shapes, List<Spot> spots, List<Port> ports) {
  public Drawing {
    shapes = List.copyOf(shapes);
    spots = List.copyOf(spots);
    ports = List.copyOf(ports);
  }

  public Drawing(double width, double height, List<Shape> shapes, List<Spot> spots) {
    this(width, height, shapes, spots, List.of());
  }

  /// The point where the line of a wire ends at a terminal.
  public record Port(double x, double y, TerminalRef terminal, Optional<Id> wire) {}

  /// An area that stands for a device, conductor or cable, with what a screen reader says of it.
  public record Spot(double x, double y, double width, double height, Id about, String says) {
    public boolean contains(double px, double py) {
      return px >= x && px <= x + width && py >= y && py <= y + height;
    }
  }

  /// The front-most spot at a point.
  public Optional<Spot> at(double x, double y) {
    return spots.reversed().stream().filter(spot -> spot.contains(x, y)).findFirst();
  }

  public Optional<Spot> spot(Id about) {
    return spots.stream().filter(spot -> spot.about().equals(about)).findFirst();
  }
}
