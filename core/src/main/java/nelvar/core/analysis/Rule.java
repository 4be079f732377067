package nelvar.core.analysis;

import java.util.stream.Stream;
import nelvar.core.finding.Verdict;

/// One rule: judges every subject it is about. It computes nothing that a calculation does not
/// offer by itself.
public interface Rule {
  /// Lasting name, subject first: `sizing.voltage-drop`. Accepted deviations refer to it.
  String id();

  /// What the rule asks, in one sentence.
  String asks();

  /// The part of the work it belongs to.
  default Job job() {
    return Job.of(id());
  }

  Stream<Verdict> check(Study study);

  /// Whether it is about people being hurt: rules of earthing, shock and stop. Their failing inside
  /// is an error, not only a thing not checked.
  default boolean protectsPeople() {
    return id().startsWith("earthing.") || id().startsWith("stop.");
  }
}
