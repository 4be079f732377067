package nelvar.core.calc;

import java.util.List;
import java.util.Optional;

/// The quick calculations in the order they are shown, by subject. A new one is added to the list
/// of its subject.
public final class Calculators {
  /// @param name as a heading
  public record Subject(String name, List<Calculator> calculators) {}

  public static final List<Subject> SUBJECTS =
      List.of(
          new Subject("Loads and supplies", LoadCalculators.ALL),
          new Subject("Supplies at work", SupplyCalculators.ALL),
          new Subject("Fuses and breakers", DeviceCalculators.ALL),
          new Subject("Protective devices at work", ProtectionCalculators.ALL),
          new Subject("Wires", WireCalculators.ALL),
          new Subject("Voltage drop and protective conductors", DropCalculators.ALL),
          new Subject("Faults and leakage", FaultCalculators.ALL),
          new Subject("Currents that leak, faults in other schools", LeakageCalculators.ALL),
          new Subject("Stored charge and linear supplies", ChargeCalculators.ALL),
          new Subject("Motors and drives", MotorCalculators.ALL),
          new Subject("Motion and spindles", MotionCalculators.ALL),
          new Subject("Stopping", StopCalculators.ALL),
          new Subject("Axes and commands", AxisCalculators.ALL),
          new Subject("Cutting, travel, windings", CuttingCalculators.ALL),
          new Subject("Coils and inputs", CoilCalculators.ALL),
          new Subject("Sensors", SensorCalculators.ALL),
          new Subject("Links, sizes and suppressors", LinkCalculators.ALL),
          new Subject("Panel, coupling, safety", PanelCalculators.ALL));

  public static final List<Calculator> ALL =
      SUBJECTS.stream().map(Subject::calculators).flatMap(List::stream).toList();

  private Calculators() {}

  public static Optional<Calculator> named(String name) {
    return ALL.stream().filter(calculator -> calculator.name().equals(name)).findFirst();
  }
}
