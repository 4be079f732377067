package nelvar.core.analysis.runs;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Project;
import nelvar.core.units.Length;

/// The least tray, conduit or duct, in the sizes they are sold in, that holds what lies in it with
/// a fifth to spare.
///
/// Sizes are common practice; inner diameters of metric conduits and of thin-walled North American
/// ones (NEC 2023, Chapter 9, Table 4) are from memory. Carriers are not chosen: how they move
/// comes first.
public final class RightSize {
  private static final List<Double> TRAYS = List.of(50.0, 100.0, 150.0, 200.0, 300.0, 400.0, 600.0);
  static final List<Double> DUCTS = List.of(25.0, 40.0, 60.0, 80.0, 100.0, 120.0);
  private static final List<Double> CONDUITS = List.of(13.0, 16.9, 21.4, 27.8, 35.4, 44.3, 57.0);
  private static final List<Double> TUBES = List.of(15.8, 20.9, 26.6, 35.1, 40.9, 52.5, 69.4);

  /// Of trays and ducts, mm.
  private static final double HIGH = 60;

  private static final double SPARE = 1.2;

  private RightSize() {}

  /// Empty where none is large enough, or the kind is not chosen by what lies in it.
  public static Optional<Bundle.Form> of(Bundle bundle, Bundle.Kind kind, Study study) {
    var hoses = bundle.form().map(Bundle.Form::hoses).orElse(List.of());
    return sizes(kind, study.project().brief().policies().sizing()).stream()
        .map(size -> form(kind, Length.ofMillimetres(size)).withHoses(hoses))
        .filter(form -> holds(bundle.with(b -> b.form = Optional.of(form)), study))
        .findFirst();
  }

  private static List<Double> sizes(Bundle.Kind kind, Brief.Sizing school) {
    return switch (kind) {
      case TRAY -> TRAYS;
      case DUCT -> DUCTS;
      case CONDUIT -> school == Brief.Sizing.NORTH_AMERICAN ? TUBES : CONDUITS;
      case CARRIER, LOOM, COIL -> List.of();
    };
  }

  private static Bundle.Form form(Bundle.Kind kind, Length size) {
    return kind == Bundle.Kind.CONDUIT
        ? Bundle.Form.conduit(size)
        : new Bundle.Form(kind, size, Length.ofMillimetres(HIGH), Optional.empty());
  }

  private static boolean holds(Bundle bundle, Study study) {
    var fill = Fill.of(bundle, study).orElseThrow();
    return fill.filled().value().percent() * SPARE <= fill.most().percent().percent();
  }

  /// A machine whose trays outside have no size yet, with trays that fit.
  public static Project trays(Study study) {
    var project = study.project();
    return project.withBundles(
        project.bundles().stream()
            .map(bundle ->
                bundle.inside() || bundle.form().isPresent() || study.lyingIn(bundle).isEmpty()
                    ? bundle
                    : bundle.with(b -> b.form = of(bundle, Bundle.Kind.TRAY, study)))
            .toList());
  }
}
