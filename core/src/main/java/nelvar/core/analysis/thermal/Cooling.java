package nelvar.core.analysis.thermal;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PulsedFan;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.catalogue.Disconnector;
import nelvar.core.catalogue.Link;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.network.Edge;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;
import nelvar.core.units.Power;

/// What cools a cabinet besides its walls.
///
/// A fan in a wall, door, roof or floor blows through a filter: it moves 60 % of what it moves in
/// free air, 30 % when the filter is clogged (common practice: take one and a half to two times
/// what is needed). A fan on the plate only stirs. One that nothing feeds stands still.
///
/// @param flow that really passes, m³/h
/// @param exchanged W/K
/// @param removed W
record Cooling(
    double flow,
    double exchanged,
    double removed,
    boolean mixed,
    boolean stirred,
    List<Line> lines) {
  static final double CLEAN = 0.6;
  static final double CLOGGED = 0.3;

  record Line(String symbol, Measure value, String why) {}

  static Cooling of(Cabinet cabinet, Study study, CabinetAir.Trouble trouble) {
    var flow = 0.0;
    var exchanged = 0.0;
    var removed = 0.0;
    var mixed = false;
    var stirred = false;
    var lines = new ArrayList<Line>();
    for (var body : Bodies.of(study).in(cabinet)) {
      if (body.later() || !cools(body)) continue;
      var turns = trouble == CabinetAir.Trouble.STOPPED ? 0 : turning(body, study);
      var fitting = body.fitting();
      if (turns == 0) {
        lines.add(
            new Line(
                "V" + body.name(),
                new Measure(0, Measure.Unit.AIR_FLOW),
                trouble == CabinetAir.Trouble.STOPPED ? "stopped" : still(body, study)));
        continue;
      }
      mixed = true;
      stirred |= fitting.moves().isPresent() && !throughWall(body);
      if (fitting.moves().isPresent() && throughWall(body)) {
        var filter = trouble == CabinetAir.Trouble.CLOGGED ? CLOGGED : CLEAN;
        var moved = fitting.moves().get().value() * filter * turns;
        flow += moved;
        lines.add(
            new Line(
                "V" + body.name(),
                new Measure(moved, Measure.Unit.AIR_FLOW),
                "%d %% of %s through its filter%s"
                    .formatted(
                        Math.round(filter * 100), fitting.moves().get(), switchedBy(body, study))));
      }
      exchanged += fitting.exchanges().map(Measure::value).orElse(0.0) * turns;
      removed += fitting.removes().map(Power::watts).orElse(0.0) * turns;
    }
    return new Cooling(flow, exchanged, removed, mixed, stirred, lines);
  }

  static boolean cools(Body body) {
    return body.fitting().cools();
  }

  static boolean throughWall(Body body) {
    return body.surface() != Surface.PLATE && body.surface() != Surface.OUTSIDE;
  }

  /// The share of the time it turns; 0 where nothing feeds it.
  private static double turning(Body fan, Study study) {
    var device = fan.device().orElseThrow();
    var fed =
        study.network().feeds(device.id()).stream()
            .anyMatch(feed -> study.currents().drawn(feed).runningWatts() > 0);
    if (!fed || PulsedFan.stalls(device, study).isPresent()) return 0;
    return device.work().dutyFactor();
  }

  private static String still(Body fan, Study study) {
    return PulsedFan.stalls(fan.device().orElseThrow(), study)
        .map("pulses of %s do not turn it"::formatted)
        .orElse("nothing feeds it");
  }

  /// `, while -A1 FAN0 lets it`; nothing for what is always on.
  private static String switchedBy(Body fan, Study study) {
    var topology = study.network().topology();
    return study.network().feeds(fan.id()).stream()
        .flatMap(feed -> feed.lineWays().stream())
        .flatMap(List::stream)
        .map(topology::edge)
        .filter(Edge.Through.class::isInstance)
        .map(Edge.Through.class::cast)
        .filter(through ->
            through.link().kind() == Link.Kind.OUTPUT || through.link().kind() == Link.Kind.CONTACT)
        .filter(through -> !(study.part(through.device()).orElseThrow() instanceof Disconnector))
        .map(through ->
            ", while %s %s lets it"
                .formatted(
                    through.device().designation(),
                    through.link().actuator().orElse(through.link().b())))
        .findFirst()
        .orElse("");
  }

  void write(Working w) {
    for (var line : lines) w.given(line.symbol(), line.value(), line.why());
    if (exchanged > 0)
      w.given("q", new Measure(exchanged, Measure.Unit.HEAT_PER_KELVIN), "of the exchanger");
    if (removed > 0) w.given("Pcooler", new Power(removed), "carried out by the cooling unit");
  }

  String formula() {
    var carried = new ArrayList<String>();
    carried.add("k · Ae");
    if (flow > 0) carried.add("ΣV/f");
    if (exchanged > 0) carried.add("q");
    return (removed > 0 ? "(P − Pcooler)" : "P") + "/(" + String.join(" + ", carried) + ")";
  }
}
