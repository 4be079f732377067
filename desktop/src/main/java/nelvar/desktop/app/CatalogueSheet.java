package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Enclosure;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.WireStock;
import nelvar.core.compose.need.PartFilter;
import nelvar.core.file.PartSheet;
import nelvar.core.model.edit.Edits;
import nelvar.desktop.control.NewDevice;
import nelvar.desktop.session.Session;

/// The catalogue by kind and rating, with all that is known of a part, or of up to four beside one
/// another.
final class CatalogueSheet extends StackPane {
  private static final int MOST = 4;
  private static final String ALL = "all kinds";

  private final Session session;
  private final Runnable done;
  private final ListView<String> kinds = new ListView<>();
  private final TextField words = new TextField();
  private final ListView<Part> parts = new ListView<>();
  private final Map<String, Integer> counts;
  private final Label said = new Label();
  private final GridPane sheet = new GridPane();
  private final TextField owned = new TextField();
  private final Button add = new Button("Add it to the machine");

  CatalogueSheet(Session session, Runnable done) {
    this.session = session;
    this.done = done;
    getStyleClass().add("overlay");
    setId("catalogue");
    var title = new Label("Catalogue");
    title.getStyleClass().add("title");
    words.setId("catalogue-words");
    words.setPromptText(
        "Words and ratings:  supply 24 V >= 5 A,  breaker C 6..16 A,  motor < 1 kW");
    words.setAccessibleText("Filter parts by words and ratings");
    words.setPrefColumnCount(40);
    words.textProperty().addListener(_ -> filter());
    words.setOnKeyPressed(e -> {
      if (e.getCode() != KeyCode.DOWN) return;
      parts.requestFocus();
      e.consume();
    });
    words.setOnAction(_ -> add.fire());
    said.setId("catalogue-said");
    said.getStyleClass().add("soft");
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    var head = new HBox(12, title, words, said, space);
    head.setAlignment(Pos.CENTER_LEFT);
    counts = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);
    for (var part : session.catalogue().all()) counts.merge(PartSheet.kind(part), 1, Integer::sum);
    kinds.setId("catalogue-kinds");
    kinds.setAccessibleText("Kinds of parts");
    kinds.getItems().add(ALL);
    kinds.getItems().addAll(counts.keySet());
    kinds.setCellFactory(_ -> new KindCell());
    kinds.setFixedCellSize(26);
    kinds.setPrefWidth(190);
    kinds.setMinWidth(170);
    kinds.getSelectionModel().selectFirst();
    kinds.getSelectionModel().selectedItemProperty().addListener(_ -> filter());
    parts.setId("catalogue-parts");
    parts.setAccessibleText("Parts; select up to four to compare");
    parts.setCellFactory(_ -> new PartCell());
    parts.setFixedCellSize(26);
    parts.setPrefWidth(420);
    parts.setMinWidth(300);
    parts.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    parts
        .getSelectionModel()
        .getSelectedItems()
        .addListener((javafx.collections.ListChangeListener<Part>) _ -> describe());
    parts.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) add.fire();
    });
    parts.setOnMouseClicked(e -> {
      if (e.getClickCount() > 1) add.fire();
    });
    sheet.setHgap(14);
    sheet.setVgap(4);
    sheet.setPadding(new Insets(2, 10, 4, 4));
    var scroll = new ScrollPane(sheet);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    HBox.setHgrow(scroll, Priority.ALWAYS);
    scroll.setPrefWidth(420);
    var middle = new HBox(12, kinds, parts, scroll);
    middle.setPadding(new Insets(10, 0, 0, 0));
    add.setId("catalogue-add");
    add.getStyleClass().add("primary");
    add.setOnAction(_ -> add());
    var close = new Button("Close");
    close.setId("catalogue-close");
    close.setOnAction(_ -> done.run());
    owned.setId("catalogue-owned");
    owned.setPrefColumnCount(4);
    owned.setAccessibleText("Pieces of it that are owned");
    owned.setOnAction(_ -> own());
    owned
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) own();
        });
    var has = new Label("Owned, pieces");
    has.setLabelFor(owned);
    var foot = new HBox(10, add, close, has, owned);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    var card = new BorderPane(middle);
    card.setTop(head);
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxSize(1240, 720);
    setMargin(card, new Insets(20));
    getChildren().add(card);
    filter();
  }

  void focus() {
    words.requestFocus();
  }

  /// Shows a part among those of its kind.
  void show(Part part) {
    kinds.getSelectionModel().select(PartSheet.kind(part));
    parts.getSelectionModel().clearSelection();
    parts.getSelectionModel().select(part);
    parts.scrollTo(part);
  }

  private void filter() {
    var kind = kinds.getSelectionModel().getSelectedItem();
    var all =
        session.catalogue().all().stream()
            .filter(part -> ALL.equals(kind) || PartSheet.kind(part).equals(kind))
            .toList();
    var text = words.getText();
    parts.getItems().setAll(text.isBlank() ? all : PartFilter.find(all, text, PartSheet::values));
    said.setText(
        parts.getItems().isEmpty()
            ? "nothing has all of that"
            : "%d of %d".formatted(parts.getItems().size(), all.size()));
    parts.getSelectionModel().clearSelection();
    if (!parts.getItems().isEmpty()) parts.getSelectionModel().selectFirst();
    describe();
  }

  private List<Part> chosen() {
    return parts.getSelectionModel().getSelectedItems().stream()
        .filter(java.util.Objects::nonNull)
        .limit(MOST)
        .toList();
  }

  private static boolean device(Part part) {
    return !(part instanceof CableStock || part instanceof WireStock || part instanceof Enclosure);
  }

  private void add() {
    var chosen = chosen();
    if (chosen.size() != 1 || !device(chosen.getFirst())) return;
    if (NewDevice.add(chosen.getFirst(), session)) done.run();
  }

  /// What lies in a drawer costs nothing in ways and comparisons.
  private void own() {
    var chosen = chosen();
    if (chosen.size() != 1) return;
    var part = chosen.getFirst();
    var now = session.project().records().owned(part.id());
    var text = owned.getText().strip();
    if (text.equals(now == 0 ? "" : String.valueOf(now))) return;
    if (!text.matches("[0-9]{0,5}")) {
      session.tell(
          "Say how many pieces are owned: a number from 0 to 99999, not '%s'.".formatted(text));
      return;
    }
    session.edit(Edits.owned(part, text.isEmpty() ? 0 : Integer.parseInt(text)));
    parts.refresh();
  }

  private void describe() {
    var chosen = chosen();
    owned.setDisable(chosen.size() != 1 || !device(chosen.getFirst()));
    var pieces = chosen.size() == 1 ? session.project().records().owned(chosen.getFirst().id()) : 0;
    owned.setText(pieces == 0 ? "" : String.valueOf(pieces));
    add.setDisable(chosen.size() != 1 || !device(chosen.getFirst()));
    sheet.getChildren().clear();
    sheet.getColumnConstraints().clear();
    if (chosen.isEmpty()) return;
    if (chosen.size() == 1) one(chosen.getFirst());
    else several(chosen);
  }

  private void columns(int values) {
    var name = new ColumnConstraints();
    name.setPrefWidth(130);
    name.setMinWidth(100);
    sheet.getColumnConstraints().add(name);
    for (var n = 0; n < values; n++) {
      var each = new ColumnConstraints();
      each.setHgrow(Priority.ALWAYS);
      if (values > 1) each.setPercentWidth(72.0 / values);
      sheet.getColumnConstraints().add(each);
    }
  }

  private void one(Part part) {
    columns(1);
    var line = 0;
    sheet.add(cell(part.name(), "strong"), 0, line++, 2, 1);
    for (var section : PartSheet.of(part)) {
      sheet.add(cell(section.title(), "section-title"), 0, line++, 2, 1);
      for (var row : section.rows()) {
        sheet.add(cell(row.name(), "soft"), 0, line);
        sheet.add(cell(row.value(), "value"), 1, line++);
      }
    }
  }

  private void several(List<Part> chosen) {
    columns(chosen.size());
    for (var n = 0; n < chosen.size(); n++)
      sheet.add(cell(chosen.get(n).name(), "strong"), n + 1, 0);
    var at = 1;
    for (var line : PartSheet.beside(chosen)) {
      sheet.add(cell(line.name(), "soft"), 0, at);
      for (var n = 0; n < line.values().size(); n++)
        sheet.add(cell(line.values().get(n), line.differs() ? "value" : "faint"), n + 1, at);
      at++;
    }
  }

  private static Node cell(String text, String style) {
    var label = new Label(text);
    label.getStyleClass().addAll(style, "wrapping");
    label.setMinHeight(Region.USE_PREF_SIZE);
    GridPane.setValignment(label, VPos.TOP);
    return label;
  }

  private final class KindCell extends ListCell<String> {
    @Override
    protected void updateItem(String kind, boolean empty) {
      super.updateItem(kind, empty);
      setText(
          empty || kind == null
              ? null
              : Optional.ofNullable(counts.get(kind)).map(n -> kind + "  " + n).orElse(kind));
    }
  }

  private final class PartCell extends ListCell<Part> {
    @Override
    protected void updateItem(Part part, boolean empty) {
      super.updateItem(part, empty);
      if (empty || part == null) {
        setGraphic(null);
        setText(null);
        return;
      }
      var name = new Label(part.name());
      name.setMinWidth(0);
      var currency = session.project().brief().policies().currency();
      var pieces = session.project().records().owned(part.id());
      var price =
          new Label(
              (pieces > 0 ? "%d owned  ".formatted(pieces) : "")
                  + part.price().map(p -> p + " " + currency).orElse("–"));
      price.getStyleClass().add("faint");
      price.setMinWidth(Region.USE_PREF_SIZE);
      var space = new Region();
      HBox.setHgrow(space, Priority.ALWAYS);
      var row = new ArrayList<Node>(List.of(name, space, price));
      var box = new HBox(8);
      box.getChildren().setAll(row);
      box.setMaxWidth(Double.MAX_VALUE);
      box.prefWidthProperty().bind(parts.widthProperty().subtract(34));
      setGraphic(box);
      setAccessibleText(part.name() + ", " + price.getText());
    }
  }
}
