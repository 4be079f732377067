package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ServoMotor;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.file.PartProperties;
import nelvar.core.file.PartSheet;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Returned;
import nelvar.core.model.Standing;
import nelvar.core.model.Suppression;
import nelvar.core.model.Use;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.Horizon;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.review.Review;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;
import nelvar.desktop.session.Session;

/// The fields with which a device is changed.
final class DeviceSettings {
  private DeviceSettings() {}

  static List<Node> of(Device device, Session session, Review review) {
    var nodes = new ArrayList<Node>();
    var name =
        new QuantityField<>(
            "Designation",
            "",
            DeviceSettings::designation,
            next -> session.edit(Edits.rename(device, next)));
    name.show(device.designation().text());
    var purpose =
        new QuantityField<>(
            "Purpose",
            "",
            text -> new Reading.Value<>(text.strip()),
            next -> session.edit(Edits.purpose(device, next)));
    purpose.show(device.purpose());
    nodes.add(name);
    nodes.add(purpose);
    if (review.study().part(device).flatMap(Part::protection).isPresent())
      nodes.add(fixed("Part fixed by hand", device.id(), device.designation().text(), session));
    review
        .study()
        .part(device)
        .ifPresent(part -> {
          load(device, part, session, nodes);
          part(device, part, session, review, nodes);
        });
    return nodes;
  }

  /// Choosing leaves what is fixed.
  static Node fixed(String words, nelvar.core.model.Id id, String name, Session session) {
    var box = new javafx.scene.control.CheckBox(words);
    box.setId("fixed");
    box.setSelected(session.project().fixed().contains(id));
    box.setOnAction(_ -> session.edit(Edits.fix(id, name, box.isSelected())));
    return box;
  }

  /// Whether a wire or cable is laid and landed.
  static Node done(nelvar.core.model.Id id, boolean done, Session session) {
    var box = new javafx.scene.control.CheckBox("Laid and landed");
    box.setId("done");
    box.setSelected(done);
    box.setOnAction(_ ->
        session.edit(
            RunEdits.asBuilt(
                java.util.List.of(
                    new RunEdits.AsBuilt(id, Optional.empty(), Optional.of(box.isSelected()))))));
    return box;
  }

  /// Whether it is there, to be built, or for later.
  static Node stands(nelvar.core.model.Id thing, String name, Session session) {
    var options = new ArrayList<Optional<Standing>>();
    options.add(Optional.empty());
    for (var standing : Standing.values()) options.add(Optional.of(standing));
    var own = session.project().plan().mark(thing);
    var whole = Horizon.standing(session.project(), thing);
    var box =
        choice(
            "It stands",
            options,
            own,
            standing -> standing.map(Standing::words).orElse("here"),
            next -> session.edit(FunctionEdits.mark(thing, name, next)));
    return whole.equals(own)
        ? box
        : new VBox(
            4,
            box,
            Labels.wrapped(
                "%s all the same: what it belongs to is".formatted(whole.orElseThrow().words()),
                "faint"));
  }

  static Reading<Designation> designation(String text) {
    try {
      return new Reading.Value<>(new Designation(text.strip()));
    } catch (ImpossibleQuantity e) {
      return new Reading.Misread<>(String.valueOf(e.getMessage()));
    }
  }

  private static void load(Device device, Part part, Session session, List<Node> nodes) {
    if (part.outputs().isEmpty() && !device.intakes(part).isEmpty()) {
      var use = device.work();
      nodes.add(share("Loading", use.loading(), use::withLoading, device, session));
      nodes.add(share("Simultaneity", use.simultaneity(), use::withSimultaneity, device, session));
      nodes.add(share("Duty", use.duty(), use::withDuty, device, session));
    }
    if (part instanceof ServoMotor || part instanceof StepperMotor)
      returned(device, session, nodes);
    if (!part.linkages().isEmpty())
      nodes.add(
          choice(
              "Linked in",
              part.linkages(),
              part.linkages().contains(device.windings())
                  ? device.windings()
                  : part.linkages().getFirst(),
              Linkage::words,
              next -> session.edit(Edits.link(device, next))));
    if (part instanceof MainsInlet) nodes.addAll(InletSettings.of(device, session));
    part.dial().ifPresent(dial -> nodes.add(dial(device, dial.least(), dial.greatest(), session)));
    if (part instanceof DcSupply supply)
      supply.adjustable().ifPresent(range -> nodes.add(output(device, range, session)));
    if (part instanceof FrequencyConverter drive && drive.phases() == 3)
      nodes.add(
          choice(
              "Fed by",
              List.of(false, true),
              drive.onTwoLines(device.spare()),
              two -> two ? "two lines: L3 stays open" : "three lines",
              two ->
                  session.edit(
                      two
                          ? Edits.leaveSpare(device, FrequencyConverter.THIRD)
                          : Edits.useAgain(device, FrequencyConverter.THIRD))));
    if (part.ownCoil().isPresent()) {
      var options = new ArrayList<Optional<Suppression>>();
      if (device.suppression().isEmpty()) options.add(Optional.empty());
      for (var option : Suppression.values()) options.add(Optional.of(option));
      nodes.add(
          choice(
              "Suppression",
              options,
              device.suppression(),
              option -> option.map(Suppression::words).orElse("none"),
              next -> next.ifPresent(s -> session.edit(Edits.suppress(device, s)))));
    }
  }

  /// What it gives back when it brakes; its two times follow once there is an energy.
  private static void returned(Device device, Session session, List<Node> nodes) {
    var now = device.work().returned();
    var energy =
        new QuantityField<Optional<Energy>>(
            "Gives back",
            "J",
            text ->
                text.isBlank()
                    ? new Reading.Value<>(Optional.empty())
                    : switch (Kind.ENERGY.read(text)) {
                      case Reading.Misread<Energy>(var message) -> new Reading.Misread<>(message);
                      case Reading.Value<Energy>(var value) ->
                          new Reading.Value<>(Optional.of(value).filter(e -> e.joules() > 0));
                    },
            next ->
                session.edit(
                    Edits.use(
                        device,
                        device
                            .work()
                            .withReturned(
                                next.map(e ->
                                    new Returned(
                                        e,
                                        now.map(Returned::within).orElse(new Duration(0.2)),
                                        now.map(Returned::every).orElse(new Duration(5))))))));
    energy.show(now.map(r -> nelvar.core.units.Significant.digits(r.energy().joules())).orElse(""));
    nodes.add(energy);
    now.ifPresent(r -> {
      nodes.add(
          time(
              "Stops within",
              r.within(),
              t -> new Returned(r.energy(), t, r.every()),
              device,
              session));
      nodes.add(
          time(
              "Stops every",
              r.every(),
              t -> new Returned(r.energy(), r.within(), t),
              device,
              session));
    });
  }

  private static Node time(
      String name,
      Duration now,
      Function<Duration, Returned> change,
      Device device,
      Session session) {
    var field =
        new QuantityField<Returned>(
            name,
            "s",
            text ->
                switch (Kind.DURATION.read(text)) {
                  case Reading.Misread<Duration>(var message) -> new Reading.Misread<>(message);
                  case Reading.Value<Duration>(var value) -> possible(() -> change.apply(value));
                },
            next -> session.edit(Edits.use(device, device.work().withReturned(Optional.of(next)))));
    field.show(nelvar.core.units.Significant.digits(now.seconds()));
    return field;
  }

  private static <T> Reading<T> possible(java.util.function.Supplier<T> make) {
    try {
      return new Reading.Value<>(make.get());
    } catch (ImpossibleQuantity e) {
      return new Reading.Misread<>(String.valueOf(e.getMessage()));
    }
  }

  /// What an adjustable supply is set to; empty is its nominal voltage.
  private static Node output(Device device, VoltageRange range, Session session) {
    var field =
        new QuantityField<Optional<Voltage>>(
            "Output set to",
            "V",
            text ->
                text.isBlank()
                    ? new Reading.Value<>(Optional.empty())
                    : switch (Kind.VOLTAGE.read(text)) {
                      case Reading.Misread<Voltage>(var message) -> new Reading.Misread<>(message);
                      case Reading.Value<Voltage>(var value) ->
                          range.contains(value)
                              ? new Reading.Value<>(Optional.of(value))
                              : new Reading.Misread<>("it can be set from " + range);
                    },
            next -> session.edit(Edits.output(device, next)));
    field.show(
        device.output().map(v -> nelvar.core.units.Significant.digits(v.volts())).orElse(""));
    return field;
  }

  /// What its dial is set to, the current of an overload trip or of a drive; empty clears it.
  private static Node dial(Device device, Current least, Current greatest, Session session) {
    var field =
        new QuantityField<Optional<Current>>(
            "Set to",
            "A",
            text ->
                text.isBlank()
                    ? new Reading.Value<>(Optional.empty())
                    : switch (Kind.CURRENT.read(text)) {
                      case Reading.Misread<Current>(var message) -> new Reading.Misread<>(message);
                      case Reading.Value<Current>(var value) -> within(least, greatest, value);
                    },
            next -> session.edit(Edits.trip(device, next)));
    field.show(
        device.trip().map(t -> nelvar.core.units.Significant.digits(t.amperes())).orElse(""));
    return field;
  }

  private static Reading<Optional<Current>> within(Current least, Current greatest, Current value) {
    return value.compareTo(least) < 0 || value.compareTo(greatest) > 0
        ? new Reading.Misread<>("its dial goes from %s to %s".formatted(least, greatest))
        : new Reading.Value<>(Optional.of(value));
  }

  private static Node share(
      String name,
      Optional<Percent> now,
      Function<Optional<Percent>, Use> change,
      Device device,
      Session session) {
    var field =
        new QuantityField<Use>(
            name,
            "%",
            text ->
                switch (text.isBlank()
                    ? new Reading.Value<>(Percent.WHOLE)
                    : Kind.PERCENT.read(text)) {
                  case Reading.Misread<Percent>(var message) -> new Reading.Misread<>(message);
                  case Reading.Value<Percent>(var value) -> use(change, value);
                },
            next -> session.edit(Edits.use(device, next)));
    field.show(nelvar.core.units.Significant.digits(now.orElse(Percent.WHOLE).percent()));
    return field;
  }

  private static Reading<Use> use(Function<Optional<Percent>, Use> change, Percent value) {
    return possible(
        () -> change.apply(value.equals(Percent.WHOLE) ? Optional.empty() : Optional.of(value)));
  }

  private static void part(
      Device device, Part part, Session session, Review review, List<Node> nodes) {
    var options = new ArrayList<Part>();
    review
        .study()
        .catalogue()
        .of(part.getClass())
        .filter(next -> next.terminals().equals(part.terminals()))
        .forEach(options::add);
    nodes.add(
        choice("Part", options, part, Part::name, next -> session.edit(Edits.swap(device, next))));
    if (session.project().ownParts().contains(part)) own(part, session, nodes);
    else {
      var copy = new Button("Duplicate this part and edit it");
      copy.setId("duplicate-part");
      copy.setOnAction(_ -> duplicate(device, part, session));
      nodes.add(copy);
    }
  }

  private static void duplicate(Device device, Part part, Session session) {
    var id = part.id() + "-own";
    for (var n = 2; has(session, id); n++) id = part.id() + "-own-" + n;
    var copy = PartProperties.copy(part, id, part.name() + " (own)");
    session.edit(
        Edits.ownParts("Make an own part for " + device.designation(), List.of(copy))
            .then(Edits.swap(device, copy)));
  }

  private static boolean has(Session session, String id) {
    return session.catalogue().find(id).isPresent();
  }

  /// Every property of a project's own part.
  private static void own(Part part, Session session, List<Node> nodes) {
    var note =
        new Label("A part of this project's own. Changes hold for every device that is one.");
    note.getStyleClass().addAll("faint", "wrapping");
    note.setMinHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
    nodes.add(note);
    PartProperties.of(part)
        .forEach((property, value) -> {
          var field =
              new QuantityField<>(
                  PartSheet.words(property),
                  "",
                  text -> PartProperties.with(part, property, text),
                  next -> session.edit(Edits.replacePart(next)));
          field.field().setId("own-" + property.replace('.', '-'));
          field.show(value);
          nodes.add(field);
        });
  }

  static <T> Node choice(
      String name, List<T> options, T now, Function<T, String> words, Consumer<T> take) {
    var label = new Label(name);
    label.setMinWidth(104);
    var box = new ChoiceBox<T>();
    box.getItems().setAll(options);
    box.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(T option) {
            return option == null ? "" : words.apply(option);
          }

          @Override
          public T fromString(String text) {
            return now;
          }
        });
    box.setValue(now);
    box.setAccessibleText(name);
    box.setId("choice-" + name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-"));
    box.setMinWidth(60);
    box.setPrefWidth(140);
    box.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(box, Priority.ALWAYS);
    box.valueProperty()
        .addListener((_, before, next) -> {
          if (next != null && !next.equals(before)) take.accept(next);
        });
    label.setLabelFor(box);
    var row = new HBox(8, label, box);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }
}
