package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Terminal;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// A wire drawn by hand between two terminals, with all that need not be typed: use and colour of
/// what it goes on with, a section by the calculation the rules use, the next number, a typical
/// length, the duct of its neighbours, the next free core where a cable goes there already.
///
/// Lengths are typical ([TypicalLength]); to the machine what the cables to the device measure.
public final class HandWire {
  /// @param because what each property was taken from, a line each
  public record Proposed(Conductor wire, Optional<Bundle> bundle, List<String> because) {
    public Proposed {
      because = List.copyOf(because);
    }

    /// Lays it; refused where its number or an end has been taken since.
    public Edit edit(Study study) {
      var label =
          "Wire %s:%s to %s:%s"
              .formatted(
                  study.label(wire.from().device()),
                  wire.from().terminal(),
                  study.label(wire.to().device()),
                  wire.to().terminal());
      return new Edit(label, this::added);
    }

    private Project added(Project project) {
      if (project.conductor(wire.id()).isPresent())
        throw new EditRefused(
            "The machine has changed since this wire was proposed: draw it anew.");
      var next = project;
      if (bundle.isPresent()) next = Edits.add(bundle.get()).apply(next);
      return Edits.add("", wire).apply(next);
    }
  }

  /// What is said of a wire; what is not is proposed.
  public record Asked(
      TerminalRef from,
      TerminalRef to,
      Optional<Designation> label,
      Optional<Conductor.Function> function,
      Optional<CrossSection> section,
      Optional<Length> length,
      Optional<String> colour) {
    public static Asked between(TerminalRef from, TerminalRef to) {
      return new Asked(
          from,
          to,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());
    }
  }

  private final Study study;
  private final Project project;
  private final Neighbours neighbours;
  private final List<String> because = new ArrayList<>();

  private HandWire(Study study) {
    this.study = study;
    this.project = study.project();
    this.neighbours = new Neighbours(study);
  }

  /// @throws EditRefused where the same two terminals are joined by a wire already
  public static Proposed of(TerminalRef from, TerminalRef to, Study study, Catalogue standard) {
    var hand = new HandWire(study);
    hand.refuse(from, to);
    var drawn = hand.drawn(Asked.between(from, to), study.project(), true);
    if (drawn.wire().cable().isPresent()) {
      // A core that is too thin for this is none for it.
      if (WireSizes.stands(drawn.added(study.project()), drawn.wire().id(), standard))
        return new Proposed(drawn.wire(), drawn.bundle(), hand.because);
      hand.because.clear();
      hand.because.add("the free core that goes there is too thin for it");
      drawn = hand.drawn(Asked.between(from, to), study.project(), false);
    }
    var after = drawn.added(study.project());
    var wire =
        WireSizes.least(after, Set.of(drawn.wire().id()), standard)
            .conductor(drawn.wire().id())
            .orElseThrow();
    hand.saySection(wire, after);
    hand.sayWarmed(after);
    return new Proposed(
        drawn.wire().withSection(wire.section().orElseThrow()), drawn.bundle(), hand.because);
  }

  /// Many wires at once, sized together; what is stated of one stays.
  public static Project all(List<Asked> asked, Study study, Catalogue standard) {
    var hand = new HandWire(study);
    var said = new HashSet<String>();
    for (var one : asked) one.label().ifPresent(label -> said.add(label.text()));
    hand.said = said;
    var unsized = new HashSet<Id>();
    var all = study.project();
    for (var one : asked) {
      var drawn = hand.drawn(one, all, true);
      all = drawn.added(all);
      hand.neighbours.note(drawn.wire());
      if (one.section().isEmpty() && drawn.wire().cable().isEmpty()) unsized.add(drawn.wire().id());
    }
    return unsized.isEmpty() ? all : WireSizes.least(all, unsized, standard);
  }

  /// @param cores whether a free core of a cable may be taken
  private Proposed drawn(Asked asked, Project into, boolean cores) {
    var from = asked.from();
    var to = asked.to();
    var likeFrom = neighbours.sibling(from);
    var likeTo = neighbours.sibling(to);
    var like = likeFrom.or(() -> likeTo);
    var ink = ink(from, to);
    var protective =
        asked.function().map(f -> f == Conductor.Function.PROTECTIVE).orElse(ink == Ink.PROTECTIVE);
    var function =
        asked
            .function()
            .orElse(
                protective
                    ? Conductor.Function.PROTECTIVE
                    : like.map(Conductor::function).orElse(ink.function()));
    // What stands on a core of a cable is its mark, not a colour to go on with.
    var goesOn = neighbours.insulated(from).or(() -> neighbours.insulated(to));
    var colour =
        asked
            .colour()
            .orElseGet(() -> protective ? colour(Ink.PROTECTIVE) : goesOn.orElse(colour(ink)));
    if (!protective) sayLike(likeFrom, likeTo, function, goesOn);
    var core =
        !cores || asked.section().isPresent() || asked.length().isPresent()
            ? Optional.<Core>empty()
            : core(from, to, into);
    core.ifPresent(c ->
        because.add(
            "core %s of %s, which goes there already".formatted(c.mark(), c.cable().label())));
    var label = asked.label().orElseGet(() -> next(into, stem(protective)));
    var bundle =
        core.isPresent()
            ? Optional.<Id>empty()
            : neighbours.lyingWith(
                from, to, function, Optional.of(colour), outside(from, to), into);
    var fresh =
        core.isPresent() || bundle.isPresent() ? Optional.<Bundle>empty() : duct(from, to, into);
    var wire =
        new Conductor(
            NextName.id(into, label.text()),
            label,
            from,
            to,
            function,
            Optional.of(asked.section().or(() -> core.map(Core::section)).orElse(least(function))),
            core.isPresent()
                ? Optional.empty()
                : Optional.of(asked.length().orElseGet(() -> length(from, to))),
            core.isPresent() && !protective && asked.colour().isEmpty()
                ? core.map(Core::mark)
                : Optional.of(colour),
            core.map(c -> c.cable().id()),
            bundle.or(() -> fresh.map(Bundle::id)));
    return new Proposed(asked.length().isPresent() ? wire : wire.assumed(), fresh, List.of());
  }

  /// Numbers that rows further below bear.
  private Set<String> said = Set.of();

  private Designation next(Project into, String stem) {
    var free = NextName.designation(into, stem);
    if (!said.contains(free.text())) return free;
    var taken = new HashSet<>(said);
    into.conductors().forEach(wire -> taken.add(wire.label().text()));
    into.devices().forEach(device -> taken.add(device.designation().text()));
    into.cables().forEach(cable -> taken.add(cable.label().text()));
    for (var n = 1; ; n++) if (!taken.contains(stem + n)) return new Designation(stem + n);
  }

  private void sayLike(
      Optional<Conductor> from,
      Optional<Conductor> to,
      Conductor.Function function,
      Optional<String> colour) {
    from.or(() -> to)
        .ifPresent(wire ->
            because.add(
                "%s%s as %s, which it goes on with"
                    .formatted(
                        function.words(), colour.map(c -> ", " + c).orElse(""), wire.label())));
    if (from.isPresent()
        && to.isPresent()
        && from.get().cable().isEmpty()
        && to.get().cable().isEmpty()
        && !from.get().colour().equals(to.get().colour()))
      because.add(
          "%s there is %s: two colours on one potential"
              .formatted(to.get().label(), to.get().colour().orElse("of no stated colour")));
  }

  private void refuse(TerminalRef from, TerminalRef to) {
    for (var wire : project.conductors())
      if ((wire.from().equals(from) && wire.to().equals(to))
          || (wire.from().equals(to) && wire.to().equals(from)))
        throw new EditRefused("%s joins these two terminals already.".formatted(wire.label()));
    if (from.equals(to))
      throw new EditRefused("A wire ends on another terminal than it begins on.");
  }

  /// Numbers go on as the wires of the machine are numbered.
  private String stem(boolean protective) {
    var stems = new HashMap<String, Integer>();
    for (var wire : project.conductors())
      if ((wire.function() == Conductor.Function.PROTECTIVE) == protective)
        stems.merge(wire.label().stem(), 1, Integer::sum);
    return stems.entrySet().stream()
        .max(
            Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
        .map(Map.Entry::getKey)
        .orElse("W");
  }

  private void sayWarmed(Project after) {
    var weak = WireSizes.weakened(study, study.tried(after));
    if (!weak.isEmpty())
      because.add(
          "lying there it warms %s: too thin then for what protects them; make them thicker, or lay it elsewhere"
              .formatted(
                  weak.stream()
                      .limit(MOST_NAMED)
                      .map(wire -> wire.label().text())
                      .collect(Collectors.joining(", "))));
  }

  private static final int MOST_NAMED = 6;

  private void saySection(Conductor wire, Project after) {
    var section = wire.section().orElseThrow();
    if (!wire.carriesWork()) {
      because.add("%s by the rule for protective conductors".formatted(section));
      return;
    }
    var flows = study.tried(after).designCurrent(wire);
    because.add(
        flows.amperes() == 0
            ? "%s: nothing flows in it yet".formatted(section)
            : "%s for %s".formatted(section, flows));
  }

  private Ink ink(TerminalRef from, TerminalRef to) {
    var roles = List.of(neighbours.role(from), neighbours.role(to));
    if (roles.contains(Terminal.Role.PROTECTIVE)) return Ink.PROTECTIVE;
    if (roles.contains(Terminal.Role.NEUTRAL)) return Ink.NEUTRAL;
    if (roles.contains(Terminal.Role.LINE)) return Ink.LINE;
    if (roles.contains(Terminal.Role.MINUS)) return Ink.ZERO;
    if (roles.contains(Terminal.Role.PLUS)) return Ink.PLUS;
    return Ink.CONTROL;
  }

  private String colour(Ink ink) {
    return ink.colour(project.brief().policies().sizing());
  }

  /// What is handy to land, to begin with (common practice).
  private CrossSection least(Conductor.Function function) {
    var american = project.brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
    if (function == Conductor.Function.DATA)
      return american ? CrossSection.ofGauge(20) : new CrossSection(0.5);
    return american ? CrossSection.ofGauge(18) : new CrossSection(0.75);
  }

  private record Core(Cable cable, CrossSection section, String mark) {}

  /// The next free core of a cable that goes from the device on the machine to the cabinet.
  private Optional<Core> core(TerminalRef from, TerminalRef to, Project into) {
    var out = place(from) == Place.MACHINE ? from : to;
    var in = out == from ? to : from;
    if (place(out) != Place.MACHINE || place(in) == Place.MACHINE) return Optional.empty();
    return study.at(out.device()).stream()
        .flatMap(wire -> study.cable(wire).stream())
        .distinct()
        .flatMap(cable -> spare(cable, into).stream())
        .findFirst();
  }

  private Optional<Core> spare(Cable cable, Project into) {
    var used =
        into.conductors().stream()
            .filter(wire -> wire.cable().filter(cable.id()::equals).isPresent())
            .toList();
    var stock =
        study
            .catalogue()
            .find(cable.stock())
            .filter(CableStock.class::isInstance)
            .map(CableStock.class::cast);
    if (stock.isEmpty() || used.size() >= stock.get().cores()) return Optional.empty();
    var marks = used.stream().flatMap(core -> core.colour().stream()).toList();
    for (var n = 1; n <= stock.get().cores(); n++)
      if (!marks.contains(String.valueOf(n)))
        return Optional.of(new Core(cable, stock.get().section(), String.valueOf(n)));
    return Optional.empty();
  }

  private Place place(TerminalRef end) {
    return study.device(end.device()).map(Device::place).orElse(Place.PANEL);
  }

  private Length length(TerminalRef from, TerminalRef to) {
    var places = List.of(place(from), place(to));
    var named =
        java.util.stream.Stream.of(from, to)
            .flatMap(end -> study.device(end.device()).stream())
            .filter(device -> device.place() == Place.MACHINE)
            .flatMap(device -> project.plan().placeOf(device).stream())
            .filter(place -> project.plan().distance(place).isPresent())
            .findFirst();
    var typical =
        TypicalLength.between(
            places.getFirst(),
            places.getLast(),
            named.flatMap(project.plan()::distance).orElse(TypicalLength.DISTANCE));
    if (places.contains(Place.MACHINE)) {
      var known =
          java.util.stream.Stream.of(from, to)
              .filter(end -> place(end) == Place.MACHINE)
              .flatMap(end -> study.at(end.device()).stream())
              .flatMap(wire -> study.length(wire).stream())
              .max(Comparator.comparingDouble(Length::metres));
      because.add(
          known.isPresent()
              ? "%s, as what goes there already".formatted(known.get())
              : named
                  .map(place -> "%s, as far as the %s is".formatted(typical, place))
                  .orElse("%s assumed: nothing says how far it is".formatted(typical)));
      return known.orElse(typical);
    }
    return typical;
  }

  private boolean outside(TerminalRef from, TerminalRef to) {
    return place(from) == Place.MACHINE || place(to) == Place.MACHINE;
  }

  private Optional<Bundle> duct(TerminalRef from, TerminalRef to, Project into) {
    return Optional.of(
        outside(from, to)
            ? new Bundle(
                NextName.id(into, "P1"), "tray along the machine", InstallationMethod.E, false)
            : new Bundle(NextName.id(into, "D1"), "duct", InstallationMethod.B1, true));
  }
}
