package nelvar.core.compose.pins;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;

/// Another controller takes over every function of one: each wire goes to a pin of its kind, by
/// name, by place, in the order of the connectors.
///
/// Where the old one pulls to 0 V and the new one gives +, coils and lamps are turned: their common
/// comes to 0 V. A drive's run input that was pulled to 0 V gets a relay. What finds no pin is
/// named, and then nothing is changed.
public final class SwapBoard {
  private static final double TURNED = 20;
  private static final double RELAY = 40;
  private static final double OTHER_NAME = 1;
  private static final double OTHER_PLACE = 0.5;
  private static final double ORDER = 0.05;

  private final Study study;
  private final Catalogue standard;
  private final Device board;
  private final Part next;
  private final Controller logic;
  private final List<PinLink> used;

  private SwapBoard(Study study, Catalogue standard, Device board, Part next) {
    this.study = study;
    this.standard = standard;
    this.board = board;
    this.next = next;
    this.logic = next.logic().orElseThrow();
    this.used =
        PinLinks.of(study).stream()
            .filter(
                link -> link.board().equals(board) && study.network().topology().wired(link.at()))
            .toList();
  }

  /// What becomes of one wire.
  ///
  /// @param turned whether its load is turned, from + to 0 V
  /// @param relay whether a relay comes between
  /// @param changes in words: place, kind, name, volts
  public record Change(String was, String becomes, boolean turned, boolean relay, String changes) {}

  /// @param left what finds no pin, in words; then it cannot be done
  /// @param said what to know besides: jumpers, pins that are always on, what is not checked
  public record Proposal(
      Device board,
      Part next,
      List<Change> changes,
      List<String> left,
      List<String> said,
      Edit edit) {
    public Proposal {
      changes = List.copyOf(changes);
      left = List.copyOf(left);
      said = List.copyOf(said);
    }

    public boolean possible() {
      return left.isEmpty();
    }
  }

  /// Controllers of the catalogue that could take over, those that can first, then the cheapest.
  public static List<Proposal> candidates(Device board, Study study, Catalogue standard) {
    var all = new ArrayList<Proposal>();
    for (var part : study.catalogue().all()) {
      if (part.id().equals(board.part()) || part.logic().filter(l -> !l.pins().isEmpty()).isEmpty())
        continue;
      all.add(of(board, part, study, standard));
    }
    all.sort(
        java.util.Comparator.comparing((Proposal p) -> !p.possible())
            .thenComparing(p ->
                p.next()
                    .price()
                    .map(price -> price.amount().doubleValue())
                    .orElse(Double.MAX_VALUE))
            .thenComparing(p -> p.next().id()));
    return all;
  }

  public static Proposal of(Device board, Part next, Study study, Catalogue standard) {
    return new SwapBoard(study, standard, board, next).proposed();
  }

  private Proposal proposed() {
    var pins = logic.pins();
    var cost = new double[used.size()][pins.size()];
    for (var row = 0; row < used.size(); row++)
      for (var column = 0; column < pins.size(); column++) cost[row][column] = cost(row, column);
    var of = LeastCost.match(cost);
    var changes = new ArrayList<Change>();
    var left = new ArrayList<String>();
    for (var row = 0; row < of.length; row++) {
      if (of[row] < 0)
        left.add(
            "%s (%s) finds no pin"
                .formatted(used.get(row).pin().name(), used.get(row).pin().type().words()));
      else changes.add(change(used.get(row), pins.get(of[row])));
    }
    supplies(left);
    var label = "Put %s in the place of %s".formatted(next.name(), board.designation());
    return new Proposal(
        board,
        next,
        changes,
        left,
        said(of),
        new Edit(
            label,
            project -> {
              if (!left.isEmpty()) throw new EditRefused(String.join("; ", left));
              return new BoardRewired(study, standard, board, next, used).of(project, of);
            }));
  }

  /// Other terminals that wires land on must be there, and its volts must suit.
  private void supplies(List<String> left) {
    var pins = used.stream().map(link -> link.pin().name()).toList();
    for (var mark : study.network().topology().missing(board, next)) {
      if (pins.contains(mark) || oldSupply().filter(mark::equals).isPresent()) continue;
      left.add("nothing on it is called %s".formatted(mark));
    }
    study
        .asDesigned()
        .voltage(new TerminalRef(board.id(), "+"), new TerminalRef(board.id(), "-"))
        .map(both -> new nelvar.core.units.Voltage(both.rms()))
        .filter(volts -> !logic.input().contains(volts))
        .ifPresent(volts -> left.add("it takes %s and gets %s".formatted(logic.input(), volts)));
  }

  private Optional<String> oldSupply() {
    return study.part(board).flatMap(Part::logic).flatMap(Controller::outputSupply);
  }

  private double cost(int row, int column) {
    var link = used.get(row);
    var pin = link.pin();
    var to = logic.pins().get(column);
    if (!fits(link, to)) return LeastCost.FORBIDDEN;
    var cost = ORDER * Math.abs(row - column);
    if (!pin.name().equals(to.name())) cost += OTHER_NAME;
    if (!pin.at().equals(to.at())) cost += OTHER_PLACE;
    if (PinLoad.turns(pin, to)) cost += PinLoad.of(link, study).isPresent() ? TURNED : RELAY;
    return cost;
  }

  private boolean fits(PinLink link, Pin to) {
    var pin = link.pin();
    if (pin.analogueZero() != to.analogueZero()) return false;
    if (link.on().isPresent()
        && pin.type().switches()
        && to.rating()
            .filter(rating -> rating.compareTo(link.on().get().current()) < 0)
            .isPresent()) return false;
    if (pin.type() == to.type()) return pin.line().equals(to.line()) && sameEnd(pin, to);
    return PinLoad.turns(pin, to)
        && (PinLoad.of(link, study).isPresent() || PinLoad.run(link, study).isPresent());
  }

  /// Pulses + stay +, steps stay steps.
  private static boolean sameEnd(Pin pin, Pin to) {
    if (!pin.type().steps()) return true;
    return what(pin.name()).equals(what(to.name()));
  }

  private static String what(String name) {
    return (name.contains("DIR") ? "DIR" : name.contains("EN") ? "EN" : "STEP")
        + (name.endsWith("-") ? "-" : "+");
  }

  private Change change(PinLink link, Pin to) {
    var pin = link.pin();
    var turned = PinLoad.turns(pin, to);
    var all = new ArrayList<String>();
    if (!pin.at().equals(to.at()) && to.at().isPresent()) all.add("on " + to.at().get());
    if (pin.type() != to.type()) all.add(to.type().words());
    if (pin.digital() != to.digital() && pin.type().digitalInput())
      all.add("reads 1 from " + to.levels().high());
    to.firmware()
        .filter(name -> !pin.firmware().equals(Optional.of(name)))
        .ifPresent(name -> all.add("shipped as " + name));
    var relay = turned && PinLoad.of(link, study).isEmpty();
    if (relay) all.add("over a relay");
    else if (turned) all.add("its load is turned, with its common on 0 V");
    return new Change(pin.name(), to.name(), turned, relay, String.join(", ", all));
  }

  private List<String> said(int[] of) {
    var all = new ArrayList<String>();
    var taken = new HashSet<Integer>();
    for (var column : of) taken.add(column);
    var on = new ArrayList<String>();
    for (var column = 0; column < logic.pins().size(); column++) {
      var pin = logic.pins().get(column);
      if (pin.type() == Pin.Type.ALWAYS_ON && taken.contains(column)) on.add(pin.name());
      if (pin.onByItself() && taken.contains(column))
        all.add("%s is on while it boots".formatted(pin.name()));
    }
    if (!on.isEmpty()) all.add("always on: " + String.join(", ", on));
    for (var jumper : logic.onBoard().jumpers())
      all.add("jumper %s must be set".formatted(jumper.name()));
    for (var socket : logic.onBoard().sockets())
      all.add("socket %s is empty".formatted(socket.name()));
    leads(of).ifPresent(all::add);
    return all;
  }

  /// Wires of a known length that land on its pins: whether they reach is not known until the panel
  /// is laid out.
  private Optional<String> leads(int[] of) {
    var moved = new ArrayList<Conductor>();
    for (var row = 0; row < of.length; row++) {
      if (of[row] < 0) continue;
      for (var wire : study.project().conductors())
        if (wire.lands(used.get(row).at())
            && study.length(wire).filter(l -> l.metres() > 0).isPresent()) moved.add(wire);
    }
    return moved.stream()
        .min(java.util.Comparator.comparing(wire -> study.length(wire).orElseThrow()))
        .map(shortest ->
            "%d leads come to other places, the shortest %s (%s): measure whether they reach"
                .formatted(moved.size(), shortest.label(), study.length(shortest).orElseThrow()));
  }
}
