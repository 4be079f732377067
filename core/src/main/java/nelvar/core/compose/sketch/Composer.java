package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Enclosure;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Everything a pattern asks of a machine that is being drawn up, and the order in which it is
/// settled: against the current, from the work to the inlet.
public final class Composer {
  private final Sketch sketch;
  private final Mains mains;
  private final Rails rails;
  private final Strip strip;
  private final StopChain stop;
  private final Io io;
  private final Optional<Existing> existing;
  private final List<String> reasons = new ArrayList<>();

  /// A machine from nothing but its functions.
  public Composer(Project from, Catalogue standard, Length distance, Architecture architecture) {
    this(new Sketch(from, standard, distance), Optional.empty(), Beside.USUAL);
    io.run(architecture);
  }

  /// The manners in which something is added to a machine that stands.
  public enum Beside {
    /// Outputs carry what they can; what moves hangs behind the stop.
    USUAL("", false, false, true),
    /// Every output gets an interposing relay.
    RELAYS(", over interposing relays", true, false, true),
    /// Outputs that switch 0 V: an earth fault behind one starts what it drives.
    SINKING(", the output switches 0 V", false, true, true),
    SINKING_RELAYS(", over interposing relays on outputs that switch 0 V", true, true, true),
    /// On what stays live at a stop: then only the program stops it.
    NOT_CUT(", not cut by the stop", false, false, false),
    NOT_CUT_RELAYS(", over interposing relays, not cut by the stop", true, false, false),
    NOT_CUT_SINKING(", the output switches 0 V, not cut by the stop", false, true, false),
    NOT_CUT_SINKING_RELAYS(
        ", over interposing relays on outputs that switch 0 V, not cut by the stop",
        true,
        true,
        false);

    private final String words;
    private final boolean relays;
    private final boolean sinking;
    private final boolean cut;

    Beside(String words, boolean relays, boolean sinking, boolean cut) {
      this.words = words;
      this.relays = relays;
      this.sinking = sinking;
      this.cut = cut;
    }

    public String words() {
      return words;
    }

    public boolean relays() {
      return relays;
    }

    public boolean sinking() {
      return sinking;
    }

    /// Whether a stop takes the volts of what moves.
    public boolean cut() {
      return cut;
    }
  }

  /// Which supply of a machine that stands something new hangs on, where direct current feeds it.
  public sealed interface From {
    /// The first that has something left.
    record Any() implements From {}

    /// None: a new one is drawn up.
    record Fresh() implements From {}

    record Only(Device supply) implements From {}

    default boolean allows(Device supply) {
      return switch (this) {
        case Any _ -> true;
        case Fresh _ -> false;
        case Only(var only) -> only.id().equals(supply.id());
      };
    }

    default String words() {
      return switch (this) {
        case Any _ -> "";
        case Fresh _ -> ", from a supply of its own";
        case Only(var only) -> ", from " + only.designation();
      };
    }
  }

  /// More for a machine that stands: what is free in it is used first.
  public static Composer beside(Study study, Catalogue standard, Length distance, Beside how) {
    return beside(study, standard, distance, how, new From.Any());
  }

  public static Composer beside(
      Study study, Catalogue standard, Length distance, Beside how, From from) {
    var sketch = new Sketch(study.project(), standard, distance);
    var existing = new Existing(study, sketch, how.cut(), from);
    if (!existing.known())
      throw new Unmet("the machine as it stands has no steady state: put that right first");
    return new Composer(sketch, Optional.of(existing), how);
  }

  /// Whether a stop takes the volts of a device that has them while the machine runs.
  public static boolean cutByStop(Device device, Study study) {
    return Pressed.cut(device, study);
  }

  private Composer(Sketch sketch, Optional<Existing> existing, Beside how) {
    this.sketch = sketch;
    this.existing = existing;
    this.mains = new Mains(sketch, existing);
    this.rails = new Rails(sketch, mains, existing);
    this.strip = new Strip(sketch, existing);
    this.stop = new StopChain(sketch, rails, mains, strip, existing);
    this.io = new Io(sketch, rails, mains, existing, how);
  }

  public Sketch sketch() {
    return sketch;
  }

  public Mains mains() {
    return mains;
  }

  public Rails rails() {
    return rails;
  }

  public StopChain stop() {
    return stop;
  }

  public Io io() {
    return io;
  }

  /// + for a brake: over a relay that a program closes, and before it over contacts of the stop, so
  ///   that it closes as soon as these open.
  public Rails.Fed brake(double volts, double amperes, Id serves, String what) {
    return stop.breaks(volts, amperes)
        ? stop.brake(io.contact(Optional.of(serves), what), volts, amperes)
        : io.output(volts, amperes, true, Optional.of(serves), what);
  }

  /// A contactor of its own into the feed of a device that stands, behind contacts of its stops.
  ///
  /// @param terminals of its feed, all of which the contactor opens
  /// @param neutral the one that the neutral comes to
  /// @param amperes that flow there by design
  public void cutFeed(
      Device load,
      List<String> terminals,
      Optional<String> neutral,
      double amperes,
      List<SelfHeld.Contact> stops) {
    FeedContactor.add(load, terminals, neutral, amperes, stops, sketch, rails, strip);
  }

  /// Terminals in the cabinet for something that is not named: + and 0 V.
  public void land(String what, Id function, Rails.Fed fed) {
    var part =
        sketch
            .cheapest(nelvar.core.catalogue.TerminalStrip.class, s -> s.ways() == 10)
            .orElseThrow();
    var ends = sketch.add(part, what, Place.PANEL, Optional.of(function));
    sketch.wire(fed.plus(), sketch.at(ends, "1"), Ink.PLUS);
    sketch.wire(sketch.at(ends, "2"), fed.zero(), Ink.ZERO);
  }

  /// Why something was chosen, for whoever takes the draft.
  public void because(String reason) {
    if (!reasons.contains(reason)) reasons.add(reason);
  }

  public List<String> reasons() {
    return List.copyOf(reasons);
  }

  /// Against the current: pins, supplies, mains branches, the stop, which hangs on contactors that
  /// the mains brings; what its coils take is known before the supplies are.
  public void settle() {
    stop.tell(io);
    io.settle();
    mains.begin();
    stop.settle();
    rails.settle();
    mains.settle();
    if (existing.isPresent()) return;
    enclosure();
    tellOfEarthFaults();
  }

  private void tellOfEarthFaults() {
    switch (sketch.brief().supply().earthing()) {
      case TT ->
          because(
              "TT: a fault to earth opens no breaker, so a residual-current device of 300 mA stands before the whole machine (IEC 60364-4-41, 411.5, unchecked). A socket of it for hand-held tools wants 30 mA of its own.");
      case IT ->
          because(
              "IT: the first fault to earth opens nothing. No insulation monitor was drawn up: see that the network has one (IEC 60364-4-41, 411.6, unchecked).");
      default -> {}
    }
  }

  public List<Id> supplies() {
    return rails.supplies();
  }

  public List<Id> contactors() {
    return mains.contactors().stream().map(device -> device.id()).toList();
  }

  /// Parts become as large as what flows asks for.
  ///
  /// @param upstream rating of the device before the inlet, A
  /// @param cut what flows behind the contactors of the stop, A
  public void trim(double upstream, double cut) {
    mains.trim(upstream, cut);
    rails.trim();
  }

  /// Terminals of new blocks beside full ones, with the section that leads to those.
  public Map<TerminalRef, CrossSection> links() {
    return existing.map(Existing::links).orElse(Map.of());
  }

  /// New blocks and bars no larger than they need be.
  public void trimAdded() {
    existing.ifPresent(Existing::trim);
    rails.trim();
  }

  /// Room by the number of devices in it, until their bodies are laid out: 60 devices or fewer in
  /// the usual cabinet (assumed).
  private void enclosure() {
    var inside = sketch.devices().stream().filter(device -> device.place() == Place.PANEL).count();
    var wanted =
        inside <= 20 ? 0.24 : inside <= 60 ? 0.48 : inside <= 110 ? 0.8 : inside <= 170 ? 1.2 : 1.6;
    var part =
        sketch
            .cheapest(
                Enclosure.class,
                e -> e.madeOf().metal() && e.width().metres() * e.height().metres() >= wanted)
            .orElseThrow(() -> new Unmet("no enclosure of the catalogue holds it"));
    var cabinet = sketch.add(part, "cabinet", Place.PANEL, Optional.empty());
    mains.bond(sketch.at(cabinet, "PE"), sketch.at(cabinet, "DOOR"));
  }
}
