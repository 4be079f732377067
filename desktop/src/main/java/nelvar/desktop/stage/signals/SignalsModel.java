package nelvar.desktop.stage.signals;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Job;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.Jumpers;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.analysis.signals.Target;
import nelvar.core.catalogue.BoardHardware;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.PlugFace;
import nelvar.core.catalogue.Sensor;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.BoardEdits;
import nelvar.core.network.Live;
import nelvar.core.review.Review;
import nelvar.documents.drawing.ConnectorFace;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.PinPicture;

/// What the Signals stage shows, without a node.
///
/// @param card the pin that is looked at
/// @param board the board that is looked at, where it has jumpers, sockets or plugs
/// @param functions those whose pins can be shown alone
record SignalsModel(
    boolean begun,
    Drawing drawing,
    String summary,
    Optional<Card> card,
    Optional<BoardCard> board,
    List<Shown> functions) {
  SignalsModel {
    functions = List.copyOf(functions);
  }

  private static final Drawing EMPTY = new Drawing(10, 10, List.of(), List.of());

  /// @param function only pins of what serves it
  record View(boolean free, Optional<Id> selected, Optional<Live> tried, Optional<Id> function) {}

  /// A function whose pins can be shown alone; all of them without one.
  record Shown(Optional<Id> function, String words) {
    static final Shown ALL = new Shown(Optional.empty(), "All functions");

    @Override
    public String toString() {
      return words;
    }
  }

  /// A setting of a device in words.
  record Said(Device device, String name, String value) {}

  /// A jumper with its positions and where it stands.
  record JumperRow(
      BoardHardware.Jumper jumper, Optional<BoardHardware.Position> now, Jumpers.Meaning means) {}

  /// A socket and what is plugged into it.
  record SocketRow(BoardHardware.Socket socket, Optional<String> module) {}

  /// What is plugged, jumped and socketed on a board.
  ///
  /// @param serial how its serial line is set; none where it has none
  record BoardCard(
      Device board, List<JumperRow> jumpers, List<SocketRow> sockets, List<Said> serial) {
    BoardCard {
      jumpers = List.copyOf(jumpers);
      sockets = List.copyOf(sockets);
      serial = List.copyOf(serial);
    }
  }

  /// A name and what stands beside it.
  record Fact(String name, String value) {}

  /// Another pin of the same kind on the board, free or with what it leads to.
  record Other(String pin, String words) {
    @Override
    public String toString() {
      return words;
    }
  }

  /// One pin with its three names and what the engine finds at it.
  ///
  /// @param title `-A1:DI3`
  /// @param facts each a name and a value with its unit
  record Card(
      Device board,
      String pin,
      String title,
      String words,
      PinLink.Standing standing,
      String firmware,
      List<Fact> facts,
      List<Other> others,
      Optional<Drawing> face,
      Optional<Said> target) {
    Card {
      others = List.copyOf(others);
      facts = List.copyOf(facts);
    }
  }

  static SignalsModel of(Review review, View view) {
    var study = review.study();
    var links = PinLinks.of(study);
    if (links.isEmpty())
      return new SignalsModel(
          false, EMPTY, "No controller yet", Optional.empty(), Optional.empty(), List.of());
    var live = view.tried().orElseGet(study::asDesigned);
    return new SignalsModel(
        true,
        PinPicture.of(
            shown(links, view.function(), study),
            study,
            live,
            new PinPicture.View(view.free(), view.selected(), marks(review, links))),
        summary(links),
        view.selected()
            .flatMap(id -> looked(id, links, study))
            .map(link -> card(link, links, study)),
        view.selected().flatMap(study::device).flatMap(device -> board(device, study)),
        functions(links, study));
  }

  /// Pins of what serves a function, with their boards; all where none is asked for.
  private static List<PinLink> shown(List<PinLink> links, Optional<Id> function, Study study) {
    if (function.isEmpty()) return links;
    var some =
        links.stream()
            .filter(link ->
                link.partners().stream()
                    .flatMap(end -> study.device(end.device()).stream())
                    .anyMatch(device -> device.serves().equals(function)))
            .toList();
    return some.isEmpty() ? links : some;
  }

  private static List<Shown> functions(List<PinLink> links, Study study) {
    var all = new ArrayList<Shown>(List.of(Shown.ALL));
    for (var function : study.project().functions())
      if (links.stream()
          .flatMap(link -> link.partners().stream())
          .flatMap(end -> study.device(end.device()).stream())
          .anyMatch(device -> device.serves().equals(Optional.of(function.id()))))
        all.add(
            new Shown(Optional.of(function.id()), function.designation() + " " + function.name()));
    return all;
  }

  private static final List<String> SERIAL = List.of("Serial", "Address", "Termination");

  private static Optional<BoardCard> board(Device device, Study study) {
    var logic = study.part(device).flatMap(Part::logic);
    if (logic.filter(l -> !l.pins().isEmpty()).isEmpty()) return Optional.empty();
    var hardware = logic.get().onBoard();
    return Optional.of(
        new BoardCard(
            device,
            hardware.jumpers().stream()
                .map(jumper -> {
                  var now = Jumpers.position(device, jumper, study);
                  return new JumperRow(
                      jumper, now, Jumpers.meaning(device, jumper, logic.get(), study));
                })
                .toList(),
            hardware.sockets().stream()
                .map(socket ->
                    new SocketRow(
                        socket,
                        BoardEdits.plugged(study.project(), device, socket).stream()
                            .findFirst()
                            .map(end -> study.label(end.device()))))
                .toList(),
            logic.get().pins().stream().anyMatch(pin -> pin.type() == Pin.Type.SERIAL)
                ? SERIAL.stream()
                    .map(name ->
                        new Said(
                            device, name, study.project().setting(device.id(), name).orElse("")))
                    .toList()
                : List.of()));
  }

  /// The worst open finding at each pin, or about what it is linked to.
  private static Map<TerminalRef, Severity> marks(Review review, List<PinLink> links) {
    var all = new HashMap<TerminalRef, Severity>();
    for (var entry : review.open()) {
      if (entry.rule().job() != Job.SIGNALS) continue;
      var finding = entry.finding().orElseThrow();
      for (var link : links)
        if (link.wired() && about(finding.subject(), link))
          all.merge(link.at(), finding.severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b);
    }
    return all;
  }

  private static boolean about(Subject subject, PinLink link) {
    return switch (subject) {
      case Subject.AtTerminal(var at) -> at.equals(link.at());
      case Subject.Thing(var id) ->
          link.pin().type().reads()
              && link.partners().stream().anyMatch(end -> end.device().equals(id));
      default -> false;
    };
  }

  /// The pin of a wire, or the first of a device that is linked to one.
  private static Optional<PinLink> looked(Id selected, List<PinLink> links, Study study) {
    var wire = study.conductor(selected);
    return links.stream()
        .filter(link ->
            wire.filter(w -> w.lands(link.at())).isPresent()
                || link.partners().stream().anyMatch(end -> end.device().equals(selected)))
        .findFirst();
  }

  private static Card card(PinLink link, List<PinLink> links, Study study) {
    var pin = link.pin();
    var facts = new ArrayList<Fact>();
    facts.add(new Fact("On the board", pin.name() + pin.at().map(spot -> ", " + spot).orElse("")));
    pin.pinOut().ifPresent(name -> facts.add(new Fact("On the drawing", name)));
    facts.add(new Fact("Kind", pin.type().words()));
    if (!link.partners().isEmpty())
      facts.add(
          new Fact(
              pin.type().reads() ? "Reads" : "Drives",
              String.join(
                  ", ",
                  new LinkedHashSet<>(
                      link.partners().stream().map(end -> name(end, study)).toList()))));
    if (pin.type().digitalInput())
      facts.add(
          new Fact(
              "Surely 0, surely 1",
              "up to %s, from %s".formatted(pin.levels().low(), pin.levels().high())));
    link.on()
        .ifPresent(seen ->
            facts.add(
                new Fact(
                    pin.type().reads() ? "Driven" : "On",
                    "%s, %s".formatted(volts(seen), seen.current()))));
    link.off().ifPresent(seen -> facts.add(new Fact("At rest", volts(seen))));
    link.margin().ifPresent(margin -> facts.add(new Fact("To spare", margin.toString())));
    link.spare().ifPresent(spare -> facts.add(new Fact("To spare", spare.toString())));
    pin.rating().ifPresent(rating -> facts.add(new Fact("May carry", rating.toString())));
    pin.frequency().ifPresent(f -> facts.add(new Fact("Up to", f.toString())));
    pin.group().ifPresent(group -> facts.add(new Fact("Shares", group)));
    return new Card(
        link.board(),
        pin.name(),
        link.board().designation() + ":" + pin.name(),
        link.words(),
        link.standing(),
        FirmwareNames.of(study.project(), link.board().id(), pin).orElse(""),
        facts,
        links.stream()
            .filter(other -> other.board().id().equals(link.board().id()) && other != link)
            .filter(other -> alike(other.pin().type(), pin.type()))
            .map(other -> other(other, study))
            .toList(),
        face(link, study),
        target(link, study));
  }

  /// What is said of the target of the sensor it reads.
  private static Optional<Said> target(PinLink link, Study study) {
    return link.partners().stream()
        .flatMap(end -> study.device(end.device()).stream())
        .filter(device -> study.part(device).filter(Sensor.class::isInstance).isPresent())
        .findFirst()
        .map(sensor ->
            new Said(
                sensor,
                Target.SETTING,
                study.project().setting(sensor.id(), Target.SETTING).orElse("")));
  }

  /// Its connector with the place marked.
  private static Optional<Drawing> face(PinLink link, Study study) {
    return study
        .part(link.board())
        .flatMap(part ->
            part.faces().stream()
                .filter(face -> face.places().contains(Optional.of(link.pin().name())))
                .findFirst())
        .filter(face -> face.ways() > 1 && face.ways() <= 16)
        .map((PlugFace face) -> ConnectorFace.of(face, Map.of(), Optional.of(link.pin().name())));
  }

  private static boolean alike(Pin.Type a, Pin.Type b) {
    return a == b || (a.digitalInput() && b.digitalInput()) || (a.switches() && b.switches());
  }

  private static Other other(PinLink link, Study study) {
    return new Other(
        link.pin().name(),
        "%s, %s"
            .formatted(
                link.pin().name(),
                link.partners().stream()
                    .findFirst()
                    .map(end -> study.label(end.device()))
                    .orElse(link.standing().words())));
  }

  private static String volts(PinLink.Seen seen) {
    return new nelvar.core.units.Voltage(Math.round(seen.volts().volts() * 100) / 100.0).toString();
  }

  private static String name(TerminalRef end, Study study) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  private static String summary(List<PinLink> links) {
    var all = new ArrayList<String>();
    count(all, "inputs", links, pin -> pin.type().digitalInput());
    count(all, "outputs", links, pin -> pin.type().switches());
    var wrong = links.stream().filter(l -> l.standing() == PinLink.Standing.WRONG).count();
    var sure = links.stream().filter(l -> l.standing() == PinLink.Standing.SURE).count();
    all.add(
        wrong == 0
            ? "%d links proved".formatted(sure)
            : "%d proved, %d wrong".formatted(sure, wrong));
    return String.join(", ", all);
  }

  private static void count(
      List<String> all, String what, List<PinLink> links, java.util.function.Predicate<Pin> which) {
    var of = links.stream().filter(link -> which.test(link.pin())).toList();
    if (!of.isEmpty())
      all.add("%d of %d %s".formatted(of.stream().filter(PinLink::wired).count(), of.size(), what));
  }
}
