package nelvar.core.analysis.runs;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nelvar.core.analysis.Circuit;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;

/// What a single wire is for, and the colours that say so.
///
/// Metric: IEC 60204-1:2016, 13.2 (green-yellow, light blue; recommended black, red, blue, orange
/// for what stays live with the main switch off) and IEC 60445:2017 for lines (brown, black, grey)
/// and direct current (red, white). North American: NFPA 79:2021, chapter 13 (green, white or grey,
/// black, red, blue, white with blue), and the usual colours of lines. All from memory.
public final class WireColours {
  private WireColours() {}

  public enum Use {
    PROTECTIVE("a protective conductor", "green-yellow", "green, green-yellow"),
    NEUTRAL("a neutral", "light blue, blue", "white, grey"),
    LINE("mains power", "black, brown, grey", "black, red, blue, brown, orange, yellow"),
    DIRECT(
        "direct-current power",
        "black, dark blue, blue, dark blue with white, red, white",
        "black, blue, red, white with blue"),
    ALTERNATING_CONTROL("control on alternating current", "red", "red, white"),
    DIRECT_CONTROL(
        "control on direct current",
        "blue, dark blue, dark blue with white",
        "blue, white with blue");

    private final String words;
    private final String metric;
    private final String american;

    Use(String words, String metric, String american) {
      this.words = words;
      this.metric = metric;
      this.american = american;
    }

    public String words() {
      return words;
    }

    /// The usual one first.
    public List<String> colours(Brief.Sizing school) {
      return List.of((school == Brief.Sizing.NORTH_AMERICAN ? american : metric).split(", "));
    }

    /// Whether a colour says so; orange says besides that it stays live.
    public boolean said(String colour, Brief.Sizing school) {
      var plain = plain(colour);
      return colours(school).contains(plain)
          || (plain.equals("orange") && this != PROTECTIVE && this != NEUTRAL);
    }
  }

  /// Empty for data, shields, and what no source reaches.
  public static Optional<Use> use(Conductor wire, Study study) {
    return switch (wire.function()) {
      case PROTECTIVE -> Optional.of(Use.PROTECTIVE);
      case DATA, SHIELD -> Optional.empty();
      case POWER, CONTROL -> study.circuit(wire).flatMap(circuit -> use(wire, circuit, study));
    };
  }

  /// What a drive gives its motor is neither mains nor control.
  private static Optional<Use> use(Conductor wire, Circuit circuit, Study study) {
    var output = circuit.source().output();
    var control = wire.function() == Conductor.Function.CONTROL;
    if (!output.alternating()) return Optional.of(control ? Use.DIRECT_CONTROL : Use.DIRECT);
    if (control) return Optional.of(Use.ALTERNATING_CONTROL);
    return study
        .part(circuit.source().device(), MainsInlet.class)
        .map(_ -> circuit.line() >= output.lines().size() ? Use.NEUTRAL : Use.LINE);
  }

  /// As it is compared: `Green/Yellow` is green-yellow.
  public static String plain(String colour) {
    var words = colour.toLowerCase(Locale.ROOT).strip().replace(" and ", "-").replace('/', '-');
    return switch (words.replace(' ', '-').replace("-stripe", "")) {
      case "green-yellow", "yellow-green", "gnye" -> "green-yellow";
      case "white-blue", "white-with-blue", "blue-white" -> "white with blue";
      case "dark-blue-with-white", "dark-blue-white" -> "dark blue with white";
      case "light-blue", "pale-blue" -> "light blue";
      case "dark-blue" -> "dark blue";
      case "gray" -> "grey";
      default -> words;
    };
  }
}
