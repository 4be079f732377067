package nelvar.core.analysis.signals;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Heater;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.trail.Working;

/// A heater that a program switches has something besides the program that ends it.
///
/// The broken wire of a thermistor reads as cold, a bead that slips out of its hole reads as cold,
/// a transistor that dies conducts: the program heats on, or cannot help it. A switch that opens
/// when it is too hot, in the way of the heater itself, ends it. Common practice (IEC 60335-1 and
/// 60204-1, 7.4 ask for protection against abnormal temperatures, unchecked).
public final class HeatsOnBrokenWire implements Rule {
  private static final Reason HEATS_ON = Reason.of("Nothing but the program ends the heating");

  @Override
  public String id() {
    return "signals.heats-on";
  }

  @Override
  public String asks() {
    return "Every heater that a program switches is cut off by a thermal switch of its own when it gets too hot.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.network().feeds().stream()
        .filter(feed -> study.part(feed.device()).orElse(null) instanceof Heater)
        .flatMap(
            Contained.many(this, feed -> feed.device().id(), feed -> judge(feed, study).stream()));
  }

  private static Optional<Verdict> judge(Feed feed, Study study) {
    var heater = feed.device();
    var on = onTheWay(feed, study);
    var pin = on.stream().filter(device -> PinLinks.board(device, study)).findFirst();
    var relay =
        on.stream()
            .filter(device -> study.part(device).filter(p -> p.ownCoil().isPresent()).isPresent())
            .findFirst();
    var switched = pin.or(() -> relay.filter(device -> byProgram(device, study)));
    if (switched.isEmpty()) return Optional.empty();
    var w = Working.of("What ends " + heater.designation());
    w.given("switched by", switched.get().designation().text(), "on its way");
    var cut =
        Stream.concat(on.stream(), relay.stream().flatMap(coil -> before(coil, study)))
            .filter(device -> thermal(device, study))
            .findFirst();
    w.given(
        "cut by",
        cut.map(device -> device.designation().text()).orElse("nothing"),
        "thermal switch on its way, or on that of the coil");
    var trail = w.explain(heater).trail();
    if (cut.isPresent()) return Optional.of(new Verdict.Pass(heater.id(), trail));
    return Optional.of(
        new Verdict.Finding(
            heater.id(),
            Severity.WARNING,
            HEATS_ON,
            "Only a program, by %s, ends the heating of %s: a broken sensor wire reads as cold, a bead that slipped out too, and a transistor that dies or a contact that welds conducts. Put a thermal switch that opens when it is too hot in series with the heater, or with the coil that switches it."
                .formatted(switched.get().designation(), heater.designation()),
            trail,
            List.of()));
  }

  private static List<Device> onTheWay(Feed feed, Study study) {
    return Stream.concat(feed.lineWays().stream(), Stream.of(feed.backWay()))
        .flatMap(List::stream)
        .map(edge -> study.network().topology().edge(edge))
        .map(edge -> edge instanceof Edge.Through(var device, _) ? device : null)
        .filter(Objects::nonNull)
        .distinct()
        .toList();
  }

  /// What is on the way of a coil.
  private static Stream<Device> before(Device coil, Study study) {
    return study.network().feeds().stream()
        .filter(feed -> feed.device().equals(coil))
        .flatMap(feed -> onTheWay(feed, study).stream());
  }

  private static boolean thermal(Device device, Study study) {
    return study.part(device).orElse(null) instanceof ControlSwitch part
        && part.watches().filter(ControlSwitch.Watched.TEMPERATURE::equals).isPresent();
  }

  /// Whether its coil hangs on an output of a board.
  private static boolean byProgram(Device device, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.pin().type().switches() && link.pin().type() != Pin.Type.ALWAYS_ON)
        .flatMap(link -> link.partners().stream())
        .anyMatch(end -> end.device().equals(device.id()));
  }
}
