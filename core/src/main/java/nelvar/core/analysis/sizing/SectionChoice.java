package nelvar.core.analysis.sizing;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Conductor;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Line;
import nelvar.core.trail.Trail;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;

/// The least section for a conductor that carries its load and its protective device's rating, is
/// allowed, and can be had.
public final class SectionChoice {
  private SectionChoice() {}

  /// The proposal with the ampacity working of the section chosen; empty where none up to 120 mm²
  /// does.
  public static Optional<Explained<CrossSection>> propose(Conductor conductor, Study study) {
    var limit = study.circuit(conductor).map(circuit -> circuit.limit());
    var rated = Schools.rated(study.designCurrent(conductor), "", study).value();
    var needed = max(rated, limit.orElse(new Current(0)));
    return atLeast(conductor, needed, study);
  }

  /// The least allowed section whose ampacity reaches `needed`.
  public static Optional<Explained<CrossSection>> atLeast(
      Conductor conductor, Current needed, Study study) {
    var least =
        MinimumSection.required(conductor, study)
            .map(cited -> cited.value())
            .orElse(new CrossSection(0.2));
    var together = Sections.together(conductor, study);
    for (var section : Schools.sizes(study)) {
      if (section.compareTo(least) < 0 || !Sections.available(conductor, section, study)) continue;
      var ampacity = Ampacity.of(conductor, study, Sections.with(together, section)).found();
      if (ampacity.isEmpty() || ampacity.get().value().compareTo(needed) < 0) continue;
      var device =
          Schools.greatestDevice(
              ampacity.get(),
              Optional.of(section),
              MinimumSection.feedsMotor(conductor, study),
              study);
      if (device.value().compareTo(needed) < 0) continue;
      var lines = new java.util.ArrayList<Line>(ampacity.get().trail().lines());
      lines.add(new Line.Result("S", "least section with Iz ≥ " + needed, "", section.toString()));
      return Optional.of(new Explained<>(section, Trail.of("Proposed section", lines)));
    }
    return Optional.empty();
  }

  private static Current max(Current a, Current b) {
    return a.compareTo(b) >= 0 ? a : b;
  }
}
