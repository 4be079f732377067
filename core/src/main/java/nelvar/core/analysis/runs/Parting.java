package nelvar.core.analysis.runs;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.WireClass;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.Length;

/// What lies on which side of a tray's divider: signals at its right, everything else and hoses at
/// its left.
///
/// @param left Σd, mm
/// @param right Σd, mm
public record Parting(double left, double right) {
  /// A divider stands on whole steps of so many mm.
  private static final double STEP = 5;

  public static boolean signal(Disc disc, Study study) {
    return signal(disc.conductor(), study);
  }

  /// A cable goes by the core that says most: one with a signal among them lies with the signals,
  /// unless it carries mains or a motor too.
  public static boolean signal(Conductor wire, Study study) {
    var classes =
        study.cable(wire).map(c -> study.cores(c.id())).orElse(List.of(wire)).stream()
            .map(core -> WireClass.of(core, study))
            .collect(Collectors.toSet());
    return classes.contains(WireClass.SIGNAL)
        && !classes.contains(WireClass.MAINS)
        && !classes.contains(WireClass.MOTOR);
  }

  static Parting of(Iterable<Disc> discs, Bundle.Form form, Study study) {
    var left = form.hoses().stream().mapToDouble(d -> d.metres() * 1000).sum();
    var right = 0.0;
    for (var disc : discs)
      if (signal(disc, study)) right += disc.millimetres();
      else left += disc.millimetres();
    return new Parting(left, right);
  }

  /// A divider in a tray that has none, where both sides then hold what lies in them.
  public static Optional<Edit> divider(Bundle bundle, Study study) {
    var form = bundle.form().filter(f -> f.kind() == Bundle.Kind.TRAY && f.divider().isEmpty());
    if (form.isEmpty()) return Optional.empty();
    var sides = of(Disc.of(study.lyingIn(bundle), study), form.get(), study);
    if (sides.left() == 0 || sides.right() == 0) return Optional.empty();
    var width = form.get().width().metres() * 1000;
    var at = Math.round(width * sides.left() / (sides.left() + sides.right()) / STEP) * STEP;
    if (at < STEP || at > width - STEP) return Optional.empty();
    var parted = form.get().parted(Length.ofMillimetres(at));
    var next = bundle.with(b -> b.form = Optional.of(parted));
    return Fill.of(next, study).filter(Fill::holds).isEmpty()
        ? Optional.empty()
        : Optional.of(
            Edits.change(next)
                .named(
                    "Put a divider into the %s, power on one side, signals on the other"
                        .formatted(bundle.name())));
  }
}
