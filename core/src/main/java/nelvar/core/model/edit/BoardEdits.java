package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.BoardHardware;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// What is done to a board: jumpers put, modules plugged in and pulled. Both are wires of 0 m that
/// the board, or the module, brings along.
public final class BoardEdits {
  private static final Length NONE = new Length(0);

  /// Of a pin of 0.64 mm square; common practice.
  private static final CrossSection PIN = new CrossSection(0.5);

  private BoardEdits() {}

  /// Puts a jumper in one of its positions, and takes it from where it was.
  public static Edit jumper(
      Device board, BoardHardware.Jumper jumper, BoardHardware.Position position) {
    return new Edit(
        "Put jumper %s of %s on %s".formatted(jumper.name(), board.designation(), position.label()),
        project -> {
          var next =
              project.withConductors(
                  project.conductors().stream()
                      .filter(wire -> !bridges(wire, board, jumper))
                      .toList());
          return position.bridges().isEmpty()
              ? next
              : joined(
                  next,
                  new TerminalRef(board.id(), position.bridges().getFirst()),
                  new TerminalRef(board.id(), position.bridges().getLast()),
                  jumper.name(),
                  board);
        });
  }

  /// Whether a wire is this jumper: from one of its pads to another.
  public static boolean bridges(Conductor wire, Device board, BoardHardware.Jumper jumper) {
    return pad(wire.from(), board, jumper) && pad(wire.to(), board, jumper);
  }

  private static boolean pad(TerminalRef end, Device board, BoardHardware.Jumper jumper) {
    return end.device().equals(board.id())
        && jumper.pads().stream().anyMatch(pad -> pad.mark().equals(end.terminal()));
  }

  /// Plugs a new module into a socket: every terminal of it that has a pad there.
  public static Edit plugIn(
      Device board, BoardHardware.Socket socket, Part module, String designation) {
    return new Edit(
        "Plug %s into %s of %s".formatted(module.name(), socket.name(), board.designation()),
        project -> {
          var device =
              Device.of(
                  NextName.id(project, designation),
                  designation,
                  "in socket %s of %s".formatted(socket.name(), board.designation()),
                  module.id(),
                  Place.PANEL);
          var next = Edits.add(device).apply(project);
          for (var terminal : module.terminals()) {
            var mark = socket.mark(terminal.name());
            if (socket.pads().stream().anyMatch(pad -> pad.mark().equals(mark)))
              next =
                  joined(
                      next,
                      new TerminalRef(board.id(), mark),
                      new TerminalRef(device.id(), terminal.name()),
                      socket.name(),
                      device);
          }
          return next;
        });
  }

  /// What is plugged into a socket.
  public static List<TerminalRef> plugged(
      Project project, Device board, BoardHardware.Socket socket) {
    var all = new ArrayList<TerminalRef>();
    for (var wire : project.conductors()) {
      if (wire.leadOf().isEmpty()) continue;
      if (pad(wire.from(), board, socket)) all.add(wire.to());
      else if (pad(wire.to(), board, socket)) all.add(wire.from());
    }
    return all.stream().filter(end -> !end.device().equals(board.id())).toList();
  }

  private static boolean pad(TerminalRef end, Device board, BoardHardware.Socket socket) {
    return end.device().equals(board.id())
        && socket.pads().stream().anyMatch(pad -> pad.mark().equals(end.terminal()));
  }

  private static Project joined(
      Project project, TerminalRef from, TerminalRef to, String stem, Device broughtBy) {
    var label = NextName.designation(project, stem + ".");
    return Edits.add(
            "Join " + label,
            new Conductor(
                NextName.id(project, label.text()),
                label,
                from,
                to,
                Conductor.Function.CONTROL,
                Optional.of(PIN),
                Optional.of(NONE),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(broughtBy.id())))
        .apply(project);
  }
}
