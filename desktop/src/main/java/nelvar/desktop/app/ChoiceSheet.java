package nelvar.desktop.app;

import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.SimpleStringProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.choice.Goal;
import nelvar.core.analysis.choice.Proposal;
import nelvar.core.model.edit.Edit;

/// What choosing would change, with its reasons, before it is taken; Enter takes it, Escape leaves
/// everything as it is.
final class ChoiceSheet extends StackPane {
  private final Button take = new Button("Take it");

  /// @param currency of the project
  ChoiceSheet(
      Proposal proposal, String goal, String currency, Consumer<Edit> taken, Runnable done) {
    getStyleClass().add("overlay");
    setId("choice");
    var title = new Label("Choose for me: " + goal);
    title.getStyleClass().add("title");
    var sums =
        new Label(
            "%d of the devices and wires change. Devices and copper %s → %s %s; different ones %d → %d."
                    .formatted(
                        proposal.changes().size(),
                        money(proposal.costBefore()),
                        money(proposal.costAfter()),
                        currency,
                        proposal.kindsBefore(),
                        proposal.kindsAfter())
                + (proposal.costAfter() > proposal.costBefore()
                        && goal.equals(Goal.LEAST_COST.words())
                    ? " More than now, as some of what stands there is too small."
                    : ""));
    sums.setId("choice-sums");
    sums.getStyleClass().add("wrapping");
    var left =
        new Label(
            proposal.left().isEmpty()
                ? ""
                : "Left alone: " + String.join("; ", proposal.left()) + ".");
    left.getStyleClass().addAll("soft", "wrapping");
    left.setManaged(!proposal.left().isEmpty());
    var judged =
        new Label(
            "Checked while choosing: load, device against wire, inrush, least section, drop, heat of a short circuit. Disconnection and breaking capacity are judged after it is taken.");
    judged.getStyleClass().addAll("soft", "wrapping");
    var table = new TableView<Proposal.Change>();
    table.setId("choice-table");
    table.getItems().setAll(proposal.changes());
    table.getColumns().add(column("Thing", 90, Proposal.Change::name));
    table.getColumns().add(column("Now", 210, change -> change.from()));
    table.getColumns().add(column("Proposed", 210, change -> change.to()));
    table.getColumns().add(column("Why", 420, change -> change.why()));
    table.setPlaceholder(new Label("Everything is chosen so already."));
    take.getStyleClass().add("primary");
    take.setId("choice-take");
    take.setDefaultButton(true);
    take.setDisable(proposal.changesNothing());
    take.setOnAction(_ -> {
      done.run();
      taken.accept(proposal.edit());
    });
    var leave = new Button("Leave it");
    leave.setId("choice-leave");
    leave.setOnAction(_ -> done.run());
    var foot = new HBox(10, take, leave);
    foot.setAlignment(Pos.CENTER_LEFT);
    foot.setPadding(new Insets(10, 0, 0, 0));
    var head = new VBox(6, title, sums, left, judged);
    head.setPadding(new Insets(0, 0, 10, 0));
    for (var label : head.getChildren()) ((Region) label).setMinHeight(Region.USE_PREF_SIZE);
    var card = new BorderPane(table);
    card.setTop(head);
    card.setBottom(foot);
    card.getStyleClass().add("card");
    card.setMaxSize(1000, 620);
    setMargin(card, new Insets(40));
    getChildren().add(card);
  }

  void focus() {
    take.requestFocus();
  }

  private static String money(double amount) {
    return String.format(Locale.ROOT, "%.2f", amount);
  }

  private static TableColumn<Proposal.Change, String> column(
      String name, double width, Function<Proposal.Change, String> value) {
    var column = new TableColumn<Proposal.Change, String>(name);
    column.setPrefWidth(width);
    column.setCellValueFactory(cell -> new SimpleStringProperty(value.apply(cell.getValue())));
    return column;
  }
}
