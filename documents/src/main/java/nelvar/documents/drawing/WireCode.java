package nelvar.documents.drawing;

import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.model.TerminalRef;

/// Wires and terminals in few letters, for drawings.
final class WireCode {
  /// Letters of colours (IEC 60757; from memory).
  private static final Map<String, String> COLOURS =
      Map.ofEntries(
          Map.entry("black", "BK"),
          Map.entry("brown", "BN"),
          Map.entry("red", "RD"),
          Map.entry("orange", "OG"),
          Map.entry("yellow", "YE"),
          Map.entry("green", "GN"),
          Map.entry("blue", "BU"),
          Map.entry("light blue", "BU"),
          Map.entry("dark blue", "BU"),
          Map.entry("violet", "VT"),
          Map.entry("grey", "GY"),
          Map.entry("gray", "GY"),
          Map.entry("white", "WH"),
          Map.entry("pink", "PK"),
          Map.entry("turquoise", "TQ"));

  private WireCode() {}

  static String colour(String words) {
    return Stream.of(words.split(" with |-")).allMatch(COLOURS::containsKey)
        ? Stream.of(words.split(" with |-")).map(COLOURS::get).collect(Collectors.joining())
        : words;
  }

  /// Its number and colour: `W131 BU`; of a core its mark.
  static String first(Conductor wire) {
    return Stream.concat(
            Stream.of(wire.label().text()), wire.colour().map(WireCode::colour).stream())
        .collect(Collectors.joining(" "));
  }

  /// Its cable and section, in mm² where no unit stands: `WB1 0.34`.
  static String second(Conductor wire, Study study) {
    return Stream.concat(
            study.cable(wire).map(cable -> cable.label().text()).stream(),
            wire.section().map(section -> section.toString().replace(" mm²", "")).stream())
        .collect(Collectors.joining(" "));
  }

  static String terminal(TerminalRef terminal, Study study) {
    return study.label(terminal.device()) + ":" + terminal.terminal();
  }
}
