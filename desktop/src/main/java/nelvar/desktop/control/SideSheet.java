package nelvar.desktop.control;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.catalogue.Controller;
import nelvar.core.compose.Ways;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Deviation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.Horizon;
import nelvar.core.review.Alike;
import nelvar.core.review.Review;
import nelvar.core.review.Unchecked;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;

/// The selection: what it is, its numbers with their working, its findings with their ways out, its
/// settings. The same order for every kind of thing. With nothing selected: what is open.
public final class SideSheet extends ScrollPane implements FindingCard.Actions {
  private final VBox content = new VBox();

  /// So many alike are folded into one row.
  private static final int FOLDED = 3;

  private final Set<String> opened = new HashSet<>();

  /// Folded findings that were opened, by rule and title.
  private final Set<String> unfolded = new HashSet<>();

  private Optional<Session> session = Optional.empty();
  private Runnable wiring = () -> {};
  private Runnable catalogue = () -> {};
  private Runnable switching = () -> {};
  private Runnable architectures = () -> {};
  private Runnable compare = () -> {};
  private Optional<Id> shown = Optional.empty();
  private Theme theme = Theme.LIGHT;
  private String today = "";

  /// What is done when the selected device is to be wired.
  public void onWire(Runnable action) {
    wiring = action;
  }

  /// What compares the architectures of the control.
  public void onArchitectures(Runnable action) {
    architectures = action;
  }

  /// What shows the ways to have a program switch the selected device.
  public void onSwitching(Runnable action) {
    switching = action;
  }

  /// What shows the catalogue, at the part of what is selected.
  public void onCatalogue(Runnable action) {
    catalogue = action;
  }

  /// What is done when other parts, or ways, are to be compared.
  public void onCompare(Runnable action) {
    compare = action;
  }

  public SideSheet() {
    getStyleClass().add("side-sheet");
    content.getStyleClass().add("side-content");
    setContent(content);
    setFitToWidth(true);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setFocusTraversable(false);
  }

  /// @param date written into accepted deviations
  public void show(Session next, Review review, Theme look, String date) {
    session = Optional.of(next);
    theme = look;
    today = date;
    var selected = next.selection().get();
    if (!selected.equals(shown)) {
      opened.clear();
      setVvalue(0);
    }
    shown = selected;
    var focused = focusedId();
    var hadFocus = holdsFocus();
    content.getChildren().clear();
    var device = selected.flatMap(id -> next.project().device(id));
    var conductor = selected.flatMap(id -> next.project().conductor(id));
    var function = selected.flatMap(id -> next.project().plan().function(id));
    var cable = selected.flatMap(id -> next.project().cable(id));
    // What is not in the machine asked about is shown as it is drawn.
    var about =
        selected
                .filter(id -> Horizon.leavesOut(id, review.project(), next.whole().project()))
                .isPresent()
            ? next.whole()
            : review;
    if (device.isPresent()) device(device.get(), next, about);
    else if (conductor.isPresent()) conductor(conductor.get(), next, about);
    else if (cable.isPresent()) cable(cable.get(), next, about);
    else if (function.isPresent()) function(function.get(), next);
    else overview(next, review);
    var again = focused.map(id -> content.lookup("#" + id));
    if (again.isPresent()) again.get().requestFocus();
    else if (hadFocus) requestFocus();
  }

  private void cable(Cable cable, Session session, Review review) {
    head(
        cable.label().text(),
        review.study().catalogue().find(cable.stock()).map(p -> p.name()).orElse(cable.stock()),
        "cable");
    findings(cable.id(), review);
    content.getChildren().add(Labels.section("Settings"));
    content.getChildren().addAll(CableSettings.of(cable, session, review.study()));
  }

  private void function(nelvar.core.model.MachineFunction function, Session session) {
    head(function.designation().text(), function.name(), "");
    content.getChildren().addAll(new FunctionSheet(session, theme, compare).of(function));
  }

  /// Without it the toolkit would send the keys to whatever comes first in the window.
  private boolean holdsFocus() {
    for (Node at = getScene() == null ? null : getScene().getFocusOwner();
        at != null;
        at = at.getParent()) if (at == content) return true;
    return false;
  }

  private Optional<String> focusedId() {
    return getScene() != null
            && getScene().getFocusOwner() instanceof Node owner
            && owner.getId() != null
            && content.lookup("#" + owner.getId()) == owner
        ? Optional.of(owner.getId())
        : Optional.empty();
  }

  private void overview(Session session, Review review) {
    var title = new Label(review.open().isEmpty() ? "Nothing open" : "Open findings");
    title.getStyleClass().add("subtitle");
    content.getChildren().add(title);
    if (review.open().isEmpty())
      content
          .getChildren()
          .add(
              Labels.wrapped(
                  "Everything this version checks holds, or was accepted with a reason. What it does not check stands on the cover of the pack."));
    content.getChildren().add(rows(review.open(), session, review));
    if (!review.accepted().isEmpty())
      content
          .getChildren()
          .addAll(Labels.section("Accepted"), rows(review.accepted(), session, review));
    if (!review.notChecked().isEmpty())
      content.getChildren().addAll(Labels.section("Not checked"), notChecked(session, review));
    content.getChildren().add(Labels.section("Add to the machine"));
    content.getChildren().addAll(Additions.device(session, catalogue));
    var caution =
        Labels.wrapped(
            "Lock off and prove dead before you touch. Local codes and a licensed electrician decide.");
    caution.getStyleClass().add("caution");
    content.getChildren().add(caution);
  }

  private Node rows(List<Review.Entry> entries, Session session, Review review) {
    var list = new VBox();
    for (var alike : Alike.of(entries)) {
      var folds = alike.size() >= FOLDED;
      if (folds) list.getChildren().add(header(alike, session, review));
      if (folds && !unfolded.contains(key(alike))) continue;
      for (var entry : alike.entries()) list.getChildren().add(row(entry, session, review));
      if (folds && alike.first().open()) list.getChildren().add(forAll(alike, session));
    }
    return list;
  }

  private Button row(Review.Entry entry, Session session, Review review) {
    var finding = entry.finding().orElseThrow();
    return row(
        Optional.of(Icon.of(finding.severity(), theme)),
        finding.severity() + " on ",
        finding.subject(),
        finding.title(),
        session,
        review);
  }

  private static String key(Alike alike) {
    return alike.rule() + " " + alike.title() + " " + alike.first().open();
  }

  /// Alike findings in one row: how many, and what; pressed, each stands below it.
  private Button header(Alike alike, Session session, Review review) {
    var count = new Label(alike.size() + " ×");
    count.getStyleClass().add("mono");
    count.setMinWidth(Region.USE_PREF_SIZE);
    var mark = new HBox(8, Icon.of(alike.severity(), theme), count);
    mark.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    var open = unfolded.contains(key(alike));
    var button =
        folding(
            alike.title() + (open ? "  ▾" : "  ▸"),
            mark,
            "%d times %s, %s".formatted(alike.size(), alike.title(), open ? "shown" : "folded"),
            key(alike),
            session,
            review);
    button.setId("alike-" + alike.rule().replace('.', '-'));
    return button;
  }

  private Button folding(
      String text, Node mark, String said, String key, Session session, Review review) {
    var button = new Button(text, mark);
    button.setGraphicTextGap(8);
    button.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    button.setWrapText(true);
    button.setMinHeight(Region.USE_PREF_SIZE);
    button.getStyleClass().add("fact");
    button.setMaxWidth(Double.MAX_VALUE);
    button.setAccessibleText(said);
    button.setOnAction(_ -> {
      if (!unfolded.add(key)) unfolded.remove(key);
      show(session, review, theme, today);
    });
    return button;
  }

  private static Button forAll(Alike alike, Session session) {
    var button = new Button("One way out for all " + alike.size());
    button.setId("for-all-" + alike.rule().replace('.', '-'));
    button.getStyleClass().add("repair");
    button.setWrapText(true);
    button.setOnAction(_ -> session.takeForAll(alike));
    return button;
  }

  /// What is lacking stands once; at several subjects folded, and pressed, each stands below it.
  private Node notChecked(Session session, Review review) {
    var list = new VBox();
    for (var cause : Unchecked.of(review.notChecked())) {
      var folds = cause.subjects().size() >= FOLDED;
      if (folds) list.getChildren().add(header(cause, session, review));
      if (folds && !unfolded.contains(cause.why())) continue;
      for (var subject : cause.subjects())
        list.getChildren()
            .add(row(Optional.empty(), "not checked on ", subject, cause.why(), session, review));
    }
    return list;
  }

  private Button header(Unchecked cause, Session session, Review review) {
    var count = new Label(cause.subjects().size() + " ×");
    count.getStyleClass().add("mono");
    count.setMinWidth(Region.USE_PREF_SIZE);
    var open = unfolded.contains(cause.why());
    return folding(
        cause.why() + (open ? "  ▾" : "  ▸"),
        count,
        "%d times not checked, %s, %s"
            .formatted(cause.subjects().size(), cause.why(), open ? "shown" : "folded"),
        cause.why(),
        session,
        review);
  }

  private static Button row(
      Optional<Node> icon,
      String said,
      nelvar.core.model.Subject subject,
      String text,
      Session session,
      Review review) {
    var name = new Label(review.study().label(subject));
    name.getStyleClass().add("mono");
    name.setMinWidth(Region.USE_PREF_SIZE);
    var mark = new HBox(8);
    mark.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    icon.ifPresent(mark.getChildren()::add);
    mark.getChildren().add(name);
    var button = new Button(text, mark);
    button.setGraphicTextGap(8);
    button.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    button.setWrapText(true);
    button.setMinHeight(Region.USE_PREF_SIZE);
    button.getStyleClass().add("fact");
    if (icon.isEmpty()) button.getStyleClass().add("soft");
    button.setMaxWidth(Double.MAX_VALUE);
    button.setAccessibleText(said + name.getText() + ": " + text);
    button.setOnAction(_ -> session.selection().set(subject.thing()));
    return button;
  }

  private void head(String designation, String title, String purpose) {
    var mark = new Label(designation);
    mark.getStyleClass().add("designation");
    var back = new Button("All findings");
    back.getStyleClass().add("link");
    back.setOnAction(_ -> session.ifPresent(s -> s.selection().set(Optional.empty())));
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    var name = new Label(title);
    name.getStyleClass().addAll("subtitle", "wrapping");
    name.setMinHeight(Region.USE_PREF_SIZE);
    content.getChildren().addAll(new HBox(mark, space, back), name);
    if (!purpose.isEmpty()) content.getChildren().add(Labels.wrapped(purpose, "soft"));
  }

  private void device(Device device, Session session, Review review) {
    var part = review.study().part(device);
    head(
        device.designation().text(),
        part.map(p -> p.name()).orElse(device.part()),
        device.purpose().isEmpty()
            ? device.place().words()
            : device.purpose() + ", " + device.place().words());
    facts(Facts.of(device, review.study()));
    findings(device.id(), review);
    if (Ways.wanted(device, review.study()))
      content
          .getChildren()
          .addAll(
              new WayCards(session, theme)
                  .of(
                      "Ways to connect it, best first",
                      session.composing().ways(device.id()),
                      compare));
    part.ifPresent(p -> trying(Trying.of(device, p, session)));
    content.getChildren().add(Labels.section("Settings"));
    DeviceSettings.of(device, session, review).forEach(content.getChildren()::add);
    content
        .getChildren()
        .add(DeviceSettings.stands(device.id(), device.designation().text(), session));
    part.ifPresent(p -> {
      if (p.terminals().isEmpty()) return;
      var wire = new Button("Wire it");
      wire.setId("wire-it");
      wire.setAccessibleText("Wire " + device.designation());
      wire.setOnAction(_ -> wiring.run());
      var another = new Button("Another part…");
      another.setId("another-part");
      another.setAccessibleText("Another part for " + device.designation());
      another.setOnAction(_ -> compare.run());
      var all = new Button("All of the part");
      all.setId("part-sheet");
      all.setAccessibleText("All that is known of " + p.name());
      all.setOnAction(_ -> catalogue.run());
      var row = new FlowPane(8, 6, wire, another, all);
      if (Ways.unswitched(device, review.study())) {
        var program = new Button("Let a program switch it…");
        program.setId("switch-it");
        program.setAccessibleText("Let a program switch " + device.designation());
        program.setOnAction(_ -> switching.run());
        row.getChildren().add(program);
      }
      if (p instanceof Controller) {
        var others = new Button("What else could run it…");
        others.setId("architectures");
        others.setAccessibleText("Compare what could run the machine instead");
        others.setOnAction(_ -> architectures.run());
        row.getChildren().add(others);
      }
      content.getChildren().add(row);
    });
    wires(device, session, review);
    content
        .getChildren()
        .add(
            Additions.remove(
                device.designation() + " and its wires", () -> session.edit(Edits.remove(device))));
  }

  private void trying(List<Node> rows) {
    if (rows.isEmpty()) return;
    content.getChildren().add(Labels.section("Try and measure (volts to earth)"));
    content.getChildren().add(new VBox(rows.toArray(Node[]::new)));
  }

  private void wires(Device device, Session session, Review review) {
    var wires = review.study().at(device.id());
    if (wires.isEmpty()) return;
    content.getChildren().add(Labels.section("Wires"));
    var list = new VBox();
    content.getChildren().add(list);
    for (var wire : wires) {
      var here = wire.from().device().equals(device.id()) ? wire.from() : wire.to();
      var there = wire.from().device().equals(device.id()) ? wire.to() : wire.from();
      var button =
          fact(
              "%s  %s to %s:%s"
                  .formatted(
                      wire.label(),
                      here.terminal(),
                      review.study().label(there.device()),
                      there.terminal()),
              wire.section().map(Object::toString).orElse("no section"));
      button.setOnAction(_ -> session.selection().set(Optional.of(wire.id())));
      list.getChildren().add(button);
    }
  }

  private void conductor(Conductor conductor, Session session, Review review) {
    var study = review.study();
    var where =
        "%s:%s to %s:%s"
            .formatted(
                study.label(conductor.from().device()),
                conductor.from().terminal(),
                study.label(conductor.to().device()),
                conductor.to().terminal());
    head(
        conductor.label().text(),
        where,
        "%s wire%s"
            .formatted(
                conductor.function().words(),
                study.cable(conductor).map(cable -> ", core of " + cable.label()).orElse("")));
    facts(Facts.of(conductor, study));
    findings(conductor.id(), review);
    trying(Trying.of(conductor, session));
    content.getChildren().add(Labels.section("Settings"));
    ConductorSettings.of(conductor, session, study).forEach(content.getChildren()::add);
    content
        .getChildren()
        .add(DeviceSettings.stands(conductor.id(), conductor.label().text(), session));
    content
        .getChildren()
        .add(
            Additions.remove(
                conductor.label().text(), () -> session.edit(Edits.remove(conductor))));
    study
        .cable(conductor)
        .ifPresent(cable -> {
          var button = fact("Cable " + cable.label(), "");
          button.setId("its-cable");
          button.setOnAction(_ -> session.selection().set(Optional.of(cable.id())));
          content.getChildren().addAll(Labels.section("Core of"), button);
        });
    content.getChildren().add(Labels.section("Ends"));
    for (var end : List.of(conductor.from(), conductor.to())) {
      var button =
          fact(
              study.label(end.device()) + ":" + end.terminal(),
              study.device(end.device()).map(Device::purpose).orElse(""));
      button.setOnAction(_ -> session.selection().set(Optional.of(end.device())));
      content.getChildren().add(button);
    }
  }

  private void facts(List<Facts.Fact> facts) {
    var list = new VBox();
    content.getChildren().add(list);
    for (var fact : facts) {
      if (fact.working().isEmpty()) {
        list.getChildren().add(plain(fact));
        continue;
      }
      var box = new VBox();
      var button =
          fact(fact.name(), fact.value() + "  " + (opened.contains(fact.name()) ? "▾" : "▸"));
      button.setId(
          "fact-" + fact.name().toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-"));
      button.setAccessibleText(fact.name() + " " + fact.value() + ", show its working");
      box.getChildren().add(button);
      if (opened.contains(fact.name())) box.getChildren().add(new TrailView(fact.working().get()));
      button.setOnAction(_ -> {
        if (!opened.add(fact.name())) opened.remove(fact.name());
        if (opened.contains(fact.name()))
          box.getChildren().add(new TrailView(fact.working().get()));
        else box.getChildren().removeLast();
      });
      list.getChildren().add(box);
    }
  }

  /// Opens or closes the working of every number and finding shown.
  public void toggleWorking() {
    content.lookupAll(".fact").stream()
        .filter(node -> node instanceof Button && node.getId() != null)
        .forEach(node -> ((Button) node).fire());
    content.lookupAll(".finding").stream()
        .filter(FindingCard.class::isInstance)
        .forEach(node -> ((FindingCard) node).working());
  }

  /// The first way out among the findings shown.
  public Optional<Repair> firstRepair() {
    return content.getChildren().stream()
        .filter(FindingCard.class::isInstance)
        .map(FindingCard.class::cast)
        .flatMap(card -> card.firstRepair().stream())
        .findFirst()
        .or(this::firstWay);
  }

  /// The best way to feed what is selected.
  private Optional<Repair> firstWay() {
    return session
        .flatMap(s -> s.selection().get().flatMap(s.composing()::known))
        .flatMap(found -> found.ways().stream().findFirst())
        .map(way -> Repair.of(way.edit()));
  }

  private void findings(Id id, Review review) {
    var entries = review.about(id).filter(entry -> entry.finding().isPresent()).toList();
    if (entries.isEmpty()) return;
    content.getChildren().add(Labels.section("Findings"));
    for (var entry : entries)
      session.ifPresent(
          s -> content.getChildren().add(new FindingCard(entry, s.ways(), theme, this)));
  }

  @Override
  public void repair(Repair repair) {
    session.ifPresent(s -> s.take(repair));
  }

  @Override
  public void accept(String rule, Verdict.Finding finding, String reason) {
    session.ifPresent(s ->
        s.edit(
            Edits.accept(
                new Deviation(
                    rule,
                    finding.subject(),
                    reason,
                    System.getProperty("user.name", "unknown"),
                    today))));
  }

  @Override
  public void reopen(Deviation deviation) {
    session.ifPresent(s -> s.edit(Edits.reopen(deviation)));
  }

  private static HBox line(String name, String value) {
    var left = new Label(name);
    left.setMinWidth(Region.USE_PREF_SIZE);
    var right = new Label(value);
    right.getStyleClass().addAll("value", "wrapping");
    right.setTextAlignment(javafx.scene.text.TextAlignment.RIGHT);
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    return new HBox(10, left, space, right);
  }

  private static Node plain(Facts.Fact fact) {
    var line = line(fact.name(), fact.value());
    line.getStyleClass().add("fact");
    return line;
  }

  private static Button fact(String name, String value) {
    var button = new Button();
    button.setGraphic(line(name, value));
    ((HBox) button.getGraphic()).prefWidthProperty().bind(button.widthProperty());
    button.getStyleClass().add("fact");
    button.setMaxWidth(Double.MAX_VALUE);
    button.setAccessibleText(name + " " + value);
    return button;
  }
}
