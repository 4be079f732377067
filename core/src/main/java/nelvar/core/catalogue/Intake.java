package nelvar.core.catalogue;

import java.util.List;
import java.util.Optional;
import nelvar.core.units.VoltageRange;

/// Where a part takes power: three lines, or one line and the way back.
///
/// @param accepts voltage it works with: between lines for three lines, else from line to back
/// @param eitherWay a coil without polarity may be connected both ways round
public record Intake(
    String name,
    List<String> lines,
    Optional<String> back,
    VoltageRange accepts,
    Demand demand,
    Optional<Inrush> inrush,
    boolean eitherWay) {

  public boolean threePhase() {
    return lines.size() == 3;
  }

  static Intake threePhase(
      String name,
      List<String> lines,
      VoltageRange accepts,
      Demand demand,
      Optional<Inrush> inrush) {
    return new Intake(name, lines, Optional.empty(), accepts, demand, inrush, false);
  }

  static Intake twoWire(
      String name,
      String line,
      String back,
      VoltageRange accepts,
      Demand demand,
      Optional<Inrush> inrush) {
    return new Intake(name, List.of(line), Optional.of(back), accepts, demand, inrush, false);
  }

  static Intake coil(String line, String back, Coil coil) {
    return new Intake(
        "coil",
        List.of(line),
        Optional.of(back),
        coil.operates(),
        new Demand.Ohmic(coil.power(), coil.voltage()),
        Optional.empty(),
        true);
  }
}
