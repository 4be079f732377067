package nelvar.core.analysis.runs;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.model.Brief;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.School;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// How long every conductor and cable is, and who says so: the one home of lengths.
///
/// What was measured or said counts first; then the cable's; then the way, with its slack, up to
/// whole centimetres; then what was assumed while there was no way. Nothing else is a length.
public final class HowLong {
  /// Loops of a carrier's two ends, so that nothing pulls at a clamp, m (common practice, no
  /// published source).
  private static final double CARRIER_LOOPS = 0.3;

  private final Study study;
  private final Map<Id, Length> cut = new HashMap<>();

  /// Who says how long something is.
  public enum Basis {
    SAID("said by hand"),
    LEAD("its own lead"),
    CABLE("by its cable"),
    ROUTED("by its way"),
    ASSUMED("assumed"),
    UNKNOWN("not known");

    private final String words;

    Basis(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// @param why in words: what its way passes, or what is missing for one
  public record Answer(Optional<Length> length, Basis basis, String why, Trail trail) {}

  private HowLong(Study study) {
    this.study = study;
  }

  public static HowLong of(Study study) {
    return study.once(HowLong.class, () -> new HowLong(study));
  }

  /// A wire that is tried at other ends stays as long as it is.
  public static Optional<Length> of(Conductor wire, Study study) {
    return of(study).length(study.conductor(wire.id()).orElse(wire));
  }

  /// As a tape in feet and inches has it, where the machine is built by one.
  public static Optional<String> onTape(Length length, Study study) {
    return study.project().brief().policies().sizing() == Brief.Sizing.NORTH_AMERICAN
        ? Optional.of(length.feetAndInches())
        : Optional.empty();
  }

  public static Optional<Length> of(Cable cable, Study study) {
    return of(study).length(cable);
  }

  private Optional<Length> length(Conductor wire) {
    if (wire.length().isPresent() && !wire.guessed()) return wire.length();
    return study
        .cable(wire)
        .flatMap(this::length)
        .or(() -> wire.cable().isEmpty() ? routed(wire) : Optional.empty())
        .or(wire::length)
        .or(() -> untilMounted(wire));
  }

  /// As long as such a wire is as a rule, while one of its ends is not mounted yet in a cabinet
  /// that is laid out.
  private Optional<Length> untilMounted(Conductor wire) {
    if (study.project().layout().cabinets().isEmpty() || wire.cable().isPresent())
      return Optional.empty();
    var ends =
        Stream.of(wire.from(), wire.to())
            .flatMap(end -> study.device(end.device()).stream())
            .toList();
    return ends.size() < 2
            || ends.stream().anyMatch(device -> device.place() == Place.MACHINE)
            || ends.stream().allMatch(device -> Bodies.of(study).of(device.id()).isPresent())
        ? Optional.empty()
        : Optional.of(
            TypicalLength.between(
                ends.getFirst().place(), ends.getLast().place(), TypicalLength.DISTANCE));
  }

  private Optional<Length> length(Cable cable) {
    if (cable.length().isPresent() && !cable.guessed()) return cable.length();
    return routed(cable).or(cable::length);
  }

  /// As long as it must be cut for its way; empty where there is none.
  public Optional<Length> routed(Conductor wire) {
    return routed(wire.id(), () -> Routes.of(study).of(wire));
  }

  public Optional<Length> routed(Cable cable) {
    return routed(cable.id(), () -> Routes.of(study).of(cable));
  }

  private Optional<Length> routed(Id id, Supplier<Routes.Found> way) {
    synchronized (cut) {
      var known = cut.get(id);
      if (known != null) return Optional.of(known);
    }
    var found = way.get().route().map(route -> withSlack(route, Slack.of(study)));
    synchronized (cut) {
      found.ifPresent(length -> cut.put(id, length));
    }
    return found;
  }

  /// Up to whole centimetres.
  private static Length withSlack(Route route, Slack slack) {
    var metres =
        route.length().metres() * (1 + slack.share())
            + 2 * slack.end()
            + route.carriers() * CARRIER_LOOPS;
    return new Length(Math.ceil(metres * 100 - 1e-6) / 100);
  }

  /// What is left at ends and in ducts.
  ///
  /// @param share of the way
  /// @param end at each end, m
  public record Slack(double share, double end) {
    static Slack of(Study study) {
      return study.project().brief().policies().chose(School.WIRE_SLACK, "short")
          ? new Slack(0.05, 0.05)
          : new Slack(0.10, 0.10);
    }
  }

  public Answer answer(Conductor wire) {
    if (wire.length().isPresent() && !wire.guessed()) {
      var lead = wire.leadOf().map(of -> "lead of " + study.label(of));
      return said(
          wire.length(), lead.isPresent() ? Basis.LEAD : Basis.SAID, lead.orElse("said by hand"));
    }
    if (study.cable(wire).isPresent()) {
      var of = answer(study.cable(wire).get());
      if (of.length().isPresent())
        return of.basis() == Basis.SAID
            ? new Answer(
                of.length(), Basis.CABLE, study.cable(wire).get().label().text(), of.trail())
            : of;
    } else if (routed(wire).isPresent()) return routed(Routes.of(study).of(wire), routed(wire));
    return otherwise(wire.length().or(() -> untilMounted(wire)), Routes.of(study).of(wire).why());
  }

  public Answer answer(Cable cable) {
    if (cable.length().isPresent() && !cable.guessed())
      return said(cable.length(), Basis.SAID, "said by hand");
    if (routed(cable).isPresent()) return routed(Routes.of(study).of(cable), routed(cable));
    return otherwise(cable.length(), Routes.of(study).of(cable).why());
  }

  private static Answer said(Optional<Length> length, Basis basis, String from) {
    var w = Working.of("Length");
    w.given("l", length.orElseThrow(), from);
    return new Answer(length, basis, from, w.explain(length).trail());
  }

  private static Answer otherwise(Optional<Length> assumed, String why) {
    var w = Working.of("Length");
    if (assumed.isPresent()) w.assumed("l", assumed.get(), why);
    else w.given("l", "not known", why);
    return new Answer(
        assumed,
        assumed.isPresent() ? Basis.ASSUMED : Basis.UNKNOWN,
        why,
        w.explain(assumed).trail());
  }

  private Answer routed(Routes.Found found, Optional<Length> length) {
    var route = found.route().orElseThrow();
    var slack = Slack.of(study);
    var w = Working.of("Length by its way");
    for (var leg : route.legs()) w.given("s", Length.ofMillimetres(leg.millimetres()), leg.words());
    w.given(
        "school", study.project().brief().policies().answer(School.WIRE_SLACK).words(), "Brief");
    if (route.carriers() > 0)
      w.assumed("loops", new Length(route.carriers() * CARRIER_LOOPS), "at the ends of carriers");
    w.result(
        "l",
        "Σs · (1 + %.0f %%) + 2 · %.0f mm%s, up to whole cm"
            .formatted(
                slack.share() * 100, slack.end() * 1000, route.carriers() > 0 ? " + loops" : ""),
        length.orElseThrow());
    return new Answer(length, Basis.ROUTED, route.words(), w.explain(length).trail());
  }
}
