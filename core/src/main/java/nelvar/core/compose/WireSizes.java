package nelvar.core.compose;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.earthing.ProtectiveSection;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.analysis.sizing.MinimumSection;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.analysis.sizing.VoltageDropLimit;
import nelvar.core.analysis.sizing.WireCarriesLoad;
import nelvar.core.analysis.sizing.WithstandsFault;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.review.Review;
import nelvar.core.units.CrossSection;

/// The thinnest sections that the rules on wires find nothing against, among machines whose other
/// wires stay as they are.
///
/// Wires that need a thicker one get the next size until none does; where there is none, the rule
/// says so in the review. Against the drop to a load they are thickened up to 10 mm² (assumed).
final class WireSizes {
  private static final List<Rule> RULES =
      List.of(
          new MinimumSection(),
          new WireCarriesLoad(),
          new WithstandsFault(),
          new ProtectiveSection());

  /// Against a drop wires are thickened up to this only: beyond it something else is wrong with the
  /// way.
  private static final CrossSection MOST_FOR_DROP = new CrossSection(10);

  private static final int ROUNDS = 20;

  private WireSizes() {}

  /// Whether the rules on wires find nothing against one as it is.
  static boolean stands(Project project, Id wire, Catalogue standard) {
    var review = Review.of(project, standard, RULES, () -> false).orElseThrow();
    return found(review, Set.of(wire)).isEmpty()
        && DeviceAgainstWire.stands(project.conductor(wire).orElseThrow(), review.study());
  }

  /// Wires that stood what protects them before and do not any more: what lies beside them warms
  /// them.
  static List<Conductor> weakened(Study before, Study after) {
    return before.project().conductors().stream()
        .filter(wire ->
            DeviceAgainstWire.stands(wire, before) && !DeviceAgainstWire.stands(wire, after))
        .toList();
  }

  static Project least(Project begun, Set<Id> wires, Catalogue standard) {
    var project = begun;
    for (var round = 0; round < ROUNDS; round++) {
      var review = Review.of(project, standard, RULES, () -> false).orElseThrow();
      var thin = new HashSet<>(found(review, wires));
      for (var id : wires) {
        var wire = project.conductor(id).orElseThrow();
        if (!DeviceAgainstWire.stands(wire, review.study())) thin.add(id);
      }
      if (thin.isEmpty()) thin.addAll(losing(project, wires, standard));
      if (thin.isEmpty()) return project;
      var sizes = Schools.sizes(review.study());
      project =
          project.withConductors(
              Project.changed(
                  project.conductors(),
                  wire -> thin.contains(wire.id()),
                  wire ->
                      sizes.stream()
                          .filter(size ->
                              wire.section().filter(now -> size.compareTo(now) > 0).isPresent())
                          .findFirst()
                          .map(wire::withSection)
                          .orElse(wire)));
    }
    return project;
  }

  private static Set<Id> found(Review review, Set<Id> wires) {
    var all = new HashSet<Id>();
    for (var entry : review.open())
      for (var thing : entry.finding().orElseThrow().subject().things())
        if (wires.contains(thing)) all.add(thing);
    return all;
  }

  private static Set<Id> losing(Project project, Set<Id> wires, Catalogue standard) {
    var review =
        Review.of(project, standard, List.of(new VoltageDropLimit()), () -> false).orElseThrow();
    var all = found(review, wires);
    all.removeIf(id ->
        project
            .conductor(id)
            .flatMap(wire -> wire.section())
            .filter(section -> section.compareTo(MOST_FOR_DROP) >= 0)
            .isPresent());
    return all;
  }
}
