package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Pin;
import nelvar.core.file.UnreadableFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Boards of one's own, one row a pin; what is wrong is named by line.
class BoardCsvTest {
  @Test
  void oneRowIsOnePin() throws UnreadableFile {
    var board =
        (Controller)
            BoardCsv.read(
                "my-board.csv",
                "pin;type;pin-out;firmware;connector;place;rating;boots;input;current\nD2;logic-input;PD2;Limit X;H1;3;;;7–12 V;80 mA\nD8;pulls to 0 V;PB0;Spindle;H1;9;20 mA;on;;\n");
    assertThat(board.id()).isEqualTo("own-my-board");
    assertThat(board.name()).isEqualTo("my-board");
    assertThat(board.pins()).hasSize(2);
    var first = board.pins().getFirst();
    assertThat(first.type()).isEqualTo(Pin.Type.LOGIC_INPUT);
    assertThat(first.pinOut()).contains("PD2");
    assertThat(first.firmware()).contains("Limit X");
    assertThat(first.at().orElseThrow()).isEqualTo(new Pin.Spot("H1", 3));
    var second = board.pins().get(1);
    assertThat(second.type()).isEqualTo(Pin.Type.OUTPUT_SINKING);
    assertThat(second.rating().orElseThrow().amperes()).isEqualTo(0.02);
    assertThat(second.whileBooting()).contains(true);
    assertThat(BoardCsv.looksLikeOne("Pin,Type\n")).isTrue();
    assertThat(BoardCsv.looksLikeOne("kind,id,name\n")).isFalse();
    assertThat(BoardCsv.pins(board)).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          pin,type\\n                                   | no row below the headings
          pin,type\\nA,serial\\n                       | what the board takes is not said
          pin,type,colour\\nA,serial,red\\n             | column 3: 'colour' is no heading
          pin,type\\n,serial\\n                         | line 2: the row names no pin
          pin,type\\nA,serial\\nA,serial\\n             | line 3: pin 'A' stands twice
          pin,type\\nA,psychic\\n                       | line 2: type: 'psychic' is no type of a pin
          input,current,pin,type,rating\\n5–6 V,0.1 A,A,serial,\\n,,B,output-sinking,much\\n | line 3
          pin,type,place\\nA,serial,top\\n              | place: 'top' is no number
          pin,type,boots\\nA,serial,maybe\\n            | boots: 'maybe' says neither
          input,current,pin,type\\n5–6 V,0.1 A,A,output-contact\\n                | has a common
          input,current,pin,type\\n5–6 V,0.1 A,A,thermistor\\n                    | states its pull-up
          input,current,pin,type,low,high,greatest\\n5–6 V,0.1 A,A,logic-input,3 V,2 V,5 V\\n | each must be more
          input,current,pin,type,connector,place\\n5–6 V,0.1 A,A,serial,J1,999\\n | 1 to 200
          """)
  void whatIsWrongIsNamedByItsLine(String text, String message) {
    assertThatThrownBy(() -> BoardCsv.read("b.csv", text.replace("\\n", "\n")))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining(message)
        .hasMessageContaining("nothing was added");
  }
}
