package nelvar.core.network;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.units.Duration;

/// The moments of a rehearsal, and each actuator's and source's states between them as lanes.
///
/// @param endless it was cut off because things went on happening
public record Timeline(List<Moment> moments, boolean endless) {
  public record Moment(Duration at, List<Event> events, Live live) {
    public Moment {
      events = List.copyOf(events);
    }

    /// What happens, in words.
    public String what() {
      return events.stream()
          .map(event -> event.words(live))
          .distinct()
          .collect(java.util.stream.Collectors.joining(", "));
    }
  }

  /// One state of one thing, from a time to another.
  public record Span(Duration from, Duration to, boolean on) {}

  /// What is followed over time: `-K1 coil`, `-T1 output`.
  public record Lane(String name, List<Span> spans) {
    public Lane {
      spans = List.copyOf(spans);
    }
  }

  public Timeline {
    moments = List.copyOf(moments);
  }

  public Live last() {
    return moments.getLast().live();
  }

  /// Lanes of all actuators and sources, until `end`.
  public List<Lane> lanes(Duration end) {
    var spans = new LinkedHashMap<String, List<Span>>();
    for (var i = 0; i < moments.size(); i++) {
      var from = moments.get(i).at();
      var to = i + 1 < moments.size() ? moments.get(i + 1).at() : end;
      states(moments.get(i).live())
          .forEach((name, on) ->
              extend(spans.computeIfAbsent(name, _ -> new ArrayList<>()), from, to, on));
    }
    var lanes = new ArrayList<Lane>();
    spans.forEach((name, list) -> lanes.add(new Lane(name, list)));
    return lanes;
  }

  private static Map<String, Boolean> states(Live live) {
    var all = new LinkedHashMap<String, Boolean>();
    for (var ref : live.circuitry().actuatorRefs()) all.put(live.name(ref), live.on(ref));
    for (var output : live.outputs())
      all.put(output.device().designation() + " " + output.output().name(), output.on());
    return all;
  }

  private static void extend(List<Span> spans, Duration from, Duration to, boolean on) {
    if (!spans.isEmpty() && spans.getLast().on() == on)
      spans.set(spans.size() - 1, new Span(spans.getLast().from(), to, on));
    else spans.add(new Span(from, to, on));
  }
}
