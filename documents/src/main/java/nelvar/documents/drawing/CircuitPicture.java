package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet;
import nelvar.core.analysis.circuit.CircuitSheet.Placed;
import nelvar.core.analysis.circuit.CircuitSheet.Point;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.Form;
import nelvar.core.analysis.circuit.Piece;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Standing;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Horizon;
import nelvar.core.network.Live;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// One circuit sheet in millimetres: frame, symbols, wires with their numbers, references. Nothing
/// stands on anything else; what is longer than its room is cut with …, and whole in the lists.
public final class CircuitPicture {
  private static final double STEP = SheetFormat.STEP;
  private static final double SMALL = 2.1;
  private static final double ZONE = 10;

  /// From a wire to what is written along it.
  private static final double OFF = 0.6;

  private static final double LATER = 1.2;

  private final Study study;
  private final CircuitSheets sheets;
  private final CircuitSheet sheet;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private final List<Drawing.Port> ports = new ArrayList<>();

  private final CircuitView view;

  private CircuitPicture(Study study, CircuitSheets sheets, CircuitSheet sheet, CircuitView view) {
    this.view = view;
    this.study = study;
    this.sheets = sheets;
    this.sheet = sheet;
  }

  /// As it is printed.
  public static Drawing of(Study study, CircuitSheets sheets, CircuitSheet sheet) {
    return of(study, sheets, sheet, CircuitView.PAPER);
  }

  static Drawing of(Study study, CircuitSheets sheets, CircuitSheet sheet, CircuitView view) {
    var picture = new CircuitPicture(study, sheets, sheet, view);
    picture.shapes.addAll(SheetFrame.of(study, sheets, sheet, view));
    picture.chosen();
    for (var bar : sheet.bars()) picture.bar(bar);
    for (var line : sheet.lines()) picture.wire(line);
    for (var stub : sheet.stubs()) picture.stub(stub);
    for (var placed : sheet.pieces()) picture.piece(placed);
    picture.shapes.addAll(ShieldRings.of(study, sheet));
    picture.barNames();
    picture.probes();
    var format = sheet.format();
    return new Drawing(
        format.paperWidth(), format.paperHeight(), picture.shapes, picture.spots, picture.ports);
  }

  /// All sheets of a machine.
  public static List<Drawing> all(Study study, SheetFormat format) {
    var sheets = CircuitSheets.of(study, format);
    return sheets.sheets().stream().map(sheet -> of(study, sheets, sheet)).toList();
  }

  /// What a sheet is called: `Circuits, sheet 3`.
  public static String name(CircuitSheet sheet) {
    return name(sheet.number());
  }

  public static String name(int sheet) {
    return "Circuits, sheet " + sheet;
  }

  /// What a sheet is about: the functions on it.
  public static String title(CircuitSheet sheet, Study study) {
    var words =
        sheet.functions().stream()
            .flatMap(id -> study.project().plan().function(id).stream())
            .map(CircuitPicture::words)
            .collect(Collectors.joining(", "));
    return sheet.number() == 1 || words.isEmpty()
        ? words.isEmpty() ? "Supply" : "Supply, " + words
        : words;
  }

  private static String words(MachineFunction function) {
    return function.designation() + " " + function.name();
  }

  static double x(double steps) {
    return SheetFormat.MARGIN + SheetFormat.INSET + steps * STEP;
  }

  static double y(double steps) {
    return SheetFormat.MARGIN + SheetFormat.HEAD + steps * STEP;
  }

  private double dash(Optional<Standing> standing) {
    return standing.filter(s -> s == Standing.LATER).isPresent() ? LATER : 0;
  }

  /// Where something has its volts its line is as its voltage is, thick where current flows; what
  /// has none is thin and dashed.
  private Shape.Pen pen(Conductor wire) {
    if (view.selected().filter(wire.id()::equals).isPresent()) return Shape.Pen.of(Ink.ACCENT, 0.9);
    if (view.live().isPresent()) return pen(wire, view.live().get());
    var ink = wire.function() == Conductor.Function.PROTECTIVE ? Ink.EARTH : Ink.TEXT;
    return new Shape.Pen(ink, 0.3, dash(Horizon.standing(study.project(), wire)));
  }

  private static Shape.Pen pen(Conductor wire, Live live) {
    if (wire.function() == Conductor.Function.PROTECTIVE) return Shape.Pen.of(Ink.EARTH, 0.3);
    if (!live.energised(wire) && !live.joinedToEarth(wire.from()))
      return new Shape.Pen(Ink.TEXT_FAINT, 0.25, LATER);
    var flows = live.current(wire.id()).filter(i -> i.rms() >= FLOWS).isPresent();
    // Live, but nothing joins it to earth: what a drive gives its motor.
    if (!live.joinedToEarth(wire.from())) return Shape.Pen.of(Ink.MOTOR, flows ? 0.6 : 0.3);
    var volts = live.toEarth(wire.from()).map(Live.Both::rms).orElse(0.0);
    var ink =
        volts > 60 ? Ink.MAINS : volts > 30 ? Ink.DC_HIGH : volts >= 1 ? Ink.DC_LOW : Ink.TEXT_SOFT;
    return Shape.Pen.of(ink, flows ? 0.6 : 0.3);
  }

  /// Less counts as nothing flowing, A.
  private static final double FLOWS = 0.0005;

  /// What is selected, on a soft ground.
  private void chosen() {
    for (var placed : sheet.pieces())
      if (view.selected().filter(placed.piece().device().id()::equals).isPresent())
        shapes.add(
            Shape.rounded(
                x(placed.x()) - 1,
                y(placed.y()) - 0.6,
                placed.piece().width() * STEP + 2,
                Piece.HEIGHT * STEP + 1.2,
                1.5,
                Optional.of(Ink.ACCENT_SOFT),
                Optional.empty()));
  }

  /// The probes of the meter, at the terminals they are on.
  private void probes() {
    for (var port : ports) {
      if (view.plus().filter(port.terminal()::equals).isPresent()) probe(port, "+", Ink.ERROR);
      if (view.minus().filter(port.terminal()::equals).isPresent()) probe(port, "−", Ink.TEXT);
    }
  }

  private void probe(Drawing.Port port, String sign, Ink ink) {
    shapes.add(Shape.circle(port.x(), port.y(), 1.9, Optional.of(ink), Optional.empty()));
    shapes.add(
        Shape.text(port.x(), port.y() + 1.1, sign, Face.BOLD, 3.4, Ink.CARD, Shape.Anchor.MIDDLE));
  }

  /// With its sign where it is direct.
  public static String volts(Live.Both value) {
    if (value.rms() < NO_VOLTS) return "0 V";
    var minus = !value.mostlyAlternating() && value.direct() < 0;
    return (minus ? "−" : "") + new Voltage(value.rms());
  }

  /// Less is not told from nothing, V.
  private static final double NO_VOLTS = 0.05;

  private void bar(CircuitSheet.Bar bar) {
    shapes.add(
        Shape.line(
            x(bar.from()), y(bar.y()), x(bar.to()), y(bar.y()), Shape.Pen.of(Ink.TEXT, 0.7)));
    for (var tap : bar.taps())
      shapes.add(
          Shape.circle(x(tap.x()), y(bar.y()), 0.7, Optional.of(Ink.TEXT), Optional.empty()));
    for (var tap : bar.taps())
      ports.add(new Drawing.Port(x(tap.x()), y(bar.y()), tap.terminal(), Optional.of(tap.wire())));
    spots.add(
        new Drawing.Spot(
            x(bar.from()),
            y(bar.y()) - 1,
            (bar.to() - bar.from()) * STEP,
            2,
            bar.block().id(),
            bar.block().designation() + " " + bar.block().purpose()));
  }

  /// The name of a bar where there is room over it.
  private void barNames() {
    var taken = new Room(shapes);
    for (var bar : sheet.bars()) {
      var whole = bar.block().designation() + " " + bar.block().purpose();
      for (var words : List.of(whole, bar.block().designation().text()))
        if (barName(bar, words, taken)) break;
    }
  }

  private boolean barName(CircuitSheet.Bar bar, String words, Room taken) {
    var width = Faces.width(words, Face.TEXT, SMALL);
    var from = x(bar.from());
    for (var at = from; at + width <= x(bar.to()); at += 1) {
      var name =
          new Shape.Label(
              at,
              y(bar.y()) - 0.7,
              words,
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT,
              Shape.Anchor.START,
              false);
      if (!taken.free(name.bounds())) continue;
      shapes.add(name);
      taken.take(name.bounds());
      return true;
    }
    return false;
  }

  private void wire(CircuitSheet.Line line) {
    var steps = new ArrayList<Shape.Step>();
    for (var point : line.points())
      steps.add(
          steps.isEmpty()
              ? new Shape.Step.Move(x(point.x()), y(point.y()))
              : new Shape.Step.Line(x(point.x()), y(point.y())));
    shapes.add(new Shape.Path(steps, Optional.empty(), Optional.of(pen(line.wire()))));
    label(line.wire(), line.labelled(), line.upwards());
    var volts = voltsAt(line.wire(), line.tap().orElse(line.from()));
    line.tap()
        .ifPresentOrElse(
            tap ->
                right(
                    line.labelled(),
                    line.upwards(),
                    WireCode.terminal(tap, study) + volts.map(v -> "  " + v).orElse(""),
                    Ink.TEXT),
            () -> volts.ifPresent(v -> right(line.labelled(), line.upwards(), v, Ink.TEXT)));
    for (var i = 0; i + 1 < line.points().size(); i++)
      spot(line.wire(), line.points().get(i), line.points().get(i + 1));
  }

  private void spot(Conductor wire, Point a, Point b) {
    spots.add(
        new Drawing.Spot(
            x(Math.min(a.x(), b.x())) - 0.8,
            y(Math.min(a.y(), b.y())) - 0.8,
            Math.abs(a.x() - b.x()) * STEP + 1.6,
            Math.abs(a.y() - b.y()) * STEP + 1.6,
            wire.id(),
            wire.label() + ", " + wire.from() + " to " + wire.to()));
  }

  private void stub(CircuitSheet.Stub stub) {
    var end = y(stub.at().y()) + (stub.upwards() ? -ZONE : ZONE);
    var at = x(stub.at().x());
    shapes.add(Shape.line(at, y(stub.at().y()), at, end, pen(stub.wire())));
    var back = stub.upwards() ? 1.4 : -1.4;
    shapes.add(
        Shape.polygon(
            Optional.of(Ink.TEXT),
            Optional.empty(),
            at,
            end,
            at - 0.7,
            end + back,
            at + 0.7,
            end + back));
    label(stub.wire(), stub.at(), stub.upwards());
    right(
        stub.at(),
        stub.upwards(),
        sheets.at(stub.there()).map(spot -> spot + " ").orElse("")
            + WireCode.terminal(stub.there(), study),
        view.live().isPresent() ? Ink.TEXT : Ink.ACCENT);
    spot(
        stub.wire(),
        stub.at(),
        new Point(stub.at().x(), stub.at().y() + (stub.upwards() ? -4 : 4)));
  }

  /// Number and colour, cable and section, along the wire where it leaves its symbol.
  private void label(Conductor wire, Point at, boolean upwards) {
    along(at, upwards, x(at.x()) - OFF, WireCode.first(wire), Ink.TEXT);
    var flows =
        view.live()
            .flatMap(live -> live.current(wire.id()))
            .map(Live.Both::rms)
            .filter(amperes -> amperes >= FLOWS);
    along(
        at,
        upwards,
        x(at.x()) - OFF - SMALL - 0.1,
        flows
            .map(amperes -> new Current(amperes).toString())
            .orElseGet(() -> WireCode.second(wire, study)),
        flows.isPresent() ? Ink.ACCENT : Ink.TEXT_SOFT);
  }

  /// Of the terminal that is named there, to earth, where a state is shown; nothing where it is not
  /// known or nothing joins the two.
  private Optional<String> voltsAt(Conductor wire, TerminalRef terminal) {
    return view.live()
        .filter(_ -> wire.carriesWork())
        .flatMap(live -> live.toEarth(terminal))
        .map(CircuitPicture::volts);
  }

  private void right(Point at, boolean upwards, String words, Ink ink) {
    along(at, upwards, x(at.x()) + OFF + SMALL * 0.75, words, ink);
  }

  /// Text along a wire, smaller and at last cut where its zone is too short for it.
  private void along(Point at, boolean upwards, double base, String words, Ink ink) {
    if (words.isEmpty()) return;
    var room = ZONE - 0.8;
    var size = SMALL;
    while (size > 1.6 && Faces.width(words, Face.TEXT, size) > room) size -= 0.1;
    var from = y(at.y()) + (upwards ? -0.5 : ZONE - 0.3);
    shapes.add(
        Shape.turned(base, from, Faces.fit(words, Face.TEXT, size, room), Face.TEXT, size, ink));
  }

  private void piece(Placed placed) {
    var piece = placed.piece();
    var dash = dash(Horizon.standing(study.project(), piece.device()));
    new CircuitSymbols(study, view.live(), shapes, placed, x(placed.x()), y(placed.y()), dash)
        .draw();
    var mark = view.marks().get(piece.device().id());
    if (mark != null && piece.main())
      shapes.addAll(Badge.of(mark, x(placed.x()) + piece.width() * STEP, y(placed.y()) - 1.2, 1.7));
    for (var pin : piece.pins()) {
      if (piece.form() != Form.WAY) pinName(placed, pin);
      for (var n = 0; n < pin.wires().size(); n++)
        port(placed, pin, n, Optional.of(pin.wires().get(n)));
      if (pin.wires().isEmpty()) port(placed, pin, 0, Optional.empty());
    }
    if (piece.form() == Form.BOX) inside(placed);
    else beside(placed);
    spots.add(
        new Drawing.Spot(
            x(placed.x()),
            y(placed.y()),
            piece.width() * STEP,
            Piece.HEIGHT * STEP,
            piece.device().id(),
            piece.device().designation() + " " + piece.device().purpose()));
  }

  private void port(Placed placed, Piece.Pin pin, int n, Optional<Id> wire) {
    var at = placed.at(pin, n);
    ports.add(new Drawing.Port(x(at.x()), y(at.y()), pin.terminal(), wire));
  }

  private void pinName(Placed placed, Piece.Pin pin) {
    var at = x(placed.x() + pin.x());
    var box = placed.piece().form() == Form.BOX;
    var base = y(placed.y()) + (pin.top() ? 2.6 : Piece.HEIGHT * STEP - 1.3);
    var room = box ? Piece.PITCH * STEP - 0.5 : 5.8;
    var name = Faces.fit(pin.terminal().terminal(), Face.TEXT, SMALL, room);
    shapes.add(
        box
            ? Shape.text(at, base, name, Face.TEXT, SMALL, Ink.TEXT, Shape.Anchor.MIDDLE)
            : Shape.text(at + 0.7, base, name, Face.TEXT, SMALL, Ink.TEXT));
  }

  private void inside(Placed placed) {
    var piece = placed.piece();
    var middle = x(placed.x()) + piece.width() * STEP / 2;
    var room = piece.width() * STEP - 1.5;
    var base = y(placed.y()) + 6;
    line(middle, base, piece.device().designation().text(), Face.MONO_BOLD, 2.7, Ink.TEXT, room);
    line(middle, base + 2.7, piece.device().purpose(), Face.TEXT, 2.3, Ink.TEXT, room);
    line(middle, base + 5.2, plug(piece) + more(piece), Face.TEXT, SMALL, Ink.TEXT_SOFT, room);
  }

  /// Of one pin of a board, where it is found.
  private String plug(Piece piece) {
    if (piece.marks().size() != 1) return "";
    return study.part(piece.device()).flatMap(Part::logic).stream()
        .flatMap(logic -> logic.pins().stream())
        .filter(pin -> pin.name().equals(piece.marks().getFirst()))
        .flatMap(pin -> pin.at().stream())
        .map(at -> at + "  ")
        .findFirst()
        .orElse("");
  }

  private void line(
      double middle, double base, String words, Face face, double size, Ink ink, double room) {
    if (words.isBlank()) return;
    shapes.add(
        Shape.text(
            middle,
            base,
            Faces.fit(words, face, size, room),
            face,
            size,
            ink,
            Shape.Anchor.MIDDLE));
  }

  /// Where the rest of a device is; of one that stands at one place, its part.
  private String more(Piece piece) {
    var here = sheets.at(piece);
    var all =
        piece.main()
            ? sheets.at(piece.device().id())
            : sheets.main(piece.device().id()).stream().toList();
    var elsewhere =
        all.stream()
            .filter(spot -> here.filter(spot::equals).isEmpty())
            .map(Object::toString)
            .collect(Collectors.joining(" "));
    return elsewhere.isEmpty() || (piece.main() && all.size() > 7)
        ? study.part(piece.device()).map(CircuitPicture::kind).orElse("")
        : elsewhere;
  }

  /// What a device is, in few words: of a protective one what it protects with.
  private static String kind(Part part) {
    return part.protection().map(Object::toString).orElseGet(part::name);
  }

  /// Name, purpose and where the rest is, left of a slim symbol.
  private void beside(Placed placed) {
    var piece = placed.piece();
    var left = x(placed.x()) + 0.3;
    var hand = piece.form() == Form.POLES ? 4.6 : piece.form() == Form.RING ? 4.6 : 2.9;
    var room = x(placed.x() + piece.pins().getFirst().x()) - left - hand;
    var base = y(placed.y()) + 2.6;
    var name = piece.device().designation().text();
    if (piece.form() == Form.WAY) name += ":" + String.join("/", piece.marks());
    var size = 2.7;
    while (size > 1.9 && Faces.width(name, Face.MONO_BOLD, size) > room) size -= 0.1;
    shapes.add(
        Shape.text(
            left,
            base,
            Faces.fit(name, Face.MONO_BOLD, size, room),
            Face.MONO_BOLD,
            size,
            Ink.TEXT));
    base += 2.7;
    var lines = Faces.wrap(piece.device().purpose(), Face.TEXT, 2.2, room);
    for (var i = 0; i < Math.min(2, lines.size()); i++) {
      var words = i == 1 && lines.size() > 2 ? lines.get(1) + " " + lines.get(2) : lines.get(i);
      shapes.add(
          Shape.text(left, base, Faces.fit(words, Face.TEXT, 2.2, room), Face.TEXT, 2.2, Ink.TEXT));
      base += 2.3;
    }
    var rest = Faces.wrap(more(piece), Face.TEXT, SMALL, room);
    for (var i = 0;
        i < Math.min(2, rest.size()) && base < y(placed.y()) + Piece.HEIGHT * STEP;
        i++) {
      shapes.add(
          Shape.text(
              left,
              base,
              Faces.fit(rest.get(i), Face.TEXT, SMALL, room),
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT));
      base += 2.2;
    }
  }
}
