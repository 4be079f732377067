package nelvar.core.analysis.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.network.Feed;
import nelvar.core.standards.CopperResistance;
import nelvar.core.standards.MetricConductors.Strands;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.ResistancePerLength;
import nelvar.core.units.Significant;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// The voltage lost between a source and a load, out and back, with everything on that can be on
/// together.
///
/// `ΔU = Σ I · (R · cosφ + X · sinφ)` over the wires out and, with two wires, back; `√3` times with
/// three lines. I in A is each wire's own design current, so that a shared way back counts all who
/// share it; R in Ω at what their insulation stands; X 0.08 mΩ/m for alternating current above 16
/// mm², below which it may be left out (IEC 60364-5-52:2009 Annex G, unchecked).
public final class VoltageDrop {
  private static final double REACTANCE_ABOVE = 16;

  private VoltageDrop() {}

  /// The reactance of a wire that counts in the drop to a feed, Ω.
  private static double reactance(Conductor conductor, Feed feed, Study study, Sections sections) {
    return feed.source().orElseThrow().output().alternating()
            && sections
                .of(conductor)
                .filter(section -> section.squareMillimetres() > REACTANCE_ABOVE)
                .isPresent()
        ? CopperResistance.REACTANCE_PER_METRE
            * study.length(conductor).map(Length::metres).orElse(0.0)
        : 0;
  }

  /// The volts one wire loses on the way to a feed: `I · (R · cosφ + X · sinφ)`.
  static Optional<Double> lost(Conductor conductor, Feed feed, Study study, Sections sections) {
    var cos = study.currents().drawn(feed).powerFactor();
    var sin = Math.sqrt(Math.max(0, 1 - cos * cos));
    return ohms(conductor, study, sections)
        .map(ohms ->
            study.designCurrent(conductor).amperes()
                * (ohms.ohms() * cos + reactance(conductor, feed, study, sections) * sin));
  }

  /// One wire's share of the sum.
  private record Term(Current current, Resistance ohms) {
    @Override
    public String toString() {
      return Significant.digits(current.amperes()) + " A · " + ohms;
    }
  }

  /// @param share ΔU against the source's voltage
  /// @param worst the wire that loses most of it
  public record Drop(Explained<Percent> share, Voltage lost, Optional<Conductor> worst) {}

  public static Computed<Resistance> resistance(
      CrossSection section, Length length, Temperature temperature) {
    return resistance(section, Strands.CLASS_5, length, temperature);
  }

  /// `R = R20 · l · (234.5 + T)/254.5`, copper; T is the conductor's temperature.
  public static Computed<Resistance> resistance(
      CrossSection section, Strands strands, Length length, Temperature temperature) {
    var perLength = CopperResistance.at20(section, strands);
    if (perLength.isEmpty())
      return Computed.missing("the resistance table has no row for " + section);
    var w = Working.of("Resistance of a conductor");
    var r20 = w.table("R20", perLength.get(), section + ", 20 °C");
    w.given("l", length, "one way");
    w.given("T", temperature, "conductor temperature");
    var hot = r20.times(CopperResistance.warmed(temperature));
    return Computed.known(
        w.explain(w.result("R", "R20 · l · (234.5 + T)/254.5", hot.over(length))));
  }

  /// One go-and-return pair, or three lines, of one section from end to end.
  ///
  /// @param lines 2 for direct or single-phase current, 3 for three-phase
  /// @param temperature of the conductors
  /// @param reactance of one conductor; 0 for direct current
  /// @param parallel equal conductors for each pole
  public record Run(
      CrossSection section,
      Strands strands,
      Length length,
      Current current,
      Voltage nominal,
      int lines,
      double powerFactor,
      Temperature temperature,
      ResistancePerLength reactance,
      int parallel) {}

  /// The drop over a run: `2 · I · (R · cosφ + XL · sinφ)`, three-phase √3 times.
  public static Computed<Percent> over(Run run) {
    return resistance(run.section(), run.strands(), run.length(), run.temperature())
        .fold(
            resistance -> {
              var w = Working.of("Voltage drop");
              var one = w.use(resistance);
              w.given("I", run.current(), "design current");
              w.given("cosφ", run.powerFactor(), "power factor");
              var r = one;
              if (run.parallel() > 1) {
                w.given("n", run.parallel(), "equal conductors in parallel");
                r = w.result("R", "R/n", new Resistance(one.ohms() / run.parallel()));
              }
              w.given("X", run.reactance(), "of one conductor");
              var x =
                  w.result(
                      "XL",
                      run.parallel() > 1 ? "X · l/n" : "X · l",
                      new Resistance(run.reactance().over(run.length()).ohms() / run.parallel()));
              var three = run.lines() == 3;
              var sin =
                  w.result(
                      "sinφ", "√(1 − cosφ²)", Math.sqrt(1 - run.powerFactor() * run.powerFactor()));
              var lost =
                  w.result(
                      "ΔU",
                      (three ? "√3" : "2") + " · I · (R · cosφ + XL · sinφ)",
                      new Voltage(
                          (three ? Math.sqrt(3) : 2)
                              * run.current().amperes()
                              * (r.ohms() * run.powerFactor() + x.ohms() * sin)));
              w.given("Un", run.nominal(), "nominal voltage");
              return Computed.known(w.explain(w.result("u", "ΔU/Un", lost.of(run.nominal()))));
            },
            Computed::missing);
  }

  public static Computed<Percent> of(Feed feed, Study study) {
    return drop(feed, study, Sections.AS_DESIGNED)
        .fold(drop -> Computed.known(drop.value().share()), Computed::missing);
  }

  /// The volts lost in one conductor at its design current, unit power factor.
  public static Optional<Voltage> alone(Conductor conductor, Study study) {
    return ohms(conductor, study, Sections.AS_DESIGNED)
        .map(ohms -> study.designCurrent(conductor).across(ohms));
  }

  static Computed<Drop> drop(Feed feed, Study study, Sections sections) {
    if (feed.source().isEmpty()) return Computed.missing("no supply reaches it");
    Computed<Drop> most = null;
    for (var way : feed.lineWays()) {
      var drop = drop(feed, way, study, sections);
      if (drop.found().isEmpty()) return drop;
      if (most == null || lost(drop) > lost(most)) most = drop;
    }
    return Objects.requireNonNull(most);
  }

  private static double lost(Computed<Drop> drop) {
    return drop.found().orElseThrow().value().lost().volts();
  }

  private static Computed<Drop> drop(Feed feed, List<Integer> way, Study study, Sections sections) {
    var out = study.wires(way);
    var back = feed.intake().threePhase() ? List.<Conductor>of() : study.wires(feed.backWay());
    var w = Working.of("Voltage drop to " + feed.device().designation());
    w.assumed(
        "T", study.hot(), "as warm as their insulation (Brief) allows; cooler ones lose less");
    w.given(
        "cosφ",
        study.currents().drawn(feed).powerFactor(),
        "power factor of " + feed.device().designation());
    var terms = new ArrayList<Term>();
    var lost = 0.0;
    var reactive = false;
    var most = -1.0;
    Optional<Conductor> worst = Optional.empty();
    for (var conductor : java.util.stream.Stream.concat(out.stream(), back.stream()).toList()) {
      if (sections.of(conductor).isEmpty())
        return Computed.missing("the section of " + conductor.label() + " is not chosen yet");
      if (study.length(conductor).isEmpty())
        return Computed.missing("the length of " + conductor.label() + " is not known yet");
      var ohms = ohms(conductor, study, sections);
      if (ohms.isEmpty())
        return Computed.missing(
            "the resistance table has no row for the section of " + conductor.label());
      var current = study.designCurrent(conductor);
      var volts = lost(conductor, feed, study, sections).orElseThrow();
      reactive |= reactance(conductor, feed, study, sections) > 0;
      w.given(
          "R" + conductor.label(),
          ohms.get(),
          () ->
              "%s, %s, carries %s"
                  .formatted(
                      sections.of(conductor).orElseThrow(),
                      study.length(conductor).orElseThrow(),
                      current));
      terms.add(new Term(current, ohms.get()));
      lost += volts;
      if (volts > most) {
        most = volts;
        worst = Optional.of(conductor);
      }
    }
    var total = feed.intake().threePhase() ? new Voltage(Math.sqrt(3) * lost) : new Voltage(lost);
    if (reactive) w.given("X", "0.08 mΩ/m", "of each wire above 16 mm²");
    var sum = reactive ? "Σ I · (R · cosφ + X · sinφ)" : "cosφ · Σ I · R";
    w.result(
        "ΔU",
        feed.intake().threePhase() ? "√3 · " + sum : sum,
        () ->
            terms.isEmpty()
                ? "no wires"
                : terms.stream()
                    .map(Term::toString)
                    .collect(java.util.stream.Collectors.joining(" + ")),
        total);
    w.given("Un", feed.voltage(), "voltage of " + feed.source().get());
    var share = w.result("u", "ΔU/Un", total.of(feed.voltage()));
    return Computed.known(
        new Explained<>(new Drop(w.explain(share), total, worst), w.explain(share).trail()));
  }

  static Optional<Resistance> ohms(Conductor conductor, Study study, Sections sections) {
    var section = sections.of(conductor);
    var length = study.length(conductor);
    return section.isEmpty() || length.isEmpty()
        ? Optional.empty()
        : CopperResistance.of(section.get(), length.get(), study.hot());
  }
}
