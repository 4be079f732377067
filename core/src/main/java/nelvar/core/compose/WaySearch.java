package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.network.Source;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;

/// What is asked for, and beside what: every recipe in every manner is composed on a copy, sized
/// and reviewed.
///
/// @param uncut whether a way that no stop cuts is better than none
/// @param study of the machine that stands, with what is to be added named in it
record WaySearch(
    String name,
    boolean moves,
    boolean uncut,
    List<Recipe> recipes,
    List<Composer.From> from,
    Study study,
    Review today,
    Catalogue standard) {
  /// One thing that can be composed.
  ///
  /// @param switches whether relays and outputs have a part in it
  /// @param unlikely comes last: it works, and is hardly what is meant
  record Recipe(String title, boolean switches, boolean unlikely, Consumer<Composer> compose) {
    boolean differs(Composer.Beside how) {
      return switches || (!how.relays() && !how.sinking());
    }
  }

  /// A recipe in one manner.
  private record Trial(Recipe recipe, Composer.Beside how, Composer.From from) {
    String title() {
      return made() + from.words();
    }

    String made() {
      return recipe.title() + how.words();
    }
  }

  /// A way, or why there is none.
  private record Tried(Trial trial, Optional<Way> way, Optional<String> refused) {}

  Ways.Found found() {
    var tried = new ArrayList<Tried>();
    // Where the stop can cut what moves, no way is asked for that it does not cut.
    for (var cut : List.of(true, false)) {
      var wanted = new ArrayList<Trial>();
      for (var recipe : recipes)
        for (var how : Composer.Beside.values())
          if (recipe.differs(how)
              && how.cut() == cut
              && (cut || (uncut && moves && !known(tried, recipe))))
            for (var supply : from) wanted.add(new Trial(recipe, how, supply));
      tried.addAll(wanted.parallelStream().map(this::tried).toList());
    }
    var ways = new ArrayList<Way>();
    var refused = new ArrayList<String>();
    var seen = new HashSet<Project>();
    for (var one : tried) {
      one.way()
          .filter(way -> !alike(way.after().project(), today.project()))
          .filter(way -> asMeant(one.trial().from(), way))
          .filter(way -> seen.add(way.after().project()))
          .ifPresent(ways::add);
      one.refused().ifPresent(why -> refused.add(one.trial().made() + ": " + why));
    }
    ways.sort(
        Comparator.comparingInt(Way::rank)
            .thenComparingInt(way -> way.opened().size())
            .thenComparingDouble(Way::costs)
            .thenComparingInt(Way::wires));
    return new Ways.Found(ways, refused.stream().distinct().toList());
  }

  /// A supply that was asked for has something left only where the way hangs on it.
  private boolean asMeant(Composer.From supply, Way way) {
    var fresh =
        way.after().network().sources().stream()
            .filter(source -> !source.output().alternating())
            .map(Source::device)
            .anyMatch(device -> today.project().device(device.id()).isEmpty());
    return switch (supply) {
      case Composer.From.Any _ -> true;
      case Composer.From.Only(var only) ->
          !fresh
              && own(way.after().project())
                  .anyMatch(device -> way.feedsFrom(device.id(), only.id()));
      case Composer.From.Fresh _ -> fresh;
    };
  }

  /// What serves the function that is asked about.
  private Stream<Device> own(Project project) {
    return project.devices().stream()
        .filter(device ->
            device
                .serves()
                .flatMap(project.plan()::function)
                .filter(f -> f.designation().text().equals(name))
                .isPresent());
  }

  private Tried tried(Trial trial) {
    try {
      var composer =
          Composer.beside(study, standard, TypicalLength.DISTANCE, trial.how(), trial.from());
      trial.recipe().compose().accept(composer);
      composer.settle();
      var after = new Sizing(composer, standard, true).added(study.project());
      return switch (judged(trial, after)) {
        case Judged.Offered(var way) -> new Tried(trial, Optional.of(way), Optional.empty());
        case Judged.Withheld(var why) ->
            new Tried(trial, Optional.empty(), Optional.of("it would bring an error: " + why));
      };
    } catch (Unmet unmet) {
      return new Tried(trial, Optional.empty(), Optional.of(unmet.why()));
    } catch (EditRefused | ImpossibleQuantity refusal) {
      return new Tried(trial, Optional.empty(), Optional.of(String.valueOf(refusal.getMessage())));
    }
  }

  /// What an earth fault can start, or a stop does not cut, comes last for what moves.
  private int rank(Trial trial) {
    var meant = trial.recipe().unlikely() ? UNLIKELY : 0;
    if (!moves) return meant;
    return meant + (trial.how().sinking() ? SINKING : 0) + (trial.how().cut() ? 0 : NOT_CUT);
  }

  private Judged judged(Trial trial, Study sized) {
    var after = sized.project();
    var review = Review.findingsOnly(sized);
    var effects = Effects.between(today, review);
    var errors = effects.errors();
    if (!errors.isEmpty()) return new Judged.Withheld(String.join("; ", errors));
    var base = today.project();
    var had = Costs.of(today.study());
    var costs = Costs.of(sized);
    var edit =
        new Edit(
            "%s: %s".formatted(name, trial.title()),
            project -> {
              if (!project.equals(base))
                throw new EditRefused(
                    "The machine has changed since this way was found: look at the ways again.");
              return after;
            });
    return new Judged.Offered(
        new Way(
            trial.title(),
            edit,
            review.study(),
            adds(base, after, standard),
            costs.amount() - had.amount(),
            costs.unpriced() - had.unpriced(),
            Ways.heat(after, standard) - Ways.heat(base, standard),
            after.conductors().size() - base.conductors().size(),
            effects.closed(),
            List.copyOf(effects.opened().keySet()),
            rank(trial)));
  }

  /// Whether two machines have the same devices, joined at the same terminals, whatever their wires
  /// are called.
  private static boolean alike(Project a, Project b) {
    return parts(a).equals(parts(b)) && joints(a).equals(joints(b));
  }

  private static Set<String> parts(Project project) {
    return project.devices().stream()
        .map(device -> device.id() + " " + device.part())
        .collect(Collectors.toSet());
  }

  private static Set<Set<TerminalRef>> joints(Project project) {
    return project.conductors().stream()
        .map(wire -> Set.copyOf(List.of(wire.from(), wire.to())))
        .collect(Collectors.toSet());
  }

  private static boolean known(List<Tried> tried, Recipe recipe) {
    return tried.stream().anyMatch(one -> one.trial().recipe() == recipe && one.way().isPresent());
  }

  private static final int SINKING = 1;
  private static final int NOT_CUT = 2;
  private static final int UNLIKELY = 4;

  private sealed interface Judged {
    record Offered(Way way) implements Judged {}

    record Withheld(String why) implements Judged {}
  }

  /// Devices by their part, cables, and how many wires.
  private static List<String> adds(Project before, Project after, Catalogue standard) {
    var catalogue = standard.with(after.ownParts());
    var byPart = new LinkedHashMap<String, List<String>>();
    for (var device : after.devices())
      if (before.device(device.id()).filter(had -> had.part().equals(device.part())).isEmpty())
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
    var gone =
        before.devices().stream()
            .filter(device ->
                after.device(device.id()).filter(is -> is.part().equals(device.part())).isEmpty())
            .map(device -> device.designation().text())
            .toList();
    if (!gone.isEmpty()) all.add("takes away " + String.join(", ", gone));
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
}
