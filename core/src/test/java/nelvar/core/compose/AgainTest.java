package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.function.Predicate;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Device;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import org.junit.jupiter.api.Test;

/// A function that works, made in another way or fed from another supply.
class AgainTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  private static Project conveyor() {
    return ((Drafting.Drawn)
            Drafting.of("x", ShippedLists.text("conveyor-station").orElseThrow(), STANDARD))
        .draft()
        .project();
  }

  private static Review review(Project project) {
    return Review.findingsOnly(project, STANDARD);
  }

  private static Ways.Found again(MachineFunction function, Project project) {
    return Again.of(function, review(project), STANDARD);
  }

  /// Each way makes the function work, opens no error, and leaves what serves others as it is.
  private static void judge(Way way, MachineFunction function, Project before) {
    var after = way.edit().on(before, STANDARD);
    assertThat(Effects.between(review(before), review(after)).errors()).as(way.title()).isEmpty();
    assertThat(after.functions()).isEqualTo(before.functions());
    Predicate<Device> mine = device -> device.serves().filter(function.id()::equals).isPresent();
    var gone = Clearing.gone(function, review(before).study());
    assertThat(after.devices())
        .containsAll(
            before.devices().stream()
                .filter(mine.negate())
                .filter(device -> !gone.contains(device))
                .toList());
    assertThat(after.devices().stream().filter(mine)).as(way.title()).isNotEmpty();
    var row =
        Chains.of(review(after)).stream()
            .filter(r -> r.function().filter(function::equals).isPresent())
            .findFirst()
            .orElseThrow();
    assertThat(row.finished()).as(function.designation() + " " + way.title()).isTrue();
  }

  @Test
  void everyOtherWayWorksAndLeavesTheRest() {
    var offered = 0;
    for (var project : List.of(conveyor(), Demo.settled()))
      for (var function : project.functions().subList(0, 8)) {
        for (var way : again(function, project).ways()) {
          judge(way, function, project);
          offered++;
        }
      }
    assertThat(offered).isGreaterThan(10);
  }

  /// An axis keeps its sensors and its brake with the relay that lets it go: no recipe makes those.
  @Test
  void whatNoRecipeMakesStays() {
    var project = Demo.settled();
    var work = java.util.Set.of("sensor", "solenoid");
    for (var function : project.functions()) {
      if (function.kind() != FunctionKind.MOVE) continue;
      var mine =
          FunctionEdits.served(project, function.id()).stream()
              .filter(d -> work.contains(kind(d)))
              .toList();
      for (var way : again(function, project).ways()) {
        var cut =
            FunctionEdits.served(project, function.id()).stream()
                .anyMatch(
                    d -> nelvar.core.compose.sketch.Composer.cutByStop(d, review(project).study()));
        if (cut) assertThat(way.title()).doesNotContain("not cut by the stop");
        assertThat(way.after().project().devices()).containsAll(mine);
        for (var device : mine)
          for (var feed : way.after().network().feeds(device.id()))
            assertThat(feed.source()).as(device.designation().text()).isPresent();
      }
    }
  }

  private static String kind(Device device) {
    return nelvar.core.file.NelvarJson.kindName(
        STANDARD.find(device.part()).orElseThrow().getClass());
  }

  /// From a supply of its own, and back to the one it shared.
  @Test
  void itMovesToAnotherSupplyAndBack() {
    var project = conveyor();
    var valves =
        project.functions().stream()
            .filter(f -> f.kind().words().equals("open and close"))
            .findFirst()
            .orElseThrow();
    var own =
        again(valves, project).ways().stream()
            .filter(way -> way.title().endsWith("from a supply of its own"))
            .findFirst()
            .orElseThrow();
    assertThat(own.adds()).anyMatch(line -> line.contains("supply"));
    var apart = own.edit().on(project, STANDARD);
    var supplies =
        apart.devices().stream()
            .filter(d -> STANDARD.find(d.part()).filter(Part::regulatedSupply).isPresent())
            .toList();
    var back =
        again(valves, apart).ways().stream()
            .filter(way ->
                supplies.stream()
                    .filter(d -> project.device(d.id()).isPresent())
                    .anyMatch(d -> way.title().endsWith(", from " + d.designation())))
            .findFirst()
            .orElseThrow();
    var shared =
        supplies.stream()
            .filter(d -> back.title().endsWith(", from " + d.designation()))
            .findFirst()
            .orElseThrow();
    var after = back.edit().on(apart, STANDARD);
    var study = review(after).study();
    for (var device : FunctionEdits.served(after, valves.id()))
      for (var feed : study.network().feeds(device.id()))
        assertThat(feed.source().orElseThrow().device().id()).isEqualTo(shared.id());
    assertThatThrownBy(() -> back.edit().on(project, STANDARD)).isInstanceOf(EditRefused.class);
  }

  /// A function goes with the breaker that then protects nothing; what others hang on stays.
  @Test
  void whatServesOnlyItGoesWithIt() {
    var project = conveyor();
    var study = review(project).study();
    for (var function : project.functions()) {
      // One out of a chain of stops leaves that open: the review says so.
      if (function.kind() == FunctionKind.STOP) continue;
      var after = Clearing.remove(function, study).on(project, STANDARD);
      var errors = Effects.between(review(project), review(after));
      assertThat(errors.errors()).as(function.designation().text()).isEmpty();
    }
    var motor = project.plan().function(new Id("MOT3")).orElseThrow();
    var breaker =
        Clearing.gone(motor, study).stream()
            .filter(d -> d.serves().isEmpty())
            .findFirst()
            .orElseThrow();
    assertThat(breaker.purpose()).isEqualTo("infeed, drive");
    var fixed = Edits.fix(breaker.id(), "it", true).on(project, STANDARD);
    assertThat(Clearing.gone(motor, review(fixed).study())).doesNotContain(breaker);
  }

  @Test
  void whatIsFixedByHandIsNotMadeAnew() {
    var project = conveyor();
    var function =
        project.functions().stream()
            .filter(f -> !FunctionEdits.served(project, f.id()).isEmpty())
            .findFirst()
            .orElseThrow();
    var device = FunctionEdits.served(project, function.id()).getFirst();
    var fixed = Edits.fix(device.id(), "it", true).on(project, STANDARD);
    var found = again(function, fixed);
    assertThat(found.ways()).isEmpty();
    assertThat(found.refused())
        .containsExactly(
            device.designation() + " is fixed by hand: let go of it, or change it yourself");
  }
}
