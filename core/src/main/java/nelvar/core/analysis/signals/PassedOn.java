package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.PassedLine;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Signals that line drivers and line receivers send on in another form: who hears behind them what
/// somebody sends before them.
public final class PassedOn {
  /// One line of one device.
  public record Hop(Device device, PassedLine line) {
    public TerminalRef in() {
      return new TerminalRef(device.id(), line.in());
    }

    public TerminalRef out() {
      return new TerminalRef(device.id(), line.out());
    }

    public Optional<TerminalRef> inReturn() {
      return line.inReturn().map(mark -> new TerminalRef(device.id(), mark));
    }

    public Optional<TerminalRef> outReturn() {
      return line.outReturn().map(mark -> new TerminalRef(device.id(), mark));
    }
  }

  private PassedOn() {}

  /// Every line of every converter, in the order of the project.
  public static List<Hop> all(Study study) {
    return study.once(
        PassedOn.class,
        () ->
            study.project().devices().stream()
                .flatMap(device ->
                    study.part(device).stream()
                        .flatMap(part -> part.passesOn().stream())
                        .map(line -> new Hop(device, line)))
                .toList());
  }

  /// The lines that what stands at a terminal goes through, the nearest first.
  public static List<Hop> behind(TerminalRef from, Study study) {
    return followed(from, true, study);
  }

  /// The lines that what stands at a terminal has come through, the nearest first.
  public static List<Hop> before(TerminalRef at, Study study) {
    return followed(at, false, study);
  }

  private static List<Hop> followed(TerminalRef from, boolean onward, Study study) {
    var all = new LinkedHashSet<Hop>();
    if (all(study).isEmpty()) return List.of();
    var waiting = new ArrayList<TerminalRef>(List.of(from));
    while (!waiting.isEmpty()) {
      var joined = study.network().joined(waiting.removeFirst());
      for (var hop : all(study))
        if (joined.contains(onward ? hop.in() : hop.out()) && all.add(hop))
          waiting.add(onward ? hop.out() : hop.in());
    }
    return List.copyOf(all);
  }

  /// What takes, sends or computes at the other ends of a line.
  public static List<TerminalRef> ends(TerminalRef at, Study study) {
    return study.network().joined(at).stream()
        .filter(end -> !end.device().equals(at.device()))
        .filter(end ->
            study.device(end.device()).flatMap(study::part).filter(PassedOn::works).isPresent())
        .toList();
  }

  private static boolean works(Part part) {
    return part.row().isEmpty()
        && (part.logic().isPresent()
            || part.pulseInput().isPresent()
            || !part.intakes(Linkage.STAR).isEmpty());
  }

  /// Whether a signal that one sends on two wires comes to both terminals of the other: `STEP+` on
  /// the one and `STEP-` on the inverse of what sends it.
  public static boolean onPair(
      TerminalRef sends, Optional<TerminalRef> inverse, TerminalRef hears, Study study) {
    return inverse.isPresent()
        && study.network().joined(sends).contains(hears)
        && other(hears)
            .filter(end -> study.network().joined(inverse.get()).contains(end))
            .isPresent();
  }

  /// Whether pulses of a pin go over two wires to all that hear them: its inverse is joined to the
  /// other terminal of each. Of one whose inverse cannot be told by its name its type is believed.
  public static boolean onPair(Pin pin, TerminalRef at, Study study) {
    if (pin.type() != Pin.Type.OUTPUT_PULSES) return false;
    var inverse = inverse(at, study);
    return inverse.isEmpty()
        || ends(at, study).stream().allMatch(end -> onPair(at, inverse, end, study));
  }

  /// The pin of the same board that sends the same the other way round.
  public static Optional<TerminalRef> inverse(TerminalRef pin, Study study) {
    return other(pin)
        .filter(end ->
            study
                .device(end.device())
                .flatMap(study::part)
                .flatMap(Part::logic)
                .filter(logic ->
                    logic.pins().stream()
                        .anyMatch(p ->
                            p.type() == Pin.Type.OUTPUT_PULSES && p.name().equals(end.terminal())))
                .isPresent());
  }

  /// `STEP-` of `STEP+`, and the other way round; empty where a name ends otherwise.
  public static Optional<TerminalRef> other(TerminalRef end) {
    var name = end.terminal();
    var stem = name.substring(0, name.length() - 1);
    return name.endsWith("+")
        ? Optional.of(new TerminalRef(end.device(), stem + "-"))
        : name.endsWith("-")
            ? Optional.of(new TerminalRef(end.device(), stem + "+"))
            : Optional.empty();
  }
}
