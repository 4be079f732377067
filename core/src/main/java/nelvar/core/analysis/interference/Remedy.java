package nelvar.core.analysis.interference;

import java.util.Optional;
import nelvar.core.finding.Repair;
import nelvar.core.units.Price;

/// Something that helps, tried on a copy.
///
/// @param costs of what is bought; empty where a price is not known
/// @param minutes of one person (assumed)
/// @param margin of the pair afterwards, dB
/// @param gain against before, dB
/// @param others how many other pairs gain 3 dB and more by it
public record Remedy(
    Repair repair, Optional<Price> costs, double minutes, double margin, double gain, int others) {

  /// dB for each unit of money and ten minutes of work: what is cheap and helps comes first (common
  /// practice: an hour costs sixty).
  public double worth() {
    return gain / (1 + costs.map(Price::amount).map(Number::doubleValue).orElse(10.0) + minutes);
  }
}
