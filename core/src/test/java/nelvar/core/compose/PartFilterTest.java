package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.PartFilter;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.PartProperties;
import nelvar.core.file.PartSheet;
import org.junit.jupiter.api.Test;

/// Parts by words and ratings, and all that is known of one.
class PartFilterTest {
  private static final List<Part> ALL = CatalogueFile.standard().all();

  private static List<Part> find(String text) {
    return PartFilter.find(ALL, text, PartSheet::values);
  }

  @Test
  void aLeastRatingKeepsThatAndLarger() {
    var found = find("supply 24 V >= 5 A");
    assertThat(found).isNotEmpty().allMatch(part -> part.name().contains("24 V"));
    assertThat(found)
        .filteredOn(DcSupply.class::isInstance)
        .extracting(part -> ((DcSupply) part).rating().amperes())
        .isNotEmpty()
        .allMatch(amperes -> amperes >= 5);
    assertThat(find("supply 24 V > 5 A")).hasSizeLessThan(found.size());
    assertThat(find("supply 24 V")).hasSizeGreaterThan(found.size());
  }

  @Test
  void aRangeAndAGreatestBound() {
    assertThat(find("breaker 6..16 A"))
        .filteredOn(CircuitBreaker.class::isInstance)
        .extracting(part -> ((CircuitBreaker) part).rating().amperes())
        .isNotEmpty()
        .allMatch(amperes -> amperes >= 6 && amperes <= 16);
    // 16 to 6 is the same range, and 1 kW is 1000 W.
    assertThat(find("breaker 16–6 A")).isEqualTo(find("breaker 6..16 A"));
    assertThat(find("motor < 1 kW")).isEqualTo(find("motor < 1000 W")).isNotEmpty();
    // However it is typed.
    assertThat(find("motor < 1 KW")).isEqualTo(find("motor < 1 kW"));
    assertThat(find("supply 24 v >= 5 a")).isEqualTo(find("supply 24 V >= 5 A"));
    assertThat(find("motor < 1 kW")).noneMatch(part -> part.name().contains("2.2 kW"));
  }

  @Test
  void whatNothingHasFindsNothingAndAnIdFindsItsPart() {
    assertThat(find("supply >= 4000 A")).isEmpty();
    assertThat(find("supply-24v-10a")).extracting(Part::id).containsExactly("supply-24v-10a");
    assertThat(find("cable ≤ 1 mm²")).isNotEmpty().allMatch(part -> part.id().startsWith("cable-"));
  }

  /// Every part has a sheet, and every property of the file stands in it.
  @Test
  void aSheetShowsEverythingThatIsKnown() {
    for (var part : ALL) {
      var sections = PartSheet.of(part);
      var rows = sections.stream().flatMap(section -> section.rows().stream()).toList();
      assertThat(rows).as(part.id()).allMatch(row -> !row.value().isBlank());
      var names = rows.stream().map(PartSheet.Row::name).toList();
      for (var property : PartProperties.of(part).keySet())
        if (!List.of("name", "price", "loss", "noise").contains(property)
            && !property.startsWith("mechanics")
            && !property.startsWith("body")
            && !property.startsWith("fitting")
            && !property.equals("mounting"))
          assertThat(names).as(part.id()).contains(PartSheet.words(property));
      var text = rows.stream().map(PartSheet.Row::value).toList().toString();
      for (var terminal : part.terminals()) assertThat(text).contains(terminal.name());
    }
    var contactor = CatalogueFile.standard().find("contactor-3p-9a-24vdc").orElseThrow();
    assertThat(PartSheet.of(contactor).toString())
        .contains("Coil voltage", "24 V", "Mass", "(assumed)", "Contact");
  }

  @Test
  void besideOneAnotherWhatDiffersIsTold() {
    var two =
        List.of(
            CatalogueFile.standard().find("supply-24v-10a").orElseThrow(),
            CatalogueFile.standard().find("supply-24v-5a").orElseThrow());
    var lines = PartSheet.beside(two);
    assertThat(lines)
        .filteredOn(line -> line.name().equals("Rating"))
        .singleElement()
        .satisfies(line -> {
          assertThat(line.values()).containsExactly("10 A", "5 A");
          assertThat(line.differs()).isTrue();
        });
    assertThat(lines)
        .filteredOn(line -> line.name().equals("Kind"))
        .singleElement()
        .satisfies(line -> assertThat(line.differs()).isFalse());
  }
}
