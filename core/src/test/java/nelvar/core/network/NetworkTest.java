package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Panel;
import nelvar.core.analysis.load.PathTo;
import nelvar.core.analysis.load.PowerTree;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import org.junit.jupiter.api.Test;

class NetworkTest {
  @Test
  void aLoadIsFedOnlyWithItsWayBackToTheSameSource() {
    var two =
        Panel.dc()
            .device("T2", "supply-24v-5a")
            .wire("F:2", "T2:L", 2.5, 1)
            .wire("T2:N", "X0:N", 2.5, 1)
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1, 1)
            .wire("M:-", "T2:-", 1, 1);
    assertThat(two.study().network().feeds(new Id("M")).getFirst().state())
        .isEqualTo(Feed.State.NO_RETURN);
    var joined = two.wire("T2:-", "T:-", 1, 1);
    assertThat(joined.study().network().feeds(new Id("M")).getFirst().state())
        .isEqualTo(Feed.State.FED);
  }

  @Test
  void aProtectiveConductorIsNoWayForWorkingCurrent() {
    var study =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:+", "M:+", 1, 1)
            .device("B", "block-protective-8")
            .protective("T:-", "B:1", 4)
            .protective("B:2", "M:-", 4)
            .study();
    assertThat(study.network().feeds(new Id("M")).getFirst().state())
        .isEqualTo(Feed.State.NO_RETURN);
  }

  @Test
  void polarityCounts() {
    var study =
        Panel.dc()
            .device("M", "pump-24v-3a")
            .wire("T:-", "M:+", 1, 1)
            .wire("M:-", "T:+", 1, 1)
            .study();
    assertThat(study.network().feeds(new Id("M")).getFirst().state()).isNotEqualTo(Feed.State.FED);
  }

  @Test
  void earthIsReachedThroughPartsThatJoinIt() {
    var network = Panel.study(Demo.planted()).network();
    assertThat(network.earthed(TerminalRef.of("M1:PE"))).as("through the drive's PE2").isTrue();
    assertThat(network.earthed(TerminalRef.of("UC1:PE"))).isTrue();
    assertThat(network.earthed(TerminalRef.of("UC1:DOOR"))).isFalse();
  }

  @Test
  void thePathTellsTheWayThereAndBack() {
    var study = Panel.study(Demo.planted());
    var path = PathTo.of(new Id("M6"), study).orElseThrow();
    assertThat(path.out().stream().map(hop -> study.label(hop.about())))
        .startsWith("-X0")
        .contains("-Q0", "-F5", "-T2", "-F21", "-K10")
        .endsWith("-M6");
    assertThat(path.back().stream().map(hop -> study.label(hop.about())))
        .contains("W32", "-X41", "-X40");
    assertThat(path.out().getLast().notes()).anyMatch(note -> note.contains("at it"));
    assertThat(PathTo.of(new Id("W32"), study))
        .as("a wire is shown on the way of its greatest load")
        .isPresent();
    assertThat(PathTo.of(new Id("X10"), study)).as("a PE bar carries no work").isEmpty();
  }

  @Test
  void theTreeHangsEveryFeedOnceUnderItsProtection() {
    var study = Panel.study(Demo.planted());
    var root = PowerTree.of(study).getFirst();
    assertThat(root.device().designation()).hasToString("-X0");
    var loads =
        root.all()
            .filter(branch -> branch.kind() == PowerTree.Kind.LOAD)
            .map(branch -> branch.device().id())
            .toList();
    assertThat(loads)
        .doesNotHaveDuplicates()
        .contains(new Id("M1"), new Id("M4"), new Id("B11"), new Id("E2"), new Id("Y6"));
    var protectors = root.children().stream().map(branch -> branch.device().designation().text());
    assertThat(protectors).containsExactlyInAnyOrder("-F1", "-F2", "-F3", "-F4", "-F5", "-F6");
    var auger =
        root.all()
            .filter(branch -> branch.device().id().text().equals("U1"))
            .findFirst()
            .orElseThrow();
    assertThat(auger.cutBy()).extracting(device -> device.designation().text()).contains("-K1");
  }
}
