package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.FunctionsText;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Project;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.sample.NewProject;
import org.junit.jupiter.api.Test;

class ClonesTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  private static Project drafted(String list) {
    return ((Drafting.Drawn) Drafting.of("x", ShippedLists.text(list).orElseThrow(), STANDARD))
        .draft()
        .project();
  }

  /// Three more valves like the first: each is made to work in the same way, none is an error, what
  /// stood stays as it was.
  @Test
  void moreLikeOneAreMadeToWorkInTheSameWay() {
    var project = drafted("conveyor-station");
    var review = Review.findingsOnly(project, STANDARD);
    var valve =
        project.functions().stream()
            .filter(f -> f.wants().words().contains("valve") || f.name().contains("valve"))
            .findFirst()
            .orElseGet(() -> project.functions().getFirst());
    var cloned = Clones.of(valve, 3, true, review, STANDARD);
    assertThat(cloned.functions()).hasSize(3);
    assertThat(cloned.functions())
        .allMatch(f -> f.wants().equals(valve.wants()) && f.kind() == valve.kind());
    assertThat(cloned.functions().stream().map(f -> f.designation()).distinct()).hasSize(3);
    assertThat(cloned.told()).hasSize(3).noneMatch(line -> line.contains("no way was found"));
    assertThat(cloned.told().stream().map(line -> line.replaceFirst("^\\S+ ", "")).distinct())
        .hasSize(1);
    assertThat(cloned.after().devices()).containsAll(project.devices());
    assertThat(cloned.after().conductors()).containsAll(project.conductors());
    for (var function : cloned.functions())
      assertThat(FunctionEdits.served(cloned.after(), function.id())).isNotEmpty();
    assertThat(Effects.between(review, Review.findingsOnly(cloned.after(), STANDARD)).errors())
        .isEmpty();
  }

  @Test
  void whereNoWayIsFoundItStandsUnfinishedAndSaysWhy() {
    var project = drafted("dough-roller");
    var need = nelvar.core.compose.need.NeedReader.read("motor on a drive 7.5 kW").orThrow();
    var name = Draft.designation(project, need.kind());
    var function =
        new nelvar.core.model.MachineFunction(
            Draft.id(project, name), name, need.name(), need.kind(), need.wants());
    var cloned = Clones.of(function, 1, true, Review.findingsOnly(project, STANDARD), STANDARD);
    assertThat(cloned.told().getFirst()).contains("no way was found").contains("three phases");
    assertThat(cloned.after().devices()).isEqualTo(project.devices());
    assertThat(cloned.after().functions()).hasSize(project.functions().size() + 1);
  }

  /// From the demo to an empty project and back: the functions are the same but for their names
  /// where those are taken.
  @Test
  void functionsAreCarriedFromOneProjectToAnother() throws Exception {
    var demo = Demo.settled();
    var text = FunctionsText.of(demo.functions());
    var carried = FunctionsText.read(text).orElseThrow();
    assertThat(carried).isEqualTo(demo.functions());
    var added = new ArrayList<nelvar.core.model.MachineFunction>();
    var fresh = Clones.added(carried, NewProject.named("other"), added);
    assertThat(fresh.functions())
        .extracting(f -> f.designation().text(), f -> f.name(), f -> f.wants())
        .containsExactlyElementsOf(
            demo.functions().stream()
                .map(f ->
                    org.assertj.core.groups.Tuple.tuple(
                        f.designation().text(), f.name(), f.wants()))
                .toList());
    var twice = Clones.added(carried, demo, new ArrayList<>());
    assertThat(twice.functions()).hasSize(2 * demo.functions().size());
    assertThat(twice.functions().stream().map(f -> f.designation()).distinct())
        .hasSize(twice.functions().size());
    ProjectFormat.read("x", ProjectFormat.write(twice), STANDARD);
    for (var wrong :
        List.of(
            "",
            "hello",
            "{\"nelvarFunctions\": 1}",
            "{\"nelvarFunctions\": [",
            "\"nelvarFunctions\""))
      assertThat(FunctionsText.read(wrong).orElse(List.of())).as(wrong).isEmpty();
  }
}
