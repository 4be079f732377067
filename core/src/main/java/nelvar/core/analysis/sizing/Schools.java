package nelvar.core.analysis.sizing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.formula.FaultHeating;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.School;
import nelvar.core.standards.Adiabatic;
import nelvar.core.standards.AmericanConductors;
import nelvar.core.standards.AmericanConductors.Rating;
import nelvar.core.standards.MetricConductors;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Line;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Measure;
import nelvar.core.units.Temperature;

/// What the sizing schools do differently, in one place.
public final class Schools {
  private static final double QUARTER = 1.25;
  private static final double CMIL_PER_SQUARE_MILLIMETRE = 1973.525;
  private static final Cited<Measure> THERMOPLASTIC =
      new Cited<>(
          new Measure(
              Math.sqrt(FaultHeating.insulatedCable(new Temperature(75), new Temperature(150)))
                  * CMIL_PER_SQUARE_MILLIMETRE,
              Measure.Unit.ADIABATIC),
          Citation.recalled("ICEA P-32-382", "copper, thermoplastic, 75 to 150 °C"));

  private Schools() {}

  public static boolean american(Study study) {
    return study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
  }

  /// Sizes wires can be had in, rising.
  public static List<CrossSection> sizes(Study study) {
    return american(study) ? AmericanConductors.sizes() : MetricConductors.sections();
  }

  /// Writes down the answers of the Brief that a working depends on.
  public static void name(Working w, Study study, School... asked) {
    w.given("school", words(study, asked), "Brief");
  }

  /// The same before the first line of a working that is done.
  static <Q> Computed<Q> named(Computed<Q> found, Study study, School... asked) {
    if (asked.length == 0) return found;
    return found.fold(
        explained -> {
          var lines = new ArrayList<Line>();
          lines.add(new Line.Given("school", words(study, asked), "Brief"));
          lines.addAll(explained.trail().lines());
          return Computed.known(
              new Explained<>(explained.value(), Trail.of(explained.trail().title(), lines)));
        },
        Computed::missing);
  }

  private static String words(Study study, School... asked) {
    var policies = study.project().brief().policies();
    return Arrays.stream(asked)
        .map(school -> policies.answer(school).words())
        .collect(Collectors.joining("; "));
  }

  /// Who asks for it in the sizing school of the Brief.
  public static Citation demand(Study study, Citation metric, Citation american) {
    return american(study) ? american : metric;
  }

  /// The adiabatic factor of the wires. North American: `I²t = 0.0297 · log((Tf + 234)/(Ti + 234))
  /// · A²`, A in circular mils, thermoplastic from 75 to 150 °C, which is 104.5 A·s½/mm².
  public static Cited<Measure> adiabatic(Study study) {
    return american(study)
        ? THERMOPLASTIC
        : (study.project().brief().policies().crossLinked() ? Adiabatic.XLPE : Adiabatic.PVC)
            .copper();
  }

  static Rating insulation(Brief.Policies policies) {
    return rating(policies.answer(School.INSULATION_RATING));
  }

  static Rating terminals(Brief.Policies policies) {
    return rating(policies.answer(School.TERMINAL_RATING));
  }

  private static Rating rating(School.Option option) {
    return switch (option.id()) {
      case "c60" -> Rating.C60;
      case "c75" -> Rating.C75;
      default -> Rating.C90;
    };
  }

  /// What a device and a wire must be rated for: the design current, or 125 % of it where loads
  /// that stay on have a quarter to spare. Every load is taken as one that stays on.
  public static Explained<Current> rated(Current design, String of, Study study) {
    var w = Working.of("Current to be rated for");
    var ib = w.given("Ib", design, of);
    var policies = study.project().brief().policies();
    if (!policies.chose(School.CONTINUOUS_LOAD, "plus-25")) {
      name(w, study, School.CONTINUOUS_LOAD);
      return w.explain(ib);
    }
    w.table(
        "k",
        new Cited<>(
            QUARTER, Citation.recalled("NEC 2023 (NFPA 70)", "210.19(A), 210.20(A), 430.22")),
        policies.answer(School.CONTINUOUS_LOAD).words() + " (Brief)");
    return w.explain(w.result("Ib'", "k · Ib", ib.times(QUARTER)));
  }

  /// The greatest device for a wire of this ampacity: the ampacity; in the North American school
  /// the next standard size up, and no more than a small conductor may have.
  public static Explained<Current> greatestDevice(
      Explained<Current> ampacity, Conductor conductor, Study study) {
    return greatestDevice(
        ampacity, conductor.section(), MinimumSection.feedsMotor(conductor, study), study);
  }

  static Explained<Current> greatestDevice(
      Explained<Current> ampacity, Optional<CrossSection> size, boolean motor, Study study) {
    if (!american(study)) return ampacity;
    var w = Working.of("Greatest device for the wire");
    var iz = w.use(ampacity);
    var next = nelvar.core.standards.AmericanDevices.nextUp(iz).filter(up -> iz.amperes() <= 800);
    var most =
        next.map(up -> w.table("Inext", up, "next standard size above Iz, 240.4(B)")).orElse(iz);
    var small = size.flatMap(AmericanConductors::smallConductorDevice);
    // Motor circuits are exempt, 240.4(G).
    if (small.isPresent() && !motor) {
      var cap = w.table("Icap", small.get(), "small conductor");
      return w.explain(w.result("Imax", "min(Inext, Icap)", cap.compareTo(most) < 0 ? cap : most));
    }
    return w.explain(w.result("Imax", "Inext", most));
  }
}
