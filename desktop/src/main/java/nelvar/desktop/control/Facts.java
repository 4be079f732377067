package nelvar.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.protection.BreakerChoice;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.analysis.protection.Replacement;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.ConductorTemperature;
import nelvar.core.analysis.sizing.SectionChoice;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.supply.RatingLeft;
import nelvar.core.analysis.supply.SupplyLoad;
import nelvar.core.analysis.thermal.DeviceHeat;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.formula.Ageing;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;

/// The numbers of a thing, each with its working where it has one. In one order for every kind of
/// thing.
public final class Facts {
  /// @param value with its unit
  public record Fact(String name, String value, Optional<Trail> working) {
    static Fact of(String name, Object value) {
      return new Fact(name, value.toString(), Optional.empty());
    }

    static Fact of(String name, Object value, Trail working) {
      return new Fact(name, value.toString(), Optional.of(working));
    }
  }

  private Facts() {}

  public static List<Fact> of(Device device, Study study) {
    var facts = new ArrayList<Fact>();
    inlet(device, study, facts);
    protection(device, study, facts);
    gives(device, study, facts);
    takes(device, study, facts);
    stands(device, study, facts);
    return facts;
  }

  private static void inlet(Device device, Study study, List<Fact> facts) {
    if (!(study.part(device).orElse(null) instanceof MainsInlet)) return;
    for (var source : study.network().sources(device)) {
      var load = InletLoad.of(source, study);
      facts.add(Fact.of("Most loaded line", load.value(), load.trail()));
      facts.add(Fact.of("Running, with duty", InletLoad.running(source, study)));
      facts.add(Fact.of("Upstream device", source.output().rating()));
    }
    study
        .project()
        .brief()
        .supply()
        .loopImpedance()
        .ifPresent(z -> facts.add(Fact.of("Loop impedance", z)));
  }

  private static void protection(Device device, Study study, List<Fact> facts) {
    for (var protecting : ProtectiveDevices.all(study)) {
      if (!protecting.device().device().id().equals(device.id())) continue;
      var protection = protecting.device().protection();
      facts.add(
          Fact.of(
              protection instanceof ProtectiveDevice.Electronic(var channel, _)
                  ? "Channel " + channel + ", all on"
                  : "All on",
              "%s of %s".formatted(protecting.design(), protection.rating())));
      if (protection instanceof ProtectiveDevice.Electronic) continue;
      if (protecting.inrushPeak().amperes() > 0)
        facts.add(
            Fact.of(
                "At switching on",
                "%s peak, %s".formatted(protecting.inrushPeak(), protecting.inrushDuration())));
      var part = study.part(device).orElseThrow();
      if (part instanceof CircuitBreaker breaker && breaker.listing().isEmpty())
        BreakerChoice.propose(protecting.design(), Optional.of(protecting.inrushPeak()))
            .ifPresent(choice ->
                facts.add(Fact.of("Least that would do", choice.value(), choice.trail())));
      else
        Replacement.least(part, protecting, study)
            .flatMap(Part::protection)
            .ifPresent(least -> facts.add(Fact.of("Least that would do", least)));
    }
  }

  private static void gives(Device device, Study study, List<Fact> facts) {
    for (var source : study.network().sources(device)) {
      if (study.part(device).orElse(null) instanceof MainsInlet
          || source.output().name().equals("B")) continue;
      var load = SupplyLoad.of(source, study);
      facts.add(
          Fact.of(
              "Gives, all on",
              "%s of %s".formatted(load.value(), source.output().rating()),
              load.trail()));
      facts.add(Fact.of("Share of its rating", load.value().of(source.output().rating())));
      facts.add(Fact.of("Gives, with duty", study.runningCurrent(source)));
      var left =
          RatingLeft.of(study.part(device).orElseThrow(), source.output().rating(), device, study);
      if (left.value().compareTo(source.output().rating()) < 0)
        facts.add(
            Fact.of(
                "Gives where it stands",
                "%s of %s".formatted(left.value(), source.output().rating()),
                left.trail()));
    }
  }

  /// Its size, what it gives off and the air it stands in.
  private static void stands(Device device, Study study, List<Fact> facts) {
    var heat = DeviceHeat.of(device, study);
    if (heat.value().watts() > 0.05)
      facts.add(Fact.of("Heat, with duty", heat.value(), heat.trail()));
    var body = Bodies.of(study).of(device.id());
    if (body.isEmpty()) return;
    facts.add(
        Fact.of(
            "Size",
            "%.0f × %.0f%s mm%s"
                .formatted(
                    body.get().box().width(),
                    body.get().box().height(),
                    body.get().depth().map(" × %.0f"::formatted).orElse(""),
                    body.get().assumed() ? ", assumed" : "")));
    if (body.get().surface().inside())
      InsideAir.at(device.id(), study)
          .ifPresent(air ->
              facts.add(
                  Fact.of(
                      "Air at it",
                      "%s, up to %s".formatted(air.expected(), air.upper()),
                      air.trail())));
    ages(device, study, facts);
    Bodies.of(study)
        .nearest(body.get())
        .ifPresent(other ->
            facts.add(
                Fact.of(
                    "Nearest neighbour",
                    "%s, %.0f mm".formatted(other.name(), other.box().gap(body.get().box())))));
  }

  /// Of what has electrolytic capacitors that dry out.
  private static void ages(Device device, Study study, List<Fact> facts) {
    if (study.part(device).filter(p -> p.electronicSupply() || p.drives()).isEmpty()) return;
    InsideAir.at(device.id(), study)
        .ifPresent(air -> {
          var w = Working.of("Life of " + device.designation());
          var at = w.given("T", air.expected(), "the air at it");
          var stated = w.assumed("T0", Ageing.STATED, "what life is stated for, as a rule");
          var life = w.result("life", "2^((T0 − T)/10 K)", Ageing.life(at, stated));
          facts.add(
              Fact.of(
                  "Lasts",
                  "%s of its life at %s".formatted(life, stated),
                  w.explain(life).trail()));
        });
  }

  private static void takes(Device device, Study study, List<Fact> facts) {
    for (var feed : study.network().feeds(device.id())) {
      if (feed.intake().name().equals("B") && study.network().feeds(device.id()).size() > 1)
        continue;
      if (feed.source().isEmpty()) {
        facts.add(Fact.of("Takes", "not fed"));
        continue;
      }
      facts.add(Fact.of("Takes, all on", study.designCurrent(feed)));
      facts.add(Fact.of("Takes, with duty", new Current(study.currents().drawn(feed).running())));
      facts.add(Fact.of("From", feed.source().get()));
      feed.intake().inrush().ifPresent(inrush -> facts.add(Fact.of("At switching on", inrush)));
      facts.add(Fact.of("Accepts", feed.intake().accepts()));
      switch (VoltageDrop.of(feed, study)) {
        case Computed.Known<Percent>(var drop) -> {
          facts.add(Fact.of("Drop on its wires", drop.value(), drop.trail()));
          facts.add(
              Fact.of(
                  "Voltage at it",
                  feed.voltage().less(feed.voltage().times(drop.value().fraction()))));
        }
        case Computed.Missing<Percent>(var why) ->
            facts.add(Fact.of("Drop on its wires", "not known: " + why));
      }
    }
  }

  public static List<Fact> of(Conductor conductor, Study study) {
    var facts = new ArrayList<Fact>();
    facts.add(Fact.of("Carries, all on (Ib)", study.designCurrent(conductor)));
    facts.add(Fact.of("Carries, with duty", study.runningCurrent(conductor)));
    study
        .circuit(conductor)
        .ifPresent(circuit ->
            facts.add(
                Fact.of(
                    "Protected by (In)",
                    circuit
                        .protection()
                        .map(protection ->
                            protection.device().designation() + " " + protection.protection())
                        .orElse("none; " + circuit.source() + ", " + circuit.limit()))));
    switch (Ampacity.of(conductor, study)) {
      case Computed.Known<Current>(var iz) ->
          facts.add(Fact.of("May carry (Iz)", iz.value(), iz.trail()));
      case Computed.Missing<Current>(var why) ->
          facts.add(Fact.of("May carry (Iz)", "not known: " + why));
    }
    ConductorTemperature.of(conductor, study)
        .found()
        .ifPresent(warm -> facts.add(Fact.of("Warms to", warm.value(), warm.trail())));
    VoltageDrop.alone(conductor, study).ifPresent(lost -> facts.add(Fact.of("Loses", lost)));
    if (conductor.carriesWork())
      SectionChoice.propose(conductor, study)
          .ifPresent(
              choice -> facts.add(Fact.of("Least that would do", choice.value(), choice.trail())));
    var answer = HowLong.of(study).answer(conductor);
    answer
        .length()
        .ifPresent(length ->
            facts.add(
                Fact.of(
                    "Is long",
                    length
                        + HowLong.onTape(length, study).map(tape -> ", " + tape).orElse("")
                        + ", "
                        + answer.basis().words(),
                    answer.trail())));
    var lies = Lying.of(study).words(conductor);
    if (!lies.isEmpty()) facts.add(Fact.of("Lies in", lies));
    return facts;
  }
}
