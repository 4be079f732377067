package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.compose.need.PartSearch;
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
    return PartSearch.find(session.catalogue(), words).stream().limit(MOST).toList();
  }

  private static void add(Part part, Session session) {
    var designation = NextName.designation(session.project(), part.stem());
    var device =
        Device.of(
            NextName.id(session.project(), designation.text()),
            designation.text(),
            "",
            part.id(),
            Place.PANEL);
    if (session.edit(Edits.add(device))) session.selection().set(Optional.of(device.id()));
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
