package nelvar.core.trail;

import java.util.Optional;
import java.util.function.Function;

/// What came of a calculation: a value with its working, or what is missing for it.
public sealed interface Computed<Q> {
  record Known<Q>(Explained<Q> explained) implements Computed<Q> {}

  /// @param why a clause that completes "not checked, because …"
  record Missing<Q>(String why) implements Computed<Q> {}

  static <Q> Computed<Q> known(Explained<Q> explained) {
    return new Known<>(explained);
  }

  static <Q> Computed<Q> missing(String why) {
    return new Missing<>(why);
  }

  default Optional<Explained<Q>> found() {
    return switch (this) {
      case Known<Q>(var explained) -> Optional.of(explained);
      case Missing<Q> _ -> Optional.empty();
    };
  }

  /// One answer from either case.
  default <R> R fold(Function<Explained<Q>, R> known, Function<String, R> missing) {
    return switch (this) {
      case Known<Q>(var explained) -> known.apply(explained);
      case Missing<Q>(var why) -> missing.apply(why);
    };
  }
}
