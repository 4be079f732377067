package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.Chains;
import nelvar.core.compose.Reserved;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.Horizon;
import nelvar.core.review.Review;
import org.junit.jupiter.api.Test;

/// Today's machine, the finished one, and all of it.
class HorizonTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();
  private static final Project DEMO = Demo.settled();

  private static Project marked(String thing, Standing standing) {
    return FunctionEdits.mark(new Id(thing), thing, Optional.of(standing)).on(DEMO, STANDARD);
  }

  private static MachineFunction served() {
    return DEMO.functions().stream()
        .filter(f -> FunctionEdits.served(DEMO, f.id()).size() == 1)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void withoutMarksAllThreeAreTheProjectItself() {
    for (var horizon : Horizon.values()) {
      assertThat(horizon.of(DEMO)).isSameAs(DEMO);
      assertThat(horizon.leftOut(DEMO).isEmpty()).isTrue();
      assertThat(horizon.says(DEMO)).isEmpty();
    }
  }

  /// To build is part of the finished machine only, later of neither.
  @Test
  void eachHorizonLeavesOutWhatIsNotInIt() {
    var function = served();
    var device = FunctionEdits.served(DEMO, function.id()).getFirst().id();
    var toBuild = marked(function.id().text(), Standing.TO_BUILD);
    assertThat(Horizon.TODAY.of(toBuild).device(device)).isEmpty();
    assertThat(Horizon.FINISHED.of(toBuild)).isEqualTo(toBuild);
    var later = marked(function.id().text(), Standing.LATER);
    assertThat(Horizon.TODAY.of(later).device(device)).isEmpty();
    assertThat(Horizon.FINISHED.of(later).device(device)).isEmpty();
    assertThat(Horizon.WITH_LATER.of(later)).isSameAs(later);
    var left = Horizon.FINISHED.leftOut(later);
    assertThat(left.functions())
        .containsExactly(later.plan().function(function.id()).orElseThrow());
    assertThat(left.devices()).extracting(Device::id).containsExactly(device);
    assertThat(left.wires()).isNotEmpty().allMatch(wire -> wire.touches(device));
    assertThat(Horizon.FINISHED.says(later))
        .startsWith("The finished machine; 1 function, 1 device, ")
        .endsWith("of the project are not in it.");
  }

  /// The mark of a device, a cable or a wire takes out that, and what cannot be without it.
  @Test
  void whatHangsOnItGoesWithIt() {
    var cable = DEMO.cables().getFirst();
    var without = Horizon.FINISHED.of(marked(cable.id().text(), Standing.LATER));
    assertThat(without.cable(cable.id())).isEmpty();
    assertThat(without.conductors())
        .noneMatch(core -> core.cable().filter(cable.id()::equals).isPresent());
    var wire =
        DEMO.conductors().stream().filter(w -> w.cable().isEmpty()).findFirst().orElseThrow();
    var cut = Horizon.TODAY.of(marked(wire.id().text(), Standing.TO_BUILD));
    assertThat(cut.conductor(wire.id())).isEmpty();
    assertThat(cut.devices()).isEqualTo(DEMO.devices());
    assertThat(Horizon.standing(marked(wire.from().device().text(), Standing.LATER), wire.id()))
        .contains(Standing.LATER);
  }

  /// A motor whose function is to be built is not asked about today: nothing says it is unfed. What
  /// feeds others being to build, they are unfed today.
  @Test
  void theReviewAnswersForTheMachineAskedAbout() {
    for (var function : DEMO.functions()) {
      var project = marked(function.id().text(), Standing.TO_BUILD);
      var today = Review.findingsOnly(Horizon.TODAY.of(project), STANDARD);
      var mine = FunctionEdits.served(project, function.id());
      for (var device : mine)
        assertThat(today.open())
            .noneMatch(e -> e.finding().orElseThrow().subject().concerns(device.id()));
    }
    var supply = Horizon.TODAY.of(marked("T2", Standing.TO_BUILD));
    assertThat(Review.findingsOnly(supply, STANDARD).open())
        .anyMatch(e -> e.finding().orElseThrow().severity() == Severity.ERROR);
  }

  /// A way out found for the machine asked about is made in the whole: what is not in it stays.
  @Test
  void anEditOfTheMachineAskedAboutLeavesTheRest() {
    var project = marked(served().id().text(), Standing.LATER);
    var asked = Horizon.FINISHED.of(project);
    var wire = asked.conductors().getFirst();
    var edit = new Edit("all of it", _ -> Edits.remove(wire).apply(asked));
    var after = Horizon.FINISHED.lifted(edit, STANDARD).on(project, STANDARD);
    assertThat(after.conductor(wire.id())).isEmpty();
    assertThat(after.devices()).containsExactlyInAnyOrderElementsOf(project.devices());
    assertThat(after.plan().marks()).isEqualTo(project.plan().marks());
    assertThat(after.conductors()).hasSize(project.conductors().size() - 1);
    var refused =
        new Edit(
            "no",
            _ -> {
              throw new EditRefused("not so");
            });
    assertThatThrownBy(() -> Horizon.TODAY.lifted(refused, STANDARD).on(project, STANDARD))
        .isInstanceOf(EditRefused.class)
        .hasMessage("not so");
  }

  @Test
  void whatIsKeptForLaterIsNamed() {
    var function = served();
    var kept = Reserved.of(function, Review.findingsOnly(DEMO, STANDARD));
    var own = FunctionEdits.served(DEMO, function.id()).getFirst();
    var ends =
        DEMO.conductors().stream()
            .filter(wire -> wire.touches(own.id()))
            .map(wire -> wire.from().device().equals(own.id()) ? wire.to() : wire.from())
            .toList();
    assertThat(ends).isNotEmpty();
    for (var end : ends)
      assertThat(kept.places())
          .anyMatch(line ->
              line.startsWith(DEMO.device(end.device()).orElseThrow().designation() + ": ")
                  && line.contains(end.terminal()));
  }

  /// Rows of functions that are not asked about stay in their places and count for nothing.
  @Test
  void whatIsNotAskedAboutKeepsItsRow() {
    var function = served();
    var project = marked(function.id().text(), Standing.LATER);
    var rows =
        Chains.of(
            Review.findingsOnly(Horizon.FINISHED.of(project), STANDARD),
            Review.findingsOnly(project, STANDARD));
    assertThat(rows.stream().flatMap(r -> r.function().stream()).map(MachineFunction::id))
        .containsExactlyElementsOf(project.functions().stream().map(MachineFunction::id).toList());
    assertThat(rows)
        .filteredOn(row -> !row.there())
        .singleElement()
        .satisfies(row -> {
          assertThat(row.standing()).contains(Standing.LATER);
          assertThat(row.cost()).isZero();
          assertThat(row.chain()).isNotEmpty();
        });
    assertThat(List.of(Horizon.values())).hasSize(3);
  }
}
