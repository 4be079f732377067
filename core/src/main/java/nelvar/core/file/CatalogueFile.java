package nelvar.core.file;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;

/// Reads the catalogue shipped with the program. A new part goes into one of the files; a new file
/// into [#FILES].
public final class CatalogueFile {
  private static final List<String> FILES =
      List.of(
          "mains.json",
          "protection.json",
          "supplies.json",
          "drives.json",
          "motors.json",
          "control.json",
          "sensors.json",
          "actuators.json",
          "connection.json",
          "cables.json",
          "enclosures.json");

  private static final Catalogue STANDARD = load();

  private CatalogueFile() {}

  public static Catalogue standard() {
    return STANDARD;
  }

  private static Catalogue load() {
    var all = new ArrayList<Part>();
    for (var file : FILES) {
      try (var in = Catalogue.class.getResourceAsStream("parts/" + file)) {
        if (in == null) throw new IllegalStateException("catalogue file " + file + " is missing");
        all.addAll(read(file, in));
      } catch (IOException e) {
        throw new UncheckedIOException(file, e);
      } catch (UnreadableFile e) {
        throw new IllegalStateException(e.getMessage(), e);
      }
    }
    return Catalogue.of(all);
  }

  static List<Part> read(String file, InputStream in) throws UnreadableFile {
    try {
      return NelvarJson.mapper().readValue(in, new TypeReference<List<Part>>() {});
    } catch (JacksonException e) {
      throw Problems.of(file, e);
    }
  }
}
