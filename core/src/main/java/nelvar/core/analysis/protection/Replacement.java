package nelvar.core.analysis.protection;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.FuseHolder;
import nelvar.core.catalogue.MotorProtector;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Repair;
import nelvar.core.model.Device;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.TripTime;
import nelvar.core.standards.FuseClass;
import nelvar.core.units.Current;
import nelvar.core.units.Price;

/// Protective devices of the catalogue that could stand in the place of another: breakers for a
/// breaker, fuses of its class for a fuse, motor protective switches for one.
public final class Replacement {
  private Replacement() {}

  /// The device with the least rating that carries the load and stands what flows at switching on;
  /// wires are not looked at.
  public static Optional<Part> least(
      Part now, ProtectiveDevices.Protecting protecting, Study study) {
    var rated = rated(protecting, study);
    return alike(now, study).stream()
        .filter(next -> works(protection(next), protecting, rated))
        .min(
            Comparator.comparing((Part next) -> protection(next).rating())
                .thenComparing(Replacement::price)
                .thenComparing(next -> protection(next).toString())
                .thenComparing(Part::id));
  }

  /// Whether this kind of device is chosen by its rating at all.
  public static boolean chosen(Part part) {
    return part instanceof CircuitBreaker
        || part instanceof FuseHolder
        || part instanceof MotorProtector;
  }

  /// Whether `next` may stand for `now` and does its work; wires are not looked at.
  public static boolean works(
      Part now, Part next, ProtectiveDevices.Protecting protecting, Study study) {
    return alike(now, next) && works(protection(next), protecting, rated(protecting, study));
  }

  /// Those that carry the load, stand what flows at switching on and are no larger than any wire
  /// they protective device allows; nearest rating first.
  static Stream<Part> candidates(Part now, ProtectiveDevices.Protecting protecting, Study study) {
    return nearest(alike(now, study).stream(), now, protecting, study);
  }

  /// As [#candidates], of those that may protect a branch in the North American school.
  static Stream<Part> listed(Part now, ProtectiveDevices.Protecting protecting, Study study) {
    return nearest(
        study.catalogue().all().stream()
            .filter(next -> next.terminals().equals(now.terminals()) && branch(next)),
        now,
        protecting,
        study);
  }

  /// Whether a device may protect a branch in the North American school.
  static boolean branch(Part part) {
    return part instanceof CircuitBreaker breaker
        ? breaker.listing().filter(CircuitBreaker.Listing.BRANCH::equals).isPresent()
        : part.protection().orElse(null) instanceof ProtectiveDevice.Fuse(_, var fuse)
            && fuse.branch();
  }

  /// Whether the Brief lets a new device protect a branch.
  static boolean mayProtect(Part part, Study study) {
    if (study.project().brief().policies().chose(School.SMALL_BREAKER, "marked"))
      return branch(part);
    return !(part instanceof CircuitBreaker breaker) || breaker.listing().isEmpty();
  }

  private static Stream<Part> nearest(
      Stream<Part> parts, Part now, ProtectiveDevices.Protecting protecting, Study study) {
    var rating = protecting.device().protection().rating().amperes();
    var rated = rated(protecting, study);
    return parts
        .filter(next -> !next.id().equals(now.id()))
        .filter(next -> works(protection(next), protecting, rated))
        .filter(next -> spares(protection(next), protecting, study))
        .sorted(
            Comparator.comparingDouble(
                    (Part next) -> Math.abs(protection(next).rating().amperes() - rating))
                .thenComparing(Replacement::price)
                .thenComparing(Part::id));
  }

  /// The repair that puts it there; a motor protective switch is set to what flows.
  static Repair repair(Device device, Part next, ProtectiveDevices.Protecting protecting) {
    return Repair.of(swap(device, next, protecting.design()));
  }

  /// In place of a device; a motor protective switch is set to `current`.
  public static Edit swap(Device device, Part next, Current current) {
    var swap = Edits.swap(device, next);
    return next instanceof MotorProtector
        ? swap.then(Edits.trip(device, Optional.of(current)))
        : swap;
  }

  /// Of its kind: as many poles, the same listing or class, no less breaking capacity.
  public static List<Part> alike(Part now, Study study) {
    return study.once(
        List.of("alike", now.id()),
        () -> study.catalogue().all().stream().filter(next -> alike(now, next)).toList());
  }

  private static boolean alike(Part now, Part next) {
    return switch (now) {
      case CircuitBreaker a ->
          next instanceof CircuitBreaker b
              && a.poles() == b.poles()
              && a.listing().equals(b.listing())
              && b.breakingCapacity().compareTo(a.breakingCapacity()) >= 0;
      case FuseHolder a ->
          next instanceof FuseHolder b
              && a.poles() == b.poles()
              && a.fuse().orElse(FuseClass.GG) == b.fuse().orElse(FuseClass.GG)
              && b.breakingCapacity().compareTo(a.breakingCapacity()) >= 0;
      case MotorProtector a ->
          next instanceof MotorProtector b
              && b.breakingCapacity().compareTo(a.breakingCapacity()) >= 0;
      default -> false;
    };
  }

  private static Current rated(ProtectiveDevices.Protecting protecting, Study study) {
    return Schools.rated(protecting.design(), "", study).value();
  }

  private static boolean works(
      ProtectiveDevice next, ProtectiveDevices.Protecting protecting, Current rated) {
    return carries(next, protecting, rated) && stands(next, protecting);
  }

  private static boolean carries(
      ProtectiveDevice next, ProtectiveDevices.Protecting protecting, Current rated) {
    return next instanceof ProtectiveDevice.MotorSwitch(var least, var greatest, _)
        ? least.compareTo(protecting.design()) <= 0 && greatest.compareTo(protecting.design()) >= 0
        : next.rating().compareTo(rated) >= 0;
  }

  /// Whether it lets the current at switching on pass. A breaker by its curve; a fuse or a motor
  /// protective switch must not open before the inrush is over. Semiconductor fuses are their
  /// maker's matter, electronic channels limit.
  static boolean stands(ProtectiveDevice next, ProtectiveDevices.Protecting protecting) {
    var surge = BreakerChoice.effective(protecting.inrushPeak());
    return switch (next) {
      case ProtectiveDevice.Breaker(var rating, var curve) ->
          curve.holds(rating).value().compareTo(surge) >= 0
              && TripTime.earliest(next, surge, TripTime.ALTERNATING)
                  .map(opens -> opens.compareTo(protecting.inrushDuration()) >= 0)
                  .orElse(true);
      case ProtectiveDevice.Fuse(_, var fuse) when fuse == FuseClass.GR -> true;
      case ProtectiveDevice.Fuse _, ProtectiveDevice.MotorSwitch _ ->
          TripTime.earliest(next, surge, TripTime.ALTERNATING)
              .map(opens -> opens.compareTo(protecting.inrushDuration()) >= 0)
              .orElse(true);
      case ProtectiveDevice.Electronic _ -> true;
    };
  }

  private static boolean spares(
      ProtectiveDevice next, ProtectiveDevices.Protecting protecting, Study study) {
    return protecting.wires().stream()
        .allMatch(wire ->
            Ampacity.of(wire, study)
                .found()
                .map(iz ->
                    next.rating()
                            .compareTo(
                                Schools.greatestDevice(iz, wire, study)
                                    .value()
                                    .times(ProtectiveDevices.shareOfAmpacity(next, study)))
                        <= 0)
                .orElse(true));
  }

  private static ProtectiveDevice protection(Part part) {
    return part.protection().orElseThrow();
  }

  private static Price price(Part part) {
    return part.price().orElse(Price.ZERO);
  }
}
