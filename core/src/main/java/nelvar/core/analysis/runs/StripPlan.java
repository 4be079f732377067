package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Clamp;
import nelvar.core.catalogue.Connector;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Row;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// A row of terminals with what lands on each of its ways, from within the cabinet and from
/// outside, what bridges its ways, and where a divider stands.
///
/// @param common whether all its ways are one
public record StripPlan(Device device, Row row, boolean common, List<Way> ways) {
  /// What is told apart by a divider.
  public enum Potential {
    /// Nothing lands there, or what does is on no source.
    NONE,
    LOW,
    /// Above 60 V of direct current or 50 V of alternating current.
    HIGH,
    EARTH
  }

  /// A wire that lands on a way, seen from it.
  public record Landing(Conductor wire, TerminalRef other) {}

  /// One way with its clamps.
  ///
  /// @param level of its piece, 1 at the bottom
  /// @param inside wires that stay in the cabinet
  /// @param outside cores of cables, and wires that leave
  /// @param divider whether a divider stands before it
  /// @param bridged the way before that a bar joins it with
  public record Way(
      TerminalRef at,
      int number,
      int level,
      List<Landing> inside,
      List<Landing> outside,
      Potential potential,
      boolean divider,
      Optional<Integer> bridged) {
    public Way {
      inside = List.copyOf(inside);
      outside = List.copyOf(outside);
    }

    public boolean free() {
      return inside.isEmpty() && outside.isEmpty() && bridged.isEmpty();
    }

    public List<Landing> landing() {
      return Stream.concat(inside.stream(), outside.stream()).toList();
    }
  }

  public StripPlan {
    ways = List.copyOf(ways);
  }

  /// Of every row of terminals, by designation.
  public static List<StripPlan> all(Study study) {
    return study.once(
        StripPlan.class,
        () ->
            study.project().devices().stream()
                .sorted(java.util.Comparator.comparing(Device::designation))
                .flatMap(device -> of(device, study).stream())
                .toList());
  }

  /// Empty for what is no row of terminals.
  public static Optional<StripPlan> of(Device device, Study study) {
    var part = study.part(device);
    return part.flatMap(Part::row)
        .map(row ->
            new StripPlan(device, row, !part.get().links().isEmpty(), ways(device, row, study)));
  }

  /// A connector way by way: at the left what lands on its socket, at the right what its plug leads
  /// on to. Empty for what is none.
  public static Optional<StripPlan> ofConnector(Device device, Study study) {
    return study
        .part(device, Connector.class)
        .map(connector ->
            new StripPlan(
                device,
                connector.asRow(),
                false,
                IntStream.rangeClosed(1, connector.ways())
                    .mapToObj(way -> way(device, connector, way, study))
                    .toList()));
  }

  private static Way way(Device device, Connector connector, int number, Study study) {
    var at = new TerminalRef(device.id(), number + "A");
    var inside = landing(at, study);
    var outside = landing(new TerminalRef(device.id(), connector.outAt(number) + "B"), study);
    return new Way(
        at, number, 1, inside, outside, potential(inside, outside, study), false, Optional.empty());
  }

  private static List<Landing> landing(TerminalRef at, Study study) {
    return study.at(at.device()).stream()
        .filter(wire -> wire.lands(at))
        .map(wire -> new Landing(wire, wire.from().equals(at) ? wire.to() : wire.from()))
        .toList();
  }

  private static List<Way> ways(Device device, Row row, Study study) {
    var wires = study.at(device.id());
    var ways = new ArrayList<Way>();
    var last = Potential.NONE;
    for (var number = 1; number <= row.ways(); number++) {
      var at = new TerminalRef(device.id(), String.valueOf(number));
      var inside = new ArrayList<Landing>();
      var outside = new ArrayList<Landing>();
      var bridged = Optional.<Integer>empty();
      for (var wire : wires) {
        if (!wire.lands(at)) continue;
        var other = wire.from().equals(at) ? wire.to() : wire.from();
        if (wire.plugged() && other.device().equals(device.id())) {
          var there = number(other);
          if (there.filter(n -> n < at(at)).isPresent()) bridged = there;
          continue;
        }
        (leaves(wire, device, other, study) ? outside : inside).add(new Landing(wire, other));
      }
      var potential = potential(inside, outside, study);
      var divider = potential != Potential.NONE && last != Potential.NONE && potential != last;
      if (potential != Potential.NONE) last = potential;
      ways.add(
          new Way(
              at,
              number,
              1 + (number - 1) % row.levels(),
              inside,
              outside,
              potential,
              divider,
              bridged));
    }
    return ways;
  }

  private static Optional<Integer> number(TerminalRef end) {
    return end.terminal().chars().allMatch(Character::isDigit)
        ? Optional.of(at(end))
        : Optional.empty();
  }

  private static int at(TerminalRef end) {
    return Integer.parseInt(end.terminal());
  }

  /// A core of a cable leaves, as does a wire to what is mounted elsewhere.
  private static boolean leaves(Conductor wire, Device device, TerminalRef other, Study study) {
    return wire.cable().isPresent()
        || study
            .device(other.device())
            .filter(there -> !there.place().equals(device.place()))
            .isPresent();
  }

  private static Potential potential(List<Landing> inside, List<Landing> outside, Study study) {
    return Stream.concat(inside.stream(), outside.stream())
        .map(landing -> potential(landing.wire(), study))
        .max(java.util.Comparator.naturalOrder())
        .orElse(Potential.NONE);
  }

  private static Potential potential(Conductor wire, Study study) {
    if (!wire.carriesWork()) return Potential.EARTH;
    return study
        .circuit(wire)
        .map(circuit -> circuit.source().output())
        .map(output ->
            output.voltage().volts() > (output.alternating() ? 50 : 60)
                ? Potential.HIGH
                : Potential.LOW)
        .orElse(Potential.NONE);
  }

  public Optional<Clamp> clamp() {
    return row.clamp();
  }

  /// Ways on which nothing lands.
  public List<Way> free() {
    return ways.stream().filter(Way::free).toList();
  }

  /// How many wires one way holds, all its clamps together; empty where that is not stated.
  public Optional<Integer> most() {
    return clamp().flatMap(Clamp::wires).map(n -> n * row.sides());
  }

  /// `32 ways, all one; 4 free`.
  public String words() {
    return "%d ways%s%s; %d free"
        .formatted(
            row.ways(),
            row.levels() > 1 ? " on %d levels".formatted(row.levels()) : "",
            common ? ", all one" : "",
            free().size());
  }
}
