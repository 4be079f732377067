package nelvar.core.analysis.bonding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import org.junit.jupiter.api.Test;

class BondTreeTest {
  /// The door that nothing joins comes first; motors hang on their drives; 0 V that is earthed
  /// twice closes a ring between both ends.
  @Test
  void growsFromTheInletOutwards() {
    var net = Bonding.of(Panel.study(Demo.planted()));
    var tree = BondTree.of(net);
    assertThat(tree.branches()).hasSameSizeAs(net.pieces());
    assertThat(tree.branches().getFirst().piece().at()).hasToString("UC1:DOOR");
    assertThat(tree.branches().get(1).piece().at()).hasToString("X0:PE");
    var names = tree.branches().stream().map(b -> b.piece().device().id().text()).toList();
    var motor = names.indexOf("M1");
    assertThat(names.get(motor - 1)).isEqualTo("U1");
    assertThat(tree.branches().get(motor).by().orElseThrow().label()).isEqualTo("W56");
    assertThat(tree.rings()).hasSize(1);
    var ring = tree.rings().getFirst();
    assertThat(List.of(names.get(ring.from()), names.get(ring.to())))
        .containsExactlyInAnyOrder("X40", "X41");
    assertThat(BondTree.of(Bonding.of(Panel.study(Demo.settled()))).rings()).isEmpty();
  }

  /// A parent stands above what hangs on it, one step further left, and nearer to earth.
  @Test
  void parentsAreNearerToEarth() {
    for (var project : List.of(Demo.planted(), Demo.settled())) {
      var rows = BondTree.of(Bonding.of(Panel.study(project))).branches();
      for (var n = 0; n < rows.size(); n++) {
        var row = rows.get(n);
        if (row.by().isEmpty()) continue;
        var parent = n - 1;
        while (rows.get(parent).depth() >= row.depth()) parent--;
        assertThat(rows.get(parent).depth()).isEqualTo(row.depth() - 1);
        assertThat(rows.get(parent).piece().fast().orElseThrow())
            .as(row.piece().at().toString())
            .isLessThan(row.piece().fast().orElseThrow());
      }
    }
  }

  /// Every joint is told once at each of its ends: as what holds a branch, or beside it.
  @Test
  void noJointIsLost() {
    var net = Bonding.of(Panel.study(Demo.planted()));
    var told =
        BondTree.of(net).branches().stream()
            .flatMap(b -> java.util.stream.Stream.concat(b.by().stream(), b.also().stream()))
            .distinct()
            .toList();
    assertThat(told).containsExactlyInAnyOrderElementsOf(net.bonds());
  }
}
