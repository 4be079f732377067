package nelvar.core.model.edit;

import java.util.HashSet;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.Project;

/// The next free names in a project.
public final class NextName {
  private NextName() {}

  /// The first of stem1, stem2, … that no device, cable or conductor bears.
  public static Designation designation(Project project, String stem) {
    var taken = new HashSet<String>();
    project.functions().forEach(f -> taken.add(f.designation().text()));
    project.devices().forEach(d -> taken.add(d.designation().text()));
    project.cables().forEach(c -> taken.add(c.label().text()));
    project.conductors().forEach(c -> taken.add(c.label().text()));
    for (var n = 1; ; n++) if (!taken.contains(stem + n)) return new Designation(stem + n);
  }

  /// An id like `wish` that nothing in the project has.
  public static Id id(Project project, String wish) {
    var taken = new HashSet<Id>();
    project.functions().forEach(f -> taken.add(f.id()));
    project.devices().forEach(d -> taken.add(d.id()));
    project.bundles().forEach(b -> taken.add(b.id()));
    project.cables().forEach(c -> taken.add(c.id()));
    project.conductors().forEach(c -> taken.add(c.id()));
    project.states().forEach(state -> taken.add(state.id()));
    for (var cabinet : project.layout().cabinets()) {
      taken.add(cabinet.id());
      cabinet.rails().forEach(rail -> taken.add(rail.id()));
      cabinet.ducts().forEach(duct -> taken.add(duct.id()));
    }
    var base = wish.replaceAll("[^\\p{L}\\p{N}._]", "");
    // An id begins with a letter or digit and has room for a number behind.
    base = base.replaceFirst("^[._]+", "");
    if (base.isEmpty()) base = "x";
    if (base.length() > 32) base = base.substring(0, 32);
    if (!taken.contains(new Id(base))) return new Id(base);
    for (var n = 2; ; n++)
      if (!taken.contains(new Id(base + "." + n))) return new Id(base + "." + n);
  }
}
