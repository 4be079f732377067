package nelvar.core.analysis.interference;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;

/// Shields end as what is in their cable wants it.
///
/// Of a motor at its drive: clamped all around at both ends, in every school (practice of IEC
/// 61800-3, from memory); a pigtail of 50 mm is 43 nH, 8 Ω at 30 MHz. Of pulses, data and what is
/// read as 0 and 1: both ends. Of values: as the Brief says.
public final class ShieldEnds implements Rule {
  private static final Reason MOTOR =
      Reason.of("The shield of a motor cable is not clamped at both ends");
  private static final Reason OPEN = Reason.of("A shield is open where it should be joined");
  private static final Reason OTHERWISE = Reason.of("A shield ends otherwise than the Brief says");

  @Override
  public String id() {
    return "quiet.shield";
  }

  @Override
  public String asks() {
    return "Shields end as what is in their cable wants it.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var motors = new HashMap<Id, Emitter>();
    for (var e : Emitters.of(study))
      if (e.kind() == Emitter.Kind.DRIVE) e.cable().ifPresent(c -> motors.put(c.id(), e));
    var heard = new HashMap<Id, Receiver>();
    for (var r : Receivers.of(study)) r.cable().ifPresent(c -> heard.putIfAbsent(c.id(), r));
    return study.project().cables().stream()
        .flatMap(
            Contained.many(this, Cable::id, cable -> judge(cable, motors, heard, study).stream()));
  }

  private static Optional<Verdict> judge(
      Cable cable, Map<Id, Emitter> motors, Map<Id, Receiver> heard, Study study) {
    var shielded =
        study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock
            && stock.shielded();
    var motor = motors.containsKey(cable.id());
    var signal = Optional.ofNullable(heard.get(cable.id()));
    if (!shielded || (!motor && signal.isEmpty())) return Optional.empty();
    var has = cable.screened();
    if (has.from().isEmpty() || has.to().isEmpty())
      return Optional.of(
          new Verdict.NotChecked(cable.id(), "nobody said how its shield ends at both ends"));
    var wants =
        motor
            ? Screen.both(Ending.CLAMP)
            : Screens.usual(cable, signal.orElseThrow().kind(), study);
    var what = motor ? "a motor at its drive" : signal.map(r -> r.kind().words()).orElseThrow();
    var w = Working.of("Shield of " + cable.label());
    w.given("it ends", Screens.words(has), cable.label().text());
    w.given("it should", Screens.words(wants), what);
    w.given(
        "school", study.project().brief().policies().answer(School.SHIELD_ENDS).words(), "Brief");
    var trail = w.explain(cable.id()).trail();
    if (ends(has, wants)) return Optional.of(new Verdict.Pass(cable.id(), trail));
    var open = worse(has, wants);
    return Optional.of(
        new Verdict.Finding(
            cable.id(),
            motor || open ? Severity.WARNING : Severity.ADVICE,
            motor ? MOTOR : open ? OPEN : OTHERWISE,
            "The shield of %s is %s; %s wants it %s."
                .formatted(cable.label(), Screens.words(has), what, Screens.words(wants)),
            trail,
            List.of(
                Repair.of(
                    Edits.change(cable.withScreen(wants.withTurns(has.turns())))
                        .named(
                            "End the shield of %s %s"
                                .formatted(cable.label(), Screens.words(wants)))))));
  }

  private static boolean ends(Screen has, Screen wants) {
    return has.from().equals(wants.from()) && has.to().equals(wants.to());
  }

  /// Open where it should be joined.
  private static boolean worse(Screen has, Screen wants) {
    return opens(has.from(), wants.from()) || opens(has.to(), wants.to());
  }

  private static boolean opens(Optional<Ending> has, Optional<Ending> wants) {
    return has.equals(Optional.of(Ending.OPEN)) && !wants.equals(Optional.of(Ending.OPEN));
  }
}
