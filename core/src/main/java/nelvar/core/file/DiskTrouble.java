package nelvar.core.file;

import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.FileSystemLoopException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.Path;
import java.util.Locale;

/// What a disk refuses, in words a person can act on.
public final class DiskTrouble {
  private DiskTrouble() {}

  /// Without the first capital and the full stop, so that it can follow a colon.
  public static String words(IOException e) {
    return switch (e) {
      case NoSuchFileException missing -> "there is no file or folder " + name(missing);
      case AccessDeniedException denied -> "this account may not write " + name(denied);
      case FileAlreadyExistsException there -> name(there) + " exists already: choose another name";
      case NotDirectoryException file -> name(file) + " is a file, not a folder";
      case FileSystemLoopException _ -> "the links lead in a circle";
      case CharacterCodingException _ -> "it is not UTF-8 text";
      case FileSystemException other -> reason(other);
      default -> e.getMessage() == null ? "the disk refused" : e.getMessage();
    };
  }

  private static String reason(FileSystemException e) {
    var reason = e.getReason() == null ? "the disk refused" : e.getReason();
    var plain = reason.toLowerCase(Locale.ROOT);
    if (plain.contains("no space")) return "the disk is full";
    if (plain.contains("quota")) return "your share of the disk is used up";
    if (plain.contains("read-only")) return "the disk may only be read";
    if (plain.contains("too many levels")) return "it is a link that leads nowhere or in a circle";
    if (plain.contains("name too long")) return "the name is too long for this disk";
    if (plain.contains("not a directory"))
      return "a file stands where a folder is needed in " + name(e);
    return reason;
  }

  private static String name(FileSystemException e) {
    return e.getFile() == null || e.getFile().isEmpty()
        ? "of that name"
        : String.valueOf(Path.of(e.getFile()).getFileName());
  }
}
