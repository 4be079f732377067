package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.PowerTree;
import nelvar.core.analysis.load.PowerTree.Point;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Device;
import nelvar.core.network.Edge;
import nelvar.core.units.Significant;

/// The power single-line diagram: one line for each feed, with what lies in it, in millimetres.
///
/// Symbols after IEC 60617: breaker, fuse, contact, converter, motor; everything else is a box with
/// its name.
public final class SingleLine {
  private static final double ROW = 8.2;
  private static final double PROTECTION_STEP = 22;
  private static final double CONVERTER_STEP = 25;
  private static final double CONTACT_STEP = 7;
  private static final double LEAVES = 134;
  private static final double WIDTH = 176;
  private static final Shape.Pen WIRE = Shape.Pen.of(Ink.TEXT, 0.3);

  private final Study study;
  private final List<Shape> shapes = new ArrayList<>();
  private double y;

  private SingleLine(Study study) {
    this.study = study;
  }

  public static Drawing of(Study study) {
    var drawing = new SingleLine(study);
    for (var root : PowerTree.of(study)) drawing.root(root);
    return new Drawing(WIDTH, drawing.y + 4, drawing.shapes, List.of());
  }

  private void root(Point root) {
    var top = y + ROW;
    y = top;
    var bus = 32.0;
    var chain = chain(root);
    var ends = new ArrayList<Double>();
    for (var child : Grouped.of(root.children(), study, Set.of())) ends.add(group(child, bus));
    var middle = ends.isEmpty() ? top : ends.getFirst();
    shapes.add(
        Shape.text(
            0, middle - 2.2, root.device().designation().text(), Face.MONO_BOLD, 3, Ink.TEXT));
    shapes.add(
        Shape.text(
            0,
            middle + 3.6,
            root.gives().map(Object::toString).orElse("").replaceFirst("^\\S+ ", ""),
            Face.TEXT,
            2.6,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            0,
            middle + 7,
            root.design() + " of " + root.hangsOn().output().rating(),
            Face.TEXT,
            2.6,
            Ink.TEXT_SOFT));
    shapes.add(Shape.line(0, middle, bus, middle, Shape.Pen.of(Ink.TEXT, 0.6)));
    var x = 15.0;
    for (var device : chain) {
      contact(x, middle, device);
      x += 9;
    }
    if (!ends.isEmpty())
      shapes.add(
          Shape.line(bus, ends.getFirst(), bus, ends.getLast(), Shape.Pen.of(Ink.TEXT, 0.6)));
  }

  /// What lies between the inlet and the distribution: switches and filters that every feed passes.
  private List<Device> chain(Point root) {
    var feed = root.all().flatMap(point -> point.feed().stream()).findFirst();
    var devices = new ArrayList<Device>();
    if (feed.isEmpty() || feed.get().lineWays().isEmpty()) return devices;
    for (var edge : feed.get().lineWays().getFirst()) {
      if (!(study.network().topology().edge(edge) instanceof Edge.Through(var device, var link)))
        continue;
      if (link.protection().isPresent()) break;
      if (!(study.part(device).orElse(null) instanceof DistributionBlock)
          && !devices.contains(device)) devices.add(device);
    }
    return devices;
  }

  /// Draws a branch from `x` on and returns the height of its line.
  private double group(Grouped group, double x) {
    var point = group.first();
    if (point.children().isEmpty()) return leaf(group, x);
    var cut = contactor(point).isPresent() ? CONTACT_STEP : 0;
    var step = cut + (point.kind() == PowerTree.Kind.PROTECTION ? PROTECTION_STEP : CONVERTER_STEP);
    var next = Math.min(x + step, LEAVES);
    var ends = new ArrayList<Double>();
    for (var child : Grouped.of(point.children(), study, Set.of())) ends.add(group(child, next));
    var at = ends.getFirst();
    if (ends.size() > 1) shapes.add(Shape.line(next, ends.getFirst(), next, ends.getLast(), WIRE));
    shapes.add(Shape.line(x, at, next, at, WIRE));
    cuts(point, x, at);
    if (point.protection().isPresent()) protection(x + cut + 5, at, point);
    else converter(x + cut + 4, at, point);
    return at;
  }

  private void cuts(Point point, double x, double at) {
    contactor(point).ifPresent(device -> contact(x + 4, at, device));
  }

  /// The contactor that cuts a branch, where one does.
  private Optional<Device> contactor(Point point) {
    return point.cutBy().stream()
        .filter(device ->
            study
                .part(device)
                .filter(part -> part instanceof nelvar.core.catalogue.Contactor)
                .isPresent())
        .findFirst();
  }

  private double leaf(Grouped group, double x) {
    var at = y;
    y += ROW;
    shapes.add(Shape.line(x, at, LEAVES, at, WIRE));
    cuts(group.first(), x, at);
    var motor =
        study
            .part(group.first().device())
            .filter(part ->
                part instanceof nelvar.core.catalogue.InductionMotor
                    || part instanceof nelvar.core.catalogue.ServoMotor
                    || part instanceof nelvar.core.catalogue.StepperMotor
                    || part instanceof nelvar.core.catalogue.DcMotor)
            .isPresent();
    if (motor) {
      shapes.add(Shape.circle(LEAVES + 2.6, at, 2.6, Optional.of(Ink.CARD), Optional.of(WIRE)));
      shapes.add(
          Shape.text(LEAVES + 2.6, at + 1.1, "M", Face.SEMIBOLD, 3, Ink.TEXT, Shape.Anchor.MIDDLE));
    } else {
      shapes.add(
          Shape.rectangle(LEAVES, at - 1.6, 5.2, 3.2, Optional.of(Ink.CARD), Optional.of(WIRE)));
    }
    shapes.add(
        Shape.text(
            LEAVES + 7,
            at - 0.2,
            Faces.fit(group.name(), Face.MONO, 2.5, 20),
            Face.MONO,
            2.5,
            Ink.TEXT));
    shapes.add(
        Shape.text(
            LEAVES + 7,
            at + 2.9,
            Faces.fit(group.purpose(study), Face.TEXT, 2.5, 25),
            Face.TEXT,
            2.5,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            WIDTH,
            at + 1,
            Significant.digits(group.amperes()) + " A",
            Face.SEMIBOLD,
            2.7,
            Ink.TEXT,
            Shape.Anchor.END));
    if (LEAVES - x > 20)
      wire(group.first())
          .ifPresent(text ->
              shapes.add(
                  Shape.text(
                      LEAVES - 2,
                      at - 0.8,
                      text,
                      Face.TEXT,
                      2.2,
                      Ink.TEXT_FAINT,
                      Shape.Anchor.END)));
    return at;
  }

  /// Section of the last wire before a load.
  private Optional<String> wire(Point point) {
    return point
        .feed()
        .filter(feed -> !feed.lineWays().isEmpty())
        .flatMap(feed -> {
          var wires = study.wires(feed.lineWays().getFirst());
          return wires.isEmpty()
              ? Optional.empty()
              : wires.getLast().section().map(section -> wires.getLast().label() + "  " + section);
        });
  }

  private void protection(double x, double at, Point point) {
    if (point.protection().orElseThrow().protection() instanceof ProtectiveDevice.Fuse) {
      shapes.add(
          Shape.rectangle(x - 2.6, at - 1.2, 5.2, 2.4, Optional.of(Ink.CARD), Optional.of(WIRE)));
      shapes.add(Shape.line(x - 2.6, at, x + 2.6, at, WIRE));
    } else {
      gap(x, at);
      shapes.add(Shape.line(x - 2.4, at, x + 2, at - 2, WIRE));
      shapes.add(Shape.line(x - 3.1, at - 0.7, x - 1.7, at + 0.7, WIRE));
      shapes.add(Shape.line(x - 3.1, at + 0.7, x - 1.7, at - 0.7, WIRE));
    }
    shapes.add(
        Shape.text(x + 4, at - 1.2, point.device().designation().text(), Face.MONO, 2.5, Ink.TEXT));
    shapes.add(
        Shape.text(
            x + 4,
            at + 3.2,
            point.protection().get().protection().toString(),
            Face.TEXT,
            2.5,
            Ink.TEXT_SOFT));
  }

  private void contact(double x, double at, Device device) {
    var filter = study.part(device).orElse(null) instanceof nelvar.core.catalogue.EmcFilter;
    if (filter) {
      shapes.add(Shape.rectangle(x - 3, at - 2, 6, 4, Optional.of(Ink.CARD), Optional.of(WIRE)));
    } else {
      gap(x, at);
      shapes.add(Shape.line(x - 2.4, at, x + 2, at - 2, WIRE));
    }
    shapes.add(
        Shape.text(
            x,
            at + 4.6,
            device.designation().text(),
            Face.MONO,
            2.3,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
  }

  private void gap(double x, double at) {
    shapes.add(Shape.rectangle(x - 2.3, at - 0.5, 4.4, 1, Optional.of(Ink.CARD), Optional.empty()));
  }

  private void converter(double x, double at, Point point) {
    shapes.add(Shape.rectangle(x, at - 2.8, 7, 5.6, Optional.of(Ink.CARD), Optional.of(WIRE)));
    shapes.add(Shape.line(x, at + 2.8, x + 7, at - 2.8, WIRE));
    shapes.add(
        Shape.text(
            x + 1.9,
            at - 0.3,
            point.hangsOn().output().alternating() ? "~" : "=",
            Face.TEXT,
            3,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
    shapes.add(
        Shape.text(
            x + 5.1,
            at + 2.4,
            point.gives().map(source -> source.output().alternating() ? "~" : "=").orElse(""),
            Face.TEXT,
            3,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
    shapes.add(
        Shape.text(
            x + 8.2, at - 1.2, point.device().designation().text(), Face.MONO, 2.5, Ink.TEXT));
    var given =
        point
            .gives()
            .map(source ->
                Significant.digits(study.designCurrent(source).amperes())
                    + " of "
                    + source.output().rating())
            .orElse("");
    shapes.add(Shape.text(x + 8.2, at + 3.2, given, Face.TEXT, 2.3, Ink.TEXT_SOFT));
  }
}
