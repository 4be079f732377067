package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Connection;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/// Several inlets on one site, each with its own device before it and its own cord.
final class InletsTest {
  private static final Conditions COLD = Conditions.usual(new Temperature(20));

  private static Connection on(double amperes, double section, double metres) {
    return new Connection(
        Optional.of(new Current(amperes)),
        Optional.of(new Connection.Cord(new CrossSection(section), new Length(metres))));
  }

  /// A heater of 2 kW on a plug of 6 A with a long thin cord, a lamp on the inlet of the panel.
  private static Panel panel() {
    return Panel.mains()
        .device("P", "inlet-1-n-pe")
        .connected(on(6, 0.75, 20))
        .device("E", "heater-100w-230v")
        .wire("X0:L1", "E:L", 1.5, 1)
        .wire("E:N", "X0:N", 1.5, 1)
        .device("R", "hot")
        .part(
            new nelvar.core.catalogue.Heater(
                "hot",
                "Heater, 2 kW",
                nelvar.core.catalogue.Article.UNKNOWN,
                new nelvar.core.units.Power(2000),
                new nelvar.core.units.Voltage(230)))
        .wire("P:L1", "R:L", 1.5, 1)
        .wire("R:N", "P:N", 1.5, 1);
  }

  private static double volts(Live live, String a, String b) {
    return live.voltage(TerminalRef.of(a), TerminalRef.of(b)).orElseThrow().rms();
  }

  /// By hand, at 20 °C: 26.0 Ω/km of 0.75 mm² flexible copper (IEC 60228, class 5, unchecked) make
  /// 0.52 Ω a core, 0.521 Ω with its ends; with the 0.25 Ω a line that are assumed of the site
  /// 0.771 Ω each way. The heater is 230²/2000 = 26.45 Ω, its two wires some 0.03 Ω: 230.94 V ·
  /// 26.48/(26.48 + 1.542) = 218.2 V at the plug, where the panel has its 230.
  @Test
  void aCordLosesItsVoltsAtItsOwnInletOnly() {
    var live = panel().study().engine().solve(WhatIf.AS_DESIGNED, COLD);
    assertThat(volts(live, "P:L1", "P:N")).isCloseTo(218.2, within(0.3));
    assertThat(volts(live, "X0:L1", "X0:N")).isCloseTo(230.7, within(0.1));
  }

  /// 2 kW at 230 V are 8.7 A on the device of 6 A before the plug; the panel's 16 A have 0.4 A.
  @Test
  void eachInletIsJudgedByTheDeviceBeforeIt() {
    var study = panel().study();
    for (var inlet : InletLoad.inlets(study)) {
      var plug = inlet.device().id().equals(new Id("P"));
      assertThat(inlet.output().rating()).isEqualTo(new Current(plug ? 6 : 16));
    }
    assertThat(InletLoad.inlet(study).orElseThrow().device().id()).isEqualTo(new Id("P"));
    var verdicts =
        nelvar.core.review.Review.of(panel().build(), nelvar.core.file.CatalogueFile.standard())
            .entries()
            .stream()
            .filter(entry -> entry.rule().id().equals("load.inlet"))
            .map(nelvar.core.review.Review.Entry::verdict)
            .toList();
    assertThat(verdicts).hasSize(2);
    for (var verdict : verdicts)
      assertThat(verdict instanceof Verdict.Finding)
          .as(verdict.toString())
          .isEqualTo(verdict.subject().concerns(new Id("P")));
  }

  /// Whatever the earthing system, the protective conductors of two plugs are one: what joins them
  /// in a machine carries current when one of them is bridged to a line.
  @ParameterizedTest
  @EnumSource(Brief.Earthing.class)
  void protectiveConductorsOfTwoInletsAreOne(Brief.Earthing earthing) {
    var engine = panel().earthed(earthing).study().engine();
    var live = engine.solve(WhatIf.AS_DESIGNED, COLD);
    var ohms = live.ohms(TerminalRef.of("P:PE"), TerminalRef.of("X0:PE"));
    assertThat(ohms.orElseThrow()).isBetween(0.2, 1.6);
  }

  /// 1.5 mm² in the open stand 16.1 A at 40 °C, the 16 A before it; 0.75 mm² not, and nothing of
  /// the machine opens before it. A fuse of 4 A at its end protects it; 3 kW overload it.
  @Test
  void aCordIsJudgedByTheDeviceBeforeIt() {
    assertThat(cord(1.5, Optional.empty(), 100)).isInstanceOf(Verdict.Pass.class);
    var thin = (Verdict.Finding) cord(0.75, Optional.empty(), 100);
    assertThat(thin.severity()).isEqualTo(nelvar.core.finding.Severity.WARNING);
    assertThat(cord(0.75, Optional.of("fuse-1p-gg4"), 100)).isInstanceOf(Verdict.Pass.class);
    var hot = (Verdict.Finding) cord(0.75, Optional.of("fuse-1p-gg4"), 3000);
    assertThat(hot.severity()).isEqualTo(nelvar.core.finding.Severity.ERROR);
  }

  private static Verdict cord(double section, Optional<String> device, double watts) {
    var panel =
        Panel.mains()
            .device("P", "inlet-1-n-pe")
            .connected(on(16, section, 3))
            .part(
                new nelvar.core.catalogue.Heater(
                    "hot",
                    "Heater",
                    nelvar.core.catalogue.Article.UNKNOWN,
                    new nelvar.core.units.Power(watts),
                    new nelvar.core.units.Voltage(230)))
            .device("R", "hot")
            .wire("R:N", "P:N", 1.5, 1);
    device.ifPresent(fuse -> panel.device("F", fuse).wire("P:L1", "F:1", 1.5, 1));
    panel.wire(device.isPresent() ? "F:2" : "P:L1", "R:L", 1.5, 1);
    return new nelvar.core.analysis.protection.InletCord()
        .check(panel.study())
        .findFirst()
        .orElseThrow();
  }
}
