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

/// A computer on its cord with a USB port that a board hangs on: mains in, `5V` and `0V` out.
///
/// Its 0 V is its chassis. On one that is earthed the lead to a board so joins the board's 0 V to
/// the protective conductor, with the computer on or off; on one that is not it floats.
///
/// @param power of its own, without what its port gives
/// @param port the most its port gives at 5 V: 0.5 A of a USB 2.0 port (USB 2.0, 7.2.1, unchecked)
/// @param earthed class I, with a protective contact; else class II, double insulated
public record Computer(
    String id,
    String name,
    Article article,
    VoltageRange input,
    Power power,
    double powerFactor,
    Optional<Inrush> inrush,
    Current port,
    boolean earthed)
    implements Part {
  private static final String USB = "usb";

  /// Of what makes the 5 V of its mains; common practice.
  private static final Percent EFFICIENCY = new Percent(75);

  public Computer {
    Part.require(
        powerFactor > 0 && powerFactor <= 1,
        "a power factor is above 0 and at most 1, not " + powerFactor);
  }

  @Override
  public Optional<Boolean> bearsCutWaves() {
    return Optional.of(false);
  }

  @Override
  public boolean hostsBoards() {
    return true;
  }

  @Override
  public List<Terminal> terminals() {
    var all = new ArrayList<Terminal>(Part.mains(1));
    if (earthed) all.add(Terminal.required("PE", Role.PROTECTIVE));
    all.add(Terminal.optional("5V", Role.PLUS));
    all.add(Terminal.optional("0V", Role.MINUS));
    return all;
  }

  @Override
  public List<Link> links() {
    return earthed ? List.of(Link.joined("0V", "PE")) : List.of();
  }

  @Override
  public List<Intake> intakes(Linkage linkage) {
    return List.of(
        Intake.twoWire(
            "mains",
            "L",
            "N",
            input,
            new Demand.Converts(USB, EFFICIENCY, powerFactor, power),
            inrush));
  }

  @Override
  public Optional<CurrentLimit> limit(Output output) {
    return Optional.of(CurrentLimit.usual(port));
  }

  @Override
  public List<Output> outputs() {
    return List.of(new Output(USB, List.of("5V"), Optional.of("0V"), false, new Voltage(5), port));
  }
}
