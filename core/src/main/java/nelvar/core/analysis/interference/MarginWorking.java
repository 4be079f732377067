package nelvar.core.analysis.interference;

import nelvar.core.analysis.Study;
import nelvar.core.model.School;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// The working of one pair, line by line.
public final class MarginWorking {
  private MarginWorking() {}

  /// How a pair comes by its margin.
  public static Explained<Measure> of(Pair pair, Study study) {
    var e = pair.emitter();
    var r = pair.receiver();
    var w = Working.of("%s into %s".formatted(e.label(), r.label()));
    w.given("ΔU", new Voltage(e.volts()), e.basis());
    w.assumed("tr", new Duration(e.rise()), e.kind().words() + ", from memory");
    if (e.leaves() > 0) w.result("Icm", "min(C' · l · ΔU/tr, ΔU/100 Ω)", new Current(e.leaves()));
    if (e.current() > 0) w.given("I", new Current(e.current()), "switched");
    if (e.outside() < 1)
      w.result(
          "left outside its shield",
          "|Rs · l + jωLe|/|Rs · l + jω(Le + Ls · l)|",
          new Percent(100 * e.outside()));
    pair.apart()
        .ifPresent(place -> {
          w.given("l", new Length(pair.beside()), place.name() + ", at most v · tr/2 counts");
          if (pair.fixed()) w.given("x", new Length(place.apart()), place.name());
          else w.assumed("x", new Length(place.apart()), "touching: where in it nobody says");
          w.assumed("h", new Length(place.receiver().height()), "over metal");
        });
    pair.apart()
        .filter(place -> place.receiver().loop().isEmpty())
        .flatMap(_ -> r.cable())
        .ifPresent(cable ->
            w.given(
                "way back",
                "outside " + cable.label(),
                "every core of it is a signal: its shield keeps none of the field away"));
    for (var missing : pair.unknown()) w.assumed(missing, "not said", "taken as the worst");
    w.given("shield", r.shield().words(), r.label());
    w.given(
        "earthing",
        study.project().brief().policies().answer(School.EARTHING_SYSTEM).words(),
        "Brief");
    if (r.balanced())
      w.assumed(
          "heard of what both wires take up alike",
          new Percent(100 * r.unbalance()),
          "of two wires for one signal");
    w.assumed("τ", new Duration(r.filter()), "input filter, " + r.kind().words());
    for (var way : WayIn.values())
      if (pair.volts().get(way) instanceof Double volts)
        w.result(way.words(), way.formula(), new Voltage(volts));
    w.result("all", "Σ, worst case", new Voltage(pair.all()));
    w.given("too much", new Voltage(r.threshold()), r.basis());
    var margin =
        w.result(
            "margin", "20 · lg(too much/all)", new Measure(pair.margin(), Measure.Unit.MARGIN));
    w.assumed(
        "±",
        new Measure(pair.uncertainty(), Measure.Unit.ATTENUATION),
        pair.fixed() ? "geometry fixed" : "in a loom; trust the ranking");
    return w.explain(margin);
  }
}
