package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;

/// A finding accepted with a written reason; it stays visible and is printed.
///
/// @param subject as of the finding; a device's stands for all its terminals and poles too
public record Deviation(String rule, Subject subject, String reason, String by, String date) {
  public Deviation(String rule, Id subject, String reason, String by, String date) {
    this(rule, Subject.of(subject), reason, by, date);
  }

  public Deviation {
    rule = Texts.storable("a rule", rule);
    reason = Texts.storable("a reason", reason);
    by = Texts.storable("a name", by);
    date = Texts.storable("a date", date);
    if (reason.strip().length() < 4)
      throw new ImpossibleQuantity(
          "write the reason in a few words, so that the next reader understands it");
  }
}
