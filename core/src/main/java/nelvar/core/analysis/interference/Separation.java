package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.model.Bundle;

/// How far apart two trays, conduits or carriers should run, where nobody said how near they are to
/// each other: advice, no finding.
///
/// Computed for both side by side over the shorter of them: the least distance at which every pair
/// has its reserve. Beside it stands what a table asks of power beside signals without metal
/// between them: 200 mm (IEC 60204-1:2016, table H.1, from memory; less in metal that is closed).
///
/// @param disturbs the one with the worst that disturbs
/// @param metres between both; [#NEVER] where no distance within reach helps
public record Separation(Bundle disturbs, Bundle hears, Pair worst, double metres) {
  /// m, IEC 60204-1:2016, table H.1, no metal between, from memory.
  public static final double BY_TABLE = 0.2;

  /// m: further is not searched.
  public static final double NEVER = 1;

  private static final double TOUCHING = 0.02;
  private static final int HALVINGS = 8;

  /// Those that should keep a distance, the furthest first.
  public static List<Separation> of(Study study) {
    return study.once(Separation.class, () -> find(study));
  }

  private static List<Separation> find(Study study) {
    var lying = Lying.of(study);
    var outside =
        study.project().bundles().stream().filter(b -> !b.inside() && !lying.drawn(b)).toList();
    var all = new ArrayList<Separation>();
    for (var a : outside)
      for (var b : outside)
        if (!a.id().equals(b.id())) {
          var side = new Side(a, b, study);
          if (side.worst(TOUCHING).reserve() < 0) all.add(side.least());
        }
    all.sort(java.util.Comparator.comparingDouble(s -> -s.metres()));
    return List.copyOf(all);
  }

  /// Both side by side.
  private record Side(Bundle a, Bundle b, Study study) {
    private record Worst(double reserve, List<Pair> pair) {}

    /// The least that any pair has above its uncertainty, dB.
    Worst worst(double apart) {
      var least = new Worst(Double.MAX_VALUE, List.of());
      for (var e : Emitters.of(study)) {
        var one = e.lays().in().get(a.id());
        if (one == null) continue;
        for (var r : Receivers.of(study)) {
          var other = r.lays().in().get(b.id());
          if (other == null || Coupled.same(e, r)) continue;
          var pair =
              Coupled.of(study).beside(e, r, new Pair.Place("side by side", one, other, apart));
          var reserve = pair.margin() - Pair.FIXED;
          if (reserve < least.reserve()) least = new Worst(reserve, List.of(pair));
        }
      }
      return least;
    }

    Separation least() {
      var low = TOUCHING;
      var high = NEVER;
      if (worst(high).reserve() >= 0)
        for (var n = 0; n < HALVINGS; n++) {
          var middle = (low + high) / 2;
          if (worst(middle).reserve() >= 0) high = middle;
          else low = middle;
        }
      return new Separation(a, b, worst(TOUCHING).pair().getFirst(), high);
    }
  }

  /// `Keep the tray along the frame 60 mm away from …`.
  public String words() {
    var unknown =
        worst.unknown().isEmpty()
            ? ""
            : " %s is not known: taken as the worst.".formatted(String.join(", ", worst.unknown()));
    return said() + unknown;
  }

  private String said() {
    return metres >= NEVER
        ? "Do not run the %s beside the %s (%s into %s)."
            .formatted(
                disturbs.name(), hears.name(), worst.emitter().label(), worst.receiver().label())
        : "Keep the %s %.0f mm away from the %s (%s into %s); a table asks 200 mm without metal between (IEC 60204-1:2016, H.1, from memory)."
            .formatted(
                disturbs.name(),
                Math.ceil(metres * 100) * 10,
                hears.name(),
                worst.emitter().label(),
                worst.receiver().label());
  }
}
