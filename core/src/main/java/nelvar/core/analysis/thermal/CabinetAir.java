package nelvar.core.analysis.thermal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.formula.Enclosure;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.standards.CopperResistance;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;

/// The air in one cabinet, warmed through, the room at its hottest.
///
/// `ΔTmiddle = P/(k · Ae + V/f + q)`; the top is 1.15 to 1.4 times as much above the room by how
/// slender the cabinet is; a fan inside that stirs, or one that blows through, mixes the air to the
/// mean, the former without plumes. Above hot parts stands a plume ([nelvar.core.formula.Plume]).
/// Good for ±25 % of the rise (common practice); a measured rise overrides and leaves ±10 %
/// (assumed).
///
/// @param heats what each device in it gives off, in the order of the project
/// @param around the air outside, sun included
/// @param middle rise of the air at half the height
/// @param top rise of the air under the roof
/// @param off how many times the model's rise was measured; empty where nothing was measured
public record CabinetAir(
    Cabinet cabinet,
    List<Heat> heats,
    Power inside,
    Temperature around,
    double middle,
    double top,
    boolean small,
    boolean mixed,
    boolean stirred,
    Optional<Double> off,
    Trail trail) {
  /// Of the rise, either way.
  public static final double BAND = 0.25;

  private static final double MEASURED_BAND = 0.1;

  public CabinetAir {
    heats = List.copyOf(heats);
  }

  /// What one device gives off into the air of the cabinet.
  ///
  /// @param inside what of it stays inside; the rest leaves through the wall
  public record Heat(Device device, Explained<Power> whole, Power inside) {}

  /// What may go wrong with what cools it.
  public enum Trouble {
    NONE("as designed"),
    CLOGGED("filter clogged"),
    STOPPED("fan stopped");

    private final String words;

    Trouble(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public static CabinetAir of(Cabinet cabinet, Study study) {
    return study.once(
        List.of(CabinetAir.class, cabinet.id()), () -> of(cabinet, study, Trouble.NONE));
  }

  /// The same with what cools it in trouble.
  public static CabinetAir of(Cabinet cabinet, Study study, Trouble trouble) {
    var shell = cabinet.shell();
    var surroundings = study.project().brief().surroundings();
    var w = Working.of("Air in " + (cabinet.name().isEmpty() ? cabinet.id() : cabinet.name()));
    var heats = heats(cabinet, study, trouble);
    var wires = first(cabinet, study) ? wires(study) : 0;
    var watts = heats.stream().mapToDouble(h -> h.inside().watts()).sum() + wires;
    heats.stream()
        .filter(h -> h.inside().watts() >= 1)
        .forEach(h -> w.given("P" + h.device().designation(), h.inside(), "stays inside"));
    if (wires >= 1) w.given("Pwires", new Power(wires), "I²·R of the wires in its ducts");
    var losses = w.result("P", "sum of all that is given off inside", new Power(watts));
    var around =
        w.given("Ta", surroundings.greatest(), "the room at its hottest, from the Brief").celsius();
    if (shell.sun().isPresent()) {
      var sun = Sunshine.kelvin(shell.sun().get());
      w.assumed(
          "sun",
          new Measure(sun, Measure.Unit.TEMPERATURE_RISE),
          "sol-air temperature on a third of the walls");
      around += sun;
    }
    if (!shell.closed()) {
      w.assumed("ΔT", "0 K", "an open shelf holds no air; only plumes stand above hot parts");
      return new CabinetAir(
          cabinet,
          heats,
          losses,
          new Temperature(around),
          0,
          0,
          false,
          false,
          false,
          Optional.empty(),
          w.explain(losses).trail());
    }
    var area =
        w.result(
            "Ae",
            shell.stands().formula() + " (IEC TR 60890, from memory)",
            shell.stands().effectiveArea(shell.width(), shell.height(), shell.depth()));
    var k = w.table("k", Walls.of(shell.housing()), shell.housing().words());
    var thin = Walls.atHeight(surroundings.altitude());
    if (thin < 0.98) {
      w.given("h", surroundings.altitude(), "above the sea");
      k =
          w.result(
              "k",
              "k · (1 − 0.5 · (1 − density))",
              new Measure(k.value() * thin, Measure.Unit.HEAT_TRANSFER));
    }
    var cooling = Cooling.of(cabinet, study, trouble);
    cooling.write(w);
    var left = new Power(Math.max(0, watts - cooling.removed()));
    var rise =
        Math.min(
            999,
            Enclosure.rise(
                    left,
                    k,
                    area,
                    new Measure(cooling.flow(), Measure.Unit.AIR_FLOW),
                    Enclosure.airFactor(surroundings.altitude()),
                    new Measure(cooling.exchanged(), Measure.Unit.HEAT_PER_KELVIN))
                .value());
    var middle =
        w.result("ΔTmiddle", cooling.formula(), new Measure(rise, Measure.Unit.TEMPERATURE_RISE))
            .value();
    var over = cooling.mixed() ? 1 : Enclosure.topOverMiddle(shell.width(), shell.height());
    var top = middle * over;
    if (cooling.mixed()) w.assumed("ΔTtop", "ΔTmiddle", "a fan mixes the air");
    else
      w.result(
          "ΔTtop",
          "%.2f · ΔTmiddle (by height to width)".formatted(over),
          new Measure(top, Measure.Unit.TEMPERATURE_RISE));
    var off = Optional.<Double>empty();
    if (cabinet.felt().isPresent() && trouble == Trouble.NONE && top > 0) {
      var felt = cabinet.felt().get();
      var measured =
          w.given(
              "ΔTmeasured",
              new Measure(
                  felt.inside().celsius() - felt.around().celsius(), Measure.Unit.TEMPERATURE_RISE),
              "at the top, warmed through");
      var times = measured.value() / top;
      off = Optional.of(times);
      w.result(
          "measured/model",
          "ΔTmeasured/ΔTtop; every rise is scaled by it",
          Percent.ofFraction(times));
      middle *= times;
      top *= times;
    }
    w.result("Ttop", "Ta + ΔTtop", new Temperature(around + top));
    return new CabinetAir(
        cabinet,
        heats,
        losses,
        new Temperature(around),
        middle,
        top,
        area.compareTo(Enclosure.SMALL) <= 0,
        cooling.mixed(),
        cooling.stirred(),
        off,
        w.explain(losses).trail());
  }

  private static List<Heat> heats(Cabinet cabinet, Study study, Trouble trouble) {
    var bodies = Bodies.of(study);
    var all = new ArrayList<Heat>();
    for (var device : study.project().devices()) {
      var placed = study.project().layout().placement(device.id());
      if (placed.isPresent()
          ? !placed.get().cabinet().equals(cabinet.id()) || !placed.get().surface().inside()
          : device.place() == Place.MACHINE || !first(cabinet, study)) continue;
      var heat = DeviceHeat.of(device, study);
      var through =
          placed
              .filter(p -> p.sinkOutside())
              .flatMap(_ -> bodies.of(device.id()))
              .flatMap(body -> body.fitting().through())
              .map(Percent::fraction)
              .or(() -> outdoors(device, bodies))
              .orElse(0.0);
      // What stands still gives nothing off.
      var still =
          trouble == Trouble.STOPPED && bodies.of(device.id()).filter(Cooling::cools).isPresent();
      all.add(new Heat(device, heat, heat.value().times(still ? 0 : 1 - through)));
    }
    return all;
  }

  /// A cooling unit gives its own heat to the room with what it carries out; of an exchanger one of
  /// two fans stands in the room (common practice).
  private static Optional<Double> outdoors(Device device, Bodies bodies) {
    return bodies
        .of(device.id())
        .filter(Cooling::throughWall)
        .flatMap(body ->
            body.fitting().removes().isPresent()
                ? Optional.of(1.0)
                : body.fitting().exchanges().map(_ -> 0.5));
  }

  /// What nobody placed yet stands in the first cabinet, for the time being.
  private static boolean first(Cabinet cabinet, Study study) {
    return study.project().layout().cabinets().getFirst().id().equals(cabinet.id());
  }

  private static double wires(Study study) {
    var watts = 0.0;
    var warm = study.hot();
    for (var wire : study.project().conductors()) {
      if (!study.staysInside(wire)) continue;
      var current = study.runningCurrent(wire).amperes();
      if (current <= 0) continue;
      watts +=
          study
              .length(wire)
              .flatMap(length ->
                  wire.section().flatMap(section -> CopperResistance.of(section, length, warm)))
              .map(r -> r.ohms() * current * current)
              .orElse(0.0);
    }
    return watts;
  }

  /// Either way, of every rise.
  public double band() {
    return off.isPresent() ? MEASURED_BAND : BAND;
  }

  /// Rise at a height, 0 at the bottom and 1 at the top.
  public double rise(double height) {
    return middle + (top - middle) * Enclosure.profile(height, small);
  }

  public Temperature at(double height) {
    return new Temperature(around.celsius() + rise(height));
  }

  public Temperature hottest() {
    return at(1);
  }

  /// The warm edge of the band: what verdicts are made with.
  public Temperature upper(double rise) {
    return new Temperature(around.celsius() + rise * (1 + band()));
  }

  public Optional<Heat> heat(Id device) {
    return heats.stream().filter(h -> h.device().id().equals(device)).findFirst();
  }

  /// How high a body stands, 0 at the bottom of the cabinet and 1 at its top.
  public double height(Body body) {
    var shell = cabinet.shell();
    var high = outside(shell);
    return switch (body.surface()) {
      case PLATE -> 1 - (body.box().middleY() + (high - plate(shell)) / 2) / high;
      case DOOR, LEFT, RIGHT, OUTSIDE -> 1 - body.box().middleY() / high;
      case TOP -> 1;
      case BOTTOM -> 0;
    };
  }

  private static double outside(Shell shell) {
    return shell.height().metres() * 1000;
  }

  private static double plate(Shell shell) {
    return shell.size(Surface.PLATE).height().metres() * 1000;
  }
}
