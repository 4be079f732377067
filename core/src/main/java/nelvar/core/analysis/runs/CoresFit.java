package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.WireColours.Use;
import nelvar.core.catalogue.CableStock;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Working;

/// A cable has the cores that are landed, each told from the others by its mark at both ends, the
/// green-yellow one is the protective one (IEC 60204-1:2016, 13.2.2, from memory), and cores that
/// share a current lie beside their way back: cores are laid in the order of their numbers, and
/// alternating they make the narrowest loop (common practice).
public final class CoresFit implements Rule {
  private static final Reason FEW = Reason.of("More wires than the cable has cores");
  private static final Reason ALIKE = Reason.of("Two cores of a cable bear one mark");
  private static final Reason WORKS = Reason.of("The protective core of a cable is used for work");
  private static final Reason PROTECTS =
      Reason.of("A protective conductor in a core that does not say so");
  private static final Reason APART = Reason.of("Cores that share a current lie beside each other");

  @Override
  public String id() {
    return "runs.cores";
  }

  @Override
  public String asks() {
    return "Cables have the cores that are landed, each told from the others and for its use.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().cables().stream()
        .filter(cable -> !study.cores(cable.id()).isEmpty())
        .flatMap(Contained.many(this, Cable::id, cable -> judge(cable, study).stream()));
  }

  private static List<Verdict> judge(Cable cable, Study study) {
    var cores =
        study.cores(cable.id()).stream()
            .filter(core -> core.function() != Conductor.Function.SHIELD)
            .toList();
    var all = new ArrayList<Verdict>();
    all.add(enough(cable, cores, study));
    told(cable, cores, study).ifPresent(all::add);
    for (var core : cores) protective(core, cable, study).ifPresent(all::add);
    shared(cable, cores, study).ifPresent(all::add);
    return all;
  }

  private static Verdict enough(Cable cable, List<Conductor> cores, Study study) {
    if (!(study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock))
      return new Verdict.NotChecked(cable.id(), "how many cores its cable has is not known");
    var w = Working.of("Cores of " + cable.label());
    w.given("landed", cores.size(), cable.label().text());
    w.given("has", stock.cores(), stock.name());
    var trail = w.explain(cable).trail();
    if (cores.size() <= stock.cores()) return new Verdict.Pass(cable.id(), trail);
    return new Verdict.Finding(
        cable.id(),
        Severity.ERROR,
        FEW,
        "%d wires are cores of %s, and %s has %d. Take one with more cores."
            .formatted(cores.size(), cable.label(), stock.name(), stock.cores()),
        trail,
        study
            .catalogue()
            .of(CableStock.class)
            .filter(other ->
                other.cores() >= cores.size()
                    && other.section().equals(stock.section())
                    && other.shielded() == stock.shielded()
                    && (other.moving() || !stock.moving()))
            .min(Comparator.comparingInt(CableStock::cores).thenComparing(CableStock::id))
            .map(other -> Repair.of(CableEdits.stock(cable, other)))
            .stream()
            .toList());
  }

  /// Empty where none of them bears a mark.
  private static Optional<Verdict> told(Cable cable, List<Conductor> cores, Study study) {
    var by = new HashMap<String, Conductor>();
    for (var core : cores) {
      if (core.colour().isEmpty()) continue;
      var mark = WireColours.plain(core.colour().get());
      var other = by.putIfAbsent(mark, core);
      if (other == null) continue;
      var w = Working.of("Marks of the cores of " + cable.label());
      w.given("mark", mark, "%s and %s".formatted(other.label(), core.label()));
      return Optional.of(
          new Verdict.Finding(
              cable.id(),
              Severity.ERROR,
              ALIKE,
              "%s and %s of %s both bear '%s': at the other end nobody can tell them apart."
                  .formatted(other.label(), core.label(), cable.label(), mark),
              w.explain(cable).trail(),
              free(cable, cores, study).map(to -> marked(core, to)).stream().toList()));
    }
    if (by.isEmpty()) return Optional.empty();
    var w = Working.of("Marks of the cores of " + cable.label());
    w.given("marks", String.join(", ", by.keySet().stream().sorted().toList()), "each once");
    return Optional.of(new Verdict.Pass(cable.id(), w.explain(cable).trail()));
  }

  /// A core that is not landed yet; empty where the cable has none left: another mark on the same
  /// core would only hide it. One of those it has is the protective one, where that is landed.
  private static Optional<String> free(Cable cable, List<Conductor> cores, Study study) {
    if (!(study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock))
      return Optional.empty();
    var used = cores.stream().flatMap(core -> core.colour().stream()).collect(Collectors.toSet());
    var school = study.project().brief().policies().sizing();
    var earth = used.stream().anyMatch(mark -> Use.PROTECTIVE.said(mark, school));
    return IntStream.rangeClosed(1, stock.cores() - (earth ? 1 : 0))
        .mapToObj(String::valueOf)
        .filter(mark -> !used.contains(mark))
        .findFirst();
  }

  private static Repair marked(Conductor core, String mark) {
    return Repair.of(
        Edits.colour(Set.of(core.id()), mark)
            .named("Land %s on the core '%s'".formatted(core.label(), mark)));
  }

  private static Optional<Verdict> protective(Conductor core, Cable cable, Study study) {
    if (core.colour().isEmpty()) return Optional.empty();
    var school = study.project().brief().policies().sizing();
    var said = Use.PROTECTIVE.said(core.colour().get(), school);
    var is = core.function() == Conductor.Function.PROTECTIVE;
    if (said == is) return Optional.empty();
    var w = Working.of("The protective core of " + cable.label());
    w.given("core", core.colour().get(), core.label().text());
    w.given("it is", core.function().words(), core.label().text());
    if (is)
      return Optional.of(
          new Verdict.Finding(
              Subject.of(core.id()),
              Severity.WARNING,
              PROTECTS,
              "%s protects and lies in the core '%s' of %s: nobody takes it for earth. Take a cable with a %s core for it."
                  .formatted(
                      core.label(),
                      core.colour().get(),
                      cable.label(),
                      Use.PROTECTIVE.colours(school).getFirst()),
              w.explain(core.id()).trail(),
              List.of()));
    return Optional.of(
        new Verdict.Finding(
            Subject.of(core.id()),
            Severity.ERROR,
            WORKS,
            "%s works on the %s core of %s: whoever takes it for earth is hurt. Land it on another core."
                .formatted(core.label(), core.colour().get(), cable.label()),
            w.explain(core.id()).trail(),
            free(cable, study.cores(cable.id()), study).map(to -> marked(core, to)).stream()
                .toList()));
  }

  private record Way(int near, int far) {}

  private record Numbered(Conductor core, int number) {}

  /// Cores that are joined at both ends, and their ways back, by number; empty where none are.
  private static Optional<Verdict> shared(Cable cable, List<Conductor> cores, Study study) {
    var numbered =
        cores.stream()
            .filter(
                core -> core.carriesWork() && core.colour().filter(CoresFit::number).isPresent())
            .map(core -> new Numbered(core, Integer.parseInt(core.colour().orElseThrow())))
            .sorted(Comparator.comparingInt(Numbered::number))
            .toList();
    var ways = numbered.stream().collect(Collectors.groupingBy(it -> way(it.core(), study)));
    var back = new HashMap<Id, Boolean>();
    for (var of : ways.values())
      of.stream()
          .flatMap(it -> back(it.core(), study).stream())
          .findFirst()
          .ifPresent(is -> of.forEach(it -> back.put(it.core().id(), is)));
    if (back.size() < numbered.size()) return Optional.empty();
    var out =
        ways.values().stream()
            .filter(of -> of.size() > 1)
            .flatMap(List::stream)
            .filter(it -> !back.getOrDefault(it.core().id(), true))
            .toList();
    var returns = numbered.stream().filter(it -> back.getOrDefault(it.core().id(), false)).toList();
    if (out.isEmpty() || returns.isEmpty()) return Optional.empty();
    var w = Working.of("Cores that share a current in " + cable.label());
    for (var it : numbered)
      w.given(
          String.valueOf(it.number()),
          back.getOrDefault(it.core().id(), false) ? "back" : "out",
          it.core().label().text());
    var trail = w.explain(cable).trail();
    var beside =
        out.stream()
            .allMatch(it ->
                returns.stream().anyMatch(other -> Math.abs(other.number() - it.number()) == 1));
    if (beside) return Optional.of(new Verdict.Pass(cable.id(), trail));
    return Optional.of(
        new Verdict.Finding(
            cable.id(),
            Severity.ADVICE,
            APART,
            "Cores of %s share a current and lie beside each other, their way back beyond: a wider loop than it need be. Let out and back alternate."
                .formatted(cable.label()),
            trail,
            List.of(Repair.of(alternating(cable, numbered, back)))));
  }

  private static boolean number(String mark) {
    return mark.matches("[1-9][0-9]?");
  }

  private static Way way(Conductor core, Study study) {
    var potentials = Potentials.of(study);
    var a = potentials.at(core.from());
    var b = potentials.at(core.to());
    return new Way(Math.min(a, b), Math.max(a, b));
  }

  /// Whether it leads back to its source; empty where no source reaches it.
  private static Optional<Boolean> back(Conductor core, Study study) {
    return study
        .circuit(core)
        .map(circuit -> circuit.line() >= circuit.source().output().lines().size());
  }

  private static nelvar.core.model.edit.Edit alternating(
      Cable cable, List<Numbered> numbered, Map<Id, Boolean> back) {
    var out = new ArrayList<Id>();
    var in = new ArrayList<Id>();
    for (var it : numbered)
      (back.getOrDefault(it.core().id(), false) ? in : out).add(it.core().id());
    var order = new ArrayList<Id>();
    while (!out.isEmpty() || !in.isEmpty()) {
      if (!out.isEmpty()) order.add(out.removeFirst());
      if (!in.isEmpty()) order.add(in.removeFirst());
    }
    Map<Id, String> marks = new HashMap<>();
    for (var i = 0; i < order.size(); i++)
      marks.put(order.get(i), String.valueOf(numbered.get(i).number()));
    return RunEdits.marked(cable, marks);
  }
}
