package nelvar.core.model.edit;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import nelvar.core.model.Project;

/// What differs between two versions of a project, thing by thing.
public final class Differences {
  /// How one thing differs.
  public enum How {
    ADDED("added"),
    REMOVED("removed"),
    CHANGED("changed");

    private final String words;

    How(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// One thing that differs.
  ///
  /// @param list where it stands: `devices`, `conductors`, `brief` …
  /// @param name as a builder calls it
  /// @param what of a changed thing: `purpose: press → press, left`; empty where it is added or
  ///   removed
  public record Change(String list, String key, String name, How how, String what) {
    @Override
    public String toString() {
      return name + " " + how.words() + (what.isEmpty() ? "" : ", " + what);
    }
  }

  /// One thing of a project under the name it keeps.
  record Thing(String list, String key) {}

  record Named(String name, Object value) {}

  private Differences() {}

  /// From one version to another, in the order of the file.
  public static List<Change> between(Project from, Project to) {
    var before = things(from);
    var after = things(to);
    var all = new LinkedHashSet<>(before.keySet());
    all.addAll(after.keySet());
    var changes = new ArrayList<Change>();
    for (var thing : all) {
      var was = before.get(thing);
      var is = after.get(thing);
      if (was == null && is != null) changes.add(change(thing, is, How.ADDED, ""));
      else if (is == null && was != null) changes.add(change(thing, was, How.REMOVED, ""));
      else if (was != null && is != null && !was.value().equals(is.value()))
        changes.add(change(thing, was, How.CHANGED, what(was.value(), is.value())));
    }
    return changes;
  }

  /// The things that are in `to` and were not the same in `from`, looked up quickly.
  static Stream<Object> newThings(Project from, Project to) {
    var had = Collections.newSetFromMap(new IdentityHashMap<Object, Boolean>());
    for (var list : Lists.ALL)
      if (list.of().apply(from) != list.of().apply(to)) had.addAll(list.of().apply(from));
    var brief = from.brief() == to.brief() ? Stream.of() : Stream.<Object>of(to.brief());
    return Stream.concat(
        brief,
        Lists.ALL.stream()
            .filter(list -> list.of().apply(from) != list.of().apply(to))
            .flatMap(list -> list.of().apply(to).stream())
            .filter(thing -> !had.contains(thing)));
  }

  private static Change change(Thing thing, Named named, How how, String what) {
    return new Change(thing.list(), thing.key(), named.name(), how, what);
  }

  /// Which properties differ, and from what to what.
  private static String what(Object was, Object is) {
    if (!(was instanceof Record before) || was.getClass() != is.getClass())
      return shown(was) + " → " + shown(is);
    var all = new ArrayList<String>();
    for (var component : before.getClass().getRecordComponents()) {
      var from = of(before, component);
      var to = of(is, component);
      if (from.equals(to)) continue;
      var name =
          component.getName().replaceAll("(?<=[a-z])(?=[A-Z])", " ").toLowerCase(Locale.ROOT);
      all.add(name + ": " + shown(from) + " → " + shown(to));
    }
    return String.join("; ", all);
  }

  private static Object of(Object whole, RecordComponent component) {
    try {
      component.getAccessor().setAccessible(true);
      return component.getAccessor().invoke(whole);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(component.getName(), e);
    }
  }

  /// One value in a few words.
  private static String shown(Object value) {
    var text =
        switch (value) {
          case Optional<?> maybe -> maybe.<String>map(Differences::shown).orElse("nothing");
          case Collection<?> all -> all.size() + (all.size() == 1 ? " entry" : " entries");
          case Enum<?> word -> word.name().toLowerCase(Locale.ROOT).replace('_', ' ');
          case String words -> words.isEmpty() ? "nothing" : words;
          case Record record when record.toString().contains("[") -> "other values";
          default -> String.valueOf(value);
        };
    return text.length() > 40 ? text.substring(0, 39) + "…" : text;
  }

  /// Everything in a project by its lasting name.
  static Map<Thing, Named> things(Project p) {
    var all = new LinkedHashMap<Thing, Named>();
    one(all, "name", "the name of the machine", p.name());
    one(all, "description", "the description", p.description());
    one(all, "supply", "the supply in the Brief", p.brief().supply());
    one(all, "surroundings", "the surroundings in the Brief", p.brief().surroundings());
    one(all, "policies", "the schools and limits in the Brief", p.brief().policies());
    for (var list : Lists.ALL) list.collect(p, all);
    return all;
  }

  private static void one(Map<Thing, Named> all, String what, String name, Object value) {
    all.put(new Thing(what, ""), new Named(name, value));
  }

  /// One list of a project: how its things are told apart, called, and put back.
  record Lists<T>(
      String list,
      Function<Project, List<T>> of,
      Function<T, String> key,
      Function<T, String> name,
      java.util.function.BiFunction<Project, List<T>, Project> with) {
    static final List<Lists<?>> ALL =
        List.of(
            new Lists<>(
                "revisions",
                Project::revisions,
                r -> r.mark(),
                r -> "revision " + r.mark(),
                Project::withRevisions),
            new Lists<>(
                "functions",
                Project::functions,
                f -> f.id().text(),
                f -> f.designation().text(),
                Project::withFunctions),
            new Lists<>(
                "devices",
                Project::devices,
                d -> d.id().text(),
                d -> d.designation().text(),
                Project::withDevices),
            new Lists<>(
                "bundles",
                Project::bundles,
                b -> b.id().text(),
                b -> b.name().isEmpty() ? b.id().text() : b.name(),
                Project::withBundles),
            new Lists<>(
                "cables",
                Project::cables,
                c -> c.id().text(),
                c -> c.label().text(),
                Project::withCables),
            new Lists<>(
                "conductors",
                Project::conductors,
                c -> c.id().text(),
                c -> c.label().text(),
                Project::withConductors),
            new Lists<>(
                "settings",
                Project::settings,
                s -> s.device() + " " + s.name(),
                s -> s.name() + " of " + s.device(),
                Project::withSettings),
            new Lists<>(
                "deviations",
                Project::deviations,
                d -> d.rule() + " " + d.subject().text(),
                d -> "the accepted finding on " + d.subject().text(),
                Project::withDeviations),
            new Lists<>(
                "ownParts",
                Project::ownParts,
                part -> part.id(),
                part -> "part " + part.name(),
                Project::withOwnParts),
            new Lists<>(
                "states",
                Project::states,
                state -> state.id().text(),
                state -> "state " + state.name(),
                Project::withStates),
            new Lists<>(
                "marks",
                project -> project.plan().marks(),
                mark -> mark.thing().text(),
                mark -> mark.thing() + " " + mark.standing().words(),
                (project, marks) -> project.with(project.plan().withMarks(marks))),
            new Lists<>(
                "stock",
                project -> project.records().stock(),
                owned -> owned.part(),
                owned -> "%d %s owned".formatted(owned.pieces(), owned.part()),
                (project, stock) -> project.with(project.records().withStock(stock))),
            new Lists<>(
                "places",
                project -> project.plan().places(),
                place -> place.name(),
                place -> "place " + place.name(),
                (project, places) -> project.with(project.plan().withPlaces(places))),
            new Lists<>(
                "cabinets",
                project -> project.layout().cabinets(),
                cabinet -> cabinet.id().text(),
                cabinet -> cabinet.name().isEmpty() ? cabinet.id().text() : cabinet.name(),
                (project, cabinets) -> project.with(project.layout().withCabinets(cabinets))),
            new Lists<>(
                "placements",
                project -> project.layout().placements(),
                placement -> placement.device().text(),
                placement -> "the place of " + placement.device(),
                (project, placed) -> project.with(project.layout().withPlacements(placed))),
            new Lists<>(
                "measures",
                project -> project.layout().measures(),
                measured -> measured.device().text(),
                measured -> "the size of " + measured.device(),
                (project, measures) -> project.with(project.layout().withMeasures(measures))),
            new Lists<>(
                "drawn",
                project -> project.layout().drawn(),
                drawn -> drawn.paper() + " " + drawn.symbol(),
                drawn -> "the symbol %s on %s".formatted(drawn.symbol(), drawn.paper()),
                (project, drawn) -> project.with(project.layout().withDrawn(drawn))),
            new Lists<>(
                "fixed",
                Project::fixed,
                id -> id.text(),
                id -> id + " fixed by hand",
                Project::withFixed));

    void collect(Project project, Map<Thing, Named> all) {
      for (var item : of.apply(project)) {
        // Two revisions of one mark are told apart by their order.
        var thing = new Thing(list, key.apply(item));
        for (var n = 2; all.containsKey(thing); n++)
          thing = new Thing(list, key.apply(item) + " #" + n);
        all.put(thing, new Named(name.apply(item), item));
      }
    }

    @SuppressWarnings("unchecked")
    Project put(Project project, Map<Thing, Named> all) {
      var items = new ArrayList<T>();
      all.forEach((thing, named) -> {
        if (thing.list().equals(list)) items.add((T) named.value());
      });
      return with.apply(project, items);
    }
  }
}
