package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.shock.Leaking;
import nelvar.core.analysis.shock.Opened;
import nelvar.core.analysis.shock.Touch;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Id;

/// What a hand meets: each piece of metal, worst first, now, with a fault in it and with its
/// protective conductor broken; below, what leaks, and in which order the cabinet is opened.
public final class ShockPicture {
  private static final double NAMES = 190;
  private static final double TOP = 44;
  private static final double HIGH = 34;
  private static final double LINE = 17;

  private final Study study;
  private final double width;
  private final Optional<Id> chosen;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private ShockPicture(Study study, double width, Optional<Id> chosen) {
    this.study = study;
    this.width = Math.max(560, width);
    this.chosen = chosen;
  }

  public static Drawing of(Study study, double width, Optional<Id> chosen) {
    return new ShockPicture(study, width, chosen).draw();
  }

  private Drawing draw() {
    var touches = Touch.all(study);
    var wide = (width - NAMES) / 4;
    var heads =
        List.of(
            "as it is now",
            touches.stream().anyMatch(Touch::second)
                ? "a second fault (IT)"
                : "a line against it inside",
            "protective conductor broken",
            "its way to the inlet");
    for (var c = 0; c < heads.size(); c++)
      text(NAMES + c * wide + 4, 14, heads.get(c), Face.TEXT, 12, Ink.TEXT_SOFT, wide - 8);
    var y = TOP - 20;
    if (touches.isEmpty()) {
      text(
          4,
          y + 14,
          "No device of this machine has a protective terminal: nothing of metal is joined to earth, or nothing can become live.",
          Face.TEXT,
          13,
          Ink.TEXT_SOFT,
          width);
      y += 26;
    }
    for (var touch : touches) {
      row(touch, y, wide);
      y += HIGH;
    }
    var shown =
        touches.stream()
            .filter(t -> chosen.filter(t.device().id()::equals).isPresent())
            .findFirst()
            .or(() -> touches.stream().findFirst());
    if (shown.isPresent()) {
      TouchStrip.draw(shown.get(), width, y + 8, shapes);
      y += TouchStrip.HEIGHT + 8;
    }
    return new Drawing(width, below(y + 20), shapes, spots);
  }

  private void row(Touch touch, double y, double wide) {
    var id = touch.device().id();
    if (chosen.filter(id::equals).isPresent())
      shapes.add(
          Shape.rounded(0, y, width, HIGH - 2, 4, Optional.of(Ink.ACCENT_SOFT), Optional.empty()));
    text(4, y + 14, touch.name(), Face.MONO_BOLD, 13, Ink.TEXT, NAMES - 12);
    text(4, y + 28, touch.device().purpose(), Face.TEXT, 12, Ink.TEXT_SOFT, NAMES - 12);
    cell(touch.now(), touch.joined() ? "0 V" : "not joined", NAMES, y, wide);
    cell(touch.faulty(), fault(touch), NAMES + wide, y, wide);
    cell(touch.broken(), broken(touch), NAMES + 2 * wide, y, wide);
    var way =
        touch.joined()
            ? touch.way().map(Object::toString).orElse("joined") + own(touch)
            : "none: " + "no protective conductor";
    text(
        NAMES + 3 * wide + 6,
        y + 19,
        way,
        Face.TEXT,
        12,
        touch.joined() ? Ink.TEXT : Ink.ERROR,
        wide - 8);
    spots.add(
        new Drawing.Spot(
            0,
            y,
            width,
            HIGH - 2,
            id,
            "%s: now %s; a fault in it: %s; protective conductor broken: %s"
                .formatted(
                    touch.name(),
                    touch.now().words(),
                    touch.faulty().words() + " " + fault(touch),
                    touch.broken().words())));
  }

  private static String own(Touch touch) {
    return touch.own().stream()
        .findFirst()
        .map(c -> " by " + c.label() + c.section().map(s -> ", " + s).orElse(""))
        .orElse("");
  }

  private static String fault(Touch touch) {
    if (!touch.joined()) return touch.inside() + ", for good";
    return touch
        .faultVolts()
        .map(u -> u + touch.opens().map(t -> ", off in " + t).orElse(""))
        .orElse("");
  }

  private static String broken(Touch touch) {
    if (touch.inside().compareTo(Touch.HARMLESS) <= 0) return "up to " + touch.inside();
    return touch.leaks().amperes() > 0 ? touch.leaks() + " leak" : "what leaks";
  }

  private void cell(Touch.Grade grade, String words, double x, double y, double wide) {
    var bad = grade == Touch.Grade.DEADLY;
    var warn = grade == Touch.Grade.CUT_OFF || grade == Touch.Grade.FELT;
    shapes.add(
        Shape.rounded(
            x,
            y + 2,
            wide - 6,
            HIGH - 8,
            3,
            Optional.of(bad ? Ink.ERROR_SOFT : warn ? Ink.WARNING_SOFT : Ink.CARD),
            Optional.of(
                new Shape.Pen(
                    bad ? Ink.ERROR : warn ? Ink.WARNING : Ink.LINE,
                    1,
                    grade == Touch.Grade.UNKNOWN ? 3 : 0))));
    var says =
        words.isEmpty()
            ? grade.words()
            : grade == Touch.Grade.CUT_OFF ? words : grade.words() + ", " + words;
    text(x + 6, y + 19, says, Face.TEXT, 12, bad ? Ink.ERROR : Ink.TEXT, wide - 16);
  }

  /// What leaks, and the order of opening.
  private double below(double top) {
    var y = top;
    for (var inlet : study.project().devices()) {
      if (study.part(inlet).filter(Part::mainsInlet).isEmpty()) continue;
      var by =
          Leaking.leaking(inlet, study).stream()
              .map(d -> d.designation() + " " + study.part(d).orElseThrow().leakage())
              .collect(java.util.stream.Collectors.joining(", "));
      y =
          lines(
              "Leaks behind %s: %s%s. From 10 mA on its protective conductor is 10 mm² or double."
                  .formatted(
                      inlet.designation(),
                      Leaking.sum(inlet, study),
                      by.isEmpty() ? ", as far as parts state it" : " (" + by + ")"),
              4,
              y,
              width - 8);
    }
    var unearthed = Opened.unearthed(study);
    if (!unearthed.isEmpty())
      y =
          lines(
              "No protective terminal, so double insulated (class II) as far as parts say: %s. Keep their covers whole; nothing of them is joined to earth."
                  .formatted(
                      unearthed.stream()
                          .map(d -> d.designation().text())
                          .collect(java.util.stream.Collectors.joining(", "))),
              4,
              y,
              width - 8);
    y += 8;
    shapes.add(Shape.text(4, y, "To open it", Face.SEMIBOLD, 14, Ink.TEXT));
    y += LINE + 2;
    var n = 1;
    for (var step : Opened.of(study).order(study)) {
      shapes.add(Shape.text(4, y, n++ + ".", Face.TEXT, 13, Ink.TEXT_SOFT));
      y = lines(step, 24, y, width - 28);
    }
    return lines(
            "Computed from the wires that are drawn: a protective conductor that is loose or corroded is found by measuring only. Local codes and a licensed electrician decide.",
            4,
            y + 6,
            width - 8)
        + 4;
  }

  private double lines(String words, double x, double top, double wide) {
    var y = top;
    for (var line : Faces.wrap(words, Face.TEXT, 13, wide)) {
      shapes.add(Shape.text(x, y, line, Face.TEXT, 13, Ink.TEXT));
      y += LINE;
    }
    return y;
  }

  private void text(
      double x, double y, String words, Face face, double size, Ink ink, double room) {
    shapes.add(Shape.text(x, y, Faces.fit(words, face, size, room), face, size, ink));
  }
}
