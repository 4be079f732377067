package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Power;
import nelvar.core.units.Price;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Two-phase stepper motor, coils A and B as connected.
///
/// @param phaseCurrent rated current of one phase; of one half where it has six leads
/// @param leads four where nothing is stated; six have middles A0 and B0
public record StepperMotor(
    String id,
    String name,
    Optional<Price> price,
    Optional<Power> loss,
    Current phaseCurrent,
    VoltageRange bus,
    Optional<StepperLeads> leads)
    implements Part {
  /// Both halves of a winding in series give their heat at 0.71 of the current of one half.
  private static final double IN_SERIES = 1 / Math.sqrt(2);

  private boolean tapped() {
    return leads.orElse(StepperLeads.FOUR) == StepperLeads.SIX;
  }

  @Override
  public boolean motor() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    return Stream.of("A", "B")
        .flatMap(winding ->
            tapped()
                ? Stream.of(
                    Terminal.required(winding + "+", Role.LINE),
                    Terminal.required(winding + "0", Role.LINE),
                    Terminal.required(winding + "-", Role.LINE))
                : Stream.of(
                    Terminal.required(winding + "+", Role.LINE),
                    Terminal.required(winding + "-", Role.LINE)))
        .toList();
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return intakes(linkage, List.of("A0", "B0"));
  }

  /// With six leads what stays open says how it is connected: the middles open, both halves are in
  /// series at 0.71 of the unipolar current; an end open, one half works at all of it.
  @Override
  public List<Intake> intakes(Linkage linkage, List<String> open) {
    return Stream.of("A", "B").map(winding -> winding(winding, open)).toList();
  }

  private Intake winding(String winding, List<String> open) {
    var half = tapped() && (open.contains(winding + "-") || open.contains(winding + "+"));
    var from = half && open.contains(winding + "+") ? winding + "0" : winding + "+";
    var to = half && open.contains(winding + "-") ? winding + "0" : winding + "-";
    var current = tapped() && !half ? phaseCurrent.times(IN_SERIES) : phaseCurrent;
    return Intake.twoWire(
        winding, from, to, volts(), new Demand.FixedCurrent(current), Optional.empty());
  }

  /// A chopper gives a winding what its current needs, far below the bus.
  private VoltageRange volts() {
    return new VoltageRange(new Voltage(1), bus.greatest());
  }
}
