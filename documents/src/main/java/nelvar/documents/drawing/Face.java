package nelvar.documents.drawing;

/// The faces shipped with the program.
public enum Face {
  TEXT("BarlowSemiCondensed_400Regular.ttf", "Barlow Semi Condensed", 400),
  SEMIBOLD("BarlowSemiCondensed_600SemiBold.ttf", "Barlow Semi Condensed", 600),
  BOLD("BarlowSemiCondensed_700Bold.ttf", "Barlow Semi Condensed", 700),
  MONO("B612Mono_400Regular.ttf", "B612 Mono", 400),
  MONO_BOLD("B612Mono_700Bold.ttf", "B612 Mono", 700);

  private final String file;
  private final String family;
  private final int weight;

  Face(String file, String family, int weight) {
    this.file = file;
    this.family = family;
    this.weight = weight;
  }

  /// Its file in `nelvar/documents/fonts`.
  public String file() {
    return file;
  }

  public String family() {
    return family;
  }

  public int weight() {
    return weight;
  }
}
