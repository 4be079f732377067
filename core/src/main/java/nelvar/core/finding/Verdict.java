package nelvar.core.finding;

import java.util.List;
import nelvar.core.model.Id;
import nelvar.core.trail.Trail;

/// What a rule says of one subject. Silence is never a pass.
public sealed interface Verdict {
  /// The device, conductor or cable it is about.
  Id subject();

  record Pass(Id subject, Trail trail) implements Verdict {}

  /// @param title what is wrong, in a few words
  /// @param text what will happen, why, and what to do
  /// @param proposals what might cure it; none is offered to anybody before it is tried (WaysOut)
  record Finding(
      Id subject, Severity severity, String title, String text, Trail trail, List<Repair> proposals)
      implements Verdict {
    public Finding {
      proposals = List.copyOf(proposals);
    }
  }

  /// @param why what is missing before it can be judged
  record NotChecked(Id subject, String why) implements Verdict {}
}
