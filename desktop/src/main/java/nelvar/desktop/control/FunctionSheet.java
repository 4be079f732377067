package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Region;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;

/// A function in the side sheet: what it must do, and the ways to make it work, best first; once it
/// works, what serves it.
final class FunctionSheet {
  private final Session session;
  private final Theme theme;

  private final Runnable compare;

  /// @param compare shows its ways side by side
  FunctionSheet(Session session, Theme theme, Runnable compare) {
    this.compare = compare;
    this.session = session;
    this.theme = theme;
  }

  List<Node> of(MachineFunction function) {
    var nodes = new ArrayList<Node>();
    nodes.add(wrapped(function.kind().words() + ": " + function.wants().words(), "soft"));
    var served = FunctionEdits.served(session.project(), function.id());
    if (served.isEmpty()) ways(function, nodes);
    else
      for (var device : served) {
        var button = new Button(device.designation() + "  " + device.purpose());
        button.getStyleClass().add("fact");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setOnAction(_ -> session.selection().set(Optional.of(device.id())));
        nodes.add(button);
      }
    nodes.add(section("Its name"));
    var name = new TextField(function.name());
    name.setId("function-name");
    name.setAccessibleText("The name of the function");
    name.setOnAction(_ ->
        session.edit(
            FunctionEdits.rename(function, function.designation(), name.getText().strip())));
    nodes.add(name);
    var remove =
        new Button(
            served.isEmpty()
                ? "Remove " + function.designation()
                : "Remove %s with %d devices".formatted(function.designation(), served.size()));
    remove.setId("remove");
    remove.setOnAction(_ -> {
      if (session.edit(FunctionEdits.remove(function))) session.selection().set(Optional.empty());
    });
    nodes.add(remove);
    return nodes;
  }

  private void ways(MachineFunction function, List<Node> nodes) {
    if (session.composing().drawable()) {
      nodes.add(
          wrapped(
              "Nothing stands yet that this could hang on: name all that the machine must do, then draw it up.",
              ""));
      return;
    }
    nodes.addAll(
        new WayCards(session, theme)
            .of(
                "Ways to make it work, best first",
                session.composing().ways(function.id()),
                compare));
  }

  private static Label section(String text) {
    var label = new Label(text);
    label.getStyleClass().add("section-title");
    return label;
  }

  private static Label wrapped(String text, String style) {
    var label = new Label(text);
    label.getStyleClass().add("wrapping");
    if (!style.isEmpty()) label.getStyleClass().add(style);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }
}
