package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;
import nelvar.core.model.Id;

/// How many wires join which parts, and how many leave to the machine and to the door.
final class Links {
  private final List<int[]> pairs;
  private final int[] machine;
  private final int[] door;
  private final List<int[]> filtered;

  private Links(List<int[]> pairs, int[] machine, int[] door, List<int[]> filtered) {
    this.pairs = pairs;
    this.machine = machine;
    this.door = door;
    this.filtered = filtered;
  }

  /// Items by number: one, other, wires.
  List<int[]> pairs() {
    return pairs;
  }

  /// Wires of an item that leave to the machine.
  int toMachine(int item) {
    return machine[item];
  }

  int toDoor(int item) {
    return door[item];
  }

  /// A filter and a drive it is to stand beside.
  List<int[]> filtered() {
    return filtered;
  }

  static Links of(List<Item> items, Study study) {
    var number = new HashMap<Id, Integer>();
    for (var i = 0; i < items.size(); i++) number.put(items.get(i).device().id(), i);
    var counted = new java.util.TreeMap<Long, Integer>();
    var toMachine = new int[items.size()];
    var toDoor = new int[items.size()];
    for (var wire : study.project().conductors()) {
      var a = number.get(wire.from().device());
      var b = number.get(wire.to().device());
      if (a != null && b != null) {
        if (!a.equals(b))
          counted.merge((long) Math.min(a, b) * items.size() + Math.max(a, b), 1, Integer::sum);
      } else if (a != null) outside(a, wire.to().device(), study, toMachine, toDoor);
      else if (b != null) outside(b, wire.from().device(), study, toMachine, toDoor);
    }
    var pairs = new ArrayList<int[]>();
    counted.forEach((key, wires) ->
        pairs.add(new int[] {(int) (key / items.size()), (int) (key % items.size()), wires}));
    return new Links(pairs, toMachine, toDoor, filtered(items, study, number));
  }

  private static void outside(int item, Id other, Study study, int[] machine, int[] door) {
    var there = study.device(other).map(Device::place);
    if (there.isEmpty()) return;
    switch (there.get()) {
      case MACHINE -> machine[item]++;
      case DOOR -> door[item]++;
      case PANEL -> {}
    }
  }

  /// A filter belongs beside the drives on the mains.
  private static List<int[]> filtered(List<Item> items, Study study, Map<Id, Integer> number) {
    var all = new ArrayList<int[]>();
    for (var i = 0; i < items.size(); i++) {
      if (!items.get(i).filters()) continue;
      for (var drive : nelvar.core.analysis.space.FilterNear.served(items.get(i).device(), study)) {
        var j = number.get(drive);
        if (j != null) all.add(new int[] {i, j});
      }
    }
    return all;
  }
}
