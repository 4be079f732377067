package nelvar.desktop.stage.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.NewWalls;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.catalogue.Housing;
import nelvar.core.formula.Enclosure;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.LayoutEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Temperature;
import nelvar.desktop.control.QuantityField;
import nelvar.desktop.session.Session;
import org.jspecify.annotations.Nullable;

/// The cabinet itself: its walls, how it stands, what was measured in it, its rails and ducts.
final class CabinetCard {
  private final Cabinet cabinet;
  private final Study study;
  private final Session session;
  private final Runnable more;

  CabinetCard(Cabinet cabinet, Study study, Session session, Runnable more) {
    this.more = more;
    this.cabinet = cabinet;
    this.study = study;
    this.session = session;
  }

  Node node() {
    var shell = cabinet.shell();
    var sizes =
        new VBox(
            4,
            length(
                "Width", shell.width(), v -> walls(shell.sized(v, shell.height(), shell.depth()))),
            length(
                "Height", shell.height(), v -> walls(shell.sized(shell.width(), v, shell.depth()))),
            length(
                "Depth", shell.depth(), v -> walls(shell.sized(shell.width(), shell.height(), v))));
    var walls =
        new VBox(
            4,
            choice(
                "Walls of",
                "panel-housing",
                List.of(Housing.values()),
                shell.housing(),
                Housing::words,
                v -> walls(shell.with(d -> d.housing = v))),
            choice(
                "Stands",
                "panel-stands",
                List.of(Enclosure.Standing.values()),
                shell.stands(),
                CabinetCard::words,
                v -> walls(shell.with(d -> d.stands = v))),
            choice(
                "Hangs",
                "panel-hangs",
                List.of(Shell.Hangs.values()),
                shell.where(),
                Shell.Hangs::words,
                v -> walls(shell.hung(v))),
            new HBox(
                6,
                choice(
                    "Cables, door",
                    "panel-cables",
                    List.of(Shell.Side.values()),
                    shell.cables(),
                    side -> side.words(),
                    v -> walls(shell.with(d -> d.cables = v))),
                choice(
                    "",
                    "panel-hinge",
                    hinges(),
                    shell.hinge(),
                    side -> side.map(s -> "hinge " + s.words()).orElse("no door"),
                    v -> walls(shell.with(d -> d.hinge = v)))));
    var air = CabinetAir.of(cabinet, study);
    var felt =
        new VBox(
            4,
            temperature("Measured inside", cabinet.felt().map(Cabinet.Felt::inside), true),
            temperature("Room meanwhile", cabinet.felt().map(Cabinet.Felt::around), false),
            soft(
                air.off()
                    .map("measured %.2f times what the model gives"::formatted)
                    .orElse("%s stay inside; model ±25 %% of the rise".formatted(air.inside()))));
    var title = new Label(cabinet.name().isEmpty() ? cabinet.id().text() : cabinet.name());
    title.getStyleClass().add("title-small");
    return new VBox(6, new HBox(14, title, doing()), new HBox(18, sizes, walls, felt));
  }

  private static Label soft(String text) {
    var label = new Label(text);
    label.getStyleClass().addAll("soft", "wrapping");
    label.setMaxWidth(220);
    return label;
  }

  private static List<Optional<Shell.Side>> hinges() {
    return List.of(
        Optional.of(Shell.Side.LEFT),
        Optional.of(Shell.Side.RIGHT),
        Optional.of(Shell.Side.TOP),
        Optional.empty());
  }

  private static String words(Enclosure.Standing standing) {
    return switch (standing) {
      case FREE -> "free on all sides";
      case WALL -> "on a wall";
      case END_FREE -> "at the end of a row";
      case END_WALL -> "at the end of a row, on a wall";
      case MIDDLE_FREE -> "in a row";
      case MIDDLE_WALL -> "in a row, on a wall";
    };
  }

  private Node doing() {
    var pane = new FlowPane(6, 6);
    pane.setPrefWrapLength(420);
    pane.getChildren()
        .addAll(
            Buttons.of("Add a rail", "panel-add-rail", this::rail),
            Buttons.of("Add a duct", "panel-add-duct", () -> duct(false)),
            Buttons.of("Add an upright duct", "panel-add-upright", () -> duct(true)),
            Buttons.of("New cabinet", "cabinet-new", more));
    return pane;
  }

  /// Below what is there already, or at the top.
  private Length below() {
    var rails =
        cabinet.rails().stream().mapToDouble(r -> r.top().metres() + 0.09).max().orElse(0.08);
    var ducts =
        cabinet.ducts().stream()
            .filter(d -> !d.vertical())
            .mapToDouble(d -> d.bottom().metres() + 0.06)
            .max()
            .orElse(0.06);
    var plate = cabinet.shell().mountingPlate();
    return new Length(Math.min(Math.max(rails, ducts), plate.height().metres() - 0.05));
  }

  private void rail() {
    var plate = cabinet.shell().mountingPlate();
    var id = NextName.id(session.project(), "R" + (cabinet.rails().size() + 1));
    var all = new ArrayList<>(cabinet.rails());
    all.add(
        new Cabinet.Rail(
            id, Surface.PLATE, new Length(0), below(), plate.width(), Optional.empty()));
    session.edit(LayoutEdits.change("Add rail " + id, cabinet.withRails(all)));
  }

  private void duct(boolean upright) {
    var plate = cabinet.shell().mountingPlate();
    var id = NextName.id(session.project(), "D" + (cabinet.ducts().size() + 1));
    var all = new ArrayList<>(cabinet.ducts());
    var wide = Length.ofMillimetres(40);
    all.add(
        new Cabinet.Duct(
            id,
            Surface.PLATE,
            new Length(0),
            upright ? new Length(0) : below(),
            upright ? plate.height() : plate.width(),
            wide,
            Length.ofMillimetres(60),
            upright ? Optional.of(true) : Optional.empty(),
            Optional.empty()));
    session.edit(LayoutEdits.change("Add duct " + id, cabinet.withDucts(all)));
  }

  private boolean walls(Shell next) {
    return session.edit(NewWalls.edit(cabinet, next, study));
  }

  /// What cannot be is said, and nothing is changed.
  static <T> Predicate<T> careful(Session session, Predicate<T> take) {
    return value -> {
      try {
        return take.test(value);
      } catch (nelvar.core.units.ImpossibleQuantity impossible) {
        session.tell(String.valueOf(impossible.getMessage()));
        return false;
      }
    };
  }

  /// As plates are measured.
  static String millimetres(Length length) {
    return nelvar.core.units.Significant.exact(Math.round(length.metres() * 1e4) / 10.0) + " mm";
  }

  private QuantityField<Length> length(String name, Length now, Predicate<Length> take) {
    var field = new QuantityField<Length>(name, "", Kind.LENGTH::read, careful(session, take));
    field.show(millimetres(now));
    field.setId("cabinet-" + name.toLowerCase(java.util.Locale.ROOT));
    return field;
  }

  private QuantityField<Optional<Temperature>> temperature(
      String name, Optional<Temperature> now, boolean inside) {
    var field =
        new QuantityField<Optional<Temperature>>(
            name, "", empty(Kind.TEMPERATURE), careful(session, value -> felt(value, inside)));
    field.show(now.map(Temperature::toString).orElse(""));
    field.setId("cabinet-" + (inside ? "inside" : "room"));
    return field;
  }

  private boolean felt(Optional<Temperature> value, boolean inside) {
    if (value.isEmpty())
      return session.edit(
          LayoutEdits.change("Forget what was measured", cabinet.withFelt(Optional.empty())));
    var around = session.project().brief().surroundings().greatest();
    var now = cabinet.felt().orElseGet(() -> new Cabinet.Felt(around, around));
    var next =
        inside
            ? new Cabinet.Felt(
                value.get(), now.around().compareTo(value.get()) > 0 ? value.get() : now.around())
            : new Cabinet.Felt(now.inside(), value.get());
    return session.edit(
        LayoutEdits.change("Keep what was measured", cabinet.withFelt(Optional.of(next))));
  }

  private static <Q extends Quantity> Function<String, Reading<Optional<Q>>> empty(Kind<Q> kind) {
    return text ->
        text.isBlank()
            ? new Reading.Value<>(Optional.empty())
            : switch (kind.read(text)) {
              case Reading.Value<Q>(var value) -> new Reading.Value<>(Optional.of(value));
              case Reading.Misread<Q>(var why) -> new Reading.Misread<>(why);
            };
  }

  static <T> Node choice(
      String name,
      String id,
      List<T> all,
      T now,
      Function<T, String> words,
      java.util.function.Consumer<T> take) {
    var box = new ChoiceBox<T>();
    box.setId(id);
    box.setAccessibleText(name);
    box.setPrefWidth(190);
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(@Nullable T of) {
            return of == null ? "" : words.apply(of);
          }

          @Override
          public @Nullable T fromString(String text) {
            return null;
          }
        });
    box.getItems().setAll(all);
    box.setValue(now);
    box.setOnAction(_ -> {
      if (!box.getValue().equals(now)) take.accept(box.getValue());
    });
    var label = new Label(name);
    label.setMinWidth(96);
    label.setLabelFor(box);
    if (name.isEmpty()) {
      box.setAccessibleText("Door");
      box.setPrefWidth(110);
      return box;
    }
    if (id.equals("panel-cables")) box.setPrefWidth(100);
    var row = new HBox(8, label, box);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }
}
