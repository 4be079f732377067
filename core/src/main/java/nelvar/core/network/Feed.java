package nelvar.core.network;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Device;
import nelvar.core.units.Voltage;

/// One intake of one device with what feeds it.
///
/// @param source empty where no source reaches all its lines and its way back
/// @param lineStarts for each line, the number of the source's terminal it is fed from
/// @param backStart the number of the source's terminal its way back leads to; -1 without a way
///   back
/// @param lineWays the edges from the source to each line; in the order of the intake's lines
/// @param backWay the edges from the source to the way back
/// @param voltage between its lines, or from line to back, with nothing lost on the way
/// @param below sources in series below `source`, whose volts add: the second winding of a
///   transformer, the second of two supplies
public record Feed(
    Device device,
    Intake intake,
    Optional<Source> source,
    List<Integer> lineStarts,
    int backStart,
    List<List<Integer>> lineWays,
    List<Integer> backWay,
    Voltage voltage,
    List<Source> below,
    State state) {

  /// The part of its volts, and so of its watts, that one of its sources gives.
  public double share(Source one) {
    return below.isEmpty() ? 1 : one.output().voltage().volts() / voltage.volts();
  }

  public enum State {
    FED,
    /// No source reaches its lines.
    NO_SUPPLY,
    /// Its lines are fed but the way back leads to no, or to another, source.
    NO_RETURN
  }

  /// A protective device on a way: the device and what it protects with.
  public record Protector(Device device, ProtectiveDevice protection) {}

  public String name() {
    return device.designation() + (device.purpose().isEmpty() ? "" : " " + device.purpose());
  }
}
