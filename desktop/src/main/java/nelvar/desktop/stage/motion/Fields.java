package nelvar.desktop.stage.motion;

import java.util.Optional;
import java.util.function.Function;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;
import nelvar.desktop.control.QuantityField;

/// Fields of the cards of this stage.
final class Fields {
  private Fields() {}

  /// Nothing written is nothing wanted.
  static <Q extends nelvar.core.units.Quantity> Function<String, Reading<Optional<Q>>> empty(
      Kind<Q> kind) {
    return text ->
        text.isBlank()
            ? new Reading.Value<>(Optional.empty())
            : switch (kind.read(text)) {
              case Reading.Value<Q>(var value) -> new Reading.Value<>(Optional.of(value));
              case Reading.Misread<Q>(var why) -> new Reading.Misread<>(why);
            };
  }

  static <Q> QuantityField<Q> field(
      String name,
      Function<String, Reading<Q>> read,
      String now,
      java.util.function.Predicate<Q> take) {
    var field = new QuantityField<Q>(name, "", read, take);
    field.show(now);
    field.setId("motion-" + name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    return field;
  }
}
