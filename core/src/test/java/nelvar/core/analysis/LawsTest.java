package nelvar.core.analysis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nelvar.core.Panel;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Consistency;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.Use;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.review.Review;
import nelvar.core.sample.GeneratedPanel;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Temperature;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// What must hold on any panel, tried on generated ones and on the demo with random edits.
class LawsTest {
  private static double drop(Feed feed, Study study) {
    return VoltageDrop.of(feed, study).found().orElseThrow().value().percent();
  }

  private static Feed same(Feed feed, Study study) {
    return study.network().feeds(feed.device().id()).stream()
        .filter(f -> f.intake().name().equals(feed.intake().name()))
        .findFirst()
        .orElseThrow();
  }

  private static Project with(Project project, Conductor conductor, Conductor next) {
    return project.withConductors(
        Project.changed(project.conductors(), c -> c.id().equals(conductor.id()), _ -> next));
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void aThickerWireNeverRaisesADropAndALongerNeverLowersIt(long seed) {
    var project = GeneratedPanel.of(14, seed);
    var before = Panel.study(project);
    var random = new Random(seed);
    for (var round = 0; round < 12; round++) {
      var wire = project.conductors().get(random.nextInt(project.conductors().size()));
      var thicker = Panel.study(with(project, wire, wire.withSection(new CrossSection(10))));
      var longer =
          Panel.study(
              with(
                  project, wire, wire.withLength(wire.length().orElseThrow().plus(new Length(5)))));
      for (var feed : before.network().feeds()) {
        assertThat(drop(same(feed, thicker), thicker))
            .isLessThanOrEqualTo(drop(feed, before) + 1e-12);
        assertThat(drop(same(feed, longer), longer))
            .isGreaterThanOrEqualTo(drop(feed, before) - 1e-12);
      }
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void moreLoadNeverLowersACurrent(long seed) {
    var project = GeneratedPanel.of(20, seed);
    var before = Panel.study(project);
    var device =
        project.devices().stream()
            .filter(d -> d.part().startsWith("vibrator") || d.part().startsWith("valve"))
            .findFirst()
            .orElseThrow();
    var more =
        Edits.use(
                device,
                new Use(
                    java.util.Optional.of(new Percent(150)),
                    java.util.Optional.empty(),
                    java.util.Optional.empty(),
                    java.util.Optional.empty()))
            .apply(project);
    var after = Panel.study(more);
    for (var conductor : project.conductors())
      assertThat(after.designCurrent(conductor).amperes())
          .isGreaterThanOrEqualTo(before.designCurrent(conductor).amperes() - 1e-12);
  }

  @ParameterizedTest
  @ValueSource(ints = {41, 45, 50, 60})
  void aWarmerCabinetNeverRaisesAmpacity(int inside) {
    var project = Demo.settled();
    var b = project.brief();
    var warm =
        Panel.study(
            project.withBrief(
                new Brief(
                    b.supply(),
                    new Brief.Surroundings(
                        b.surroundings().least(),
                        b.surroundings().greatest(),
                        new Temperature(inside),
                        b.surroundings().altitude(),
                        ""),
                    b.policies())));
    var cool =
        Panel.study(
            project.withBrief(
                new Brief(
                    b.supply(),
                    new Brief.Surroundings(
                        b.surroundings().least(),
                        b.surroundings().greatest(),
                        new Temperature(40),
                        b.surroundings().altitude(),
                        ""),
                    b.policies())));
    for (var conductor : project.conductors()) {
      var rated = Ampacity.of(conductor, cool).found();
      if (rated.isEmpty()) continue;
      assertThat(Ampacity.of(conductor, warm).found().orElseThrow().value().amperes())
          .isLessThanOrEqualTo(rated.get().value().amperes() + 1e-12);
    }
  }

  /// Running never exceeds design; design never falls below the largest single load.
  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void theMeanIsNeverMoreThanAllOn(boolean settled) {
    var study = Panel.study(settled ? Demo.settled() : Demo.planted());
    for (var conductor : study.project().conductors())
      assertThat(study.runningCurrent(conductor).amperes())
          .isLessThanOrEqualTo(study.designCurrent(conductor).amperes() + 1e-9);
    for (var feed : study.network().feeds())
      for (var way : feed.lineWays())
        for (var wire : study.wires(way))
          assertThat(study.designCurrent(wire).amperes())
              .isGreaterThanOrEqualTo(study.designCurrent(feed).amperes() - 1e-9);
  }

  /// Random edits and repairs: the project stays sound, its file reads back, its review never
  /// fails.
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void anySequenceOfEditsLeavesASoundProject(long seed) throws Exception {
    var random = new Random(seed);
    var project = Demo.planted();
    for (var step = 0; step < 25; step++) {
      try {
        project = randomEdit(project, random).apply(project);
      } catch (EditRefused refused) {
        assertThat(refused.getMessage()).isNotBlank();
      }
      assertThat(Consistency.check(project, CatalogueFile.standard().with(project.ownParts())))
          .isEmpty();
      var review = Review.of(project, CatalogueFile.standard());
      assertThat(review.notChecked())
          .noneMatch(entry -> entry.verdict().toString().contains("could not be computed here"));
    }
    assertThat(ProjectFormat.read("x", ProjectFormat.write(project), CatalogueFile.standard()))
        .isEqualTo(project);
  }

  private static <T> T any(List<T> list, Random random) {
    return list.get(random.nextInt(list.size()));
  }

  private static Edit randomEdit(Project project, Random random) {
    var device = any(project.devices(), random);
    var wire = any(project.conductors(), random);
    var sections = List.of(0.34, 0.5, 0.75, 1.0, 1.5, 2.5, 4.0, 6.0);
    return switch (random.nextInt(8)) {
      case 0 ->
          Edits.section(
              wire.label().text(),
              java.util.Set.of(wire.id()),
              new CrossSection(any(sections, random)),
              CatalogueFile.standard());
      case 1 -> Edits.length(wire, new Length(random.nextDouble() * 30));
      case 2 -> Edits.remove(wire);
      case 3 -> Edits.remove(device);
      case 4 -> Edits.swap(device, alternative(device, random));
      case 5 ->
          Edits.use(
              device,
              new Use(
                  java.util.Optional.of(new Percent(random.nextInt(200))),
                  java.util.Optional.empty(),
                  java.util.Optional.of(new Percent(random.nextInt(101))),
                  java.util.Optional.empty()));
      default -> repair(project, random);
    };
  }

  private static nelvar.core.catalogue.Part alternative(Device device, Random random) {
    var part = CatalogueFile.standard().find(device.part()).orElseThrow();
    var same =
        new ArrayList<nelvar.core.catalogue.Part>(
            CatalogueFile.standard().of(part.getClass()).toList());
    return any(same, random);
  }

  private static Edit repair(Project project, Random random) {
    var repairs =
        Review.of(project, CatalogueFile.standard()).open().stream()
            .flatMap(entry -> entry.finding().orElseThrow().proposals().stream())
            .toList();
    return repairs.isEmpty() ? new Edit("nothing", p -> p) : any(repairs, random).edit();
  }
}
