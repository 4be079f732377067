package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Settings texts of several kinds, all invented: read, compared, changed in one value.
class SettingsTextTest {
  private static final String TEXT =
      """
      # axis of the drum, do not touch
      [axis_y]
      steps_per_mm = 40   # before the gear was changed
      fastest: 18000
      reversed = yes ; seen at bring-up

      [axis_z]
      steps_per_mm = 400
      $100=250.000 (x, step/mm)
      #define RAMP 800
      a line that says nothing
      """;

  @ParameterizedTest
  @CsvSource({
    "axis_y.steps_per_mm,40", "axis_z.steps_per_mm,400", "axis_y.fastest,18000",
    "axis_y.reversed,yes", "$100,250.000", "ramp,800"
  })
  void keysAreFoundWhereverTheyStand(String key, String value) {
    assertThat(SettingsText.read(TEXT).value(key)).contains(value);
  }

  /// Read and written it is the same to the last blank, with any ends of lines; one value changed,
  /// only that one differs.
  @Test
  void onlyTheValueChanges() {
    for (var text : new String[] {TEXT, TEXT.replace("\n", "\r\n"), TEXT.stripTrailing(), ""})
      assertThat(SettingsText.read(text).text()).isEqualTo(text);
    var changed = SettingsText.read(TEXT).with(Map.of("axis_z.steps_per_mm", "200")).text();
    assertThat(changed).isEqualTo(TEXT.replace("= 400", "= 200"));
    var define = SettingsText.read(TEXT).with(Map.of("RAMP", "900")).text();
    assertThat(define).isEqualTo(TEXT.replace("RAMP 800", "RAMP 900"));
  }

  @Test
  void differencesAreNamedAndOthersLeftAlone() {
    var wanted = new LinkedHashMap<String, SettingsText.Wanted>();
    wanted.put("axis_y.steps_per_mm", new SettingsText.Wanted("Steps =AX2", "40.0"));
    wanted.put("axis_z.steps_per_mm", new SettingsText.Wanted("Steps =AX3", "200"));
    wanted.put("axis_x.steps_per_mm", new SettingsText.Wanted("Steps =AX1", "80"));
    var text = SettingsText.read(TEXT);
    assertThat(text.differences(wanted))
        .containsExactly(
            new SettingsText.Difference("axis_z.steps_per_mm", "Steps =AX3", "400", "200"));
    assertThat(text.count("steps_per_mm")).isEqualTo(2);
    assertThat(text.value("axis_x.steps_per_mm")).isEmpty();
  }

  /// Whatever bytes a text has, reading changes nothing of it.
  @Test
  void anyTextIsKept() {
    var random = new Random(3);
    var letters = "ab=:;#/[]$ \t\r\n0.9(){}\"äΩ";
    for (var n = 0; n < 400; n++) {
      var text = new StringBuilder();
      for (var i = random.nextInt(120); i > 0; i--)
        text.append(letters.charAt(random.nextInt(letters.length())));
      assertThat(SettingsText.read(text.toString()).text()).isEqualTo(text.toString());
      assertThat(SettingsText.read(text.toString()).all()).doesNotContainKey("");
    }
  }
}
