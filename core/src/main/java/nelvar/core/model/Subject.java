package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;

/// What something is said of: a finding, what was accepted, what is selected.
///
/// Its text is what files keep: `Q4`, `Q4:2`, `Q4 + F1`, `? Q4=2.5A`, `*`.
public sealed interface Subject extends Comparable<Subject> {
  /// A device, conductor, cable or bundle, and whatever else has a lasting name; what it is, the
  /// project says.
  record Thing(Id id) implements Subject {}

  /// One terminal of a device.
  record AtTerminal(TerminalRef terminal) implements Subject {}

  /// One contact or pole of a device, between two of its terminals.
  record AtPole(TerminalRef a, TerminalRef b) implements Subject {
    public AtPole {
      if (!a.device().equals(b.device()))
        throw new ImpossibleQuantity("a pole stands between two terminals of one device");
    }
  }

  /// Two things that are only wrong together: a device and what stands ahead of it.
  record Pair(Id one, Id other) implements Subject {}

  /// Something supposed to be other than as designed, as it is written when it is tried.
  record Fault(String what) implements Subject {
    public Fault {
      what = Texts.storable("a fault", what);
      if (what.isBlank())
        throw new ImpossibleQuantity("a fault is written as it is tried: Q4=2.5A");
    }
  }

  record WholeMachine() implements Subject {}

  static Subject of(Id id) {
    return new Thing(id);
  }

  /// From its text.
  static Subject of(String text) {
    var plus = text.indexOf(" + ");
    if (text.equals("*")) return new WholeMachine();
    if (text.startsWith("? ")) return new Fault(text.substring(2));
    if (plus > 0)
      return new Pair(new Id(text.substring(0, plus)), new Id(text.substring(plus + 3)));
    var slash = text.indexOf(" – ");
    if (slash > 0)
      return new AtPole(
          TerminalRef.of(text.substring(0, slash)), TerminalRef.of(text.substring(slash + 3)));
    return text.indexOf(':') > 0 ? new AtTerminal(TerminalRef.of(text)) : new Thing(new Id(text));
  }

  default String text() {
    return switch (this) {
      case Thing(var id) -> id.text();
      case AtTerminal(var terminal) -> terminal.toString();
      case AtPole(var a, var b) -> a + " – " + b;
      case Pair(var one, var other) -> one + " + " + other;
      case Fault(var what) -> "? " + what;
      case WholeMachine _ -> "*";
    };
  }

  /// The things of the project it stands on; none where it is about all of it.
  default List<Id> things() {
    return switch (this) {
      case Thing(var id) -> List.of(id);
      case AtTerminal(var terminal) -> List.of(terminal.device());
      case AtPole(var a, _) -> List.of(a.device());
      case Pair(var one, var other) -> List.of(one, other);
      case Fault _, WholeMachine _ -> List.of();
    };
  }

  /// The thing that is shown where it is chosen.
  default Optional<Id> thing() {
    return things().stream().findFirst();
  }

  /// Whether it stands on a thing.
  default boolean concerns(Id id) {
    return things().contains(id);
  }

  @Override
  default int compareTo(Subject other) {
    return text().compareTo(other.text());
  }
}
