package nelvar.core.calc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Significant;

/// One input of a quick calculation: how it is written, and what is accepted.
///
/// @param symbol the field's own: `S`, `Ta`, `Ib`
/// @param accepts the range or the words, for messages and help
/// @param example also shows the unit
/// @param usual taken where nothing is said; empty where it must be said
/// @param words the choices, where only some words are accepted; else empty
public record Input<T>(
    String symbol,
    String meaning,
    String accepts,
    String example,
    Optional<String> usual,
    List<String> words,
    Reader<T> reader) {

  private static final String SEPARATOR = ";|,(?![0-9])|(?<![0-9]),";

  /// Reads a text; refuses with [ImpossibleQuantity], whose message need not name the input.
  @FunctionalInterface
  public interface Reader<T> {
    T read(String text);
  }

  /// A quantity in the kind's own unit, both bounds included.
  static <Q extends Quantity> Input<Q> quantity(
      String symbol, String meaning, Kind<Q> kind, double least, double greatest, String example) {
    var accepts = "from %s to %s".formatted(kind.of(least), kind.of(greatest));
    return new Input<>(
        symbol,
        meaning,
        accepts,
        example,
        Optional.empty(),
        List.of(),
        text -> within(read(text, kind), kind.of(least), kind.of(greatest)));
  }

  /// A plain number, both bounds included.
  static Input<Double> number(
      String symbol, String meaning, double least, double greatest, String example) {
    return new Input<>(
        symbol,
        meaning,
        "a number from %s to %s".formatted(Significant.digits(least), Significant.digits(greatest)),
        example,
        Optional.empty(),
        List.of(),
        text -> {
          var value = plain(text);
          if (value < least || value > greatest) throw outside(text);
          return value;
        });
  }

  static Input<Integer> whole(
      String symbol, String meaning, int least, int greatest, String example) {
    return new Input<>(
        symbol,
        meaning,
        "a whole number from %d to %d".formatted(least, greatest),
        example,
        Optional.empty(),
        List.of(),
        text -> {
          var value = plain(text);
          if (value != Math.rint(value) || value < least || value > greatest) throw outside(text);
          return (int) value;
        });
  }

  /// One of the constants of an enumeration, written in any case; `_` may be written `-`.
  static <E extends Enum<E>> Input<E> word(
      String symbol, String meaning, Class<E> words, String example) {
    var all = Arrays.asList(words.getEnumConstants());
    return oneOf(symbol, meaning, all, word -> spelled(word.name()), example);
  }

  static <T> Input<T> oneOf(
      String symbol,
      String meaning,
      List<T> values,
      java.util.function.Function<T, String> name,
      String example) {
    var words = values.stream().map(name).toList();
    return new Input<>(
        symbol,
        meaning,
        "one of " + String.join(", ", words),
        example,
        Optional.empty(),
        words,
        text ->
            values.stream()
                .filter(value -> spelled(name.apply(value)).equalsIgnoreCase(spelled(text.strip())))
                .findFirst()
                .orElseThrow(() -> new ImpossibleQuantity("'" + text + "' is none of the words")));
  }

  /// Several of another input, separated by semicolons, or by commas that are no decimal comma: `11
  /// A, 4.8 A, 4.8 A`, `7,5 kW; 4 kW`. A comma between two digits is a decimal comma.
  static <T> Input<List<T>> several(Input<T> one, String example) {
    return new Input<>(
        one.symbol,
        one.meaning,
        one.accepts + " each, separated by semicolons, or by a comma and a space",
        example,
        Optional.empty(),
        List.of(),
        text -> {
          var all = new ArrayList<T>();
          for (var part : text.split(SEPARATOR, -1)) {
            if (part.matches(".*[0-9],[0-9]+,[0-9].*"))
              throw new ImpossibleQuantity(
                  "'"
                      + part.strip()
                      + "' may be several numbers or one: put semicolons between them");
            all.add(one.reader.read(part.strip()));
          }
          return List.copyOf(all);
        });
  }

  static <T> Input<T> read(
      String symbol, String meaning, String accepts, String example, Reader<T> reader) {
    return new Input<>(symbol, meaning, accepts, example, Optional.empty(), List.of(), reader);
  }

  Input<T> usually(String text) {
    return new Input<>(symbol, meaning, accepts, example, Optional.of(text), words, reader);
  }

  /// The same reader under another name.
  Input<T> as(String nextSymbol, String nextMeaning) {
    return new Input<>(nextSymbol, nextMeaning, accepts, example, usual, words, reader);
  }

  static <Q extends Quantity> Q read(String text, Kind<Q> kind) {
    return switch (kind.read(text)) {
      case Reading.Value<Q>(var value) -> value;
      case Reading.Misread<Q>(var message) -> throw new ImpossibleQuantity(message);
    };
  }

  /// What is printed as an end of the range is within it, though printing rounds.
  private static <Q extends Quantity> Q within(Q value, Q least, Q greatest) {
    var below = value.si() < least.si() && !value.toString().equals(least.toString());
    var above = value.si() > greatest.si() && !value.toString().equals(greatest.toString());
    if (below || above) throw outside(value.toString());
    return value;
  }

  private static ImpossibleQuantity outside(String text) {
    return new ImpossibleQuantity("'" + text.strip() + "' is out of range");
  }

  private static String spelled(String word) {
    return word.toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /// A number with a decimal comma or point, or a fraction as horsepower is written: `1/2`,
  /// `7-1/2`.
  private static double plain(String text) {
    var stripped = text.strip().replace(',', '.').replace('\u2212', '-');
    try {
      var fraction = stripped.matches("([0-9]+[- ])?[0-9]+/[1-9][0-9]*");
      if (!fraction) {
        if (!stripped.matches("[+-]?([0-9]+([.][0-9]*)?|[.][0-9]+)([eE][+-]?[0-9]{1,3})?"))
          throw new ImpossibleQuantity("'" + text + "' is not a number");
        return Double.parseDouble(stripped);
      }
      var parts = stripped.split("[- ]", -1);
      var last = parts[parts.length - 1].split("/", -1);
      return (parts.length > 1 ? Double.parseDouble(parts[0]) : 0)
          + Double.parseDouble(last[0]) / Double.parseDouble(last[1]);
    } catch (NumberFormatException notANumber) {
      throw new ImpossibleQuantity("'" + text + "' is not a number");
    }
  }

  /// What is wrong with a text; empty where nothing is.
  public Optional<String> problem(String text) {
    try {
      reader.read(text);
      return Optional.empty();
    } catch (ImpossibleQuantity impossible) {
      return Optional.of(
          "%s: %s; %s is %s, such as %s"
              .formatted(symbol, impossible.getMessage(), meaning, accepts, example));
    }
  }

  /// The word a text stands for, as [#words] spells it.
  public Optional<String> word(String text) {
    return words.stream()
        .filter(word -> spelled(word).equalsIgnoreCase(spelled(text.strip())))
        .findFirst();
  }

  /// The word that is usual.
  public Optional<String> usualWord() {
    return usual.flatMap(this::word);
  }

  /// For messages and the list of calculators.
  public String help() {
    return "%s, %s%s"
        .formatted(meaning, accepts, usual.map(text -> "; usually " + text).orElse(""));
  }

  static String joined(List<Input<?>> inputs) {
    return inputs.stream().map(Input::symbol).collect(Collectors.joining(", "));
  }
}
