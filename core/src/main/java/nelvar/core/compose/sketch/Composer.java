package nelvar.core.compose.sketch;

import java.util.ArrayList;
import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Enclosure;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
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
  private final List<String> reasons = new ArrayList<>();

  public Composer(Project from, Catalogue standard, Length distance) {
    this.sketch = new Sketch(from, standard, distance);
    this.mains = new Mains(sketch);
    this.rails = new Rails(sketch, mains);
    this.strip = new Strip(sketch);
    this.stop = new StopChain(sketch, rails, mains, strip);
    this.io = new Io(sketch, rails, mains);
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

  /// Terminals in the cabinet for something that is not named: + and 0 V.
  public void land(String what, Id function, Rails.Fed fed) {
    var part =
        sketch
            .cheapest(nelvar.core.catalogue.TerminalStrip.class, s -> s.ways() == 10)
            .orElseThrow();
    var ends = sketch.add(part, what, Place.PANEL, java.util.Optional.of(function));
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
    io.settle();
    mains.begin();
    stop.settle();
    rails.settle();
    mains.settle();
    enclosure();
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

  /// Room by the number of devices in it, until their bodies are laid out: 60 devices or fewer in
  /// the usual cabinet (assumed).
  private void enclosure() {
    var inside = sketch.devices().stream().filter(device -> device.place() == Place.PANEL).count();
    var wanted =
        inside <= 20 ? 0.24 : inside <= 60 ? 0.48 : inside <= 110 ? 0.8 : inside <= 170 ? 1.2 : 1.6;
    var part =
        sketch
            .cheapest(Enclosure.class, e -> e.width().metres() * e.height().metres() >= wanted)
            .orElseThrow(() -> new Unmet("no enclosure of the catalogue holds it"));
    var cabinet = sketch.add(part, "cabinet", Place.PANEL, java.util.Optional.empty());
    mains.bond(sketch.at(cabinet, "PE"), sketch.at(cabinet, "DOOR"));
  }
}
