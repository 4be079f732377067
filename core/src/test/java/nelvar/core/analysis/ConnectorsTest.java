package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Connector;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// Plugs, sockets and leads; surge arresters; banks of relays.
class ConnectorsTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();
  private static final Project DEMO = Demo.settled();

  private static Project with(Project project, String id, String part) {
    return Edits.add(Device.of(new Id(id), "-" + id, "", part, Place.PANEL)).on(project, STANDARD);
  }

  private static Project wired(Project project, TerminalRef from, TerminalRef to, String id) {
    var like = DEMO.conductors().getFirst();
    var wire =
        new Conductor(
            new Id(id),
            new nelvar.core.model.Designation(id),
            from,
            to,
            Conductor.Function.POWER,
            like.section(),
            Optional.of(new nelvar.core.units.Length(1)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
    var all = new java.util.ArrayList<>(project.conductors());
    all.add(wire);
    return project.withConductors(all);
  }

  /// The wires of the demo's mist pump (24 V, 3 A) led over a connector, each through a way.
  private static Project over(String connector) {
    var project = with(DEMO, "X90", connector);
    var pump = new Id("M6");
    var way = 1;
    for (var wire : DEMO.conductors().stream().filter(w -> w.touches(pump)).toList()) {
      var far = wire.from().device().equals(pump) ? wire.to() : wire.from();
      var near = wire.from().device().equals(pump) ? wire.from() : wire.to();
      project = Edits.remove(wire).on(project, STANDARD);
      project = wired(project, far, TerminalRef.of("X90:" + way + "A"), "T" + way + "1");
      project = wired(project, TerminalRef.of("X90:" + way + "B"), near, "T" + way + "2");
      way++;
    }
    return project;
  }

  private static List<Verdict> verdicts(Project project, String rule) {
    return Review.of(project, STANDARD).entries().stream()
        .filter(entry -> entry.rule().id().equals(rule))
        .map(Review.Entry::verdict)
        .toList();
  }

  /// 3 A through ways for 10 A; through ways for 0.5 A of a lead for signals, both are found.
  @Test
  void aWayCarriesNoMoreThanItMay() {
    assertThat(verdicts(over("connector-10-10a"), "parts.connector-ways"))
        .hasSize(2)
        .allMatch(Verdict.Pass.class::isInstance);
    assertThat(verdicts(over("lead-d-25-1m8"), "parts.connector-ways"))
        .hasSize(2)
        .allSatisfy(verdict ->
            assertThat(((Verdict.Finding) verdict).text())
                .contains("carries 3 A; one of its ways may carry 0.5 A")
                .contains("give the supply one of its own"));
    // Its current still finds its way: the pump is fed through it.
    assertThat(Study.of(over("connector-10-10a"), STANDARD).network().feeds(new Id("M6")))
        .isNotEmpty()
        .allMatch(feed -> feed.source().isPresent());
  }

  @Test
  void moreVoltsThanItIsMadeForAreFound() {
    assertThat(verdicts(over("plug-dc-5p5-2p1"), "parts.connector-ways"))
        .allMatch(Verdict.Pass.class::isInstance);
    var low =
        new Connector(
            "own-plug",
            "Plug for 12 V",
            Article.UNKNOWN,
            2,
            new Current(5),
            new Voltage(12),
            Optional.empty(),
            Optional.empty(),
            List.of(),
            Optional.empty());
    var project = over("plug-dc-5p5-2p1").withOwnParts(List.of(low));
    var swapped = Edits.swap(project.device(new Id("X90")).orElseThrow(), low).apply(project);
    assertThat(verdicts(swapped, "parts.connector-ways"))
        .hasSize(2)
        .allSatisfy(verdict ->
            assertThat(((Verdict.Finding) verdict).text())
                .contains("is on 24 V; it is made for 12 V"));
  }

  /// Of a crossed lead, 2 comes out at 3.
  @Test
  void aLeadJoinsByItsMap() {
    var lead = (Connector) STANDARD.find("lead-crossed-9-1m8").orElseThrow();
    assertThat(lead.outAt(2)).isEqualTo(3);
    assertThat(lead.links())
        .anyMatch(link -> link.a().equals("2A") && link.b().equals("3B"))
        .hasSize(9);
  }

  /// 230 V to earth want 253 V; one for 150 V would burn. Without wires nothing is judged.
  @Test
  void aSurgeArresterStandsWhatIsAlwaysThere() {
    assertThat(verdicts(with(DEMO, "F90", "surge-3-n-275v"), "parts.surge-voltage"))
        .singleElement()
        .isInstanceOf(Verdict.NotChecked.class);
    var ends = List.of("L", "N", "PE");
    for (var part : List.of("surge-1-n-275v", "surge-1-n-150v")) {
      var project = with(DEMO, "F90", part);
      for (var end : ends)
        project =
            wired(
                project,
                new TerminalRef(new Id("X0"), end.equals("L") ? "L1" : end),
                TerminalRef.of("F90:" + end),
                "T" + end);
      var verdict = verdicts(project, "parts.surge-voltage").getFirst();
      if (part.endsWith("275v")) assertThat(verdict).isInstanceOf(Verdict.Pass.class);
      else
        assertThat(((Verdict.Finding) verdict).text())
            .startsWith("-F90 stands 150 V for ever, and 25")
            .endsWith("V is wanted here: it would age and burn.");
    }
  }

  /// One relay of a bank pulls in by its own input; the others stay at rest.
  @Test
  void eachRelayOfABankHasItsOwnInput() {
    var project = with(DEMO, "K90", "relay-bank-4-24vdc");
    project = wired(project, TerminalRef.of("T2:-"), TerminalRef.of("K90:-"), "T1a");
    project = wired(project, TerminalRef.of("T2:+"), TerminalRef.of("K90:IN2"), "T2a");
    var live =
        Study.of(project, STANDARD)
            .engine()
            .solve(WhatIf.AS_DESIGNED, Conditions.usual(new Temperature(45)));
    assertThat(live.settled()).isTrue();
    assertThat(closed(live, "C2", "NO2")).isTrue();
    assertThat(closed(live, "C2", "NC2")).isFalse();
    assertThat(closed(live, "C1", "NO1")).isFalse();
    assertThat(closed(live, "C1", "NC1")).isTrue();
  }

  private static boolean closed(Live live, String a, String b) {
    var bank = new Id("K90");
    return live.closed(new PoleRef(new TerminalRef(bank, a), new TerminalRef(bank, b)));
  }
}
