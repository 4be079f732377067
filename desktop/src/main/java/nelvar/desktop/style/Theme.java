package nelvar.desktop.style;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import javafx.scene.paint.Color;
import nelvar.documents.drawing.Ink;

/// The two looks: workshop paper by day, graphite at the bench. Each gives every ink a colour,
/// once, for style sheets (as `-n-ink-name`) and for drawings.
public enum Theme {
  LIGHT,
  DARK;

  private static final Map<String, Color> PARSED = new ConcurrentHashMap<>();

  @SuppressWarnings("ImmutableEnumChecker") // filled here and never changed after
  private final Map<Ink, String> colours = new EnumMap<>(Ink.class);

  Theme() {
    for (var ink : Ink.values()) colours.put(ink, ink.paper());
    if (name().equals("DARK")) dark();
  }

  private void dark() {
    put(
        Ink.PAPER,
        "#1E1D1B",
        Ink.CARD,
        "#272522",
        Ink.LINE,
        "#3F3B35",
        Ink.TEXT,
        "#EFEAE0",
        Ink.TEXT_SOFT,
        "#B5AC9E",
        Ink.TEXT_FAINT,
        "#8F8679");
    put(
        Ink.ACCENT,
        "#E08A5B",
        Ink.ACCENT_SOFT,
        "#4A3327",
        Ink.ERROR,
        "#F0877B",
        Ink.ERROR_SOFT,
        "#4A2622",
        Ink.WARNING,
        "#E3B04B",
        Ink.WARNING_SOFT,
        "#443719");
    put(
        Ink.ADVICE,
        "#C5B9F0",
        Ink.SETTLED,
        "#7FBF9F",
        Ink.MAINS,
        "#B596B5",
        Ink.MAINS_SOFT,
        "#4B3F4B",
        Ink.DC_HIGH,
        "#6DB8B4",
        Ink.DC_HIGH_SOFT,
        "#244745");
    put(
        Ink.DC_LOW,
        "#8FAEDD",
        Ink.DC_LOW_SOFT,
        "#2E3D57",
        Ink.MOTOR,
        "#B3BC7F",
        Ink.MOTOR_SOFT,
        "#3D4228",
        Ink.EARTH,
        "#93C47D");
    put(
        Ink.DUCT,
        "#34312C",
        Ink.FILLED,
        "#6B5F4D",
        Ink.HEAT_LOW,
        "#3A3226",
        Ink.HEAT,
        "#57452B",
        Ink.HEAT_HIGH,
        "#7A5A30");
  }

  private void put(Object... inksAndColours) {
    for (var i = 0; i < inksAndColours.length; i += 2)
      colours.put((Ink) inksAndColours[i], (String) inksAndColours[i + 1]);
  }

  public Color colour(Ink ink) {
    return PARSED.computeIfAbsent(Objects.requireNonNull(colours.get(ink)), Color::web);
  }

  /// A style sheet that defines the inks as looked-up colours.
  public String styleSheet() {
    var css = new StringBuilder(".root {");
    colours.forEach((ink, colour) ->
        css.append(" -n-")
            .append(ink.name().toLowerCase(Locale.ROOT).replace('_', '-'))
            .append(": ")
            .append(colour)
            .append(';'));
    css.append(" }");
    return "data:text/css;base64,"
        + Base64.getEncoder().encodeToString(css.toString().getBytes(StandardCharsets.UTF_8));
  }
}
