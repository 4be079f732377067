package nelvar.core.trail;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/// A finished working: a title and its lines.
///
/// Most workings are never read: a review of a large panel makes tens of thousands. So the lines
/// are written out when they are first asked for. What they are written from is immutable.
public final class Trail {
  private final String title;
  private final Supplier<List<Line>> write;
  private volatile @Nullable List<Line> lines;

  Trail(String title, Supplier<List<Line>> write) {
    this.title = title;
    this.write = write;
  }

  public static Trail of(String title, List<Line> lines) {
    var copy = List.copyOf(lines);
    return new Trail(title, () -> copy);
  }

  public String title() {
    return title;
  }

  public List<Line> lines() {
    var written = lines;
    if (written == null) lines = written = List.copyOf(write.get());
    return written;
  }

  /// The same lines under another title.
  public Trail titled(String next) {
    return new Trail(next, this::lines);
  }

  /// This working followed by one more line.
  Trail then(Supplier<Line> next) {
    return new Trail(
        title,
        () -> {
          var all = new ArrayList<>(lines());
          all.add(next.get());
          return all;
        });
  }

  public String text() {
    return lines().stream().map(Line::text).collect(Collectors.joining("\n"));
  }

  /// The pages this working rests on, in order of use.
  public List<Citation> citations() {
    return lines().stream()
        .flatMap(line ->
            switch (line) {
              case Line.FromTable table -> Stream.of(table.citation());
              case Line.Limit limit -> Stream.of(limit.demand());
              case Line.Given _, Line.Assumed _, Line.Result _ -> Stream.empty();
            })
        .distinct()
        .toList();
  }
}
