package nelvar.core.analysis.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.finding.Repair;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Source;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// The load of a supply: what its loads take together, against its rating.
///
/// `I = Σ I · g`, g the simultaneity of each load; at least the largest load in full.
public final class SupplyLoad {
  private SupplyLoad() {}

  /// Design current of a source with its working.
  public static Explained<Current> of(Source source, Study study) {
    var w = Working.of("Load of " + source);
    var terms = new ArrayList<String>();
    var bank = study.network().together(source);
    for (var feed :
        bank.stream().flatMap(member -> study.currents().served(member).stream()).toList()) {
      var own = study.designCurrent(feed);
      if (own.amperes() == 0) continue;
      var share = feed.device().work().simultaneityFactor();
      var name = "I" + feed.device().designation();
      w.given(
          name,
          own,
          feed.name()
              + (share < 1 ? ", " + Percent.ofFraction(share) + " together with the others" : ""));
      terms.add(
          share < 1
              ? "%s · %s".formatted(nelvar.core.units.Significant.digits(share), own)
              : own.toString());
    }
    var sum = terms.isEmpty() ? "no load" : String.join(" + ", terms);
    var share = study.designCurrent(source);
    if (bank.size() == 1) return w.explain(w.result("Ib", "Σ I · g", sum, share));
    w.result("I", "Σ I · g", sum, share.times(1 / study.network().share(source)));
    w.given("ΣIn", total(bank), names(bank) + " serve one bus");
    w.given("In", source.output().rating(), source.device().designation() + ", rating");
    return w.explain(w.result("Ib", "I · In/ΣIn", share));
  }

  private static Current total(List<Source> bank) {
    return new Current(
        bank.stream().mapToDouble(member -> member.output().rating().amperes()).sum());
  }

  static String names(List<Source> bank) {
    return bank.stream()
        .map(member -> member.device().designation().text())
        .collect(java.util.stream.Collectors.joining(", "));
  }

  /// Sources that convert: supplies and transformers.
  static Stream<Source> converters(Study study) {
    return study.network().sources().stream()
        .filter(source ->
            study
                .part(source.device())
                .filter(part -> part.regulatedSupply() || part.bareTransformer())
                .isPresent());
  }

  /// The repair that swaps a supply for the cheapest of its kind whose limit, or boost, stands a
  /// peak.
  static List<Repair> starting(Source source, Current peak, Study study) {
    if (study.network().together(source).size() > 1
        || !(study.part(source.device()).orElse(null) instanceof DcSupply now)) return List.of();
    return study
        .catalogue()
        .of(DcSupply.class)
        .filter(next ->
            next.output().equals(now.output())
                && next.doubleInsulated().equals(now.doubleInsulated())
                && next.phases() == now.phases()
                && next.rating().compareTo(now.rating()) >= 0
                && next.currentLimit().shortCircuit().compareTo(peak) >= 0)
        .min(
            java.util.Comparator.comparing((DcSupply next) ->
                    next.price()
                        .map(price -> price.amount())
                        .orElse(java.math.BigDecimal.valueOf(1e7)))
                .thenComparing(DcSupply::id))
        .map(next -> Repair.of(Edits.swap(source.device(), next)))
        .stream()
        .toList();
  }

  /// The repair that swaps a supply for the next of its kind whose rating leaves the headroom
  /// wanted.
  static List<Repair> larger(Source source, Study study) {
    if (!(study.part(source.device()).orElse(null) instanceof DcSupply now)) return List.of();
    var needed =
        study.designCurrent(source).amperes()
            / study.project().brief().policies().headroom().fraction();
    return study
        .catalogue()
        .of(DcSupply.class)
        .filter(next ->
            next.output().equals(now.output())
                && next.doubleInsulated().equals(now.doubleInsulated())
                && next.phases() == now.phases()
                && next.rating().amperes() >= needed
                && next.rating().compareTo(now.rating()) > 0)
        .min(java.util.Comparator.comparing(DcSupply::rating))
        .map(next ->
            new Repair(
                "Use the %s supply".formatted(next.rating()), Edits.swap(source.device(), next)))
        .stream()
        .toList();
  }
}
