package nelvar.core.finding;

import java.util.List;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.trail.Trail;

/// What a rule says of one subject. Silence is never a pass.
public sealed interface Verdict {
  /// What it is about.
  Subject subject();

  record Pass(Subject subject, Trail trail) implements Verdict {
    public Pass(Id thing, Trail trail) {
      this(Subject.of(thing), trail);
    }
  }

  /// @param reason what is wrong: one of the causes its rule knows
  /// @param text what will happen, why, and what to do
  /// @param proposals what might cure it; none is offered to anybody before it is tried (WaysOut)
  record Finding(
      Subject subject,
      Severity severity,
      Reason reason,
      String text,
      Trail trail,
      List<Repair> proposals)
      implements Verdict {
    public Finding {
      proposals = List.copyOf(proposals);
    }

    /// What is wrong, in a few words.
    public String title() {
      return reason.title();
    }

    public Finding(
        Id thing,
        Severity severity,
        Reason reason,
        String text,
        Trail trail,
        List<Repair> proposals) {
      this(Subject.of(thing), severity, reason, text, trail, proposals);
    }
  }

  /// @param why what is missing before it can be judged
  record NotChecked(Subject subject, String why) implements Verdict {
    public NotChecked(Id thing, String why) {
      this(Subject.of(thing), why);
    }
  }
}
