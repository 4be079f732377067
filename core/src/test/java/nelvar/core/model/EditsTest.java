package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.Panel;
import nelvar.core.analysis.parts.OwnPartShadows;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.PartProperties;
import nelvar.core.finding.Verdict;
import nelvar.core.model.edit.Differences;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.Merge;
import nelvar.core.model.edit.NextName;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.CrossSection;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import org.junit.jupiter.api.Test;

class EditsTest {
  private final Project demo = Demo.planted();

  private Device device(String id) {
    return demo.device(new Id(id)).orElseThrow();
  }

  private Conductor wire(String id) {
    return demo.conductor(new Id(id)).orElseThrow();
  }

  @Test
  void aWireTakesAnotherSection() {
    var edit =
        Edits.section(
            "W32", Set.of(new Id("W32")), new CrossSection(2.5), CatalogueFile.standard());
    assertThat(edit.label()).isEqualTo("Make W32 2.5 mm²");
    assertThat(edit.apply(demo).conductor(new Id("W32")).orElseThrow().section())
        .contains(new CrossSection(2.5));
    assertThat(demo.conductor(new Id("W32")).orElseThrow().section()).contains(new CrossSection(1));
  }

  @Test
  void manyWiresTakeOneColourAndOneDuct() {
    var core =
        demo.conductors().stream().filter(c -> c.cable().isPresent()).findFirst().orElseThrow();
    var ids = Set.of(new Id("W1"), new Id("W2"), core.id());
    var red = Edits.colour(ids, "red").on(demo, CatalogueFile.standard());
    assertThat(red.conductors().stream().filter(c -> ids.contains(c.id())))
        .allMatch(c -> c.colour().filter("red"::equals).isPresent());
    assertThat(red.conductors().stream().filter(c -> !ids.contains(c.id())).toList())
        .isEqualTo(demo.conductors().stream().filter(c -> !ids.contains(c.id())).toList());
    var duct = demo.bundles().getLast();
    var laid = Edits.bundle(ids, duct).on(demo, CatalogueFile.standard());
    assertThat(laid.conductor(new Id("W1")).orElseThrow().bundle()).contains(duct.id());
    // A core lies where its cable lies.
    assertThat(laid.conductor(core.id()).orElseThrow().bundle()).isEqualTo(core.bundle());
    assertThat(laid.cable(core.cable().orElseThrow()).orElseThrow().bundle()).contains(duct.id());
  }

  @Test
  void theCoresOfACableChangeTogetherWithTheCable() {
    var core =
        demo.conductors().stream()
            .filter(c -> c.cable().isPresent() && c.cable().get().text().equals("WB1"))
            .findFirst()
            .orElseThrow();
    var next =
        Edits.section("-WB1", Set.of(core.id()), new CrossSection(0.75), CatalogueFile.standard())
            .apply(demo);
    assertThat(
            next.conductors().stream()
                .filter(c -> c.cable().equals(core.cable()))
                .map(c -> c.section().orElseThrow().squareMillimetres()))
        .containsOnly(0.75);
    assertThat(next.cable(new Id("WB1")).orElseThrow().stock()).isEqualTo("cable-3x0p75");
    assertThatThrownBy(() ->
            Edits.section("-WB1", Set.of(core.id()), new CrossSection(35), CatalogueFile.standard())
                .apply(demo))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("no cable like");
  }

  @Test
  void swappingKeepsTheWiresOrIsRefused() {
    var larger = CatalogueFile.standard().find("supply-24v-20a").orElseThrow();
    assertThat(
            Edits.swap(device("T2"), larger).apply(demo).device(new Id("T2")).orElseThrow().part())
        .isEqualTo("supply-24v-20a");
    var valve = CatalogueFile.standard().find("valve-24vdc-4w8").orElseThrow();
    assertThatThrownBy(() -> Edits.swap(device("T2"), valve).apply(demo))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("Move that wire first");
  }

  @Test
  void removingADeviceLeavesNothingHanging() {
    var accepted =
        Edits.accept(
                new Deviation(
                    "parts.coil-suppression",
                    new Id("Y3"),
                    "short and far away",
                    "workshop",
                    "2026-01-01"))
            .apply(demo);
    var next = Edits.remove(device("U1")).then(Edits.remove(device("Y3"))).apply(accepted);
    assertThat(Consistency.check(next, CatalogueFile.standard())).isEmpty();
    assertThat(next.settings()).noneMatch(s -> s.device().text().equals("U1"));
    assertThat(next.deviations())
        .isNotEmpty()
        .noneMatch(d -> d.subject().text().equals("U1") || d.subject().text().equals("Y3"));
  }

  @Test
  void everyEditLeavesASoundProject() {
    var edits =
        List.of(
            Edits.rename(device("B5"), new Designation("-B55")),
            Edits.relabel(wire("W1"), new Designation("W999")),
            Edits.purpose(device("M6"), "spray pump"),
            Edits.use(
                device("M6"),
                new Use(
                    Optional.of(new Percent(50)),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty())),
            Edits.link(device("M2"), Linkage.DELTA),
            Edits.suppress(device("Y3"), Suppression.DIODE),
            Edits.leaveSpare(device("A1"), "DI16"),
            Edits.length(wire("W38"), new Length(2)),
            Edits.length(
                demo.conductors().stream()
                    .filter(c -> c.cable().isPresent())
                    .findFirst()
                    .orElseThrow(),
                new Length(4)),
            Edits.bundle(wire("W1"), new Id("P2")),
            nelvar.core.model.edit.RunEdits.asRouted("W32", java.util.Set.of(new Id("W32"))),
            nelvar.core.model.edit.RunEdits.gland(
                demo.cables().getFirst(), Optional.of(nelvar.core.model.Cable.Gland.M25)),
            nelvar.core.model.edit.RunEdits.keep(
                demo.layout().cabinets().getFirst(),
                demo.layout().cabinets().getFirst().ducts().getFirst(),
                Optional.of(nelvar.core.model.Bundle.Only.SIGNALS)),
            nelvar.core.model.edit.RunEdits.lay(
                "Lay it elsewhere",
                java.util.Set.of(demo.cables().getFirst().id()),
                java.util.Set.of(),
                new nelvar.core.model.Bundle(
                    new Id("P9"),
                    "another tray",
                    nelvar.core.standards.InstallationMethod.E,
                    false)),
            Edits.remove(wire("W1")),
            Edits.set(new Setting(new Id("U1"), "Motor current", "1.5 A", "measured")));
    for (var edit : edits) {
      var next = edit.apply(demo);
      assertThat(next).as(edit.label()).isNotEqualTo(demo);
      assertThat(Consistency.check(next, CatalogueFile.standard())).as(edit.label()).isEmpty();
      assertThat(edit.label()).isNotBlank();
    }
  }

  @Test
  void acceptingNeedsAReasonAndCanBeTakenBack() {
    assertThatThrownBy(() -> new Deviation("r", new Id("Y3"), " ok", "a", "b"))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("reason");
    var deviation =
        new Deviation(
            "parts.coil-suppression",
            new Id("Y3"),
            "valve has one inside",
            "workshop",
            "2026-01-01");
    var accepted = Edits.accept(deviation).then(Edits.accept(deviation)).apply(demo);
    assertThat(accepted.deviations()).hasSize(demo.deviations().size() + 1).endsWith(deviation);
    assertThat(Edits.reopen(deviation).apply(accepted)).isEqualTo(demo);
  }

  @Test
  void aSettingOfTheSameNameIsReplaced() {
    var next =
        Edits.set(new Setting(new Id("U1"), "Motor current", "1.5 A", "measured")).apply(demo);
    assertThat(next.settings()).hasSize(demo.settings().size());
  }

  @Test
  void ownPartsAreAddedOnce() {
    var part =
        PartProperties.copy(
            CatalogueFile.standard().find("pump-24v-3a").orElseThrow(), "our-pump", "our pump");
    var next = Edits.ownParts("Add", List.of(part)).apply(demo);
    assertThat(next.ownParts()).containsExactly(part);
    assertThatThrownBy(() -> Edits.ownParts("Add", List.of(part)).apply(next))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("another id");
  }

  @Test
  void freeNamesAreFound() {
    assertThat(NextName.designation(demo, "-F")).hasToString("-F7");
    assertThat(NextName.id(demo, "F1")).hasToString("F1.2");
    assertThat(NextName.id(demo, "-:-")).hasToString("x");
  }

  @Test
  void designationsSortAsPeopleCount() {
    assertThat(
            List.of(new Designation("-K10"), new Designation("-K2"), new Designation("-A1"))
                .stream()
                .sorted())
        .map(Designation::text)
        .containsExactly("-A1", "-K2", "-K10");
  }

  @Test
  void absurdNamesAreRefused() {
    assertThatThrownBy(() -> new Id("a b")).isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> new Designation("x".repeat(25)))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> TerminalRef.of("F4:")).isInstanceOf(ImpossibleQuantity.class);
    assertThat(Panel.mains().build().revision()).isEqualTo("–");
  }

  private static Project own(String id) {
    var valve = CatalogueFile.standard().find("valve-24vdc-4w8").orElseThrow();
    var panel =
        Panel.dc()
            .part(PartProperties.copy(valve, id, "our valve"))
            .device("Y", id)
            .wire("T:+", "Y:1", 1, 1)
            .wire("Y:2", "T:-", 1, 1)
            .build();
    assertThat(Consistency.check(panel, CatalogueFile.standard().with(panel.ownParts()))).isEmpty();
    return panel;
  }

  /// An own part that changes under the wires on it, or to something that cannot be, is refused
  /// with the reason; the file stays one that can be opened.
  @Test
  void anOwnPartIsNotChangedUnderItsWires() {
    var contactor = CatalogueFile.standard().find("contactor-3p-9a-24vdc").orElseThrow();
    var ours = PartProperties.copy(contactor, "ours", "our contactor");
    var project = Panel.dc().part(ours).device("K", "ours").wire("T:+", "K:5", 1, 1).build();
    var one = PartProperties.with(ours, "poles", "1").orThrow();
    assertThatThrownBy(() -> Edits.replacePart(one).on(project, CatalogueFile.standard()))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("Nothing was changed")
        .hasMessageContaining("no terminal '5'");
    assertThat(PartProperties.with(ours, "coil.least", "150 %"))
        .isInstanceOfSatisfying(
            Reading.Misread.class,
            said -> assertThat(said.message()).contains("from a lowest to a highest"));
  }

  /// A part of one's own under the name of a shipped one is refused; a file that has one says so.
  @Test
  void anOwnPartNeverHidesAShippedOneInSilence() {
    var valve = CatalogueFile.standard().find("valve-24vdc-4w8").orElseThrow();
    var again = PartProperties.copy(valve, valve.id(), "our valve");
    assertThatThrownBy(() ->
            Edits.ownParts("Import", List.of(again))
                .on(Panel.dc().build(), CatalogueFile.standard()))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("valve-24vdc-4w8-own");
    var rule = new OwnPartShadows();
    assertThat(Panel.judge(rule, "Y", own("valve-24vdc-4w8"))).isInstanceOf(Verdict.Finding.class);
    assertThat(Panel.judge(rule, "Y", own("valve-ours"))).isInstanceOf(Verdict.Pass.class);
  }

  /// What differs is named thing by thing; two that grew apart are brought together where they
  /// touch different things, and refused where one took away what the other hung something on.
  @Test
  void twoVersionsAreComparedAndMerged() {
    var base = Panel.dc().device("M", "pump-24v-3a").build();
    var pump = base.device(new Id("M")).orElseThrow();
    var breaker = base.device(new Id("F")).orElseThrow();
    var mine = Edits.purpose(pump, "mine").apply(base);
    var theirs = Edits.purpose(breaker, "theirs").apply(base);
    assertThat(Differences.between(base, mine))
        .extracting(Object::toString)
        .containsExactly("-M changed, purpose: nothing → mine");
    var merged = Merge.of(base, mine, theirs, CatalogueFile.standard());
    assertThat(merged.both()).isEmpty();
    assertThat(merged.project()).isEqualTo(Edits.purpose(pump, "mine").apply(theirs));
    var gone = Edits.remove(pump).apply(base);
    assertThat(Merge.of(base, base, gone, CatalogueFile.standard()).project()).isEqualTo(gone);
    assertThat(Merge.of(base, gone, base, CatalogueFile.standard()).project()).isEqualTo(gone);
    var wired =
        Edits.add(
                "Wire",
                new Conductor(
                    new Id("N"),
                    new Designation("N"),
                    TerminalRef.of("T:+"),
                    TerminalRef.of("M:+"),
                    Conductor.Function.POWER,
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty()))
            .apply(base);
    assertThatThrownBy(() -> Merge.of(base, wired, gone, CatalogueFile.standard()))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("do not go together");
  }

  /// Ducts and cables are made, changed and removed by edits; what lay in them stays a project that
  /// can be written.
  @Test
  void ductsAndCablesAreMadeChangedAndRemoved() {
    var catalogue = nelvar.core.file.CatalogueFile.standard();
    var project =
        nelvar.core.Panel.dc()
            .device("M", "pump-24v-3a")
            .cable("C1", "cable-2x1", 3, "D", 1, "T:+", "M:+", "M:-", "T:-")
            .build();
    var duct = new Bundle(new Id("D2"), "second duct", InstallationMethod.B1, false);
    var made = Edits.add(duct).on(project, catalogue);
    var cable = made.cables().getFirst();
    var laid = Edits.change(cable.withBundle(Optional.of(duct.id()))).on(made, catalogue);
    assertThat(laid.cables().getFirst().bundle()).contains(duct.id());
    var renamed =
        Edits.change(new Bundle(duct.id(), "tray", InstallationMethod.E, false))
            .on(laid, catalogue);
    assertThat(renamed.bundles().getLast().name()).isEqualTo("tray");
    var without = Edits.remove(duct).on(renamed, catalogue);
    assertThat(without.bundles()).hasSize(1);
    assertThat(without.cables().getFirst().bundle()).isEmpty();
    var gone = Edits.remove(without.cables().getFirst()).on(without, catalogue);
    assertThat(gone.cables()).isEmpty();
    assertThat(gone.conductors()).noneMatch(c -> c.cable().isPresent());
    var again = Edits.add(cable).on(gone, catalogue);
    assertThat(again.cables()).containsExactly(cable);
  }
}
