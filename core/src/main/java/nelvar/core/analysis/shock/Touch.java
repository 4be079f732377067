package nelvar.core.analysis.shock;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.DisconnectsInTime;
import nelvar.core.analysis.protection.FaultCurrents;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.formula.Body;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.Source;
import nelvar.core.network.TripTime;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// One piece of metal that a hand may meet: the body of a device with a protective terminal.
///
/// `Ut = (RPE + Ze/2) · Ik` while a fault inside lasts: against earth out of reach of the
/// building's bonding, half of the loop up to the inlet counted as its protective conductor
/// (assumed); with the protective conductor broken the body stands at the volts inside, over a
/// fault at once, else over what the device leaks. In an insulated network (IT) the first fault
/// opens nothing and lifts next to nothing: there the second one counts, with another body in a
/// circuit as long, and `Ut = 2 · RPE · I` between the two. Bodies of plastic and devices without a
/// protective terminal are not in it.
///
/// @param inside the most volts to earth that stand at its terminals while the machine runs; of a
///   housing the most of all that may chafe at it
/// @param known whether these were found
/// @param joined whether protective conductors join it to the inlet
/// @param way from its protective terminal to that of the inlet
/// @param upstream half of the loop up to the inlet, where that is known
/// @param own the protective conductors that land on it
/// @param fault what flows from a line to its body, wires hot: of what is fed there; of a housing
///   or a filter the most that a line led through or ending there drives, behind the first
///   protective device of the machine. Empty where neither is known
/// @param opens when that is cut off, at the latest; empty where nothing known cuts it off
/// @param leaks to earth while it works
/// @param byDrive whether the fault is fed by a drive, whose electronics let no more than half as
///   much again as its rated current flow and switch it off themselves (common practice)
/// @param second whether the fault is the second one of an insulated network
public record Touch(
    Device device,
    TerminalRef at,
    Voltage inside,
    boolean known,
    boolean joined,
    Optional<Resistance> way,
    Optional<Resistance> upstream,
    List<Conductor> own,
    Optional<Current> fault,
    Optional<Duration> opens,
    Current leaks,
    boolean second,
    boolean byDrive) {
  /// What stands between two fingers harms nobody up to this, alternating (IEC 60364-4-41, 414,
  /// unchecked).
  public static final Voltage HARMLESS = new Voltage(50);

  /// Times its rated current, at which a drive switches itself off; common practice.
  private static final double DRIVE_LETS = 1.5;

  /// Felt and let go of, A (IEC 61140, from memory).
  public static final Current FELT = new Current(0.0035);

  public Touch {
    own = List.copyOf(own);
  }

  /// `-UC1`, `-UC1 door`.
  public String name() {
    return device.designation() + (at.terminal().equals("DOOR") ? " door" : "");
  }

  /// How bad it is to touch it in one state of the machine.
  public enum Grade {
    HARMLESS("harmless"),
    FELT("felt"),
    CUT_OFF("cut off"),
    DEADLY("may kill"),
    UNKNOWN("not known");

    private final String words;

    Grade(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// The body's volts to earth while a fault inside lasts.
  public Optional<Voltage> faultVolts() {
    if (fault.isEmpty() || way.isEmpty()) return Optional.empty();
    // Between two bodies of it, whose lines are √3 of a line to earth apart.
    if (second)
      return Optional.of(
          new Voltage(
              Math.min(
                  Math.sqrt(3) * inside.volts(), 2 * way.get().ohms() * fault.get().amperes())));
    if (upstream.isEmpty()) return Optional.empty();
    var ohms = way.get().ohms() + upstream.get().ohms();
    return Optional.of(new Voltage(Math.min(inside.volts(), ohms * fault.get().amperes())));
  }

  /// What goes through a hand that holds it, the other on something earthed, while a fault inside
  /// lasts; empty where its volts are not known.
  public Optional<Current> handWithFault() {
    if (!known) return Optional.empty();
    return (joined ? faultVolts() : Optional.of(inside)).map(Body::through);
  }

  /// The same with its protective conductor broken and nothing wrong besides: what it leaks, and no
  /// more than its volts drive. Empty where neither is known.
  public Optional<Current> handWithBreak() {
    if (!known) return Optional.empty();
    var most = Body.through(inside);
    if (inside.compareTo(HARMLESS) <= 0) return Optional.of(most);
    // No part that states none leaks nothing.
    return leaks.amperes() > 0
        ? Optional.of(leaks.compareTo(most) < 0 ? leaks : most)
        : Optional.empty();
  }

  public Grade now() {
    if (inside.compareTo(HARMLESS) <= 0 && known) return Grade.HARMLESS;
    if (joined) return Grade.HARMLESS;
    return leaks.compareTo(FELT) > 0 ? Grade.DEADLY : known ? Grade.FELT : Grade.UNKNOWN;
  }

  /// With a line against its body inside.
  public Grade faulty() {
    if (!known) return Grade.UNKNOWN;
    if (inside.compareTo(HARMLESS) <= 0) return Grade.HARMLESS;
    if (!joined) return Grade.DEADLY;
    if (faultVolts().filter(u -> u.compareTo(HARMLESS) <= 0).isPresent()) return Grade.HARMLESS;
    // Whether that is soon enough is protection.disconnection's to say.
    return (second || byDrive || upstream.isPresent())
            && opens.filter(t -> t.seconds() <= 5).isPresent()
        ? Grade.CUT_OFF
        : Grade.UNKNOWN;
  }

  /// With its protective conductor broken, and nothing wrong besides.
  public Grade broken() {
    if (inside.compareTo(HARMLESS) <= 0 && known) return Grade.HARMLESS;
    if (!known) return Grade.UNKNOWN;
    return leaks.compareTo(FELT) > 0 ? Grade.DEADLY : Grade.FELT;
  }

  /// Worst first.
  public static List<Touch> all(Study study) {
    return study.once(Touch.class, () -> found(study));
  }

  private static List<Touch> found(Study study) {
    var faults = FaultCurrents.all(study);
    var inlet = inlet(study);
    var all = new ArrayList<Touch>();
    for (var device : study.project().devices()) {
      var part = study.part(device);
      if (part.isEmpty() || part.get().mainsInlet() || part.get().row().isPresent()) continue;
      for (var pe : protective(device, part.get(), study))
        all.add(of(device, part.get(), pe, inlet, faults, study));
    }
    return all.stream()
        .sorted(
            Comparator.comparing((Touch t) -> t.joined())
                .thenComparing(
                    t -> t.faultVolts().map(Voltage::volts).orElse(0.0), Comparator.reverseOrder())
                .thenComparing(t -> t.leaks(), Comparator.reverseOrder()))
        .toList();
  }

  private static Optional<TerminalRef> inlet(Study study) {
    return study.project().devices().stream()
        .filter(d -> study.part(d).filter(Part::mainsInlet).isPresent())
        .findFirst()
        .map(d -> new TerminalRef(d.id(), "PE"));
  }

  /// What a hand reaches from outside that takes dangerous volts.
  static List<Device> reached(Study study) {
    var live = study.asDesigned();
    return study.project().devices().stream()
        .filter(device -> device.place() != Place.PANEL)
        .filter(device ->
            study
                .part(device)
                .filter(p -> !p.mainsInlet() && !p.housing() && p.row().isEmpty())
                .flatMap(p -> inside(device, p, live))
                .filter(u -> u.compareTo(HARMLESS) > 0)
                .isPresent())
        .toList();
  }

  /// One of each piece of metal: what is joined inside for good is one.
  private static List<TerminalRef> protective(Device device, Part part, Study study) {
    var topology = study.network().topology();
    var joined = topology.joinedNodes();
    var told = new HashSet<Integer>();
    return part.terminals().stream()
        .filter(t -> t.role() == Terminal.Role.PROTECTIVE)
        .map(t -> new TerminalRef(device.id(), t.name()))
        .filter(ref -> topology.node(ref) >= 0 && told.add(joined[topology.node(ref)]))
        .toList();
  }

  private static Touch of(
      Device device,
      Part part,
      TerminalRef pe,
      Optional<TerminalRef> inlet,
      List<FaultCurrents> faults,
      Study study) {
    var live = study.asDesigned();
    var inside = part.housing() ? greatest(study) : inside(device, part, live);
    var fault =
        faults.stream()
            .filter(f -> f.at().device().equals(device.id()) && f.against().equals(pe.terminal()))
            .max(Comparator.comparing(FaultCurrents::least));
    var own =
        study.project().conductors().stream()
            .filter(c -> c.function() == Conductor.Function.PROTECTIVE)
            .filter(c ->
                c.from().equals(pe)
                    || c.to().equals(pe)
                    || (!part.housing() && c.touches(device.id())))
            .toList();
    var chafing = fault.isPresent() ? Optional.<Chafing>empty() : chafing(device, part, pe, study);
    var twice = study.project().brief().supply().earthing() == Brief.Earthing.IT;
    var drive = drive(device, study);
    var flows =
        drive.isPresent()
            ? drive.map(Touch::limited)
            : twice
                ? fault.flatMap(f -> DisconnectsInTime.secondFaultCurrent(f.at(), pe, study))
                : fault.map(FaultCurrents::least).or(() -> chafing.map(Chafing::most));
    return new Touch(
        device,
        pe,
        inside.orElse(new Voltage(0)),
        inside.isPresent(),
        study.network().earthed(pe),
        inlet
            .flatMap(earth -> study.leastFault().impedance(pe, earth))
            .map(z -> new Resistance(z.magnitude())),
        upstream(study),
        own,
        flows,
        twice && fault.isPresent()
            ? flows.flatMap(current -> opens(fault.get(), current, study))
            : fault.isPresent()
                ? fault.flatMap(FaultCurrents::opens)
                : chafing.flatMap(Chafing::opens),
        part.leakage(),
        twice && drive.isEmpty(),
        drive.isPresent());
  }

  /// Of metal that nothing is fed at: a housing, a filter. Of the second fault of an insulated
  /// network nothing is known there.
  private static Optional<Chafing> chafing(Device device, Part part, TerminalRef pe, Study study) {
    if (study.project().brief().supply().earthing() == Brief.Earthing.IT) return Optional.empty();
    return part.housing() ? Chafing.atHousing(pe, study) : Chafing.in(device, pe, study);
  }

  /// The output of a drive, where that feeds it.
  private static Optional<Source> drive(Device device, Study study) {
    return study.network().feeds(device.id()).stream()
        .flatMap(feed -> feed.source().stream())
        .filter(source -> study.part(source.device()).filter(Part::drives).isPresent())
        .findFirst();
  }

  private static Current limited(Source drive) {
    return drive.output().rating().times(DRIVE_LETS);
  }

  private static Optional<Duration> opens(FaultCurrents fault, Current current, Study study) {
    return fault
        .protection()
        .flatMap(by ->
            TripTime.latest(
                by.protection(), current, study.project().brief().policies().magneticBand(true)));
  }

  private static Optional<Resistance> upstream(Study study) {
    var supply = study.project().brief().supply();
    return supply
        .loopImpedance()
        .or(() ->
            supply
                .prospectiveShortCircuitCurrent()
                .map(ik -> new Resistance(supply.voltage().toNeutral().volts() / ik.amperes())))
        .map(z -> new Resistance(z.ohms() / 2));
  }

  /// Whatever chafes through at a housing.
  private static Optional<Voltage> greatest(Study study) {
    var live = study.asDesigned();
    return study.project().devices().stream()
        .flatMap(
            d -> study.part(d).filter(p -> !p.housing()).flatMap(p -> inside(d, p, live)).stream())
        .max(Voltage::compareTo);
  }

  /// Of all its terminals but protective ones.
  private static Optional<Voltage> inside(Device device, Part part, Live live) {
    if (!live.settled()) return Optional.empty();
    var most = 0.0;
    for (var terminal : part.terminals()) {
      if (terminal.role() == Terminal.Role.PROTECTIVE) continue;
      var ref = new TerminalRef(device.id(), terminal.name());
      most = Math.max(most, live.toEarth(ref).map(Live.Both::rms).orElse(0.0));
    }
    // What has no way to earth yet has all its volts once another fault gives it one.
    for (var served : live.circuitry().served(device.id())) {
      var line = new TerminalRef(device.id(), served.intake().lines().getFirst());
      if (live.toEarth(line).isPresent()) continue;
      var volts = live.at(device, served.intake()).map(Voltage::volts).orElse(0.0);
      most = Math.max(most, served.intake().threePhase() ? volts / Math.sqrt(3) : volts);
    }
    return Optional.of(new Voltage(most));
  }

  /// With what it was computed from.
  public Explained<Voltage> explain() {
    var w = Working.of("Touching " + device.designation());
    w.given("U", inside, "most to earth at its terminals, solved running");
    w.given(
        "protective conductors",
        own.isEmpty()
            ? "none"
            : own.stream()
                .map(c -> c.label() + c.section().map(s -> " " + s).orElse(", section not said"))
                .collect(java.util.stream.Collectors.joining(", ")),
        joined ? "a way to the inlet" : "no way to the inlet");
    way.ifPresent(r -> w.given("RPE", r, "to the protective terminal of the inlet, wires hot"));
    if (second) w.given("system", "IT: a second fault in a circuit as long", "Brief");
    else upstream.ifPresent(r -> w.assumed("Ze/2", r, "half of the loop up to the inlet"));
    fault.ifPresent(i -> {
      if (byDrive) w.assumed("Ik", i, "1.5 times what its drive is rated for, which then trips");
      else w.given("Ik", i, "line to body, least, from the solved network");
      way.ifPresent(r ->
          w.result(
              "Ub",
              "RPE · Ik, against metal bonded at the inlet",
              new Voltage(r.ohms() * i.amperes())));
    });
    w.given("leaks", leaks, "by its part, while it works");
    handWithFault()
        .filter(_ -> faultVolts().isPresent())
        .ifPresent(i ->
            w.result(
                "Ih",
                "Ut/Z, Z of 5 people in 100, hand to hand (IEC 60479-1, table 1, from memory)",
                i));
    opens.ifPresent(t -> w.given("t", t, "its protective device opens at the latest"));
    return w.explain(
        faultVolts()
            .map(u ->
                second
                    ? w.result("Ut", "2 · RPE · Ik, at most √3 · U, between the two bodies", u)
                    : w.result("Ut", "(RPE + Ze/2) · Ik, at most U, against earth out of reach", u))
            .orElse(new Voltage(joined ? 0 : inside.volts())));
  }
}
