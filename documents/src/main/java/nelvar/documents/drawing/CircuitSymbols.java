package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.CircuitSheet.Placed;
import nelvar.core.analysis.circuit.Piece;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Glyph;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Brief;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;

/// The symbols of circuit sheets, drawn in millimetres between their pins: after IEC 60617,
/// contacts and coils after IEEE 315 where the Brief follows the North American school. Both from
/// memory.
final class CircuitSymbols {
  private static final double STEP = nelvar.core.analysis.circuit.SheetFormat.STEP;
  private static final double TALL = Piece.HEIGHT * STEP;

  /// Where a contact begins and ends, from the upper edge of its symbol.
  private static final double FIXED = 5;

  private static final double HINGE = 10;

  /// Where the common of a changeover turns to the middle between its contacts.
  private static final double BEND = 3.6;

  private final Study study;
  private final boolean american;

  /// How contacts stand; empty where they are drawn at rest.
  private final Optional<Live> live;

  private final List<Shape> shapes;
  private final Shape.Pen pen;
  private final double left;
  private final double top;
  private final Piece piece;

  CircuitSymbols(
      Study study,
      Optional<Live> live,
      List<Shape> shapes,
      Placed placed,
      double left,
      double top,
      double dash) {
    this.study = study;
    this.live = live;
    this.american = study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
    this.shapes = shapes;
    this.piece = placed.piece();
    this.left = left;
    this.top = top;
    this.pen = new Shape.Pen(Ink.TEXT, 0.3, dash);
  }

  void draw() {
    switch (piece.form()) {
      case POLES -> poles();
      case CHANGEOVER -> changeover();
      case SLIM -> slim();
      case RING -> ring();
      case BOX -> box();
      case WAY -> way();
    }
    for (var pin : piece.pins()) bridge(pin);
  }

  private double x(Piece.Pin pin) {
    return left + pin.x() * STEP;
  }

  private void line(double x1, double y1, double x2, double y2) {
    shapes.add(Shape.line(x1, top + y1, x2, top + y2, pen));
  }

  private void rectangle(double x, double y, double width, double height) {
    shapes.add(Shape.rectangle(x, top + y, width, height, Optional.of(Ink.CARD), Optional.of(pen)));
  }

  /// Several wires on one terminal land side by side on a bar of its own; what is left open ends in
  /// a ring.
  private void bridge(Piece.Pin pin) {
    var y = pin.top() ? 0 : TALL;
    if (pin.wires().size() > 1) {
      shapes.add(
          Shape.line(
              x(pin), top + y, left + pin.last() * STEP, top + y, Shape.Pen.of(Ink.TEXT, 0.5)));
      for (var n = 0; n < pin.wires().size(); n++)
        shapes.add(
            Shape.circle(
                x(pin) + n * Piece.PITCH * STEP,
                top + y,
                0.55,
                Optional.of(Ink.TEXT),
                Optional.empty()));
    }
    if (pin.wires().isEmpty() && !(piece.form() == nelvar.core.analysis.circuit.Form.WAY))
      shapes.add(Shape.circle(x(pin), top + y, 0.6, Optional.of(Ink.CARD), Optional.of(pen)));
  }

  private Piece.Pin pinOf(String mark) {
    return piece.pins().stream()
        .filter(pin -> pin.terminal().terminal().equals(mark))
        .findFirst()
        .orElseThrow();
  }

  private Optional<Link> link(String a, String b) {
    return study.part(piece.device()).stream()
        .flatMap(part -> part.links().stream())
        .filter(link ->
            (link.a().equals(a) && link.b().equals(b))
                || (link.a().equals(b) && link.b().equals(a)))
        .findFirst();
  }

  private void poles() {
    var first = 0.0;
    var last = 0.0;
    for (var i = 0; i + 1 < piece.marks().size(); i += 2) {
      var link = link(piece.marks().get(i), piece.marks().get(i + 1));
      var at = x(pinOf(piece.marks().get(i)));
      if (i == 0) first = at;
      last = at;
      line(at, 0, at, FIXED);
      line(at, HINGE, at, TALL);
      if (link.flatMap(Link::protection).orElse(null) instanceof ProtectiveDevice.Fuse) fuse(at);
      else contact(at, link.filter(Link::closedAtRest).isPresent(), closed(i));
      mark(at);
    }
    var blade = (FIXED + HINGE) / 2;
    if (piece.marks().size() > 2)
      shapes.add(
          Shape.line(
              first - 1.3, top + blade, last - 1.3, top + blade, new Shape.Pen(Ink.TEXT, 0.2, 1)));
    if (piece.glyph() == Glyph.COMMAND || byHand()) actuator(first, blade);
  }

  /// Whether a pole conducts now; empty where it is drawn at rest.
  private Optional<Boolean> closed(int pole) {
    return live.map(state -> {
      var a = new TerminalRef(piece.device().id(), piece.marks().get(pole));
      var b = new TerminalRef(piece.device().id(), piece.marks().get(pole + 1));
      return state.closed(new PoleRef(a, b)) || state.closed(new PoleRef(b, a));
    });
  }

  private boolean byHand() {
    return study.part(piece.device()).stream()
        .flatMap(part -> part.actuators().stream())
        .anyMatch(Actuator.Hand.class::isInstance);
  }

  /// A hand that pushes.
  private void actuator(double x, double y) {
    shapes.add(Shape.line(x - 1.3, top + y, x - 3.4, top + y, new Shape.Pen(Ink.TEXT, 0.2, 0.8)));
    line(x - 3.4, y - 1.3, x - 3.4, y + 1.3);
    line(x - 3.4, y - 1.3, x - 4.2, y - 1.3);
    line(x - 3.4, y + 1.3, x - 4.2, y + 1.3);
  }

  private void fuse(double x) {
    rectangle(x - 1.1, FIXED - 0.6, 2.2, HINGE - FIXED + 1.2);
    line(x, FIXED - 0.6, x, HINGE + 0.6);
  }

  private void contact(double x, boolean closed, Optional<Boolean> now) {
    if (american) {
      line(x - 1.6, FIXED + 1.5, x + 1.6, FIXED + 1.5);
      line(x - 1.6, HINGE - 1.5, x + 1.6, HINGE - 1.5);
      line(x, FIXED, x, FIXED + 1.5);
      line(x, HINGE, x, HINGE - 1.5);
      if (closed) line(x - 1.6, HINGE - 0.3, x + 1.6, FIXED + 0.3);
      if (now.filter(Boolean::booleanValue).isPresent())
        shapes.add(
            Shape.rectangle(
                x - 1.6, top + FIXED + 1.5, 3.2, 2, Optional.of(Ink.ACCENT), Optional.empty()));
      return;
    }
    if (closed) line(x, FIXED, x + 2, FIXED);
    if (now.isPresent() && now.get() != closed) moved(x, closed);
    else if (closed) line(x, HINGE, x + 1.5, FIXED - 1);
    else line(x, HINGE, x - 2.2, FIXED + 0.2);
  }

  /// The blade of a contact that does not stand as it does at rest.
  private void moved(double x, boolean closedAtRest) {
    var pen = Shape.Pen.of(Ink.ACCENT, 0.5);
    shapes.add(
        closedAtRest
            ? Shape.line(x, top + HINGE, x - 2.2, top + FIXED + 0.2, pen)
            : Shape.line(x, top + HINGE, x, top + FIXED, pen));
  }

  /// What its fixed contact says of a pole.
  private void mark(double x) {
    switch (piece.glyph()) {
      case BREAKER, OVERLOAD, RESIDUAL_CURRENT -> {
        line(x - 0.8, FIXED - 0.8, x + 0.8, FIXED + 0.8);
        line(x - 0.8, FIXED + 0.8, x + 0.8, FIXED - 0.8);
      }
      case DISCONNECTOR -> line(x - 1.2, FIXED, x + 1.2, FIXED);
      case COIL -> {
        if (piece.marks().size() > 2 && !american)
          shapes.add(
              new Shape.Path(
                  List.of(
                      new Shape.Step.Move(x, top + FIXED - 2),
                      new Shape.Step.Curve(
                          x + 1.3, top + FIXED - 2, x + 1.3, top + FIXED, x, top + FIXED)),
                  Optional.empty(),
                  Optional.of(pen)));
      }
      case BOX,
          MOTOR,
          LAMP,
          RESISTOR,
          ACTUATING_COIL,
          FUSE,
          COMMAND,
          TERMINAL,
          PLUG,
          SENSOR,
          CONVERTER,
          TRANSFORMER,
          CAPACITOR -> {
        // Nothing more.
      }
    }
    if (piece.glyph() == Glyph.OVERLOAD) rectangle(x - 1, HINGE + 0.2, 2, 1.7);
  }

  private void changeover() {
    var common = pinOf(piece.marks().get(0));
    var rest = pinOf(piece.marks().get(1));
    var work = pinOf(piece.marks().get(2));
    var up = common.top();
    var from = up ? FIXED : HINGE;
    var to = up ? HINGE : FIXED;
    var edge = up ? 0 : TALL;
    var far = up ? TALL : 0;
    var xr = x(rest);
    var xw = x(work);
    var middle = (xr + xw) / 2;
    var bend = up ? BEND : TALL - BEND;
    line(x(common), edge, x(common), bend);
    line(x(common), bend, middle, bend);
    line(middle, bend, middle, from);
    line(xr, far, xr, to);
    line(xw, far, xw, to);
    var toRest = xr < middle ? 1 : -1;
    line(xr, to, xr + toRest * 2.6, to);
    line(xw, to, xw - toRest * 2.6, to);
    var driven = live.filter(state -> conducts(state, common, work)).isPresent();
    shapes.add(
        Shape.line(
            middle,
            top + from,
            driven ? xw - toRest * 2 : xr + toRest * 2,
            top + to + (up ? 0.6 : -0.6),
            driven ? Shape.Pen.of(Ink.ACCENT, 0.5) : pen));
  }

  private static boolean conducts(Live state, Piece.Pin a, Piece.Pin b) {
    return state.closed(new PoleRef(a.terminal(), b.terminal()))
        || state.closed(new PoleRef(b.terminal(), a.terminal()));
  }

  private void slim() {
    var x = x(piece.pins().getFirst());
    for (var pin : piece.pins()) {
      if (Math.abs(x(pin) - x) > 0.1) {
        line(x(pin), TALL, x(pin), TALL - BEND);
        line(x(pin), TALL - BEND, x, TALL - BEND);
      } else line(x, pin.top() ? 0 : TALL, x, TALL / 2);
    }
    switch (piece.glyph()) {
      case LAMP -> {
        shapes.add(Shape.circle(x, top + TALL / 2, 2.6, Optional.of(Ink.CARD), Optional.of(pen)));
        var d = 2.6 * Math.sqrt(0.5);
        line(x - d, TALL / 2 - d, x + d, TALL / 2 + d);
        line(x - d, TALL / 2 + d, x + d, TALL / 2 - d);
      }
      case RESISTOR -> rectangle(x - 1.2, TALL / 2 - 3.2, 2.4, 6.4);
      case CAPACITOR -> {
        rectangle(x - 2.2, TALL / 2 - 0.6, 4.4, 1.2);
        shapes.add(
            Shape.rectangle(
                x - 2.6, top + TALL / 2 - 0.45, 5.2, 0.9, Optional.of(Ink.CARD), Optional.empty()));
      }
      default -> coil(x);
    }
  }

  private void coil(double x) {
    if (american && piece.glyph() == Glyph.COIL)
      shapes.add(Shape.circle(x, top + TALL / 2, 2.8, Optional.of(Ink.CARD), Optional.of(pen)));
    else rectangle(x - 2.3, TALL / 2 - 2.1, 4.6, 4.2);
    if (piece.glyph() == Glyph.ACTUATING_COIL)
      line(x - 2.3, TALL / 2 + 2.1, x + 2.3, TALL / 2 - 2.1);
  }

  private void ring() {
    var from = piece.pins().stream().mapToDouble(this::x).min().orElse(left);
    var to = piece.pins().stream().mapToDouble(this::x).max().orElse(left);
    var round = 4.2;
    for (var pin : piece.pins())
      line(x(pin), pin.top() ? 0 : TALL, x(pin), TALL / 2 + (pin.top() ? -round : round));
    shapes.add(
        Shape.rounded(
            from - round,
            top + TALL / 2 - round,
            to - from + 2 * round,
            2 * round,
            round,
            Optional.of(Ink.CARD),
            Optional.of(pen)));
    shapes.add(
        Shape.text(
            (from + to) / 2,
            top + TALL / 2 + 1.3,
            threePhase() ? "M 3 ~" : "M",
            Face.SEMIBOLD,
            3.6,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
  }

  private boolean threePhase() {
    return study.part(piece.device()).stream()
        .flatMap(part -> part.intakes(nelvar.core.catalogue.Linkage.STAR).stream())
        .anyMatch(nelvar.core.catalogue.Intake::threePhase);
  }

  private void box() {
    rectangle(left, 0, piece.width() * STEP, TALL);
    // Beside its name, where there is room for it.
    var name = Faces.width(piece.device().designation().text(), Face.MONO_BOLD, 2.7);
    var x = left + (piece.width() * STEP - name) / 2 - SIGN - 1;
    if (x < left + 0.8) return;
    switch (piece.glyph()) {
      case SENSOR -> diamond(x);
      case CONVERTER -> converter(x);
      case TRANSFORMER -> {
        ring(x + SIGN * 0.34);
        ring(x + SIGN * 0.66);
      }
      default -> {}
    }
  }

  /// How large a sign within a box is, and where its upper edge is.
  private static final double SIGN = 3.1;

  private static final double ABOVE = 3.3;

  /// What senses without being touched.
  private void diamond(double x) {
    var half = SIGN / 2;
    shapes.add(
        Shape.polygon(
            Optional.empty(),
            Optional.of(pen),
            x,
            top + ABOVE + half,
            x + half,
            top + ABOVE,
            x + SIGN,
            top + ABOVE + half,
            x + half,
            top + ABOVE + SIGN));
  }

  /// What it takes above the diagonal, what it gives below it.
  private void converter(double x) {
    rectangle(x, ABOVE, SIGN, SIGN);
    line(x, ABOVE + SIGN, x + SIGN, ABOVE);
    var part = study.part(piece.device());
    part.stream()
        .flatMap(p -> p.intakes(nelvar.core.catalogue.Linkage.STAR).stream().limit(1))
        .findFirst()
        .ifPresent(intake -> kind(x + 0.35, ABOVE + 0.95, !direct(intake.lines().getFirst())));
    part.stream()
        .flatMap(p -> p.outputs().stream().limit(1))
        .findFirst()
        .ifPresent(output -> kind(x + SIGN - 1.45, ABOVE + SIGN - 0.95, output.alternating()));
  }

  private boolean direct(String terminal) {
    return study.part(piece.device()).stream()
        .flatMap(part -> part.terminals().stream())
        .filter(t -> t.name().equals(terminal))
        .anyMatch(t ->
            t.role() == nelvar.core.catalogue.Terminal.Role.PLUS
                || t.role() == nelvar.core.catalogue.Terminal.Role.MINUS);
  }

  /// A wave, or two strokes.
  private void kind(double x, double y, boolean alternating) {
    if (!alternating) {
      line(x, y - 0.25, x + 1.1, y - 0.25);
      line(x, y + 0.25, x + 1.1, y + 0.25);
      return;
    }
    shapes.add(
        new Shape.Path(
            List.of(
                new Shape.Step.Move(x, top + y),
                new Shape.Step.Curve(
                    x + 0.25, top + y - 0.7, x + 0.4, top + y - 0.5, x + 0.55, top + y),
                new Shape.Step.Curve(
                    x + 0.7, top + y + 0.5, x + 0.85, top + y + 0.7, x + 1.1, top + y)),
            Optional.empty(),
            Optional.of(pen)));
  }

  private void ring(double middle) {
    shapes.add(
        Shape.circle(
            middle, top + ABOVE + SIGN / 2, SIGN * 0.34, Optional.empty(), Optional.of(pen)));
  }

  private void way() {
    var x = x(piece.pins().getFirst());
    if (!piece.pins().getFirst().wires().isEmpty()) line(x, 0, x, TALL / 2);
    if (!piece.pins().getLast().wires().isEmpty()) line(x, TALL / 2, x, TALL);
    if (piece.glyph() == Glyph.PLUG) {
      shapes.add(
          Shape.rectangle(
              x - 0.6, top + TALL / 2 - 2.4, 1.2, 2.4, Optional.of(Ink.TEXT), Optional.of(pen)));
      shapes.add(
          new Shape.Path(
              List.of(
                  new Shape.Step.Move(x - 1.6, top + TALL / 2),
                  new Shape.Step.Curve(
                      x - 1.6,
                      top + TALL / 2 + 2.4,
                      x + 1.6,
                      top + TALL / 2 + 2.4,
                      x + 1.6,
                      top + TALL / 2)),
              Optional.empty(),
              Optional.of(pen)));
    } else shapes.add(Shape.circle(x, top + TALL / 2, 1, Optional.of(Ink.CARD), Optional.of(pen)));
  }
}
