package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import nelvar.core.analysis.Study;

/// What disturbs against what is disturbed, worst first; what is alike is folded into one row or
/// column.
///
/// Alike are devices of one kind whose wires lie in the same ducts and trays, and inputs of one
/// device that hear the same other one.
public final class Matrix {
  private final List<Row> rows;
  private final List<Column> columns;
  // By identity: what they hold is long to compare.
  private final IdentityHashMap<Row, IdentityHashMap<Column, Pair>> worst = new IdentityHashMap<>();

  /// @param emitters one, or several alike
  public record Row(List<Emitter> emitters) {
    public Row {
      emitters = List.copyOf(emitters);
    }

    public Emitter first() {
      return emitters.getFirst();
    }

    public String label() {
      return many(first().label(), emitters.size());
    }
  }

  public record Column(List<Receiver> receivers) {
    public Column {
      receivers = List.copyOf(receivers);
    }

    public Receiver first() {
      return receivers.getFirst();
    }

    public String label() {
      return many(first().label(), receivers.size());
    }
  }

  private static String many(String first, int count) {
    return count == 1 ? first : "%s + %d".formatted(first, count - 1);
  }

  /// @param fold whether what is alike shares a row
  private Matrix(Study study, boolean fold) {
    var pairs = Coupled.of(study).pairs();
    var byEmitter = new LinkedHashMap<Object, List<Emitter>>();
    for (var e : Emitters.of(study))
      byEmitter.computeIfAbsent(fold ? alike(e) : byEmitter.size(), _ -> new ArrayList<>()).add(e);
    var byReceiver = new LinkedHashMap<Object, List<Receiver>>();
    for (var r : Receivers.of(study))
      byReceiver
          .computeIfAbsent(fold ? alike(r) : byReceiver.size(), _ -> new ArrayList<>())
          .add(r);
    var byRow = new ArrayList<Row>();
    var byColumn = new ArrayList<Column>();
    var rowOf = new IdentityHashMap<Emitter, Row>();
    byEmitter
        .values()
        .forEach(all -> {
          var row = new Row(all);
          byRow.add(row);
          all.forEach(e -> rowOf.put(e, row));
        });
    var columnOf = new IdentityHashMap<Receiver, Column>();
    byReceiver
        .values()
        .forEach(all -> {
          var column = new Column(all);
          byColumn.add(column);
          all.forEach(r -> columnOf.put(r, column));
        });
    // Worst first, so that the first of a cell is its worst.
    for (var pair : pairs)
      if (rowOf.get(pair.emitter()) instanceof Row row
          && columnOf.get(pair.receiver()) instanceof Column column)
        worst.computeIfAbsent(row, _ -> new IdentityHashMap<>()).putIfAbsent(column, pair);
    rows = sorted(byRow, this::margin);
    columns = sorted(byColumn, this::margin);
  }

  public static Matrix of(Study study, boolean fold) {
    return study.once("matrix " + fold, () -> new Matrix(study, fold));
  }

  private record AlikeEmitter(Emitter.Kind kind, Object where, String basis) {}

  private static Object alike(Emitter e) {
    return e.cable().isPresent()
        ? e.id()
        : new AlikeEmitter(e.kind(), e.lays().in().keySet(), e.basis());
  }

  private record AlikeReceiver(Object board, Receiver.Kind kind, Object partner) {}

  private static Object alike(Receiver r) {
    return new AlikeReceiver(
        r.cable().isPresent() ? r.id() : r.at().device(),
        r.kind(),
        r.partner().map(end -> end.device()));
  }

  private static <T> List<T> sorted(List<T> all, Function<T, Double> margin) {
    return all.stream().sorted(Comparator.comparing(margin)).toList();
  }

  private double margin(Row row) {
    return worst.get(row) instanceof IdentityHashMap<Column, Pair> all
        ? all.values().stream().mapToDouble(Pair::margin).min().orElse(Pair.FAR)
        : Pair.FAR;
  }

  private double margin(Column column) {
    return worst.values().stream()
        .flatMap(all -> Optional.ofNullable(all.get(column)).stream())
        .mapToDouble(Pair::margin)
        .min()
        .orElse(Pair.FAR);
  }

  /// Rows in which anything couples at all.
  public List<Row> rows() {
    return rows.stream().filter(worst::containsKey).toList();
  }

  /// Columns in which anything couples at all.
  public List<Column> columns() {
    return columns.stream()
        .filter(c -> worst.values().stream().anyMatch(all -> all.containsKey(c)))
        .toList();
  }

  /// The worst of a cell; empty where nothing couples.
  public Optional<Pair> at(Row row, Column column) {
    return Optional.ofNullable(worst.get(row)).flatMap(all -> Optional.ofNullable(all.get(column)));
  }
}
