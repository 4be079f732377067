package nelvar.core.compose;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.finding.Repair;
import nelvar.core.model.Id;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;

/// The best way to connect a device, as the way out of a finding that says it is not connected: not
/// fed, a terminal left open, a stop button that nothing hears. For one review.
public final class WaysAsRepairs implements WaysOut.Proposer {
  private static final Set<String> RULES =
      Set.of("completeness.load-fed", "completeness.unconnected-terminal", "stop.read-only");

  /// Ways take long to try: a machine with more devices to connect is drawn up or wired otherwise.
  private static final int MOST = 12;

  private final Catalogue standard;
  private final Set<Id> asked = new HashSet<>();

  public WaysAsRepairs(Catalogue standard) {
    this.standard = standard;
  }

  @Override
  public List<Repair> of(Review.Entry entry, Review review) {
    if (!RULES.contains(entry.rule().id())) return List.of();
    var device = entry.verdict().subject().thing().flatMap(id -> review.study().device(id));
    if (device.isEmpty() || !Ways.wanted(device.get(), review.study())) return List.of();
    asked.add(device.get().id());
    if (asked.size() > MOST) return List.of();
    return Ways.connecting(device.get(), review, standard).ways().stream()
        .limit(1)
        .map(way -> Repair.of(way.edit()))
        .toList();
  }
}
