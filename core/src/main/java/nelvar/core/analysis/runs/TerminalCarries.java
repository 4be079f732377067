package nelvar.core.analysis.runs;

import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.thermal.InsideAir;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Row;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.standards.TerminalCurrents;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Temperature;

/// No row of terminals carries more than it may in the air it stands in.
///
/// A terminal is 45 K warmer than its air at its rated current, in air up to 40 °C (IEC
/// 60947-7-1:2009, from memory): above that it may carry `In · √((85 °C - T) / 45 K)`, so that it
/// gets no warmer. Rated currents are the part's; of strips those of the standard by section. Of a
/// block counts all that comes in, of a strip its fullest way.
public final class TerminalCarries implements Rule {
  private static final Reason MUCH = Reason.of("A row of terminals carries more than it is rated");
  private static final Reason WARM = Reason.of("A row of terminals carries too much for its air");

  private static final double REFERENCE = 40;
  private static final double RISE = 45;

  @Override
  public String id() {
    return "runs.terminal-current";
  }

  @Override
  public String asks() {
    return "No row of terminals carries more than it may in its air.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return StripPlan.all(study).stream()
        .filter(strip -> strip.row().role().filter(Terminal.Role.PROTECTIVE::equals).isEmpty())
        .filter(strip -> carried(strip, study) > 0)
        .flatMap(Contained.one(this, strip -> strip.device().id(), strip -> judge(strip, study)));
  }

  /// A: through the fullest way, or of a block half of all that goes in and out, at the least its
  /// greatest wire.
  private static double carried(StripPlan strip, Study study) {
    var wires =
        strip.ways().stream()
            .flatMap(way -> way.landing().stream())
            .map(StripPlan.Landing::wire)
            .filter(Conductor::carriesWork)
            .toList();
    var greatest = wires.stream().mapToDouble(w -> amperes(w, study)).max().orElse(0);
    if (!strip.common()) return greatest;
    return Math.max(greatest, wires.stream().mapToDouble(w -> amperes(w, study)).sum() / 2);
  }

  private static double amperes(Conductor wire, Study study) {
    return study.designCurrent(wire).amperes();
  }

  private record Rated(Current current, boolean stated) {}

  private static Optional<Rated> rated(Row row) {
    return row.rating()
        .map(current -> new Rated(current, true))
        .or(() ->
            row.clamp()
                .flatMap(clamp -> TerminalCurrents.rated(clamp.greatest()))
                .map(cited -> new Rated(cited.value(), false)));
  }

  private static double share(Temperature air) {
    return Math.sqrt(Math.clamp((REFERENCE + RISE - air.celsius()) / RISE, 0, 1));
  }

  private static Temperature air(Device device, Study study) {
    if (device.place() == Place.MACHINE) return study.project().brief().surroundings().greatest();
    return InsideAir.at(device.id(), study)
        .map(PartAir::expected)
        .orElseGet(() -> InsideAir.of(study).expected());
  }

  private static Verdict judge(StripPlan strip, Study study) {
    var device = strip.device();
    var rated = rated(strip.row());
    if (rated.isEmpty())
      return new Verdict.NotChecked(device.id(), "what its terminals carry is not stated");
    var w = Working.of("What %s carries".formatted(device.designation()));
    var carried = w.given("I", new Current(carried(strip, study)), "what lands on it, all on");
    var most =
        w.given(
            "In",
            rated.get().current(),
            rated.get().stated() ? "its part" : "IEC 60947-7-1:2009 by its section (unchecked)");
    var air = w.given("T", air(device, study), "air at it");
    var may =
        w.result("may", "In · √((85 °C - T) / 45 K)", new Current(most.amperes() * share(air)));
    var trail = w.explain(device).trail();
    if (carried.compareTo(may) <= 0) return new Verdict.Pass(device.id(), trail);
    var over = carried.compareTo(most) > 0;
    return new Verdict.Finding(
        device.id(),
        over && rated.get().stated() ? Severity.ERROR : Severity.WARNING,
        over ? MUCH : WARM,
        over
            ? "%s carries %s and is rated %s: it gets too hot and works loose. Take a larger one."
                .formatted(device.designation(), carried, most)
            : "%s carries %s, and in air of %s it may carry %s. Take a larger one, or cooler air."
                .formatted(device.designation(), carried, air, may),
        trail,
        TerminalHolds.larger(strip, study, next -> bears(next, carried, air)));
  }

  private static boolean bears(Part next, Current carried, Temperature air) {
    return next.row()
        .flatMap(TerminalCarries::rated)
        .filter(rated -> rated.current().amperes() * share(air) >= carried.amperes())
        .isPresent();
  }
}
