package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.compose.need.DraftList;
import nelvar.core.compose.need.Need;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Means;
import nelvar.core.units.Reading;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NeedReaderTest {
  private static Need need(String text) {
    return NeedReader.read(text).orThrow();
  }

  /// What one would say, and what is made of it: kind, and everything it wants in a sentence.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "4 valves 24 V on the gantry | OPEN | 4 × valve, 24 V, at the gantry",
        "stepper 4.2 A belt 24 teeth 5 mm gear 3:1 | MOVE | stepper motor, 4.2 A, belt 24 teeth 5 mm gear 3:1",
        "stepper 4.2 A screw 2 start 5 mm friction 40 N travel 800 mm 20 kg at 3000 mm/min | MOVE | stepper motor, 4.2 A, 3000 mm/min, travel 0.8 m, 20 kg, screw 2 start 5 mm friction 40 N",
        "spindle 2.2 kW 3x230 V | TURN | motor on a drive, 2.2 kW, 3x230 V",
        "spindle 2.2 kW 3x230 V 400 Hz | TURN | motor on a drive, 2.2 kW, 3x230 V, 400 Hz",
        "2 stop buttons | STOP | 2 × stop button",
        "e-stop x2 | STOP | 2 × stop button",
        "stepper 4.2 A on gantry | MOVE | stepper motor, 4.2 A, at the gantry",
        "pump 24V 3A | PUMP | 24 V, 3 A",
        "heater 12 V 40 W bed | HEAT | 40 W, 12 V",
        "limit switch x 6 NPN | SENSE | 6 × limit switch",
        "PC | COMPUTE | computer",
        "three photo eyes | SENSE | 3 × photo eye",
        "0,55 kW motor on the mains | TURN | motor on the mains, 550 W",
        "belt motor 0.25 kW | TURN | 250 W",
        "motor on the mains 0.12 kW stirrer | TURN | motor on the mains, 120 W",
        "screw conveyor: motor 1.5 kW on the mains on the tower | TURN | motor on the mains, 1.5 kW, at the tower",
        "motor on a drive, pump 1.5 kW | PUMP | motor on a drive, 1.5 kW",
        "pressure transmitter 4-20 mA | MEASURE | 4–20 mA transmitter",
        "2 load cells 0-10 V | MEASURE | 2 × 0–10 V transmitter",
        "axis 12 kg travel 400 mm resolution 0.02 mm 6000 mm/min | MOVE | 6000 mm/min, travel 0.4 m, 12 kg, resolution 0.02 mm",
        "work light in the cabinet | LIGHT | lamp, at the cabinet",
      })
  void whatOneWouldSay(String text, FunctionKind kind, String wants) {
    var need = need(text);
    assertThat(need.kind()).isEqualTo(kind);
    assertThat(need.wants().words()).isEqualTo(wants);
    assertThat(need.unread()).isEmpty();
  }

  @Test
  void aNameAndADesignationMayStandFirst() {
    var need = need("=AX2 seed drum: stepper 4.2 A");
    assertThat(need.designation().orElseThrow().text()).isEqualTo("=AX2");
    assertThat(need.name()).isEqualTo("seed drum");
    assertThat(need.wants().by()).contains(Means.STEPPER);
    assertThat(need("soil auger motor 0.55 kW").name()).isEqualTo("soil auger motor");
  }

  /// Numbers that belong to nothing are told, never dropped.
  @Test
  void whatIsNotUnderstoodIsTold() {
    assertThat(need("pump 24 V 3 A 17").unread()).containsExactly("17");
    assertThat(need("pump 1e99 V").unread()).containsExactly("1e99");
    assertThat(need("valve 24 V 12 mm").unread()).containsExactly("12 mm");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "   ",
        "24 V",
        "frobnicator 3 A",
        "pump 24 V 12 V",
        "300 valves",
        "0 valves",
        "pump 0 A"
      })
  void nonsenseIsAnsweredWithWhatToWrite(String text) {
    assertThat(NeedReader.read(text))
        .isInstanceOfSatisfying(
            Reading.Misread.class, misread -> assertThat(misread.message()).isNotBlank());
  }

  @Test
  void aListNamesTheLinesItCannotRead() {
    var list =
        DraftList.read(
            "x",
            """
            machine test
            # a remark
            mains 3x400 V 50 Hz TN-S
            school martian
            pump 24 V 3 A
            dancing bear
            =AX1 stepper 3 A
            =AX1 stepper 4 A
            """);
    assertThat(list.problems().stream().map(Object::toString).toList())
        .hasSize(3)
        .anyMatch(text -> text.contains("line 4") && text.contains("write metric or north"))
        .anyMatch(text -> text.contains("line 6, 'dancing bear'"))
        .anyMatch(text -> text.contains("line 8") && text.contains("=AX1 stands twice"));
  }

  @Test
  void whatAListDoesNotSayIsAssumedAndTold() {
    var list = DraftList.read("x", "mains 3x208 V\nvalve 24 V\n");
    assertThat(list.problems()).isEmpty();
    assertThat(list.assumptions())
        .anyMatch(text -> text.contains("60 Hz"))
        .anyMatch(text -> text.contains("North American"))
        .anyMatch(text -> text.contains("Ambient assumed"));
    assertThat(list.project().name()).isEqualTo("x");
    assertThat(
            DraftList.read("x", "mains 230 V 50 Hz TT\nambient 30 °C\nupstream 10 A\nvalve")
                .assumptions())
        .noneMatch(text -> text.contains("Ambient") || text.contains("Hz"));
  }

  /// Absurd lists, alone or together: drawn up or refused by line, never anything else.
  @ParameterizedTest
  @ValueSource(
      strings = {
        "mains 3x230 V\nsocket",
        "mains 230 V\nsupply 24 V 2 A",
        "mains 12000 V\naxis 1 mA\nbutton",
        "mains 24 V\nvalve 24 V",
        "mains 230 V\nambient -3 °C\nsignal tower",
        "mains 230 V\nambient 230 °C\n189 supply",
        "mains 230 V\nupstream 0.001 A\nrouter",
        "mains 3x690 V\nmotor on the mains 5.5 kW",
        "200 valves 24 V\n200 photo eyes",
        "brake 1e9 kW",
        "heater 1000 V 1 W",
        "stepper 99 A",
      })
  void absurdListsAreDrawnUpOrRefusedByLine(String list) {
    var drafting = Drafting.of("x", list, nelvar.core.file.CatalogueFile.standard());
    if (drafting instanceof Drafting.Refused(var problems))
      assertThat(problems).isNotEmpty().allMatch(problem -> problem.why().length() > 10);
    else
      assertThat(((Drafting.Drawn) drafting).draft().review().open())
          .noneMatch(entry ->
              entry.finding().orElseThrow().severity() == nelvar.core.finding.Severity.ERROR);
  }

  /// What an axis moves with is understood wherever it stands, and kept in the builder's words.
  @org.junit.jupiter.params.ParameterizedTest
  @org.junit.jupiter.params.provider.CsvSource({
    "bed: stepper 2.8 A rack module 1 20 teeth gear 3:1 resolution 0.1 mm, 62.83, 3",
    "head: stepper 1.7 A 10 TPI 5 start friction 20 N 4 kg, 12.7, 1",
    "beam: 2 steppers 2.8 A screw 2 start 5 mm ramp 2000 mm/s2 at 6000 mm/min, 10, 1",
    "rotary: stepper 1.7 A turntable gear 90:1, 360, 90",
    "drum: stepper 3 A belt 5 mm 24 teeth gear 3:1, 120, 3"
  })
  void mechanicsAreKept(String text, double travel, double ratio) {
    var need = NeedReader.read(text).orThrow();
    org.assertj.core.api.Assertions.assertThat(need.unread()).as(text).isEmpty();
    org.assertj.core.api.Assertions.assertThat(need.kind()).as(text).isEqualTo(FunctionKind.MOVE);
    var read = nelvar.core.analysis.motion.Mechanics.read(need.wants().detail().orElse(""));
    org.assertj.core.api.Assertions.assertThat(read.perTurn().orElseThrow())
        .isCloseTo(travel, org.assertj.core.api.Assertions.within(0.01));
    org.assertj.core.api.Assertions.assertThat(read.ratio()).isEqualTo(ratio);
    var spindle =
        NeedReader.read("spindle 1.5 kW 24000 rpm cuts hardwood 4 x 8 mm at 3000 mm/min").orThrow();
    org.assertj.core.api.Assertions.assertThat(spindle.unread()).isEmpty();
    org.assertj.core.api.Assertions.assertThat(spindle.wants().speed().orElseThrow().value())
        .isEqualTo(24000);
  }
}
