package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.earthing.ResidualCharge;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.catalogue.SignalLamp;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.review.Review;
import nelvar.core.units.Voltage;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.SingleLine;

/// What hangs inside the door: what feeds what, what each breaker and fuse is for, what dials stand
/// at, how long to wait, what lamps mean.
final class DoorSheet {
  static final String TITLE = "Door sheet";

  private static final Voltage SAFE = new Voltage(60);

  private DoorSheet() {}

  static List<Block> blocks(Review review) {
    var study = review.study();
    var blocks = new ArrayList<Block>();
    blocks.add(new Block.Heading(TITLE, 1));
    blocks.add(
        new Block.Notice(
            "Before the cover comes off",
            "Lock off at the main switch, wait as long as is said below, then prove dead. Hold up what can fall.",
            Ink.ERROR));
    blocks.addAll(Block.list(protection(study)));
    blocks.addAll(Block.list(waits(study)));
    blocks.addAll(Block.list(Lists.dials(study)));
    blocks.addAll(Block.list(lamps(study)));
    blocks.add(new Block.Heading("Power single-line", 2));
    blocks.add(
        new Block.Paragraph(
            "One line for each feed; currents with everything on that can be on together."));
    blocks.add(new Block.Picture(SingleLine.of(study)));
    return blocks;
  }

  static ListTable protection(Study study) {
    var rows =
        ProtectiveDevices.all(study).stream()
            .map(one ->
                row(
                    one.device().device().designation().text(),
                    one.device().protection().toString(),
                    one.design().toString(),
                    one.feeds().stream()
                        .map(Feed::name)
                        .distinct()
                        .collect(Collectors.joining(", "))))
            .toList();
    return new ListTable(
        "protective-devices",
        "Breakers and fuses",
        List.of(
            text("Device", 0.8),
            text("Rating", 1.4),
            number("Load", 0.8),
            text("Feeds, as the nearest device", 5)),
        rows);
  }

  /// What still holds charge when everything is off.
  static ListTable waits(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var charge : ResidualCharge.charges(study)) {
      if (charge.from().compareTo(SAFE) <= 0 || ResidualCharge.exempt(charge)) continue;
      rows.add(
          row(
              charge.members().stream().map(study::label).collect(Collectors.joining(", ")),
              charge.until(SAFE).map(Object::toString).orElse("not known: measure"),
              charge.words()));
    }
    for (var device : study.project().devices())
      if (study.part(device).filter(ResidualCharge::unstated).isPresent())
        rows.add(
            row(
                device.designation().text(),
                "as its plate says",
                "Its part states no capacitance: nothing was computed. Read the time off the drive, then measure."));
    return new ListTable(
        "wait-times",
        "Wait after switching off, until below 60 V",
        List.of(text("Device", 1), text("Wait", 1), text("Charge", 5)),
        rows);
  }

  static ListTable lamps(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var device : study.project().devices()) {
      if (study.part(device).filter(SignalLamp.class::isInstance).isEmpty()) continue;
      rows.add(
          row(
              device.designation().text(),
              device.purpose().isEmpty() ? "nothing is said of it" : device.purpose(),
              study.network().feeds(device.id()).stream()
                  .map(feed -> litBy(feed, study))
                  .flatMap(Optional::stream)
                  .distinct()
                  .collect(Collectors.joining(", "))));
    }
    return new ListTable(
        "lamps",
        "Lamps",
        List.of(text("Device", 0.8), text("Means", 3), text("Lit through", 2)),
        rows);
  }

  /// The contacts and outputs on its way; empty where nothing feeds it.
  private static Optional<String> litBy(Feed feed, Study study) {
    if (feed.state() != Feed.State.FED || feed.lineWays().isEmpty()) return Optional.empty();
    var through =
        feed.lineWays().getFirst().stream()
            .map(edge -> study.network().topology().edge(edge))
            .filter(Edge.Through.class::isInstance)
            .map(Edge.Through.class::cast)
            .filter(edge -> edge.link().actuator().isPresent())
            .map(edge -> edge.device().designation() + ":" + edge.link().b())
            .distinct()
            .collect(Collectors.joining(" and "));
    return Optional.of(through.isEmpty() ? "always lit" : through);
  }
}
