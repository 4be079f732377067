package nelvar.desktop.style;

import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import javafx.scene.Parent;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
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

  private record Cut(Face face, double size) {}

  private static final Map<Cut, Font> FONTS = new ConcurrentHashMap<>();

  public static Font font(Face face, double size) {
    loadFaces();
    return FONTS.computeIfAbsent(new Cut(face, size), Style::cut);
  }

  private static Font cut(Cut cut) {
    var size = cut.size();
    return switch (cut.face()) {
      case TEXT -> Font.font("Barlow Semi Condensed", FontWeight.NORMAL, size);
      case SEMIBOLD -> Font.font("Barlow Semi Condensed SemiBold", size);
      case BOLD -> Font.font("Barlow Semi Condensed", FontWeight.BOLD, size);
      case MONO -> Font.font("B612 Mono", FontWeight.NORMAL, size);
      case MONO_BOLD -> Font.font("B612 Mono", FontWeight.BOLD, size);
    };
  }
}
