package nelvar.desktop.stage.panel;

import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Together;
import nelvar.core.analysis.space.Together.Line;
import nelvar.core.model.Cabinet;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.desktop.session.Session;

/// Several parts that are marked: brought into line with the first, spread, and, of two, how far
/// they are apart.
final class GroupCard {
  private final List<Body> bodies;
  private final Cabinet cabinet;
  private final Study study;
  private final Session session;
  private final Runnable forget;

  GroupCard(List<Body> bodies, Cabinet cabinet, Study study, Session session, Runnable forget) {
    this.bodies = bodies;
    this.cabinet = cabinet;
    this.study = study;
    this.session = session;
    this.forget = forget;
  }

  Node node() {
    var title =
        new Label(
            bodies.stream().map(Body::name).collect(Collectors.joining(", "))
                + " together; "
                + bodies.getFirst().name()
                + " stays");
    title.getStyleClass().add("title-small");
    title.setMinWidth(0);
    var pane = new FlowPane(6, 6);
    pane.setPrefWrapLength(760);
    pane.getChildren()
        .addAll(
            line("Upper edges in line", Line.TOPS),
            line("Middles in line", Line.MIDDLES),
            line("Lower edges in line", Line.BOTTOMS),
            line("Left edges in line", Line.LEFTS),
            line("Centres in line", Line.CENTRES),
            line("Right edges in line", Line.RIGHTS));
    if (bodies.size() > 2)
      pane.getChildren()
          .addAll(
              Buttons.of("Equal gaps across", "together-across", () -> spread(false)),
              Buttons.of("Equal gaps down", "together-down", () -> spread(true)));
    pane.getChildren().add(Buttons.of("Forget the marks", "together-forget", forget));
    var box = new VBox(6, title, pane);
    if (bodies.size() == 2) {
      var apart =
          new Label(Together.between(bodies.getFirst(), bodies.getLast(), cabinet, study).words());
      apart.setId("together-apart");
      box.getChildren().add(1, apart);
    }
    return box;
  }

  private Button line(String text, Line line) {
    return Buttons.of(
        text,
        "together-" + line.name().toLowerCase(java.util.Locale.ROOT),
        () -> move("Bring %s into line", Together.aligned(bodies, line)));
  }

  private void spread(boolean down) {
    move("Equal gaps between %s", Together.distributed(bodies, down));
  }

  private void move(String label, List<Body> next) {
    session.edit(
        LayoutEdits.place(
            label.formatted(next.stream().map(Body::name).collect(Collectors.joining(", "))),
            next.stream().map(Body::at).toList()));
  }
}
