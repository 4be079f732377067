package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.LoadMode;
import nelvar.core.network.PoleRef;
import nelvar.desktop.session.Bench;
import nelvar.desktop.session.Session;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The meter and what can be tried, driven in a real window.
class BenchTest {
  @TempDir Path folder;
  private Driver driver;

  @BeforeEach
  void open() {
    driver = new Driver(folder.resolve("state"));
    driver.click(driver.find("#welcome-demo"));
    driver.await("the demo", () -> driver.window.session().isPresent());
    driver.settle();
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  private Bench bench() {
    return session().bench();
  }

  private void probe(String field, String terminal) {
    driver.run(() -> {
      var text = (TextField) driver.window.root().lookup(field);
      text.requestFocus();
      text.setText(terminal);
      text.getOnAction().handle(null);
    });
  }

  private void select(String id) {
    driver.run(() -> driver.window.select(new Id(id)));
  }

  private String reading() {
    return driver.words("#meter-reading");
  }

  private void solvedFor(String what, java.util.function.BooleanSupplier holds) {
    driver.await(
        what,
        () ->
            bench().solved().get().live().trial().equals(bench().trial().get())
                && holds.getAsBoolean());
    driver.settle();
  }

  /// A bad end, a load, a wrong part: each is one press away, and one press back.
  @Test
  void whatIsWrongIsTriedWithOnePress() {
    select("W142");
    driver.click(driver.find("#loose-1__"));
    solvedFor("the loose wire", () -> bench().trial().get().count() == 1);
    assertThat(bench().trial().get().disturbances().iterator().next())
        .isInstanceOf(nelvar.core.network.Disturbance.Loose.class);
    driver.click(driver.find("#loose-1__"));
    solvedFor("as designed", () -> bench().trial().get().asDesigned());
    select("M6");
    driver.click(driver.find("#load-50__"));
    solvedFor("half the load", () -> bench().trial().get().count() == 1);
    probe("#meter-plus", "-T1:+");
    probe("#meter-minus", "T1:-");
    driver.click(driver.find("#meter-swap"));
    solvedFor("swapped too", () -> bench().trial().get().count() == 2);
    assertThat(bench().solved().get().live().tried())
        .anyMatch(text -> text.endsWith("swapped"))
        .anyMatch(text -> text.endsWith("at 50 %"));
  }

  @Test
  void readsVoltsBetweenTwoTypedProbes() {
    driver.press(KeyCode.CONTROL, KeyCode.M);
    assertThat(driver.on(() -> driver.stage().getScene().getFocusOwner().getId()))
        .isEqualTo("meter-plus");
    probe("#meter-plus", "-T1:+");
    probe("#meter-minus", "T1:-");
    assertThat(reading()).isEqualTo("24 V DC");
    probe("#meter-plus", "Q0:2");
    probe("#meter-minus", "Q0:4");
    assertThat(reading()).matches("(399|400) V AC");
    probe("#meter-plus", "M1:U");
    assertThat(reading()).isEqualTo("nothing joins the probes");
    probe("#meter-plus", "T1:99");
    assertThat(reading()).contains("there is no terminal 'T1:99'");
  }

  @Test
  void stopPressedEverythingBehindItIsDryAndOneKeyBringsItBack() {
    var before = session().project();
    select("S1");
    driver.click(driver.find("#hold-on-pressed"));
    solvedFor("the stop", () -> !bench().trial().get().asDesigned());
    assertThat(driver.words("#tried"))
        .startsWith("Tried: -S1 pressed. ")
        .contains("was charged to")
        .endsWith("The project is unchanged.");
    probe("#meter-plus", "U1:L1");
    probe("#meter-minus", "U1:L2");
    assertThat(reading()).isEqualTo("0 V DC");
    select("M3");
    var strip = driver.on(() -> driver.window.root().lookup("#path-strip"));
    assertThat(strip).isInstanceOf(Node.class);
    driver.press(KeyCode.F9);
    solvedFor("all back", () -> bench().trial().get().asDesigned());
    assertThat(reading()).contains("V AC");
    assertThat(driver.has("#tried")).isFalse();
    assertThat(session().project()).isSameAs(before);
    assertThat(session().history().get().unsaved()).isFalse();
  }

  @Test
  void ohmsAreRefusedWhileLive() {
    probe("#meter-plus", "Y1:1");
    probe("#meter-minus", "Y1:2");
    driver.click(driver.find("#meter-ohms"));
    assertThat(reading()).contains("is live").contains("switch off first");
    select("Q0");
    driver.click(driver.find("#hold-off-on"));
    solvedFor("the mains off", () -> !bench().trial().get().asDesigned());
    assertThat(reading()).isEqualTo("60 Ω");
  }

  @Test
  void wiresAreClampedAndCut() {
    select("W134");
    driver.click(driver.find("#clamp"));
    assertThat(reading()).isEqualTo("2.5 A DC in W134");
    driver.click(driver.find("#cut"));
    solvedFor(
        "the cut",
        () ->
            bench().trial().get().disturbances().stream()
                .anyMatch(nelvar.core.network.Disturbance.Cut.class::isInstance));
    assertThat(reading()).startsWith("0 A DC");
    assertThat(driver.words("#tried")).contains("W134 cut");
  }

  @Test
  void aBridgeNamesWhatOpens() {
    driver.click(driver.find("#meter-bridge"));
    assertThat(driver.words("#message")).contains("Put both probes first");
    probe("#meter-plus", "E1:L");
    probe("#meter-minus", "E1:N");
    driver.click(driver.find("#meter-bridge"));
    solvedFor("the bridge", () -> !bench().trial().get().bridges().isEmpty());
    assertThat(driver.words("#tried"))
        .contains("-E1:L to -E1:N bridged", "-F6 (C 2 A) carries", "opens within 0.1 s");
    driver.press(KeyCode.F9);
    probe("#meter-plus", "T1:+");
    probe("#meter-minus", "T1:-");
    driver.click(driver.find("#meter-bridge"));
    solvedFor("the bridge", () -> !bench().trial().get().bridges().isEmpty());
    assertThat(driver.words("#tried"))
        .contains("-T1 holds its greatest current, 5.5 A, and nothing opens");
  }

  @Test
  void fusesArePulledContactsWeldedLoadsRunAtDuty() {
    select("F5");
    driver.click(driver.find("#pull"));
    solvedFor("the fuse", () -> bench().trial().get().opened(new Id("F5")));
    select("M6");
    assertThat(bench().solved().get().live().live(TerminalRef.of("M6:+"))).isFalse();
    driver.run(() ->
        bench()
            .trial()
            .set(
                bench()
                    .trial()
                    .get()
                    .togglingWeld(new PoleRef(TerminalRef.of("K2:1"), TerminalRef.of("K2:2")))
                    .with(LoadMode.MEAN)));
    solvedFor("the weld", () -> bench().trial().get().count() == 3);
    assertThat(driver.words("#tried")).contains("-F5 pulled", "-K2 1–2 welded", "loads at duty");
  }

  @Test
  void probesArePutFromTheSideSheet() {
    select("T1");
    for (var id : new String[] {"#plus-T1__", "#minus-T1__"}) {
      var button =
          driver.on(() ->
              driver.window.root().lookupAll(id).stream()
                  .filter(node ->
                      ((Labeled) node)
                          .getAccessibleText()
                          .endsWith(id.startsWith("#plus") ? "-T1:+" : "-T1:-"))
                  .findFirst()
                  .orElseThrow());
      driver.run(() -> ((javafx.scene.control.ToggleButton) button).fire());
    }
    assertThat(bench().plus().get()).isEqualTo(Optional.of(TerminalRef.of("T1:+")));
    assertThat(reading()).isEqualTo("24 V DC");
  }

  @Test
  void anEditIsMeasuredAtOnce() {
    probe("#meter-plus", "X41:1");
    probe("#meter-minus", "X40:4");
    var before = reading();
    assertThat(before).endsWith("V DC");
    select("W32");
    driver.ways();
    driver.press(KeyCode.CONTROL, KeyCode.ENTER);
    driver.settle();
    driver.await(
        "the new volts",
        () -> {
          var says = ((Labeled) driver.window.root().lookup("#meter-reading")).getText();
          return says.endsWith("V DC") && !says.equals(before);
        });
  }
}
