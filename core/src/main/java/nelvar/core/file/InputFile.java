package nelvar.core.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.LongFunction;

/// Reads what a person named as a file: a folder, a pipe, a device, a file too large or not theirs
/// to read is answered at once and in words.
public final class InputFile {
  private InputFile() {}

  /// A text in UTF-8, such as a CSV.
  public static String text(Path path, long most, String remedy) throws UnreadableFile {
    var name = String.valueOf(path.getFileName());
    var bytes =
        read(
            path,
            most,
            size ->
                new UnreadableFile(
                    name,
                    Optional.empty(),
                    "the file has %d MB; at most %d MB are read".formatted(size >> 20, most >> 20),
                    remedy),
            remedy,
            Disk.REAL);
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException e) {
      throw new UnreadableFile(
          name, Optional.empty(), "it is not UTF-8 text", "Save it as UTF-8 and read it again.");
    }
  }

  static byte[] read(
      Path path, long most, LongFunction<UnreadableFile> tooLarge, String remedy, Disk disk)
      throws UnreadableFile {
    var name = String.valueOf(path.getFileName());
    try {
      if (Files.isDirectory(path)) throw wrong(name, "this is a folder", remedy);
      if (Files.exists(path) && !Files.isRegularFile(path))
        throw wrong(name, "this is a device or a pipe, not a file", remedy);
      var size = Files.size(path);
      if (size > most) throw tooLarge.apply(size);
      return disk.read(path);
    } catch (NoSuchFileException e) {
      throw wrong(
          name,
          Files.isSymbolicLink(path)
              ? "this is a link that leads nowhere"
              : "there is no such file",
          "Check the name and the folder.");
    } catch (AccessDeniedException e) {
      throw wrong(
          name,
          "this account may not read the file",
          "Ask for the right to read it, or copy it to a folder of your own.");
    } catch (IOException e) {
      throw wrong(name, "the file cannot be read: " + DiskTrouble.words(e), remedy);
    }
  }

  private static UnreadableFile wrong(String name, String problem, String remedy) {
    return new UnreadableFile(name, Optional.empty(), problem, remedy);
  }
}
