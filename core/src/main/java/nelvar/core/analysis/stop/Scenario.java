package nelvar.core.analysis.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Disturbance;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Duration;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;

/// What can be done to a running machine in a rehearsal, in words that a screen offers and a
/// command line reads: press, let go, reset, start, open a guard, lose mains, a phase or a supply,
/// a dip of the mains, an overload, hang or restart a controller.
public final class Scenario {
  /// How long a button that springs back is held.
  private static final double HELD = 0.3;

  /// How a button's own going back is told.
  public static final String SPRINGS_BACK = "springs back";

  /// Half as much again as it is made for.
  private static final Percent OVERLOAD = new Percent(150);

  /// How deep and how long a dip of the mains is.
  private record Dip(Percent left, Duration lasts) {
    @Override
    public String toString() {
      return "mains down to %s for %s".formatted(left, lasts);
    }
  }

  /// Such as equipment for industry is tried with (IEC 61000-4-11:2004, table 1, class 3, from
  /// memory).
  private static final List<Dip> DIPS =
      List.of(
          new Dip(new Percent(70), new Duration(0.5)), new Dip(new Percent(40), new Duration(0.2)));

  private static final Pattern DIP_WORDS =
      Pattern.compile("mains down to ([0-9.]+ ?%) for ([0-9.]+ ?m?s)");

  private Scenario() {}

  /// Kinds in the order they are offered.
  public enum Kind {
    PRESS("Press a stop"),
    GUARD("Open a guard"),
    LET_GO("Let go, close"),
    RESET("Reset, start"),
    MAINS("Mains and supplies"),
    LOAD("Overload"),
    CONTROLLER("Controllers");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// Something that can be done.
  ///
  /// @param about the device it is done to
  /// @param words `press -S1`
  /// @param steps what changes, each so many seconds after it begins
  public record Doable(Kind kind, Device about, String words, List<Step> steps) {
    public Doable {
      steps = List.copyOf(steps);
    }

    /// At a time of a rehearsal.
    public List<Rehearsal.Act> at(Duration when) {
      return steps.stream()
          .map(step ->
              new Rehearsal.Act(
                  new Duration(when.seconds() + step.after()), step.words(), step.change()))
          .toList();
    }
  }

  public record Step(double after, String words, UnaryOperator<WhatIf> change) {}

  /// Everything that can be done to a machine; what is let go among it, whether pressed or not.
  public static List<Doable> all(Study study) {
    return study.once(Doable.class, () -> found(study));
  }

  private static List<Doable> found(Study study) {
    var all = new ArrayList<Doable>();
    var resets = WayBack.resetButtons(study);
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.isEmpty()) continue;
      if (part.get() instanceof ControlSwitch)
        hand(device, study).ifPresent(hand -> all.addAll(switched(device, hand, resets, study)));
      if (part.get().mainsInlet()) all.addAll(mains(device, part.get(), study));
      if (part.get().electronicSupply())
        all.add(
            one(
                Kind.MAINS,
                device,
                "lose " + device.designation(),
                t -> t.with(new Disturbance.Dead(device.id()))));
      if (part.get().turnsByVolts()) all.add(overload(device));
      if (part.get().logic().isPresent()) all.addAll(controller(device, study));
    }
    return all.stream().sorted(java.util.Comparator.comparing(Doable::kind)).toList();
  }

  private static Doable one(Kind kind, Device about, String words, UnaryOperator<WhatIf> change) {
    return new Doable(kind, about, words, List.of(new Step(0, words, change)));
  }

  private static Optional<ActuatorRef> hand(Device device, Study study) {
    return study.part(device).stream()
        .flatMap(p -> p.actuators().stream())
        .filter(Actuator.Hand.class::isInstance)
        .map(a -> new ActuatorRef(device.id(), a.name()))
        .findFirst();
  }

  private static List<Doable> switched(
      Device device, ActuatorRef hand, List<Device> resets, Study study) {
    var name = device.designation();
    if (Pressed.takesAway(device, study)) {
      var stop = StopRehearsal.stops(device, study);
      return List.of(
          one(
              stop ? Kind.PRESS : Kind.GUARD,
              device,
              (stop ? "press " : "open ") + name,
              t -> t.holding(hand, true)),
          one(
              Kind.LET_GO,
              device,
              (stop ? "let go " : "close ") + name,
              t -> t.holding(hand, false)));
    }
    var starts =
        study.part(device).orElseThrow() instanceof ControlSwitch button
            && button.watches().isEmpty()
            && button.openContacts() > 0
            && button.id().startsWith("push-button");
    if (!resets.contains(device) && !starts) return List.of();
    var words = (resets.contains(device) ? "reset with " : "push ") + name;
    return List.of(
        new Doable(
            Kind.RESET,
            device,
            words,
            List.of(
                new Step(0, words, t -> t.holding(hand, true)),
                new Step(HELD, name + " " + SPRINGS_BACK, t -> t.holding(hand, false)))));
  }

  private static List<Doable> mains(Device inlet, Part part, Study study) {
    var all = new ArrayList<Doable>();
    var gone = new Disturbance.Dead(inlet.id());
    var name = inlet.designation();
    all.add(one(Kind.MAINS, inlet, "mains away at " + name, t -> t.with(gone)));
    all.add(one(Kind.MAINS, inlet, "mains back at " + name, t -> t.without(gone::equals)));
    for (var dip : DIPS) all.add(dip(inlet, dip));
    for (var dip : List.of(0.02, 0.2)) {
      var words = "mains away at %s for %s".formatted(name, new Duration(dip));
      all.add(
          new Doable(
              Kind.MAINS,
              inlet,
              words,
              List.of(
                  new Step(0, words, t -> t.with(gone)),
                  new Step(dip, "mains back at " + name, t -> t.without(gone::equals)))));
    }
    var lines =
        part.terminals().stream()
            .filter(t -> t.role() == nelvar.core.catalogue.Terminal.Role.LINE)
            .map(t -> new TerminalRef(inlet.id(), t.name()))
            .toList();
    if (lines.size() == 3) {
      var lost = lines.getLast();
      var wires =
          study.project().conductors().stream()
              .filter(c -> c.from().equals(lost) || c.to().equals(lost))
              .toList();
      all.add(
          one(
              Kind.MAINS,
              inlet,
              "lose the phase " + lost.terminal() + " of " + name,
              t -> {
                var next = t;
                for (var wire : wires) next = next.with(new Disturbance.Cut(wire.id()));
                return next;
              }));
    }
    return all;
  }

  private static Doable dip(Device inlet, Dip dip) {
    return new Doable(
        Kind.MAINS,
        inlet,
        dip.toString(),
        List.of(
            new Step(0, dip.toString(), t -> t.with(new Disturbance.Sag(dip.left()))),
            new Step(
                dip.lasts().seconds(),
                "mains in full again",
                t -> t.without(Disturbance.Sag.class::isInstance))));
  }

  /// A load that takes half as much again as it is made for: something is jammed.
  private static Doable overload(Device motor) {
    return one(
        Kind.LOAD,
        motor,
        "overload %s, %s".formatted(motor.designation(), OVERLOAD),
        t -> t.with(new Disturbance.LoadAt(motor.id(), OVERLOAD)));
  }

  /// Its outputs stay as they are while the machine runs, or fall as at a boot.
  private static List<Doable> controller(Device board, Study study) {
    var programs =
        study.asDesigned().circuitry().programs().stream()
            .filter(ref -> ref.device().equals(board.id()))
            .toList();
    if (programs.isEmpty()) return List.of();
    var name = board.designation();
    var all = new ArrayList<Doable>();
    all.add(
        one(
            Kind.CONTROLLER,
            board,
            name + " restarts, its outputs off",
            t -> {
              var next = t;
              for (var program : programs) next = next.with(new Disturbance.Frozen(program, false));
              return next;
            }));
    all.add(
        one(
            Kind.CONTROLLER,
            board,
            name + " hangs, its outputs on",
            t -> {
              var next = t;
              for (var program : programs) next = next.with(new Disturbance.Frozen(program, true));
              return next;
            }));
    return all;
  }

  /// A dip of any depth and length: `mains down to 55 % for 0.1 s`.
  private static Optional<Doable> dipped(String words, Study study) {
    var said = DIP_WORDS.matcher(plain(words));
    var inlet =
        study.project().devices().stream()
            .filter(d -> study.part(d).filter(Part::mainsInlet).isPresent())
            .findFirst();
    if (!said.matches() || inlet.isEmpty()) return Optional.empty();
    if (!(nelvar.core.units.Kind.PERCENT.read(said.group(1))
            instanceof Reading.Value<Percent>(var left))
        || !(nelvar.core.units.Kind.DURATION.read(said.group(2))
            instanceof Reading.Value<Duration>(var lasts))
        || left.percent() > Disturbance.Sag.MOST) return Optional.empty();
    return Optional.of(dip(inlet.get(), new Dip(left, lasts)));
  }

  /// By its words, without regard to the sign before a designation.
  public static Optional<Doable> find(String words, Study study) {
    var wanted = plain(words);
    return all(study).stream()
        .filter(d -> plain(d.words()).equals(wanted))
        .findFirst()
        .or(() -> dipped(words, study));
  }

  private static String plain(String words) {
    return words.strip().toLowerCase(java.util.Locale.ROOT).replace("-", "").replaceAll(" +", " ");
  }

  /// What stands first on a screen: the first stop, else a guard, else the mains going away.
  public static Optional<Doable> first(Study study) {
    return Stream.of(Kind.PRESS, Kind.GUARD, Kind.MAINS)
        .flatMap(kind -> all(study).stream().filter(d -> d.kind() == kind))
        .findFirst();
  }
}
