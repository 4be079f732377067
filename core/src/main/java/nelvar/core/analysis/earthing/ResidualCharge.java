package nelvar.core.analysis.earthing;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.catalogue.Element;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Duration;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// Five seconds after it is cut off, nothing holds more than 60 V; else a label says how long to
/// wait.
///
/// `t = R · C · ln(U0/U)`; charges up to 60 µC are exempt.
///
/// Demand: IEC 60204-1:2016, 6.2.4 (unchecked).
public final class ResidualCharge implements Rule {
  private static final Voltage SAFE = new Voltage(60);
  private static final Voltage EMPTY = new Voltage(5);
  private static final Duration WAIT = new Duration(5);
  private static final Citation DEMAND = Citation.recalled("IEC 60204-1:2016", "6.2.4");
  private static final Citation AMERICAN = Citation.recalled("NFPA 79:2021", "6.5");
  private static final double EXEMPT = 60e-6;

  @Override
  public String id() {
    return "earthing.residual-charge";
  }

  @Override
  public String asks() {
    return "Capacitors fall to 60 V within 5 s of being cut off, or are labelled with the time to wait.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .flatMap(
            Contained.many(
                this,
                device -> device.id(),
                device ->
                    study.part(device).stream()
                        .flatMap(part -> {
                          var stores =
                              part.elements().stream()
                                  .filter(Element.Store.class::isInstance)
                                  .map(Element.Store.class::cast)
                                  .toList();
                          if (stores.isEmpty() && part instanceof FrequencyConverter)
                            return Stream.of(
                                new Verdict.NotChecked(
                                    device.id(),
                                    "its part states no bus capacitance; read it off the drive"));
                          return stores.stream().map(store -> judge(device, store, study));
                        })));
  }

  /// How long a capacitor takes from one voltage to another.
  public static Explained<Duration> time(
      Capacitance capacitance, Resistance bleeder, Voltage from, Voltage to) {
    var w = Working.of("Discharge");
    w.given("C", capacitance, "capacitance");
    w.given("R", bleeder, "what discharges it");
    w.given("U0", from, "charged to");
    w.given("U", to, "falls to");
    var seconds =
        from.compareTo(to) <= 0
            ? 0
            : bleeder.ohms() * capacitance.farads() * Math.log(from.volts() / to.volts());
    return w.explain(w.result("t", "R · C · ln(U0/U)", new Duration(seconds)));
  }

  private static Verdict judge(Device device, Element.Store store, Study study) {
    var id = device.id();
    var charge = store.capacitance().farads() * store.voltage().volts();
    if (store.voltage().compareTo(SAFE) <= 0 || charge <= EXEMPT) {
      var w = Working.of("Residual charge");
      w.given("U0", store.voltage(), "charged to");
      w.given("C", store.capacitance(), "capacitance");
      w.given("limit", SAFE, "never above it, or at most 60 µC");
      return new Verdict.Pass(id, w.explain(SAFE).trail());
    }
    var bleeder = store.bleeder();
    if (bleeder.isEmpty()) return notBled(device, store);
    var toSafe = time(store.capacitance(), bleeder.get(), store.voltage(), SAFE);
    var judged = Explained.atMost(toSafe, "t", WAIT, Schools.demand(study, DEMAND, AMERICAN));
    if (judged.holds()) return new Verdict.Pass(id, judged.trail());
    var toEmpty = time(store.capacitance(), bleeder.get(), store.voltage(), EMPTY);
    return finding(
        device,
        "%s holds %s after it is cut off: %s until it is below 60 V, %s until 5 V. Put a warning with the time to wait on it, and measure before touching."
            .formatted(device.designation(), store.voltage(), toSafe.value(), toEmpty.value()),
        Optional.of(judged.trail()));
  }

  private static Verdict notBled(Device device, Element.Store store) {
    return finding(
        device,
        "%s holds %s after it is cut off and nothing is stated that discharges it. Find out how long it takes, label it, and measure before touching."
            .formatted(device.designation(), store.voltage()),
        Optional.empty());
  }

  private static Verdict finding(Device device, String text, Optional<Trail> working) {
    var trail =
        working.orElseGet(() -> {
          var w = Working.of("Residual charge");
          return w.explain(w.given("R", "not stated", "what discharges it")).trail();
        });
    return new Verdict.Finding(
        device.id(), Severity.WARNING, "Charge stays after switching off", text, trail, List.of());
  }
}
