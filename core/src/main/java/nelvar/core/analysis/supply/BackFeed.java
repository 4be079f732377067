package nelvar.core.analysis.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;

/// No source feeds another: their lines are not joined, unless through diodes.
///
/// Two electronic supplies in parallel do not share by themselves: the one a little higher gives
/// all, the other is held up and rests; switched off, it is fed backwards. Those made for parallel
/// use say so in their data. Sources of different voltages must never meet.
///
/// Demand: common practice, no published source.
public final class BackFeed implements Rule {
  private static final Reason SUPPLIES_JOINED_WITHOUT_DIODES =
      Reason.of("Supplies joined without diodes");
  private static final Reason TWO_SOURCES_ON_TWO_SIDES_OF_CONTACTS =
      Reason.of("Two sources on two sides of contacts");
  private static final Reason SOURCES_OF_DIFFERENT_VOLTAGE_JOINED =
      Reason.of("Sources of different voltage joined");
  private static final Reason FED_FROM_OUTSIDE_AT_ITS_OUTPUT =
      Reason.of("Fed from outside at its output");

  @Override
  public String id() {
    return "supply.back-feed";
  }

  @Override
  public String asks() {
    return "No supply is fed by another.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var verdicts = new ArrayList<Verdict>();
    Contained.each(
        this,
        study.network().sources(),
        source -> source.device().id(),
        verdicts,
        source -> {
          if (study.network().walks(source).isEmpty()) return;
          var w = Working.of("Lines of " + source.device().designation());
          var other = joined(source, study);
          w.given(
              "joined to",
              other.map(o -> o.device().designation().text()).orElse("no other source"),
              "through wires, contacts and protective devices; diodes keep apart");
          var trail = w.explain(source).trail();
          verdicts.add(
              other
                  .filter(o -> !(shares(source, study) && shares(o, study)))
                  .<Verdict>map(o -> finding(source, o, together(source, o, study), trail))
                  .orElseGet(() -> new Verdict.Pass(source.device().id(), trail)));
        });
    return verdicts.stream();
  }

  /// Whether its part is made to work in parallel.
  private static boolean shares(Source source, Study study) {
    return study.part(source.device()).orElse(null) instanceof DcSupply supply
        && supply.sharesLoad();
  }

  private static Optional<Source> joined(Source source, Study study) {
    var starts = source.terminals();
    for (var line = 0; line < source.output().lines().size(); line++) {
      var reached = study.network().withoutDiodes(starts.get(line));
      for (var other : study.network().sources()) {
        if (other.device().id().equals(source.device().id())) continue;
        for (var at = 0; at < other.output().lines().size(); at++)
          if (reached.contains(other.terminals().get(at))) return Optional.of(other);
      }
    }
    return Optional.empty();
  }

  /// Whether metal joins a line of each in a state of the machine; without that, contacts lie
  /// between that no state closes together.
  private static boolean together(Source source, Source other, Study study) {
    var lines = source.terminals().subList(0, source.output().lines().size());
    var others = other.terminals().subList(0, other.output().lines().size());
    return MachineStates.of(study).stream()
        .anyMatch(state ->
            lines.stream()
                .anyMatch(line -> {
                  var reached = state.live().metal(line);
                  return others.stream().anyMatch(reached::contains);
                }));
  }

  private static Verdict finding(
      Source source, Source other, boolean together, nelvar.core.trail.Trail trail) {
    var direct = !source.output().alternating() && !other.output().alternating();
    var same =
        direct
            && Math.abs(source.output().voltage().volts() - other.output().voltage().volts()) < 0.5;
    if (same)
      return new Verdict.Finding(
          source.device().id(),
          Severity.WARNING,
          SUPPLIES_JOINED_WITHOUT_DIODES,
          "The outputs of %s and %s are joined: the higher one gives all, the other rests, and a failed one pulls both down. Part them with a diode module, or take supplies that are made for parallel use."
              .formatted(source.device().designation(), other.device().designation()),
          trail,
          List.of());
    if (!together)
      return new Verdict.Finding(
          source.device().id(),
          Severity.WARNING,
          TWO_SOURCES_ON_TWO_SIDES_OF_CONTACTS,
          "Contacts that no state of the machine closes together part %s and %s. Closed together, by a weld or by hand, one feeds the other backwards and destroys it: interlock them mechanically and by their auxiliary contacts."
              .formatted(source.device().designation(), other.device().designation()),
          trail,
          List.of());
    return new Verdict.Finding(
        source.device().id(),
        Severity.ERROR,
        direct ? SOURCES_OF_DIFFERENT_VOLTAGE_JOINED : FED_FROM_OUTSIDE_AT_ITS_OUTPUT,
        direct
            ? "%s (%s) and %s (%s) meet: the higher feeds the lower backwards and destroys it."
                .formatted(
                    source.device().designation(),
                    source.output().voltage(),
                    other.device().designation(),
                    other.output().voltage())
            : "%s (%s) and %s (%s) meet. Two alternating sources, or an alternating and a direct one, never run together: a drive or supply is destroyed as soon as the mains stands on its output. Take the wire away that joins them."
                .formatted(
                    source.device().designation(),
                    source.output().voltage(),
                    other.device().designation(),
                    other.output().voltage()),
        trail,
        List.of());
  }
}
