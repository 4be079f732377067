package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.PowerTree.Kind;
import nelvar.core.analysis.load.PowerTree.Point;
import nelvar.core.model.Id;

/// Loads of one kind that hang side by side, drawn as one where there are many: `-B1…-B11`.
///
/// @param members one branch, or several loads of one kind of part
public record Grouped(List<Point> members) {
  private static final int MANY = 4;

  public Point first() {
    return members.getFirst();
  }

  public boolean single() {
    return members.size() == 1;
  }

  public String name() {
    var name = first().device().designation().text();
    if (single()) return name;
    return name + (members.size() == 2 ? ", " : "…") + members.getLast().device().designation();
  }

  /// What the group is for: the purpose of one, the kind and number of many.
  public String purpose(Study study) {
    if (single()) return first().device().purpose();
    var kinds =
        members.stream()
            .map(member ->
                study
                    .part(member.device())
                    .map(part -> part.getClass().getSimpleName())
                    .orElse("load"))
            .distinct()
            .toList();
    if (members.size() == 2)
      return first().device().purpose() + ", " + members.getLast().device().purpose();
    var kind = kinds.size() == 1 ? kinds.getFirst() : "load";
    return members.size()
        + " "
        + switch (kind) {
          case "Sensor" -> "sensors";
          case "Solenoid" -> "coils";
          case "Relay" -> "relay coils";
          case "Contactor" -> "contactor coils";
          default -> "loads";
        };
  }

  public double amperes() {
    return members.stream().mapToDouble(point -> point.design().amperes()).sum();
  }

  public double watts() {
    return members.stream().mapToDouble(point -> point.power().watts()).sum();
  }

  /// All loads behind one protective device as one, while none of them is in `open`; else as [#of].
  public static List<Grouped> behind(Point parent, Study study, Set<Id> open) {
    var children = parent.children();
    var together =
        parent.kind() == Kind.PROTECTION
            && children.size() > 1
            && children.stream()
                .allMatch(
                    child -> child.kind() == Kind.LOAD && !open.contains(child.device().id()));
    return together && !open.contains(parent.device().id())
        ? List.of(new Grouped(children))
        : of(children, study, open);
  }

  /// The children in order, loads of one kind together where they are many and none of them is in
  /// `open`.
  public static List<Grouped> of(List<Point> children, Study study, Set<Id> open) {
    var byKind = new LinkedHashMap<Object, List<Point>>();
    for (var child : children) {
      Object key =
          child.kind() == Kind.LOAD
              ? study.part(child.device()).<Object>map(Object::getClass).orElse(child)
              : child;
      byKind.computeIfAbsent(key, _ -> new ArrayList<>()).add(child);
    }
    var groups = new ArrayList<Grouped>();
    for (var members : byKind.values()) {
      if (members.size() >= MANY
          && members.stream().noneMatch(member -> open.contains(member.device().id())))
        groups.add(new Grouped(members));
      else members.forEach(member -> groups.add(new Grouped(List.of(member))));
    }
    return groups;
  }
}
