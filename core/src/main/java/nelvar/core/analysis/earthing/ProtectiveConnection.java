package nelvar.core.analysis.earthing;

import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.trail.Working;

/// Whatever can become live by a fault is joined to the protective conductor of the inlet.
///
/// Every terminal marked PE of a class I device, the enclosure's body and its door. The way must be
/// of protective conductors only.
///
/// Demand: IEC 60204-1:2016, 8.2 (unchecked).
public final class ProtectiveConnection implements Rule {
  private static final Reason DOOR_NOT_BONDED = Reason.of("Door not bonded");
  private static final Reason NO_PROTECTIVE_CONDUCTOR = Reason.of("No protective conductor");

  @Override
  public String id() {
    return "earthing.missing-protective-conductor";
  }

  @Override
  public String asks() {
    return "Every protective terminal is joined to the inlet by protective conductors.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(device -> !(study.part(device).orElse(null) instanceof MainsInlet))
        .flatMap(
            Contained.many(
                this,
                device -> device.id(),
                device ->
                    study.part(device).stream()
                        .flatMap(part ->
                            part.terminals().stream()
                                .filter(terminal ->
                                    terminal.role() == Terminal.Role.PROTECTIVE
                                        && terminal.required())
                                .map(terminal -> judge(device, terminal, study)))));
  }

  private static Verdict judge(Device device, Terminal terminal, Study study) {
    var ref = new TerminalRef(device.id(), terminal.name());
    var w = Working.of("Protective connection");
    w.given(
        "terminal",
        device.designation() + ":" + terminal.name(),
        study.network().earthed(ref)
            ? "joined to the inlet's PE by protective conductors"
            : "no way of protective conductors to the inlet's PE");
    var trail = w.explain(ref).trail();
    if (study.network().earthed(ref)) return new Verdict.Pass(device.id(), trail);
    var door = terminal.name().equals("DOOR");
    var text =
        door
            ? "The door of %s has no bonding conductor; hinges do not count. A wire chafed through at the door makes it live."
                .formatted(device.designation())
            : "%s:%s has no way to the protective conductor of the inlet. A fault inside makes its metal live and nothing trips."
                .formatted(device.designation(), terminal.name());
    return new Verdict.Finding(
        device.id(),
        Severity.ERROR,
        door ? DOOR_NOT_BONDED : NO_PROTECTIVE_CONDUCTOR,
        text,
        trail,
        BondRepair.of(device, terminal, study).stream().toList());
  }
}
