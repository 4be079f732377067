package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import javafx.scene.paint.Color;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Ink;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/// Colours that can be read and told apart. Contrast by the formula of WCAG 2 (from memory): (L1 +
/// 0.05)/(L2 + 0.05).
class ThemeTest {
  private static double luminance(Color colour) {
    return 0.2126 * linear(colour.getRed())
        + 0.7152 * linear(colour.getGreen())
        + 0.0722 * linear(colour.getBlue());
  }

  private static double linear(double channel) {
    return channel <= 0.03928 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
  }

  private static double contrast(Theme theme, Ink a, Ink b) {
    var one = luminance(theme.colour(a));
    var two = luminance(theme.colour(b));
    return (Math.max(one, two) + 0.05) / (Math.min(one, two) + 0.05);
  }

  /// The formula itself: black on white is 21 to 1.
  @Test
  void theFormula() {
    assertThat((luminance(Color.WHITE) + 0.05) / (luminance(Color.BLACK) + 0.05)).isEqualTo(21);
  }

  @ParameterizedTest
  @EnumSource(Theme.class)
  void textIsReadableOnEveryGround(Theme theme) {
    for (var ground :
        List.of(
            Ink.PAPER,
            Ink.CARD,
            Ink.ERROR_SOFT,
            Ink.WARNING_SOFT,
            Ink.ACCENT_SOFT,
            Ink.MAINS_SOFT,
            Ink.DC_HIGH_SOFT,
            Ink.DC_LOW_SOFT,
            Ink.MOTOR_SOFT))
      assertThat(contrast(theme, Ink.TEXT, ground)).as("text on " + ground).isGreaterThan(7);
    for (var ground : List.of(Ink.PAPER, Ink.CARD))
      assertThat(contrast(theme, Ink.TEXT_SOFT, ground))
          .as("soft text on " + ground)
          .isGreaterThan(4.5);
    for (var ink : List.of(Ink.ERROR, Ink.WARNING, Ink.ADVICE, Ink.ACCENT, Ink.SETTLED))
      assertThat(contrast(theme, ink, Ink.CARD)).as(ink + " on card").isGreaterThan(4.5);
    assertThat(contrast(theme, Ink.ERROR, Ink.ERROR_SOFT))
        .as("error on its own ground")
        .isGreaterThan(4);
    assertThat(contrast(theme, Ink.CARD, Ink.ACCENT))
        .as("words on the primary button")
        .isGreaterThan(4.5);
  }

  @ParameterizedTest
  @EnumSource(Theme.class)
  void voltagesAndSeveritiesDoNotShareAColour(Theme theme) {
    var meanings =
        List.of(
            Ink.MAINS,
            Ink.DC_HIGH,
            Ink.DC_LOW,
            Ink.MOTOR,
            Ink.EARTH,
            Ink.ERROR,
            Ink.WARNING,
            Ink.ADVICE,
            Ink.SETTLED,
            Ink.ACCENT);
    var seen = new HashSet<Color>();
    for (var ink : meanings) assertThat(seen.add(theme.colour(ink))).as(ink.name()).isTrue();
    var pairs = new ArrayList<String>();
    for (var a : meanings)
      for (var b : meanings)
        if (a.compareTo(b) < 0 && distance(theme.colour(a), theme.colour(b)) < 0.1)
          pairs.add(a + "/" + b);
    assertThat(pairs).isEmpty();
  }

  private static double distance(Color a, Color b) {
    return Math.sqrt(
        Math.pow(a.getRed() - b.getRed(), 2)
            + Math.pow(a.getGreen() - b.getGreen(), 2)
            + Math.pow(a.getBlue() - b.getBlue(), 2));
  }

  @ParameterizedTest
  @EnumSource(Theme.class)
  void everyColourOfTheStyleSheetIsAnInk(Theme theme) throws Exception {
    var sheet =
        new String(
            Base64.getDecoder()
                .decode(theme.styleSheet().substring("data:text/css;base64,".length())),
            StandardCharsets.UTF_8);
    String css;
    try (var in = ThemeTest.class.getResourceAsStream("/nelvar/desktop/style/nelvar.css")) {
      css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    var used =
        java.util.regex.Pattern.compile("-n-[a-z-]+")
            .matcher(css)
            .results()
            .map(found -> found.group())
            .distinct()
            .toList();
    assertThat(used).isNotEmpty().allSatisfy(name -> assertThat(sheet).contains(name + ":"));
    assertThat(css)
        .as("no colour of its own but shades of black")
        .doesNotContainPattern("#[0-9A-Fa-f]{6}");
  }
}
