package nelvar.core.abuse;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Function;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Fits;
import nelvar.core.analysis.space.Fixture;
import nelvar.core.analysis.space.Snap;
import nelvar.core.analysis.space.Together;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.catalogue.Housing;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// Whatever hands do on the plate in whatever order: it is written and read as it is, every verdict
/// comes, nothing is computed that is no number.
class LayoutAbuseTest {
  private static final List<String> DEVICES = List.of("F1", "F2", "T1", "A1", "U1", "E2");

  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  private static Project begin() {
    return Panel.mains()
        .device("F1", "breaker-1p-c6")
        .device("F2", "breaker-3p-c6")
        .device("T1", "supply-24v-5a")
        .device("A1", "motion-controller-3ax")
        .device("U1", "drive-1ph-230-0p37kw")
        .device("E2", "fan-230v-45w")
        .wire("X0:L1", "F1:1", 2.5, 1)
        .wire("F1:2", "T1:L", 1.5, 1)
        .wire("T1:N", "X0:N", 1.5, 1)
        .cabinet(600, 800, 250)
        .build();
  }

  private static Cabinet cabinet(Project project) {
    return project.layout().cabinets().getFirst();
  }

  private static final List<Function<Context, Optional<Edit>>> HANDS =
      List.of(
          LayoutAbuseTest::place,
          LayoutAbuseTest::turn,
          LayoutAbuseTest::takeOff,
          LayoutAbuseTest::rail,
          LayoutAbuseTest::duct,
          LayoutAbuseTest::moveFixture,
          LayoutAbuseTest::cut,
          LayoutAbuseTest::line,
          LayoutAbuseTest::walls,
          LayoutAbuseTest::measure);

  private record Context(Project project, Study study, SplittableRandom random) {
    Id device() {
      return new Id(DEVICES.get(random.nextInt(DEVICES.size())));
    }

    double mm(int most) {
      return random.nextInt(most);
    }
  }

  private static Optional<Edit> place(Context c) {
    var surface = Surface.values()[c.random().nextInt(Surface.values().length)];
    var id = c.device();
    return Optional.of(
        LayoutEdits.place(
            "place",
            List.of(
                Placement.at(
                    id, cabinet(c.project()).id(), surface, mm(c.mm(900)), mm(c.mm(900))))));
  }

  private static Optional<Edit> turn(Context c) {
    return c.project()
        .layout()
        .placement(c.device())
        .map(p -> LayoutEdits.place("turn", List.of(p.turned().held(c.random().nextBoolean()))));
  }

  private static Optional<Edit> takeOff(Context c) {
    return c.project().device(c.device()).map(LayoutEdits::takeOff);
  }

  private static Optional<Edit> rail(Context c) {
    var all = new ArrayList<>(cabinet(c.project()).rails());
    all.add(
        new Cabinet.Rail(
            new Id("R" + c.random().nextInt(100_000)),
            Surface.PLATE,
            mm(c.mm(300)),
            mm(c.mm(800)),
            mm(1 + c.mm(600)),
            c.random().nextInt(5) == 0 ? Optional.of(true) : Optional.empty()));
    return Optional.of(LayoutEdits.change("rail", cabinet(c.project()).withRails(all)));
  }

  private static Optional<Edit> duct(Context c) {
    var all = new ArrayList<>(cabinet(c.project()).ducts());
    all.add(
        new Cabinet.Duct(
            new Id("D" + c.random().nextInt(100_000)),
            Surface.PLATE,
            mm(c.mm(300)),
            mm(c.mm(800)),
            mm(1 + c.mm(600)),
            mm(15 + c.mm(80)),
            mm(15 + c.mm(100)),
            c.random().nextInt(3) == 0 ? Optional.of(true) : Optional.empty(),
            Optional.empty()));
    return Optional.of(LayoutEdits.change("duct", cabinet(c.project()).withDucts(all)));
  }

  private static Optional<Fixture> fixture(Context c) {
    var ids = new ArrayList<Id>();
    cabinet(c.project()).rails().forEach(r -> ids.add(r.id()));
    cabinet(c.project()).ducts().forEach(d -> ids.add(d.id()));
    return ids.isEmpty()
        ? Optional.empty()
        : Fixture.of(cabinet(c.project()), ids.get(c.random().nextInt(ids.size())));
  }

  private static Optional<Edit> moveFixture(Context c) {
    return fixture(c)
        .map(f ->
            c.random().nextBoolean()
                ? f.movedBy(c.mm(200) - 100, c.mm(200) - 100).moved(c.study())
                : f.rest(c.mm(900), c.mm(900)).moved(c.study()));
  }

  private static Optional<Edit> cut(Context c) {
    return fixture(c)
        .map(f -> c.random().nextInt(3) == 0 ? f.removed() : f.sized(mm(1 + c.mm(700))));
  }

  private static Optional<Edit> line(Context c) {
    var bodies = Bodies.of(c.study()).in(cabinet(c.project()));
    if (bodies.size() < 2) return Optional.empty();
    var surface = bodies.getFirst().surface();
    var same = bodies.stream().filter(b -> b.surface() == surface).toList();
    var lines = Together.Line.values();
    var next =
        switch (c.random().nextInt(4)) {
          case 0 -> Together.distributed(same, c.random().nextBoolean());
          case 1 -> Snap.closedUp(Snap.row(same.getFirst(), same));
          case 2 -> Snap.spread(Snap.row(same.getFirst(), same));
          default -> Together.aligned(same, lines[c.random().nextInt(lines.length)]);
        };
    return Optional.of(LayoutEdits.place("line", next.stream().map(b -> b.at()).toList()));
  }

  private static Optional<Edit> walls(Context c) {
    var housings = Housing.values();
    var shell =
        cabinet(c.project())
            .shell()
            .with(d -> {
              d.housing = housings[c.random().nextInt(housings.length)];
              d.hinge = c.random().nextBoolean() ? Optional.of(Shell.Side.RIGHT) : Optional.empty();
              d.depth = mm(20 + c.mm(400));
            });
    return Optional.of(LayoutEdits.change("walls", cabinet(c.project()).withShell(shell)));
  }

  private static Optional<Edit> measure(Context c) {
    var id = c.device();
    return c.project()
        .device(id)
        .map(d ->
            LayoutEdits.measure(
                d,
                c.random().nextBoolean()
                    ? Optional.empty()
                    : Optional.of(
                        new nelvar.core.model.Measured(
                            id,
                            mm(1 + c.mm(300)),
                            mm(1 + c.mm(300)),
                            c.random().nextBoolean()
                                ? Optional.of(mm(1 + c.mm(200)))
                                : Optional.empty()))));
  }

  @Test
  void whateverHandsDo() throws Exception {
    for (var seed = 0; seed < 12; seed++) {
      var random = new SplittableRandom(seed);
      var project = begin();
      for (var step = 0; step < 40; step++) {
        var context = new Context(project, Panel.study(project), random);
        try {
          var edit = HANDS.get(random.nextInt(HANDS.size())).apply(context);
          if (edit.isEmpty()) continue;
          project = edit.get().on(project, CatalogueFile.standard());
        } catch (EditRefused | ImpossibleQuantity refused) {
          assertThat(refused.getMessage()).isNotBlank();
        }
        if (step % 8 == 7) judged(project, "seed %d, step %d".formatted(seed, step));
      }
    }
  }

  private static void judged(Project project, String when) throws Exception {
    var again = ProjectFormat.read(when, ProjectFormat.write(project), CatalogueFile.standard());
    assertThat(again.layout()).as(when).isEqualTo(project.layout());
    var review = Review.of(project, CatalogueFile.standard());
    for (var entry : review.open()) assertThat(entry.finding().orElseThrow().text()).isNotBlank();
    assertThat(review.notChecked())
        .as(when)
        .noneMatch(e -> e.verdict().toString().contains("Exception"));
    var air = CabinetAir.of(cabinet(project), review.study());
    assertThat(air.hottest().celsius()).as(when).isBetween(-60.0, 1200.0);
    var bodies = Bodies.of(review.study()).in(cabinet(project));
    var fits = Fits.in(cabinet(project), review.study());
    // Whoever has nothing in its way and crowds nothing is free, if nobody wants its place.
    for (var body : bodies)
      if (fits.free(body)) assertThat(fits.over(body)).as(when + " " + body.name()).isEmpty();
  }
}
