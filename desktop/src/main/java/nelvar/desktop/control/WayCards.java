package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.compose.Way;
import nelvar.core.compose.Ways;
import nelvar.core.finding.Severity;
import nelvar.core.units.Significant;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;

/// Ways with what each adds, costs, opens and closes, best first, and why others are not offered.
final class WayCards {
  private final Session session;
  private final Theme theme;

  WayCards(Session session, Theme theme) {
    this.session = session;
    this.theme = theme;
  }

  /// @param found empty while they are being tried
  /// @param compare shows them side by side
  List<Node> of(String title, Optional<Ways.Found> found, Runnable compare) {
    var nodes = new ArrayList<Node>();
    nodes.add(Labels.section(title));
    if (found.isEmpty()) {
      nodes.add(Labels.wrapped("Trying the ways on a copy…", "soft"));
      return nodes;
    }
    if (found.get().ways().size() > 1) {
      var beside = new Button("Compare side by side");
      beside.setId("compare-ways");
      beside.setOnAction(_ -> compare.run());
      nodes.add(beside);
    }
    var number = 1;
    for (var way : found.get().ways()) nodes.add(card(way, number++));
    refused(found.get(), nodes);
    return nodes;
  }

  private Node card(Way way, int number) {
    var title = new Label(capital(way.title()));
    title.getStyleClass().addAll("strong", "wrapping");
    var cost = new Label("+ %d %s".formatted(Math.round(way.costs()), currency()));
    cost.getStyleClass().add("strong");
    cost.setMinWidth(Region.USE_PREF_SIZE);
    var head = new BorderPane(title);
    head.setRight(cost);
    BorderPane.setAlignment(title, javafx.geometry.Pos.TOP_LEFT);
    var card = new VBox(head);
    card.getStyleClass().addAll("card", "way");
    for (var line : way.adds()) card.getChildren().add(Labels.wrapped(line, "faint"));
    card.getChildren()
        .add(
            Labels.wrapped(
                "%d wires, %s W more heat inside%s"
                    .formatted(
                        way.wires(),
                        Significant.digits(way.heat()),
                        way.unpriced() == 0
                            ? ""
                            : "; %d without a price, not in the cost".formatted(way.unpriced())),
                "faint"));
    for (var line : way.opened()) card.getChildren().add(marked(line, Severity.WARNING));
    if (way.opened().isEmpty()) {
      var none = new Label("no new finding");
      none.setGraphic(Icon.settled(theme));
      none.getStyleClass().add("faint");
      card.getChildren().add(none);
    }
    for (var line : way.closed()) card.getChildren().add(Labels.wrapped("closes " + line, "faint"));
    var take = new Button("Take it");
    take.getStyleClass().add(number == 1 ? "primary" : "repair");
    take.setId("take-way-" + number);
    take.setAccessibleText("Take it: " + way.title());
    take.setOnAction(_ -> session.composing().take(way));
    var hint = new Label(number == 1 ? "or Enter" : "");
    hint.getStyleClass().add("faint");
    var row = new HBox(10, take, hint);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    card.getChildren().add(row);
    return card;
  }

  private Node marked(String text, Severity severity) {
    var label = Labels.wrapped(text, "faint");
    var row = new HBox(6, Icon.of(severity, theme), label);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }

  private static void refused(Ways.Found found, List<Node> nodes) {
    if (found.refused().isEmpty()) return;
    nodes.add(Labels.section(found.ways().isEmpty() ? "No way was found" : "Not offered"));
    for (var line : found.refused()) nodes.add(Labels.wrapped(line, "faint"));
  }

  private String currency() {
    return session.project().brief().policies().currency();
  }

  private static String capital(String text) {
    return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
  }
}
