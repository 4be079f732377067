package nelvar.core.analysis.runs;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.School;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Judged;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;

/// How full a duct, a conduit or a carrier is where the most lies in it: the areas of what lies
/// there, from outside to outside of the insulation, by its room inside.
///
/// Ducts by the school of the Brief (60, 50 or 20 %). Conduits: North American 53 % for one, 31 %
/// for two, 40 % for three and more (NEC 2023, Chapter 9, Table 1, from memory); elsewhere 40 %
/// (common practice). Trays: one layer, side by side, as their ampacities are for. Carriers are
/// judged by their width besides ([CarrierFits]). Looms and coiled cords have no walls.
///
/// @param cut where the most lies
/// @param discs what lies there
/// @param filled with its working
/// @param most what it may be, and by whom
public record Fill(
    Bundle bundle, Lying.Cut cut, List<Disc> discs, Explained<Percent> filled, Limit most) {
  /// @param because the school or table
  public record Limit(Percent percent, String because) {}

  private static final double CARRIER = 60;

  public static Optional<Fill> of(Bundle bundle, Study study) {
    return bundle.form().filter(Fill::walled).map(form -> of(bundle, form, study));
  }

  /// A loom has no walls that could be too near, and a coiled cord is one cable.
  private static boolean walled(Bundle.Form form) {
    return form.kind() != Bundle.Kind.LOOM && form.kind() != Bundle.Kind.COIL;
  }

  private static Fill of(Bundle bundle, Bundle.Form form, Study study) {
    var tray = form.kind() == Bundle.Kind.TRAY;
    var cut =
        Lying.of(study).cuts(bundle).stream()
            .max(Comparator.comparingDouble(c -> taken(Disc.of(c.wires(), study), tray)))
            .orElseGet(() -> new Lying.Cut(bundle.id(), 0, 0, List.of()));
    var discs = Disc.of(cut.wires(), study);
    var w = Working.of("Fill of " + bundle.name());
    var hoses =
        form.hoses().stream()
            .mapToDouble(d -> d.metres() * 1000)
            .map(d -> tray ? d : Math.PI / 4 * d * d)
            .sum();
    var taken = taken(discs, tray) + hoses;
    var room = room(form);
    if (form.divider().isPresent()) {
      var at = form.divider().get().metres() * 1000;
      var sides = Parting.of(discs, form, study);
      var right = sides.right() / (room - at) > sides.left() / at;
      taken = right ? sides.right() : sides.left();
      room = right ? room - at : at;
      w.given(
          "divider",
          form.divider().get(),
          right ? "right of it is fuller" : "left of it is fuller");
    }
    w.given(
        tray ? "Σd" : "ΣA",
        size(taken, tray),
        words(discs) + (form.hoses().isEmpty() ? "" : ", %d hoses".formatted(form.hoses().size())));
    w.given(tray ? "b" : "A", size(room, tray), size(form));
    if (discs.stream().anyMatch(Disc::assumed))
      w.assumed("d", "some", "of wires that are not stocked: 0.8 mm of insulation");
    var filled =
        w.explain(w.result("fill", tray ? "Σd / b" : "ΣA / A", Percent.ofFraction(taken / room)));
    return new Fill(bundle, cut, discs, filled, limit(form, discs.size(), study));
  }

  private static double taken(List<Disc> discs, boolean tray) {
    return discs.stream().mapToDouble(tray ? Disc::millimetres : Disc::area).sum();
  }

  private static double room(Bundle.Form form) {
    var width = form.width().metres() * 1000;
    var height = form.height().metres() * 1000;
    return switch (form.kind()) {
      case DUCT, CARRIER -> width * height;
      case CONDUIT -> Math.PI / 4 * width * width;
      case TRAY -> width;
      case LOOM, COIL -> throw new IllegalStateException("nothing around it");
    };
  }

  private static Object size(double size, boolean tray) {
    return tray ? Length.ofMillimetres(size) : new Measure(size, Measure.Unit.SQUARE_MILLIMETRES);
  }

  private static String size(Bundle.Form form) {
    return form.kind() == Bundle.Kind.CONDUIT
        ? "%.0f mm inside".formatted(form.width().metres() * 1000)
        : "%.0f × %.0f mm inside"
            .formatted(form.width().metres() * 1000, form.height().metres() * 1000);
  }

  private static String words(List<Disc> discs) {
    var cables = discs.stream().filter(Disc::cable).count();
    var wires = discs.size() - cables;
    return cables == 0
        ? wires + " wires"
        : wires == 0 ? cables + " cables" : "%d wires, %d cables".formatted(wires, cables);
  }

  private static Limit limit(Bundle.Form form, int count, Study study) {
    var policies = study.project().brief().policies();
    return switch (form.kind()) {
      case DUCT -> {
        var answer = policies.answer(School.DUCT_FILL);
        yield new Limit(
            new Percent(answer.id().equals("sixty") ? 60 : answer.id().equals("half") ? 50 : 20),
            answer.words());
      }
      case CONDUIT ->
          policies.sizing() == Brief.Sizing.NORTH_AMERICAN
              ? new Limit(
                  new Percent(count == 1 ? 53 : count == 2 ? 31 : 40),
                  "NEC 2023, Chapter 9, Table 1, for %s (from memory)"
                      .formatted(count == 1 ? "one" : count == 2 ? "two" : "three and more"))
              : new Limit(new Percent(40), "common practice");
      case TRAY -> new Limit(Percent.WHOLE, "one layer, as their ampacities are for");
      case CARRIER -> new Limit(new Percent(CARRIER), "common practice");
      case LOOM, COIL -> throw new IllegalStateException("nothing around it");
    };
  }

  public Judged<Percent> judged() {
    return Explained.atMost(
        filled, "most", most.percent(), new Citation(most.because(), "", Citation.Status.ASSUMED));
  }

  public boolean holds() {
    return judged().holds();
  }
}
