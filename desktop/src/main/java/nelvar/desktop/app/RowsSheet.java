package nelvar.desktop.app;

import java.util.Optional;
import java.util.function.Function;
import javafx.beans.property.SimpleStringProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.exchange.MachineRows;
import nelvar.core.file.CatalogueFile;
import nelvar.core.units.Reading;
import nelvar.desktop.session.Session;

/// Rows copied from a spreadsheet: what each says or why it cannot be read, before any is taken.
final class RowsSheet extends StackPane {
  private static final String EMPTY =
      "Copy rows with their headings from a spreadsheet and paste them here: from and to for wires, designation and part for devices.";

  private final Session session;
  private final TextArea text = new TextArea();
  private final Label summary = new Label(EMPTY);
  private final TableView<MachineRows.Row> table = new TableView<>();
  private final Button take = new Button("Take them");
  private Optional<MachineRows.Preview> preview = Optional.empty();

  RowsSheet(Session session, Runnable done) {
    this.session = session;
    getStyleClass().add("overlay");
    setId("rows");
    var title = new Label("Rows from a spreadsheet");
    title.getStyleClass().add("title");
    summary.getStyleClass().add("wrapping");
    summary.setId("rows-summary");
    summary.setMinHeight(Region.USE_PREF_SIZE);
    text.setId("rows-text");
    text.setAccessibleText("The rows, with their headings");
    text.setPromptText("From\tTo\tSection\n-T1:+\t-X31:13\t1 mm²");
    text.setPrefRowCount(6);
    text.getStyleClass().add("mono");
    text.textProperty().addListener(_ -> read());
    table.setId("rows-table");
    table.setAccessibleText("What the rows say");
    table.getColumns().add(column("Line", 60, row -> String.valueOf(row.line())));
    table.getColumns().add(column("Reads", 330, MachineRows.Row::says));
    table.getColumns().add(column("Cannot be read", 590, row -> row.problem().orElse("")));
    table.setPlaceholder(new Label("Nothing to look through yet."));
    take.setId("rows-take");
    take.getStyleClass().add("primary");
    take.setDisable(true);
    take.setOnAction(_ ->
        preview
            .flatMap(MachineRows.Preview::edit)
            .ifPresent(edit -> {
              take.setDisable(true);
              session
                  .composing()
                  .rows(
                      edit,
                      taken -> {
                        if (taken) done.run();
                        else read();
                      });
            }));
    var leave = new Button("Leave it");
    leave.setId("rows-leave");
    leave.setOnAction(_ -> done.run());
    var foot = new HBox(10, take, leave);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    var card = new BorderPane(table);
    card.setTop(new VBox(8, title, summary, text));
    BorderPane.setMargin(table, new Insets(10, 0, 0, 0));
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxSize(1020, 660);
    setMargin(card, new Insets(40));
    getChildren().add(card);
    // What was copied stands there already where it is a table.
    Optional.ofNullable(Clipboard.getSystemClipboard().getString())
        .filter(copied -> copied.contains("\n") && copied.length() < LONGEST)
        .ifPresent(text::setText);
  }

  private static final int LONGEST = 1 << 20;

  void focus() {
    if (take.isDisabled()) text.requestFocus();
    else take.requestFocus();
  }

  private void read() {
    preview = Optional.empty();
    table.getItems().clear();
    if (text.getText().isBlank()) {
      summary.setText(EMPTY);
    } else {
      switch (MachineRows.preview(
          text.getText(), session.whole().study(), CatalogueFile.standard())) {
        case Reading.Misread<MachineRows.Preview>(var why) -> summary.setText(why);
        case Reading.Value<MachineRows.Preview>(var read) -> {
          preview = Optional.of(read);
          // What is wrong stands first.
          table.getItems().setAll(read.wrong());
          read.rows().stream()
              .filter(row -> row.problem().isEmpty())
              .forEach(table.getItems()::add);
          summary.setText(words(read));
        }
      }
    }
    take.setDisable(preview.flatMap(MachineRows.Preview::edit).isEmpty());
    take.setText(
        preview
            .filter(read -> read.edit().isPresent())
            .map(read -> "Take %d %s".formatted(read.rows().size(), read.what()))
            .orElse("Take them"));
  }

  private static String words(MachineRows.Preview read) {
    var ignored =
        read.ignored().isEmpty()
            ? ""
            : " Columns not used: %s.".formatted(String.join(", ", read.ignored()));
    return read.wrong().isEmpty()
        ? "%d %s; what they do not say is proposed, or stays.%s"
            .formatted(read.rows().size(), read.what(), ignored)
        : "%d of %d %s cannot be read: put them right here, then take all at once.%s"
            .formatted(read.wrong().size(), read.rows().size(), read.what(), ignored);
  }

  private static TableColumn<MachineRows.Row, String> column(
      String name, double width, Function<MachineRows.Row, String> value) {
    var column = new TableColumn<MachineRows.Row, String>(name);
    column.setPrefWidth(width);
    column.setCellValueFactory(cell -> new SimpleStringProperty(value.apply(cell.getValue())));
    return column;
  }
}
