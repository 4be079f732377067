package nelvar.core.compose.place;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.Box;
import nelvar.core.analysis.space.Clearance;
import nelvar.core.analysis.space.Collision;
import nelvar.core.analysis.space.DoorCloses;
import nelvar.core.analysis.space.DuctWays;
import nelvar.core.analysis.space.FieldTerminals;
import nelvar.core.analysis.space.FilterNear;
import nelvar.core.analysis.space.OnRail;
import nelvar.core.analysis.space.PowerIn;
import nelvar.core.analysis.space.QuietApart;
import nelvar.core.analysis.space.Reach;
import nelvar.core.analysis.space.RoomLeft;
import nelvar.core.analysis.thermal.CabinetAir;
import nelvar.core.analysis.thermal.HeatBelow;
import nelvar.core.analysis.thermal.PartAir;
import nelvar.core.catalogue.Article;
import nelvar.core.catalogue.Enclosure;
import nelvar.core.catalogue.Housing;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Placement;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.model.edit.NextName;
import nelvar.core.units.Length;

/// A first layout of a machine's cabinet, in seconds: rows of parts between ducts, short wires,
/// dirty beside dirty, heat above what it hurts. What is held stays where it is.
public final class Arrange {
  /// With a duct along the upper edge, and without.
  private static final List<Boolean> TOP_DUCT = List.of(false, true);

  private final Study study;
  private final Cabinet cabinet;
  private final long seed;

  private Arrange(Study study, Cabinet cabinet, long seed) {
    this.study = study;
    this.cabinet = cabinet;
    this.seed = seed;
  }

  /// The cabinet at hand: the first that is laid out, else one of the size of the enclosure among
  /// the devices, else none.
  public static Optional<Cabinet> atHand(Study study) {
    var known = study.project().layout().cabinets().stream().findFirst();
    if (known.isPresent()) return known;
    return study.project().devices().stream()
        .flatMap(device ->
            study
                .part(device)
                .filter(Enclosure.class::isInstance)
                .map(part -> of(device, (Enclosure) part, study))
                .stream())
        .findFirst();
  }

  private static Cabinet of(Device device, Enclosure part, Study study) {
    return Cabinet.of(
        NextName.id(study.project(), "CAB"),
        device.purpose().isBlank() ? "cabinet" : device.purpose(),
        Optional.of(device.id()),
        Shell.onWall(part.width(), part.height(), part.depth())
            .with(d -> d.housing = part.madeOf()));
  }

  /// The smallest enclosure of the catalogue that everything goes into and that gets no warmer than
  /// the Brief designs for; where none stays as cool, the smallest that holds everything; empty
  /// where none does.
  public static Optional<Cabinet> smallest(Study study, long seed, BooleanSupplier cancelled) {
    var device = Optional.<Device>empty();
    for (var d : study.project().devices())
      if (study.part(d).filter(Part::housing).isPresent() && device.isEmpty())
        device = Optional.of(d);
    var from = study.project().layout().cabinets().stream().findFirst().map(Cabinet::shell);
    var fits = Optional.<Cabinet>empty();
    var walls = from.map(Shell::housing).orElse(Housing.PAINTED_STEEL);
    for (var part : sizes(study, walls)) {
      if (cancelled.getAsBoolean()) return Optional.empty();
      var shell =
          from.map(s -> s.sized(part.width(), part.height(), part.depth()))
              .orElseGet(() -> Shell.onWall(part.width(), part.height(), part.depth()));
      var tried =
          Cabinet.of(
              study.project().layout().cabinets().stream()
                  .findFirst()
                  .map(Cabinet::id)
                  .orElseGet(() -> NextName.id(study.project(), "CAB")),
              study.project().layout().cabinets().stream()
                  .findFirst()
                  .map(Cabinet::name)
                  .orElse("cabinet"),
              device.map(Device::id),
              shell);
      var items = new Arrange(study, tried, seed).items();
      if (!deepEnough(items, shell)) continue;
      var area = items.stream().mapToDouble(i -> i.width() * i.height()).sum();
      var plate = shell.size(Surface.PLATE);
      if (area > Box.mm(plate.width()) * Box.mm(plate.height())) continue;
      if (!new Arrange(study, tried, seed).possible(items, cancelled)) continue;
      if (cool(tried, study)) return Optional.of(tried);
      if (fits.isEmpty()) fits = Optional.of(tried);
    }
    return fits;
  }

  /// Whether its walls carry off what is given off in it, fans not counted.
  private static boolean cool(Cabinet cabinet, Study study) {
    var layout = study.project().layout().withPlacements(List.of()).withCabinets(List.of(cabinet));
    var air = CabinetAir.of(cabinet, study.tried(study.project().with(layout)));
    return air.upper(air.rise(1)).compareTo(study.project().brief().surroundings().inside()) <= 0;
  }

  /// Of the same walls; those of steel where the catalogue has none, since somebody builds them.
  private static List<Enclosure> sizes(Study study, Housing walls) {
    var all = sizes(study);
    var same = all.stream().filter(e -> e.madeOf() == walls).toList();
    return same.isEmpty()
        ? all.stream().filter(e -> e.madeOf() == Housing.PAINTED_STEEL).toList()
        : same;
  }

  private static List<Enclosure> sizes(Study study) {
    return study.catalogue().all().stream()
        .filter(Enclosure.class::isInstance)
        .map(Enclosure.class::cast)
        .sorted(
            Comparator.comparingDouble(
                    (Enclosure e) -> e.width().metres() * e.height().metres() * e.depth().metres())
                .thenComparing(Enclosure::id))
        .toList();
  }

  private static boolean deepEnough(List<Item> items, Shell shell) {
    return items.stream().allMatch(item -> item.depth() <= DoorCloses.deep(shell));
  }

  /// Rows that were searched for fitting alone.
  private int[][] fitting(List<Item> items, boolean topDuct, BooleanSupplier cancelled) {
    var search = search(items, topDuct, Wanted.FITTING);
    return search.improve(
        search.greedy(RowSearch.BY_HAND),
        seed,
        RowSearch.steps(items.size()) / 2,
        cancelled,
        _ -> {});
  }

  private boolean possible(List<Item> items, BooleanSupplier cancelled) {
    return TOP_DUCT.parallelStream()
        .anyMatch(top -> {
          var rows = fitting(items, top, cancelled);
          return search(items, top, Wanted.FITTING).decode(rows).overflow <= 0;
        });
  }

  /// The cabinet at hand where everything goes into it, else the smallest that does, else the one
  /// at hand all the same; empty where there is neither.
  public static Optional<Cabinet> cabinet(Study study, long seed, BooleanSupplier cancelled) {
    var hand = atHand(study);
    if (hand.isPresent()) {
      var arrange = new Arrange(study, hand.get(), seed);
      var items = arrange.items();
      if (!arrange.held().isEmpty()
          || (deepEnough(items, hand.get().shell()) && arrange.possible(items, cancelled)))
        return hand;
    }
    return smallest(study, seed, cancelled).or(() -> hand);
  }

  /// Layouts of one cabinet side by side, those that break the fewest rules first; at least one,
  /// even where not everything fits.
  ///
  /// @param cancelled asked now and then; what is best so far is returned then
  /// @param progress is told the share that is done
  public static List<Proposal> proposals(
      Study study, Cabinet cabinet, long seed, BooleanSupplier cancelled, DoubleConsumer progress) {
    var arrange = new Arrange(study, cabinet, seed);
    var shares = new Shares(2 * Wanted.ALL.size(), progress);
    var all = new ArrayList<Proposal>();
    for (var proposal :
        Wanted.ALL.parallelStream().map(wanted -> arrange.one(wanted, cancelled, shares)).toList())
      if (all.stream().noneMatch(p -> p.placements().equals(proposal.placements())))
        all.add(proposal);
    progress.accept(1);
    all.sort(
        Comparator.comparingInt((Proposal p) -> p.fits() ? 0 : 1)
            .thenComparingInt(Proposal::broken));
    return all;
  }

  /// One layout, the shortest wires first.
  public static Proposal best(Study study, Cabinet cabinet, long seed) {
    return new Arrange(study, cabinet, seed).one(Wanted.SHORT, () -> false, new Shares(2, _ -> {}));
  }

  /// The plain way to compare with: row by row, the largest first.
  static Proposal bySize(Study study, Cabinet cabinet) {
    var arrange = new Arrange(study, cabinet, 0);
    var items = arrange.items();
    var search = arrange.search(items, true, Wanted.SHORT);
    return arrange.proposal("by size", items, search, search.greedy(RowSearch.BY_SIZE));
  }

  private Proposal one(Wanted wanted, BooleanSupplier cancelled, Shares shares) {
    var items = items();
    if (!held().isEmpty()) return round(wanted, items);
    return TOP_DUCT.parallelStream()
        .map(top -> found(wanted, items, top, cancelled, shares))
        .min(BEST)
        .map(best -> proposal(wanted.name(), items, best.search(), best.search().tidy(best.rows())))
        .orElseThrow();
  }

  /// What fits first, then the least cost.
  private static final Comparator<Found> BEST =
      Comparator.comparingDouble((Found found) -> found.over() > 0 ? 1 : 0)
          .thenComparingDouble(Found::cost);

  private record Found(RowSearch search, List<int[]> lines, double over, double cost) {
    int[][] rows() {
      return lines.toArray(int[][]::new);
    }
  }

  private Found found(
      Wanted wanted, List<Item> items, boolean top, BooleanSupplier cancelled, Shares shares) {
    var search = search(items, top, wanted);
    var rows = rows(search, items, top, cancelled, shares.one());
    var decoded = search.decode(rows);
    return new Found(search, List.of(rows), decoded.overflow, decoded.cost);
  }

  /// From the order of a builder's hand; where something does not fit then, from rows that were
  /// searched for fitting alone.
  private int[][] rows(
      RowSearch search,
      List<Item> items,
      boolean topDuct,
      BooleanSupplier cancelled,
      DoubleConsumer progress) {
    var steps = RowSearch.steps(items.size());
    var begun = search.greedy(RowSearch.BY_HAND);
    var rows = search.improve(begun, seed, steps, cancelled, progress);
    if (search.decode(rows).overflow <= 0 || cancelled.getAsBoolean()) return rows;
    var fitting = fitting(items, topDuct, cancelled);
    if (search.decode(fitting).overflow > 0) return rows;
    return search.improve(fitting, seed, steps, cancelled, progress);
  }

  private RowSearch search(List<Item> items, boolean topDuct, Wanted wanted) {
    return new RowSearch(
        items, Links.of(items, study), Frame.of(cabinet.shell(), topDuct), cabinet.shell(), wanted);
  }

  private List<Placement> held() {
    return study.project().layout().in(cabinet).stream().filter(Placement::stays).toList();
  }

  /// What may stand in this cabinet: what is in it, and what waits.
  private List<Device> mine() {
    var elsewhere = new HashSet<Id>();
    for (var placement : study.project().layout().placements())
      if (!placement.cabinet().equals(cabinet.id())) elsewhere.add(placement.device());
    return study.project().devices().stream()
        .filter(d -> !elsewhere.contains(d.id()))
        .filter(d -> study.part(d).filter(part -> Bodies.belongs(d, part)).isPresent())
        .toList();
  }

  private List<Item> items() {
    var stays = ids(held());
    return mine().stream()
        .filter(d -> !stays.contains(d.id()))
        .filter(d -> onPlate(d, study))
        .flatMap(d -> Item.of(d, study).stream())
        .toList();
  }

  private static Set<Id> ids(List<Placement> placements) {
    var all = new HashSet<Id>();
    placements.forEach(p -> all.add(p.device()));
    return all;
  }

  static boolean onPlate(Device device, Study study) {
    var mounting = study.part(device).flatMap(part -> part.article().mounting());
    return device.place() == Place.PANEL
        && mounting
            .filter(m -> m == Article.Mounting.DOOR || m == Article.Mounting.OUTSIDE)
            .isEmpty();
  }

  private Proposal proposal(String name, List<Item> items, RowSearch search, int[][] rows) {
    var decoded = search.decode(rows);
    var laid = Laid.of(cabinet, items, decoded, search.frame(), study.project());
    return rated(name, laid.cabinet(), laid.placements(), decoded.overflow);
  }

  /// Round what stays: in the free places of the rails and ducts there are.
  private Proposal round(Wanted wanted, List<Item> items) {
    var placed = new ArrayList<Placement>(held());
    var over = Round.place(cabinet, items, placed, study);
    return rated(wanted.name() + ", round what stays", cabinet, placed, over);
  }

  private Proposal rated(String name, Cabinet laid, List<Placement> onPlate, double over) {
    var all = new ArrayList<>(onPlate);
    var placed = ids(onPlate);
    var waiting = new ArrayList<Proposal.Waits>();
    new Edges(laid, onPlate, study)
        .place(mine().stream().filter(d -> !placed.contains(d.id())).toList(), all, waiting);
    var edit = nelvar.core.model.edit.LayoutEdits.arrange("try", laid, all).apply(study.project());
    var tried = study.tried(edit);
    var air = CabinetAir.of(laid, tried);
    var warmest =
        Bodies.of(tried).in(laid).stream()
            .filter(body -> body.surface().inside() && !body.later())
            .map(body -> PartAir.of(body, air, tried).expected())
            .max(Comparator.naturalOrder())
            .orElse(air.hottest());
    return new Proposal(
        name,
        laid,
        all,
        copper(laid, tried),
        air.hottest(),
        warmest,
        RoomLeft.of(laid, Bodies.of(tried).in(laid)),
        over,
        broken(tried),
        waiting);
  }

  /// What a layout keeps where it can.
  private static final List<Rule> KEPT =
      List.of(
          new Collision(),
          new Clearance(),
          new OnRail(),
          new DoorCloses(),
          new Reach(),
          new QuietApart(),
          new HeatBelow(),
          new FilterNear(),
          new PowerIn(),
          new FieldTerminals());

  private static int broken(Study study) {
    return (int)
        KEPT.stream()
            .flatMap(rule -> rule.check(study))
            .filter(Verdict.Finding.class::isInstance)
            .count();
  }

  /// Of all wires between what stands in the cabinet, and of cables to where they leave.
  public static Length copper(Cabinet cabinet, Study study) {
    var ways = DuctWays.of(cabinet);
    var bodies = Bodies.of(study);
    var sum = 0.0;
    for (var wire : study.project().conductors()) {
      var from = bodies.of(wire.from().device()).filter(b -> here(b, cabinet));
      var to = bodies.of(wire.to().device()).filter(b -> here(b, cabinet));
      if (from.isEmpty() && to.isEmpty()) continue;
      if (from.isPresent() && to.isPresent() && from.get().id().equals(to.get().id())) continue;
      var length =
          ways.length(
              from.map(b -> ways.access(b, wire.from().terminal())).orElseGet(() -> ways.exit(0)),
              to.map(b -> ways.access(b, wire.to().terminal())).orElseGet(() -> ways.exit(0)));
      if (Double.isFinite(length)) sum += length;
    }
    return Length.ofMillimetres(sum);
  }

  private static boolean here(Body body, Cabinet cabinet) {
    return body.at().cabinet().equals(cabinet.id()) && !body.later();
  }
}
