package nelvar.core.calc;

import static nelvar.core.calc.Calculator.Input.needed;
import static nelvar.core.calc.Calculator.Input.usually;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.protection.BreakerChoice;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.standards.FuseLink;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.standards.ProtectiveConductor;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Kind;
import nelvar.core.units.Percent;

/// The one list of quick calculations, in the order they are shown. A new one is added here.
public final class Calculators {
  public static final List<Calculator> ALL =
      List.of(
          new Calculator(
              "ampacity",
              "Current a wire may carry",
              "Iz, corrected ampacity (IEC 60204-1)",
              List.of(
                  needed("S", "cross-section", "2.5mm2"),
                  needed("method", "B1, B2, C or E", "B2"),
                  usually("Ta", "air temperature, up to 60 °C", "45C", "40 °C"),
                  usually("circuits", "loaded circuits lying together, 1 to 20", "4", "1"),
                  usually("cores", "loaded cores in one cable, 1 to 24", "3", "3")),
              given ->
                  Ampacity.corrected(
                      given.positive("S", Kind.CROSS_SECTION),
                      given.word("method", InstallationMethod.class),
                      given.quantity("Ta", Kind.TEMPERATURE),
                      given.whole("circuits", 1, 20),
                      given.whole("cores", 1, 24))),
          new Calculator(
              "voltage-drop",
              "Voltage lost on a wire",
              "u, drop in % of Un",
              List.of(
                  needed("S", "cross-section", "1mm2"),
                  needed("l", "one-way length", "20m"),
                  needed("I", "current", "5A"),
                  needed("Un", "nominal voltage", "24V"),
                  usually(
                      "lines", "2 for direct or single-phase current, 3 for three-phase", "2", "2"),
                  usually("pf", "power factor, above 0 to 1", "0.83", "1"),
                  usually("T", "conductor temperature", "70C", "70 °C")),
              given ->
                  VoltageDrop.over(
                      given.positive("S", Kind.CROSS_SECTION),
                      given.positive("l", Kind.LENGTH),
                      given.positive("I", Kind.CURRENT),
                      given.positive("Un", Kind.VOLTAGE),
                      given.whole("lines", 2, 3),
                      given.number("pf", 0, 1),
                      given.quantity("T", Kind.TEMPERATURE))),
          new Calculator(
              "resistance",
              "Resistance of a wire",
              "R, one conductor (IEC 60228 class 5)",
              List.of(
                  needed("S", "cross-section", "1.5mm2"),
                  needed("l", "length", "10m"),
                  usually("T", "conductor temperature", "20C", "20 °C")),
              given ->
                  VoltageDrop.resistance(
                      given.positive("S", Kind.CROSS_SECTION),
                      given.positive("l", Kind.LENGTH),
                      given.quantity("T", Kind.TEMPERATURE))),
          new Calculator(
              "motor-current",
              "Current of a load by its power",
              "I, line current",
              List.of(
                  needed("P", "power given off", "5.5kW"),
                  needed("Un", "voltage: between lines for three-phase", "400V"),
                  usually("phases", "1 or 3", "3", "3"),
                  usually("pf", "power factor, above 0 to 1", "0.81", "1"),
                  usually("eta", "efficiency", "86%", "100 %")),
              Calculators::motorCurrent),
          new Calculator(
              "supply-current",
              "Mains current of a supply",
              "I, input current",
              List.of(
                  needed("P", "power given off", "480W"),
                  usually("U", "mains voltage", "230V", "230 V"),
                  usually("eta", "efficiency", "92%", "90 %"),
                  usually(
                      "pf", "true power factor: 0.6 without correction, 0.95 with", "0.6", "0.6")),
              Calculators::supplyCurrent),
          new Calculator(
              "supply-size",
              "Rating a supply needs",
              "In, least rating",
              List.of(
                  needed("I", "load with everything on", "3.464A"),
                  usually("headroom", "share of the rating that may be used", "80%", "80 %")),
              Calculators::supplySize),
          new Calculator(
              "breaker",
              "Circuit-breaker for a branch",
              "In and curve",
              List.of(
                  needed("Ib", "design current", "11.5A"),
                  usually("Ipeak", "peak at switching on", "34A", "0 A")),
              Calculators::breaker),
          new Calculator(
              "fuse-limit",
              "Largest gG fuse for a wire",
              "In, largest standard rating (strict reading)",
              List.of(needed("Iz", "ampacity of the wire", "17.4A")),
              Calculators::fuseLimit),
          new Calculator(
              "protective-conductor",
              "Protective conductor",
              "SPE, least section",
              List.of(needed("S", "thickest line conductor", "25mm2")),
              given ->
                  ProtectiveConductor.forLine(given.positive("S", Kind.CROSS_SECTION))
                      .<Computed<?>>map(cited -> {
                        var w = Working.of("Protective conductor");
                        w.given("S", given.positive("S", Kind.CROSS_SECTION), "line conductor");
                        return Computed.known(w.explain(w.table("SPE", cited, "for S")));
                      })
                      .orElseGet(() -> Computed.missing("the table has no row for this section"))),
          new Calculator(
              "gauge",
              "Wire gauge in mm²",
              "S, cross-section (ASTM B258)",
              List.of(needed("gauge", "AWG size", "16 AWG")),
              Calculators::gauge));

  private Calculators() {}

  public static Optional<Calculator> named(String name) {
    return ALL.stream().filter(calculator -> calculator.name().equals(name)).findFirst();
  }

  private static Computed<?> motorCurrent(Given given) {
    var w = Working.of("Current of a load");
    var p = w.given("P", given.positive("P", Kind.POWER), "given off");
    var u = w.given("Un", given.positive("Un", Kind.VOLTAGE), "nominal voltage");
    var pf = w.given("cosφ", given.number("pf", 0, 1), "power factor");
    var eta = w.given("η", efficiency(given), "efficiency");
    var phases = given.whole("phases", 1, 3);
    if (phases == 2) throw new Calculator.WrongInput("phases: write 1 or 3");
    var factor = phases == 3 ? Math.sqrt(3) : 1;
    return Computed.known(
        w.explain(
            w.result(
                "I",
                phases == 3 ? "P/(√3 · Un · cosφ · η)" : "P/(Un · cosφ · η)",
                new Current(p.watts() / (factor * u.volts() * pf * eta.fraction())))));
  }

  private static Percent efficiency(Given given) {
    var eta = given.positive("eta", Kind.PERCENT);
    if (eta.percent() > 100)
      throw new Calculator.WrongInput(
          "eta: an efficiency is above 0 % and up to 100 %, not " + eta);
    return eta;
  }

  private static Computed<?> supplyCurrent(Given given) {
    var w = Working.of("Mains current of a supply");
    var p = w.given("P", given.positive("P", Kind.POWER), "given off");
    var u = w.given("U", given.positive("U", Kind.VOLTAGE), "mains");
    var eta = w.given("η", efficiency(given), "efficiency");
    var pf = w.given("λ", given.number("pf", 0, 1), "true power factor");
    return Computed.known(
        w.explain(
            w.result(
                "I", "P/(η · U · λ)", new Current(p.watts() / (eta.fraction() * u.volts() * pf)))));
  }

  private static Computed<?> supplySize(Given given) {
    var w = Working.of("Rating of a supply");
    var i = w.given("I", given.positive("I", Kind.CURRENT), "everything on");
    var u = given.positive("headroom", Kind.PERCENT);
    if (u.percent() > 100)
      throw new Calculator.WrongInput(
          "headroom: the share that may be used is above 0 % and up to 100 %, not " + u);
    w.given("u", u, "headroom policy");
    return Computed.known(w.explain(w.result("In", "I/u", i.times(1 / u.fraction()))));
  }

  private static Computed<?> breaker(Given given) {
    var design = given.positive("Ib", Kind.CURRENT);
    var peak = given.quantity("Ipeak", Kind.CURRENT);
    return BreakerChoice.propose(design, Optional.of(peak))
        .<Computed<?>>map(Computed::known)
        .orElseGet(() ->
            Computed.missing(
                "no standard breaker up to 63 A carries this load and stands its inrush"));
  }

  private static Computed<?> fuseLimit(Given given) {
    var w = Working.of("Largest gG fuse for a wire");
    var iz = w.given("Iz", given.positive("Iz", Kind.CURRENT), "ampacity of the wire");
    for (var rating : FuseLink.ratings().reversed()) {
      var factor = FuseLink.fusingFactor(rating).orElseThrow();
      if (factor.value() * rating.amperes() > 1.45 * iz.amperes() * (1 + 1e-9)) continue;
      w.table("k", factor, "fusing factor at " + rating);
      w.result("Imax", "1.45 · Iz/k", iz.times(1.45 / factor.value()));
      return Computed.known(
          w.explain(w.result("In", "largest standard rating ≤ Imax", "", rating)));
    }
    return Computed.missing("even a 2 A fuse is too large for this wire");
  }

  private static Computed<?> gauge(Given given) {
    var text = given.text("gauge");
    var section =
        switch (Kind.CROSS_SECTION.read(
            text.toUpperCase(java.util.Locale.ROOT).contains("AWG") ? text : text + " AWG")) {
          case nelvar.core.units.Reading.Value<CrossSection>(var value) -> value;
          case nelvar.core.units.Reading.Misread<CrossSection>(var message) ->
              throw new Calculator.WrongInput("gauge: " + message);
        };
    var w = Working.of("Wire gauge");
    w.given("gauge", section.gauge().orElse(text), "ASTM B258");
    return Computed.known(
        w.explain(
            w.result(
                "S",
                "π/4 · (0.127 mm · 92^((36 − n)/39))²",
                "",
                nelvar.core.units.Significant.digits(section.squareMillimetres()) + " mm²")));
  }
}
