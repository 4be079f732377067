package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.units.Length;

/// Single wires made the cores of a cable, and a cable taken apart again.
public final class CableEdits {
  private CableEdits() {}

  /// One cable of several single wires that lead the same way. It is as long as the longest of
  /// them, lies where most of them lie, and its cores are numbered; protective ones keep their
  /// colour.
  public static Edit join(Set<Id> wires, CableStock stock) {
    return new Edit(
        "Make %d wires one cable".formatted(wires.size()),
        project -> {
          var cores = project.conductors().stream().filter(w -> wires.contains(w.id())).toList();
          refuse(cores, stock, project);
          var label = NextName.designation(project, stem(project));
          var id = NextName.id(project, label.text());
          var exact = new Cable(id, label, stock.id(), longest(cores), lying(cores));
          var cable = cores.stream().anyMatch(Conductor::guessed) ? exact.assumed() : exact;
          var marked = marked(cores, id, stock);
          return project
              .withCables(plus(project.cables(), cable))
              .withConductors(
                  project.conductors().stream()
                      .map(wire ->
                          marked.stream()
                              .filter(core -> core.id().equals(wire.id()))
                              .findFirst()
                              .orElse(wire))
                      .toList());
        });
  }

  private static void refuse(List<Conductor> cores, CableStock stock, Project project) {
    for (var core : cores)
      core.cable()
          .flatMap(project::cable)
          .ifPresent(cable -> {
            throw new EditRefused(
                "%s is a core of %s already: take that apart first"
                    .formatted(core.label(), cable.label()));
          });
    if (cores.size() > stock.cores())
      throw new EditRefused(
          "%s has %d cores, and these are %d wires"
              .formatted(stock.name(), stock.cores(), cores.size()));
    for (var core : cores)
      if (core.section().filter(s -> s.compareTo(stock.section()) > 0).isPresent())
        throw new EditRefused(
            "%s is %s, thicker than the cores of %s"
                .formatted(core.label(), core.section().get(), stock.name()));
    var ways = new HashSet<Set<Object>>();
    for (var core : cores)
      ways.add(
          Set.copyOf(
              List.of(place(core.from().device(), project), place(core.to().device(), project))));
    if (ways.size() > 1)
      throw new EditRefused(
          "These wires do not lead the same way: some stay in the cabinet, some leave it. A cable goes from one place to one other.");
  }

  private static Object place(Id device, Project project) {
    return project.device(device).orElseThrow().place();
  }

  private static String stem(Project project) {
    return project.cables().stream()
        .map(cable -> cable.label().stem())
        .filter(stem -> !stem.isBlank())
        .collect(
            java.util.stream.Collectors.groupingBy(
                stem -> stem, java.util.TreeMap::new, java.util.stream.Collectors.counting()))
        .entrySet()
        .stream()
        .max(java.util.Map.Entry.comparingByValue())
        .map(java.util.Map.Entry::getKey)
        .orElse("-WS");
  }

  private static Optional<Length> longest(List<Conductor> cores) {
    return cores.stream().flatMap(core -> core.length().stream()).max(Comparator.naturalOrder());
  }

  private static Optional<Id> lying(List<Conductor> cores) {
    return cores.stream().flatMap(core -> core.bundle().stream()).findFirst();
  }

  private static List<Conductor> marked(List<Conductor> cores, Id cable, CableStock stock) {
    var all = new ArrayList<Conductor>();
    var number = 0;
    for (var core : cores) {
      number++;
      var mark = String.valueOf(number);
      all.add(
          core.with(d -> {
            d.section = Optional.of(stock.section());
            d.length = Optional.empty();
            if (core.function() != Conductor.Function.PROTECTIVE) d.colour = Optional.of(mark);
            d.cable = Optional.of(cable);
            d.bundle = Optional.empty();
          }));
    }
    return all;
  }

  /// Its cores become single wires that lie where it lay and are as long; the cable is gone. They
  /// have no colour until one is said: what they bore were marks of cores.
  public static Edit apart(Cable cable) {
    return new Edit(
        "Take %s apart".formatted(cable.label()),
        project ->
            Edits.forgotten(
                project
                    .withCables(
                        project.cables().stream().filter(c -> !c.id().equals(cable.id())).toList())
                    .withConductors(
                        project.conductors().stream()
                            .map(wire ->
                                wire.cable().filter(cable.id()::equals).isPresent()
                                    ? single(wire, project.cable(cable.id()).orElse(cable))
                                    : wire)
                            .toList()),
                cable.id()));
  }

  private static Conductor single(Conductor core, Cable cable) {
    return core.with(d -> {
      d.length = cable.length();
      d.estimated = cable.guessed();
      if (core.function() != Conductor.Function.PROTECTIVE) d.colour = Optional.empty();
      d.cable = Optional.empty();
      d.bundle = cable.bundle();
    });
  }

  /// Another make of cable; its cores take its section. Refused where it has too few of them.
  public static Edit stock(Cable cable, CableStock stock) {
    return new Edit(
        "Make %s %s".formatted(cable.label(), stock.name()),
        project -> {
          var cores =
              project.conductors().stream()
                  .filter(wire -> wire.cable().filter(cable.id()::equals).isPresent())
                  .toList();
          if (cores.size() > stock.cores())
            throw new EditRefused(
                "%s has %d cores, and %d of %s are in use"
                    .formatted(stock.name(), stock.cores(), cores.size(), cable.label()));
          return project
              .withCables(
                  Project.changed(
                      project.cables(),
                      c -> c.id().equals(cable.id()),
                      c -> c.withStock(stock.id())))
              .withConductors(
                  Project.changed(
                      project.conductors(), cores::contains, w -> w.withSection(stock.section())));
        });
  }

  /// Cables that so many wires, the thickest of this section, could be the cores of: those with the
  /// fewest cores to spare first, then the thinnest.
  public static List<CableStock> fitting(List<Conductor> wires, Catalogue catalogue) {
    var thickest =
        wires.stream().flatMap(wire -> wire.section().stream()).max(Comparator.naturalOrder());
    return catalogue
        .of(CableStock.class)
        .filter(stock -> stock.cores() >= wires.size())
        .filter(stock -> thickest.filter(s -> s.compareTo(stock.section()) > 0).isEmpty())
        .sorted(
            Comparator.comparingInt(CableStock::cores)
                .thenComparing(CableStock::section)
                .thenComparing(CableStock::shielded)
                .thenComparing(CableStock::id))
        .toList();
  }

  private static List<Cable> plus(List<Cable> all, Cable more) {
    var next = new ArrayList<>(all);
    next.add(more);
    return next;
  }

  /// On the cable as it is then, whatever else was changed of it.
  public static Edit screened(Id cable, Cable.Screen next) {
    return new Edit(
        "",
        project ->
            project.withCables(
                Project.changed(
                    project.cables(),
                    c -> c.id().equals(cable),
                    c -> c.withScreen(next.withTurns(c.screened().turns())))));
  }
}
