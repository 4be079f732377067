package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Sensor;
import nelvar.core.catalogue.SensorOutput;
import nelvar.core.finding.Repair;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.Suppression;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.Length;
import nelvar.core.units.Price;

/// What helps against a disturbance: each is tried on a copy, and says what the matrix says there.
///
/// Minutes: clamp of a shield 4, a cable pulled 5 and 0.5 a metre, an end 2, a ferrite 5 (assumed).
/// What has no price in the catalogue says none.
public final class Remedies {
  private static final double CLAMP = 4;
  private static final double PULL = 5;
  private static final double PULL_METRE = 0.5;
  private static final double END = 2;
  private static final double CORE = 5;

  /// What gains less is not worth a word, dB.
  private static final double WORTH = 1;

  /// Another pair is helped from here on, dB.
  private static final double HELPS = 3;

  /// Turns that a cable makes through a core where it is thin enough to.
  private static final int TURNS = 3;

  private static final Length THIN = Length.ofMillimetres(12);

  private Remedies() {}

  private record Idea(Edit edit, Optional<Price> costs, double minutes) {}

  /// What helps this pair: most for its cost first.
  public static List<Remedy> of(Pair pair, Study study) {
    var before = Coupled.of(study);
    return ideas(pair, study)
        .flatMap(idea -> tried(idea, pair, before, study).stream())
        .filter(remedy -> remedy.gain() >= WORTH)
        .sorted(Comparator.comparingDouble(Remedy::worth).reversed())
        .toList();
  }

  private static Optional<Remedy> tried(Idea idea, Pair pair, Coupled before, Study study) {
    try {
      var after = Coupled.of(study.tried(idea.edit().on(study.project(), study.catalogue())));
      var margin = after.like(pair).map(Pair::margin).orElse(Pair.FAR);
      var others =
          (int)
              before.pairs().stream()
                  .filter(p -> p != pair)
                  .filter(
                      p -> after.like(p).map(Pair::margin).orElse(Pair.FAR) - p.margin() >= HELPS)
                  .count();
      return Optional.of(
          new Remedy(
              Repair.of(idea.edit()),
              idea.costs(),
              idea.minutes(),
              margin,
              margin - pair.margin(),
              others));
    } catch (EditRefused _) {
      return Optional.empty();
    }
  }

  private static Stream<Idea> ideas(Pair pair, Study study) {
    var all = new ArrayList<Idea>();
    var e = pair.emitter();
    var r = pair.receiver();
    e.cable().ifPresent(cable -> emitter(cable, study, all));
    var sparks = e.kind() == Emitter.Kind.COIL || e.kind() == Emitter.Kind.BRUSHES;
    if (sparks && e.device().suppression().isEmpty())
      all.add(
          new Idea(
              Edits.suppress(e.device(), suppressor(e.device(), study)), Optional.empty(), CORE));
    r.cable()
        .ifPresent(cable -> {
          receiver(cable, r, study, all);
          apart(cable, pair, study, all);
        });
    slower(r, study).ifPresent(all::add);
    return all.stream();
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

  /// At the source: what helps there helps its whole row.
  private static void emitter(Cable cable, Study study, List<Idea> all) {
    var stock = stock(cable, study);
    if (stock.isEmpty()) return;
    var screen = cable.screened();
    if (stock.get().shielded()) clamped(cable, Screen.both(Ending.CLAMP), all);
    else shielded(cable, stock.get(), Screen.both(Ending.CLAMP), study, all);
    if (screen.turns().isEmpty() && stock.get().outerDiameter().compareTo(THIN) <= 0)
      all.add(
          new Idea(
              screen(cable, screen.withTurns(Optional.of(TURNS)))
                  .named("Wind %s %d times through a ferrite core".formatted(cable.label(), TURNS)),
              Optional.empty(),
              CORE));
  }

  /// Ends that are better already are left.
  private static void clamped(Cable cable, Screen ends, List<Idea> all) {
    var next = ends.withTurns(cable.screened().turns());
    if (next.equals(cable.screened())) return;
    all.add(
        new Idea(
            screen(cable, next)
                .named("Clamp the shield of %s: %s".formatted(cable.label(), words(ends))),
            Optional.empty(),
            2 * CLAMP));
  }

  static String words(Screen ends) {
    var from = ends.from().orElse(Ending.OPEN);
    var to = ends.to().orElse(Ending.OPEN);
    return from == to ? from.words() + " at both ends" : from.words() + " and " + to.words();
  }

  private static void shielded(
      Cable cable, CableStock stock, Screen ends, Study study, List<Idea> all) {
    study
        .catalogue()
        .of(CableStock.class)
        .filter(other ->
            other.shielded()
                && other.cores() == stock.cores()
                && other.section().equals(stock.section())
                && (other.moving() || !stock.moving())
                && other.pairs().equals(stock.pairs()))
        .findFirst()
        .ifPresent(other ->
            all.add(
                laid(
                    cable,
                    other,
                    CableEdits.stock(cable, other)
                        .then(screened(cable.id(), ends))
                        .named("Shielded cable for %s, %s".formatted(cable.label(), words(ends))),
                    study)));
  }

  private static void receiver(Cable cable, Receiver r, Study study, List<Idea> all) {
    var stock = stock(cable, study);
    if (stock.isEmpty()) return;
    var ends = usual(cable, r.kind(), study);
    if (stock.get().shielded()) {
      clamped(cable, ends, all);
      if (!ends.equals(Screen.both(Ending.CLAMP))) clamped(cable, Screen.both(Ending.CLAMP), all);
    } else shielded(cable, stock.get(), ends, study, all);
    if (stock.get().pairs().isEmpty())
      study
          .catalogue()
          .of(CableStock.class)
          .filter(other ->
              other.pairs().isPresent()
                  && other.cores() >= study.cores(cable.id()).size()
                  && other.section().compareTo(stock.get().section()) >= 0)
          .min(
              Comparator.comparing((CableStock c) -> c.section())
                  .thenComparingInt(CableStock::cores))
          .ifPresent(other ->
              all.add(
                  laid(
                      cable,
                      other,
                      CableEdits.stock(cable, other)
                          .then(screened(cable.id(), ends))
                          .named(
                              "Twisted pairs for %s, shield %s"
                                  .formatted(cable.label(), words(ends))),
                      study)));
  }

  /// How the Brief wants a shield to end. Of values one end only, that in the cabinet, where it
  /// says so; a capacitor at the other.
  public static Screen usual(Cable cable, Receiver.Kind kind, Study study) {
    var school = study.project().brief().policies().answer(School.SHIELD_ENDS).id();
    var value =
        kind == Receiver.Kind.ANALOGUE
            || kind == Receiver.Kind.LOOP
            || kind == Receiver.Kind.THERMISTOR;
    if (!value || school.equals("both")) return Screen.both(Ending.CLAMP);
    var other = school.equals("one") ? Ending.OPEN : Ending.CAPACITOR;
    return beginsInside(cable, study)
        ? new Screen(Optional.of(Ending.CLAMP), Optional.of(other), Optional.empty())
        : new Screen(Optional.of(other), Optional.of(Ending.CLAMP), Optional.empty());
  }

  static boolean beginsInside(Cable cable, Study study) {
    return study.cores(cable.id()).stream()
        .findFirst()
        .flatMap(core -> study.device(core.from().device()))
        .filter(d -> d.place() == nelvar.core.model.Place.MACHINE)
        .isEmpty();
  }

  /// Out of the tray that both lie in: into one where nothing disturbs it, else one of its own.
  private static void apart(Cable cable, Pair pair, Study study, List<Idea> all) {
    var lies = cable.bundle().filter(id -> pair.emitter().lays().in().containsKey(id));
    if (lies.isEmpty()) return;
    var disturbed = new java.util.HashSet<Id>();
    for (var e : Emitters.of(study)) disturbed.addAll(e.lays().in().keySet());
    var from =
        study.project().bundles().stream().filter(b -> b.id().equals(lies.get())).findFirst();
    if (from.isEmpty()) return;
    var quiet =
        study.project().bundles().stream()
            .filter(b -> !b.inside() && !disturbed.contains(b.id()))
            .filter(b -> b.only().filter(o -> o == Bundle.Only.POWER).isEmpty())
            .filter(b -> !study.lyingIn(b).isEmpty())
            .filter(b -> same(b, from.get()))
            .findFirst();
    var other =
        quiet.orElseGet(() ->
            new Bundle(
                NextName.id(study.project(), "P1"),
                from.get().name() + ", own",
                from.get().method(),
                from.get().inside(),
                from.get().form().map(f -> f.withHoses(List.of())),
                from.get().course(),
                Optional.of(Bundle.Only.SIGNALS)));
    all.add(
        new Idea(
            RunEdits.lay(
                "Lay %s in the %s".formatted(cable.label(), other.name()),
                Set.of(cable.id()),
                Set.of(),
                other),
            Optional.empty(),
            PULL + PULL_METRE * metres(cable, study)));
  }

  /// A moving cable stays in a carrier, what is fixed does not go into one.
  private static boolean same(Bundle a, Bundle b) {
    return carrier(a) == carrier(b);
  }

  private static boolean carrier(Bundle bundle) {
    return bundle.form().filter(f -> f.kind() == Bundle.Kind.CARRIER).isPresent();
  }

  /// Whether one of its inputs counts: a filter would swallow the pulses.
  private static boolean counts(Id board, Study study) {
    return Receivers.of(study).stream()
        .filter(r -> r.at().device().equals(board))
        .flatMap(r -> r.partner().stream())
        .flatMap(end -> study.device(end.device()).stream())
        .flatMap(device -> study.part(device).stream())
        .anyMatch(part -> part instanceof Sensor s && s.output() == SensorOutput.PULSES);
  }

  /// Only where what is read stands long enough, on every input of the board.
  private static Optional<Idea> slower(Receiver r, Study study) {
    if (r.kind() != Receiver.Kind.DIGITAL
        && r.kind() != Receiver.Kind.LOGIC
        && r.kind() != Receiver.Kind.ANALOGUE) return Optional.empty();
    var board = study.device(r.at().device());
    if (board.isEmpty()
        || board.flatMap(study::part).flatMap(part -> part.logic()).isEmpty()
        || counts(r.at().device(), study)
        || Own.seconds(r.at().device(), "Input filter", study).isPresent()) return Optional.empty();
    return Optional.of(
        new Idea(
            PinEdits.say(board.get(), "Input filter", "1 ms")
                .named(
                    "Filter the inputs of %s for 1 ms, in its program or settings"
                        .formatted(board.get().designation())),
            Optional.of(Price.ZERO),
            10));
  }

  private static Idea laid(Cable cable, CableStock stock, Edit edit, Study study) {
    var metres = metres(cable, study);
    return new Idea(
        edit,
        stock.price().map(p -> p.times(metres)),
        PULL + PULL_METRE * metres + 2 * CLAMP + 2 * END * study.cores(cable.id()).size());
  }

  private static double metres(Cable cable, Study study) {
    return study.length(cable).map(Length::metres).orElse(0.0);
  }

  private static Optional<CableStock> stock(Cable cable, Study study) {
    return study
        .catalogue()
        .find(cable.stock())
        .filter(CableStock.class::isInstance)
        .map(CableStock.class::cast);
  }

  private static Edit screen(Cable cable, Screen next) {
    return Edits.change(cable.withScreen(next));
  }

  /// On the cable as it is then, whatever else was changed of it.
  private static Edit screened(Id cable, Screen next) {
    return new Edit(
        "",
        project ->
            project.withCables(
                nelvar.core.model.Project.changed(
                    project.cables(),
                    c -> c.id().equals(cable),
                    c -> c.withScreen(next.withTurns(c.screened().turns())))));
  }

  /// The best for each of the worst pairs in turn, up to so many, as one step; empty where nothing
  /// helps.
  ///
  /// @param bears whether a machine changed like this may be offered
  public static Optional<Best> best(Study study, int most, Predicate<Study> bears) {
    var at = study;
    var taken = new ArrayList<String>();
    Optional<Edit> all = Optional.empty();
    while (taken.size() < most) {
      var next = Optional.<Remedy>empty();
      for (var pair : Coupled.of(at).pairs()) {
        if (pair.standing() == Pair.Standing.QUIET) break;
        next = first(pair, at, bears);
        if (next.isPresent()) break;
      }
      if (next.isEmpty()) break;
      var edit = next.get().repair().edit();
      taken.add(next.get().repair().label());
      all = all.map(a -> a.then(edit)).or(() -> Optional.of(edit));
      at = at.tried(edit.apply(at.project()));
    }
    var end = at;
    return all.map(edit ->
        new Best(
            edit.named("Take the best %d against disturbances".formatted(taken.size())),
            taken,
            Coupled.of(end).pairs().stream().findFirst().map(Pair::margin).orElse(Pair.FAR)));
  }

  private static Optional<Remedy> first(Pair pair, Study at, Predicate<Study> bears) {
    return of(pair, at).stream()
        .filter(remedy -> bears.test(at.tried(remedy.repair().edit().apply(at.project()))))
        .findFirst();
  }

  /// @param worst margin that is then the worst, dB
  public record Best(Edit edit, List<String> steps, double worst) {
    public Best {
      steps = List.copyOf(steps);
    }
  }
}
