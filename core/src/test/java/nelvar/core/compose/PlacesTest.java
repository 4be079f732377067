package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.need.DraftList;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Device;
import nelvar.core.model.MachinePlace;
import nelvar.core.model.Project;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// Lengths from how far the places are that functions name.
class PlacesTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();
  private static final String LIST =
      "mains 230 V 50 Hz TN-S\nupstream 16 A\nplace the gantry 12 m\n2 valves 24 V on the gantry\nphoto eye on the table\n";

  private static Project drawn(String list) {
    return ((Drafting.Drawn) Drafting.of("x", list, STANDARD)).draft().project();
  }

  private static Device of(String part, Project project) {
    return project.devices().stream()
        .filter(device -> device.part().startsWith(part))
        .findFirst()
        .orElseThrow();
  }

  private static double metres(Device device, Project project) {
    return project.cables().stream()
        .filter(cable ->
            project.conductors().stream()
                .anyMatch(core ->
                    core.touches(device.id())
                        && core.cable().filter(cable.id()::equals).isPresent()))
        .findFirst()
        .orElseThrow()
        .length()
        .orElseThrow()
        .metres();
  }

  /// 12 m and 0.1 m for each end; nothing is said of the table: 5 m.
  @Test
  void cablesAreAsLongAsTheirPlaceIsFar() {
    var project = drawn(LIST);
    assertThat(metres(of("valve", project), project)).isEqualTo(12.2);
    assertThat(metres(of("photo-eye", project), project)).isEqualTo(5.2);
    assertThat(project.plan().places()).containsExactly(new MachinePlace("gantry", new Length(12)));
  }

  /// A water-cooled spindle: its pump on a socket, its flow and its tool setter on inputs.
  @Test
  void whatBelongsToASpindleIsDrawnUp() {
    var project =
        drawn(
            "mains 230 V 50 Hz TN-S\nupstream 20 A\nspindle 1.5 kW 3x230 V\npump 230 V 80 W\nflow switch\ntool setter\ntouch probe\nthermal switch\n2 cylinder sensors\nmonitor\n");
    for (var part :
        java.util.List.of(
            "flow-switch-1no",
            "tool-setter-1nc",
            "probe-battery-1nc",
            "thermal-switch-1nc",
            "cylinder-sensor-pnp",
            "appliance-monitor-30w"))
      assertThat(project.devices()).as(part).anyMatch(device -> device.part().equals(part));
    assertThat(project.devices())
        .as("what shows is always on")
        .noneMatch(device ->
            device.part().startsWith("contactor") && device.purpose().contains("monitor"));
    assertThat(Review.findingsOnly(project, STANDARD).count(nelvar.core.finding.Severity.ERROR))
        .isZero();
  }

  @Test
  void aWayAndAWireByHandTakeItToo() throws Exception {
    var project = FunctionEdits.place("Table", new Length(3)).on(drawn(LIST), STANDARD);
    var eye = of("photo-eye", project);
    var table = project.plan().function(eye.serves().orElseThrow()).orElseThrow();
    var review = Review.findingsOnly(project, STANDARD);
    var bare = Clearing.clear(table, review.study()).on(project, STANDARD);
    var way = Ways.of(table, Review.findingsOnly(bare, STANDARD), STANDARD).ways().getFirst();
    var after = way.edit().on(bare, STANDARD);
    assertThat(metres(of("photo-eye", after), after)).isEqualTo(3.2);
  }

  @Test
  void itComesBackFromTheFileAndIsSaidOnce() throws Exception {
    var project = FunctionEdits.place("Gantry", new Length(9)).on(drawn(LIST), STANDARD);
    assertThat(project.plan().places()).containsExactly(new MachinePlace("Gantry", new Length(9)));
    assertThat(ProjectFormat.read("x", ProjectFormat.write(project), STANDARD)).isEqualTo(project);
  }

  @Test
  void whatCannotBeADistanceIsRefused() {
    assertThatThrownBy(() -> new MachinePlace("gantry", new Length(0)))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> new MachinePlace(" ", new Length(1)))
        .isInstanceOf(ImpossibleQuantity.class);
    assertThat(DraftList.read("x", "place gantry far away\nvalve 24 V").problems())
        .singleElement()
        .satisfies(problem -> assertThat(problem.why()).contains("write place gantry 8 m"));
    assertThat(DraftList.read("x", "place gantry 8 A\nvalve 24 V").problems()).hasSize(1);
  }
}
