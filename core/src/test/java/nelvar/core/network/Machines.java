package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nelvar.core.Panel;

/// Makes machines of many kinds at random: linear and electronic supplies, buses with drives,
/// drives on the mains, contactors and buttons, capacitors, clamps, converters in a row.
public final class Machines {
  private final Random random;
  private final Panel panel = Panel.mains();
  private int count;

  private Machines(long seed) {
    this.random = new Random(seed);
  }

  public static Panel of(long seed) {
    return new Machines(seed).build();
  }

  private String name(String letter) {
    return letter + ++count;
  }

  private <T> T one(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  private double metres() {
    return 0.3 + 10 * random.nextDouble();
  }

  private Panel build() {
    panel.device("Q", "main-switch-4p-25a");
    for (var i = 1; i <= 3; i++) panel.wire("X0:L" + i, "Q:" + (2 * i - 1), 4, 1);
    panel.wire("X0:N", "Q:7", 4, 1);
    for (var part = 1 + random.nextInt(3); part > 0; part--) {
      switch (random.nextInt(4)) {
        case 0 -> linear();
        case 1 -> bus();
        case 2 -> control();
        default -> drive();
      }
    }
    return panel;
  }

  private String phase() {
    return "Q:" + one(List.of("2", "4", "6"));
  }

  /// Transformer, bridge, drives; the feed perhaps behind a contactor of a control supply.
  private void linear() {
    var fuse = name("F");
    var transformer = name("T");
    var bank = name("B");
    panel
        .device(fuse, "breaker-1p-" + one(List.of("c2", "c4", "d6")))
        .wire(phase(), fuse + ":1", 2.5, 1)
        .device(transformer, one(List.of("transformer-250va-230-24", "transformer-400va-230-24")))
        .wire(fuse + ":2", transformer + ":1", 1.5, metres())
        .wire(transformer + ":2", "Q:8", 1.5, metres())
        .device(bank, "rectifier-24vac-10a-22mf")
        .wire(transformer + ":3", bank + ":~1", 2.5, 1)
        .wire(transformer + ":4", bank + ":~2", 2.5, 1);
    if (random.nextBoolean()) bank(bank + ":+", bank + ":-");
    axes(bank + ":+", bank + ":-", false);
  }

  private void bank(String plus, String minus) {
    var more = name("C");
    panel
        .device(more, one(List.of("bus-capacitors-22mf-63v", "bus-capacitors-47mf-63v")))
        .wire(plus, more + ":+", 2.5, 1)
        .wire(more + ":-", minus, 2.5, 1);
  }

  /// An electronic supply, perhaps two, with servo and stepper drives.
  private void bus() {
    var supplies = 1 + random.nextInt(2);
    var part = one(List.of("supply-48v-10a", "supply-48v-20a", "supply-48v-5a"));
    var first = "";
    for (var i = 0; i < supplies; i++) {
      var supply = name("T");
      panel
          .device(supply, part)
          .wire(phase(), supply + ":L", 2.5, metres())
          .wire(supply + ":N", "Q:8", 2.5, metres());
      if (first.isEmpty()) first = supply;
      else
        panel.wire(supply + ":+", first + ":+", 4, 0.5).wire(supply + ":-", first + ":-", 4, 0.5);
    }
    if (random.nextBoolean()) bank(first + ":+", first + ":-");
    axes(first + ":+", first + ":-", true);
  }

  private void axes(String plus, String minus, boolean servos) {
    for (var axis = 1 + random.nextInt(3); axis > 0; axis--) {
      var drive = name("U");
      var motor = name("M");
      if (servos && random.nextBoolean()) {
        panel
            .device(drive, one(List.of("servo-drive-48v-10a", "servo-drive-48v-20a")))
            .device(motor, one(List.of("servo-motor-200w", "servo-motor-400w")))
            .works(20 + random.nextInt(81), 100, 100);
        for (var end : List.of("U", "V", "W"))
          panel.wire(drive + ":" + end, motor + ":" + end, 1.5, metres());
      } else {
        panel
            .device(drive, servos ? "stepper-drive-80v-7a" : "stepper-drive-50v-5a")
            .device(motor, one(List.of("stepper-motor-3a", "stepper-motor-4p2a")))
            .works(10 + random.nextInt(91), 100, 100);
        for (var end : List.of("A+", "A-", "B+", "B-"))
          panel.wire(drive + ":" + end, motor + ":" + end, 1, metres());
      }
      panel.wire(plus, drive + ":+", 1.5, metres()).wire(drive + ":-", minus, 1.5, metres());
    }
  }

  /// 24 V with a controller, relays and valves.
  private void control() {
    var supply = name("T");
    panel
        .device(supply, one(List.of("supply-24v-2p5a", "supply-24v-10a", "supply-24v-5a-hiccup")))
        .wire(phase(), supply + ":L", 1.5, metres())
        .wire(supply + ":N", "Q:8", 1.5, metres());
    var board = name("A");
    panel
        .device(board, "motion-controller-3ax")
        .wire(supply + ":+", board + ":+", 0.75, metres())
        .wire(board + ":-", supply + ":-", 0.75, metres());
    for (var i = 1 + random.nextInt(6); i > 0; i--) {
      var load = name("Y");
      var coil = random.nextBoolean();
      panel
          .device(load, coil ? "relay-6a-24vdc" : "valve-24vdc-4w8")
          .wire(supply + ":+", load + (coil ? ":A1" : ":1"), 0.75, metres())
          .wire(load + (coil ? ":A2" : ":2"), board + ":Q" + i, 0.75, metres());
    }
  }

  /// A drive on the mains with its motor, behind a contactor half of the time.
  private void drive() {
    var drive = name("U");
    var motor = name("M");
    var single = random.nextBoolean();
    panel.device(
        drive,
        single
            ? one(List.of("drive-1ph-230-0p37kw", "drive-1ph-230-0p75kw", "drive-1ph-230-1p5kw"))
            : one(List.of("drive-3ph-400-0p37kw", "drive-3ph-400-0p75kw", "drive-3ph-400-1p5kw")));
    panel
        .device(
            motor,
            one(List.of("motor-0p18kw-230-400", "motor-0p37kw-230-400", "motor-0p75kw-230-400")))
        .linked(single ? nelvar.core.catalogue.Linkage.DELTA : nelvar.core.catalogue.Linkage.STAR)
        .works(30 + random.nextInt(121), 100, 100);
    var ins = single ? List.of("L", "N") : List.of("L1", "L2", "L3");
    var outs = single ? List.of(phase(), "Q:8") : List.of("Q:2", "Q:4", "Q:6");
    for (var i = 0; i < ins.size(); i++)
      panel.wire(outs.get(i), drive + ":" + ins.get(i), 2.5, metres());
    for (var end : List.of("U", "V", "W"))
      panel.wire(drive + ":" + end, motor + ":" + end, 1.5, metres());
    if (random.nextBoolean()) panel.wire(drive + ":RUN", drive + ":COM", 0.75, 0.2);
  }

  /// Names of all conductors that could break.
  static List<nelvar.core.model.Id> wires(Panel panel) {
    var all = new ArrayList<nelvar.core.model.Id>();
    for (var conductor : panel.build().conductors()) all.add(conductor.id());
    return all;
  }
}
