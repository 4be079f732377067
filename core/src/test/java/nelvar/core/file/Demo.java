package nelvar.core.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import nelvar.core.model.Project;

/// The demo projects, as they lie in the tree.
public final class Demo {
  public static final Path PLANTED =
      Path.of("../demo/seed-tray-filler/seed-tray-filler.nelvar.json");
  public static final Path SETTLED =
      Path.of("../demo/seed-tray-filler/seed-tray-filler-settled.nelvar.json");

  /// The North American machine.
  public static final Path RINSER = Path.of("../demo/bottle-rinser/bottle-rinser.nelvar.json");

  public static final Path RINSER_SETTLED =
      Path.of("../demo/bottle-rinser/bottle-rinser-settled.nelvar.json");

  private Demo() {}

  /// The potter's machine of three small boards.
  public static final Path SPRAYER = Path.of("../demo/glaze-sprayer/glaze-sprayer.nelvar.json");

  public static final Path SPRAYER_SETTLED =
      Path.of("../demo/glaze-sprayer/glaze-sprayer-settled.nelvar.json");

  public static Project sprayer() {
    return open(SPRAYER);
  }

  public static Project sprayerSettled() {
    return open(SPRAYER_SETTLED);
  }

  public static Project rinser() {
    return open(RINSER);
  }

  public static Project rinserSettled() {
    return open(RINSER_SETTLED);
  }

  public static Project planted() {
    return open(PLANTED);
  }

  public static Project settled() {
    return open(SETTLED);
  }

  static byte[] bytes() {
    try {
      return Files.readAllBytes(PLANTED);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Project open(Path path) {
    try {
      return ProjectFile.at(path).open();
    } catch (UnreadableFile e) {
      throw new IllegalStateException(e);
    }
  }
}
