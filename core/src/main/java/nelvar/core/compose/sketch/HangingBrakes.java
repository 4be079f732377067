package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.ContactRating;
import nelvar.core.catalogue.Part;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Voltage;

/// Brakes that get their volts over contacts of the stop, from a supply that stays live: behind the
/// contactors they would open as late as its capacitors are empty.
final class HangingBrakes {
  private record Brake(Io.Contact contact, TerminalRef zero, double volts, double amperes) {}

  private final Sketch sketch;
  private final Rails rails;
  private final List<Brake> brakes = new ArrayList<>();

  HangingBrakes(Sketch sketch, Rails rails) {
    this.sketch = sketch;
    this.rails = rails;
  }

  boolean none() {
    return brakes.isEmpty();
  }

  /// Whether one more hangs on contacts that break so much into coils, all of one voltage.
  boolean breaks(double volts, double amperes, List<ContactRating> contacts) {
    var sum = amperes + sum();
    return brakes.stream().allMatch(brake -> brake.volts() == volts)
        && contacts.stream()
            .allMatch(rating ->
                rating
                    .direct(new Voltage(volts))
                    .filter(most -> sum <= most.dc13().amperes())
                    .isPresent());
  }

  static ContactRating contact(Part part, String mark) {
    return part.links().stream()
        .filter(link -> link.a().equals(mark))
        .flatMap(link -> part.statedRating(link).or(() -> part.usualRating(link)).stream())
        .findFirst()
        .orElseThrow();
  }

  private double sum() {
    return brakes.stream().mapToDouble(Brake::amperes).sum();
  }

  Rails.Fed add(Io.Contact contact, double volts, double amperes) {
    var zero = sketch.promise();
    brakes.add(new Brake(contact, zero, volts, amperes));
    return new Rails.Fed(contact.b(), zero);
  }

  /// From + that stays, over the contacts one behind the other, to the program's contact of each.
  void settle(List<Io.Contact> stop) {
    if (none()) return;
    var fed = rails.feed(brakes.getFirst().volts(), sum(), false, "safety", sum() > 1);
    var from = fed.plus();
    for (var contact : stop) {
      sketch.wire(from, contact.a(), Ink.CONTROL);
      from = contact.b();
    }
    for (var brake : brakes) {
      sketch.wire(from, brake.contact().a(), Ink.CONTROL);
      from = brake.contact().a();
      sketch.keep(brake.zero(), rails.zero(fed));
    }
  }
}
