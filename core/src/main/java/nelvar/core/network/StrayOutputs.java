package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
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
  private final List<Integer> drives = new ArrayList<>();

  StrayOutputs(Grid grid) {
    this.grid = grid;
    for (var group = 0; group < grid.groups().size(); group++)
      if (grid.groups().get(group).limit() == Grid.Limit.TRIP) drives.add(group);
  }

  void trip(Inputs inputs) {
    if (drives.isEmpty()) return;
    var root = joined(inputs);
    for (var drive : drives)
      if (inputs.gives(drive) && strays(drive, root)) grid.siblings(drive).forEach(inputs::trip);
  }

  private boolean strays(int drive, int[] root) {
    var own = new HashSet<Integer>();
    for (var emf : grid.emfs()) {
      if (emf.group() != drive) continue;
      own.add(root[emf.plus()]);
      own.add(root[emf.minus()]);
    }
    if (grid.earth() >= 0 && own.contains(root[grid.earth()])) return true;
    for (var emf : grid.emfs())
      if (emf.group() != drive
          && !sameDrive(drive, emf.group())
          && (own.contains(root[emf.plus()]) || own.contains(root[emf.minus()]))) return true;
    for (var converter : grid.converters()) {
      if (converter.group() != drive) continue;
      for (var index : converter.loads()) {
        var load = grid.loads().get(index);
        if (own.contains(root[load.a()]) || own.contains(root[load.b()])) return true;
      }
    }
    return false;
  }

  /// Two outputs of one drive are fed through the same loads.
  private boolean sameDrive(int one, int other) {
    var of = new ArrayList<List<Integer>>();
    for (var converter : grid.converters())
      if (converter.group() == one || converter.group() == other) of.add(converter.loads());
    return of.size() == 2 && of.getFirst().equals(of.getLast());
  }

  private int[] joined(Inputs inputs) {
    var sets = new Sets(grid.nodes());
    for (var i = 0; i < grid.branches().size(); i++) {
      var branch = grid.branches().get(i);
      if (branch.diode() || branch.ohms() > METAL || !inputs.closes(i)) continue;
      sets.join(branch.a(), branch.b());
    }
    for (var bridge : inputs.bridges()) sets.join(bridge.a(), bridge.b());
    return sets.roots();
  }
}
