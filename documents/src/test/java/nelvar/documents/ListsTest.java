package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import nelvar.core.analysis.load.PowerTree;
import nelvar.core.model.Deviation;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.documents.content.ListTable;
import nelvar.documents.content.Lists;
import nelvar.documents.drawing.Grouped;
import org.junit.jupiter.api.Test;

class ListsTest {
  private final Review review = Machines.planted(false);

  private static List<String> row(ListTable table, String first) {
    return table.rows().stream()
        .filter(row -> row.getFirst().equals(first))
        .findFirst()
        .orElseThrow();
  }

  /// W32: 6.7 A, 10.3 · 1 · 0.7 = 7.21 A, 6.7 A · 19.5 mΩ/m · 6 m · 1.1965 = 0.938 V.
  @Test
  void aWireTellsWhereItGoesAndWhatItCarries() {
    assertThat(row(Lists.wires(review.study()), "W32"))
        .containsExactly(
            "W32",
            "-X41:1",
            "-X40:4",
            "1 mm²",
            "black",
            "6",
            "said by hand",
            "D6, conduit to the valve box",
            "6.7",
            "7.21",
            "0.938");
    assertThat(row(Lists.wires(review.study()), "W26")).contains("1.34", "by its way");
    var numbers = Lists.wires(review.study()).rows().stream().map(List::getFirst).limit(3).toList();
    assertThat(numbers).as("in the order people count").containsExactly("W1", "W2", "W3");
  }

  @Test
  void aCableTellsItsSpareCores() {
    assertThat(row(Lists.cables(review.study()), "-WD1"))
        .containsExactly(
            "-WD1",
            "Cable 4×1.5 mm², shielded",
            "-U1, -M1",
            "9",
            "said by hand",
            "M16",
            "-WD1, plate of the cabinet, tray along the frame",
            "4",
            "0");
    assertThat(Lists.cables(review.study()).rows()).hasSize(review.project().cables().size());
  }

  /// What is written on the ends: two rows a wire. What is cut adds up to the wires; ferrules to
  /// the ends of each section.
  @Test
  void labelsCutListAndFerrulesAddUp() {
    var study = review.study();
    var wires = study.project().conductors();
    var labels = Lists.named("labels", review).orElseThrow().rows();
    assertThat(labels).hasSize(2 * wires.size());
    assertThat(labels)
        .anySatisfy(row -> assertThat(row).startsWith("W26", "W26", "-F3:2", "-T3:L"));
    var cut = Lists.named("cut-list", review).orElseThrow().rows();
    assertThat(cut)
        .hasSize(
            (int) wires.stream().filter(w -> w.cable().isEmpty()).count()
                + study.project().cables().size());
    var ends =
        Lists.named("ferrules", review).orElseThrow().rows().stream()
            .mapToInt(row -> Integer.parseInt(row.getLast()))
            .sum();
    assertThat(ends).isEqualTo(2 * wires.size());
    // DIN 46228-4, German series, from memory: 1.5 mm² black, 8 mm.
    assertThat(Lists.named("ferrules", review).orElseThrow().rows())
        .anySatisfy(row -> assertThat(row).startsWith("1.5 mm²", "1.5 mm²", "black", "8", "10"));
  }

  /// By hand: 125 + 314.2 + 60 = 499 mm in 17 links of 30 mm; the loop 1.1 · 226 = 249 mm; it
  /// stands out 30 + 100 + 13 = 143 mm.
  @Test
  void carriersAreListedWithTheirRoom() {
    var carriers = Lists.named("carriers", review).orElseThrow().rows();
    assertThat(carriers).hasSize(1);
    assertThat(carriers.getFirst())
        .containsExactly(
            "cable carrier of the press",
            "upright, its loop below",
            "250",
            "17",
            "30",
            "499",
            "100",
            "249",
            "143",
            "0",
            "0",
            "0");
  }

  /// The 0 V of the valve box joins the way back of what stands there; in the cabinet nothing is a
  /// joint.
  @Test
  void jointsOutsideTheCabinetAreListed() {
    var joints = Lists.named("joints", review).orElseThrow().rows();
    assertThat(joints)
        .anySatisfy(row -> {
          assertThat(row).startsWith("-X41");
          assertThat(row.get(3)).contains("W142", "W144");
          assertThat(row.get(4)).contains("-M6:-");
        })
        .noneSatisfy(row -> assertThat(row.getFirst()).isEqualTo("-X30"));
  }

  @Test
  void theTerminalPlanNamesBothEndsAndWhatStaysSpare() {
    var rows = Lists.terminals(review.study()).rows();
    assertThat(rows).anySatisfy(row -> assertThat(row).startsWith("-T2", "+", "W130 to -F21:+"));
    assertThat(rows).anySatisfy(row -> assertThat(row).startsWith("-K2", "3", "spare"));
    assertThat(rows).anySatisfy(row -> assertThat(row).startsWith("-UC1", "DOOR", "open"));
  }

  @Test
  void theBillCountsPiecesAndMetres() {
    var bill = Lists.billOfMaterials(review.study());
    assertThat(row(bill, "Solenoid valve, 24 V DC, 4.8 W"))
        .containsExactly(
            "Solenoid valve, 24 V DC, 4.8 W",
            "-Y1, -Y2, -Y3, -Y4, -Y5, -Y6",
            "6",
            "pc",
            "22.00",
            "132.00");
    // Cable WY0, the only one of its kind: 7 m.
    assertThat(row(bill, "Cable 2×1 mm²").subList(2, 4)).containsExactly("7", "m");
    assertThat(bill.rows().getLast().getFirst()).startsWith("Total, EUR");
  }

  @Test
  void settingsTellWhy() {
    assertThat(Lists.settings(review.study()).rows())
        .contains(List.of("-U1", "Motor current", "1.45 A", "nameplate of -M1, star"));
  }

  /// The dial of a motor protective switch is a setting like any other.
  @Test
  void theDialOfAMotorSwitchIsOnTheSettingSheet() {
    var project = Machines.planted();
    var breaker =
        project.devices().stream()
            .filter(device -> device.part().startsWith("breaker-3p"))
            .findFirst()
            .orElseThrow();
    var switched =
        Edits.trip(breaker, java.util.Optional.of(new nelvar.core.units.Current(1.45)))
            .apply(project);
    assertThat(Lists.settings(Machines.review(switched).study()).rows().getFirst())
        .startsWith(breaker.designation().text(), "Overload trip", "1.45 A")
        .last()
        .asString()
        .startsWith("protects -");
  }

  @Test
  void findingsDeviationsAndGapsHaveTheirLists() {
    // Alike findings stand in one row, and none is lost.
    var rows = Lists.findings(review).rows();
    assertThat(rows)
        .hasSize(nelvar.core.review.Alike.of(review.open()).size())
        .allMatch(row -> row.size() == 6);
    assertThat(Lists.findings(review).rows().getFirst().getFirst()).isEqualTo("error");
    assertThat(Lists.deviations(review).rows()).hasSize(9);
    assertThat(Lists.notChecked(review).rows()).isEmpty();
    var project = Machines.planted();
    var unmeasured =
        project.withConductors(
            project.conductors().stream()
                .map(w -> w.label().text().equals("W142") ? w.asRouted() : w)
                .toList());
    assertThat(Lists.notChecked(Machines.review(unmeasured)).rows())
        .contains(
            List.of(
                "-M6",
                "Every load gets its voltage: the drop from its source stays within the limit.",
                "because the length of W142 is not known yet"));
    var accepted =
        Machines.review(
            Edits.accept(
                    new Deviation(
                        "runs.reach",
                        new Id("W38"),
                        "measured on site later",
                        "workshop",
                        "2026-07-01"))
                .apply(Machines.planted()));
    assertThat(Lists.deviations(accepted).rows())
        .hasSize(10)
        .contains(
            List.of(
                "W38",
                "It does not reach",
                "measured on site later",
                "workshop",
                "2026-07-01",
                "runs.reach"));
    assertThat(Lists.findings(accepted).rows()).hasSize(rows.size() - 1);
  }

  @Test
  void everyLoadHasItsShortCircuitCurrents() {
    var rows = Lists.faults(review.study()).rows();
    assertThat(rows)
        .anyMatch(row ->
            row.get(0).equals("-E1:L")
                && row.get(4).startsWith("-F6, C 2 A")
                && row.get(5).equals("0.1 s"))
        .anyMatch(row -> row.get(0).equals("-U3:+") && row.get(5).equals("need not open"));
    for (var row : rows)
      assertThat(Double.parseDouble(row.get(2)))
          .isGreaterThanOrEqualTo(Double.parseDouble(row.get(3)));
  }

  @Test
  void listsAreFoundByTheirNames() {
    for (var list : Lists.all(review)) assertThat(Lists.named(list.name(), review)).contains(list);
    assertThat(Lists.named("no-such", review)).isEmpty();
  }

  @Test
  void loadsOfAKindAreFoldedUntilOneIsChosen() {
    var study = review.study();
    var sensors =
        PowerTree.of(study).stream()
            .flatMap(root -> root.all())
            .filter(point ->
                point.kind() == PowerTree.Kind.PROTECTION
                    && point.children().stream()
                        .anyMatch(child -> child.device().id().text().equals("B1")))
            .findFirst()
            .orElseThrow();
    var folded = Grouped.behind(sensors, study, Set.of());
    assertThat(folded)
        .singleElement()
        .satisfies(group -> {
          assertThat(group.name()).isEqualTo("-B1…-B11");
          assertThat(group.purpose(study)).isEqualTo("11 sensors");
          // 5 · 30 + 3 · 15 + 80 + 20 + 24 mA
          assertThat(group.amperes())
              .isCloseTo(0.319, org.assertj.core.api.Assertions.within(1e-9));
        });
    assertThat(Grouped.behind(sensors, study, Set.of(new Id("B3"))))
        .hasSize(11)
        .allMatch(Grouped::single);
    var controllers =
        PowerTree.of(study).stream()
            .flatMap(root -> root.all())
            .filter(point ->
                point.kind() == PowerTree.Kind.PROTECTION
                    && point.children().stream()
                        .anyMatch(child -> child.device().id().text().equals("A1")))
            .findFirst()
            .orElseThrow();
    assertThat(Grouped.behind(controllers, study, Set.of()).getFirst().name())
        .isEqualTo("-A1, -A2");
    assertThat(Grouped.of(controllers.children(), study, Set.of()))
        .as("on paper two stay two")
        .hasSize(2);
  }

  /// By function: the same rows, each with the function it belongs to, in the order of the
  /// functions; what serves the whole machine last. The bill still sums to the same.
  @Test
  void listsGoByWhatTheMachineMustDo() {
    var project = review.project();
    var functions =
        new java.util.ArrayList<>(
            project.functions().stream().map(f -> f.designation() + " " + f.name()).toList());
    functions.add("whole machine");
    for (var list : Lists.all(review, true)) {
      var plain = Lists.named(list.name(), review).orElseThrow();
      var grouped = list.columns().getFirst().heading().equals("Function");
      assertThat(grouped)
          .as(list.name())
          .isEqualTo(
              !java.util.Set.of(
                      "findings",
                      "deviations",
                      "not-checked",
                      "ferrules",
                      "fill",
                      "carriers",
                      "wiring-hours",
                      "wiring-sheet",
                      "repair-sheet")
                  .contains(list.name()));
      if (!grouped) {
        assertThat(list).isEqualTo(plain);
        continue;
      }
      var places = list.rows().stream().map(row -> functions.indexOf(row.getFirst())).toList();
      assertThat(places).as(list.name()).isSorted().doesNotContain(-1);
      if (list.name().equals("bill-of-materials"))
        assertThat(list.rows().getLast().getLast()).isEqualTo(plain.rows().getLast().getLast());
      else
        assertThat(list.rows().stream().map(row -> row.subList(1, row.size())).toList())
            .containsExactlyInAnyOrderElementsOf(plain.rows());
    }
    var wires = Lists.all(review, true).getFirst();
    assertThat(wires.rows()).anyMatch(row -> row.getFirst().equals("=AX2 seed drum"));
  }
}
