package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Brief;
import nelvar.core.model.Id;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import org.junit.jupiter.api.Test;

class ProtectionChainTest {
  private static Panel series() {
    return Panel.mains()
        .brief(b ->
            new Brief(
                new Brief.Supply(
                    b.supply().voltage(),
                    b.supply().frequency(),
                    b.supply().earthing(),
                    b.supply().upstream(),
                    Optional.empty(),
                    Optional.of(new Current(1000))),
                b.surroundings(),
                b.policies()))
        .device("F1", "fuse-1p-gg25")
        .device("F2", "breaker-1p-c10")
        .device("E", "heater-100w-230v")
        .wire("X0:L1", "F1:1", 6, 0.5)
        .wire("F1:2", "F2:1", 4, 0.5)
        .wire("F2:2", "E:L", 1.5, 30)
        .wire("E:N", "X0:N", 2.5, 30);
  }

  /// From the load towards the source: the breaker first, then the fuse; the wire is the thinnest
  /// behind the breaker, its energy 115² · 1.5² A²s; what flows is 100 W at 230 V.
  @Test
  void theChainIsReadFromTheLoad() {
    var chain = ProtectionChain.about(new Id("E"), series().study()).orElseThrow();
    assertThat(chain.protectors())
        .extracting(g -> g.device().id().text())
        .containsExactly("F2", "F1");
    assertThat(chain.protectors().getFirst().protection())
        .isInstanceOf(ProtectiveDevice.Breaker.class);
    assertThat(chain.wire().orElseThrow().section()).contains(new CrossSection(1.5));
    assertThat(chain.energy()).isCloseTo(115 * 115 * 2.25, within(1e-6));
    assertThat(chain.design().amperes()).isCloseTo(100 / 230.0, within(0.01));
    assertThat(chain.alternating()).isTrue();
    assertThat(chain.start()).isEmpty();
  }

  /// The greatest fault is the one at the device, the least the one at the end of 30 m of wire. By
  /// hand: 231 V/1000 A = 0.231 Ω a conductor, there and back 0.462 Ω; out 30 m of 1.5 mm², back 30
  /// m of 2.5 mm² hot: 30·(0.0133 + 0.00798)·1.1965 = 0.764 Ω; 0.95 · 231/1.24 = 177 A, a few less
  /// for contacts and devices.
  @Test
  void theLeastFaultIsAtTheFarEnd() {
    var chain = ProtectionChain.about(new Id("E"), series().study()).orElseThrow();
    assertThat(chain.least().orElseThrow().amperes()).isBetween(165.0, 178.0);
    assertThat(chain.greatest().orElseThrow()).isGreaterThan(chain.least().orElseThrow());
    assertThat(chain.greatest().orElseThrow().amperes()).isBetween(450.0, 530.0);
  }

  /// What it is about may be the load, a device before it, or a wire on the way.
  @Test
  void deviceWireAndLoadLeadToTheSameChain() {
    var study = series().study();
    var load = ProtectionChain.about(new Id("E"), study);
    for (var id : new String[] {"F1", "F2", "W1", "W2", "W3"})
      assertThat(ProtectionChain.about(new Id(id), study)).as(id).isEqualTo(load);
    assertThat(ProtectionChain.about(new Id("W99"), study)).isEmpty();
  }

  /// A motor on the line starts at about six times its current (common practice).
  @Test
  void aMotorOnTheLineHasItsStart() {
    var panel =
        Panel.mains()
            .device("F", "motor-protector-4a")
            .device("M", "motor-1p1kw-230-400")
            .linked(nelvar.core.catalogue.Linkage.STAR)
            .wire("X0:L1", "F:1", 2.5, 1)
            .wire("X0:L2", "F:3", 2.5, 1)
            .wire("X0:L3", "F:5", 2.5, 1)
            .wire("F:2", "M:U", 2.5, 10)
            .wire("F:4", "M:V", 2.5, 10)
            .wire("F:6", "M:W", 2.5, 10);
    var chain = ProtectionChain.about(new Id("M"), panel.study()).orElseThrow();
    assertThat(chain.start().orElseThrow().amperes())
        .isCloseTo(6 * chain.design().amperes(), within(1e-9));
    assertThat(chain.protectors().getFirst().protection())
        .isInstanceOf(ProtectiveDevice.MotorSwitch.class);
  }

  /// On the demo: one chain for each nearest device, at its weakest load; those on direct current
  /// say so.
  @Test
  void oneChainForEachNearestDevice() {
    var study = Study.of(Demo.settled(), CatalogueFile.standard());
    var all = ProtectionChain.all(study);
    assertThat(all).extracting(chain -> chain.protectors().getFirst()).doesNotHaveDuplicates();
    assertThat(all).anyMatch(ProtectionChain::alternating).anyMatch(chain -> !chain.alternating());
    for (var chain : all)
      if (chain.least().isPresent() && chain.greatest().isPresent() && chain.alternating())
        assertThat(chain.least().get())
            .as(chain.feed().name())
            .isLessThanOrEqualTo(chain.greatest().get());
  }
}
