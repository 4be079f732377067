package nelvar.core.file;

import java.util.List;
import java.util.function.UnaryOperator;
import tools.jackson.databind.JsonNode;

/// Brings the tree of an older project file up to the newest format, one step a format.
final class Migration {
  /// A step to the next format.
  ///
  /// @param from the format it starts from
  /// @param moves whether anything but the number changes
  record Step(int from, boolean moves, UnaryOperator<JsonNode> change) {}

  static final List<Step> STEPS = List.of(FormatOne.STEP);

  private Migration() {}

  /// Whether a file of this format must be rewritten before it can be read.
  static boolean moves(int format) {
    return STEPS.stream().anyMatch(step -> step.from() >= format && step.moves());
  }

  static JsonNode toNewest(JsonNode tree, int format) {
    var next = tree;
    for (var step : STEPS) if (step.from() >= format) next = step.change().apply(next);
    return next;
  }
}
