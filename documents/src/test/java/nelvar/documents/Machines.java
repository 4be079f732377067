package nelvar.documents;

import java.nio.file.Path;
import java.util.stream.Stream;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFile;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Project;
import nelvar.core.review.Review;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;

/// The demo machine, reviewed, and what is read off its drawings.
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

  /// What is written on a drawing.
  public static Stream<String> texts(Drawing drawing) {
    return drawing.shapes().stream()
        .filter(Shape.Label.class::isInstance)
        .map(shape -> ((Shape.Label) shape).text());
  }

  private static Project open(String name) {
    try {
      return ProjectFile.at(Path.of("../demo/seed-tray-filler/" + name + ".nelvar.json")).open();
    } catch (UnreadableFile e) {
      throw new IllegalStateException(e);
    }
  }
}
