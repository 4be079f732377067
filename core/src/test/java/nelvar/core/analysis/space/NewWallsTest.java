package nelvar.core.analysis.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Enclosure;
import nelvar.core.catalogue.Housing;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Shell;
import nelvar.core.model.edit.Edit;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// The parts list buys the cabinet that is drawn.
class NewWallsTest {
  private static Project project() {
    return Panel.mains()
        .device("UC1", "enclosure-600x800x250")
        .protective("X0:PE", "UC1:PE", 6)
        .protective("UC1:PE", "UC1:DOOR", 6)
        .cabinet(
            Shell.onWall(
                Length.ofMillimetres(600), Length.ofMillimetres(800), Length.ofMillimetres(250)))
        .cabinet(c -> c.withDevice(Optional.of(new Id("UC1"))))
        .build();
  }

  private static Cabinet cabinet(Project project) {
    return project.layout().cabinets().getFirst();
  }

  private static Project changed(Project project, Shell next) {
    return edit(project, next).on(project, CatalogueFile.standard());
  }

  private static Edit edit(Project project, Shell next) {
    return NewWalls.edit(cabinet(project), next, Study.of(project, CatalogueFile.standard()));
  }

  private static Enclosure part(Project project) {
    var study = Study.of(project, CatalogueFile.standard());
    return (Enclosure) study.part(study.device(new Id("UC1")).orElseThrow()).orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    "600, 800, 250, PLASTIC, enclosure-600x800x250-plastic",
    "400, 600, 210, PAINTED_STEEL, enclosure-400x600x210",
    "600, 800, 250, WOOD, housing-600x800x250-wood",
    "500, 700, 200.5, PAINTED_STEEL, housing-500x700x200p5-painted-steel"
  })
  void theEnclosureIsTheOneThatIsDrawn(
      double width, double height, double depth, Housing housing, String id) {
    var project = project();
    var next =
        changed(
            project,
            cabinet(project)
                .shell()
                .sized(
                    Length.ofMillimetres(width),
                    Length.ofMillimetres(height),
                    Length.ofMillimetres(depth))
                .with(d -> d.housing = housing));
    assertThat(part(next).id()).isEqualTo(id);
    assertThat(part(next).madeOf()).isEqualTo(housing);
    assertThat(cabinet(next).shell().housing()).isEqualTo(housing);
  }

  /// The plate in it stays bonded; a strap to a door of wood is none.
  @Test
  void aDoorThatIsNotOfMetalLosesItsStrap() {
    var project = project();
    var wood = changed(project, cabinet(project).shell().with(d -> d.housing = Housing.WOOD));
    assertThat(wood.conductors())
        .extracting(c -> c.from() + " " + c.to())
        .containsExactly("X0:PE UC1:PE");
    assertThat(wood.conductors()).hasSize(project.conductors().size() - 1);
  }

  /// Where it hangs says where its cables leave, and terminals at the other end are told so;
  /// another side may be said afterwards.
  @ParameterizedTest
  @CsvSource({"UNDER, TOP", "ABOVE, BOTTOM", "LEFT_OF, RIGHT", "RIGHT_OF, LEFT", "FLOOR, BOTTOM"})
  void cablesLeaveTowardTheMachine(Shell.Hangs where, Shell.Side side) {
    var project = project();
    var hung = changed(project, cabinet(project).shell().hung(where));
    assertThat(cabinet(hung).shell().cables()).isEqualTo(side);
    assertThat(cabinet(hung).shell().where()).isEqualTo(where);
    var other = changed(hung, cabinet(hung).shell().with(d -> d.cables = Shell.Side.BOTTOM));
    assertThat(cabinet(other).shell().where()).isEqualTo(where);
  }

  /// A housing of the builder's own stays in the project, whatever the walls become.
  @Test
  void whatTheBuilderEnteredStays() {
    var own =
        new Enclosure(
            "our-box",
            "Our box",
            nelvar.core.catalogue.Article.UNKNOWN,
            Length.ofMillimetres(600),
            Length.ofMillimetres(800),
            Length.ofMillimetres(250),
            Optional.empty());
    var before = project().withOwnParts(java.util.List.of(own));
    var device = before.device(new Id("UC1")).orElseThrow();
    var project = nelvar.core.model.edit.Edits.swap(device, own).apply(before);
    var plastic = changed(project, cabinet(project).shell().with(d -> d.housing = Housing.PLASTIC));
    assertThat(part(plastic).id()).isEqualTo("enclosure-600x800x250-plastic");
    assertThat(plastic.ownParts()).contains(own);
  }

  /// What was built to size goes when nothing is built so any more; back and forth leaves one part.
  @ParameterizedTest
  @EnumSource(Housing.class)
  void nothingIsLeftBehind(Housing housing) {
    var project = project();
    var there = changed(project, cabinet(project).shell().with(d -> d.housing = housing));
    var back = changed(there, cabinet(there).shell().with(d -> d.housing = Housing.PAINTED_STEEL));
    assertThat(back.ownParts()).isEmpty();
    assertThat(part(back).id()).isEqualTo("enclosure-600x800x250");
  }
}
