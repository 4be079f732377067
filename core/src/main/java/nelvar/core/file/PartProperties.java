package nelvar.core.file;

import java.util.LinkedHashMap;
import java.util.Map;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Soundness;
import nelvar.core.units.Reading;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// A part as names and texts, for editing a project's own parts property by property; inner ones
/// with a point: `coil.voltage`.
public final class PartProperties {
  private PartProperties() {}

  /// Everything but its kind and id, in the order of the file; lists are left out.
  public static Map<String, String> of(Part part) {
    var all = new LinkedHashMap<String, String>();
    collect("", tree(part), all);
    all.remove("kind");
    all.remove("id");
    return all;
  }

  private static ObjectNode tree(Part part) {
    return (ObjectNode)
        NelvarJson.mapper()
            .readTree(NelvarJson.mapper().writerFor(Part.class).writeValueAsString(part));
  }

  private static void collect(String prefix, JsonNode node, Map<String, String> all) {
    node.properties()
        .forEach(entry -> {
          if (entry.getValue().isObject())
            collect(prefix + entry.getKey() + ".", entry.getValue(), all);
          else if (entry.getValue().isValueNode())
            all.put(prefix + entry.getKey(), entry.getValue().asString());
        });
  }

  /// The part with one property changed, or what is wrong with the text.
  public static Reading<Part> with(Part part, String property, String text) {
    var tree = tree(part);
    var path = property.split("\\.");
    var at = tree;
    for (var i = 0; i < path.length - 1; i++) at = at.withObjectProperty(path[i]);
    var name = path[path.length - 1];
    var before = at.get(name);
    try {
      if (before != null && before.isInt()) at.put(name, Integer.parseInt(text.strip()));
      else if (before != null && before.isNumber())
        at.put(name, Double.parseDouble(text.strip().replace(',', '.')));
      else if (before != null && before.isBoolean())
        at.put(name, Boolean.parseBoolean(text.strip()));
      else at.put(name, text.strip());
      var next = NelvarJson.mapper().treeToValue(tree, Part.class);
      var problem = Soundness.problem(next);
      return problem.isPresent() ? new Reading.Misread<>(problem.get()) : new Reading.Value<>(next);
    } catch (NumberFormatException e) {
      return new Reading.Misread<>("'" + text + "' is not a number");
    } catch (JacksonException e) {
      return new Reading.Misread<>(
          Explanations.of(e)
              .replaceFirst("^" + java.util.regex.Pattern.quote(property) + ": ", ""));
    }
  }

  /// The same part under another id and name.
  public static Part copy(Part part, String id, String name) {
    var tree = tree(part);
    tree.put("id", id);
    tree.put("name", name);
    return NelvarJson.mapper().treeToValue(tree, Part.class);
  }
}
