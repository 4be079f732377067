package nelvar.core.compose.pins;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Pin;
import nelvar.core.compose.HandWire;
import nelvar.core.model.Device;
import nelvar.core.model.FunctionKind;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinSettings;

/// Free signals on free pins, all at once and for the least cost; what is wired and suits stays.
///
/// Cost of a signal on a pin: how well its type suits, what share of its rating and of its group an
/// output carries, whether it is on while the board boots, whether the pin is named for something
/// else in the program, whether its board serves the same function already; then the order of the
/// connector. Groups that would carry too much are relieved of their largest, one by one.
public final class AssignPins {
  private static final double LOAD = 3;
  private static final double GROUP = 6;
  private static final double BOOTS = 50;
  private static final double NAMED = -5;
  private static final double NAMED_OTHERWISE = 3;
  private static final double SAME_FUNCTION = -1;
  private static final double ORDER = 0.001;
  private static final int ROUNDS = 64;

  /// Names that pins have for no reason but their number.
  private static final Set<String> PLAIN =
      Set.of("in", "out", "input", "output", "ai", "ao", "di", "do", "switch", "sense", "q", "p");

  private final Study study;
  private final List<Signal> signals;
  private final List<PinLink> pins;
  private final Map<String, Double> carried = new HashMap<>();

  private AssignPins(Study study, List<Signal> signals) {
    this.study = study;
    this.signals = signals;
    this.pins = PinLinks.of(study).stream().filter(link -> !link.wired()).toList();
    for (var link : PinLinks.of(study))
      if (link.wired())
        group(link)
            .ifPresent(name ->
                carried.merge(
                    name,
                    link.on().map(seen -> seen.current().amperes()).orElse(0.0),
                    Double::sum));
  }

  /// One signal with its pin.
  ///
  /// @param because why this one
  public record Landing(
      TerminalRef end, TerminalRef pin, Optional<TerminalRef> from, String because) {}

  /// @param landings what goes where; @param left signals for which no pin is left, in words
  /// @param cost of all together, to be compared only with itself
  public record Proposal(List<Landing> landings, List<String> left, double cost, Edit edit) {
    public Proposal {
      landings = List.copyOf(landings);
      left = List.copyOf(left);
    }

    public boolean nothing() {
      return landings.isEmpty();
    }
  }

  public static Proposal of(Study study, Catalogue standard) {
    return new AssignPins(study, Signals.free(study)).proposed(standard);
  }

  /// Only what belongs to one device.
  public static Proposal of(Device device, Study study, Catalogue standard) {
    return new AssignPins(
            study, Signals.free(study).stream().filter(s -> s.device().equals(device)).toList())
        .proposed(standard);
  }

  private Proposal proposed(Catalogue standard) {
    var cost = new double[signals.size()][pins.size()];
    for (var s = 0; s < cost.length; s++)
      for (var p = 0; p < pins.size(); p++) cost[s][p] = cost(signals.get(s), p);
    var of = relieved(cost);
    var landings = new ArrayList<Landing>();
    var left = new ArrayList<String>();
    var sum = 0.0;
    for (var s = 0; s < of.length; s++) {
      var signal = signals.get(s);
      if (of[s] < 0) {
        left.add(
            "%s %s wants %s, and none is free"
                .formatted(
                    signal.device().designation(),
                    signal.device().purpose(),
                    signal.wants().words()));
        continue;
      }
      sum += cost[s][of[s]];
      var link = pins.get(of[s]);
      landings.add(new Landing(signal.end(), link.at(), signal.now(), because(signal, link)));
    }
    return new Proposal(landings, left, sum, edit(landings, standard));
  }

  /// Matched, and matched again without the largest signal of a group that carries too much.
  private int[] relieved(double[][] cost) {
    var of = LeastCost.match(cost);
    for (var round = 0; round < ROUNDS; round++) {
      var over = over(of);
      if (over.isEmpty()) return of;
      for (var p = 0; p < pins.size(); p++)
        if (group(pins.get(p)).equals(Optional.of(over.get().group())))
          cost[over.get().signal()][p] = LeastCost.FORBIDDEN;
      of = LeastCost.match(cost);
    }
    return of;
  }

  private record Over(String group, int signal) {}

  private Optional<Over> over(int[] of) {
    var sums = new HashMap<>(carried);
    for (var s = 0; s < of.length; s++) {
      var amperes = signals.get(s).amperes();
      if (of[s] >= 0)
        group(pins.get(of[s])).ifPresent(name -> sums.merge(name, amperes, Double::sum));
    }
    for (var s = 0; s < of.length; s++) {
      if (of[s] < 0) continue;
      var link = pins.get(of[s]);
      var name = group(link);
      var rating = link.pin().groupRating();
      if (name.isEmpty()
          || rating.isEmpty()
          || sums.getOrDefault(name.get(), 0.0) <= rating.get().amperes()) continue;
      var largest = s;
      for (var other = 0; other < of.length; other++)
        if (of[other] >= 0
            && group(pins.get(of[other])).equals(name)
            && signals.get(other).amperes() > signals.get(largest).amperes()) largest = other;
      return Optional.of(new Over(name.get(), largest));
    }
    return Optional.empty();
  }

  private static Optional<String> group(PinLink link) {
    return link.pin()
        .group()
        .filter(_ -> link.pin().groupRating().isPresent())
        .map(name -> link.board().id() + " " + name);
  }

  private double cost(Signal signal, int index) {
    var link = pins.get(index);
    var pin = link.pin();
    var suits = signal.wants().suits(pin);
    if (suits.isEmpty() || !carries(signal, pin)) return LeastCost.FORBIDDEN;
    var cost = suits.get() + ORDER * index;
    if (signal.amperes() > 0) {
      cost += LOAD * pin.rating().map(r -> signal.amperes() / r.amperes()).orElse(1.0);
      cost += GROUP * pin.groupRating().map(r -> signal.amperes() / r.amperes()).orElse(0.0);
    }
    if (pin.onByItself() && moves(signal.device())) cost += BOOTS;
    cost += named(signal, pin);
    if (serves(signal.device()).isPresent() && serves(signal.device()).equals(serves(link.board())))
      cost += SAME_FUNCTION;
    return cost;
  }

  /// What an output may carry is stated, and is enough.
  private static boolean carries(Signal signal, Pin pin) {
    if (signal.amperes() == 0) return true;
    return pin.rating().filter(rating -> rating.amperes() >= signal.amperes()).isPresent()
        && pin.greatestVoltage().filter(most -> most.volts() < signal.volts()).isEmpty()
        && pin.groupRating().filter(most -> most.amperes() < signal.amperes()).isEmpty();
  }

  private boolean moves(Device device) {
    return device
        .serves()
        .flatMap(study.project().plan()::function)
        .map(MachineFunction::kind)
        .filter(FunctionKind::moves)
        .isPresent();
  }

  private static Optional<nelvar.core.model.Id> serves(Device device) {
    return device.serves();
  }

  /// A pin that the program calls `probe` is for the probe.
  private static double named(Signal signal, Pin pin) {
    var purpose = signal.device().purpose().toLowerCase(Locale.ROOT);
    var cost = 0.0;
    for (var name : List.of(pin.firmware().orElse(""), pin.name()))
      for (var word : name.toLowerCase(Locale.ROOT).split("[^a-z]+")) {
        if (word.length() < 2 || PLAIN.contains(word)) continue;
        if (purpose.matches(".*\\b" + word + ".*")) return NAMED;
        cost = NAMED_OTHERWISE;
      }
    return cost;
  }

  private static String because(Signal signal, PinLink link) {
    var pin = link.pin();
    var all = new ArrayList<String>();
    all.add(pin.type().words());
    if (signal.amperes() > 0)
      pin.rating()
          .ifPresent(rating ->
              all.add(
                  "carries %s of %s"
                      .formatted(new nelvar.core.units.Current(signal.amperes()), rating)));
    if (named(signal, pin) < 0) all.add("named for it");
    signal.now().ifPresent(now -> all.add("%s does not suit it".formatted(now.terminal())));
    return String.join(", ", all);
  }

  private Edit edit(List<Landing> landings, Catalogue standard) {
    var label =
        landings.size() == 1
            ? "Assign 1 signal to its pin"
            : "Assign %d signals to their pins".formatted(landings.size());
    return new Edit(label, project -> applied(project, landings, standard));
  }

  private static Project applied(Project project, List<Landing> landings, Catalogue standard) {
    var moved = project;
    var wires = new ArrayList<HandWire.Asked>();
    for (var landing : landings) {
      if (landing.from().isPresent()) moved = relanded(moved, landing.from().get(), landing.pin());
      else wires.add(HandWire.Asked.between(landing.end(), landing.pin()));
    }
    var study = Study.of(moved, standard);
    for (var landing : landings) zero(landing, study).ifPresent(wires::add);
    return wires.isEmpty() ? moved : HandWire.all(wires, study, standard);
  }

  /// A command has its own way back: from the 0 V beside the analogue output.
  private static Optional<HandWire.Asked> zero(Landing landing, Study study) {
    var command =
        study
            .device(landing.end().device())
            .flatMap(study::part)
            .flatMap(part -> part.command())
            .filter(c -> c.signal().equals(landing.end().terminal()));
    if (command.isEmpty()) return Optional.empty();
    return study
        .device(landing.pin().device())
        .flatMap(study::part)
        .flatMap(part -> part.logic())
        .flatMap(logic -> logic.pins().stream().filter(Pin::analogueZero).findFirst())
        .map(pin ->
            HandWire.Asked.between(
                new TerminalRef(landing.end().device(), command.get().zero()),
                new TerminalRef(landing.pin().device(), pin.name())));
  }

  /// Wires that land on one terminal land on another, with what is said of it.
  static Project relanded(Project project, TerminalRef from, TerminalRef to) {
    var moved =
        project.withConductors(
            project.conductors().stream()
                .map(wire ->
                    wire.lands(from)
                        ? wire.withEnds(
                            wire.from().equals(from) ? to : wire.from(),
                            wire.to().equals(from) ? to : wire.to())
                        : wire)
                .toList());
    return PinSettings.moved(moved, Map.of(from, to));
  }
}
