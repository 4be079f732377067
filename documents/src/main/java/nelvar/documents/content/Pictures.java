package nelvar.documents.content;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.analysis.runs.StripPlan;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Surface;
import nelvar.core.review.Review;
import nelvar.documents.drawing.CircuitPicture;
import nelvar.documents.drawing.ConnectorFace;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.PlateDrawing;
import nelvar.documents.drawing.RunsPicture;
import nelvar.documents.drawing.Scaled;
import nelvar.documents.drawing.StopMatrixPicture;
import nelvar.documents.drawing.StripPicture;
import nelvar.documents.drawing.TimeCurrentChart;

/// The chapters that are drawings: circuits, charts, plugs, rows of terminals, plates, ways, stops.
final class Pictures {
  private Pictures() {}

  /// The heading under which a device is drawn in its place; empty where it has none.
  static String placed(Device device, Study study) {
    return study
        .project()
        .layout()
        .placement(device.id())
        .flatMap(placement ->
            study
                .project()
                .layout()
                .cabinet(placement.cabinet())
                .map(cabinet -> layout(cabinet, placement.surface())))
        .orElse("");
  }

  private static String layout(Cabinet cabinet, Surface surface) {
    return "Layout: %s, %s".formatted(cabinet.name(), surface.words());
  }

  /// The circuit sheets, each a page.
  static void circuits(Review review, SheetFormat format, List<Block> blocks) {
    var sheets = CircuitSheets.of(review.study(), format);
    for (var sheet : sheets.sheets())
      blocks.add(
          new Block.FullPage(
              "Circuits",
              CircuitPicture.name(sheet),
              CircuitPicture.of(review.study(), sheets, sheet)));
  }

  /// Where shields end, and how the rings on the circuit sheets are read.
  static List<Block> shields(Study study) {
    var list = Lists.shields(study);
    if (list.cells().isEmpty()) return List.of();
    return List.of(
        new Block.Heading(list.title(), 2),
        new Block.Paragraph(
            "On the circuit sheets a ring round the cores: full where the shield is clamped, in long dashes for a pigtail, in short ones through a capacitor, dotted where it is open. What nobody said is not drawn."),
        new Block.Rows(list));
  }

  /// One chart for each breaker or fuse fed from the mains, two a page.
  static void charts(Review review, List<Block> blocks) {
    var chains =
        ProtectionChain.all(review.study()).stream().filter(ProtectionChain::alternating).toList();
    if (chains.isEmpty()) return;
    blocks.add(new Block.Heading("Time and current", 1));
    blocks.add(
        new Block.Paragraph(
            "Each device opens between the edges of its band; dashed is where the wire is damaged, dotted what flows. Curves join the gates of the standards, from memory, and a breaker's instantaneous trip is drawn within one period (assumed; the standard promises 0.1 s). A device's own curve beats them."));
    blocks.add(
        new Block.Gallery(
            chains.stream()
                .map(chain -> new Block.Titled("", TimeCurrentChart.of(chain, 86, 72, 2.2)))
                .toList(),
            2));
  }

  /// Plugs with wires on them, as one sees them from the side they are mounted on, and from behind
  /// where they are mounted.
  static void connectors(Review review, List<Block> blocks) {
    var wired =
        ConnectorRows.of(review.study()).stream()
            .filter(face -> face.stream().anyMatch(place -> place.wire().isPresent()))
            .toList();
    if (wired.isEmpty()) return;
    blocks.add(new Block.Heading("Connector faces", 1));
    blocks.add(
        new Block.Paragraph(
            "Seen from the side they are plugged at, and beside that from behind, where the wires go in; place 1 has a filled corner. How the places lie is row by row; the numbers moulded into the connector count. Below each mark the wire. What lands where stands in the list of connectors."));
    var narrow = new ArrayList<Block.Titled>();
    for (var face : wired) {
      var under = ConnectorRows.under(face);
      var board = face.getFirst().board();
      var shape = face.getFirst().face();
      var name = board.designation() + " " + shape.name();
      var seen = new ArrayList<Block.Titled>();
      seen.add(new Block.Titled(name, small(ConnectorFace.of(shape, under, Optional.empty()))));
      if (review.study().part(board).flatMap(part -> part.socket()).isPresent())
        seen.add(
            new Block.Titled(
                name + ", from behind",
                small(ConnectorFace.wiringSide(shape, under, Optional.empty()))));
      for (var one : seen) {
        if (one.drawing().width() < NARROW) narrow.add(one);
        else {
          blocks.add(new Block.Heading(one.title(), 3));
          blocks.add(new Block.Picture(one.drawing()));
        }
      }
    }
    blocks.add(new Block.Gallery(narrow, 2));
  }

  /// Half the width of a page, mm.
  private static final double NARROW = 88;

  /// Rows of terminals on which something lands.
  static void strips(Review review, List<Block> blocks) {
    var strips =
        StripPlan.all(review.study()).stream()
            .filter(strip -> strip.free().size() < strip.row().ways())
            .toList();
    if (strips.isEmpty()) return;
    blocks.add(new Block.Heading("Rows of terminals", 1));
    blocks.add(
        new Block.Paragraph(
            "Turned a quarter: wires of the cabinet at the left, cables and what leaves at the right. A thick line across is a divider, a bar in the slots joins ways, a soft bar behind all numbers says that all are one."));
    var pages = new ArrayList<Block.Titled>();
    for (var strip : strips)
      for (var page : StripPicture.pages(strip, review.study(), 86 / STRIP, 34))
        pages.add(new Block.Titled("", scaled(page, STRIP)));
    blocks.add(new Block.Gallery(pages, 2));
  }

  /// Each surface with something on it, to scale and with its measures.
  static void plates(Review review, List<Block> blocks) {
    var study = review.study();
    for (var cabinet : study.project().layout().cabinets()) {
      var bodies = Bodies.of(study).in(cabinet);
      for (var surface : PlateDrawing.surfaces(cabinet, study)) {
        var here = bodies.stream().filter(body -> body.surface() == surface).count();
        var door = surface == Surface.DOOR;
        if (here > FEW) blocks.add(new Block.NewPage());
        blocks.add(new Block.Heading(layout(cabinet, surface), 1));
        blocks.add(
            new Block.Paragraph(
                weighs(cabinet, surface, bodies)
                    + (door
                        ? " Then from inside, as whoever wires it sees it, hung open: measures from the edge that is left then."
                        : "")));
        var width = here > FEW ? 176 : 86;
        var height = here > FEW ? 225 : 88;
        var pictures = new ArrayList<Block.Titled>();
        pictures.add(new Block.Titled("", PlateDrawing.of(cabinet, surface, study, width, height)));
        if (door)
          pictures.add(
              new Block.Titled(
                  "from inside", PlateDrawing.fromInside(cabinet, study, width, height)));
        blocks.add(new Block.Gallery(pictures, here > FEW ? 1 : 2));
      }
    }
  }

  /// With no more on it than that, a surface takes half the width of a page.
  private static final int FEW = 12;

  /// Where wires run in each cabinet.
  static void ways(Review review, List<Block> blocks) {
    for (var cabinet : review.project().layout().cabinets()) {
      if (cabinet.ducts().isEmpty()) continue;
      blocks.add(new Block.Heading("Ways: %s".formatted(cabinet.name()), 1));
      blocks.add(
          new Block.Paragraph(
              "Ducts as full along their length as they are, glands, and what lies outside. The list of wires says through which each one goes and how long it is cut."));
      blocks.add(
          new Block.Picture(
              small(
                  RunsPicture.of(
                      review.study(), Optional.of(cabinet), Optional.empty(), 176 / SMALL, 700))));
    }
  }

  /// What each stop takes; nothing where no stop is.
  static void stops(Review review, List<Block> blocks) {
    var matrix = StopMatrix.of(review.study());
    if (matrix.columns().isEmpty()) return;
    blocks.add(new Block.Heading("What each stop takes", 1));
    blocks.add(
        new Block.Paragraph(
            "Rehearsed from the running machine, programs going on, at the slowest: until it stands, is held or is off. Filled stays on, dashed is taken, red falls. The list below has the times apart. Nelvar computes and certifies nothing: try every stop on the machine."));
    for (var page : StopMatrixPicture.pages(matrix, review.study(), 176 / SMALL, 21))
      blocks.add(new Block.Picture(small(page)));
    blocks.addAll(Block.list(StopRows.of(review.study())));
  }

  private static String weighs(Cabinet cabinet, Surface surface, List<Body> bodies) {
    var here = bodies.stream().filter(b -> b.surface() == surface).toList();
    var unknown = here.stream().filter(b -> b.part().article().mass().isEmpty()).count();
    var sum =
        here.stream()
            .flatMap(b -> b.part().article().mass().stream())
            .mapToDouble(m -> m.value())
            .sum();
    return "In mm from the left and the upper edge, as one stands before it. What is mounted here weighs %.1f kg%s. Sizes marked assumed in the list of places are measured before anything is drilled. Cables leave at the %s."
        .formatted(
            sum,
            unknown == 0 ? "" : " and %d parts whose mass is not known".formatted(unknown),
            cabinet.shell().cables().words());
  }

  /// From pixels to millimetres of paper: a place 13 mm wide.
  private static Drawing small(Drawing drawing) {
    return scaled(drawing, SMALL);
  }

  private static Drawing scaled(Drawing drawing, double by) {
    return new Drawing(
        drawing.width() * by,
        drawing.height() * by,
        drawing.shapes().stream().map(shape -> Scaled.at(shape, 0, 0, by)).toList(),
        List.of());
  }

  /// Rows of terminals stand two abreast.
  private static final double STRIP = 0.185;

  private static final double SMALL = 0.28;
}
