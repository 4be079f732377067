package nelvar.desktop.control;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import nelvar.core.catalogue.Part;
import nelvar.core.compose.need.PartSearch;
import nelvar.desktop.session.Session;

/// Adding to the machine a device from the catalogue, and taking things away again.
final class Additions {
  private static final int MOST = 60;

  private Additions() {}

  /// Finds a part by words and adds a device that is one; Enter adds the first.
  ///
  /// @param browse shows the whole catalogue
  static List<Node> device(Session session, Runnable browse) {
    var words = new TextField();
    words.setPromptText("Part: 24 V supply, breaker C 6, valve …");
    words.setAccessibleText("Find a part to add");
    words.setId("add-device");
    var hits = new ListView<Part>();
    hits.setAccessibleText("Parts found");
    hits.setId("add-device-hits");
    hits.setPrefHeight(132);
    hits.setFixedCellSize(26);
    hits.setCellFactory(_ ->
        new ListCell<>() {
          @Override
          protected void updateItem(Part part, boolean empty) {
            super.updateItem(part, empty);
            setText(empty || part == null ? null : part.name());
          }
        });
    // The list unfolds when it is wanted: it costs time to build and would crowd out the findings.
    hits.setVisible(false);
    hits.setManaged(false);
    words
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) return;
          hits.setVisible(true);
          hits.setManaged(true);
        });
    Runnable search = () -> hits.getItems().setAll(matching(words.getText(), session));
    words.textProperty().addListener(_ -> search.run());
    search.run();
    Runnable add =
        () -> {
          var part =
              hits.getSelectionModel().getSelectedItem() != null
                  ? hits.getSelectionModel().getSelectedItem()
                  : hits.getItems().isEmpty() ? null : hits.getItems().getFirst();
          if (part != null) NewDevice.add(part, session);
        };
    words.setOnAction(_ -> add.run());
    hits.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) add.run();
    });
    hits.setOnMouseClicked(e -> {
      if (e.getClickCount() > 1) add.run();
    });
    var button = new Button("Add this device");
    button.setId("add-device-button");
    button.setOnAction(_ -> add.run());
    var all = new Button("Browse the catalogue…");
    all.setId("browse-catalogue");
    all.setOnAction(_ -> browse.run());
    var buttons = new FlowPane(8, 6, button, all);
    return List.of(words, hits, buttons);
  }

  private static List<Part> matching(String words, Session session) {
    return PartSearch.find(session.catalogue(), words).stream().limit(MOST).toList();
  }

  static Node remove(String what, Runnable take) {
    var button = new Button("Remove " + what);
    button.setId("remove");
    button.setOnAction(_ -> take.run());
    return button;
  }
}
