package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.AxisForces;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.AxisSteps;
import nelvar.core.analysis.motion.Mechanics;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.catalogue.SwitchBank;
import nelvar.core.formula.StepperTorque;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// One axis: its chain from pulse to load, the sum that makes one unit one, the switches of its
/// drive as one sees them, what each microstep gives, and torque against speed. Units are pixels.
public final class MotionPicture {
  private static final double GAP = 16;
  private static final double BOX = 66;
  private static final double SMALL = 12;

  /// What a servo drive is usually set to, for comparison.
  private static final List<Integer> PULSES =
      List.of(500, 1000, 2000, 2500, 4000, 5000, 8000, 10_000);

  private final MotionAxis axis;
  private final double width;
  private final double height;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private MotionPicture(MotionAxis axis, double width, double height) {
    this.axis = axis;
    this.width = width;
    this.height = height;
  }

  public static Drawing of(MotionAxis axis, double width, double height) {
    var picture = new MotionPicture(axis, width, height);
    picture.chain();
    picture.sum();
    picture.switches(GAP, 152);
    picture.microsteps(GAP, picture.below());
    if (axis.servo().isPresent()) picture.servo(width * 0.40, 152);
    else picture.curve(width * 0.40, 152);
    return new Drawing(width, height, picture.shapes, picture.spots);
  }

  /// @param about what it stands for; none for what is only mechanics
  private record Link(Optional<Id> about, String name, String first, String second, Ink ink) {}

  private void chain() {
    var links = links();
    var each = (width - 2 * GAP - (links.size() - 1) * GAP) / links.size();
    for (var n = 0; n < links.size(); n++) {
      var link = links.get(n);
      var x = GAP + n * (each + GAP);
      if (n > 0)
        shapes.add(
            Shape.line(
                x - GAP, GAP + BOX / 2, x, GAP + BOX / 2, Shape.Pen.of(link.ink(), n > 1 ? 5 : 2)));
      shapes.add(
          Shape.rounded(
              x,
              GAP,
              each,
              BOX,
              5,
              Optional.of(Ink.CARD),
              Optional.of(Shape.Pen.of(link.ink(), 1.5))));
      middle(x + each / 2, GAP + 20, link.name(), Face.MONO_BOLD, 13, Ink.TEXT, each - 8);
      middle(x + each / 2, GAP + 39, link.first(), Face.TEXT, 13, Ink.TEXT, each - 8);
      middle(x + each / 2, GAP + 56, link.second(), Face.TEXT, SMALL, Ink.TEXT_SOFT, each - 8);
      link.about()
          .ifPresent(id ->
              spots.add(
                  new Drawing.Spot(
                      x,
                      GAP,
                      each,
                      BOX,
                      id,
                      link.name() + ", " + link.first() + ", " + link.second())));
    }
  }

  private List<Link> links() {
    var all = new ArrayList<Link>();
    var micro = axis.settings().microsteps().map(AxisSettings.Entered::text);
    var speed = axis.wants().speed();
    var rate =
        axis.settings()
            .microsteps()
            .flatMap(AxisSettings.Entered::value)
            .flatMap(m -> speed.flatMap(v -> AxisSteps.rate(axis, m, v)));
    if (!axis.board().id().equals(axis.drive().id()))
      all.add(
          device(
              axis.board(),
              axis.step().map(link -> ":" + link.pin().name()).orElse(""),
              rate.map(f -> f + " asked").orElse("pulses"),
              axis.greatestRate().map(f -> "of " + f + " at most").orElse("greatest not stated"),
              Ink.DC_LOW));
    all.add(
        device(
            axis.drive(),
            "",
            micro
                .map(m -> m + (axis.servo().isPresent() ? " pulses a turn" : " microsteps"))
                .orElse(axis.divides().toLowerCase(java.util.Locale.ROOT) + " not set"),
            axis.servo().isPresent()
                ? ""
                : axis.set().map(i -> i + " set").orElse("current not set"),
            Ink.DC_LOW));
    all.add(
        device(
            axis.motor(),
            "",
            axis.servo().isPresent()
                ? axis.servo()
                    .flatMap(m -> m.stated().encoderLines())
                    .map(n -> 4 * n + " counts a turn")
                    .orElse("servo")
                : axis.fullSteps() + " steps a turn",
            axis.rated()
                + axis.servo()
                    .flatMap(m -> m.torque())
                    .or(() -> axis.stated().holding())
                    .map(t -> ", " + t)
                    .orElse(""),
            Ink.MOTOR));
    for (var words : axis.mechanics().words()) {
      var cut = words.split("[,:] ", 2);
      all.add(
          new Link(
              Optional.empty(), cut[0], cut.length > 1 ? cut[1] : "", travel(words), Ink.MOTOR));
    }
    if (axis.mechanics().perTurn().isEmpty())
      all.add(
          new Link(
              axis.function().map(f -> f.id()),
              "what it moves",
              "is not said",
              "screw, belt, rack, drum …",
              Ink.WARNING));
    else
      all.add(
          new Link(
              axis.function().map(f -> f.id()),
              axis.name(),
              speed.map(Measure::toString).orElse("speed not said"),
              axis.wants().mass().map(m -> m + " moved").orElse(""),
              Ink.MOTOR));
    return all;
  }

  private String travel(String words) {
    return words.startsWith("gear")
        ? ""
        : axis.mechanics()
            .perTurn()
            .filter(_ -> axis.mechanics().unit() != Mechanics.Unit.DEGREE)
            .map(s -> Significant.plain(s, "mm") + " a turn")
            .orElse("");
  }

  private static Link device(Device device, String more, String first, String second, Ink ink) {
    return new Link(
        Optional.of(device.id()), device.designation().text() + more, first, second, ink);
  }

  private void middle(
      double x, double y, String text, Face face, double size, Ink ink, double most) {
    shapes.add(
        Shape.text(x, y, Faces.fit(text, face, size, most), face, size, ink, Shape.Anchor.MIDDLE));
  }

  /// `200 · 8 · 3/120 mm = 40 steps/mm`.
  private void sum() {
    var y = GAP + BOX + 10;
    var computed = AxisSteps.computed(axis);
    shapes.add(
        Shape.rectangle(
            GAP,
            y,
            width - 2 * GAP,
            34,
            Optional.of(computed.isPresent() ? Ink.DC_HIGH_SOFT : Ink.WARNING_SOFT),
            Optional.empty()));
    if (computed.isEmpty()) {
      text(
          GAP + 12,
          y + 22,
          axis.mechanics().perTurn().isEmpty()
              ? "What one turn moves is not said: say it below, " + Mechanics.ACCEPTED
              : "Set the %s of %s to know its steps."
                  .formatted(
                      axis.divides().toLowerCase(java.util.Locale.ROOT),
                      axis.drive().designation()),
          Face.TEXT,
          13,
          Ink.TEXT,
          width - 2 * GAP - 24);
      return;
    }
    var k = computed.get().value();
    var micro = axis.settings().microsteps().flatMap(AxisSettings.Entered::value).orElseThrow();
    var mechanics = axis.mechanics();
    var sum =
        "%s%s%s ÷ %s%s = %s"
            .formatted(
                axis.servo().isPresent() ? "" : axis.fullSteps() + " · ",
                Significant.digits(micro),
                mechanics.ratio() == 1 ? "" : " · " + Significant.digits(mechanics.ratio()),
                Significant.plain(
                    mechanics.perTurn().orElseThrow(),
                    mechanics.unit() == Mechanics.Unit.DEGREE ? "°" : "mm"),
                mechanics.unit() == Mechanics.Unit.INCH ? " · 25.4" : "",
                AxisSteps.words(axis, k));
    text(GAP + 12, y + 22, sum, Face.BOLD, 14, Ink.TEXT, width * 0.55);
    var step = AxisSteps.step(axis, micro).orElseThrow();
    var says =
        "one pulse %s%s"
            .formatted(
                Significant.plain(step, mechanics.unit() == Mechanics.Unit.DEGREE ? "°" : "mm"),
                axis.wants().resolution().map(r -> "; " + r + " wanted").orElse(""));
    shapes.add(
        Shape.text(
            width - GAP - 12,
            y + 22,
            Faces.fit(says, Face.TEXT, 13, width * 0.36),
            Face.TEXT,
            13,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
  }

  private void text(double x, double y, String text, Face face, double size, Ink ink, double most) {
    shapes.add(Shape.text(x, y, Faces.fit(text, face, size, most), face, size, ink));
  }

  /// The bank as one sees it, each switch where it has to stand.
  private void switches(double x, double y) {
    var most = width * 0.37;
    var bank = axis.settable().bank();
    text(
        x,
        y,
        axis.drive().designation()
            + (bank.isPresent()
                ? ": its switches as one sees them"
                : axis.servo().isPresent() ? ": pulses a turn, compared" : ": how it is set"),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        most);
    if (bank.isEmpty() && axis.servo().isPresent()) return;
    if (bank.isEmpty()) {
      text(
          x,
          y + 20,
          "No switches are stated of it: set it as its papers say.",
          Face.TEXT,
          SMALL,
          Ink.TEXT_SOFT,
          most);
      return;
    }
    bank.get()
        .mounted()
        .ifPresent(words -> text(x, y + 17, words, Face.TEXT, SMALL, Ink.TEXT_SOFT, most));
    bank(bank.get(), x, y + 26, most);
  }

  private void bank(SwitchBank bank, double x, double y, double most) {
    var each = Math.min(34, (most - 60) / bank.ways());
    var wide = 56 + each * bank.ways();
    shapes.add(Shape.rounded(x, y, wide, 84, 4, Optional.of(Ink.TEXT_SOFT), Optional.empty()));
    var on = bank.onIsUp() ? y + 24 : y + 52;
    text(x + 8, on, "ON", Face.BOLD, SMALL, Ink.CARD, 40);
    shapes.add(
        Shape.polygon(
            Optional.of(Ink.CARD),
            Optional.empty(),
            bank.onIsUp()
                ? new double[] {x + 30, on, x + 40, on, x + 35, on - 9}
                : new double[] {x + 30, on - 9, x + 40, on - 9, x + 35, on}));
    for (var way = 1; way <= bank.ways(); way++) {
      var stands = stands(bank, way);
      var left = x + 48 + (way - 1) * each;
      shapes.add(
          Shape.rectangle(left, y + 10, each * 0.5, 50, Optional.of(Ink.TEXT), Optional.empty()));
      middle(left + each * 0.25, y + 76, String.valueOf(way), Face.BOLD, SMALL, Ink.CARD, each);
      if (stands.isEmpty()) {
        middle(left + each * 0.25, y + 40, "?", Face.BOLD, 14, Ink.WARNING_SOFT, each);
        continue;
      }
      var up = stands.get() == bank.onIsUp();
      shapes.add(
          Shape.rectangle(
              left + 1,
              up ? y + 11 : y + 36,
              each * 0.5 - 2,
              23,
              Optional.of(Ink.CARD),
              Optional.empty()));
    }
    var lines = said(bank, most);
    for (var n = 0; n < lines.size(); n++)
      text(x, y + 100 + n * 15, lines.get(n), Face.TEXT, SMALL, Ink.TEXT_SOFT, most);
  }

  /// Whether a switch has to be on; empty where what it sets is not known.
  private Optional<Boolean> stands(SwitchBank bank, int way) {
    for (var group : bank.groups()) {
      var at = group.ways().indexOf(way);
      if (at < 0) continue;
      return value(group).flatMap(group::forValue).map(on -> on.charAt(at) == '1');
    }
    return Optional.empty();
  }

  /// What the switches of a group are to say, as the bank writes it.
  private Optional<String> value(SwitchBank.Group group) {
    return switch (group.sets()) {
      case AxisSettings.MICROSTEPS ->
          axis.settings().microsteps().map(AxisSettings.Entered::text).map(String::strip);
      case "Phase current" -> {
        var set = axis.set().orElse(axis.rated());
        var least =
            group.positions().stream()
                .filter(p ->
                    nelvar.core.units.Kind.CURRENT.read(p.value())
                            instanceof
                            nelvar.core.units.Reading.Value<nelvar.core.units.Current>(var amperes)
                        && amperes.amperes() <= set.amperes() + 1e-9)
                .max(
                    java.util.Comparator.comparingDouble(
                        p -> nelvar.core.units.Kind.CURRENT.read(p.value()).orThrow().amperes()));
        yield least.map(SwitchBank.Position::value);
      }
      default ->
          axis.others().stream()
              .filter(s -> s.device().equals(axis.drive().id()))
              .filter(s -> s.name().equalsIgnoreCase(group.sets()))
              .map(nelvar.core.model.Setting::value)
              .findFirst()
              .or(() -> Optional.of(group.positions().getFirst().value()));
    };
  }

  /// What its switches say, on one line where that fits.
  private List<String> said(SwitchBank bank, double most) {
    var all = new ArrayList<String>();
    for (var group : bank.groups()) {
      var ways = group.ways();
      all.add(
          "%s %s: %s"
              .formatted(
                  ways.size() == 1
                      ? String.valueOf(ways.getFirst())
                      : ways.getFirst() + "–" + ways.getLast(),
                  group.sets().toLowerCase(java.util.Locale.ROOT),
                  value(group).orElse("not set")));
    }
    var whole = String.join("; ", all);
    return Faces.width(whole, Face.TEXT, SMALL) <= most ? List.of(whole) : all;
  }

  /// Where the table begins: below the switches, or what stands in their place.
  private double below() {
    return axis.settable()
        .bank()
        .map(bank -> 285 + 15.0 * said(bank, width * 0.37).size())
        .orElse(axis.servo().isPresent() ? 180.0 : 204.0);
  }

  /// What each setting of the drive gives.
  private void microsteps(double x, double y) {
    var most = width * 0.37;
    var servo = axis.servo().isPresent();
    var has = servo ? PULSES : axis.settable().microsteps();
    if (has.isEmpty() || axis.mechanics().perTurn().isEmpty()) return;
    var unit = axis.mechanics().unit() == Mechanics.Unit.DEGREE ? "°" : "mm";
    var columns = new double[] {x + 4, x + most * 0.30, x + most * 0.62};
    text(
        columns[0], y, servo ? "pulses a turn" : "microsteps", Face.TEXT, SMALL, Ink.TEXT_SOFT, 90);
    text(columns[1], y, "one pulse, " + unit, Face.TEXT, SMALL, Ink.TEXT_SOFT, 120);
    text(columns[2], y, "pulses at speed", Face.TEXT, SMALL, Ink.TEXT_SOFT, 120);
    var now = axis.settings().microsteps().flatMap(AxisSettings.Entered::value).orElse(0.0);
    var row = y;
    for (var micro : has) {
      row += 18;
      if (row > height - 4) break;
      if (micro.doubleValue() == now)
        shapes.add(
            Shape.rectangle(
                x - 4, row - 14, most, 18, Optional.of(Ink.ACCENT_SOFT), Optional.empty()));
      var face = micro.doubleValue() == now ? Face.BOLD : Face.TEXT;
      text(columns[0], row, String.valueOf(micro), face, 13, Ink.TEXT, 60);
      text(
          columns[1],
          row,
          AxisSteps.step(axis, micro).map(Significant::digits).orElse(""),
          face,
          13,
          Ink.TEXT,
          120);
      var rate = axis.wants().speed().flatMap(v -> AxisSteps.rate(axis, micro, v));
      var tooFast =
          rate.isPresent()
              && axis.greatestRate().filter(f -> rate.get().compareTo(f) > 0).isPresent();
      text(
          columns[2],
          row,
          rate.map(f -> f + (tooFast ? ", too fast" : "")).orElse("speed not said"),
          face,
          13,
          tooFast ? Ink.ERROR : Ink.TEXT,
          140);
    }
  }

  /// Torque against the speed of the motor, with what another bus would give.
  private void curve(double x, double y) {
    var motor = AxisForces.motor(axis);
    text(
        x,
        y,
        "Torque of " + axis.motor().designation() + axis.bus().map(u -> " on " + u).orElse(""),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        width - x - GAP);
    text(
        x,
        y + 17,
        motor.isEmpty() || axis.bus().isEmpty()
            ? "Not drawn: "
                + (motor.isEmpty()
                    ? "torque, ohms and henries of the motor are not stated."
                    : "the volts of the drive are not known.")
            : "an estimate, ± 30 %; a stepper gives no warning before it loses steps",
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        width - x - GAP);
    if (motor.isEmpty() || axis.bus().isEmpty()) return;
    chart(motor.get(), axis.bus().get(), x + 34, y + 28, width - GAP - 12, height - 44);
  }

  private void chart(
      StepperTorque.Motor motor,
      Voltage bus,
      double left,
      double top,
      double right,
      double bottom) {
    var current = AxisForces.current(axis);
    var turns = axis.wants().speed().flatMap(v -> AxisSteps.turns(axis, v));
    var corner = StepperTorque.corner(motor, current, bus).value();
    var most = nice(Math.max(4 * corner, 1.6 * turns.orElse(0.0)));
    var flat = StepperTorque.at(motor, current, bus, 0).value();
    var highest = nice(1.25 * flat);
    grid(left, top, right, bottom, most, highest);
    var wide = right - left;
    var tall = bottom - top;
    var ends = new double[] {left, top, right, bottom, most, highest};
    shapes.add(area(motor, bus, ends));
    shapes.add(line(motor, bus, ends, Shape.Pen.of(Ink.MOTOR, 2.5)));
    var half = new Voltage(bus.volts() / 2);
    shapes.add(line(motor, half, ends, new Shape.Pen(Ink.TEXT_SOFT, 1.2, 4)));
    var halfAt = 0.62 * most;
    text(
        left + wide * 0.62,
        bottom - tall * StepperTorque.at(motor, current, half, halfAt).value() / highest + 16,
        half + " would give this",
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        wide * 0.36);
    turns.ifPresent(n -> wanted(motor, bus, n, ends));
  }

  /// Lines and figures of both axes: rpm and N·m.
  private void grid(
      double left, double top, double right, double bottom, double most, double highest) {
    var wide = right - left;
    var tall = bottom - top;
    for (var n = 0; n <= 5; n++) {
      var px = left + wide * n / 5;
      shapes.add(Shape.line(px, top, px, bottom, Shape.Pen.of(Ink.LINE, 1)));
      shapes.add(
          Shape.text(
              px,
              bottom + 15,
              Significant.digits(most * n / 5) + (n == 5 ? " rpm" : ""),
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT,
              n == 5 ? Shape.Anchor.END : Shape.Anchor.MIDDLE));
      if (n > 4) continue;
      var py = bottom - tall * n / 4;
      shapes.add(Shape.line(left, py, right, py, Shape.Pen.of(Ink.LINE, 1)));
      shapes.add(
          Shape.text(
              left - 5,
              py + 4,
              Significant.digits(highest * n / 4) + (n == 4 ? " N·m" : ""),
              Face.TEXT,
              SMALL,
              Ink.TEXT_SOFT,
              n == 4 ? Shape.Anchor.START : Shape.Anchor.END));
    }
  }

  /// What a servo gives for ever, and for a moment, up to its rated speed.
  private void servo(double x, double y) {
    var motor = axis.servo().orElseThrow();
    var lasting = motor.torque();
    var peak = motor.stated().peakTorque();
    text(
        x,
        y,
        "Torque of " + axis.motor().designation(),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        width - x - GAP);
    var known = lasting.isPresent() && peak.isPresent();
    text(
        x,
        y + 17,
        known
            ? "filled: for ever; dashed: for a moment, while it speeds up"
            : "Not drawn: its rated speed and its peak torque are not stated.",
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        width - x - GAP);
    if (!known) return;
    var left = x + 34;
    var top = y + 28;
    var right = width - GAP - 12;
    var bottom = height - 44;
    var rated = motor.stated().ratedSpeed().orElseThrow().value();
    var turns = axis.wants().speed().flatMap(v -> AxisSteps.turns(axis, v));
    var most = nice(Math.max(1.2 * rated, 1.2 * turns.orElse(0.0)));
    var highest = nice(1.2 * peak.get().value());
    grid(left, top, right, bottom, most, highest);
    var end = left + (right - left) * rated / most;
    var tall = bottom - top;
    var level = bottom - tall * lasting.get().value() / highest;
    shapes.add(
        Shape.rectangle(
            left,
            level,
            end - left,
            bottom - level,
            Optional.of(Ink.MOTOR_SOFT),
            Optional.of(Shape.Pen.of(Ink.MOTOR, 2))));
    var above = bottom - tall * peak.get().value() / highest;
    shapes.add(
        Shape.rectangle(
            left,
            above,
            end - left,
            bottom - above,
            Optional.empty(),
            Optional.of(new Shape.Pen(Ink.MOTOR, 1.5, 4))));
    turns.ifPresent(n ->
        marked(
            n,
            AxisForces.asked(axis)
                .map(a ->
                    "asked %s, %s while it speeds up"
                        .formatted(
                            new Measure(a.steady(), Measure.Unit.TORQUE),
                            new Measure(a.asked(), Measure.Unit.TORQUE)))
                .orElse("what is moved is not said"),
            new double[] {left, top, right, bottom, most, highest}));
  }

  private void wanted(StepperTorque.Motor motor, Voltage bus, double turns, double[] ends) {
    var gives = StepperTorque.at(motor, AxisForces.current(axis), bus, turns).value();
    marked(
        turns,
        AxisForces.asked(axis)
            .map(a ->
                "asked %s, reserve %s"
                    .formatted(
                        new Measure(a.asked(), Measure.Unit.TORQUE),
                        Significant.digits(gives / Math.max(1e-9, a.asked()))))
            .orElse("what is moved is not said"),
        ends);
  }

  /// The wanted speed with what is asked there.
  private void marked(double turns, String words, double[] ends) {
    var px = ends[0] + (ends[2] - ends[0]) * turns / ends[4];
    shapes.add(Shape.line(px, ends[1], px, ends[3], new Shape.Pen(Ink.ACCENT, 1.2, 4)));
    var tall = ends[3] - ends[1];
    AxisForces.asked(axis)
        .ifPresent(a ->
            shapes.add(
                Shape.circle(
                    px,
                    ends[3] - tall * Math.min(1, a.asked() / ends[5]),
                    4,
                    Optional.of(Ink.ACCENT),
                    Optional.empty())));
    // Above the curve, where nothing else stands, on the side that has more room.
    var leftwards = px > (ends[0] + ends[2]) / 2;
    var room = Math.max(px - ends[0], ends[2] - px) - 12;
    var lines = Faces.wrap(Significant.digits(turns) + " rpm: " + words, Face.BOLD, SMALL, room);
    for (var n = 0; n < lines.size(); n++)
      shapes.add(
          Shape.text(
              px + (leftwards ? -8 : 8),
              ends[1] + 16 + n * 15,
              lines.get(n),
              Face.BOLD,
              SMALL,
              Ink.TEXT,
              leftwards ? Shape.Anchor.END : Shape.Anchor.START));
  }

  private List<double[]> points(StepperTorque.Motor motor, Voltage bus, double[] ends) {
    var all = new ArrayList<double[]>();
    for (var n = 0; n <= 120; n++) {
      var rpm = ends[4] * n / 120;
      var torque = StepperTorque.at(motor, AxisForces.current(axis), bus, rpm).value();
      all.add(
          new double[] {
            ends[0] + (ends[2] - ends[0]) * n / 120,
            ends[3] - (ends[3] - ends[1]) * Math.min(1, torque / ends[5])
          });
    }
    return all;
  }

  private Shape line(StepperTorque.Motor motor, Voltage bus, double[] ends, Shape.Pen pen) {
    var steps = new ArrayList<Shape.Step>();
    for (var point : points(motor, bus, ends))
      steps.add(
          steps.isEmpty()
              ? new Shape.Step.Move(point[0], point[1])
              : new Shape.Step.Line(point[0], point[1]));
    return new Shape.Path(steps, Optional.empty(), Optional.of(pen));
  }

  private Shape area(StepperTorque.Motor motor, Voltage bus, double[] ends) {
    var steps = new ArrayList<Shape.Step>();
    steps.add(new Shape.Step.Move(ends[0], ends[3]));
    for (var point : points(motor, bus, ends)) steps.add(new Shape.Step.Line(point[0], point[1]));
    steps.add(new Shape.Step.Line(ends[2], ends[3]));
    steps.add(new Shape.Step.Close());
    return new Shape.Path(steps, Optional.of(Ink.MOTOR_SOFT), Optional.empty());
  }

  /// 1, 2, 2.5 or 5 of its decade, not below a value.
  private static double nice(double value) {
    var decade = Math.pow(10, Math.floor(Math.log10(Math.max(1e-6, value))));
    for (var step : new double[] {1, 2, 2.5, 5, 10})
      if (decade * step >= value) return decade * step;
    return decade * 10;
  }
}
