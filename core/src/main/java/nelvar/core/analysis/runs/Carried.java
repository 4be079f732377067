package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.analysis.space.OpenWays;
import nelvar.core.analysis.space.TerminalPlace;
import nelvar.core.model.Conductor;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Length;

/// A wire of a part that is being carried, as it would run if the part were let go there: the
/// shortest open way again, all else as it stands.
///
/// @param corners from its terminal on the part to where it ends or leaves the cabinet, mm
/// @param longer than its way is now within the cabinet, mm; shorter below zero, 0 where it has
///   none
public record Carried(Conductor wire, List<DuctWays.Corner> corners, double longer) {
  public Carried {
    corners = List.copyOf(corners);
  }

  /// @param body where it would stand
  public static List<Carried> of(Body body, Study study) {
    var cabinet = study.project().layout().cabinet(body.at().cabinet());
    var device = body.device();
    if (cabinet.isEmpty() || device.isEmpty()) return List.of();
    var ways = OpenWays.of(cabinet.get(), study);
    var entries = Entries.of(cabinet.get(), study);
    var all = new ArrayList<Carried>();
    for (var wire : study.at(device.get().id())) {
      if (wire.plugged()) continue;
      var from = end(wire.from(), body, study);
      var to = end(wire.to(), body, study);
      var aside =
          from.isPresent() && to.isPresent()
              ? 0
              : wire.cable().flatMap(entries::of).map(Entries.Entry::aside).orElse(0.0);
      var way = ways.way(wire, from, to, aside).way();
      if (!way.found()) continue;
      var corners = new ArrayList<DuctWays.Corner>();
      from.ifPresent(b -> corners.add(terminal(b, wire.from())));
      corners.addAll(way.corners());
      to.ifPresent(b -> corners.add(terminal(b, wire.to())));
      var now =
          Routes.of(study).within(wire).stream()
              .filter(part -> part.cabinet().equals(cabinet.get().id()))
              .mapToDouble(part -> part.way().length())
              .findFirst();
      all.add(new Carried(wire, corners, now.isPresent() ? way.length() - now.getAsDouble() : 0));
    }
    return all;
  }

  /// In the same cabinet; what stands elsewhere is reached through its side.
  private static Optional<Body> end(TerminalRef end, Body carried, Study study) {
    if (end.device().equals(carried.id())) return Optional.of(carried);
    return Bodies.of(study)
        .of(end.device())
        .filter(body -> body.at().cabinet().equals(carried.at().cabinet()));
  }

  private static DuctWays.Corner terminal(Body body, TerminalRef end) {
    var place = TerminalPlace.of(body, end.terminal());
    return new DuctWays.Corner(place.x(), place.y());
  }

  /// `7 wires, 0.42 m longer in all`; empty where it has none.
  public static Optional<String> words(List<Carried> wires) {
    if (wires.isEmpty()) return Optional.empty();
    var sum = wires.stream().mapToDouble(Carried::longer).sum();
    var count = wires.size() == 1 ? "1 wire" : wires.size() + " wires";
    if (Math.abs(sum) < 1) return Optional.of(count);
    return Optional.of(
        "%s, %s %s in all"
            .formatted(count, Length.ofMillimetres(Math.abs(sum)), sum > 0 ? "longer" : "shorter"));
  }
}
