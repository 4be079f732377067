package nelvar.core.file;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Project;

/// A project on disk: opened whole or not at all, saved so that every instant has a whole file.
///
/// Save writes `NAME.part`, syncs it, keeps the old file as `NAME.previous`, then renames `.part`
/// to `NAME`. Killed anywhere, NAME holds the old or the new project, never a mixture. Unsaved
/// edits live in `NAME.unsaved`.
public final class ProjectFile {
  public static final String EXTENSION = ".nelvar.json";

  private final Path path;
  private final Catalogue catalogue;
  private final Disk disk;

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

  public Project open() throws UnreadableFile {
    return read(path);
  }

  public void save(Project project) throws IOException {
    var part = sibling(".part");
    disk.writeAndSync(part, ProjectFormat.write(project));
    if (Files.exists(path)) {
      var previous = sibling(".previous");
      var previousPart = sibling(".previous.part");
      disk.writeAndSync(previousPart, Files.readAllBytes(path));
      disk.rename(previousPart, previous);
    }
    disk.rename(part, path);
    disk.syncFolder(path.resolveSibling("."));
  }

  /// Keeps the unsaved state beside the file; [#recover] finds it after a crash.
  public void keepUnsaved(Project project) throws IOException {
    var part = sibling(".unsaved.part");
    disk.writeAndSync(part, ProjectFormat.write(project));
    disk.rename(part, sibling(".unsaved"));
  }

  /// The edits that were never saved, if the program ended before they could be; unreadable
  /// leftovers count as none.
  public Optional<Project> recover() {
    var unsaved = sibling(".unsaved");
    if (!Files.exists(unsaved)) return Optional.empty();
    try {
      return Optional.of(read(unsaved));
    } catch (UnreadableFile leftover) {
      return Optional.empty();
    }
  }

  public void forgetUnsaved() throws IOException {
    Files.deleteIfExists(sibling(".unsaved"));
    Files.deleteIfExists(sibling(".unsaved.part"));
  }

  private Path sibling(String ending) {
    return path.resolveSibling(path.getFileName() + ending);
  }

  private Project read(Path file) throws UnreadableFile {
    var name = String.valueOf(file.getFileName());
    try {
      var size = Files.size(file);
      if (size > NelvarJson.GREATEST_FILE) throw ProjectFormat.tooLarge(name, size);
      return ProjectFormat.read(name, Files.readAllBytes(file), catalogue);
    } catch (NoSuchFileException e) {
      throw new UnreadableFile(
          name, Optional.empty(), "there is no such file", "Check the name and the folder.");
    } catch (AccessDeniedException e) {
      throw new UnreadableFile(
          name,
          Optional.empty(),
          "this account may not read the file",
          "Ask for the right to read it, or copy it to a folder of your own.");
    } catch (IOException e) {
      throw new UnreadableFile(
          name,
          Optional.empty(),
          Files.isDirectory(file) ? "this is a folder" : "the file cannot be read",
          "Choose a project file (*.nelvar.json).");
    }
  }
}
