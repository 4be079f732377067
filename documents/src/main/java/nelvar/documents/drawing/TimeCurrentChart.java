package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.documents.drawing.Drawing.Spot;

/// Time against current on logarithmic scales: each device as a band between the earliest and the
/// latest it opens, the wire's damage line, and what flows: load, inrush, start, least and greatest
/// fault.
///
/// What must pass lies left of and below the bands; what must be cut off lies right of them; the
/// wire's line stays above the nearest band.
public final class TimeCurrentChart {
  private static final double LONGEST = 10_000;
  private static final double SHORTEST = 0.0004;

  private final ProtectionChain chain;
  private final double height;
  private final double text;
  private final double left;
  private final double top;
  private final double plotWidth;
  private final double plotHeight;
  private final double least;
  private final double greatest;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Spot> spots = new ArrayList<>();

  private TimeCurrentChart(ProtectionChain chain, double width, double height, double text) {
    this.chain = chain;
    this.height = height;
    this.text = text;
    this.left = text * 4.4;
    this.top = text * 2.2;
    this.plotWidth = width - left - text * 1.2;
    this.plotHeight = height - top - text * 3.4;
    var low = Math.max(0.01, Math.min(chain.design().amperes(), rating(chain)) / 2);
    var high =
        Math.max(
            chain.greatest().map(Current::amperes).orElse(0.0),
            Math.max(chain.least().map(Current::amperes).orElse(0.0), rating(chain) * 60));
    this.least = Math.pow(10, Math.floor(Math.log10(low)));
    this.greatest = Math.pow(10, Math.ceil(Math.log10(high * 1.6)));
  }

  private static double rating(ProtectionChain chain) {
    return chain.protectors().stream()
        .mapToDouble(g -> g.protection().rating().amperes())
        .max()
        .orElse(10);
  }

  /// @param text size of the lettering, in the drawing's units
  public static Drawing of(ProtectionChain chain, double width, double height, double text) {
    var chart = new TimeCurrentChart(chain, width, height, text);
    chart.grid();
    chart.bands();
    chart.wire();
    chart.flows();
    chart.frame();
    return new Drawing(width, height, chart.shapes, chart.spots);
  }

  private double x(double amperes) {
    return left + plotWidth * Math.log(amperes / least) / Math.log(greatest / least);
  }

  private double y(double seconds) {
    return top + plotHeight * Math.log(LONGEST / seconds) / Math.log(LONGEST / SHORTEST);
  }

  private void grid() {
    var fine = Shape.Pen.of(Ink.LINE, text / 24);
    for (var decade = least; decade < greatest * 1.001; decade *= 10) {
      for (var step = 1; step < 10 && decade * step < greatest * 1.001; step++) {
        var at = x(decade * step);
        shapes.add(
            Shape.line(
                at,
                top,
                at,
                top + plotHeight,
                step == 1 ? Shape.Pen.of(Ink.LINE, text / 9) : fine));
      }
      shapes.add(
          Shape.text(
              x(decade),
              top + plotHeight + text * 1.3,
              new Current(decade).toString(),
              Face.TEXT,
              text,
              Ink.TEXT_SOFT,
              decade * 10 < greatest * 1.001 ? Shape.Anchor.MIDDLE : Shape.Anchor.END));
    }
    for (var seconds : new double[] {0.01, 0.1, 1, 10, 100, 1000, 10_000}) {
      shapes.add(
          Shape.line(
              left, y(seconds), left + plotWidth, y(seconds), Shape.Pen.of(Ink.LINE, text / 9)));
      shapes.add(
          Shape.text(
              left - text * 0.5,
              y(seconds) + text * 0.35,
              seconds < 1 ? new Duration(seconds).toString() : "%d s".formatted((int) seconds),
              Face.TEXT,
              text,
              Ink.TEXT_SOFT,
              Shape.Anchor.END));
    }
  }

  /// The nearest device in the ink of its circuit, those before it in grey.
  private void bands() {
    for (var i = chain.protectors().size() - 1; i >= 0; i--) {
      var protector = chain.protectors().get(i);
      var ink = i == 0 ? chain.feed().source().map(Ink::of).orElse(Ink.MAINS) : Ink.TEXT_SOFT;
      var soft = i == 0 ? ink.soft() : Ink.LINE;
      band(protector, i, ink, soft);
    }
  }

  private void band(Feed.Protector protector, int index, Ink ink, Ink soft) {
    var early = points(protector.protection(), TripTime::earliest);
    var late = points(protector.protection(), TripTime::latest);
    if (late.isEmpty()) return;
    var outline = new ArrayList<double[]>(early);
    outline.addAll(late.reversed());
    if (!early.isEmpty()) {
      var steps = new ArrayList<Shape.Step>();
      for (var point : outline)
        steps.add(
            steps.isEmpty()
                ? new Shape.Step.Move(point[0], point[1])
                : new Shape.Step.Line(point[0], point[1]));
      steps.add(new Shape.Step.Close());
      shapes.add(new Shape.Path(steps, Optional.of(soft), Optional.empty()));
      shapes.add(line(early, Shape.Pen.of(ink, text / 10)));
    }
    shapes.add(line(late, Shape.Pen.of(ink, text / 6)));
    var name = "%s %s".formatted(protector.device().designation(), protector.protection());
    shapes.add(
        Shape.text(
            (early.isEmpty() ? late : early).getFirst()[0] - text * 0.5,
            top + text * (1.4 + 1.5 * index),
            name,
            Face.MONO_BOLD,
            text,
            ink,
            Shape.Anchor.END));
    spots.add(
        new Spot(
            late.getFirst()[0] - text,
            top,
            text * 3,
            plotHeight,
            protector.device().id(),
            name + ", opens between these lines"));
  }

  private List<double[]> points(ProtectiveDevice protection, TimeOf time) {
    var all = new ArrayList<double[]>();
    var from = protection.rating().amperes();
    for (var i = 0; i <= 400; i++) {
      var amperes = from * Math.pow(greatest / from, i / 400.0);
      if (amperes < least) continue;
      time.of(protection, new Current(amperes), chain.magneticBand())
          .map(t -> Math.clamp(shown(protection, t.seconds()), SHORTEST, LONGEST))
          .ifPresent(t -> all.add(new double[] {x(amperes), y(t)}));
    }
    return all;
  }

  /// The standard promises that a breaker's magnetic trip is through within 0.1 s; drawn is one
  /// period, as the rule of the wire's heat assumes.
  private static double shown(ProtectiveDevice protection, double seconds) {
    return protection instanceof ProtectiveDevice.Breaker && seconds <= 0.1
        ? Math.min(seconds, 0.02)
        : seconds;
  }

  @FunctionalInterface
  private interface TimeOf {
    Optional<Duration> of(ProtectiveDevice protection, Current current, double band);
  }

  private static Shape line(List<double[]> points, Shape.Pen pen) {
    var steps = new ArrayList<Shape.Step>();
    for (var point : points)
      steps.add(
          steps.isEmpty()
              ? new Shape.Step.Move(point[0], point[1])
              : new Shape.Step.Line(point[0], point[1]));
    return new Shape.Path(steps, Optional.empty(), Optional.of(pen));
  }

  /// What it carries for ever, and k²S² from 5 s down.
  private void wire() {
    if (chain.wire().isEmpty() || chain.energy() <= 0) return;
    var pen = new Shape.Pen(Ink.TEXT, text / 7, text / 2.5);
    var points = new ArrayList<double[]>();
    chain
        .ampacity()
        .filter(iz -> iz.amperes() > least && iz.amperes() < greatest)
        .ifPresent(iz -> points.add(new double[] {x(iz.amperes()), y(LONGEST)}));
    for (var seconds = 5.0; seconds > SHORTEST; seconds /= 1.3) {
      var amperes = Math.sqrt(chain.energy() / seconds);
      if (amperes > greatest) break;
      if (amperes > least) points.add(new double[] {x(amperes), y(seconds)});
    }
    if (points.size() < 2) return;
    shapes.add(line(points, pen));
    var wire = chain.wire().get();
    var first = points.getFirst();
    var second = points.get(1);
    // Beside the steep part, where the fewest lines cross it.
    var at = new double[] {(first[0] + second[0]) / 2, (first[1] + second[1]) / 2};
    var name = "%s, %s: damage".formatted(wire.label(), wire.section().orElseThrow());
    var wide = Faces.width(name, Face.TEXT, text);
    var from = Math.min(at[0] + text * 0.6, left + plotWidth - wide - text * 0.5);
    shapes.add(Shape.text(from, at[1], name, Face.TEXT, text, Ink.TEXT));
    spots.add(new Spot(at[0] - text, at[1] - text, text * 10, text * 2, wire.id(), name));
  }

  private void flows() {
    mark(chain.design(), "load " + chain.design(), 0);
    chain.least().ifPresent(i -> mark(i, "least fault " + i, 1));
    chain.greatest().ifPresent(i -> mark(i, "greatest " + i, 2));
    chain
        .inrush()
        .ifPresent(inrush ->
            point(
                inrush.peak().amperes() / Math.sqrt(2),
                inrush.duration().seconds(),
                "inrush " + inrush.peak() + " peak"));
    chain
        .start()
        .ifPresent(start -> point(start.amperes(), 5, "start " + start + ", assumed 6 times"));
  }

  /// A current that flows: a line from the foot, its name beside it, each on a level of its own.
  private void mark(Current current, String name, int level) {
    if (current.amperes() < least || current.amperes() > greatest) return;
    var at = x(current.amperes());
    shapes.add(
        Shape.line(at, top, at, top + plotHeight, new Shape.Pen(Ink.TEXT, text / 12, text / 5)));
    var right = at > left + plotWidth * (level == 2 ? 0.86 : 0.6);
    shapes.add(
        Shape.text(
            right ? at - text * 0.4 : at + text * 0.4,
            level == 0 ? top + plotHeight - text * 0.6 : top + text * (1.4 + 1.5 * (level - 1)),
            name,
            Face.TEXT,
            text,
            Ink.TEXT,
            right ? Shape.Anchor.END : Shape.Anchor.START));
  }

  private void point(double amperes, double seconds, String name) {
    if (amperes < least || amperes > greatest) return;
    var at = x(amperes);
    var level = y(Math.clamp(seconds, SHORTEST, LONGEST));
    var r = text * 0.45;
    shapes.add(
        Shape.polygon(
            Optional.of(Ink.TEXT),
            Optional.empty(),
            at,
            level - r,
            at + r,
            level,
            at,
            level + r,
            at - r,
            level));
    shapes.add(
        Shape.text(
            at - text * 0.8,
            level + text * 0.35,
            name,
            Face.TEXT,
            text,
            Ink.TEXT,
            Shape.Anchor.END));
  }

  private void frame() {
    shapes.add(
        Shape.rectangle(
            left,
            top,
            plotWidth,
            plotHeight,
            Optional.empty(),
            Optional.of(Shape.Pen.of(Ink.TEXT_FAINT, text / 8))));
    shapes.add(
        Shape.text(
            left + plotWidth,
            height - text * 0.5,
            "current, r.m.s.",
            Face.TEXT,
            text,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
    shapes.add(Shape.text(text * 0.6, top - text * 0.7, "time", Face.TEXT, text, Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            left,
            top - text * 0.7,
            Faces.fit(
                "%s: what opens, when%s"
                    .formatted(chain.feed().name(), chain.alternating() ? "" : " (direct current)"),
                Face.BOLD,
                text * 1.15,
                plotWidth),
            Face.BOLD,
            text * 1.15,
            Ink.TEXT));
  }
}
