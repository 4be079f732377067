package nelvar.desktop.control;

import java.util.Optional;
import nelvar.core.model.Conductor;
import nelvar.core.network.Live;
import nelvar.core.network.Meter;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// What the meter shows, in words with units.
public final class MeterWords {
  /// @param warning whether it warns instead of reading
  public record Shown(String text, boolean warning) {
    static Shown reading(String text) {
      return new Shown(text, false);
    }

    static Shown warning(String text) {
      return new Shown(text, true);
    }
  }

  private MeterWords() {}

  public static Shown of(Meter.Reading reading, Live live) {
    return switch (reading) {
      case Meter.Reading.Volts(var value) -> Shown.reading(volts(value));
      case Meter.Reading.Floating _ -> Shown.warning("nothing joins the probes");
      case Meter.Reading.NotKnown _ -> Shown.warning("no steady state: it may be anything");
      case Meter.Reading.Amperes(var value) -> Shown.reading(amperes(value));
      case Meter.Reading.Ohms(var ohms) -> Shown.reading(ohms.toString());
      case Meter.Reading.Open _ -> Shown.reading("open, no way");
      case Meter.Reading.StillLive(var terminal, var across) ->
          Shown.warning(
              live.at(terminal)
                  + " is live"
                  + across
                      .filter(v -> v.rms() >= 1)
                      .map(v -> ", " + volts(v) + " across")
                      .orElse("")
                  + ": switch off first");
      case Meter.Reading.NoSuchTerminal(var terminal) ->
          Shown.warning("there is no terminal " + terminal);
    };
  }

  /// The clamp round a conductor; asks for one where none is selected.
  public static Shown clamp(Optional<Conductor> conductor, Live live) {
    return conductor
        .map(wire ->
            live.current(wire.id())
                .map(current -> Shown.reading(amperes(current) + " in " + wire.label()))
                .orElseGet(() -> Shown.warning("no steady state: it may be anything")))
        .orElseGet(() -> Shown.warning("select a wire to clamp"));
  }

  public static String volts(Live.Both value) {
    return both(
        new Voltage(cut(Math.abs(value.direct()), 1e5)).toString(),
        value.direct() < 0,
        new Voltage(cut(value.alternating().magnitude(), 1e5)).toString(),
        value);
  }

  public static String amperes(Live.Both value) {
    return both(
        new Current(cut(Math.abs(value.direct()), 1e6)).toString(),
        false,
        new Current(cut(value.alternating().magnitude(), 1e6)).toString(),
        value);
  }

  private static double cut(double value, double most) {
    return !Double.isFinite(value) ? most : value < 1e-4 ? 0 : Math.min(value, most);
  }

  private static String both(String direct, boolean negative, String alternating, Live.Both value) {
    var dc = Math.abs(value.direct());
    var ac = value.alternating().magnitude();
    var directText = (negative && dc >= 1e-4 ? "−" : "") + direct + " DC";
    if (ac < 0.02 * dc || ac < 5e-4) return directText;
    if (dc < 0.02 * ac) return alternating + " AC";
    return directText + ", " + alternating + " AC";
  }
}
