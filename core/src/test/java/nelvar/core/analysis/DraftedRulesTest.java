package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.load.DriveAgainstMotor;
import nelvar.core.analysis.parts.LoadVolts;
import nelvar.core.analysis.parts.SupplyVoltage;
import nelvar.core.analysis.protection.ClearsFault;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.catalogue.Linkage;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Resistance;
import org.junit.jupiter.api.Test;

/// What drawing up five hundred machines brought to light, each on the smallest panel that shows
/// it.
class DraftedRulesTest {
  /// Two 24 V supplies whose 0 V are joined: a short behind the second is limited by the second (11
  /// A), not by the first (2.75 A): 1.1 times each rating, by the usual limit.
  @Test
  void aShortIsLimitedByTheSupplyItHangsOn() {
    var project =
        Panel.dc("supply-24v-2p5a", "breaker-1p-c6")
            .device("F2", "breaker-1p-c6")
            .device("T2", "supply-24v-10a")
            .wire("X0:L2", "F2:1", 6, 0.5)
            .wire("F2:2", "T2:L", 2.5, 0.5)
            .wire("T2:N", "X0:N", 2.5, 0.5)
            .protective("X0:PE", "T2:PE", 2.5)
            .wire("T:-", "T2:-", 2.5, 0.5)
            .device("Y1", "valve-24vdc-4w8")
            .wire("T:+", "Y1:1", 1, 1)
            .wire("Y1:2", "T:-", 1, 1)
            .device("Y2", "valve-24vdc-4w8")
            .wire("T2:+", "Y2:1", 1, 1)
            .wire("Y2:2", "T2:-", 1, 1)
            .build();
    var fault = Study.of(project, CatalogueFile.standard()).leastFault();
    assertThat(amperes(fault, "Y1:1", "Y1:2")).isEqualTo(2.75);
    assertThat(amperes(fault, "Y2:1", "Y2:2")).isEqualTo(11);
  }

  private static double amperes(nelvar.core.network.Fault fault, String a, String b) {
    return fault.between(TerminalRef.of(a), TerminalRef.of(b)).orElseThrow().current().amperes();
  }

  /// A branch that feeds nothing yet: its wire is judged against its device, and no load is needed
  /// to say so.
  @Test
  void aBranchWithoutALoadIsJudged() {
    var panel =
        Panel.mains()
            .device("F", "breaker-1p-c32")
            .device("X9", "terminals-10x2p5")
            .wire("X0:L1", "F:1", 6, 0.5)
            .wire("F:2", "X9:1", 0.75, 0.5);
    assertThat(panel.judge(new DeviceAgainstWire(), "F")).isInstanceOf(Verdict.Finding.class);
  }

  /// A fuse with a long thin wire behind it: whether a short opens it, the impedance of the mains
  /// decides. Not known, it is not judged; stated high, it is an error.
  @Test
  void anImpedanceNobodyStatedIsNoError() {
    var panel = longBranch();
    assertThat(panel.judge(new ClearsFault(), "F"))
        .isInstanceOfSatisfying(
            Verdict.NotChecked.class, not -> assertThat(not.why()).contains("decides"));
    assertThat(longBranch().brief(b -> site(b, 1.2)).judge(new ClearsFault(), "F"))
        .isInstanceOf(Verdict.Finding.class);
    assertThat(longBranch().brief(b -> site(b, 0.1)).judge(new ClearsFault(), "F"))
        .isInstanceOf(Verdict.Pass.class);
  }

  /// 1 mm² class 5 at 70 °C: 23.3 mΩ/m, 80 m there and back 1.87 Ω: 0.95 · 231 V/1.87 Ω = 117 A
  /// without any mains, 93 A with the 0.5 Ω assumed, 72 A with 1.2 Ω; gG 25 A needs 110 A to open
  /// within 5 s (IEC 60269-1, gates).
  private static Panel longBranch() {
    return Panel.mains()
        .device("F", "fuse-1p-gg25")
        .device("E", "heater-100w-230v", Place.MACHINE)
        .wire("X0:L1", "F:1", 6, 0.1)
        .wire("F:2", "E:L", 1, LONG)
        .wire("E:N", "X0:N", 1, LONG)
        .protectiveOf("X0:PE", "E:PE", 1, LONG);
  }

  private static final double LONG = 40;

  private static Brief site(Brief b, double loop) {
    var s = b.supply();
    return new Brief(
        new Brief.Supply(
            s.voltage(),
            s.frequency(),
            s.earthing(),
            s.upstream(),
            Optional.of(new Resistance(loop)),
            Optional.empty()),
        b.surroundings(),
        b.policies());
  }

  /// A 230 V drive on 3x208 V gives no more than 208 V: a motor for 208 V gets what it is made for.
  @Test
  void aDriveGivesNoMoreThanItsMains() {
    assertThat(on208("motor-0p37kw-208-360").judge(new SupplyVoltage(), "M"))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(on208("motor-0p37kw-208-360").judge(new LoadVolts(), "M"))
        .isInstanceOf(Verdict.Pass.class);
    // 230 V less 10 % is 207 V: a European motor just stands it, 400 V in star do not.
    assertThat(on208("motor-0p37kw-230-400").judge(new SupplyVoltage(), "M"))
        .isInstanceOf(Verdict.Pass.class);
    assertThat(on208("motor-0p37kw-208-360").judge(new DriveAgainstMotor(), "U"))
        .isInstanceOf(Verdict.Pass.class);
  }

  private static Panel on208(String motor) {
    return Panel.mains()
        .brief(b ->
            new Brief(
                new Brief.Supply(
                    MainsVoltage.read("3x208 V").orThrow(),
                    b.supply().frequency(),
                    b.supply().earthing(),
                    b.supply().upstream(),
                    Optional.of(new Resistance(0.1)),
                    Optional.empty()),
                b.surroundings(),
                b.policies()))
        .device("F", "breaker-3p-c6")
        .device("U", "drive-3ph-230-0p37kw")
        .device("M", motor, Place.MACHINE)
        .linked(Linkage.DELTA)
        .wire("X0:L1", "F:1", 2.5, 0.5)
        .wire("X0:L2", "F:3", 2.5, 0.5)
        .wire("X0:L3", "F:5", 2.5, 0.5)
        .wire("F:2", "U:L1", 2.5, 0.5)
        .wire("F:4", "U:L2", 2.5, 0.5)
        .wire("F:6", "U:L3", 2.5, 0.5)
        .wire("U:RUN", "U:COM", 0.75, 0.2)
        .wire("U:U", "M:U", 2.5, 2)
        .wire("U:V", "M:V", 2.5, 2)
        .wire("U:W", "M:W", 2.5, 2);
  }
}
