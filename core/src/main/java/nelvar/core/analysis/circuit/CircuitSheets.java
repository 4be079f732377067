package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import nelvar.core.analysis.Study;
import nelvar.core.model.Drawn;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// The circuit sheets of a machine, and where everything stands on them.
public final class CircuitSheets {
  private final SheetFormat format;
  private final List<CircuitSheet> sheets;
  private final List<TerminalRef> free;
  private final Map<TerminalRef, Spot> terminals = new HashMap<>();
  private final Map<Id, List<Spot>> devices = new LinkedHashMap<>();
  private final Map<TerminalRef, Spot> symbols = new HashMap<>();
  private final Map<Id, Spot> mains = new HashMap<>();

  private CircuitSheets(SheetFormat format, List<CircuitSheet> sheets, List<TerminalRef> free) {
    this.format = format;
    this.sheets = List.copyOf(sheets);
    this.free = List.copyOf(free);
    for (var sheet : sheets) index(sheet);
  }

  /// Everything where it was kept; what has no place yet, where there is room.
  public static CircuitSheets of(Study study, SheetFormat format) {
    return study.once(
        List.of(CircuitSheets.class, format),
        () -> laid(study, format, kept(study, format), false));
  }

  /// The same for a machine that takes long: says how far it is, and gives up where nobody waits
  /// any more.
  ///
  /// @param cancelled asked before each path and each sheet
  /// @param progress hears 0 to 1
  /// @return empty when cancelled
  public static Optional<CircuitSheets> of(
      Study study, SheetFormat format, BooleanSupplier cancelled, DoubleConsumer progress) {
    try {
      return Optional.of(
          study.once(
              List.of(CircuitSheets.class, format),
              () ->
                  laid(
                      study,
                      format,
                      kept(study, format),
                      false,
                      share -> {
                        if (cancelled.getAsBoolean()) throw new CancellationException();
                        progress.accept(share);
                      })));
    } catch (CancellationException gaveUp) {
      return Optional.empty();
    }
  }

  /// Laid out anew, whatever was kept.
  public static CircuitSheets anew(Study study, SheetFormat format) {
    return laid(study, format, List.of(), false);
  }

  /// With the symbols of each row in the order the machine lists them and bars that run through:
  /// what the arranged sheets are measured against.
  public static CircuitSheets plain(Study study, SheetFormat format) {
    return laid(study, format, List.of(), true);
  }

  private static List<Drawn> kept(Study study, SheetFormat format) {
    return study.project().layout().drawn().stream()
        .filter(one -> one.paper() == format.paper())
        .toList();
  }

  private static CircuitSheets laid(
      Study study, SheetFormat format, List<Drawn> kept, boolean plain) {
    return laid(study, format, kept, plain, _ -> {});
  }

  /// How much of the work lies before the sheets are drafted, about.
  private static final double PATHS = 0.3;

  private static CircuitSheets laid(
      Study study, SheetFormat format, List<Drawn> kept, boolean plain, DoubleConsumer step) {
    step.accept(0);
    var pieces = Pieces.of(study);
    var paths = Paths.of(study, pieces);
    var filling = new Filling(format);
    var left = filling.keep(pieces.all(), kept, paths.serves());
    var blocks = new LinkedHashMap<Optional<Id>, List<PathLayout.Block>>();
    var all = paths.all(left);
    for (var n = 0; n < all.size(); n++) {
      step.accept(PATHS * n / all.size());
      for (var part : paths.cut(all.get(n), format.rows(), format.steps()))
        blocks
            .computeIfAbsent(part.function(), _ -> new ArrayList<>())
            .add(plain ? PathLayout.plain(part) : PathLayout.of(part));
    }
    // What moves and feeds first: it stands in the most rows.
    for (var function : blocks.entrySet()) {
      function.getValue().sort(Comparator.comparingInt(block -> -block.rows()));
      filling.add(function.getKey(), function.getValue());
    }
    var sheets = new ArrayList<CircuitSheet>();
    var filledSheets = filling.all();
    for (var filled : filledSheets) {
      step.accept(PATHS + (1 - PATHS) * sheets.size() / filledSheets.size());
      sheets.add(
          SheetDraft.of(
              study,
              pieces,
              format,
              sheets.size() + 1,
              filled.functions(),
              filled.placed(),
              plain));
    }
    return new CircuitSheets(format, sheets, pieces.free());
  }

  /// Where every symbol stands, to be kept.
  public List<Drawn> places() {
    return sheets.stream()
        .flatMap(sheet ->
            sheet.pieces().stream()
                .map(one ->
                    new Drawn(
                        one.piece().key(), format.paper(), sheet.number(), one.x(), one.row())))
        .toList();
  }

  private void index(CircuitSheet sheet) {
    for (var one : sheet.pieces()) {
      var spot = Spot.of(sheet.number(), one.x() + one.piece().pins().getFirst().x(), one.row());
      symbols.put(one.piece().key(), spot);
      if (one.piece().main()) mains.put(one.piece().device().id(), spot);
      devices.computeIfAbsent(one.piece().device().id(), _ -> new ArrayList<>()).add(spot);
      for (var pin : one.piece().pins())
        terminals.putIfAbsent(
            pin.terminal(), Spot.of(sheet.number(), one.x() + pin.x(), one.row()));
    }
    for (var bar : sheet.bars())
      for (var tap : bar.taps()) {
        var spot = Spot.of(sheet.number(), tap.x(), rowAt(bar.y()));
        terminals.putIfAbsent(tap.terminal(), spot);
        devices.computeIfAbsent(bar.block().id(), _ -> new ArrayList<>()).add(spot);
      }
  }

  private int rowAt(int y) {
    var row = 0;
    while (row + 1 < format.rows() && y > Rows.below(row) + Rows.LANES / 2) row++;
    return row;
  }

  public SheetFormat format() {
    return format;
  }

  public List<CircuitSheet> sheets() {
    return sheets;
  }

  /// Terminals that nothing lands on and that stand on no sheet: free contacts and pins.
  public List<TerminalRef> free() {
    return free;
  }

  public Optional<Spot> at(TerminalRef terminal) {
    return Optional.ofNullable(terminals.get(terminal));
  }

  /// All places of a device, in the order of the sheets.
  public List<Spot> at(Id device) {
    return devices.getOrDefault(device, List.of()).stream()
        .distinct()
        .sorted(Comparator.comparingInt(Spot::sheet).thenComparing(Spot::toString))
        .toList();
  }

  public Optional<Spot> at(Piece piece) {
    return Optional.ofNullable(symbols.get(piece.key()));
  }

  /// Where the first symbol of a device stands.
  public Optional<Spot> main(Id device) {
    return Optional.ofNullable(mains.get(device));
  }

  /// Crossings of wires with wires and bars, on all sheets.
  public int crossings() {
    return sheets.stream().mapToInt(SheetDraft::crossings).sum();
  }
}
