package nelvar.core.analysis.parts;

import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlTransformer;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.MultiOutputSupply;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.catalogue.ServoMotor;
import nelvar.core.catalogue.StepperDrive;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.units.Current;
import nelvar.core.units.Power;

/// Other parts that do the same work on the same wires.
final class Alternatives {
  /// A motor this much larger is still the same drive train; common practice.
  private static final double LARGER = 1.6;

  private Alternatives() {}

  /// Same kind, same terminals, same purpose: a sensor for a sensor of its principle, a pump for a
  /// pump, a motor for one of its power.
  static Stream<Part> like(Part part, Study study) {
    return study
        .catalogue()
        .of(part.getClass().asSubclass(Part.class))
        .map(Part.class::cast)
        .filter(next -> !next.id().equals(part.id()) && next.terminals().equals(part.terminals()))
        .filter(next -> samePurpose(part, next))
        .sorted(
            java.util.Comparator.comparing(
                (Part next) -> !family(next, 2).equals(family(part, 2))));
  }

  /// What a part is for stands in the first word of its id: `photo-eye-pnp`, `pump-24v-3a`.
  private static String family(Part part, int words) {
    var all = part.id().split("-");
    return String.join("-", java.util.Arrays.copyOf(all, Math.min(words, all.length)));
  }

  private static boolean samePurpose(Part now, Part next) {
    if (!family(now, 1).equals(family(next, 1))) return false;
    return switch (now) {
      case InductionMotor a -> next instanceof InductionMotor b && suits(a.power(), b.power());
      case ServoMotor a -> next instanceof ServoMotor b && suits(a.power(), b.power());
      case StepperMotor a ->
          next instanceof StepperMotor b && atLeast(a.phaseCurrent(), b.phaseCurrent());
      case Heater a -> next instanceof Heater b && a.power().equals(b.power());
      case FrequencyConverter a ->
          next instanceof FrequencyConverter b && a.motorPower().compareTo(b.motorPower()) <= 0;
      case ServoDrive a -> next instanceof ServoDrive b && atLeast(a.rating(), b.rating());
      case StepperDrive a -> next instanceof StepperDrive b && atLeast(a.rating(), b.rating());
      case DcSupply a ->
          next instanceof DcSupply b
              && a.output().equals(b.output())
              && atLeast(a.rating(), b.rating());
      case MultiOutputSupply a ->
          next instanceof MultiOutputSupply b && a.rails().equals(b.rails());
      case ControlTransformer a ->
          next instanceof ControlTransformer b
              && a.secondary().equals(b.secondary())
              && a.rating().compareTo(b.rating()) <= 0;
      default -> true;
    };
  }

  private static boolean suits(Power now, Power next) {
    return next.compareTo(now) >= 0 && next.watts() <= LARGER * now.watts();
  }

  private static boolean atLeast(Current now, Current next) {
    return next.compareTo(now) >= 0;
  }
}
