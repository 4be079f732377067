package nelvar.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.file.Journal;
import nelvar.core.model.Id;
import nelvar.core.units.CrossSection;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.pack.PackStage;
import nelvar.desktop.stage.power.PowerStage;
import nelvar.desktop.style.Theme;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// The window driven for real.
class WindowTest {
  @TempDir Path folder;
  private Driver driver;

  @BeforeEach
  void open() {
    driver = new Driver(folder.resolve("state"));
  }

  @AfterEach
  void close() {
    driver.close();
  }

  private Session session() {
    return driver.window.session().orElseThrow();
  }

  private int openFindings() {
    return driver.on(() -> session().review().get().open().size());
  }

  private Optional<CrossSection> section(String wire) {
    return driver.on(() -> session().project().conductor(new Id(wire)).orElseThrow().section());
  }

  private void demo() {
    driver.click(driver.find("#welcome-demo"));
    driver.await("the demo", () -> driver.window.session().isPresent());
    driver.settle();
  }

  private void find(String words) {
    driver.press(KeyCode.CONTROL, KeyCode.K);
    driver.type(words);
    driver.press(KeyCode.ENTER);
  }

  @Test
  void theWholeJobFromTheThinReturnToThePrint() throws Exception {
    demo();
    assertThat(openFindings()).isEqualTo(45);
    find("W32");
    assertThat(session().selection().get()).contains(new Id("W32"));
    driver.ways();
    driver.click(driver.text("Make W32 2.5 mm²"));
    assertThat(section("W32")).contains(new CrossSection(2.5));
    assertThat(openFindings()).as("both findings on the wire are cured").isEqualTo(43);
    assertThat(driver.words("#saved-state")).endsWith("not saved");
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(section("W32")).contains(new CrossSection(1));
    assertThat(openFindings()).isEqualTo(45);
    driver.press(KeyCode.CONTROL, KeyCode.Y);
    assertThat(section("W32")).contains(new CrossSection(2.5));

    var file = folder.resolve("tf4.nelvar.json");
    driver.willPick(file);
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("the file", () -> driver.words("#saved-state").endsWith(", saved"));
    assertThat(file).isNotEmptyFile();
    var saved = session().project();
    driver.press(KeyCode.CONTROL, KeyCode.O);
    driver.await(
        "the project opened again",
        () -> session().file().get().isPresent() && session().project() != saved);
    assertThat(session().project()).isEqualTo(saved);

    var papers = folder.resolve("papers");
    driver.willPick(papers);
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT0);
    driver.await(
        "the pages",
        () -> driver.window.stages().getLast() instanceof PackStage pack && pack.settled());
    driver.click(driver.find("#write-pack"));
    driver.await("the pack", () -> Files.exists(papers.resolve("lists.xlsx")));
    assertThat(papers.resolve("pack.pdf")).isNotEmptyFile();
  }

  @Test
  void byKeyboardAloneEveryFindingWithAWayOutIsCured() {
    demo();
    for (var turn = 0; turn < 92 && openFindings() > 2; turn++) {
      driver.press(KeyCode.F8);
      driver.ways();
      driver.press(KeyCode.CONTROL, KeyCode.ENTER);
    }
    assertThat(
            driver.on(() ->
                session().review().get().open().stream().map(entry -> entry.rule().id()).toList()))
        .containsExactly(
            "signals.permissive",
            "signals.target",
            "stop.restart",
            "supply.headroom",
            "motion.overrun",
            "space.clearance",
            "space.reach",
            "space.quiet-apart",
            // By then something else stands beside the drives.
            "space.filter-near",
            "thermal.part",
            "thermal.part",
            "thermal.heat-below");
    while (driver.on(() -> session().history().get().undoLabel().isPresent()))
      driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(openFindings()).as("and every step can be taken back").isEqualTo(45);
  }

  @Test
  void theRiverSelectsWalksAndZooms() {
    demo();
    var power = (PowerStage) driver.window.stage("Power");
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT3);
    var at =
        driver.on(
            () -> power.river().localToScreen(power.river().middleOf(new Id("T2")).orElseThrow()));
    driver.click(at);
    assertThat(session().selection().get()).contains(new Id("T2"));
    driver.press(KeyCode.RIGHT);
    assertThat(session().selection().get()).isPresent().isNotEqualTo(Optional.of(new Id("T2")));
    var scale = driver.on(() -> power.river().scale());
    driver.press(KeyCode.PLUS);
    assertThat(driver.on(() -> power.river().scale())).isGreaterThan(scale);
    driver.press(KeyCode.DIGIT0);
    assertThat(driver.on(() -> power.river().scale())).isEqualTo(scale);
    driver.click(driver.find("#power-dry"));
    driver.click(driver.find("#power-amps"));
    assertThat(power.river().drawing().spot(new Id("T2"))).isPresent();
  }

  @Test
  void aLoadIsEditedAndWrongInputIsExplainedBesideTheField() {
    demo();
    find("-M6");
    var duty = (TextField) driver.find("#field-loading");
    driver.run(() -> {
      duty.requestFocus();
      duty.selectAll();
    });
    driver.type("lots");
    driver.press(KeyCode.ENTER);
    assertThat(duty.getText()).isEqualTo("lots");
    assertThat(driver.on(() -> duty.getParent().getParent().lookup(".wrong-note")))
        .satisfies(note ->
            assertThat(((javafx.scene.control.Label) note).getText())
                .contains("'lots' is not a share")
                .contains("80 %"));
    driver.run(duty::selectAll);
    driver.type("50");
    driver.press(KeyCode.ENTER);
    assertThat(session().project().device(new Id("M6")).orElseThrow().work().loadingFactor())
        .isEqualTo(0.5);
    assertThat(session().history().get().undoLabel()).contains("Set the load of -M6");
    assertThat(openFindings()).as("with half the pump the supply has headroom").isLessThan(45);
  }

  @Test
  void aFindingIsAcceptedWithAReasonAndReopened() {
    demo();
    find("-Y3");
    driver.click(driver.text("Accept…"));
    driver.type("diode inside");
    driver.press(KeyCode.ENTER);
    assertThat(session().project().deviations().getLast())
        .satisfies(deviation -> {
          assertThat(deviation.subject().concerns(new Id("Y3"))).isTrue();
          assertThat(deviation.reason()).isEqualTo("diode inside");
        });
    assertThat(openFindings()).isEqualTo(44);
    driver.click(driver.text("Reopen"));
    assertThat(openFindings()).isEqualTo(45);
  }

  @Test
  void aPartIsDuplicatedAndEdited() {
    demo();
    find("-M7");
    driver.run(() ->
        ((javafx.scene.control.Button) driver.window.root().lookup("#duplicate-part")).fire());
    assertThat(session().project().ownParts()).hasSize(1);
    var current = (TextField) driver.find("#own-current");
    driver.run(() -> {
      current.requestFocus();
      current.setText("1.8 A");
    });
    driver.press(KeyCode.ENTER);
    assertThat(
            driver.on(() ->
                session()
                    .review()
                    .get()
                    .study()
                    .designCurrent(
                        session().review().get().study().network().feeds(new Id("M7")).getFirst())
                    .amperes()))
        .isEqualTo(1.8);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().ownParts()).isEmpty();
  }

  @Test
  @SuppressWarnings("unchecked")
  void theRunListIsFilteredSortedEditedAndFollowsTheSelection() {
    demo();
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT6);
    var table = (TableView<Object>) driver.find("#runs-table");
    var filter = (TextField) driver.find("#runs-filter");
    driver.run(() -> filter.setText("conduit valve"));
    assertThat(table.getItems()).hasSize(20);
    driver.run(() -> filter.setText("W38"));
    driver.run(() -> {
      table.requestFocus();
      table.getSelectionModel().select(0);
      table.getFocusModel().focus(0, table.getColumns().get(4));
    });
    assertThat(session().selection().get()).contains(new Id("W38"));
    driver.press(KeyCode.F2);
    driver.type("1.4 m");
    driver.press(KeyCode.ENTER);
    assertThat(
            session()
                .project()
                .conductor(new Id("W38"))
                .orElseThrow()
                .length()
                .orElseThrow()
                .metres())
        .isEqualTo(1.4);
    assertThat(driver.on(() -> session().review().get().notChecked()))
        .as("the drop to the fan can be judged now")
        .isEmpty();
    driver.run(() -> filter.setText("no such wire"));
    assertThat(table.getItems()).isEmpty();
  }

  @Test
  void theBriefChangesTheFindings() {
    demo();
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT1);
    var upstream = (TextField) driver.find("#field-upstream-device");
    driver.run(() -> {
      upstream.requestFocus();
      upstream.setText("2 A");
    });
    driver.press(KeyCode.ENTER);
    assertThat(
            driver.on(() ->
                session().review().get().open().stream().map(entry -> entry.rule().id()).toList()))
        .contains("load.inlet");
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(((TextField) driver.find("#field-upstream-device")).getText()).isEqualTo("16 A");
  }

  /// Another mains: what hangs on it is named with what it gets, and selects what is meant.
  @Test
  void anotherMainsSaysWhatBecomesOfEachDevice() {
    demo();
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT1);
    assertThat(driver.on(() -> driver.window.root().lookupAll("#on-mains .fact"))).isEmpty();
    var field = (TextField) driver.find("#field-mains-voltage");
    driver.run(() -> {
      field.setText("3x690 V");
      field.fireEvent(new javafx.event.ActionEvent());
    });
    driver.settle();
    assertThat(driver.on(() -> driver.window.root().lookupAll("#on-mains .fact"))).isNotEmpty();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(driver.on(() -> driver.window.root().lookupAll("#on-mains .fact"))).isEmpty();
  }

  @Test
  void workingsOpenAndThemesChange() {
    demo();
    find("-T2");
    assertThat(driver.has(".working")).isFalse();
    driver.press(KeyCode.CONTROL, KeyCode.W);
    assertThat(driver.has(".working")).isTrue();
    driver.press(KeyCode.CONTROL, KeyCode.T);
    assertThat(driver.window.theme()).isEqualTo(Theme.DARK);
    driver.press(KeyCode.F1);
    assertThat(driver.has("#shortcuts")).isTrue();
    driver.press(KeyCode.ESCAPE);
    assertThat(driver.has("#shortcuts")).isFalse();
  }

  @Test
  void theFindFieldRunsCommandsByName() {
    demo();
    find("go to runs");
    assertThat(driver.window.current().name()).isEqualTo("Runs");
    driver.press(KeyCode.CONTROL, KeyCode.K);
    driver.type("zzz");
    assertThat(((ListView<?>) driver.find("#found")).getItems()).hasSize(1);
    driver.press(KeyCode.ESCAPE);
    find("begin a new");
    assertThat(session().project().name()).isEqualTo("New machine");
  }

  @Test
  void aMangledFileIsExplainedAndUnsavedEditsAreOfferedBack() throws Exception {
    var bad = folder.resolve("bad.nelvar.json");
    Files.writeString(bad, "{\"format\": 1, \"name\": 7}");
    driver.run(() -> driver.window.desk().open(bad));
    driver.await("the reason", () -> driver.window.root().lookup("#open-problem") != null);
    assertThat(driver.words("#open-problem"))
        .contains("bad.nelvar.json")
        .doesNotContain("Exception");

    demo();
    var file = folder.resolve("m.nelvar.json");
    driver.willPick(file);
    driver.press(KeyCode.CONTROL, KeyCode.S);
    driver.await("saved", () -> Files.exists(file) && !session().history().get().unsaved());
    var saved = session().project();
    try (var gone = Journal.of(file)) {
      gone.keep(saved.withName("edited and lost"));
    }
    driver.press(KeyCode.CONTROL, KeyCode.O);
    driver.await("the offer", () -> driver.window.root().lookup("#ask-yes") != null);
    driver.click(driver.find("#ask-yes"));
    assertThat(session().project().name()).isEqualTo("edited and lost");
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project()).isEqualTo(saved);
  }

  @Test
  void partsComeFromCsv() throws Exception {
    demo();
    var csv = folder.resolve("parts.csv");
    Files.writeString(
        csv, "kind,id,name,price,power,madeFor\nheater,our-heater,Our heater,30,200 W,230 V\n");
    driver.willPick(csv);
    find("add parts from");
    assertThat(session().project().ownParts()).hasSize(1);
    Files.writeString(csv, "kind,id,name\nwidget,a,b\n");
    find("add parts from");
    assertThat(driver.words("#message")).contains("no kind of part 'widget'");
    assertThat(session().project().ownParts()).hasSize(1);
  }

  @Test
  void aMachineIsBuiltFromNothingByKeyboard() {
    demo();
    find("begin a new");
    driver.press(KeyCode.CONTROL, KeyCode.DIGIT3);
    add("breaker 1 pole c 6");
    wire("X0:L1", "F1:1");
    add("supply-24v-5a");
    wire("F1:2", "T1:L");
    wire("X0:N", "T1:N");
    wire("X10:2", "T1:PE");
    add("mist pump");
    wire("T1:+", "M1:+");
    wire("T1:-", "M1:-");
    var study = driver.on(() -> session().review().get().study());
    assertThat(study.network().feeds()).hasSize(2).allMatch(feed -> feed.source().isPresent());
    // By hand: 72 W at 90 %, 230.94 V, 0.95 power factor.
    assertThat(nelvar.core.analysis.load.InletLoad.of(study).orElseThrow().value().amperes())
        .isCloseTo(0.3646, org.assertj.core.api.Assertions.within(0.001));
    while (driver.on(() -> session().history().get().undoLabel().isPresent()))
      driver.run(() -> session().undo());
    assertThat(session().project().devices()).hasSize(2);
    assertThat(session().project().conductors()).isEmpty();
  }

  private void add(String words) {
    driver.run(() -> session().selection().set(Optional.empty()));
    var field = (TextField) driver.find("#add-device");
    driver.run(() -> {
      field.requestFocus();
      field.setText(words);
      field.fireEvent(new javafx.event.ActionEvent());
    });
  }

  /// In words, in the find field.
  private void wire(String to, String from) {
    var before = session().project().conductors().size();
    driver.press(KeyCode.CONTROL, KeyCode.K);
    driver.run(
        () -> ((TextField) driver.window.root().lookup("#find")).setText(from + " to " + to));
    driver.press(KeyCode.ENTER);
    driver.await(from + " to " + to, () -> session().project().conductors().size() == before + 1);
    driver.settle();
  }

  @Test
  void aDeviceIsRemovedWithItsWiresAndComesBack() {
    demo();
    driver.run(() -> driver.window.select(new Id("M6")));
    driver.run(() -> ((javafx.scene.control.Button) driver.window.root().lookup("#remove")).fire());
    assertThat(session().project().device(new Id("M6"))).isEmpty();
    driver.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(session().project().device(new Id("M6"))).isPresent();
  }

  @Test
  void anUnsavedDemoIsOfferedBackNextTime() {
    demo();
    find("W32");
    driver.ways();
    driver.press(KeyCode.CONTROL, KeyCode.ENTER);
    var edited = session().project();
    find("begin a new");
    driver.run(() -> driver.window.desk().openDemo());
    // Whoever leaves a machine unsaved keeps its journal; here that is when another is begun.
    driver.await(
        "the offer",
        () -> {
          driver.window.desk().offerUntitled();
          return driver.window.root().lookup("#ask-yes") != null;
        });
    driver.click(driver.find("#ask-yes"));
    assertThat(session().project()).isEqualTo(edited);
    assertThat(driver.words("#saved-state")).endsWith("not saved");
  }
}
