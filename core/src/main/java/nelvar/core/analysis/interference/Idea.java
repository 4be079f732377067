package nelvar.core.analysis.interference;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Cable;
import nelvar.core.model.edit.Edit;
import nelvar.core.units.Length;
import nelvar.core.units.Price;

/// Something that may help, not tried yet.
///
/// @param costs of what is bought; empty where a price is not known
/// @param minutes of one person (assumed): a clamp 4, a cable pulled 5 and 0.5 a metre, an end 2, a
///   ferrite 5, a device mounted and wired 30
record Idea(Edit edit, Optional<Price> costs, double minutes) {
  static final double CLAMP = 4;
  static final double PULL = 5;
  static final double PULL_METRE = 0.5;
  static final double END = 2;
  static final double CORE = 5;
  static final double DEVICE = 30;

  /// Another cable in its place.
  static Idea laid(Cable cable, CableStock stock, Edit edit, Study study) {
    return laid(stock, edit, metres(cable, study), study.cores(cable.id()).size());
  }

  static Idea laid(CableStock stock, Edit edit, double metres, int cores) {
    return new Idea(
        edit,
        stock.price().map(p -> p.times(metres)),
        PULL + PULL_METRE * metres + 2 * CLAMP + 2 * END * cores);
  }

  static double metres(Cable cable, Study study) {
    return study.length(cable).map(Length::metres).orElse(0.0);
  }

  static Optional<CableStock> stock(Cable cable, Study study) {
    return study
        .catalogue()
        .find(cable.stock())
        .filter(CableStock.class::isInstance)
        .map(CableStock.class::cast);
  }

  /// Whether its cores lie twisted in pairs.
  static boolean inPairs(Cable cable, Study study) {
    return stock(cable, study).flatMap(CableStock::pairs).isPresent();
  }
}
