package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;

/// The parts that could stand in a device's place, each tried on a copy: which go together with the
/// machine, which do not and why, and what each changes.
///
/// Parts of its kind are tried; one that opens an error does not go together, nor one that leaves
/// the device with an error it has today.
public final class Candidates {
  private static final int MOST = 40;

  private Candidates() {}

  /// @param unfit why it does not go together with the machine; empty where it does
  /// @param costs more than the part there, in the project's currency; empty where a price is not
  ///   stated
  /// @param mechanics how it does not bolt on where the part of today does, as far as that is known
  public record Candidate(
      Part part,
      Edit edit,
      Optional<String> unfit,
      Optional<Double> costs,
      List<String> opens,
      List<String> closes,
      List<String> mechanics) {
    public Candidate {
      mechanics = List.copyOf(mechanics);
      opens = List.copyOf(opens);
      closes = List.copyOf(closes);
    }
  }

  /// Those that fit first, then by what they open, then by cost.
  ///
  /// @param cancelled asked before each
  public static List<Candidate> of(
      Device device, Review today, Catalogue standard, BooleanSupplier cancelled) {
    var now = today.study().part(device);
    if (now.isEmpty()) return List.of();
    var catalogue = today.study().catalogue();
    var kind = now.get().getClass();
    return catalogue.all().stream()
        .filter(part -> part.getClass() == kind && !part.id().equals(device.part()))
        .sorted(
            Comparator.comparingInt((Part part) -> unlike(part, now.get())).thenComparing(Part::id))
        .limit(MOST)
        .toList()
        .parallelStream()
        .filter(_ -> !cancelled.getAsBoolean())
        .map(part -> tried(device, now.get(), part, today, standard))
        .sorted(
            Comparator.comparing((Candidate c) -> c.unfit().isPresent())
                .thenComparing(c -> !c.mechanics().isEmpty())
                .thenComparingInt(c -> c.opens().size() - c.closes().size())
                .thenComparingDouble(c -> c.costs().orElse(Double.MAX_VALUE))
                .thenComparing(c -> c.part().id()))
        .toList();
  }

  /// Terminals that one has and the other has not.
  private static int unlike(Part a, Part b) {
    var one = new ArrayList<>(a.terminals().stream().map(t -> t.name()).toList());
    var two = b.terminals().stream().map(t -> t.name()).toList();
    var shared = one.stream().filter(two::contains).count();
    return (int) (one.size() + two.size() - 2 * shared);
  }

  private static Candidate tried(
      Device device, Part now, Part part, Review today, Catalogue standard) {
    var edit = Edits.swap(device, part);
    // One that lies in a drawer costs nothing more.
    var costs =
        Costs.spare(part.id(), today.project()) > 0
            ? Optional.of(0.0)
            : Costs.of(part).flatMap(next -> Costs.of(now).map(before -> next - before));
    try {
      var after = Review.findingsOnly(edit.on(today.project(), standard), standard);
      var effects = Effects.between(today, after);
      var errors = new java.util.LinkedHashSet<>(effects.errors());
      errors.addAll(stays(device, after));
      return new Candidate(
          part,
          edit,
          errors.isEmpty() ? Optional.empty() : Optional.of(String.join("; ", errors)),
          costs,
          List.copyOf(effects.opened().keySet()),
          effects.closed(),
          mechanically(now, part));
    } catch (EditRefused | ImpossibleQuantity refused) {
      return new Candidate(
          part,
          edit,
          Optional.of(String.valueOf(refused.getMessage())),
          costs,
          List.of(),
          List.of(),
          mechanically(now, part));
    }
  }

  /// How it does not bolt on where the part of today does; empty where it does, or where that is
  /// not known of both.
  private static List<String> mechanically(Part now, Part next) {
    var all = new ArrayList<String>();
    if (now.motor() || now.article().mechanics().isPresent())
      heavier(now, next).ifPresent(all::add);
    var is = now.article().mechanics();
    var would = next.article().mechanics();
    if (is.isEmpty() || would.isEmpty()) return all;
    differs("frame", is.get().frame(), would.get().frame(), all);
    differs("shaft", is.get().shaft(), would.get().shaft(), all);
    differs("clamped at", is.get().clamp(), would.get().clamp(), all);
    return all;
  }

  /// What an axis that carries it has to move more than today; a tenth counts (assumed).
  private static Optional<String> heavier(Part now, Part next) {
    var is = now.article().mass();
    var would = next.article().mass();
    if (is.isEmpty() || would.isEmpty() || would.get().value() <= HEAVIER * is.get().value())
      return Optional.empty();
    return Optional.of(
        "%s where %s is: see that its axis carries it".formatted(would.get(), is.get()));
  }

  private static final double HEAVIER = 1.1;

  private static void differs(String what, Optional<?> now, Optional<?> next, List<String> all) {
    if (now.isPresent() && next.isPresent() && !now.equals(next))
      all.add("%s %s where %s is".formatted(what, next.get(), now.get()));
  }

  /// Errors about the device with the part in it; those of what is not wired yet are none of the
  /// part's.
  private static List<String> stays(Device device, Review after) {
    return after.open().stream()
        .filter(entry -> !entry.rule().id().startsWith("completeness."))
        .map(entry -> entry.finding().orElseThrow())
        .filter(finding ->
            finding.severity() == Severity.ERROR && finding.subject().concerns(device.id()))
        .map(finding -> "%s: %s".formatted(after.study().label(finding.subject()), finding.title()))
        .toList();
  }
}
