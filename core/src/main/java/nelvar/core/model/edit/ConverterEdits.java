package nelvar.core.model.edit;

import static nelvar.core.model.Project.changed;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Length;

/// Something put into the way of signals that are wired already: what landed there lands on it, and
/// short leads go on. Their lengths are estimated until somebody lays them.
public final class ConverterEdits {
  private static final Length LEAD = new Length(0.3);
  private static final Length SHORT = new Length(0.15);

  /// How a new wire lies.
  public enum Lies {
    /// Where another one leads, and as that lies: in its cable, where it has one.
    BESIDE,
    /// Laid with another one that comes from the same place.
    WITH,
    /// From one device straight to the next, for a signal.
    STRAIGHT,
    /// A lead that comes with the device it ends at, and was sized by its maker.
    OWN
  }

  private ConverterEdits() {}

  /// @param wire whose end moves
  /// @param was where that landed
  /// @param now where it lands
  public record Move(Id wire, TerminalRef was, TerminalRef now) {}

  /// A new wire.
  ///
  /// @param like as thick and of the kind of this one
  public record Lead(TerminalRef from, TerminalRef to, Conductor like, Lies lies) {
    private boolean straight() {
      return lies == Lies.STRAIGHT || lies == Lies.OWN;
    }
  }

  public static Edit put(List<Device> devices, List<Move> moves, List<Lead> leads) {
    return new Edit(
        "Put %s into its lines".formatted(devices.getFirst().designation()),
        project -> {
          var next = project;
          for (var device : devices) next = next.withDevices(Edits.plus(next.devices(), device));
          for (var move : moves) next = moved(next, move);
          for (var lead : leads) next = led(next, lead);
          return next;
        });
  }

  public static Edit moved(List<Move> moves) {
    return new Edit(
        "Land %d wires elsewhere".formatted(moves.size()),
        project -> {
          var next = project;
          for (var move : moves) next = moved(next, move);
          return next;
        });
  }

  /// The two wires of one signal, known by where they land.
  public record Ends(TerminalRef one, TerminalRef other) {}

  /// All wires of signals made pairs of one cable, shielded where that is: what is loose becomes
  /// its cores, what lies in another cable gets this one in its place.
  public static Edit paired(List<Ends> signals, CableStock stock) {
    return new Edit(
        "Lay pairs",
        project -> {
          var wires = project.conductors().stream().filter(w -> lands(w, signals)).toList();
          var cables = wires.stream().map(Conductor::cable).distinct().toList();
          if (cables.size() != 1)
            throw new EditRefused(
                "These wires lie partly in a cable and partly not: take that apart first");
          var laid =
              cables
                  .getFirst()
                  .flatMap(project::cable)
                  .map(cable -> another(cable, stock))
                  .orElseGet(() ->
                      CableEdits.join(
                          wires.stream().map(Conductor::id).collect(Collectors.toSet()), stock))
                  .apply(project);
          var cable = laid.conductor(wires.getFirst().id()).orElseThrow().cable().orElseThrow();
          var numbered = numbered(laid, cable, signals);
          return cables.getFirst().isEmpty() ? screened(numbered, cable, stock) : numbered;
        });
  }

  /// A shield that was not there is clamped at both ends, as all schools do for pulses.
  private static Edit another(Cable cable, CableStock stock) {
    if (cable.stock().equals(stock.id())) return new Edit("", project -> project);
    return CableEdits.stock(cable, stock)
        .then(
            new Edit(
                "",
                project ->
                    cable.screened().from().isPresent()
                        ? project
                        : screened(project, cable.id(), stock)));
  }

  private static Project screened(Project project, Id cable, CableStock stock) {
    return stock.shielded()
        ? CableEdits.screened(cable, Cable.Screen.both(Cable.Ending.CLAMP)).apply(project)
        : project;
  }

  private static boolean lands(Conductor wire, List<Ends> signals) {
    return signals.stream().anyMatch(ends -> wire.lands(ends.one()) || wire.lands(ends.other()));
  }

  /// Cores numbered so that both wires of a signal are one pair: those of signals first, all others
  /// behind them as they followed. Nothing where they are so, or where cores bear no numbers.
  private static Project numbered(Project project, Id cable, List<Ends> signals) {
    var cores =
        project.conductors().stream()
            .filter(w -> w.cable().equals(Optional.of(cable)))
            .sorted(Comparator.comparingInt(ConverterEdits::number))
            .toList();
    var order = new LinkedHashSet<Conductor>();
    var already = true;
    for (var signal : signals) {
      var one = cores.stream().filter(w -> w.lands(signal.one())).findFirst();
      var other = cores.stream().filter(w -> w.lands(signal.other())).findFirst();
      if (one.isEmpty() || other.isEmpty()) continue;
      already &= number(one.get()) % 2 == 1 && number(other.get()) == number(one.get()) + 1;
      order.add(one.get());
      order.add(other.get());
    }
    if (already || cores.stream().anyMatch(w -> number(w) == 0)) return project;
    order.addAll(cores);
    var marks = new HashMap<Id, String>();
    for (var core : order) marks.put(core.id(), String.valueOf(marks.size() + 1));
    return project.withConductors(
        changed(
            project.conductors(),
            w -> marks.containsKey(w.id()),
            w -> w.withColour(Optional.ofNullable(marks.get(w.id())))));
  }

  /// 0 where it has none.
  private static int number(Conductor core) {
    return core.colour()
        .filter(mark -> mark.matches("[1-9][0-9]?"))
        .map(Integer::parseInt)
        .orElse(0);
  }

  private static Project moved(Project project, Move move) {
    return project.withConductors(
        changed(
            project.conductors(),
            w -> w.id().equals(move.wire()),
            w ->
                w.with(d -> {
                  if (d.from.equals(move.was())) d.from = move.now();
                  else if (d.to.equals(move.was())) d.to = move.now();
                })));
  }

  private static Project led(Project project, Lead lead) {
    var like = lead.like();
    var label = NextName.designation(project, like.label().stem());
    var loose = like.cable().isEmpty();
    var beside = lead.lies() == Lies.BESIDE;
    var length = beside ? like.length() : Optional.of(lead.straight() ? SHORT : LEAD);
    return project.withConductors(
        Edits.plus(
            project.conductors(),
            new Conductor(
                    NextName.id(project, label.text()),
                    label,
                    lead.from(),
                    lead.to(),
                    lead.lies() != Lies.WITH && like.function() == Conductor.Function.POWER
                        ? Conductor.Function.CONTROL
                        : like.function(),
                    like.section(),
                    length,
                    loose ? like.colour() : mark(project, lead),
                    beside ? like.cable() : Optional.empty(),
                    loose && !lead.straight() ? like.bundle() : Optional.empty())
                .with(d -> {
                  d.estimated = length.isPresent();
                  if (lead.lies() == Lies.OWN) d.leadOf = Optional.of(lead.to().device());
                })));
  }

  /// Of a core the first that no other has, where they have any; of a short wire none yet.
  private static Optional<String> mark(Project project, Lead lead) {
    if (lead.lies() != Lies.BESIDE) return Optional.empty();
    var taken = new ArrayList<String>();
    for (var core : project.conductors())
      if (core.cable().equals(lead.like().cable())) core.colour().ifPresent(taken::add);
    if (taken.isEmpty()) return Optional.empty();
    for (var n = 1; ; n++) if (!taken.contains(String.valueOf(n))) return Optional.of(n + "");
  }
}
