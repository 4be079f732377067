package nelvar.core.analysis.choice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.DeviceAgainstWire;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.analysis.protection.Replacement;
import nelvar.core.analysis.sizing.DropCheck;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.analysis.sizing.SectionChoice;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.analysis.sizing.WithstandsFault;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Trail;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;

/// Chooses devices and wires together.
///
/// First the least breaker, fuse or motor protective switch of the same kind, poles, listing and no
/// less breaking capacity that carries its load and stands its inrush; where few kinds are wanted,
/// one that is chosen elsewhere, if no wire need be thicker for it. Then for each wire the least
/// section that carries the load and the device's rating, survives a short and is allowed; then the
/// wire that loses most is thickened until every feed keeps the drop. What is fixed by hand stays.
/// Disconnection and breaking capacity are judged afterwards by their own rules.
///
/// One choice is made from the currents of the project as it is; it is repeated until it stays.
public final class Choosing {
  private static final int ROUNDS = 8;
  private static final int SETTLING = 3;

  /// @param load the one load it is about; empty for the whole panel
  record Scope(Optional<Id> load) {
    boolean holds(Feed feed) {
      return load.isEmpty() || load.get().equals(feed.device().id());
    }
  }

  private final Study study;
  private final Goal goal;
  private final Scope scope;
  private final Set<Id> fixed;
  private final Map<Id, Part> devices = new LinkedHashMap<>();
  private final Map<Id, ProtectiveDevices.Protecting> protector = new LinkedHashMap<>();
  private final Map<Id, CrossSection> sections = new LinkedHashMap<>();
  private final Map<Id, Trail> trails = new HashMap<>();
  private final Map<Id, String> reasons = new HashMap<>();
  private final List<String> left = new ArrayList<>();

  /// Late rounds only thicken, so that wires that warm one another come to rest.
  private final boolean growing;

  /// Nobody reads what is left, so nothing is said of what is fixed.
  private boolean quiet;

  /// Wires that feed no known load count too.
  private final boolean whole;

  Choosing(Study study, Goal goal, Scope scope, boolean growing) {
    this.growing = growing;
    this.whole = scope.load().isEmpty();
    this.study = study;
    this.goal = goal;
    this.scope = scope;
    this.fixed = Set.copyOf(study.project().fixed());
  }

  /// For the whole panel.
  public static Proposal all(Study study, Goal goal) {
    return choose(study, goal, new Scope(Optional.empty()));
  }

  /// For one load: its device and its wires, there and back.
  public static Proposal of(Id load, Study study, Goal goal) {
    return choose(study, goal, new Scope(Optional.of(load)));
  }

  /// The whole panel with its sizes chosen, where nobody will read why.
  public static Project chosen(Study study, Goal goal) {
    var now = study.whileChoosing();
    for (var round = 0; round < ROUNDS; round++) {
      var next = new Choosing(now, goal, new Scope(Optional.empty()), round >= SETTLING);
      next.quiet = true;
      next.choose();
      if (next.changes().isEmpty()) break;
      now = now.tried(next.edit().apply(now.project()));
    }
    return now.project();
  }

  private static Proposal choose(Study study, Goal goal, Scope scope) {
    var now = study.whileChoosing();
    var last = new Choosing(now, goal, scope, false);
    Edit edit = new Edit("", project -> project);
    var reasons = new LinkedHashMap<Id, Proposal.Change>();
    for (var round = 0; round < ROUNDS; round++) {
      last = new Choosing(now, goal, scope, round >= SETTLING);
      last.choose();
      var changes = last.changes();
      if (changes.isEmpty()) break;
      changes.forEach(change ->
          reasons.merge(
              change.subject(),
              change,
              (before, after) ->
                  new Proposal.Change(
                      after.subject(),
                      after.name(),
                      before.from(),
                      after.to(),
                      after.why(),
                      after.trail())));
      var step = last.edit();
      edit = edit.then(step);
      now = now.tried(step.apply(now.project()));
    }
    var changes =
        reasons.values().stream().filter(change -> !change.from().equals(change.to())).toList();
    var label = "Choose %d devices and wires: %s".formatted(changes.size(), goal.words());
    var before = Tally.of(study, scope);
    var after = Tally.of(now, scope);
    return new Proposal(
        edit.named(label),
        changes,
        before.cost(),
        after.cost(),
        before.kinds(),
        after.kinds(),
        List.copyOf(new LinkedHashSet<>(last.left)));
  }

  private void choose() {
    if (!growing) for (var protecting : ProtectiveDevices.all(study)) device(protecting);
    if (!growing && goal.stocking() > 0) mergeDevices();
    for (var wire : study.project().conductors()) wire(wire);
    for (var feed : study.network().feeds())
      if (scope.holds(feed) && DropCheck.judged(feed, study)) keepDrop(feed);
    if (goal.stocking() > 0) merge();
  }

  private void device(ProtectiveDevices.Protecting protecting) {
    var device = protecting.device().device();
    var now = study.part(device).orElseThrow();
    if (protecting.feeds().stream().noneMatch(scope::holds) || !Replacement.chosen(now)) return;
    if (fixed.contains(device.id())) {
      left.add(device.designation() + " is fixed by hand");
      return;
    }
    var rated = Schools.rated(protecting.design(), device.designation().text(), study);
    Replacement.least(now, protecting, study)
        .ifPresentOrElse(
            next -> {
              devices.put(device.id(), next);
              protector.put(device.id(), protecting);
              trails.put(device.id(), rated.trail());
              reasons.put(
                  device.id(),
                  protecting.inrushPeak().amperes() > 0
                      ? "least rating for %s and an inrush of %s"
                          .formatted(rated.value(), protecting.inrushPeak())
                      : "least rating for " + rated.value());
            },
            () -> left.add("no device of the catalogue suits " + device.designation()));
  }

  /// Puts a device chosen elsewhere in the place of all smaller ones of a kind, where it does their
  /// work, their wires need be no thicker, and what it costs more is less than another kind in
  /// stock.
  private void mergeDevices() {
    var byRating =
        Comparator.comparing((Part part) -> part.protection().orElseThrow().rating())
            .thenComparing(Part::id);
    for (var small : devices.values().stream().distinct().sorted(byRating).toList()) {
      var users =
          devices.entrySet().stream()
              .filter(entry -> entry.getValue().equals(small))
              .map(Map.Entry::getKey)
              .toList();
      devices.values().stream()
          .distinct()
          .filter(next -> byRating.compare(next, small) > 0)
          .sorted(byRating)
          .filter(next -> users.size() * (price(next) - price(small)) < goal.stocking())
          .filter(next -> users.stream().allMatch(user -> replaces(next, user)))
          .findFirst()
          .ifPresent(next -> {
            for (var user : users) {
              devices.put(user, next);
              reasons.merge(
                  user,
                  "",
                  (why, _) ->
                      "does "
                          + why.replaceFirst("^(least rating|does) ", "")
                              .replaceFirst("; one kind.*", "")
                          + "; one kind fewer than with "
                          + small.protection().orElseThrow());
            }
          });
    }
  }

  private boolean replaces(Part next, Id user) {
    var protecting = Objects.requireNonNull(protector.get(user));
    var small = Objects.requireNonNull(devices.get(user));
    if (!Replacement.works(small, next, protecting, study)) return false;
    for (var wire : protecting.wires()) {
      if (!wire.carriesWork()) continue;
      var thin = SectionChoice.atLeast(wire, needed(wire), study).map(Explained::value);
      devices.put(user, next);
      var thick = SectionChoice.atLeast(wire, needed(wire), study).map(Explained::value);
      devices.put(user, small);
      if (!thin.equals(thick)) return false;
    }
    return true;
  }

  private static double price(Part part) {
    return part.price().map(price -> price.amount().doubleValue()).orElse(0.0);
  }

  private final Map<Id, Boolean> scoped = new HashMap<>();
  private boolean gathered;

  boolean scoped(Conductor wire) {
    if (!gathered) {
      gathered = true;
      for (var feed : study.network().feeds()) {
        if (feed.lineWays().isEmpty() || !scope.holds(feed)) continue;
        for (var way : feed.lineWays()) for (var on : study.wires(way)) scoped.put(on.id(), true);
        for (var on : study.wires(feed.backWay())) scoped.put(on.id(), true);
      }
    }
    return scoped.getOrDefault(wire.id(), false);
  }

  private void wire(Conductor wire) {
    if (!wire.carriesWork()
        || !wire.sized()
        || wire.function() == Conductor.Function.DATA
        || sections.containsKey(wire.id())
        || !(whole || scoped(wire))
        || study.circuit(wire).isEmpty()) return;
    var together = Sections.together(wire, study);
    if (together.stream().anyMatch(fixed::contains)) {
      left.add(wire.label() + " is fixed by hand");
      return;
    }
    Explained<CrossSection> most = null;
    var for_ = "";
    for (var id : together) {
      var core = study.conductor(id).orElseThrow();
      if (!core.carriesWork()) continue;
      var needed = needed(core);
      var choice = SectionChoice.atLeast(core, needed, study);
      if (choice.isEmpty()) {
        left.add(
            "no section for %s: where it lies, or what it carries, is not known or too much"
                .formatted(core.label()));
        return;
      }
      if (most == null || choice.get().value().compareTo(most.value()) > 0) {
        most = choice.get();
        for_ = "carries %s, the load and its device".formatted(needed);
      }
    }
    if (most == null) return;
    var size = surviving(wire, most.value());
    if (size.compareTo(most.value()) > 0) for_ = "survives a short circuit behind its device";
    if (growing && wire.section().filter(now -> now.compareTo(size) > 0).isPresent()) return;
    for (var id : together) {
      sections.put(id, size);
      trails.put(id, most.trail());
      reasons.put(id, for_);
    }
  }

  /// What a wire must be rated for: its load, and the device before it or at the end of a short
  /// tap.
  private Current needed(Conductor wire) {
    var load = Schools.rated(study.designCurrent(wire), "", study).value();
    var circuit = study.circuit(wire);
    var protection =
        circuit.flatMap(c -> c.protection()).or(() -> DeviceAgainstWire.tapTo(wire, study));
    var limit =
        protection
            .map(g ->
                present(g).rating().times(1 / ProtectiveDevices.shareOfAmpacity(present(g), study)))
            .or(() -> circuit.map(c -> c.limit()))
            .orElse(new Current(0));
    return load.compareTo(limit) >= 0 ? load : limit;
  }

  /// What a device will protect with, once what is chosen stands in its place.
  private ProtectiveDevice present(Feed.Protector protector) {
    var id = protector.device().id();
    var next = devices.get(id);
    if (next == null) return protector.protection();
    var protection = next.protection().orElseThrow();
    return protection instanceof ProtectiveDevice.MotorSwitch motor
        ? motor.setTo(Optional.of(Objects.requireNonNull(this.protector.get(id)).design()))
        : protection;
  }

  /// The least of the sizes it can be had in that survives a short circuit behind its device.
  private CrossSection surviving(Conductor wire, CrossSection least) {
    var protection = study.circuit(wire).flatMap(c -> c.protection());
    if (protection.isEmpty()) return least;
    var heat = WithstandsFault.least(protection.get(), present(protection.get()), study);
    if (heat <= least.squareMillimetres()) return least;
    return Schools.sizes(study).stream()
        .filter(size -> size.squareMillimetres() >= heat && Sections.available(wire, size, study))
        .findFirst()
        .filter(size -> size.compareTo(least) > 0)
        .orElse(least);
  }

  /// Thickens the wire that loses most, a size at a time, until the feed keeps its drop.
  private void keepDrop(Feed feed) {
    var limit = study.project().brief().policies().drop().fraction() * feed.voltage().volts();
    for (var wires : DropCheck.ways(feed, study))
      if (!quiet || !fixed.containsAll(ids(wires))) keepDrop(feed, wires, limit);
  }

  private static List<Id> ids(List<Conductor> wires) {
    return wires.stream().map(Conductor::id).toList();
  }

  private void keepDrop(Feed feed, List<Conductor> wires, double limit) {
    while (true) {
      var total = 0.0;
      Conductor worst = null;
      var most = 0.0;
      for (var wire : wires) {
        var lost = DropCheck.lost(wire, feed, sections, study);
        if (lost.isEmpty()) return; // the rule says what is missing
        total += lost.get();
        var free = !fixed.contains(wire.id()) && next(wire).isPresent();
        if (free && lost.get() > most) {
          most = lost.get();
          worst = wire;
        }
      }
      if (total <= limit * (1 + 1e-9)) return;
      if (worst == null) {
        left.add("no wire is left to thicken for the drop to " + feed.device().designation());
        return;
      }
      var size = next(worst).orElseThrow();
      for (var id : Sections.together(worst, study)) {
        sections.put(id, size);
        reasons.put(id, "thick enough for the drop to " + feed.device().designation());
      }
    }
  }

  /// The next thicker size it can be had in.
  private Optional<CrossSection> next(Conductor wire) {
    var now = Optional.ofNullable(sections.get(wire.id())).or(wire::section);
    if (now.isEmpty() || now.get().squareMillimetres() > 35) return Optional.empty();
    return Schools.sizes(study).stream()
        .filter(size -> size.compareTo(now.get()) > 0 && Sections.available(wire, size, study))
        .findFirst();
  }

  /// Buys the thinnest of two neighbouring single wires as the thicker, as long as the copper costs
  /// less than another reel.
  private void merge() {
    while (true) {
      var metres = new java.util.TreeMap<CrossSection, Double>();
      sections.forEach((id, section) -> {
        var wire = study.conductor(id).orElseThrow();
        if (wire.cable().isEmpty())
          metres.merge(section, study.length(wire).map(l -> l.metres()).orElse(0.0), Double::sum);
      });
      var merged = false;
      for (var entry : metres.entrySet()) {
        var thicker = metres.higherKey(entry.getKey());
        if (thicker == null) break;
        var extra =
            entry.getValue()
                * (Tally.perMetre(thicker, study) - Tally.perMetre(entry.getKey(), study));
        if (extra >= goal.stocking()) continue;
        var from = entry.getKey();
        for (var id : List.copyOf(sections.keySet())) {
          if (!from.equals(sections.get(id))
              || study.conductor(id).orElseThrow().cable().isPresent()) continue;
          sections.put(id, thicker);
          reasons.merge(
              id,
              "",
              (why, _) ->
                  why.replaceFirst("; one reel.*", "") + "; one reel fewer than with thinner wire");
        }
        merged = true;
        break;
      }
      if (!merged) return;
    }
  }

  private List<Proposal.Change> changes() {
    var all = new ArrayList<Proposal.Change>();
    devices.forEach((id, next) -> {
      var device = study.device(id).orElseThrow();
      if (device.part().equals(next.id())) return;
      all.add(
          new Proposal.Change(
              id,
              device.designation().text(),
              study.part(device).map(Part::name).orElse(device.part()),
              next.name(),
              reasons.getOrDefault(id, ""),
              trails.getOrDefault(id, Trail.of("", List.of()))));
    });
    sections.forEach((id, next) -> {
      var wire = study.conductor(id).orElseThrow();
      if (wire.section().equals(Optional.of(next))) return;
      all.add(
          new Proposal.Change(
              id,
              wire.label().text(),
              wire.section().map(CrossSection::toString).orElse("not chosen"),
              next.toString(),
              reasons.getOrDefault(id, ""),
              trails.getOrDefault(id, Trail.of("", List.of()))));
    });
    return all;
  }

  private Edit edit() {
    Edit all = new Edit("", project -> project);
    for (var entry : devices.entrySet()) {
      var device = study.device(entry.getKey()).orElseThrow();
      if (!device.part().equals(entry.getValue().id()))
        all =
            all.then(
                Replacement.swap(
                    device,
                    entry.getValue(),
                    Objects.requireNonNull(protector.get(entry.getKey())).design()));
    }
    var bySize = new LinkedHashMap<CrossSection, Set<Id>>();
    sections.forEach((id, size) -> {
      if (!study.conductor(id).orElseThrow().section().equals(Optional.of(size)))
        bySize.computeIfAbsent(size, _ -> new LinkedHashSet<>()).add(id);
    });
    for (var entry : bySize.entrySet())
      all = all.then(Edits.section("wires", entry.getValue(), entry.getKey(), study.catalogue()));
    return all;
  }
}
