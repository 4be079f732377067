package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// What of a board is plugged, jumped and socketed.
///
/// A jumper is a piece of metal over two pads: in a project a wire of 0 m between them. A module in
/// a socket is a device whose terminals are joined to the pads of the socket by wires of 0 m. So
/// the network knows both as it knows any wire.
///
/// @param nets places to land on that are no pins: + and 0 V of a plug, windings of a module
public record BoardHardware(
    List<Pad> nets, List<Face> faces, List<Jumper> jumpers, List<Socket> sockets) {
  static final BoardHardware NONE = new BoardHardware(List.of(), List.of(), List.of(), List.of());

  public BoardHardware {
    nets = List.copyOf(nets);
    faces = List.copyOf(faces);
    jumpers = List.copyOf(jumpers);
    sockets = List.copyOf(sockets);
    Set<String> names = new HashSet<>();
    for (var jumper : jumpers)
      Part.require(names.add(jumper.name()), "two jumpers are called " + jumper.name());
    for (var socket : sockets)
      Part.require(names.add(socket.name()), "two sockets are called " + socket.name());
  }

  /// A connector as one sees it from the side it is mounted on.
  ///
  /// @param rows its places stand in
  /// @param keyed whether it goes in one way only; empty where that is not stated
  /// @param places the terminal at each place; by the places of its pins where none are said
  public record Face(
      String connector, int ways, int rows, Optional<Boolean> keyed, List<String> places) {
    public Face {
      places = List.copyOf(places);
      Part.require(
          places.isEmpty() || places.size() == ways,
          "connector %s has %d places and %d are said".formatted(connector, ways, places.size()));
      Part.require(ways >= 1 && ways <= 200, "a connector has 1 to 200 places, not " + ways);
      Part.require(rows >= 1 && rows <= 4, "places stand in 1 to 4 rows, not " + rows);
    }
  }

  /// A pad, and the pin, net or supply terminal of the board that it leads to.
  public record Pad(String mark, Optional<String> joins) {}

  /// Pads beside each other that one piece of metal bridges.
  public record Jumper(String name, List<Pad> pads, List<Position> positions) {
    public Jumper {
      pads = List.copyOf(pads);
      positions = List.copyOf(positions);
      for (var position : positions)
        for (var mark : position.bridges())
          Part.require(
              pads.stream().anyMatch(pad -> pad.mark().equals(mark)),
              "jumper %s has no pad '%s'".formatted(name, mark));
    }
  }

  /// One way to put a jumper.
  ///
  /// @param bridges two of its pads; none where it is left off
  /// @param means what it does, whatever module is fitted
  /// @param fitted what it does with certain modules
  public record Position(String label, List<String> bridges, String means, List<Fitted> fitted) {
    public Position {
      bridges = List.copyOf(bridges);
      fitted = List.copyOf(fitted);
      Part.require(
          bridges.isEmpty() || bridges.size() == 2,
          "position '%s' bridges two pads or none".formatted(label));
    }
  }

  /// What a position means with one module.
  ///
  /// @param module id of its part
  /// @param wrong whether it must not be put so with that module
  public record Fitted(String module, String means, boolean wrong) {}

  /// Where a module is plugged in: pads marked with the name of the socket, a dot and the terminal
  /// of the module that goes there.
  public record Socket(String name, List<Pad> pads, Optional<Boolean> keyed) {
    public Socket {
      pads = List.copyOf(pads);
    }

    public String mark(String terminal) {
      return name + "." + terminal;
    }
  }

  /// All there is to land on besides pins: of plugs, jumpers and sockets.
  public List<Pad> pads() {
    var all = new ArrayList<>(nets);
    for (var jumper : jumpers) all.addAll(jumper.pads());
    for (var socket : sockets) all.addAll(socket.pads());
    return all;
  }
}
