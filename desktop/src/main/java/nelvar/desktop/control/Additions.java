package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.catalogue.WireStock;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Reading;
import nelvar.desktop.session.Session;

/// Adding to the machine: a device from the catalogue, a wire from a device's terminal, and taking
/// either away again.
final class Additions {
  private static final int MOST = 60;

  private Additions() {}

  /// Finds a part by words and adds a device that is one; Enter adds the first.
  static List<Node> device(Session session) {
    var words = new TextField();
    words.setPromptText("Part: 24 V supply, breaker C 6, valve …");
    words.setAccessibleText("Find a part to add");
    words.setId("add-device");
    var hits = new ListView<Part>();
    hits.setAccessibleText("Parts found");
    hits.setId("add-device-hits");
    hits.setPrefHeight(132);
    hits.setFixedCellSize(26);
    hits.setCellFactory(_ ->
        new ListCell<>() {
          @Override
          protected void updateItem(Part part, boolean empty) {
            super.updateItem(part, empty);
            setText(empty || part == null ? null : part.name());
          }
        });
    // The list unfolds when it is wanted: it costs time to build and would crowd out the findings.
    hits.setVisible(false);
    hits.setManaged(false);
    words
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) return;
          hits.setVisible(true);
          hits.setManaged(true);
        });
    Runnable search = () -> hits.getItems().setAll(matching(words.getText(), session));
    words.textProperty().addListener(_ -> search.run());
    search.run();
    Runnable add =
        () -> {
          var part =
              hits.getSelectionModel().getSelectedItem() != null
                  ? hits.getSelectionModel().getSelectedItem()
                  : hits.getItems().isEmpty() ? null : hits.getItems().getFirst();
          if (part != null) add(part, session);
        };
    words.setOnAction(_ -> add.run());
    hits.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) add.run();
    });
    hits.setOnMouseClicked(e -> {
      if (e.getClickCount() > 1) add.run();
    });
    var button = new Button("Add this device");
    button.setId("add-device-button");
    button.setOnAction(_ -> add.run());
    return List.of(words, hits, button);
  }

  private static List<Part> matching(String words, Session session) {
    var wanted = words.toLowerCase(Locale.ROOT).strip().split("\\s+");
    return session.catalogue().all().stream()
        .filter(part -> !(part instanceof CableStock) && !(part instanceof WireStock))
        .filter(part ->
            java.util.Arrays.stream(wanted)
                .allMatch(word ->
                    (part.name() + " " + part.id()).toLowerCase(Locale.ROOT).contains(word)))
        .limit(MOST)
        .toList();
  }

  private static void add(Part part, Session session) {
    var designation = NextName.designation(session.project(), stem(part));
    var device =
        Device.of(
            NextName.id(session.project(), designation.text()),
            designation.text(),
            "",
            part.id(),
            Place.PANEL);
    if (session.edit(Edits.add(device))) session.selection().set(Optional.of(device.id()));
  }

  /// The letter a designation begins with, after IEC 81346-2 (unchecked) as commonly used.
  private static String stem(Part part) {
    return switch (part) {
      case nelvar.core.catalogue.CircuitBreaker _,
          nelvar.core.catalogue.FuseHolder _,
          nelvar.core.catalogue.MotorProtector _,
          nelvar.core.catalogue.ResidualCurrentDevice _,
          nelvar.core.catalogue.ElectronicProtection _ ->
          "-F";
      case nelvar.core.catalogue.DcSupply _,
          nelvar.core.catalogue.MultiOutputSupply _,
          nelvar.core.catalogue.ControlTransformer _,
          nelvar.core.catalogue.MultiWindingTransformer _,
          nelvar.core.catalogue.DcConverter _,
          nelvar.core.catalogue.RectifierBank _ ->
          "-T";
      case nelvar.core.catalogue.BusCapacitors _ -> "-C";
      case nelvar.core.catalogue.BusClamp _ -> "-R";
      case nelvar.core.catalogue.DiodeModule _ -> "-V";
      case nelvar.core.catalogue.TimerRelay _ -> "-K";
      case nelvar.core.catalogue.FrequencyConverter _,
          nelvar.core.catalogue.ServoDrive _,
          nelvar.core.catalogue.StepperDrive _ ->
          "-U";
      case nelvar.core.catalogue.InductionMotor _,
          nelvar.core.catalogue.ServoMotor _,
          nelvar.core.catalogue.StepperMotor _,
          nelvar.core.catalogue.MotorWithDrive _,
          nelvar.core.catalogue.DcMotor _ ->
          "-M";
      case nelvar.core.catalogue.Contactor _,
          nelvar.core.catalogue.Relay _,
          nelvar.core.catalogue.SafetyRelay _ ->
          "-K";
      case nelvar.core.catalogue.Disconnector _ -> "-Q";
      case nelvar.core.catalogue.EmcFilter _ -> "-Z";
      case nelvar.core.catalogue.Controller _, nelvar.core.catalogue.DriverBoard _ -> "-A";
      case nelvar.core.catalogue.ControlSwitch _ -> "-S";
      case nelvar.core.catalogue.Sensor _ -> "-B";
      case nelvar.core.catalogue.Solenoid _ -> "-Y";
      case nelvar.core.catalogue.SignalLamp _ -> "-H";
      case nelvar.core.catalogue.Heater _,
          nelvar.core.catalogue.MainsFan _,
          nelvar.core.catalogue.Appliance _,
          nelvar.core.catalogue.Computer _ ->
          "-E";
      case nelvar.core.catalogue.Enclosure _ -> "-UC";
      case nelvar.core.catalogue.MainsInlet _,
          nelvar.core.catalogue.TerminalStrip _,
          nelvar.core.catalogue.SocketStrip _,
          nelvar.core.catalogue.DistributionBlock _,
          CableStock _,
          WireStock _ ->
          "-X";
    };
  }

  /// A wire from one of this device's terminals to any other terminal.
  static List<Node> wire(Device device, Part part, Session session, Study study) {
    var marks = part.terminals().stream().map(Terminal::name).toList();
    if (marks.isEmpty()) return List.of();
    var free =
        marks.stream()
            .filter(mark -> !study.network().topology().wired(new TerminalRef(device.id(), mark)))
            .findFirst()
            .orElse(marks.getFirst());
    var from = new AtomicReference<>(free);
    var function =
        new AtomicReference<>(
            role(part, free) == Terminal.Role.PROTECTIVE
                ? Conductor.Function.PROTECTIVE
                : Conductor.Function.POWER);
    var section = new AtomicReference<Optional<CrossSection>>(Optional.empty());
    var length = new AtomicReference<Optional<Length>>(Optional.empty());
    var sectionField =
        new QuantityField<>(
            "Its section",
            "",
            Kind.CROSS_SECTION::read,
            next -> {
              section.set(Optional.of(next));
              return true;
            });
    var lengthField =
        new QuantityField<>(
            "Its length",
            "",
            Kind.LENGTH::read,
            next -> {
              length.set(Optional.of(next));
              return true;
            });
    var to =
        new QuantityField<>(
            "To terminal",
            "",
            text -> end(text, session),
            next ->
                connect(
                    device,
                    from.get(),
                    next,
                    function.get(),
                    section.get(),
                    length.get(),
                    session));
    to.field().setPromptText("-X10:3, then Enter");
    var nodes = new ArrayList<Node>();
    nodes.add(DeviceSettings.choice("From terminal", marks, free, mark -> mark, from::set));
    nodes.add(
        DeviceSettings.choice(
            "Its use",
            List.of(Conductor.Function.values()),
            function.get(),
            Conductor.Function::words,
            function::set));
    nodes.add(sectionField);
    nodes.add(lengthField);
    nodes.add(to);
    return nodes;
  }

  private static Terminal.Role role(Part part, String mark) {
    return part.terminals().stream()
        .filter(terminal -> terminal.name().equals(mark))
        .findFirst()
        .map(Terminal::role)
        .orElse(Terminal.Role.SIGNAL);
  }

  /// Reads `-T2:+`: a designation or id, a colon, a terminal that the device has.
  private static Reading<TerminalRef> end(String text, Session session) {
    var colon =
        text.lastIndexOf(':') == text.length() - 1 ? text.indexOf(':') : text.lastIndexOf(':');
    if (colon < 1) return new Reading.Misread<>("Write a device and its terminal, such as -T2:+");
    var name = text.substring(0, colon).strip();
    var mark = text.substring(colon + 1).strip();
    var device =
        session.project().devices().stream()
            .filter(d ->
                d.designation().text().equalsIgnoreCase(name)
                    || d.designation().text().equalsIgnoreCase("-" + name)
                    || d.id().text().equals(name))
            .findFirst();
    if (device.isEmpty())
      return new Reading.Misread<>("There is no device " + name + " in this machine");
    var marks =
        session
            .catalogue()
            .find(device.get().part())
            .map(part -> part.terminals().stream().map(Terminal::name).toList())
            .orElse(List.of());
    if (!marks.contains(mark))
      return new Reading.Misread<>(
          "%s has the terminals %s"
              .formatted(device.get().designation(), String.join(", ", marks)));
    return new Reading.Value<>(new TerminalRef(device.get().id(), mark));
  }

  private static boolean connect(
      Device device,
      String mark,
      TerminalRef to,
      Conductor.Function function,
      Optional<CrossSection> section,
      Optional<Length> length,
      Session session) {
    var project = session.project();
    var from = new TerminalRef(device.id(), mark);
    if (from.equals(to)) {
      session.tell("A wire ends on another terminal than it begins on.");
      return false;
    }
    var label =
        NextName.designation(project, function == Conductor.Function.PROTECTIVE ? "PE" : "W");
    var bundle =
        project.bundles().isEmpty()
            ? Optional.<Id>empty()
            : Optional.of(project.bundles().getFirst().id());
    return session.edit(
        Edits.add(
            "Wire %s:%s to %s".formatted(device.designation(), mark, to),
            new Conductor(
                NextName.id(project, label.text()),
                label,
                from,
                to,
                function,
                section,
                length,
                Optional.empty(),
                Optional.empty(),
                bundle)));
  }

  static Node remove(String what, Runnable take) {
    var button = new Button("Remove " + what);
    button.setId("remove");
    button.setOnAction(_ -> take.run());
    return button;
  }
}
