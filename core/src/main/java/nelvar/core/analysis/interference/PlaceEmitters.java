package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Emitter.Kind;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;

/// What disturbs by where it stands or lies and not over wires: cases of switching supplies, hoses
/// that charge themselves.
final class PlaceEmitters {
  /// V: IEC 61000-4-2:2008, level 2, from memory.
  private static final double CHARGE = 4000;

  /// A in the loop of a supply that switches rectified mains, m of that loop, m of what swings
  /// (from memory and assumed).
  private static final double LOOP_AMPERES = 1;

  private static final double LOOP = 0.02;
  private static final double SWINGS = 0.01;

  /// V and more are rectified and switched.
  private static final double MAINS = 50;

  /// What a case of bent and perforated metal leaves of it (assumed: 20 dB).
  private static final double CASE = 0.1;

  /// mm from edge of case to edge of duct; further, its field is gone.
  private static final double NEAR = 60;

  private PlaceEmitters() {}

  static List<Emitter> of(Study study) {
    var all = new ArrayList<Emitter>();
    for (var cabinet : study.project().layout().cabinets())
      for (var body : Bodies.of(study).in(cabinet))
        if (!body.later() && body.part().electronicSupply()) supply(body, cabinet, study, all);
    hoses(study, all);
    return all;
  }

  /// Past its case, in the ducts beside it.
  private static void supply(Body body, Cabinet cabinet, Study study, List<Emitter> all) {
    Map<Id, Lays.Lies> in = new HashMap<>();
    for (var duct : cabinet.ducts()) {
      if (duct.surface() != body.surface()) continue;
      var box = Box.of(duct.left(), duct.top(), across(duct), down(duct));
      var gap = body.box().gap(box);
      if (gap > NEAR) continue;
      var from = duct.vertical() ? body.box().top() : body.box().left();
      var to = duct.vertical() ? body.box().bottom() : body.box().right();
      bundle(duct, study)
          .ifPresent(bundle ->
              in.put(
                  duct.id(),
                  new Lays.Lies(
                      bundle,
                      List.of(new double[] {from, to}),
                      (to - from) / 1000,
                      body.box().width() / 2000,
                      SWINGS,
                      2 * (gap + 10) / 1000,
                      Optional.of(LOOP),
                      0,
                      false,
                      true)));
    }
    var device = body.device();
    if (in.isEmpty() || device.isEmpty()) return;
    var volts =
        Math.sqrt(2)
            * study.network().feeds(body.id()).stream()
                .filter(f -> f.source().filter(s -> s.output().alternating()).isPresent())
                .mapToDouble(f -> f.voltage().volts())
                .max()
                .orElse(0);
    if (volts < MAINS) return;
    all.add(
        new Emitter(
            device.get(),
            Kind.CASE,
            List.of(),
            Optional.empty(),
            volts * CASE,
            Kind.CASE.rise(),
            LOOP_AMPERES * CASE,
            Kind.CASE.rise(),
            1,
            0,
            new Lays(Map.copyOf(in)),
            List.of(),
            "%.0f V inside, a tenth of it outside".formatted(volts),
            List.of()));
  }

  private static nelvar.core.units.Length across(Cabinet.Duct duct) {
    return duct.vertical() ? duct.width() : duct.length();
  }

  private static nelvar.core.units.Length down(Cabinet.Duct duct) {
    return duct.vertical() ? duct.length() : duct.width();
  }

  private static Optional<Bundle> bundle(Cabinet.Duct duct, Study study) {
    return Lying.of(study).all().stream().filter(b -> b.id().equals(duct.id())).findFirst();
  }

  /// Plastic that dust or air is blown through charges itself, and strikes what lies beside it.
  private static void hoses(Study study, List<Emitter> all) {
    if (study.project().brief().surroundings().dust().filter(d -> d != Brief.Dust.NONE).isEmpty())
      return;
    for (var bundle : study.project().bundles()) {
      if (bundle.form().filter(f -> !f.hoses().isEmpty()).isEmpty()) continue;
      var wires = study.lyingIn(bundle);
      var beside = wires.stream().findFirst().flatMap(w -> study.device(w.from().device()));
      if (beside.isEmpty()) continue;
      var lies = Lays.of(wires, study).in().get(bundle.id());
      if (lies == null) continue;
      all.add(
          new Emitter(
              beside.get(),
              Kind.HOSE,
              List.of(),
              Optional.empty(),
              CHARGE,
              Kind.HOSE.rise(),
              0,
              Kind.HOSE.rise(),
              1,
              0,
              new Lays(Map.of(bundle.id(), lies)),
              List.of(),
              "hose in the " + bundle.name(),
              List.of()));
    }
  }
}
