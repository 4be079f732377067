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
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.Discharge;
import nelvar.core.model.Device;
import nelvar.core.network.Conditions;
import nelvar.core.network.StoredCharge;
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
/// `t = R · C · ln(U0/U)`; charges up to 60 µC are exempt. What still holds more than 25 V after
/// that time is pointed out: it hurts nobody through dry skin, and melts a screwdriver (common
/// practice).
///
/// Demand: IEC 60204-1:2016, 6.2.4 (unchecked).
public final class ResidualCharge implements Rule {
  private static final Reason CHARGE_WITHOUT_A_BLEEDER = Reason.of("Charge without a bleeder");
  private static final Reason CHARGE_STAYS_AFTER_SWITCHING_OFF =
      Reason.of("Charge stays after switching off");

  private static final Voltage SAFE = new Voltage(60);
  private static final Voltage FELT = new Voltage(25);
  private static final Conditions HIGH = Conditions.COLD_AND_HIGH;
  private static final Duration WAIT = new Duration(5);
  private static final Citation DEMAND = Citation.recalled("IEC 60204-1:2016", "6.2.4");
  private static final Citation AMERICAN = Citation.recalled("NFPA 79:2021", "6.5");
  private static final double EXEMPT = 60e-6;

  /// Whether it holds a charge of which nothing is stated: a drive on the mains whose part says no
  /// capacitance of its bus.
  public static boolean unstated(Part part) {
    return part instanceof FrequencyConverter
        && part.elements().stream().noneMatch(Element.Store.class::isInstance);
  }

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
    var charges = charges(study);
    return study.project().devices().stream()
        .flatMap(
            Contained.many(
                this, device -> device.id(), device -> judge(device, charges, study).stream()));
  }

  /// What is charged while the machine runs, without load and with the mains 10 % high.
  public static List<StoredCharge> charges(Study study) {
    return study.once(ResidualCharge.class, () -> study.engine().charges(HIGH));
  }

  /// Whether it is too little to hurt anybody.
  public static boolean exempt(StoredCharge charge) {
    return charge.capacitance().farads() * charge.from().volts() <= EXEMPT;
  }

  private static List<Verdict> judge(Device device, List<StoredCharge> charges, Study study) {
    var part = study.part(device);
    if (part.isEmpty()) return List.of();
    var stores =
        part.get().elements().stream()
            .filter(Element.Store.class::isInstance)
            .map(Element.Store.class::cast)
            .toList();
    if (stores.isEmpty())
      return unstated(part.get())
          ? List.of(
              new Verdict.NotChecked(
                  device.id(), "its part states no bus capacitance; read it off the drive"))
          : List.of();
    var charge =
        charges.stream()
            .filter(one -> one.device().id().equals(device.id()))
            .findFirst()
            .or(() -> alone(device, stores.getFirst(), charges));
    // One that shares the bus of another is judged with it.
    return charge.map(one -> judge(one, study)).stream().toList();
  }

  /// Charged to the most it can be, where no state was found in which it is fed.
  private static Optional<StoredCharge> alone(
      Device device, Element.Store store, List<StoredCharge> charges) {
    if (charges.stream().anyMatch(charge -> charge.members().contains(device.id())))
      return Optional.empty();
    return Optional.of(
        new StoredCharge(
            device,
            List.of(device.id()),
            List.of(),
            store.voltage(),
            true,
            store.capacitance(),
            store.bleeder()));
  }

  /// How long a capacitor takes from one voltage to another.
  public static Explained<Duration> time(
      Capacitance capacitance, Resistance bleeder, Voltage from, Voltage to) {
    var w = Working.of("Discharge");
    w.given("C", capacitance, "capacitance");
    w.given("R", bleeder, "what discharges it");
    w.given("U0", from, "charged to");
    w.given("U", to, "falls to");
    return w.explain(
        w.result("t", "R · C · ln(U0/U)", Discharge.time(capacitance, bleeder, from, to)));
  }

  private static Verdict judge(StoredCharge charge, Study study) {
    var id = charge.device().id();
    var w = Working.of("Residual charge");
    w.given("U0", charge.from(), "charged to without load, mains 10 % high");
    w.given("C", charge.capacitance(), "capacitance");
    if (charge.from().compareTo(FELT) <= 0 || exempt(charge)) {
      w.given("limit", FELT, "never above it, or at most 60 µC");
      return new Verdict.Pass(id, w.explain(SAFE).trail());
    }
    if (charge.bleeder().isEmpty()) {
      w.given("R", "not stated", "what discharges it");
      return finding(
          charge,
          Severity.WARNING,
          "%s Find out how long it takes, label it, and measure before touching."
              .formatted(words(charge)),
          w.explain(SAFE).trail());
    }
    var toSafe = time(charge.capacitance(), charge.bleeder().get(), charge.from(), SAFE);
    var judged = Explained.atMost(toSafe, "t", WAIT, Schools.demand(study, DEMAND, AMERICAN));
    if (!judged.holds())
      return finding(
          charge,
          Severity.WARNING,
          "%s Put a warning with the time to wait on it, and measure before touching."
              .formatted(words(charge)),
          judged.trail());
    if (charge.after(WAIT).compareTo(FELT) <= 0) return new Verdict.Pass(id, judged.trail());
    return finding(
        charge,
        Severity.ADVICE,
        "%s That is within the 60 V of the standards, but a tool across it still melts: write the time to wait beside it."
            .formatted(words(charge)),
        judged.trail());
  }

  private static String words(StoredCharge charge) {
    return charge.words() + ".";
  }

  private static Verdict finding(StoredCharge charge, Severity severity, String text, Trail trail) {
    return new Verdict.Finding(
        charge.device().id(),
        severity,
        charge.bleeder().isEmpty() ? CHARGE_WITHOUT_A_BLEEDER : CHARGE_STAYS_AFTER_SWITCHING_OFF,
        text,
        trail,
        List.of());
  }
}
