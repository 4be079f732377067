package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.MachinePlace;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class HowLongTest {
  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  static Stream<Project> demos() {
    return Stream.of(
        Demo.planted(),
        Demo.settled(),
        Demo.rinser(),
        Demo.rinserSettled(),
        Demo.sprayer(),
        Demo.sprayerSettled());
  }

  private static Conductor wire(Study study, String label) {
    return study.project().conductors().stream()
        .filter(w -> w.label().text().equals(label))
        .findFirst()
        .orElseThrow();
  }

  /// Three wires of the seed-tray filler, by hand from where its parts stand (mm) and 10 % and
  /// twice 100 mm of slack, up to whole centimetres.
  ///
  /// W40, -X0:PE (x 60.5, bottom of the terminals' row 412.5 to 457.5) to -X10:1 (x 520.7, 405 to
  /// 465), duct D3.2 with its middle at 345: up 67.5, along 460.2, down 60: 587.7; × 1.1 + 200 =
  /// 846.
  ///
  /// W26, -F3:2 (x 304.65, bottom 477.5) down 47.5 to D4.2 (525), left 284.65 to D1.2 (x 20), up
  /// 180 to D3.2 (345), right 389.2 to -T3:L (x 409.2, bottom 212.5), up 132.5: 1033.8; 1337.
  ///
  /// W62, -T3:+ (x 416.25, top 87.5, no duct above it): left 21.25 round its edge, down 257.5 to
  /// D3.2, left 177.85 to -K2:1 (x 217.15, top 395), down 50: 506.6; 757.
  @Test
  void threeWiresByHand() {
    var study = study(Demo.settled());
    assertThat(study.length(wire(study, "W40"))).contains(new Length(0.85));
    assertThat(study.length(wire(study, "W26"))).contains(new Length(1.34));
    assertThat(study.length(wire(study, "W62"))).contains(new Length(0.76));
  }

  /// W26: 2.5 mm² of class 5 has 7.98 mΩ/m at 20 °C (IEC 60228, from memory), at 70 °C 9.55; 1.34 m
  /// and 1.76 A lose 22.5 mV. W62: 4 mm², 5.92 mΩ/m, 0.76 m and 7.4 A: 33.3 mV.
  ///
  /// Beside W62 on its 178 mm of D3.2 the two of the 24 V feed (W86, W87, 2.54 A on 2.5 mm²) load
  /// themselves most: 18.3 A · 0.91 · 0.52 for the eight circuits that have a current are 8.66 A,
  /// and 2.54 A are 29 %: below 30 %, so W62 is alone: 24 A · 0.91 · 1. W26 lies beside at most
  /// three circuits for 150 mm or more of its 854 mm in ducts: 18.3 A · 0.91 · 0.7; the crowd at
  /// the corner at x 20 is shorter.
  @Test
  void theirDropsAndGroupingByHand() {
    var study = study(Demo.settled());
    var w26 = wire(study, "W26");
    var w62 = wire(study, "W62");
    assertThat(VoltageDrop.alone(w26, study).orElseThrow().volts()).isCloseTo(0.0225, within(2e-4));
    assertThat(VoltageDrop.alone(w62, study).orElseThrow().volts()).isCloseTo(0.0333, within(3e-4));
    assertThat(Ampacity.of(w62, study).found().orElseThrow().value().amperes())
        .isCloseTo(24 * 0.91, within(0.01));
    assertThat(Ampacity.of(w26, study).found().orElseThrow().value().amperes())
        .isCloseTo(18.3 * 0.91 * 0.7, within(0.01));
  }

  /// Laws on all demos: no way is shorter than straight across, and finding them twice changes
  /// nothing.
  @ParameterizedTest
  @MethodSource("demos")
  void noWayIsShorterThanStraightAcross(Project project) {
    var study = study(project);
    var again = study(project);
    var bodies = Bodies.of(study);
    var routed = 0;
    for (var wire : project.conductors()) {
      assertThat(Routes.of(study).of(wire)).isEqualTo(Routes.of(again).of(wire));
      var from = bodies.of(wire.from().device());
      var to = bodies.of(wire.to().device());
      var route = Routes.of(study).of(wire).route();
      if (from.isEmpty() || to.isEmpty() || route.isEmpty() || wire.plugged()) continue;
      if (from.get().surface() != to.get().surface()) continue;
      routed++;
      assertThat(route.get().length().metres() * 1000)
          .isGreaterThanOrEqualTo(from.get().box().gap(to.get().box()) - 1e-6);
      assertThat(study.length(wire).orElseThrow().metres()).isGreaterThan(0);
    }
    assertThat(routed).isGreaterThan(4);
  }

  /// Closing any duct of a demo never makes any wire between two things on its plate shorter; with
  /// fewer ducts closed none is longer.
  @ParameterizedTest
  @MethodSource("demos")
  void closingADuctNeverShortens(Project project) {
    var study = study(project);
    var cabinet = project.layout().cabinets().getFirst();
    var open = DuctWays.of(cabinet);
    var closed = 0;
    for (var duct : cabinet.ducts()) {
      var without = DuctWays.of(cabinet, d -> !d.equals(duct));
      for (var wire : project.conductors()) {
        var from = onPlate(wire.from(), study);
        var to = onPlate(wire.to(), study);
        if (from.isEmpty() || to.isEmpty()) continue;
        var before = length(open, wire, from.get(), to.get());
        var after = length(without, wire, from.get(), to.get());
        assertThat(after)
            .as("%s without %s", wire.label(), duct.id())
            .isGreaterThanOrEqualTo(before - 1e-9);
        if (after > before + 1) closed++;
      }
    }
    assertThat(closed).isPositive();
  }

  private static Optional<Body> onPlate(TerminalRef end, Study study) {
    return Bodies.of(study).of(end.device()).filter(b -> b.surface() == Surface.PLATE);
  }

  private static double length(DuctWays ways, Conductor wire, Body from, Body to) {
    return ways.length(
        ways.access(from, wire.from().terminal()), ways.access(to, wire.to().terminal()));
  }

  private static Panel twoStrips() {
    return Panel.mains()
        .device("A", "terminals-10x2p5")
        .device("B", "terminals-10x2p5")
        .cabinet(600, 800, 250)
        .cabinet(c -> c.withDucts(List.of(Panel.duct("H", 0, 200, 500, false))))
        .at("A", 50, 100)
        .at("B", 300, 100);
  }

  private static HowLong.Answer answer(Project project, String wire) {
    var study = study(project);
    return HowLong.of(study).answer(wire(study, wire));
  }

  @Test
  void saysWhoSaysSo() {
    var project = twoStrips().wire("A:1", "B:1", 1, 0.7).build();
    assertThat(answer(project, "W1").basis()).isEqualTo(HowLong.Basis.SAID);
    assertThat(answer(project, "W1").length()).contains(new Length(0.7));
    var routed = RunEdits.asRouted("W1", java.util.Set.of(new Id("W1"))).apply(project);
    var by = answer(routed, "W1");
    assertThat(by.basis()).isEqualTo(HowLong.Basis.ROUTED);
    assertThat(by.why()).isEqualTo("H");
    assertThat(by.trail().lines().toString()).contains("10 % and 100 mm at each end");
    // What was only assumed gives way to the way.
    var assumed =
        project.withConductors(project.conductors().stream().map(Conductor::assumed).toList());
    assertThat(answer(assumed, "W1").length()).isEqualTo(by.length());
    var unplaced = assumed.with(assumed.layout().withPlacements(List.of()));
    assertThat(answer(unplaced, "W1").basis()).isEqualTo(HowLong.Basis.ASSUMED);
    assertThat(answer(unplaced, "W1").length()).contains(new Length(0.7));
    assertThat(answer(unplaced, "W1").why()).contains("-A is not mounted yet");
  }

  /// 5 % and twice 50 mm instead: shorter.
  @Test
  void theSchoolOfSlackCounts() {
    var usual = twoStrips();
    usual.wire("A:1", "B:1", 1, 0.7);
    var project = RunEdits.asRouted("W1", java.util.Set.of(new Id("W1"))).apply(usual.build());
    var way = Routes.of(study(project)).of(wire(study(project), "W1")).route().orElseThrow();
    var mm = way.length().metres() * 1000;
    assertThat(answer(project, "W1").length().orElseThrow().metres())
        .isEqualTo(Math.ceil((mm * 1.1 + 200) / 10 - 1e-6) / 100);
    var brief = project.brief();
    var tight =
        project.withBrief(
            new nelvar.core.model.Brief(
                brief.supply(),
                brief.surroundings(),
                brief.policies().answering(School.WIRE_SLACK, School.WIRE_SLACK.options().get(1))));
    assertThat(answer(tight, "W1").length().orElseThrow().metres())
        .isEqualTo(Math.ceil((mm * 1.05 + 100) / 10 - 1e-6) / 100);
  }

  /// To a place of the machine by its distance; through a tray where that is nearer; nowhere where
  /// nobody said how far it is.
  @Test
  void waysOutsideAreTheShortest() {
    var outside =
        new Outside(
            Project.empty("x", "", twoStrips().build().brief())
                .with(
                    new nelvar.core.model.Plan(
                        List.of(),
                        List.of(),
                        List.of(
                            new MachinePlace("gantry", new Length(6)),
                            new MachinePlace("tank", new Length(3)))))
                .withBundles(
                    List.of(
                        tray("P1", "tank", "gantry", 2, Optional.empty()),
                        tray(
                            "P2",
                            "cabinet",
                            "gantry",
                            4,
                            Optional.of(nelvar.core.model.Bundle.Only.SIGNALS)))));
    var power = new Outside.Kind(true, false);
    var signal = new Outside.Kind(false, true);
    assertThat(sum(outside.way("cabinet", "gantry", power, Optional.empty()))).isEqualTo(5000);
    assertThat(sum(outside.way("cabinet", "Gantry", signal, Optional.empty()))).isEqualTo(4000);
    assertThat(sum(outside.way("gantry", "tank", signal, Optional.empty()))).isEqualTo(2000);
    assertThat(outside.way("cabinet", "moon", signal, Optional.empty())).isEmpty();
  }

  private static nelvar.core.model.Bundle tray(
      String id,
      String from,
      String to,
      double metres,
      Optional<nelvar.core.model.Bundle.Only> only) {
    return new nelvar.core.model.Bundle(
            new Id(id), id, nelvar.core.standards.InstallationMethod.E, false)
        .with(d -> {
          d.course =
              Optional.of(
                  new nelvar.core.model.Bundle.Course(from, to, Optional.of(new Length(metres))));
          d.only = only;
        });
  }

  private static double sum(Optional<List<Route.Leg>> legs) {
    return legs.orElseThrow().stream().mapToDouble(Route.Leg::millimetres).sum();
  }
}
