package nelvar.core.analysis.runs;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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
import nelvar.core.model.edit.Edits;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// What goes to and fro has room for its loop, holds apart what would rub, lasts, and is not drawn
/// out further than it gives.
///
/// Dividers: hoses apart from cables, and cables apart from others of half their diameter and less
/// (common practice). Life: the strokes a cable is made for, at 2000 hours a year; under two years
/// is said. A coiled cord is drawn to three times its length at rest, at the utmost to five (common
/// practice, from memory).
public final class MovesWell implements Rule {
  private static final Reason FOULS = Reason.of("The loop of a carrier finds no room");
  private static final Reason RUBS = Reason.of("What lies beside each other in a carrier rubs");
  private static final Reason WEARS = Reason.of("A cable is worn out soon");
  private static final Reason DRAWN = Reason.of("A coiled cord is drawn too far");

  private static final double UNEQUAL = 2;

  /// One shift (assumed).
  private static final double HOURS_A_YEAR = 2000;

  private static final double YEARS = 2;

  private static final double WELL = 3;
  private static final double UTMOST = 5;

  @Override
  public String id() {
    return "runs.moving";
  }

  @Override
  public String asks() {
    return "What goes to and fro has room, does not rub, lasts, and is not drawn too far.";
  }

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().bundles().stream()
        .filter(bundle -> bundle.form().isPresent() && !study.lyingIn(bundle).isEmpty())
        .flatMap(Contained.many(this, Bundle::id, bundle -> judge(bundle, study).stream()));
  }

  private static List<Verdict> judge(Bundle bundle, Study study) {
    var form = bundle.form().orElseThrow();
    if (form.kind() == Bundle.Kind.COIL) return List.of(drawn(bundle, form));
    if (form.carrier().isEmpty()) return List.of();
    var carrier = form.carrier().get();
    var all = new ArrayList<Verdict>();
    all.add(room(bundle, carrier, study));
    all.add(rubs(bundle, form, carrier, study));
    Disc.of(study.lyingIn(bundle), study).stream()
        .flatMap(disc -> study.cable(disc.conductor()).stream())
        .filter(cable -> !stiff(cable, study))
        .forEach(cable -> all.add(lasts(cable, bundle, carrier, study)));
    return all;
  }

  private static Verdict room(Bundle bundle, Bundle.Carrier carrier, Study study) {
    if (carrier.room().isEmpty())
      return new Verdict.NotChecked(
          bundle.id(), "nobody said how much room is free for the loop of the " + bundle.name());
    var needs = Carriers.rest(carrier);
    var w = Working.of("Room for the loop of the " + bundle.name());
    var loop = w.use(needs);
    var has = w.given("free", carrier.room().get(), "beside or above its lower run");
    var trail = w.explain(loop).trail();
    if (loop.compareTo(has) <= 0) return new Verdict.Pass(bundle.id(), trail);
    return new Verdict.Finding(
        bundle.id(),
        Severity.ERROR,
        FOULS,
        "The loop of the %s takes %s and has %s: it strikes what is beside it. Make room, or take links with a smaller radius where the cables bear it."
            .formatted(bundle.name(), loop, has),
        trail,
        tighter(bundle, carrier, study));
  }

  /// The widest bend that finds room, where the thickest cable bears it.
  private static List<Repair> tighter(Bundle bundle, Bundle.Carrier carrier, Study study) {
    var thickest =
        Disc.of(study.lyingIn(bundle), study).stream().mapToDouble(Disc::millimetres).max();
    return CarrierFits.RADII.stream()
        .sorted(Comparator.reverseOrder())
        .map(radius -> carrier.bent(Length.ofMillimetres(radius)))
        .filter(next -> Carriers.rest(next).value().compareTo(next.room().orElseThrow()) <= 0)
        .limit(1)
        .filter(next ->
            next.bendRadius().metres() * 1000 >= CarrierFits.SHEETS * thickest.orElse(0) - 1e-9)
        .map(next ->
            Repair.of(
                Edits.change(bundle.with(b -> b.form = b.form.map(f -> f.withCarrier(next))))
                    .named(
                        "Links that bend to %s for the %s"
                            .formatted(next.bendRadius(), bundle.name()))))
        .toList();
  }

  private static Verdict rubs(
      Bundle bundle, Bundle.Form form, Bundle.Carrier carrier, Study study) {
    var discs = Disc.of(study.lyingIn(bundle), study);
    var thick = discs.stream().max(Comparator.comparingDouble(Disc::millimetres)).orElseThrow();
    var thin = discs.stream().min(Comparator.comparingDouble(Disc::millimetres)).orElseThrow();
    var w = Working.of("What lies beside each other in the " + bundle.name());
    w.given("thickest", Length.ofMillimetres(thick.millimetres()), thick.name());
    w.given("thinnest", Length.ofMillimetres(thin.millimetres()), thin.name());
    w.given("hoses", form.hoses().size(), "beside them");
    w.given("dividers", carrier.dividers().size(), "said");
    var trail = w.explain(bundle.id()).trail();
    var unequal = thick.millimetres() > UNEQUAL * thin.millimetres();
    // Hoses want a wall of their own, and so do cables that are much thinner than others.
    var wants = (form.hoses().isEmpty() ? 0 : 1) + (unequal ? 1 : 0);
    if (carrier.dividers().size() >= wants) return new Verdict.Pass(bundle.id(), trail);
    var what =
        form.hoses().isEmpty()
            ? "%s (%.1f mm) beside %s (%.1f mm)"
                .formatted(thin.name(), thin.millimetres(), thick.name(), thick.millimetres())
            : "hoses beside cables" + (unequal ? ", and thin cables beside thick ones" : "");
    return new Verdict.Finding(
        bundle.id(),
        Severity.WARNING,
        RUBS,
        "In the %s lie %s, and it has %s: they climb over each other and rub through. Part them."
            .formatted(
                bundle.name(),
                what,
                carrier.dividers().isEmpty() ? "no divider" : "too few dividers"),
        trail,
        parted(bundle, form, carrier, discs, unequal));
  }

  /// Walls between what is to be apart, where its width has room for them: hoses at the left, then
  /// thick cables, then thin ones.
  private static List<Repair> parted(
      Bundle bundle, Bundle.Form form, Bundle.Carrier carrier, List<Disc> discs, boolean unequal) {
    var walls = new ArrayList<Length>();
    var at = form.hoses().stream().mapToDouble(CarrierFits::hose).sum();
    if (at > 0) walls.add(Length.ofMillimetres(at + CarrierFits.DIVIDER / 2));
    if (unequal) {
      var most = discs.stream().mapToDouble(Disc::millimetres).max().orElse(0);
      at += walls.size() * CarrierFits.DIVIDER;
      at +=
          discs.stream()
              .mapToDouble(Disc::millimetres)
              .filter(d -> d * UNEQUAL >= most)
              .map(CarrierFits::with)
              .sum();
      walls.add(Length.ofMillimetres(at + CarrierFits.DIVIDER / 2));
    }
    var next = form.withCarrier(carrier.parted(walls));
    if (CarrierFits.beside(next, discs) > form.width().metres() * 1000) return List.of();
    return List.of(
        Repair.of(
            Edits.change(bundle.with(b -> b.form = Optional.of(next)))
                .named(
                    "Put %s into the %s"
                        .formatted(
                            walls.size() == 1 ? "a divider" : walls.size() + " dividers",
                            bundle.name()))));
  }

  /// [CarrierFits] says so.
  private static boolean stiff(Cable cable, Study study) {
    return study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock
        && !stock.moving();
  }

  private static Verdict lasts(Cable cable, Bundle bundle, Bundle.Carrier carrier, Study study) {
    if (!(study.catalogue().find(cable.stock()).orElse(null) instanceof CableStock stock)
        || stock.strokes().isEmpty())
      return new Verdict.NotChecked(
          cable.id(), "how many strokes %s is made for is not stated".formatted(cable.label()));
    if (carrier.strokesPerHour().isEmpty())
      return new Verdict.NotChecked(
          cable.id(), "nobody said how often the %s moves".formatted(bundle.name()));
    var w = Working.of("How long %s lasts".formatted(cable.label()));
    var made = w.given("N", stock.strokes().get(), "strokes, " + stock.name());
    var often = w.given("n", carrier.strokesPerHour().get(), "an hour, " + bundle.name());
    w.assumed("h", (int) HOURS_A_YEAR, "hours a year, one shift");
    var years = made / (often * HOURS_A_YEAR);
    w.result("years", "N / (n · h)", "%.1f".formatted(years));
    var trail = w.explain(cable.id()).trail();
    if (years >= YEARS) return new Verdict.Pass(cable.id(), trail);
    return new Verdict.Finding(
        cable.id(),
        Severity.WARNING,
        WEARS,
        "%s moves %d times an hour in the %s and is worn out after %.1f years of one shift. Note it for renewal, or take a cable for more strokes."
            .formatted(cable.label(), carrier.strokesPerHour().get(), bundle.name(), years),
        trail,
        List.of());
  }

  private static Verdict drawn(Bundle bundle, Bundle.Form form) {
    var far = bundle.course().flatMap(Bundle.Course::length);
    if (form.closed().isEmpty() || far.isEmpty())
      return new Verdict.NotChecked(
          bundle.id(),
          "nobody said how long the %s is at rest, and how far it is drawn"
              .formatted(bundle.name()));
    var w = Working.of("How far the %s is drawn".formatted(bundle.name()));
    var closed = w.given("l", form.closed().get(), "at rest").metres();
    var drawn = w.given("far", far.get(), "from end to end").metres();
    w.result("times", "far / l", "%.1f".formatted(drawn / closed));
    var cord = w.use(Carriers.cord(bundle).orElseThrow()).metres();
    var trail = w.explain(bundle.id()).trail();
    if (drawn <= Math.min(WELL * closed, cord) + 1e-9) return new Verdict.Pass(bundle.id(), trail);
    var longer = new Length(Math.ceil(drawn / WELL * 10) / 10);
    return new Verdict.Finding(
        bundle.id(),
        drawn > Math.min(UTMOST * closed, cord) ? Severity.ERROR : Severity.WARNING,
        DRAWN,
        "The %s is %s at rest and drawn to %s: it pulls at its ends and does not come back. Three times is well; take one of %s."
            .formatted(bundle.name(), form.closed().get(), far.get(), longer),
        trail,
        longer.metres() > LONGEST
            ? List.of()
            : List.of(
                Repair.of(
                    Edits.change(
                            bundle.with(b ->
                                b.form =
                                    Optional.of(
                                        Bundle.Form.coil(form.width(), form.height(), longer))))
                        .named(
                            "A coiled cord of %s for the %s".formatted(longer, bundle.name())))));
  }

  /// At rest, m.
  private static final double LONGEST = 5;
}
