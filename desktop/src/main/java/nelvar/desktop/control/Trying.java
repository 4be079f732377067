package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Disturbance;
import nelvar.core.network.EnteredTrials;
import nelvar.core.network.Live;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.desktop.session.Bench;
import nelvar.desktop.session.Session;

/// What can be tried and measured on the selection: its switches, its contacts, its terminals with
/// their volts to earth and a place for each probe.
final class Trying {
  private final Bench bench;
  private final Live live;

  private Trying(Session session) {
    this.bench = session.bench();
    this.live = bench.solved().get().live();
  }

  static List<Node> of(Device device, Part part, Session session) {
    var trying = new Trying(session);
    var rows = new ArrayList<Node>();
    for (var ref : trying.live.circuitry().actuators(device.id())) rows.add(trying.actuator(ref));
    if (trying.live.circuitry().protects(device.id())) rows.add(trying.protection(device));
    trying.poles(device).ifPresent(rows::add);
    trying.welds(device).ifPresent(rows::add);
    if (!device.intakes(part).isEmpty()
        && (!part.outputs().isEmpty() || !part.actuators().isEmpty()))
      rows.add(trying.dead(device));
    for (var terminal : part.terminals()) {
      var ref = new TerminalRef(device.id(), terminal.name());
      if (trying.live.circuitry().topology().wired(ref)) rows.add(trying.terminal(ref));
    }
    trying.load(device).ifPresent(rows::add);
    trying.dial(device, part).ifPresent(rows::add);
    trying.entered(device, part).ifPresent(rows::add);
    trying.wrongPart(device, part, session).ifPresent(rows::add);
    return rows;
  }

  static List<Node> of(Conductor conductor, Session session) {
    var trying = new Trying(session);
    var live = trying.live;
    var cut = trying.bench.trial().get().cut(conductor.id());
    var flows =
        row(
            "Carries now",
            live.current(conductor.id()).map(MeterWords::amperes).orElse("not known"));
    var lost =
        row(
            "Loses",
            live.voltage(conductor.from(), conductor.to())
                .map(MeterWords::volts)
                .orElse(
                    !live.known(conductor.from(), conductor.to())
                        ? "not known"
                        : cut ? "cut" : "nothing joins its ends"));
    var clamp = new Button("Clamp it");
    clamp.setId("clamp");
    clamp.setOnAction(_ -> trying.bench.mode().set(Bench.Mode.AMPERES));
    var part = new Button(cut ? "Mend it" : "Cut it");
    part.setId("cut");
    part.setOnAction(_ -> trying.change(w -> w.togglingCut(conductor.id())));
    return List.of(
        flows,
        lost,
        trying.terminal(conductor.from()),
        trying.terminal(conductor.to()),
        trying.loose(conductor),
        new HBox(8, clamp, part));
  }

  private void change(UnaryOperator<WhatIf> how) {
    bench.trial().set(how.apply(bench.trial().get()));
  }

  private static HBox row(String name, String value) {
    var left = new Label(name);
    left.setMinWidth(Region.USE_PREF_SIZE);
    var right = new Label(value);
    right.getStyleClass().add("value");
    var space = new Region();
    HBox.setHgrow(space, Priority.ALWAYS);
    var row = new HBox(8, left, space, right);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getStyleClass().add("fact");
    return row;
  }

  private HBox actuator(ActuatorRef ref) {
    var held = bench.trial().get().held(ref);
    var row = row(ref.name(), live.on(ref) ? "on" : "off");
    for (var state : new boolean[] {true, false}) {
      var button = new ToggleButton(state ? "hold on" : "hold off");
      button.setId("hold-" + (state ? "on-" : "off-") + ref.name());
      button.setSelected(held.isPresent() && held.get() == state);
      button.setMinWidth(Region.USE_PREF_SIZE);
      button.setAccessibleText("Hold " + live.name(ref) + (state ? " on" : " off") + ", to try it");
      button.setOnAction(
          _ -> change(w -> button.isSelected() ? w.holding(ref, state) : w.releasing(ref)));
      row.getChildren().add(button);
    }
    return row;
  }

  private HBox protection(Device device) {
    var opened = bench.trial().get().opened(device.id());
    var row = row("protective device", opened ? "pulled" : "in");
    var button = new ToggleButton("pull");
    button.setId("pull");
    button.setSelected(opened);
    button.setOnAction(_ -> change(w -> w.togglingProtection(device.id())));
    row.getChildren().add(button);
    return row;
  }

  /// Channels and fuse-links that open alone, to pull one by one.
  private Optional<Node> poles(Device device) {
    var alone =
        live.poles().stream()
            .filter(pole -> pole.device().id().equals(device.id()) && pole.alone())
            .map(Live.Loaded::pole)
            .toList();
    if (alone.size() < 2) return Optional.empty();
    var flow = new FlowPane(6, 4);
    flow.setAlignment(Pos.CENTER_LEFT);
    flow.getChildren().add(new Label("pull one"));
    for (var pole : alone) {
      var button = new ToggleButton(pole.b().terminal());
      button.setId("pull-" + pole.b().terminal());
      button.setSelected(bench.trial().get().opened(pole));
      button.setAccessibleText("Open " + pole + " alone, to try it");
      button.setOnAction(_ -> change(w -> w.togglingPole(pole)));
      flow.getChildren().add(button);
    }
    flow.getStyleClass().add("fact");
    return Optional.of(flow);
  }

  /// A device that does nothing any more.
  private HBox dead(Device device) {
    var disturbance = new Disturbance.Dead(device.id());
    var row = row("device", bench.trial().get().dead(device.id()) ? "dead" : "alive");
    var button = new ToggleButton("let it die");
    button.setId("dead");
    button.setSelected(bench.trial().get().dead(device.id()));
    button.setOnAction(_ -> change(w -> w.toggling(disturbance)));
    row.getChildren().add(button);
    return row;
  }

  /// What a bad end of a wire may add; common practice.
  private static final double[] BAD_ENDS = {0.1, 1, 10};

  private Node loose(Conductor conductor) {
    var choices = new ArrayList<Choice>();
    for (var ohms : BAD_ENDS) {
      var more = new Resistance(ohms);
      choices.add(new Choice(more.toString(), new Disturbance.Loose(conductor.id(), more)));
    }
    return choices("a bad end", "loose", choices);
  }

  /// What a load may take instead of what it is planned to.
  private Optional<Node> load(Device device) {
    if (live.circuitry().served(device.id()).isEmpty()) return Optional.empty();
    var choices = new ArrayList<Choice>();
    for (var percent : new int[] {0, 50, 100, 150}) {
      var share = new Percent(percent);
      choices.add(new Choice(share.toString(), new Disturbance.LoadAt(device.id(), share)));
    }
    return Optional.of(choices("load", "load", choices));
  }

  /// A dial at its ends.
  private Optional<Node> dial(Device device, Part part) {
    return part.dial()
        .map(dial ->
            choices(
                "set wrongly",
                "dial",
                Stream.of(dial.least(), dial.greatest())
                    .map(current ->
                        new Choice(
                            current.toString(), new Disturbance.WrongSetting(device.id(), current)))
                    .toList()));
  }

  /// A drive that was reset, is half entered or was left on its keypad.
  private Optional<Node> entered(Device device, Part part) {
    var tries = EnteredTrials.of(device, part);
    return tries.isEmpty()
        ? Optional.empty()
        : Optional.of(
            choices(
                "set otherwise",
                "entered",
                tries.stream().map(one -> new Choice(one.how(), one)).toList()));
  }

  private record Choice(String text, Disturbance disturbance) {}

  private Node choices(String name, String id, List<Choice> choices) {
    var flow = new FlowPane(6, 4);
    flow.setAlignment(Pos.CENTER_LEFT);
    flow.getChildren().add(new Label(name));
    for (var choice : choices) {
      var button = new ToggleButton(choice.text());
      button.setId(id + "-" + choice.text().replaceAll("[^A-Za-z0-9]", "_"));
      button.setMinWidth(Region.USE_PREF_SIZE);
      button.setSelected(bench.trial().get().disturbances().contains(choice.disturbance()));
      button.setAccessibleText(name + " " + choice.text() + ", to try it");
      button.setOnAction(_ -> change(w -> w.toggling(choice.disturbance())));
      flow.getChildren().add(button);
    }
    flow.getStyleClass().add("fact");
    return flow;
  }

  /// Another part of its kind, fitted by mistake.
  private Optional<Node> wrongPart(Device device, Part part, Session session) {
    var topology = live.circuitry().topology();
    var planned = session.project().device(device.id()).map(Device::part).orElse(device.part());
    var others =
        topology.catalogue().all().stream()
            .filter(other ->
                other.getClass().equals(part.getClass())
                    && topology.missing(device, other).isEmpty())
            .toList();
    if (others.size() < 2) return Optional.empty();
    var box = new ChoiceBox<Part>();
    box.setId("wrong-part");
    box.setAccessibleText("Another part fitted by mistake, to try it");
    box.getItems().addAll(others);
    box.setMaxWidth(Double.MAX_VALUE);
    box.setConverter(
        new javafx.util.StringConverter<>() {
          @Override
          public String toString(Part shown) {
            return shown == null ? "" : shown.name();
          }

          @Override
          public Part fromString(String text) {
            return box.getValue();
          }
        });
    // As it is in the catalogue: what is entered in it does not make it another.
    var fitted = topology.part(device.id()).map(Part::id).orElse(part.id());
    box.setValue(others.stream().filter(o -> o.id().equals(fitted)).findFirst().orElse(part));
    box.setOnAction(_ -> change(w -> fitted(w, device, planned, box.getValue())));
    var label = new Label("fitted instead");
    label.setMinWidth(Region.USE_PREF_SIZE);
    var row = new HBox(8, label, box);
    HBox.setHgrow(box, Priority.ALWAYS);
    row.setAlignment(Pos.CENTER_LEFT);
    row.getStyleClass().add("fact");
    return Optional.of(row);
  }

  private static WhatIf fitted(WhatIf trial, Device device, String planned, Part part) {
    return part.id().equals(planned)
        ? trial.without(there ->
            there instanceof Disturbance.WrongPart(var other, _) && other.equals(device.id()))
        : trial.with(new Disturbance.WrongPart(device.id(), part.id()));
  }

  private Optional<Node> welds(Device device) {
    var contacts =
        live.circuitry().contacts(device.id()).stream()
            .filter(pole ->
                live.circuitry().topology().wired(pole.a())
                    && live.circuitry().topology().wired(pole.b()))
            .toList();
    if (contacts.isEmpty() || contacts.size() > 8) return Optional.empty();
    var flow = new FlowPane(6, 4);
    flow.setAlignment(Pos.CENTER_LEFT);
    flow.getChildren().add(new Label("weld"));
    for (var pole : contacts) {
      var button = new ToggleButton(pole.a().terminal() + "–" + pole.b().terminal());
      button.setSelected(bench.trial().get().welded(pole));
      button.setAccessibleText("Weld contact " + pole + " closed, to try it");
      button.setOnAction(_ -> change(w -> w.togglingWeld(pole)));
      flow.getChildren().add(button);
    }
    flow.getStyleClass().add("fact");
    return Optional.of(flow);
  }

  private HBox terminal(TerminalRef terminal) {
    var volts =
        live.toEarth(terminal)
            .map(MeterWords::volts)
            .orElseGet(() -> live.live(terminal) ? "live, not to earth" : "no way to earth");
    var row = row(live.at(terminal), volts);
    row.getChildren().getFirst().getStyleClass().add("mono");
    row.getChildren().add(probe("+", terminal, true));
    row.getChildren().add(probe("−", terminal, false));
    return row;
  }

  private ToggleButton probe(String sign, TerminalRef terminal, boolean first) {
    var property = first ? bench.plus() : bench.minus();
    var button = new ToggleButton(sign);
    button.getStyleClass().add("probe");
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setId(
        (first ? "plus-" : "minus-") + terminal.toString().replaceAll("[^A-Za-z0-9]", "_"));
    button.setSelected(property.get().filter(terminal::equals).isPresent());
    button.setAccessibleText("Put the " + sign + " probe on " + live.at(terminal));
    button.setOnAction(_ -> {
      property.set(button.isSelected() ? Optional.of(terminal) : Optional.empty());
      if (bench.mode().get() == Bench.Mode.AMPERES) bench.mode().set(Bench.Mode.VOLTS);
    });
    return button;
  }
}
