package nelvar.core.file;

import java.util.Optional;
import nelvar.core.units.Texts;

/// Why a file cannot be opened: what, where, and what to do. The file itself is never touched.
public final class UnreadableFile extends Exception {
  private static final long serialVersionUID = 1;

  private final transient Optional<Place> place;
  private final String problem;
  private final String remedy;

  /// @param path where in the file, such as `devices[14].part`; may be empty
  public record Place(int line, int column, String path) {
    @Override
    public String toString() {
      return (line > 0 ? "line " + line + (column > 0 ? ", column " + column : "") : "")
          + (path.isEmpty() ? "" : (line > 0 ? ", " : "") + path);
    }
  }

  public UnreadableFile(String file, Optional<Place> place, String problem, String remedy) {
    // What somebody wrote is quoted on one line, without what could move a cursor.
    super(Texts.plain(file + place.map(p -> ", " + p).orElse("") + ": " + problem + ". " + remedy));
    this.place = place;
    this.problem = Texts.plain(problem);
    this.remedy = remedy;
  }

  public Optional<Place> place() {
    return place;
  }

  public String problem() {
    return problem;
  }

  public String remedy() {
    return remedy;
  }
}
