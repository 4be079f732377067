package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.WireStock;
import nelvar.core.model.Bundle;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;

/// A cut through a bundle with the real discs of its wires and cables, to scale, as they would lie
/// when laid in. Units are pixels; `scale` pixels stand for a millimetre.
public final class BundleSection {
  private BundleSection() {}

  private record Disc(
      double diameter, Id about, String name, Ink ink, boolean cable, boolean shielded) {}

  /// @param width of the picture; the discs are piled in rows from the bottom
  public static Drawing of(Bundle bundle, Study study, Optional<Id> selected, double width) {
    var discs = discs(bundle, study);
    var area = discs.stream().mapToDouble(d -> Math.PI / 4 * d.diameter() * d.diameter()).sum();
    var trough = Math.max(20, Math.sqrt(area / 0.45) * 1.3);
    var scale = Math.min(8, (width - 24) / trough);
    var shapes = new ArrayList<Shape>();
    var spots = new ArrayList<Drawing.Spot>();
    var rows = new ArrayList<List<Disc>>();
    var row = new ArrayList<Disc>();
    var used = 0.0;
    for (var disc : discs) {
      if (used + disc.diameter() > trough && !row.isEmpty()) {
        rows.add(row);
        row = new ArrayList<>();
        used = 0;
      }
      row.add(disc);
      used += disc.diameter();
    }
    if (!row.isEmpty()) rows.add(row);
    var height =
        rows.stream().mapToDouble(r -> r.stream().mapToDouble(Disc::diameter).max().orElse(0)).sum()
                * scale
            + 16;
    var bottom = height;
    var left = 12.0;
    shapes.add(Shape.line(left - 3, 4, left - 3, height + 2, Shape.Pen.of(Ink.TEXT_SOFT, 2)));
    shapes.add(
        Shape.line(
            left - 4,
            height + 2,
            left + trough * scale + 4,
            height + 2,
            Shape.Pen.of(Ink.TEXT_SOFT, 2)));
    shapes.add(
        Shape.line(
            left + trough * scale + 3,
            4,
            left + trough * scale + 3,
            height + 2,
            Shape.Pen.of(Ink.TEXT_SOFT, 2)));
    for (var line : rows) {
      var x = left;
      var tallest = line.stream().mapToDouble(Disc::diameter).max().orElse(0) * scale;
      for (var disc : line) {
        var d = disc.diameter() * scale;
        var chosen = selected.filter(disc.about()::equals).isPresent();
        shapes.add(
            Shape.circle(
                x + d / 2,
                bottom - d / 2,
                d / 2 - 0.6,
                Optional.of(chosen ? Ink.ACCENT_SOFT : disc.ink().soft()),
                Optional.of(Shape.Pen.of(chosen ? Ink.ACCENT : disc.ink(), chosen ? 2 : 1))));
        if (disc.shielded())
          shapes.add(
              Shape.circle(
                  x + d / 2,
                  bottom - d / 2,
                  d / 2 - 3,
                  Optional.empty(),
                  Optional.of(Shape.Pen.of(disc.ink(), 0.8))));
        if (!disc.cable())
          shapes.add(
              Shape.circle(
                  x + d / 2,
                  bottom - d / 2,
                  Math.max(1.2, d * 0.22),
                  Optional.of(disc.ink()),
                  Optional.empty()));
        else if (d > 30)
          shapes.add(
              Shape.text(
                  x + d / 2,
                  bottom - d / 2 + 4,
                  disc.name(),
                  Face.MONO,
                  10,
                  Ink.TEXT,
                  Shape.Anchor.MIDDLE));
        spots.add(new Drawing.Spot(x, bottom - d, d, d, disc.about(), disc.name()));
        x += d;
      }
      bottom -= tallest;
    }
    return new Drawing(width, height + 8, shapes, spots);
  }

  /// What the colours and rings mean.
  public static Drawing legend() {
    var shapes = new ArrayList<Shape>();
    var y = 14.0;
    for (var row :
        List.of(
            java.util.Map.entry("mains", Ink.MAINS),
            java.util.Map.entry("48 V", Ink.DC_HIGH),
            java.util.Map.entry("24 V and below", Ink.DC_LOW),
            java.util.Map.entry("to a motor", Ink.MOTOR),
            java.util.Map.entry("protective", Ink.EARTH))) {
      shapes.add(
          Shape.circle(
              8,
              y - 4,
              6,
              Optional.of(row.getValue().soft()),
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

  private static List<Disc> discs(Bundle bundle, Study study) {
    var discs = new ArrayList<Disc>();
    var cables = new HashSet<Id>();
    for (var conductor : study.lyingIn(bundle)) {
      var cable = study.cable(conductor);
      if (cable.isPresent()) {
        if (!cables.add(cable.get().id())) continue;
        study
            .catalogue()
            .find(cable.get().stock())
            .map(CableStock.class::cast)
            .ifPresent(stock ->
                discs.add(
                    new Disc(
                        stock.outerDiameter().metres() * 1000,
                        conductor.id(),
                        cable.get().label().text(),
                        ink(conductor, study),
                        true,
                        stock.shielded())));
      } else {
        discs.add(
            new Disc(
                diameter(conductor, study),
                conductor.id(),
                conductor.label().text(),
                ink(conductor, study),
                false,
                false));
      }
    }
    discs.sort(
        java.util.Comparator.comparingDouble(Disc::diameter)
            .reversed()
            .thenComparing(disc -> disc.ink()));
    return discs;
  }

  /// Outer diameter of the stocked wire of that section; where there is none, of a wire with 0.8 mm
  /// of insulation.
  private static double diameter(Conductor conductor, Study study) {
    if (conductor.section().isEmpty()) return 2.5;
    var section = conductor.section().get();
    return study
        .catalogue()
        .of(WireStock.class)
        .filter(wire -> wire.section().equals(section))
        .findFirst()
        .map(wire -> wire.outerDiameter().metres() * 1000)
        .orElse(2 * Math.sqrt(section.squareMillimetres() * 1.3 / Math.PI) + 1.6);
  }

  private static Ink ink(Conductor conductor, Study study) {
    if (!conductor.carriesWork()) return Ink.EARTH;
    return study.circuit(conductor).map(circuit -> Ink.of(circuit.source())).orElse(Ink.TEXT_SOFT);
  }
}
