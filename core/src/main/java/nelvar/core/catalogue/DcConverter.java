package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Voltage;
import nelvar.core.units.VoltageRange;

/// Converter from one direct voltage to another: IN+ and IN- in, + and - out.
///
/// @param isolated whether its output is parted from its input; else their minus terminals are one
public record DcConverter(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Voltage output,
    Current rating,
    Percent efficiency,
    Optional<Inrush> inrush,
    boolean isolated)
    implements Part {
  public DcConverter {
    Part.require(
        efficiency.percent() > 1 && efficiency.percent() <= 100,
        "an efficiency is above 1 % and at most 100 %, not " + efficiency);
  }

  @Override
  public boolean regulatedSupply() {
    return true;
  }

  @Override
  public Optional<CurrentLimit> limit(Output of) {
    return Optional.of(CurrentLimit.usual(rating));
  }

  @Override
  public List<Terminal> terminals() {
    return List.of(
        Terminal.required("IN+", Role.PLUS),
        Terminal.required("IN-", Role.MINUS),
        Terminal.required("+", Role.PLUS),
        Terminal.required("-", Role.MINUS));
  }

  @Override
  public List<Link> links() {
    return isolated ? List.of() : List.of(Link.joined("IN-", "-"));
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "input",
            "IN+",
            "IN-",
            input,
            new Demand.Converts("output", efficiency, 1, new Power(0)),
            inrush));
  }

  @Override
  public List<Output> outputs() {
    return List.of(new Output("output", List.of("+"), Optional.of("-"), false, output, rating));
  }
}
