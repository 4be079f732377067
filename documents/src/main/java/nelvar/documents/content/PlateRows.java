package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.Holes;
import nelvar.core.analysis.space.OpenDoor;
import nelvar.core.analysis.space.Placed;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;

/// What is mounted where, what is cut and what is drilled for it.
final class PlateRows {
  private PlateRows() {}

  /// Every place, in mm from the left and the top edge of its surface, with heat and air.
  static ListTable places(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    Placed.all(study)
        .forEach(placed -> {
          var body = placed.body();
          var air = CabinetAir.of(placed.cabinet(), study);
          rows.add(
              row(
                  body.name(),
                  body.part().name(),
                  placed.cabinet().name() + ", " + body.surface().words(),
                  mm(body.box().left()),
                  mm(body.box().top()),
                  "%.0f × %.0f%s"
                      .formatted(
                          body.box().width(),
                          body.box().height(),
                          body.depth().map(" × %.0f"::formatted).orElse("")),
                  body.assumed() ? "assumed" : "stated or measured",
                  air.heat(body.id()).map(h -> one(h.whole().value().watts())).orElse("0"),
                  body.surface().inside()
                      ? one(PartAir.of(body, air, study).expected().celsius())
                      : "room"));
        });
    for (var device : Bodies.of(study).waiting())
      if (!study.project().layout().cabinets().isEmpty())
        rows.add(
            row(
                device.designation().text(),
                study.part(device).map(part -> part.name()).orElse(device.part()),
                "placed nowhere yet",
                "",
                "",
                "",
                "",
                "",
                ""));
    return new ListTable(
        "places",
        "Places in the cabinet",
        List.of(
            text("Device", 0.7),
            text("Part", 2.2),
            text("At", 1.2),
            number("Left mm", 0.6),
            number("Top mm", 0.6),
            text("Size mm", 1),
            text("Size is", 0.9),
            number("Heat W", 0.6),
            number("Air °C", 0.6)),
        rows);
  }

  /// What is adjusted, plugged and looked at with the door open, and what is live beside it.
  static ListTable reached(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var cabinet : study.project().layout().cabinets())
      for (var reached : OpenDoor.of(cabinet, study))
        rows.add(
            row(
                reached.body().name(),
                reached.what().what(),
                cabinet.name() + ", " + reached.body().surface().words(),
                reached.itself() ? "live" : "extra-low volts or none",
                String.join(", ", reached.beside().stream().map(Body::name).toList()),
                reached.only()));
    return new ListTable(
        "reached",
        "Reached with the door open",
        List.of(
            text("Device", 0.7),
            text("What is reached", 1.2),
            text("At", 1.2),
            text("It is", 1.1),
            text("Live within 100 mm", 2),
            text("Only", 1.6)),
        rows);
  }

  /// Rails and ducts to cut, longest first within each kind.
  static ListTable cuts(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var cabinet : study.project().layout().cabinets()) {
      for (var rail : cabinet.rails())
        rows.add(
            row(
                rail.id().text(),
                "rail 35 mm",
                mm(Box.mm(rail.length())),
                cabinet.name() + ", " + rail.surface().words(),
                mm(Box.mm(rail.left())),
                mm(Box.mm(rail.top())),
                rail.vertical() ? "upright, middle line" : "level, middle line"));
      for (var duct : cabinet.ducts())
        rows.add(
            row(
                duct.id().text(),
                "duct %.0f × %.0f mm with lid"
                    .formatted(Box.mm(duct.width()), Box.mm(duct.depth())),
                mm(Box.mm(duct.length())),
                cabinet.name() + ", " + duct.surface().words(),
                mm(Box.mm(duct.left())),
                mm(Box.mm(duct.top())),
                duct.vertical() ? "upright, left edge" : "level, upper edge"));
    }
    return new ListTable(
        "rail-and-duct-cuts",
        "Rails and ducts to cut",
        List.of(
            text("No.", 0.6),
            text("What", 1.8),
            number("Length mm", 0.8),
            text("At", 1.4),
            number("Left mm", 0.7),
            number("Top mm", 0.7),
            text("Runs, place is of", 1.3)),
        rows);
  }

  /// Cut-outs in doors and walls, holes for rails, and which parts are marked from themselves.
  static ListTable holes(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var cabinet : study.project().layout().cabinets())
      for (var surface : Surface.values())
        for (var hole : Holes.of(cabinet, surface, study)) rows.add(hole(hole, cabinet, surface));
    return new ListTable(
        "drilling",
        "Holes and cut-outs",
        List.of(
            text("Device", 0.7),
            text("What", 1.8),
            text("At", 1.4),
            number("Middle from left mm", 0.9),
            number("Middle from top mm", 0.9),
            text("Size mm", 1),
            text("Size is", 1)),
        rows);
  }

  private static List<ListTable.Cell> hole(Holes.Hole hole, Cabinet cabinet, Surface surface) {
    return row(
        hole.name(),
        switch (hole.kind()) {
          case RAIL -> "hole of the rail, M5";
          case ROUND -> "round hole, if it is of the 22 mm size";
          case FRONT -> "cut-out within its front, by the part's own sheet";
          case BODY -> "cut-out for its heat sink, by the part's own sheet";
          case MARKED -> "fixing holes, marked from the part";
        },
        cabinet.name() + ", " + surface.words(),
        mm(hole.x()),
        mm(hole.y()),
        switch (hole.kind()) {
          case RAIL, ROUND -> "Ø " + mm(hole.width());
          case FRONT, BODY -> "front %.0f × %.0f".formatted(hole.width(), hole.height());
          case MARKED -> "";
        },
        switch (hole.kind()) {
          case RAIL -> "common practice";
          case ROUND -> "to be checked on the part";
          case FRONT, BODY, MARKED ->
              hole.assumed() ? "assumed: measure it first" : "stated or measured";
        });
  }

  private static String mm(double value) {
    return nelvar.core.units.Significant.exact(Math.round(value * 10) / 10.0);
  }

  private static String one(double value) {
    return "%.1f".formatted(value);
  }
}
