package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.model.Id;
import nelvar.desktop.control.Facts;
import org.junit.jupiter.api.Test;

/// The numbers of the side sheet, without a window.
class FactsTest {
  private final Study study = open();

  private static Study open() {
    try {
      return Study.of(
          ProjectFile.at(Path.of("../demo/seed-tray-filler/seed-tray-filler.nelvar.json")).open(),
          CatalogueFile.standard());
    } catch (nelvar.core.file.UnreadableFile e) {
      throw new IllegalStateException(e);
    }
  }

  private Map<String, Facts.Fact> device(String id) {
    return Facts.of(study.device(new Id(id)).orElseThrow(), study).stream()
        .collect(Collectors.toMap(Facts.Fact::name, fact -> fact, (a, _) -> a));
  }

  private Map<String, Facts.Fact> wire(String id) {
    return Facts.of(study.conductor(new Id(id)).orElseThrow(), study).stream()
        .collect(Collectors.toMap(Facts.Fact::name, fact -> fact, (a, _) -> a));
  }

  /// By hand: 3 + 2.5 + 6 · 0.2 + 0.7 + 0.4 A and coils of (4.5 + 4.5 + 5.5) W/24 V are 8.404 A; 24
  /// · 8.404/0.9 − 24 · 8.404 = 22.4 W of heat.
  @Test
  void aSupplyTellsItsLoadItsShareAndItsHeat() {
    var facts = device("T2");
    assertThat(facts.get("Gives, all on").value()).isEqualTo("8.4 A of 10 A");
    assertThat(facts.get("Gives, all on").working())
        .hasValueSatisfying(trail -> assertThat(trail.text()).contains("Ib = Σ I · g"));
    assertThat(facts.get("Share of its rating").value()).isEqualTo("84 %");
    // With duty it gives less than that, and loses less.
    assertThat(facts.get("Heat, with duty").value()).endsWith(" W");
    assertThat(facts.get("Heat, with duty").working()).isPresent();
    assertThat(facts.get("At switching on").value()).isEqualTo("34 A peak, 1 ms");
    assertThat(facts.get("From").value()).isEqualTo("-X0 400 V");
  }

  @Test
  void aLoadTellsWhatReachesIt() {
    var facts = device("M6");
    assertThat(facts.get("Takes, all on").value()).isEqualTo("3 A");
    assertThat(facts.get("Takes, with duty").value()).isEqualTo("0.75 A");
    assertThat(facts.get("Voltage at it").value()).isEqualTo("22.3 V");
    assertThat(facts.get("Drop on its wires").working()).isPresent();
    assertThat(device("E2").get("Drop on its wires").value()).endsWith(" %");
  }

  @Test
  void aBreakerTellsTheLeastThatWouldDo() {
    var facts = device("F5");
    assertThat(facts.get("All on").value()).endsWith("of 6 A");
    assertThat(facts.get("At switching on").value()).isEqualTo("34 A peak, 1 ms");
    // D 3 A lets 30 A pass, more than the 24 A effective.
    assertThat(facts.get("Least that would do").value()).isEqualTo("D 3 A");
    assertThat(device("F21")).containsKey("Channel 1, all on");
  }

  @Test
  void theInletTellsItsLines() {
    assertThat(device("X0"))
        .containsKeys(
            "Most loaded line", "Running, with duty", "Upstream device", "Loop impedance");
  }

  @Test
  void aWireTellsWhatItCarriesAndMayCarry() {
    var facts = wire("W32");
    assertThat(facts.get("Carries, all on (Ib)").value()).isEqualTo("6.7 A");
    assertThat(facts.get("May carry (Iz)").value()).isEqualTo("7.21 A");
    assertThat(facts.get("Protected by (In)").value()).isEqualTo("none; -T2 24 V, 10 A");
    assertThat(facts.get("Least that would do").value()).isEqualTo("2.5 mm²");
    assertThat(facts.get("Lies in").value()).isEqualTo("D6, conduit to the valve box");
    assertThat(facts.get("Is long").value()).isEqualTo("6 m, said by hand");
    assertThat(wire("W15").get("Protected by (In)").value()).isEqualTo("-F1 C 6 A");
  }

  @Test
  void everyNumberHasItsUnit() {
    for (var device : study.project().devices()) {
      for (var fact : Facts.of(device, study))
        assertThat(fact.value())
            .as(device.designation() + " " + fact.name())
            .matches("(?s).*(A( peak)?|V|W|mm|mm, assumed|°C|%|Ω|not known.*|not fed|ms|s)$");
    }
    for (var conductor : study.project().conductors()) {
      for (var fact : Facts.of(conductor, study))
        assertThat(fact.value()).as(conductor.label() + " " + fact.name()).isNotBlank();
    }
  }
}
