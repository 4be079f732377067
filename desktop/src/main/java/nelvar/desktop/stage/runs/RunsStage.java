package nelvar.desktop.stage.runs;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.collections.transformation.FilteredList;
import javafx.collections.transformation.SortedList;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.cell.TextFieldTableCell;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.converter.DefaultStringConverter;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.finding.Severity;
import nelvar.core.model.Brief;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// Every conductor as a row to compare and edit, beside a cut through the bundle it lies in.
public final class RunsStage implements Stage {
  private static final PseudoClass ERROR = PseudoClass.getPseudoClass("error");
  private static final int SECTION = 3;
  private static final int LENGTH = 4;

  private final BorderPane view = new BorderPane();
  private final ObservableList<RunRow> rows = FXCollections.observableArrayList();
  private final FilteredList<RunRow> filtered = new FilteredList<>(rows);
  private final TableView<RunRow> table = new TableView<>();
  private final TextField filter = new TextField();
  private final Label count = new Label();
  private final ManyWires many = new ManyWires();
  private final BesideWays beside = new BesideWays();
  private final DrawingPane ways = new DrawingPane("Ways of the wires", false);
  private final Label waysWords = new Label();
  private final ToggleButton noise = new ToggleButton("Noise");
  private final SplitPane pictures = new SplitPane();
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Optional<Review> tabled = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Theme shownIn = Theme.LIGHT;
  private boolean showing;

  /// @param paste opens what takes rows from a spreadsheet
  public RunsStage(Runnable paste) {
    view.getStyleClass().add("stage");
    filter.setPromptText("Filter: W3, -T2, valve …");
    filter.setAccessibleText("Filter the run list");
    filter.setId("runs-filter");
    filter.setPrefColumnCount(16);
    filter
        .textProperty()
        .addListener((_, _, words) -> {
          filtered.setPredicate(words.isBlank() ? null : row -> row.matches(words.strip()));
          counted();
        });
    var rowsButton = new Button("Paste rows");
    rowsButton.setId("runs-paste");
    rowsButton.setOnAction(_ -> paste.run());
    noise.setId("runs-noise");
    noise.setAccessibleText("Show margins of disturbances over the ways, not how full they are");
    noise.setOnAction(_ -> later());
    var head = new StageHead("Runs", count, filter, noise, rowsButton);
    view.setTop(new VBox(head, many));
    table();
    var section = new ScrollPane(beside);
    section.setFitToWidth(true);
    section.setMinWidth(300);
    ways.onSelect(id -> session.ifPresent(s -> pressed(s, id)));
    waysWords.getStyleClass().add("soft");
    waysWords.setWrapText(true);
    waysWords.setId("runs-way");
    waysWords.setPadding(new javafx.geometry.Insets(0, 8, 4, 18));
    var seen = new ScrollPane(ways);
    seen.setMinWidth(360);
    var left = new VBox(waysWords, seen);
    VBox.setVgrow(seen, Priority.ALWAYS);
    pictures.getItems().addAll(left, section);
    pictures.setDividerPositions(0.52);
    pictures.getStyleClass().add("quiet-split");
    var both = new SplitPane(pictures, table);
    both.setOrientation(javafx.geometry.Orientation.VERTICAL);
    both.setDividerPositions(0.62);
    both.getStyleClass().add("quiet-split");
    view.setCenter(both);
    for (var size : List.of(seen.widthProperty(), seen.heightProperty(), section.widthProperty()))
      size.addListener(_ -> later());
  }

  /// A duct shows its cut; everything else is selected.
  private void pressed(Session s, Id id) {
    if (review.isPresent()
        && Lying.of(review.get().study()).all().stream().anyMatch(b -> b.id().equals(id))) look(id);
    else s.selection().set(Optional.of(id));
  }

  private boolean waiting;

  /// Once for all sizes that change together.
  private void later() {
    if (waiting) return;
    waiting = true;
    javafx.application.Platform.runLater(() -> {
      waiting = false;
      review.ifPresent(newest -> session.ifPresent(s -> cut(newest, s.selection().get())));
    });
  }

  /// What is drawn for: the same snapshot, selection, size and theme draw nothing anew.
  private record Drawn(
      Review review, boolean noise, Optional<Id> selected, double width, double height, Theme in) {}

  private Optional<Drawn> drawn = Optional.empty();

  private void ways(Review newest, Optional<Id> selected) {
    var box = (ScrollPane) ((VBox) pictures.getItems().getFirst()).getChildren().getLast();
    var width = Math.max(340, box.getWidth() - 4);
    var height = Math.max(220, box.getHeight() - 4);
    var now = new Drawn(newest, noise.isSelected(), selected, width, height, theme);
    if (drawn.filter(now::equals).isPresent()) return;
    drawn = Optional.of(now);
    ways.show(RunsModel.ways(newest, noise.isSelected(), selected, width, height), theme);
    waysWords.setText(RunsModel.words(newest, selected));
  }

  private void table() {
    var sorted = new SortedList<>(filtered);
    sorted.comparatorProperty().bind(table.comparatorProperty());
    table.setItems(sorted);
    table.setId("runs-table");
    table.setEditable(true);
    nelvar.desktop.control.Typing.in(table, this::takeOverCell);
    table.setAccessibleText("Run list");
    table.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_ALL_COLUMNS);
    table.setPlaceholder(
        new Label("No conductor matches. Clear the filter, or connect devices first."));
    var widths = new double[] {58, 84, 84, 78, 70, 58, 58, 62, 150};
    for (var i = 0; i < RunRow.HEADINGS.size(); i++) table.getColumns().add(column(i, widths[i]));
    table
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, row) -> {
          if (!showing && row != null)
            session.ifPresent(s -> s.selection().set(Optional.of(row.conductor().id())));
        });
    table
        .getSelectionModel()
        .getSelectedItems()
        .addListener(
            (javafx.collections.ListChangeListener<RunRow>)
                _ -> session.ifPresent(s -> many.show(s, selectedRows())));
    table.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.C && e.isShortcutDown()) copy();
      if (e.getCode() == KeyCode.F2 || e.getCode() == KeyCode.ENTER) edit();
    });
  }

  private TableColumn<RunRow, String> column(int index, double width) {
    var column = new TableColumn<RunRow, String>(RunRow.HEADINGS.get(index));
    column.setPrefWidth(width);
    column.setCellValueFactory(
        cell -> new javafx.beans.property.SimpleStringProperty(cell.getValue().lines().get(index)));
    column.setComparator(index >= SECTION && index <= 7 ? RunsStage::byNumber : RunsStage::natural);
    if (index == SECTION || index == LENGTH) {
      column.setCellFactory(_ -> new TextFieldTableCell<>(new DefaultStringConverter()));
      column.setOnEditCommit(e -> {
        if (index == SECTION)
          change(
              e.getRowValue(),
              e.getNewValue(),
              Kind.CROSS_SECTION,
              (row, value) ->
                  Sections.change(row.conductor(), value, review.orElseThrow().study()));
        else
          change(
              e.getRowValue(),
              e.getNewValue(),
              Kind.LENGTH,
              (row, value) -> Edits.length(row.conductor(), value));
        table.refresh();
      });
    } else {
      column.setEditable(false);
      column.setCellFactory(_ -> new Cell(index == 0));
    }
    if (index >= LENGTH && index <= 7) column.getStyleClass().add("number");
    return column;
  }

  /// The number of a wire with its worst finding in shape and colour.
  private final class Cell extends TableCell<RunRow, String> {
    private final boolean number;

    Cell(boolean number) {
      this.number = number;
    }

    @Override
    protected void updateItem(String text, boolean empty) {
      super.updateItem(text, empty);
      setText(empty ? "" : text);
      var worst =
          empty || getTableRow() == null || getTableRow().getItem() == null
              ? Optional.<Severity>empty()
              : getTableRow().getItem().worst();
      setGraphic(
          number && worst.isPresent() ? nelvar.desktop.control.Icon.of(worst.get(), theme) : null);
      pseudoClassStateChanged(ERROR, number && worst.filter(s -> s == Severity.ERROR).isPresent());
    }
  }

  private <Q extends Quantity> void change(
      RunRow row,
      String text,
      Kind<Q> kind,
      java.util.function.BiFunction<RunRow, Q, nelvar.core.model.edit.Edit> edit) {
    session.ifPresent(s -> {
      switch (kind.read(text)) {
        case Reading.Misread<Q>(var message) -> s.tell(message);
        case Reading.Value<Q>(var value) -> s.edit(edit.apply(row, value));
      }
    });
  }

  private static int byNumber(String a, String b) {
    return Double.compare(parsed(a), parsed(b));
  }

  private static final java.util.regex.Pattern NUMBER =
      java.util.regex.Pattern.compile("[0-9]+(?:[.][0-9]+)?");

  private static double parsed(String text) {
    var digits = NUMBER.matcher(text);
    return digits.lookingAt() ? Double.parseDouble(digits.group()) : -1;
  }

  private static int natural(String a, String b) {
    return new nelvar.core.model.Designation(
            a.isBlank() ? "-" : a.replace(' ', '_').substring(0, Math.min(24, a.length())))
        .compareTo(
            new nelvar.core.model.Designation(
                b.isBlank() ? "-" : b.replace(' ', '_').substring(0, Math.min(24, b.length()))));
  }

  /// Copies the selected rows with headings, tab-separated.
  private void copy() {
    var text =
        table.getSelectionModel().getSelectedItems().stream()
            .map(row -> String.join("\t", row.lines()))
            .collect(Collectors.joining("\n"));
    var content = new ClipboardContent();
    content.putString(String.join("\t", RunRow.HEADINGS) + "\n" + text);
    Clipboard.getSystemClipboard().setContent(content);
  }

  /// A cell being edited is taken over as if Enter had been pressed.
  private Optional<String> takeOverCell() {
    if (table.getEditingCell() != null
        && table.getScene().getFocusOwner() instanceof javafx.scene.control.TextField field)
      field.fireEvent(new javafx.event.ActionEvent());
    return Optional.empty();
  }

  private void edit() {
    var focused = table.getFocusModel().getFocusedCell();
    var column = focused.getColumn() == LENGTH ? LENGTH : SECTION;
    if (focused.getRow() >= 0) table.edit(focused.getRow(), table.getColumns().get(column));
  }

  @Override
  public String name() {
    return "Runs";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return table;
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    showing = true;
    if (tabled.isEmpty() || tabled.get() != newest || shownIn != look) {
      rows(RunsModel.rows(newest));
      // Feet and inches stand behind the metres.
      table
          .getColumns()
          .get(LENGTH)
          .setMinWidth(
              newest.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN
                  ? 116
                  : 62);
      tabled = Optional.of(newest);
    }
    counted();
    select(next.selection().get());
    showing = false;
    cut(newest, next.selection().get());
  }

  private void counted() {
    count.setText(
        filtered.size() == rows.size()
            ? rows.size() + " conductors"
            : "%d of %d conductors".formatted(filtered.size(), rows.size()));
  }

  private List<RunRow> selectedRows() {
    return table.getSelectionModel().getSelectedItems().stream()
        .filter(java.util.Objects::nonNull)
        .toList();
  }

  private void select(Optional<Id> selected) {
    // Several rows stay selected while one of them is.
    if (selectedRows().stream()
            .anyMatch(row -> selected.filter(row.conductor().id()::equals).isPresent())
        && selectedRows().size() > 1) return;
    for (var i = 0; i < table.getItems().size(); i++) {
      if (selected.filter(table.getItems().get(i).conductor().id()::equals).isEmpty()) continue;
      if (table.getSelectionModel().getSelectedIndex() != i) {
        table.getSelectionModel().clearAndSelect(i);
        var top = Math.max(0, i - 4);
        javafx.application.Platform.runLater(() -> table.scrollTo(top));
      }
      return;
    }
    table.getSelectionModel().clearSelection();
  }

  /// Only rows that changed are set anew, so that what is seen and selected of the others stays.
  private void rows(List<RunRow> next) {
    var same = next.size() == rows.size();
    for (var i = 0; same && i < next.size(); i++)
      same = next.get(i).conductor().id().equals(rows.get(i).conductor().id());
    if (!same) {
      rows.setAll(next);
      return;
    }
    for (var i = 0; i < next.size(); i++)
      if (!next.get(i).equals(rows.get(i))) rows.set(i, next.get(i));
  }

  private void look(Id thing) {
    if (session.isPresent() && review.isPresent()) beside.look(thing, session.get(), review.get());
  }

  private void cut(Review newest, Optional<Id> selected) {
    ways(newest, selected);
    session.ifPresent(s -> beside.show(s, newest, theme));
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return entry.rule().job() == Job.RUNS;
  }
}
