package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.PartProperties;
import org.junit.jupiter.api.Test;

class ConsistencyTest {
  private final Project sound =
      Panel.dc()
          .device("M", "pump-24v-3a")
          .wire("T:+", "M:+", 1, 1)
          .wire("M:-", "T:-", 1, 1)
          .build();

  private static List<String> breaches(Project project) {
    return Consistency.check(project, CatalogueFile.standard().with(project.ownParts())).stream()
        .map(breach -> breach.list() + "[" + breach.index() + "] " + breach.problem())
        .toList();
  }

  private Project wire(String from, String to, Optional<Id> cable, Optional<Id> bundle) {
    return sound.withConductors(
        List.of(
            new Conductor(
                new Id("W"),
                new Designation("W"),
                TerminalRef.of(from),
                TerminalRef.of(to),
                Conductor.Function.POWER,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                cable,
                bundle)));
  }

  @Test
  void aSoundProjectHasNone() {
    assertThat(breaches(sound)).isEmpty();
    assertThat(breaches(Demo.planted())).isEmpty();
  }

  @Test
  void idsAreUniqueAcrossAllThings() {
    var device = Device.of(new Id("W1"), "-A", "", "pump-24v-3a", Place.PANEL);
    var devices = new java.util.ArrayList<>(sound.devices());
    devices.add(device);
    assertThat(breaches(sound.withDevices(devices)))
        .containsExactly("conductors[0] id 'W1' stands twice (first in devices)");
  }

  @Test
  void referencesLeadSomewhere() {
    assertThat(breaches(wire("Z:1", "M:+", Optional.empty(), Optional.empty())))
        .containsExactly("conductors[0] W from Z:1: there is no device Z");
    assertThat(breaches(wire("M:9", "T:+", Optional.empty(), Optional.empty())))
        .containsExactly("conductors[0] W from M:9: the device has no terminal '9', but +, -");
    assertThat(breaches(wire("M:+", "M:+", Optional.empty(), Optional.empty())))
        .containsExactly("conductors[0] W begins and ends on the same terminal");
    assertThat(breaches(wire("M:+", "T:+", Optional.of(new Id("C")), Optional.empty())))
        .containsExactly("conductors[0] there is no cable C");
    assertThat(breaches(wire("M:+", "T:+", Optional.empty(), Optional.of(new Id("Q")))))
        .containsExactly("conductors[0] there is no bundle Q");
    assertThat(
            breaches(
                sound.withCables(
                    List.of(
                        new Cable(
                            new Id("C"),
                            new Designation("-C"),
                            "wire-1",
                            Optional.empty(),
                            Optional.of(new Id("Q")))))))
        .hasSize(2);
    assertThat(breaches(sound.withSettings(List.of(new Setting(new Id("Z"), "a", "b", "c")))))
        .containsExactly("settings[0] there is no device Z");
    assertThat(
            breaches(
                sound.withDeviations(
                    List.of(new Deviation("r", new Id("Z"), "because of it", "me", "today")))))
        .singleElement()
        .asString()
        .contains("which is not in the project");
  }

  @Test
  void partsExistAndAreDevices() {
    var cable =
        sound
            .withDevices(List.of(Device.of(new Id("X"), "-X", "", "cable-2x1", Place.PANEL)))
            .withConductors(List.of());
    assertThat(breaches(cable))
        .singleElement()
        .asString()
        .contains("not a device of the catalogue");
    var spare =
        sound.withDevices(
            Project.changed(
                sound.devices(), d -> d.id().text().equals("M"), d -> d.withSpare(List.of("77"))));
    assertThat(breaches(spare))
        .containsExactly("devices[3] -M has no terminal '77' to leave spare");
    var own =
        PartProperties.copy(CatalogueFile.standard().find("pump-24v-3a").orElseThrow(), "p", "p");
    assertThat(breaches(sound.withOwnParts(List.of(own, own))))
        .containsExactly("ownParts[1] part id 'p' stands twice");
  }
}
