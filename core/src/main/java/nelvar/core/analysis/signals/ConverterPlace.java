package nelvar.core.analysis.signals;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Beside;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.SignalConverter;
import nelvar.core.catalogue.SignalConverter.Form;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.ConverterEdits.Lead;
import nelvar.core.model.edit.ConverterEdits.Lies;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.network.Feed;
import nelvar.core.units.Length;
import nelvar.core.units.Price;

/// Which line driver or receiver goes beside a device, what feeds it and where it is mounted.
///
/// @param plus where the plus that the device hangs on has a place, and a wire of that kind
/// @param zero the same of its 0 V
record ConverterPlace(Device beside, Tap plus, Tap zero, Study study) {
  /// From its board at most, mm: pulses against 0 V do not go far.
  private static final double NEAR = 500;

  record Tap(TerminalRef at, Conductor like) {}

  /// Empty where nothing feeds it with direct current, or only the cores of a cable do.
  static Optional<ConverterPlace> of(Device board, Study study) {
    var feed = feed(board.id(), study);
    var plus = feed.flatMap(f -> tap(board, f.intake().lines().getFirst(), study));
    var zero = feed.flatMap(f -> f.intake().back()).flatMap(mark -> tap(board, mark, study));
    return plus.flatMap(p -> zero.map(z -> new ConverterPlace(board, p, z, study)));
  }

  private static Optional<Feed> feed(Id device, Study study) {
    return study.network().feeds(device).stream()
        .filter(f -> f.source().filter(s -> !s.output().alternating()).isPresent())
        .findFirst();
  }

  /// A free way of a bar that hangs on the same, else where its own wire comes from.
  private static Optional<Tap> tap(Device board, String mark, Study study) {
    var at = new TerminalRef(board.id(), mark);
    return landing(at, study).stream()
        .filter(w -> w.cable().isEmpty())
        .findFirst()
        .map(w ->
            new Tap(
                study.network().joined(at).stream()
                    .filter(end -> !study.network().topology().wired(end))
                    .filter(end ->
                        study
                            .device(end.device())
                            .flatMap(study::part)
                            .flatMap(part -> part.row())
                            .isPresent())
                    .findFirst()
                    .orElseGet(() -> far(w, at)),
                w));
  }

  /// The smallest that has so many lines and bears the volts of what it hangs on.
  ///
  /// @param mounted whether it is a thing in the cabinet; else it is one that needs no place
  static Optional<SignalConverter> converter(
      Form gives, int lines, boolean mounted, Device on, Study study) {
    var volts = feed(on.id(), study).map(Feed::voltage);
    return study
        .catalogue()
        .of(SignalConverter.class)
        .filter(c -> c.gives() == gives && c.lines() >= lines)
        .filter(c -> volts.filter(c.input()::contains).isPresent())
        .filter(c -> c.article().body().isPresent() == mounted)
        .min(Comparator.comparingInt(SignalConverter::lines));
  }

  /// @param of whose signal it sends on: it serves the same function
  /// @param others that are put in with it and have their names already
  static Device device(
      SignalConverter stock,
      String purpose,
      Device of,
      Place place,
      Study study,
      Device... others) {
    var devices = study.project().devices();
    var project =
        study.project().withDevices(Stream.concat(devices.stream(), Stream.of(others)).toList());
    var designation = NextName.designation(project, stock.stem()).text();
    return Device.of(NextName.id(project, designation), designation, purpose, stock.id(), place)
        .withServes(of.serves());
  }

  List<Lead> fed(Device device) {
    return List.of(
        fedWith(plus, device), new Lead(zero.at(), end(device, "-"), zero.like(), Lies.WITH));
  }

  /// With its 0 V at a place that has become free.
  List<Lead> fed(Device device, TerminalRef free) {
    return List.of(fedWith(plus, device), new Lead(free, end(device, "-"), zero.like(), Lies.WITH));
  }

  private static Lead fedWith(Tap tap, Device device) {
    return new Lead(tap.at(), end(device, "+"), tap.like(), Lies.WITH);
  }

  /// What wires it, and mounts it where a place is free.
  Edit mounted(Edit wired, Device device) {
    return Beside.mounted(device, beside, NEAR, study.tried(wired.apply(study.project())))
        .map(wired::then)
        .orElse(wired);
  }

  /// Wires that carry something to a terminal.
  static List<Conductor> landing(TerminalRef end, Study study) {
    return study.at(end.device()).stream().filter(w -> w.carriesWork() && w.lands(end)).toList();
  }

  static TerminalRef far(Conductor wire, TerminalRef end) {
    return wire.from().equals(end) ? wire.to() : wire.from();
  }

  static TerminalRef end(Device device, String mark) {
    return new TerminalRef(device.id(), mark);
  }

  /// A wire for inside the cabinet like these: one of them, else one of its board that is in no
  /// cable.
  Conductor loose(Conductor wire) {
    return Stream.concat(
            Stream.of(wire),
            study.at(beside.id()).stream()
                .filter(w -> w.function() == wire.function() && !w.plugged()))
        .filter(w -> w.cable().isEmpty())
        .findFirst()
        .orElse(wire);
  }

  /// A cable of pairs for wires that go or are to go on pairs, and how long it is.
  ///
  /// @param there whether the wires lie in it already
  /// @param length empty where nobody said
  record Pairs(CableStock stock, boolean there, Optional<Length> length) {
    /// `, in Cable 2×2×0.25 mm²`, where another one comes.
    static String words(Optional<Pairs> pairs) {
      return pairs
          .filter(p -> !p.there())
          .map(p -> ", in " + Edits.inSentence(p.stock().name()))
          .orElse("");
    }

    /// Empty where its price or its length is not known.
    Optional<Price> costs() {
      if (there) return Optional.of(Price.ZERO);
      return length.flatMap(l -> stock.price().map(p -> p.times(l.metres())));
    }
  }

  /// The one they lie in where that has pairs, else the smallest that suits; empty where none does,
  /// or where they lie in different cables.
  ///
  /// @param more wires that come besides, as cores of the same
  static Optional<Pairs> pairs(List<Conductor> wires, int more, Study study) {
    if (wires.stream().map(Conductor::cable).distinct().count() != 1) return Optional.empty();
    var cable = study.cable(wires.getFirst());
    var now =
        cable
            .flatMap(c -> study.catalogue().find(c.stock()))
            .filter(CableStock.class::isInstance)
            .map(CableStock.class::cast);
    var cores = cable.map(c -> study.cores(c.id())).orElse(wires);
    if (cores.stream().anyMatch(w -> w.leadOf().isPresent())) return Optional.empty();
    var wanted = cores.size() + more;
    if (now.filter(s -> s.pairs().isPresent() && s.cores() >= wanted).isPresent())
      return now.map(s -> new Pairs(s, true, Optional.empty()));
    var thickest = cores.stream().flatMap(w -> w.section().stream()).max(Comparator.naturalOrder());
    var length =
        wires.stream().flatMap(w -> study.length(w).stream()).max(Comparator.naturalOrder());
    return study
        .catalogue()
        .of(CableStock.class)
        .filter(s -> s.pairs().isPresent() && s.cores() >= wanted)
        .filter(s -> thickest.filter(t -> t.compareTo(s.section()) > 0).isEmpty())
        .filter(s -> s.moving() || now.filter(CableStock::moving).isEmpty())
        .min(Comparator.comparing(CableStock::section).thenComparingInt(CableStock::cores))
        .map(s -> new Pairs(s, false, length));
  }
}
