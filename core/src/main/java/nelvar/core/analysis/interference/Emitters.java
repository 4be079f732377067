package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Emitter.Kind;
import nelvar.core.catalogue.Coil;
import nelvar.core.catalogue.DcMotor;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.PhaseCutControl;
import nelvar.core.formula.Crosstalk;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Feed;

/// Everything that disturbs: drives, motors with a drive built in and what both give back, coils as
/// they are switched off, motors with brushes, cut waves, mains, cases of switching supplies, hoses
/// that charge themselves. Lamps are not counted: those of the catalogue are filaments and diodes.
///
/// What is not known of an edge is typical of its kind, from memory; the setting `Edge` of a device
/// says its own.
public final class Emitters {
  /// F/m of a shielded motor cable to its shield, and of an unshielded one to all around (from
  /// memory: 100 to 250, 50 to 100 pF/m).
  private static final double SHIELDED = 150e-12;

  private static final double UNSHIELDED = 75e-12;

  /// Ω of a cable over what is around it (50 to 150 Ω).
  static final double WAVE = 100;

  /// V at the peak of a coil without suppressor (500 to 2000 V).
  private static final double SPIKE = 1000;

  /// Ω of one turn through a core of ferrite at the frequencies of such edges (from memory).
  public static final double FERRITE = 100;

  /// F between winding and case of a small motor (from memory: 0.5 to 2 nF).
  private static final double WINDING = 1e-9;

  private final Study study;
  private final Potentials nets;
  private final List<Emitter> all = new ArrayList<>();

  private Emitters(Study study) {
    this.study = study;
    this.nets = Potentials.of(study);
    for (var device : study.project().devices())
      study.part(device).ifPresent(part -> of(device, part));
    all.addAll(MainsEmitters.of(study));
    all.addAll(PlaceEmitters.of(study));
  }

  public static List<Emitter> of(Study study) {
    return study.once(Emitters.class, () -> List.copyOf(new Emitters(study).all));
  }

  private void of(Device device, Part part) {
    if (part.drives() && !part.motor()) drive(device, part);
    if (part.drives() && part.motor()) built(device);
    part.ownCoil().ifPresent(coil -> coil(device, coil));
    // What moves air turns without brushes (common practice).
    if (part instanceof DcMotor motor && part.article().fitting().flatMap(f -> f.moves()).isEmpty())
      brushes(device, motor);
    if (part instanceof PhaseCutControl) cut(device);
  }

  private void drive(Device device, Part part) {
    var feed = study.network().feeds(device.id()).stream().findFirst();
    var fed = feed.map(f -> f.voltage().volts()).orElse(0.0);
    var alternating = feed.flatMap(Feed::source).filter(s -> s.output().alternating()).isPresent();
    var bus = alternating ? Math.sqrt(2) * fed : fed;
    var wires = landing(device, part.outputs().stream().flatMap(o -> o.lines().stream()).toList());
    if (bus <= 0 || wires.isEmpty()) return;
    var basis = "%.0f V of its bus".formatted(bus);
    add(device, Kind.DRIVE, wires, bus, 0, List.of(), basis);
    if (!alternating || all.isEmpty() || all.getLast().device() != device) return;
    feed.flatMap(f -> MainsEmitters.back(device, f, all.getLast(), study)).ifPresent(all::add);
  }

  /// A motor with its drive built in has no motor cable: what its edges drive through its winding
  /// comes home over its leads.
  private void built(Device device) {
    var feed = study.network().feeds(device.id()).stream().findFirst();
    var fed = feed.map(f -> f.voltage().volts()).orElse(0.0);
    if (fed <= 0) return;
    var intake = feed.orElseThrow().intake();
    var wires = landing(device, intake.lines());
    if (wires.isEmpty()) return;
    var rise = Own.seconds(device.id(), "Edge", study).orElse(Kind.DRIVE.rise());
    var current = Crosstalk.commonMode(WINDING, 1, fed, rise, WAVE);
    var length = study.length(wires.getFirst()).map(l -> l.metres()).orElse(-1.0);
    var shield = Shielding.of(cable(wires), length, study);
    all.add(
        new Emitter(
            device,
            Kind.FEED,
            wires,
            cable(wires),
            current * WAVE / 2,
            rise,
            0,
            rise,
            shield.ofField(Crosstalk.frequency(rise)),
            current,
            Lays.of(wires, study),
            List.of(),
            "%.0f V switched inside the motor, no motor cable".formatted(fed),
            unknown(wires, study)));
  }

  private void coil(Device device, Coil coil) {
    var marks = new LinkedHashSet<String>();
    for (var intake : device.intakes(study.part(device).orElseThrow())) {
      marks.addAll(intake.lines());
      intake.back().ifPresent(marks::add);
    }
    var volts = coil.voltage().volts() * (coil.madeForAlternating() ? Math.sqrt(2) : 1);
    var fitted = device.suppression();
    var edge = fitted.map(s -> volts + clamps(s, volts)).orElse(SPIKE);
    add(
        device,
        Kind.COIL,
        switched(device, marks),
        edge,
        coil.power().watts() / coil.voltage().volts(),
        back(device),
        fitted.map(Suppression::words).orElse("nothing across it, %.0f V".formatted(SPIKE)));
  }

  /// V above the supply that a suppressor lets the coil reach (common practice).
  private static double clamps(Suppression fitted, double volts) {
    return switch (fitted) {
      case DIODE -> 1;
      case ZENER, VARISTOR, BUILT_IN -> 2 * volts;
      case RC -> volts;
    };
  }

  private void brushes(Device device, DcMotor motor) {
    var volts =
        study.network().feeds(device.id()).stream()
            .findFirst()
            .map(f -> f.voltage().volts())
            .orElse(0.0);
    if (volts <= 0) return;
    add(
        device,
        Kind.BRUSHES,
        switched(device, Set.of("+", "-")),
        volts,
        motor.current().amperes(),
        back(device),
        device
            .suppression()
            .map(s -> "sparks of its commutator, " + s.words() + " across it")
            .orElse("sparks of its commutator"));
  }

  private void cut(Device device) {
    var volts = study.project().brief().supply().voltage().toNeutral().volts() * Math.sqrt(2);
    add(
        device,
        Kind.PHASE_CUT,
        landing(device, List.of("L1")),
        volts,
        0,
        List.of(),
        "cut at the peak");
  }

  private void add(
      Device device,
      Kind kind,
      List<Conductor> wires,
      double volts,
      double current,
      List<Conductor> back,
      String basis) {
    if (wires.isEmpty()) return;
    var cable = cable(wires);
    var rise = Own.seconds(device.id(), "Edge", study).orElse(rise(device, kind));
    var unknown = unknown(wires, study);
    var length =
        unknown.isEmpty()
            ? wires.stream()
                .mapToDouble(w -> study.length(w).orElseThrow().metres())
                .max()
                .orElse(0)
            : Math.max(Lays.UNKNOWN, Crosstalk.travels(rise));
    var shield = Shielding.of(cable, length, study);
    var out =
        Crosstalk.commonMode(
            shield.there() ? SHIELDED : UNSHIELDED,
            Math.min(length, Crosstalk.travels(rise)),
            volts,
            rise,
            WAVE);
    var turns = cable.flatMap(c -> c.screened().turns()).orElse(0);
    var leaves = out * (turns > 0 ? Crosstalk.ferrite(FERRITE, turns, WAVE) : 1);
    all.add(
        new Emitter(
            device,
            kind,
            wires,
            cable,
            edges(shield, volts, leaves, length, rise),
            rise,
            current,
            rise,
            shield.ofField(Crosstalk.frequency(rise)),
            leaves,
            Lays.of(wires, study),
            back,
            basis,
            unknown));
  }

  /// Cables and wires whose length nobody said and nothing gives.
  static List<String> unknown(List<Conductor> wires, Study study) {
    return wires.stream()
        .filter(w -> study.length(w).isEmpty())
        .map(w -> "length of " + study.cable(w).map(Cable::label).orElse(w.label()))
        .distinct()
        .toList();
  }

  /// A suppressor across its brushes makes their sparks ten times slower (common practice).
  private static double rise(Device device, Kind kind) {
    return kind == Kind.BRUSHES && device.suppression().isPresent()
        ? 10 * kind.rise()
        : kind.rise();
  }

  /// V that the outside of a cable swings: of a shield what its own current lifts it. Joined at one
  /// end alone it is lifted along its length too, beyond a twentieth of the wave.
  private static double edges(
      Shielding shield, double volts, double leaves, double length, double rise) {
    if (!shield.joined()) return volts;
    var frequency = Crosstalk.frequency(rise);
    var along = shield.bare(length, rise) * 2 * Math.PI * frequency * Shielding.OWN;
    return Math.min(volts, leaves * (shield.transfer(length, frequency) + along));
  }

  private Optional<Cable> cable(Collection<Conductor> wires) {
    return wires.stream().flatMap(w -> study.cable(w).stream()).findFirst();
  }

  /// All wires on the potentials of these terminals.
  private List<Conductor> landing(Device device, Collection<String> marks) {
    var on = new LinkedHashSet<Integer>();
    for (var mark : marks) on.add(nets.at(new TerminalRef(device.id(), mark)));
    return onNets(on);
  }

  private List<Conductor> onNets(Set<Integer> on) {
    on.remove(-1);
    return study.project().conductors().stream()
        .filter(w -> w.carriesWork() && !w.plugged() && on.contains(nets.at(w.from())))
        .toList();
  }

  /// Those of its potentials that something switches: not the rails that all hang on.
  private List<Conductor> switched(Device device, Collection<String> marks) {
    var rails = rails();
    var on = new LinkedHashSet<Integer>();
    for (var mark : marks) {
      var net = nets.at(new TerminalRef(device.id(), mark));
      if (!rails.contains(net)) on.add(net);
    }
    return onNets(on);
  }

  private Set<Integer> rails() {
    return study.once(
        "rails of " + Emitters.class.getName(),
        () -> {
          var all = new LinkedHashSet<Integer>();
          for (var source : study.network().sources()) {
            for (var line : source.output().lines())
              all.add(nets.at(new TerminalRef(source.device().id(), line)));
            source
                .output()
                .back()
                .ifPresent(b -> all.add(nets.at(new TerminalRef(source.device().id(), b))));
          }
          return all;
        });
  }

  private List<Conductor> back(Device device) {
    return study.network().feeds(device.id()).stream()
        .filter(f -> !(f.intake().demand() instanceof Demand.Chops))
        .findFirst()
        .map(f -> study.wires(f.backWay()))
        .orElse(List.of());
  }
}
