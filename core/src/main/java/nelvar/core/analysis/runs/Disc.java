package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.WireStock;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;

/// A wire or a cable as it is seen in a cut: as thick as it is.
///
/// @param millimetres its outer diameter
/// @param conductor the wire, or the first core of the cable that lies here
/// @param assumed nobody states how thick it is: a wire with 0.8 mm of insulation, or of 1 mm²
///   where its section is not chosen
public record Disc(
    double millimetres,
    Conductor conductor,
    String name,
    boolean cable,
    boolean shielded,
    boolean assumed) {
  /// Insulation of a wire that is not stocked, mm (common practice).
  private static final double INSULATION = 0.8;

  /// Stranded copper takes so much more room than its section (common practice).
  private static final double STRANDED = 1.3;

  /// What lies in a cut: wires, and each cable once.
  public static List<Disc> of(List<Conductor> lying, Study study) {
    var all = new ArrayList<Disc>();
    var cables = new HashSet<Id>();
    for (var wire : lying) {
      if (wire.plugged()) continue;
      var cable = study.cable(wire);
      if (cable.isEmpty()) all.add(wire(wire, study));
      else if (cables.add(cable.get().id()))
        all.add(
            study.catalogue().find(cable.get().stock()).orElse(null) instanceof CableStock stock
                ? new Disc(
                    stock.outerDiameter().metres() * 1000,
                    wire,
                    cable.get().label().text(),
                    true,
                    stock.shielded(),
                    false)
                : wire(wire, study));
    }
    return all;
  }

  private static Disc wire(Conductor wire, Study study) {
    var stocked = wire.section().flatMap(section -> WireStock.of(section, study.catalogue()));
    var thick =
        stocked
            .map(stock -> stock.outerDiameter().metres() * 1000)
            .orElseGet(() -> {
              var copper = wire.section().map(s -> s.squareMillimetres()).orElse(1.0);
              return 2 * Math.sqrt(copper * STRANDED / Math.PI) + 2 * INSULATION;
            });
    return new Disc(thick, wire, wire.label().text(), false, false, stocked.isEmpty());
  }

  /// mm².
  public double area() {
    return Math.PI / 4 * millimetres * millimetres;
  }
}
