package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.pattern.Pattern;
import nelvar.core.compose.pattern.Patterns;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;

/// The ways to make a function work in a machine that stands, best first.
///
/// Each pattern that serves it is composed on a copy, sized and reviewed. A way that opens an error
/// is not offered; of the others the one with the fewest new findings comes first, then the
/// cheapest. What was there keeps its parts, wires and sizes.
public final class Ways {
  private static final Length DISTANCE = new Length(5);

  private Ways() {}

  /// What was found, and why what was not found is not there.
  ///
  /// @param refused a line for each pattern that cannot be
  public record Found(List<Way> ways, List<String> refused) {
    public Found {
      ways = List.copyOf(ways);
      refused = List.copyOf(refused);
    }
  }

  /// @param function stands in the machine already, or is to be added with the way
  public static Found of(MachineFunction function, Review today, Catalogue standard) {
    var before = with(function, today.project());
    var study = before == today.project() ? today.study() : today.study().tried(before);
    Composer probe;
    try {
      probe = Composer.beside(study, standard, DISTANCE, Composer.Beside.USUAL);
    } catch (Unmet unmet) {
      return new Found(List.of(), List.of(unmet.why()));
    }
    var serving = Patterns.ALL.stream().filter(pattern -> pattern.serves(function, probe)).toList();
    var tried = new ArrayList<Tried>();
    // Where the stop can cut what moves, no way is asked for that it does not cut.
    for (var cut : List.of(true, false)) {
      var wanted = new ArrayList<Recipe>();
      for (var pattern : serving)
        for (var how : Composer.Beside.values())
          if (how.cut() == cut && (cut || (function.kind().moves() && !found(tried, pattern))))
            wanted.add(new Recipe(pattern, how));
      tried.addAll(
          wanted.parallelStream()
              .map(recipe -> tried(recipe, function, study, today, standard))
              .toList());
    }
    var ways = new ArrayList<Way>();
    var refused = new ArrayList<String>();
    var seen = new HashSet<Project>();
    for (var one : tried) {
      one.way().filter(way -> seen.add(way.after().project())).ifPresent(ways::add);
      one.refused().ifPresent(why -> refused.add(one.recipe().title() + ": " + why));
    }
    ways.sort(
        Comparator.comparingInt(Way::rank)
            .thenComparingInt(way -> way.opened().size())
            .thenComparingDouble(Way::costs)
            .thenComparingInt(Way::wires));
    return new Found(ways, refused.stream().distinct().toList());
  }

  private static Project with(MachineFunction function, Project project) {
    return project.plan().function(function.id()).isPresent()
        ? project
        : FunctionEdits.add(function).apply(project);
  }

  private record Recipe(Pattern pattern, Composer.Beside how) {
    String title() {
      return pattern.title() + how.words();
    }
  }

  /// A way, or why there is none.
  private record Tried(Recipe recipe, Optional<Way> way, Optional<String> refused) {}

  private static Tried tried(
      Recipe recipe, MachineFunction function, Study study, Review today, Catalogue standard) {
    try {
      var composer = Composer.beside(study, standard, DISTANCE, recipe.how());
      recipe.pattern().compose(function, composer);
      composer.settle();
      var after = new Sizing(composer, standard, true).added(study.project());
      return switch (judged(recipe, function, after, today, standard)) {
        case Judged.Offered(var way) -> new Tried(recipe, Optional.of(way), Optional.empty());
        case Judged.Withheld(var why) ->
            new Tried(recipe, Optional.empty(), Optional.of("it would bring an error: " + why));
      };
    } catch (Unmet unmet) {
      return new Tried(recipe, Optional.empty(), Optional.of(unmet.why()));
    } catch (EditRefused | ImpossibleQuantity refusal) {
      return new Tried(recipe, Optional.empty(), Optional.of(String.valueOf(refusal.getMessage())));
    }
  }

  private static boolean found(List<Tried> tried, Pattern pattern) {
    return tried.stream()
        .anyMatch(one -> one.recipe().pattern() == pattern && one.way().isPresent());
  }

  private static final int SINKING = 1;
  private static final int NOT_CUT = 2;

  /// What an earth fault can start, or a stop does not cut, comes last for what moves.
  private static int rank(Composer.Beside how, MachineFunction function) {
    if (!function.kind().moves()) return 0;
    return (how.sinking() ? SINKING : 0) + (how.cut() ? 0 : NOT_CUT);
  }

  private sealed interface Judged {
    record Offered(Way way) implements Judged {}

    record Withheld(String why) implements Judged {}
  }

  private static Judged judged(
      Recipe recipe, MachineFunction function, Project after, Review today, Catalogue standard) {
    var review = Review.findingsOnly(after, standard);
    var effects = Effects.between(today, review);
    var errors = effects.errors();
    if (!errors.isEmpty()) return new Judged.Withheld(String.join("; ", errors));
    var base = today.project();
    var edit =
        new Edit(
            "%s: %s".formatted(function.designation(), recipe.title()),
            project -> {
              if (!project.equals(base))
                throw new EditRefused(
                    "The machine has changed since this way was found: look at the ways again.");
              return after;
            });
    return new Judged.Offered(
        new Way(
            recipe.title(),
            edit,
            review.study(),
            adds(base, after, standard),
            cost(after, standard) - cost(base, standard),
            heat(after, standard) - heat(base, standard),
            after.conductors().size() - base.conductors().size(),
            effects.closed(),
            List.copyOf(effects.opened().keySet()),
            rank(recipe.how(), function)));
  }

  /// Devices by their part, cables, and how many wires.
  private static List<String> adds(Project before, Project after, Catalogue standard) {
    var catalogue = standard.with(after.ownParts());
    var byPart = new LinkedHashMap<String, List<String>>();
    for (var device : after.devices())
      if (before.device(device.id()).isEmpty())
        byPart
            .computeIfAbsent(device.part(), _ -> new ArrayList<>())
            .add(device.designation().text());
    var all = new ArrayList<String>();
    byPart.forEach((part, names) ->
        all.add(
            "%s: %s"
                .formatted(
                    String.join(", ", names),
                    catalogue.find(part).map(p -> p.name()).orElse(part))));
    var cables =
        after.cables().stream().filter(cable -> before.cable(cable.id()).isEmpty()).toList();
    if (!cables.isEmpty())
      all.add(
          "%s: %s"
              .formatted(
                  cables.stream().map(c -> c.label().text()).collect(Collectors.joining(", ")),
                  cables.stream()
                      .map(c -> catalogue.find(c.stock()).map(p -> p.name()).orElse(c.stock()))
                      .distinct()
                      .collect(Collectors.joining(", "))));
    return all;
  }

  /// Devices, cables and wires at their prices.
  public static double cost(Project project, Catalogue standard) {
    var catalogue = standard.with(project.ownParts());
    var sum = 0.0;
    for (var device : project.devices()) sum += price(catalogue, device.part());
    for (var cable : project.cables())
      sum +=
          price(catalogue, cable.stock())
              * cable.length().map(length -> length.metres()).orElse(0.0);
    return sum;
  }

  private static double price(Catalogue catalogue, String part) {
    return catalogue
        .find(part)
        .flatMap(p -> p.price())
        .map(price -> price.amount().doubleValue())
        .orElse(0.0);
  }

  /// Stated losses of what stands in the cabinet, W.
  public static double heat(Project project, Catalogue standard) {
    var catalogue = standard.with(project.ownParts());
    return project.devices().stream()
        .filter(device -> device.place() == Place.PANEL)
        .map(Device::part)
        .flatMap(part -> catalogue.find(part).stream())
        .flatMap(part -> part.loss().stream())
        .mapToDouble(loss -> loss.watts())
        .sum();
  }
}
