package nelvar.core.analysis.sizing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Judged;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// The voltage lost on the way to a load stays within the project's limit, 5 % where nothing else
/// is said.
///
/// Loads of one source that fail because of the same wire give one finding, on that wire.
///
/// Demand: IEC 60204-1:2016, 12.5 (unchecked). Chopper and servo drives regulate their own output;
/// it is not judged.
public final class VoltageDropLimit implements Rule {
  private static final Reason RETURN_WIRE_TOO_THIN = Reason.of("Return wire too thin");
  private static final Reason WIRE_LOSES_TOO_MUCH_VOLTAGE =
      Reason.of("Wire loses too much voltage");

  @Override
  public String id() {
    return "sizing.voltage-drop";
  }

  @Override
  public String asks() {
    return "Every load gets its voltage: the drop from its source stays within the limit.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    var verdicts = new ArrayList<Verdict>();
    var failing = new LinkedHashMap<Id, List<Feed>>();
    Contained.each(
        this,
        study.network().feeds(),
        feed -> feed.device().id(),
        verdicts,
        feed -> {
          if (feed.source().isEmpty()
              || regulated(feed, study)
              || study.designCurrent(feed).amperes() == 0) return;
          switch (VoltageDrop.drop(feed, study, Sections.AS_DESIGNED)) {
            case Computed.Missing<VoltageDrop.Drop>(var why) ->
                verdicts.add(new Verdict.NotChecked(feed.device().id(), why));
            case Computed.Known<VoltageDrop.Drop>(var drop) -> {
              var judged = judge(drop.value(), study);
              if (judged.holds() || drop.value().worst().isEmpty())
                verdicts.add(new Verdict.Pass(feed.device().id(), judged.trail()));
              else
                failing
                    .computeIfAbsent(drop.value().worst().get().id(), _ -> new ArrayList<>())
                    .add(feed);
            }
          }
        });
    Contained.each(
        this,
        failing.entrySet(),
        entry -> entry.getKey(),
        verdicts,
        entry ->
            verdicts.add(
                finding(study.conductor(entry.getKey()).orElseThrow(), entry.getValue(), study)));
    return verdicts.stream();
  }

  private static boolean regulated(Feed feed, Study study) {
    return feed.source()
        .flatMap(source -> study.part(source.device()))
        .filter(part -> part.chops() || part instanceof ServoDrive)
        .isPresent();
  }

  private static Percent limit(Study study) {
    return study.project().brief().policies().drop();
  }

  private static Judged<Percent> judge(VoltageDrop.Drop drop, Study study) {
    return Explained.atMost(
        drop.share(),
        "u",
        limit(study),
        Schools.demand(
            study,
            Citation.recalled("IEC 60204-1:2016", "12.5, and this project's limit"),
            Citation.recalled(
                "NEC 2023 (NFPA 70)", "210.19(A), as advice, and this project's limit")));
  }

  private static Verdict finding(Conductor wire, List<Feed> feeds, Study study) {
    VoltageDrop.Drop worst = null;
    Feed hit = feeds.getFirst();
    for (var feed : feeds) {
      var drop = drop(feed, study, Sections.AS_DESIGNED);
      if (worst == null || drop.share().value().compareTo(worst.share().value()) > 0) {
        worst = drop;
        hit = feed;
      }
    }
    var lost = drop(hit, study, Sections.AS_DESIGNED);
    var back = study.wires(hit.backWay()).contains(wire);
    var own = VoltageDrop.alone(wire, study).orElse(new Voltage(0));
    var text =
        "%s: %s instead of %s; %s, %s, alone loses %s%s. The limit is %s."
            .formatted(
                names(feeds),
                hit.voltage().less(lost.lost()),
                hit.voltage(),
                wire.label(),
                wire.section().map(Object::toString).orElse("?"),
                own,
                back ? " and lifts the return of all who share it by as much" : "",
                limit(study));
    return new Verdict.Finding(
        wire.id(),
        Severity.ERROR,
        back ? RETURN_WIRE_TOO_THIN : WIRE_LOSES_TOO_MUCH_VOLTAGE,
        text,
        judge(lost, study).trail(),
        repairs(wire, feeds, study));
  }

  private static VoltageDrop.Drop drop(Feed feed, Study study, Sections sections) {
    return VoltageDrop.drop(feed, study, sections).found().orElseThrow().value();
  }

  private static String names(List<Feed> feeds) {
    var names = feeds.stream().map(feed -> feed.device().designation().text()).distinct().toList();
    return names.size() <= 3
        ? String.join(", ", names)
        : String.join(", ", names.subList(0, 2)) + " and " + (names.size() - 2) + " more";
  }

  /// The least thicker section of this wire that cures every load; else of every wire on the way of
  /// the worst load.
  private static List<Repair> repairs(Conductor wire, List<Feed> feeds, Study study) {
    var now = wire.section().orElseThrow();
    var together = Sections.together(wire, study);
    for (var section : Schools.sizes(study)) {
      if (section.compareTo(now) <= 0
          || section.squareMillimetres() > 10 * now.squareMillimetres()
          || !Sections.available(wire, section, study)) continue;
      if (cures(feeds, study, Sections.with(together, section)))
        return List.of(Repair.of(Sections.change(wire, section, study)));
    }
    return allWires(feeds, study);
  }

  private static List<Repair> allWires(List<Feed> feeds, Study study) {
    var wires =
        feeds.stream()
            .flatMap(feed ->
                Stream.concat(
                    feed.lineWays().stream().flatMap(way -> study.wires(way).stream()),
                    study.wires(feed.backWay()).stream()))
            .distinct()
            .toList();
    for (var section : Schools.sizes(study)) {
      var thin =
          wires.stream()
              .filter(c -> c.section().isPresent() && c.section().get().compareTo(section) < 0)
              .toList();
      if (thin.isEmpty()
          || section.squareMillimetres() > 16
          || !thin.stream().allMatch(c -> Sections.available(c, section, study))) continue;
      var changed = new HashSet<Id>();
      thin.forEach(c -> changed.addAll(Sections.together(c, study)));
      if (!cures(feeds, study, Sections.with(changed, section))) continue;
      return List.of(
          Repair.of(
              Edits.section("all wires to " + names(feeds), changed, section, study.catalogue())));
    }
    return List.of();
  }

  private static boolean cures(List<Feed> feeds, Study study, Sections sections) {
    return feeds.stream().allMatch(feed -> judge(drop(feed, study, sections), study).holds());
  }
}
