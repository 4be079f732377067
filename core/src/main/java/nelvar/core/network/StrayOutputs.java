package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import nelvar.core.network.solve.Grid;
import nelvar.core.network.solve.Inputs;
import nelvar.core.network.solve.Sets;

/// Drives whose motor terminals lead by metal to earth, to their own input or to another source:
/// they see it and switch themselves off.
///
/// Their outputs have no star point in the grid that such a current could come back to, so it is
/// found by the way, not by the current.
final class StrayOutputs {
  /// More than any wire, contact or protective pole; less than any winding that counts as load.
  private static final double METAL = 10;

  private final Grid grid;
  private final List<Drive> drives = new ArrayList<>();
  private final List<Metal> metals = new ArrayList<>();

  private record Metal(int index, int a, int b) {}

  /// @param own where its motor terminals are; `others`: where they must not lead
  private record Drive(
      int group, List<Integer> siblings, List<Integer> own, List<Integer> others) {}

  /// By group: the loads it is fed through, where it has one converter.
  private final Map<Integer, List<Integer>> fedThrough = new HashMap<>();

  StrayOutputs(Grid grid) {
    this.grid = grid;
    for (var converter : grid.converters())
      fedThrough.merge(converter.group(), converter.loads(), (_, _) -> List.of());
    for (var group = 0; group < grid.groups().size(); group++)
      if (grid.groups().get(group).limit() == Grid.Limit.TRIP) drives.add(drive(group));
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      if (branch.diode() || branch.ohms() > METAL) continue;
      metals.add(new Metal(i, branch.a(), branch.b()));
    }
  }

  private Drive drive(int group) {
    var own = new HashSet<Integer>();
    var others = new HashSet<Integer>();
    if (grid.earth() >= 0) others.add(grid.earth());
    for (var emf : grid.emfs()) {
      if (emf.group() != group && sameDrive(group, emf.group())) continue;
      var to = emf.group() == group ? own : others;
      to.add(emf.plus());
      to.add(emf.minus());
    }
    for (var converter : grid.converters()) {
      if (converter.group() != group) continue;
      for (var index : converter.loads()) {
        others.add(grid.loads().get(index).a());
        others.add(grid.loads().get(index).b());
      }
    }
    return new Drive(group, grid.siblings(group), List.copyOf(own), List.copyOf(others));
  }

  void trip(Inputs inputs) {
    if (drives.isEmpty()) return;
    var root = joined(inputs);
    for (var drive : drives)
      if (inputs.gives(drive.group()) && strays(drive, root))
        drive.siblings().forEach(inputs::trip);
  }

  private static boolean strays(Drive drive, int[] root) {
    for (var own : drive.own())
      for (var other : drive.others()) if (root[own] == root[other]) return true;
    return false;
  }

  /// Two outputs of one drive are fed through the same loads.
  private boolean sameDrive(int one, int other) {
    var loads = fedThrough.getOrDefault(one, List.of());
    return !loads.isEmpty() && loads.equals(fedThrough.get(other));
  }

  private int[] joined(Inputs inputs) {
    var sets = new Sets(grid.nodes());
    for (var metal : metals) if (inputs.closes(metal.index())) sets.join(metal.a(), metal.b());
    for (var bridge : inputs.bridges()) sets.join(bridge.a(), bridge.b());
    return sets.roots();
  }
}
