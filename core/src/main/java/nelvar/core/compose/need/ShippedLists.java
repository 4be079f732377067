package nelvar.core.compose.need;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import nelvar.core.compose.Draft;

/// Lists to begin with, all invented.
public final class ShippedLists {
  /// Their names, in the order they are offered.
  public static final List<String> NAMES =
      List.of("tile-polisher", "dough-roller", "foam-cutter", "yarn-winder", "conveyor-station");

  private ShippedLists() {}

  /// The text of one; empty for another name.
  public static Optional<String> text(String name) {
    if (!NAMES.contains(name)) return Optional.empty();
    try (var in = Draft.class.getResourceAsStream("lists/" + name + ".txt")) {
      return Optional.of(
          new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(name, e);
    }
  }
}
