package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinEdits;

/// Which way an axis turns follows from what reverses it: coil ends exchanged, coils exchanged (a
/// plug put on turned round does both), a drive or a program set to reversed, a motor mounted the
/// other way round. Two reversals are none.
///
/// What somebody saw is written down with how many reversals there were then (`Seen =AX2`: `right,
/// 1 reversal`), so that a later change of wiring or setting is known to turn it. Common practice.
///
/// @param reversals each in words, in the order of the chain
public record Direction(List<String> reversals, Optional<Seen> seen) {
  /// Names of the settings: of drive and controller, of the motor.
  public static final String REVERSED = "Reversed ";

  public static final String MOUNTED = "Mounted";
  public static final String SEEN = "Seen ";

  /// @param right whether it ran the wanted way; @param reversals there were then
  public record Seen(boolean right, int reversals) {}

  public Direction {
    reversals = List.copyOf(reversals);
  }

  public static Direction of(MotionAxis axis, Study study) {
    var all = new ArrayList<String>();
    if (axis.stepper().isPresent()) wiring(axis, study, all);
    for (var device : List.of(axis.drive(), axis.board()))
      said(axis, device, study.project())
          .filter(Direction::yes)
          .ifPresent(_ -> all.add("%s is set to reversed".formatted(device.designation())));
    study
        .project()
        .setting(axis.motor().id(), MOUNTED)
        .filter(how -> how.toLowerCase(Locale.ROOT).contains("turned"))
        .ifPresent(_ -> all.add(axis.motor().designation() + " is mounted turned round"));
    return new Direction(
        all,
        study.project().setting(axis.board().id(), SEEN + axis.name()).flatMap(Direction::seen));
  }

  private static Optional<String> said(MotionAxis axis, Device device, Project project) {
    return project.setting(device.id(), REVERSED + axis.name());
  }

  private static boolean yes(String text) {
    return text.strip().toLowerCase(Locale.ROOT).matches("(?:yes|on|1|true|reversed)");
  }

  static Optional<Seen> seen(String text) {
    var found =
        java.util.regex.Pattern.compile("(?i)\\s*(right|wrong)\\b.*?([0-9]+)\\s*reversals?.*")
            .matcher(text);
    return found.matches()
        ? Optional.of(
            new Seen(
                String.valueOf(found.group(1)).equalsIgnoreCase("right"),
                Integer.parseInt(String.valueOf(found.group(2)))))
        : Optional.empty();
  }

  /// Coils by where their ends land: each of a pair exchanged, and both pairs exchanged.
  private static void wiring(MotionAxis axis, Study study, List<String> all) {
    var a = lands(axis, study, "A+");
    var b = lands(axis, study, "B+");
    if (a.isEmpty() || b.isEmpty()) return;
    var swapped = a.get().startsWith("B") && b.get().startsWith("A");
    if (swapped) all.add("coils A and B of %s are exchanged".formatted(axis.motor().designation()));
    for (var end : List.of(a.get(), b.get()))
      if (end.endsWith("-"))
        all.add(
            "the ends of coil %s of %s are exchanged"
                .formatted(end.charAt(0), axis.motor().designation()));
  }

  /// The terminal of the motor that an end of its drive leads to.
  private static Optional<String> lands(MotionAxis axis, Study study, String end) {
    return study.part(axis.drive()).stream()
        .flatMap(part -> part.terminals().stream())
        .map(terminal -> terminal.name())
        .filter(mark -> mark.endsWith(end))
        .map(mark -> new TerminalRef(axis.drive().id(), mark))
        .flatMap(from -> study.network().joined(from).stream())
        .filter(to -> to.device().equals(axis.motor().id()))
        .map(TerminalRef::terminal)
        .findFirst();
  }

  public boolean reversed() {
    return reversals.size() % 2 == 1;
  }

  /// Whether it runs the wanted way now; empty where nobody has seen it.
  public Optional<Boolean> right() {
    return seen.map(s -> s.right() == ((reversals.size() - s.reversals()) % 2 == 0));
  }

  /// Somebody saw it run.
  public Edit observed(MotionAxis axis, boolean ranRight) {
    return PinEdits.say(
        axis.board(),
        SEEN + axis.name(),
        "%s, %d reversal%s"
            .formatted(
                ranRight ? "right" : "wrong", reversals.size(), reversals.size() == 1 ? "" : "s"));
  }

  /// What turns it: one setting of the controller, the other way from how it stands.
  public static Edit turned(MotionAxis axis, Study study) {
    var now = said(axis, axis.board(), study.project()).filter(Direction::yes).isPresent();
    return PinEdits.say(axis.board(), REVERSED + axis.name(), now ? "no" : "yes");
  }
}
