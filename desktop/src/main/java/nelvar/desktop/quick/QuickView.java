package nelvar.desktop.quick;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.calc.Calculator;
import nelvar.core.calc.Calculators;
import nelvar.core.calc.Input;
import nelvar.desktop.control.TrailView;
import nelvar.desktop.session.Session;

/// The quick calculator over the window: calculations by subject, the inputs of one, its answer
/// with the working. Escape closes it; Enter in a field goes on to the next.
public final class QuickView extends StackPane {
  private static final javafx.css.PseudoClass WRONG =
      javafx.css.PseudoClass.getPseudoClass("wrong");

  /// A heading of a subject, or a calculation.
  private record Entry(String text, Optional<Calculator> calculator) {}

  private final QuickModel model;
  private final Supplier<Optional<Session>> session;
  private final TextField filter = new TextField();
  private final ListView<Entry> list = new ListView<>();
  private final VBox inputs = new VBox(10);
  private final VBox answer = new VBox(8);
  private final java.util.LinkedHashMap<String, Label> notes = new java.util.LinkedHashMap<>();
  private final java.util.LinkedHashMap<String, TextField> fields = new java.util.LinkedHashMap<>();

  public QuickView(QuickModel model, Supplier<Optional<Session>> session, Runnable close) {
    this.model = model;
    this.session = session;
    getStyleClass().add("overlay");
    setId("quick");
    filter.setPromptText("Find a calculation: drop, fuse, ampacity …");
    filter.setAccessibleText("Find a calculation");
    filter.setId("quick-find");
    filter.textProperty().addListener(_ -> fill());
    filter.setOnAction(_ -> firstField());
    filter.setOnKeyPressed(e -> {
      if (e.getCode() != KeyCode.DOWN && e.getCode() != KeyCode.UP) return;
      step(e.getCode() == KeyCode.DOWN ? 1 : -1);
      e.consume();
    });
    list.setId("quick-list");
    list.setAccessibleText("Calculations by subject");
    list.setFixedCellSize(26);
    list.setCellFactory(_ -> new EntryCell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, entry) -> {
          if (entry != null) entry.calculator().ifPresent(model::choose);
        });
    list.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) firstField();
    });
    VBox.setVgrow(list, Priority.ALWAYS);
    var left = new VBox(8, filter, list);
    left.setPrefWidth(304);
    left.setMinWidth(304);
    var done = new Button("Close");
    done.setOnAction(_ -> close.run());
    var title = new Label("Quick calculation");
    title.getStyleClass().add("title");
    var hint = new Label("Works without a project. Tables are from memory and say so.");
    hint.getStyleClass().add("soft");
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    var head = new HBox(12, title, hint, gap, done);
    head.setAlignment(Pos.BASELINE_LEFT);
    head.setPadding(new Insets(0, 0, 10, 0));
    var middle = scrolled(inputs);
    middle.setPrefWidth(368);
    middle.setMinWidth(330);
    var right = scrolled(answer);
    HBox.setHgrow(right, Priority.ALWAYS);
    right.setMinWidth(300);
    var row = new HBox(20, left, middle, right);
    var card = new BorderPane(row);
    card.setTop(head);
    card.getStyleClass().add("card");
    card.setMaxSize(1120, 660);
    setMargin(card, new Insets(28));
    getChildren().add(card);
    model.calculator().addListener(_ -> showInputs());
    model.outcome().addListener(_ -> showAnswer());
    fill();
    showInputs();
  }

  private static ScrollPane scrolled(VBox content) {
    var pane = new ScrollPane(content);
    pane.setFitToWidth(true);
    pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    pane.setFocusTraversable(false);
    content.setPadding(new Insets(0, 10, 0, 0));
    return pane;
  }

  /// Shows what the model and the project hold now, and takes the keys.
  public void focus() {
    fill();
    select(model.calculator().get());
    showInputs();
    filter.requestFocus();
    filter.selectAll();
  }

  private void fill() {
    var words = filter.getText().toLowerCase(Locale.ROOT).strip();
    list.getItems().clear();
    for (var subject : Calculators.SUBJECTS) {
      var hits =
          subject.calculators().stream()
              .filter(c -> matches(c, subject.name(), words))
              .map(c -> new Entry(c.title(), Optional.of(c)))
              .toList();
      if (hits.isEmpty()) continue;
      list.getItems().add(new Entry(subject.name(), Optional.empty()));
      list.getItems().addAll(hits);
    }
    if (list.getItems().isEmpty())
      list.getItems().add(new Entry("Nothing is called so", Optional.empty()));
    select(words.isEmpty() ? model.calculator().get() : null);
  }

  private static boolean matches(Calculator calculator, String subject, String words) {
    var text =
        "%s %s %s %s"
            .formatted(calculator.name(), calculator.title(), calculator.gives(), subject)
            .toLowerCase(Locale.ROOT);
    return words.isEmpty() || java.util.Arrays.stream(words.split("\\s+")).allMatch(text::contains);
  }

  private void select(@org.jspecify.annotations.Nullable Calculator wanted) {
    for (var i = 0; i < list.getItems().size(); i++) {
      var found = list.getItems().get(i).calculator();
      if (found.isEmpty() || (wanted != null && !found.get().equals(wanted))) continue;
      list.getSelectionModel().select(i);
      list.scrollTo(Math.max(0, i - 4));
      return;
    }
  }

  private void step(int by) {
    var at = list.getSelectionModel().getSelectedIndex() + by;
    while (at >= 0 && at < list.getItems().size() && list.getItems().get(at).calculator().isEmpty())
      at += by;
    if (at < 0 || at >= list.getItems().size()) return;
    list.getSelectionModel().select(at);
    list.scrollTo(Math.max(0, at - 4));
  }

  private void firstField() {
    fields.values().stream().findFirst().ifPresent(TextField::requestFocus);
  }

  private void showInputs() {
    var calculator = model.calculator().get();
    inputs.getChildren().clear();
    notes.clear();
    fields.clear();
    var title = new Label(calculator.title());
    title.getStyleClass().addAll("subtitle", "wrapping");
    var gives = new Label("Gives " + calculator.gives());
    gives.getStyleClass().addAll("soft", "wrapping");
    title.setMinHeight(Region.USE_PREF_SIZE);
    gives.setMinHeight(Region.USE_PREF_SIZE);
    inputs.getChildren().addAll(title, gives);
    selection().ifPresent(id -> inputs.getChildren().add(taking(id)));
    for (var input : calculator.inputs()) inputs.getChildren().add(row(input));
    var clear = new Button("Clear");
    clear.getStyleClass().add("link");
    clear.setOnAction(_ -> {
      model.clear();
      showInputs();
    });
    inputs.getChildren().add(clear);
    showAnswer();
  }

  private Optional<nelvar.core.model.Id> selection() {
    return session.get().flatMap(s -> s.selection().get());
  }

  private Button taking(nelvar.core.model.Id id) {
    var study = session.get().orElseThrow().review().get().study();
    var take = new Button("Take what " + study.label(id) + " has");
    take.setId("quick-take");
    take.setOnAction(_ -> {
      FromProject.known(model.calculator().get(), id, study).forEach(model::write);
      showInputs();
    });
    return take;
  }

  private VBox row(Input<?> input) {
    var symbol = new Label(input.symbol());
    symbol.getStyleClass().add("mono");
    symbol.setMinWidth(76);
    symbol.setPrefWidth(76);
    var now = model.written(input.symbol());
    HBox line;
    if (input.words().isEmpty()) {
      var field = new TextField(now);
      field.setPromptText(input.usual().map(usual -> "usually " + usual).orElse(input.example()));
      field.setAccessibleText(input.symbol() + ", " + input.meaning());
      field.setId("quick-" + input.symbol());
      field.textProperty().addListener((_, _, text) -> model.write(input.symbol(), text));
      field.setOnAction(_ -> next(field));
      HBox.setHgrow(field, Priority.ALWAYS);
      symbol.setLabelFor(field);
      fields.put(input.symbol(), field);
      line = new HBox(8, symbol, field);
    } else {
      var choice = new ChoiceBox<String>();
      choice.getItems().addAll(input.words());
      choice.setAccessibleText(input.symbol() + ", " + input.meaning());
      choice.setId("quick-" + input.symbol());
      choice.setValue(
          now.isBlank() ? input.usualWord().orElse(null) : input.word(now).orElse(null));
      choice
          .valueProperty()
          .addListener((_, _, word) -> model.write(input.symbol(), word == null ? "" : word));
      choice.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(choice, Priority.ALWAYS);
      symbol.setLabelFor(choice);
      line = new HBox(8, symbol, choice);
    }
    line.setAlignment(Pos.CENTER_LEFT);
    var note = new Label();
    note.getStyleClass().addAll("faint", "wrapping");
    note.setMinHeight(Region.USE_PREF_SIZE);
    note.setPadding(new Insets(0, 0, 0, 84));
    note.setId("quick-note-" + input.symbol());
    notes.put(input.symbol(), note);
    return new VBox(2, line, note);
  }

  private void next(TextField from) {
    var all = java.util.List.copyOf(fields.values());
    var at = all.indexOf(from);
    if (at + 1 < all.size()) all.get(at + 1).requestFocus();
  }

  private void showAnswer() {
    for (var input : model.calculator().get().inputs()) {
      var note = notes.get(input.symbol());
      if (note == null) return; // the inputs of the next calculation are being put up
      note.setText(
          input.words().isEmpty() ? input.meaning() + ", " + input.accepts() : input.meaning());
      wrong(input.symbol(), false);
    }
    answer.getChildren().clear();
    switch (model.outcome().get()) {
      case QuickModel.Outcome.Waits(var symbol, var meaning) ->
          say(
              symbol.isEmpty()
                  ? "Choose a calculation."
                  : "Write %s: %s.".formatted(symbol, meaning));
      case QuickModel.Outcome.Wrong(var symbol, var message) -> {
        say("No answer yet.");
        var note = notes.get(symbol);
        if (note != null) note.setText(message);
        wrong(symbol, true);
      }
      case QuickModel.Outcome.Lacks(var why) -> say("Cannot be computed, because " + why + ".");
      case QuickModel.Outcome.Answer(var explained) -> show(explained);
    }
  }

  private void wrong(String symbol, boolean is) {
    var note = notes.get(symbol);
    var field = fields.get(symbol);
    if (field != null) field.pseudoClassStateChanged(WRONG, is);
    if (note == null) return;
    note.getStyleClass().removeAll("wrong-note", "faint");
    note.getStyleClass().add(is ? "wrong-note" : "faint");
  }

  private void say(String text) {
    var label = new Label(text);
    label.getStyleClass().addAll("soft", "wrapping");
    label.setId("quick-answer");
    label.setMinHeight(Region.USE_PREF_SIZE);
    answer.getChildren().add(label);
  }

  private void show(nelvar.core.trail.Explained<?> explained) {
    var value = new Label(String.valueOf(explained.value()));
    value.getStyleClass().addAll("quick-answer", "wrapping");
    value.setId("quick-answer");
    value.setMinHeight(Region.USE_PREF_SIZE);
    var gives = new Label(model.calculator().get().gives());
    gives.getStyleClass().addAll("soft", "wrapping");
    gives.setMinHeight(Region.USE_PREF_SIZE);
    var copy = new Button("Copy with working");
    copy.setId("quick-copy");
    copy.setOnAction(_ ->
        model
            .text()
            .ifPresent(text -> {
              var content = new ClipboardContent();
              content.putString(text);
              Clipboard.getSystemClipboard().setContent(content);
              copy.setText("Copied");
            }));
    var actions = new HBox(8, copy);
    selection()
        .ifPresent(id ->
            session
                .get()
                .ifPresent(open -> {
                  var study = open.review().get().study();
                  FromProject.use(model.calculator().get(), explained.value(), id, study)
                      .ifPresent(edit -> {
                        var use = new Button(edit.label());
                        use.getStyleClass().add("repair");
                        use.setId("quick-use");
                        use.setOnAction(_ -> {
                          open.edit(edit);
                          Platform.runLater(this::showInputs);
                        });
                        actions.getChildren().add(use);
                      });
                }));
    answer.getChildren().addAll(value, gives, actions, new TrailView(explained.trail()));
  }

  private static final class EntryCell extends ListCell<Entry> {
    EntryCell() {
      setPrefWidth(0); // as wide as the list, a long title ends in dots
    }

    @Override
    protected void updateItem(Entry entry, boolean empty) {
      super.updateItem(entry, empty);
      getStyleClass().removeAll("section-title");
      setText(empty || entry == null ? "" : entry.text());
      setDisable(!empty && entry != null && entry.calculator().isEmpty());
      if (!empty && entry != null && entry.calculator().isEmpty())
        getStyleClass().add("section-title");
    }
  }
}
