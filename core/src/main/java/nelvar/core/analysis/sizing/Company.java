package nelvar.core.analysis.sizing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntBiFunction;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.standards.MetricConductors;
import nelvar.core.trail.Cited;
import nelvar.core.units.CrossSection;

/// What lies together with a conductor and warms it, counted: loaded wires in sixths of a circuit,
/// so that nothing is lost by rounding.
///
/// Circuits that load their wires to less than 30 % of their grouped rating need not be counted
/// (IEC 60364-5-52:2009, B.52.3, unchecked). Single wires count as half a circuit each, those of
/// three-phase loads as a third, cables as one each (IEC 60364-5-52:2009, note to Table B.52.17,
/// unchecked): what warms a duct are wires, whatever device is before them.
///
/// Ducts that are drawn are counted cut by cut along the way. Company counts where it lasts for
/// half of what is passed of ducts, or for 0.15 m: over less heat evens out along the copper (a
/// length of `√(λ · A / (α · p))`, 0.07 to 0.12 m for 1 to 6 mm² at 10 W/m²K, either way).
record Company(Set<Id> wires, Set<Id> cables, int sixths) {
  private static final double LIGHTLY_LOADED = 0.30;

  /// mm.
  private static final double EVENS_OUT = 150;

  private static Company of(Set<Id> wires, Study study) {
    var cables = new HashSet<Id>();
    var sixths = 0;
    for (var id : wires) {
      var conductor = study.conductor(id).orElseThrow();
      if (conductor.cable().isPresent()) cables.add(conductor.cable().get());
      else sixths += weight(conductor, study);
    }
    return new Company(wires, cables, sixths);
  }

  private static int weight(Conductor conductor, Study study) {
    var threePhase = study.once("wires of three-phase loads", () -> threePhase(study));
    return threePhase.contains(conductor.id()) ? 2 : 3;
  }

  private static Set<Id> threePhase(Study study) {
    var all = new HashSet<Id>();
    for (var feed : study.network().feeds()) {
      if (!feed.intake().threePhase()) continue;
      for (var way : feed.lineWays()) for (var wire : study.wires(way)) all.add(wire.id());
    }
    return all;
  }

  private Company with(Conductor one, Study study) {
    if (one.cable().isEmpty()) return new Company(wires, cables, sixths + weight(one, study));
    if (cables.contains(one.cable().get())) return this;
    var more = new HashSet<>(cables);
    more.add(one.cable().get());
    return new Company(wires, more, sixths);
  }

  private int circuits() {
    return cables.size() + (sixths + 5) / 6;
  }

  /// Loaded circuits along what is passed of some ducts, this conductor's own always among them.
  static int circuits(Conductor conductor, List<Bundle> together, Study study) {
    return alongside(
        conductor, together, study, (bundle, cut) -> circuits(conductor, cut, bundle, study));
  }

  private static int circuits(Conductor conductor, Lying.Cut cut, Bundle bundle, Study study) {
    var loaded =
        study.once(
            List.of("loaded", cut.bundle(), cut.at()), () -> loadedIn(cut.wires(), bundle, study));
    var all = loaded;
    if (study.circuit(conductor).isPresent() && !loaded.wires().contains(conductor.id()))
      all = loaded.with(conductor, study);
    return Math.max(1, all.circuits());
  }

  /// Current-carrying conductors in the raceway or cable, North American: protective ones do not
  /// count, nor do those without load.
  static int wires(Conductor conductor, List<Bundle> together, Study study) {
    if (conductor.cable().isPresent()) return Ampacity.loadedCores(conductor, study);
    return alongside(
        conductor,
        together,
        study,
        (bundle, cut) ->
            study.once(
                List.of("loaded wires", cut.bundle(), cut.at()), () -> loadedWires(cut, study)));
  }

  private static int loadedWires(Lying.Cut cut, Study study) {
    return (int)
        Math.max(
            1,
            cut.wires().stream()
                .filter(other -> other.carriesWork() && study.designCurrent(other).amperes() > 0)
                .count());
  }

  private static int alongside(
      Conductor conductor,
      List<Bundle> together,
      Study study,
      ToIntBiFunction<Bundle, Lying.Cut> count) {
    var lying = Lying.of(study);
    var all = new ArrayList<Beside>();
    var always = 1;
    for (var bundle : together)
      for (var cut : lying.cuts(bundle, conductor)) {
        var many = count.applyAsInt(bundle, cut);
        if (lying.drawn(bundle)) all.add(new Beside(many, cut.length()));
        // Where nobody knows how far they lie together, they do all along.
        else always = Math.max(always, many);
      }
    return Math.max(always, lasting(all));
  }

  /// So many lie together over a length in mm.
  record Beside(int many, double length) {}

  /// The most that lie together for long enough; one where nothing is passed.
  static int lasting(List<Beside> all) {
    var enough = Math.min(EVENS_OUT, all.stream().mapToDouble(Beside::length).sum() / 2);
    var so = 0.0;
    for (var beside :
        all.stream().sorted(Comparator.comparingInt(Beside::many).reversed()).toList()) {
      so += beside.length();
      if (so >= enough - 1e-6) return Math.max(1, beside.many());
    }
    return 1;
  }

  /// The thinnest section that carries so much by its table.
  private static Optional<CrossSection> thinnest(
      double amperes, Conductor conductor, Bundle bundle) {
    return MetricConductors.sections().stream()
        .filter(size ->
            MetricConductors.ampacity(size, Ampacity.method(conductor, bundle))
                .filter(cited -> cited.value().amperes() >= amperes)
                .isPresent())
        .findFirst();
  }

  private static Company loadedIn(List<Conductor> together, Bundle bundle, Study study) {
    var everyone = new HashSet<Id>();
    for (var conductor : together)
      if (study.circuit(conductor).isPresent()) everyone.add(conductor.id());
    var grouped =
        MetricConductors.groupingFactor(
                Math.clamp(of(everyone, study).circuits(), 1, 20), bundle.method())
            .map(Cited::value)
            .orElse(1.0);
    var surroundings = study.project().brief().surroundings();
    var ambient =
        MetricConductors.ambientFactor(
                bundle.inside() ? InsideAir.inDucts(study) : surroundings.greatest())
            .map(Cited::value)
            .orElse(1.0);
    var loaded = new HashSet<Id>();
    for (var conductor : together) {
      if (study.circuit(conductor).isEmpty()) continue;
      var design = study.designCurrent(conductor).amperes();
      var section =
          study.choosing()
              ? thinnest(design / (grouped * ambient), conductor, bundle)
              : conductor.section();
      var rated =
          section.flatMap(
              size -> MetricConductors.ampacity(size, Ampacity.method(conductor, bundle)));
      if (rated.isEmpty()) continue;
      var share = design / (rated.get().value().amperes() * grouped * ambient);
      if (share >= LIGHTLY_LOADED) loaded.add(conductor.id());
    }
    return of(loaded, study);
  }
}
