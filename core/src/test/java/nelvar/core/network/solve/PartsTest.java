package nelvar.core.network.solve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.network.solve.Grid.Branch;
import nelvar.core.network.solve.Grid.Converter;
import nelvar.core.network.solve.Grid.Emf;
import nelvar.core.network.solve.Grid.Group;
import nelvar.core.network.solve.Grid.Law;
import nelvar.core.network.solve.Grid.Limit;
import nelvar.core.network.solve.Grid.Load;
import org.junit.jupiter.api.Test;

/// What one circuit cannot settle makes nothing unknown elsewhere.
final class PartsTest {
  private static final Group DC = new Group(false, Limit.NONE, 0, false, false);
  private static final Group FED = new Group(false, Limit.NONE, 0, true, false);

  /// Two circuits that meet in node 0 only, the bar of the protective conductors; the first feeds a
  /// converter, whose 12 V side, nodes 4 and 5, is joined to neither.
  private static Grid grid() {
    return new Grid(
        6,
        0,
        List.of(Branch.linear(1, 2, 0.5, 0), Branch.linear(3, 0, 1e9, 0)),
        List.of(),
        List.of(DC, DC, FED),
        List.of(
            new Emf(0, 0, 1, 24, 0, 0.1, 0),
            new Emf(1, 0, 3, 48, 0, 0.1, 0),
            new Emf(2, 4, 5, 12, 0, 0.1, 0)),
        List.of(
            new Load(2, 0, false, Law.POWER, 0, 1, 24, 10),
            new Load(3, 0, false, Law.CURRENT, 2, 1, 48, 10),
            new Load(5, 4, false, Law.CURRENT, 1, 1, 12, 5)),
        List.of(new Converter.Efficient(List.of(0), 2, 0.8, 0, 0)));
  }

  @Test
  void circuitsThatMeetInOneNodeAreApart() {
    var grid = grid();
    var parts = Parts.of(grid, new Inputs(grid));
    assertThat(parts.ofBranch(0)).isEqualTo(parts.ofEmf(0)).isEqualTo(parts.ofLoad(0));
    assertThat(parts.ofEmf(1)).isEqualTo(parts.ofLoad(1)).isEqualTo(parts.ofBranch(1));
    assertThat(parts.ofEmf(0)).isNotEqualTo(parts.ofEmf(1));
    assertThat(parts.ofEmf(2)).as("a converter joins its two sides").isEqualTo(parts.ofEmf(0));
    var off = new Inputs(grid);
    off.allow(2, false);
    var without = Parts.of(grid, off);
    assertThat(without.ofEmf(2)).as("one that is off does not").isNotEqualTo(without.ofEmf(0));
    var bridged = new Inputs(grid);
    bridged.bridge(2, 3, 0.001);
    var one = Parts.of(grid, bridged);
    assertThat(one.ofEmf(0)).isEqualTo(one.ofEmf(1)).isEqualTo(one.ofBridge(0));
  }

  private static PartByPart taking(Grid grid, boolean first, boolean second) {
    var inputs = new Inputs(grid);
    var parts = Parts.of(grid, inputs);
    var together = new PartByPart(grid, inputs, parts);
    for (var part : parts.withSource(inputs)) {
      if (part == parts.ofEmf(0) ? !first : !second) continue;
      together.take(
          part, new Solver(grid).solve(inputs.only(group -> parts.ofGroup(group) == part)));
    }
    return together;
  }

  @Test
  void partsPutTogetherAreTheWhole() {
    var grid = grid();
    var whole = new Solver(grid).solve(new Inputs(grid));
    var together = Solution.of(grid, taking(grid, true, true), 0);
    assertThat(together.residual()).isLessThan(1e-9);
    assertThat(together.settled()).isTrue();
    for (var node = 0; node < 4; node++)
      assertThat(together.direct(node, 0)).isCloseTo(whole.direct(node, 0), within(1e-9));
    assertThat(together.direct(5, 4)).isCloseTo(whole.direct(5, 4), within(1e-9));
    for (var load = 0; load < 3; load++)
      assertThat(together.loadDirect(load)).isCloseTo(whole.loadDirect(load), within(1e-9));
    // 12 V − 0.1 V at 1 A, through 80 %: 14.875 W at some 23.6 V.
    assertThat(together.amount(0)).isCloseTo(11.9 / 0.8, within(1e-6));
  }

  @Test
  void onlyThePartThatDidNotSettleIsInDoubt() {
    var grid = grid();
    var solution = Solution.of(grid, taking(grid, false, true), 0);
    assertThat(solution.settled()).isFalse();
    assertThat(solution.settled(3, 0)).isTrue();
    assertThat(solution.direct(3, 0)).isCloseTo(47.8, within(1e-6));
    assertThat(solution.emfSettled(1)).isTrue();
    assertThat(solution.branchSettled(1)).isTrue();
    assertThat(solution.settled(2, 0)).isFalse();
    assertThat(solution.settled(5, 4)).as("nor what it feeds through a converter").isFalse();
    assertThat(solution.branchSettled(0)).isFalse();
    assertThat(solution.emfSettled(0)).isFalse();
    assertThat(solution.loadSettled(2)).isFalse();
    assertThat(solution.live(2)).as("what is not known may be live").isTrue();
    assertThat(solution.settled(5, 3)).as("nothing joins those two").isTrue();
  }
}
