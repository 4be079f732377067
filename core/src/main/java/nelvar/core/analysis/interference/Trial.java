package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import nelvar.core.analysis.Study;
import nelvar.core.formula.Crosstalk;
import nelvar.core.model.Suppression;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.PinEdits;

/// Something cheap to try on the machine, before anything is bought, and what its outcome would
/// mean.
///
/// @param what to do, in words
/// @param minutes of one person (assumed)
/// @param margin that is expected while it is tried, dB; empty where nothing computes it
/// @param gone what it means that the disturbance is gone, or much rarer
/// @param stays what it means that nothing changes
/// @param dead whether the machine is switched off, locked and proved dead before hands go in
public record Trial(
    String what, double minutes, OptionalDouble margin, String gone, String stays, boolean dead) {

  /// What gains less than this cannot be told from chance, dB.
  private static final double TOLD = 3;

  /// Cheapest first; what would change nothing is left out.
  static List<Trial> of(Pair pair, Study study) {
    var all = new ArrayList<Trial>();
    source(pair, study, all);
    between(pair, all);
    input(pair, study, all);
    return all.stream()
        .filter(t -> t.margin().isEmpty() || t.margin().getAsDouble() - pair.margin() >= TOLD)
        .sorted(Comparator.comparingDouble(Trial::minutes))
        .toList();
  }

  private static void source(Pair pair, Study study, List<Trial> all) {
    var e = pair.emitter();
    var name = e.device().designation().text();
    switch (e.kind()) {
      case DRIVE, FEED -> {
        // A drive of an axis faults without its motor: it stays, and gives no current.
        if (study.part(e.device()).filter(p -> p.pulseInput().isPresent()).isPresent())
          all.add(
              new Trial(
                  "Let everything else run with %s not enabled, where nothing falls by that"
                      .formatted(name),
                  5,
                  OptionalDouble.of(Pair.FAR),
                  "it is what its motor cable gives off: clamp that shield at both ends first",
                  "it is not this axis: look at the next suspect",
                  false));
        else
          all.add(
              new Trial(
                  "Take the motor's leads off %s and let it run without its motor".formatted(name),
                  15,
                  OptionalDouble.of(Pair.FAR),
                  "it is what its motor cable gives off: clamp that shield at both ends first",
                  "it is not this motor: look at the next suspect",
                  true));
      }
      case COIL, BRUSHES -> {
        if (e.device().suppression().isEmpty())
          all.add(
              new Trial(
                  "Hold a suppressor across %s".formatted(name),
                  10,
                  tried(
                      Edits.suppress(
                          e.device(),
                          study
                                  .part(e.device())
                                  .flatMap(part -> part.ownCoil())
                                  .filter(coil -> !coil.madeForAlternating())
                                  .isPresent()
                              ? Suppression.DIODE
                              : Suppression.RC),
                      pair,
                      study),
                  "it is the spark of %s: fit it for good".formatted(name),
                  "its spark is not what disturbs",
                  true));
        all.add(
            new Trial(
                "Unplug %s, where nothing falls or lets go by that, and let the program go on"
                    .formatted(name),
                5,
                OptionalDouble.of(Pair.FAR),
                "it is %s".formatted(name),
                "it is not %s: look at the next suspect".formatted(name),
                true));
      }
      case HOSE ->
          all.add(
              new Trial(
                  "Lay a bare wire that is joined to earth along the hose",
                  10,
                  OptionalDouble.empty(),
                  "it is its charge: take a hose that conducts, and earth it",
                  "it is not charge",
                  false));
      case MAINS, PHASE_CUT ->
          all.add(
              new Trial(
                  "Feed %s over a lead of its own that lies elsewhere".formatted(name),
                  10,
                  OptionalDouble.of(Pair.FAR),
                  "it is its lead: give it a carrier and a circuit of its own",
                  "it is not its lead",
                  true));
      case CASE ->
          all.add(
              new Trial(
                  "Hold a sheet of steel between %s and the wires behind it".formatted(name),
                  5,
                  OptionalDouble.empty(),
                  "it is its case: lay the wires elsewhere",
                  "it is not its case",
                  true));
    }
  }

  private static void between(Pair pair, List<Trial> all) {
    var hears = pair.receiver().label();
    pair.apart()
        .ifPresent(place -> {
          all.add(
              new Trial(
                  "Lift %s out of the %s and hold it 200 mm away"
                      .formatted(hears, place.receiver().bundle().name()),
                  5,
                  without(pair, WayIn.FIELD, WayIn.CAPACITANCE),
                  "it comes over there: lay it elsewhere, or shield it",
                  "it comes over a shared 0 V or over earth",
                  true));
          all.add(
              new Trial(
                  "Wrap foil around %s, joined to earth at one end".formatted(hears),
                  10,
                  without(pair, WayIn.CAPACITANCE),
                  "it comes through capacitance: a shield at one end is enough",
                  "it comes through the field: a shield must be joined at both ends",
                  true));
        });
    if (pair.volts().containsKey(WayIn.SHARED))
      all.add(
          new Trial(
              "Run a loose wire from 0 V of what %s hears to 0 V of its board".formatted(hears),
              5,
              without(pair, WayIn.SHARED),
              "it comes over the shared 0 V: give it its own",
              "the shared 0 V is not it",
              true));
  }

  private static void input(Pair pair, Study study, List<Trial> all) {
    var r = pair.receiver();
    if (pair.volts().containsKey(WayIn.EARTH)) {
      if (r.kind() == Receiver.Kind.USB)
        all.add(
            new Trial(
                "Run the computer from its battery, its charger unplugged",
                2,
                without(pair, WayIn.EARTH),
                "it comes over earth through its charger: an isolator in the lead parts it",
                "its earth is not it: look at the lead itself",
                false));
      all.add(
          new Trial(
              "Clip a ferrite that opens over %s, at the board".formatted(r.label()),
              2,
              OptionalDouble.of(
                  margin(
                      pair,
                      pair.all()
                          - pair.volts().get(WayIn.EARTH)
                              * (1 - Crosstalk.ferrite(Emitters.FERRITE, 1, Emitters.WAVE)))),
              "it comes over earth and shield",
              "too little to tell, or it comes another way",
              false));
    }
    var board = study.device(r.at().device());
    if (board.isPresent() && AtInput.slows(r, study))
      all.add(
          new Trial(
              "Set the input filter of %s to 1 ms".formatted(board.get().designation()),
              10,
              tried(PinEdits.say(board.get(), "Input filter", "1 ms"), pair, study),
              "it is short spikes: leave it, where no signal is faster",
              "it lasts longer than spikes: look at wiring, supply and program",
              false));
  }

  private static OptionalDouble without(Pair pair, WayIn... ways) {
    var left = pair.all();
    for (var way : ways) left -= pair.volts().getOrDefault(way, 0.0);
    return OptionalDouble.of(margin(pair, left));
  }

  private static double margin(Pair pair, double volts) {
    return volts <= 1e-12 * pair.all()
        ? Pair.FAR
        : Math.min(Pair.FAR, Crosstalk.decibels(pair.receiver().threshold(), volts));
  }

  private static OptionalDouble tried(Edit edit, Pair pair, Study study) {
    try {
      var after = Coupled.of(study.tried(edit.on(study.project(), study.catalogue())));
      return OptionalDouble.of(after.margin(pair));
    } catch (EditRefused _) {
      return OptionalDouble.empty();
    }
  }
}
