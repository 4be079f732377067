package nelvar.core.analysis.bonding;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// The 0 V of a supply is joined to earth at one point, not at two.
///
/// Joined twice, a share of whatever flows over plate and machine flows through 0 V, and a share of
/// the loads' current through protective conductors (IEC 60204-1:2016, 8.2.8 and 9.4.3.1, from
/// memory; common practice). Where a device joins it inside, as a computer on its cord does through
/// its lead, that is advice. That it is joined at all is another rule's.
public final class ZeroVoltOnce implements Rule {
  private static final Reason TWICE = Reason.of("0 V is joined to earth more than once");

  private static final Reason INSIDE = Reason.of("0 V is joined to earth again through a device");

  @Override
  public String id() {
    return "quiet.zero-volt";
  }

  @Override
  public String asks() {
    return "The 0 V of a supply is joined to earth at one point.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return ZeroVolts.of(study).joined().stream()
        .flatMap(Contained.one(this, zero -> zero.source().device().id(), ZeroVoltOnce::judge));
  }

  private static Verdict judge(ZeroVolts.Joined zero) {
    var device = zero.source().device();
    var w = Working.of("0 V of %s to earth".formatted(device.designation()));
    w.given("joined", zero.times(), where(zero));
    var trail = w.explain(device.id()).trail();
    if (zero.times() <= 1) return new Verdict.Pass(device.id(), trail);
    var lead = zero.wires().size() <= 1;
    return new Verdict.Finding(
        device.id(),
        lead ? Severity.ADVICE : Severity.WARNING,
        lead ? INSIDE : TWICE,
        "The 0 V of %s is joined to earth %d times (%s): what flows over plate and machine flows through it too. %s"
            .formatted(
                device.designation(),
                zero.times(),
                where(zero),
                lead ? "An isolator in the lead between them parts it." : "Keep one."),
        trail,
        keepOne(zero));
  }

  private static String where(ZeroVolts.Joined zero) {
    return zero.times() == 0
        ? "nowhere"
        : Stream.concat(
                zero.wires().stream().map(wire -> wire.label().text()),
                zero.inside().stream().map(Device::designation).map(d -> "inside " + d))
            .collect(Collectors.joining(", "));
  }

  /// Each wire alone could be the one that stays; what a device joins inside, no wire undoes.
  private static List<Repair> keepOne(ZeroVolts.Joined zero) {
    if (zero.wires().size() < 2 || !zero.inside().isEmpty()) return List.of();
    return zero.wires().stream().map(stays -> without(zero.wires(), stays)).toList();
  }

  private static Repair without(List<Conductor> all, Conductor stays) {
    var others = all.stream().filter(wire -> wire != stays).toList();
    var edit = Edits.remove(others.getFirst());
    for (var wire : others.subList(1, others.size())) edit = edit.then(Edits.remove(wire));
    return Repair.of(
        edit.named(
            "Take %s away; %s stays"
                .formatted(
                    others.stream().map(w -> w.label().text()).collect(Collectors.joining(", ")),
                    stays.label())));
  }
}
