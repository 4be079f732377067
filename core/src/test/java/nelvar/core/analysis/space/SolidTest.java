package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// Things inside a cabinet, held to points that are counted one by one.
class SolidTest {
  private static final Shell SHELL =
      Shell.onWall(Length.ofMillimetres(600), Length.ofMillimetres(800), Length.ofMillimetres(250));

  private static Solid of(Surface surface, Box box, double deep) {
    return Solid.of(surface, box, deep, SHELL).orElseThrow();
  }

  /// Every surface by hand, for a thing 100 wide, 50 high and 40 deep at 30, 20.
  @Test
  void whereThingsAre() {
    var box = new Box(30, 20, 100, 50);
    assertThat(of(Surface.PLATE, box, 40)).isEqualTo(new Solid(55, 155, 45, 95, 25, 65));
    assertThat(of(Surface.DOOR, box, 40)).isEqualTo(new Solid(30, 130, 20, 70, 210, 250));
    assertThat(of(Surface.LEFT, box, 40)).isEqualTo(new Solid(0, 40, 20, 70, 30, 130));
    assertThat(of(Surface.RIGHT, box, 40)).isEqualTo(new Solid(560, 600, 20, 70, 120, 220));
    assertThat(of(Surface.TOP, box, 40)).isEqualTo(new Solid(30, 130, 0, 40, 20, 70));
    assertThat(of(Surface.BOTTOM, box, 40)).isEqualTo(new Solid(30, 130, 760, 800, 20, 70));
    assertThat(Solid.of(Surface.OUTSIDE, box, 40, SHELL)).isEmpty();
  }

  private static Solid random(SplittableRandom random) {
    var surfaces = Surface.values();
    var surface = surfaces[random.nextInt(surfaces.length - 1)];
    var room = SHELL.size(surface);
    var width = 10 + random.nextInt(80);
    var height = 10 + random.nextInt(80);
    return of(
        surface,
        new Box(
            random.nextInt(Math.max(1, (int) (Box.mm(room.width()) - width))),
            random.nextInt(Math.max(1, (int) (Box.mm(room.height()) - height))),
            width,
            height),
        20 + random.nextInt(160));
  }

  private static boolean has(Solid solid, double x, double y, double z) {
    return x > solid.x1()
        && x < solid.x2()
        && y > solid.y1()
        && y < solid.y2()
        && z > solid.z1()
        && z < solid.z2();
  }

  /// Two of them meet where they have more than half a millimetre in common in all directions:
  /// where one of a hundred thousand points lies in both they do, and either way round.
  @Test
  void meetingIsHavingPointsInCommon() {
    var random = new SplittableRandom(11);
    var met = 0;
    for (var trial = 0; trial < 400; trial++) {
      var a = random(random);
      var b = random(random);
      assertThat(a.meets(b)).isEqualTo(b.meets(a));
      var common = false;
      for (var i = 0; i < 500 && !common; i++)
        common =
            has(
                b,
                a.x1() + random.nextDouble() * (a.x2() - a.x1()),
                a.y1() + random.nextDouble() * (a.y2() - a.y1()),
                a.z1() + random.nextDouble() * (a.z2() - a.z1()));
      if (common) {
        met++;
        assertThat(overlap(a, b)).isPositive();
      }
      if (!a.meets(b)) assertThat(thin(a, b)).isLessThanOrEqualTo(0.5);
    }
    assertThat(met).isPositive();
  }

  private static double thin(Solid a, Solid b) {
    return Math.min(
        Math.min(a.x2(), b.x2()) - Math.max(a.x1(), b.x1()),
        Math.min(
            Math.min(a.y2(), b.y2()) - Math.max(a.y1(), b.y1()),
            Math.min(a.z2(), b.z2()) - Math.max(a.z1(), b.z1())));
  }

  private static double overlap(Solid a, Solid b) {
    return Math.max(0, thin(a, b));
  }

  /// The share of a face that is covered, by counting 90,000 points of it.
  @Test
  void coveredIsAShareOfTheFace() {
    var fan = of(Surface.RIGHT, new Box(60, 300, 125, 125), 95);
    var face = fan.before(Surface.RIGHT, 50);
    assertThat(face.x2()).isEqualTo(505);
    assertThat(face.x1()).isEqualTo(455);
    var other = of(Surface.PLATE, new Box(400, 330, 60, 60), 100);
    var counted = 0;
    var n = 300;
    for (var i = 0; i < n; i++)
      for (var j = 0; j < n; j++) {
        var y = face.y1() + (i + 0.5) / n * (face.y2() - face.y1());
        var z = face.z1() + (j + 0.5) / n * (face.z2() - face.z1());
        if (y > other.y1() && y < other.y2() && z > other.z1() && z < other.z2()) counted++;
      }
    assertThat(face.covered(other, Surface.RIGHT))
        .isCloseTo((double) counted / n / n, within(0.01));
    assertThat(face.covered(of(Surface.PLATE, new Box(0, 0, 60, 60), 100), Surface.RIGHT)).isZero();
  }

  /// The room before an inner face lies on its inner side, whichever wall it is.
  @Test
  void beforeIsInside() {
    var box = new Box(60, 60, 100, 100);
    for (var surface : Surface.values()) {
      if (surface == Surface.OUTSIDE) continue;
      var solid = of(surface, box, 40);
      var before = solid.before(surface, 30);
      assertThat(solid.meets(before)).isFalse();
      var middle =
          new double[] {
            (before.x1() + before.x2()) / 2,
            (before.y1() + before.y2()) / 2,
            (before.z1() + before.z2()) / 2
          };
      assertThat(middle[0]).isBetween(0.0, 600.0);
      assertThat(middle[1]).isBetween(0.0, 800.0);
      assertThat(middle[2]).isBetween(0.0, 250.0);
    }
  }
}
