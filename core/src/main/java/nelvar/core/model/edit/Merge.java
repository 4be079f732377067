package nelvar.core.model.edit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.model.Brief;
import nelvar.core.model.Consistency;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Differences.Named;
import nelvar.core.model.edit.Differences.Thing;

/// Two versions that grew apart from one, brought together thing by thing: what only one side
/// touched is taken from it; what both touched otherwise stays as theirs, and is named.
///
/// @param project both sides' changes together
/// @param both what both sides changed, each otherwise: theirs stands in `project`
public record Merge(Project project, List<String> both) {
  public Merge {
    both = List.copyOf(both);
  }

  /// @param base what both began from
  /// @throws EditRefused where the two do not go together: one took away what the other hung
  ///   something on
  public static Merge of(Project base, Project mine, Project theirs, Catalogue standard) {
    var was = Differences.things(base);
    var own = Differences.things(mine);
    var other = Differences.things(theirs);
    var both = new ArrayList<String>();
    var merged = new LinkedHashMap<Thing, Named>();
    other.forEach((thing, named) -> {
      var m = own.get(thing);
      var b = was.get(thing);
      if (same(m, named)) merged.put(thing, named);
      else if (same(b, named)) {
        if (m != null) merged.put(thing, m);
      } else {
        if (!same(b, m)) both.add(named.name());
        merged.put(thing, named);
      }
    });
    own.forEach((thing, named) -> {
      if (other.containsKey(thing)) return;
      var b = was.get(thing);
      if (b == null) merged.put(thing, named);
      // They took it away; if it was changed here meanwhile, that is said.
      else if (!same(b, named)) both.add(named.name());
    });
    var project = put(merged, theirs);
    var breaches = Consistency.check(project, standard.with(project.ownParts()));
    if (!breaches.isEmpty())
      throw new EditRefused(
          "The two do not go together: "
              + Consistency.words(breaches)
              + ". Keep yours aside and take theirs.");
    return new Merge(project, both);
  }

  private static boolean same(
      @org.jspecify.annotations.Nullable Named a, @org.jspecify.annotations.Nullable Named b) {
    return a == null ? b == null : b != null && a.value().equals(b.value());
  }

  private static Project put(Map<Thing, Named> all, Project theirs) {
    var next =
        theirs
            .withName((String) value(all, "name"))
            .withDescription((String) value(all, "description"))
            .withBrief(
                new Brief(
                    (Brief.Supply) value(all, "supply"),
                    (Brief.Surroundings) value(all, "surroundings"),
                    (Brief.Policies) value(all, "policies")));
    for (var list : Differences.Lists.ALL) next = list.put(next, all);
    return next;
  }

  private static Object value(Map<Thing, Named> all, String what) {
    return java.util.Objects.requireNonNull(all.get(new Thing(what, ""))).value();
  }
}
