package nelvar.core.compose.pins;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Relay;
import nelvar.core.catalogue.Terminal;
import nelvar.core.compose.HandWire;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.Setting;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;

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
              return applied(project, of);
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
    if (turns(pin, to)) cost += load(link).isPresent() ? TURNED : RELAY;
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
    return turns(pin, to) && (load(link).isPresent() || run(link).isPresent());
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

  private static boolean turns(Pin from, Pin to) {
    return from.type() == Pin.Type.OUTPUT_SINKING && to.type() == Pin.Type.OUTPUT_SOURCING;
  }

  /// Both ends of a load on an output: the one on the pin, and the other.
  private record Load(TerminalRef onPin, TerminalRef other) {}

  private Optional<Load> load(PinLink link) {
    for (var end : link.partners()) {
      var device = study.device(end.device());
      var part = device.flatMap(study::part);
      if (part.isEmpty() || part.get().drives()) continue;
      for (var intake : device.get().intakes(part.get())) {
        if (intake.back().isEmpty() || intake.threePhase()) continue;
        var line = new TerminalRef(end.device(), intake.lines().getFirst());
        var back = new TerminalRef(end.device(), intake.back().get());
        if (end.equals(back)) return Optional.of(new Load(back, line));
        if (end.equals(line)) return Optional.of(new Load(line, back));
      }
    }
    return Optional.empty();
  }

  /// A run input that is pulled to its common, and the common.
  private Optional<Load> run(PinLink link) {
    return link.partners().stream()
        .filter(end ->
            end.terminal().equals("RUN")
                && study.device(end.device()).flatMap(study::part).filter(Part::drives).isPresent())
        .findFirst()
        .map(end -> new Load(end, new TerminalRef(end.device(), "COM")));
  }

  private Change change(PinLink link, Pin to) {
    var pin = link.pin();
    var turned = turns(pin, to);
    var all = new ArrayList<String>();
    if (!pin.at().equals(to.at()) && to.at().isPresent()) all.add("on " + to.at().get());
    if (pin.type() != to.type()) all.add(to.type().words());
    if (pin.digital() != to.digital() && pin.type().digitalInput())
      all.add("reads 1 from " + to.levels().high());
    to.firmware()
        .filter(name -> !pin.firmware().equals(Optional.of(name)))
        .ifPresent(name -> all.add("shipped as " + name));
    var relay = turned && load(link).isEmpty();
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
      if (pin.whileBooting().orElse(false) && taken.contains(column))
        all.add("%s is on while it boots".formatted(pin.name()));
    }
    if (!on.isEmpty()) all.add("always on: " + String.join(", ", on));
    for (var jumper : logic.onBoard().jumpers())
      all.add("jumper %s must be set".formatted(jumper.name()));
    for (var socket : logic.onBoard().sockets())
      all.add("socket %s is empty".formatted(socket.name()));
    all.add("whether leads still reach is not checked");
    return all;
  }

  private Project applied(Project project, int[] of) {
    var names = new ArrayList<Setting>();
    var renamed = project;
    // Over names no board has, so that two pins may change places.
    var turned = new ArrayList<Load>();
    var relays = new ArrayList<Relayed>();
    var moves = new java.util.HashMap<TerminalRef, TerminalRef>();
    for (var row = 0; row < of.length; row++) {
      var link = used.get(row);
      var to = logic.pins().get(of[row]);
      moves.put(link.at(), new TerminalRef(board.id(), to.name()));
      if (turns(link.pin(), to)) {
        var load = load(link);
        if (load.isPresent()) turned.add(load.get());
        else
          run(link)
              .ifPresent(
                  run -> relays.add(new Relayed(run, new TerminalRef(board.id(), to.name()))));
      }
      FirmwareNames.of(project, board.id(), link.pin())
          .filter(name -> !link.pin().firmware().equals(Optional.of(name)))
          .ifPresent(name ->
              names.add(
                  new Setting(
                      board.id(), FirmwareNames.setting(to.name()), name, "name in the program")));
    }
    renamed =
        renamed.withConductors(renamed.conductors().stream().map(w -> moved(w, moves)).toList());
    renamed = changed(renamed, names);
    renamed = turned(renamed, turned);
    return wired(renamed, relays);
  }

  private record Relayed(Load run, TerminalRef pin) {}

  private static Conductor moved(Conductor wire, java.util.Map<TerminalRef, TerminalRef> moves) {
    var from = moves.getOrDefault(wire.from(), wire.from());
    var to = moves.getOrDefault(wire.to(), wire.to());
    return from.equals(wire.from()) && to.equals(wire.to()) ? wire : wire.withEnds(from, to);
  }

  private Project changed(Project project, List<Setting> names) {
    var pins = used.stream().map(link -> FirmwareNames.setting(link.pin().name())).toList();
    var settings = new ArrayList<Setting>();
    for (var setting : project.settings())
      if (!setting.device().equals(board.id()) || !pins.contains(setting.name()))
        settings.add(setting);
    settings.addAll(names);
    var own = oldSupply().filter(mark -> logic.outputSupply().filter(mark::equals).isEmpty());
    var next =
        own.isEmpty()
            ? project
            : project.withConductors(
                project.conductors().stream()
                    .filter(wire -> !lands(wire, new TerminalRef(board.id(), own.get())))
                    .toList());
    return next.withSettings(settings)
        .withDevices(
            next.devices().stream()
                .map(device ->
                    device.id().equals(board.id()) ? device.withPart(this.next.id()) : device)
                .toList());
  }

  private static boolean lands(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) || wire.to().equals(end);
  }

  /// Loads exchange their ends; what was their common + comes to 0 V.
  private Project turned(Project project, List<Load> loads) {
    if (loads.isEmpty()) return project;
    var exchange = new java.util.HashMap<TerminalRef, TerminalRef>();
    Set<TerminalRef> common = new HashSet<>();
    for (var load : loads) {
      exchange.put(load.onPin(), load.other());
      exchange.put(load.other(), load.onPin());
      common.add(load.onPin());
    }
    var next = new ArrayList<Conductor>();
    var zeros = new Zeros(project);
    for (var wire : project.conductors()) {
      var moved = moved(wire, exchange);
      var from = common.contains(moved.from());
      var to = common.contains(moved.to());
      if (from != to)
        moved =
            from
                ? moved.withEnds(moved.from(), zeros.next())
                : moved.withEnds(zeros.next(), moved.to());
      next.add(moved);
    }
    return project.withConductors(next);
  }

  /// Free places of a 0 V bar that the board's own 0 V is on; else the end of its own 0 V wire.
  private final class Zeros {
    private final List<TerminalRef> free = new ArrayList<>();
    private final TerminalRef board0;

    Zeros(Project project) {
      board0 = new TerminalRef(board.id(), "-");
      var taken = new HashSet<TerminalRef>();
      for (var wire : project.conductors()) {
        taken.add(wire.from());
        taken.add(wire.to());
      }
      for (var end : study.network().joined(board0)) {
        var part = study.device(end.device()).flatMap(study::part);
        if (part.orElse(null) instanceof DistributionBlock block
            && block.role() == Terminal.Role.MINUS
            && !taken.contains(end)) free.add(end);
      }
    }

    TerminalRef next() {
      return free.isEmpty() ? board0 : free.removeFirst();
    }
  }

  /// Relays for run inputs, and the + of outputs where the new board wants one.
  private Project wired(Project project, List<Relayed> relays) {
    var next = project;
    var wires = new ArrayList<HandWire.Asked>();
    var zeros = new Zeros(project);
    for (var relayed : relays) {
      var part = cheapestRelay();
      var name = NextName.designation(next, "-K");
      var relay =
          Device.of(
                  NextName.id(next, name.text()),
                  name.text(),
                  "run, " + study.label(relayed.run().onPin().device()),
                  part.id(),
                  Place.PANEL)
              .withSuppression(Suppression.DIODE)
              .withServes(study.device(relayed.run().onPin().device()).flatMap(Device::serves));
      next = Edits.add(relay).apply(next);
      // The wire that came from the pin now comes from the contact; its common leaves 0 V.
      var contact = new TerminalRef(relay.id(), "14");
      next =
          next.withConductors(
              next.conductors().stream()
                  .filter(wire -> !lands(wire, relayed.run().other()))
                  .map(wire ->
                      lands(wire, relayed.pin())
                          ? moved(wire, java.util.Map.of(relayed.pin(), contact))
                          : wire)
                  .toList());
      wires.add(HandWire.Asked.between(new TerminalRef(relay.id(), "11"), relayed.run().other()));
      wires.add(HandWire.Asked.between(relayed.pin(), new TerminalRef(relay.id(), "A1")));
      wires.add(HandWire.Asked.between(new TerminalRef(relay.id(), "A2"), zeros.next()));
    }
    plus(next).ifPresent(wires::add);
    return wires.isEmpty() ? next : HandWire.all(wires, Study.of(next, standard), standard);
  }

  private Relay cheapestRelay() {
    return study.catalogue().all().stream()
        .filter(Relay.class::isInstance)
        .map(Relay.class::cast)
        .filter(relay -> relay.coil().operates().contains(new nelvar.core.units.Voltage(24)))
        .min(
            java.util.Comparator.comparing(relay ->
                relay.price().map(price -> price.amount().doubleValue()).orElse(Double.MAX_VALUE)))
        .orElseThrow(() -> new EditRefused("the catalogue has no relay for 24 V"));
  }

  /// The + its outputs give: from where its own + comes.
  private Optional<HandWire.Asked> plus(Project project) {
    var mark = logic.outputSupply();
    if (mark.isEmpty()
        || used.stream().noneMatch(link -> link.pin().type().switches())
        || project.conductors().stream()
            .anyMatch(wire -> lands(wire, new TerminalRef(board.id(), mark.get()))))
      return Optional.empty();
    var own = new TerminalRef(board.id(), "+");
    return project.conductors().stream()
        .filter(wire -> lands(wire, own))
        .findFirst()
        .map(wire ->
            HandWire.Asked.between(
                wire.from().equals(own) ? wire.to() : wire.from(),
                new TerminalRef(board.id(), mark.get())));
  }
}
