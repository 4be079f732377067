package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.Predicate;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Coupled;
import nelvar.core.analysis.interference.Emitter;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.interference.Remedies;
import nelvar.core.analysis.interference.Remedy;
import nelvar.core.file.Demo;
import nelvar.core.model.Conductor;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.review.Review;
import org.junit.jupiter.api.Test;

/// What is offered against disturbances, taken: it does what it said, and opens nothing.
class QuieterTest {
  private static Pair pair(Study study, Predicate<Pair> is) {
    return Coupled.of(study).pairs().stream().filter(is).findFirst().orElseThrow();
  }

  private static Remedy remedy(Project project, Predicate<Pair> of, String begins) {
    var study = Panel.study(project);
    return Remedies.of(pair(study, of), study).stream()
        .filter(r -> r.repair().label().startsWith(begins))
        .findFirst()
        .orElseThrow();
  }

  private static Pair after(Project project, Remedy remedy, Predicate<Pair> of) {
    var before = pair(Panel.study(project), of);
    var study = Panel.study(remedy.repair().edit().apply(project));
    return Coupled.of(study).like(before).orElse(before);
  }

  /// A drive on the mains without filter, its motor on an unshielded cable, a sensor's wires in the
  /// same duct.
  private static Project drive() {
    return Panel.mains()
        .device("E", "block-protective-16")
        .protective("X0:PE", "E:1", 2.5)
        .device("F", "breaker-1p-c6")
        .device("U", "drive-1ph-230-0p37kw")
        .device("M", "motor-0p25kw-230-400", Place.MACHINE)
        .wire("X0:L1", "F:1", 1.5, 2)
        .wire("F:2", "U:L", 1.5, 2)
        .wire("U:N", "X0:N", 1.5, 2)
        .protective("E:2", "U:PE", 1.5)
        .wire("U:U", "M:U", 1.5, 8)
        .wire("U:V", "M:V", 1.5, 8)
        .wire("U:W", "M:W", 1.5, 8)
        .protective("U:PE2", "M:PE", 1.5)
        .device("T", "supply-24v-5a")
        .wire("F:2", "T:L", 1.5, 1)
        .wire("T:N", "X0:N", 1.5, 1)
        .protective("E:3", "T:PE", 1.5)
        .device("A", "motion-controller-3ax")
        .wire("T:+", "A:+", 0.75, 1)
        .wire("T:-", "A:-", 0.75, 1)
        .device("B", "photo-eye-pnp")
        .wire("T:+", "B:+", 0.75, 2)
        .wire("T:-", "B:-", 0.75, 2)
        .wire("B:OUT", "A:DI1", 0.75, 2)
        .build();
  }

  private static boolean feed(Pair p) {
    return p.emitter().kind() == Emitter.Kind.FEED;
  }

  /// It stands in every line of its drive, is joined to the protective bar, and nothing of the
  /// drive bypasses it.
  @Test
  void aFilterIsPutBeforeADriveThatHasNone() {
    var project = drive();
    var put = remedy(project, QuieterTest::feed, "Put Mains filter");
    var with = put.repair().edit().apply(project);
    var filter =
        with.devices().stream()
            .filter(d -> d.purpose().equals("mains filter of -U"))
            .findFirst()
            .orElseThrow();
    var at = Panel.study(with).at(filter.id());
    assertThat(ends(at, filter.id().text()))
        .containsExactlyInAnyOrder("L1", "L1'", "N", "N'", "PE");
    for (var mark : List.of("L", "N"))
      assertThat(
              with.conductors().stream()
                  .filter(w -> lands(w, "U", mark))
                  .flatMap(w -> java.util.stream.Stream.of(w.from(), w.to()))
                  .filter(end -> !end.device().text().equals("U"))
                  .map(end -> end.device().text()))
          .containsOnly(filter.id().text());
    // The drive still runs on the same volts.
    var feeds = Panel.study(with).network().feeds(new nelvar.core.model.Id("U"));
    assertThat(feeds.getFirst().voltage().volts()).isCloseTo(230.94, within(0.1));
    var was = Review.findingsOnly(Panel.study(project));
    assertThat(Effects.between(was, Review.findingsOnly(Panel.study(with))).errors()).isEmpty();
    // What comes from before the filter is gone from its feed.
    assertThat(after(project, put, QuieterTest::feed).margin())
        .isCloseTo(Math.min(put.margin(), Pair.FAR), within(1.0));
  }

  private static List<String> ends(List<Conductor> wires, String device) {
    return wires.stream()
        .flatMap(w -> java.util.stream.Stream.of(w.from(), w.to()))
        .filter(end -> end.device().text().equals(device))
        .map(TerminalRef::terminal)
        .toList();
  }

  private static boolean lands(Conductor w, String device, String mark) {
    return List.of(w.from().toString(), w.to().toString()).contains(device + ":" + mark);
  }

  /// The wires of the steps become one shielded cable, clamped at both ends; its cores are those
  /// wires.
  @Test
  void singleWiresBecomeOneShieldedCable() {
    var project = Demo.planted();
    Predicate<Pair> steps = p -> feed(p) && p.receiver().label().equals("-U3:STEP+");
    var one = remedy(project, steps, "One shielded cable");
    var with = one.repair().edit().apply(project);
    assertThat(with.cables()).hasSize(project.cables().size() + 1);
    var cable = with.cables().getLast();
    assertThat(Panel.study(with).cores(cable.id())).hasSizeGreaterThanOrEqualTo(4);
    assertThat(after(project, one, steps).margin()).isCloseTo(one.margin(), within(1.0));
  }

  /// A choke makes edges slow; its own value is asked for in its words.
  @Test
  void aChokeSlowsTheEdges() {
    var project = drive();
    var choke = remedy(project, QuieterTest::feed, "Choke between -U and its motor");
    assertThat(choke.gain()).isGreaterThan(10);
    var after = after(project, choke, QuieterTest::feed);
    assertThat(after.margin()).isCloseTo(choke.margin(), within(1.0));
    assertThat(after.emitter().rise()).isEqualTo(1e-6);
  }

  /// The way back of a sensor off the bar that a valve hangs on, onto the one of its board.
  @Test
  void aSensorGetsAWayBackOfItsOwn() {
    var project =
        Panel.dc()
            .device("A", "motion-controller-3ax")
            .device("Z", "block-minus-16")
            .device("X", "block-minus-16")
            .device("Y", "valve-24vdc-4w8", Place.MACHINE)
            .suppressed()
            .device("B", "photo-eye-pnp", Place.MACHINE)
            .wire("T:+", "A:+", 0.75, 1)
            .wire("T:-", "Z:1", 1.5, 0.3)
            .wire("Z:2", "A:-", 0.75, 1)
            .wire("Z:3", "X:1", 0.5, 12)
            .wire("T:+", "B:+", 0.5, 5)
            .wire("X:2", "B:-", 0.5, 1)
            .wire("B:OUT", "A:DI1", 0.5, 5)
            .device("S", "push-button-1no")
            .wire("T:+", "S:13", 0.5, 1)
            .wire("S:14", "Y:1", 0.5, 5)
            .wire("X:3", "Y:2", 0.5, 1)
            .build();
    Predicate<Pair> coil =
        p -> p.emitter().kind() == Emitter.Kind.COIL && p.receiver().label().endsWith("DI1");
    var before = pair(Panel.study(project), coil);
    assertThat(before.volts()).containsKey(nelvar.core.analysis.interference.WayIn.SHARED);
    var own = remedy(project, coil, "Land 0 V of -B on -Z");
    var after = after(project, own, coil);
    assertThat(after.volts()).doesNotContainKey(nelvar.core.analysis.interference.WayIn.SHARED);
    assertThat(after.margin()).isCloseTo(own.margin(), within(1.0));
  }

  /// Whatever is offered for the worst pairs of the demo opens nothing when it is taken.
  @Test
  void whatIsOfferedOpensNothing() {
    var study = Panel.study(Demo.planted());
    var today = Review.findingsOnly(study);
    var offered = Quieter.of(Coupled.of(study).pairs().getFirst(), today, () -> false);
    assertThat(offered).hasSizeGreaterThanOrEqualTo(3);
    for (var tried : offered) {
      assertThat(tried.effects().opened()).as(tried.remedy().repair().label()).isEmpty();
      var taken = Panel.study(tried.remedy().repair().edit().apply(study.project()));
      assertThat(Effects.between(today, Review.findingsOnly(taken)).opened()).isEmpty();
    }
  }
}
