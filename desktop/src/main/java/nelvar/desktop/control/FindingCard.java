package nelvar.desktop.control;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.beans.value.WeakChangeListener;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Deviation;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;
import nelvar.desktop.style.Theme;

/// One finding: what, why, the ways out, its working, and accepting it with a written reason.
public final class FindingCard extends VBox {
  private final VBox more = new VBox(4);
  private final Verdict.Finding finding;
  private final VBox ways = new VBox(4);
  private final Review.Entry entry;
  private final ObservableValue<WaysOut> tried;

  // Held here, and only here: the session must not keep a card that is shown no longer.
  private final ChangeListener<WaysOut> shown;
  private boolean workingShown;
  private boolean filled;
  private Optional<List<Repair>> last = Optional.empty();

  /// What a card can ask for.
  public interface Actions {
    void repair(Repair repair);

    void accept(String rule, Verdict.Finding finding, String reason);

    void reopen(Deviation deviation);
  }

  /// @param tried what was tried so far for the findings of the review
  public FindingCard(
      Review.Entry entry, ObservableValue<WaysOut> tried, Theme theme, Actions actions) {
    this.entry = entry;
    this.tried = tried;
    this.shown = (_, _, _) -> ways(actions);
    finding = entry.finding().orElseThrow();
    getStyleClass()
        .addAll(
            "finding",
            entry.accepted().isPresent()
                ? "accepted"
                : finding.severity().name().toLowerCase(java.util.Locale.ROOT));
    var title = new Label(finding.title());
    title.getStyleClass().addAll("strong", "wrapping");
    title.setMinHeight(USE_PREF_SIZE);
    var word =
        new Label(
            entry.accepted().isPresent()
                ? "accepted"
                : finding.severity().name().toLowerCase(java.util.Locale.ROOT));
    word.getStyleClass().add("faint");
    word.setMinWidth(USE_PREF_SIZE);
    var space = new javafx.scene.layout.Region();
    HBox.setHgrow(space, javafx.scene.layout.Priority.ALWAYS);
    var top = new HBox(7, Icon.of(finding.severity(), theme), title, space, word);
    var text = new Label(finding.text());
    text.getStyleClass().add("wrapping");
    text.setMinHeight(USE_PREF_SIZE);
    getChildren().addAll(top, text);
    if (entry.accepted().isPresent()) accepted(entry.accepted().get(), actions);
    else open(entry, actions);
    getChildren().add(more);
    setAccessibleText(finding.severity() + ": " + finding.title() + ". " + finding.text());
  }

  private void open(Review.Entry entry, Actions actions) {
    ways(actions);
    tried.addListener(new WeakChangeListener<>(shown));
    getChildren()
        .addAll(
            ways,
            new FlowPane(
                8,
                6,
                link("Working", this::working),
                link(
                    "Accept…",
                    () -> ask(reason -> actions.accept(entry.rule().id(), finding, reason)))));
  }

  /// The ways out that were tried and cure; while they are being tried, it says so.
  private void ways(Actions actions) {
    var known = tried.getValue().of(entry);
    // Others being tried change nothing here: a button must not go while it is pressed.
    if (filled && known.equals(last)) return;
    filled = true;
    last = known;
    ways.getChildren().clear();
    if (known.isEmpty() && !finding.proposals().isEmpty()) {
      var trying = new Label("Ways out are being tried…");
      trying.getStyleClass().add("faint");
      ways.getChildren().add(trying);
    }
    // In a column a long label wraps; a flow would make the whole sheet as wide as it.
    for (var repair : known.orElse(List.of())) {
      var button = new Button(repair.label());
      button.getStyleClass().add("repair");
      button.setWrapText(true);
      button.setOnAction(_ -> actions.repair(repair));
      ways.getChildren().add(button);
    }
    ways.setVisible(!ways.getChildren().isEmpty());
    ways.setManaged(!ways.getChildren().isEmpty());
  }

  private void accepted(Deviation deviation, Actions actions) {
    var reason =
        new Label(
            "Accepted: "
                + deviation.reason()
                + " ("
                + deviation.by()
                + ", "
                + deviation.date()
                + ")");
    reason.getStyleClass().add("wrapping");
    reason.setMinHeight(USE_PREF_SIZE);
    getChildren()
        .addAll(
            reason,
            new FlowPane(
                8,
                6,
                link("Working", this::working),
                link("Reopen", () -> actions.reopen(deviation))));
  }

  private static Button link(String text, Runnable action) {
    var button = new Button(text);
    button.getStyleClass().add("link");
    button.setOnAction(_ -> action.run());
    return button;
  }

  /// Shows or hides the working.
  public void working() {
    workingShown = !workingShown;
    more.getChildren().clear();
    if (workingShown) more.getChildren().add(new TrailView(finding.trail()));
  }

  private void ask(Consumer<String> accept) {
    workingShown = false;
    var reason = new TextField();
    reason.setPromptText("Why it may stay so");
    reason.setAccessibleText("Reason for accepting");
    reason.setId("accept-reason");
    var take = new Button("Accept with this reason");
    take.getStyleClass().add("repair");
    take.disableProperty()
        .bind(
            javafx.beans.binding.Bindings.createBooleanBinding(
                () -> reason.getText().strip().length() < 4, reason.textProperty()));
    Runnable done =
        () -> {
          if (!take.isDisabled()) accept.accept(reason.getText().strip());
        };
    take.setOnAction(_ -> done.run());
    reason.setOnAction(_ -> done.run());
    more.getChildren().setAll(reason, take);
    reason.requestFocus();
  }

  /// The first repair, if there is one.
  public Optional<Repair> firstRepair() {
    return tried.getValue().of(entry).flatMap(all -> all.stream().findFirst());
  }
}
