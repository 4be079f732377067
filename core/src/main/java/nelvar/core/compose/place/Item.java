package nelvar.core.compose.place;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.NoiseClass;
import nelvar.core.analysis.space.PowerIn;
import nelvar.core.analysis.thermal.DeviceHeat;
import nelvar.core.analysis.thermal.HeatBelow;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Fitting;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Placement;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;

/// One part that is to find its place in a row of the plate, upright.
///
/// @param above free above it, as much as its air and what is to be reached there want, mm
/// @param rank the order in which a builder lays things out: power first, field terminals last
/// @param watts what it gives off
/// @param hates warm air hurts it
/// @param top wires enter above
record Item(
    Device device,
    Part part,
    double width,
    double height,
    double depth,
    double above,
    double below,
    double left,
    double right,
    int rank,
    NoiseClass noise,
    double watts,
    boolean hates,
    boolean top,
    boolean bottom,
    boolean onRail,
    boolean filters,
    boolean inlet,
    boolean field) {
  /// The rank of terminals that cables of the machine land on.
  static final int FIELD = 9;

  static Optional<Item> of(Device device, Study study) {
    var part = study.part(device);
    var size = Bodies.size(device, study);
    if (part.isEmpty() || size.isEmpty()) return Optional.empty();
    var fitting = part.get().article().fitting().orElse(Fitting.UNKNOWN);
    var noise = NoiseClass.of(device, study);
    return Optional.of(
        new Item(
            device,
            part.get(),
            size.get().width(),
            size.get().height(),
            size.get().depth().orElse(0.0),
            Math.max(mm(fitting.above()), reach(fitting, Fitting.Side.TOP)),
            Math.max(mm(fitting.below()), reach(fitting, Fitting.Side.BOTTOM)),
            Math.max(mm(fitting.sides()), reach(fitting, Fitting.Side.LEFT)),
            Math.max(mm(fitting.sides()), reach(fitting, Fitting.Side.RIGHT)),
            rank(part.get(), noise, device, study),
            noise,
            DeviceHeat.of(device, study).value().watts(),
            HeatBelow.delicate(part.get()) || HeatBelow.low(part.get()),
            enters(fitting, Fitting.Side.TOP),
            enters(fitting, Fitting.Side.BOTTOM),
            part.get().article().mounting().equals(Optional.of(Article.Mounting.RAIL)),
            part.get().filtersMains(),
            part.get().mainsInlet(),
            PowerIn.field(device, part.get(), study)));
  }

  private static double mm(Optional<Length> room) {
    return room.map(Box::mm).orElse(0.0);
  }

  private static double reach(Fitting fitting, Fitting.Side side) {
    return fitting.reach().stream()
        .filter(reach -> reach.side() == side)
        .mapToDouble(reach -> Box.mm(reach.free()))
        .max()
        .orElse(0);
  }

  private static boolean enters(Fitting fitting, Fitting.Side side) {
    return fitting.wires().isEmpty()
        || fitting.wires().contains(side)
        || fitting.wires().stream()
            .noneMatch(s -> s == Fitting.Side.TOP || s == Fitting.Side.BOTTOM);
  }

  /// Where in the order of a builder's hand it comes.
  private static int rank(Part part, NoiseClass noise, Device device, Study study) {
    if (part.mainsInlet()) return 0;
    if (part.filtersMains()) return 1;
    if (part.drives() && noise == NoiseClass.MOTORS) return onMains(device, study) ? 2 : 6;
    return switch (noise) {
      case MAINS -> 3;
      case SUPPLY -> 4;
      case COILS -> 7;
      case LOGIC, ANALOGUE -> 8;
      case MOTORS -> 6;
      case DC -> PowerIn.field(device, part, study) ? FIELD : 5;
    };
  }

  private static boolean onMains(Device device, Study study) {
    return nelvar.core.analysis.space.OnMains.of(study).devices().contains(device.id());
  }

  /// With its left edge and the middle of its height there.
  Box box(double left, double middle) {
    return new Box(left, middle - height / 2, width, height);
  }

  Placement at(Cabinet cabinet, double left, double middle) {
    return Placement.at(
            device.id(),
            cabinet.id(),
            Surface.PLATE,
            Box.length(left),
            Box.length(middle - height / 2))
        .on(spacers());
  }

  /// A bare board stands on spacers of 10 mm (common practice).
  private Optional<Length> spacers() {
    return part.article().fitting().filter(Fitting::bareBoard).map(_ -> Length.ofMillimetres(10));
  }

  Body body(Cabinet cabinet, double left, double middle, Study study) {
    return Bodies.body(at(cabinet, left, middle), study).orElseThrow();
  }
}
