package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.bonding.Bond;
import nelvar.core.analysis.bonding.BondTree;
import nelvar.core.analysis.bonding.Bonding;
import nelvar.core.analysis.bonding.ZeroVolts;
import nelvar.core.finding.Severity;

/// The bonding network as a tree from the inlet's earth, each piece of metal under the one by which
/// it is nearest, with how far from earth it is for fast edges: a bar on a scale of powers of ten.
/// Rings that matter are drawn as brackets; below stand 0 V and what the school says.
public final class BondingPicture {
  private static final double LEFT = 224;
  private static final double AXIS = 244;
  private static final double INDENT = 18;

  /// Names begin so far right of the trunk of their depth.
  private static final double NAME = 22;

  private static final double ROW = 25;
  private static final double TOP = 54;

  /// Ω at the left and at the right end of the scale.
  private static final double LEAST = 0.1;

  private static final double MOST = 100;

  private final Bonding net;
  private final Study study;
  private final double width;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private BondingPicture(Study study, double width) {
    this.net = Bonding.of(study);
    this.study = study;
    this.width = Math.max(720, width);
  }

  public static Drawing of(Study study, double width) {
    return new BondingPicture(study, width).draw();
  }

  private Drawing draw() {
    text(0, 16, "metal, from the inlet's earth", Ink.TEXT_SOFT, LEFT - 8);
    text(LEFT, 16, "Ω at 1 MHz", Ink.TEXT_SOFT, AXIS);
    text(LEFT + AXIS + 76, 16, "at mains", Ink.TEXT_SOFT, 60);
    text(LEFT + AXIS + 150, 16, "joined by", Ink.TEXT_SOFT, 200);
    var tree = BondTree.of(net);
    var rows = tree.branches();
    var end = TOP + rows.size() * ROW;
    for (var ohms = LEAST; ohms <= MOST * 1.01; ohms *= 10) {
      var x = at(ohms);
      shapes.add(Shape.line(x, TOP - 12, x, end, Shape.Pen.of(Ink.LINE, 1)));
      shapes.add(
          Shape.text(
              x,
              TOP - 16,
              ohms < 1 ? "0.1" : "%.0f".formatted(ohms),
              Face.TEXT,
              11,
              Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
    }
    var trunk = new HashMap<Integer, Double>();
    for (var n = 0; n < rows.size(); n++) {
      var row = rows.get(n);
      var y = TOP + n * ROW;
      limb(row, y + 8, trunk);
      trunk.put(row.depth(), y + 15);
      piece(row, y);
      var at = n;
      if (tree.rings().stream().noneMatch(r -> r.from() == at || r.to() == at)) purpose(row, y);
    }
    for (var n = 0; n < tree.rings().size(); n++)
      bracket(tree.rings().get(n), rows, LEFT - 10 - n % 6 * 5);
    var y = legend(end + 16);
    for (var zero : net.zeroVolt()) y = zero(zero, y);
    y = rings(y);
    return new Drawing(width, y + 10, shapes, spots);
  }

  /// From its parent's name down and to its own, in the ink of what joins it.
  private void limb(BondTree.Branch row, double y, Map<Integer, Double> trunk) {
    if (row.by().isEmpty()) {
      if (row.depth() == 0 && row.piece().fast().isPresent()) earth(6, y);
      return;
    }
    var x = (row.depth() - 1) * INDENT + 8;
    var from = trunk.getOrDefault(row.depth() - 1, y);
    var pen = pen(row.by().get().kind());
    shapes.add(Shape.line(x, from, x, y, pen));
    shapes.add(Shape.line(x, y, x + INDENT - 4, y, pen));
  }

  private static Shape.Pen pen(Bond.Kind kind) {
    return switch (kind) {
      case CONDUCTOR -> Shape.Pen.of(Ink.EARTH, 1.6);
      case PLATE -> Shape.Pen.of(Ink.EARTH, 4);
      case SHIELD -> new Shape.Pen(Ink.EARTH, 1.6, 4);
      case ZERO_VOLT -> Shape.Pen.of(Ink.DC_LOW, 1.6);
    };
  }

  /// IEC 60617, S00200: earth.
  private void earth(double x, double y) {
    for (var n = 0; n < 3; n++) {
      var half = 6 - 2 * n;
      shapes.add(
          Shape.line(
              x - half, y - 3 + 3 * n, x + half, y - 3 + 3 * n, Shape.Pen.of(Ink.EARTH, 1.6)));
    }
    shapes.add(Shape.line(x, y - 9, x, y - 3, Shape.Pen.of(Ink.EARTH, 1.6)));
  }

  /// Beside the names of both ends of a ring that matters.
  private void bracket(BondTree.Ring ring, List<BondTree.Branch> rows, double x) {
    var pen = Shape.Pen.of(Ink.WARNING, 1.8);
    var from = TOP + ring.from() * ROW + 8;
    var to = TOP + ring.to() * ROW + 8;
    for (var n : List.of(ring.from(), ring.to())) {
      var y = TOP + n * ROW + 8;
      shapes.add(Shape.line(Math.min(x - 4, named(rows.get(n)) + 6), y, x, y, pen));
    }
    shapes.add(Shape.line(x, from, x, to, pen));
  }

  /// What it is for, where there is room for it.
  private void purpose(BondTree.Branch row, double y) {
    var from = named(row) + 8;
    var words = row.piece().device().purpose();
    if (LEFT - 12 - from > 40 && !words.isEmpty() && !door(row.piece()))
      text(from, y + 12, words, Ink.TEXT_SOFT, LEFT - 12 - from);
  }

  /// Where the name of a row ends.
  private static double named(BondTree.Branch row) {
    return row.depth() * INDENT + NAME + Faces.width(name(row.piece()), Face.MONO, 13);
  }

  private static String name(Bonding.Piece piece) {
    var label = piece.device().designation().text();
    return door(piece) ? label + " door" : label;
  }

  private static boolean door(Bonding.Piece piece) {
    return piece.at().terminal().equals("DOOR");
  }

  private double legend(double y) {
    var x = 0.0;
    for (var kind : Bond.Kind.values()) {
      var words = kind.words();
      shapes.add(Shape.line(x, y - 4, x + 20, y - 4, pen(kind)));
      text(x + 26, y, words, Ink.TEXT_SOFT, 160);
      x += 26 + Faces.width(words, Face.TEXT, 12) + 18;
    }
    shapes.add(Shape.line(x, y - 4, x + 20, y - 4, Shape.Pen.of(Ink.WARNING, 1.8)));
    text(x + 26, y, "a ring that matters", Ink.TEXT_SOFT, 160);
    return y + 14;
  }

  private static double at(double ohms) {
    var share = Math.log10(Math.clamp(ohms, LEAST, MOST) / LEAST) / Math.log10(MOST / LEAST);
    return LEFT + AXIS * share;
  }

  private void piece(BondTree.Branch row, double y) {
    var piece = row.piece();
    var left = row.depth() * INDENT + NAME;
    shapes.add(
        Shape.text(
            left,
            y + 12,
            Faces.fit(name(piece), Face.MONO, 13, LEFT - 8 - left),
            Face.MONO,
            13,
            Ink.TEXT));
    if (piece.fast().isEmpty()) {
      shapes.addAll(Badge.of(Severity.ERROR, LEFT + 8, y + 8, 6));
      shapes.add(Shape.text(LEFT + 20, y + 12, "joined to nothing", Face.BOLD, 13, Ink.ERROR));
    } else {
      var ohms = piece.fast().get();
      var x = at(ohms);
      shapes.add(
          Shape.rounded(
              LEFT, y + 3, Math.max(3, x - LEFT), 9, 2, Optional.of(Ink.EARTH), Optional.empty()));
      text(LEFT + AXIS + 12, y + 12, ohms(ohms), Ink.TEXT, 62);
      text(LEFT + AXIS + 76, y + 12, ohms(piece.mains().orElse(0.0)), Ink.TEXT_SOFT, 70);
    }
    text(LEFT + AXIS + 150, y + 12, by(row), Ink.TEXT_SOFT, width - LEFT - AXIS - 150);
    spots.add(new Drawing.Spot(0, y, width, ROW - 3, piece.device().id(), name(piece)));
  }

  private static String ohms(double ohms) {
    if (ohms == 0) return "0 Ω";
    return ohms < 0.1
        ? String.format(Locale.ROOT, "%.1f mΩ", ohms * 1000)
        : String.format(Locale.ROOT, ohms < 10 ? "%.2f Ω" : "%.1f Ω", ohms);
  }

  private static String by(BondTree.Branch row) {
    var also =
        row.also().size() > 3
            ? row.also().size() + " more"
            : row.also().stream()
                .map(BondingPicture::words)
                .distinct()
                .collect(Collectors.joining(", "));
    var by = row.by().map(BondingPicture::words).orElse("");
    return also.isEmpty() ? by : by.isEmpty() ? also : by + "; also " + also;
  }

  private static String words(Bond bond) {
    return switch (bond.kind()) {
      case PLATE -> "bare plate";
      case SHIELD -> "shield of " + bond.label();
      case CONDUCTOR, ZERO_VOLT -> bond.label();
    };
  }

  private double zero(ZeroVolts.Joined zero, double y) {
    var label = zero.source().device().designation().text();
    var times = zero.times();
    var words =
        switch (times) {
          case 0 -> "nowhere";
          case 1 -> "once, " + names(zero);
          default -> "%d times, %s".formatted(times, names(zero));
        };
    if (times > 1) shapes.addAll(Badge.of(Severity.WARNING, LEFT + 8, y + 8, 6));
    text(0, y + 12, "0 V of " + label, Ink.TEXT, LEFT - 8);
    text(
        LEFT + (times > 1 ? 20 : 0),
        y + 12,
        "joined to earth " + words,
        times > 1 ? Ink.WARNING : Ink.TEXT_SOFT,
        width - LEFT - 20);
    spots.add(new Drawing.Spot(0, y, width, 18, zero.source().device().id(), label));
    return y + 20;
  }

  private static String names(ZeroVolts.Joined zero) {
    return java.util.stream.Stream.concat(
            zero.wires().stream().map(w -> w.label().text()),
            zero.inside().stream().map(d -> "inside " + d.designation()))
        .collect(Collectors.joining(", "));
  }

  private double rings(double y) {
    var matter = net.loops().stream().filter(Bonding.Loop::matters).toList();
    var chosen =
        study.project().brief().policies().answer(nelvar.core.model.School.EARTHING_SYSTEM);
    var school = chosen.words();
    text(
        0,
        y + 14,
        matter.isEmpty()
            ? "%d rings, all of protective metal: wanted. The machine is %s."
                .formatted(net.loops().size(), school)
            : "%d of %d rings matter: closed by %s. The machine is %s."
                .formatted(
                    matter.size(),
                    net.loops().size(),
                    matter.stream().map(l -> l.closes().label()).collect(Collectors.joining(", ")),
                    school),
        matter.isEmpty() ? Ink.TEXT_SOFT : Ink.WARNING,
        width);
    text(0, y + 32, chosen.argument(), Ink.TEXT_SOFT, width);
    text(
        0,
        y + 50,
        (net.assumed() == 0
                ? ""
                : "%d wires whose length or section is not known are taken as 1 m or 1 mm²: assumed. "
                    .formatted(net.assumed()))
            + "Computed from wires, shields and bare plates as they are drawn. Paint under a part is known where its setting Foot says so: measure each joint.",
        Ink.TEXT_SOFT,
        width);
    return y + 54;
  }

  private void text(double x, double y, String words, Ink ink, double room) {
    shapes.add(Shape.text(x, y, Faces.fit(words, Face.TEXT, 12, room), Face.TEXT, 12, ink));
  }
}
