package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.WireStock;
import nelvar.core.model.Brief;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.units.Length;

/// What is cut from which drum: pieces of one kind of wire (section and colour) or cable, laid onto
/// as few drums as the better of three ways of packing needs, the least left over.
///
/// Packed first-fit as they come, first-fit from the longest, and best-fit from the longest (the
/// usual heuristics of bin packing); whichever needs the fewest drums is taken, so never more than
/// first-fit does.
public final class CutList {
  /// Drums are bought with so much on them (common practice).
  private static final Length DRUM = new Length(100);

  private CutList() {}

  /// One piece.
  public record Piece(String label, Length length) {}

  /// One drum and what is cut from it, the longest first.
  public record Drum(Length holds, List<Piece> pieces) {
    public Drum {
      pieces = List.copyOf(pieces);
    }

    public Length used() {
      return new Length(pieces.stream().mapToDouble(p -> p.length().metres()).sum());
    }

    public Length left() {
      return new Length(Math.max(0, holds.metres() - used().metres()));
    }
  }

  /// @param kind in words: `1.5 mm², black`
  /// @param stock id of the catalogue, or `wire 1.5 mm²` where it is not stocked; empty where its
  ///   section is not chosen
  /// @param unknown how many pieces have no length yet
  public record Kind(String kind, String stock, List<Drum> drums, int unknown) {
    public Kind {
      drums = List.copyOf(drums);
    }

    public Length metres() {
      return new Length(drums.stream().mapToDouble(d -> d.used().metres()).sum());
    }
  }

  /// Drums as the sizing school buys them: 100 m, or 500 ft.
  public static Length drum(Study study) {
    return study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN
        ? new Length(152.4)
        : DRUM;
  }

  private record Bought(String kind, String stock, String label, Optional<Length> length) {}

  /// Of everything that is bought by the metre, by kind; jumpers and leads that come with their
  /// devices are not cut.
  public static List<Kind> of(Study study, Length drum) {
    var kinds = new TreeMap<String, List<Bought>>();
    Stream.concat(
            study.project().cables().stream().map(cable -> bought(cable, study)),
            study.project().conductors().stream()
                .filter(wire -> wire.cable().isEmpty() && wire.leadOf().isEmpty())
                .map(wire -> bought(wire, study)))
        .forEach(it -> kinds.computeIfAbsent(it.kind(), _ -> new ArrayList<>()).add(it));
    return kinds.entrySet().stream()
        .map(entry -> {
          var known = entry.getValue().stream().filter(it -> it.length().isPresent()).toList();
          return new Kind(
              entry.getKey(),
              entry.getValue().getFirst().stock(),
              packed(
                  known.stream()
                      .map(it -> new Piece(it.label(), it.length().orElseThrow()))
                      .toList(),
                  drum),
              entry.getValue().size() - known.size());
        })
        .toList();
  }

  private static Bought bought(Cable cable, Study study) {
    var name = study.catalogue().find(cable.stock()).map(Part::name).orElse(cable.stock());
    return new Bought(name, cable.stock(), cable.label().text(), study.length(cable));
  }

  private static Bought bought(Conductor wire, Study study) {
    var stock =
        wire.section()
            .map(section ->
                WireStock.of(section, study.catalogue())
                    .map(WireStock::id)
                    .orElse("wire " + section))
            .orElse("");
    return new Bought(
        wire.section().map(Object::toString).orElse("section not chosen")
            + wire.colour().map(colour -> ", " + colour).orElse(", no colour"),
        stock,
        wire.label().text(),
        study.length(wire));
  }

  public static List<Kind> of(Study study) {
    return of(study, drum(study));
  }

  /// The fewest drums of three ways to pack; a piece longer than a drum has one of its own length.
  public static List<Drum> packed(List<Piece> pieces, Length drum) {
    var longest =
        pieces.stream()
            .sorted(Comparator.comparing(Piece::length).reversed().thenComparing(Piece::label))
            .toList();
    return Stream.of(
            packed(longest, drum, true), packed(longest, drum, false), packed(pieces, drum, false))
        .min(Comparator.comparingInt(List::size))
        .orElseThrow();
  }

  /// @param best onto the fullest drum that still holds it, instead of the first
  static List<Drum> packed(List<Piece> pieces, Length drum, boolean best) {
    var on = new ArrayList<List<Piece>>();
    var left = new ArrayList<Double>();
    for (var piece : pieces) {
      var metres = piece.length().metres();
      var at = -1;
      for (var i = 0; i < left.size(); i++) {
        if (left.get(i) < metres - 1e-9) continue;
        if (at < 0 || (best && left.get(i) < left.get(at))) at = i;
        if (!best) break;
      }
      if (at < 0) {
        at = left.size();
        on.add(new ArrayList<>());
        left.add(Math.max(drum.metres(), metres));
      }
      on.get(at).add(piece);
      left.set(at, left.get(at) - metres);
    }
    var all = new ArrayList<Drum>();
    for (var i = 0; i < on.size(); i++) {
      var used = on.get(i).stream().mapToDouble(p -> p.length().metres()).sum();
      all.add(
          new Drum(
              new Length(Math.max(drum.metres(), used)),
              on.get(i).stream().sorted(Comparator.comparing(Piece::length).reversed()).toList()));
    }
    return all;
  }
}
