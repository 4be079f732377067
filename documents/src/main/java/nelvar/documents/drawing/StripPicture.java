package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.StripPlan;
import nelvar.core.catalogue.Clamp;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;

/// A row of terminals turned a quarter: its ways one below the other, wires of the cabinet at the
/// left, cables and what leaves at the right, each clamp as its screw or spring, bars and dividers
/// where they are. Runs of free ways are told once. Units are pixels.
public final class StripPicture {
  private static final double ROW = 20;
  private static final double BOX = 46;
  private static final double HEAD = 46;
  private static final double CLAMP = 5;
  private static final double TAIL = 26;
  private static final double LEAST = 330;
  private static final double SIZE = 12;

  private final StripPlan plan;
  private final Study study;
  private final Optional<Id> selected;
  private final double width;
  private final double middle;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private StripPicture(StripPlan plan, Study study, Optional<Id> selected, double width) {
    this.plan = plan;
    this.study = study;
    this.selected = selected;
    this.width = Math.max(LEAST, width);
    this.middle = middle();
  }

  /// As much room to each side as what stands there needs.
  private double middle() {
    var left = BOX / 2 + TAIL;
    var right = BOX / 2 + TAIL + 60;
    for (var way : plan.ways()) {
      for (var landing : way.inside()) left = Math.max(left, needs(landing));
      for (var landing : way.outside()) right = Math.max(right, needs(landing));
    }
    var spare = width - left - right;
    return spare > 0 ? left + Math.min(spare / 2, 40) : width * left / (left + right);
  }

  private double needs(StripPlan.Landing landing) {
    return BOX / 2
        + TAIL
        + 26
        + Faces.width(landing.wire().label().text(), Face.MONO_BOLD, SIZE)
        + Faces.width(words(landing), Face.TEXT, SIZE);
  }

  /// One way, or several free ones.
  private record Line(List<StripPlan.Way> ways) {
    StripPlan.Way first() {
      return ways.getFirst();
    }

    boolean free() {
      return first().free();
    }

    double height() {
      return ROW * Math.max(1, Math.max(first().inside().size(), first().outside().size()));
    }
  }

  /// The whole row.
  public static Drawing of(StripPlan plan, Study study, Optional<Id> selected, double width) {
    return new StripPicture(plan, study, selected, width).drawn(lines(plan));
  }

  /// In pieces that find room one below the other on sheets of so many lines.
  public static List<Drawing> pages(StripPlan plan, Study study, double width, int lines) {
    var all = new ArrayList<Drawing>();
    var page = new ArrayList<Line>();
    var used = 0.0;
    for (var line : lines(plan)) {
      if (used + line.height() > lines * ROW && !page.isEmpty()) {
        all.add(new StripPicture(plan, study, Optional.empty(), width).drawn(page));
        page.clear();
        used = 0;
      }
      page.add(line);
      used += line.height();
    }
    if (!page.isEmpty())
      all.add(new StripPicture(plan, study, Optional.empty(), width).drawn(page));
    return all;
  }

  private static List<Line> lines(StripPlan plan) {
    var all = new ArrayList<Line>();
    var free = new ArrayList<StripPlan.Way>();
    for (var way : plan.ways()) {
      if (way.free()) {
        free.add(way);
        continue;
      }
      if (!free.isEmpty()) all.add(new Line(List.copyOf(free)));
      free.clear();
      all.add(new Line(List.of(way)));
    }
    if (!free.isEmpty()) all.add(new Line(List.copyOf(free)));
    return all;
  }

  private Drawing drawn(List<Line> lines) {
    shapes.add(
        Shape.text(
            8,
            16,
            Faces.fit(
                plan.device().designation() + "  " + plan.device().purpose(),
                Face.SEMIBOLD,
                13,
                width - 16),
            Face.SEMIBOLD,
            13,
            Ink.TEXT));
    var under = 33.0;
    for (var words : Faces.wrap(plan.words() + holds(), Face.TEXT, SIZE, width - 16)) {
      shapes.add(Shape.text(8, under, words, Face.TEXT, SIZE, Ink.TEXT_SOFT));
      under += SIZE * 1.25;
    }
    var head = HEAD + under - 33 - SIZE * 1.25;
    var tall = lines.stream().mapToDouble(Line::height).sum();
    if (plan.common())
      shapes.add(
          Shape.rectangle(
              middle - 3, head + 2, 6, tall - 4, Optional.of(Ink.FILLED), Optional.empty()));
    var y = head;
    for (var line : lines) {
      line(line, y);
      y += line.height();
    }
    return new Drawing(width, y + 8, shapes, spots);
  }

  private String holds() {
    if (study.part(plan.device()).flatMap(part -> part.row()).isEmpty()) return "";
    return ". A clamp holds "
        + plan.clamp().map(Clamp::words).orElse("what its maker says: not stated");
  }

  private void line(Line line, double y) {
    var way = line.first();
    var height = line.height();
    var free = line.free();
    shapes.add(
        Shape.rectangle(
            middle - BOX / 2,
            y,
            BOX,
            height,
            plan.common() ? Optional.empty() : Optional.of(free ? Ink.PAPER : Ink.CARD),
            Optional.of(Shape.Pen.of(Ink.LINE, 1))));
    if (way.divider())
      shapes.add(
          Shape.line(
              middle - BOX / 2 - 12, y, middle + BOX / 2 + 12, y, Shape.Pen.of(Ink.TEXT_SOFT, 3)));
    var last = line.ways().getLast().number();
    var number = way.number() == last ? "" + last : way.number() + "–" + last;
    var wide = Faces.width(number, Face.MONO_BOLD, SIZE) + 6;
    shapes.add(
        Shape.rectangle(
            middle - wide / 2, y + 3, wide, ROW - 6, Optional.of(Ink.PAPER), Optional.empty()));
    shapes.add(
        Shape.text(
            middle,
            y + 14.5,
            number,
            Face.MONO_BOLD,
            SIZE,
            free ? Ink.TEXT_FAINT : Ink.TEXT,
            Shape.Anchor.MIDDLE));
    if (plan.row().levels() > 1 && way.level() == 1)
      shapes.add(
          Shape.line(
              middle - BOX / 2 - 6, y, middle + BOX / 2 + 6, y, Shape.Pen.of(Ink.TEXT_FAINT, 1.2)));
    way.bridged().ifPresent(_ -> bar(y));
    if (free) {
      shapes.add(
          Shape.text(
              middle + BOX / 2 + 14,
              y + 14.5,
              line.ways().size() == 1 ? "free" : line.ways().size() + " free",
              Face.TEXT,
              SIZE,
              Ink.TEXT_FAINT));
      return;
    }
    var at = y;
    for (var landing : way.inside()) {
      landing(landing, at, false);
      at += ROW;
    }
    at = y;
    for (var landing : way.outside()) {
      landing(landing, at, true);
      at += ROW;
    }
  }

  /// To the way above: bars lie in the slots in the middle.
  private void bar(double y) {
    var x = middle + BOX / 2 - 7;
    shapes.add(Shape.line(x, y - ROW / 2, x, y + ROW / 2, Shape.Pen.of(Ink.TEXT, 3.5)));
    for (var end : List.of(y - ROW / 2, y + ROW / 2))
      shapes.add(Shape.circle(x, end, 3.5, Optional.of(Ink.TEXT), Optional.empty()));
  }

  private void landing(StripPlan.Landing landing, double y, boolean right) {
    var wire = landing.wire();
    var side = right ? 1 : -1;
    var clamp = middle + side * (BOX / 2 - CLAMP - 2.5);
    var edge = middle + side * BOX / 2;
    var text = edge + side * (TAIL + 6);
    var row = y + ROW / 2;
    if (selected.filter(wire.id()::equals).isPresent())
      shapes.add(
          Shape.rectangle(
              right ? edge : 2,
              y + 1,
              right ? width - edge - 2 : edge - 2,
              ROW - 2,
              Optional.of(Ink.ACCENT_SOFT),
              Optional.empty()));
    shapes.add(Shape.line(edge, row, edge + side * TAIL, row, Shape.Pen.of(ink(wire), 2.4)));
    clamp(clamp, row);
    var label = wire.label().text();
    var bold = Faces.width(label, Face.MONO_BOLD, SIZE);
    var anchor = right ? Shape.Anchor.START : Shape.Anchor.END;
    shapes.add(Shape.text(text, y + 14.5, label, Face.MONO_BOLD, SIZE, Ink.TEXT, anchor));
    var room = (right ? width - text : text) - bold - 16;
    shapes.add(
        Shape.text(
            text + side * (bold + 8),
            y + 14.5,
            Faces.fit(words(landing), Face.TEXT, SIZE, room),
            Face.TEXT,
            SIZE,
            Ink.TEXT_SOFT,
            anchor));
    spots.add(
        new Drawing.Spot(
            right ? edge : 0,
            y,
            right ? width - edge : edge,
            ROW,
            wire.id(),
            "%s on %s, to %s"
                .formatted(
                    label, plan.device().designation() + ":" + number(landing), words(landing))));
  }

  private String number(StripPlan.Landing landing) {
    var wire = landing.wire();
    return wire.from().equals(landing.other()) ? wire.to().terminal() : wire.from().terminal();
  }

  /// `-B4:OUT, -WB4 black, 0.34 mm²`, the nearest to the hand first.
  private String words(StripPlan.Landing landing) {
    var wire = landing.wire();
    var cable = study.cable(wire).map(c -> c.label() + " ").orElse("");
    return "%s:%s%s%s"
        .formatted(
            study.label(landing.other().device()),
            landing.other().terminal(),
            cable.isEmpty() && wire.colour().isEmpty()
                ? ""
                : ", " + (cable + wire.colour().orElse("")).strip(),
            wire.section().map(a -> ", " + a).orElse(""));
  }

  private void clamp(double x, double y) {
    var type = plan.clamp().flatMap(Clamp::type);
    var spring = type.filter(t -> t == Clamp.Type.SPRING).isPresent();
    var pen = Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 1.2));
    if (spring) {
      shapes.add(
          Shape.rectangle(x - CLAMP, y - CLAMP, 2 * CLAMP, 2 * CLAMP, Optional.of(Ink.CARD), pen));
      return;
    }
    shapes.add(Shape.circle(x, y, CLAMP, Optional.of(Ink.CARD), pen));
    if (type.isPresent())
      shapes.add(Shape.line(x - 3, y - 3, x + 3, y + 3, Shape.Pen.of(Ink.TEXT_SOFT, 1.4)));
  }

  private Ink ink(Conductor wire) {
    if (!wire.carriesWork()) return Ink.EARTH;
    return study.circuit(wire).map(c -> Ink.of(c.source())).orElse(Ink.TEXT_SOFT);
  }
}
