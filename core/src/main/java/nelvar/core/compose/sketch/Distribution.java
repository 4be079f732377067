package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.Disconnector;
import nelvar.core.catalogue.EmcFilter;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ResidualCurrentDevice;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Brief;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.School;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;

/// What carries all of a new machine: inlet, main switch, residual-current device, filter, bars,
/// and the contactors of the stop with the bars behind them.
final class Distribution {
  /// Against fire and indirect contact for a whole machine, A.
  private static final double FIRE = 0.3;

  private final Sketch sketch;
  private final int lineCount;
  private final Device inlet;
  private final Bar earth;
  private final List<Bar> lines = new ArrayList<>();
  private final List<Bar> safeLines = new ArrayList<>();
  private final List<Device> cutting = new ArrayList<>();
  private Optional<Bar> neutral = Optional.empty();
  private Optional<Device> mainSwitch = Optional.empty();
  private Optional<Device> residualDevice = Optional.empty();
  private Optional<Device> filter = Optional.empty();

  Distribution(Sketch sketch, int lineCount) {
    this.sketch = sketch;
    this.lineCount = lineCount;
    this.inlet = inlet();
    this.earth = new Bar(sketch, "PE bar", Terminal.Role.PROTECTIVE, Ink.PROTECTIVE);
  }

  /// The next way of a line.
  TerminalRef line(int number, boolean safe) {
    return (safe ? safeLines : lines).get(number).next();
  }

  TerminalRef neutral() {
    return neutral.orElseThrow().next();
  }

  TerminalRef earth() {
    return earth.next();
  }

  /// The contactors of the stop, before anything is wired to them.
  void begin(int count) {
    var part =
        sketch.cheapest(Contactor.class, c -> c.poles() == 3 && Mains.coil24(c)).orElseThrow();
    for (var n = 1; n <= count; n++) {
      var device =
          sketch
              .add(
                  part,
                  count == 1 ? "power, contactor" : "stop, contactor " + n + " of " + count,
                  Place.PANEL,
                  Optional.empty())
              .withSuppression(Suppression.DIODE)
              .withSpare(Mains.spare(lineCount));
      sketch.change(device);
      cutting.add(device);
    }
  }

  List<Device> contactors() {
    return List.copyOf(cutting);
  }

  /// From the inlet over main switch, residual-current device and filter to the bars, and on over
  /// the contactors of the stop.
  void settle(boolean wantsNeutral, boolean drives, boolean stops) {
    sketch.wire(sketch.at(inlet, "PE"), earth.next(), Ink.PROTECTIVE);
    var ends = new ArrayList<TerminalRef>();
    for (var n = 1; n <= lineCount; n++) ends.add(sketch.at(inlet, "L" + n));
    var back = wantsNeutral ? Optional.of(sketch.at(inlet, "N")) : Optional.<TerminalRef>empty();
    var ways = mainSwitch(new Ways(ends, back));
    if (residual()) ways = residualDevice(ways, drives);
    if (drives && lineCount != 2) ways = filter(ways);
    for (var n = 0; n < lineCount; n++) {
      var line = new Bar(sketch, "L" + (n + 1) + " distribution", Terminal.Role.LINE, Ink.FEED);
      lines.add(line);
      sketch.wire(ways.lines().get(n), line.next(), Ink.FEED);
    }
    ways.neutral()
        .ifPresent(end -> {
          var n = new Bar(sketch, "N distribution", Terminal.Role.NEUTRAL, Ink.NEUTRAL);
          neutral = Optional.of(n);
          sketch.wire(end, n.next(), Ink.FEED_NEUTRAL);
        });
    if (stops) cut();
  }

  /// With an electrode of its own a fault drives too little to open a fuse or breaker (IEC
  /// 60364-4-41, 411.5, unchecked); or where the school wants one.
  private boolean residual() {
    return sketch.brief().supply().earthing() == Brief.Earthing.TT
        || sketch.brief().policies().chose(School.RESIDUAL_DEVICE, "type-b");
  }

  /// 300 mA for all of the machine; of the type that trips on what drives and supplies leak.
  private Ways residualDevice(Ways from, boolean drives) {
    var poles = lineCount == 1 ? 2 : 4;
    var type =
        !drives
            ? ResidualCurrentDevice.Type.A
            : poles == 2 ? ResidualCurrentDevice.Type.F : ResidualCurrentDevice.Type.B;
    var part =
        sketch
            .cheapest(
                ResidualCurrentDevice.class,
                d -> d.poles() == poles && d.type() == type && d.residual().amperes() == FIRE)
            .orElseThrow(() -> new Unmet("the catalogue has no residual-current device for it"));
    var device = sketch.add(part, "residual-current device", Place.PANEL, Optional.empty());
    residualDevice = Optional.of(device);
    var out = new ArrayList<TerminalRef>();
    for (var n = 0; n < from.lines().size(); n++)
      out.add(through(device, n, from.lines().get(n), Ink.FEED));
    return new Ways(
        out, from.neutral().map(end -> through(device, poles - 1, end, Ink.FEED_NEUTRAL)));
  }

  /// Into a pole of a device; where it comes out.
  private TerminalRef through(Device device, int pole, TerminalRef from, Ink ink) {
    sketch.wire(from, sketch.at(device, String.valueOf(2 * pole + 1)), ink);
    return sketch.at(device, String.valueOf(2 * pole + 2));
  }

  private record Ways(List<TerminalRef> lines, Optional<TerminalRef> neutral) {}

  private Device inlet() {
    return sketch.devices().stream()
        .filter(device -> sketch.part(device.id()) instanceof MainsInlet)
        .findFirst()
        .orElseGet(() -> {
          var part =
              sketch
                  .cheapest(
                      MainsInlet.class, inlet -> inlet.lines() == lineCount && inlet.neutral())
                  .orElseThrow();
          return sketch.add(part, "mains inlet", Place.PANEL, Optional.empty());
        });
  }

  private Ways mainSwitch(Ways from) {
    var single = lineCount == 1;
    var poles = single ? 2 : lineCount;
    var part = sketch.cheapest(Disconnector.class, s -> s.poles() == poles).orElseThrow();
    var device = sketch.add(part, "main switch", Place.DOOR, Optional.empty());
    mainSwitch = Optional.of(device);
    var out = new ArrayList<TerminalRef>();
    for (var n = 0; n < from.lines().size(); n++)
      out.add(through(device, n, from.lines().get(n), Ink.FEED));
    return new Ways(
        out,
        single
            ? from.neutral().map(end -> through(device, 1, end, Ink.FEED_NEUTRAL))
            : from.neutral());
  }

  private Ways filter(Ways from) {
    var ends = from.lines();
    var back = from.neutral();
    var part = sketch.cheapest(EmcFilter.class, f -> f.lines() == lineCount && f.neutral());
    if (part.isEmpty()) return from;
    var device = sketch.add(part.get(), "mains filter", Place.PANEL, Optional.empty());
    filter = Optional.of(device);
    sketch.wire(earth.next(), sketch.at(device, "PE"), Ink.PROTECTIVE);
    var lines = new ArrayList<TerminalRef>();
    for (var n = 1; n <= ends.size(); n++) {
      var mark = part.get().lines() == 1 ? lineMark(part.get()) : "L" + n;
      sketch.wire(ends.get(n - 1), sketch.at(device, mark), Ink.FEED);
      lines.add(sketch.at(device, mark + "'"));
    }
    if (back.isEmpty()) {
      sketch.change(sketch.device(device.id()).withSpare(List.of("N", "N'")));
      return new Ways(lines, back);
    }
    sketch.wire(back.get(), sketch.at(device, "N"), Ink.FEED_NEUTRAL);
    return new Ways(lines, Optional.of(sketch.at(device, "N'")));
  }

  private static String lineMark(Part filter) {
    return filter.terminals().getFirst().name();
  }

  /// One behind the other: of two one that sticks does not keep the machine running.
  private void cut() {
    var ends = new ArrayList<TerminalRef>();
    for (var line : lines) ends.add(line.next());
    for (var device : cutting)
      for (var pole = 0; pole < ends.size(); pole++)
        ends.set(pole, through(device, pole, ends.get(pole), Ink.CUT));
    for (var n = 0; n < ends.size(); n++) {
      var line = new Bar(sketch, "L" + (n + 1) + " behind the stop", Terminal.Role.LINE, Ink.CUT);
      safeLines.add(line);
      sketch.wire(ends.get(n), line.next(), Ink.CUT);
    }
  }

  /// Main switch, filter, bars and contactors for what flows, and for the device before the inlet.
  ///
  /// @param upstream rating of that device
  /// @param cut amperes behind the contactors of the stop
  void trim(double upstream, double cut) {
    mainSwitch.ifPresent(device -> {
      var now = (Disconnector) sketch.part(device.id());
      replace(
          device,
          sketch.cheapest(
              Disconnector.class,
              s -> s.poles() == now.poles() && s.rating().amperes() >= upstream),
          "main switch");
    });
    filter.ifPresent(device -> {
      var now = (EmcFilter) sketch.part(device.id());
      replace(
          device,
          sketch.cheapest(
              EmcFilter.class,
              f ->
                  f.lines() == now.lines()
                      && f.neutral()
                      && f.terminals().equals(now.terminals())
                      && f.rating().amperes() >= upstream),
          "mains filter");
    });
    residualDevice.ifPresent(device -> {
      var now = (ResidualCurrentDevice) sketch.part(device.id());
      replace(
          device,
          sketch.cheapest(
              ResidualCurrentDevice.class,
              d ->
                  d.poles() == now.poles()
                      && d.type() == now.type()
                      && d.residual().equals(now.residual())
                      && d.rating().amperes() >= upstream),
          "residual-current device");
    });
    for (var device : cutting)
      replace(
          device,
          sketch.cheapest(
              Contactor.class,
              c -> c.poles() == 3 && Mains.coil24(c) && c.rating().amperes() >= cut),
          "contactor for the stop");
    for (var line : lines) line.trim(upstream);
    for (var line : safeLines) line.trim(upstream);
    neutral.ifPresent(bar -> bar.trim(upstream));
    earth.trim(0);
  }

  private void replace(Device device, Optional<? extends Part> part, String what) {
    var next =
        part.orElseThrow(() ->
            new Unmet(
                "the machine takes more than any %s of the catalogue carries".formatted(what)));
    sketch.change(sketch.device(device.id()).withPart(next.id()));
  }
}
