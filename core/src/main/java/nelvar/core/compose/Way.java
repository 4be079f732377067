package nelvar.core.compose;

import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;

/// One manner of making a function or a device work, tried on a copy and reviewed.
///
/// @param title the pattern it follows
/// @param after the machine as it would be
/// @param adds what it adds, a line each
/// @param costs more, in the project's currency
/// @param unpriced devices and cables it adds that have no price and are not in the costs
/// @param heat more inside the cabinet, W, at rated load
/// @param wires how many conductors it adds
/// @param closed findings that are open today and would not be
/// @param opened findings that would be open and are not today
/// @param rank ways of a higher one come later, whatever they cost: what an earth fault can start,
///   what a stop does not cut
public record Way(
    String title,
    Edit edit,
    Study after,
    List<String> adds,
    double costs,
    int unpriced,
    double heat,
    int wires,
    List<String> closed,
    List<String> opened,
    int rank) {
  public Way {
    adds = List.copyOf(adds);
    closed = List.copyOf(closed);
    opened = List.copyOf(opened);
  }

  /// Whether a device or wire is new with it.
  public boolean adds(Id thing, Project before) {
    return before.device(thing).isEmpty() && before.conductor(thing).isEmpty();
  }

  /// Whether the current of a device comes from a supply with it, or through a protective device.
  public boolean feedsFrom(Id device, Id supplyOrGate) {
    return after.network().feeds(device).stream()
        .filter(feed -> feed.source().isPresent())
        .anyMatch(feed ->
            feed.source().get().device().id().equals(supplyOrGate)
                || feed.lineWays().stream()
                    .flatMap(way -> after.wires(way).stream())
                    .anyMatch(wire -> wire.touches(supplyOrGate)));
  }
}
