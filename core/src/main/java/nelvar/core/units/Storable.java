package nelvar.core.units;

import java.lang.reflect.RecordComponent;
import java.util.Collection;
import java.util.Optional;

/// Whether a record can be written to a file and read back the same: every quantity in it within
/// the range in which it may be written, every number with an end, every text whole.
public final class Storable {
  private Storable() {}

  /// The first thing in it that cannot be stored, in words; empty where all can.
  public static Optional<String> problem(Object thing) {
    return problem(thing, "");
  }

  private static Optional<String> problem(Object value, String name) {
    return switch (value) {
      case Quantity quantity when !quantity.range().contains(quantity.si()) ->
          Optional.of(
              "%s is %s, and %s is from %s to %s %s"
                  .formatted(
                      name,
                      quantity,
                      quantity.range().what(),
                      Significant.digits(quantity.range().least()),
                      Significant.digits(quantity.range().greatest()),
                      quantity.range().unit()));
      case Quantity _ -> Optional.empty();
      case Double number when !Double.isFinite(number) ->
          Optional.of(name + " is not a number with an end");
      case String text when text.length() > Texts.LONGEST || !Texts.whole(text) ->
          Optional.of(name + " is a text no file can hold");
      case Optional<?> maybe -> maybe.flatMap(inner -> problem(inner, name));
      case Collection<?> all ->
          all.stream().flatMap(inner -> problem(inner, name).stream()).findFirst();
      case Record whole -> {
        for (var component : whole.getClass().getRecordComponents()) {
          var problem = problem(of(whole, component), component.getName());
          if (problem.isPresent()) yield problem;
        }
        yield Optional.empty();
      }
      default -> Optional.empty();
    };
  }

  private static Object of(Record whole, RecordComponent component) {
    try {
      var accessor = component.getAccessor();
      accessor.setAccessible(true);
      return accessor.invoke(whole);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(component.getName(), e);
    }
  }
}
