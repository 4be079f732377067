package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Thermistor;
import nelvar.core.formula.Ntc;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.units.Current;
import nelvar.core.units.Resistance;
import nelvar.core.units.Significant;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;

/// What a board reads of a thermistor: its volts where it is coldest and hottest, how fine the
/// steps are where it is hot, and whether a broken and a shorted wire can be told from a
/// temperature.
///
/// A program can only stop a heater on a broken wire if that reads colder than the machine is where
/// it stands (lowest ambient of the brief); 1 % of the supply is asked between them (common
/// practice, no published source).
final class ThermistorLink {
  static final double APART = 0.01;

  private ThermistorLink() {}

  static PinLink of(AskedPin plain, Study study) {
    for (var end : study.network().joined(plain.at())) {
      var part = study.device(end.device()).flatMap(study::part);
      if (part.isPresent() && part.get() instanceof Thermistor thermistor)
        return read(plain.with(List.of(end)), thermistor, end, study);
    }
    return plain.said(PinLink.Standing.UNPROVED, "a thermistor's input: none is joined to it");
  }

  private static PinLink read(AskedPin asked, Thermistor thermistor, TerminalRef end, Study study) {
    var other = new TerminalRef(end.device(), end.terminal().equals("1") ? "2" : "1");
    var live = study.asDesigned();
    var seen = live.voltage(asked.at(), asked.zero()).map(Live.Both::direct).map(Voltage::new);
    if (!back(live, other, asked) || seen.isEmpty() || !live.settled())
      return asked.said(
          PinLink.Standing.WRONG,
          "its other wire is joined to no 0 V of its board: it reads a broken wire, as the coldest there is");
    var levels = asked.pin().levels();
    var supply = levels.supply().orElseThrow();
    var pullUp = levels.pullUp().orElseThrow();
    var hot = Ntc.read(supply, pullUp, thermistor.at(thermistor.greatest()));
    var told = toldFrom(thermistor, pullUp);
    var coldest = study.project().brief().surroundings().least();
    var cold = Ntc.read(supply, pullUp, thermistor.at(coldest));
    var broken = told.compareTo(coldest) <= 0;
    var shorted = hot.volts() >= APART * supply.volts();
    var words =
        "%s at %s, %s at %s, %s at %s%s; a broken wire reads colder than %s%s%s; set the curve of %s with B %d K in the program"
            .formatted(
                cold,
                coldest,
                seen.get(),
                Ntc.NOMINAL_AT,
                hot,
                thermistor.greatest(),
                step(asked, thermistor, supply).map(step -> ", " + step).orElse(""),
                told,
                broken ? ": stop heating there" : ", which the machine may be when it starts",
                shorted ? "" : ", a short cannot be told from " + thermistor.greatest(),
                thermistor.nominal(),
                thermistor.beta());
    return new PinLink(
        asked.board(),
        asked.pin(),
        asked.drivers().partners(),
        seen.map(volts ->
            new PinLink.Seen(volts, new Current((supply.volts() - volts.volts()) / pullUp.ohms()))),
        Optional.empty(),
        // What a program makes of it is not seen: it may well not need the end that is blurred.
        broken && shorted ? PinLink.Standing.SURE : PinLink.Standing.UNPROVED,
        Optional.of(new Voltage(Math.max(0, Math.min(supply.volts() - cold.volts(), hot.volts())))),
        Optional.empty(),
        false,
        words);
  }

  /// Whether its other wire is at the 0 V of its board: one that hangs in the air follows the pin.
  private static boolean back(Live live, TerminalRef other, AskedPin asked) {
    var supply = asked.pin().levels().supply().orElseThrow();
    return live.voltage(other, asked.zero())
        .filter(both -> Math.abs(both.direct()) < supply.volts() / 10)
        .isPresent();
  }

  /// Below this a broken wire cannot be told from cold.
  private static Temperature toldFrom(Thermistor thermistor, Resistance pullUp) {
    var r = new Resistance(pullUp.ohms() * (1 - APART) / APART);
    var at = Ntc.temperature(thermistor.nominal(), thermistor.beta(), r);
    return new Temperature(Math.round(at.celsius()));
  }

  /// One step of its converter in kelvin, at the hot end.
  private static Optional<String> step(AskedPin asked, Thermistor thermistor, Voltage supply) {
    return asked
        .pin()
        .value()
        .bits()
        .map(bits -> {
          var at = thermistor.greatest();
          var slope =
              Ntc.perKelvin(
                  supply,
                  asked.pin().levels().pullUp().orElseThrow(),
                  thermistor.at(at),
                  thermistor.beta(),
                  at);
          var step = supply.volts() / (Math.pow(2, bits) - 1);
          return "steps of %s K there".formatted(Significant.digits(step / slope.volts()));
        });
  }
}
