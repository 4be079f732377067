package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Electronic direct-current supply.
///
/// @param phases 1: L and N (or two lines); 3: L1, L2, L3
/// @param powerFactor true power factor at the input: 0.5 to 0.65 without correction, 0.9 and more
///   with
/// @param efficiency at full load
/// @param limit what it does at overload; holds 1.1 times its rating where nothing is stated
/// @param parallel whether it is made to share a load with its like, outputs joined directly; no
///   where nothing is stated
/// @param outputCapacitance what takes up energy that loads give back
/// @param doubleInsulated class II: without a terminal for a protective conductor; no where nothing
///   is stated
/// @param adjustable where its output can be set to
/// @param holdUp how long it goes on without mains; 20 ms where nothing is stated
public record DcSupply(
    String id,
    String name,
    Article article,
    int phases,
    VoltageRange input,
    Voltage output,
    Current rating,
    Percent efficiency,
    double powerFactor,
    Optional<Inrush> inrush,
    Optional<CurrentLimit> limit,
    Optional<Duration> holdUp,
    Optional<Boolean> parallel,
    Optional<Capacitance> outputCapacitance,
    Optional<Boolean> doubleInsulated,
    Optional<VoltageRange> adjustable)
    implements Part {
  public DcSupply {
    Part.require(phases == 1 || phases == 3, "a supply has 1 or 3 input phases, not " + phases);
    Part.require(
        powerFactor > 0 && powerFactor <= 1,
        "a power factor is above 0 and at most 1, not " + powerFactor);
    Part.require(
        efficiency.percent() > 1 && efficiency.percent() <= 100,
        "an efficiency is above 1 % and at most 100 %, not " + efficiency);
  }

  @Override
  public boolean regulatedSupply() {
    return true;
  }

  @Override
  public Optional<CurrentLimit> limit(Output output) {
    return Optional.of(currentLimit());
  }

  public boolean sharesLoad() {
    return parallel.orElse(false);
  }

  public CurrentLimit currentLimit() {
    return limit.orElse(CurrentLimit.usual(rating));
  }

  /// Common practice where nothing is stated.
  public Duration holdUpTime() {
    return holdUp.orElse(new Duration(0.02));
  }

  @Override
  public Optional<Capacitance> busCapacitance() {
    return outputCapacitance;
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>(Part.mains(phases));
    if (!doubleInsulated.orElse(false)) all.add(Terminal.required("PE", Role.PROTECTIVE));
    all.add(Terminal.required("+", Role.PLUS));
    all.add(Terminal.required("-", Role.MINUS));
    return all;
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Part.mainsIntake(
            phases,
            input,
            new Demand.Converts("output", efficiency, powerFactor, new Power(0)),
            inrush));
  }

  @Override
  public List<Output> outputs() {
    return outputs(Optional.empty());
  }

  @Override
  public List<Output> outputs(Optional<Voltage> set) {
    var volts =
        set.filter(to -> adjustable.filter(range -> range.contains(to)).isPresent()).orElse(output);
    return List.of(new Output("output", List.of("+"), Optional.of("-"), false, volts, rating));
  }
}
