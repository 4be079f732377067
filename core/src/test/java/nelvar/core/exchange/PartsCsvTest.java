package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.ElectronicProtection;
import nelvar.core.catalogue.Solenoid;
import nelvar.core.file.UnreadableFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartsCsvTest {
  private static final String VALVE =
      "kind,id,name,price,coil.voltage,coil.power,coil.least,coil.greatest\n";

  @Test
  void readsPartsWithInnerPropertiesAndLists() throws Exception {
    var parts =
        PartsCsv.read(
            "p.csv",
            VALVE + "solenoid,our-valve,\"Our valve, small\",19.50,24 V,\"6,5 W\",90 %,110 %\n");
    assertThat(parts)
        .singleElement()
        .isInstanceOfSatisfying(
            Solenoid.class,
            valve -> {
              assertThat(valve.name()).isEqualTo("Our valve, small");
              assertThat(valve.price()).hasToString("Optional[19.50]");
              assertThat(valve.coil().power().watts()).isEqualTo(6.5);
            });
    var semicolons =
        PartsCsv.read(
            "p.csv",
            "\uFEFFkind;id;name;poles;rating;curve;breakingCapacity;price\r\ncircuit-breaker;our-b;Our breaker;2;10 A;c;6000 A;\r\n");
    assertThat(semicolons)
        .singleElement()
        .isInstanceOfSatisfying(
            CircuitBreaker.class, breaker -> assertThat(breaker.price()).isEmpty());
    var lists =
        PartsCsv.read(
            "p.csv",
            "kind,id,name,channels\nelectronic-protection,our-e,Our module,2 A;4 A\n"
                .replace("2 A;4 A", "\"2 A; 4 A\""));
    assertThat(lists)
        .singleElement()
        .isInstanceOfSatisfying(
            ElectronicProtection.class, module -> assertThat(module.channels()).hasSize(2));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "id,name\\na,b|must name the columns kind, id and name",
        "kind,id,name\\nwidget,a,b|there is no kind of part 'widget'; known are",
        "kind,id,name,poles,rating,curve,breakingCapacity\\ncircuit-breaker,a,b,1,ten,c,6000 A|line 2: column 5, rating: 'ten' is not a current",
        "kind,id,name,poles,rating,curve\\ncircuit-breaker,a,b,1,6 A,c|the property 'breakingCapacity' is missing",
        "kind,id,name,lines,neutral,colour\\nmains-inlet,a,b,3,true,red|there is no property 'colour' here",
        "kind,id,name\\nheater,a|the row has 2 cells, the headings are 3",
        "kind,id,name|there is no part below the headings",
        "kind,kind,name\\na,b,c|",
        "''|must name the columns",
      })
  void wrongRowsAreNamedByLine(String text, String message) {
    assertThatThrownBy(() -> PartsCsv.read("p.csv", text.replace("\\n", "\n")))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining(message == null ? "p.csv" : message)
        .hasMessageContaining("nothing was added");
  }

  /// What is quoted from the file stands on one line and moves no cursor; odd headings are named by
  /// their column.
  @Test
  void messagesQuoteWhatIsWrittenOnOneLine() {
    assertThatThrownBy(() -> PartsCsv.read("p.csv", "kind,id,name,power\nheater,a,b,\"6\n5 W\"\n"))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("column 4, power: '6 5 W'")
        .hasMessageNotContaining("\n");
    assertThatThrownBy(() -> PartsCsv.read("p.csv", "kind,id,name,coil,coil.voltage\na,b,c,d,e\n"))
        .hasMessageContaining("line 1: column 4: 'coil' cannot stand beside 'coil.voltage'");
    assertThatThrownBy(() -> PartsCsv.read("p.csv", "kind,id,name,coil..voltage\na,b,c,d\n"))
        .hasMessageContaining("line 1: column 4: 'coil..voltage' is no heading");
    assertThatThrownBy(() -> PartsCsv.read("p.csv", "kind,id,name,,x\na,b,c,d,e\n"))
        .hasMessageContaining("column 4 has no heading");
    assertThatThrownBy(() -> PartsCsv.read("p.csv", "kind,id,name,x,x\na,b,c,d,e\n"))
        .hasMessageContaining("columns 4 and 5 have the same heading 'x'");
  }
}
