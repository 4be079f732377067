package nelvar.core.analysis.signals;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.PassedLine;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.PulseInput;
import nelvar.core.formula.InputCircuit;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;
import nelvar.core.network.WhatIf;
import nelvar.core.units.Current;
import nelvar.core.units.Voltage;

/// Outputs: what they carry on and what stands at them off, with cold wires and high mains, where
/// both are most; pulses into drives.
final class OutputLinks {
  /// What drives of pulses commonly give, where nothing is stated.
  private static final Voltage PULSES = new Voltage(5);

  private OutputLinks() {}

  static PinLink switched(AskedPin plain, Study study) {
    var asked = plain.withLoads(study);
    var pole =
        asked.logic().links().stream()
            .filter(link -> link.actuator().equals(Optional.of(asked.pin().name())))
            .map(link ->
                new PoleRef(
                    new TerminalRef(asked.board().id(), link.a()),
                    new TerminalRef(asked.board().id(), link.b())))
            .findFirst();
    var live = driven(asked, study);
    var current = pole.flatMap(live::current);
    if (current.isEmpty() || !live.settled())
      return asked.said(PinLink.Standing.UNPROVED, "no steady state is found for it");
    var off = across(asked, pole.get(), study);
    var tooHigh = off.filter(volts -> tooHigh(asked.pin(), volts));
    if (tooHigh.isPresent())
      return asked.found(
          Optional.empty(),
          tooHigh.map(volts -> new PinLink.Seen(volts, new Current(0))),
          PinLink.Standing.WRONG,
          "switches %s and bears %s"
              .formatted(tooHigh.get(), asked.pin().greatestVoltage().orElseThrow()));
    if (current.get().rms() < PinLinks.LEAST)
      return asked.said(
          PinLink.Standing.UNPROVED,
          "carries nothing with everything on: what hangs on it is not fed, or nothing does");
    var amperes = new Current(current.get().rms());
    var breaks = breaks(asked, off, current.get().mostlyAlternating());
    if (breaks.filter(most -> amperes.compareTo(most) > 0).isPresent())
      return asked.found(
          live.voltage(asked.at(), asked.zero())
              .map(both -> new PinLink.Seen(new Voltage(both.rms()), amperes)),
          off.map(volts -> new PinLink.Seen(volts, new Current(0))),
          PinLink.Standing.UNPROVED,
          "carries %s; at %s of direct current a usual contact like it breaks %s"
              .formatted(amperes, off.orElseThrow(), breaks.get()));
    return carrying(asked, amperes, live, off);
  }

  /// What a relay's contact on the board usually breaks of direct current at those volts; empty for
  /// transistors, for alternating current, and where the volts are not known.
  private static Optional<Current> breaks(
      AskedPin asked, Optional<Voltage> off, boolean alternating) {
    if (asked.pin().type() != Pin.Type.OUTPUT_CONTACT || alternating) return Optional.empty();
    var usual =
        asked.logic().links().stream()
            .filter(link -> link.actuator().equals(Optional.of(asked.pin().name())))
            .findFirst()
            .flatMap(asked.logic()::usualRating);
    return usual.flatMap(rating -> off.flatMap(rating::direct)).map(step -> step.dc1());
  }

  private static PinLink carrying(
      AskedPin asked, Current amperes, Live live, Optional<Voltage> off) {
    var volts = live.voltage(asked.at(), asked.zero()).map(both -> new Voltage(both.rms()));
    var rating = asked.pin().rating();
    var standing =
        rating.isEmpty()
            ? PinLink.Standing.UNPROVED
            : amperes.compareTo(rating.get()) <= 0 ? PinLink.Standing.SURE : PinLink.Standing.WRONG;
    return new PinLink(
        asked.board(),
        asked.pin(),
        asked.drivers().partners(),
        volts.map(v -> new PinLink.Seen(v, amperes)),
        off.map(v -> new PinLink.Seen(v, new Current(0))),
        standing,
        Optional.empty(),
        rating.map(r -> new Current(Math.max(0, r.amperes() - amperes.amperes()))),
        false,
        rating.isEmpty()
            ? "carries %s; what it may carry is not stated".formatted(amperes)
            : "carries %s of %s".formatted(amperes, rating.get()));
  }

  private static boolean tooHigh(Pin pin, Voltage volts) {
    return pin.greatestVoltage().filter(most -> volts.compareTo(most) > 0).isPresent();
  }

  /// What an open output stands against.
  private static Optional<Voltage> across(AskedPin asked, PoleRef pole, Study study) {
    if (!study.asDesigned().settled()) return Optional.empty();
    var live =
        asked.pin().breaks()
            ? most(study)
            : study.once(
                "all programs off, cold and high",
                () ->
                    study
                        .engine()
                        .solve(
                            WhatIf.AS_DESIGNED.holding(
                                study
                                    .engine()
                                    .circuitry(Conditions.COLD_AND_HIGH.wires())
                                    .programs(),
                                false),
                            Conditions.COLD_AND_HIGH));
    return live.settled()
        ? live.voltage(pole.a(), pole.b()).map(both -> new Voltage(both.rms()))
        : Optional.empty();
  }

  /// With everything on, itself among it; a contact closed at rest conducts with its relay off.
  private static Live driven(AskedPin asked, Study study) {
    if (!asked.pin().breaks()) return most(study);
    var own = new ActuatorRef(asked.board().id(), asked.pin().name());
    return study.engine().solve(WhatIf.AS_DESIGNED.holding(own, false), Conditions.COLD_AND_HIGH);
  }

  /// Everything on, cold wires, mains high.
  private static Live most(Study study) {
    return study.once(
        "everything on, cold and high",
        () -> study.engine().solve(WhatIf.AS_DESIGNED, Conditions.COLD_AND_HIGH));
  }

  /// Amperes in the optocoupler of the drive, or volts at its logic, and whether it sees pulses as
  /// short as they come; of pulses that a line driver sends on both, before it and behind it.
  static PinLink pulses(AskedPin asked, Study study) {
    var link = pulses(asked, Optional.empty(), study);
    for (var hop : PassedOn.behind(asked.at(), study)) {
      if (link.standing() != PinLink.Standing.SURE) break;
      var ends = PassedOn.ends(hop.out(), study);
      link =
          pulses(asked.with(ends), Optional.of(PassedLine.GIVES), study)
              .over(hop.device(), link.partners());
    }
    return link;
  }

  /// @param sent what a line driver gives; empty of what the pin gives
  private static PinLink pulses(AskedPin asked, Optional<Voltage> sent, Study study) {
    var taken = asked.parts(study).stream().flatMap(part -> part.pulseInput().stream()).findFirst();
    var pin = asked.pin();
    if (taken.isEmpty())
      return asked.said(
          PinLink.Standing.UNPROVED, "pulses: levels and times of what takes them are not stated");
    if (pin.pulse().isEmpty() || pin.frequency().isEmpty())
      return asked.said(PinLink.Standing.UNPROVED, "pulses: how short and how fast is not stated");
    var given = sent.or(pin::gives).or(() -> pin.logic().flatMap(Pin.Logic::supply));
    if (pin.type() == Pin.Type.OUTPUT_PULSES_SINGLE && given.isEmpty())
      return asked.said(PinLink.Standing.UNPROVED, "pulses: their volts are not stated");
    var volts = given.orElse(PULSES);
    var input = taken.get();
    var current = InputCircuit.coupled(volts, input.forward(), input.resistance());
    var wrong = wrong(pin, input, volts, current);
    var fastest =
        pin.frequency().get().compareTo(input.frequency()) < 0
            ? pin.frequency().get()
            : input.frequency();
    return asked.found(
        Optional.of(new PinLink.Seen(volts, current)),
        Optional.empty(),
        wrong.isEmpty() ? PinLink.Standing.SURE : PinLink.Standing.WRONG,
        wrong.orElseGet(() ->
            "%s into the drive, pulses of %s where %s are seen, up to %s"
                .formatted(
                    input.logicHigh().isPresent() ? volts : current,
                    pin.pulse().get(),
                    input.pulse(),
                    fastest)));
  }

  private static Optional<String> wrong(Pin pin, PulseInput input, Voltage volts, Current current) {
    if (input.logicHigh().isPresent()) {
      if (volts.compareTo(input.logicHigh().get()) < 0)
        return Optional.of(
            "gives %s, and the drive sees a pulse from %s"
                .formatted(volts, input.logicHigh().get()));
    } else if (current.compareTo(input.least()) < 0)
      return Optional.of(
          "gives %s, and the drive wants %s to see them".formatted(current, input.least()));
    if (current.compareTo(input.greatest()) > 0)
      return Optional.of(
          "gives %s, and the drive bears %s: put %s before it"
              .formatted(
                  current,
                  input.greatest(),
                  InputCircuit.series(
                          volts, input.forward(), input.greatest().times(0.5), input.resistance())
                      .map(Object::toString)
                      .orElse("a resistor")));
    if (pin.pulse().orElseThrow().compareTo(input.pulse()) < 0)
      return Optional.of(
          "pulses of %s, and the drive sees none below %s: set them longer"
              .formatted(pin.pulse().get(), input.pulse()));
    if (pin.setUp().isPresent()
        && input.setUp().filter(wanted -> pin.setUp().get().compareTo(wanted) < 0).isPresent())
      return Optional.of(
          "sets direction %s before a step, and the drive wants %s: set it longer"
              .formatted(pin.setUp().get(), input.setUp().get()));
    return Optional.empty();
  }
}
