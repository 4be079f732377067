package nelvar.core.analysis.signals;

import static nelvar.core.analysis.signals.ConverterPlace.end;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.ConverterPlace.Pairs;
import nelvar.core.catalogue.PassedLine;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.catalogue.SignalConverter;
import nelvar.core.catalogue.SignalConverter.Form;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.ConverterEdits;
import nelvar.core.model.edit.ConverterEdits.Ends;
import nelvar.core.model.edit.ConverterEdits.Lead;
import nelvar.core.model.edit.ConverterEdits.Lies;
import nelvar.core.model.edit.ConverterEdits.Move;
import nelvar.core.units.Price;

/// Pulses of a sensor to a board on two wires: a line driver in the lead of the sensor, a line
/// receiver beside the board.
///
/// Only of a sensor whose signal goes to its pin over one wire or core, which has room for another
/// beside it, and to a pin that bears the 5 V of a receiver.
public final class CountsOnPairs {
  private CountsOnPairs() {}

  public static Optional<OnTwoWires> of(TerminalRef pin, Device sensor, Study study) {
    var board = study.device(pin.device()).orElseThrow();
    if (!(study.part(sensor).orElse(null) instanceof Sensor s)
        || s.output() != SensorOutput.PULSES
        || !bears(pin, study)) return Optional.empty();
    var from = end(sensor, "OUT");
    var wires = ConverterPlace.landing(from, study);
    if (wires.size() != 1) return Optional.empty();
    var wire = wires.getFirst();
    var sends = ConverterPlace.converter(Form.DIFFERENTIAL, 1, false, sensor, study);
    var hears = ConverterPlace.converter(Form.SINGLE, 1, true, board, study);
    var place = ConverterPlace.of(board, study);
    var pairs = ConverterPlace.pairs(List.of(wire), 1, study);
    if (!wire.lands(pin)
        || wire.leadOf().isPresent()
        || sends.isEmpty()
        || hears.isEmpty()
        || place.isEmpty()
        || (pairs.isEmpty() && wire.cable().isPresent())) return Optional.empty();
    return Optional.of(put(pin, sensor, wire, sends.get(), hears.get(), place.get(), pairs));
  }

  private static OnTwoWires put(
      TerminalRef pin,
      Device sensor,
      Conductor wire,
      SignalConverter sends,
      SignalConverter hears,
      ConverterPlace place,
      Optional<Pairs> pairs) {
    var study = place.study();
    var board = place.beside();
    var from = end(sensor, "OUT");
    var driver =
        ConverterPlace.device(
            sends, "line driver of " + sensor.designation(), sensor, sensor.place(), study);
    var receiver =
        ConverterPlace.device(
            hears,
            "line receiver of " + sensor.designation(),
            sensor,
            board.place(),
            study,
            driver);
    var out = sends.passesOn().getFirst();
    var in = hears.passesOn().getFirst();
    var sent = new Ends(end(driver, out.out()), end(driver, out.outReturn().orElseThrow()));
    var leads = new ArrayList<Lead>();
    leads.add(
        new Lead(sent.other(), end(receiver, in.inReturn().orElseThrow()), wire, Lies.BESIDE));
    leads.add(new Lead(from, end(driver, out.in()), wire, Lies.OWN));
    for (var mark : List.of("+", "-"))
      leads.add(new Lead(end(sensor, mark), end(driver, mark), wire, Lies.OWN));
    leads.add(new Lead(end(receiver, in.out()), pin, place.loose(wire), Lies.STRAIGHT));
    leads.addAll(place.fed(receiver));
    var put =
        ConverterEdits.put(
            List.of(driver, receiver),
            List.of(
                new Move(wire.id(), from, sent.one()),
                new Move(wire.id(), pin, end(receiver, in.in()))),
            leads);
    var wired =
        pairs.map(p -> put.then(ConverterEdits.paired(List.of(sent), p.stock()))).orElse(put);
    return new OnTwoWires(
        place
            .mounted(wired, receiver)
            .named(
                "Line driver at %s, line receiver beside %s: its pulses on two wires, each against the other%s"
                    .formatted(sensor.designation(), board.designation(), Pairs.words(pairs))),
        Stream.of(
                sends.price(),
                hears.price(),
                pairs.map(Pairs::costs).orElse(Optional.of(Price.ZERO)))
            .reduce((a, b) -> a.flatMap(one -> b.map(one::plus)))
            .orElseThrow(),
        2,
        leads.size());
  }

  private static boolean bears(TerminalRef pin, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.at().equals(pin))
        .map(PinLink::pin)
        .anyMatch(
            p -> p.logic().isEmpty() || p.levels().greatest().compareTo(PassedLine.GIVES) >= 0);
  }
}
