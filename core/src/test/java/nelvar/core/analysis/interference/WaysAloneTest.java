package nelvar.core.analysis.interference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.Disturbing;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.file.Demo;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/// Laws of each way in by itself, over every pair of the demo machines.
class WaysAloneTest {
  private static final List<Project> MACHINES =
      List.of(Demo.planted(), Demo.rinser(), Demo.sprayer());

  /// Twice as far apart, never more; from as near as they are on.
  @ParameterizedTest
  @EnumSource(
      value = WayIn.class,
      names = {"FIELD", "CAPACITANCE"})
  void twiceAsFarIsNeverMore(WayIn way) {
    var looked = 0;
    for (var project : MACHINES) {
      var study = Panel.study(project);
      var coupled = Coupled.of(study);
      for (var pair : coupled.pairs()) {
        if (pair.apart().isEmpty()) continue;
        var before = Double.MAX_VALUE;
        for (var apart = pair.apart().get().apart(); apart < 1; apart *= 2) {
          var now = at(coupled, pair, apart).getOrDefault(way, 0.0);
          assertThat(now)
              .as("%s at %.3f m, %s", pair.emitter().label(), apart, way)
              .isLessThanOrEqualTo(before * (1 + 1e-9));
          before = now;
          looked++;
        }
      }
    }
    assertThat(looked).isGreaterThan(500);
  }

  private static Map<WayIn, Double> at(Coupled coupled, Pair pair, double apart) {
    var place = pair.apart().orElseThrow();
    return coupled
        .beside(
            pair.emitter(),
            pair.receiver(),
            new Pair.Place(place.name(), place.emitter(), place.receiver(), apart))
        .volts();
  }

  /// A shield joined at both ends never lets more in over field and capacitance than none: all
  /// edges here are far above its cut-off.
  @Test
  void aShieldThatIsJoinedNeverRaises() {
    for (var project : MACHINES)
      for (var cable : project.cables()) {
        if (cable.screened().from().isEmpty()) continue;
        var open = worst(project, cable.id().text(), Ending.OPEN);
        var clamped = worst(project, cable.id().text(), Ending.CLAMP);
        for (var way : List.of(WayIn.FIELD, WayIn.CAPACITANCE))
          assertThat(clamped.getOrDefault(way, 0.0))
              .as("%s, %s", cable.label(), way)
              .isLessThanOrEqualTo(open.getOrDefault(way, 0.0) + 1e-12);
      }
  }

  /// The most of each way that gets into this cable, or out of it.
  private static Map<WayIn, Double> worst(Project project, String cable, Ending ending) {
    var is =
        project.cables().stream()
            .filter(c -> c.id().text().equals(cable))
            .findFirst()
            .orElseThrow();
    var study = Panel.study(Edits.change(is.withScreen(Screen.both(ending))).apply(project));
    Map<WayIn, Double> most = new EnumMap<>(WayIn.class);
    for (var pair : Coupled.of(study).pairs())
      if (pair.emitter().id().equals(is.id()) || pair.receiver().id().equals(is.id()))
        pair.volts().forEach((way, v) -> most.merge(way, v, Math::max));
    return most;
  }

  /// More in common is never less: the shared way back twice as long lifts twice as much.
  @Test
  void aLongerSharedWayLiftsInProportion() {
    var one = Disturbing.sharedReturn(5).volts().get(WayIn.SHARED);
    var two = Disturbing.sharedReturn(10).volts().get(WayIn.SHARED);
    assertThat(one).isNotNull();
    assertThat(two).isNotNull();
    // What lands in terminals is as it was.
    assertThat(two / one).isCloseTo(2, within(0.03));
  }

  // Rules of thumb, as consequences (common practice, no published source).

  /// A carrier of its own for the power cord beats a ferrite on it.
  @Test
  void aTrayOfItsOwnBeatsAFerrite() {
    var study = Panel.study(Demo.planted());
    var pair = pair(study, "-WD1", "-WB4");
    var helps = Remedies.of(pair, study);
    assertThat(gain(helps, "Lay -WB4")).isGreaterThan(gain(helps, "Wind -WD1") + 20);
  }

  /// Leads of a drive and signals at opposite sides of one duct pass, as long as they never cross;
  /// where they lie on each other they do not.
  @Test
  void oppositeSidesOfADuctPassOnlyWithoutCrossing() {
    var study = Panel.study(Demo.planted());
    var coupled = Coupled.of(study);
    var pair = pair(study, "-WD1", "-WB4");
    var place = pair.apart().orElseThrow();
    var sides = coupled.beside(pair.emitter(), pair.receiver(), moved(place, 0.1));
    var touching = coupled.beside(pair.emitter(), pair.receiver(), moved(place, place.apart()));
    assertThat(sides.margin()).isGreaterThan(Pair.FIXED);
    assertThat(touching.margin()).isLessThan(Pair.FIXED);
  }

  private static Pair.Place moved(Pair.Place place, double apart) {
    return new Pair.Place(place.name(), place.emitter(), place.receiver(), apart);
  }

  private static Pair pair(Study study, String emitter, String receiver) {
    return Coupled.of(study).pairs().stream()
        .filter(p -> p.emitter().label().equals(emitter))
        .filter(p -> p.emitter().kind() == Emitter.Kind.DRIVE)
        .filter(p -> p.receiver().label().equals(receiver))
        .findFirst()
        .orElseThrow();
  }

  private static double gain(List<Remedy> helps, String begins) {
    return helps.stream()
        .filter(r -> r.repair().label().startsWith(begins))
        .findFirst()
        .map(Remedy::gain)
        .orElseThrow();
  }

  /// Optional ends keep their meaning: nothing said is open.
  @Test
  void whatNobodySaidOfAShieldIsOpen() {
    assertThat(Shielding.NONE.ofField(1e6)).isEqualTo(1);
    var half = new Shielding(true, Ending.CLAMP, Ending.OPEN, 9, false);
    assertThat(half.ofField(1e6)).isEqualTo(1);
    assertThat(half.words()).contains("not said");
    assertThat(Optional.of(half).filter(Shielding::both)).isEmpty();
  }
}
