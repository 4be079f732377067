package nelvar.core.compose;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.choice.Choosing;
import nelvar.core.analysis.choice.Goal;
import nelvar.core.analysis.earthing.ProtectiveSection;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.runs.RightSize;
import nelvar.core.analysis.runs.TerminalHolds;
import nelvar.core.analysis.sizing.MinimumSection;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;

/// Gives a machine that is wired its sizes, by the calculations the rules use: the device before
/// the inlet, what carries all of it, then every protective device and wire.
final class Sizing {
  /// Rated currents devices before an inlet are commonly had in, A; metric, then North American.
  private static final List<Integer> METRIC = List.of(16, 20, 25, 32, 40, 50, 63, 80);

  private static final List<Integer> AMERICAN = List.of(15, 20, 30, 40, 50, 60, 80);

  /// What needs no more than its own rule's least size; then what holds the wires.
  private static final List<Rule> LEAST =
      List.of(new MinimumSection(), new ProtectiveSection(), new TerminalHolds());

  private static final int ROUNDS = 3;

  /// Of contactors: loads take more where the mains is low.
  private static final double TO_SPARE = 1.2;

  private final Composer composer;
  private final Catalogue standard;
  private final boolean upstreamStated;

  /// @param upstreamStated whether the device before the inlet is as the Brief says
  Sizing(Composer composer, Catalogue standard, boolean upstreamStated) {
    this.composer = composer;
    this.standard = standard;
    this.upstreamStated = upstreamStated;
  }

  /// Of what was added to a machine that stands: everything that was there keeps its size.
  Study added(Project before) {
    composer.trimAdded();
    return beside(before, composer.sketch().project(), standard, this::linked);
  }

  private static Study beside(
      Project before,
      Project project,
      Catalogue standard,
      java.util.function.UnaryOperator<Project> linked) {
    var had = project.fixed();
    var all = new LinkedHashSet<>(had);
    before.devices().forEach(device -> all.add(device.id()));
    before.conductors().forEach(conductor -> all.add(conductor.id()));
    var now = Study.toChoose(project.withFixed(List.copyOf(all)), standard);
    var sized = Choosing.chosen(now, Goal.LEAST_COST).withFixed(had);
    var mine =
        sized.conductors().stream()
            .map(Conductor::id)
            .filter(id -> !all.contains(id))
            .collect(Collectors.toCollection(LinkedHashSet::new));
    var handy = handy(linked.apply(sized), mine, standard);
    sized.devices().stream().map(Device::id).filter(id -> !all.contains(id)).forEach(mine::add);
    return withTrays(least(handy, mine, standard), standard);
  }

  private static Study withTrays(Study sized, Catalogue standard) {
    return Study.of(RightSize.trays(sized), standard);
  }

  private Project linked(Project sized) {
    var project = sized;
    for (var link : composer.links().entrySet())
      for (var wire : sized.conductors())
        if (wire.to().equals(link.getKey())
            && wire.section().filter(s -> s.compareTo(link.getValue()) < 0).isPresent())
          project =
              Edits.section("link", Set.of(wire.id()), link.getValue(), standard).apply(project);
    return project;
  }

  Study sized() {
    var wired = composer.sketch().project();
    var study = Study.of(wired, standard);
    var upstream = upstream(study);
    composer.trim(upstream, TO_SPARE * cut(study));
    var project = composer.sketch().project();
    project = project.withBrief(protectedBy(upstream, project.brief()));
    var now = Study.toChoose(project, standard);
    project = Choosing.chosen(now, Goal.LEAST_COST);
    var all =
        project.conductors().stream()
            .map(Conductor::id)
            .collect(Collectors.toCollection(LinkedHashSet::new));
    var handy = handy(project, all, standard);
    project.devices().forEach(device -> all.add(device.id()));
    return withTrays(least(handy, all, standard), standard);
  }

  private double upstream(Study study) {
    var load =
        InletLoad.inlets(study).stream()
            .mapToDouble(inlet -> InletLoad.of(inlet, study).value().amperes())
            .max()
            .orElse(0);
    var stated = study.project().brief().supply().upstream().amperes();
    if (upstreamStated) {
      if (load > stated)
        throw new Unmet(
            "the machine takes %s, more than the %s of the device before its inlet"
                .formatted(new Current(load), new Current(stated)));
      return stated;
    }
    var american = composer.sketch().american();
    // A quarter to spare, as for loads of hours; what starts is covered by that as well.
    var found =
        (american ? AMERICAN : METRIC).stream().filter(rating -> rating >= 1.25 * load).findFirst();
    return found.orElseThrow(() ->
        new Unmet(
            "the machine takes %s; a device of 80 A before the inlet is the greatest drawn up: take a second inlet, or more phases"
                .formatted(new Current(load))));
  }

  /// What flows behind the stop, A: the most of any wire on its contactors.
  private double cut(Study study) {
    var contactors = composer.contactors();
    return study.project().conductors().stream()
        .filter(wire ->
            touches(wire.from().device(), contactors) || touches(wire.to().device(), contactors))
        .flatMapToDouble(wire -> DoubleStream.of(study.designCurrent(wire).amperes()))
        .max()
        .orElse(0);
  }

  private static boolean touches(Id device, List<Id> contactors) {
    return contactors.contains(device);
  }

  private static Brief protectedBy(double upstream, Brief brief) {
    var supply = brief.supply();
    return new Brief(
        new Brief.Supply(
            supply.voltage(),
            supply.frequency(),
            supply.earthing(),
            new Current(upstream),
            supply.loopImpedance(),
            supply.prospectiveShortCircuitCurrent()),
        brief.surroundings(),
        brief.policies());
  }

  /// Single wires that the tables allow very thin are taken as one reel that can be crimped: 0.75
  /// mm² or 18 AWG (common practice).
  private static Project handy(Project project, Set<Id> of, Catalogue standard) {
    var american = project.brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
    var reel = american ? CrossSection.ofGauge(18) : new CrossSection(0.75);
    var thin =
        project.conductors().stream()
            .filter(wire ->
                of.contains(wire.id())
                    && wire.cable().isEmpty()
                    && wire.carriesWork()
                    && wire.function() != Conductor.Function.DATA
                    && wire.section().filter(section -> section.compareTo(reel) < 0).isPresent())
            .map(Conductor::id)
            .collect(Collectors.toCollection(LinkedHashSet::new));
    return Edits.section("thin wires", thin, reel, standard).apply(project);
  }

  /// Wires that carry next to nothing and protective conductors, as thick as their own rules ask;
  /// rows of terminals, so that they hold what lands on them.
  private static Study least(Project sized, Set<Id> of, Catalogue standard) {
    var study = Study.of(sized, standard);
    for (var round = 0; round < ROUNDS; round++) {
      var judged = Review.by(study, LEAST);
      var repairs =
          judged.open().stream()
              .flatMap(entry -> entry.finding().stream())
              .filter(finding -> of.containsAll(finding.subject().things()))
              .flatMap(finding -> first(finding).stream())
              .toList();
      if (repairs.isEmpty()) return study;
      var project = study.project();
      for (var repair : repairs) project = repair.edit().apply(project);
      study = study.tried(project);
    }
    return study;
  }

  private static Optional<nelvar.core.finding.Repair> first(Verdict.Finding finding) {
    return finding.proposals().stream().findFirst();
  }
}
