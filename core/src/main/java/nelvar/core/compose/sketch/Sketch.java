package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Devices, wires and cables added one by one to a project; [#project] is the project with them.
///
/// Designations go on with the next free number of their letter, wires with the next number.
/// Lengths are typical until something is laid out ([TypicalLength]).
public final class Sketch {
  private static final String MACHINE_TRAY = "P1";

  private final Project from;
  private final Catalogue catalogue;
  private final Map<Id, Device> devices = new LinkedHashMap<>();
  private final Map<String, Part> own = new LinkedHashMap<>();
  private final List<Conductor> conductors = new ArrayList<>();
  private final List<Cable> cables = new ArrayList<>();
  private final List<Bundle> bundles;
  private final Set<TerminalRef> wired = new HashSet<>();
  private final Set<String> taken = new HashSet<>();
  private final Map<String, Integer> numbers = new HashMap<>();
  private final Map<TerminalRef, TerminalRef> kept = new HashMap<>();
  private final Length distance;
  private int promises;

  /// @param standard the shipped catalogue
  /// @param distance from the cabinet to what stands on the machine
  public Sketch(Project from, Catalogue standard, Length distance) {
    this.from = from;
    this.catalogue = standard.with(from.ownParts());
    this.distance = distance;
    this.bundles = new ArrayList<>(from.bundles());
    from.devices().forEach(device -> devices.put(device.id(), device));
    from.ownParts().forEach(part -> own.put(part.id(), part));
    for (var conductor : from.conductors()) {
      conductors.add(conductor);
      wired.add(conductor.from());
      wired.add(conductor.to());
    }
    cables.addAll(from.cables());
    from.functions().forEach(f -> take(f.id().text(), f.designation().text()));
    from.devices().forEach(d -> take(d.id().text(), d.designation().text()));
    from.cables().forEach(c -> take(c.id().text(), c.label().text()));
    from.conductors().forEach(c -> take(c.id().text(), c.label().text()));
    from.bundles().forEach(b -> taken.add(b.id().text()));
    from.states().forEach(s -> taken.add(s.id().text()));
  }

  private void take(String id, String label) {
    taken.add(id);
    taken.add(label);
  }

  public Brief brief() {
    return from.brief();
  }

  /// The shipped catalogue with the project's own parts.
  public Catalogue catalogue() {
    return catalogue;
  }

  public boolean american() {
    return brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN;
  }

  /// All that the machine is to do, drawn up or not.
  public List<MachineFunction> functions() {
    return from.functions();
  }

  public Project project() {
    return from.withOwnParts(List.copyOf(own.values()))
        .withBundles(bundles)
        .withDevices(List.copyOf(devices.values()))
        .withCables(cables)
        .withConductors(conductors.stream().map(this::resolved).toList());
  }

  /// A terminal in the cabinet that is asked for before it is known which one it will be.
  public TerminalRef promise() {
    return new TerminalRef(new Id("promise" + promises++), "?");
  }

  /// Says which terminal was promised.
  public void keep(TerminalRef promise, TerminalRef terminal) {
    kept.put(promise, terminal);
    wired.add(terminal);
  }

  /// Whether it is promised, and not known yet.
  boolean promised(TerminalRef end) {
    return !devices.containsKey(resolved(end).device());
  }

  /// Whether a wire ends on what was promised.
  boolean used(TerminalRef promise) {
    return conductors.stream()
        .anyMatch(
            wire -> resolved(wire.from()).equals(promise) || resolved(wire.to()).equals(promise));
  }

  /// Leads what ends at a terminal to another one.
  void move(TerminalRef from, TerminalRef to) {
    conductors.replaceAll(wire ->
        wire.withEnds(
            wire.from().equals(from) ? to : wire.from(), wire.to().equals(from) ? to : wire.to()));
    wired.add(to);
  }

  /// What ends at a terminal.
  List<Conductor> at(TerminalRef end) {
    return conductors.stream().filter(c -> c.from().equals(end) || c.to().equals(end)).toList();
  }

  /// Leads one wire that ends at a terminal to another one.
  void move(Id wire, TerminalRef from, TerminalRef to) {
    conductors.replaceAll(c ->
        c.id().equals(wire)
            ? c.withEnds(c.from().equals(from) ? to : c.from(), c.to().equals(from) ? to : c.to())
            : c);
    wired.add(to);
  }

  private TerminalRef resolved(TerminalRef end) {
    var at = end;
    for (var next = kept.get(at); next != null; next = kept.get(at)) at = next;
    return at;
  }

  private Conductor resolved(Conductor conductor) {
    return conductor.withEnds(resolved(conductor.from()), resolved(conductor.to()));
  }

  public List<Device> devices() {
    return List.copyOf(devices.values());
  }

  public Part part(Id device) {
    return part(device(device).part());
  }

  public Device device(Id id) {
    var device = devices.get(id);
    if (device == null) throw new IllegalArgumentException("no device " + id);
    return device;
  }

  private Part part(String id) {
    var mine = own.get(id);
    return mine != null ? mine : catalogue.find(id).orElseThrow();
  }

  /// The cheapest part of a kind that will do; then by id.
  public <P extends Part> Optional<P> cheapest(
      Class<P> kind, java.util.function.Predicate<P> does) {
    return catalogue
        .of(kind)
        .filter(does)
        .min(Comparator.comparingDouble(Sketch::price).thenComparing(Part::id));
  }

  static double price(Part part) {
    return part.price().map(price -> price.amount().doubleValue()).orElse(1e6);
  }

  /// A part that is made to what was asked for; the same wish gives the same part.
  public Part made(Part part) {
    return own.computeIfAbsent(part.id(), _ -> part);
  }

  /// A device with the next free designation of its letter.
  public Device add(Part part, String purpose, Place place, Optional<Id> serves) {
    var designation = next(part.stem());
    var id = new Id(designation.substring(1));
    taken.add(id.text());
    var device = Device.of(id, designation, purpose, part.id(), place).withServes(serves);
    devices.put(id, device);
    return device;
  }

  private String next(String stem) {
    for (var n = numbers.getOrDefault(stem, 1); ; n++) {
      var wish = stem + n;
      if (taken.contains(wish) || taken.contains(wish.replaceFirst("^-", ""))) continue;
      numbers.put(stem, n + 1);
      taken.add(wish);
      return wish;
    }
  }

  public void change(Device next) {
    devices.put(next.id(), next);
  }

  public TerminalRef at(Device device, String terminal) {
    return new TerminalRef(device.id(), terminal);
  }

  public boolean free(TerminalRef end) {
    return !wired.contains(end);
  }

  /// A single wire; in a duct of the cabinet, or on the tray where it leaves it.
  public void wire(TerminalRef a, TerminalRef b, Ink ink) {
    wire(a, b, ink, ink == Ink.SIGNAL ? signal() : least(), Optional.empty());
  }

  /// A short lead between two things that stand beside each other on the machine.
  public void beside(TerminalRef a, TerminalRef b, Ink ink) {
    if (place(a) == Place.MACHINE && place(b) == Place.MACHINE)
      wire(a, b, ink, least(), Optional.empty(), TypicalLength.BESIDE);
    else wire(a, b, ink);
  }

  /// A core of the plug and cord of a device that takes so many amperes; cords are 1 mm² up to 10 A
  /// and 1.5 mm² above, or 16 AWG up to 7 A and 14 AWG above (common practice).
  public void lead(TerminalRef a, TerminalRef b, Ink ink, Device of, double amperes) {
    var section =
        american()
            ? CrossSection.ofGauge(amperes <= 7 ? 16 : 14)
            : new CrossSection(amperes <= 10 ? 1 : 1.5);
    wire(a, b, ink, section, Optional.of(of.id()));
  }

  private void wire(
      TerminalRef a, TerminalRef b, Ink ink, CrossSection section, Optional<Id> leadOf) {
    wire(a, b, ink, section, leadOf, length(a, b));
  }

  private void wire(
      TerminalRef a,
      TerminalRef b,
      Ink ink,
      CrossSection section,
      Optional<Id> leadOf,
      Length length) {
    var label = next("W");
    var outside = place(a) == Place.MACHINE || place(b) == Place.MACHINE;
    add(
        new Conductor(
                new Id(label),
                new Designation(label),
                a,
                b,
                ink.function(),
                Optional.of(section),
                Optional.of(length),
                Optional.of(ink.colour(brief().policies().sizing())),
                Optional.empty(),
                Optional.of(
                    !outside ? duct(ink.duct()) : ink == Ink.SIGNAL ? signalTray() : tray()),
                leadOf)
            .assumed());
  }

  private void add(Conductor conductor) {
    conductors.add(conductor);
    wired.add(conductor.from());
    wired.add(conductor.to());
  }

  /// What is only promised yet is in the cabinet.
  private Place place(TerminalRef end) {
    var device = devices.get(resolved(end).device());
    return device == null ? Place.PANEL : device.place();
  }

  private CrossSection least() {
    return american() ? CrossSection.ofGauge(18) : new CrossSection(1);
  }

  /// Of a single wire for signals in the cabinet: easier to land than the least allowed (common
  /// practice).
  private CrossSection signal() {
    return american() ? CrossSection.ofGauge(20) : new CrossSection(0.5);
  }

  private Length length(TerminalRef a, TerminalRef b) {
    var far =
        Stream.of(a, b)
            .flatMap(end -> Optional.ofNullable(devices.get(resolved(end).device())).stream())
            .filter(device -> device.place() == Place.MACHINE)
            .map(this::distance)
            .max(Comparator.naturalOrder());
    return TypicalLength.between(place(a), place(b), far.orElse(distance));
  }

  private Length distance(Device device) {
    return from.plan().placeOf(device).flatMap(from.plan()::distance).orElse(distance);
  }

  /// One core: from the cabinet to the device.
  public record Core(TerminalRef cabinet, TerminalRef device, Ink ink) {}

  /// A cable to a device on the machine, a wire each to one in the cabinet or its door.
  public void join(Device device, boolean shielded, List<Core> cores) {
    if (device.place() != Place.MACHINE) {
      for (var core : cores) wire(core.cabinet(), core.device(), core.ink());
      return;
    }
    var there = spare(device, shielded, cores.size());
    var cable = there.orElseGet(() -> lay(device, shielded, cores.size()));
    var section = ((CableStock) catalogue.find(cable.stock()).orElseThrow()).section();
    var marks = marks(cable).iterator();
    for (var core : cores) {
      var wire = next("W");
      var mark = marks.next();
      add(
          new Conductor(
              new Id(wire),
              new Designation(wire),
              core.cabinet(),
              core.device(),
              core.ink().function(),
              Optional.of(section),
              Optional.empty(),
              Optional.of(
                  core.ink() == Ink.PROTECTIVE
                      ? core.ink().colour(brief().policies().sizing())
                      : mark),
              Optional.of(cable.id()),
              Optional.empty()));
    }
  }

  private Cable lay(Device device, boolean shielded, int cores) {
    var letters = part(device.id()).motor() ? "-WD" : "-WS";
    var stock = stock(cores, shielded);
    var label = next(letters);
    var id = new Id(label.substring(1));
    taken.add(id.text());
    var cable =
        new Cable(
                id,
                new Designation(label),
                stock.id(),
                Optional.of(TypicalLength.between(Place.PANEL, Place.MACHINE, distance(device))),
                Optional.of(signals(device) ? signalTray() : tray()))
            .assumed()
            .withScreen(shielded ? Cable.Screen.both(Cable.Ending.CLAMP) : Cable.Screen.NONE);
    cables.add(cable);
    return cable;
  }

  /// A cable that leads to the device already and has so many cores left.
  private Optional<Cable> spare(Device device, boolean shielded, int cores) {
    return from.cables().stream()
        .filter(cable -> cores(cable).stream().anyMatch(core -> core.touches(device.id())))
        .filter(cable ->
            catalogue.find(cable.stock()).orElse(null) instanceof CableStock stock
                && (stock.shielded() || !shielded)
                && stock.cores() - cores(cable).size() >= cores)
        .findFirst();
  }

  private List<Conductor> cores(Cable cable) {
    return conductors.stream()
        .filter(core -> core.cable().filter(cable.id()::equals).isPresent())
        .toList();
  }

  /// Numbers that no core in use bears.
  private List<String> marks(Cable cable) {
    var used = new HashSet<String>();
    for (var core : cores(cable)) core.colour().ifPresent(used::add);
    var all = new ArrayList<String>();
    for (var n = 1; all.size() < MOST_CORES; n++)
      if (!used.contains(String.valueOf(n))) all.add(String.valueOf(n));
    return all;
  }

  private static final int MOST_CORES = 64;

  /// The cable with the fewest cores that has them, in a section to begin with.
  private CableStock stock(int cores, boolean shielded) {
    var start = american() ? CrossSection.ofGauge(18) : new CrossSection(1);
    return catalogue
        .of(CableStock.class)
        .filter(c -> c.cores() >= cores && c.shielded() == shielded && c.section().equals(start))
        .min(Comparator.comparingInt(CableStock::cores).thenComparing(CableStock::id))
        .orElseThrow(() -> new Unmet("the catalogue has no cable of %d cores".formatted(cores)));
  }

  private Id duct(Ink.Duct duct) {
    return bundle(duct.id(), duct.words(), InstallationMethod.B1, true, WIRES);
  }

  /// Whether what is read leads there: it lies apart from motors and mains.
  private boolean signals(Device device) {
    var stem = part(device.id()).stem();
    return stem.startsWith("-B") || stem.startsWith("-S");
  }

  private Id signalTray() {
    return bundle(
        MACHINE_TRAY + "S", "signal tray along the machine", InstallationMethod.E, false, CABLES);
  }

  private Id tray() {
    return bundle(MACHINE_TRAY, "tray along the machine", InstallationMethod.E, false, CABLES);
  }

  /// More lie in another duct or on another tray: what is grouped further carries next to nothing,
  /// and tables end at 20 circuits.
  private static final int WIRES = 30;

  private static final int CABLES = 12;

  private final Map<String, Integer> lying = new HashMap<>();
  private final Map<String, Id> laid = new HashMap<>();

  /// What is added to a machine that stands lies in ducts of its own: in those it has, it would
  /// warm what was sized without it.
  private Id freeBundle(String wish) {
    var free = wish;
    for (var n = 1; taken.contains(free); n++) free = wish + "-" + n;
    taken.add(free);
    return new Id(free);
  }

  private Id bundle(String id, String name, InstallationMethod method, boolean inside, int most) {
    var number = lying.merge(id, 1, Integer::sum) / (most + 1) + 1;
    var wanted = laid.computeIfAbsent(number == 1 ? id : id + "." + number, this::freeBundle);
    if (bundles.stream().noneMatch(bundle -> bundle.id().equals(wanted)))
      bundles.add(new Bundle(wanted, number == 1 ? name : name + ", " + number, method, inside));
    taken.add(wanted.text());
    return wanted;
  }
}
