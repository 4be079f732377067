package nelvar.documents.drawing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Noise;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.runs.Disc;
import nelvar.core.analysis.runs.Fill;
import nelvar.core.model.Bundle;
import nelvar.core.model.Id;

/// Trays, conduits and carriers below each other, as full as they are.
///
/// @param noise the worst margin of what lies in them and not how full they are
/// @param lit those that are drawn as chosen
/// @param ends what they lead to
record TrayBars(
    Study study,
    boolean noise,
    Set<Id> lit,
    FarEnds ends,
    List<Shape> shapes,
    List<Drawing.Spot> spots) {
  private static final double SMALL = 11;
  private static final double ROW = 30;
  private static final double BETWEEN = 5;

  /// Where the last one ends.
  double draw(List<Bundle> bundles, double x, double top, double width) {
    if (bundles.isEmpty()) return top;
    shapes.add(Shape.text(x, top, "outside the cabinet", Face.TEXT, 12, Ink.TEXT_SOFT));
    var y = top + 8;
    for (var bundle : bundles) {
      bar(bundle, lit.contains(bundle.id()), x, y, width);
      y = ends.draw(ends.through(bundle), x, y + ROW, width) + BETWEEN;
    }
    return y;
  }

  private String full(Bundle bundle, Optional<Fill> fill) {
    return fill.map(f -> String.format(Locale.ROOT, "%.0f %%", f.filled().value().percent()))
        .orElseGet(() -> without(bundle));
  }

  private String without(Bundle bundle) {
    var lying = Disc.of(study.lyingIn(bundle), study).size();
    if (lying == 0) return "empty";
    return bundle.form().isPresent() ? lying + " tied" : "size not known";
  }

  private void bar(Bundle bundle, boolean chosen, double x, double y, double width) {
    var pair = noise ? Noise.of(study).in(bundle.id()) : Optional.<Pair>empty();
    var fill = noise ? Optional.<Fill>empty() : Fill.of(bundle, study);
    var says =
        noise
            ? pair.map(it -> MarginInks.words(it.margin())).orElse("no pair")
            : full(bundle, fill);
    var inks = pair.map(Pair::standing).filter(it -> it != Pair.Standing.QUIET);
    var ink = chosen ? Ink.ACCENT : Ink.TEXT;
    var end = Faces.width(says, Face.TEXT, SMALL) + 6;
    shapes.add(
        Shape.text(
            x,
            y + 12,
            Faces.fit(bundle.name(), Face.TEXT, SMALL, width - end),
            Face.TEXT,
            SMALL,
            ink));
    shapes.add(
        Shape.text(
            x + width,
            y + 12,
            says,
            Face.TEXT,
            SMALL,
            inks.map(MarginInks::strong)
                .orElse(fill.map(Fill::holds).orElse(true) ? ink : Ink.WARNING),
            Shape.Anchor.END));
    shapes.add(
        Shape.rounded(
            x,
            y + 17,
            width,
            9,
            2,
            Optional.of(inks.map(MarginInks::soft).orElse(Ink.DUCT)),
            Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : Ink.LINE, chosen ? 2 : 0.8))));
    fill.ifPresent(f ->
        shapes.add(
            Shape.rectangle(
                x + 1,
                y + 18,
                Math.max(1, (width - 2) * Math.min(1, f.filled().value().fraction())),
                7,
                Optional.of(f.holds() ? Ink.FILLED : Ink.WARNING_SOFT),
                Optional.empty())));
    spots.add(new Drawing.Spot(x, y, width, 28, bundle.id(), bundle.name()));
  }
}
