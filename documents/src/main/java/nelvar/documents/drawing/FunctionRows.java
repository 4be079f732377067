package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.compose.Chains;
import nelvar.core.finding.Severity;
import nelvar.core.model.Id;
import nelvar.core.model.Standing;
import nelvar.core.model.Wants;

/// What the machine must do, a row each: its name and wants, its chain from feed to work, what it
/// costs, its heat, its state. What is not finished is dashed. Units are pixels.
public final class FunctionRows {
  private static final double LEFT = 18;
  private static final double CHAIN = 208;
  private static final double BOX = 24;
  private static final double GAP = 10;
  private static final double LINE = 48;
  private static final double PAD = 9;
  private static final double NUMBERS = 190;

  private final double width;
  private final Optional<Id> selected;
  private final String currency;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private double y;

  private FunctionRows(double width, Optional<Id> selected, String currency) {
    this.width = width;
    this.selected = selected;
    this.currency = currency;
  }

  /// @param width room there is, at least 560
  public static Drawing of(
      List<Chains.Row> rows, String currency, double width, Optional<Id> selected) {
    var drawing = new FunctionRows(Math.max(560, width), selected, currency);
    for (var row : rows) drawing.row(row);
    return new Drawing(drawing.width, drawing.y + 8, drawing.shapes, drawing.spots);
  }

  /// What stands above the rows, also while they scroll.
  public static Drawing headings(String currency, double width) {
    var drawing = new FunctionRows(Math.max(560, width), Optional.empty(), currency);
    drawing.headings();
    return new Drawing(drawing.width, drawing.y + 2, drawing.shapes, drawing.spots);
  }

  private double right(int column) {
    return width - NUMBERS + column;
  }

  private void headings() {
    y = 20;
    heading(LEFT, "What it must do", Shape.Anchor.START);
    heading(CHAIN, "Made of, from feed to work", Shape.Anchor.START);
    heading(right(52), currency, Shape.Anchor.END);
    heading(right(104), "Heat", Shape.Anchor.END);
    heading(right(122), "State", Shape.Anchor.START);
    y = 28;
    rule();
  }

  private void heading(double x, String text, Shape.Anchor anchor) {
    shapes.add(Shape.text(x, y, text, Face.SEMIBOLD, 12, Ink.TEXT_SOFT, anchor));
  }

  private void rule() {
    shapes.add(Shape.line(LEFT, y, width - LEFT, y, new Shape.Pen(Ink.LINE, 1.5, 0)));
  }

  private void row(Chains.Row row) {
    var top = y;
    var lines = lines(row.chain());
    var height = Math.max(1, lines.size()) * LINE + PAD;
    var id = row.function().map(f -> f.id());
    var chosen = id.isPresent() && id.equals(selected);
    if (chosen)
      shapes.add(
          Shape.rounded(
              LEFT - 10,
              top + 2,
              width - 2 * LEFT + 20,
              height - 4,
              4,
              Optional.of(Ink.ACCENT_SOFT),
              Optional.empty()));
    title(row, top, chosen);
    id.ifPresent(about ->
        spots.add(
            new Drawing.Spot(
                LEFT - 10, top + 2, width - 2 * LEFT + 20, height - 4, about, says(row))));
    var at = top + PAD;
    for (var line : lines) {
      chain(line, at, row.function().isPresent(), row.there());
      at += LINE;
    }
    if (row.chain().isEmpty())
      shapes.add(
          Shape.text(
              CHAIN,
              top + PAD + 17,
              "nothing makes it work yet: select it to see the ways",
              Face.TEXT,
              13,
              Ink.TEXT_SOFT));
    numbers(row, top);
    y = top + height;
    rule();
  }

  private void title(Chains.Row row, double top, boolean chosen) {
    var base = top + PAD + 14;
    var name = row.function().map(f -> f.designation().text()).orElse("the machine");
    var face = row.function().isPresent() ? Face.MONO_BOLD : Face.SEMIBOLD;
    var ink = row.there() ? Ink.TEXT : Ink.TEXT_SOFT;
    shapes.add(Shape.text(LEFT, base, name, face, 13, chosen ? Ink.ACCENT : ink));
    row.function()
        .ifPresent(function -> {
          var x = LEFT + Faces.width(name, Face.MONO_BOLD, 13) + 8;
          shapes.add(
              Shape.text(
                  x,
                  base,
                  Faces.fit(function.name(), Face.SEMIBOLD, 13, CHAIN - x - 8),
                  Face.SEMIBOLD,
                  13,
                  ink));
        });
    var second =
        row.function()
            .map(f -> f.wants().equals(Wants.NOTHING) ? f.kind().words() : f.wants().words())
            .orElse("%d devices for all of it".formatted(row.chain().size()));
    var words = Faces.wrap(second, Face.TEXT, 12, CHAIN - LEFT - 10);
    for (var n = 0; n < Math.min(2, words.size()); n++)
      shapes.add(Shape.text(LEFT, base + 15 + 13 * n, words.get(n), Face.TEXT, 12, Ink.TEXT_SOFT));
  }

  /// How many chips stand on each line.
  private List<List<Chains.Link>> lines(List<Chains.Link> chain) {
    var room = width - NUMBERS - CHAIN;
    var all = new ArrayList<List<Chains.Link>>();
    var line = new ArrayList<Chains.Link>();
    var x = 0.0;
    for (var link : chain) {
      var wide = wide(link);
      if (x + wide > room && !line.isEmpty()) {
        all.add(List.copyOf(line));
        line.clear();
        x = 0;
      }
      line.add(link);
      x += wide + GAP;
    }
    if (!line.isEmpty()) all.add(List.copyOf(line));
    return all;
  }

  private static String caption(Chains.Link link) {
    return Faces.fit(link.caption(), Face.TEXT, 11, CAPTION);
  }

  private static final double CAPTION = 74;

  private static double wide(Chains.Link link) {
    return Math.max(
        Faces.width(link.device().designation().text(), Face.MONO_BOLD, 12) + 20,
        Faces.width(caption(link), Face.TEXT, 11) + 4);
  }

  private void chain(List<Chains.Link> links, double top, boolean linked, boolean there) {
    var x = CHAIN;
    for (var n = 0; n < links.size(); n++) {
      var link = links.get(n);
      var wide = wide(link);
      var ink = there ? link.source().map(Ink::of).orElse(Ink.TEXT_SOFT) : Ink.TEXT_SOFT;
      var dash = link.fed() && there ? 0 : 4;
      if (n > 0 && linked)
        shapes.add(
            Shape.line(x - GAP, top + BOX / 2, x, top + BOX / 2, new Shape.Pen(ink, 2, dash)));
      var id = link.device().id();
      var chosen = selected.filter(id::equals).isPresent();
      shapes.add(
          Shape.rounded(
              x,
              top,
              wide,
              BOX,
              4,
              Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.CARD),
              Optional.of(new Shape.Pen(chosen ? Ink.ACCENT : ink, chosen ? 2 : 1.5, dash))));
      var name = link.device().designation().text();
      shapes.add(
          Shape.text(
              x + wide / 2,
              top + 16,
              name,
              Face.MONO_BOLD,
              12,
              there ? Ink.TEXT : Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
      shapes.add(
          Shape.text(
              x + wide / 2,
              top + BOX + 12,
              caption(link),
              Face.TEXT,
              11,
              Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
      spots.add(
          new Drawing.Spot(
              x,
              top,
              wide,
              BOX + 14,
              id,
              name + " " + link.device().purpose() + (link.fed() ? "" : ", not fed")));
      x += wide + GAP;
    }
  }

  private void numbers(Chains.Row row, double top) {
    var base = top + PAD + 16;
    number(right(52), base, row.cost() == 0 ? "–" : whole(row.cost()), Face.SEMIBOLD);
    number(right(104), base, row.heat() == 0 ? "–" : whole(row.heat()) + " W", Face.TEXT);
    var x = right(128);
    if (!row.there()) {
      shapes.add(
          Shape.text(
              right(122),
              base,
              row.standing().map(Standing::words).orElse("–"),
              Face.TEXT,
              12,
              Ink.TEXT_SOFT));
      return;
    }
    var grave = row.finished() ? row.worst() : row.worst().or(() -> Optional.of(Severity.WARNING));
    var ink = grave.map(Badge::ink).orElse(Ink.SETTLED);
    if (grave.isPresent()) shapes.addAll(Badge.of(grave.get(), x, base - 4, 6));
    else shapes.add(Shape.circle(x, base - 4, 5, Optional.of(ink), Optional.empty()));
    if (!row.finished()) shapes.add(Shape.text(x + 10, base, "open", Face.TEXT, 12, ink));
    else
      row.standing()
          .ifPresent(
              s -> shapes.add(Shape.text(x + 10, base, s.words(), Face.TEXT, 12, Ink.TEXT_SOFT)));
  }

  private void number(double x, double base, String text, Face face) {
    shapes.add(Shape.text(x, base, text, face, 13, Ink.TEXT, Shape.Anchor.END));
  }

  private static String whole(double value) {
    return String.valueOf(Math.round(value));
  }

  private String says(Chains.Row row) {
    return "%s %s, %d devices, %s %s, %s"
        .formatted(
            row.function().map(f -> f.designation().text()).orElse(""),
            row.function().map(f -> f.name()).orElse(""),
            row.chain().size(),
            whole(row.cost()),
            currency,
            row.there()
                ? row.finished() ? "works" : "open"
                : row.standing().map(Standing::words).orElse("not asked about"));
  }
}
