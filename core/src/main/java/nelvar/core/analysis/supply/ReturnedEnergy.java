package nelvar.core.analysis.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisCycle;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.catalogue.BusClamp;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.MovingEnergy;
import nelvar.core.model.Device;
import nelvar.core.model.Returned;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Energy;
import nelvar.core.units.Power;
import nelvar.core.units.Significant;
import nelvar.core.units.Voltage;

/// What braking motors give back does not lift their bus above what hangs on it stands.
///
/// `U2 = √(U1² + 2 · E/C)`: all motors of the bus brake together, an electronic supply takes
/// nothing back, C are the capacitors of drives, supplies and banks on it. Else a clamp must take
/// it: its threshold below that limit, `U²/R ≥ 2 · E/t` at the start of the stop, and twice the
/// mean power (`2 · Σ E/cycle`, common practice 2 to 3). Energy conservation; no published source
/// needed. Where nobody states what a motor gives back, what its axis moves says it, less what the
/// drives on the bus lose by themselves meanwhile; that warns only.
public final class ReturnedEnergy implements Rule {
  private static final Reason BRAKING_LIFTS_THE_BUS_TOO_HIGH =
      Reason.of("Braking lifts the bus too high");
  private static final Reason THE_CLAMP_DOES_NOT_HOLD_THE_BUS =
      Reason.of("The clamp does not hold the bus");

  private static final double MARGIN = 2;

  @Override
  public String id() {
    return "supply.returned-energy";
  }

  @Override
  public String asks() {
    return "What braking motors give back does not lift their bus too high.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().sources().stream()
        .filter(source -> !source.output().alternating())
        .map(source -> study.network().together(source))
        .distinct()
        .flatMap(
            Contained.many(
                this, bank -> bank.getFirst().device().id(), bank -> judge(bank, study).stream()));
  }

  /// @param computed by what its axis moves: an estimate, that warns and condemns nothing
  private record Braking(Device motor, Returned returned, boolean computed) {}

  private static List<Feed> loads(List<Source> bank, Study study) {
    return bank.stream().flatMap(member -> study.currents().served(member).stream()).toList();
  }

  private static List<Braking> braking(List<Source> bank, Study study) {
    // A drive built onto its motor stands on the bus itself.
    return loads(bank, study).stream()
        .flatMap(feed ->
            Stream.concat(
                Stream.of(feed.device()),
                study.network().sources(feed.device()).stream()
                    .flatMap(output -> study.currents().served(output).stream())
                    .map(Feed::device)))
        .distinct()
        .flatMap(motor ->
            motor
                .work()
                .returned()
                .map(returned -> new Braking(motor, returned, false))
                .or(() -> computed(motor, study).map(r -> new Braking(motor, r, true)))
                .stream())
        .toList();
  }

  /// By what its axis moves, where nobody states it.
  private static Optional<Returned> computed(Device motor, Study study) {
    return MotionAxes.of(study).stream()
        .filter(axis -> axis.motor().id().equals(motor.id()))
        .findFirst()
        .flatMap(AxisCycle::of)
        .flatMap(AxisCycle::givenBack);
  }

  private static Optional<Verdict> judge(List<Source> bank, Study study) {
    var braking = braking(bank, study);
    if (braking.isEmpty()) return Optional.empty();
    var id = bank.getFirst().device().id();
    var w = Working.of("Energy given back to " + SupplyLoad.names(bank));
    var joules = 0.0;
    for (var one : braking) {
      w.given(
          "E" + one.motor().designation(),
          one.returned().energy(),
          one.computed() ? "at each stop, by what its axis moves" : "at each stop");
      joules += one.returned().energy().joules();
    }
    var estimated = braking.stream().allMatch(Braking::computed);
    if (estimated) {
      var lost = lost(w, bank, braking, study);
      if (joules <= lost) return Optional.of(new Verdict.Pass(id, w.explain(bank).trail()));
      joules -= lost;
    }
    var energy = w.result("E", "Σ E, all brake together", new Energy(joules));
    var u1 = w.given("U1", bank.getFirst().output().voltage(), SupplyLoad.names(bank));
    var most = most(w, bank, study);
    var farads = farads(w, bank, study);
    var c = w.result("C", "Σ C on the bus", new Capacitance(farads));
    if (farads > 0) {
      var u2 = w.result("U2", "√(U1² + 2 · E/C)", MovingEnergy.busAfter(u1, energy, c));
      var judged = Explained.atMost(w.explain(u2), "U2", most, Citation.practice());
      if (judged.holds()) return Optional.of(new Verdict.Pass(id, judged.trail()));
    }
    var clamps = parts(bank, BusClamp.class, study);
    return Optional.of(
        clamps.isEmpty()
            ? tooHigh(bank, braking, energy, c, most, w, study)
            : clamped(bank, braking, clamps, most, w));
  }

  /// What the drives on the bus lose by themselves while the longest stop lasts, J.
  private static double lost(Working w, List<Source> bank, List<Braking> braking, Study study) {
    var seconds =
        braking.stream().mapToDouble(b -> b.returned().within().seconds()).max().orElse(0);
    var watts =
        loads(bank, study).stream()
            .map(Feed::device)
            .distinct()
            .flatMap(device -> study.part(device).filter(Part::drives).flatMap(Part::loss).stream())
            .mapToDouble(Power::watts)
            .sum();
    w.given("Pdrives", new Power(watts), "what the drives on it lose by themselves meanwhile");
    return watts * seconds;
  }

  /// The least of what the loads on the bus stand.
  private static Voltage most(Working w, List<Source> bank, Study study) {
    var weakest =
        loads(bank, study).stream()
            .filter(feed -> !(study.part(feed.device()).orElse(null) instanceof BusClamp))
            .min(java.util.Comparator.comparing(feed -> feed.intake().accepts().greatest()))
            .orElseThrow();
    return w.given("Umax", weakest.intake().accepts().greatest(), weakest.name());
  }

  private static double farads(Working w, List<Source> bank, Study study) {
    var devices = new ArrayList<Device>();
    bank.forEach(member -> devices.add(member.device()));
    loads(bank, study).forEach(feed -> devices.add(feed.device()));
    var sum = 0.0;
    for (var device : devices.stream().distinct().toList()) {
      var own = study.part(device).flatMap(Part::busCapacitance);
      if (own.isEmpty()) continue;
      w.given("C" + device.designation(), own.get(), "");
      sum += own.get().farads();
    }
    return sum;
  }

  private static <P extends Part> List<P> parts(List<Source> bank, Class<P> kind, Study study) {
    return loads(bank, study).stream()
        .flatMap(feed -> study.part(feed.device()).stream())
        .filter(kind::isInstance)
        .map(kind::cast)
        .toList();
  }

  /// At the start of a stop of constant deceleration: twice the mean.
  private static double peak(List<Braking> braking) {
    return braking.stream()
        .mapToDouble(b -> 2 * b.returned().energy().joules() / b.returned().within().seconds())
        .sum();
  }

  private static double mean(List<Braking> braking) {
    return braking.stream()
        .mapToDouble(b -> b.returned().energy().joules() / b.returned().every().seconds())
        .sum();
  }

  private static Verdict tooHigh(
      List<Source> bank,
      List<Braking> braking,
      Energy energy,
      Capacitance c,
      Voltage most,
      Working w,
      Study study) {
    var id = bank.getFirst().device().id();
    var silent =
        loads(bank, study).stream()
            .filter(feed ->
                study
                    .part(feed.device())
                    .filter(part -> part.drives() && part.busCapacitance().isEmpty())
                    .isPresent())
            .findFirst();
    if (silent.isPresent())
      return new Verdict.NotChecked(
          id,
          "the data of %s do not say what capacitors it has on its bus"
              .formatted(silent.get().device().designation()));
    var u1 = bank.getFirst().output().voltage().volts();
    var room = most.volts() * most.volts() - u1 * u1;
    var needed =
        room > 0
            ? "%s more on the bus, or a clamp"
                .formatted(new Capacitance(Math.min(100, 2 * energy.joules() / room - c.farads())))
            : "A clamp";
    var peak = w.result("Ppeak", "Σ 2 · E/t", new Power(peak(braking)));
    var trail = w.explain(w.result("Pmean", "Σ E/cycle", new Power(mean(braking)))).trail();
    return new Verdict.Finding(
        id,
        severity(braking),
        BRAKING_LIFTS_THE_BUS_TOO_HIGH,
        "When the motors on %s brake they give back %s; its capacitors (%s) then stand above the %s that its loads accept: drives trip or die. %s of at most %s Ω that stands %s for ever, cures it; so may a slower stop."
            .formatted(
                SupplyLoad.names(bank),
                energy,
                c,
                most,
                needed,
                Significant.digits(most.volts() * most.volts() / Math.max(peak.watts(), 1e-6)),
                new Power(MARGIN * mean(braking))),
        trail,
        List.of());
  }

  private static Severity severity(List<Braking> braking) {
    return braking.stream().allMatch(Braking::computed) ? Severity.WARNING : Severity.ERROR;
  }

  private static Verdict clamped(
      List<Source> bank, List<Braking> braking, List<BusClamp> clamps, Voltage most, Working w) {
    var id = bank.getFirst().device().id();
    var peak = 0.0;
    var power = 0.0;
    var threshold = 0.0;
    for (var clamp : clamps) {
      w.given("Uclamp", clamp.threshold(), clamp.name());
      w.given("R", clamp.resistance(), clamp.name());
      peak += Math.pow(clamp.threshold().volts(), 2) / clamp.resistance().ohms();
      power += clamp.power().watts();
      threshold = Math.max(threshold, clamp.threshold().volts());
    }
    var needed = w.result("Ppeak", "Σ 2 · E/t", new Power(peak(braking)));
    var takes = w.result("Pclamp", "Σ Uclamp²/R", new Power(peak));
    var mean = w.result("Pmean", "Σ E/cycle", new Power(mean(braking)));
    w.given("P", new Power(power), "its resistor stands for ever; twice the mean is asked");
    var trail = w.explain(takes).trail();
    var why =
        threshold > most.volts()
            ? "it acts at %s, above the %s its loads accept".formatted(new Voltage(threshold), most)
            : takes.compareTo(needed) < 0
                ? "it takes %s and the stop begins with %s: a lower resistance, or a slower stop"
                    .formatted(takes, needed)
                : power < MARGIN * mean.watts()
                    ? "its resistor stands %s for ever; %s on the mean ask for twice that"
                        .formatted(new Power(power), mean)
                    : "";
    if (why.isEmpty()) return new Verdict.Pass(id, trail);
    return new Verdict.Finding(
        id,
        severity(braking),
        THE_CLAMP_DOES_NOT_HOLD_THE_BUS,
        "The clamp on the bus of %s does not take what its motors give back: %s."
            .formatted(SupplyLoad.names(bank), why),
        trail,
        List.of());
  }
}
