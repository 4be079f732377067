package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// Cables in a carrier are made for moving, have room beside and above them, and bend no tighter
/// than they bear.
///
/// Room: 10 % of each diameter and at least 1 mm, beside each other and above (common practice).
/// Bend: 7.5 times the diameter for cables in carriers (data sheets, common practice); below 6
/// times to 20 mm and 8 times above (IEC 60204-1:2016, Table 8, forced guiding, from memory) it is
/// an error.
public final class CarrierFits implements Rule {
  private static final Reason STIFF = Reason.of("A cable that is not made for moving");
  private static final Reason TIGHT = Reason.of("A carrier bends tighter than its cables bear");
  private static final Reason NARROW = Reason.of("Too little room in the carrier");

  static final double SHEETS = 7.5;

  /// A divider is so thick, mm (assumed).
  static final double DIVIDER = 3;

  @Override
  public String id() {
    return "runs.carrier";
  }

  @Override
  public String asks() {
    return "Cables in carriers are made for it and have room.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().bundles().stream()
        .filter(bundle -> bundle.form().filter(f -> f.kind() == Bundle.Kind.CARRIER).isPresent())
        .flatMap(Contained.many(this, Bundle::id, bundle -> judge(bundle, study).stream()));
  }

  private static List<Verdict> judge(Bundle bundle, Study study) {
    var form = bundle.form().orElseThrow();
    var discs = Disc.of(study.lyingIn(bundle), study);
    var all = new ArrayList<Verdict>();
    discs.stream()
        .flatMap(disc -> study.cable(disc.conductor()).stream())
        .forEach(cable -> all.add(moves(cable, bundle, study)));
    if (discs.isEmpty()) return all;
    all.add(room(bundle, form, discs));
    var thickest = discs.stream().max(Comparator.comparingDouble(Disc::millimetres)).orElseThrow();
    all.add(
        form.carrier()
            .map(carrier -> bends(bundle, carrier, thickest))
            .orElseGet(() ->
                new Verdict.NotChecked(bundle.id(), "nobody said its travel and bend radius")));
    return all;
  }

  private static Verdict moves(Cable cable, Bundle bundle, Study study) {
    var w = Working.of("Cable in a carrier");
    if (!(study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock))
      return new Verdict.NotChecked(cable.id(), "its cable is not known");
    w.given("made for moving", stock.moving() ? "yes" : "no", stock.name());
    var trail = w.explain(cable.id()).trail();
    if (stock.moving()) return new Verdict.Pass(cable.id(), trail);
    return new Verdict.Finding(
        cable.id(),
        Severity.ERROR,
        STIFF,
        "%s runs in the %s and is not made for moving: its cores break within months. Take a cable for carriers."
            .formatted(cable.label(), bundle.name()),
        trail,
        study
            .catalogue()
            .of(CableStock.class)
            .filter(other ->
                other.moving()
                    && other.cores() >= stock.cores()
                    && other.section().equals(stock.section())
                    && (other.shielded() || !stock.shielded()))
            .min(Comparator.comparingInt(CableStock::cores).thenComparing(CableStock::id))
            .map(other -> Repair.of(CableEdits.stock(cable, other)))
            .stream()
            .toList());
  }

  static double with(double diameter) {
    return Math.max(1.1 * diameter, diameter + 1);
  }

  /// A hose with what it swells and moves, mm: a fifth (common practice).
  static double hose(Length diameter) {
    return 1.2 * diameter.metres() * 1000;
  }

  /// What all of it takes beside each other, mm.
  static double beside(Bundle.Form form, List<Disc> discs) {
    return discs.stream().mapToDouble(d -> with(d.millimetres())).sum()
        + form.hoses().stream().mapToDouble(CarrierFits::hose).sum()
        + form.carrier().map(c -> c.dividers().size()).orElse(0) * DIVIDER;
  }

  /// Whether all that lies in it finds room beside each other in such a form.
  public static boolean bears(Bundle bundle, Bundle.Form form, Study study) {
    return beside(form, Disc.of(study.lyingIn(bundle), study)) <= form.width().metres() * 1000;
  }

  private static Verdict room(Bundle bundle, Bundle.Form form, List<Disc> discs) {
    var dividers = form.carrier().map(c -> c.dividers().size()).orElse(0);
    var beside = beside(form, discs);
    var above =
        Math.max(
            discs.stream().mapToDouble(d -> with(d.millimetres())).max().orElse(0),
            form.hoses().stream().mapToDouble(CarrierFits::hose).max().orElse(0));
    var w = Working.of("Room in the " + bundle.name());
    w.given("cables", discs.size(), "beside each other");
    if (!form.hoses().isEmpty()) w.given("hoses", form.hoses().size(), "with a fifth of room");
    if (dividers > 0) w.assumed("dividers", dividers, "3 mm each");
    var across = w.result("b", "Σ max(1.1 · d, d + 1 mm)", Length.ofMillimetres(beside));
    w.given("has", form.width(), "inside");
    var high = w.result("h", "max(1.1 · d, d + 1 mm)", Length.ofMillimetres(above));
    w.given("has", form.height(), "inside");
    var trail = w.explain(bundle.id()).trail();
    if (across.compareTo(form.width()) <= 0 && high.compareTo(form.height()) <= 0)
      return new Verdict.Pass(bundle.id(), trail);
    var wide = across.compareTo(form.width()) > 0;
    return new Verdict.Finding(
        bundle.id(),
        Severity.WARNING,
        NARROW,
        "The %s is %s %s inside, and its cables with room to move need %s: they rub and twist. Take a larger one."
            .formatted(
                bundle.name(),
                wide ? form.width() : form.height(),
                wide ? "wide" : "high",
                wide ? across : high),
        trail,
        List.<Repair>of());
  }

  private static Verdict bends(Bundle bundle, Bundle.Carrier carrier, Disc thickest) {
    var d = thickest.millimetres();
    var sheet = SHEETS * d;
    var least = (d <= 20 ? 6 : 8) * d;
    var w = Working.of("Bend of the " + bundle.name());
    w.given("R", carrier.bendRadius(), "of its links");
    w.given("d", Length.ofMillimetres(d), thickest.name());
    w.result("by data sheets", "7.5 · d", Length.ofMillimetres(sheet));
    w.result(
        "at least",
        (d <= 20 ? "6" : "8") + " · d, IEC 60204-1:2016 Table 8 (unchecked)",
        Length.ofMillimetres(least));
    var trail = w.explain(bundle.id()).trail();
    var has = carrier.bendRadius().metres() * 1000;
    if (has >= sheet - 1e-9) return new Verdict.Pass(bundle.id(), trail);
    return new Verdict.Finding(
        bundle.id(),
        has < least ? Severity.ERROR : Severity.WARNING,
        TIGHT,
        "The %s bends to %.0f mm; %s is %.1f mm thick and wants %.0f mm. Take links with a larger radius, or thinner cables."
            .formatted(bundle.name(), has, thickest.name(), d, sheet),
        trail,
        wider(bundle, carrier, sheet));
  }

  /// Radii that links are made in, mm (common practice).
  static final List<Integer> RADII = List.of(28, 38, 48, 63, 75, 100, 125, 150, 200, 250);

  private static List<Repair> wider(Bundle bundle, Bundle.Carrier carrier, double least) {
    return RADII.stream()
        .filter(radius -> radius >= least)
        .limit(1)
        .map(radius ->
            Repair.of(
                nelvar.core.model.edit.Edits.change(
                    bundle.with(d ->
                        d.form =
                            d.form.map(
                                f -> f.withCarrier(carrier.bent(Length.ofMillimetres(radius))))))))
        .toList();
  }
}
