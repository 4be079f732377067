package nelvar.core.analysis.circuit;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Glyph;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// One symbol: a device, or a part of one that stands where its circuit is. Measured in steps of
/// the grid from its upper left corner.
///
/// @param main whether it is the first of its device: it says where the others are
/// @param marks terminals in the order of its form: of each pole the first and the second, of a
///   changeover the common, the contact closed at rest and the other
/// @param pins what its wires land on, those above and those below each from the left
public record Piece(
    Device device, Form form, Glyph glyph, boolean main, List<String> marks, List<Pin> pins) {
  /// Steps from its upper to its lower pins.
  public static final int HEIGHT = 6;

  /// Steps between two pins.
  public static final int PITCH = 3;

  /// Steps beside it, left of its first pin, where its name stands.
  static final int LEAD = 7;

  private static final int LEAST_BOX = 11;

  public Piece {
    marks = List.copyOf(marks);
    pins = List.copyOf(pins);
  }

  /// @param x of its first wire; each further one lands a pitch to the right
  /// @param wires none where it is left open
  public record Pin(TerminalRef terminal, boolean top, int x, List<Id> wires) {
    public Pin {
      wires = List.copyOf(wires);
    }

    public int last() {
      return x + PITCH * (Math.max(1, wires.size()) - 1);
    }
  }

  /// As its name is: two symbols of one machine never have the same.
  @Override
  public int hashCode() {
    return key().hashCode();
  }

  /// Names it within the machine.
  public TerminalRef key() {
    return new TerminalRef(device.id(), marks.getFirst());
  }

  public int width() {
    var last = pins.stream().mapToInt(Pin::last).max().orElse(0);
    return form.wide() ? Math.max(LEAST_BOX, last + 2) : last + 2;
  }

  /// Where a wire lands on it: of one that lands twice on the same terminal, the first place.
  Optional<Pin> pin(TerminalRef terminal, Id wire) {
    return pins.stream()
        .filter(pin -> pin.terminal().equals(terminal) && pin.wires().contains(wire))
        .findFirst();
  }
}
