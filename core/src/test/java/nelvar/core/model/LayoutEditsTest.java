package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.catalogue.Housing;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

/// What is done to cabinets and to what is mounted in them.
class LayoutEditsTest {
  private static final Id C = new Id("C");

  private static Length mm(double mm) {
    return Length.ofMillimetres(mm);
  }

  private static Project project() {
    return Panel.mains()
        .device("F1", "breaker-1p-c6")
        .device("T1", "supply-24v-5a")
        .bundle("B1", InstallationMethod.B1, true)
        .cabinet(600, 800, 250)
        .at("F1", 20, 100)
        .build();
  }

  private static Project on(Edit edit, Project project) {
    var next = edit.on(project, CatalogueFile.standard());
    // Whatever was done to it, it is written and read as it is.
    try {
      assertThat(
              ProjectFormat.read("again", ProjectFormat.write(next), CatalogueFile.standard())
                  .layout())
          .isEqualTo(next.layout());
    } catch (nelvar.core.file.UnreadableFile e) {
      throw new AssertionError(e);
    }
    return next;
  }

  private static Device device(Project project, String id) {
    return project.device(new Id(id)).orElseThrow();
  }

  private static Placement at(String id, double left, double top) {
    return Placement.at(new Id(id), C, Surface.PLATE, mm(left), mm(top));
  }

  @Test
  void aDeviceIsPlacedMovedAndTakenOff() {
    var project = project();
    var placed = on(LayoutEdits.place(device(project, "T1"), at("T1", 200, 100)), project);
    assertThat(placed.layout().placements()).hasSize(2);
    var moved = on(LayoutEdits.place(device(project, "T1"), at("T1", 250, 120)), placed);
    assertThat(moved.layout().placements()).hasSize(2);
    assertThat(moved.layout().placement(new Id("T1"))).contains(at("T1", 250, 120));
    assertThat(on(LayoutEdits.takeOff(device(project, "T1")), moved).layout())
        .isEqualTo(project.layout());
  }

  /// Those not named stay, in the order they had.
  @Test
  void manyAreMovedAsOne() {
    var project = project();
    var next =
        on(LayoutEdits.place("row", List.of(at("T1", 100, 100), at("F1", 60, 100))), project);
    assertThat(next.layout().placements())
        .extracting(p -> p.device().text())
        .containsExactly("F1", "T1");
  }

  @Test
  void aSizeIsMeasuredAndForgotten() {
    var project = project();
    var measured = new Measured(new Id("F1"), mm(18), mm(90), Optional.of(mm(68)));
    var next = on(LayoutEdits.measure(device(project, "F1"), Optional.of(measured)), project);
    assertThat(next.layout().measures()).containsExactly(measured);
    var again =
        on(
            LayoutEdits.measure(
                device(project, "F1"),
                Optional.of(new Measured(new Id("F1"), mm(19), mm(90), Optional.empty()))),
            next);
    assertThat(again.layout().measures()).hasSize(1);
    assertThat(on(LayoutEdits.measure(device(project, "F1"), Optional.empty()), again).layout())
        .isEqualTo(project.layout());
  }

  /// What goes takes its place and its size with it; a cabinet that was a device stays.
  @Test
  void whatIsRemovedTakesItsPlaceAlong() {
    var project = project();
    var measured =
        on(
            LayoutEdits.measure(
                device(project, "F1"),
                Optional.of(new Measured(new Id("F1"), mm(18), mm(90), Optional.empty()))),
            project);
    var without = on(Edits.remove(device(measured, "F1")), measured);
    assertThat(without.layout().placements()).isEmpty();
    assertThat(without.layout().measures()).isEmpty();
    assertThat(without.layout().cabinets()).hasSize(1);
  }

  @Test
  void aCabinetIsAddedChangedAndRemoved() {
    var project = project();
    var second =
        Cabinet.of(new Id("C2"), "box", Optional.empty(), Shell.onWall(mm(300), mm(300), mm(150)));
    var two = on(LayoutEdits.add(second), project);
    assertThat(two.layout().cabinets()).hasSize(2);
    var wood =
        on(
            LayoutEdits.change(
                "wood", second.withShell(second.shell().with(d -> d.housing = Housing.WOOD))),
            two);
    assertThat(wood.layout().cabinet(new Id("C2")).orElseThrow().shell().housing())
        .isEqualTo(Housing.WOOD);
    var first = project.layout().cabinets().getFirst();
    var gone = on(LayoutEdits.remove(first), wood);
    assertThat(gone.layout().cabinets()).hasSize(1);
    assertThat(gone.layout().placements()).isEmpty();
  }

  /// A duct that held wiring which is removed says nothing then.
  @Test
  void aDuctForgetsWiringThatIsGone() {
    var project = project();
    var duct =
        new Cabinet.Duct(
            new Id("D1"),
            Surface.PLATE,
            mm(0),
            mm(200),
            mm(500),
            mm(40),
            mm(60),
            Optional.empty(),
            Optional.of(new Id("B1")));
    var first = project.layout().cabinets().getFirst();
    var with = on(LayoutEdits.change("duct", first.withDucts(List.of(duct))), project);
    var bundle =
        with.bundles().stream().filter(b -> b.id().equals(new Id("B1"))).findFirst().orElseThrow();
    var without = on(Edits.remove(bundle), with);
    assertThat(without.layout().cabinets().getFirst().ducts().getFirst().bundle()).isEmpty();
  }

  /// What does not exist is placed nowhere, and nothing twice.
  @Test
  void whatWouldBreakIsRefused() {
    var project = project();
    for (var edit :
        List.of(
            LayoutEdits.place("x", List.of(at("NOBODY", 1, 1))),
            LayoutEdits.place(
                "x",
                List.of(Placement.at(new Id("T1"), new Id("C9"), Surface.PLATE, mm(1), mm(1)))),
            LayoutEdits.change(
                "x",
                project.layout().cabinets().getFirst().withDevice(Optional.of(new Id("NOBODY"))))))
      assertThatThrownBy(() -> edit.on(project, CatalogueFile.standard()))
          .isInstanceOf(EditRefused.class)
          .hasMessageContaining("Nothing was changed");
  }

  @Test
  void impossibleMeasuresAreSaid() {
    assertThatThrownBy(() -> Shell.onWall(mm(10), mm(300), mm(150)))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("20 mm to 5 m");
    assertThatThrownBy(() -> Shell.onWall(mm(300), mm(6000), mm(150)))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> new Cabinet.Felt(new Temperature(20), new Temperature(25)))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("colder inside");
    assertThatThrownBy(
            () -> new Cabinet.Stroke(Surface.PLATE, List.of(new Cabinet.Point(mm(1), mm(1)))))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() ->
            Shell.onWall(mm(300), mm(300), mm(150))
                .with(d -> d.hinge = Optional.of(Shell.Side.BOTTOM)))
        .isInstanceOf(ImpossibleQuantity.class);
  }

  /// A plate is 50 mm less than its housing; where one is stated it is that, until the housing
  /// changes.
  @Test
  void thePlateFollowsTheHousing() {
    var shell = Shell.onWall(mm(600), mm(800), mm(250));
    is(shell.mountingPlate(), 550, 750);
    var stated = shell.with(d -> d.plate = Optional.of(new Shell.Plate(mm(500), mm(700))));
    assertThat(stated.mountingPlate().width()).isEqualTo(mm(500));
    is(stated.sized(mm(800), mm(1000), mm(300)).mountingPlate(), 750, 950);
    is(shell.size(Surface.RIGHT), 250, 800);
    is(shell.size(Surface.TOP), 600, 250);
  }

  private static void is(Shell.Plate plate, double width, double height) {
    assertThat(plate.width().metres() * 1000).isCloseTo(width, within(1e-9));
    assertThat(plate.height().metres() * 1000).isCloseTo(height, within(1e-9));
  }
}
