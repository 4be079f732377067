package nelvar.core.analysis.protection;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.CapacitorShort;
import nelvar.core.network.Fault;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;

/// A protective device can break the greatest short-circuit current that can flow through it.
///
/// `Ik ≤ Icn`: Ik in A bolted at the device's own terminals, wires cold, mains high, from the
/// solved network. So with what charged capacitors give at the first moment. Demand: IEC
/// 60364-4-43:2008, 434.5.1; NEC 2023, 110.9 (unchecked).
public final class BreakingCapacity implements Rule {
  private static final Reason CANNOT_BREAK_A_SHORT_CIRCUIT_AT_ITS_PLACE =
      Reason.of("Cannot break a short circuit at its place");
  private static final Reason CAPACITORS_CAN_BURST_IT = Reason.of("Capacitors can burst it");

  private static final Citation DEMAND = Citation.recalled("IEC 60364-4-43:2008", "434.5.1");
  private static final Citation AMERICAN = Citation.recalled("NEC 2023 (NFPA 70)", "110.9");

  /// A discharge below this bursts nothing, J; common practice, no published source.
  private static final double HARMLESS = 1;

  @Override
  public String id() {
    return "protection.breaking-capacity";
  }

  @Override
  public String asks() {
    return "Every protective device can break the greatest short-circuit current at its place.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(
            Contained.many(
                this,
                device -> device.id(),
                device ->
                    study
                        .part(device)
                        .flatMap(Part::shortCircuitCapacity)
                        .map(icn -> judge(device, icn, study))
                        .stream()));
  }

  private static Verdict judge(Device device, Current capacity, Study study) {
    // What capacitors give is known whatever the site does not state.
    var charged = fromCapacitors(device, study);
    var most = greatest(device, study).map(fault -> fault.current());
    if (charged.peak().compareTo(capacity) > 0
        && charged.energy().joules() >= HARMLESS
        && (unknown(study) || most.filter(ik -> ik.compareTo(capacity) > 0).isEmpty()))
      return bursts(device, capacity, charged);
    var inlet = InletLoad.inlet(study);
    if (inlet.isPresent() && unknown(study))
      return new Verdict.NotChecked(
          device.id(),
          "neither the loop impedance nor the short-circuit current at the inlet is known");
    var fault = greatest(device, study);
    if (fault.isEmpty())
      return new Verdict.NotChecked(
          device.id(), "no source stands at its terminals, or a running machine does not feed it");
    var w = Working.of("Greatest short circuit at " + device.designation());
    w.given("Z", new Resistance(fault.get().ohms()), "up to its terminals, wires cold");
    w.given("Icn", capacity, "rated short-circuit capacity");
    var ik =
        w.result(
            "Ik",
            fault.get().limitedBy().isPresent() ? "limit of the supply" : "1.05 · U/Z",
            fault.get().current());
    var judged =
        Explained.atMost(w.explain(ik), "Ik", capacity, Schools.demand(study, DEMAND, AMERICAN));
    if (judged.holds()) return new Verdict.Pass(device.id(), judged.trail());
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        CANNOT_BREAK_A_SHORT_CIRCUIT_AT_ITS_PLACE,
        "A short at %s can draw %s; it is made to break %s. It may burst. Take one with more capacity, or a current-limiting fuse ahead of it."
            .formatted(device.designation(), ik, capacity),
        judged.trail(),
        java.util.List.of());
  }

  /// What capacitors charged behind or before it give into a short at its poles.
  private static CapacitorShort fromCapacitors(Device device, Study study) {
    return study.part(device).stream()
        .flatMap(part -> part.links().stream())
        .flatMap(link -> Stream.of(link.a(), link.b()))
        .map(terminal -> new TerminalRef(device.id(), terminal))
        .flatMap(at ->
            backs(at, study).stream().map(back -> study.greatestFault().fromCapacitors(at, back)))
        .max(java.util.Comparator.comparing(CapacitorShort::peak))
        .orElse(CapacitorShort.NONE);
  }

  private static Verdict bursts(Device device, Current capacity, CapacitorShort charged) {
    var w = Working.of("Capacitors into a short at " + device.designation());
    w.given("E", charged.energy(), "charged capacitors on its wires");
    w.given("Icn", capacity, "rated short-circuit capacity");
    var peak = w.result("Ipeak", "Σ U/R, at the first moment", charged.peak());
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        CAPACITORS_CAN_BURST_IT,
        "In a short at %s the charged capacitors give %s at first, and %s in all; it is made to break %s. Take one with more breaking capacity, a ceramic fuse instead of a glass one."
            .formatted(device.designation(), peak, charged.energy(), capacity),
        w.explain(peak).trail(),
        java.util.List.of());
  }

  static boolean unknown(Study study) {
    var supply = study.project().brief().supply();
    return supply.loopImpedance().isEmpty() && supply.prospectiveShortCircuitCurrent().isEmpty();
  }

  /// Between any two poles, over three lines, and from the first pole to the neutral, whichever is
  /// the most.
  static Optional<Fault.Prospective> greatest(Device device, Study study) {
    var poles = study.part(device).stream().flatMap(part -> part.links().stream()).toList();
    var faults = Stream.<Optional<Fault.Prospective>>builder();
    for (var i = 0; i < poles.size(); i++) {
      var a = new TerminalRef(device.id(), poles.get(i).a());
      for (var other : backs(a, study)) faults.add(study.greatestFault().between(a, other));
      for (var j = i + 1; j < poles.size(); j++)
        faults.add(
            study.greatestFault().threePhase(a, new TerminalRef(device.id(), poles.get(j).a())));
    }
    return faults
        .build()
        .flatMap(Optional::stream)
        .max(java.util.Comparator.comparing(Fault.Prospective::current));
  }

  /// The way back of the source nearest to a terminal: its neutral or minus.
  private static java.util.List<TerminalRef> backs(TerminalRef terminal, Study study) {
    return study.network().sources().stream()
        .flatMap(source ->
            source.output().back().map(back -> new TerminalRef(id(source), back)).stream())
        .filter(back -> study.greatestFault().between(terminal, back).isPresent())
        .toList();
  }

  private static Id id(nelvar.core.network.Source source) {
    return source.device().id();
  }
}
