package nelvar.core.analysis.signals;

import static nelvar.core.analysis.signals.ConverterPlace.end;
import static nelvar.core.analysis.signals.ConverterPlace.far;
import static nelvar.core.analysis.signals.ConverterPlace.landing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.ConverterPlace.Pairs;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SignalConverter.Form;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.ConverterEdits;
import nelvar.core.model.edit.ConverterEdits.Ends;
import nelvar.core.model.edit.ConverterEdits.Lead;
import nelvar.core.model.edit.ConverterEdits.Lies;
import nelvar.core.model.edit.ConverterEdits.Move;
import nelvar.core.model.edit.Edit;
import nelvar.core.units.Price;

/// Pulses of a board to a drive on two wires: on its own inverse outputs where those are free, else
/// over a line driver beside it.
///
/// All lines of the axis together, and only where all are plain: one wire at the other terminal of
/// the drive, that ends at the 0 V of the board.
public final class PulsesOnPairs {
  /// @param pin that sends
  /// @param wires that land on it
  /// @param back the only wire at the other terminal of the drive
  /// @param zero where its far end lands, on the 0 V of the board
  private record Line(TerminalRef pin, List<Conductor> wires, Conductor back, TerminalRef zero) {}

  private final Device board;
  private final Device drive;
  private final Study study;

  private PulsesOnPairs(Device board, Device drive, Study study) {
    this.board = board;
    this.drive = drive;
    this.study = study;
  }

  public static Optional<OnTwoWires> of(Device board, Device drive, Study study) {
    var pulses = new PulsesOnPairs(board, drive, study);
    var lines = pulses.lines();
    return lines.isEmpty()
        ? Optional.empty()
        : pulses.inverse(lines).or(() -> pulses.driver(lines));
  }

  /// None where one of them is not plain.
  private List<Line> lines() {
    var all = new ArrayList<Line>();
    var pins = study.part(board).flatMap(Part::logic).stream().flatMap(l -> l.pins().stream());
    for (var pin : pins.filter(p -> p.type().steps()).toList()) {
      var at = end(board, pin.name());
      var heard =
          PassedOn.ends(at, study).stream().filter(e -> e.device().equals(drive.id())).findFirst();
      if (heard.isEmpty() || PassedOn.onPair(pin, at, study)) continue;
      var line = line(at, heard.get());
      if (line.isEmpty()) return List.of();
      all.add(line.get());
    }
    return all;
  }

  private Optional<Line> line(TerminalRef pin, TerminalRef heard) {
    var other = PassedOn.other(heard).filter(_ -> heard.terminal().endsWith("+"));
    if (other.isEmpty()) return Optional.empty();
    var wires = landing(pin, study);
    var back = landing(other.get(), study);
    if (wires.isEmpty() || back.size() != 1 || plugged(wires) || plugged(back))
      return Optional.empty();
    var zero = far(back.getFirst(), other.get());
    var grounded =
        study.network().joined(zero).contains(end(board, "-"))
            && study.device(zero.device()).filter(d -> d.place() == board.place()).isPresent();
    return grounded ? Optional.of(new Line(pin, wires, back.getFirst(), zero)) : Optional.empty();
  }

  private static boolean plugged(List<Conductor> wires) {
    return wires.stream().anyMatch(Conductor::plugged);
  }

  /// Onto the inverse pins of the board, where all of them are free; their wires stay where they
  /// lie.
  private Optional<OnTwoWires> inverse(List<Line> lines) {
    var pairs = pairs(lines).filter(Pairs::there);
    var moves = new ArrayList<Move>();
    var signals = new ArrayList<Ends>();
    for (var line : lines) {
      var to = PassedOn.inverse(line.pin(), study).filter(e -> landing(e, study).isEmpty());
      if (to.isEmpty()) return Optional.empty();
      moves.add(new Move(line.back().id(), line.zero(), to.get()));
      signals.add(new Ends(line.pin(), to.get()));
    }
    return Optional.of(
        new OnTwoWires(
            ConverterEdits.moved(moves)
                .then(on(pairs, signals))
                .named(
                    "Pulses to %s on both outputs of %s, each against the other in place of 0 V"
                        .formatted(study.label(drive.id()), board.designation())),
            Optional.of(Price.ZERO),
            0,
            lines.size()));
  }

  private Optional<OnTwoWires> driver(List<Line> lines) {
    var place = ConverterPlace.of(board, study);
    var stock = ConverterPlace.converter(Form.DIFFERENTIAL, lines.size(), true, board, study);
    if (place.isEmpty() || stock.isEmpty()) return Optional.empty();
    var device =
        ConverterPlace.device(
            stock.get(), "pulses to " + study.label(drive.id()), drive, board.place(), study);
    var pairs = pairs(lines);
    var moves = new ArrayList<Move>();
    var leads = new ArrayList<Lead>();
    var signals = new ArrayList<Ends>();
    for (var line : lines) {
      var way = stock.get().passesOn().get(signals.size());
      var pair = new Ends(end(device, way.out()), end(device, way.outReturn().orElseThrow()));
      for (var wire : line.wires()) moves.add(new Move(wire.id(), line.pin(), pair.one()));
      moves.add(new Move(line.back().id(), line.zero(), pair.other()));
      leads.add(
          new Lead(
              line.pin(),
              end(device, way.in()),
              place.get().loose(line.wires().getFirst()),
              Lies.STRAIGHT));
      signals.add(pair);
    }
    leads.addAll(place.get().fed(device, lines.getFirst().zero()));
    var wired = ConverterEdits.put(List.of(device), moves, leads).then(on(pairs, signals));
    return Optional.of(
        new OnTwoWires(
            place
                .get()
                .mounted(wired, device)
                .named(
                    "Line driver beside %s: pulses to %s on two wires, each against the other%s"
                        .formatted(
                            board.designation(), study.label(drive.id()), Pairs.words(pairs))),
            stock
                .get()
                .price()
                .flatMap(
                    one -> pairs.map(Pairs::costs).orElse(Optional.of(Price.ZERO)).map(one::plus)),
            1,
            2 * lines.size()));
  }

  /// On pairs of a cable, where one suits: two wires that lie apart take up what lies between them.
  /// Not over a strip, where what goes on behind it stays as it is.
  private Optional<Pairs> pairs(List<Line> lines) {
    var wires =
        lines.stream()
            .flatMap(l -> Stream.concat(l.wires().stream(), Stream.of(l.back())))
            .toList();
    return wires.stream().allMatch(w -> w.touches(drive.id()))
        ? ConverterPlace.pairs(wires, 0, study)
        : Optional.empty();
  }

  private static Edit on(Optional<Pairs> pairs, List<Ends> signals) {
    return pairs
        .map(p -> ConverterEdits.paired(signals, p.stock()))
        .orElseGet(() -> new Edit("", project -> project));
  }
}
