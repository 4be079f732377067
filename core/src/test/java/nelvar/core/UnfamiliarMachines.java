package nelvar.core;

import java.util.List;
import nelvar.core.catalogue.Linkage;
import nelvar.core.model.Brief;
import nelvar.core.model.Place;

/// Ten small machines of trades the demos know nothing of, each with one electrical trait that
/// machines of the workshop have and panels of the catalogue have not. All invented.
public final class UnfamiliarMachines {
  private UnfamiliarMachines() {}

  /// A foam cutter on a switched strip: a hand tool, a computer whose port feeds a lamp, a plug-in
  /// supply of class II for the wire feed.
  public static Panel foamCutter() {
    return new Panel()
        .device("X0", "inlet-1-n-pe")
        .device("X1", "socket-strip-6-switched")
        .wire("X0:L1", "X1:L", 1.5, 2)
        .wire("X1:N", "X0:N", 1.5, 2)
        .protective("X0:PE", "X1:PE", 1.5)
        .device("E1", "appliance-router-900w")
        .wire("X1:L1", "E1:L", 1, 2)
        .wire("E1:N", "X1:N1", 1, 2)
        .device("E2", "computer-desk-150w")
        .wire("X1:L2", "E2:L", 1, 2)
        .wire("E2:N", "X1:N2", 1, 2)
        .protective("X1:PE2", "E2:PE", 1)
        .device("T", "supply-24v-3a-class2")
        .wire("X1:L3", "T:L", 0.75, 2)
        .wire("T:N", "X1:N3", 0.75, 2)
        .device("M", "vibrator-24v-2p5a")
        .wire("T:+", "M:+", 0.75, 3)
        .wire("M:-", "T:-", 0.75, 3)
        .wire("T:-", "E2:0V", 0.25, 1);
  }

  /// A stone saw whose feed axes have their drives built on, on a toroid with two windings in
  /// series.
  public static Panel stoneSaw() {
    var panel =
        switched()
            .device("F", "breaker-1p-c4")
            .wire("Q:2", "F:1", 1.5, 0.3)
            .device("T", "toroid-300va-230-2x18")
            .wire("F:2", "T:1", 1, 0.3)
            .wire("T:2", "Q:4", 1, 0.3)
            .wire("T:4", "T:5", 1.5, 0.1)
            .device("B", "rectifier-48vac-10a-22mf")
            .wire("T:3", "B:~1", 1.5, 0.2)
            .wire("T:6", "B:~2", 1.5, 0.2);
    for (var axis : List.of("M1", "M2"))
      panel
          .device(axis, "servo-with-drive-48v-180w", Place.MACHINE)
          .works(30, 100, 100)
          .wire("B:+", axis + ":+", 1.5, 3)
          .wire(axis + ":-", "B:-", 1.5, 3);
    return panel;
  }

  /// A label unwinder: a stepper of six leads on its half windings.
  public static Panel labelUnwinder() {
    var panel =
        switched()
            .device("T", "supply-48v-5a")
            .wire("Q:2", "T:L", 1, 0.3)
            .wire("T:N", "Q:4", 1, 0.3)
            .protective("X0:PE", "T:PE", 1)
            .protective("T:-", "X0:PE", 1)
            .device("U", "stepper-drive-50v-5a")
            .setTo(2.8)
            .wire("T:+", "U:+", 1.5, 1)
            .wire("U:-", "T:-", 1.5, 1)
            .device("M", "stepper-motor-2a8-6lead", Place.MACHINE)
            .spare("A-", "B-");
    for (var end : List.of("A+:A+", "A-:A0", "B+:B+", "B-:B0"))
      panel.wire("U:" + end.split(":")[0], "M:" + end.split(":")[1], 1, 4);
    return panel;
  }

  /// An egg candler on the bench: a board with drives on a plug-in supply, and a portable computer.
  public static Panel eggCandler() {
    var panel =
        new Panel()
            .device("X0", "inlet-1-n-pe")
            .device("T", "supply-24v-3a-class2")
            .wire("X0:L1", "T:L", 0.75, 2)
            .wire("T:N", "X0:N", 0.75, 2)
            .device("A", "board-4-axes-24v-2a")
            .setTo(1.2)
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .device("E", "computer-laptop-65w")
            .wire("X0:L1", "E:L", 0.75, 2)
            .wire("E:N", "X0:N", 0.75, 2)
            .wire("E:0V", "A:-", 0.25, 1)
            .device("M", "stepper-motor-3a", Place.MACHINE);
    for (var end : List.of("A+", "A-", "B+", "B-")) panel.wire("A:1" + end, "M:" + end, 0.75, 1);
    return panel;
  }

  /// A bottle brush on a drive from one phase to three, its motor linked for 230 V.
  public static Panel bottleBrush() {
    return brush(Linkage.DELTA);
  }

  /// The same drill before somebody thought of the links: in star it gets 1/√3 of its volts.
  public static Panel tabletDrill() {
    return brush(Linkage.STAR);
  }

  private static Panel brush(Linkage linkage) {
    var panel =
        switched()
            .device("K", "contactor-3p-9a-230vac")
            .device("S", "stop-button-2nc")
            .wire("Q:2", "S:11", 1, 1)
            .wire("S:12", "K:A1", 1, 1)
            .wire("K:A2", "Q:4", 1, 1)
            .wire("Q:2", "K:1", 1.5, 0.5)
            .wire("Q:4", "K:3", 1.5, 0.5)
            .device("U", "drive-1ph-230-0p75kw")
            .wire("K:2", "U:L", 1.5, 0.5)
            .wire("K:4", "U:N", 1.5, 0.5)
            .protective("X0:PE", "U:PE", 1.5)
            .wire("U:RUN", "U:COM", 0.5, 0.2)
            .device("M", "motor-0p75kw-230-400", Place.MACHINE)
            .linked(linkage);
    for (var line : List.of("U", "V", "W")) panel.wire("U:" + line, "M:" + line, 1.5, 5);
    return panel.protective("U:PE2", "M:PE", 1.5);
  }

  /// A loom on a linear supply: transformer, bridge, bank with its bleeder, a relay that releases
  /// the let-off.
  public static Panel loom() {
    return switched()
        .device("F", "breaker-1p-c6")
        .wire("Q:2", "F:1", 1.5, 0.3)
        .device("T", "transformer-250va-230-24")
        .wire("F:2", "T:1", 1.5, 0.3)
        .wire("T:2", "Q:4", 1.5, 0.3)
        .protective("X0:PE", "T:PE", 1.5)
        .device("B", "rectifier-24vac-10a-22mf")
        .wire("T:3", "B:~1", 2.5, 0.3)
        .wire("T:4", "B:~2", 2.5, 0.3)
        .protective("B:-", "X0:PE", 1.5)
        .device("S", "stop-button-2nc")
        .device("K", "relay-6a-24vdc")
        .wire("B:+", "S:11", 0.75, 1)
        .wire("S:12", "K:A1", 0.75, 1)
        .wire("K:A2", "B:-", 0.75, 1)
        .device("M", "vibrator-24v-2p5a", Place.MACHINE)
        .wire("B:+", "K:11", 1.5, 1)
        .wire("K:14", "M:+", 1.5, 3)
        .wire("M:-", "B:-", 1.5, 3);
  }

  /// A sensor bench on a supply of three voltages whose minus is one.
  public static Panel sensorBench() {
    return switched()
        .device("T", "supply-5-12-24v-100w")
        .wire("Q:2", "T:L", 1, 0.3)
        .wire("T:N", "Q:4", 1, 0.3)
        .protective("X0:PE", "T:PE", 1)
        .device("B1", "photo-eye-npn", Place.MACHINE)
        .wire("T:+24V", "B1:+", 0.34, 10)
        .wire("B1:-", "T:0-24V", 0.34, 10)
        .device("B2", "pulse-pickup-5v", Place.MACHINE)
        .wire("T:+5V", "B2:+", 0.34, 10)
        .wire("B2:-", "T:0-5V", 0.34, 10)
        .device("Y", "valve-12vdc-4w8", Place.MACHINE)
        .wire("T:+12V", "Y:1", 0.5, 10)
        .wire("Y:2", "T:0-12V", 0.5, 10);
  }

  /// A floor polisher: a brake and a contactor on 24 V from two supplies in series with a tap.
  public static Panel polisher() {
    var panel = switched();
    for (var supply : List.of("T1", "T2"))
      panel
          .device(supply, "supply-24v-5a")
          .wire("Q:2", supply + ":L", 1, 0.3)
          .wire(supply + ":N", "Q:4", 1, 0.3)
          .protective("X0:PE", supply + ":PE", 1);
    return panel
        .wire("T1:-", "T2:+", 1.5, 0.2)
        .protective("T2:-", "X0:PE", 1.5)
        .device("S", "stop-button-2nc")
        .device("K", "contactor-3p-9a-24vdc")
        .wire("T2:+", "S:11", 0.75, 1)
        .wire("S:12", "K:A1", 0.75, 1)
        .wire("K:A2", "T2:-", 0.75, 1)
        .device("Y", "brake-48vdc-17w", Place.MACHINE)
        .wire("T1:+", "K:1", 1, 1)
        .wire("K:2", "Y:1", 1, 4)
        .wire("Y:2", "T2:-", 1, 4);
  }

  /// A ring oven with its return on two ways round, earthed by a stake of its own.
  public static Panel ringOven() {
    return Panel.dc("supply-24v-20a", "breaker-1p-c10")
        .earthed(Brief.Earthing.TT)
        .protective("T:-", "X0:PE", 2.5)
        .device("X1", "block-minus-16")
        .device("X2", "block-minus-16")
        .wire("T:-", "X1:1", 2.5, 2)
        .wire("T:-", "X2:1", 2.5, 6)
        .wire("X1:2", "X2:2", 2.5, 4)
        .device("M1", "vibrator-24v-2p5a", Place.MACHINE)
        .wire("T:+", "M1:+", 1.5, 6)
        .wire("M1:-", "X1:3", 1.5, 2)
        .device("M2", "pump-24v-3a", Place.MACHINE)
        .wire("T:+", "M2:+", 1.5, 6)
        .wire("M2:-", "X2:3", 1.5, 2);
  }

  private static Panel switched() {
    return Panel.mains()
        .device("Q", "main-switch-2p-30a")
        .wire("X0:L1", "Q:1", 2.5, 1)
        .wire("X0:N", "Q:3", 2.5, 1);
  }
}
