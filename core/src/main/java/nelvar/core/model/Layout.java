package nelvar.core.model;

import java.util.List;
import java.util.Optional;

/// Where things lie and stand: ducts, conduits, trays and carriers; cabinets and what is mounted in
/// them; symbols on the circuit sheets.
///
/// @param bundles what wires lie in
/// @param measures sizes that were taken from things of this machine; they beat the catalogue's
/// @param later what is placed but not in the machine that is asked about; it keeps its room. Only
///   [nelvar.core.model.edit.Horizon] fills it; a file never holds any
/// @param drawn places of symbols on the circuit sheets; what has none is placed where there is
///   room
public record Layout(
    List<Bundle> bundles,
    List<Cabinet> cabinets,
    List<Placement> placements,
    List<Measured> measures,
    List<Later> later,
    List<Drawn> drawn) {
  public static final Layout NONE =
      new Layout(List.of(), List.of(), List.of(), List.of(), List.of(), List.of());

  /// Something that will stand here and is not asked about now.
  public record Later(Designation name, String part, Placement placement) {}

  public Layout {
    bundles = List.copyOf(bundles);
    cabinets = List.copyOf(cabinets);
    placements = List.copyOf(placements);
    measures = List.copyOf(measures);
    later = List.copyOf(later);
    drawn = List.copyOf(drawn);
  }

  public Layout withBundles(List<Bundle> next) {
    return new Layout(next, cabinets, placements, measures, later, drawn);
  }

  public Layout withCabinets(List<Cabinet> next) {
    return new Layout(bundles, next, placements, measures, later, drawn);
  }

  public Layout withPlacements(List<Placement> next) {
    return new Layout(bundles, cabinets, next, measures, later, drawn);
  }

  public Layout withMeasures(List<Measured> next) {
    return new Layout(bundles, cabinets, placements, next, later, drawn);
  }

  public Layout withLater(List<Later> next) {
    return new Layout(bundles, cabinets, placements, measures, next, drawn);
  }

  public Layout withDrawn(List<Drawn> next) {
    return new Layout(bundles, cabinets, placements, measures, later, next);
  }

  public Optional<Cabinet> cabinet(Id id) {
    return cabinets.stream().filter(cabinet -> cabinet.id().equals(id)).findFirst();
  }

  /// Where a device is mounted; empty where nobody placed it.
  public Optional<Placement> placement(Id device) {
    return placements.stream().filter(p -> p.device().equals(device)).findFirst();
  }

  public Optional<Measured> measured(Id device) {
    return measures.stream().filter(m -> m.device().equals(device)).findFirst();
  }

  /// What is mounted in a cabinet, in the order of the file.
  public List<Placement> in(Cabinet cabinet) {
    return placements.stream().filter(p -> p.cabinet().equals(cabinet.id())).toList();
  }
}
