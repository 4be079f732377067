package nelvar.desktop.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Journal;

/// Where the program keeps what is not part of a project: recent projects, the journal of one never
/// saved, the theme.
///
/// `$NELVAR_STATE`, else `$XDG_STATE_HOME/nelvar`, else `~/.local/state/nelvar`. Nothing here is
/// needed to open a project.
public final class Places {
  private static final int MOST_RECENT = 8;
  private final Path folder;

  public Places(Path folder) {
    this.folder = folder;
  }

  public static Places usual() {
    var own = System.getenv("NELVAR_STATE");
    if (own != null && !own.isBlank()) return new Places(Path.of(own));
    var state = System.getenv("XDG_STATE_HOME");
    return new Places(
        state != null && !state.isBlank()
            ? Path.of(state, "nelvar")
            : Path.of(System.getProperty("user.home", "."), ".local", "state", "nelvar"));
  }

  /// Where projects without a name of their own would lie: their unsaved edits are kept beside it,
  /// each window's apart.
  public Path untitled() {
    return folder.resolve("untitled.nelvar.json");
  }

  /// Unsaved projects without a name that sessions which are gone left behind.
  public List<Journal.Left> leftovers() {
    return Journal.left(untitled(), CatalogueFile.standard());
  }

  public List<Path> recent() {
    return lines("recent").stream().map(Path::of).filter(Files::exists).limit(MOST_RECENT).toList();
  }

  public void opened(Path project) {
    var all = new ArrayList<String>();
    all.add(project.toAbsolutePath().toString());
    lines("recent").stream()
        .filter(line -> !all.contains(line))
        .limit(MOST_RECENT - 1L)
        .forEach(all::add);
    write("recent", all);
  }

  public boolean dark() {
    return lines("theme").contains("dark");
  }

  public void dark(boolean dark) {
    write("theme", List.of(dark ? "dark" : "light"));
  }

  /// Whether meter and path are folded in stages of a kind: all but pictures are so until somebody
  /// opens them.
  public boolean folded(String kind) {
    var known = lines("folded");
    return known.contains(kind) || (!kind.equals("pictures") && !known.contains(kind + " open"));
  }

  public void folded(String kind, boolean folded) {
    var all = new ArrayList<>(lines("folded"));
    all.removeIf(line -> line.equals(kind) || line.equals(kind + " open"));
    all.add(folded ? kind : kind + " open");
    write("folded", all);
  }

  /// Makes the folder; false where it cannot be had.
  public boolean ready() {
    try {
      Files.createDirectories(folder);
      return true;
    } catch (IOException e) {
      return false;
    }
  }

  private List<String> lines(String name) {
    try {
      return Files.exists(folder.resolve(name))
          ? Files.readAllLines(folder.resolve(name))
          : List.of();
    } catch (IOException e) {
      return List.of();
    }
  }

  private void write(String name, List<String> lines) {
    try {
      Files.createDirectories(folder);
      Files.write(folder.resolve(name), lines);
    } catch (IOException e) {
      // Recent projects and the theme are a convenience; a read-only home must not stop the work.
    }
  }
}
