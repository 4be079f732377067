package nelvar.core.analysis.supply;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// Supplies that serve one bus together can do so, and those parted by diodes carry it when one
/// fails.
///
/// For capacity: the higher one gives all it can before the next helps, so each must hold its limit
/// without going out (constant current) unless they are made to share. For redundancy, behind
/// diodes: `I ≤ Σ In − largest`. Rating and headroom of the share of each are judged by their own
/// rules. Demand: common practice, no published source.
public final class SuppliesTogether implements Rule {
  private static final Reason DIODES_BUT_NO_REDUNDANCY = Reason.of("Diodes, but no redundancy");
  private static final Reason SUPPLIES_THAT_DO_NOT_HELP_EACH_OTHER =
      Reason.of("Supplies that do not help each other");

  @Override
  public String id() {
    return "supply.together";
  }

  @Override
  public String asks() {
    return "Supplies on one bus share it, and behind diodes one may fail.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .map(source -> study.network().together(source))
        .filter(bank -> bank.size() > 1)
        .distinct()
        .flatMap(
            Contained.one(this, bank -> bank.getFirst().device().id(), bank -> judge(bank, study)));
  }

  private static Verdict judge(List<Source> bank, Study study) {
    var id = bank.getFirst().device().id();
    var names = SupplyLoad.names(bank);
    var w = Working.of("Supplies on one bus: " + names);
    var load = study.designCurrent(bank.getFirst()).times(bank.size());
    var sum = 0.0;
    var largest = 0.0;
    for (var member : bank) {
      var rating = member.output().rating();
      w.given("In" + member.device().designation(), rating, member.toString());
      sum += rating.amperes();
      largest = Math.max(largest, rating.amperes());
    }
    var i = w.given("I", load, "everything on the bus that can be on together");
    var hiccup = bank.stream().filter(member -> goesOut(member, study)).findFirst();
    if (hiccup.isPresent() && load.amperes() > hiccup.get().output().rating().amperes())
      return goesOut(id, hiccup.get(), names, w.explain(i), study);
    if (!apart(bank, study)) return new Verdict.Pass(id, w.explain(i).trail());
    var left = w.result("Ileft", "Σ In − largest, when one fails", new Current(sum - largest));
    var judged = Explained.atMost(w.explain(i), "I", left, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.ADVICE,
        DIODES_BUT_NO_REDUNDANCY,
        "%s are parted by diodes, so one may fail without pulling down the bus; but the bus takes %s and what is left gives %s. It collapses all the same. Larger supplies, or one more, make it redundant; for capacity alone supplies made for parallel use need no diodes."
            .formatted(names, load, left),
        judged.trail(),
        List.of());
  }

  private static Verdict goesOut(
      Id id, Source source, String names, Explained<Current> load, Study study) {
    var behaviour =
        ((DcSupply) study.part(source.device()).orElseThrow()).currentLimit().behaviour();
    return new Verdict.Finding(
        id,
        Severity.WARNING,
        SUPPLIES_THAT_DO_NOT_HELP_EACH_OTHER,
        "The bus of %s takes %s. The supply a little higher gives all until its limit; %s then %s instead of letting the other help, and the bus falls. Take supplies that hold their limit, or that are made to share."
            .formatted(
                names,
                load.value(),
                source.device().designation(),
                behaviour == CurrentLimit.Behaviour.HICCUP ? "switches off" : "folds back"),
        load.trail(),
        List.of());
  }

  private static boolean goesOut(Source source, Study study) {
    return study.part(source.device()).orElse(null) instanceof DcSupply supply
        && !supply.sharesLoad()
        && supply.currentLimit().behaviour() != CurrentLimit.Behaviour.CONSTANT_CURRENT;
  }

  /// Whether diodes part every one from every other.
  private static boolean apart(List<Source> bank, Study study) {
    for (var member : bank) {
      var reached = study.network().withoutDiodes(member.terminals().getFirst());
      for (var other : bank)
        if (other != member && reached.contains(other.terminals().getFirst())) return false;
    }
    return true;
  }
}
