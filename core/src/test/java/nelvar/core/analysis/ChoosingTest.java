package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.choice.Choosing;
import nelvar.core.analysis.choice.Goal;
import nelvar.core.analysis.protection.DeviceAgainstLoad;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.analysis.protection.InrushAgainstCurve;
import nelvar.core.analysis.sizing.MinimumSection;
import nelvar.core.analysis.sizing.VoltageDropLimit;
import nelvar.core.analysis.sizing.WireCarriesLoad;
import nelvar.core.analysis.sizing.WithstandsFault;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Percent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class ChoosingTest {
  private static final List<Rule> ITS_RULES =
      List.of(
          new WireCarriesLoad(),
          new MinimumSection(),
          new VoltageDropLimit(),
          new DeviceAgainstLoad(),
          new InrushAgainstCurve(),
          new WithstandsFault());

  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  private static void passes(Project project, List<Rule> rules) {
    var study = study(project);
    for (var rule : rules)
      assertThat(rule.check(study).filter(Verdict.Finding.class::isInstance))
          .as(rule.id())
          .isEmpty();
  }

  /// A 100 W heater at 230 V takes 0.43 A. Behind a C16 on 6 mm² 1 A is the catalogue's least
  /// breaker, curve C its cheapest. 0.75 mm² would carry it, but where nothing is stated the mains
  /// give more than 1 kA, and class 3 lets up to 17000 A²s through (EN 60898-1, from memory):
  /// √17000/115 = 1.13 mm², so 1.5 mm².
  @Test
  void deviceAndWireAreChosenTogetherAndUndoneAsOne() {
    var project =
        Panel.mains()
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "E:L", 6, 2)
            .wire("E:N", "X0:N", 6, 2)
            .build();
    var proposal = Choosing.of(new Id("E"), study(project), Goal.LEAST_COST);
    var next = proposal.edit().apply(project);
    assertThat(next.device(new Id("F")).orElseThrow().part()).isEqualTo("breaker-1p-c1");
    assertThat(next.conductor(new Id("W2")).orElseThrow().section())
        .contains(new CrossSection(1.5));
    assertThat(proposal.costAfter()).isLessThan(proposal.costBefore());
    assertThat(proposal.changes()).allSatisfy(c -> assertThat(c.why()).isNotBlank());
    assertThat(proposal.edit().label()).contains("Choose", "least cost");
    assertThat(Choosing.of(new Id("E"), study(next), Goal.LEAST_COST).changesNothing()).isTrue();
  }

  /// 3 A at 24 V over 40 m: 5 % are 1.2 V; 2 · 40 · 3 A · r · 1.1965 ≤ 1.2 V asks for r ≤ 4.18
  /// mΩ/m, that is 6 mm² throughout (3.3), or one of the two at 4 mm² (4.95): one wire is thickened
  /// less.
  @Test
  void longWiresAreThickenedUntilTheDropIsKept() {
    var project =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 0.75, 40)
            .wire("M:-", "T:-", 0.75, 40)
            .build();
    var next = Choosing.all(study(project), Goal.LEAST_COST).edit().apply(project);
    passes(next, ITS_RULES);
    var out = next.conductor(new Id("W5")).orElseThrow().section().orElseThrow();
    assertThat(out.squareMillimetres()).isBetween(4.0, 6.0);
  }

  @Test
  void whatIsFixedByHandStays() {
    var project =
        Panel.mains()
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "E:L", 6, 2)
            .wire("E:N", "X0:N", 6, 2)
            .build();
    var fixed =
        Edits.fix(new Id("F"), "-F", true)
            .apply(Edits.fix(new Id("W2"), "W2", true).apply(project));
    var proposal = Choosing.all(study(fixed), Goal.LEAST_COST);
    var next = proposal.edit().apply(fixed);
    assertThat(next.device(new Id("F")).orElseThrow().part()).isEqualTo("breaker-1p-c16");
    assertThat(next.conductor(new Id("W2")).orElseThrow().section()).contains(new CrossSection(6));
    assertThat(proposal.left()).contains("-F is fixed by hand", "W2 is fixed by hand");
    // The other wire follows the device that stays.
    assertThat(
            next.conductor(new Id("W3")).orElseThrow().section().orElseThrow().squareMillimetres())
        .isGreaterThanOrEqualTo(2.5);
    assertThat(Edits.fix(new Id("F"), "-F", false).apply(fixed).fixed())
        .containsExactly(new Id("W2"));
  }

  /// On whole machines: the proposal passes its own rules, and choosing again changes nothing.
  @ParameterizedTest
  @EnumSource(Goal.class)
  void theProposalPassesItsRulesAndStays(Goal goal) {
    var project = Demo.settled();
    var proposal = Choosing.all(study(project), goal);
    var next = proposal.edit().apply(project);
    passes(next, ITS_RULES);
    assertThat(
            new DeviceAgainstWire()
                .check(study(next))
                .filter(Verdict.Finding.class::isInstance)
                .map(Verdict::subject))
        .isEmpty();
    assertThat(Choosing.all(study(next), goal).changes()).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4})
  void generatedPanelsToo(long seed) {
    var project = GeneratedPanel.of(40, seed);
    var next = Choosing.all(study(project), Goal.LEAST_COST).edit().apply(project);
    passes(next, List.of(new WireCarriesLoad(), new MinimumSection(), new DeviceAgainstLoad()));
    assertThat(Choosing.all(study(next), Goal.LEAST_COST).changes()).isEmpty();
  }

  /// Fewest kinds never has more kinds than least cost, nor costs less.
  @Test
  void fewestKindsTradesCopperForReels() {
    var study = study(Demo.settled());
    var cheap = Choosing.all(study, Goal.LEAST_COST);
    var few = Choosing.all(study, Goal.FEWEST_KINDS);
    assertThat(few.kindsAfter()).isLessThanOrEqualTo(cheap.kindsAfter());
    assertThat(few.costAfter()).isGreaterThanOrEqualTo(cheap.costAfter());
  }

  /// In the North American school sizes are gauges and a tighter drop takes more copper.
  @Test
  void northAmericanSizesAreGauges() {
    var panel =
        Panel.mains()
            .brief(b ->
                new Brief(
                    b.supply(),
                    b.surroundings(),
                    b.policies().sizedBy(Brief.Sizing.NORTH_AMERICAN)))
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "E:L", 6, 60)
            .wire("E:N", "X0:N", 6, 60);
    var project = panel.build();
    var next = Choosing.all(study(project), Goal.LEAST_COST).edit().apply(project);
    for (var id : List.of("W1", "W2", "W3"))
      assertThat(next.conductor(new Id(id)).orElseThrow().section().orElseThrow().gauge())
          .as(id)
          .contains("14 AWG");
    passes(next, ITS_RULES);
    var tight =
        panel
            .brief(b ->
                new Brief(b.supply(), b.surroundings(), b.policies().withDrop(new Percent(0.2))))
            .build();
    var thicker = Choosing.all(study(tight), Goal.LEAST_COST).edit().apply(tight);
    assertThat(thicker.conductor(new Id("W2")).orElseThrow().section().orElseThrow())
        .isGreaterThan(CrossSection.ofGauge(14));
  }

  private static String part(Project project, String device) {
    return project.device(new Id(device)).orElseThrow().part();
  }

  /// Fuses and motor protective switches are chosen too, of their own class: 0.43 A want the least
  /// gG there is, 2 A; a motor of 3.4 A the range from 2.5 to 4 A, its dial at 3.4 A.
  @Test
  void fusesAndMotorSwitchesAreChosenOfTheirOwnKind() {
    var project =
        Panel.mains()
            .device("F", "fuse-1p-gg16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "E:L", 6, 2)
            .wire("E:N", "X0:N", 6, 2)
            .device("Q", "motor-protector-14a")
            .device("M", "motor-1p5kw-230-400")
            .linked(nelvar.core.catalogue.Linkage.STAR)
            .wire("X0:L1", "Q:1", 2.5, 1)
            .wire("X0:L2", "Q:3", 2.5, 1)
            .wire("X0:L3", "Q:5", 2.5, 1)
            .wire("Q:2", "M:U", 2.5, 5)
            .wire("Q:4", "M:V", 2.5, 5)
            .wire("Q:6", "M:W", 2.5, 5)
            .build();
    var next = Choosing.all(study(project), Goal.LEAST_COST).edit().apply(project);
    assertThat(part(next, "F")).isEqualTo("fuse-1p-gg2");
    assertThat(part(next, "Q")).isEqualTo("motor-protector-4a");
    assertThat(next.device(new Id("Q")).orElseThrow().trip().map(Object::toString))
        .contains("3.4 A");
    passes(next, ITS_RULES);
    passes(next, List.of(new nelvar.core.analysis.protection.MotorOverload()));
    assertThat(Choosing.all(study(next), Goal.LEAST_COST).changes()).isEmpty();
  }

  /// 0.43 A and 2.2 A at least cost have a breaker each; fewest kinds takes the larger for both, as
  /// the wire need be no thicker and it costs less than another kind in stock.
  @Test
  void fewestKindsMergesDevicesToo() {
    var panel =
        Panel.mains()
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 2.5, 0.5)
            .wire("F:2", "E:L", 2.5, 2)
            .wire("E:N", "X0:N", 2.5, 2)
            .device("G", "breaker-1p-c16")
            .wire("X0:L2", "G:1", 2.5, 0.5);
    for (var i = 0; i < 5; i++)
      panel
          .device("H" + i, "heater-100w-230v")
          .wire("G:2", "H" + i + ":L", 2.5, 2)
          .wire("H" + i + ":N", "X0:N", 2.5, 2);
    var project = panel.build();
    var cheap = Choosing.all(study(project), Goal.LEAST_COST).edit().apply(project);
    assertThat(part(cheap, "F")).isNotEqualTo(part(cheap, "G"));
    var proposal = Choosing.all(study(project), Goal.FEWEST_KINDS);
    var few = proposal.edit().apply(project);
    assertThat(part(few, "F")).isEqualTo(part(few, "G")).isEqualTo(part(cheap, "G"));
    assertThat(proposal.changes()).anyMatch(c -> c.why().contains("one kind fewer"));
    passes(few, ITS_RULES);
    assertThat(Choosing.all(study(few), Goal.FEWEST_KINDS).changes()).isEmpty();
  }

  /// Choosing for one load leaves what only others use.
  @Test
  void oneLoadIsChosenAlone() {
    var project =
        Panel.mains()
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .device("G", "breaker-1p-c16")
            .device("H", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "E:L", 6, 2)
            .wire("E:N", "X0:N", 6, 2)
            .wire("X0:L2", "G:1", 6, 0.5)
            .wire("G:2", "H:L", 6, 2)
            .wire("H:N", "X0:N", 6, 2)
            .build();
    var proposal = Choosing.of(new Id("E"), study(project), Goal.LEAST_COST);
    assertThat(proposal.changes())
        .extracting(change -> change.subject().text())
        .containsExactlyInAnyOrder("F", "W1", "W2", "W3");
    var next = proposal.edit().apply(project);
    assertThat(next.device(new Id("G"))).isEqualTo(project.device(new Id("G")));
    assertThat(next.conductor(new Id("W5"))).isEqualTo(project.conductor(new Id("W5")));
  }

  /// Cores of a cable change together, and only to a cable that can be had.
  @Test
  void cablesChangeAsAWhole() {
    var project =
        Panel.mains()
            .bundle("O", nelvar.core.standards.InstallationMethod.E, false)
            .device("F", "breaker-1p-c2")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 2.5, 0.5)
            .cable("C", "cable-3x2p5", 5, "O", 2.5, "F:2", "E:L", "E:N", "X0:N")
            .build();
    var next = Choosing.all(study(project), Goal.LEAST_COST).edit().apply(project);
    var sections =
        next.conductors().stream()
            .filter(c -> c.cable().isPresent())
            .map(c -> c.section().orElseThrow())
            .distinct()
            .toList();
    assertThat(sections).hasSize(1);
    var stock = next.cables().getFirst().stock();
    assertThat(
            ((nelvar.core.catalogue.CableStock) CatalogueFile.standard().find(stock).orElseThrow())
                .section())
        .isEqualTo(sections.getFirst());
    passes(next, ITS_RULES);
  }

  /// What has no length or place is left as it is, and said.
  @Test
  void whatIsNotKnownIsLeftAndSaid() {
    var project =
        Panel.mains()
            .device("F", "breaker-1p-c16")
            .device("E", "heater-100w-230v")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "E:L", 6, 2)
            .wire("E:N", "X0:N", 6, 2)
            .build();
    var homeless =
        project.withConductors(
            Project.changed(
                project.conductors(),
                c -> c.id().equals(new Id("W2")),
                c -> c.withBundle(java.util.Optional.empty())));
    var proposal = Choosing.all(study(homeless), Goal.LEAST_COST);
    assertThat(proposal.left()).anyMatch(text -> text.contains("W2"));
    assertThat(proposal.edit().apply(homeless).conductor(new Id("W2")).orElseThrow().section())
        .contains(new CrossSection(6));
  }

  /// No breaker of the catalogue carries 70 A: the one there stays.
  @Test
  void whereNothingSuitsTheDeviceStays() {
    var panel = Panel.mains().device("F", "breaker-1p-c32");
    for (var i = 0; i < 80; i++) {
      panel
          .device("E" + i, "heater-100w-230v")
          .wire("F:2", "E" + i + ":L", 16, 1)
          .wire("E" + i + ":N", "X0:N", 16, 1);
    }
    var project = panel.wire("X0:L1", "F:1", 16, 1).build();
    var proposal = Choosing.all(study(project), Goal.LEAST_COST);
    assertThat(proposal.left()).contains("no device of the catalogue suits -F");
    assertThat(proposal.edit().apply(project).device(new Id("F")).orElseThrow().part())
        .isEqualTo("breaker-1p-c32");
  }

  /// Removing a thing forgets that it was fixed.
  @Test
  void whatIsRemovedIsNoLongerFixed() {
    var project =
        Panel.mains()
            .device("F", "breaker-1p-c16")
            .wire("X0:L1", "F:1", 6, 0.5)
            .build()
            .withFixed(List.of(new Id("F"), new Id("W1")));
    assertThat(Edits.remove(project.conductor(new Id("W1")).orElseThrow()).apply(project).fixed())
        .containsExactly(new Id("F"));
    assertThat(Edits.remove(project.device(new Id("F")).orElseThrow()).apply(project).fixed())
        .isEmpty();
  }
}
