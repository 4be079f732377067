package nelvar.core.file;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// From format 1 to 2: format 2 only adds optional fields and kinds of parts, so nothing moves.
final class FormatOne {
  static final Migration.Step STEP = new Migration.Step(1, false, FormatOne::toTwo);

  private FormatOne() {}

  private static JsonNode toTwo(JsonNode tree) {
    if (tree instanceof ObjectNode object) object.put("format", 2);
    return tree;
  }
}
