package nelvar.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.catalogue.CurrentLimit;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Element;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Output;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.model.Device;
import nelvar.core.network.solve.Grid;
import nelvar.core.network.solve.Phasor;

/// Puts the loads, sources and other elements of one device into the grid, as its part describes
/// them.
final class DeviceBuilder {
  /// Voltage an electronic supply loses from no load to full load, as a share; common practice.
  private static final double REGULATION = 0.002;

  /// A drive's output is held by its control; what is left is small.
  private static final double DRIVE_OUTPUT = 0.02;

  /// A bridge conducts from this share of its least volts: as good as always.
  private static final double NEXT_TO_NOTHING = 0.02;

  /// A drive trips at this many times its rated current; common practice.
  private static final double TRIPS = 1.5;

  private final NetworkBuilder to;
  private final Device device;
  private final Part part;
  private final Map<String, List<Integer>> loadsOf = new HashMap<>();
  private final Map<String, Integer> groupOf = new HashMap<>();

  DeviceBuilder(NetworkBuilder to, Device device, Part part) {
    this.to = to;
    this.device = device;
    this.part = part;
  }

  void build() {
    var windings = part.elements().stream().anyMatch(Element.Windings.class::isInstance);
    if (!windings) {
      for (var intake : device.intakes(part)) intake(intake);
      for (var output : device.outputs(part)) output(output);
      for (var intake : device.intakes(part)) convert(intake);
    }
    for (var element : part.elements()) element(element);
  }

  private int node(String terminal) {
    return to.node(device, terminal);
  }

  private boolean alternating(Intake intake) {
    var line = intake.lines().getFirst();
    return part.terminals().stream()
        .anyMatch(terminal -> terminal.name().equals(line) && terminal.role() == Role.LINE);
  }

  private void intake(Intake intake) {
    var first = to.loads.size();
    if (intake.threePhase()) {
      // Three equal loads between the lines: balanced, it is the same; with a line lost, so is
      // this.
      for (var i = 0; i < 3; i++)
        load(intake, intake.lines().get(i), intake.lines().get((i + 1) % 3), 3);
    } else if (intake.back().isPresent()) {
      load(intake, intake.lines().getFirst(), intake.back().get(), 1);
    }
    var all = new ArrayList<Integer>();
    for (var i = first; i < to.loads.size(); i++) all.add(i);
    loadsOf.put(intake.name(), all);
    to.served.add(new Circuitry.Served(device, intake, List.copyOf(all)));
  }

  private void load(Intake intake, String line, String back, int parts) {
    var a = node(line);
    var b = node(back);
    var alternating = alternating(intake);
    var accepts = intake.accepts().least().volts();
    var nominal = (accepts + intake.accepts().greatest().volts()) / 2;
    var least = least(intake);
    var load =
        switch (intake.demand()) {
          case Demand.FixedPower(var power, var factor) ->
              new Grid.Load(
                  a, b, alternating, Grid.Law.POWER, power.watts() / parts, factor, nominal, least);
          case Demand.FixedCurrent(var current) ->
              new Grid.Load(
                  a,
                  b,
                  alternating,
                  Grid.Law.CURRENT,
                  to.setCurrents.getOrDefault(
                      new nelvar.core.model.TerminalRef(device.id(), line), current.amperes()),
                  1,
                  nominal,
                  least);
          case Demand.Ohmic(var power, var madeFor) ->
              new Grid.Load(
                  a,
                  b,
                  alternating,
                  Grid.Law.OHMIC,
                  power.watts() / madeFor.volts() / madeFor.volts(),
                  1,
                  madeFor.volts(),
                  accepts);
          case Demand.Converts(_, _, var factor, _) ->
              new Grid.Load(
                  a,
                  b,
                  alternating,
                  bridge(intake).isPresent() ? Grid.Law.ADMITTANCE : Grid.Law.POWER,
                  0,
                  factor,
                  nominal,
                  least);
          case Demand.Chops _ ->
              new Grid.Load(a, b, alternating, Grid.Law.CURRENT, 0, 1, nominal, least);
        };
    // Electronics joined the wrong way round do nothing, at best; coils do not mind.
    to.loads.add(
        load.minding(
            !alternating
                && !intake.eitherWay()
                && !part.runsBackwards()
                && load.law() != Grid.Law.OHMIC));
  }

  /// Below it a load counts as a resistance. What converts takes its power as long as it lives, a
  /// bridge down to next to nothing.
  private double least(Intake intake) {
    var least = intake.accepts().least().volts();
    return switch (intake.demand()) {
      case Demand.FixedPower _, Demand.FixedCurrent _, Demand.Ohmic _ -> least;
      case Demand.Converts _, Demand.Chops _ ->
          least * (bridge(intake).isPresent() ? NEXT_TO_NOTHING : part.deadBelow());
    };
  }

  private Optional<Element.Bridge> bridge(Intake intake) {
    return part.elements().stream()
        .filter(Element.Bridge.class::isInstance)
        .map(Element.Bridge.class::cast)
        .filter(bridge -> bridge.intake().equals(intake.name()))
        .findFirst();
  }

  private void output(Output output) {
    var group = to.groups.size();
    var volts = output.voltage().volts();
    var own = part.limit(output);
    var limit =
        part.drives()
            ? Grid.Limit.TRIP
            : own.map(l -> limit(l.behaviour())).orElse(Grid.Limit.NONE);
    var greatest =
        part.drives()
            ? TRIPS * output.rating().amperes()
            : own.map(l -> l.at().amperes()).orElse(Double.POSITIVE_INFINITY);
    var fed = feeding(output).isPresent();
    to.groups.add(new Grid.Group(output.alternating(), limit, greatest, fed, false));
    groupOf.put(output.name(), group);
    var ohms =
        output.alternating()
            ? DRIVE_OUTPUT
            : REGULATION * volts / Math.max(output.rating().amperes(), 1e-3);
    var emfs = new ArrayList<Integer>();
    var minus = output.back().map(this::node).orElseGet(to::inner);
    for (var i = 0; i < output.lines().size(); i++) {
      var e =
          output.lines().size() == 3
              ? Phasor.of(volts / Math.sqrt(3), -120.0 * i)
              : new Phasor(volts, 0);
      emfs.add(to.emfs.size());
      to.emfs.add(new Grid.Emf(group, minus, node(output.lines().get(i)), e.re(), e.im(), ohms, 0));
    }
    var needed = part.outputNeeds().stream().map(name -> to.actuator(device, name)).toList();
    to.given.add(
        new Circuitry.Given(device, Optional.of(output), group, List.copyOf(emfs), needed));
  }

  /// A capacitor gives nothing in a steady state, and what it holds where it is said to be charged.
  private void store(Element.Across across) {
    var group = to.groups.size();
    to.groups.add(new Grid.Group(false, Grid.Limit.NONE, Double.POSITIVE_INFINITY, false, true));
    to.emfs.add(
        new Grid.Emf(
            group, node(across.minus()), node(across.plus()), 1, 0, CapacitorShort.CAPACITOR, 0));
    to.stores.add(new Circuitry.Stored(device, group, across));
  }

  private static Grid.Limit limit(CurrentLimit.Behaviour behaviour) {
    return switch (behaviour) {
      case CONSTANT_CURRENT -> Grid.Limit.CONSTANT_CURRENT;
      case FOLD_BACK -> Grid.Limit.FOLD_BACK;
      case HICCUP -> Grid.Limit.HICCUP;
    };
  }

  /// The intake whose power an output passes on.
  private Optional<Intake> feeding(Output output) {
    return device.intakes(part).stream()
        .filter(intake ->
            switch (intake.demand()) {
              case Demand.Converts(var name, _, _, _) -> name.equals(output.name());
              case Demand.Chops(var outputs, _) -> outputs.contains(output.name());
              case Demand.FixedPower _, Demand.FixedCurrent _, Demand.Ohmic _ -> false;
            })
        .findFirst();
  }

  private void convert(Intake intake) {
    var loads = loadsOf.getOrDefault(intake.name(), List.of());
    switch (intake.demand()) {
      case Demand.Converts(var name, var efficiency, _, var own) -> {
        var output =
            device.outputs(part).stream()
                .filter(o -> o.name().equals(name))
                .findFirst()
                .orElseThrow();
        to.converters.add(
            bridge(intake)
                .<Grid.Converter>map(bridge -> rectifier(bridge, loads, output))
                .orElseGet(() ->
                    new Grid.Converter.Efficient(
                        loads, group(name), efficiency.fraction(), own.watts(), gain(output))));
      }
      case Demand.Chops(var outputs, var factor) -> {
        for (var output : device.outputs(part)) {
          if (!outputs.contains(output.name())) continue;
          to.converters.add(
              new Grid.Converter.Chopper(
                  loads, group(output.name()), factor.fraction() / outputs.size(), gain(output)));
        }
      }
      case Demand.FixedPower _, Demand.FixedCurrent _, Demand.Ohmic _ -> {}
    }
  }

  private Grid.Converter rectifier(Element.Bridge bridge, List<Integer> loads, Output output) {
    return new Grid.Converter.Rectifier(
        loads.getFirst(),
        group(output.name()),
        bridge.capacitance().farads(),
        bridge.forward().volts(),
        bridge.idle().volts(),
        output.rating().amperes(),
        to.project.brief().supply().frequency().hertz());
  }

  private double gain(Output output) {
    return part.gain(output) / output.voltage().volts();
  }

  private int group(String output) {
    var group = groupOf.get(output);
    if (group == null) throw new IllegalStateException(part.id() + " has no output " + output);
    return group;
  }

  private void element(Element element) {
    switch (element) {
      case Element.Resistor(var a, var b, var resistance) ->
          to.branches.add(Grid.Branch.linear(node(a), node(b), resistance.ohms(), 0));
      case Element.Diode(var from, var into, var forward, var resistance) ->
          to.branches.add(
              new Grid.Branch(node(from), node(into), resistance.ohms(), 0, forward.volts()));
      case Element.PullUp(var minus, var plus, var voltage, var resistance) -> {
        var group = to.groups.size();
        to.groups.add(
            new Grid.Group(false, Grid.Limit.NONE, Double.POSITIVE_INFINITY, true, false));
        to.emfs.add(
            new Grid.Emf(group, node(minus), node(plus), voltage.volts(), 0, resistance.ohms(), 0));
        to.given.add(
            new Circuitry.Given(
                device, Optional.empty(), group, List.of(to.emfs.size() - 1), List.of()));
        // It lives on the power of its part and takes next to nothing.
        to.converters.add(
            new Grid.Converter.Chopper(
                loadsOf.values().stream().flatMap(List::stream).toList(), group, 0, 0));
      }
      case Element.Windings w -> {
        var ratio = w.secondary().volts() / w.primary().volts();
        to.transformers.add(
            new Grid.Transformer(
                node(w.a()),
                node(w.b()),
                node(w.c()),
                node(w.d()),
                ratio,
                w.resistance().ohms(),
                w.reactance().ohms()));
      }
      case Element.Bridge _ -> {}
      case Element.Store store -> store.across().ifPresent(this::store);
    }
  }
}
