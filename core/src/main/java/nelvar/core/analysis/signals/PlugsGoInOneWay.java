package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.PlugFace;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;

/// A plug without a key that destroys something when it is put on turned round or shifted.
///
/// Each way is solved ([PlugTrials]). Judged only where a board says that its plug has no key;
/// where it says nothing, `nelvar signals --plugs` and the window show what would happen. Common
/// practice.
public final class PlugsGoInOneWay implements Rule {
  private static final Reason DESTROYS = Reason.of("Put on the wrong way it destroys something");

  @Override
  public String id() {
    return "signals.plug";
  }

  @Override
  public String asks() {
    return "No plug without a key destroys anything when it is put on turned round or shifted.";
  }

  private record Open(Device board, PlugFace face) {}

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(device ->
            study.part(device).map(Part::faces).orElse(List.of()).stream()
                .filter(face -> face.keyed().filter(keyed -> !keyed).isPresent())
                .map(face -> new Open(device, face)))
        .flatMap(
            Contained.many(this, open -> open.board().id(), open -> judge(open, study).stream()));
  }

  private static Optional<Verdict> judge(Open open, Study study) {
    var trials = PlugTrials.of(open.board(), open.face(), study);
    if (trials.isEmpty()) return Optional.empty();
    var subject = subject(open);
    var w = Working.of("Plug " + open.face().name() + " of " + open.board().designation());
    for (var trial : trials)
      w.given(
          trial.plug().how(),
          trial.settled()
              ? trial.harm().isEmpty() ? "no harm" : String.join("; ", trial.harm())
              : "no steady state is found",
          "network solved");
    var trail = w.explain(open).trail();
    var harm = trials.stream().filter(trial -> !trial.harm().isEmpty()).findFirst();
    if (harm.isEmpty())
      return Optional.of(
          trials.stream().allMatch(PlugTrials.Trial::settled)
              ? new Verdict.Pass(subject, trail)
              : new Verdict.NotChecked(
                  subject, "no steady state is found with it on the wrong way"));
    return Optional.of(
        new Verdict.Finding(
            subject,
            Severity.WARNING,
            DESTROYS,
            "%s of %s has no key, and %s: %s. Mark its pin 1 on both sides with paint, block a place, or take a plug with a key."
                .formatted(
                    open.face().name(),
                    open.board().designation(),
                    harm.get().plug().how(),
                    String.join(", ", harm.get().harm().stream().limit(3).toList())),
            trail,
            List.of()));
  }

  private static Subject subject(Open open) {
    return open.face().places().stream()
        .flatMap(Optional::stream)
        .findFirst()
        .<Subject>map(mark ->
            new Subject.AtTerminal(new nelvar.core.model.TerminalRef(open.board().id(), mark)))
        .orElse(Subject.of(open.board().id()));
  }
}
