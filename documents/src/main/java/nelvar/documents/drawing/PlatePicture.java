package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Noise;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.DuctUse;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.TerminalPlace;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.finding.Severity;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;

/// A cabinet to scale: its plate with everything on it, the air beside it height against height,
/// its door and walls, and on a shelf below what waits to be placed. Lenses change what the colours
/// mean, never where things stand.
public final class PlatePicture {
  private static final double MARGIN = 18;
  private static final double AIR = 190;
  private static final double SMALL = 11.5;

  /// Less deep on the picture, px, it shows nothing.
  private static final double LEAST_DEPTH = 24;

  /// What the picture is looked at for.
  public enum Lens {
    PLACE("Place"),
    HEAT("Heat"),
    NOISE("Noise"),
    WIRES("Wires"),
    STOP("Stop"),
    REACH("Reach");

    private final String words;

    Lens(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// @param areas the surfaces on it, for finding where something is dropped
  public record Shown(Drawing drawing, List<PlateArea> areas) {
    public Shown {
      areas = List.copyOf(areas);
    }

    public Optional<PlateArea> at(double x, double y) {
      return areas.stream().filter(area -> area.has(x, y)).findFirst();
    }

    public Optional<PlateArea> of(Surface surface) {
      return areas.stream().filter(area -> area.surface() == surface).findFirst();
    }
  }

  private final Study study;
  private final Cabinet cabinet;
  private final Lens lens;
  private final Optional<Id> selected;
  private final Map<Id, Severity> found;
  private final boolean inside;
  private final Optional<StopInks> stopped;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private final List<PlateArea> areas = new ArrayList<>();

  private PlatePicture(
      Study study,
      Cabinet cabinet,
      Lens lens,
      Optional<Id> selected,
      Map<Id, Severity> found,
      boolean inside) {
    this.inside = inside;
    this.stopped =
        lens == Lens.STOP ? Optional.of(new StopInks(study, selected)) : Optional.empty();
    this.study = study;
    this.cabinet = cabinet;
    this.lens = lens;
    this.selected = selected;
    this.found = found;
  }

  /// @param found the worst open finding of each device, for marks
  /// @param width of the picture, px
  /// @param height that is to do where the cabinet allows it, px
  public static Shown of(
      Study study,
      Cabinet cabinet,
      Lens lens,
      Optional<Id> selected,
      Map<Id, Severity> found,
      double width,
      double height) {
    return of(study, cabinet, lens, selected, found, false, width, height);
  }

  /// @param inside the door is seen from inside, as it hangs open
  public static Shown of(
      Study study,
      Cabinet cabinet,
      Lens lens,
      Optional<Id> selected,
      Map<Id, Severity> found,
      boolean inside,
      double width,
      double height) {
    return new PlatePicture(study, cabinet, lens, selected, found, inside).draw(width, height);
  }

  private Shown draw(double width, double height) {
    var shell = cabinet.shell();
    var waiting = Bodies.of(study).waiting();
    var shelf = waiting.isEmpty() ? 0 : 62;
    var aside = sides();
    // The plate takes what the air chart and the doors leave.
    var high = Math.max(220, height - 2 * MARGIN - shelf - 16);
    var scale =
        Math.min(
            high / Box.mm(shell.height()),
            (width - AIR - 5 * MARGIN)
                / (Box.mm(shell.width()) + (aside.isEmpty() ? 0 : 0.46 * Box.mm(shell.width()))));
    var top = MARGIN;
    housing(MARGIN, top, scale);
    var plate = areas.getFirst();
    Background.draw(cabinet, plate, 1, shapes);
    for (var body : on(Surface.PLATE)) plume(body, plate);
    ducts(plate);
    kept(plate);
    for (var body : on(Surface.PLATE)) body(body, plate);
    new NarrowRuns(on(Surface.PLATE), plate).write(shapes);
    var right = MARGIN + Box.mm(shell.width()) * scale + MARGIN;
    shapes.addAll(new AirChart(study, cabinet, plate, selected).draw(right, AIR));
    var x = right + AIR + MARGIN;
    var y = top;
    var door = y;
    var free = x;
    for (var surface : aside) {
      var room = Fits.surface(cabinet, surface);
      var tall = surface == Surface.DOOR ? 0.62 * high : Math.max(60, top + high - y - 20);
      var by =
          Math.min(
              scale * 0.8, Math.min((width - x - MARGIN) / room.width(), tall / room.height()));
      y = side(surface, x, y, by) + 14;
      if (surface == Surface.DOOR) door = y;
      else free = Math.max(free, x + room.width() * by + MARGIN);
    }
    if (shell.hinge().isPresent())
      y = Math.max(y, above(free, door, top + high, width - free - MARGIN));
    var bottom = Math.max(plate.toY(Fits.surface(cabinet, Surface.PLATE).height()) + MARGIN, y);
    if (lens == Lens.NOISE) bottom = NoiseInks.legend(shapes, MARGIN, bottom + 6);
    if (stopped.isPresent()) bottom = stopped.get().legend(shapes, MARGIN, bottom + 6);
    if (!waiting.isEmpty()) bottom = shelf(waiting, bottom + 8, width);
    return new Shown(new Drawing(width, Math.max(bottom + 8, height), shapes, spots), areas);
  }

  /// The surfaces besides the plate that are drawn: those with something on them, and the door.
  private List<Surface> sides() {
    var all = new ArrayList<Surface>();
    if (cabinet.shell().hinge().isPresent()) all.add(Surface.DOOR);
    for (var surface :
        List.of(Surface.LEFT, Surface.RIGHT, Surface.TOP, Surface.BOTTOM, Surface.OUTSIDE))
      if (!on(surface).isEmpty()) all.add(surface);
    return all;
  }

  private List<Body> on(Surface surface) {
    return Bodies.of(study).in(cabinet).stream().filter(b -> b.surface() == surface).toList();
  }

  private void housing(double x, double y, double scale) {
    var shell = cabinet.shell();
    var width = Box.mm(shell.width()) * scale;
    var height = Box.mm(shell.height()) * scale;
    var area = PlateArea.housed(cabinet, x, y, scale, shapes);
    areas.add(area);
    shapes.add(
        Shape.rectangle(
            area.x(),
            area.y(),
            area.width(),
            area.height(),
            Optional.of(Ink.PAPER),
            Optional.of(Shape.Pen.of(Ink.LINE, 1))));
    cables(x, y, width, height);
  }

  /// Where the cables of the machine leave.
  private void cables(double x, double y, double width, double height) {
    var pen = Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 3));
    var third = 0.3;
    switch (cabinet.shell().cables()) {
      case BOTTOM ->
          shapes.add(edge(x + width * third, y + height, x + width * (1 - third), y + height, pen));
      case TOP -> shapes.add(edge(x + width * third, y, x + width * (1 - third), y, pen));
      case LEFT -> shapes.add(edge(x, y + height * third, x, y + height * (1 - third), pen));
      case RIGHT ->
          shapes.add(edge(x + width, y + height * third, x + width, y + height * (1 - third), pen));
    }
  }

  private static Shape edge(double x1, double y1, double x2, double y2, Optional<Shape.Pen> pen) {
    return Shape.line(x1, y1, x2, y2, pen.orElseThrow());
  }

  private void ducts(PlateArea area) {
    var use =
        lens == Lens.WIRES ? Optional.of(DuctUse.of(cabinet, study)) : Optional.<DuctUse>empty();
    for (var rail : cabinet.rails())
      if (rail.surface() == area.surface()) {
        var x =
            area.mirrored() && !rail.vertical()
                ? area.toX(Box.mm(rail.left()) + Box.mm(rail.length()))
                : area.toX(Box.mm(rail.left()));
        var y = area.toY(Box.mm(rail.top()));
        var length = Box.mm(rail.length()) * area.scale();
        var wide = 35 * area.scale();
        shapes.add(
            rail.vertical()
                ? Shape.rectangle(x - wide / 2, y, wide, length, Optional.of(Ink.CARD), thin())
                : Shape.rectangle(x, y - wide / 2, length, wide, Optional.of(Ink.CARD), thin()));
        spots.add(
            new Drawing.Spot(
                rail.vertical() ? x - wide / 2 : x,
                rail.vertical() ? y : y - wide / 2,
                rail.vertical() ? wide : length,
                rail.vertical() ? length : wide,
                rail.id(),
                "rail " + rail.id()));
      }
    for (var duct : cabinet.ducts()) if (duct.surface() == area.surface()) duct(duct, area, use);
  }

  private static Optional<Shape.Pen> thin() {
    return Optional.of(Shape.Pen.of(Ink.LINE, 0.8));
  }

  private void duct(Cabinet.Duct duct, PlateArea area, Optional<DuctUse> use) {
    var box = Fits.box(duct);
    var chosen = selected.filter(duct.id()::equals).isPresent();
    shapes.add(
        area.box(
            box,
            1,
            Optional.of(Ink.DUCT),
            Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : Ink.LINE, chosen ? 1.6 : 0.8))));
    if (lens == Lens.NOISE)
      Noise.of(study).in(duct.id()).ifPresent(pair -> noise(pair, duct, box, area));
    int wires = use.map(u -> u.wires(duct.id())).orElse(0);
    if (wires > 0) {
      var share = (double) wires / Math.max(1, use.map(DuctUse::most).orElse(0));
      var full =
          duct.vertical()
              ? new Box(box.left(), box.top(), box.width() * share, box.height())
              : new Box(
                  box.left(),
                  box.bottom() - box.height() * share,
                  box.width(),
                  box.height() * share);
      shapes.add(area.box(full, 0, Optional.of(Ink.DC_LOW_SOFT), Optional.empty()));
      if (!duct.vertical())
        shapes.add(
            Shape.text(
                area.toX(box.middleX()),
                area.toY(box.middleY()) + 4,
                wires == 1 ? "1 wire" : wires + " wires",
                Face.TEXT,
                SMALL,
                Ink.TEXT,
                Shape.Anchor.MIDDLE));
    }
    spots.add(
        new Drawing.Spot(
            area.leftEdge(box),
            area.toY(box.top()),
            box.width() * area.scale(),
            box.height() * area.scale(),
            duct.id(),
            "duct " + duct.id()));
  }

  /// The worst that gets in in a duct.
  private void noise(Pair pair, Cabinet.Duct duct, Box box, PlateArea area) {
    var standing = pair.standing();
    if (standing != Pair.Standing.QUIET)
      shapes.add(area.box(box, 1, Optional.of(MarginInks.soft(standing)), Optional.empty()));
    if (!duct.vertical())
      shapes.add(
          Shape.text(
              area.toX(box.middleX()),
              area.toY(box.middleY()) + 4,
              MarginInks.words(pair.margin()),
              Face.TEXT,
              SMALL,
              standing == Pair.Standing.QUIET ? Ink.TEXT_SOFT : MarginInks.strong(standing),
              Shape.Anchor.MIDDLE));
  }

  private void kept(PlateArea area) {
    for (var kept : cabinet.kept()) {
      if (kept.surface() != area.surface()) continue;
      var box = Box.of(kept.left(), kept.top(), kept.width(), kept.height());
      shapes.add(
          area.box(box, 2, Optional.empty(), Optional.of(new Shape.Pen(Ink.TEXT_FAINT, 1, 4))));
      shapes.add(
          Shape.text(
              area.toX(box.middleX()),
              area.toY(box.middleY()) + 4,
              Faces.fit("kept: " + kept.name(), Face.TEXT, SMALL, box.width() * area.scale()),
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
    }
  }

  /// What rises above a hot part, seen through the heat lens.
  private void plume(Body body, PlateArea area) {
    if (lens != Lens.HEAT || body.later()) return;
    var air = CabinetAir.of(cabinet, study);
    if (air.stirred() || watts(body) < 5) return;
    var high = Math.min(body.box().top(), 160);
    var spread = 0.12 * high;
    shapes.add(
        Shape.polygon(
            Optional.of(Ink.HEAT_LOW),
            Optional.empty(),
            area.leftEdge(body.box()),
            area.toY(body.box().top()),
            area.toX(body.box().left() - spread),
            area.toY(body.box().top() - high),
            area.toX(body.box().right() + spread),
            area.toY(body.box().top() - high),
            area.toX(body.box().right()),
            area.toY(body.box().top())));
  }

  private double watts(Body body) {
    return CabinetAir.of(cabinet, study).heat(body.id()).map(h -> h.inside().watts()).orElse(0.0);
  }

  private void body(Body body, PlateArea area) {
    var chosen = selected.filter(body.id()::equals).isPresent();
    if (chosen && !body.later()) wanted(body, area);
    if (lens == Lens.REACH) ReachZones.draw(body, area, shapes);
    var over = Fits.in(cabinet, study).over(body);
    var ink = chosen ? Ink.ACCENT : over.isEmpty() ? Ink.TEXT_SOFT : Ink.ERROR;
    shapes.add(
        area.box(
            body.box(),
            2.5,
            Optional.of(fill(body)),
            Optional.of(
                new Shape.Pen(ink, chosen || !over.isEmpty() ? 1.8 : 0.9, body.later() ? 4 : 0))));
    stopped.ifPresent(inks -> inks.hatch(body, area, shapes));
    if (lens == Lens.REACH && !body.later()) ReachZones.bolt(body, area, study, shapes);
    if (lens == Lens.WIRES && body.surface() == Surface.PLATE) terminals(body, area);
    words(body, area);
    var severity = Optional.ofNullable(found.get(body.id()));
    severity.ifPresent(worst ->
        shapes.addAll(
            Badge.of(worst, area.rightEdge(body.box()) - 4, area.toY(body.box().top()) + 3, 6)));
    spots.add(
        new Drawing.Spot(
            area.leftEdge(body.box()),
            area.toY(body.box().top()),
            body.box().width() * area.scale(),
            body.box().height() * area.scale(),
            body.id(),
            says(body, severity)));
  }

  /// Where its wires leave: a dot at each terminal with one, where that is known.
  private void terminals(Body body, PlateArea area) {
    study.at(body.id()).stream()
        .flatMap(wire -> Stream.of(wire.from(), wire.to()))
        .filter(end -> end.device().equals(body.id()))
        .map(TerminalRef::terminal)
        .distinct()
        .flatMap(terminal -> TerminalPlace.known(body, terminal).stream())
        // On the middle line of a strip they would strike its name through.
        .filter(place -> place.sides().size() == 1)
        .forEach(place ->
            shapes.add(
                Shape.circle(
                    area.toX(place.x()),
                    area.toY(place.y()),
                    1.7,
                    Optional.of(Ink.TEXT),
                    Optional.empty())));
  }

  private String says(Body body, Optional<Severity> severity) {
    return "%s, %s, %.0f mm from the left, %.0f from the top%s%s"
        .formatted(
            body.name(),
            body.part().name(),
            body.box().left(),
            body.box().top(),
            body.later() ? ", comes later" : "",
            severity.map(s -> ", " + s.name().toLowerCase(java.util.Locale.ROOT)).orElse(""));
  }

  /// What it wants free, where it is selected.
  private void wanted(Body body, PlateArea area) {
    shapes.add(
        area.box(body.wanted(), 3, Optional.empty(), Optional.of(new Shape.Pen(Ink.ACCENT, 1, 3))));
  }

  private Ink fill(Body body) {
    if (body.later()) return Ink.PAPER;
    if (selected.filter(body.id()::equals).isPresent() && lens == Lens.PLACE)
      return Ink.ACCENT_SOFT;
    return switch (lens) {
      case PLACE, WIRES, REACH -> Ink.CARD;
      case HEAT -> {
        var watts = watts(body);
        yield watts >= 15
            ? Ink.HEAT_HIGH
            : watts >= 5 ? Ink.HEAT : watts >= 1 ? Ink.HEAT_LOW : Ink.CARD;
      }
      case NOISE -> NoiseInks.of(body, study);
      case STOP -> stopped.map(inks -> inks.fill(body)).orElse(Ink.CARD);
    };
  }

  private void words(Body body, PlateArea area) {
    var wide = body.box().width() * area.scale();
    var high = body.box().height() * area.scale();
    var middle = area.toX(body.box().middleX());
    var name = body.name();
    var size = area.surface() == Surface.PLATE ? 11.5 : 11;
    if (Faces.width(name, Face.MONO_BOLD, size) <= wide - 4 && high >= 14) {
      var second = second(body);
      var two = high >= 32 && second.isPresent();
      var y = area.toY(body.box().middleY()) + (two ? -1 : 4);
      shapes.add(Shape.text(middle, y, name, Face.MONO_BOLD, size, Ink.TEXT, Shape.Anchor.MIDDLE));
      if (two)
        shapes.add(
            Shape.text(
                middle,
                y + 13,
                Faces.fit(second.get(), Face.TEXT, 10.5, wide - 4),
                Face.TEXT,
                10.5,
                Ink.TEXT_SOFT,
                Shape.Anchor.MIDDLE));
      return;
    }
    var letters = name.startsWith("-") ? name.substring(1) : name;
    if (Faces.width(letters, Face.MONO_BOLD, 9.5) <= wide - 1 && high >= 12) {
      plain(letters, middle, area.toY(body.box().middleY()) + 3.5);
      return;
    }
    if (area.surface() != Surface.PLATE) {
      plain(letters, middle, area.toY(body.box().bottom()) + 10);
      return;
    }
    // Narrow: its letters one below the other.
    if (wide < NarrowRuns.LEAST || high < letters.length() * 9 + 2) return;
    var y = area.toY(body.box().middleY()) - letters.length() * 4.5 + 8;
    for (var i = 0; i < letters.length(); i++)
      shapes.add(
          Shape.text(
              middle,
              y + i * 9,
              letters.substring(i, i + 1),
              Face.MONO_BOLD,
              9.5,
              Ink.TEXT,
              Shape.Anchor.MIDDLE));
  }

  private void plain(String letters, double middle, double y) {
    shapes.add(Shape.text(middle, y, letters, Face.MONO_BOLD, 9.5, Ink.TEXT, Shape.Anchor.MIDDLE));
  }

  private Optional<String> second(Body body) {
    return switch (lens) {
      case PLACE -> body.device().map(Device::purpose).filter(text -> !text.isBlank());
      case HEAT ->
          Optional.of(
              nelvar.core.units.Significant.digits(Math.round(watts(body) * 10) / 10.0) + " W");
      case NOISE -> NoiseInks.words(body, study);
      case STOP -> stopped.flatMap(inks -> inks.words(body));
      case WIRES ->
          Optional.of(
              study.at(body.id()).size() + (study.at(body.id()).size() == 1 ? " wire" : " wires"));
      case REACH -> body.fitting().reach().stream().findFirst().map(reach -> reach.what());
    };
  }

  private double side(Surface surface, double x, double y, double scale) {
    var area = new PlateArea(cabinet, surface, x, y + 16, scale, inside && surface == Surface.DOOR);
    areas.add(area);
    shapes.add(Shape.text(x, y + 10, words(surface), Face.SEMIBOLD, SMALL, Ink.TEXT_SOFT));
    if (surface != Surface.OUTSIDE)
      shapes.add(
          Shape.rounded(
              x,
              area.y(),
              area.width(),
              area.height(),
              3,
              Optional.of(Ink.CARD),
              Optional.of(Shape.Pen.of(Ink.TEXT_FAINT, 1.2))));
    if (surface == Surface.DOOR) hinge(area);
    Background.draw(cabinet, area, 1, shapes);
    ducts(area);
    kept(area);
    for (var body : on(surface)) body(body, area);
    return area.y()
        + (surface == Surface.OUTSIDE
            ? on(surface).stream().mapToDouble(b -> b.box().bottom()).max().orElse(0) * scale
            : area.height());
  }

  private String words(Surface surface) {
    if (surface != Surface.DOOR) return surface.words();
    var mass =
        on(Surface.DOOR).stream()
            .flatMap(b -> b.part().article().mass().stream())
            .mapToDouble(m -> m.value())
            .sum();
    return "door%s, %.1f kg".formatted(inside ? " from inside" : "", mass);
  }

  /// The side of the door on the picture.
  private Shell.Side seen(Shell.Side side) {
    if (!inside) return side;
    return switch (side) {
      case LEFT -> Shell.Side.RIGHT;
      case RIGHT -> Shell.Side.LEFT;
      case TOP, BOTTOM -> side;
    };
  }

  /// The cabinet from above, where there is room for it.
  private double above(double x, double y, double bottom, double width) {
    var shell = cabinet.shell();
    var scale = Math.min(width / Box.mm(shell.width()), (bottom - y - 18) / FromAbove.mm(shell));
    if (scale * Box.mm(shell.depth()) < LEAST_DEPTH) return y;
    shapes.add(Shape.text(x, y + 10, "from above", Face.SEMIBOLD, SMALL, Ink.TEXT_SOFT));
    shapes.addAll(new FromAbove(cabinet, study, selected, x, y + 16, scale).draw());
    return y + 16 + scale * FromAbove.mm(shell);
  }

  private void hinge(PlateArea area) {
    var pen = Shape.Pen.of(Ink.TEXT_SOFT, 3);
    switch (seen(cabinet.shell().hinge().orElse(Shell.Side.LEFT))) {
      case LEFT -> {
        shapes.add(Shape.line(area.x(), area.y() + 12, area.x(), area.y() + 30, pen));
        shapes.add(
            Shape.line(
                area.x(),
                area.y() + area.height() - 30,
                area.x(),
                area.y() + area.height() - 12,
                pen));
      }
      case RIGHT -> {
        var x = area.x() + area.width();
        shapes.add(Shape.line(x, area.y() + 12, x, area.y() + 30, pen));
        shapes.add(
            Shape.line(x, area.y() + area.height() - 30, x, area.y() + area.height() - 12, pen));
      }
      case TOP, BOTTOM -> {
        shapes.add(Shape.line(area.x() + 12, area.y(), area.x() + 30, area.y(), pen));
        shapes.add(
            Shape.line(
                area.x() + area.width() - 30,
                area.y(),
                area.x() + area.width() - 12,
                area.y(),
                pen));
      }
    }
  }

  private double shelf(List<Device> waiting, double top, double width) {
    shapes.add(Shape.line(MARGIN, top, width - MARGIN, top, Shape.Pen.of(Ink.LINE, 1)));
    shapes.add(
        Shape.text(
            MARGIN,
            top + 16,
            "Placed nowhere yet: drag one onto the plate or the door, or press Arrange",
            Face.SEMIBOLD,
            12,
            Ink.TEXT));
    var x = MARGIN;
    var y = top + 24;
    for (var device : waiting) {
      var name = device.designation().text();
      var wide = Faces.width(name, Face.MONO_BOLD, 11.5) + 14;
      if (x + wide > width - MARGIN) {
        x = MARGIN;
        y += 28;
      }
      var chosen = selected.filter(device.id()::equals).isPresent();
      var known = Bodies.size(device, study).isPresent();
      shapes.add(
          Shape.rounded(
              x,
              y,
              wide,
              23,
              3,
              Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.CARD),
              Optional.of(new Shape.Pen(chosen ? Ink.ACCENT : Ink.TEXT_FAINT, 1, known ? 0 : 3))));
      shapes.add(Shape.text(x + 7, y + 16, name, Face.MONO_BOLD, 11.5, Ink.TEXT));
      spots.add(
          new Drawing.Spot(
              x,
              y,
              wide,
              23,
              device.id(),
              name + (known ? ", placed nowhere yet" : ", its size is not known")));
      x += wide + 6;
    }
    return y + 28;
  }
}
