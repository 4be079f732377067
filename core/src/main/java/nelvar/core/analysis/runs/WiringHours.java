package nelvar.core.analysis.runs;

import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;

/// How long the wiring takes one person, from minutes a step; all of them assumed (no published
/// source): what a shop measures of its own is better.
public final class WiringHours {
  private static final double END = 2;
  private static final double LABEL = 0.5;
  private static final double PULL = 5;
  private static final double PULL_METRE = 0.5;
  private static final double GLAND = 10;
  private static final double SHIELD = 4;

  private WiringHours() {}

  /// @param each minutes for one
  public record Step(String what, int count, double each) {
    public double minutes() {
      return count * each;
    }
  }

  public static List<Step> of(Study study) {
    var cut = study.project().conductors().stream().filter(w -> !w.plugged()).toList();
    var cables = study.project().cables();
    var metres =
        cables.stream()
            .flatMap(cable -> study.length(cable).stream())
            .mapToDouble(length -> length.metres())
            .sum();
    var glands =
        study.project().layout().cabinets().stream()
            .mapToInt(cabinet -> Entries.of(cabinet, study).all().size())
            .sum();
    var shields =
        (int)
            cables.stream()
                .filter(cable ->
                    study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock
                        && stock.shielded())
                .count();
    return List.of(
        new Step("strip, ferrule and land an end", 2 * cut.size(), END),
        new Step(
            "label an end",
            (int) (2 * cut.stream().filter(w -> w.cable().isEmpty()).count()) + 2 * cables.size(),
            LABEL),
        new Step("pull a cable", cables.size(), PULL),
        new Step("pull a metre of cable", (int) Math.ceil(metres), PULL_METRE),
        new Step("a gland with its hole", glands, GLAND),
        new Step("clamp a shield", shields, SHIELD));
  }

  public static double hours(Study study) {
    return of(study).stream().mapToDouble(Step::minutes).sum() / 60;
  }
}
