package nelvar.core.analysis.signals;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Subject;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Every drive sees the pulses it is sent: enough current in its optocoupler, not too much, and
/// pulses no shorter than it sees.
///
/// `I = (U − Uf)/R`, U 5 V where nothing is stated (common practice). Said once an axis.
public final class Pulses implements Rule {
  private static final Reason NOT_SEEN = Reason.of("A drive does not see its pulses");
  private static final Reason TOO_LONG = Reason.of("Pulses on one wire over too long a way");

  /// For pulses against 0 V, a wire and its return lying apart; common practice.
  private static final Length SINGLE = new Length(2);

  @Override
  public String id() {
    return "signals.pulses";
  }

  @Override
  public String asks() {
    return "Every drive sees the pulses it is sent.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    record Axis(Id board, List<Id> partners) {}
    var told = new HashSet<Axis>();
    return PinLinks.of(study).stream()
        .filter(link ->
            link.wired()
                && (link.pin().type() == Pin.Type.OUTPUT_PULSES
                    || link.pin().type() == Pin.Type.OUTPUT_PULSES_SINGLE))
        .filter(link ->
            told.add(
                new Axis(
                    link.board().id(),
                    link.partners().stream().map(end -> end.device()).distinct().toList())))
        .flatMap(Contained.one(this, link -> link.board().id(), link -> judge(link, study)));
  }

  /// Of its own wire, where that is longer than pulses against 0 V should go.
  private static Optional<Length> longWay(PinLink link, Study study) {
    if (PassedOn.onPair(link.pin(), link.at(), study)) return Optional.empty();
    return study.at(link.board().id()).stream()
        .filter(wire -> wire.lands(link.at()))
        .flatMap(wire -> study.length(wire).stream())
        .filter(length -> length.compareTo(SINGLE) > 0)
        .findFirst();
  }

  private static List<Repair> ways(PinLink link, Study study) {
    return PassedOn.ends(link.at(), study).stream()
        .flatMap(end -> study.device(end.device()).stream())
        .flatMap(drive -> PulsesOnPairs.of(link.board(), drive, study).stream())
        .limit(1)
        .map(offer -> Repair.of(offer.edit()))
        .toList();
  }

  private static Verdict judge(PinLink link, Study study) {
    var subject = new Subject.AtTerminal(link.at());
    var w = Working.of("Pulses of %s:%s".formatted(link.board().designation(), link.pin().name()));
    link.on().ifPresent(seen -> w.given("U", seen.volts(), "of the output, 5 V where not stated"));
    link.on().ifPresent(seen -> w.given("I", seen.current(), "(U − Uf)/R of the drive"));
    link.pin().pulse().ifPresent(pulse -> w.given("tp", pulse, "of the output"));
    var trail = w.explain(link).trail();
    return switch (link.standing()) {
      case SURE ->
          longWay(link, study)
              .<Verdict>map(length ->
                  new Verdict.Finding(
                      subject,
                      Severity.WARNING,
                      TOO_LONG,
                      "%s:%s sends pulses against 0 V over %s: beyond %s they pick up what flows beside them, and edges grow slow. Take a differential output or a line driver, or put the drive nearer."
                          .formatted(link.board().designation(), link.pin().name(), length, SINGLE),
                      trail,
                      ways(link, study)))
              .orElseGet(() -> new Verdict.Pass(subject, trail));
      case FREE, UNPROVED -> new Verdict.NotChecked(subject, link.words());
      case WRONG ->
          new Verdict.Finding(
              subject,
              Severity.ERROR,
              NOT_SEEN,
              "%s:%s %s. The axis loses steps, or does not move."
                  .formatted(link.board().designation(), link.pin().name(), link.words()),
              trail,
              List.of());
    };
  }
}
