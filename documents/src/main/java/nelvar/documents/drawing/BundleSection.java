package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Disc;
import nelvar.core.analysis.runs.Fill;
import nelvar.core.analysis.runs.Packing;
import nelvar.core.analysis.runs.Parting;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.units.Length;

/// A cut through a bundle where the most lies in it, with the real discs of its wires and cables,
/// to scale, as they would lie when laid in; walls as large as they are where that is known. Units
/// are pixels.
public final class BundleSection {
  private static final double MARGIN = 14;

  /// Pixels a millimetre at the most: more only shows thick lines.
  private static final double LARGEST = 9;

  private BundleSection() {}

  /// Without a limit to its height.
  public static Drawing of(Bundle bundle, Study study, Optional<Id> selected, double width) {
    return of(bundle, study, selected, width, 400);
  }

  /// @param width of the picture, px
  /// @param height it is to find room in, px
  public static Drawing of(
      Bundle bundle, Study study, Optional<Id> selected, double width, double height) {
    var fill = Fill.of(bundle, study);
    var discs = fill.map(Fill::discs).orElseGet(() -> Disc.of(study.lyingIn(bundle), study));
    var hoses = bundle.form().map(Bundle.Form::hoses).orElse(List.of());
    var diameters =
        Stream.concat(
                hoses.stream().map(d -> d.metres() * 1000), discs.stream().map(Disc::millimetres))
            .toList();
    var tied = bundle.form().filter(BundleSection::tied).isPresent();
    var form = bundle.form().filter(f -> !tied(f));
    var round = form.filter(f -> f.kind() == Bundle.Kind.CONDUIT).isPresent();
    double wide =
        form.map(f -> f.width().metres() * 1000)
            .orElseGet(() -> {
              var area = discs.stream().mapToDouble(Disc::area).sum();
              return Math.max(20, Math.sqrt(area / 0.45) * 1.3);
            });
    if (tied) wide = bunch(diameters);
    var divider = form.flatMap(Bundle.Form::divider);
    var laid =
        round || tied
            ? Packing.round(diameters, wide)
            : divider.isPresent()
                ? parted(hoses.size(), discs, diameters, divider.get(), wide, study)
                : Packing.trough(diameters, wide);
    var piled = laid.stream().mapToDouble(l -> l.y() + l.radius()).max().orElse(0);
    var high =
        round || tied
            ? wide
            : Math.max(piled, form.map(f -> f.height().metres() * 1000).orElse(piled));
    high = Math.max(high, 8);
    var scale =
        Math.min(
            LARGEST,
            Math.min((width - 2 * MARGIN) / wide, Math.max(40, height - 2 * MARGIN - 18) / high));
    var shapes = new ArrayList<Shape>();
    var spots = new ArrayList<Drawing.Spot>();
    var left = MARGIN;
    var floor = MARGIN + high * scale;
    if (!tied) walls(form, wide, high, left, floor, scale, shapes);
    for (var one : laid)
      if (one.of() < hoses.size()) hose(one, left, floor, scale, shapes);
      else
        disc(
            discs.get(one.of() - hoses.size()),
            one,
            left,
            floor,
            scale,
            study,
            selected,
            shapes,
            spots);
    if (tied)
      shapes.add(
          Shape.text(
              left,
              floor + 16,
              bundle.form().map(f -> f.kind().words()).orElse("") + ", nothing around it",
              Face.TEXT,
              12.5,
              Ink.TEXT_SOFT));
    else if (laid.size() < diameters.size())
      shapes.add(
          Shape.text(
              left,
              floor + 16,
              "%d find no place in it".formatted(diameters.size() - laid.size()),
              Face.TEXT,
              12.5,
              Ink.ERROR));
    else
      form.ifPresent(f ->
          shapes.add(
              Shape.text(
                  left,
                  floor + 16,
                  size(f) + fill.map(BundleSection::words).orElse(""),
                  Face.TEXT,
                  12.5,
                  fill.map(Fill::holds).orElse(true) ? Ink.TEXT_SOFT : Ink.WARNING)));
    var words =
        form.map(f -> size(f) + fill.map(BundleSection::words).orElse(""))
            .map(text -> Faces.width(text, Face.TEXT, 12.5))
            .orElse(150.0);
    return new Drawing(
        Math.min(width, 2 * MARGIN + Math.max(words, wide * scale)), floor + 24, shapes, spots);
  }

  /// On both sides of a divider: signals at its right, everything else at its left.
  private static List<Packing.Laid> parted(
      int hoses,
      List<Disc> discs,
      List<Double> diameters,
      Length divider,
      double wide,
      Study study) {
    var at = divider.metres() * 1000;
    var left = new ArrayList<Integer>();
    var right = new ArrayList<Integer>();
    for (var n = 0; n < diameters.size(); n++) {
      (n >= hoses && Parting.signal(discs.get(n - hoses), study) ? right : left).add(n);
    }
    var all = new ArrayList<Packing.Laid>();
    for (var one : Packing.trough(left.stream().map(diameters::get).toList(), at))
      all.add(new Packing.Laid(left.get(one.of()), one.x(), one.y(), one.radius()));
    for (var one : Packing.trough(right.stream().map(diameters::get).toList(), wide - at))
      all.add(new Packing.Laid(right.get(one.of()), at + one.x(), one.y(), one.radius()));
    return all;
  }

  /// The narrowest ring that holds all of them, mm.
  private static double bunch(List<Double> diameters) {
    var wide = Math.sqrt(diameters.stream().mapToDouble(d -> d * d).sum());
    while (Packing.round(diameters, wide).size() < diameters.size()) wide *= 1.04;
    return wide;
  }

  private static boolean tied(Bundle.Form form) {
    return form.kind() == Bundle.Kind.LOOM || form.kind() == Bundle.Kind.COIL;
  }

  private static void hose(
      Packing.Laid laid, double left, double floor, double scale, List<Shape> shapes) {
    var r = laid.radius() * scale;
    for (var ring : new double[] {r - 0.5, r * 0.7})
      shapes.add(
          Shape.circle(
              left + laid.x() * scale,
              floor - laid.y() * scale,
              Math.max(0.6, ring),
              Optional.of(Ink.CARD),
              Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 1))));
  }

  private static String size(Bundle.Form form) {
    var width = form.width().metres() * 1000;
    return form.kind() == Bundle.Kind.CONDUIT
        ? String.format(Locale.ROOT, "%.0f mm inside", width)
        : String.format(Locale.ROOT, "%.0f × %.0f mm", width, form.height().metres() * 1000);
  }

  private static String words(Fill fill) {
    return String.format(
        Locale.ROOT,
        ", %.0f %% full, at most %.0f %%",
        fill.filled().value().percent(),
        fill.most().percent().percent());
  }

  private static void walls(
      Optional<Bundle.Form> form,
      double wide,
      double high,
      double left,
      double floor,
      double scale,
      List<Shape> shapes) {
    var pen = Shape.Pen.of(Ink.TEXT_SOFT, 2);
    if (form.filter(f -> f.kind() == Bundle.Kind.CONDUIT).isPresent()) {
      var r = wide / 2 * scale;
      shapes.add(Shape.circle(left + r, floor - r, r + 1, Optional.of(Ink.CARD), Optional.of(pen)));
      return;
    }
    var right = left + wide * scale;
    var top = floor - high * scale;
    if (form.isPresent())
      shapes.add(
          Shape.rectangle(
              left - 1,
              top,
              right - left + 2,
              floor - top + 1,
              Optional.of(Ink.CARD),
              Optional.empty()));
    shapes.add(Shape.line(left - 1, top, left - 1, floor + 1, pen));
    shapes.add(Shape.line(left - 1, floor + 1, right + 1, floor + 1, pen));
    shapes.add(Shape.line(right + 1, top, right + 1, floor + 1, pen));
    if (form.filter(f -> f.kind() == Bundle.Kind.DUCT).isPresent())
      shapes.add(Shape.line(left - 1, top, right + 1, top, new Shape.Pen(Ink.TEXT_SOFT, 1.2, 4)));
    var dividers =
        Stream.concat(
            form.flatMap(Bundle.Form::carrier).map(Bundle.Carrier::dividers).stream()
                .flatMap(List::stream),
            form.flatMap(Bundle.Form::divider).stream());
    dividers.forEach(at -> {
      var x = left + at.metres() * 1000 * scale;
      shapes.add(Shape.line(x, top, x, floor, pen));
    });
  }

  private static void disc(
      Disc disc,
      Packing.Laid laid,
      double left,
      double floor,
      double scale,
      Study study,
      Optional<Id> selected,
      List<Shape> shapes,
      List<Drawing.Spot> spots) {
    var x = left + laid.x() * scale;
    var y = floor - laid.y() * scale;
    var r = laid.radius() * scale;
    var about = disc.conductor().id();
    var cable = disc.conductor().cable();
    var chosen =
        selected
            .filter(id ->
                id.equals(about)
                    || cable.filter(id::equals).isPresent()
                    || study
                        .conductor(id)
                        .filter(w -> cable.isPresent() && w.cable().equals(cable))
                        .isPresent())
            .isPresent();
    var ink = ink(disc.conductor(), study);
    shapes.add(
        Shape.circle(
            x,
            y,
            Math.max(0.6, r - 0.5),
            Optional.of(chosen ? Ink.ACCENT_SOFT : pale(ink)),
            Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : ink, chosen ? 2 : 1))));
    if (disc.shielded())
      shapes.add(
          Shape.circle(
              x, y, Math.max(0.6, r - 3), Optional.empty(), Optional.of(Shape.Pen.of(ink, 0.8))));
    if (!disc.cable())
      shapes.add(Shape.circle(x, y, Math.max(0.8, r * 0.44), Optional.of(ink), Optional.empty()));
    else if (r > 15)
      shapes.add(Shape.text(x, y + 4, disc.name(), Face.MONO, 10, Ink.TEXT, Shape.Anchor.MIDDLE));
    spots.add(new Drawing.Spot(x - r, y - r, 2 * r, 2 * r, about, disc.name()));
  }

  /// Inks without a pale companion leave their disc empty.
  private static Ink pale(Ink ink) {
    return ink.soft() == ink ? Ink.CARD : ink.soft();
  }

  /// What the colours and rings mean.
  public static Drawing legend() {
    var shapes = new ArrayList<Shape>();
    var y = 14.0;
    for (var row :
        List.of(
            Map.entry("mains", Ink.MAINS),
            Map.entry("48 V", Ink.DC_HIGH),
            Map.entry("24 V and below", Ink.DC_LOW),
            Map.entry("to a motor", Ink.MOTOR),
            Map.entry("protective", Ink.EARTH),
            Map.entry("without current", Ink.TEXT_SOFT))) {
      shapes.add(
          Shape.circle(
              8,
              y - 4,
              6,
              Optional.of(pale(row.getValue())),
              Optional.of(Shape.Pen.of(row.getValue(), 1))));
      shapes.add(Shape.text(22, y, row.getKey(), Face.TEXT, 12.5, Ink.TEXT_SOFT));
      y += 18;
    }
    shapes.add(
        Shape.circle(8, y - 4, 6, Optional.empty(), Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 1))));
    shapes.add(
        Shape.circle(8, y - 4, 3.5, Optional.empty(), Optional.of(Shape.Pen.of(Ink.TEXT_SOFT, 1))));
    shapes.add(Shape.text(22, y, "shielded cable", Face.TEXT, 12.5, Ink.TEXT_SOFT));
    return new Drawing(118, y + 8, shapes, List.of());
  }

  private static Ink ink(Conductor conductor, Study study) {
    if (!conductor.carriesWork()) return Ink.EARTH;
    return study.circuit(conductor).map(circuit -> Ink.of(circuit.source())).orElse(Ink.TEXT_SOFT);
  }
}
