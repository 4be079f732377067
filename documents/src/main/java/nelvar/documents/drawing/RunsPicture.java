package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Entries;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.runs.Routes;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.TerminalPlace;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.Glands;

/// Where wires run: the plate to scale with its ducts as full as they are along their length, the
/// glands at the side cables leave at, beside it the door and trays, conduits and carriers with
/// what they lead to, and the way of what is selected lit from end to end. Units are pixels.
public final class RunsPicture {
  private static final double MARGIN = 16;
  private static final double SMALL = 11;

  /// For what lies outside, at least.
  private static final double ASIDE = 166;

  /// For glands and the name of one.
  private static final double BELOW = 30;

  private final Study study;
  private final boolean noise;
  private final Optional<Id> selected;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private final List<Conductor> lit;

  /// Names of what the lit way ends at, where each finds room, px.
  private final Map<Id, Box> names = new LinkedHashMap<>();

  /// Over the lit ways.
  private final List<Shape> late = new ArrayList<>();

  private RunsPicture(Study study, boolean noise, Optional<Id> selected) {
    this.study = study;
    this.noise = noise;
    this.selected = selected;
    this.lit = lit();
  }

  /// @param cabinet which is seen; none where nothing is laid out
  public static Drawing of(
      Study study, Optional<Cabinet> cabinet, Optional<Id> selected, double width, double height) {
    return new RunsPicture(study, false, selected).draw(cabinet, width, height);
  }

  /// With the worst margin of what lies in each duct and tray, and not how full they are.
  public static Drawing noise(
      Study study, Optional<Cabinet> cabinet, Optional<Id> selected, double width, double height) {
    return new RunsPicture(study, true, selected).draw(cabinet, width, height);
  }

  /// The wire that is selected, all cores of the cable, or all wires of the device that is.
  private List<Conductor> lit() {
    if (selected.isEmpty()) return List.of();
    var id = selected.get();
    var wire = study.conductor(id);
    if (wire.isPresent()) return List.of(wire.get());
    var cores = study.cores(id);
    return cores.isEmpty() ? study.at(id) : cores;
  }

  private Drawing draw(Optional<Cabinet> cabinet, double width, double height) {
    var outside = study.project().bundles().stream().filter(bundle -> !bundle.inside()).toList();
    if (cabinet.isEmpty()) {
      shapes.add(
          Shape.text(
              MARGIN,
              MARGIN + 12,
              "No cabinet is laid out: the Panel makes a first layout, and ways follow.",
              Face.TEXT,
              13,
              Ink.TEXT_SOFT));
      var end = aside(outside, MARGIN, MARGIN + 44, width - 2 * MARGIN);
      return new Drawing(width, Math.max(height, end + 6), shapes, spots);
    }
    var alone = study.project().devices().stream().allMatch(d -> d.place() == Place.PANEL);
    var right = cabinet(cabinet.get(), width - (alone ? 0 : ASIDE), height);
    var end = alone ? 0 : aside(outside, right + MARGIN, MARGIN + 10, width - right - 2 * MARGIN);
    return new Drawing(width, Math.max(height, end + 6), shapes, spots);
  }

  /// The door, then what lies outside with what it leads to.
  private double aside(List<Bundle> outside, double x, double top, double width) {
    var through = new HashSet<Id>();
    selected.ifPresent(through::add);
    for (var wire : lit) for (var bundle : study.bundles(wire)) through.add(bundle.id());
    var ends = new FarEnds(study, lit, shapes, spots);
    var y = group("on the door", ends.onDoor(), ends, x, top, width);
    y = new TrayBars(study, noise, through, ends, shapes, spots).draw(outside, x, y, width);
    return group("on the machine", ends.beside(outside), ends, x, y + 10, width);
  }

  private double group(
      String title, List<Device> devices, FarEnds ends, double x, double top, double width) {
    if (devices.isEmpty()) return top;
    shapes.add(Shape.text(x, top, title, Face.TEXT, 12, Ink.TEXT_SOFT));
    return ends.draw(devices, x, top + 6, width) + 18;
  }

  /// Its right edge on the picture.
  private double cabinet(Cabinet cabinet, double width, double height) {
    var shell = cabinet.shell();
    var scale =
        Math.min(
            (width - 2 * MARGIN) / Box.mm(shell.width()),
            (height - MARGIN - BELOW) / Box.mm(shell.height()));
    var wide = Box.mm(shell.width()) * scale;
    var area = PlateArea.housed(cabinet, MARGIN, MARGIN, scale, shapes);
    for (var body : Bodies.of(study).in(cabinet))
      if (body.surface() == Surface.PLATE && ends(body)) plate(body, area);
    for (var duct : cabinet.ducts()) if (duct.surface() == Surface.PLATE) duct(duct, area);
    for (var body : Bodies.of(study).in(cabinet))
      if (body.surface() == Surface.PLATE && !body.later()) body(body, area);
    glands(cabinet, area);
    for (var wire : lit) way(wire, cabinet, area);
    shapes.addAll(late);
    for (var body : Bodies.of(study).in(cabinet))
      if (body.surface() == Surface.PLATE && ends(body)) name(body);
    return MARGIN + wide;
  }

  /// As full along its length as it is there, from its floor; over what it may be in the colour of
  /// warnings.
  private void duct(Cabinet.Duct duct, PlateArea area) {
    var box = Fits.box(duct);
    shapes.add(area.box(box, 1, Optional.of(Ink.DUCT), Optional.of(Shape.Pen.of(Ink.LINE, 0.8))));
    Lying.of(study).all().stream()
        .filter(bundle -> bundle.id().equals(duct.id()))
        .findFirst()
        .ifPresent(bundle ->
            new DuctBand(study, noise, names.values(), shapes, late).draw(bundle, duct, box, area));
    spots.add(
        new Drawing.Spot(
            area.leftEdge(box),
            area.toY(box.top()),
            box.width() * area.scale(),
            box.height() * area.scale(),
            duct.id(),
            "duct " + duct.id()));
  }

  private boolean ends(Body body) {
    return lit.stream()
        .anyMatch(w -> w.from().device().equals(body.id()) || w.to().device().equals(body.id()));
  }

  /// Of what the lit way ends at, over everything.
  private void name(Body body) {
    var at = names.get(body.id());
    if (at == null) return;
    shapes.add(
        Shape.rounded(
            at.left(),
            at.top(),
            at.width(),
            at.height(),
            2,
            Optional.of(Ink.CARD),
            Optional.empty()));
    shapes.add(
        Shape.text(
            at.middleX(),
            at.bottom() - 3,
            body.name(),
            Face.MONO,
            SMALL,
            Ink.ACCENT,
            Shape.Anchor.MIDDLE));
  }

  /// Above it, else below, where it covers no other name; else it goes without.
  private void plate(Body body, PlateArea area) {
    var wide = Faces.width(body.name(), Face.MONO, SMALL) + 4;
    var left = area.toX(body.box().middleX()) - wide / 2;
    for (double top : List.of(area.toY(body.box().top()) - 14, area.toY(body.box().bottom()) + 1)) {
      var box = new Box(left, top, wide, 13);
      if (names.values().stream()
          .anyMatch(other -> DuctBand.covers(other, left, box.bottom() - 3, wide))) continue;
      names.put(body.id(), box);
      return;
    }
  }

  private void body(Body body, PlateArea area) {
    var ends = ends(body);
    shapes.add(
        area.box(
            body.box(),
            2,
            Optional.of(Ink.CARD),
            Optional.of(Shape.Pen.of(ends ? Ink.ACCENT : Ink.LINE, ends ? 1.6 : 0.9))));
    var room = body.box().width() * area.scale() - 2;
    var name = body.name();
    if (!ends && Faces.width(name, Face.MONO, SMALL) <= room)
      shapes.add(
          Shape.text(
              area.toX(body.box().middleX()),
              area.toY(body.box().middleY()) + 4,
              name,
              Face.MONO,
              SMALL,
              Ink.TEXT_SOFT,
              Shape.Anchor.MIDDLE));
    spots.add(
        new Drawing.Spot(
            area.leftEdge(body.box()),
            area.toY(body.box().top()),
            body.box().width() * area.scale(),
            body.box().height() * area.scale(),
            body.id(),
            name));
  }

  /// As large as their holes, in rows outward.
  private void glands(Cabinet cabinet, PlateArea area) {
    var side = cabinet.shell().cables();
    var entries = Entries.of(cabinet, study).all();
    var chosenOnes = entries.stream().filter(this::chosen).toList();
    for (var entry : entries) {
      var at = gland(cabinet, area, side, entry);
      var r =
          entry
                  .gland()
                  .filter(g -> g != Cable.Gland.FRAME)
                  .map(g -> Glands.hole(g.thread()).orElseThrow().value().metres() * 500)
                  .orElseGet(() -> entry.diameter().orElse(8.0) / 2)
              * area.scale();
      var chosen = chosen(entry);
      shapes.add(
          Shape.circle(
              at[0],
              at[1],
              Math.max(2.5, r),
              Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.CARD),
              Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : Ink.TEXT_SOFT, chosen ? 2 : 1))));
      // Names of several glands side by side would cover each other: the middle one counts them.
      if (chosen && chosenOnes.indexOf(entry) == chosenOnes.size() / 2)
        shapes.add(
            Shape.text(
                at[0],
                at[1] + (side == Shell.Side.TOP ? -10 : 18),
                chosenOnes.size() > 1
                    ? chosenOnes.size() + " cables"
                    : entry.cable().label()
                        + entry.gland().map(g -> ", " + g.words()).orElse(", no gland"),
                Face.TEXT,
                SMALL,
                Ink.ACCENT,
                Shape.Anchor.MIDDLE));
      spots.add(
          new Drawing.Spot(
              at[0] - 6,
              at[1] - 6,
              12,
              12,
              entry.cable().id(),
              "%s enters through %s"
                  .formatted(
                      entry.cable().label(),
                      entry.gland().map(Cable.Gland::words).orElse("no gland"))));
    }
  }

  private boolean chosen(Entries.Entry entry) {
    return selected.filter(entry.cable().id()::equals).isPresent()
        || lit.stream().anyMatch(w -> w.cable().filter(entry.cable().id()::equals).isPresent());
  }

  private static double[] gland(
      Cabinet cabinet, PlateArea area, Shell.Side side, Entries.Entry entry) {
    var width = Fits.surface(cabinet, Surface.PLATE).width();
    var height = Fits.surface(cabinet, Surface.PLATE).height();
    var out = Box.mm(Shell.AROUND_PLATE) / 2 + entry.row() * 16;
    return switch (side) {
      case BOTTOM -> new double[] {area.toX(width / 2 + entry.aside()), area.toY(height + out)};
      case TOP -> new double[] {area.toX(width / 2 + entry.aside()), area.toY(-out)};
      case LEFT -> new double[] {area.toX(-out), area.toY(height / 2 + entry.aside())};
      case RIGHT -> new double[] {area.toX(width + out), area.toY(height / 2 + entry.aside())};
    };
  }

  private void way(Conductor wire, Cabinet cabinet, PlateArea area) {
    for (var part : Routes.of(study).within(wire)) {
      if (!part.cabinet().equals(cabinet.id())) continue;
      var corners = new ArrayList<DuctWays.Corner>();
      terminal(wire.from(), cabinet).ifPresent(corners::add);
      corners.addAll(part.way().corners());
      terminal(wire.to(), cabinet).ifPresent(corners::add);
      line(corners, area);
      for (var end : List.of(wire.from(), wire.to()))
        terminal(end, cabinet)
            .ifPresent(at ->
                shapes.add(
                    Shape.circle(
                        area.toX(at.x()),
                        area.toY(at.y()),
                        3.4,
                        Optional.of(Ink.ACCENT),
                        Optional.empty())));
      wire.cable()
          .flatMap(Entries.of(cabinet, study)::of)
          .ifPresent(entry -> {
            var gland = gland(cabinet, area, cabinet.shell().cables(), entry);
            var last =
                terminal(wire.from(), cabinet).isPresent()
                    ? part.way().corners().getLast()
                    : part.way().corners().getFirst();
            shapes.add(
                Shape.line(area.toX(last.x()), area.toY(last.y()), gland[0], gland[1], pen()));
          });
    }
  }

  private Shape.Pen pen() {
    return Shape.Pen.of(Ink.ACCENT, lit.size() > 8 ? 1.2 : 2.4);
  }

  private void line(List<DuctWays.Corner> corners, PlateArea area) {
    for (var i = 0; i + 1 < corners.size(); i++) {
      var a = corners.get(i);
      var b = corners.get(i + 1);
      if (Math.hypot(a.x() - b.x(), a.y() - b.y()) < 0.5) continue;
      shapes.add(
          Shape.line(area.toX(a.x()), area.toY(a.y()), area.toX(b.x()), area.toY(b.y()), pen()));
    }
  }

  private Optional<DuctWays.Corner> terminal(TerminalRef end, Cabinet cabinet) {
    return Bodies.of(study)
        .in(cabinet, end.device())
        .filter(body -> body.surface() == Surface.PLATE)
        .map(body -> {
          var place = TerminalPlace.of(body, end.terminal());
          return new DuctWays.Corner(place.x(), place.y());
        });
  }

  /// How long what is selected is and which way it takes, in one line.
  public static Optional<String> words(Study study, Id selected) {
    var lengths = HowLong.of(study);
    var wire = study.conductor(selected);
    if (wire.isPresent())
      return Optional.of(words(wire.get().label().text(), lengths.answer(wire.get())));
    return study.project().cables().stream()
        .filter(cable -> cable.id().equals(selected))
        .findFirst()
        .map(cable -> words(cable.label().text(), lengths.answer(cable)));
  }

  private static String words(String name, HowLong.Answer answer) {
    return "%s %s, %s%s"
        .formatted(
            name,
            answer.length().map(Object::toString).orElse("of unknown length"),
            answer.basis().words(),
            answer.why().equals(answer.basis().words()) ? "" : ": " + answer.why());
  }
}
