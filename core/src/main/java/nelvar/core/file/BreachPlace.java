package nelvar.core.file;

import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Consistency;
import nelvar.core.model.Project;
import tools.jackson.core.JsonToken;

/// Where in a file a project breaks its promise.
final class BreachPlace {
  private BreachPlace() {}

  /// @param catalogue with the project's own parts
  static void refuse(String file, Project project, Catalogue catalogue, byte[] bytes)
      throws UnreadableFile {
    var breaches = Consistency.check(project, catalogue);
    if (breaches.isEmpty()) return;
    var first = breaches.getFirst();
    var path = first.list() + "[" + first.index() + "]";
    throw new UnreadableFile(
        file,
        Optional.of(new UnreadableFile.Place(lineOf(bytes, first), 0, path)),
        Consistency.words(breaches),
        "Correct this place in a text editor, or open the version saved before it (.previous). The file was left as it is.");
  }

  /// The line in the file where the breach's item begins; 0 where it cannot be told.
  private static int lineOf(byte[] bytes, Consistency.Breach breach) {
    try (var in = NelvarJson.mapper().createParser(bytes)) {
      in.nextToken();
      for (var name = in.nextName(); name != null; name = in.nextName()) {
        var value = in.nextToken();
        if (!name.equals(breach.list()) || value != JsonToken.START_ARRAY) {
          in.skipChildren();
          continue;
        }
        for (var i = 0; in.nextToken() != JsonToken.END_ARRAY; i++) {
          if (i == breach.index()) return in.currentTokenLocation().getLineNr();
          in.skipChildren();
        }
      }
    }
    return 0;
  }
}
