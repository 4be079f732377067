package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.BoardHardware;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Subject;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.BoardEdits;
import nelvar.core.trail.Working;

/// Every jumper stands in one of its positions, and none contradicts the module beneath it or the
/// switch beside it. What a position means, and with which module it must not be, states the board.
public final class Jumpers implements Rule {
  private static final Reason NOT_SET = Reason.of("A jumper is not set");
  private static final Reason WRONG = Reason.of("A jumper contradicts the module fitted");
  private static final Reason TWO_SPEAK = Reason.of("A stall line and a switch on one input");
  private static final Reason NO_POSITION = Reason.of("A jumper stands where it has no position");

  @Override
  public String id() {
    return "signals.jumper";
  }

  @Override
  public String asks() {
    return "Every jumper stands where it should, with the modules that are fitted.";
  }

  private record Placed(Device board, Controller logic, BoardHardware.Jumper jumper) {}

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(device ->
            study.part(device).flatMap(Part::logic).stream()
                .flatMap(logic ->
                    logic.onBoard().jumpers().stream()
                        .map(jumper -> new Placed(device, logic, jumper))))
        .flatMap(Contained.one(this, set -> set.board().id(), set -> judge(set, study)));
  }

  /// Where a jumper of a device stands; empty where it is nowhere, or where it has no position.
  public static Optional<BoardHardware.Position> position(
      Device board, BoardHardware.Jumper jumper, Study study) {
    var bridged = bridged(board, jumper, study);
    return jumper.positions().stream()
        .filter(position -> Set.copyOf(position.bridges()).equals(bridged))
        .findFirst();
  }

  /// What a jumper does where it stands, with the modules that are fitted.
  ///
  /// @param wrong whether it must not stand so
  public record Meaning(String words, boolean wrong) {}

  public static Meaning meaning(
      Device board, BoardHardware.Jumper jumper, Controller logic, Study study) {
    var position = position(board, jumper, study);
    if (position.isEmpty()) return new Meaning("not set", true);
    var placed = new Placed(board, logic, jumper);
    var modules = modules(placed, study);
    return position.get().fitted().stream()
        .filter(fitted -> modules.contains(fitted.module()))
        .findFirst()
        .map(fitted -> new Meaning(fitted.means(), fitted.wrong()))
        .orElseGet(() ->
            new Meaning(
                position.get().means(), bothSpeak(placed, position.get(), study).isPresent()));
  }

  private static Set<String> bridged(Device board, BoardHardware.Jumper jumper, Study study) {
    var all = new HashSet<String>();
    for (var wire : study.at(board.id()))
      if (BoardEdits.bridges(wire, board, jumper)) {
        all.add(wire.from().terminal());
        all.add(wire.to().terminal());
      }
    return all;
  }

  /// The ids of the parts plugged into the sockets a jumper leads to; all of the board's where it
  /// leads to none.
  private static Set<String> modules(Placed set, Study study) {
    var all = new HashSet<String>();
    for (var socket : set.logic().onBoard().sockets()) {
      var mine =
          set.jumper().pads().stream()
              .flatMap(pad -> pad.joins().stream())
              .anyMatch(to -> socket.pads().stream().anyMatch(pad -> leads(pad, to)));
      if (mine || set.jumper().pads().stream().noneMatch(pad -> touches(pad, set)))
        for (var end : BoardEdits.plugged(study.project(), set.board(), socket))
          study.device(end.device()).ifPresent(device -> all.add(device.part()));
    }
    return all;
  }

  private static boolean touches(BoardHardware.Pad pad, Placed set) {
    return set.logic().onBoard().sockets().stream()
        .flatMap(socket -> socket.pads().stream())
        .anyMatch(other -> pad.joins().filter(to -> leads(other, to)).isPresent());
  }

  /// Whether a pad is, or leads to, a joint of the board.
  private static boolean leads(BoardHardware.Pad pad, String to) {
    return pad.mark().equals(to) || pad.joins().filter(to::equals).isPresent();
  }

  private static Verdict judge(Placed set, Study study) {
    var jumper = set.jumper();
    var subject =
        new Subject.AtTerminal(new TerminalRef(set.board().id(), jumper.pads().getFirst().mark()));
    var bridged = bridged(set.board(), jumper, study);
    var position = position(set.board(), jumper, study);
    var w = Working.of("Jumper %s of %s".formatted(jumper.name(), set.board().designation()));
    w.given("bridges", bridged.isEmpty() ? "nothing" : String.join("–", bridged), "pads");
    if (position.isEmpty()) return unset(set, subject, bridged, w);
    var modules = modules(set, study);
    var fitted =
        position.get().fitted().stream().filter(f -> modules.contains(f.module())).findFirst();
    w.given(
        position.get().label(),
        fitted.map(BoardHardware.Fitted::means).orElse(position.get().means()),
        modules.isEmpty() ? "no module" : String.join(", ", modules));
    var trail = w.explain(set).trail();
    if (fitted.filter(BoardHardware.Fitted::wrong).isPresent())
      return new Verdict.Finding(
          subject,
          Severity.ERROR,
          WRONG,
          "Jumper %s of %s stands on %s, and with %s that means: %s. Put it elsewhere before volts come on."
              .formatted(
                  jumper.name(),
                  set.board().designation(),
                  position.get().label(),
                  fitted.get().module(),
                  fitted.get().means()),
          trail,
          others(set, position.get(), modules));
    var two = bothSpeak(set, position.get(), study);
    if (two.isPresent())
      return new Verdict.Finding(
          subject,
          Severity.ERROR,
          TWO_SPEAK,
          "Jumper %s of %s joins a stall line to the input that %s is on: one pulls it down while the other holds it up, and neither is read for certain. Take the jumper off, or the switch."
              .formatted(jumper.name(), set.board().designation(), two.get().designation()),
          trail,
          others(set, position.get(), modules));
    return new Verdict.Pass(subject, trail);
  }

  private static Verdict unset(Placed set, Subject subject, Set<String> bridged, Working w) {
    var trail = w.explain(set).trail();
    return new Verdict.Finding(
        subject,
        Severity.WARNING,
        bridged.isEmpty() ? NOT_SET : NO_POSITION,
        "Jumper %s of %s %s. It can stand on %s."
            .formatted(
                set.jumper().name(),
                set.board().designation(),
                bridged.isEmpty()
                    ? "is nowhere, and the board does not say that it may be left off"
                    : "bridges "
                        + String.join(" and ", bridged)
                        + ", which is none of its positions",
                String.join(
                    "; ",
                    set.jumper().positions().stream()
                        .map(p -> p.label() + " (" + p.means() + ")")
                        .toList())),
        trail,
        List.of());
  }

  /// Positions that are not wrong with what is fitted, those that leave it off first.
  private static List<Repair> others(Placed set, BoardHardware.Position now, Set<String> modules) {
    var all = new ArrayList<Repair>();
    set.jumper().positions().stream()
        .filter(position -> !position.equals(now))
        .filter(position ->
            position.fitted().stream().noneMatch(f -> f.wrong() && modules.contains(f.module())))
        .sorted(java.util.Comparator.comparingInt(p -> p.bridges().size()))
        .forEach(
            position -> all.add(Repair.of(BoardEdits.jumper(set.board(), set.jumper(), position))));
    return all;
  }

  /// A switch or sensor on an input that this jumper joins the output of a module to.
  private static Optional<Device> bothSpeak(
      Placed set, BoardHardware.Position position, Study study) {
    if (position.bridges().isEmpty()) return Optional.empty();
    var joined =
        study.network().joined(new TerminalRef(set.board().id(), position.bridges().getFirst()));
    var input =
        set.logic().pins().stream()
            .filter(pin -> pin.type().digitalInput())
            .map(pin -> new TerminalRef(set.board().id(), pin.name()))
            .filter(joined::contains)
            .findFirst();
    if (input.isEmpty()) return Optional.empty();
    var drivers =
        Drivers.of(input.get(), study).conducting().keySet().stream()
            .flatMap(ref -> study.device(ref.device()).stream())
            .distinct()
            .toList();
    var stall = drivers.stream().anyMatch(device -> drives(device, study));
    return stall
        ? drivers.stream().filter(device -> !drives(device, study)).findFirst()
        : Optional.empty();
  }

  private static boolean drives(Device device, Study study) {
    return study.part(device).filter(Part::drives).isPresent();
  }
}
