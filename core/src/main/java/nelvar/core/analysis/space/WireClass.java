package nelvar.core.analysis.space;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;

/// How much a wire disturbs those beside it, or is disturbed by them.
public enum WireClass {
  /// From a drive to its motor: its edges are fast.
  MOTOR("leads of a motor from its drive"),
  /// At volts that are dangerous to touch.
  MAINS("mains"),
  /// Read by a controller, or carrying its pulses.
  SIGNAL("signals"),
  /// What neither disturbs much nor is disturbed.
  OTHER("other");

  private final String words;

  WireClass(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  public static WireClass of(Conductor wire, Study study) {
    return study.once(WireClass.class, () -> all(study)).getOrDefault(wire.id(), OTHER);
  }

  private static Map<Id, WireClass> all(Study study) {
    var nets = Potentials.of(study);
    var motors = motorNets(nets, study);
    var mains = OnMains.of(study).conductors();
    var all = new HashMap<Id, WireClass>();
    for (var wire : study.project().conductors()) {
      if (motors.contains(nets.at(wire.from()))) all.put(wire.id(), MOTOR);
      else if (mains.contains(wire.id())) all.put(wire.id(), MAINS);
      else if (signal(wire.from(), study) || signal(wire.to(), study)) all.put(wire.id(), SIGNAL);
    }
    return all;
  }

  /// What joins a terminal of a drive, not one it is fed or told by, and one of a motor, through
  /// terminals and plugs.
  private static Set<Integer> motorNets(Potentials nets, Study study) {
    var given = new HashSet<Integer>();
    var fed = new HashSet<Integer>();
    var motors = new HashSet<Integer>();
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.isEmpty() || part.get().drives() == part.get().motor()) continue;
      var feeding = new HashSet<String>();
      for (var intake : device.intakes(part.get())) {
        feeding.addAll(intake.lines());
        intake.back().ifPresent(feeding::add);
      }
      for (var terminal : part.get().terminals()) {
        var net = nets.at(new TerminalRef(device.id(), terminal.name()));
        if (net < 0 || terminal.role() == Terminal.Role.PROTECTIVE) continue;
        if (part.get().motor()) motors.add(net);
        else if (feeding.contains(terminal.name())) fed.add(net);
        else if (terminal.role() != Terminal.Role.SIGNAL) given.add(net);
      }
    }
    given.retainAll(motors);
    given.removeAll(fed);
    return given;
  }

  private static boolean signal(TerminalRef end, Study study) {
    return study
        .device(end.device())
        .flatMap(study::part)
        .flatMap(Part::logic)
        .flatMap(controller -> pin(controller, end))
        .map(Pin::type)
        .filter(type -> type.reads() || type.analogue() || type.steps() || type == Pin.Type.SERIAL)
        .isPresent();
  }

  private static Optional<Pin> pin(Controller controller, TerminalRef end) {
    return controller.pins().stream().filter(p -> p.name().equals(end.terminal())).findFirst();
  }
}
