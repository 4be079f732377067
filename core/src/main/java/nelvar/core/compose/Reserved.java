package nelvar.core.compose;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.TreeSet;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.review.Review;
import nelvar.core.units.Current;

/// What a function that is not there yet keeps in a machine: ways of devices that serve others, and
/// current of supplies.
///
/// @param places a line each, such as `-A1: DI7, DO4` or `0.5 A of -T1`
public record Reserved(List<String> places) {
  public Reserved {
    places = List.copyOf(places);
  }

  /// @param whole review of all that is drawn
  public static Reserved of(MachineFunction function, Review whole) {
    var study = whole.study();
    var served = FunctionEdits.served(whole.project(), function.id());
    var own = served.stream().map(device -> device.id()).toList();
    var ways = new LinkedHashMap<Id, TreeSet<String>>();
    for (var wire : whole.project().conductors())
      for (var end : List.of(wire.from(), wire.to()))
        if (!own.contains(end.device())
            && (own.contains(wire.from().device()) || own.contains(wire.to().device())))
          ways.computeIfAbsent(end.device(), _ -> new TreeSet<>()).add(end.terminal());
    var lines = new ArrayList<String>();
    ways.forEach((device, terminals) ->
        lines.add("%s: %s".formatted(study.label(device), String.join(", ", terminals))));
    var amperes = new LinkedHashMap<String, Double>();
    for (var device : served)
      for (var feed : study.network().feeds(device.id()))
        feed.source()
            .ifPresent(source ->
                amperes.merge(
                    source.device().designation().text(),
                    study.designCurrent(feed).amperes(),
                    Double::sum));
    amperes.forEach((name, sum) -> lines.add("%s of %s".formatted(new Current(sum), name)));
    return new Reserved(lines);
  }
}
