package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Leads;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.StepperLeads;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.formula.WindingOhms;
import nelvar.core.model.Device;
import nelvar.core.units.Kind;
import nelvar.core.units.Reading;
import nelvar.core.units.Resistance;

/// How the leads of a motor are told apart and proved with an ohmmeter, a battery and an insulation
/// tester, in the order in which it is done, each with what to expect. Common practice; the
/// insulation test is IEC 60204-1:2016, 18.3 (from memory, unchecked).
///
/// Ohms of one winding of a three-phase motor are a setting of it, *Phase ohms*; coils put in
/// parallel are *Coil groups* with their number.
public record MotorChecks(String what, String expect) {
  /// Names of the settings of a motor.
  public static final String PHASE_OHMS = "Phase ohms";

  public static final String COIL_GROUPS = "Coil groups";

  /// Of nameplate current, what small motors take without load; common practice.
  private static final double IDLE_LEAST = 0.3;

  private static final double IDLE_MOST = 0.7;

  /// Empty for what has no windings to tell apart.
  public static List<MotorChecks> of(Device motor, Study study) {
    var all = new ArrayList<MotorChecks>();
    var part = study.part(motor).orElse(null);
    if (!(part instanceof StepperMotor) && !(part instanceof InductionMotor)) return all;
    all.add(
        check(
            "Switch off, lock, wait for what holds charge; take all leads off their drive or contactor",
            "an ohmmeter through electronics tells nothing"));
    all.add(
        check(
            "Each lead against the bare frame",
            "the earth core below 1 Ω, every other open; a winding that is not open is burnt"));
    if (part instanceof StepperMotor stepper) stepper(motor, stepper, study, all);
    if (part instanceof InductionMotor induction) induction(motor, induction, study, all);
    return all;
  }

  private static MotorChecks check(String what, String expect) {
    return new MotorChecks(what, expect);
  }

  private static void stepper(Device motor, StepperMotor part, Study study, List<MotorChecks> all) {
    var half = part.stated().resistance();
    var leads = part.leads().orElse(StepperLeads.FOUR);
    switch (leads) {
      case FOUR ->
          all.add(
              check(
                  "Each lead against each other",
                  "two pairs of %s, else open".formatted(ohms(half, 1))));
      case SIX ->
          all.add(
              check(
                  "Each lead against each other",
                  "two sets of three: middle to end %s, end to end %s"
                      .formatted(ohms(half, 1), ohms(half, 2))));
      case EIGHT ->
          all.add(
              check(
                  "Each lead against each other",
                  "four pairs of %s, else open".formatted(ohms(half, 1))));
    }
    all.add(
        check(
            "Turn the shaft by hand with one pair held together",
            "it turns harder than with the pair apart: it is a pair"));
    if (leads == StepperLeads.EIGHT)
      all.add(
          check(
              "Two pairs of one winding in series on a low voltage: which ends are alike",
              "it holds strongly when their fields add, hardly when one is turned round"));
    else
      all.add(
          check(
              "Which end is + does not matter for one pair",
              "turned round it runs the other way: one reversal"));
    var loop = loop(motor, study);
    var joined = joined(motor, part);
    all.add(
        check(
            "Joined as planned, at the far end of its cable",
            half.map(r ->
                    new Resistance(r.ohms() * joined + loop.map(Resistance::ohms).orElse(0.0))
                        + loop.map(l -> ", of that %s of cable".formatted(l)).orElse(""))
                .orElse("both windings alike")));
    all.add(insulation());
  }

  /// Of one half against the winding as it is joined.
  private static double joined(Device motor, StepperMotor part) {
    var leads = part.leads().orElse(StepperLeads.FOUR);
    return leads == StepperLeads.EIGHT
        ? motor.linkage().filter(Linkage.PARALLEL::equals).isPresent() ? 0.5 : 2
        : leads == StepperLeads.SIX && motor.spare().contains("A0") ? 2 : 1;
  }

  private static String ohms(Optional<Resistance> one, double times) {
    return one.map(r -> new Resistance(r.ohms() * times).toString())
        .orElse(times == 1 ? "R alike" : "2 R");
  }

  /// There and back through the wires to its first winding.
  private static Optional<Resistance> loop(Device motor, Study study) {
    var sum = 0.0;
    for (var mark : List.of("A+", "A-")) {
      var wire =
          study.at(motor.id()).stream()
              .filter(c ->
                  (c.to().device().equals(motor.id()) && c.to().terminal().equals(mark))
                      || (c.from().device().equals(motor.id()) && c.from().terminal().equals(mark)))
              .findFirst();
      var length = wire.flatMap(study::length);
      var section = wire.flatMap(c -> c.section());
      if (length.isEmpty() || section.isEmpty()) return Optional.empty();
      var perMetre = nelvar.core.standards.CopperResistance.at20(section.get());
      if (perMetre.isEmpty()) return Optional.empty();
      sum += perMetre.get().value().over(length.get()).ohms();
    }
    return Optional.of(new Resistance(sum));
  }

  private static MotorChecks insulation() {
    return check(
        "All leads together against the frame with 500 V DC, or the less its maker allows, off every drive",
        "at least 1 MΩ; a new dry motor has far more");
  }

  private static void induction(
      Device motor, InductionMotor part, Study study, List<MotorChecks> all) {
    var leads = part.leads().orElse(Leads.SIX);
    var many = MotorLeads.winding(motor, study);
    var phase =
        study
            .project()
            .setting(motor.id(), PHASE_OHMS)
            .flatMap(text ->
                Kind.RESISTANCE.read(text) instanceof Reading.Value<Resistance>(var r)
                    ? Optional.of(r)
                    : Optional.empty());
    if (many.isPresent())
      all.add(
          check(
              "Each lead against each other",
              many.get().name().startsWith("NINE_STAR")
                  ? "three pairs, and one set of three that meet inside"
                  : many.get().name().startsWith("NINE")
                      ? "three sets of three, the corners inside"
                      : "pairs alike within 5 %"));
    else if (leads == Leads.SIX)
      all.add(
          check(
              "Links off, each lead against each other",
              "three pairs of %s, alike within 5 %%, else open"
                  .formatted(phase.map(Resistance::toString).orElse("R"))));
    if (leads == Leads.THREE_STAR)
      all.add(
          check(
              "To be linked in delta: open its star point in the winding head and bring three more ends out",
              "six ends, three pairs; without that it has one voltage only"));
    if (leads == Leads.THREE_FIXED)
      all.add(
          check(
              "It cannot be linked otherwise",
              "feed it %s; another voltage wants another motor"
                  .formatted(part.nameplateVolts(motor.windings()))));
    if (leads != Leads.THREE_FIXED && many.isEmpty()) {
      all.add(
          check(
              "A cell of 1.5 V touched onto one winding, a meter of millivolts on each of the others",
              "both kick alike with their starts alike; the one that kicks the other way is turned round"));
      all.add(
          check(
              motor.windings() == Linkage.DELTA
                  ? "Ring of starts and ends: U1 with W2, V1 with U2, W1 with V2"
                  : "Star point: U2, V2 and W2 together",
              motor.windings() == Linkage.DELTA
                  ? "between any two lines %s; one winding turned round hums and takes far too much"
                      .formatted(between(phase, WindingOhms.Joined.DELTA, "two thirds of R"))
                  : "between any two lines %s"
                      .formatted(between(phase, WindingOhms.Joined.STAR, "2 R"))));
    }
    study
        .project()
        .setting(motor.id(), COIL_GROUPS)
        .flatMap(AxisSettings::number)
        .filter(n -> n >= 2 && n <= 12)
        .ifPresent(n ->
            all.add(
                check(
                    "%d groups of coils of each winding in parallel".formatted(Math.round(n)),
                    "%s a winding; a %s of its volts and %d times its current; groups turned round short each other"
                        .formatted(
                            phase
                                .map(r -> WindingOhms.inParallel(r, (int) Math.round(n)).toString())
                                .orElse("1/%d of R".formatted(Math.round(n))),
                            Math.round(n) == 2 ? "half" : "1/" + Math.round(n),
                            Math.round(n)))));
    all.add(insulation());
    var plate = part.nameplate(motor.windings());
    all.add(
        check(
            "Running without load: the three currents",
            "alike within 10 %%, some %s to %s"
                .formatted(plate.times(IDLE_LEAST), plate.times(IDLE_MOST))));
    all.add(
        check(
            "Its overload protection",
            "set to %s, its nameplate in %s"
                .formatted(plate, motor.windings().name().toLowerCase(java.util.Locale.ROOT))));
  }

  private static String between(
      Optional<Resistance> phase, WindingOhms.Joined joined, String otherwise) {
    return phase.map(r -> WindingOhms.betweenLeads(r, joined).toString()).orElse(otherwise);
  }
}
