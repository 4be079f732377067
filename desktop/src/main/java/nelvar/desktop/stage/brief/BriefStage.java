package nelvar.desktop.stage.brief;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.load.OnMains;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.finding.Severity;
import nelvar.core.model.Brief;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Significant;
import nelvar.desktop.control.DrawingPane;
import nelvar.desktop.control.Icon;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.control.StageHead;
import nelvar.desktop.session.Session;
import nelvar.desktop.stage.Stage;
import nelvar.desktop.style.Theme;
import nelvar.documents.drawing.Drawing;

/// What the machine is fed from, where it stands, and which schools its design follows, with the
/// argument of each side.
public final class BriefStage implements Stage {
  private static final double NARROW = 760;

  private final BorderPane view = new BorderPane();
  private final VBox left = new VBox(12);
  private final VBox right = new VBox(12);
  private final VBox below = new VBox();
  private final Label name = new Label();
  private Optional<Node> first = Optional.empty();
  private Optional<BriefModel> shown = Optional.empty();
  private Theme shownIn = Theme.LIGHT;
  private @org.jspecify.annotations.Nullable Session shownOf;

  public BriefStage() {
    view.getStyleClass().add("stage");
    name.getStyleClass().add("wrapping");
    var head = new StageHead("Brief", name);
    view.setTop(head);
    left.setPrefWidth(392);
    left.setMinWidth(362);
    var columns = new HBox(14, left, right);
    HBox.setHgrow(right, Priority.ALWAYS);
    var all = new VBox(14, columns, below);
    // A narrow window has the cards below one another.
    view.widthProperty()
        .addListener((_, _, width) -> {
          var narrow = width.doubleValue() < NARROW;
          if (narrow == all.getChildren().contains(right)) return;
          columns.getChildren().remove(right);
          all.getChildren().remove(right);
          if (narrow) all.getChildren().add(1, right);
          else columns.getChildren().add(right);
        });
    all.setStyle("-fx-padding: 4 18 18 18;");
    var scroll = new ScrollPane(all);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    view.setCenter(scroll);
  }

  @Override
  public String name() {
    return "Brief";
  }

  @Override
  public Node view() {
    return view;
  }

  @Override
  public Node firstFocus() {
    return first.orElse(view);
  }

  @Override
  public void show(Session session, Review review, Theme theme) {
    var model = BriefModel.of(session.project().brief(), review);
    if (shown.filter(model::equals).isPresent() && shownIn == theme && shownOf == session) return;
    shown = Optional.of(model);
    shownIn = theme;
    shownOf = session;
    var focused =
        view.getScene() == null || view.getScene().getFocusOwner() == null
            ? Optional.<String>empty()
            : Optional.ofNullable(view.getScene().getFocusOwner().getId());
    name.setText(model.description());
    var brief = model.brief();
    left.getChildren().setAll(supply(session, brief), surroundings(session, brief, model.inside()));
    if (!model.places().isEmpty()) left.getChildren().add(places(model.places(), session));
    right
        .getChildren()
        .setAll(
            lines(model.lines(), theme),
            hanging(model.hanging(), session, theme),
            limits(session, brief),
            cautions());
    below.getChildren().setAll(schools(session, brief));
    first = Optional.ofNullable(left.lookup("#field-mains-voltage"));
    focused.map(id -> view.lookup("#" + id)).ifPresent(Node::requestFocus);
  }

  /// How far the places are that functions name: what is drawn up takes its lengths from that.
  private static VBox places(List<BriefModel.Far> places, Session session) {
    var nodes = new ArrayList<Node>();
    for (var place : places) {
      var field =
          new QuantityField<Length>(
              place.name(),
              "",
              Kind.LENGTH::read,
              next -> {
                try {
                  return session.edit(FunctionEdits.place(place.name(), next));
                } catch (ImpossibleQuantity impossible) {
                  session.tell(String.valueOf(impossible.getMessage()));
                  return false;
                }
              });
      field.show(place.distance().map(Object::toString).orElse(""));
      nodes.add(field);
    }
    var note =
        new Label(
            "As far as a cable goes from the cabinet; %s is assumed where nothing is said. What stands already keeps its lengths."
                .formatted(TypicalLength.DISTANCE));
    note.getStyleClass().addAll("faint", "wrapping");
    note.setMinHeight(Region.USE_PREF_SIZE);
    nodes.add(note);
    return card("Places on the machine", nodes.toArray(Node[]::new));
  }

  private static VBox card(String title, Node... nodes) {
    var label = new Label(title);
    label.getStyleClass().add("subtitle");
    var card = new VBox(label);
    card.getStyleClass().add("card");
    card.getChildren().addAll(nodes);
    return card;
  }

  private static <Q> QuantityField<Q> field(
      String name,
      String unit,
      String now,
      Function<String, Reading<Q>> read,
      Session session,
      BiFunction<Brief, Q, Edit> edit) {
    var field =
        new QuantityField<Q>(
            name,
            unit,
            read,
            next -> {
              try {
                return session.edit(edit.apply(session.project().brief(), next));
              } catch (ImpossibleQuantity impossible) {
                session.tell(String.valueOf(impossible.getMessage()));
                return false;
              }
            });
    field.show(now);
    return field;
  }

  private static <Q extends Quantity> Reading<Q> aboveZero(Kind<Q> kind, String text) {
    return switch (kind.read(text)) {
      case Reading.Value<Q>(var value) when value.si() <= 0 ->
          new Reading.Misread<>("This must be above zero, such as " + kind.example());
      case Reading<Q> reading -> reading;
    };
  }

  private static Node supply(Session session, Brief brief) {
    var s = brief.supply();
    return card(
        "Supply",
        field(
            "Mains voltage",
            "",
            s.voltage().toString(),
            MainsVoltage::read,
            session,
            Briefs::voltage),
        field(
            "Frequency",
            "",
            s.frequency().toString(),
            text -> aboveZero(Kind.FREQUENCY, text),
            session,
            Briefs::frequency),
        choices(
            "Earthing system",
            List.of(Brief.Earthing.values()),
            s.earthing(),
            Brief.Earthing::words,
            next -> session.edit(Briefs.earthing(session.project().brief(), next))),
        field(
            "Upstream device",
            "",
            s.upstream().toString(),
            text -> aboveZero(Kind.CURRENT, text),
            session,
            Briefs::upstream),
        field(
            "Loop impedance at the inlet",
            "",
            s.loopImpedance().map(Object::toString).orElse(""),
            text -> aboveZero(Kind.RESISTANCE, text),
            session,
            Briefs::loop),
        field(
            "Short-circuit current at the inlet",
            "",
            s.prospectiveShortCircuitCurrent().map(Object::toString).orElse(""),
            text -> aboveZero(Kind.CURRENT, text),
            session,
            Briefs::shortCircuit));
  }

  private static Node surroundings(Session session, Brief brief, String inside) {
    var a = brief.surroundings();
    return card(
        "Surroundings",
        field(
            "Lowest ambient",
            "",
            a.least().toString(),
            Kind.TEMPERATURE::read,
            session,
            (b, next) ->
                Briefs.around(
                    "Set the lowest ambient to " + next,
                    b,
                    next,
                    b.surroundings().greatest(),
                    b.surroundings().inside())),
        field(
            "Highest ambient",
            "",
            a.greatest().toString(),
            Kind.TEMPERATURE::read,
            session,
            (b, next) ->
                Briefs.around(
                    "Set the highest ambient to " + next,
                    b,
                    b.surroundings().least(),
                    next,
                    b.surroundings().inside())),
        field(
            "Inside the cabinet",
            "",
            a.inside().toString(),
            Kind.TEMPERATURE::read,
            session,
            (b, next) ->
                Briefs.around(
                    "Set the inside temperature to " + next,
                    b,
                    b.surroundings().least(),
                    b.surroundings().greatest(),
                    next)),
        field(
            "Above the sea",
            "",
            a.altitude().toString(),
            Kind.LENGTH::read,
            session,
            (b, next) ->
                Briefs.around(
                    "Set the altitude to " + next, b, b.surroundings().withAltitude(next))),
        choices(
            "Dust in the air",
            dusts(),
            a.dust(),
            dust -> dust.map(Brief.Dust::words).orElse("not known"),
            next ->
                session.edit(
                    Briefs.around(
                        "Say what dust there is",
                        session.project().brief(),
                        session.project().brief().surroundings().withDust(next)))),
        soft(inside + (a.remarks().isEmpty() ? "" : " " + a.remarks() + ".")));
  }

  private static List<Optional<Brief.Dust>> dusts() {
    var all = new ArrayList<Optional<Brief.Dust>>();
    all.add(Optional.empty());
    for (var dust : Brief.Dust.values()) all.add(Optional.of(dust));
    return all;
  }

  private static Node cautions() {
    var text =
        soft(
            "Local codes and a licensed electrician decide. Lock off and prove dead before work; wait for stored charge, then measure; protective conductor first. Nelvar says what it checked and what it did not.");
    text.getStyleClass().add("caution");
    return text;
  }

  /// Which devices can stay on this mains; those that cannot stand by name.
  private static Node hanging(List<OnMains> all, Session session, Theme theme) {
    var wrong = all.stream().filter(one -> one.fate() != OnMains.Fate.STAYS).toList();
    var words =
        all.isEmpty()
            ? "Nothing hangs on it yet."
            : wrong.isEmpty()
                ? "All %d devices on it accept the volts they get.".formatted(all.size())
                : "%d of %d devices accept the volts they get."
                    .formatted(all.size() - wrong.size(), all.size());
    var card = card("On this mains", soft(words));
    card.setId("on-mains");
    for (var one : wrong) {
      var line =
          new Button(
              "%s  %s".formatted(one.device().designation(), one.words()),
              Icon.of(one.fate() == OnMains.Fate.UNFIT ? Severity.ERROR : Severity.WARNING, theme));
      line.getStyleClass().add("fact");
      line.setWrapText(true);
      line.setMaxWidth(Double.MAX_VALUE);
      line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      line.setOnAction(_ -> session.selection().set(Optional.of(one.device().id())));
      card.getChildren().add(line);
    }
    return card;
  }

  private static Node lines(Drawing lines, Theme theme) {
    var pane = new DrawingPane("Current of each mains line against the upstream device", false);
    pane.show(lines, theme);
    pane.setFocusTraversable(false);
    return card("Taken from the mains", pane);
  }

  private static Node schools(Session session, Brief brief) {
    var p = brief.policies();
    var all = new ArrayList<Node>();
    all.add(
        school(
            "Sizing",
            "Metric: IEC 60204-1, 60364, 60269, 60898, 61439; mm². North American: NFPA 79, NEC, UL 508A; AWG. Change it before wires are chosen: neither table holds the other's sizes.",
            List.of(Brief.Sizing.values()),
            p.sizing(),
            Brief.Sizing::words,
            next -> take(session, "Size by the " + next.words() + " school", p.sizedBy(next))));
    all.add(
        school(
            "A protective device per branch, or grouped",
            "Per branch: one fault stops one thing, and each device fits its wire; industry builds so. Grouped: converters that protect themselves share one device where space is short; small shops build so. A bare transformer always needs its own.",
            List.of(Brief.Protection.values()),
            p.protection(),
            v -> v == Brief.Protection.PER_BRANCH ? "per branch" : "grouped",
            next ->
                take(
                    session,
                    "Follow the "
                        + (next == Brief.Protection.PER_BRANCH ? "per-branch" : "grouped")
                        + " school",
                    p.withProtection(next))));
    if (p.sizing() == Brief.Sizing.METRIC)
      all.add(
          school(
              "gG fuse against wire",
              "Strict: I2 ≤ 1.45 Iz to the letter, the fuse one size smaller. By rating: In ≤ Iz, since real mountings fuse sooner; national practice in places.",
              List.of(Brief.FuseReading.values()),
              p.fuses(),
              v -> v == Brief.FuseReading.STRICT ? "strict" : "by rating",
              next ->
                  take(
                      session,
                      "Read gG fuses "
                          + (next == Brief.FuseReading.STRICT ? "strictly" : "by rating"),
                      p.withFuses(next))));
    for (var question : School.ALL)
      if (question.mattersTo(p.sizing())) all.add(question(session, p, question));
    var half = (all.size() + 1) / 2;
    var columns = new GridPane(28, 0);
    columns.addRow(0, column(all.subList(0, half)), column(all.subList(half, all.size())));
    for (var i = 0; i < 2; i++) {
      var column = new ColumnConstraints();
      column.setPercentWidth(50);
      columns.getColumnConstraints().add(column);
    }
    return card("Schools: where practitioners disagree", columns);
  }

  private static Node column(List<Node> nodes) {
    var column = new VBox(8);
    column.getChildren().addAll(nodes);
    return column;
  }

  private static Node limits(Session session, Brief brief) {
    var p = brief.policies();
    return card(
        "Limits",
        field(
            "Use of a supply",
            "% of rating",
            Significant.digits(p.headroom().percent()),
            Kind.PERCENT::read,
            session,
            (b, next) ->
                Briefs.policies(
                    "Set the headroom policy to " + next, b, b.policies().withHeadroom(next))),
        soft("80 % is common practice: a warm or aged supply gives less, and machines grow."),
        field(
            "Voltage drop limit",
            "% of Un",
            Significant.digits(p.drop().percent()),
            Kind.PERCENT::read,
            session,
            (b, next) ->
                Briefs.policies("Set the drop limit to " + next, b, b.policies().withDrop(next))),
        soft(
            "IEC 60204-1: 5 % from the supply to the load. NEC: 3 % for a branch and 5 % in all, as advice. (unchecked)"));
  }

  /// A question with the argument of each side.
  private static Node question(Session session, Brief.Policies p, School question) {
    return school(
        question.question(),
        question.options().stream()
            .map(option -> sentence(option.words()) + ": " + option.argument())
            .collect(java.util.stream.Collectors.joining(" ")),
        question.options(),
        p.answer(question),
        School.Option::words,
        next ->
            take(
                session,
                "%s: %s".formatted(question.question(), next.words()),
                p.answering(question, next)));
  }

  private static String sentence(String words) {
    return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
  }

  private static void take(Session session, String what, Brief.Policies next) {
    session.edit(Briefs.policies(what, session.project().brief(), next));
  }

  private static <T> Node school(
      String title,
      String argument,
      List<T> options,
      T now,
      Function<T, String> words,
      java.util.function.Consumer<T> take) {
    var label = new Label(title);
    label.getStyleClass().add("strong");
    var box = new VBox(label, soft(argument));
    box.getStyleClass().add("school");
    if (!options.isEmpty()) box.getChildren().add(radios(title, options, now, words, take));
    return box;
  }

  private static <T> Node choices(
      String title,
      List<T> options,
      T now,
      Function<T, String> words,
      java.util.function.Consumer<T> take) {
    var label = new Label(title);
    label.setMinWidth(104);
    label.setPrefWidth(104);
    var box = new HBox(8, label, radios(title, options, now, words, take));
    box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return box;
  }

  private static <T> Region radios(
      String title,
      List<T> options,
      T now,
      Function<T, String> words,
      java.util.function.Consumer<T> take) {
    var row = new javafx.scene.layout.FlowPane(9, 2);
    row.setPrefWrapLength(300);
    var group = new ToggleGroup();
    for (var option : options) {
      var radio = new RadioButton(words.apply(option));
      radio.setToggleGroup(group);
      radio.setMinWidth(Region.USE_PREF_SIZE);
      radio.setSelected(option.equals(now));
      radio.setAccessibleText(title + ": " + words.apply(option));
      radio.setId(
          "radio-"
              + words
                  .apply(option)
                  .toLowerCase(java.util.Locale.ROOT)
                  .replaceAll("[^a-z0-9]+", "-"));
      radio.setOnAction(_ -> {
        if (radio.isSelected() && !option.equals(now)) take.accept(option);
      });
      row.getChildren().add(radio);
    }
    return row;
  }

  private static Label soft(String text) {
    var label = new Label(text);
    label.getStyleClass().addAll("soft", "wrapping");
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  @Override
  public boolean owns(Review.Entry entry) {
    return entry.rule().job() == Job.BRIEF;
  }
}
