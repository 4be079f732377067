package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DriveSheet;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.SettingsSheet;
import nelvar.core.analysis.motion.SpeedMap;
import nelvar.core.catalogue.DriveParameter.Role;
import nelvar.core.model.Device;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// A motor on a frequency converter: its chain from command to load, the speeds that a command
/// brings about and those it never does, and what is entered in the drive, in the order it is
/// entered. Units are pixels.
public final class DrivePicture {
  private static final double GAP = MotionSheet.EDGE;
  private static final double SMALL = MotionSheet.SMALL;
  private static final double LOWER = 152;
  private static final double LEFT = 0.42;
  private static final double FULL = 10;

  private final DrivenMotor driven;
  private final Study study;
  private final SpeedMap map;
  private final double width;
  private final double height;
  private final MotionSheet sheet = new MotionSheet();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private DrivePicture(DrivenMotor driven, Study study, double width, double height) {
    this.driven = driven;
    this.study = study;
    this.map = SpeedMap.of(driven, study);
    this.width = width;
    this.height = height;
  }

  public static Drawing of(DrivenMotor driven, Study study, double width, double height) {
    var picture = new DrivePicture(driven, study, width, height);
    ChainRow.draw(picture.sheet, picture.spots, picture.links(), width);
    picture.sum();
    if (driven.commandWired()) picture.speeds(GAP, LOWER);
    picture.parameters(driven.commandWired() ? width * LEFT + 2 * GAP : GAP, LOWER);
    return new Drawing(width, height, picture.sheet.shapes(), picture.spots);
  }

  private List<ChainRow.Link> links() {
    var all = new ArrayList<ChainRow.Link>();
    driven
        .command()
        .ifPresent(link ->
            all.add(
                device(
                    link.board(),
                    ":" + link.pin().name(),
                    "0–10 V",
                    link.off().map(off -> off.volts() + " lifts its 0 V").orElse("lift not known"),
                    Ink.DC_LOW)));
    all.add(
        device(
            driven.drive(),
            "",
            range(),
            driven
                .entered(Role.RUN_SOURCE)
                .map(by -> "runs by " + by)
                .orElse("run source not said"),
            Ink.MAINS));
    for (var motor : driven.motors())
      all.add(
          device(
              motor,
              "",
              driven.motor().power()
                  + ", "
                  + map.poles()
                  + " poles"
                  + (map.usualPoles() ? " assumed" : ""),
              (motor.windings() == driven.linkage() ? "" : "to be linked in ")
                  + driven.linkage().name().toLowerCase(java.util.Locale.ROOT)
                  + (driven.motors().size() == 1 ? ", " + driven.current() : ""),
              Ink.MOTOR));
    all.add(
        new ChainRow.Link(
            driven.function().map(f -> f.id()),
            driven.name(),
            whole(map.atTen()) + " at the most",
            driven.oneWay() ? "one way only" : "either way",
            Ink.MOTOR));
    return all;
  }

  private String range() {
    var least = driven.entered(Role.LEAST_FREQUENCY);
    var most = driven.entered(Role.GREATEST_FREQUENCY);
    return most.isEmpty()
        ? map.greatest() + " taken"
        : least.map(l -> l + " to ").orElse("up to ") + most.get();
  }

  private static ChainRow.Link device(
      Device device, String more, String first, String second, Ink ink) {
    return new ChainRow.Link(
        Optional.of(device.id()), device.designation().text() + more, first, second, ink);
  }

  private static String whole(Measure speed) {
    return Math.round(speed.value()) + " rpm";
  }

  private void sum() {
    var y = GAP + ChainRow.BOX + 10;
    sheet.add(
        Shape.rectangle(
            GAP, y, width - 2 * GAP, 34, Optional.of(Ink.DC_HIGH_SOFT), Optional.empty()));
    sheet.text(
        GAP + 12,
        y + 22,
        "120 · %s ÷ %d poles = %s%s"
            .formatted(
                map.greatest(),
                map.poles(),
                whole(map.atTen()),
                driven.commandWired() ? " at 10 V" : ""),
        Face.BOLD,
        14,
        Ink.TEXT,
        width * 0.48);
    sheet.add(
        Shape.text(
            width - GAP - 12,
            y + 22,
            Faces.fit(never(), Face.TEXT, 13, width * 0.44),
            Face.TEXT,
            13,
            Ink.TEXT_SOFT,
            Shape.Anchor.END));
  }

  private String never() {
    if (!driven.commandWired()) return "one speed, set on the drive";
    return map.startsFrom()
        .map(from -> "below %s it never starts; slowest %s".formatted(from, whole(map.slowest())))
        .orElse(
            map.slowestKnown()
                ? "what starts it is not said; slowest " + whole(map.least())
                : "what starts it is not entered, nor its slowest");
  }

  /// Speed against command, with what never starts and what was measured.
  private void speeds(double x, double y) {
    var most = width * LEFT - GAP;
    sheet.text(x, y, "Speed by command", Face.SEMIBOLD, 13, Ink.TEXT, most);
    sheet.text(x, y + 17, measured(), Face.TEXT, SMALL, Ink.TEXT_SOFT, most);
    var ends =
        new double[] {x + 34, y + 28, x + most, height - 24, FULL, ChartGrid.nice(1.1 * top())};
    map.startsFrom()
        .ifPresent(from ->
            sheet.add(
                Shape.rectangle(
                    ends[0],
                    ends[1],
                    across(ends, from.volts()) - ends[0],
                    ends[3] - ends[1],
                    Optional.of(Ink.LINE),
                    Optional.empty())));
    ChartGrid.draw(sheet, ends, "V", "rpm");
    curve(ends);
    map.line()
        .ifPresent(line -> {
          var first = Math.max(0, line.standsBelow().map(Voltage::volts).orElse(0.0));
          sheet.add(
              Shape.line(
                  across(ends, first),
                  up(ends, line.at(new Voltage(first)).value()),
                  across(ends, FULL),
                  up(ends, line.at(new Voltage(FULL)).value()),
                  new Shape.Pen(Ink.TEXT, 1.2, 4)));
        });
    for (var point : map.points())
      sheet.add(
          Shape.circle(
              across(ends, point.command().volts()),
              up(ends, point.speed().value()),
              4,
              Optional.of(Ink.ACCENT),
              Optional.empty()));
    map.startsFrom()
        .ifPresent(from ->
            sheet.text(
                across(ends, from.volts()) + 6,
                ends[1] + 30,
                "starts from " + from,
                Face.TEXT,
                SMALL,
                Ink.TEXT,
                most / 2));
  }

  private double top() {
    return Math.max(
        map.atTen().value(),
        map.points().stream().mapToDouble(p -> p.speed().value()).max().orElse(0));
  }

  private String measured() {
    if (map.points().isEmpty()) return "line: as set; nothing measured yet";
    return map.scaleOff()
        .map(off ->
            "dots: measured; %s of scale, %s at nothing commanded"
                .formatted(
                    Significant.plain(off.percent(), "%"),
                    Math.round(map.offset().orElseThrow().value()) + " rpm"))
        .orElse("dots: measured; two above its slowest tell scale from offset");
  }

  private static double across(double[] ends, double volts) {
    return ends[0] + (ends[2] - ends[0]) * volts / ends[4];
  }

  private static double up(double[] ends, double rpm) {
    return ends[3] - (ends[3] - ends[1]) * Math.min(1, rpm / ends[5]);
  }

  private void curve(double[] ends) {
    var steps = new ArrayList<Shape.Step>();
    var from = map.startsFrom().map(Voltage::volts).orElse(0.01);
    for (var n = 0; n <= 100; n++) {
      var volts = from + (FULL - from) * n / 100;
      var x = across(ends, volts);
      var y = up(ends, map.at(new Voltage(volts)).value());
      steps.add(steps.isEmpty() ? new Shape.Step.Move(x, y) : new Shape.Step.Line(x, y));
    }
    sheet.add(new Shape.Path(steps, Optional.empty(), Optional.of(Shape.Pen.of(Ink.MOTOR, 2.5))));
  }

  /// What is entered, one after the other.
  private void parameters(double x, double y) {
    var lines = DriveSheet.of(driven, study);
    var room = width - GAP - x;
    sheet.text(
        x,
        y,
        "%s: what is entered, in this order".formatted(driven.drive().designation()),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        room);
    sheet.text(
        x,
        y + 17,
        "%d values, some %d key presses; square: only while it stands"
            .formatted(lines.size(), lines.size() * DriveSheet.KEYS),
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        room);
    // With the whole width there is room for what each takes, and why.
    var wide = !driven.commandWired();
    var columns =
        wide
            ? new double[] {x, x + 44, x + 62, x + room * 0.25, x + room * 0.40, x + room * 0.52}
            : new double[] {
              x, x + room * 0.09, x + room * 0.13, x + room * 0.48, x + room * 0.78, x + room
            };
    var row = y + 40;
    sheet.text(columns[0], row, "code", Face.TEXT, SMALL, Ink.TEXT_SOFT, 40);
    sheet.text(columns[3], row, "to be", Face.TEXT, SMALL, Ink.TEXT_SOFT, 100);
    sheet.text(columns[4], row, "came with", Face.TEXT, SMALL, Ink.TEXT_SOFT, 100);
    if (wide) {
      sheet.text(columns[5], row, "takes", Face.TEXT, SMALL, Ink.TEXT_SOFT, 100);
      sheet.text(x + room * 0.70, row, "why", Face.TEXT, SMALL, Ink.TEXT_SOFT, 100);
    }
    var each = Math.min(18.5, (height - 6 - row) / Math.max(1, lines.size()));
    for (var line : lines) {
      row += each;
      var wrong = line.row().standing() == SettingsSheet.Standing.DIFFERS || line.readOtherwise();
      if (wrong)
        sheet.add(
            Shape.rectangle(
                x - 4,
                row - each + 4.5,
                room + 4,
                each,
                Optional.of(Ink.ACCENT_SOFT),
                Optional.empty()));
      sheet.text(columns[0], row, line.parameter().code(), Face.MONO, SMALL, Ink.TEXT_SOFT, 40);
      if (line.parameter().stoppedOnly())
        sheet.add(
            Shape.rectangle(
                columns[1], row - 8, 7, 7, Optional.of(Ink.TEXT_SOFT), Optional.empty()));
      sheet.text(
          columns[2], row, line.row().name(), Face.TEXT, 13, Ink.TEXT, columns[3] - columns[2] - 6);
      sheet.text(
          columns[3],
          row,
          line.row().value().orElse("not known"),
          line.asShipped() ? Face.TEXT : Face.BOLD,
          13,
          Ink.TEXT,
          columns[4] - columns[3] - 6);
      sheet.text(
          columns[4],
          row,
          line.parameter().original(),
          Face.TEXT,
          13,
          Ink.TEXT_SOFT,
          columns[5] - columns[4] - 6);
      if (!wide) continue;
      sheet.text(
          columns[5],
          row,
          line.parameter().takes(),
          Face.TEXT,
          SMALL,
          Ink.TEXT_SOFT,
          room * 0.18 - 8);
      sheet.text(
          x + room * 0.70, row, line.row().why(), Face.TEXT, SMALL, Ink.TEXT_SOFT, room * 0.30);
    }
  }
}
