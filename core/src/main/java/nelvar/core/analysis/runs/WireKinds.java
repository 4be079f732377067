package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.earthing.ProtectiveSection;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.WireStock;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Subject;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import nelvar.core.units.Price;

/// The cheapest number of different single wires to buy: wires of one colour go over to the next
/// thicker kind where whole drums then cost less, every clamp and duct still takes them, and no
/// protective conductor is too thin beside them.
///
/// One kind after the other, the greatest saving first, until none is left. Whole drums are
/// counted, as they are bought; what stays on them is what many kinds cost. Thinner is never taken.
public final class WireKinds {
  private static final List<Rule> HOLDS =
      List.of(new TerminalHolds(), new DuctFilled(), new ProtectiveSection());

  private static final double TWICE = 2;

  private WireKinds() {}

  /// What is bought of one kind.
  ///
  /// @param cost of its drums; empty where the catalogue has no price
  public record Kind(
      CrossSection section, String colour, Length metres, int drums, Optional<Double> cost) {
    /// As the cut list says it.
    public String words() {
      return section + ", " + colour;
    }
  }

  /// Wires of one kind that become another.
  ///
  /// @param saves what whole drums cost less then
  public record Merge(Kind from, Kind into, Set<Id> wires, double saves) {
    public Merge {
      wires = Set.copyOf(wires);
    }

    public String words() {
      return "%s become %s (%d wires)".formatted(from.words(), into.section(), wires.size());
    }
  }

  /// @param before what is bought as designed
  /// @param merges in the order they are taken
  /// @param after what is bought then
  /// @param project with all of them
  public record Answer(List<Kind> before, List<Merge> merges, List<Kind> after, Project project) {
    public double saves() {
      return merges.stream().mapToDouble(Merge::saves).sum();
    }
  }

  /// @param standard the shipped catalogue
  public static Answer of(Study study, Catalogue standard) {
    var before = kinds(study);
    var now = study;
    var merges = new ArrayList<Merge>();
    var refused = new LinkedHashSet<Set<Id>>();
    while (true) {
      var best =
          merges(now).stream()
              .filter(merge -> !refused.contains(merge.wires()) && handy(merge, study))
              .max(Comparator.comparingDouble(Merge::saves));
      if (best.isEmpty()) break;
      var next =
          Study.of(
              Edits.section("wires", best.get().wires(), best.get().into().section(), standard)
                  .apply(now.project()),
              standard);
      if (opens(now, next)) {
        refused.add(best.get().wires());
        continue;
      }
      merges.add(best.get());
      now = next;
    }
    return new Answer(before, merges, kinds(now), now.project());
  }

  private static boolean handy(Merge merge, Study designed) {
    return merge.wires().stream()
        .flatMap(id -> designed.conductor(id).stream())
        .allMatch(wire ->
            merge.into().section().squareMillimetres()
                <= TWICE * wire.section().orElseThrow().squareMillimetres() + 1e-9);
  }

  private static boolean opens(Study before, Study after) {
    var had = open(before);
    return open(after).stream().anyMatch(subject -> !had.contains(subject));
  }

  private static Set<Subject> open(Study study) {
    var all = new LinkedHashSet<Subject>();
    for (var rule : HOLDS)
      rule.check(study)
          .filter(Verdict.Finding.class::isInstance)
          .forEach(finding -> all.add(finding.subject()));
    return all;
  }

  private static List<Conductor> bought(Study study) {
    return study.project().conductors().stream()
        .filter(wire -> wire.cable().isEmpty() && wire.leadOf().isEmpty())
        .filter(wire -> wire.section().isPresent() && wire.colour().isPresent())
        .filter(wire -> wire.done().isEmpty())
        .toList();
  }

  private static SortedMap<String, SortedMap<CrossSection, List<Conductor>>> byColour(Study study) {
    var all = new TreeMap<String, SortedMap<CrossSection, List<Conductor>>>();
    for (var wire : bought(study))
      all.computeIfAbsent(wire.colour().orElseThrow(), _ -> new TreeMap<>())
          .computeIfAbsent(wire.section().orElseThrow(), _ -> new ArrayList<>())
          .add(wire);
    return all;
  }

  private static List<Kind> kinds(Study study) {
    var all = new ArrayList<Kind>();
    byColour(study)
        .forEach((colour, sections) ->
            sections.forEach((section, wires) -> all.add(kind(section, colour, wires, study))));
    return all;
  }

  private static Kind kind(
      CrossSection section, String colour, List<Conductor> wires, Study study) {
    var drum = CutList.drum(study);
    var pieces =
        wires.stream()
            .flatMap(wire ->
                study
                    .length(wire)
                    .map(length -> new CutList.Piece(wire.label().text(), length))
                    .stream())
            .toList();
    var drums = CutList.packed(pieces, drum).size();
    return new Kind(
        section,
        colour,
        new Length(pieces.stream().mapToDouble(p -> p.length().metres()).sum()),
        drums,
        WireStock.of(section, study.catalogue())
            .flatMap(stock -> stock.article().price())
            .map(Price::amount)
            .map(price -> price.doubleValue() * drums * drum.metres()));
  }

  private static List<Merge> merges(Study study) {
    var all = new ArrayList<Merge>();
    byColour(study)
        .forEach((colour, sections) -> {
          var list = List.copyOf(sections.keySet());
          for (var thin = 0; thin < list.size(); thin++)
            for (var thick = thin + 1; thick < list.size(); thick++) {
              var from = sections.get(list.get(thin));
              var into = sections.get(list.get(thick));
              if (from == null || into == null) continue;
              merge(colour, list.get(thin), from, list.get(thick), into, study).ifPresent(all::add);
            }
        });
    return all;
  }

  private static Optional<Merge> merge(
      String colour,
      CrossSection thin,
      List<Conductor> from,
      CrossSection thick,
      List<Conductor> into,
      Study study) {
    // What is not measured yet is not known to fit on a drum.
    if (from.stream().anyMatch(wire -> study.length(wire).isEmpty())) return Optional.empty();
    var one = kind(thin, colour, from, study);
    var other = kind(thick, colour, into, study);
    var both = new ArrayList<>(into);
    both.addAll(from);
    var together = kind(thick, colour, both, study);
    if (one.cost().isEmpty() || other.cost().isEmpty() || together.cost().isEmpty())
      return Optional.empty();
    var saves = one.cost().get() + other.cost().get() - together.cost().get();
    if (saves <= 0) return Optional.empty();
    var wires = new LinkedHashSet<Id>();
    from.forEach(wire -> wires.add(wire.id()));
    return Optional.of(new Merge(one, other, wires, saves));
  }
}
