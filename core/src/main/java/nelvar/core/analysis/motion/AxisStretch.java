package nelvar.core.analysis.motion;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.Target;
import nelvar.core.catalogue.Sensor;
import nelvar.core.model.Device;
import nelvar.core.units.Length;

/// The ends of an axis along its travel, in mm from its zero: hard stops, the point where its home
/// switch trips, how long its target is, where soft limits lie.
///
/// The home switch is at the low end; its zero is *Home offset =AX1* beyond where it trips. Soft
/// limits are *Soft limits =AX1* with the value `0 to 180`; what the program does before homing is
/// *Before homing =AX1*: `refused`, `slow` or `free`. Room behind the switch is `overrun 25 mm` and
/// the travel between the hard stops `travel 250 mm` of its function.
///
/// @param trip where the home switch trips
/// @param low and @param high hard stops; empty where room or travel is not said
/// @param target length of what the switch sees; @param gap to it
/// @param stopping from the fastest
/// @param soft limits as entered
public record AxisStretch(
    double trip,
    Optional<Double> low,
    Optional<Double> high,
    Optional<Device> homeSwitch,
    Optional<Double> target,
    Optional<Double> gap,
    Optional<Double> stopping,
    Optional<Soft> soft,
    Optional<String> beforeHoming) {
  /// Of an axis of which nothing is said.
  public static final AxisStretch UNKNOWN =
      new AxisStretch(
          0,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  /// Names of the settings of the controller, before the name of the axis.
  public static final String OFFSET = "Home offset ";

  public static final String SOFT = "Soft limits ";
  public static final String BEFORE = "Before homing ";

  /// Left free between a soft limit and what is behind it, mm; common practice.
  static final double KEPT = 2;

  private static final Pattern RANGE =
      Pattern.compile(
          "(?i)(-?[0-9]+(?:[.,][0-9]+)?)\\s*(?:mm)?\\s*(?:to|\\.\\.|–)\\s*(-?[0-9]+(?:[.,][0-9]+)?)\\s*(?:mm)?");

  /// Between which the program lets it go.
  public record Soft(double least, double greatest) {}

  public static AxisStretch of(MotionAxis axis, Study study) {
    var trip = -said(axis, OFFSET).flatMap(AxisSettings::number).orElse(0.0);
    var low = axis.mechanics().overrun().map(room -> trip - room);
    var high = low.flatMap(from -> axis.wants().travel().map(t -> from + t.metres() * 1000));
    var home = home(axis, study);
    var target =
        home.flatMap(d -> study.project().setting(d.id(), Target.SETTING))
            .flatMap(Target::read)
            // Teeth that pass one after the other are counted, not homed on.
            .filter(t -> t.every().isEmpty());
    return new AxisStretch(
        trip,
        low,
        high,
        home,
        target.flatMap(Target::size).map(AxisStretch::millimetres),
        target.flatMap(Target::distance).map(AxisStretch::millimetres),
        StopsInTime.stopping(axis).map(AxisStretch::millimetres),
        said(axis, SOFT).flatMap(AxisStretch::soft),
        said(axis, BEFORE).map(text -> text.strip().toLowerCase(Locale.ROOT)));
  }

  private static double millimetres(Length length) {
    return length.metres() * 1000;
  }

  static Optional<String> said(MotionAxis axis, String name) {
    return axis.others().stream()
        .filter(s ->
            s.device().equals(axis.board().id()) && s.name().equalsIgnoreCase(name + axis.name()))
        .map(nelvar.core.model.Setting::value)
        .findFirst();
  }

  static Optional<Soft> soft(String text) {
    var range = RANGE.matcher(text.strip());
    if (!range.matches()) return Optional.empty();
    var soft = new Soft(number(range.group(1)), number(range.group(2)));
    return soft.least() < soft.greatest() ? Optional.of(soft) : Optional.empty();
  }

  private static double number(@org.jspecify.annotations.Nullable String text) {
    return Double.parseDouble(String.valueOf(text).replace(',', '.'));
  }

  /// What its function senses with, that by its name is a home or limit switch before others.
  private static Optional<Device> home(MotionAxis axis, Study study) {
    var serving =
        study.project().devices().stream()
            .filter(d ->
                axis.function().isPresent()
                    && d.serves().equals(axis.function().map(f -> f.id()))
                    && study.part(d).orElse(null) instanceof Sensor)
            .toList();
    return named(serving, "home")
        .or(() -> named(serving, "limit"))
        .or(() -> serving.stream().findFirst());
  }

  private static Optional<Device> named(List<Device> devices, String word) {
    return devices.stream()
        .filter(d -> d.purpose().toLowerCase(Locale.ROOT).contains(word))
        .findFirst();
  }

  /// Whether there is anything to be drawn.
  public boolean known() {
    return low.isPresent() || soft.isPresent();
  }

  /// The soft limits that its stops allow: from its zero to the far stop, as much room left there
  /// as behind the switch.
  public Optional<Soft> allowed() {
    if (low.isEmpty() || high.isEmpty()) return Optional.empty();
    var room = trip - low.get();
    var most = Math.floor(high.get() - Math.max(room, KEPT));
    var least = Math.max(0, Math.ceil(trip + (trip < 0 ? 0 : KEPT)));
    return most > least ? Optional.of(new Soft(least, most)) : Optional.empty();
  }
}
