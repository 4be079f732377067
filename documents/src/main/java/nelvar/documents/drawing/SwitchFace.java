package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.motion.AxisSettings;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.catalogue.SwitchBank;
import nelvar.core.catalogue.Trimmer;

/// The switches of a drive as one sees them, each where it has to stand for what is set.
final class SwitchFace {
  private static final double SMALL = MotionSheet.SMALL;

  private final MotionAxis axis;
  private final MotionSheet sheet;
  private final double most;

  /// @param most room for it
  SwitchFace(MotionAxis axis, MotionSheet sheet, double most) {
    this.axis = axis;
    this.sheet = sheet;
    this.most = most;
  }

  /// How high it stands, captions and all, below its y.
  double height() {
    return axis.settable()
            .bank()
            .map(bank -> 133 + 15.0 * said(bank).size())
            .orElse(axis.servo().isPresent() ? 28.0 : 52.0)
        + (axis.settable().trimmer().isPresent() ? TRIMMER : 0);
  }

  private static final double TRIMMER = 46;

  /// The bank as one sees it, each switch where it has to stand; a trimmer below it.
  void draw(double x, double y) {
    bankOrWords(x, y);
    axis.settable()
        .trimmer()
        .ifPresent(trimmer -> trimmer(trimmer, x, y + height() - TRIMMER - 20));
  }

  /// Its slot, which way gives more, the volts it has to give, and what it stands.
  private void trimmer(Trimmer trimmer, double x, double y) {
    var current = axis.set().orElse(axis.rated().times(axis.company().parallel()));
    sheet.add(
        Shape.circle(
            x + 22, y + 24, 20, Optional.of(Ink.CARD), Optional.of(Shape.Pen.of(Ink.TEXT, 1.5))));
    sheet.add(Shape.line(x + 10, y + 33, x + 34, y + 15, Shape.Pen.of(Ink.TEXT, 4)));
    sheet.text(
        x + 52,
        y + 14,
        "%s against 0 V for %s".formatted(trimmer.reference(current), current),
        Face.BOLD,
        13,
        Ink.TEXT,
        most - 52);
    sheet.text(
        x + 52,
        y + 30,
        trimmer.turns().orElse("which way gives more is not stated"),
        Face.TEXT,
        SMALL,
        Ink.TEXT,
        most - 52);
    sheet.text(
        x + 52,
        y + 45,
        "stands %s bare, %s with a heat sink"
            .formatted(
                trimmer.bare().map(Object::toString).orElse("?"),
                trimmer.cooled().map(Object::toString).orElse("?")),
        Face.TEXT,
        SMALL,
        Ink.TEXT_SOFT,
        most - 52);
  }

  private void bankOrWords(double x, double y) {
    var bank = axis.settable().bank();
    sheet.text(
        x,
        y,
        axis.drive().designation()
            + (bank.isPresent()
                ? bank.get().jumpered()
                    ? ": its jumpers as one sees them"
                    : ": its switches as one sees them"
                : axis.servo().isPresent() ? ": pulses a turn, compared" : ": how it is set"),
        Face.SEMIBOLD,
        13,
        Ink.TEXT,
        most);
    if (bank.isEmpty() && axis.servo().isPresent()) return;
    if (bank.isEmpty()) {
      sheet.text(
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
        .ifPresent(words -> sheet.text(x, y + 17, words, Face.TEXT, SMALL, Ink.TEXT_SOFT, most));
    bank(bank.get(), x, y + 26);
  }

  private void bank(SwitchBank bank, double x, double y) {
    var each = Math.min(34, (most - 60) / bank.ways());
    var wide = 56 + each * bank.ways();
    sheet.add(Shape.rounded(x, y, wide, 84, 4, Optional.of(Ink.TEXT_SOFT), Optional.empty()));
    if (bank.jumpered()) {
      jumpers(bank, x, y, each);
      return;
    }
    var on = bank.onIsUp() ? y + 24 : y + 52;
    sheet.text(x + 8, on, "ON", Face.BOLD, SMALL, Ink.CARD, 40);
    sheet.add(
        Shape.polygon(
            Optional.of(Ink.CARD),
            Optional.empty(),
            bank.onIsUp()
                ? new double[] {x + 30, on, x + 40, on, x + 35, on - 9}
                : new double[] {x + 30, on - 9, x + 40, on - 9, x + 35, on}));
    for (var way = 1; way <= bank.ways(); way++) {
      var stands = stands(bank, way);
      var left = x + 48 + (way - 1) * each;
      sheet.add(
          Shape.rectangle(left, y + 10, each * 0.5, 50, Optional.of(Ink.TEXT), Optional.empty()));
      sheet.middle(
          left + each * 0.25, y + 76, String.valueOf(way), Face.BOLD, SMALL, Ink.CARD, each);
      if (stands.isEmpty()) {
        sheet.middle(left + each * 0.25, y + 40, "?", Face.BOLD, 14, Ink.WARNING_SOFT, each);
        continue;
      }
      var up = stands.get() == bank.onIsUp();
      sheet.add(
          Shape.rectangle(
              left + 1,
              up ? y + 11 : y + 36,
              each * 0.5 - 2,
              23,
              Optional.of(Ink.CARD),
              Optional.empty()));
    }
    captions(bank, x, y);
  }

  private void captions(SwitchBank bank, double x, double y) {
    var lines = said(bank);
    for (var n = 0; n < lines.size(); n++)
      sheet.text(x, y + 100 + n * 15, lines.get(n), Face.TEXT, SMALL, Ink.TEXT_SOFT, most);
  }

  /// Pairs of pins, a cap over those that are fitted.
  private void jumpers(SwitchBank bank, double x, double y, double each) {
    sheet.text(x + 8, y + 34, "cap on", Face.BOLD, SMALL, Ink.CARD, 44);
    for (var way = 1; way <= bank.ways(); way++) {
      var stands = stands(bank, way);
      var left = x + 54 + (way - 1) * each;
      if (stands.filter(fitted -> fitted).isPresent())
        sheet.add(
            Shape.rounded(left - 3, y + 8, 18, 50, 3, Optional.of(Ink.CARD), Optional.empty()));
      for (var pin : new double[] {y + 20, y + 46})
        sheet.add(
            Shape.circle(
                left + 6,
                pin,
                4,
                Optional.of(stands.isEmpty() ? Ink.WARNING_SOFT : Ink.TEXT),
                Optional.of(Shape.Pen.of(Ink.CARD, 1))));
      sheet.middle(left + 6, y + 76, String.valueOf(way), Face.BOLD, SMALL, Ink.CARD, each);
    }
    captions(bank, x, y);
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
        var set = axis.set().orElse(axis.rated().times(axis.company().parallel()));
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
  private List<String> said(SwitchBank bank) {
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
}
