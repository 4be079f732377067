package nelvar.core.analysis.runs;

import java.util.List;
import java.util.stream.Collectors;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;
import nelvar.core.units.Length;

/// The way one conductor or cable takes, leg by leg.
///
/// @param forced no way that is kept for its like leads there: it goes by what is kept for others
public record Route(List<Leg> legs, boolean forced) {
  public Route {
    legs = List.copyOf(legs);
  }

  public sealed interface Leg {
    /// Along it, mm.
    double millimetres();

    String words();
  }

  /// Within a cabinet, from terminal to terminal or to where cables leave.
  public record Within(Id cabinet, String name, DuctWays.Way way) implements Leg {
    @Override
    public double millimetres() {
      return way.length();
    }

    @Override
    public String words() {
      return way.passes().isEmpty()
          ? "in " + name
          : way.passes().stream()
              .map(pass -> pass.duct().text())
              .distinct()
              .collect(Collectors.joining(", "));
    }
  }

  /// In a conduit, on a tray, through a carrier.
  public record Through(Bundle bundle, double millimetres) implements Leg {
    @Override
    public String words() {
      return bundle.name();
    }
  }

  /// To a place of the machine, as far as the Brief says.
  public record Across(String from, String to, double millimetres) implements Leg {
    @Override
    public String words() {
      return "to the " + to;
    }
  }

  /// All legs, without slack.
  public Length length() {
    return Length.ofMillimetres(legs.stream().mapToDouble(Leg::millimetres).sum());
  }

  /// `D1, D3, tray along the frame`.
  public String words() {
    return legs.stream().map(Leg::words).distinct().collect(Collectors.joining(", "));
  }

  /// Whether it leaves a cabinet.
  public boolean outside() {
    return legs.stream().anyMatch(leg -> !(leg instanceof Within));
  }

  /// The loops of a carrier's two ends, and what is clamped there.
  public long carriers() {
    return legs.stream()
        .filter(leg ->
            leg instanceof Through(var bundle, var _)
                && bundle.form().filter(f -> f.kind() == Bundle.Kind.CARRIER).isPresent())
        .count();
  }
}
