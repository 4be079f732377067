package nelvar.core.file;

import tools.jackson.core.JacksonException;

/// What is wrong with a piece of JSON, for readers that have their own places and remedies.
public final class Explanations {
  private Explanations() {}

  public static String of(JacksonException e) {
    var problem = Problems.of("", e);
    return problem
            .place()
            .map(UnreadableFile.Place::path)
            .filter(path -> !path.isEmpty())
            .map(path -> path + ": ")
            .orElse("")
        + problem.problem();
  }
}
