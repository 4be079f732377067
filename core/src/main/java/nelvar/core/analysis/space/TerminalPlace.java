package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;

/// Where a terminal is on a body that is mounted: the side its wire leaves at, and where along it.
///
/// They are where the data of the part say. Where those are silent, terminals of strips and blocks
/// stand one beside the other, open to both sides; of what has poles and contacts the odd ones are
/// above and the even ones below, as they are numbered (common practice, no published source). All
/// others are taken in the middle of the sides wires enter at.
///
/// @param sides its wire leaves at, as the body is turned
/// @param x on the surface, mm
/// @param y on the surface, mm
public record TerminalPlace(List<Fitting.Side> sides, double x, double y) {
  public TerminalPlace {
    sides = List.copyOf(sides);
  }

  public static TerminalPlace of(Body body, String terminal) {
    return known(body, terminal)
        .orElseGet(
            () -> new TerminalPlace(body.wires(), body.box().middleX(), body.box().middleY()));
  }

  /// Where its data, or its kind, say it is.
  public static Optional<TerminalPlace> known(Body body, String terminal) {
    return stated(body, terminal)
        .or(() -> inRow(body, terminal))
        .or(() -> byNumber(body, terminal));
  }

  private static Optional<TerminalPlace> stated(Body body, String terminal) {
    for (var row : body.fitting().terminals()) {
      var index = row.marks().indexOf(terminal);
      if (index >= 0)
        return Optional.of(
            at(body, List.of(row.side()), row.side(), (index + 0.5) / row.marks().size()));
    }
    return Optional.empty();
  }

  private static Optional<TerminalPlace> inRow(Body body, String terminal) {
    if (!strip(body.part())) return Optional.empty();
    var marks = body.part().terminals();
    for (var i = 0; i < marks.size(); i++)
      if (marks.get(i).name().equals(terminal))
        return Optional.of(
            at(
                body,
                List.of(Fitting.Side.TOP, Fitting.Side.BOTTOM),
                Fitting.Side.FRONT,
                (i + 0.5) / marks.size()));
    return Optional.empty();
  }

  private static Optional<TerminalPlace> byNumber(Body body, String terminal) {
    if (!poles(body.part()) || body.fitting().wires().size() == 1) return Optional.empty();
    var odd = odd(terminal);
    if (odd.isEmpty()) return Optional.empty();
    var row =
        body.part().terminals().stream()
            .map(Terminal::name)
            .filter(mark -> odd(mark).equals(odd))
            .toList();
    var side = odd.get() ? Fitting.Side.TOP : Fitting.Side.BOTTOM;
    return Optional.of(at(body, List.of(side), side, (row.indexOf(terminal) + 0.5) / row.size()));
  }

  /// Terminals 1, 2, 3 … that nothing switches between.
  private static boolean strip(Part part) {
    var marks = part.terminals();
    for (var i = 0; i < marks.size(); i++)
      if (!marks.get(i).name().equals(String.valueOf(i + 1))) return false;
    return marks.size() > 1
        && part.links().stream().allMatch(link -> link.kind() == Link.Kind.JOINED);
  }

  /// Ways through it from an odd terminal to the even one behind it.
  private static boolean poles(Part part) {
    return part.logic().isEmpty()
        && part.links().stream()
            .filter(link -> link.kind() != Link.Kind.JOINED)
            .anyMatch(link ->
                odd(link.a()).equals(Optional.of(true))
                    && odd(link.b()).equals(Optional.of(false)));
  }

  /// Empty for a mark that ends in no digit.
  private static Optional<Boolean> odd(String mark) {
    if (mark.isEmpty()) return Optional.empty();
    var last = Character.digit(mark.charAt(mark.length() - 1), 10);
    return last < 0 ? Optional.empty() : Optional.of(last % 2 == 1);
  }

  /// @param side as it stands upright; FRONT for the middle line
  /// @param share of the side, from its left or from above
  private static TerminalPlace at(
      Body body, List<Fitting.Side> sides, Fitting.Side side, double share) {
    var across =
        switch (side) {
          case LEFT -> 0.0;
          case RIGHT -> 1.0;
          case TOP, BOTTOM, FRONT -> share;
        };
    var down =
        switch (side) {
          case TOP -> 0.0;
          case BOTTOM -> 1.0;
          case LEFT, RIGHT -> share;
          case FRONT -> 0.5;
        };
    var quarters = body.at().quarters();
    // A quarter turn clockwise brings what was left up, and what was up right.
    for (var turn = 0; turn < quarters; turn++) {
      var was = across;
      across = 1 - down;
      down = was;
    }
    var box = body.box();
    return new TerminalPlace(
        sides.stream().map(s -> s.turned(quarters)).toList(),
        box.left() + across * box.width(),
        box.top() + down * box.height());
  }
}
