package nelvar.core.analysis.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.network.Feed;
import nelvar.core.units.Voltage;

/// A device that hangs on the mains, and whether it can stay there: what another mains, typed in
/// the Brief, does to each.
///
/// Judged by volts with nothing lost on the way; frequency is not looked at.
///
/// @param words what it gets, what it accepts, and what has to be done
public record OnMains(Device device, Fate fate, String words) {
  /// What becomes of it.
  public enum Fate {
    STAYS,
    /// Its windings can be linked for these volts.
    NEEDS_SWITCHING,
    UNFIT
  }

  /// Every device that takes its current from the inlet, or has lines and gets none, by
  /// designation.
  public static List<OnMains> of(Study study) {
    var worst = new LinkedHashMap<Device, OnMains>();
    for (var feed : study.network().feeds())
      judged(feed, study)
          .ifPresent(one ->
              worst.merge(one.device(), one, (a, b) -> a.fate().compareTo(b.fate()) >= 0 ? a : b));
    var all = new ArrayList<>(worst.values());
    all.sort(java.util.Comparator.comparing(one -> one.device().designation()));
    return all;
  }

  private static Optional<OnMains> judged(Feed feed, Study study) {
    var part = study.part(feed.device()).orElseThrow();
    if (feed.source().isEmpty()) {
      if (!onLines(part, feed.intake()) || !wired(feed, study)) return Optional.empty();
      return Optional.of(
          new OnMains(feed.device(), Fate.UNFIT, "its lines bring nothing on this mains"));
    }
    if (!(study.part(feed.source().get().device()).orElse(null) instanceof MainsInlet))
      return Optional.empty();
    var volts = feed.voltage();
    var accepts = feed.intake().accepts();
    if (accepts.contains(volts))
      return Optional.of(new OnMains(feed.device(), Fate.STAYS, "gets %s".formatted(volts)));
    var linked = linkage(feed, part, volts);
    return Optional.of(
        linked.isPresent()
            ? new OnMains(
                feed.device(),
                Fate.NEEDS_SWITCHING,
                "gets %s: link its windings in %s".formatted(volts, linked.get().words()))
            : new OnMains(
                feed.device(), Fate.UNFIT, "gets %s, accepts %s".formatted(volts, accepts)));
  }

  /// The linkage in which it accepts these volts.
  private static Optional<Linkage> linkage(Feed feed, Part part, Voltage volts) {
    return part.linkages().stream()
        .filter(linkage ->
            part.intakes(linkage, feed.device().spare()).stream()
                .anyMatch(intake ->
                    intake.name().equals(feed.intake().name()) && intake.accepts().contains(volts)))
        .findFirst();
  }

  private static boolean onLines(Part part, Intake intake) {
    return part.terminals().stream()
        .anyMatch(terminal ->
            terminal.role() == Terminal.Role.LINE && intake.lines().contains(terminal.name()));
  }

  private static boolean wired(Feed feed, Study study) {
    return study.at(feed.device().id()).stream()
        .anyMatch(wire ->
            feed.intake().lines().contains(wire.from().terminal())
                || feed.intake().lines().contains(wire.to().terminal()));
  }
}
