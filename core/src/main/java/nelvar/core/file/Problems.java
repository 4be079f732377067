package nelvar.core.file;

import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.units.ImpossibleQuantity;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.core.exc.UnexpectedEndOfInputException;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/// Turns what the JSON library says into what a person can act on.
final class Problems {
  private Problems() {}

  static UnreadableFile of(String file, JacksonException e) {
    var location = e.getLocation();
    var path = path(e);
    var place =
        new UnreadableFile.Place(
            location == null ? 0 : location.getLineNr(),
            location == null ? 0 : location.getColumnNr(),
            path);
    return new UnreadableFile(file, Optional.of(place), problem(e), remedy(e));
  }

  private static String path(JacksonException e) {
    return e.getPath().stream()
        .map(step ->
            step.getPropertyName() != null
                ? "." + step.getPropertyName()
                : "[" + step.getIndex() + "]")
        .collect(Collectors.joining())
        .replaceFirst("^\\.", "");
  }

  private static String problem(JacksonException e) {
    return switch (e) {
      case UnexpectedEndOfInputException _ -> "the file breaks off here: something is still open";
      case StreamConstraintsException _ -> "this is larger or deeper than a project file can be";
      case StreamReadException read ->
          "this is not readable JSON: " + firstSentence(read.getOriginalMessage());
      case UnrecognizedPropertyException unknown ->
          "there is no property '%s' here; known are %s"
              .formatted(
                  unknown.getPropertyName(),
                  unknown.getKnownPropertyIds().stream()
                      .map(String::valueOf)
                      .sorted()
                      .collect(Collectors.joining(", ")));
      case InvalidTypeIdException type ->
          type.getTypeId() == null
              ? "a part must say its 'kind'"
              : "there is no kind of part '%s'; known are %s"
                  .formatted(type.getTypeId(), String.join(", ", NelvarJson.kindNames()));
      case InvalidFormatException format
          when format.getTargetType() != null && format.getTargetType().isEnum() ->
          "'%s' is not one of %s".formatted(format.getValue(), words(format.getTargetType()));
      case MismatchedInputException mismatch -> mismatch(mismatch);
      default ->
          e.getCause() instanceof ImpossibleQuantity impossible
              ? String.valueOf(impossible.getMessage())
              : firstSentence(e.getOriginalMessage());
    };
  }

  private static String mismatch(MismatchedInputException e) {
    var message = String.valueOf(e.getOriginalMessage());
    var missing =
        java.util.regex.Pattern.compile("[Mm]issing required creator property '([^']+)'")
            .matcher(message);
    if (missing.find()) return "the property '" + missing.group(1) + "' is missing";
    var nullProperty =
        java.util.regex.Pattern.compile("Null value for creator property '([^']+)'")
            .matcher(message);
    if (nullProperty.find())
      return "the property '"
          + nullProperty.group(1)
          + "' is null: write its value, or leave it out where it may be missing";
    if (message.startsWith("Invalid `null` value")) return "an entry of this list is null";
    if (e.getCause() instanceof ImpossibleQuantity impossible)
      return String.valueOf(impossible.getMessage());
    if (message.startsWith("expected a text")) return message;
    if (message.startsWith("Trailing token"))
      return "something follows after the end of the project";
    if (e.getTargetType() == null) return firstSentence(message);
    return "expected %s here".formatted(expected(e.getTargetType()));
  }

  private static String expected(Class<?> type) {
    if (type == int.class || type == Integer.class) return "a whole number";
    if (type == double.class || type == Double.class) return "a number";
    if (type == boolean.class) return "true or false";
    if (type == String.class) return "a text in quotes";
    if (java.util.Collection.class.isAssignableFrom(type)) return "a list [ ]";
    return "an object { }";
  }

  private static String words(Class<?> type) {
    return java.util.Arrays.stream(type.getEnumConstants())
        .map(word -> ((Enum<?>) word).name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))
        .collect(Collectors.joining(", "));
  }

  private static String firstSentence(String message) {
    return message
        .lines()
        .findFirst()
        .orElse("")
        // Names of the program's own parts mean nothing to whoever reads this.
        .replaceAll("`?(?:[a-z0-9_]+\\.)+[A-Z][A-Za-z0-9_$.]*(?:<[^>]*>)?`?", "this")
        .replaceAll("\\s*\\(.*$", "")
        .replaceFirst("[.:]$", "");
  }

  private static String remedy(JacksonException e) {
    return e instanceof StreamReadException
        ? "Open the version saved before it (the same name ending in .previous), or repair the file in a text editor. It was left as it is."
        : "Correct this place in a text editor, or open the version saved before it (.previous). The file was left as it is.";
  }
}
