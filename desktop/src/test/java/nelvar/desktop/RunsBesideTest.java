package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import org.junit.jupiter.api.Test;

class RunsBesideTest extends DemoWindow {
  private void runs(String selected) {
    driver.run(() -> driver.window.choose(driver.window.stage("Runs")));
    driver.run(() -> session().selection().set(Optional.of(new Id(selected))));
  }

  private Bundle bundle(String id) {
    return session().project().bundles().stream()
        .filter(bundle -> bundle.id().text().equals(id))
        .findFirst()
        .orElseThrow();
  }

  private void fill(String field, String text) {
    var node = (TextField) driver.find("#" + field);
    driver.run(() -> {
      node.setText(text);
      node.fireEvent(new javafx.event.ActionEvent());
    });
  }

  /// The row a wire lands on is one press away, and the cut comes back with the next wire.
  @Test
  void theRowOfTerminalsAWireLandsOnIsShown() {
    runs("W169");
    assertThat(((ToggleButton) driver.find("#beside-cut")).isSelected()).isTrue();
    driver.run(((ToggleButton) driver.find("#beside-X30"))::fire);
    assertThat(((ToggleButton) driver.find("#beside-X30")).isSelected()).isTrue();
    driver.run(() -> session().selection().set(Optional.of(new Id("W172"))));
    assertThat(((ToggleButton) driver.find("#beside-cut")).isSelected()).isTrue();
    runs("X50");
    assertThat(((ToggleButton) driver.find("#beside-X50")).isSelected()).isTrue();
  }

  /// Room and course of a tray are typed where it is seen; half of a course waits for the other.
  @Test
  void aTraySaysHowLargeItIsAndWhereItLeads() {
    runs("P2");
    fill("field-wide-inside", "150 mm");
    assertThat(bundle("P2").form().orElseThrow().width().metres()).isEqualTo(0.15);
    fill("field-leads-from", "CAB");
    assertThat(bundle("P2").course()).isEmpty();
    fill("field-leads-to", "press");
    assertThat(bundle("P2").course().orElseThrow().to()).isEqualTo("press");
    fill("field-wide-inside", "2 m");
    assertThat(bundle("P2").form().orElseThrow().width().metres()).isEqualTo(0.15);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(bundle("P2").course()).isEmpty();
  }

  @Test
  void aConduitHasOneMeasure() {
    runs("P3");
    @SuppressWarnings("unchecked")
    var kind = (ChoiceBox<Optional<Bundle.Kind>>) driver.find("#form-kind");
    driver.run(() -> kind.setValue(Optional.of(Bundle.Kind.CONDUIT)));
    assertThat(bundle("P3").form().orElseThrow().kind()).isEqualTo(Bundle.Kind.CONDUIT);
    assertThat(driver.find("#field-high-inside").getParent().getParent().isVisible()).isFalse();
  }

  /// A tick says that a wire is laid; one step takes it back.
  @Test
  void whatIsLaidIsTickedOff() {
    runs("W32");
    driver.run(((javafx.scene.control.CheckBox) driver.find("#done"))::fire);
    assertThat(session().project().conductor(new Id("W32")).orElseThrow().done()).contains(true);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().conductor(new Id("W32")).orElseThrow().done()).isEmpty();
  }
}
