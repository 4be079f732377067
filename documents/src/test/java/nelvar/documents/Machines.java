package nelvar.documents;

import java.nio.file.Path;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Project;
import nelvar.core.review.Review;

/// The demo machine, reviewed.
public final class Machines {
  private Machines() {}

  public static Project planted() {
    return open("seed-tray-filler");
  }

  public static Review review(Project project) {
    return Review.of(project, CatalogueFile.standard());
  }

  public static Review planted(boolean settled) {
    return review(open(settled ? "seed-tray-filler-settled" : "seed-tray-filler"));
  }

  private static Project open(String name) {
    try {
      return ProjectFile.at(Path.of("../demo/seed-tray-filler/" + name + ".nelvar.json")).open();
    } catch (UnreadableFile e) {
      throw new IllegalStateException(e);
    }
  }
}
