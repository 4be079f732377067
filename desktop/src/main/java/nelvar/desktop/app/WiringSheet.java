package nelvar.desktop.app;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Terminal;
import nelvar.core.compose.WireText;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Reading;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.WiringCard;

/// The terminals of a device beside those of others: press on one, release on another, and a wire
/// is there. By keyboard: arrow keys and Enter twice, or its end in words.
final class WiringSheet extends StackPane {
  private static final int MOST_ASKED = 6;

  private final Session session;
  private final Id device;
  private final Theme theme;
  private final TextField other = new TextField();
  private final Label said = new Label();
  private final DrawingPane pane =
      new DrawingPane("Terminals. Arrow keys walk, Enter on two of them lays a wire.", false);
  private Map<Id, TerminalRef> terminals = Map.of();
  private Optional<TerminalRef> begun = Optional.empty();

  WiringSheet(Session session, Device device, Theme theme, Runnable done) {
    this.session = session;
    this.device = device.id();
    this.theme = theme;
    getStyleClass().add("overlay");
    setId("wiring");
    var title = new Label("Wire " + device.designation());
    title.getStyleClass().add("title");
    var how =
        new Label(
            "Press on a terminal and release on another. Section, colour, number, length and duct are proposed; all can be changed after.");
    how.getStyleClass().addAll("soft", "wrapping");
    other.setId("wiring-other");
    other.setPromptText("Show a device: X31, relay …   or lay a wire: + to X31");
    other.setAccessibleText("A device to show beside it, or a wire in words");
    other.setPrefColumnCount(34);
    other.textProperty().addListener(_ -> draw());
    other.setOnAction(_ -> inWords());
    said.setId("wiring-said");
    said.getStyleClass().add("wrapping");
    said.setMinHeight(Region.USE_PREF_SIZE);
    var close = new Button("Done");
    close.setId("wiring-done");
    close.setOnAction(_ -> done.run());
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    var head = new HBox(12, title, space, other, close);
    head.setAlignment(Pos.CENTER_LEFT);
    pane.setId("wiring-card");
    pane.onSelect(_ -> {});
    pane.onOpen(this::chosen);
    pane.onDrag(new Reaching());
    var scroll = new ScrollPane(pane);
    scroll.getStyleClass().add("plain-scroll");
    var card = new BorderPane(scroll);
    card.setTop(new VBox(6, head, how, said));
    BorderPane.setMargin(scroll, new Insets(10, 0, 0, 0));
    card.getStyleClass().add("card");
    card.setMaxSize(1120, 700);
    setMargin(card, new Insets(30));
    getChildren().add(card);
    session.review().addListener(changed);
    draw();
  }

  private final javafx.beans.value.ChangeListener<Object> changed = (_, _, _) -> draw();

  /// Listens no more.
  void leave() {
    session.review().removeListener(changed);
  }

  void focus() {
    other.requestFocus();
  }

  private Study study() {
    return session.whole().study();
  }

  private void draw() {
    if (study().device(device).isEmpty()) return;
    var card = WiringCard.of(study(), device, asked(), begun);
    terminals = card.terminals();
    pane.show(card.drawing(), theme);
  }

  /// Devices whose names the field begins or holds; with nothing typed, bars with a free way that a
  /// free terminal of this device goes with.
  private List<Id> asked() {
    var words = other.getText().strip().toLowerCase(java.util.Locale.ROOT);
    if (words.contains(" to ") || words.contains(":")) words = "";
    var found = new ArrayList<Device>();
    for (var one : study().project().devices()) {
      if (one.id().equals(device)) continue;
      if (words.isEmpty() ? suits(one) : matches(one, words)) found.add(one);
    }
    found.sort(Comparator.comparing(Device::designation));
    if (!words.isEmpty()) {
      var exact = words;
      found.sort(Comparator.comparing(one -> !bare(one).equals(exact.replaceFirst("^-", ""))));
    }
    return found.stream().limit(MOST_ASKED).map(Device::id).toList();
  }

  private static String bare(Device one) {
    return one.designation().text().toLowerCase(java.util.Locale.ROOT).replaceFirst("^-", "");
  }

  private static boolean matches(Device one, String words) {
    return bare(one).startsWith(words.replaceFirst("^-", ""))
        || one.purpose().toLowerCase(java.util.Locale.ROOT).contains(words);
  }

  private boolean suits(Device one) {
    return study().part(one).orElse(null) instanceof DistributionBlock block
        && roles().contains(block.role());
  }

  private List<Terminal.Role> roles() {
    return study().device(device).flatMap(study()::part).stream()
        .flatMap(part -> part.terminals().stream())
        .filter(t -> !study().network().topology().wired(new TerminalRef(device, t.name())))
        .map(Terminal::role)
        .distinct()
        .toList();
  }

  private void chosen(Id spot) {
    var end = terminals.get(spot);
    if (end == null) return;
    if (begun.isEmpty()) {
      begun = Optional.of(end);
      said.setText("From %s:%s to …".formatted(study().label(end.device()), end.terminal()));
      draw();
      return;
    }
    var from = begun.get();
    begun = Optional.empty();
    lay(from, end);
  }

  private void lay(TerminalRef from, TerminalRef to) {
    if (from.equals(to)) {
      said.setText("");
      draw();
      return;
    }
    session.composing().wire(from, to, said::setText);
    draw();
  }

  private void inWords() {
    var text = other.getText().strip();
    if (text.isEmpty()) return;
    var whole = WireText.looksLikeOne(text) ? text : "";
    if (whole.isEmpty()) {
      pane.requestFocus();
      return;
    }
    // A terminal alone at the begin is one of this device.
    var mine = study().device(device).orElseThrow().designation() + ":" + whole;
    var read = WireText.read(whole.matches("[^:]+\\s+to\\s.*") ? mine : whole, study());
    switch (read) {
      case Reading.Misread<WireText.Ends>(var why) -> said.setText(why);
      case Reading.Value<WireText.Ends>(var ends) -> {
        other.clear();
        lay(ends.from(), ends.to());
      }
    }
  }

  private final class Reaching implements DrawingPane.Dragging {
    @Override
    public boolean takes(Drawing.Spot from) {
      return terminals.containsKey(from.about());
    }

    @Override
    public Drawing over(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
      return WiringCard.reaching(from, x, y, pane.drawing());
    }

    @Override
    public void drop(Drawing.Spot from, double x, double y, Optional<Drawing.Spot> onto) {
      var a = terminals.get(from.about());
      var b = onto.map(spot -> terminals.get(spot.about()));
      if (a != null && b.isPresent()) lay(a, b.get());
    }
  }
}
