package nelvar.core.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Project;

/// Where one window keeps its unsaved edits: `NAME.unsaved-1` beside the project, `-2` for a second
/// window on it, and so on.
///
/// A window only ever writes and removes its own. What a window that ended without answer left
/// behind stays where it is until somebody says what becomes of it ([#left]).
public final class Journal implements AutoCloseable {
  private static final int MOST = 99;

  private final Path project;
  private final Disk disk;
  private Optional<Claim> claim = Optional.empty();
  private int number;

  private Journal(Path project, Disk disk) {
    this.project = project;
    this.disk = disk;
  }

  /// For edits of the project at a path, whether it is there already or not. Touches no disk before
  /// there is something to keep.
  public static Journal of(Path project, Disk disk) {
    return new Journal(real(project), disk);
  }

  public static Journal of(Path project) {
    return of(project, Disk.REAL);
  }

  private static Path real(Path project) {
    try {
      return project.toRealPath();
    } catch (IOException notThere) {
      return project.toAbsolutePath();
    }
  }

  /// Keeps a state: the one before it is replaced in one step.
  public synchronized void keep(Project state) throws IOException {
    claim();
    var part = sibling(project, ".unsaved-" + number + ".part");
    var like = Files.exists(project) ? Optional.of(project) : Optional.<Path>empty();
    disk.writeAndSync(part, ProjectFormat.write(state), like);
    disk.rename(part, file(number));
  }

  /// Nothing is unsaved any more.
  public synchronized void forget() throws IOException {
    if (claim.isEmpty()) return;
    disk.delete(file(number));
    disk.delete(sibling(project, ".unsaved-" + number + ".part"));
  }

  /// Gives its name back. What is kept stays, and is found by [#left].
  @Override
  public synchronized void close() throws IOException {
    if (claim.isEmpty()) return;
    claim.get().close();
    claim = Optional.empty();
  }

  private void claim() throws IOException {
    if (claim.isPresent()) return;
    for (var n = 1; n <= MOST; n++) {
      if (Files.exists(file(n))) continue;
      var next = Claim.on(lock(project, "-" + n));
      if (next.isEmpty()) continue;
      if (Files.exists(file(n))) {
        next.get().close();
        continue;
      }
      claim = next;
      number = n;
      return;
    }
    throw new IOException("%d windows or lost sessions have unsaved edits of it".formatted(MOST));
  }

  private Path file(int n) {
    return sibling(project, ".unsaved-" + n);
  }

  private static Path lock(Path project, String which) {
    return sibling(project, ".unsaved" + which + ".lock");
  }

  private static Path sibling(Path project, String ending) {
    return project.resolveSibling(project.getFileName() + ending);
  }

  /// What sessions that are gone left unsaved of a project, oldest number first. Each is held until
  /// closed, so that no other window asks about it meanwhile. Unreadable leftovers are left alone.
  public static List<Left> left(Path project, Catalogue catalogue) {
    var all = new ArrayList<Left>();
    var at = real(project);
    var endings = new ArrayList<String>();
    endings.add("");
    for (var n = 1; n <= MOST; n++) endings.add("-" + n);
    for (var ending : endings) {
      var file = sibling(at, ".unsaved" + ending);
      if (!Files.isRegularFile(file)) continue;
      try {
        var claim = Claim.on(lock(at, ending));
        if (claim.isEmpty()) continue;
        var state = state(file, catalogue);
        if (state.isPresent()) all.add(new Left(file, state.get(), claim.get()));
        else claim.get().close();
      } catch (IOException cannotBeHeld) {
        // A folder that may not be written: nothing can be answered about what lies there.
      }
    }
    return all;
  }

  private static Optional<Project> state(Path file, Catalogue catalogue) {
    try {
      return Optional.of(new ProjectFile(file, catalogue, Disk.REAL).open());
    } catch (UnreadableFile leftover) {
      return Optional.empty();
    }
  }

  /// Unsaved edits of a session that is gone.
  public static final class Left implements AutoCloseable {
    private final Path file;
    private final Project state;
    private final Claim claim;

    private Left(Path file, Project state, Claim claim) {
      this.file = file;
      this.state = state;
      this.claim = claim;
    }

    public Project state() {
      return state;
    }

    /// They are safe elsewhere, or not wanted.
    public void forget() throws IOException {
      Files.deleteIfExists(file);
      close();
    }

    /// Not answered: they stay.
    @Override
    public void close() throws IOException {
      claim.close();
    }
  }
}
