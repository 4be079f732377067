package nelvar.core.trail;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/// A finished working: a title and its lines.
public record Trail(String title, List<Line> lines) {
  public Trail {
    lines = List.copyOf(lines);
  }

  /// This working followed by `next` under this title.
  public Trail then(Trail next) {
    var all = new ArrayList<>(lines);
    all.addAll(next.lines);
    return new Trail(title, all);
  }

  public String text() {
    return lines.stream().map(Line::text).collect(Collectors.joining("\n"));
  }

  /// The pages this working rests on, in order of use.
  public List<Citation> citations() {
    return lines.stream()
        .flatMap(line ->
            switch (line) {
              case Line.FromTable table -> java.util.stream.Stream.of(table.citation());
              case Line.Limit limit -> java.util.stream.Stream.of(limit.demand());
              case Line.Given _, Line.Assumed _, Line.Result _ -> java.util.stream.Stream.empty();
            })
        .distinct()
        .toList();
  }
}
