package nelvar.core.model;

import nelvar.core.units.ImpossibleQuantity;

/// A finding accepted with a written reason; it stays visible and is printed.
public record Deviation(String rule, Id subject, String reason, String by, String date) {
  public Deviation {
    if (reason.strip().length() < 4)
      throw new ImpossibleQuantity(
          "write the reason in a few words, so that the next reader understands it");
  }
}
