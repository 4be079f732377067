package nelvar.desktop.stage.parts;

import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.compose.Chains;
import nelvar.core.compose.need.Need;
import nelvar.core.compose.need.NeedReader;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.FunctionsText;
import nelvar.core.model.Id;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.units.Reading;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;

/// What the machine must do, a row each with its chain from feed to work. A field takes what one
/// would say, shows what it understood, and Enter adds it.
public final class PartsStage implements Stage {
  private static final PseudoClass WRONG = PseudoClass.getPseudoClass("wrong");
  private static final String PROMPT = "What must it do?  4 valves 24 V on the gantry";

  private final BorderPane view = new BorderPane();
  private final DrawingPane rows =
      new DrawingPane("What the machine must do. Arrow keys walk, Enter selects.", false);
  private final DrawingPane headings = new DrawingPane("Headings", false);
  private final ScrollPane scroll = new ScrollPane(rows);
  private final Label summary = new Label();
  private final Label understood = new Label();
  private final TextField wish = new TextField();
  private final Button draw = new Button("Draw up the machine");
  private final HBox under = new HBox();
  private final VBox beginning = new VBox();
  private Optional<Session> session = Optional.empty();
  private Optional<Review> review = Optional.empty();
  private Optional<PartsModel> shown = Optional.empty();
  private List<Chains.Row> chains = List.of();
  private Optional<Review> chained = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private Theme shownIn = Theme.LIGHT;

  public PartsStage() {
    view.getStyleClass().add("stage");
    wish.setPromptText(PROMPT);
    wish.setAccessibleText("What the machine must do, as you would say it; Enter adds it");
    wish.setId("wish");
    wish.setPrefColumnCount(30);
    wish.setMinWidth(240);
    wish.textProperty().addListener((_, _, text) -> read(text));
    wish.setOnAction(_ -> add());
    draw.setId("draw-up");
    draw.getStyleClass().add("primary");
    draw.setMinWidth(Region.USE_PREF_SIZE);
    draw.setOnAction(_ -> {
      wish.requestFocus();
      session.ifPresent(s -> s.composing().draft());
    });
    var head = new StageHead("Parts", summary, wish);
    understood.setId("understood");
    understood.getStyleClass().addAll("soft", "wrapping");
    understood.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(understood, Priority.ALWAYS);
    under.getChildren().addAll(understood, draw);
    under.setAlignment(Pos.CENTER_LEFT);
    under.setSpacing(12);
    under.setPadding(new Insets(0, 18, 6, 18));
    headings.setFocusTraversable(false);
    headings.setMouseTransparent(true);
    view.setTop(new VBox(head, under, headings));
    rows.setId("functions");
    rows.onSelect(id -> session.ifPresent(s -> s.selection().set(Optional.of(id))));
    rows.setOnKeyPressed(this::clip);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    view.setCenter(scroll);
    scroll.viewportBoundsProperty().addListener(_ -> draw());
    draw.setVisible(false);
    draw.setManaged(false);
    begin();
    read("");
  }

  /// Copies the selected function, or pastes what was copied here or in another project.
  private void clip(KeyEvent e) {
    if (!e.isShortcutDown() || session.isEmpty()) return;
    var s = session.get();
    if (e.getCode() == KeyCode.C) {
      var function = s.selection().get().flatMap(id -> s.project().plan().function(id));
      if (function.isEmpty()) return;
      var content = new ClipboardContent();
      content.putString(FunctionsText.of(List.of(function.get())));
      Clipboard.getSystemClipboard().setContent(content);
      s.tell(
          "%s copied. Ctrl+V adds one like it, here or in another project."
              .formatted(function.get().designation()));
      e.consume();
    }
    if (e.getCode() == KeyCode.V && !e.isShiftDown()) {
      var text = Clipboard.getSystemClipboard().getString();
      if (text != null) s.composing().paste(text);
      e.consume();
    }
  }

  /// An empty machine: the one thing to do first, and lists to begin with.
  private void begin() {
    var first =
        new Label(
            "Say what the machine must do, one thing after the other: three axes, a spindle, a pump, five sensors, a stop. Press Enter after each. Nelvar then draws up what feeds, switches and reads it.");
    first.getStyleClass().addAll("wrapping");
    first.setMaxWidth(520);
    var or = new Label("Or begin with a list, and change it:");
    or.getStyleClass().add("soft");
    var lists = new FlowPane(8, 8);
    for (var name : ShippedLists.NAMES) {
      var button = new Button(name.replace('-', ' '));
      button.setId("list-" + name);
      button.setOnAction(_ -> {
        // The buttons go; without it the focus would leap to the first field of the window.
        wish.requestFocus();
        session.ifPresent(s -> s.composing().begin(name));
      });
      lists.getChildren().add(button);
    }
    lists.setMaxWidth(560);
    beginning.getChildren().addAll(first, or, lists);
    beginning.setSpacing(14);
    beginning.setAlignment(Pos.CENTER_LEFT);
    beginning.setMaxWidth(580);
    beginning.setMaxHeight(Region.USE_PREF_SIZE);
  }

  @Override
  public String name() {
    return "Parts";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return wish;
  }

  public DrawingPane rows() {
    return rows;
  }

  public TextField wish() {
    return wish;
  }

  private void read(String text) {
    var wrong =
        !text.isBlank()
            && switch (NeedReader.read(text)) {
              case Reading.Misread<Need> _ -> true;
              case Reading.Value<Need>(var need) -> !need.unread().isEmpty();
            };
    wish.pseudoClassStateChanged(WRONG, wrong);
    understood.setText(text.isBlank() ? "" : PartsModel.understood(text));
    folded();
  }

  /// The line below the field is there when it has something to say.
  private void folded() {
    var wanted = draw.isManaged() || !understood.getText().isEmpty();
    under.setVisible(wanted);
    under.setManaged(wanted);
  }

  /// Only what was understood whole is added; what was typed stays until then.
  private void add() {
    if (session.isEmpty()) return;
    if (wish.getText().isBlank()) {
      takeFirst(session.get());
      return;
    }
    switch (NeedReader.read(wish.getText())) {
      case Reading.Misread<Need>(var why) -> session.get().tell(why);
      case Reading.Value<Need>(var need) -> {
        if (!need.unread().isEmpty())
          session.get().tell("Not understood: " + String.join(", ", need.unread()));
        else if (session.get().composing().add(need)) wish.clear();
      }
    }
  }

  /// Enter in the empty field takes the best way for the function that is selected.
  private static void takeFirst(Session session) {
    var project = session.project();
    session
        .selection()
        .get()
        .flatMap(id -> project.plan().function(id))
        .filter(function -> FunctionEdits.served(project, function.id()).isEmpty())
        .flatMap(function -> session.composing().ways(function.id()))
        .flatMap(found -> found.ways().stream().findFirst())
        .ifPresent(session.composing()::take);
  }

  @Override
  public void show(Session next, Review newest, Theme look) {
    if (session.filter(before -> before == next).isEmpty()) scroll.setVvalue(0);
    session = Optional.of(next);
    review = Optional.of(newest);
    theme = look;
    draw();
  }

  private void draw() {
    if (session.isEmpty() || review.isEmpty()) return;
    var now = review.get();
    if (chained.filter(known -> known == now).isEmpty()) {
      chains = Chains.of(now, session.get().whole());
      chained = review;
    }
    var selected = session.get().selection().get();
    var model =
        PartsModel.of(
            chains,
            now,
            scroll.getViewportBounds().getWidth(),
            selected,
            session.get().composing().drawable());
    if (shown.filter(model::equals).isEmpty() || shownIn != theme) {
      summary.setText(model.summary());
      draw.setVisible(model.drawable());
      draw.setManaged(model.drawable());
      folded();
      view.setCenter(model.empty() && now.project().conductors().isEmpty() ? beginning : scroll);
      headings.show(model.headings(), theme);
      headings.setVisible(view.getCenter() == scroll);
      headings.setManaged(view.getCenter() == scroll);
      rows.show(model.drawing(), theme);
    }
    shown = Optional.of(model);
    shownIn = theme;
    rows.focusOn(selected);
    if (!selected.equals(revealed)) selected.ifPresent(this::reveal);
    revealed = selected;
  }

  private Optional<Id> revealed = Optional.empty();

  /// Scrolls so that the row of a thing is in view.
  private void reveal(Id about) {
    var spot = rows.drawing().spot(about);
    var free = rows.drawing().height() - scroll.getViewportBounds().getHeight();
    if (spot.isEmpty() || free <= 0) return;
    var top = scroll.getVvalue() * free;
    var height = scroll.getViewportBounds().getHeight();
    if (spot.get().y() >= top && spot.get().y() + spot.get().height() <= top + height) return;
    scroll.setVvalue(
        Math.clamp((spot.get().y() + spot.get().height() / 2 - height / 2) / free, 0, 1));
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return false;
  }

  @Override
  public int unfinished(Review of) {
    return PartsModel.unfinished(
        chained.filter(known -> known == of).isPresent() ? chains : Chains.of(of));
  }
}
