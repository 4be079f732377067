package nelvar.core.file;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Project;

/// A project on disk: opened whole or not at all, saved so that every instant has a whole file.
///
/// Save writes `NAME.part`, syncs it, reads it back, keeps the old file as `NAME.previous`, then
/// renames `.part` to `NAME`. Killed anywhere, NAME holds the old or the new project, never a
/// mixture. A link is followed to what it leads to; permissions stay as they were. A file that
/// somebody else changed since it was opened or saved here is not written over
/// ([ChangedElsewhere]).
public final class ProjectFile {
  public static final String EXTENSION = ".nelvar.json";

  private final Path path;
  private final Catalogue catalogue;
  private final Disk disk;

  /// The fingerprint of what stood in the file when it was last read or written here; empty before
  /// that.
  private Optional<String> known = Optional.empty();

  public ProjectFile(Path path, Catalogue catalogue, Disk disk) {
    this.path = path;
    this.catalogue = catalogue;
    this.disk = disk;
  }

  public static ProjectFile at(Path path) {
    return new ProjectFile(path.toAbsolutePath(), CatalogueFile.standard(), Disk.REAL);
  }

  public Path path() {
    return path;
  }

  public synchronized Project open() throws UnreadableFile {
    var bytes = bytes();
    var project = ProjectFormat.read(name(), bytes, catalogue);
    known = Optional.of(fingerprint(bytes));
    return project;
  }

  /// @throws ChangedElsewhere if the file is not as it was last read or written here
  public void save(Project project) throws IOException {
    save(project, false);
  }

  /// Saves whatever stands there now: after somebody was asked.
  public void replace(Project project) throws IOException {
    save(project, true);
  }

  private synchronized void save(Project project, boolean whateverStandsThere) throws IOException {
    var target = target();
    var bytes = ProjectFormat.write(project);
    requireReadable(project, bytes);
    var saving = Claim.on(sibling(target, ".lock"));
    if (saving.isEmpty())
      throw new IOException("another program is saving this file just now; try again in a moment");
    try (var _ = saving.get()) {
      var there = Files.exists(target);
      if (there && !Files.isWritable(target)) throw new AccessDeniedException(target.toString());
      if (there && !whateverStandsThere) requireUnchanged(target);
      var part = sibling(target, ".part");
      disk.writeAndSync(part, bytes, there ? Optional.of(target) : Optional.empty());
      if (!Arrays.equals(disk.read(part), bytes))
        throw new IOException(
            "the disk gives back something else than was written; save in another place");
      if (there) {
        var previousPart = sibling(target, ".previous.part");
        disk.writeAndSync(previousPart, disk.read(target), Optional.of(target));
        disk.rename(previousPart, sibling(target, ".previous"));
      }
      disk.rename(part, target);
      known = Optional.of(fingerprint(bytes));
      disk.syncFolder(target.resolveSibling("."));
    }
  }

  /// No file is written that could not be opened again as the same project.
  private void requireReadable(Project project, byte[] bytes) throws IOException {
    try {
      if (ProjectFormat.read(name(), bytes, catalogue).equals(project)) return;
      throw new IOException(
          "the project would not come back the same from its file; undo the last step and tell us");
    } catch (UnreadableFile e) {
      throw new IOException(
          "the project could not be opened again: " + e.problem() + "; undo the last step");
    }
  }

  private void requireUnchanged(Path target) throws IOException {
    if (known.isEmpty()) return;
    var now = disk.read(target);
    if (fingerprint(now).equals(known.get())) return;
    throw new ChangedElsewhere(path, theirs(now));
  }

  private Optional<Project> theirs(byte[] bytes) {
    try {
      return Optional.of(ProjectFormat.read(name(), bytes, catalogue));
    } catch (UnreadableFile broken) {
      return Optional.empty();
    }
  }

  /// What somebody else put in the file since it was last read or written here; empty where it is
  /// unchanged or gone.
  ///
  /// @throws UnreadableFile if it changed and cannot be read
  public synchronized Optional<Project> changedElsewhere() throws UnreadableFile {
    if (known.isEmpty() || !Files.isRegularFile(path)) return Optional.empty();
    var now = bytes();
    if (fingerprint(now).equals(known.get())) return Optional.empty();
    return Optional.of(ProjectFormat.read(name(), now, catalogue));
  }

  /// From now on what stands in the file counts as seen.
  public synchronized void seen() throws UnreadableFile {
    known = Optional.of(fingerprint(bytes()));
  }

  /// Where a free name beside it is for putting a version aside: `NAME.mine.nelvar.json`.
  public Path aside() {
    var stem =
        name().endsWith(EXTENSION)
            ? name().substring(0, name().length() - EXTENSION.length())
            : name();
    for (var n = 1; ; n++) {
      var place = path.resolveSibling(stem + ".mine" + (n == 1 ? "" : "-" + n) + EXTENSION);
      if (!Files.exists(place)) return place;
    }
  }

  /// A link is followed, so that it stays a link.
  private Path target() throws IOException {
    if (Files.isDirectory(path)) throw new IOException(name() + " is a folder: name a file");
    if (Files.exists(path)) {
      var real = path.toRealPath();
      if (!Files.isRegularFile(real))
        throw new IOException(name() + " is a device or a pipe, not a file");
      return real;
    }
    return Files.isSymbolicLink(path)
        ? path.resolveSibling(Files.readSymbolicLink(path)).normalize()
        : path;
  }

  /// Of the content, not of its time: SHA-256.
  private static String fingerprint(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException everyJavaHasIt) {
      throw new IllegalStateException(everyJavaHasIt);
    }
  }

  private String name() {
    return String.valueOf(path.getFileName());
  }

  private static Path sibling(Path of, String ending) {
    return of.resolveSibling(of.getFileName() + ending);
  }

  private byte[] bytes() throws UnreadableFile {
    return InputFile.read(
        path,
        NelvarJson.GREATEST_FILE,
        size -> ProjectFormat.tooLarge(name(), size),
        "Choose a project file (*.nelvar.json).",
        disk);
  }

  /// Somebody else wrote the file since it was opened or saved here; nothing was written over.
  public static final class ChangedElsewhere extends IOException {
    private static final long serialVersionUID = 1;
    private final transient Optional<Project> theirs;

    ChangedElsewhere(Path path, Optional<Project> theirs) {
      super(path.getFileName() + " was changed by another program since it was opened here");
      this.theirs = theirs;
    }

    /// What stands there now; empty where it cannot be read.
    public Optional<Project> theirs() {
      return theirs;
    }
  }
}
