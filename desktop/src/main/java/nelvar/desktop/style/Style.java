package nelvar.desktop.style;

import java.util.Objects;
import javafx.scene.Parent;
import javafx.scene.text.Font;
import nelvar.documents.drawing.Face;
import nelvar.documents.drawing.Faces;

/// Loads the shipped faces and dresses a scene in a theme.
public final class Style {
  private static boolean loaded;

  private Style() {}

  public static void apply(Parent root, Theme theme) {
    loadFaces();
    root.getStylesheets()
        .setAll(
            theme.styleSheet(),
            Objects.requireNonNull(Style.class.getResource("/nelvar/desktop/style/nelvar.css"))
                .toExternalForm());
  }

  public static synchronized void loadFaces() {
    if (loaded) return;
    for (var face : Face.values()) Font.loadFont(Faces.open(face), 14);
    loaded = true;
  }

  public static Font font(Face face, double size) {
    loadFaces();
    return switch (face) {
      case TEXT -> Font.font("Barlow Semi Condensed", javafx.scene.text.FontWeight.NORMAL, size);
      case SEMIBOLD -> Font.font("Barlow Semi Condensed SemiBold", size);
      case BOLD -> Font.font("Barlow Semi Condensed", javafx.scene.text.FontWeight.BOLD, size);
      case MONO -> Font.font("B612 Mono", javafx.scene.text.FontWeight.NORMAL, size);
      case MONO_BOLD -> Font.font("B612 Mono", javafx.scene.text.FontWeight.BOLD, size);
    };
  }
}
