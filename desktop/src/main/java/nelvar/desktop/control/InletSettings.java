package nelvar.desktop.control;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Node;
import nelvar.core.model.Connection;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.Quantity;
import nelvar.core.units.Reading;
import nelvar.core.units.Significant;
import nelvar.desktop.session.Session;

/// How an inlet hangs on the site: the device before it, and its cord.
final class InletSettings {
  /// A cord of which only one measure is said begins with the other at this; both can be changed.
  private static final CrossSection USUAL_SECTION = new CrossSection(1.5);

  private static final Length USUAL_LENGTH = new Length(2);

  private InletSettings() {}

  static List<Node> of(Device device, Session session) {
    var now = device.connected();
    QuantityField<Optional<Current>> upstream =
        field(
            "Device before it",
            "A",
            Kind.CURRENT,
            next -> new Connection(next, now.cord()),
            device,
            session);
    upstream.show(now.upstream().map(current -> Significant.digits(current.amperes())).orElse(""));
    QuantityField<Optional<CrossSection>> section =
        field(
            "Cord",
            "mm²",
            Kind.CROSS_SECTION,
            next -> with(now, next.map(size -> new Connection.Cord(size, length(now)))),
            device,
            session);
    section.show(
        now.cord().map(cord -> Significant.digits(cord.section().squareMillimetres())).orElse(""));
    QuantityField<Optional<Length>> length =
        field(
            "Length of the cord",
            "m",
            Kind.LENGTH,
            next -> with(now, next.map(metres -> new Connection.Cord(section(now), metres))),
            device,
            session);
    length.show(now.cord().map(cord -> Significant.digits(cord.length().metres())).orElse(""));
    return List.of(upstream, section, length);
  }

  private static Connection with(Connection now, Optional<Connection.Cord> cord) {
    return new Connection(now.upstream(), cord);
  }

  private static CrossSection section(Connection now) {
    return now.cord().map(Connection.Cord::section).orElse(USUAL_SECTION);
  }

  private static Length length(Connection now) {
    return now.cord().map(Connection.Cord::length).orElse(USUAL_LENGTH);
  }

  private static <T extends Quantity> QuantityField<Optional<T>> field(
      String name,
      String unit,
      Kind<T> kind,
      Function<Optional<T>, Connection> change,
      Device device,
      Session session) {
    return new QuantityField<>(
        name,
        unit,
        text -> read(text, kind),
        next -> session.edit(Edits.connection(device, change.apply(next))));
  }

  private static <T extends Quantity> Reading<Optional<T>> read(String text, Kind<T> kind) {
    if (text.isBlank()) return new Reading.Value<>(Optional.empty());
    return switch (kind.read(text)) {
      case Reading.Value<T>(var value) -> new Reading.Value<>(Optional.of(value));
      case Reading.Misread<T>(var message) -> new Reading.Misread<>(message);
    };
  }
}
