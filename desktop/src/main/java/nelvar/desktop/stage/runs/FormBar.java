package nelvar.desktop.stage.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import nelvar.core.analysis.runs.RightSize;
import nelvar.core.model.Bundle;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Reading;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.session.Session;
import org.jspecify.annotations.Nullable;

/// What a tray, conduit or carrier is, how large inside, what it is kept for, where it leads; of a
/// carrier how it moves. What is half said waits until the rest is.
final class FormBar extends VBox {
  private Optional<Session> session = Optional.empty();
  private Optional<Bundle> shown = Optional.empty();
  private Draft draft = new Draft();
  private boolean showing;
  private final ChoiceBox<Optional<Bundle.Kind>> kind =
      choice("form-kind", List.of(Bundle.Kind.values()), Bundle.Kind::words, "not said");
  private final ChoiceBox<Optional<Bundle.Only>> only =
      choice("form-only", List.of(Bundle.Only.values()), Bundle.Only::words, "anything");
  private final ChoiceBox<Optional<Bundle.Lies>> lies =
      choice("form-lies", List.of(Bundle.Lies.values()), Bundle.Lies::words, "not said");
  private final QuantityField<Optional<Length>> width = length("Wide inside", v -> draft.width = v);
  private final QuantityField<Optional<Length>> height =
      length("High inside", v -> draft.height = v);
  private final QuantityField<Optional<Length>> travel = length("Travel", v -> draft.travel = v);
  private final QuantityField<Optional<Length>> bend =
      length("Bend radius", v -> draft.bendRadius = v);
  private final QuantityField<Optional<Length>> pitch =
      length("Pitch of a link", v -> draft.pitch = v);
  private final QuantityField<Optional<Length>> outer =
      length("Height of a link", v -> draft.outerHeight = v);
  private final QuantityField<Optional<Length>> off =
      length("Fixed end off middle", v -> draft.fixedOff = v);
  private final QuantityField<Optional<Length>> room =
      length("Free for its loop", v -> draft.room = v);
  private final QuantityField<Optional<Integer>> strokes =
      new QuantityField<>(
          "Strokes an hour",
          "",
          FormBar::count,
          value -> {
            draft.strokes = value;
            return take();
          });
  private final QuantityField<List<Length>> hoses =
      new QuantityField<>(
          "Hoses beside",
          "",
          FormBar::lengths,
          value -> {
            draft.hoses = value;
            return take();
          });
  private final QuantityField<Optional<Length>> closed =
      length("Long at rest", v -> draft.closed = v);
  private final QuantityField<Optional<Length>> divider =
      length("Divider at", v -> draft.divider = v);
  private final ChoiceBox<Optional<Bundle.Hand>> opens =
      choice("form-opens", List.of(Bundle.Hand.values()), Bundle.Hand::words, "not said");
  private final QuantityField<String> from = words("Leads from", v -> draft.from = v);
  private final QuantityField<String> to = words("Leads to", v -> draft.to = v);
  private final QuantityField<Optional<Length>> along = length("Long", v -> draft.along = v);
  private final Label missing = new Label();
  private final List<VBox> ofCarrier = List.of(travel, bend, pitch, outer, off, room, strokes);
  private final HBox lying = named("It moves", lies);
  private final HBox opening = named("Opens", opens);

  /// What stands in the fields.
  private static final class Draft {
    private Optional<Bundle.Kind> kind = Optional.empty();
    private Optional<Length> width = Optional.empty();
    private Optional<Length> height = Optional.empty();
    private Optional<Length> travel = Optional.empty();
    private Optional<Length> bendRadius = Optional.empty();
    private Optional<Length> pitch = Optional.empty();
    private Optional<Length> outerHeight = Optional.empty();
    private Optional<Length> fixedOff = Optional.empty();
    private Optional<Bundle.Lies> lies = Optional.empty();
    private List<Length> dividers = List.of();
    private Optional<Bundle.Hand> opens = Optional.empty();
    private Optional<Length> room = Optional.empty();
    private Optional<Integer> strokes = Optional.empty();
    private List<Length> hoses = List.of();
    private Optional<Length> closed = Optional.empty();
    private Optional<Length> divider = Optional.empty();
    private String from = "";
    private String to = "";
    private Optional<Length> along = Optional.empty();
  }

  FormBar() {
    super(4);
    for (var box : List.of(kind, lies, opens))
      box.valueProperty()
          .addListener(_ -> {
            if (showing) return;
            var other = !draft.kind.equals(kind.getValue());
            draft.kind = kind.getValue();
            draft.lies = lies.getValue();
            draft.opens = opens.getValue();
            if (other) fits();
            fold();
            take();
          });
    only.valueProperty()
        .addListener((_, _, next) -> {
          if (!showing && next != null) change(d -> d.only = next);
        });
    missing.getStyleClass().add("soft");
    missing.setWrapText(true);
    var fields = new FlowPane(10, 4);
    fields
        .getChildren()
        .addAll(named("It is", kind), width, height, named("Kept for", only), from, to, along);
    fields.getChildren().addAll(closed, divider);
    fields.getChildren().addAll(ofCarrier);
    fields.getChildren().addAll(lying, opening, hoses);
    for (var node : fields.getChildren()) {
      ((javafx.scene.layout.Region) node).setPrefWidth(168);
      if (node instanceof QuantityField<?> field) field.nameWide(78);
    }
    getChildren().addAll(fields, missing);
  }

  private static <T> ChoiceBox<Optional<T>> choice(
      String id, List<T> all, Function<T, String> words, String none) {
    var box = new ChoiceBox<Optional<T>>();
    box.setId(id);
    box.getItems().add(Optional.empty());
    for (var one : all) box.getItems().add(Optional.of(one));
    box.setConverter(written(of -> of.map(words).orElse(none)));
    box.setPrefWidth(108);
    return box;
  }

  private static <T> StringConverter<T> written(Function<T, String> words) {
    return new StringConverter<>() {
      @Override
      public String toString(@Nullable T of) {
        return of == null ? "" : words.apply(of);
      }

      @Override
      public @Nullable T fromString(String text) {
        return null;
      }
    };
  }

  private static HBox named(String name, ChoiceBox<?> box) {
    var label = new Label(name);
    label.setLabelFor(box);
    label.setMinWidth(52);
    box.setAccessibleText(name);
    var row = new HBox(8, label, box);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }

  private QuantityField<Optional<Length>> length(String name, Consumer<Optional<Length>> take) {
    return new QuantityField<>(
        name,
        "",
        text ->
            text.isBlank()
                ? new Reading.Value<>(Optional.empty())
                : switch (Kind.LENGTH.read(text)) {
                  case Reading.Misread<Length>(var why) -> new Reading.Misread<>(why);
                  case Reading.Value<Length>(var value) -> new Reading.Value<>(Optional.of(value));
                },
        value -> {
          take.accept(value);
          return take();
        });
  }

  private QuantityField<String> words(String name, Consumer<String> take) {
    return new QuantityField<>(
        name,
        "",
        Reading.Value::new,
        value -> {
          take.accept(value.strip());
          return take();
        });
  }

  private static Reading<Optional<Integer>> count(String text) {
    if (text.isBlank()) return new Reading.Value<>(Optional.empty());
    try {
      return new Reading.Value<>(Optional.of(Integer.parseInt(text.strip())));
    } catch (NumberFormatException none) {
      return new Reading.Misread<>(
          "'%s' is no number: strokes an hour are written as 720".formatted(text.strip()));
    }
  }

  private static Reading<List<Length>> lengths(String text) {
    var all = new ArrayList<Length>();
    for (var one : text.split("[,;+]")) {
      if (one.isBlank()) continue;
      switch (Kind.LENGTH.read(one)) {
        case Reading.Misread<Length>(var why) -> {
          return new Reading.Misread<>(why);
        }
        case Reading.Value<Length>(var value) -> all.add(value);
      }
    }
    return new Reading.Value<>(List.copyOf(all));
  }

  /// Nobody types what follows from what lies in it: the size it is sold in that holds it.
  private void fits() {
    if (draft.kind.isEmpty() || draft.width.isPresent() || session.isEmpty() || shown.isEmpty())
      return;
    RightSize.of(shown.get(), draft.kind.get(), session.get().review().get().study())
        .ifPresent(form -> {
          draft.width = Optional.of(form.width());
          draft.height = Optional.of(form.height());
          show(width, draft.width);
          show(height, draft.height);
        });
  }

  /// @param bundle whose form it is; a duct of a plate has its form from the Panel
  void show(Session next, Optional<Bundle> bundle) {
    session = Optional.of(next);
    setVisible(bundle.isPresent());
    setManaged(bundle.isPresent());
    if (shown.equals(bundle)) return;
    var half = half(bundle);
    shown = bundle;
    if (!half) bundle.ifPresent(this::show);
  }

  /// Whether what is half said of the same one waits for the rest.
  private boolean half(Optional<Bundle> next) {
    return next.isPresent()
        && shown.filter(b -> b.id().equals(next.get().id())).isPresent()
        && !missing().isEmpty();
  }

  private void show(Bundle bundle) {
    showing = true;
    draft = new Draft();
    bundle
        .form()
        .ifPresent(form -> {
          draft.kind = Optional.of(form.kind());
          draft.width = Optional.of(form.width());
          draft.height = Optional.of(form.height());
          form.carrier()
              .ifPresent(it -> {
                draft.travel = Optional.of(it.travel());
                draft.bendRadius = Optional.of(it.bendRadius());
                draft.pitch = Optional.of(it.pitch());
                draft.outerHeight = Optional.of(it.outerHeight());
                draft.fixedOff = Optional.of(it.fixedOff());
                draft.lies = Optional.of(it.lies());
                draft.dividers = it.dividers();
                draft.opens = it.opens();
                draft.room = it.room();
                draft.strokes = it.strokesPerHour();
              });
          draft.hoses = form.hoses();
          draft.closed = form.closed();
          draft.divider = form.divider();
        });
    bundle
        .course()
        .ifPresent(course -> {
          draft.from = course.from();
          draft.to = course.to();
          draft.along = course.length();
        });
    kind.setValue(draft.kind);
    only.setValue(bundle.only());
    lies.setValue(draft.lies);
    opens.setValue(draft.opens);
    show(room, draft.room);
    show(closed, draft.closed);
    show(divider, draft.divider);
    strokes.show(draft.strokes.map(String::valueOf).orElse(""));
    hoses.show(
        draft.hoses.stream()
            .map(Length::toString)
            .collect(java.util.stream.Collectors.joining(", ")));
    show(width, draft.width);
    show(height, draft.height);
    show(travel, draft.travel);
    show(bend, draft.bendRadius);
    show(pitch, draft.pitch);
    show(outer, draft.outerHeight);
    show(off, draft.fixedOff);
    show(along, draft.along);
    from.show(draft.from);
    to.show(draft.to);
    fold();
    missing.setText(missing());
    showing = false;
  }

  private static void show(QuantityField<Optional<Length>> field, Optional<Length> value) {
    field.show(value.map(Length::toString).orElse(""));
  }

  private void fold() {
    var carrier = draft.kind.filter(k -> k == Bundle.Kind.CARRIER).isPresent();
    for (var field : ofCarrier) {
      field.setVisible(carrier);
      field.setManaged(carrier);
    }
    lying.setVisible(carrier);
    lying.setManaged(carrier);
    var aside = carrier && draft.lies.filter(l -> l == Bundle.Lies.ON_SIDE).isPresent();
    opening.setVisible(aside);
    opening.setManaged(aside);
    var said = draft.kind.isPresent() && draft.kind.get() != Bundle.Kind.LOOM;
    var coil = draft.kind.filter(k -> k == Bundle.Kind.COIL).isPresent();
    width.name(coil ? "Over its turns" : "Wide inside");
    height.name(coil ? "The cord" : "High inside");
    closed.setVisible(coil);
    closed.setManaged(coil);
    var tray = draft.kind.filter(k -> k == Bundle.Kind.TRAY).isPresent();
    divider.setVisible(tray);
    divider.setManaged(tray);
    hoses.setVisible(said && !coil);
    hoses.setManaged(said && !coil);
    var round = draft.kind.filter(k -> k == Bundle.Kind.CONDUIT).isPresent();
    width.setVisible(said);
    width.setManaged(said);
    height.setVisible(said && !round);
    height.setManaged(said && !round);
  }

  /// Takes over what is said whole; false where it was refused.
  private boolean take() {
    if (showing || shown.isEmpty()) return true;
    missing.setText(missing());
    try {
      var form = form();
      var course = course();
      return change(d -> {
        if (draft.kind.isEmpty() || form.isPresent()) d.form = form;
        if (course.isPresent() || (draft.from.isEmpty() && draft.to.isEmpty())) d.course = course;
      });
    } catch (ImpossibleQuantity impossible) {
      session.ifPresent(s -> s.tell(String.valueOf(impossible.getMessage())));
      return false;
    }
  }

  private boolean change(Consumer<Bundle.Draft> how) {
    if (session.isEmpty() || shown.isEmpty()) return false;
    var next = shown.get().with(how);
    return next.equals(shown.get()) || session.get().edit(Edits.change(next));
  }

  private Optional<Bundle.Form> form() {
    if (draft.kind.filter(k -> k == Bundle.Kind.LOOM).isPresent())
      return Optional.of(Bundle.Form.loom());
    if (draft.kind.isEmpty() || draft.width.isEmpty()) return Optional.empty();
    var kindNow = draft.kind.get();
    if (kindNow == Bundle.Kind.CONDUIT)
      return Optional.of(Bundle.Form.conduit(draft.width.get()).withHoses(draft.hoses));
    if (draft.height.isEmpty()) return Optional.empty();
    if (kindNow == Bundle.Kind.COIL)
      return draft.closed.map(at -> Bundle.Form.coil(draft.width.get(), draft.height.get(), at));
    return Optional.of(
        new Bundle.Form(
            kindNow,
            draft.width.get(),
            draft.height.get(),
            carrier(kindNow),
            draft.hoses,
            Optional.empty(),
            draft.divider.filter(_ -> kindNow == Bundle.Kind.TRAY)));
  }

  private Optional<Bundle.Carrier> carrier(Bundle.Kind kindNow) {
    if (kindNow != Bundle.Kind.CARRIER
        || draft.travel.isEmpty()
        || draft.bendRadius.isEmpty()
        || draft.pitch.isEmpty()
        || draft.outerHeight.isEmpty()
        || draft.lies.isEmpty()) return Optional.empty();
    return Optional.of(
        new Bundle.Carrier(
            draft.travel.get(),
            draft.bendRadius.get(),
            draft.pitch.get(),
            draft.fixedOff.orElse(new Length(0)),
            draft.outerHeight.get(),
            draft.dividers,
            draft.lies.get(),
            draft.opens.filter(_ -> draft.lies.get() == Bundle.Lies.ON_SIDE),
            draft.room,
            draft.strokes));
  }

  private Optional<Bundle.Course> course() {
    return draft.from.isEmpty() || draft.to.isEmpty()
        ? Optional.empty()
        : Optional.of(new Bundle.Course(draft.from, draft.to, draft.along));
  }

  /// What is still to be said before it counts.
  private String missing() {
    var all = new ArrayList<String>();
    if (draft.kind.filter(k -> k == Bundle.Kind.COIL).isPresent()) {
      if (form().isEmpty()) all.add("how wide its turns are, how thick the cord, how long at rest");
    } else if (draft.kind.isPresent() && draft.kind.get() != Bundle.Kind.LOOM) {
      if (draft.width.isEmpty()) all.add("how wide it is inside");
      if (draft.height.isEmpty() && draft.kind.get() != Bundle.Kind.CONDUIT)
        all.add("how high it is inside");
      if (draft.kind.get() == Bundle.Kind.CARRIER && carrier(Bundle.Kind.CARRIER).isEmpty())
        all.add("travel, bend radius, pitch and height of a link, and how it moves");
    }
    if (draft.from.isEmpty() != draft.to.isEmpty()) all.add("where its other end is");
    return all.isEmpty() ? "" : "Still to say: " + String.join("; ", all) + ".";
  }
}
