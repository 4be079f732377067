package nelvar.core.analysis.signals;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Setting;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// Plugs that go onto each other's sockets destroy nothing there.
///
/// Plugs and sockets that could be mated wrongly with danger are of different types or coded (IEC
/// 60204-1:2016, 13.4.5, from memory). Each exchange is solved ([SwappedPlugs]). What then only
/// works in the wrong place is not told here: marks on both halves help against that.
public final class PlugsToldApart implements Rule {
  private static final Reason DESTROYS =
      Reason.of("On another socket of its size it destroys something");

  @Override
  public String id() {
    return "signals.plugs-apart";
  }

  @Override
  public String asks() {
    return "No plug goes onto the socket of another and destroys something there.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var pairs = SwappedPlugs.of(study);
    return study.project().devices().stream()
        .filter(device -> pairs.stream().anyMatch(pair -> pair.device().id().equals(device.id())))
        .flatMap(
            Contained.one(
                this,
                Device::id,
                device ->
                    judge(
                        device,
                        pairs.stream()
                            .filter(pair -> pair.device().id().equals(device.id()))
                            .toList(),
                        study)));
  }

  private static Verdict judge(Device device, List<SwappedPlugs.Pair> pairs, Study study) {
    var w = Working.of("Plug of " + device.designation());
    for (var pair : pairs)
      w.given(
          "on " + pair.other().designation(),
          pair.trial().settled()
              ? pair.trial().harm().isEmpty() ? "no harm" : String.join("; ", pair.trial().harm())
              : "no steady state is found",
          "network solved");
    var trail = w.explain(device.designation()).trail();
    var harm = pairs.stream().filter(pair -> !pair.trial().harm().isEmpty()).findFirst();
    if (harm.isEmpty())
      return pairs.stream().allMatch(pair -> pair.trial().settled())
          ? new Verdict.Pass(device.id(), trail)
          : new Verdict.NotChecked(
              device.id(), "no steady state is found with its plug on another socket");
    var others =
        pairs.stream()
            .filter(pair -> !pair.trial().harm().isEmpty())
            .map(pair -> pair.other().designation().text())
            .toList();
    var coding = SwappedPlugs.freeCoding(device, study);
    return new Verdict.Finding(
        device.id(),
        Severity.WARNING,
        DESTROYS,
        "The plug of %s goes onto %s too, and the other way round: %s. Code one of them, or take another size; mark both halves."
            .formatted(
                device.designation(),
                String.join(", ", others.stream().limit(4).toList())
                    + (others.size() > 4 ? " and %d more".formatted(others.size() - 4) : ""),
                String.join(", ", harm.get().trial().harm().stream().limit(3).toList())),
        trail,
        List.of(
            Repair.of(
                Edits.set(
                    new Setting(
                        device.id(),
                        SwappedPlugs.CODING,
                        coding,
                        "so that its plug goes onto no other socket")))));
  }
}
