package nelvar.core.analysis.interference;

import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.CountsOnPairs;
import nelvar.core.analysis.signals.OnTwoWires;
import nelvar.core.analysis.signals.PassedOn;
import nelvar.core.analysis.signals.PulsesOnPairs;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Price;

/// What helps at the input that is disturbed: its cable, its shield, its way back, its filter.
final class AtInput {
  private AtInput() {}

  static void all(Pair pair, Study study, List<Idea> all) {
    var r = pair.receiver();
    r.cable()
        .ifPresentOrElse(
            cable -> receiver(cable, r, study, all), () -> joined(r, study).ifPresent(all::add));
    r.cable()
        .filter(_ -> pair.volts().containsKey(WayIn.EARTH))
        .ifPresent(cable -> AtSource.ferrite(cable, study, all));
    if (pair.volts().containsKey(WayIn.SHARED)) ownReturn(r, study).ifPresent(all::add);
    onTwoWires(r, study).ifPresent(all::add);
    slower(r, study).ifPresent(all::add);
  }

  /// In place of one against 0 V.
  private static Optional<Idea> onTwoWires(Receiver r, Study study) {
    var sender = r.partner().flatMap(end -> study.device(end.device()));
    var hears = study.device(r.at().device());
    if (r.balanced() || sender.isEmpty() || hears.isEmpty()) return Optional.empty();
    var offer =
        switch (r.kind()) {
          case PULSES -> PulsesOnPairs.of(sender.get(), hears.get(), study);
          case LOGIC -> CountsOnPairs.of(r.at(), sender.get(), study);
          default -> Optional.<OnTwoWires>empty();
        };
    return offer.map(
        o -> new Idea(o.edit(), o.costs(), o.devices() * Idea.DEVICE + o.ends() * 2 * Idea.END));
  }

  private static void receiver(Cable cable, Receiver r, Study study, List<Idea> all) {
    var stock = Idea.stock(cable, study);
    if (stock.isEmpty()) return;
    var ends = Screens.usual(cable, r.kind(), study);
    if (stock.get().shielded()) {
      Screens.clamped(cable, ends, all);
      if (!ends.equals(Screen.both(Ending.CLAMP)))
        Screens.clamped(cable, Screen.both(Ending.CLAMP), all);
    } else Screens.shielded(cable, stock.get(), ends, study, all);
    if (stock.get().pairs().isEmpty())
      study
          .catalogue()
          .of(CableStock.class)
          .filter(other ->
              other.pairs().isPresent()
                  && other.cores() >= study.cores(cable.id()).size()
                  && other.section().compareTo(stock.get().section()) >= 0)
          .min(
              Comparator.comparing((CableStock c) -> c.section())
                  .thenComparingInt(CableStock::cores))
          .ifPresent(other ->
              all.add(
                  Idea.laid(
                      cable,
                      other,
                      CableEdits.stock(cable, other)
                          .then(CableEdits.screened(cable.id(), ends))
                          .named(
                              "Twisted pairs for %s, shield %s"
                                  .formatted(cable.label(), Screens.words(ends))),
                      study)));
  }

  /// The wires of one signal with its way back, or of several between the same two devices, as one
  /// shielded cable.
  private static Optional<Idea> joined(Receiver r, Study study) {
    if (r.partner().isEmpty()) return Optional.empty();
    var wires = new LinkedHashSet<Conductor>();
    for (var other : Receivers.of(study))
      if (other.kind() == r.kind()
          && other.at().device().equals(r.at().device())
          && other.partner().map(TerminalRef::device).equals(r.partner().map(TerminalRef::device)))
        wires.addAll(other.wires());
    // Its 0 V and what feeds it come along.
    var both = Set.of(r.at().device(), r.partner().get().device());
    var ends = Screens.usual(true, r.kind(), study);
    for (var wire : study.at(r.at().device()))
      if (both.equals(ends(wire)) && wire.carriesWork()) wires.add(wire);
    var sensor =
        study
            .device(r.partner().get().device())
            .filter(d -> study.part(d).filter(Sensor.class::isInstance).isPresent());
    sensor.ifPresent(
        s -> study.at(s.id()).stream().filter(Conductor::carriesWork).forEach(wires::add));
    if (r.kind() == Receiver.Kind.PULSES)
      for (var wire : List.copyOf(wires)) wires.addAll(back(wire, r.at().device(), study));
    if (wires.size() < 2 || wires.stream().anyMatch(w -> w.cable().isPresent() || w.plugged()))
      return Optional.empty();
    var ids = new LinkedHashSet<Id>();
    wires.forEach(w -> ids.add(w.id()));
    var thickest =
        wires.stream()
            .flatMap(w -> w.section().stream())
            .max(Comparator.naturalOrder())
            .orElse(new CrossSection(0.1));
    var metres =
        wires.stream()
            .flatMap(w -> study.length(w).stream())
            .mapToDouble(l -> l.metres())
            .max()
            .orElse(0);
    return study
        .catalogue()
        .of(CableStock.class)
        .filter(
            s -> s.shielded() && s.cores() >= ids.size() && s.section().compareTo(thickest) >= 0)
        .min(
            Comparator.comparing((CableStock s) -> s.pairs().isEmpty())
                .thenComparing(CableStock::section)
                .thenComparingInt(CableStock::cores))
        .map(stock ->
            Idea.laid(
                stock,
                CableEdits.join(ids, stock)
                    .then(screened(ids, ends))
                    .named(
                        "One shielded cable for the %d wires to %s, %s"
                            .formatted(
                                ids.size(), study.label(r.at().device()), Screens.words(ends))),
                metres,
                ids.size()));
  }

  /// What lands on the other terminal of a drive that takes pulses.
  private static List<Conductor> back(Conductor wire, Id drive, Study study) {
    return Stream.of(wire.from(), wire.to())
        .filter(end -> end.device().equals(drive))
        .flatMap(end -> PassedOn.other(end).stream())
        .flatMap(other -> study.at(drive).stream().filter(w -> w.carriesWork() && w.lands(other)))
        .toList();
  }

  private static Set<Id> ends(Conductor wire) {
    return wire.from().device().equals(wire.to().device())
        ? Set.of(wire.from().device())
        : Set.of(wire.from().device(), wire.to().device());
  }

  /// The cable that these wires are cores of by then.
  private static Edit screened(Set<Id> wires, Screen ends) {
    return new Edit(
        "",
        project -> {
          var cable =
              project.conductors().stream()
                  .filter(w -> wires.contains(w.id()))
                  .flatMap(w -> w.cable().stream())
                  .findFirst();
          return project.withCables(
              Project.changed(
                  project.cables(),
                  c -> cable.filter(c.id()::equals).isPresent(),
                  c -> c.withScreen(ends)));
        });
  }

  /// The way back of the sensor on a way of the bar that its board hangs on, and not on one that
  /// loads share.
  private static Optional<Idea> ownReturn(Receiver r, Study study) {
    var sensor = r.partner().flatMap(end -> study.device(end.device()));
    if (sensor.isEmpty()) return Optional.empty();
    var lead =
        r.back().stream()
            .filter(w -> lands(w, sensor.get()))
            .filter(w -> bar(other(w, sensor.get()), study))
            .findFirst();
    var board =
        r.back().stream()
            .flatMap(w -> Stream.of(w.from(), w.to()))
            .filter(end -> bar(end, study))
            .filter(end ->
                study.at(end.device()).stream()
                    .anyMatch(w ->
                        (w.from().device().equals(r.at().device())
                                || w.to().device().equals(r.at().device()))
                            && r.back().contains(w)))
            .findFirst();
    if (lead.isEmpty() || board.isEmpty()) return Optional.empty();
    var from = other(lead.get(), sensor.get());
    var bar = board.get().device();
    if (bar.equals(from.device()) || !inside(from.device(), study) || !inside(bar, study))
      return Optional.empty();
    return free(bar, study)
        .map(way ->
            new Idea(
                new Edit(
                    "Land 0 V of %s on %s, where %s hangs"
                        .formatted(
                            sensor.get().designation(),
                            study.label(bar),
                            study.label(r.at().device())),
                    project ->
                        project.withConductors(
                            Project.changed(
                                project.conductors(),
                                w -> w.id().equals(lead.get().id()),
                                w ->
                                    w.with(d -> {
                                      if (d.from.equals(from)) d.from = way;
                                      else d.to = way;
                                    })))),
                Optional.of(Price.ZERO),
                2 * Idea.END + Idea.PULL));
  }

  private static boolean lands(Conductor w, Device on) {
    return w.from().device().equals(on.id()) || w.to().device().equals(on.id());
  }

  private static TerminalRef other(Conductor w, Device on) {
    return w.from().device().equals(on.id()) ? w.to() : w.from();
  }

  private static boolean bar(TerminalRef end, Study study) {
    return study.device(end.device()).flatMap(study::part).flatMap(Part::row).isPresent();
  }

  private static boolean inside(Id device, Study study) {
    return study.device(device).filter(d -> d.place() != Place.MACHINE).isPresent();
  }

  /// A way of a bar that nothing lands on.
  private static Optional<TerminalRef> free(Id bar, Study study) {
    return study.device(bar).flatMap(study::part).stream()
        .flatMap(part -> part.terminals().stream())
        .filter(t -> t.role() != Role.PROTECTIVE)
        .map(t -> new TerminalRef(bar, t.name()))
        .filter(end -> !study.network().topology().wired(end))
        .findFirst();
  }

  /// Whether one of its inputs counts: a filter would swallow the pulses.
  private static boolean counts(Id board, Study study) {
    return Receivers.of(study).stream()
        .filter(r -> r.at().device().equals(board))
        .flatMap(r -> r.partner().stream())
        .flatMap(end -> study.device(end.device()).stream())
        .flatMap(device -> study.part(device).stream())
        .anyMatch(part -> part instanceof Sensor s && s.output() == SensorOutput.PULSES);
  }

  /// Whether its board may be made slower than spikes.
  static boolean slows(Receiver r, Study study) {
    var settles =
        r.kind() == Receiver.Kind.DIGITAL
            || r.kind() == Receiver.Kind.LOGIC
            || r.kind() == Receiver.Kind.ANALOGUE;
    var board = study.device(r.at().device());
    return settles
        && board.flatMap(study::part).flatMap(part -> part.logic()).isPresent()
        && !counts(r.at().device(), study)
        && Own.seconds(r.at().device(), "Input filter", study).isEmpty();
  }

  /// Only where what is read stands long enough, on every input of the board.
  private static Optional<Idea> slower(Receiver r, Study study) {
    var board = study.device(r.at().device());
    if (board.isEmpty() || !slows(r, study)) return Optional.empty();
    return Optional.of(
        new Idea(
            PinEdits.say(board.get(), "Input filter", "1 ms")
                .named(
                    "Filter the inputs of %s for 1 ms, in its program or settings"
                        .formatted(board.get().designation())),
            Optional.of(Price.ZERO),
            10));
  }
}
