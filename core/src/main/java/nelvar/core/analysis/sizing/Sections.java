package nelvar.core.analysis.sizing;

import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.CrossSection;

/// The sections a calculation works with: those of the project, or a candidate in the place of
/// some.
public interface Sections {
  Optional<CrossSection> of(Conductor conductor);

  Sections AS_DESIGNED = Conductor::section;

  /// `section` for `changed` conductors, as designed for the others.
  static Sections with(Set<Id> changed, CrossSection section) {
    return conductor ->
        changed.contains(conductor.id()) ? Optional.of(section) : conductor.section();
  }

  /// The conductors that change together with this one: itself, or all cores of its cable.
  static Set<Id> together(Conductor conductor, Study study) {
    var all = new LinkedHashSet<Id>();
    all.add(conductor.id());
    conductor.cable().ifPresent(cable -> study.cores(cable).forEach(core -> all.add(core.id())));
    return all;
  }

  /// Whether the conductor can be had in `section`: a single wire always, a core where the
  /// catalogue has the cable.
  static boolean available(Conductor conductor, CrossSection section, Study study) {
    return study
        .cable(conductor)
        .flatMap(cable -> study.catalogue().find(cable.stock()))
        .map(CableStock.class::cast)
        .map(now ->
            study
                .catalogue()
                .of(CableStock.class)
                .anyMatch(c -> c.alike(now) && c.section().equals(section)))
        .orElse(true);
  }

  /// The edit that gives the conductor (and its fellow cores) `section`.
  static Edit change(Conductor conductor, CrossSection section, Study study) {
    var name =
        study.cable(conductor).map(cable -> cable.label().text()).orElse(conductor.label().text());
    return Edits.section(name, together(conductor, study), section, study.catalogue());
  }
}
