package nelvar.core.analysis.bonding;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Resistance;

/// A mains filter stands with its bare case on bare metal: its case is its return, and a
/// green-yellow wire alone is none for what it is to keep in (common practice, no published
/// source).
///
/// A warning where somebody said that its foot is painted, which scraping cures; advice where there
/// is no metal to stand on, or the machine is earthed as a star.
public final class FilterFoot implements Rule {
  private static final Reason PAINTED = Reason.of("A filter stands on paint");
  private static final Reason WIRE = Reason.of("A filter is earthed by its wire alone");

  @Override
  public String id() {
    return "quiet.filter-foot";
  }

  @Override
  public String asks() {
    return "Mains filters stand bare on bare metal.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().devices().stream()
        .filter(d -> study.part(d).filter(Part::filtersMains).isPresent())
        .flatMap(Contained.one(this, Device::id, d -> judge(d, study)));
  }

  private static Verdict judge(Device filter, Study study) {
    var net = Bonding.of(study);
    if (net.bare(filter).isEmpty())
      return new Verdict.NotChecked(
          filter.id(), "what it stands on is not known: it is not mounted yet");
    var piece = net.pieces().stream().filter(p -> p.device().id().equals(filter.id())).findFirst();
    if (piece.flatMap(Bonding.Piece::fast).isEmpty())
      return new Verdict.NotChecked(filter.id(), "nothing joins it to earth that is known");
    var ohms = new Resistance(piece.get().fast().orElseThrow());
    var w = Working.of("Foot of " + filter.designation());
    w.given("to the inlet's PE", ohms, "at 1 MHz, by wires, shields and bare plates");
    var painted = net.painted(filter);
    w.given("stands", painted ? "on paint" : "as placed", filter.designation().text());
    var trail = w.explain(filter.id()).trail();
    // In a star nothing counts on plates.
    if (net.of(piece.get()).stream().anyMatch(b -> b.kind() == Bond.Kind.PLATE))
      return new Verdict.Pass(filter.id(), trail);
    return new Verdict.Finding(
        filter.id(),
        painted ? Severity.WARNING : Severity.ADVICE,
        painted ? PAINTED : WIRE,
        "%s is joined by its wire alone, %s at 1 MHz: what it takes in finds no way home, and drives disturb as without it. %s"
            .formatted(
                filter.designation(),
                ohms,
                painted
                    ? "Scrape the paint off under its feet."
                    : "Give it and the drive one plate of bare metal."),
        trail,
        painted
            ? List.of(
                Repair.of(
                    PinEdits.say(filter, Bonding.FOOT, "bare")
                        .named("Scrape the paint off under " + filter.designation())))
            : List.of());
  }
}
