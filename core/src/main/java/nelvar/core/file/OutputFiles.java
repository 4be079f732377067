package nelvar.core.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/// Writes what is exported, as carefully as a save: all files stand beside their places before the
/// first takes it, so that a full disk leaves what was there, and nothing half.
public final class OutputFiles {
  private OutputFiles() {}

  /// All into one folder, which is made where it is missing.
  public static void write(Path folder, Map<String, byte[]> files) throws IOException {
    write(folder, files, Disk.REAL);
  }

  public static void write(Path folder, Map<String, byte[]> files, Disk disk) throws IOException {
    checkFolder(folder);
    var made = firstMissing(folder);
    try {
      Files.createDirectories(folder);
      var places = new LinkedHashMap<Path, byte[]>();
      files.forEach((name, bytes) -> places.put(folder.resolve(name), bytes));
      all(places, disk);
    } catch (IOException e) {
      // A folder made for nothing goes again.
      if (made.isPresent()) removeEmpty(folder, made.get());
      throw e;
    }
  }

  /// Says before the work what [#write(Path, Map)] would say after it.
  public static void checkFolder(Path folder) throws IOException {
    if (Files.exists(folder) && !Files.isDirectory(folder))
      throw new IOException(folder.getFileName() + " is a file: choose a folder");
  }

  /// Says before the work what [#write(Path, byte[])] would say after it.
  public static void checkFile(Path file) throws IOException {
    if (Files.isDirectory(file))
      throw new IOException(file.getFileName() + " is a folder: name a file");
    if (Files.exists(file) && !Files.isRegularFile(file))
      throw new IOException(file.getFileName() + " is a device or a pipe: name a file");
  }

  /// One file; its folder is made where it is missing.
  public static void write(Path file, byte[] bytes) throws IOException {
    checkFile(file);
    var absolute = file.toAbsolutePath();
    var folder = absolute.getParent();
    if (folder == null) throw new IOException("name a file");
    write(folder, Map.of(String.valueOf(absolute.getFileName()), bytes));
  }

  private static void all(Map<Path, byte[]> places, Disk disk) throws IOException {
    var parts = new LinkedHashMap<Path, Path>();
    try {
      for (var place : places.entrySet()) {
        var target = real(place.getKey());
        if (Files.exists(target) && !Files.isRegularFile(target))
          throw new IOException(target.getFileName() + " is in the way, and it is no file");
        var part = target.resolveSibling(target.getFileName() + ".part");
        disk.writeAndSync(
            part, place.getValue(), Files.exists(target) ? Optional.of(target) : Optional.empty());
        parts.put(part, target);
      }
      for (var part : parts.entrySet()) disk.rename(part.getKey(), part.getValue());
    } catch (IOException e) {
      for (var place : places.keySet()) tidy(place, e, disk);
      throw e;
    }
  }

  /// Takes half a file away, but never what somebody else put in its place.
  private static void tidy(Path place, IOException because, Disk disk) {
    try {
      var target = real(place);
      var part = target.resolveSibling(target.getFileName() + ".part");
      if (Files.isRegularFile(part, LinkOption.NOFOLLOW_LINKS)) disk.delete(part);
    } catch (IOException alsoRefused) {
      because.addSuppressed(alsoRefused);
    }
  }

  private static Path real(Path target) throws IOException {
    return Files.exists(target) ? target.toRealPath() : target;
  }

  private static Optional<Path> firstMissing(Path folder) {
    var at = folder.toAbsolutePath();
    var missing = Optional.<Path>empty();
    while (at != null && !Files.exists(at)) {
      missing = Optional.of(at);
      at = at.getParent();
    }
    return missing;
  }

  private static void removeEmpty(Path folder, Path upTo) {
    var at = folder.toAbsolutePath();
    try {
      while (at != null && at.startsWith(upTo)) {
        Files.deleteIfExists(at);
        at = at.getParent();
      }
    } catch (IOException notEmpty) {
      // Something of somebody else's lies in it: it stays.
    }
  }
}
