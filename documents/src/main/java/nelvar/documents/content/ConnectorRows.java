package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.PlugFace;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.TerminalRef;

/// Plugs of boards, and both halves of connectors, place by place, with what lands there; as a
/// list, and as text by a template of the reader's own.
///
/// A template is a line with names in braces, which is written for every place: `{connector}`,
/// `{place}`, `{pin}`, `{drawing}`, `{program}`, `{kind}`, `{wire}`, `{colour}`, `{section}`,
/// `{to}`, `{purpose}`.
public final class ConnectorRows {
  /// Neutral: what somebody with a crimping tool in hand needs, in his order.
  public static final String TEMPLATE =
      "{connector} {place}: {pin} ({program}) wire {wire} {colour} {section} to {to} {purpose}";

  private static final Pattern NAME = Pattern.compile("\\{([a-z]+)}");

  private ConnectorRows() {}

  /// One place of a plug.
  ///
  /// @param wire what lands there; empty where nothing does
  public record Place(
      Device board,
      PlugFace face,
      int number,
      Optional<String> terminal,
      Optional<Pin> pin,
      Optional<Conductor> wire,
      Map<String, String> words) {
    public Place {
      words = Map.copyOf(words);
    }

    String word(String name) {
      return words.getOrDefault(name, "");
    }
  }

  /// Plugs with their places, in the order of the boards and of their connectors.
  public static List<List<Place>> of(Study study) {
    var all = new ArrayList<List<Place>>();
    for (var board : study.project().devices()) {
      var part = study.part(board);
      if (part.isEmpty()) continue;
      part.get().socket().ifPresent(half -> all.add(places(board, half, part.get(), study)));
      for (var face : part.get().faces()) all.add(places(board, face, part.get(), study));
    }
    return all;
  }

  private static List<Place> places(Device board, PlugFace face, Part part, Study study) {
    var all = new ArrayList<Place>();
    for (var n = 0; n < face.ways(); n++) {
      var terminal = face.places().get(n);
      var pin =
          terminal.flatMap(mark ->
              part.logic().stream()
                  .flatMap(logic -> logic.pins().stream())
                  .filter(p -> p.name().equals(mark))
                  .findFirst());
      var wires =
          terminal.map(mark -> wires(new TerminalRef(board.id(), mark), study)).orElse(List.of());
      if (wires.isEmpty()) all.add(place(board, face, n, terminal, pin, Optional.empty(), study));
      for (var wire : wires)
        all.add(place(board, face, n, terminal, pin, Optional.of(wire), study));
    }
    return all;
  }

  /// The wires of each place of a plug, by its mark.
  public static Map<String, String> under(List<Place> face) {
    var under = new HashMap<String, String>();
    for (var place : face)
      place
          .wire()
          .ifPresent(wire ->
              under.merge(place.terminal().orElse(""), wire.label().text(), (a, b) -> a + " " + b));
    return under;
  }

  private static List<Conductor> wires(TerminalRef at, Study study) {
    return study.at(at.device()).stream().filter(wire -> wire.lands(at)).toList();
  }

  private static Place place(
      Device board,
      PlugFace face,
      int n,
      Optional<String> terminal,
      Optional<Pin> pin,
      Optional<Conductor> wire,
      Study study) {
    var far =
        wire.map(w ->
            w.from().equals(new TerminalRef(board.id(), terminal.orElse(""))) ? w.to() : w.from());
    var device = far.flatMap(end -> study.device(end.device()));
    return new Place(
        board,
        face,
        n + 1,
        terminal,
        pin,
        wire,
        Map.ofEntries(
            Map.entry("connector", board.designation() + " " + face.name()),
            Map.entry("place", String.valueOf(n + 1)),
            Map.entry("pin", terminal.orElse("–")),
            Map.entry("drawing", pin.flatMap(Pin::pinOut).orElse("")),
            Map.entry(
                "program",
                pin.flatMap(p -> FirmwareNames.of(study.project(), board.id(), p)).orElse("")),
            Map.entry("kind", pin.map(p -> p.type().words()).orElse("")),
            Map.entry("wire", wire.map(w -> w.label().text()).orElse("–")),
            Map.entry("colour", wire.flatMap(Conductor::colour).orElse("")),
            Map.entry("section", wire.flatMap(Conductor::section).map(Object::toString).orElse("")),
            Map.entry(
                "to", far.map(end -> study.label(end.device()) + ":" + end.terminal()).orElse("–")),
            Map.entry("purpose", device.map(Device::purpose).orElse(""))));
  }

  /// What a template names that there is not; empty for a good one.
  public static Optional<String> problem(String template) {
    var known =
        java.util.Set.of(
            "connector",
            "place",
            "pin",
            "drawing",
            "program",
            "kind",
            "wire",
            "colour",
            "section",
            "to",
            "purpose");
    var names = NAME.matcher(template);
    while (names.find())
      if (!known.contains(names.group(1)))
        return Optional.of(
            "{%s} is nothing a connector has; it has {%s}"
                .formatted(names.group(1), String.join("}, {", known.stream().sorted().toList())));
    return template.isBlank() || !NAME.matcher(template).find()
        ? Optional.of("a template names something in braces, such as {pin}")
        : Optional.empty();
  }

  /// A place by a template, without the gaps of what is empty.
  public static String written(Place place, String template) {
    var line =
        NAME.matcher(template)
            .replaceAll(name -> Matcher.quoteReplacement(place.word(name.group(1))));
    return line.replace("()", "").replaceAll(" {2,}", " ").strip();
  }

  static ListTable list(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var face : of(study))
      for (var place : face) {
        if (place.wire().isEmpty()) continue;
        rows.add(
            row(
                place.word("connector"),
                place.number(),
                place.word("pin"),
                place.word("drawing"),
                place.word("program"),
                place.word("wire"),
                place.word("colour"),
                place.word("section"),
                place.word("to"),
                place.word("purpose")));
      }
    return new ListTable(
        "connectors",
        "Connectors",
        List.of(
            text("Connector", 1.4),
            number("Place", 0.7),
            text("Pin", 1.2),
            text("Drawing", 1.1),
            text("Program", 1.3),
            text("Wire", 0.9),
            text("Colour", 1.2),
            text("Section", 1),
            text("Joined to", 1.4),
            text("For", 2)),
        rows);
  }
}
