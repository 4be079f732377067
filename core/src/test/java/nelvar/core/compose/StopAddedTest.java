package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Contactor;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

/// One more stop, or guard, in a chain that stands: between the last one and its safety relay.
class StopAddedTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  private static MachineFunction function(String text, Project project) {
    var need = NeedReader.read(text).orThrow();
    var designation = Draft.designation(project, need.kind());
    return new MachineFunction(
        Draft.id(project, designation), designation, need.name(), need.kind(), need.wants());
  }

  private static Live solved(Project project, List<Device> pressed) {
    var trial = WhatIf.AS_DESIGNED;
    for (var device : pressed)
      trial =
          trial.holding(
              new ActuatorRef(
                  device.id(),
                  STANDARD.find(device.part()).orElseThrow().actuators().getFirst().name()),
              true);
    return Review.findingsOnly(project, STANDARD)
        .study()
        .engine()
        .solve(trial, Conditions.usual(new Temperature(45)));
  }

  /// Volts on the coils of the contactors that the stop lets go.
  private static List<Double> coils(Project project, Live live) {
    return project.devices().stream()
        .filter(device -> device.purpose().startsWith("stop, contactor"))
        .filter(device -> STANDARD.find(device.part()).orElseThrow() instanceof Contactor)
        .map(device ->
            live.voltage(new TerminalRef(device.id(), "A1"), new TerminalRef(device.id(), "A2"))
                .orElseThrow()
                .rms())
        .toList();
  }

  /// Behind one contactor that holds itself: the new button is led into the wire to its contact,
  /// and opens it like the old ones.
  @Test
  void aNewButtonBeforeAContactorThatHoldsItself() {
    var list = ShippedLists.text("tile-polisher").orElseThrow() + "\nstop by contactor";
    var before = ((Drafting.Drawn) Drafting.of("x", list, STANDARD)).draft().project();
    var function = function("stop button", before);
    var found = Ways.of(function, Review.findingsOnly(before, STANDARD), STANDARD);
    assertThat(found.ways()).as("" + found.refused()).isNotEmpty();
    var after = found.ways().getFirst().edit().on(before, STANDARD);
    assertThat(before.conductors().stream().filter(w -> !after.conductors().contains(w)))
        .hasSize(1);
    var study = nelvar.core.analysis.Study.of(after, STANDARD);
    var added = FunctionEdits.served(after, function.id());
    assertThat(added).hasSize(1);
    var rehearsal =
        nelvar.core.analysis.stop.StopRehearsal.pressing(
            added.getFirst(), new nelvar.core.units.Duration(5), study);
    assertThat(after.devices().stream().filter(d -> study.part(d).orElseThrow().motor()))
        .isNotEmpty()
        .allSatisfy(motor ->
            assertThat(rehearsal.of(motor))
                .as(motor.designation().text())
                .isNotEmpty()
                .allMatch(fate -> fate.dry().isPresent()));
  }

  @Test
  void eachNewButtonStopsTheMachineAndNothingElseChanges() {
    for (var list : List.of("conveyor-station", "tile-polisher"))
      for (var text : List.of("stop button", "2 guard switches")) {
        var before =
            ((Drafting.Drawn) Drafting.of("x", ShippedLists.text(list).orElseThrow(), STANDARD))
                .draft()
                .project();
        var function = function(text, before);
        var found = Ways.of(function, Review.findingsOnly(before, STANDARD), STANDARD);
        assertThat(found.ways()).as(list + " " + text + " " + found.refused()).isNotEmpty();
        var after = found.ways().getFirst().edit().on(before, STANDARD);
        assertThat(after.devices()).containsAll(before.devices());
        // Two wires end elsewhere now; all others are as they were.
        assertThat(before.conductors().stream().filter(w -> !after.conductors().contains(w)))
            .hasSize(2);
        var added = FunctionEdits.served(after, function.id());
        assertThat(added).hasSize(text.startsWith("2") ? 2 : 1);
        assertThat(coils(after, solved(after, List.of()))).isNotEmpty().allMatch(v -> v > 20);
        for (var button : added)
          assertThat(coils(after, solved(after, List.of(button))))
              .as(button.designation().text())
              .isNotEmpty()
              .allMatch(v -> v < 2);
      }
  }

  @Test
  void withoutAChainThatIsSaid() {
    var before =
        ((Drafting.Drawn)
                Drafting.of(
                    "x", "mains 230 V 50 Hz TN-S\nupstream 16 A\nwork light 24 V 10 W\n", STANDARD))
            .draft()
            .project();
    var found =
        Ways.of(function("stop button", before), Review.findingsOnly(before, STANDARD), STANDARD);
    assertThat(found.ways()).isEmpty();
    assertThat(found.refused())
        .anyMatch(line -> line.contains("no chain of stops with a safety relay stands"));
  }
}
