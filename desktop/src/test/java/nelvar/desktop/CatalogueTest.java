package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Id;
import org.junit.jupiter.api.Test;

/// The catalogue in the real window: filtered, compared, and a part added, by keyboard alone.
class CatalogueTest extends DemoWindow {
  @SuppressWarnings("unchecked")
  private ListView<Part> parts() {
    return (ListView<Part>) driver.window.root().lookup("#catalogue-parts");
  }

  private boolean says(String text) {
    return driver.window.root().lookup("#catalogue").lookupAll(".label").stream()
        .anyMatch(node -> node instanceof Label label && text.equals(label.getText()));
  }

  @Test
  void aPartIsFoundByItsRatingsAndAdded() {
    driver.press(KeyCode.CONTROL, KeyCode.G);
    driver.run(() -> words().setText("supply 24 V >= 5 A"));
    assertThat(driver.on(() -> parts().getItems()))
        .isNotEmpty()
        .allMatch(part -> part.name().contains("24 V"));
    assertThat(driver.on(() -> says("Takes power"))).isTrue();
    driver.run(() -> parts().getSelectionModel().selectIndices(0, 1));
    assertThat(driver.find("#catalogue-add").isDisabled()).isTrue();
    assertThat(driver.on(() -> says("Takes power"))).isFalse();
    driver.run(() -> parts().getSelectionModel().clearAndSelect(0));
    // What lies in a drawer is said here and costs nothing from then on.
    var part = driver.on(() -> parts().getSelectionModel().getSelectedItem());
    driver.run(() -> {
      owned().setText("two");
      owned().fireEvent(new javafx.event.ActionEvent());
    });
    assertThat(session().project().records().owned(part.id())).isZero();
    assertThat(driver.words("#message")).contains("not 'two'");
    driver.run(() -> {
      owned().setText("2");
      owned().fireEvent(new javafx.event.ActionEvent());
    });
    assertThat(session().project().records().owned(part.id())).isEqualTo(2);
    var before = session().project();
    driver.click(driver.find("#catalogue-add"));
    assertThat(driver.has("#catalogue")).isFalse();
    assertThat(session().project().devices()).hasSize(before.devices().size() + 1);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  private TextField owned() {
    return (TextField) driver.window.root().lookup("#catalogue-owned");
  }

  private TextField words() {
    return (TextField) driver.window.root().lookup("#catalogue-words");
  }

  @Test
  void theSheetOfTheSelectedDevicesPartIsOnePress() {
    driver.run(() -> driver.window.select(new Id("T2")));
    driver.settle();
    // It may stand below what the side sheet shows at once.
    driver.run(() -> ((ButtonBase) driver.window.root().lookup("#part-sheet")).fire());
    assertThat(driver.on(() -> parts().getSelectionModel().getSelectedItem()))
        .isInstanceOf(DcSupply.class);
    driver.run(() -> words().setText("no such thing"));
    assertThat(driver.on(() -> parts().getItems())).isEmpty();
    assertThat(driver.words("#catalogue-said")).isEqualTo("nothing has all of that");
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#catalogue")).isFalse();
  }
}
