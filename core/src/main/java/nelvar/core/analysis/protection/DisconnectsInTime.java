package nelvar.core.analysis.protection;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.catalogue.ResidualCurrentDevice;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Device;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.TripTime;
import nelvar.core.standards.Disconnection;
import nelvar.core.standards.FuseClass;
import nelvar.core.standards.FuseLink;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// A fault from a line to the body of a device opens its protective device before a person who
/// touches it is hurt.
///
/// `Zs · Ia ≤ Cmin · U0`, by the reading the Brief chose: Zs in Ω from the solved network, line and
/// protective conductor hot or cold; Ia in A opens the device within the time of the standard:
/// final circuits up to 32 A by U0, others 5 s. One verdict a load that is fed straight from the
/// mains and has a protective terminal.
///
/// Where it stays on longer, the protective conductor may hold its body down: `RPE · Ia ≤ 50 V`
/// (415.2.2).
///
/// Where a residual-current device is on the way it counts; a TT system needs one. In an IT system
/// the first fault only announces itself (insulation monitoring, not judged here); the second, in
/// another circuit as long as this, must open: `2 · Zs · Ia ≤ U`, U0 where the neutral is led along
/// (411.6.4). Not covered: what drives feed, which limit the fault themselves. Demand: IEC
/// 60364-4-41:2005+A1:2017, 411 (unchecked).
public final class DisconnectsInTime implements Rule {
  private static final Reason A_FAULT_TO_ITS_BODY_OPENS_NOTHING =
      Reason.of("A fault to its body opens nothing");
  private static final Reason NO_RESIDUAL_CURRENT_DEVICE_IN_A_TT_SYSTEM =
      Reason.of("No residual-current device in a TT system");
  private static final Reason A_FAULT_TO_ITS_BODY_STAYS_ON_TOO_LONG =
      Reason.of("A fault to its body stays on too long");

  private static final Citation DEMAND =
      Citation.recalled("IEC 60364-4-41:2005+A1:2017", "411.4.4");
  private static final Citation AMERICAN =
      Citation.recalled(
          "NEC 2023 (NFPA 70)", "250.4(A)(5), which names no figure; times of IEC 60364-4-41");
  private static final Citation RESIDUAL =
      Citation.recalled("IEC 60364-4-41:2005+A1:2017", "411.5.3");
  private static final Citation HELD_DOWN =
      Citation.recalled("IEC 60364-4-41:2005+A1:2017", "415.2.2");
  private static final Voltage HARMLESS = new Voltage(50);
  private static final double FINAL_UP_TO = 32;
  private static final double GREATEST_FACTOR = 1.05;
  private static final double LEAST_FACTOR = 0.95;

  @Override
  public String id() {
    return "protection.disconnection";
  }

  @Override
  public String asks() {
    return "A fault to the body of any device is cut off before it hurts anyone.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.source().isPresent() && !feed.lineWays().isEmpty())
        .filter(feed -> study.part(feed.source().get().device()).orElse(null) instanceof MainsInlet)
        .filter(feed -> protectiveTerminal(feed, study).isPresent())
        .flatMap(Contained.one(this, feed -> feed.device().id(), feed -> judge(feed, study)));
  }

  private static Optional<TerminalRef> protectiveTerminal(Feed feed, Study study) {
    return study.part(feed.device()).stream()
        .flatMap(part -> part.terminals().stream())
        .filter(terminal -> terminal.role() == Terminal.Role.PROTECTIVE)
        .findFirst()
        .map(terminal -> new TerminalRef(feed.device().id(), terminal.name()));
  }

  private static Verdict judge(Feed feed, Study study) {
    var id = feed.device().id();
    var supply = study.project().brief().supply();
    var system =
        supply.earthing() == Brief.Earthing.TT
            ? Disconnection.Earthing.TT
            : Disconnection.Earthing.TN;
    if (supply.loopImpedance().isEmpty() && supply.prospectiveShortCircuitCurrent().isEmpty())
      return new Verdict.NotChecked(
          id,
          "neither the loop impedance nor the short-circuit current at the inlet is known (0 counts as not known)");
    var protection = study.network().protection(feed.lineWays().getFirst());
    if (protection.isEmpty())
      return new Verdict.NotChecked(
          id, "only the device before the inlet protects it, and its curve is not known");
    var residual = residualDevice(feed, study);
    if (system == Disconnection.Earthing.TT && residual.isEmpty()) return unprotected(feed, study);
    var pe = protectiveTerminal(feed, study).orElseThrow();
    var line = new TerminalRef(id, feed.intake().lines().getFirst());
    var loop =
        supply.earthing() == Brief.Earthing.IT
            ? secondFault(line, pe, study)
            : loop(line, pe, study);
    if (loop.isEmpty())
      return inlet(study).flatMap(earth -> loop(line, earth, study)).isPresent()
          ? leadsNowhere(feed, study)
          : new Verdict.NotChecked(
              id, "a running machine does not feed it, or the network has no steady state");
    return residual.isPresent()
        ? byResidual(feed, residual.get(), system, loop.get(), study)
        : verdict(feed, protection.get(), system, loop.get(), study);
  }

  private static Optional<TerminalRef> inlet(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof MainsInlet)
        .findFirst()
        .map(inlet -> new TerminalRef(inlet.id(), "PE"));
  }

  /// Its line is fed, but nothing joins its body to the protective conductor of the inlet.
  private static Verdict leadsNowhere(Feed feed, Study study) {
    var w = Working.of("Fault from a line to " + feed.device().designation());
    w.given("way from its protective terminal to that of the inlet", "none", "the wires drawn");
    return new Verdict.Finding(
        feed.device().id(),
        Severity.ERROR,
        A_FAULT_TO_ITS_BODY_OPENS_NOTHING,
        "No way leads from the protective terminal of %s to the inlet's: a fault puts its body at mains voltage, nothing opens, and whoever touches it may be killed. Follow its protective conductor and close the way."
            .formatted(feed.device().designation()),
        w.explain(study.project().name()).trail(),
        List.of());
  }

  /// The residual-current device on the way, if there is one.
  private static Optional<Device> residualDevice(Feed feed, Study study) {
    return feed.lineWays().getFirst().stream()
        .map(study.network().topology()::edge)
        .filter(Edge.Through.class::isInstance)
        .map(edge -> ((Edge.Through) edge).device())
        .filter(device -> study.part(device).orElse(null) instanceof ResidualCurrentDevice)
        .findFirst();
  }

  private static Verdict unprotected(Feed feed, Study study) {
    var w = Working.of("Fault from a line to " + feed.device().designation());
    w.given("system", study.project().brief().supply().earthing().words(), "Brief");
    return new Verdict.Finding(
        feed.device().id(),
        Severity.ERROR,
        NO_RESIDUAL_CURRENT_DEVICE_IN_A_TT_SYSTEM,
        "A fault to the body of %s flows back through two earth electrodes: too little to open a fuse or breaker. Put a residual-current device before it."
            .formatted(feed.device().designation()),
        w.explain("").trail(),
        List.of());
  }

  /// Five times its rated residual current opens it within 40 ms (IEC 61008-1, unchecked).
  private static Verdict byResidual(
      Feed feed, Device device, Disconnection.Earthing system, Loop loop, Study study) {
    var own = (ResidualCurrentDevice) study.part(device).orElseThrow();
    var w = Working.of("Fault from a line to " + feed.device().designation());
    w.given("IdN", own.residual(), device.designation() + ", type " + own.type());
    w.given("Zs", new Resistance(loop.ohms()), system + ", from the solved network");
    var needed =
        w.table(
            "I5",
            new Cited<>(own.residual().times(5), Citation.recalled("IEC 61008-1", "Table 1")),
            "opens it within 40 ms");
    var found = w.result("Ik", formula(study.project().brief().policies()), loop.current());
    var judged = Explained.atLeast(w.explain(found), "Ik", needed, RESIDUAL);
    if (judged.holds()) return new Verdict.Pass(feed.device().id(), judged.trail());
    return new Verdict.Finding(
        feed.device().id(),
        Severity.ERROR,
        A_FAULT_TO_ITS_BODY_STAYS_ON_TOO_LONG,
        "A fault to the body of %s draws only %s; %s needs %s to open at once. Improve the earth electrode, or take a more sensitive device."
            .formatted(feed.device().designation(), loop.current(), device.designation(), needed),
        judged.trail(),
        List.of());
  }

  private record Loop(Current current, double ohms) {}

  /// The fault current by the reading of the Brief.
  private static Optional<Loop> loop(TerminalRef line, TerminalRef pe, Study study) {
    var reading = study.project().brief().policies().answer(School.FAULT_VOLTAGE).id();
    return switch (reading) {
      case "two-thirds" ->
          study
              .greatestFault()
              .between(line, pe)
              .map(f -> new Loop(f.current().times(2.0 / 3 / GREATEST_FACTOR), f.ohms()));
      case "plain" ->
          study
              .leastFault()
              .between(line, pe)
              .map(f -> new Loop(f.current().times(1 / LEAST_FACTOR), f.ohms()));
      default -> study.leastFault().between(line, pe).map(f -> new Loop(f.current(), f.ohms()));
    };
  }

  /// Two faults in circuits as long as this one: the loop as if the star point were earthed, twice,
  /// between two lines or, where the neutral is led along, between line and neutral. What flows in
  /// an insulated network when a second line meets another body in a circuit as long (IEC
  /// 60364-4-41:2017, 411.6.4, unchecked).
  public static Optional<Current> secondFaultCurrent(
      TerminalRef line, TerminalRef pe, Study study) {
    return secondFault(line, pe, study).map(Loop::current);
  }

  private static Optional<Loop> secondFault(TerminalRef line, TerminalRef pe, Study study) {
    var brief = study.project().brief();
    var supply = brief.supply();
    var withNeutral =
        study.project().devices().stream()
            .anyMatch(device ->
                study.part(device).orElse(null) instanceof MainsInlet inlet && inlet.neutral());
    var earthed =
        study.once(
            "star point earthed",
            () ->
                study.tried(
                    study
                        .project()
                        .withBrief(
                            new Brief(
                                new Brief.Supply(
                                    supply.voltage(),
                                    supply.frequency(),
                                    Brief.Earthing.TN_S,
                                    supply.upstream(),
                                    supply
                                        .prospectiveShortCircuitCurrent()
                                        .map(ik ->
                                            new Resistance(
                                                supply.voltage().toNeutral().volts()
                                                    / ik.amperes()))
                                        .or(supply::loopImpedance),
                                    supply.prospectiveShortCircuitCurrent()),
                                brief.surroundings(),
                                brief.policies()))));
    return loop(line, pe, earthed)
        .map(one ->
            new Loop(one.current().times(withNeutral ? 0.5 : Math.sqrt(3) / 2), 2 * one.ohms()));
  }

  /// Between its protective terminal and that of the inlet.
  private static Optional<Resistance> protectivePath(TerminalRef pe, Study study) {
    return inlet(study)
        .flatMap(earth -> study.leastFault().impedance(pe, earth))
        .map(z -> new Resistance(z.magnitude()));
  }

  private static Verdict verdict(
      Feed feed, Feed.Protector protection, Disconnection.Earthing system, Loop loop, Study study) {
    var id = feed.device().id();
    var brief = study.project().brief();
    var toEarth = brief.supply().voltage().toNeutral();
    var finalCircuit = protection.protection().rating().amperes() <= FINAL_UP_TO;
    var limit =
        finalCircuit
            ? Disconnection.finalCircuit(system, toEarth, false)
            : Optional.of(Disconnection.distribution(system));
    if (limit.isEmpty())
      return new Verdict.NotChecked(
          id, "disconnection against shock is not asked for at " + toEarth);
    var w = Working.of("Fault from a line to " + feed.device().designation());
    w.given("U0", toEarth, "line to earth");
    var t =
        w.table(
            "t",
            limit.get(),
            () -> finalCircuit ? system + ", final circuit up to 32 A" : system + ", above 32 A");
    w.given(
        "Zs",
        new Resistance(loop.ohms()),
        "line and protective conductor, from the solved network");
    w.given("reading", brief.policies().answer(School.FAULT_VOLTAGE).words(), "Brief");
    if (protection.protection() instanceof ProtectiveDevice.Fuse(_, var fuse)
        && fuse == FuseClass.GG) Schools.name(w, study, School.FUSE_MELTING);
    var needed = needed(protection.protection(), t, brief.policies());
    w.table(
        "Ia",
        needed,
        () ->
            protection.device().designation() + " " + protection.protection() + ", opens within t");
    var isolated = brief.supply().earthing() == Brief.Earthing.IT;
    if (isolated) w.given("system", "IT: a second fault in a circuit as long", "Brief");
    var found =
        w.result("Ik", isolated ? "C · U/(2 · Zs)" : formula(brief.policies()), loop.current());
    var protective = protectivePath(protectiveTerminal(feed, study).orElseThrow(), study);
    protective.ifPresent(r -> {
      w.given("RPE", r, "from its protective terminal to the inlet's");
      w.result("Ut", "RPE · Ik", new Voltage(r.ohms() * loop.current().amperes()));
    });
    var judged =
        Explained.atLeast(
            w.explain(found), "Ik", needed.value(), Schools.demand(study, DEMAND, AMERICAN));
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    if (protective.isPresent()) {
      var held =
          Explained.atMost(
              w.explain(
                  w.result(
                      "Uta",
                      "RPE · Ia",
                      new Voltage(protective.get().ohms() * needed.value().amperes()))),
              "Uta",
              HARMLESS,
              HELD_DOWN);
      if (held.holds()) return new Verdict.Pass(id, held.trail());
    }
    return new Verdict.Finding(
        id,
        Severity.ERROR,
        A_FAULT_TO_ITS_BODY_STAYS_ON_TOO_LONG,
        "A fault to the body of %s draws %s; %s (%s) needs %s to open within %s. Until then %swhoever touches it may be killed. A quicker or smaller device, a thicker line and protective conductor, or a residual-current device cures it."
            .formatted(
                feed.device().designation(),
                loop.current(),
                protection.device().designation(),
                protection.protection(),
                needed.value(),
                t,
                protective
                    .map(r ->
                        "it stands at %s and "
                            .formatted(new Voltage(r.ohms() * loop.current().amperes())))
                    .orElse("")),
        judged.trail(),
        repairs(protection, t, loop.current(), study));
  }

  private static String formula(Brief.Policies policies) {
    return switch (policies.answer(School.FAULT_VOLTAGE).id()) {
      case "two-thirds" -> "2/3 · U0/Zs";
      case "plain" -> "U0/Zs";
      default -> "0.95 · U0/Zs";
    };
  }

  /// The current that opens the device within `time`.
  private static Cited<Current> needed(
      ProtectiveDevice protection, Duration time, Brief.Policies policies) {
    if (protection instanceof ProtectiveDevice.Fuse(var rating, var fuse) && fuse == FuseClass.GG) {
      var curve =
          time.seconds() < 1 ? FuseLink.meltsByCurve(rating) : Optional.<Cited<Current>>empty();
      if (policies.chose(School.FUSE_MELTING, "curve") && curve.isPresent()) return curve.get();
      var gates = FuseLink.meltsWithin(rating, time);
      if (gates.isPresent()) return gates.get();
    }
    var source =
        switch (protection) {
          case ProtectiveDevice.Breaker(var rating, var curve) -> curve.trips(rating).citation();
          case ProtectiveDevice.Fuse _ -> Citation.recalled("UL 248 and IEC 60127", "gates");
          case ProtectiveDevice.MotorSwitch _ ->
              Citation.recalled("IEC 60947-4-1:2018", "maker curves");
          case ProtectiveDevice.Electronic _ -> Citation.practice();
        };
    return new Cited<>(TripTime.opensWithin(protection, time, TripTime.ALTERNATING), source);
  }

  private static List<Repair> repairs(
      Feed.Protector protection, Duration time, Current current, Study study) {
    var now = study.part(protection.device()).orElseThrow();
    return ProtectiveDevices.of(protection, study).stream()
        .flatMap(protecting ->
            Replacement.candidates(now, protecting, study)
                .filter(next ->
                    TripTime.opensWithin(
                                next.protection().orElseThrow(), time, TripTime.ALTERNATING)
                            .compareTo(current)
                        <= 0)
                .limit(1)
                .map(next -> Replacement.repair(protection.device(), next, protecting)))
        .toList();
  }
}
