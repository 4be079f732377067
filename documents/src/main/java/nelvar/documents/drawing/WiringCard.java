package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import org.jspecify.annotations.Nullable;

/// One device with its terminals in the middle, what it is wired to and could be wired to at both
/// sides, and the wires between. Free terminals are open rings, wired ones full. Units are pixels.
///
/// @param terminals which terminal a spot of the drawing is
public record WiringCard(Drawing drawing, Map<Id, TerminalRef> terminals) {
  private static final double CARD = 256;
  private static final double ROW = 21;
  private static final double HEAD = 42;
  private static final double GAP = 18;
  private static final double BETWEEN = 148;
  private static final double RING = 5;

  /// Of a device that was not asked for, so many free terminals are shown.
  private static final int FREE_SHOWN = 3;

  public WiringCard {
    terminals = Map.copyOf(terminals);
  }

  /// What the pointer is over, and the terminal a wire is being drawn from.
  ///
  /// @param asked devices shown with all their terminals, beside those the subject is wired to
  public static WiringCard of(
      Study study, Id subject, List<Id> asked, Optional<TerminalRef> begun) {
    return new Maker(study, subject, asked, begun).made();
  }

  /// The line that follows the pointer from a terminal, on the side of its row the pointer is at.
  public static Drawing reaching(Drawing.Spot from, double x, double y, Drawing below) {
    var edge =
        x < from.x() + from.width() / 2 ? from.x() + RING + 2 : from.x() + from.width() - RING - 2;
    return new Drawing(
        below.width(),
        below.height(),
        List.of(
            Shape.line(edge, from.y() + from.height() / 2, x, y, new Shape.Pen(Ink.ACCENT, 2, 5))),
        List.of());
  }

  private static final class Maker {
    private final Study study;
    private final Device subject;
    private final List<Id> asked;
    private final Optional<TerminalRef> begun;
    private final List<Shape> wires = new ArrayList<>();
    private final List<Shape> shapes = new ArrayList<>();
    private final List<Drawing.Spot> spots = new ArrayList<>();
    private final Map<Id, TerminalRef> terminals = new LinkedHashMap<>();

    /// Of each terminal shown the end of its row towards the middle; of the subject both.
    private final Map<TerminalRef, List<double[]>> rings = new HashMap<>();

    private final Set<TerminalRef> joined = new LinkedHashSet<>();

    Maker(Study study, Id subject, List<Id> asked, Optional<TerminalRef> begun) {
      this.study = study;
      this.subject = study.device(subject).orElseThrow();
      this.asked = asked;
      this.begun = begun;
    }

    WiringCard made() {
      var mine = study.at(subject.id());
      for (var wire : mine) {
        joined.add(wire.from());
        joined.add(wire.to());
      }
      card(subject, Column.MIDDLE, 0, _ -> true);
      var left = 0.0;
      var right = 0.0;
      for (var other : others(mine)) {
        var all = asked.contains(other.id()) && !(part(other) instanceof DistributionBlock);
        var shown = new int[1];
        Predicate<TerminalRef> which =
            end -> all || joined.contains(end) || (free(end) && shown[0]++ < FREE_SHOWN);
        if (left < right) left = card(other, Column.LEFT, left, which) + GAP;
        else right = card(other, Column.RIGHT, right, which) + GAP;
      }
      for (var wire : mine) wire(wire);
      var all = new ArrayList<>(wires);
      all.addAll(shapes);
      var high = HEAD + ROW * part(subject).terminals().size();
      return new WiringCard(
          new Drawing(
              Column.RIGHT.x() + CARD + RING,
              Math.max(high, Math.max(left, right)) + 8,
              all,
              spots),
          terminals);
    }

    private Part part(Device device) {
      return study.part(device).orElseThrow();
    }

    /// Asked for, then wired to, in the order of their designations.
    private List<Device> others(List<Conductor> mine) {
      var ids = new LinkedHashSet<>(asked);
      mine.stream()
          .flatMap(wire -> List.of(wire.from().device(), wire.to().device()).stream())
          .distinct()
          .map(id -> study.device(id).orElseThrow())
          .sorted(java.util.Comparator.comparing(Device::designation))
          .forEach(device -> ids.add(device.id()));
      ids.remove(subject.id());
      return ids.stream()
          .flatMap(id -> study.device(id).stream())
          .filter(device -> study.part(device).isPresent())
          .toList();
    }

    private boolean free(TerminalRef end) {
      return !study.network().topology().wired(end);
    }

    private enum Column {
      LEFT(0),
      MIDDLE(1),
      RIGHT(2);

      private final int number;

      Column(int number) {
        this.number = number;
      }

      double x() {
        return RING + number * (CARD + BETWEEN);
      }
    }

    /// @return where it ends
    private double card(Device device, Column column, double y, Predicate<TerminalRef> which) {
      var x = column.x();
      var middle = column == Column.MIDDLE;
      var rows =
          part(device).terminals().stream()
              .filter(t -> which.test(new TerminalRef(device.id(), t.name())))
              .toList();
      var hidden = part(device).terminals().size() - rows.size();
      var height = HEAD + ROW * rows.size() + (hidden > 0 ? ROW : 6);
      shapes.add(
          Shape.rounded(
              x,
              y,
              CARD,
              height,
              5,
              Optional.of(Ink.CARD),
              Optional.of(Shape.Pen.of(middle ? Ink.ACCENT : Ink.LINE, middle ? 1.6 : 1))));
      shapes.add(
          Shape.text(x + 14, y + 18, device.designation().text(), Face.MONO_BOLD, 13, Ink.TEXT));
      shapes.add(
          Shape.text(
              x + 14,
              y + 34,
              Faces.fit(
                  device.purpose().isEmpty() ? part(device).name() : device.purpose(),
                  Face.TEXT,
                  12,
                  CARD - 28),
              Face.TEXT,
              12,
              Ink.TEXT_SOFT));
      var at = y + HEAD;
      for (var terminal : rows) {
        terminal(device, terminal, column, at);
        at += ROW;
      }
      if (hidden > 0)
        shapes.add(
            Shape.text(
                x + 26, at + 14, "and %d more".formatted(hidden), Face.TEXT, 11.5, Ink.TEXT_FAINT));
      return y + height;
    }

    private void terminal(Device device, Terminal terminal, Column column, double y) {
      var x = column.x();
      var end = new TerminalRef(device.id(), terminal.name());
      var free = free(end);
      var chosen = begun.filter(end::equals).isPresent();
      var at = new ArrayList<double[]>();
      if (column != Column.RIGHT) at.add(new double[] {x + CARD, y + ROW / 2});
      if (column != Column.LEFT) at.add(new double[] {x, y + ROW / 2});
      rings.put(end, at);
      if (chosen)
        shapes.add(
            Shape.rectangle(
                x + 2, y, CARD - 4, ROW, Optional.of(Ink.ACCENT_SOFT), Optional.empty()));
      for (var ring : at)
        shapes.add(
            Shape.circle(
                ring[0],
                ring[1],
                RING,
                Optional.of(chosen ? Ink.ACCENT : free ? Ink.CARD : Ink.TEXT),
                Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : Ink.TEXT, 1.5))));
      var note = free ? (terminal.required() ? "open, and must not be" : "free") : leads(end);
      var text = Faces.fit(note, Face.TEXT, 12, CARD - 112);
      shapes.add(Shape.text(x + 14, y + 15, terminal.name(), Face.MONO_BOLD, 12.5, Ink.TEXT));
      shapes.add(
          Shape.text(
              x + 92,
              y + 15,
              text,
              Face.TEXT,
              12,
              free && terminal.required() ? Ink.WARNING : free ? Ink.TEXT_FAINT : Ink.TEXT_SOFT));
      var id = new Id("t" + terminals.size());
      terminals.put(id, end);
      spots.add(
          new Drawing.Spot(
              x - RING - 2,
              y,
              CARD + 2 * RING + 4,
              ROW,
              id,
              "%s terminal %s, %s".formatted(device.designation(), terminal.name(), note)));
    }

    private String leads(TerminalRef end) {
      var all = new ArrayList<String>();
      for (var wire : study.at(end.device())) {
        if (!wire.from().equals(end) && !wire.to().equals(end)) continue;
        var there = wire.from().equals(end) ? wire.to() : wire.from();
        all.add(
            "%s to %s:%s".formatted(wire.label(), study.label(there.device()), there.terminal()));
      }
      return String.join(", ", all);
    }

    /// The two ring ends that face each other, the left one first; none where one is not shown.
    private static List<double[]> nearest(@Nullable List<double[]> a, @Nullable List<double[]> b) {
      if (a == null || b == null) return List.of();
      for (var one : a)
        for (var two : b)
          if (Math.abs(Math.abs(one[0] - two[0]) - BETWEEN) < 1)
            return one[0] < two[0] ? List.of(one, two) : List.of(two, one);
      return List.of();
    }

    private void wire(Conductor wire) {
      var ends = nearest(rings.get(wire.from()), rings.get(wire.to()));
      if (ends.isEmpty()) return;
      var from = ends.getFirst();
      var to = ends.getLast();
      var ink =
          wire.function() == Conductor.Function.PROTECTIVE
              ? Ink.EARTH
              : study.circuit(wire).map(c -> Ink.of(c.source())).orElse(Ink.TEXT_SOFT);
      var half = Math.min(BETWEEN, to[0] - from[0]) / 2;
      wires.add(
          new Shape.Path(
              List.of(
                  new Shape.Step.Move(from[0], from[1]),
                  new Shape.Step.Curve(from[0] + half, from[1], to[0] - half, to[1], to[0], to[1])),
              Optional.empty(),
              Optional.of(Shape.Pen.of(ink, 1.8))));
    }
  }
}
