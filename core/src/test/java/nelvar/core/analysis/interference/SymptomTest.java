package nelvar.core.analysis.interference;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.Demo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SymptomTest {
  private static final Study PLANTED = Panel.study(Demo.planted());

  @ParameterizedTest
  @CsvSource({
    "hopper weight jumps when the auger runs, -U1, -WB9",
    "the steps are lost when the spindle starts, -U1, -U3:STEP+",
    "counts when a valve drops, -Y3, -WB1",
    "-B4 triggers, -WD1, -WB4",
    "-WB4 while -M1 runs, -WD1, -WB4",
    "TRAY EXIT TRIGGERS WHEN THE SOIL AUGER RUNS, -WD1, -WB4",
  })
  void namesWhatCouldDoIt(String text, String disturbs, String hears) {
    var symptom = Symptom.of(text, PLANTED);
    var first = symptom.suspects().getFirst();
    assertThat(first.emitter().label()).isEqualTo(disturbs);
    assertThat(first.receiver().label()).isEqualTo(hears);
    assertThat(symptom.trials()).isNotEmpty();
    // Worst first, cheapest first.
    for (var n = 1; n < symptom.suspects().size(); n++)
      assertThat(symptom.suspects().get(n).margin())
          .isGreaterThanOrEqualTo(symptom.suspects().get(n - 1).margin());
    for (var n = 1; n < symptom.trials().size(); n++)
      assertThat(symptom.trials().get(n).minutes())
          .isGreaterThanOrEqualTo(symptom.trials().get(n - 1).minutes());
  }

  /// Each trial says what both outcomes would mean; what it expects is better than what is.
  @Test
  void trialsSayWhatTheirOutcomesMean() {
    var symptom = Symptom.of("counts when a valve drops", PLANTED);
    for (var trial : symptom.trials()) {
      assertThat(trial.gone()).isNotBlank();
      assertThat(trial.stays()).isNotBlank();
      assertThat(trial.gone()).isNotEqualTo(trial.stays());
      trial
          .margin()
          .ifPresent(m -> assertThat(m).isGreaterThan(symptom.suspects().getFirst().margin() + 3));
    }
    assertThat(symptom.trials())
        .anyMatch(t -> t.what().contains("suppressor across -Y3") && t.dead())
        .anyMatch(t -> t.what().startsWith("Wrap foil"));
  }

  /// What would change nothing is not tried: a foil against a field.
  @Test
  void whatChangesNothingIsNotTried() {
    var symptom = Symptom.of("hopper weight jumps when the auger runs", PLANTED);
    assertThat(symptom.suspects().getFirst().dominant()).contains(WayIn.FIELD);
    assertThat(symptom.trials()).noneMatch(t -> t.what().startsWith("Wrap foil around -WB9"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "   ", "when", "qwerty", "?!", "it is odd"})
  void whatIsNotUnderstoodIsSaid(String text) {
    var symptom = Symptom.of(text, PLANTED);
    assertThat(symptom.suspects()).isEmpty();
    assertThat(symptom.says()).contains("Say what goes wrong");
  }

  /// A machine without a link cannot have lost one by what is drawn.
  @Test
  void whatIsNotWiredIsSaid() {
    assertThat(Symptom.of("link lost", PLANTED).says()).contains("draw its wires first");
  }

  /// Where nothing couples enough, interference is not what is looked for first.
  @Test
  void whatDoesNotCoupleIsSaid() {
    var settled = Panel.study(Demo.settled());
    var symptom = Symptom.of("hopper weight jumps when the auger runs", settled);
    assertThat(symptom.suspects()).isEmpty();
    assertThat(symptom.says()).contains("Look elsewhere first");
  }
}
