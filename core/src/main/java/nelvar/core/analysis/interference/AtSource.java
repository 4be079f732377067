package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.FilterNear;
import nelvar.core.catalogue.EmcFilter;
import nelvar.core.catalogue.Terminal.Role;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FilterEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.units.Length;

/// What helps at the source: it helps a whole row.
final class AtSource {
  /// Turns that a cable makes through a core where it is thin enough to.
  private static final int TURNS = 3;

  private static final Length THIN = Length.ofMillimetres(12);

  /// s that a choke between drive and motor makes of an edge (common practice: 500 V/µs).
  private static final double CHOKED = 1e-6;

  private AtSource() {}

  static void all(Pair pair, Study study, List<Idea> all) {
    quick(pair, study, all);
    if (pair.emitter().kind() == Emitter.Kind.FEED) filter(pair.emitter(), study, all);
  }

  /// What needs no place to be looked for.
  static void quick(Pair pair, Study study, List<Idea> all) {
    var e = pair.emitter();
    e.cable().ifPresent(cable -> emitter(cable, study, all));
    var sparks = e.kind() == Emitter.Kind.COIL || e.kind() == Emitter.Kind.BRUSHES;
    if (sparks && e.device().suppression().isEmpty())
      all.add(
          new Idea(
              Edits.suppress(e.device(), suppressor(e.device(), study)),
              Optional.empty(),
              Idea.CORE));
    switch (e.kind()) {
      case DRIVE -> choke(e, study, all);
      case FEED -> {
        motor(e, study).flatMap(Emitter::cable).ifPresent(cable -> emitter(cable, study, all));
        motor(e, study).ifPresent(m -> choke(m, study, all));
      }
      default -> {}
    }
  }

  /// What gives back into the mains what comes over this feed.
  private static Optional<Emitter> motor(Emitter feed, Study study) {
    return Emitters.of(study).stream()
        .filter(m -> m.kind() == Emitter.Kind.DRIVE && m.device().id().equals(feed.device().id()))
        .findFirst();
  }

  private static Suppression suppressor(Device device, Study study) {
    return study
            .part(device)
            .flatMap(part -> part.ownCoil())
            .filter(coil -> !coil.madeForAlternating())
            .isPresent()
        ? Suppression.DIODE
        : Suppression.RC;
  }

  private static void emitter(Cable cable, Study study, List<Idea> all) {
    var stock = Idea.stock(cable, study);
    if (stock.isEmpty()) return;
    if (stock.get().shielded()) Screens.clamped(cable, Screen.both(Ending.CLAMP), all);
    else Screens.shielded(cable, stock.get(), Screen.both(Ending.CLAMP), study, all);
    ferrite(cable, study, all);
  }

  /// Where it is thin enough to be wound.
  static void ferrite(Cable cable, Study study, List<Idea> all) {
    var screen = cable.screened();
    var stock = Idea.stock(cable, study);
    if (screen.turns().isEmpty()
        && stock.filter(s -> s.outerDiameter().compareTo(THIN) <= 0).isPresent())
      all.add(
          new Idea(
              Screens.screen(cable, screen.withTurns(Optional.of(TURNS)))
                  .named("Wind %s %d times through a ferrite core".formatted(cable.label(), TURNS)),
              Optional.empty(),
              Idea.CORE));
  }

  private static void choke(Emitter drive, Study study, List<Idea> all) {
    if (drive.rise() >= CHOKED
        || Own.seconds(drive.device().id(), "Edge", study).isPresent()
        || study.part(drive.device()).filter(p -> p.pulseInput().isPresent()).isPresent()) return;
    all.add(
        new Idea(
            PinEdits.say(drive.device(), "Edge", "1 µs")
                .named(
                    "Choke between %s and its motor: edges of 1 µs; enter its own value as Edge"
                        .formatted(drive.device().designation())),
            Optional.empty(),
            Idea.DEVICE));
  }

  /// One before a drive that has none; one that stands far from it beside it.
  private static void filter(Emitter feed, Study study, List<Idea> all) {
    var has =
        study.project().devices().stream()
            .filter(d -> study.part(d).filter(p -> p.filtersMains()).isPresent())
            .filter(d -> FilterNear.served(d, study).contains(feed.device().id()))
            .findFirst();
    if (has.isPresent()) {
      FilterNear.beside(has.get(), study)
          .ifPresent(edit ->
              all.add(new Idea(edit, Optional.of(nelvar.core.units.Price.ZERO), Idea.DEVICE)));
      return;
    }
    inFront(feed.device(), study).ifPresent(all::add);
  }

  private static Optional<Idea> inFront(Device drive, Study study) {
    var part = study.part(drive);
    var mains =
        study.network().feeds(drive.id()).stream()
            .filter(f -> f.source().filter(s -> s.output().alternating()).isPresent())
            .findFirst();
    if (part.isEmpty() || mains.isEmpty() || drive.place() == Place.MACHINE)
      return Optional.empty();
    var lines = mains.get().intake().lines();
    var back = mains.get().intake().back();
    var amperes = study.designCurrent(mains.get());
    var earth = earth(drive, study);
    var filter =
        study
            .catalogue()
            .of(EmcFilter.class)
            .filter(
                f -> f.lines() == lines.size() && f.neutral() && f.rating().compareTo(amperes) >= 0)
            .min(Comparator.comparing(EmcFilter::rating));
    if (earth.isEmpty() || filter.isEmpty()) return Optional.empty();
    var through = new ArrayList<FilterEdits.Through>();
    for (var n = 0; n < lines.size(); n++)
      through.add(new FilterEdits.Through(lines.get(n), "L" + (n + 1)));
    back.ifPresent(mark -> through.add(new FilterEdits.Through(mark, "N")));
    var device =
        Device.of(
            NextName.id(study.project(), "Z1"),
            NextName.designation(study.project(), "-Z").text(),
            "mains filter of " + drive.designation(),
            filter.get().id(),
            Place.PANEL);
    var spare = back.isPresent() ? device : device.withSpare(List.of("N", "N'"));
    var wired = FilterEdits.inFront(drive, spare, through, earth.get());
    var mounted =
        FilterNear.free(spare, drive, study.tried(wired.apply(study.project())))
            .map(wired::then)
            .orElse(wired);
    return Optional.of(
        new Idea(
            mounted.named(
                "Put %s before %s, beside it on the bare plate"
                    .formatted(filter.get().name(), drive.designation())),
            filter.get().price(),
            Idea.DEVICE));
  }

  /// A free way of the bar that its protective conductor comes from, and that conductor.
  private static Optional<FilterEdits.Earth> earth(Device drive, Study study) {
    return study.at(drive.id()).stream()
        .filter(w -> w.function() == Conductor.Function.PROTECTIVE && w.cable().isEmpty())
        .flatMap(w -> free(w, drive, study).stream().map(end -> new FilterEdits.Earth(end, w)))
        .findFirst();
  }

  private static Optional<TerminalRef> free(Conductor w, Device drive, Study study) {
    var bar = (w.from().device().equals(drive.id()) ? w.to() : w.from()).device();
    return study.device(bar).flatMap(study::part).stream()
        .flatMap(part -> part.terminals().stream())
        .filter(t -> t.role() == Role.PROTECTIVE)
        .map(t -> new TerminalRef(bar, t.name()))
        .filter(end -> !study.network().topology().wired(end))
        .findFirst();
  }
}
