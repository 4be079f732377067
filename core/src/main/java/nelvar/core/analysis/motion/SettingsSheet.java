package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;

/// What is to be set for an axis, in drive and controller, each with what the computation gives,
/// what has been entered, and why.
public final class SettingsSheet {
  /// Of values that carry their unit.
  private static final List<Kind<? extends Quantity>> KINDS =
      List.of(Kind.CURRENT, Kind.VOLTAGE, Kind.FREQUENCY, Kind.DURATION);

  private SettingsSheet() {}

  /// How a value stands.
  public enum Standing {
    /// Nothing is entered.
    TO_ENTER,
    /// What is entered is what was computed, or is not computed at all.
    ENTERED,
    /// Another one is entered.
    DIFFERS,
    /// One to try with is entered.
    TO_TRY,
    /// It cannot be computed; why says what is missing.
    UNKNOWN
  }

  /// @param value to be set, as it is typed; empty where it cannot be computed
  /// @param entered as it stands
  /// @param enters what writes it down as entered; empty where it cannot be
  public record Row(
      Device device,
      String name,
      String unit,
      Optional<String> value,
      Optional<String> entered,
      String why,
      Standing standing,
      Optional<Edit> enters) {}

  /// Of all axes and all drives of a machine, each value once.
  public static List<Row> all(Study study) {
    return java.util.stream.Stream.of(
            MotionAxes.of(study).stream().flatMap(axis -> of(axis, study).stream()),
            DrivenMotor.all(study).stream()
                .flatMap(driven -> DriveSheet.of(driven, study).stream())
                .map(DriveSheet.Line::row),
            DialedMotor.all(study).stream().map(DialedMotor::row))
        .flatMap(rows -> rows)
        .collect(
            java.util.stream.Collectors.toMap(
                row -> row.device().id().text() + "\n" + row.name(),
                row -> row,
                (first, _) -> first,
                java.util.LinkedHashMap::new))
        .values()
        .stream()
        .toList();
  }

  /// With the papers that say it.
  static Row cited(Row row, Study study) {
    var papers = PapersAgree.cited(row.device(), row.name(), study);
    return papers.isEmpty()
        ? row
        : new Row(
            row.device(),
            row.name(),
            row.unit(),
            row.value(),
            row.entered(),
            row.why() + " (" + papers + ")",
            row.standing(),
            row.enters());
  }

  /// Of one axis, with where its soft limits may lie and the papers that say a value.
  public static List<Row> of(MotionAxis axis, Study study) {
    var all = new ArrayList<>(AxisValues.of(axis));
    var stretch = AxisStretch.of(axis, study);
    var name = AxisStretch.SOFT + axis.name();
    var entered = AxisStretch.said(axis, AxisStretch.SOFT);
    var allowed = stretch.allowed();
    if (allowed.isEmpty() && entered.isEmpty())
      return all.stream().map(row -> cited(row, study)).toList();
    var within =
        stretch
            .soft()
            .filter(soft ->
                allowed
                    .filter(a -> soft.least() >= a.least() && soft.greatest() <= a.greatest())
                    .isPresent())
            .flatMap(_ -> entered);
    all.add(
        row(
            axis.board(),
            name,
            "mm",
            within.or(() -> allowed.map(AxisEnds::words)),
            entered,
            "from its zero, with as much room at the far stop as behind its switch",
            false));
    return all.stream().map(row -> cited(row, study)).toList();
  }

  static Row row(
      Device device,
      String name,
      String unit,
      Optional<String> value,
      Optional<String> entered,
      String why,
      boolean test) {
    var standing =
        test
            ? Standing.TO_TRY
            : entered.isEmpty()
                ? value.isEmpty() ? Standing.UNKNOWN : Standing.TO_ENTER
                : value.isEmpty() || same(value.get(), entered.get())
                    ? Standing.ENTERED
                    : Standing.DIFFERS;
    return new Row(
        device,
        name,
        unit,
        value,
        entered,
        why,
        standing,
        value.map(text -> PinEdits.say(device, name, text)));
  }

  /// As numbers where both are; a value with its unit is the same as one without.
  static boolean same(String value, String entered) {
    if (value.strip().equalsIgnoreCase(entered.strip())) return true;
    if (value.contains("/")) return value.equals(entered.replace(" ", ""));
    for (var kind : KINDS) {
      var one = kind.readStrict(value);
      var other = kind.readStrict(entered);
      if (one instanceof Reading.Value<? extends Quantity>(var a)
          && other instanceof Reading.Value<? extends Quantity>(var b))
        return a.equals(b) || a.toString().equals(b.toString());
    }
    var one = AxisSettings.number(value);
    var other = AxisSettings.number(entered);
    if (one.isPresent() && other.isPresent()) return Math.abs(one.get() / other.get() - 1) < 5e-4;
    return false;
  }
}
