package nelvar.core.analysis.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Leads;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.formula.MotorFormulas;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// A load is fed with a voltage it accepts.
///
/// Judged on the source's voltage, nothing lost on the way; drops have a rule of their own, coils
/// too.
///
/// Demand: the part's own data.
public final class SupplyVoltage implements Rule {
  private static final Reason VOLTAGE_TOO_LOW_FOR_IT = Reason.of("Voltage too low for it");
  private static final Reason VOLTAGE_TOO_HIGH_FOR_IT = Reason.of("Voltage too high for it");

  @Override
  public String id() {
    return "parts.supply-voltage";
  }

  @Override
  public String asks() {
    return "Every load gets a voltage inside its range.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> !feed.intake().eitherWay())
        .flatMap(
            Contained.many(this, feed -> feed.device().id(), feed -> judge(feed, study).stream()));
  }

  private static Optional<Verdict> judge(Feed feed, Study study) {
    if (feed.source().isEmpty()
        || study.part(feed.source().get().device()).filter(part -> part.chops()).isPresent())
      return Optional.empty();
    var id = feed.device().id();
    var range = feed.intake().accepts();
    var w = Working.of("Voltage range");
    w.given("U", feed.voltage(), feed.source().get().toString());
    w.given("accepts", range, feed.name());
    var trail = w.explain(range).trail();
    if (range.contains(feed.voltage())) return Optional.of(new Verdict.Pass(id, trail));
    var low = feed.voltage().compareTo(range.least()) < 0;
    var text =
        "%s accepts %s and gets %s: %s %s. %s"
                .formatted(
                    feed.device().designation(),
                    range,
                    feed.voltage(),
                    range.missedBy(feed.voltage()),
                    low ? "too little" : "too much",
                    low ? "It will not work, or not reliably." : "It will be damaged.")
            + relinking(feed, study);
    return Optional.of(
        new Verdict.Finding(
            id,
            Severity.ERROR,
            low ? VOLTAGE_TOO_LOW_FOR_IT : VOLTAGE_TOO_HIGH_FOR_IT,
            text,
            trail,
            repairs(feed, study)));
  }

  /// What its links allow, and the current afterwards.
  private static String relinking(Feed feed, Study study) {
    if (study.part(feed.device()).orElse(null) instanceof Heater heater) {
      return " As P ∝ U² it gives %s instead of %s."
          .formatted(
              MotorFormulas.heater(heater.power(), heater.madeFor(), feed.voltage()),
              heater.power());
    }
    if (!(study.part(feed.device()).orElse(null) instanceof InductionMotor motor)) return "";
    var other =
        motor.linkages().stream()
            .filter(linkage -> linkage != feed.device().windings())
            .filter(linkage -> accepts(motor, feed, linkage))
            .findFirst();
    if (other.isEmpty()) return "";
    var delta = other.get() == Linkage.DELTA;
    var current = delta ? motor.deltaCurrent() : motor.starCurrent();
    var words = delta ? "delta" : "star";
    return switch (motor.leads().orElse(Leads.SIX)) {
      case SIX -> " Linked in %s it suits, and takes %s.".formatted(words, current);
      case THREE_STAR ->
          delta
              ? " Only three leads come out, joined in star inside: somebody who winds motors must open the star point and bring out six; in delta it then takes %s. Else take another motor."
                  .formatted(current)
              : " Only three leads come out: it cannot be linked in star.";
      case THREE_FIXED ->
          " Only three leads come out and it cannot be linked otherwise: take another motor, or a supply for it.";
    };
  }

  private static boolean canRelink(Part part) {
    return !(part instanceof InductionMotor motor) || motor.leads().orElse(Leads.SIX) == Leads.SIX;
  }

  private static List<Repair> repairs(Feed feed, Study study) {
    var device = feed.device();
    var part = study.part(device).orElseThrow();
    var repairs = new ArrayList<Repair>();
    for (var linkage : part.linkages()) {
      if (linkage != device.windings() && canRelink(part) && accepts(part, feed, linkage))
        repairs.add(Repair.of(Edits.link(device, linkage)));
    }
    if (repairs.isEmpty())
      Alternatives.like(part, study)
          .filter(next -> accepts(next, feed, device.windings()))
          .findFirst()
          .ifPresent(next -> repairs.add(Repair.of(Edits.swap(device, next))));
    return repairs;
  }

  private static boolean accepts(Part part, Feed feed, Linkage linkage) {
    return part.intakes(linkage).stream()
        .filter(intake -> intake.name().equals(feed.intake().name()))
        .anyMatch(intake -> intake.accepts().contains(feed.voltage()));
  }
}
