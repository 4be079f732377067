package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nelvar.core.analysis.Study;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.units.Length;

/// A rail or a duct of a cabinet as a hand moves it: what is clipped on a rail goes along.
///
/// @param box its outline on its surface
public record Fixture(
    Cabinet cabinet, Id id, Surface surface, Box box, boolean upright, boolean rail) {
  /// Width of a rail's face, mm (EN 60715, TH 35).
  public static final double RAIL = 35;

  /// What is let go comes to rest on so many mm.
  private static final double STEP = 5;

  /// An edge of the plate, and of another duct, draws from so far, mm.
  private static final double EDGE = 12;

  public static Optional<Fixture> of(Cabinet cabinet, Id id) {
    return cabinet
        .rail(id)
        .map(rail -> new Fixture(cabinet, id, rail.surface(), box(rail), rail.vertical(), true))
        .or(() ->
            cabinet
                .duct(id)
                .map(duct ->
                    new Fixture(
                        cabinet, id, duct.surface(), Fits.box(duct), duct.vertical(), false)));
  }

  private static Box box(Cabinet.Rail rail) {
    var left = Box.mm(rail.left());
    var top = Box.mm(rail.top());
    var length = Box.mm(rail.length());
    return rail.vertical()
        ? new Box(left - RAIL / 2, top, RAIL, length)
        : new Box(left, top - RAIL / 2, length, RAIL);
  }

  /// `rail R1`, `duct D2`.
  public String name() {
    return (rail ? "rail " : "duct ") + id;
  }

  /// What is clipped on it.
  public List<Body> carries(Study study) {
    if (!rail) return List.of();
    return Bodies.of(study).in(cabinet).stream()
        .filter(body -> body.onRail() && body.surface() == surface)
        .filter(
            body -> RoomLeft.railUnder(body, cabinet).filter(r -> r.id().equals(id)).isPresent())
        .toList();
  }

  /// Where it comes to rest when it is let go there: within its surface, on whole steps, at an edge
  /// or beside another duct that is near.
  public Fixture rest(double left, double top) {
    var room = Fits.surface(cabinet, surface);
    var lefts = new java.util.ArrayList<>(List.of(0.0, room.width() - box.width()));
    var tops = new java.util.ArrayList<>(List.of(0.0, room.height() - box.height()));
    for (var duct : cabinet.ducts()) {
      if (duct.id().equals(id) || duct.surface() != surface) continue;
      var other = Fits.box(duct);
      lefts.add(other.right());
      lefts.add(other.left() - box.width());
      tops.add(other.top());
      tops.add(other.bottom());
      tops.add(other.top() - box.height());
      tops.add(other.bottom() - box.height());
    }
    return at(
        held(drawn(left, lefts), room.width() - box.width()),
        held(drawn(top, tops), room.height() - box.height()));
  }

  private static double held(double from, double most) {
    return Math.max(0, Math.min(from, Math.max(0, most)));
  }

  private static double drawn(double from, List<Double> to) {
    return to.stream()
        .filter(there -> Math.abs(there - from) < EDGE)
        .min(java.util.Comparator.comparingDouble(there -> Math.abs(there - from)))
        .orElse(Math.round(from / STEP) * STEP);
  }

  private Fixture at(double left, double top) {
    return new Fixture(cabinet, id, surface, box.movedTo(left, top), upright, rail);
  }

  /// The same elsewhere, at least at the edge of its surface.
  public Fixture movedBy(double across, double down) {
    return at(Math.max(0, box.left() + across), Math.max(0, box.top() + down));
  }

  /// As it lies here, with what is clipped on it; one step of the history.
  public Edit moved(Study study) {
    var before = of(cabinet, id).orElseThrow().box();
    var across = box.left() - before.left();
    var down = box.top() - before.top();
    var along =
        carries(study).stream()
            .map(body ->
                body.movedTo(
                        Math.max(0, body.box().left() + across),
                        Math.max(0, body.box().top() + down))
                    .at())
            .toList();
    var edit =
        changed(
            r ->
                r.movedTo(
                    Box.length(upright ? box.middleX() : box.left()),
                    Box.length(upright ? box.top() : box.middleY())),
            d -> d.movedTo(Box.length(box.left()), Box.length(box.top())));
    var named = edit.named("Move " + name());
    return along.isEmpty()
        ? named
        : named.then(LayoutEdits.place("", along)).named("Move " + name());
  }

  /// So long, from where it begins.
  public Edit sized(Length length) {
    return changed(r -> r.cutTo(length), d -> d.cutTo(length))
        .named("Cut %s to %.0f mm".formatted(name(), Box.mm(length)));
  }

  /// A duct of another section.
  public Edit section(Length width, Length depth) {
    return changed(r -> r, d -> d.section(width, depth))
        .named("%s is %.0f × %.0f mm".formatted(name(), Box.mm(width), Box.mm(depth)));
  }

  /// What of the wiring lies in a duct.
  public Edit holding(Optional<Id> bundle) {
    return changed(r -> r, d -> d.holding(bundle))
        .named(
            bundle
                .map(b -> "Wiring " + b + " lies in " + name())
                .orElse("Nothing is said of " + name()));
  }

  public Edit removed() {
    return LayoutEdits.change(
        "Remove " + name(),
        cabinet
            .withRails(cabinet.rails().stream().filter(r -> !r.id().equals(id)).toList())
            .withDucts(cabinet.ducts().stream().filter(d -> !d.id().equals(id)).toList()));
  }

  private Edit changed(UnaryOperator<Cabinet.Rail> rails, UnaryOperator<Cabinet.Duct> ducts) {
    return LayoutEdits.change(
        "Change " + name(),
        cabinet
            .withRails(
                cabinet.rails().stream().map(r -> r.id().equals(id) ? rails.apply(r) : r).toList())
            .withDucts(
                cabinet.ducts().stream()
                    .map(d -> d.id().equals(id) ? ducts.apply(d) : d)
                    .toList()));
  }
}
