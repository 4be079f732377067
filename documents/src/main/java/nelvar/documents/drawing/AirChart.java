package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;

/// The air inside beside the plate, height against height: the curve from bottom to top with its
/// band, at each part that has a limit how warm it stands and how warm it may.
final class AirChart {
  private static final double SMALL = 11;

  /// So many limits are named; the rest is drawn without words.
  private static final int NAMED = 4;

  /// The scale goes no further than so many kelvin.
  private static final double HOTTEST = 110;

  /// As wide as what stands beside the line.
  private static final double WORDS = 62;

  private final Study study;
  private final Cabinet cabinet;
  private final PlateArea plate;
  private final Optional<Id> selected;
  private final CabinetAir air;

  AirChart(Study study, Cabinet cabinet, PlateArea plate, Optional<Id> selected) {
    this.study = study;
    this.cabinet = cabinet;
    this.plate = plate;
    this.selected = selected;
    this.air = CabinetAir.of(cabinet, study);
  }

  private record Limit(Body body, double at, double upper, double most) {
    double spare() {
      return most - upper;
    }
  }

  List<Shape> draw(double left, double width) {
    var shapes = new ArrayList<Shape>();
    var limits = limits();
    var least = Math.floor((air.around().celsius() - 6) / 5) * 5;
    var warmest =
        Math.max(
            air.upper(air.rise(1)).celsius(),
            limits.stream().mapToDouble(l -> Math.max(l.upper(), l.most())).max().orElse(0));
    var most = Math.max(least + 15, Math.ceil((Math.min(warmest, least + HOTTEST) + 1) / 5) * 5);
    var step = most - least > 60 ? 10 : 5;
    var every = (most - least) / step > 6 ? 2 : 1;
    var top = plate.y();
    var bottom = plate.y() + plate.height();
    var from = left + 8;
    var to = left + width - 12;
    shapes.add(
        Shape.text(
            left,
            top - 6,
            air.mixed() ? "air inside, mixed by a fan" : "air inside, height against height",
            Face.SEMIBOLD,
            SMALL,
            Ink.TEXT_SOFT));
    for (var t = least; t <= most; t += step) {
      var x = x(t, least, most, from, to);
      shapes.add(Shape.line(x, top, x, bottom, Shape.Pen.of(Ink.LINE, 1)));
      if ((Math.round(t - least) / step) % every == 0)
        shapes.add(
            Shape.text(
                x,
                bottom + 14,
                "%.0f".formatted(t) + (t + every * step > most ? " °C" : ""),
                Face.TEXT,
                SMALL,
                Ink.TEXT_SOFT,
                Shape.Anchor.MIDDLE));
    }
    var room = x(air.around().celsius(), least, most, from, to);
    shapes.add(Shape.line(room, top, room, bottom, new Shape.Pen(Ink.TEXT_FAINT, 1.2, 4)));
    shapes.add(
        Shape.text(
            room - 4,
            bottom - 5,
            "room %.0f".formatted(air.around().celsius()),
            Face.TEXT,
            SMALL,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
    curve(shapes, least, most, from, to, top, bottom);
    limits(limits, shapes, new double[] {least, most, from, to});
    // Beside the line, on the side where there is room.
    var line = x(air.hottest().celsius(), least, most, from, to);
    var back = line > to - WORDS;
    var anchor = back ? Shape.Anchor.END : Shape.Anchor.START;
    shapes.add(
        Shape.text(
            line + (back ? -5 : 5),
            top + 12,
            "%.1f °C".formatted(air.hottest().celsius()),
            Face.BOLD,
            12.5,
            Ink.ACCENT,
            anchor));
    shapes.add(
        Shape.text(
            line + (back ? -5 : 5),
            top + 26,
            "up to %.1f".formatted(air.upper(air.rise(1)).celsius()),
            Face.TEXT,
            SMALL,
            Ink.TEXT_SOFT,
            anchor));
    return shapes;
  }

  private static double x(double t, double least, double most, double from, double to) {
    return from + (to - from) * (Math.min(t, most) - least) / (most - least);
  }

  private void curve(
      List<Shape> shapes,
      double least,
      double most,
      double from,
      double to,
      double top,
      double bottom) {
    var line = new ArrayList<Shape.Step>();
    var band = new ArrayList<double[]>();
    var back = new ArrayList<double[]>();
    for (var i = 0; i <= 40; i++) {
      var height = i / 40.0;
      var y = bottom - (bottom - top) * height;
      var rise = Math.max(0, air.rise(height));
      var x = x(air.around().celsius() + rise, least, most, from, to);
      line.add(i == 0 ? new Shape.Step.Move(x, y) : new Shape.Step.Line(x, y));
      band.add(
          new double[] {
            x(air.around().celsius() + rise * (1 + air.band()), least, most, from, to), y
          });
      back.add(
          new double[] {
            x(air.around().celsius() + rise * (1 - air.band()), least, most, from, to), y
          });
    }
    var points = new ArrayList<double[]>(band);
    points.addAll(back.reversed());
    shapes.add(
        Shape.polygon(
            Optional.of(Ink.ACCENT_SOFT),
            Optional.empty(),
            points.stream().flatMapToDouble(java.util.Arrays::stream).toArray()));
    shapes.add(new Shape.Path(line, Optional.empty(), Optional.of(Shape.Pen.of(Ink.ACCENT, 2))));
  }

  private List<Limit> limits() {
    return Bodies.of(study).in(cabinet).stream()
        .filter(b -> !b.later() && b.surface() == Surface.PLATE)
        .filter(b -> b.fitting().most().isPresent())
        .map(b -> {
          var at = PartAir.of(b, air, study);
          return new Limit(
              b,
              at.expected().celsius(),
              at.upper().celsius(),
              b.fitting().most().orElseThrow().celsius());
        })
        .sorted(Comparator.comparingDouble(Limit::spare))
        .toList();
  }

  private void limits(List<Limit> limits, List<Shape> shapes, double[] frame) {
    var named = new ArrayList<Double>();
    // What is selected has its name first; others step back where they would cross it.
    var inOrder = new ArrayList<>(limits);
    inOrder.sort(
        Comparator.comparingInt(l -> selected.filter(l.body().id()::equals).isPresent() ? 0 : 1));
    for (var limit : inOrder) {
      var x = x(limit.most(), frame[0], frame[1], frame[2], frame[3]);
      var at = x(limit.at(), frame[0], frame[1], frame[2], frame[3]);
      var top = plate.toY(limit.body().box().top());
      var bottom = plate.toY(limit.body().box().bottom());
      var bad = limit.spare() < 0;
      var chosen = selected.filter(limit.body().id()::equals).isPresent();
      var ink = chosen ? Ink.ACCENT : bad ? Ink.WARNING : Ink.SETTLED;
      shapes.add(Shape.line(x, top, x, bottom, Shape.Pen.of(ink, chosen || bad ? 3 : 2)));
      var y = (top + bottom) / 2;
      shapes.add(Shape.circle(at, y, 2.6, Optional.of(ink), Optional.empty()));
      var crowded = named.stream().anyMatch(other -> Math.abs(other - y) < 13);
      if (!chosen && (named.size() >= NAMED || crowded)) continue;
      named.add(y);
      shapes.add(
          Shape.text(
              x + 56 < frame[3] + 12 ? x + 5 : x - 5,
              y - 4,
              "%s to %.0f".formatted(limit.body().name(), limit.most()),
              Face.TEXT,
              SMALL,
              bad ? Ink.WARNING : Ink.TEXT_SOFT,
              x + 56 < frame[3] + 12 ? Shape.Anchor.START : Shape.Anchor.END));
    }
  }
}
