package nelvar.core.analysis.thermal;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.units.Temperature;

/// How warm it is in the cabinet, and where that is known from: the one home of the inside
/// temperature.
///
/// While no cabinet is laid out it is what the Brief wants to design for. With one, it is computed
/// from what gives off heat, or measured.
///
/// @param expected under the roof of the warmest cabinet
/// @param upper the warm edge of its band
public record InsideAir(Temperature expected, Temperature upper, Origin origin) {
  public enum Origin {
    SET("set"),
    COMPUTED("computed"),
    MEASURED("measured");

    private final String words;

    Origin(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public static InsideAir of(Study study) {
    return study.once(InsideAir.class, () -> warmest(study));
  }

  private static InsideAir warmest(Study study) {
    var set = study.project().brief().surroundings().inside();
    if (study.airAsSet()) return new InsideAir(set, set, Origin.SET);
    var warmest = Optional.<CabinetAir>empty();
    for (var cabinet : study.project().layout().cabinets()) {
      var air = CabinetAir.of(cabinet, study);
      if (warmest.isEmpty() || air.hottest().compareTo(warmest.orElseThrow().hottest()) > 0)
        warmest = Optional.of(air);
    }
    return warmest
        .map(air ->
            new InsideAir(
                air.hottest(),
                air.upper(air.rise(1)),
                air.off().isPresent() ? Origin.MEASURED : Origin.COMPUTED))
        .orElseGet(() -> new InsideAir(set, set, Origin.SET));
  }

  /// The air at one device; empty where it is placed nowhere.
  public static Optional<PartAir> at(Id device, Study study) {
    if (study.airAsSet()) return Optional.empty();
    return Bodies.of(study)
        .of(device)
        .filter(body -> !body.later())
        .flatMap(body ->
            study
                .project()
                .layout()
                .cabinet(body.at().cabinet())
                .map(cabinet ->
                    study.once(
                        java.util.List.of(PartAir.class, device),
                        () -> PartAir.of(body, CabinetAir.of(cabinet, study), study))));
  }

  /// Of wires in the ducts of a cabinet: see [#judged].
  public static Temperature inDucts(Study study) {
    var air = of(study);
    return floor(air.upper(), air.origin(), study);
  }

  /// What was computed from assumed measures never lets anybody size for less than the Brief
  /// designs for; what was measured does.
  private static Temperature floor(Temperature upper, Origin origin, Study study) {
    var designed = study.project().brief().surroundings().inside();
    return origin == Origin.MEASURED || upper.compareTo(designed) > 0 ? upper : designed;
  }

  /// Where the air that a device is judged with is known from.
  public static String said(Device device, Study study) {
    var designed = study.project().brief().surroundings().inside();
    if (judged(device, study).equals(designed)) return "inside the cabinet, set in the Brief";
    if (at(device.id(), study).isPresent()) return "where it stands, the warm edge of the band";
    return switch (of(study).origin()) {
      case SET -> "inside the cabinet, set in the Brief";
      case COMPUTED -> "inside the cabinet, computed, the warm edge of the band";
      case MEASURED -> "inside the cabinet, measured";
    };
  }

  /// What a device is judged with: the warm edge of the band where it stands, else of the cabinet;
  /// at least what the Brief designs for, unless somebody measured.
  public static Temperature judged(Device device, Study study) {
    var air = of(study);
    return floor(
        at(device.id(), study).map(PartAir::upper).orElse(air.upper()), air.origin(), study);
  }
}
