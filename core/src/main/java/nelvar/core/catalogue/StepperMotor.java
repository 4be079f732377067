package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.formula.Stepping;
import nelvar.core.formula.Stepping.Winding;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Two-phase stepper motor, coils A and B as connected.
///
/// @param phaseCurrent rated current of one phase; of one half where it has six or eight leads
/// @param leads four where nothing is stated; six have middles A0 and B0; eight are linked at the
///   motor and count as in series, the lesser current, until that is stated
public record StepperMotor(
    String id,
    String name,
    Article article,
    Current phaseCurrent,
    VoltageRange bus,
    Optional<StepperLeads> leads,
    Optional<StepperData> data)
    implements Part {
  /// What is stated of it.
  public StepperData stated() {
    return data.orElse(StepperData.UNKNOWN);
  }

  /// Whether what is stated of it is stated of one half of a winding.
  public boolean halves() {
    return leads.orElse(StepperLeads.FOUR) != StepperLeads.FOUR;
  }

  private boolean tapped() {
    return leads.orElse(StepperLeads.FOUR) == StepperLeads.SIX;
  }

  @Override
  public boolean motor() {
    return true;
  }

  @Override
  public List<Linkage> linkages() {
    return leads.orElse(StepperLeads.FOUR) == StepperLeads.EIGHT
        ? List.of(Linkage.SERIES, Linkage.PARALLEL)
        : List.of();
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
    return Stream.of("A", "B")
        .map(winding -> tapped() ? winding(winding, List.of("A0", "B0")) : whole(winding, linkage))
        .toList();
  }

  /// With six leads what stays open says how it is connected: the middles open, both halves are in
  /// series at 0.71 of the unipolar current; an end open, one half works at all of it.
  @Override
  public List<Intake> intakes(Linkage linkage, List<String> open) {
    return tapped()
        ? Stream.of("A", "B").map(winding -> winding(winding, open)).toList()
        : intakes(linkage);
  }

  private Intake winding(String winding, List<String> open) {
    var half = open.contains(winding + "-") || open.contains(winding + "+");
    var from = half && open.contains(winding + "+") ? winding + "0" : winding + "+";
    var to = half && open.contains(winding + "-") ? winding + "0" : winding + "-";
    return intake(winding, from, to, half ? Winding.UNIPOLAR : Winding.SERIES);
  }

  private Intake whole(String winding, Linkage linkage) {
    var joined = linkage == Linkage.PARALLEL ? Winding.PARALLEL : Winding.SERIES;
    return intake(
        winding, winding + "+", winding + "-", linkages().isEmpty() ? Winding.UNIPOLAR : joined);
  }

  private Intake intake(String winding, String from, String to, Winding halves) {
    return Intake.twoWire(
        winding,
        from,
        to,
        volts(),
        new Demand.FixedCurrent(Stepping.rms(phaseCurrent, halves)),
        Optional.empty());
  }

  /// A chopper gives a winding what its current needs, far below the bus.
  private VoltageRange volts() {
    return new VoltageRange(new Voltage(1), bus.greatest());
  }
}
