package nelvar.core.analysis.space;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Fitting;
import nelvar.core.model.Cabinet;

/// What hands reach for with the door open, and what is live beside it: nobody adjusts a trimmer
/// with mains a hand's width away without knowing.
public final class OpenDoor {
  /// As far as a hand slips, mm (common practice).
  private static final double HAND = 100;

  private OpenDoor() {}

  /// @param what of the body is reached: `card slot`
  /// @param itself whether more than extra-low volts are on the part itself
  /// @param beside what else has them within a hand's width of where one reaches
  /// @param ahead of it and them, what stays live with the main switch off
  public record Reached(
      Body body, Fitting.Reach what, boolean itself, List<Body> beside, List<Body> ahead) {
    public Reached {
      beside = List.copyOf(beside);
      ahead = List.copyOf(ahead);
    }

    /// How one reaches there; empty where nothing live is near.
    public String only() {
      if (!live()) return "";
      return ahead.isEmpty()
          ? "locked off, or covered"
          : "covered: %s live with the main switch off"
              .formatted(
                  ahead.size() == 1
                      ? ahead.getFirst().name() + " is"
                      : String.join(", ", ahead.stream().map(Body::name).toList()) + " are");
    }

    public boolean live() {
      return itself || !beside.isEmpty();
    }
  }

  public static List<Reached> of(Cabinet cabinet, Study study) {
    return Bodies.of(study).in(cabinet).stream()
        .filter(body -> !body.later())
        .flatMap(
            body -> body.fitting().reach().stream().map(reach -> one(body, reach, cabinet, study)))
        .toList();
  }

  static Reached one(Body body, Fitting.Reach reach, Cabinet cabinet, Study study) {
    var side = reach.side().turned(body.at().quarters());
    var zone = Reach.before(body, side, Box.mm(reach.free())).orElse(body.box());
    var beside =
        Bodies.of(study).in(cabinet).stream()
            .filter(other -> !other.id().equals(body.id()) && other.surface() == body.surface())
            .filter(other -> other.box().gap(zone) < HAND && live(other, study))
            .toList();
    var stay = OnMains.aheadOfTheSwitch(study);
    return new Reached(
        body,
        reach,
        live(body, study),
        beside,
        Stream.concat(Stream.of(body), beside.stream())
            .filter(one -> live(one, study) && stay.contains(one.id()))
            .toList());
  }

  /// Whether more than extra-low volts are on it when everything is on.
  public static boolean live(Body body, Study study) {
    return Optional.of(body)
        .flatMap(Body::device)
        .filter(device -> OnMains.of(study).devices().contains(device.id()))
        .isPresent();
  }
}
