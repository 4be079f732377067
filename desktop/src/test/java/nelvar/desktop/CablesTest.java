package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TableView;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.desktop.stage.runs.RunRow;
import org.junit.jupiter.api.Test;

/// Cables in the real window: seen, taken apart, made of single wires.
class CablesTest extends DemoWindow {
  private List<Conductor> cores(Id cable) {
    return session().project().conductors().stream()
        .filter(wire -> wire.cable().filter(cable::equals).isPresent())
        .toList();
  }

  @SuppressWarnings("unchecked")
  private TableView<RunRow> table() {
    return (TableView<RunRow>) driver.window.root().lookup("#runs-table");
  }

  @SuppressWarnings("unchecked")
  private ChoiceBox<CableStock> stocks() {
    return (ChoiceBox<CableStock>) driver.window.root().lookup("#many-cable");
  }

  private void current() {
    driver.await("review", () -> !session().stale().get());
    driver.settle();
  }

  @Test
  void aCableIsTakenApartAndItsWiresMadeOneAgain() {
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    var cable =
        session().project().cables().stream()
            .filter(c -> cores(c.id()).size() == 3)
            .findFirst()
            .orElseThrow();
    var cores = cores(cable.id()).stream().map(Conductor::id).toList();
    driver.run(() -> driver.window.select(cores.getFirst()));
    driver.settle();
    driver.run(() -> ((ButtonBase) driver.window.root().lookup("#its-cable")).fire());
    driver.settle();
    assertThat(session().selection().get()).contains(cable.id());
    assertThat(driver.text("Cores, 3 of 3")).isNotNull();
    var before = session().project();
    driver.run(() -> ((ButtonBase) driver.window.root().lookup("#cable-apart")).fire());
    current();
    assertThat(session().project().cable(cable.id())).isEmpty();
    driver.run(() -> {
      table().getSelectionModel().clearSelection();
      for (var row : table().getItems())
        if (cores.contains(row.conductor().id())) table().getSelectionModel().select(row);
    });
    driver.settle();
    driver.run(() -> stocks().setValue(stocks().getItems().getFirst()));
    current();
    var made = session().project().cables().getLast();
    assertThat(cores(made.id())).extracting(Conductor::id).containsExactlyElementsOf(cores);
    driver.run(() -> session().undo());
    driver.run(() -> session().undo());
    current();
    assertThat(session().project()).isEqualTo(before);
  }
}
