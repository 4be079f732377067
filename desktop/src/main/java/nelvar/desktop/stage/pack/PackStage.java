package nelvar.desktop.stage.pack;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressIndicator;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.review.Review;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Latest;
import nelvar.desktop.session.Session;
import nelvar.desktop.session.Trouble;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.content.Pack;
import nelvar.documents.content.Paper;
import nelvar.documents.drawing.Drawing;

/// The pages themselves, as they will be printed, with their contents beside them.
public final class PackStage implements Stage {
  private static final double SCALE = 2.75;

  private final BorderPane view = new BorderPane();
  private final ListView<Drawing> pages = new ListView<>();
  private final ListView<Paper.Entry> contents = new ListView<>();
  private final Label count = new Label();
  private final CheckBox byFunction = new CheckBox("Lists by function");
  private final CheckBox annex = new CheckBox("Annex: every working");
  private final CheckBox wide = new CheckBox("Circuits on A3");
  private final ProgressIndicator busy = new ProgressIndicator();
  private final Latest<Pages> setting;
  private Optional<Shown> shown = Optional.empty();
  private Optional<Review> set = Optional.empty();
  private Optional<Review> wanted = Optional.empty();
  private Optional<Review> awaited = Optional.empty();
  private Optional<Session> heard = Optional.empty();

  /// @param worker sets the pages; @param write what the button does
  public PackStage(Executor worker, Runnable write) {
    this.setting = new Latest<>(worker, Platform::runLater);
    view.getStyleClass().add("stage");
    count.setId("pack-count");
    busy.setMaxSize(18, 18);
    busy.setVisible(false);
    var button = new Button("Write the pack…");
    button.getStyleClass().add("primary");
    button.setId("write-pack");
    button.setOnAction(_ -> write.run());
    byFunction.setId("pack-by-function");
    annex.setId("pack-annex");
    wide.setId("pack-a3");
    for (var option : List.of(byFunction, annex, wide)) option.setOnAction(_ -> setAgain());
    var head = new StageHead("Pack", count, busy, byFunction, annex, wide, button);
    view.setTop(head);
    pages.setCellFactory(_ -> new Sheet());
    pages.setAccessibleText("Pages");
    pages.setId("pack-pages");
    pages.setPlaceholder(new Label("The pages are being set…"));
    contents.setPrefWidth(216);
    contents.setAccessibleText("Contents");
    contents.setId("pack-contents");
    contents.setCellFactory(_ ->
        new ListCell<>() {
          {
            // As wide as the list: what is longer ends in an ellipsis.
            setPrefWidth(0);
          }

          @Override
          protected void updateItem(Paper.Entry entry, boolean empty) {
            super.updateItem(entry, empty);
            setText(
                empty || entry == null ? null : "   ".repeat(entry.level() - 1) + entry.title());
          }
        });
    contents
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, entry) -> {
          if (entry != null) pages.scrollTo(entry.page());
        });
    view.setLeft(contents);
    view.setCenter(pages);
  }

  private record Shown(Session session, Review review) {}

  private void setAgain() {
    set = Optional.empty();
    wanted = Optional.empty();
    shown.ifPresent(again -> show(again.session(), again.review(), Theme.LIGHT));
  }

  /// How the papers are to be.
  public Pack.Options options(Session session) {
    return new Pack.Options(
        session.horizon().get().says(session.project()),
        byFunction.isSelected(),
        annex.isSelected(),
        wide.isSelected() ? SheetFormat.A3 : SheetFormat.A4);
  }

  /// A page, always on white paper whatever the theme.
  private static final class Sheet extends ListCell<Drawing> {
    @Override
    protected void updateItem(Drawing page, boolean empty) {
      super.updateItem(page, empty);
      if (empty || page == null) {
        setGraphic(null);
        return;
      }
      var canvas = new Canvas(page.width() * SCALE, page.height() * SCALE);
      var g = canvas.getGraphicsContext2D();
      g.setFill(javafx.scene.paint.Color.WHITE);
      g.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
      g.scale(SCALE, SCALE);
      for (var shape : page.shapes()) DrawingPane.paint(g, shape, Theme.LIGHT);
      var frame = new StackPane(canvas);
      frame.setStyle("-fx-padding: 6 0 10 0;");
      setGraphic(frame);
    }
  }

  @Override
  public String name() {
    return "Pack";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return contents;
  }

  @Override
  public void show(Session session, Review review, Theme theme) {
    shown = Optional.of(new Shown(session, review));
    if (set.filter(r -> r == review).isPresent() || wanted.filter(r -> r == review).isPresent())
      return;
    wanted = Optional.of(review);
    busy.setVisible(true);
    listen(session);
    awaited = Optional.empty();
    if (session.waysTried()) {
      set(session, review, this::finished);
      return;
    }
    // Pages come at once, with the ways out tried so far; trying the rest takes many times as long.
    set(
        session,
        review,
        () -> {
          count.setText(count.getText() + ", ways out are still tried");
          awaited = Optional.of(review);
          allTried();
        });
  }

  private void listen(Session session) {
    if (heard.filter(s -> s == session).isPresent()) return;
    heard = Optional.of(session);
    session.ways().addListener((_, _, _) -> allTried());
  }

  /// The pages once more, as soon as the session has tried all ways out of what they show.
  private void allTried() {
    shown
        .filter(now -> now.session().waysTried())
        .filter(now -> awaited.filter(review -> review == now.review()).isPresent())
        .ifPresent(now -> {
          awaited = Optional.empty();
          set(now.session(), now.review(), this::finished);
        });
  }

  private void finished() {
    set = wanted;
    busy.setVisible(false);
  }

  private void set(Session session, Review review, Runnable then) {
    var options = options(session);
    var ways = session.ways().get();
    setting.ask(
        _ -> new Pages(Pack.paper(review.with(ways), options), review.project().revision()),
        made -> {
          pages.getItems().setAll(made.paper().pages());
          contents
              .getItems()
              .setAll(
                  made.paper().contents().stream().filter(entry -> entry.level() <= 2).toList());
          count.setText(
              "%d pages, revision %s".formatted(made.paper().pages().size(), made.revision()));
          then.run();
        },
        // Seen and said; the next look at the stage tries again, and nothing old passes for new.
        broken -> {
          wanted = Optional.empty();
          set = Optional.empty();
          busy.setVisible(false);
          pages.getItems().clear();
          contents.getItems().clear();
          count.setText("The pages could not be set: " + Trouble.of(broken));
        });
  }

  private record Pages(Paper paper, String revision) {}

  /// Turns to a chapter by its title, where there is one.
  public void turnTo(String chapter) {
    contents.getItems().stream()
        .filter(entry -> entry.title().equals(chapter))
        .findFirst()
        .ifPresent(entry -> contents.getSelectionModel().select(entry));
  }

  /// Whether the pages shown are those of the newest review.
  public boolean settled() {
    return !busy.isVisible();
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return false;
  }
}
