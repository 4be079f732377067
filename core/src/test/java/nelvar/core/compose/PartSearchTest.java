package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.PartSearch;
import nelvar.core.file.CatalogueFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartSearchTest {
  private static List<Part> find(String text) {
    return PartSearch.find(CatalogueFile.standard(), text);
  }

  /// The first part found is the one that was meant.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "24 V supply 5 A | supply-24v-5a",
        "24V supply 10A 240 W | supply-24v-10a",
        "breaker C 6 A 1 pole | breaker-1p-c6",
        "motor 0,55 kW | motor-0p55kw-230-400",
        "motor 550 W | motor-0p55kw-230-400",
        "valve 24 V | valve-24vdc-4w8",
        "relay coil 24 V | relay-6a-24vdc",
        "drive 0.75 kW 400 V | drive-3ph-400-0p75kw",
        "supply-24v-5a | supply-24v-5a",
        "breaker 1 pole c 6 | breaker-1p-c6",
        "mist pump | pump-24v-3a",
      })
  void theFirstIsTheOneThatWasMeant(String text, String id) {
    assertThat(find(text).getFirst().id()).isEqualTo(id);
  }

  /// 24 V never finds 240 W, nor a 12 V supply.
  @Test
  void aNumberCountsOnlyWithItsUnitAndWhole() {
    assertThat(find("24 V supply")).isNotEmpty().allMatch(part -> part.name().contains("24 V"));
    assertThat(find("supply 240 W")).isNotEmpty().allMatch(part -> part.name().contains("240 W"));
    assertThat(find("breaker 1 A"))
        .isNotEmpty()
        .noneMatch(part -> part.name().contains("10 A") || part.name().contains("16 A"));
  }

  @Test
  void nonsenseFindsNothing() {
    assertThat(find("frobnicator")).isEmpty();
    assertThat(find("supply 17 V")).isEmpty();
    assertThat(find("")).hasSizeGreaterThan(100);
  }
}
