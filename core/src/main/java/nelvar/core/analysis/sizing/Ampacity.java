package nelvar.core.analysis.sizing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.School;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.standards.MetricConductors;
import nelvar.core.standards.MetricConductors.Insulation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;

/// The current a conductor carries for ever without growing too warm, metric school.
///
/// `Iz = It · Ca · Cg · Cm`: It in A by section and method (IEC 60204-1:2016 Table 6, PVC, 70 °C,
/// three loaded conductors, 40 °C air); Ca for the air (Table D.1); Cg for loaded circuits lying
/// together (Table D.2 as IEC 60364-5-52 Table B.52.17); Cm for more than three loaded cores in one
/// cable (Table D.3). Cross-linked wires, and who reads the base of 30 °C, go by IEC 60364-5-52.
public final class Ampacity {
  private Ampacity() {}

  /// @param circuits loaded circuits lying together, this one included, 1 to 20
  /// @param loadedCores cores of the same cable that carry current, 1 to 24
  public static Computed<Current> corrected(
      CrossSection section,
      InstallationMethod method,
      Temperature air,
      int circuits,
      int loadedCores) {
    var w = Working.of("Ampacity");
    var base = MetricConductors.ampacity(section, method);
    var ambient = MetricConductors.ambientFactor(air);
    var grouping = MetricConductors.groupingFactor(circuits, method);
    var cores =
        loadedCores > 3
            ? MetricConductors.manyCoresFactor(loadedCores)
            : Optional.<Cited<Double>>empty();
    if (base.isEmpty())
      return Computed.missing(
          "the ampacity table has no row for %s laid as %s".formatted(section, method));
    if (ambient.isEmpty())
      return Computed.missing(
          "the table for air temperature ends at 60 °C, the air here has " + air);
    if (grouping.isEmpty())
      return Computed.missing(
          "the table for grouped circuits ends at 20, here lie %d".formatted(circuits));
    if (loadedCores > 3 && cores.isEmpty())
      return Computed.missing(
          "the table for cores in one cable ends at 24, here are %d loaded".formatted(loadedCores));
    var it = w.table("It", base.get(), () -> section + ", method " + method);
    var ca = w.table("Ca", ambient.get(), () -> "air " + air);
    var cg =
        w.table("Cg", grouping.get(), () -> circuits + (circuits == 1 ? " circuit" : " circuits"));
    return finish(w, it, ca * cg, cores, loadedCores);
  }

  /// By the tables whose base is 30 °C air (IEC 60364-5-52:2009, Tables B.52.2 to B.52.5, B.52.14
  /// and B.52.17). The two bases are never mixed: each has its own correction table.
  ///
  /// @param loaded conductors of the circuit that carry current: 2 or 3
  /// @param loadedCores cores of the same cable that carry current, 1 to 24
  public static Computed<Current> correctedFrom30(
      CrossSection section,
      InstallationMethod method,
      Insulation insulation,
      int loaded,
      Temperature air,
      int circuits,
      int loadedCores) {
    var base = MetricConductors.ampacityAt30(section, method, insulation, loaded);
    var ambient = MetricConductors.ambientFactorFrom30(air, insulation);
    var grouping = MetricConductors.groupingFactor(circuits, method);
    if (base.isEmpty())
      return Computed.missing(
          "the ampacity table has no row for %s laid as %s".formatted(section, method));
    if (ambient.isEmpty())
      return Computed.missing(
          "the table for air temperature ends before %s for %s".formatted(air, insulation));
    if (grouping.isEmpty())
      return Computed.missing(
          "the table for grouped circuits ends at 20, here lie %d".formatted(circuits));
    var cores =
        loadedCores > 3
            ? MetricConductors.manyCoresFactor(loadedCores)
            : Optional.<Cited<Double>>empty();
    if (loadedCores > 3 && cores.isEmpty())
      return Computed.missing(
          "the table for cores in one cable ends at 24, here are %d loaded".formatted(loadedCores));
    var w = Working.of("Ampacity, base 30 °C");
    var it =
        w.table(
            "It",
            base.get(),
            () -> "%s, %s, method %s, %d loaded".formatted(section, insulation, method, loaded));
    var ca = w.table("Ca", ambient.get(), () -> "air " + air);
    var cg =
        w.table("Cg", grouping.get(), () -> circuits + (circuits == 1 ? " circuit" : " circuits"));
    return finish(w, it, ca * cg, cores, loadedCores);
  }

  private static Computed<Current> finish(
      Working w, Current it, double factors, Optional<Cited<Double>> cores, int loadedCores) {
    if (cores.isEmpty())
      return Computed.known(w.explain(w.result("Iz", "It · Ca · Cg", it.times(factors))));
    var cm = w.table("Cm", cores.get(), loadedCores + " loaded cores");
    return Computed.known(w.explain(w.result("Iz", "It · Ca · Cg · Cm", it.times(factors * cm))));
  }

  public static Computed<Current> of(Conductor conductor, Study study) {
    return of(conductor, study, Sections.AS_DESIGNED);
  }

  /// What its insulation alone lets it carry: the ends it lands on are left out.
  static Computed<Current> byInsulation(Conductor conductor, Study study) {
    return of(conductor, study, Sections.AS_DESIGNED, false);
  }

  /// The temperature a wire reaches at [#byInsulation]: that of the table it is taken from.
  static Temperature reached(CrossSection section, Study study) {
    if (Schools.american(study))
      return Schools.insulation(study.project().brief().policies()).temperature();
    return insulation(section, study).greatest();
  }

  /// Below 1.5 mm² only the table for PVC has rows.
  private static Insulation insulation(CrossSection section, Study study) {
    return study.project().brief().policies().crossLinked() && section.squareMillimetres() >= 1.5
        ? Insulation.XLPE
        : Insulation.PVC;
  }

  static Computed<Current> of(Conductor conductor, Study study, Sections sections) {
    return of(conductor, study, sections, true);
  }

  private static Computed<Current> of(
      Conductor conductor, Study study, Sections sections, boolean ends) {
    if (conductor.leadOf().isPresent())
      return Computed.missing(
          "it is a lead of %s, sized by that device's maker"
              .formatted(study.label(conductor.leadOf().get())));
    var section = sections.of(conductor);
    if (section.isEmpty()) return Computed.missing("its section is not chosen yet");
    return in(conductor, section.get(), study, ends)
        .map(Stretch::iz)
        .orElseGet(() -> Computed.missing("it is not laid in a duct, tray or carrier yet"));
  }

  /// Where it carries least of all it lies in along its way; empty where it lies in nothing.
  static Optional<Bundle> governing(Conductor conductor, Study study) {
    return Sections.AS_DESIGNED
        .of(conductor)
        .flatMap(section -> in(conductor, section, study, true))
        .map(Stretch::bundle);
  }

  private record Stretch(Bundle bundle, Computed<Current> iz) {
    /// What cannot be computed governs.
    double amperes() {
      return iz.found().map(it -> it.value().amperes()).orElse(-1.0);
    }
  }

  /// The ducts of a cabinet count as one, each along what is passed of it.
  private static Optional<Stretch> in(
      Conductor conductor, CrossSection section, Study study, boolean ends) {
    var lying = Lying.of(study);
    var bundles = study.bundles(conductor);
    var ducts = bundles.stream().filter(lying::drawn).toList();
    var alone = bundles.stream().filter(bundle -> !lying.drawn(bundle)).map(List::of);
    return Stream.concat(ducts.isEmpty() ? Stream.empty() : Stream.of(ducts), alone)
        .map(together ->
            new Stretch(together.getFirst(), in(together, conductor, section, study, ends)))
        .min(java.util.Comparator.comparingDouble(Stretch::amperes));
  }

  private static Computed<Current> in(
      List<Bundle> together, Conductor conductor, CrossSection section, Study study, boolean ends) {
    var bundle = together.getFirst();
    var surroundings = study.project().brief().surroundings();
    var inside = bundle.inside();
    var air = inside ? InsideAir.inDucts(study) : surroundings.greatest();
    var policies = study.project().brief().policies();
    var counted = !inside || policies.chose(School.PANEL_GROUPING, "counted");
    if (policies.sizing() == Brief.Sizing.NORTH_AMERICAN) {
      var loaded =
          counted ? Company.wires(conductor, together, study) : loadedCores(conductor, study);
      var insulation = Schools.insulation(policies);
      var terminals = ends ? Schools.terminals(policies) : insulation;
      return study.once(
          List.of(section, insulation, terminals, air, loaded, inside),
          () -> {
            var found = AmericanAmpacity.corrected(section, insulation, terminals, air, loaded);
            return inside ? Schools.named(found, study, School.PANEL_GROUPING) : found;
          });
    }
    var laid =
        new Laid(
            section,
            method(conductor, bundle),
            air,
            counted ? Company.circuits(conductor, together, study) : 1,
            loadedCores(conductor, study),
            insulation(section, study),
            policies.chose(School.AMBIENT_BASE, "thirty"),
            inside);
    return study.once(laid, () -> Schools.named(laid.corrected(), study, laid.asked()));
  }

  /// Wires laid alike share one calculation.
  private record Laid(
      CrossSection section,
      InstallationMethod method,
      Temperature air,
      int circuits,
      int cores,
      Insulation insulation,
      boolean from30,
      boolean inside) {
    /// The answers it depends on: thin wires and cross-linked ones have one table each.
    School[] asked() {
      var asked = new ArrayList<School>();
      var thick = section.squareMillimetres() >= 1.5;
      if (thick && insulation == Insulation.PVC) asked.add(School.AMBIENT_BASE);
      if (thick) asked.add(School.WIRE_INSULATION);
      if (inside) asked.add(School.PANEL_GROUPING);
      return asked.toArray(School[]::new);
    }

    /// The table of 30 °C begins at 1.5 mm²; thinner wires stay with the machine standard's, which
    /// knows only PVC: below what cross-linked ones carry.
    Computed<Current> corrected() {
      return (from30 || insulation == Insulation.XLPE) && section.squareMillimetres() >= 1.5
          ? correctedFrom30(section, method, insulation, 3, air, circuits, cores)
          : Ampacity.corrected(section, method, air, circuits, cores);
    }
  }

  /// Cables in a duct are method B2 where single wires are B1.
  static InstallationMethod method(Conductor conductor, Bundle bundle) {
    return conductor.cable().isPresent() && bundle.method() == InstallationMethod.B1
        ? InstallationMethod.B2
        : bundle.method();
  }

  static int loadedCores(Conductor conductor, Study study) {
    return conductor
        .cable()
        .map(cable ->
            (int)
                study.cores(cable).stream()
                    .filter(core -> study.designCurrent(core).amperes() > 0)
                    .count())
        .orElse(1);
  }
}
