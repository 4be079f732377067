package nelvar.core.network.solve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nelvar.core.network.solve.Grid.Branch;
import nelvar.core.network.solve.Grid.Emf;
import nelvar.core.network.solve.Grid.Group;
import nelvar.core.network.solve.Grid.Law;
import nelvar.core.network.solve.Grid.Limit;
import nelvar.core.network.solve.Grid.Load;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// A bridge laid across a grid is the same as a grid built with that branch in it.
final class BridgedTest {
  private static final Group DC = new Group(false, Limit.NONE, 0, false, false);
  private static final Group AC = new Group(true, Limit.NONE, 0, false, false);

  /// Two trees of wires and loads, each with a source of its own, that nothing joins.
  private static Grid grid(long seed, List<Branch> more) {
    var random = new Random(seed);
    var branches = new ArrayList<Branch>();
    var loads = new ArrayList<Load>();
    var emfs = new ArrayList<Emf>();
    for (var tree = 0; tree < 2; tree++) {
      var first = 20 * tree;
      var alternating = random.nextBoolean();
      emfs.add(new Emf(alternating ? 1 : 0, first, first + 1, 24, 0, 0.01, 0.02));
      for (var node = 2; node < 20; node++) {
        branches.add(
            Branch.linear(
                first + 1 + random.nextInt(node - 1),
                first + node,
                0.001 + random.nextDouble(),
                random.nextDouble() / 10));
        loads.add(
            new Load(
                first + node,
                first,
                alternating,
                random.nextBoolean() ? Law.POWER : Law.OHMIC,
                random.nextBoolean() ? 0.3 : 0,
                0.9,
                24,
                12));
      }
    }
    branches.addAll(more);
    return new Grid(40, 0, branches, List.of(), List.of(DC, AC), emfs, loads, List.of());
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
  void aBridgeIsABranchMore(long seed) {
    var random = new Random(1000 + seed);
    var built = new ArrayList<Branch>();
    var grid = grid(seed, List.of());
    var inputs = new Inputs(grid);
    for (var count = 1 + random.nextInt(4); count > 0; count--) {
      var a = random.nextInt(40);
      var b = (a + 1 + random.nextInt(39)) % 40;
      var ohms = random.nextBoolean() ? 0.001 : 1;
      built.add(Branch.linear(a, b, ohms, 0));
      inputs.bridge(a, b, ohms);
    }
    var other = grid(seed, built);
    var laid = new Solver(grid).solve(inputs);
    var expected = new Solver(other).solve(new Inputs(other));
    assertThat(laid.settled()).isTrue();
    assertThat(expected.settled()).isTrue();
    for (var a = 0; a < 40; a++) {
      for (var b = 0; b < 40; b++) {
        assertThat(laid.joined(a, b)).isEqualTo(expected.joined(a, b));
        if (!laid.joined(a, b)) continue;
        assertThat(laid.direct(a, b)).isCloseTo(expected.direct(a, b), within(1e-6));
        assertThat(laid.alternating(a, b).minus(expected.alternating(a, b)).magnitude())
            .isLessThan(1e-6);
      }
    }
    var solver = new Solver(grid);
    var seen = solver.impedances(inputs, true);
    var seenThere = new Solver(other).impedances(new Inputs(other), true);
    for (var b = 1; b < 40; b++) {
      var z = seen.between(0, b);
      assertThat(z.isPresent()).isEqualTo(seenThere.between(0, b).isPresent());
      if (z.isPresent() && z.get().magnitude() < 1e6)
        assertThat(z.get().minus(seenThere.between(0, b).orElseThrow()).magnitude())
            .isLessThan(1e-6);
    }
  }
}
