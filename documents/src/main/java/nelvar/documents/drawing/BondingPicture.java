package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.bonding.Bond;
import nelvar.core.analysis.bonding.Bonding;
import nelvar.core.analysis.bonding.ZeroVolts;
import nelvar.core.finding.Severity;

/// How far from earth every piece of metal is for fast edges: a bar each on a scale of powers of
/// ten, with what joins it; below, 0 V and rings.
public final class BondingPicture {
  private static final double LEFT = 132;
  private static final double AXIS = 330;
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
    text(0, 16, "metal, to the inlet's PE", Ink.TEXT_SOFT, LEFT - 8);
    text(LEFT, 16, "Ω at 1 MHz", Ink.TEXT_SOFT, AXIS);
    text(LEFT + AXIS + 76, 16, "at mains", Ink.TEXT_SOFT, 60);
    text(LEFT + AXIS + 150, 16, "joined by", Ink.TEXT_SOFT, 200);
    var pieces = net.pieces();
    var end = TOP + pieces.size() * ROW;
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
    var y = TOP;
    for (var piece : pieces) {
      piece(piece, y);
      y += ROW;
    }
    y += 12;
    for (var zero : net.zeroVolt()) y = zero(zero, y);
    y = rings(y);
    return new Drawing(width, y + 10, shapes, spots);
  }

  private static double at(double ohms) {
    var share = Math.log10(Math.clamp(ohms, LEAST, MOST) / LEAST) / Math.log10(MOST / LEAST);
    return LEFT + AXIS * share;
  }

  private void piece(Bonding.Piece piece, double y) {
    var label = piece.device().designation().text();
    var door = piece.at().terminal().equals("DOOR");
    shapes.add(
        Shape.text(
            0,
            y + 12,
            Faces.fit(door ? label + " door" : label, Face.MONO, 13, LEFT - 8),
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
    text(LEFT + AXIS + 150, y + 12, by(piece), Ink.TEXT_SOFT, width - LEFT - AXIS - 150);
    spots.add(new Drawing.Spot(0, y, width, ROW - 3, piece.device().id(), label));
  }

  private static String ohms(double ohms) {
    if (ohms == 0) return "0 Ω";
    return ohms < 0.1
        ? String.format(Locale.ROOT, "%.1f mΩ", ohms * 1000)
        : String.format(Locale.ROOT, ohms < 10 ? "%.2f Ω" : "%.1f Ω", ohms);
  }

  private String by(Bonding.Piece piece) {
    var all = net.of(piece);
    if (all.size() > 5) return all.size() + " joints";
    return all.stream()
        .map(b ->
            b.kind() == Bond.Kind.PLATE
                ? "bare plate"
                : b.kind() == Bond.Kind.SHIELD ? "shield of " + b.label() : b.label())
        .distinct()
        .collect(Collectors.joining(", "));
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
