package nelvar.core.file;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.MachineFunction;
import tools.jackson.core.JacksonException;

/// Functions as a text that can be carried from one project to another, in the form they have in a
/// project file.
public final class FunctionsText {
  private static final String MARK = "\"nelvarFunctions\"";

  private record Carried(int nelvarFunctions, List<MachineFunction> functions) {}

  private FunctionsText() {}

  public static String of(List<MachineFunction> functions) {
    return NelvarJson.mapper().writeValueAsString(new Carried(1, functions));
  }

  /// The functions in a text; empty where it is not such a text.
  public static Optional<List<MachineFunction>> read(String text) {
    if (!text.contains(MARK) || text.length() > 1 << 20) return Optional.empty();
    try {
      var carried = NelvarJson.mapper().readValue(text, Carried.class);
      return Optional.ofNullable(carried.functions()).map(List::copyOf);
    } catch (JacksonException wrong) {
      return Optional.empty();
    }
  }
}
