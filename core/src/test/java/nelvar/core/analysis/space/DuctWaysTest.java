package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import nelvar.core.Panel;
import nelvar.core.catalogue.Fitting.Side;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class DuctWaysTest {
  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  private static Cabinet.Duct level(String id, double left, double top, double length) {
    return Panel.duct(id, left, top, length, false);
  }

  private static Cabinet.Duct upright(String id, double left, double top, double length) {
    return Panel.duct(id, left, top, length, true);
  }

  private static Cabinet cabinet(List<Cabinet.Duct> ducts) {
    return Cabinet.of(
            new Id("C"), "cabinet", Optional.empty(), Shell.onWall(mm(600), mm(800), mm(250)))
        .withDucts(ducts);
  }

  private static final List<Side> BOTH = List.of(Side.TOP, Side.BOTTOM);

  /// By hand: a level duct at 200–240 (middle 220) and one at 500–540 (520), joined at the left by
  /// an upright one, middle 20. From a box above the first (bottom 180, middle x 300) to one above
  /// the second (bottom 460, x 100): 40 + 280 to the left + 300 down + 80 to the right + 60 = 760.
  @Test
  void roundTheCornerByHand() {
    var ways =
        DuctWays.of(
            cabinet(
                List.of(
                    upright("V", 0, 0, 750), level("A", 40, 200, 510), level("B", 40, 500, 510))));
    var from = ways.access(Surface.PLATE, new Box(280, 100, 40, 80), List.of(Side.BOTTOM));
    var to = ways.access(Surface.PLATE, new Box(80, 380, 40, 80), List.of(Side.BOTTOM));
    assertThat(ways.length(from, to)).isCloseTo(760, within(1e-9));
    var way = ways.way(from, to);
    assertThat(way.length()).isCloseTo(760, within(1e-9));
    assertThat(way.corners()).hasSizeGreaterThanOrEqualTo(4);
    // Along one duct nothing goes round.
    var beside = ways.access(Surface.PLATE, new Box(400, 100, 40, 80), List.of(Side.BOTTOM));
    assertThat(ways.length(from, beside)).isCloseTo(40 + 120 + 40, within(1e-9));
  }

  @Test
  void ductsThatDoNotMeetJoinNothing() {
    var ways = DuctWays.of(cabinet(List.of(level("A", 40, 200, 200), level("B", 340, 500, 200))));
    var from = ways.access(Surface.PLATE, new Box(80, 100, 40, 80), List.of(Side.BOTTOM));
    var to = ways.access(Surface.PLATE, new Box(400, 380, 40, 80), List.of(Side.BOTTOM));
    assertThat(ways.length(from, to)).isInfinite();
  }

  /// Laws on a hundred random grids of ducts: a way is never shorter than straight across, the same
  /// both ways round, its corners add up to it, and one duct less never makes it shorter.
  @Test
  void lawsOfWays() {
    var random = new SplittableRandom(7);
    for (var trial = 0; trial < 100; trial++) {
      var ducts = new ArrayList<Cabinet.Duct>();
      ducts.add(upright("V0", 0, 0, 750));
      ducts.add(upright("V1", 510, 0, 750));
      var levels = 2 + random.nextInt(4);
      for (var i = 0; i < levels; i++) ducts.add(level("H" + i, 40, 120 + 130 * i, 470));
      var ways = DuctWays.of(cabinet(ducts));
      var a = box(random);
      var b = box(random);
      var from = ways.access(Surface.PLATE, a, BOTH);
      var to = ways.access(Surface.PLATE, b, BOTH);
      var there = ways.length(from, to);
      assertThat(there).isCloseTo(ways.length(to, from), within(1e-6));
      var way = ways.way(from, to);
      var corners = 0.0;
      for (var i = 0; i + 1 < way.corners().size(); i++)
        corners +=
            Math.abs(way.corners().get(i).x() - way.corners().get(i + 1).x())
                + Math.abs(way.corners().get(i).y() - way.corners().get(i + 1).y());
      assertThat(corners).isLessThanOrEqualTo(there + 1e-6);
      assertThat(there).isGreaterThanOrEqualTo(a.gap(b) - 1e-6);
      ducts.remove(1);
      var fewer = DuctWays.of(cabinet(ducts));
      assertThat(
              fewer.length(
                  fewer.access(Surface.PLATE, a, BOTH), fewer.access(Surface.PLATE, b, BOTH)))
          .isGreaterThanOrEqualTo(there - 1e-6);
    }
  }

  private static Box box(SplittableRandom random) {
    return new Box(60 + random.nextInt(380), 170 + 130 * random.nextInt(4), 40, 50);
  }

  @Test
  void openShelvesGoStraight() {
    var ways = DuctWays.of(cabinet(List.of()));
    var from = ways.access(Surface.PLATE, new Box(0, 0, 20, 20), BOTH);
    var to = ways.access(Surface.PLATE, new Box(100, 50, 20, 20), BOTH);
    assertThat(ways.length(from, to)).isCloseTo(150, within(1e-9));
  }
}
