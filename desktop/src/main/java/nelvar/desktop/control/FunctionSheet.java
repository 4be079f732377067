package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import nelvar.core.compose.Clearing;
import nelvar.core.compose.Clones;
import nelvar.core.compose.Effects;
import nelvar.core.compose.Reserved;
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
    nodes.add(Labels.wrapped(function.kind().words() + ": " + function.wants().words(), "soft"));
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
    if (!served.isEmpty()) {
      var again = new Button("Another way, another supply…");
      again.setId("another-way");
      again.setAccessibleText("Another way for " + function.designation());
      again.setOnAction(_ -> compare.run());
      nodes.add(again);
    }
    nodes.add(Labels.section("Its name"));
    var name = new TextField(function.name());
    name.setId("function-name");
    name.setAccessibleText("The name of the function");
    name.setOnAction(_ ->
        session.edit(
            FunctionEdits.rename(function, function.designation(), name.getText().strip())));
    nodes.add(name);
    nodes.add(DeviceSettings.stands(function.id(), function.designation().text(), session));
    kept(function, nodes);
    nodes.add(more(function));
    var study = session.whole().study();
    var gone = Clearing.gone(function, study).size();
    var remove =
        new Button(
            gone == 0
                ? "Remove " + function.designation()
                : "Remove %s with %d devices".formatted(function.designation(), gone));
    remove.setId("remove");
    remove.setOnAction(_ -> {
      if (session.edit(Clearing.remove(function, study))) session.selection().set(Optional.empty());
    });
    nodes.add(remove);
    return nodes;
  }

  /// What is kept for it while it is not there.
  private void kept(MachineFunction function, List<Node> nodes) {
    if (session.project().plan().mark(function.id()).isEmpty()) return;
    var kept = Reserved.of(function, session.whole());
    if (!kept.places().isEmpty()) nodes.add(Labels.section("Kept for it"));
    for (var line : kept.places()) nodes.add(Labels.wrapped(line, "soft"));
    var asked = session.review().get();
    var opens =
        asked.project().plan().function(function.id()).isPresent()
            ? List.<String>of()
            : List.copyOf(Effects.between(asked, session.whole()).opened().keySet());
    if (!opens.isEmpty()) nodes.add(Labels.section("Open once all of it is there"));
    for (var line : opens) nodes.add(Labels.wrapped(line, "soft"));
  }

  /// A second one, or ten.
  private Node more(MachineFunction function) {
    var number = new TextField("1");
    number.setId("more-number");
    number.setPrefColumnCount(3);
    number.setAccessibleText("How many more like this one");
    var add = new Button("Add more like it");
    add.setId("more-like-it");
    Runnable run =
        () -> {
          var text = number.getText().strip();
          if (!text.matches("[1-9][0-9]?") || Integer.parseInt(text) > Clones.MOST)
            session.tell(
                "Say how many: a number from 1 to %d, not '%s'.".formatted(Clones.MOST, text));
          else session.composing().more(function, Integer.parseInt(text));
        };
    number.setOnAction(_ -> run.run());
    add.setOnAction(_ -> run.run());
    var row = new javafx.scene.layout.HBox(8, number, add);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }

  private void ways(MachineFunction function, List<Node> nodes) {
    if (session.composing().drawable()) {
      nodes.add(
          Labels.wrapped(
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
}
