package nelvar.core.analysis.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.RectifierBank;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.LinearBus;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// A supply of transformer, bridge and capacitors: its peak with no load and the mains high, its
/// ripple under load, its bridge.
///
/// `Upk = √2 · Usec · (1 + reg) · 1.1 − 2 · 0.7 V` against the capacitors (80 % of their rating)
/// and all it feeds; `C ≥ 0.08 s · I/U`, ripple 10 to 13 % of the voltage; bridge `≥ 1.5 · I`.
/// Common practice, no published source.
public final class LinearSupply implements Rule {
  private static final Reason CAPACITORS_OF_TOO_LOW_A_VOLTAGE =
      Reason.of("Capacitors of too low a voltage");
  private static final Reason TOO_MANY_VOLTS_WHILE_THE_MACHINE_RESTS =
      Reason.of("Too many volts while the machine rests");
  private static final Reason MUCH_RIPPLE = Reason.of("Much ripple");
  private static final Reason BRIDGE_WITHOUT_MARGIN = Reason.of("Bridge without margin");

  private static final Percent HIGH_MAINS = new Percent(10);
  private static final Voltage DIODES = new Voltage(1.4);
  private static final double CAPACITOR_SHARE = 0.8;
  private static final double SECONDS = 0.08;
  private static final double BRIDGE = 1.5;

  @Override
  public String id() {
    return "supply.linear";
  }

  @Override
  public String asks() {
    return "Every transformer, bridge and capacitor supply suits its load at rest, at work and with the mains high.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source -> study.part(source.device()).orElse(null) instanceof RectifierBank)
        .flatMap(
            Contained.many(
                this, source -> source.device().id(), source -> judge(source, study).stream()));
  }

  private static List<Verdict> judge(Source source, Study study) {
    var id = source.device().id();
    var own = (RectifierBank) study.part(source.device()).orElseThrow();
    var feed = study.network().feeds(id).stream().filter(f -> f.source().isPresent()).findFirst();
    if (feed.isEmpty()) return List.of(new Verdict.NotChecked(id, "no transformer feeds it"));
    var all = new ArrayList<Verdict>();
    var w = Working.of("Peak of " + source.device().designation());
    var peak = peak(w, feed.get(), study);
    all.add(capacitors(source, own, w.explain(peak)));
    for (var load : study.currents().served(source)) all.add(stands(source, load, w.explain(peak)));
    if (study.designCurrent(source).amperes() > 0) {
      all.add(ripple(source, own, study));
      all.add(bridge(source, own, study));
    }
    return all;
  }

  private static Voltage peak(Working w, Feed feed, Study study) {
    var volts = w.given("Usec", feed.voltage(), feed.source().orElseThrow().toString());
    var rise = new Percent(0);
    var from = study.part(feed.source().get().device());
    if (from.filter(Part::bareTransformer).isPresent())
      rise =
          w.result(
              "reg",
              "what the winding gives more without load",
              new Percent(100 * (from.get().rise() - 1)));
    return w.result(
        "Upk",
        "√2 · Usec · (1 + reg) · 1.1 − 1.4 V",
        LinearBus.peak(volts, rise, HIGH_MAINS, DIODES));
  }

  private static Verdict capacitors(Source source, RectifierBank own, Explained<Voltage> peak) {
    var id = source.device().id();
    if (own.capacitorVoltage().isEmpty())
      return new Verdict.NotChecked(id, "the voltage its capacitors are rated for is not known");
    var rated = own.capacitorVoltage().get();
    var judged = Explained.atMost(peak, "Upk", rated.times(CAPACITOR_SHARE), Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        peak.value().compareTo(rated) > 0 ? Severity.ERROR : Severity.WARNING,
        CAPACITORS_OF_TOO_LOW_A_VOLTAGE,
        "With no load and the mains high %s stands at %s; its capacitors are rated for %s and should see no more than 80 %% of it."
            .formatted(source.device().designation(), peak.value(), rated),
        judged.trail(),
        List.of());
  }

  private static Verdict stands(Source source, Feed load, Explained<Voltage> peak) {
    var most = load.intake().accepts().greatest();
    var judged = Explained.atMost(peak, "Upk", most, Citation.practice());
    if (judged.holds()) return new Verdict.Pass(load.device().id(), judged.trail());
    return new Verdict.Finding(
        load.device().id(),
        Severity.ERROR,
        TOO_MANY_VOLTS_WHILE_THE_MACHINE_RESTS,
        "%s stands at %s when nothing is on and the mains is high; %s accepts up to %s. A lower secondary voltage, or a regulated supply, cures it."
            .formatted(
                source.device().designation(), peak.value(), load.device().designation(), most),
        judged.trail(),
        List.of());
  }

  private static Trail ripple(Working w, Capacitance own, Current load, Study study) {
    var f = study.project().brief().supply().frequency();
    w.given("C", own, "its capacitors");
    w.given("f", f, "Brief");
    return w.explain(
            w.result(
                "ΔU",
                "I/(2 · f · C), peak to peak",
                new Voltage(load.amperes() / (2 * f.hertz() * own.farads()))))
        .trail();
  }

  private static Verdict ripple(Source source, RectifierBank own, Study study) {
    var id = source.device().id();
    var w = Working.of("Ripple of " + source.device().designation());
    var i = w.given("I", study.designCurrent(source), "everything on");
    var u = w.given("U", source.output().voltage(), "its peak at rated mains");
    var needed =
        w.result("Cmin", "0.08 s · I/U", new Capacitance(SECONDS * i.amperes() / u.volts()));
    var trail = ripple(w, own.capacitance(), i, study);
    if (own.capacitance().compareTo(needed) >= 0) return new Verdict.Pass(id, trail);
    return new Verdict.Finding(
        id,
        Severity.WARNING,
        MUCH_RIPPLE,
        "At %s the capacitors of %s (%s) let its voltage fall too far between two half waves; %s keep it within 10 to 13 %%."
            .formatted(i, source.device().designation(), own.capacitance(), needed),
        trail,
        List.of());
  }

  private static Verdict bridge(Source source, RectifierBank own, Study study) {
    var id = source.device().id();
    var w = Working.of("Bridge of " + source.device().designation());
    var i = w.given("I", study.designCurrent(source), "everything on");
    var judged =
        Explained.atMost(
            w.explain(w.result("Ibridge", "1.5 · I", i.times(BRIDGE))),
            "Ibridge",
            own.rating(),
            Citation.practice());
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    return new Verdict.Finding(
        id,
        Severity.WARNING,
        BRIDGE_WITHOUT_MARGIN,
        "%s gives %s; its bridge is rated for %s and charges the capacitors in short pulses: 1.5 times the load is the usual margin."
            .formatted(source.device().designation(), i, own.rating()),
        judged.trail(),
        List.of());
  }
}
