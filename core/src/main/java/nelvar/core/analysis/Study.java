package nelvar.core.analysis;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.Subject;
import nelvar.core.network.Conditions;
import nelvar.core.network.Edge;
import nelvar.core.network.Engine;
import nelvar.core.network.Fault;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;
import nelvar.core.network.LoadMode;
import nelvar.core.network.Network;
import nelvar.core.network.Source;
import nelvar.core.network.WhatIf;
import nelvar.core.network.solve.Currents;
import nelvar.core.units.Current;
import nelvar.core.units.Length;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;

/// One snapshot of a project with its network and currents: what every calculation and rule looks
/// at.
public final class Study {
  private final Project project;
  private final Catalogue shipped;
  private final Catalogue catalogue;
  private final Network network;
  private final Currents currents;
  private final Map<Id, Device> devices = new HashMap<>();
  private final Map<Id, Conductor> conductors = new HashMap<>();
  private final Map<Id, Cable> cables = new HashMap<>();
  private final Map<Id, Bundle> bundles = new HashMap<>();
  private final Map<Id, Circuit> circuits;
  private final Map<Id, List<Conductor>> cores = new HashMap<>();
  private final Map<Id, List<Conductor>> atDevice = new HashMap<>();
  private final Map<Object, Object> remembered = new java.util.concurrent.ConcurrentHashMap<>();

  private final boolean choosing;
  private final boolean airAsSet;

  private Study(Project project, Catalogue shipped, boolean choosing, boolean airAsSet) {
    this.choosing = choosing;
    this.airAsSet = airAsSet;
    var catalogue = shipped.with(project.ownParts());
    this.shipped = shipped;
    this.project = project;
    this.catalogue = catalogue;
    project.devices().forEach(device -> devices.put(device.id(), device));
    project.conductors().forEach(conductor -> conductors.put(conductor.id(), conductor));
    project.cables().forEach(cable -> cables.put(cable.id(), cable));
    project.bundles().forEach(bundle -> bundles.put(bundle.id(), bundle));
    for (var conductor : project.conductors()) {
      atDevice
          .computeIfAbsent(conductor.from().device(), _ -> new java.util.ArrayList<>())
          .add(conductor);
      if (!conductor.to().device().equals(conductor.from().device()))
        atDevice
            .computeIfAbsent(conductor.to().device(), _ -> new java.util.ArrayList<>())
            .add(conductor);
      conductor
          .cable()
          .ifPresent(cable ->
              cores.computeIfAbsent(cable, _ -> new java.util.ArrayList<>()).add(conductor));
    }
    this.network = Network.of(project, catalogue, wire -> HowLong.of(wire, this));
    this.currents = Currents.of(network);
    this.circuits = Circuit.all(network, currents);
  }

  /// @param standard the shipped catalogue; the project's own parts are added here
  public static Study of(Project project, Catalogue standard) {
    return new Study(project, standard, false, false);
  }

  /// The same for choosing sections: see [#whileChoosing].
  public static Study toChoose(Project project, Catalogue standard) {
    return new Study(project, standard, true, false);
  }

  /// The same catalogue on another project: for trying a repair before offering it.
  public Study tried(Project next) {
    return new Study(next, shipped, choosing, airAsSet);
  }

  /// The same project while its sections are being chosen: what depends on them counts as with the
  /// thinnest that would do, so that one choice does not shift the ground of the next.
  public Study whileChoosing() {
    return choosing ? this : new Study(project, shipped, true, airAsSet);
  }

  /// The same project in the air its Brief designs for, whatever is computed for its cabinets.
  public Study inSetAir() {
    return airAsSet ? this : new Study(project, shipped, choosing, true);
  }

  public boolean airAsSet() {
    return airAsSet;
  }

  public boolean choosing() {
    return choosing;
  }

  public Project project() {
    return project;
  }

  public Catalogue catalogue() {
    return catalogue;
  }

  /// A shipped part, whether one of the project's own hides it or not.
  public Optional<Part> shipped(String id) {
    return shipped.find(id);
  }

  public Network network() {
    return network;
  }

  public Currents currents() {
    return currents;
  }

  public Optional<Device> device(Id id) {
    return Optional.ofNullable(devices.get(id));
  }

  public Optional<Conductor> conductor(Id id) {
    return Optional.ofNullable(conductors.get(id));
  }

  public Optional<Cable> cable(Conductor conductor) {
    return conductor.cable().map(cables::get);
  }

  public Optional<Part> part(Device device) {
    return catalogue.find(device.part());
  }

  /// Empty where its part is unknown, or of another kind.
  public <P extends Part> Optional<P> part(Device device, Class<P> kind) {
    return part(device).filter(kind::isInstance).map(kind::cast);
  }

  /// The cores of a cable.
  public List<Conductor> cores(Id cable) {
    return cores.getOrDefault(cable, List.of());
  }

  /// The conductors that land on a device.
  public List<Conductor> at(Id device) {
    return atDevice.getOrDefault(device, List.of());
  }

  /// Where somebody laid a conductor: its own bundle, or its cable's.
  public Optional<Bundle> laidIn(Conductor conductor) {
    return cable(conductor).map(Cable::bundle).orElse(conductor.bundle()).map(bundles::get);
  }

  /// Where a conductor lies, by its way or as was said: of several, what the most lies in.
  public Optional<Bundle> bundle(Conductor conductor) {
    return Lying.of(this).fullest(conductor);
  }

  /// All it lies in along its way.
  public List<Bundle> bundles(Conductor conductor) {
    return Lying.of(this).of(conductor);
  }

  /// Whether all it lies in is within a cabinet.
  public boolean staysInside(Conductor conductor) {
    var all = bundles(conductor);
    return !all.isEmpty() && all.stream().allMatch(Bundle::inside);
  }

  /// All conductors that lie in a bundle, cores included.
  public List<Conductor> lyingIn(Bundle bundle) {
    return Lying.of(this).in(bundle.id());
  }

  /// One-way length; [HowLong] says by whom.
  public Optional<Length> length(Conductor conductor) {
    return network.topology().length(conductor);
  }

  public Optional<Length> length(Cable cable) {
    return HowLong.of(cable, this);
  }

  /// What flows in a conductor; empty where no source reaches it.
  public Optional<Circuit> circuit(Conductor conductor) {
    return Optional.ofNullable(circuits.get(conductor.id()));
  }

  /// `Ib` of a conductor: everything on that can be on together, at least the largest single load.
  /// Zero without load.
  public Current designCurrent(Conductor conductor) {
    var edge = network.topology().edgeOf(conductor.id());
    return new Current(edge < 0 ? 0 : currents.edge(edge).design());
  }

  /// Mean current of a conductor, with duty.
  public Current runningCurrent(Conductor conductor) {
    var edge = network.topology().edgeOf(conductor.id());
    return new Current(edge < 0 ? 0 : currents.edge(edge).running());
  }

  /// What a source must give with everything on that can be on together: its most loaded line; of
  /// several that serve one bus, a share by its rating.
  public Current designCurrent(Source source) {
    return share(source, Currents.Sum::design);
  }

  public Current runningCurrent(Source source) {
    return share(source, Currents.Sum::running);
  }

  private Current share(Source source, java.util.function.ToDoubleFunction<Currents.Sum> of) {
    var together =
        network.together(source).stream()
            .mapToDouble(member -> currents.given(member).stream().mapToDouble(of).max().orElse(0))
            .sum();
    return new Current(together * network.share(source));
  }

  public Current designCurrent(Feed feed) {
    return new Current(currents.drawn(feed).full());
  }

  public Power designPower(Feed feed) {
    return new Power(currents.drawn(feed).designWatts());
  }

  /// The engine that solves this snapshot.
  public Engine engine() {
    return once(Engine.class, () -> Engine.of(network));
  }

  /// Everything on that can be on together, wires as warm as the air in the cabinet.
  public Live asDesigned() {
    return once(
        "as designed",
        () ->
            engine()
                .solve(
                    WhatIf.AS_DESIGNED, Conditions.usual(project.brief().surroundings().inside())));
  }

  /// The least volts: everything on that can be on together, hot wires, mains low.
  public Live hotAndLow() {
    return once(
        "hot and low", () -> engine().solve(WhatIf.AS_DESIGNED, Conditions.hotAndLow(hot())));
  }

  /// The most volts: the loads at rest, cold wires, mains high.
  public Live coldAndHigh() {
    return once(
        "cold and high",
        () -> engine().solve(WhatIf.AS_DESIGNED.with(LoadMode.IDLE), Conditions.COLD_AND_HIGH));
  }

  public Fault leastFault() {
    return once("least fault", () -> Fault.least(engine(), hot()));
  }

  /// How warm conductors may be for ever, by the insulation the Brief names.
  public Temperature hot() {
    return project.brief().policies().hot();
  }

  public Fault greatestFault() {
    return once("greatest fault", () -> Fault.greatest(engine()));
  }

  /// How a subject is called on labels: `-T2`, `W31`, or its id.
  public String label(Subject subject) {
    return switch (subject) {
      case Subject.Thing(var id) -> label(id);
      case Subject.AtTerminal(var at) -> label(at.device()) + ":" + at.terminal();
      case Subject.AtPole(var a, var b) ->
          label(a.device()) + " " + a.terminal() + "–" + b.terminal();
      case Subject.Pair(var one, var other) -> label(one) + " and " + label(other);
      case Subject.Fault(var what) -> "where " + what;
      case Subject.WholeMachine _ -> "the machine";
    };
  }

  public String label(Id id) {
    if (devices.get(id) instanceof Device device) return device.designation().text();
    if (conductors.get(id) instanceof Conductor conductor) return conductor.label().text();
    return cables.get(id) instanceof Cable cable ? cable.label().text() : id.text();
  }

  /// Computes once for this snapshot; two threads that ask at the same time may both compute, to
  /// the same end.
  @SuppressWarnings("unchecked")
  public <T> T once(Object key, java.util.function.Supplier<T> compute) {
    var known = remembered.get(key);
    if (known == null) {
      known = compute.get();
      remembered.put(key, known);
    }
    return (T) known;
  }

  /// The conductors on a way through the network, in order.
  public List<Conductor> wires(List<Integer> way) {
    return way.stream()
        .map(network.topology()::edge)
        .filter(Edge.Wire.class::isInstance)
        .map(edge -> ((Edge.Wire) edge).conductor())
        .toList();
  }
}
