package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Output;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.SignalLamp;
import nelvar.core.catalogue.Solenoid;
import nelvar.core.catalogue.Terminal;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Mains;
import nelvar.core.compose.sketch.Rails;
import nelvar.core.compose.sketch.Sketch;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;

/// How a device that stands unfed gets its current: always on, or switched by an output.
///
/// Only intakes none of whose terminals has a wire are wired: what somebody began by hand stays
/// theirs.
final class Feeding {
  private static final List<Double> USUAL_VOLTS = List.of(24.0, 12.0, 48.0, 5.0, 36.0);

  private final Study study;
  private final Device device;
  private final Part part;

  private final boolean holds;

  Feeding(Study study, Device device) {
    this(study, device, false);
  }

  private Feeding(Study study, Device device, boolean holds) {
    this.study = study;
    this.device = device;
    this.part = study.part(device).orElseThrow();
    this.holds = holds;
  }

  /// Of what holds work at a stop, and so keeps its volts.
  static Feeding holding(Study study, Device device) {
    return new Feeding(study, device, true);
  }

  /// Whether it turns or moves something, so that a stop has to cut it.
  boolean moves() {
    return !holds && (part.motor() || part.drives() || part instanceof Solenoid);
  }

  /// Intakes that nothing feeds.
  private List<Intake> unfed() {
    return study.network().feeds(device.id()).stream()
        .filter(feed -> feed.state() != Feed.State.FED)
        .map(Feed::intake)
        .toList();
  }

  boolean wanted() {
    return !unfed().isEmpty();
  }

  /// Whether a program can switch it: two wires of direct current to something that works, not to
  /// what reads or computes.
  boolean switched() {
    return works()
        && unfed().stream().allMatch(intake -> direct(intake) && intake.lines().size() == 1)
        && part.outputs().isEmpty();
  }

  /// Whether it works whenever its supply is there: nothing switches it on its way.
  boolean alwaysOn() {
    var feeds = study.network().feeds(device.id());
    return works()
        && part.outputs().isEmpty()
        && !feeds.isEmpty()
        && feeds.stream()
            .allMatch(feed ->
                feed.state() == Feed.State.FED
                    && feed.intake().lines().size() == 1
                    && direct(feed.intake())
                    && !feed.source().orElseThrow().output().alternating()
                    && feed.lineWays().stream().noneMatch(this::switches));
  }

  private boolean switches(List<Integer> way) {
    return way.stream()
        .map(study.network().topology()::edge)
        .anyMatch(edge ->
            edge instanceof Edge.Through(_, var link)
                && (link.kind() == Link.Kind.CONTACT || link.kind() == Link.Kind.OUTPUT));
  }

  /// Without the wires it works through; what protects it stays.
  static Edit unwired(Device device) {
    return new Edit(
        "Unwire " + device.designation(),
        project -> {
          var next = project;
          for (var wire : project.conductors())
            if (wire.touches(device.id()) && wire.carriesWork())
              next = Edits.remove(wire).apply(next);
          for (var cable : project.cables())
            if (project.conductors().stream()
                    .anyMatch(core -> core.cable().filter(cable.id()::equals).isPresent())
                && next.conductors().stream()
                    .noneMatch(core -> core.cable().filter(cable.id()::equals).isPresent()))
              next = Edits.remove(cable).apply(next);
          return next;
        });
  }

  private boolean works() {
    return part.motor()
        || part.drives()
        || part.ownCoil().isPresent()
        || part instanceof SignalLamp
        || part instanceof Heater;
  }

  /// @throws Unmet where it cannot be fed
  void compose(Composer composer, boolean switched) {
    var cores = new ArrayList<Sketch.Core>();
    for (var intake : unfed()) {
      var ends = ends(intake);
      for (var end : ends)
        if (study.network().topology().wired(end))
          throw new Unmet(
              "%s:%s has a wire already: take it away, or lead it on by hand"
                  .formatted(device.designation(), end.terminal()));
      if (direct(intake)) cores.addAll(direct(intake, ends, composer, switched));
      else mains(intake, ends, composer);
    }
    var read = new ReadBy(study, device);
    if (!cores.isEmpty() && read.wanted()) cores.addAll(read.cores(composer));
    for (var terminal : part.terminals()) {
      var end = new TerminalRef(device.id(), terminal.name());
      if (terminal.role() != Terminal.Role.PROTECTIVE || study.network().topology().wired(end))
        continue;
      if (cores.isEmpty()) composer.mains().earth(end);
      else cores.add(new Sketch.Core(composer.mains().earth(), end, Ink.PROTECTIVE));
    }
    if (!cores.isEmpty()) composer.sketch().join(device, read.shielded(), cores);
    if (part.ownCoil().isPresent() && device.suppression().isEmpty() && !alternatingCoil())
      composer
          .sketch()
          .change(composer.sketch().device(device.id()).withSuppression(Suppression.DIODE));
  }

  private boolean alternatingCoil() {
    return part.ownCoil().orElseThrow().madeForAlternating();
  }

  private List<TerminalRef> ends(Intake intake) {
    return Stream.concat(intake.lines().stream(), intake.back().stream())
        .map(mark -> new TerminalRef(device.id(), mark))
        .toList();
  }

  private List<Sketch.Core> direct(
      Intake intake, List<TerminalRef> ends, Composer composer, boolean switched) {
    var volts = volts(intake);
    var amperes = amperes(intake, volts);
    var peak = intake.inrush().map(i -> i.peak().amperes()).orElse(amperes);
    Rails.Fed fed =
        switched
            ? composer.io().output(volts, amperes, peak, moves(), device.serves(), name())
            : composer.rails().feed(volts, amperes, peak, moves(), name(), amperes > 1);
    return List.of(
        new Sketch.Core(fed.plus(), ends.getFirst(), Ink.PLUS),
        new Sketch.Core(fed.zero(), ends.getLast(), volts == 24 ? Ink.ZERO : Ink.BUS_ZERO));
  }

  private void mains(Intake intake, List<TerminalRef> ends, Composer composer) {
    var mains = composer.mains();
    if (intake.threePhase()) {
      if (!mains.threePhase() || !intake.accepts().contains(mains.between()))
        throw new Unmet(
            "%s wants three lines of %s, which this mains does not give"
                .formatted(device.designation(), intake.accepts()));
      mains.feedThree(
          name(), ends, amperes(intake, mains.between().volts()), moves(), Mains.Protection.USUAL);
      return;
    }
    mains.feedTwoWire(
        name(),
        ends.getFirst(),
        ends.getLast(),
        intake.accepts(),
        amperes(intake, mains.voltsFor(intake.accepts())),
        moves(),
        Mains.Protection.USUAL);
  }

  private String name() {
    return device.purpose().isEmpty() ? device.designation().text() : device.purpose();
  }

  private boolean direct(Intake intake) {
    if (intake.threePhase()) return false;
    if (part.ownCoil().isPresent()) return !alternatingCoil();
    var role =
        part.terminals().stream()
            .filter(t -> t.name().equals(intake.lines().getFirst()))
            .map(Terminal::role)
            .findFirst();
    return role.filter(r -> r == Terminal.Role.LINE).isEmpty();
  }

  /// Volts there are already that it accepts, else the commonest it accepts.
  private double volts(Intake intake) {
    var there =
        study.network().sources().stream()
            .filter(source -> !source.output().alternating())
            .filter(source -> study.part(source.device()).filter(Part::regulatedSupply).isPresent())
            .map(source -> source.output().voltage().volts())
            .toList();
    return Stream.concat(USUAL_VOLTS.stream().filter(there::contains), USUAL_VOLTS.stream())
        .filter(volts -> intake.accepts().contains(new nelvar.core.units.Voltage(volts)))
        .findFirst()
        .orElseThrow(() ->
            new Unmet(
                "%s accepts %s, and no such supply is drawn up"
                    .formatted(device.designation(), intake.accepts())));
  }

  private double amperes(Intake intake, double volts) {
    var lines = intake.threePhase() ? Math.sqrt(3) : 1;
    return switch (intake.demand()) {
      case Demand.FixedCurrent(var current) -> current.amperes();
      case Demand.FixedPower(var power, var factor) -> power.watts() / (lines * volts * factor);
      case Demand.Ohmic(var power, var madeFor) ->
          power.watts() * volts / (madeFor.volts() * madeFor.volts());
      case Demand.Converts(var output, var efficiency, var factor, var own) ->
          (given(output) / efficiency.fraction() + own.watts()) / (lines * volts * factor);
      case Demand.Chops(var outputs, var factor) ->
          outputs.stream()
                  .flatMap(this::output)
                  .mapToDouble(o -> o.rating().amperes())
                  .max()
                  .orElse(0)
              * factor.fraction();
    };
  }

  private double given(String output) {
    return output(output)
        .mapToDouble(o -> o.voltage().volts() * o.rating().amperes())
        .findFirst()
        .orElse(0);
  }

  private Stream<Output> output(String name) {
    return part.outputs().stream().filter(o -> o.name().equals(name));
  }
}
