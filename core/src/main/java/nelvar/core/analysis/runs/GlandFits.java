package nelvar.core.analysis.runs;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.trail.Trail;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Each cable enters its cabinet through a gland that holds and seals it, all of them find room on
/// the side they enter at, and what is plugged on at the inner end before goes through.
public final class GlandFits implements Rule {
  private static final Reason LOOSE = Reason.of("A gland does not hold its cable");
  private static final Reason NONE = Reason.of("No gland holds it");
  private static final Reason CROWDED = Reason.of("Too many glands for that side");
  private static final Reason PLUG = Reason.of("Its plug does not go through");

  @Override
  public String id() {
    return "runs.gland";
  }

  @Override
  public String asks() {
    return "Each cable has a gland that holds it, and each gland has room.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().layout().cabinets().stream()
        .filter(cabinet -> cabinet.shell().closed())
        .flatMap(Contained.many(this, Cabinet::id, cabinet -> judge(cabinet, study)));
  }

  private static Stream<Verdict> judge(Cabinet cabinet, Study study) {
    var entries = Entries.of(cabinet, study);
    if (entries.all().isEmpty()) return Stream.empty();
    return Stream.concat(
        Stream.of(room(cabinet, entries)),
        entries.all().stream().map(entry -> judge(entry, study)));
  }

  private static Verdict room(Cabinet cabinet, Entries entries) {
    var w = Working.of("Glands of " + cabinet.name());
    w.given("glands", entries.all().size(), cabinet.shell().cables().words());
    w.given("rows", entries.rows(), "side by side, with room for a spanner");
    w.given("at most", entries.mostRows(), "rows in the depth of that side");
    var trail = w.explain(cabinet.name()).trail();
    if (entries.rows() <= entries.mostRows()) return new Verdict.Pass(cabinet.id(), trail);
    return new Verdict.Finding(
        cabinet.id(),
        Severity.WARNING,
        CROWDED,
        "%d cables enter at the %s of the %s, in %d rows of glands; there is room for %d. Take an entry frame for several cables, or let some in at another side."
            .formatted(
                entries.all().size(),
                cabinet.shell().cables().words(),
                cabinet.name(),
                entries.rows(),
                entries.mostRows()),
        trail,
        framed(entries));
  }

  /// All thin ones through frames, several in one window.
  private static List<Repair> framed(Entries entries) {
    var thin =
        entries.all().stream()
            .filter(entry -> entry.gland().filter(g -> g != Cable.Gland.FRAME).isPresent())
            .filter(entry ->
                entry.diameter().filter(d -> Entries.holds(Cable.Gland.FRAME, d)).isPresent())
            .map(Entries.Entry::cable)
            .toList();
    return thin.size() < 2 ? List.of() : List.of(Repair.of(RunEdits.framed(thin)));
  }

  private static Verdict judge(Entries.Entry entry, Study study) {
    var cable = entry.cable();
    if (entry.diameter().isEmpty())
      return new Verdict.NotChecked(cable.id(), "how thick its cable is, nobody states");
    var d = entry.diameter().get();
    var w = Working.of("Gland of " + cable.label());
    w.given("d", Length.ofMillimetres(d), cable.label().text());
    if (entry.gland().isEmpty())
      return new Verdict.Finding(
          cable.id(),
          Severity.WARNING,
          NONE,
          "%s is %.1f mm thick: no gland from M12 to M40 holds it. Take an entry frame, or another cable."
              .formatted(cable.label(), d),
          w.explain(d).trail(),
          List.of());
    var gland = entry.gland().get();
    if (entry.said()) w.given("gland", gland.words(), "said by hand");
    else w.assumed("gland", gland.words(), "the smallest that holds it");
    w.given(
        "from", Length.ofMillimetres(Entries.least(gland)), "common practice, the maker's wins");
    w.given("to", Length.ofMillimetres(Entries.most(gland)), "common practice, the maker's wins");
    var trail = w.explain(d).trail();
    if (!Entries.holds(gland, d)) return loose(entry, gland, d, trail);
    return PlugThrough.of(cable, study)
        .filter(plug -> plug.across() > Entries.passes(gland))
        .<Verdict>map(plug -> blocked(entry, gland, plug, trail))
        .orElseGet(() -> new Verdict.Pass(cable.id(), trail));
  }

  private static Verdict loose(Entries.Entry entry, Cable.Gland gland, double d, Trail trail) {
    var cable = entry.cable();
    return new Verdict.Finding(
        cable.id(),
        Severity.ERROR,
        LOOSE,
        "%s is %.1f mm thick and its gland %s clamps %.1f to %.1f mm: %s"
            .formatted(
                cable.label(),
                d,
                gland.words(),
                Entries.least(gland),
                Entries.most(gland),
                d < Entries.least(gland)
                    ? "it neither holds nor seals it."
                    : "the cable does not go in."),
        trail,
        Entries.fitting(d).stream()
            .map(fits -> Repair.of(RunEdits.gland(cable, java.util.Optional.of(fits))))
            .toList());
  }

  private static Verdict blocked(
      Entries.Entry entry, Cable.Gland gland, PlugThrough.Plug plug, Trail trail) {
    var cable = entry.cable();
    var d = entry.diameter().orElseThrow();
    return new Verdict.Finding(
        cable.id(),
        plug.moulded() ? Severity.ERROR : Severity.WARNING,
        PLUG,
        "%s ends in %s, %.0f mm across, and its gland %s lets %.1f mm through: %s"
            .formatted(
                cable.label(),
                plug.name(),
                plug.across(),
                gland.words(),
                Entries.passes(gland),
                plug.moulded()
                    ? "it comes with its plug on. Take an entry frame or a wider gland, or a lead without a plug."
                    : "fit the plug after the cable is through, or take a wider gland."),
        trail,
        java.util.Arrays.stream(Cable.Gland.values())
            .filter(g -> Entries.holds(g, d) && Entries.passes(g) >= plug.across())
            .limit(1)
            .map(g -> Repair.of(RunEdits.gland(cable, java.util.Optional.of(g))))
            .toList());
  }
}
