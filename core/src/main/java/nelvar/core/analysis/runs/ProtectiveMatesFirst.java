package nelvar.core.analysis.runs;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Connector;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Voltage;

/// In a plug that brings dangerous volts, the protective conductor is joined before all others and
/// parted after them (IEC 60204-1:2016, 8.2.4 and 13.4.5; NFPA 79:2021, 13.4.5; from memory,
/// unchecked). Above 60 V; below, a protective way may mate with the others.
public final class ProtectiveMatesFirst implements Rule {
  private static final Reason NONE = Reason.of("No way of a plug mates before the others");
  private static final Reason OTHER = Reason.of("The protective conductor is not on the first way");

  private static final double DANGEROUS = 60;

  @Override
  public String id() {
    return "runs.protective-first";
  }

  @Override
  public String asks() {
    return "In plugs the protective conductor is joined first and parted last.";
  }

  @Override
  public boolean protectsPeople() {
    return true;
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof Connector)
        .filter(device ->
            study.at(device.id()).stream()
                .anyMatch(wire -> wire.function() == Conductor.Function.PROTECTIVE))
        .filter(device -> volts(device, study) > DANGEROUS)
        .flatMap(Contained.one(this, Device::id, device -> judge(device, study)));
  }

  private static double volts(Device device, Study study) {
    return study.at(device.id()).stream()
        .filter(Conductor::carriesWork)
        .flatMap(wire -> study.circuit(wire).stream())
        .mapToDouble(circuit -> circuit.source().output().voltage().volts())
        .max()
        .orElse(0);
  }

  private static Verdict judge(Device device, Study study) {
    var part = (Connector) study.part(device).orElseThrow();
    if (part.leads().isEmpty())
      return new Verdict.NotChecked(
          device.id(), "which way of its plug mates first is not stated: look, and say it");
    int first = part.leads().get();
    var on =
        IntStream.rangeClosed(1, part.ways())
            .filter(way ->
                study.at(device.id()).stream()
                    .anyMatch(wire ->
                        wire.function() == Conductor.Function.PROTECTIVE
                            && Stream.of(wire.from(), wire.to())
                                .anyMatch(end ->
                                    end.device().equals(device.id())
                                        && (end.terminal().equals(way + "A")
                                            || end.terminal().equals(part.outAt(way) + "B")))))
            .boxed()
            .toList();
    var w = Working.of("What mates first in " + device.designation());
    w.given("U", new Voltage(volts(device, study)), "greatest on its ways");
    w.given("first", first == 0 ? "none" : "way " + first, part.name());
    w.given("protective on", on.toString(), device.designation().text());
    var trail = w.explain(device).trail();
    if (first > 0 && on.contains(first)) return new Verdict.Pass(device.id(), trail);
    if (first == 0)
      return new Verdict.Finding(
          device.id(),
          Severity.ERROR,
          NONE,
          "%s brings %s, and no way of its plug mates before the others: half plugged in, its load is live and not earthed. Take one with a leading protective way."
              .formatted(device.designation(), new Voltage(volts(device, study))),
          trail,
          List.of());
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        OTHER,
        "The protective conductor of %s is on way %d, and way %d mates first: half plugged in, its load is live and not earthed. Exchange the two, on both halves."
            .formatted(device.designation(), on.getFirst(), first),
        trail,
        on.size() == 1 && part.map().isEmpty()
            ? List.of(Repair.of(RunEdits.exchange(device, on.getFirst(), first)))
            : List.of());
  }
}
