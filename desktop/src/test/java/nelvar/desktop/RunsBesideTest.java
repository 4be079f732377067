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

  /// Nobody types how large a tray has to be: choosing what it is takes the size that holds what
  /// lies in it.
  @Test
  @SuppressWarnings("unchecked")
  void whatItIsBringsTheSizeThatFits() {
    driver.run(() ->
        session()
            .edit(
                nelvar.core.model.edit.Edits.change(
                    bundle("P3").with(b -> b.form = Optional.empty()))));
    driver.settle();
    runs("P3");
    var kind = (ChoiceBox<Optional<Bundle.Kind>>) driver.find("#form-kind");
    driver.run(() -> kind.setValue(Optional.of(Bundle.Kind.TRAY)));
    var form = bundle("P3").form().orElseThrow();
    assertThat(form.kind()).isEqualTo(Bundle.Kind.TRAY);
    assertThat(form.width().metres()).isIn(0.1, 0.15, 0.2);
    driver.run(() -> kind.setValue(Optional.of(Bundle.Kind.LOOM)));
    assertThat(bundle("P3").form()).contains(Bundle.Form.loom());
  }

  /// Hoses beside cables, room for the loop and strokes are said where the carrier is; a word where
  /// a number belongs changes nothing.
  @Test
  void aCarrierSaysWhatIsAroundIt() {
    runs("P1");
    assertThat(((javafx.scene.control.Label) driver.find("#carrier-words")).getText())
        .startsWith("17 links of ");
    fill("field-hoses-beside", "8 mm, 6 mm");
    assertThat(bundle("P1").form().orElseThrow().hoses()).hasSize(2);
    fill("field-strokes-an-hour", "often");
    fill("field-free-for-its-loop", "0.28 m");
    var carrier = bundle("P1").form().orElseThrow().carrier().orElseThrow();
    assertThat(carrier.strokesPerHour()).contains(720);
    assertThat(carrier.room().orElseThrow().metres()).isEqualTo(0.28);
    fill("field-strokes-an-hour", "600");
    assertThat(bundle("P1").form().orElseThrow().carrier().orElseThrow().strokesPerHour())
        .contains(600);
  }

  /// Both act on all wires in one step, which undo takes back whole.
  @Test
  void wiresAreNumberedAndKindsLeftOut() {
    var before = session().project();
    command("Number the wires in the order they are laid");
    assertThat(session().project()).isNotEqualTo(before);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
    driver.settle();
    command("Fewer kinds of wire in stock");
    driver.await("fewer kinds", () -> !session().project().equals(before));
    assertThat(session().message().get()).contains("less for whole drums");
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(before);
  }

  private void command(String name) {
    driver.run(() ->
        driver.window.commands().stream()
            .filter(c -> c.name().equals(name))
            .findFirst()
            .orElseThrow()
            .run()
            .run());
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
