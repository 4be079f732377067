package nelvar.core.analysis.interference;

import static org.assertj.core.api.Assertions.assertThat;

import nelvar.core.Disturbing;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import org.junit.jupiter.api.Test;

class SeparationTest {
  /// With the auger's shield open its tray keeps away from that of the signals; with all clamped
  /// nothing has to.
  @Test
  void traysKeepTheDistanceThatTheyNeed() {
    var keep = Separation.of(Panel.study(Demo.planted()));
    assertThat(keep)
        .anyMatch(k -> k.disturbs().id().text().equals("P2") && k.hears().id().text().equals("P3"));
    assertThat(Separation.of(Panel.study(Demo.settled()))).isEmpty();
  }

  /// At that distance everything has its reserve; at half of it something has not.
  @Test
  void theLeastThatIsEnough() {
    var study = Panel.study(Demo.planted());
    for (var keep : Separation.of(study)) {
      if (keep.metres() >= Separation.NEVER) continue;
      assertThat(reserve(study, keep, keep.metres())).isNotNegative();
      assertThat(reserve(study, keep, keep.metres() / 2)).isNegative();
      assertThat(keep.words()).contains("Keep the " + keep.disturbs().name(), "IEC 60204-1");
    }
  }

  /// Where a length is not known, the distance is the worst there is, and it says so.
  @Test
  void whatIsNotKnownIsSaid() {
    var unsaid = Disturbing.unsaid(Demo.planted(), "WD1");
    assertThat(Separation.of(Panel.study(unsaid)))
        .anyMatch(k -> k.words().contains("length of -WD1 is not known: taken as the worst"));
  }

  private static double reserve(nelvar.core.analysis.Study study, Separation keep, double metres) {
    var least = Double.MAX_VALUE;
    for (var e : Emitters.of(study))
      for (var r : Receivers.of(study)) {
        var a = e.lays().in().get(keep.disturbs().id());
        var b = r.lays().in().get(keep.hears().id());
        if (a == null || b == null || Coupled.same(e, r)) continue;
        var pair = Coupled.of(study).beside(e, r, new Pair.Place("", a, b, metres));
        least = Math.min(least, pair.margin() - Pair.FIXED);
      }
    return least;
  }
}
