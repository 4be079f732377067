package nelvar.core.analysis.earthing;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.RectifierBank;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Source;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// One side of every direct-current control supply is joined to the protective circuit, once a
/// circuit.
///
/// Left floating, a first earth fault stays unseen and a second can start a machine or keep it from
/// stopping. The other school leaves it floating on purpose and watches it with an insulation
/// monitor: accept the finding then, and say so.
///
/// Demand: IEC 60204-1:2016, 9.4.3.1 (unchecked).
public final class FloatingZeroVolt implements Rule {
  private static final Reason ZERO_VOLT_FLOATS = Reason.of("0 V floats");

  /// Above it no direct voltage is extra-low any more: a bus for axes is asked for its bond too.
  private static final Voltage EXTRA_LOW = new Voltage(60);

  @Override
  public String id() {
    return "earthing.floating-zero-volt";
  }

  @Override
  public String asks() {
    return "The 0 V of every control supply is joined to earth at one point.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var told = new HashSet<TerminalRef>();
    return study.network().sources().stream()
        .filter(source ->
            direct(source, study)
                && (controls(source, study) || source.output().voltage().compareTo(EXTRA_LOW) > 0))
        .filter(source -> once(source, told, study))
        .flatMap(
            Contained.one(this, source -> source.device().id(), source -> judge(source, study)));
  }

  private static boolean direct(Source source, Study study) {
    return study
        .part(source.device())
        .filter(part -> part.regulatedSupply() || part instanceof RectifierBank)
        .isPresent();
  }

  /// Whether anything but drives and motors hangs on it: a bus for axes is no control supply.
  private static boolean controls(Source source, Study study) {
    return study.currents().served(source).stream()
        .anyMatch(feed ->
            study
                .part(feed.device())
                .filter(part -> !part.drives() && !part.servesBus() && !part.motor())
                .isPresent());
  }

  /// Supplies whose minus metal joins are one circuit, told of once.
  private static boolean once(Source source, Set<TerminalRef> told, Study study) {
    var minus = minus(source);
    if (told.contains(minus)) return false;
    told.add(minus);
    told.addAll(study.asDesigned().metal(minus));
    return true;
  }

  private static TerminalRef minus(Source source) {
    return new TerminalRef(source.device().id(), source.output().back().orElseThrow());
  }

  private static Verdict judge(Source source, Study study) {
    var device = source.device();
    var minus = minus(source);
    var joined = study.asDesigned().joinedToEarth(minus);
    var w = Working.of("0 V of " + device.designation());
    w.given("way to earth", joined ? "there is one" : "none", minus.toString());
    var trail = w.explain(joined).trail();
    return joined
        ? new Verdict.Pass(device.id(), trail)
        : new Verdict.Finding(
            device.id(),
            Severity.WARNING,
            ZERO_VOLT_FLOATS,
            "Nothing joins %s of %s to earth: a first earth fault stays unseen, a second one can start the machine. Join its 0 V bar to the PE bar, once."
                .formatted(minus.terminal(), device.designation()),
            trail,
            List.of());
  }
}
