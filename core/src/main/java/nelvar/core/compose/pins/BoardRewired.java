package nelvar.core.compose.pins;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Part;
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
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.PinSettings;

/// The machine with another controller in the place of one: wires moved, loads turned, relays put
/// in between.
final class BoardRewired {
  private final Study study;
  private final Catalogue standard;
  private final Device board;
  private final Part next;
  private final Controller logic;
  private final List<PinLink> used;

  /// @param used the pins that wires land on
  BoardRewired(Study study, Catalogue standard, Device board, Part next, List<PinLink> used) {
    this.study = study;
    this.standard = standard;
    this.board = board;
    this.next = next;
    this.logic = next.logic().orElseThrow();
    this.used = used;
  }

  private Optional<String> oldSupply() {
    return study.part(board).flatMap(Part::logic).flatMap(Controller::outputSupply);
  }

  /// @param of the pin of the new board for each of those used
  Project of(Project project, int[] of) {
    var names = new ArrayList<Setting>();
    var renamed = project;
    // Over names no board has, so that two pins may change places.
    var turned = new ArrayList<PinLoad>();
    var relays = new ArrayList<Relayed>();
    var moves = new java.util.HashMap<TerminalRef, TerminalRef>();
    for (var row = 0; row < of.length; row++) {
      var link = used.get(row);
      var to = logic.pins().get(of[row]);
      moves.put(link.at(), new TerminalRef(board.id(), to.name()));
      if (PinLoad.turns(link.pin(), to)) {
        var load = PinLoad.of(link, study);
        if (load.isPresent()) turned.add(load.get());
        else
          PinLoad.run(link, study)
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
    renamed = PinSettings.permitting(changed(renamed, names), moves);
    renamed = turned(renamed, turned);
    return wired(renamed, relays);
  }

  private record Relayed(PinLoad run, TerminalRef pin) {}

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
                    .filter(wire -> !wire.lands(new TerminalRef(board.id(), own.get())))
                    .toList());
    return next.withSettings(settings)
        .withDevices(
            next.devices().stream()
                .map(device ->
                    device.id().equals(board.id()) ? device.withPart(this.next.id()) : device)
                .toList());
  }

  /// Loads exchange their ends; what was their common + comes to 0 V.
  private Project turned(Project project, List<PinLoad> loads) {
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
                  .filter(wire -> !wire.lands(relayed.run().other()))
                  .map(wire ->
                      wire.lands(relayed.pin())
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
            .anyMatch(wire -> wire.lands(new TerminalRef(board.id(), mark.get()))))
      return Optional.empty();
    var own = new TerminalRef(board.id(), "+");
    return project.conductors().stream()
        .filter(wire -> wire.lands(own))
        .findFirst()
        .map(wire ->
            HandWire.Asked.between(
                wire.from().equals(own) ? wire.to() : wire.from(),
                new TerminalRef(board.id(), mark.get())));
  }
}
