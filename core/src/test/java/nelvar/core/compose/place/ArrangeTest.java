package nelvar.core.compose.place;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import nelvar.core.Panel;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Clearance;
import nelvar.core.analysis.space.Collision;
import nelvar.core.analysis.space.DoorCloses;
import nelvar.core.analysis.space.OnRail;
import nelvar.core.analysis.space.QuietApart;
import nelvar.core.analysis.space.Reach;
import nelvar.core.analysis.thermal.HeatBelow;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class ArrangeTest {
  /// What a layout must never break where everything fits.
  private static final List<Rule> HARD =
      List.of(new Collision(), new Clearance(), new OnRail(), new DoorCloses(), new Reach());

  private static final List<Rule> SOFT = List.of(new QuietApart(), new HeatBelow());

  private static final List<String> PARTS =
      List.of(
          "breaker-1p-c6",
          "breaker-3p-c6",
          "contactor-3p-9a-24vdc",
          "relay-6a-24vdc",
          "supply-24v-5a",
          "supply-48v-10a",
          "stepper-drive-50v-5a",
          "block-plus-16",
          "block-minus-8",
          "motion-controller-3ax",
          "safety-relay-24v",
          "drive-1ph-230-0p37kw",
          "electronic-4-2a");

  /// A panel of random parts, wired at random between what both have.
  private static Project random(long seed, int parts) {
    var random = new SplittableRandom(seed);
    var panel = Panel.mains();
    for (var i = 0; i < parts; i++) panel.device("P" + i, PARTS.get(random.nextInt(PARTS.size())));
    if (random.nextBoolean()) panel.device("S1", "stop-button-2nc", Place.DOOR);
    var project = panel.build();
    var study = Panel.study(project);
    for (var i = 0; i < 2 * parts; i++) {
      var a = project.devices().get(random.nextInt(project.devices().size()));
      var b = project.devices().get(random.nextInt(project.devices().size()));
      if (a.id().equals(b.id())) continue;
      var at = study.part(a).orElseThrow().terminals();
      var bt = study.part(b).orElseThrow().terminals();
      panel.wire(
          a.id() + ":" + at.get(random.nextInt(at.size())).name(),
          b.id() + ":" + bt.get(random.nextInt(bt.size())).name(),
          1.5,
          1);
    }
    return panel.build();
  }

  private static Cabinet cabinet(double width, double height, double depth) {
    return Cabinet.of(
        new Id("C"),
        "cabinet",
        Optional.empty(),
        Shell.onWall(
            Length.ofMillimetres(width),
            Length.ofMillimetres(height),
            Length.ofMillimetres(depth)));
  }

  private static List<Verdict.Finding> broken(List<Rule> rules, Study study) {
    return rules.stream()
        .flatMap(rule -> rule.check(study))
        .filter(Verdict.Finding.class::isInstance)
        .map(Verdict.Finding.class::cast)
        .toList();
  }

  /// Two hundred panels: nothing overlaps, all have their room, rails and door; and no more copper
  /// than placing row by row by size in the same cabinet.
  @Test
  void twoHundredPanelsAreValid() {
    var shorter = 0;
    var soft = 0;
    for (var seed = 0; seed < 200; seed++) {
      var project = random(seed, 3 + seed % 12);
      var study = Panel.study(project);
      var proposal = Arrange.best(study, cabinet(800, 1000, 300), seed);
      assertThat(proposal.fits()).as("seed " + seed).isTrue();
      assertThat(proposal.waiting()).as("seed " + seed).isEmpty();
      var laid = study.tried(proposal.edit(study).apply(project));
      assertThat(broken(HARD, laid)).as("seed " + seed).isEmpty();
      if (!broken(SOFT, laid).isEmpty()) soft++;
      var plain = Arrange.bySize(study, cabinet(800, 1000, 300));
      if (proposal.copper().compareTo(plain.copper()) <= 0) shorter++;
    }
    // On small panels, where everything can be tried, none is broken that need not be: see below.
    assertThat(soft).isLessThanOrEqualTo(4);
    // Where it is longer, by size breaks a rule that the layout keeps.
    assertThat(shorter).isGreaterThan(180);
  }

  /// The same seed gives the same layout, byte by byte.
  @Test
  void theSameSeedGivesTheSame() {
    var study = Panel.study(random(3, 12));
    assertThat(Arrange.best(study, cabinet(600, 800, 250), 5))
        .isEqualTo(Arrange.best(study, cabinet(600, 800, 250), 5));
  }

  /// What is said to stay, stays; the rest finds its place round it and breaks nothing.
  @Test
  void whatStaysStays() {
    var project = random(11, 8);
    var study = Panel.study(project);
    var first = Arrange.best(study, cabinet(800, 1000, 300), 1);
    var laid = first.edit(study).apply(project);
    var held =
        laid.with(
            laid.layout()
                .withPlacements(
                    laid.layout().placements().stream()
                        .filter(p -> !p.device().equals(new Id("P2")))
                        .map(p -> p.device().equals(new Id("P0")) ? p.held(true) : p)
                        .toList()));
    var again = Panel.study(held);
    var second = Arrange.best(again, again.project().layout().cabinets().getFirst(), 1);
    assertThat(second.fits()).isTrue();
    assertThat(second.placements()).contains(held.layout().placement(new Id("P0")).orElseThrow());
    assertThat(second.placements()).anyMatch(p -> p.device().equals(new Id("P2")));
    var next = again.tried(second.edit(again).apply(held));
    assertThat(broken(List.of(new Collision(), new Clearance(), new OnRail()), next)).isEmpty();
  }

  /// What search counts as copper is what the ways in the ducts come to.
  @Test
  void theSearchCountsWhatTheDuctsMeasure() {
    for (var seed = 0; seed < 20; seed++) {
      var project = random(seed, 10);
      var study = Panel.study(project);
      var shell = cabinet(600, 800, 250);
      var items =
          project.devices().stream()
              .filter(d -> d.place() == Place.PANEL)
              .flatMap(d -> Item.of(d, study).stream())
              .toList();
      var links = Links.of(items, study);
      var search =
          new RowSearch(items, links, Frame.of(shell.shell(), true), shell.shell(), Wanted.SHORT);
      var rows = search.greedy(RowSearch.BY_HAND);
      var decoded = search.decode(rows);
      var laid = Laid.of(shell, items, decoded, search.frame(), project);
      var tried =
          study.tried(
              nelvar.core.model.edit.LayoutEdits.arrange("try", laid.cabinet(), laid.placements())
                  .apply(project));
      var ways = nelvar.core.analysis.space.DuctWays.of(laid.cabinet());
      var bodies = Bodies.of(tried);
      var sum = 0.0;
      for (var wire : project.conductors()) {
        var from = bodies.of(wire.from().device());
        var to = bodies.of(wire.to().device());
        if (from.isPresent() && to.isPresent() && !from.get().id().equals(to.get().id()))
          sum += ways.length(ways.access(from.get()), ways.access(to.get()));
      }
      var door = 0.0;
      for (var i = 0; i < items.size(); i++) door += links.toDoor(i) + links.toMachine(i);
      if (door == 0 && decoded.overflow <= 0)
        assertThat(decoded.copper)
            .as("seed " + seed)
            .isCloseTo(sum, org.assertj.core.api.Assertions.within(0.01 * sum + 1));
    }
  }

  /// On panels of four parts every order of every division into rows is tried: where one breaks no
  /// rule, neither does the search, and its cost is within a tenth of the best there is.
  @Test
  void asGoodAsTryingEverything() {
    for (var seed = 100; seed < 130; seed++) {
      var project = random(seed, 4);
      var study = Panel.study(project);
      var items =
          project.devices().stream()
              .filter(d -> d.place() == Place.PANEL)
              .flatMap(d -> Item.of(d, study).stream())
              .toList();
      var shell = cabinet(500, 700, 300).shell();
      var search =
          new RowSearch(items, Links.of(items, study), Frame.of(shell, true), shell, Wanted.SHORT);
      var best = new double[] {Double.POSITIVE_INFINITY, 1};
      every(
          items.size(),
          rows -> {
            var decoded = search.decode(rows);
            if (decoded.cost < best[0]) {
              best[0] = decoded.cost;
              best[1] = decoded.broken;
            }
          });
      var found =
          search.decode(
              search.improve(
                  search.greedy(RowSearch.BY_HAND),
                  seed,
                  RowSearch.steps(items.size()),
                  () -> false,
                  _ -> {}));
      assertThat(found.cost).as("seed " + seed).isLessThanOrEqualTo(best[0] * 1.1 + 1e-6);
      if (best[1] == 0) assertThat(found.broken).as("seed " + seed).isZero();
    }
  }

  /// All orders, with all divisions into rows.
  private static void every(int items, java.util.function.Consumer<int[][]> take) {
    permute(
        new int[items],
        new boolean[items],
        0,
        order -> {
          for (var cuts = 0; cuts < 1 << (items - 1); cuts++) {
            var rows = new java.util.ArrayList<int[]>();
            var row = new java.util.ArrayList<Integer>();
            for (var i = 0; i < items; i++) {
              row.add(order[i]);
              if (i == items - 1 || (cuts >> i & 1) == 1) {
                rows.add(row.stream().mapToInt(Integer::intValue).toArray());
                row.clear();
              }
            }
            take.accept(rows.toArray(int[][]::new));
          }
        });
  }

  private static void permute(
      int[] order, boolean[] used, int at, java.util.function.Consumer<int[]> take) {
    if (at == order.length) {
      take.accept(order);
      return;
    }
    for (var i = 0; i < order.length; i++) {
      if (used[i]) continue;
      used[i] = true;
      order[at] = i;
      permute(order, used, at + 1, take);
      used[i] = false;
    }
  }

  /// Cancelled at once, what is best so far comes back all the same.
  @Test
  void whatIsBestSoFarIsShownWhenCancelled() {
    var study = Panel.study(random(4, 12));
    var all = Arrange.proposals(study, cabinet(800, 1000, 300), 1, () -> true, _ -> {});
    assertThat(all).hasSize(1);
    assertThat(all.getFirst().placements()).isNotEmpty();
  }

  /// The smallest of the catalogue that does: a smaller one is refused for what does not fit or for
  /// heat.
  @Test
  void theSmallestThatDoes() {
    var small = Panel.study(random(1, 3));
    var large = Panel.study(random(2, 14));
    var a = Arrange.smallest(small, 1, () -> false).orElseThrow().shell();
    var b = Arrange.smallest(large, 1, () -> false).orElseThrow().shell();
    assertThat(a.width().compareTo(b.width())).isLessThanOrEqualTo(0);
    assertThat(Arrange.best(large, cabinetOf(b), 1).fits()).isTrue();
  }

  private static Cabinet cabinetOf(Shell shell) {
    return Cabinet.of(new Id("C"), "cabinet", Optional.empty(), shell);
  }
}
