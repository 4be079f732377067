package nelvar.desktop.app;

import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.FullestSupply;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.finding.Severity;
import nelvar.core.review.Review;
import nelvar.core.units.Significant;
import nelvar.desktop.session.Session;

/// The head of the window: project and its saved state, the field that finds anything, the vitals
/// of the machine.
final class Head extends HBox {
  private static final PseudoClass ERROR = PseudoClass.getPseudoClass("error");
  private static final PseudoClass EARLIER = PseudoClass.getPseudoClass("earlier");
  private static final PseudoClass WARNING = PseudoClass.getPseudoClass("warning");

  private final HBox name = new HBox();
  private final Label project = new Label();
  private final Label state = new Label();
  private final TextField find = new TextField();
  private final Label inlet = new Label();
  private final Label fullest = new Label();
  private final Label fullestName = new Label("Fullest supply");
  private final Label inside = new Label();
  private final Label open = new Label();
  private final Label school = new Label();
  private final Label earlier = new Label();

  Head() {
    getStyleClass().add("head");
    var brand = new Label("nelvar");
    brand.getStyleClass().add("brand");
    var dot = new Label(".");
    dot.getStyleClass().add("brand-dot");
    project.getStyleClass().add("strong");
    project.setMinWidth(60);
    state.getStyleClass().add("soft");
    state.setId("saved-state");
    state.setMinWidth(USE_PREF_SIZE);
    find.setPromptText("Find or do anything   Ctrl+K");
    find.setAccessibleText("Find anything or run a command by name");
    find.setId("find");
    find.setPrefWidth(250);
    find.setMinWidth(140);
    HBox.setHgrow(find, Priority.SOMETIMES);
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    school.getStyleClass().add("soft");
    school.setMinWidth(USE_PREF_SIZE);
    open.setId("open-findings");
    earlier.setId("earlier");
    earlier.getStyleClass().addAll("soft", "value");
    earlier.setMinWidth(USE_PREF_SIZE);
    earlier.managedProperty().bind(earlier.visibleProperty());
    earlier.setVisible(false);
    name.getChildren().addAll(brand, dot);
    name.setMinWidth(USE_PREF_SIZE);
    name.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    getChildren()
        .addAll(
            project,
            state,
            find,
            space,
            vital(new Label("Inlet"), inlet),
            vital(fullestName, fullest),
            vital(new Label("Inside"), inside),
            vital(new Label("Open"), open),
            earlier,
            school);
  }

  private static HBox vital(Label name, Label value) {
    name.getStyleClass().add("soft");
    name.setMinWidth(USE_PREF_SIZE);
    value.getStyleClass().add("value");
    value.setMinWidth(USE_PREF_SIZE);
    var box = new HBox(name, value);
    box.getStyleClass().add("vital");
    return box;
  }

  /// The name of the product, to stand on its menu.
  HBox name() {
    return name;
  }

  void menu(javafx.scene.Node menu) {
    getChildren().addFirst(menu);
  }

  TextField find() {
    return find;
  }

  void show(Session session, Review review) {
    var unsaved = session.history().get().unsaved();
    project.setText(session.project().name());
    state.setText("rev " + session.project().revision() + (unsaved ? ", not saved" : ", saved"));
    var study = review.study();
    inlet.setText(InletLoad.of(study).map(load -> load.value().toString()).orElse("none"));
    fullest(study);
    var air = InsideAir.of(study);
    inside.setText(air.expected() + " " + air.origin().words());
    var errors = review.count(Severity.ERROR);
    open.setText(String.valueOf(review.open().size()));
    mark(open, errors > 0, !review.open().isEmpty());
    var brief = session.project().brief();
    var sizing = brief.policies().sizing().words();
    school.setText(
        "%s%s, %s around"
            .formatted(
                sizing.substring(0, 1).toUpperCase(java.util.Locale.ROOT),
                sizing.substring(1),
                brief.surroundings().greatest()));
  }

  /// Says so while what is shown is of an earlier state.
  void current(Session session) {
    var trouble = session.trouble().get();
    pseudoClassStateChanged(EARLIER, session.stale().get());
    earlier.setVisible(session.stale().get());
    earlier.setText(trouble.isEmpty() ? "reviewing …" : "findings are of an earlier state");
    mark(earlier, !trouble.isEmpty(), false);
  }

  private void fullest(Study study) {
    var found = FullestSupply.of(study);
    var worst = found.map(FullestSupply::share).orElse(0.0);
    fullest.setText(
        found
            .map(f ->
                f.source().device().designation()
                    + " "
                    + Significant.digits(f.share() * 100)
                    + " %")
            .orElse("none"));
    mark(fullest, worst > 1, worst > study.project().brief().policies().headroom().fraction());
  }

  private static void mark(Label label, boolean error, boolean warning) {
    label.pseudoClassStateChanged(ERROR, error);
    label.pseudoClassStateChanged(WARNING, warning && !error);
  }
}
