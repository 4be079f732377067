package nelvar.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Electronic supply with several direct-current outputs, such as 5, 12 and 24 V in one housing:
/// each has its own limit, and all together may not take more than its power.
///
/// @param power of all outputs together
public record MultiOutputSupply(
    String id,
    String name,
    Article article,
    VoltageRange input,
    List<Rail> rails,
    Power power,
    Percent efficiency,
    double powerFactor,
    Optional<Inrush> inrush)
    implements Part {

  /// One output, named by its voltage: terminals `+5V` and `0-5V`.
  public record Rail(Voltage voltage, Current rating) {
    String name() {
      return nelvar.core.units.Significant.digits(voltage.volts()) + "V";
    }

    String plus() {
      return "+" + name();
    }

    String minus() {
      return "0-" + name();
    }
  }

  public MultiOutputSupply {
    rails = List.copyOf(rails);
    Part.require(rails.size() >= 2, "a supply of several outputs has at least two");
    Part.require(
        rails.stream().map(Rail::name).distinct().count() == rails.size(),
        "two outputs have the same voltage");
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
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>(Part.mains(1));
    all.add(Terminal.required("PE", Role.PROTECTIVE));
    for (var rail : rails) {
      all.add(Terminal.optional(rail.plus(), Role.PLUS));
      all.add(Terminal.optional(rail.minus(), Role.MINUS));
    }
    return all;
  }

  /// Its minus terminals are one.
  @Override
  public List<Link> links() {
    var first = rails.getFirst();
    return rails.stream().skip(1).map(rail -> Link.joined(first.minus(), rail.minus())).toList();
  }

  /// One intake an output, so that each takes what its own loads ask for.
  @Override
  public List<Intake> intakes(Linkage linkage) {
    var all = new ArrayList<Intake>();
    for (var rail : rails)
      all.add(
          Intake.twoWire(
              "mains for " + rail.name(),
              "L",
              "N",
              input,
              new Demand.Converts(rail.name(), efficiency, powerFactor, new Power(0)),
              rail.equals(rails.getFirst()) ? inrush : Optional.empty()));
    return all;
  }

  @Override
  public Optional<CurrentLimit> limit(Output output) {
    return Optional.of(CurrentLimit.usual(output.rating()));
  }

  @Override
  public List<Output> outputs() {
    return rails.stream()
        .map(rail ->
            new Output(
                rail.name(),
                List.of(rail.plus()),
                Optional.of(rail.minus()),
                false,
                rail.voltage(),
                rail.rating()))
        .toList();
  }
}
