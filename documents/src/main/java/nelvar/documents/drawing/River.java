package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.PowerTree;
import nelvar.core.analysis.load.PowerTree.Kind;
import nelvar.core.analysis.load.PowerTree.Point;
import nelvar.core.catalogue.Contactor;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Severity;
import nelvar.core.model.Id;
import nelvar.core.network.Live;
import nelvar.core.review.Review;
import nelvar.core.units.Significant;

/// The feeds as a river from the inlet to the loads: arms as wide as the power they carry, supplies
/// as vessels filled to their load with a notch at the headroom limit, protective devices as gates.
/// Units are pixels.
public final class River {
  private static final double ROW = 21;

  /// A river lower than this is spread until it is, or by half at most.
  private static final double FILLED = 500;

  private static final double MOST_SPREAD = 1.5;

  /// Gates on arms thinner than this have their label beside them.
  private static final double INLINE = 13;

  private static final double TOP = 24;
  private static final double INLET_X = 24;
  private static final double INLET_WIDTH = 84;
  private static final double VESSEL_WIDTH = 86;
  private static final double[] COLUMNS = {204, 290, 424, 520};
  private static final double LEAVES = 618;
  private static final double WIDTH = 836;

  /// @param amps arms follow current instead of power
  /// @param dry loads behind contactors shown dry, as when a stop has opened them
  /// @param live a state tried out: what is not energised in it is dry
  public record View(boolean amps, boolean dry, Optional<Id> selected, Optional<Live> live) {
    public View(boolean amps, boolean dry, Optional<Id> selected) {
      this(amps, dry, selected, Optional.empty());
    }
  }

  private final Study study;
  private final View view;
  private final List<Shape> arms = new ArrayList<>();
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private final Map<Id, Severity> worst = new HashMap<>();
  private final Set<Id> open = new HashSet<>();
  private final double spread;
  private double y = TOP;
  private double scale;

  private River(Review review, View view, double spread) {
    this.study = review.study();
    this.view = view;
    this.spread = spread;
    view.selected().ifPresent(open::add);
    for (var entry : review.open())
      for (var thing : entry.verdict().subject().things())
        worst.merge(
            thing, entry.finding().orElseThrow().severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b);
  }

  public static Drawing of(Review review, View view) {
    var roots = PowerTree.of(review.study());
    var low = new River(review, view, 1).drawn(roots);
    if (low.height() >= FILLED) return low;
    return new River(review, view, Math.min(MOST_SPREAD, FILLED / low.height())).drawn(roots);
  }

  private Drawing drawn(List<Point> roots) {
    // One scale for all roots: what is drawn as broad takes as much.
    var most = roots.stream().mapToDouble(this::given).max().orElse(0);
    scale = most > 0 ? (view.amps() ? 90 : 115) * spread / most : 1;
    if (view.amps()) scale = Math.min(scale, 14);
    for (var root : roots) root(root);
    y = Shelf.put(study, view.selected(), INLET_X, WIDTH - 2 * INLET_X, y, shapes, spots);
    arms.addAll(shapes);
    return new Drawing(WIDTH, y + 8, arms, spots);
  }

  /// How much flows into a branch, in the unit of the view.
  private double flow(Point point) {
    return view.amps() ? point.design().amperes() : point.power().watts();
  }

  private double given(Point root) {
    return root.children().stream().mapToDouble(this::flow).sum();
  }

  /// An inlet on which nothing hangs yet.
  private void bare(Point root) {
    var id = root.device().id();
    var high = 46.0;
    shapes.add(
        Shape.rectangle(
            INLET_X,
            y,
            INLET_WIDTH,
            high,
            Optional.of(Ink.MAINS_SOFT),
            Optional.of(new Shape.Pen(Ink.MAINS, 1.2, 4))));
    shapes.add(
        Shape.text(
            INLET_X + 10,
            y + 20,
            root.device().designation().text(),
            Face.MONO_BOLD,
            13,
            Ink.TEXT));
    shapes.add(
        Shape.text(
            INLET_X + 10,
            y + 36,
            root.gives().map(source -> source.output().voltage().toString()).orElse(""),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            INLET_X + INLET_WIDTH + 18,
            y + 28,
            "Nothing hangs on it yet.",
            Face.TEXT,
            13,
            Ink.TEXT_SOFT));
    spots.add(
        new Drawing.Spot(
            INLET_X,
            y,
            INLET_WIDTH,
            high,
            id,
            root.device().designation() + ", nothing hangs on it yet"));
    y += high + 18;
  }

  private void root(Point root) {
    var groups = Grouped.of(root.children(), study, open);
    var placed = new ArrayList<Placed>();
    for (var group : groups)
      placed.add(place(group, 0, root.gives().map(Ink::of).orElse(Ink.MAINS), false));
    if (placed.isEmpty()) {
      bare(root);
      return;
    }
    var height = placed.stream().mapToDouble(p -> p.width).sum();
    var middle = (placed.getFirst().y + placed.getLast().y) / 2;
    var top = middle - height / 2;
    var ink = root.gives().map(Ink::of).orElse(Ink.MAINS);
    arms.add(
        Shape.rectangle(
            INLET_X, top, INLET_WIDTH, height, Optional.of(ink.soft()), Optional.empty()));
    shapes.add(
        Shape.rectangle(
            INLET_X + INLET_WIDTH,
            top - 5,
            5,
            height + 10,
            Optional.of(Ink.TEXT),
            Optional.empty()));
    var at = top;
    for (var child : placed) {
      arms.add(
          Shape.band(
              INLET_X + INLET_WIDTH + 5,
              at,
              at + child.width,
              child.x,
              child.y - child.width / 2,
              child.y + child.width / 2,
              child.dry ? Ink.LINE : ink.soft()));
      at += child.width;
    }
    label(
        INLET_X,
        top - 36,
        root.device().designation().text(),
        Face.MONO_BOLD,
        13,
        root.device().id());
    shapes.add(
        Shape.text(
            INLET_X,
            top - 21,
            root.gives()
                .map(source ->
                    source.output().voltage()
                        + (source.output().lines().size() == 3 ? ", three-phase" : ""))
                .orElse(""),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            INLET_X,
            top - 7,
            root.design() + " of " + root.hangsOn().output().rating(),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
    badge(root.device().id(), INLET_X + INLET_WIDTH - 10, top - 42);
    spots.add(
        new Drawing.Spot(
            INLET_X,
            top - 48,
            INLET_WIDTH + 8,
            height + 52,
            root.device().id(),
            root.device().designation() + " inlet, " + root.design()));
    y += 8;
  }

  /// A branch with its place: where its arm arrives.
  private record Placed(double x, double y, double width, boolean dry) {}

  private Placed place(Grouped group, int column, Ink ink, boolean dryAbove) {
    var point = group.first();
    var dry =
        dryAbove
            || dead(point)
            || (view.dry()
                && point.cutBy().stream()
                    .anyMatch(device -> study.part(device).orElse(null) instanceof Contactor));
    if (!group.single()
        || point.children().isEmpty()
        || (point.kind() == Kind.CONVERTER && column >= COLUMNS.length)) return leaf(group, dry);
    var vessel = point.kind() == Kind.CONVERTER;
    var place = vessel && column % 2 == 0 ? column + 1 : column;
    var x = COLUMNS[Math.min(place, COLUMNS.length - 1)];
    var inkBelow = point.gives().map(Ink::of).orElse(ink);
    var width = Math.max(2, flow(point) * scale);
    var height =
        vessel
            ? Math.max(
                38,
                Math.max(width, point.children().stream().mapToDouble(this::flow).sum() * scale))
            : gateHeight(width);
    var needed = height + (vessel ? 10 : width < INLINE ? 11 : 20);
    var pad = Math.max(0, needed - span(group, column)) / 2;
    y += pad;
    var children = new ArrayList<Placed>();
    for (var child : Grouped.behind(point, study, open))
      children.add(place(child, place + 1, inkBelow, dry));
    y += pad;
    var middle = (children.getFirst().y + children.getLast().y) / 2;
    var right = x + (vessel ? VESSEL_WIDTH : 4);
    var at = middle - children.stream().mapToDouble(child -> child.width).sum() / 2;
    for (var child : children) {
      arms.add(
          Shape.band(
              right,
              at,
              at + child.width,
              child.x,
              child.y - child.width / 2,
              child.y + child.width / 2,
              child.dry ? Ink.LINE : inkBelow.soft()));
      at += child.width;
    }
    if (vessel) vessel(point, x, middle, height, inkBelow, dry);
    else gate(point, x, middle, width, ink);
    return new Placed(x, middle, width, dry);
  }

  /// Whether a tried-out state leaves a load or supply without volts.
  private boolean dead(Point point) {
    return view.live()
        .filter(live -> !point.protection().isPresent())
        .filter(live ->
            study.network().feeds(point.device().id()).stream()
                .anyMatch(feed ->
                    feed.source().isPresent()
                        && live.at(point.device(), feed.intake())
                            .filter(volts -> volts.volts() < 0.3 * feed.voltage().volts())
                            .isPresent()))
        .isPresent();
  }

  /// How much height the rows below a branch take by themselves.
  private double span(Grouped group, int column) {
    var point = group.first();
    if (!group.single()
        || point.children().isEmpty()
        || (point.kind() == Kind.CONVERTER && column >= COLUMNS.length)) return row(group);
    var place = point.kind() == Kind.CONVERTER && column % 2 == 0 ? column + 1 : column;
    return Grouped.behind(point, study, open).stream()
        .mapToDouble(child -> span(child, place + 1))
        .sum();
  }

  private double row(Grouped group) {
    return Math.max(
        ROW * spread, group.members().stream().mapToDouble(this::flow).sum() * scale + 14);
  }

  private static double gateHeight(double width) {
    return Math.max(width, 8) + 2;
  }

  private void gate(Point point, double x, double middle, double width, Ink ink) {
    var id = point.device().id();
    var height = gateHeight(width);
    var chosen = view.selected().filter(id::equals).isPresent();
    shapes.add(
        Shape.rectangle(
            x - 1,
            middle - height / 2,
            5,
            height,
            Optional.of(chosen ? Ink.ACCENT : ink),
            Optional.empty()));
    var name = point.device().designation().text();
    var left = width < INLINE ? x + 9 : x - 5;
    var base = width < INLINE ? middle - Math.max(4, width / 2 + 2) : middle - height / 2 - 3;
    shapes.add(Shape.text(left, base, name, Face.MONO, 11, chosen ? Ink.ACCENT : Ink.TEXT));
    var rating =
        point.protection().map(protection -> protection.protection().toString()).orElse("");
    shapes.add(
        Shape.text(
            left + Faces.width(name, Face.MONO, 11) + 5,
            base,
            rating,
            Face.TEXT,
            11,
            Ink.TEXT_SOFT));
    badge(id, x - 12, middle);
    spots.add(
        new Drawing.Spot(
            x - 8,
            middle - height / 2 - 15,
            70,
            height + 17,
            id,
            point.device().designation()
                + " "
                + rating
                + " "
                + point.device().purpose()
                + ", carries "
                + point.design()));
  }

  private void vessel(Point point, double x, double middle, double height, Ink ink, boolean dry) {
    var id = point.device().id();
    var source = point.gives().orElseThrow();
    var share = study.designCurrent(source).amperes() / source.output().rating().amperes();
    var top = middle - height / 2;
    var supply = study.part(point.device()).filter(Part::electronicSupply).isPresent();
    var limit = supply ? study.project().brief().policies().headroom().fraction() : 1;
    var chosen = view.selected().filter(id::equals).isPresent();
    var over = share > 1 + 1e-9;
    var tight = supply && share > limit + 1e-9;
    var fill = over ? Ink.ERROR_SOFT : tight ? Ink.WARNING_SOFT : ink.soft();
    shapes.add(
        Shape.rounded(x, top, VESSEL_WIDTH, height, 4, Optional.of(Ink.CARD), Optional.empty()));
    var level = Math.min(1, share) * (height - 2);
    if (!dry)
      shapes.add(
          Shape.rectangle(
              x + 1,
              top + height - 1 - level,
              VESSEL_WIDTH - 2,
              level,
              Optional.of(fill),
              Optional.empty()));
    if (supply)
      shapes.add(
          Shape.line(
              x,
              top + height - limit * height,
              x + 9,
              top + height - limit * height,
              Shape.Pen.of(Ink.TEXT, 1.2)));
    shapes.add(
        Shape.rounded(
            x,
            top,
            VESSEL_WIDTH,
            height,
            4,
            Optional.empty(),
            Optional.of(
                new Shape.Pen(
                    chosen ? Ink.ACCENT : dry ? Ink.TEXT_FAINT : ink,
                    chosen ? 2.2 : 1.4,
                    dry ? 4 : 0))));
    shapes.add(
        Shape.text(
            x + 12, middle + 1, point.device().designation().text(), Face.MONO_BOLD, 12, Ink.TEXT));
    shapes.add(
        Shape.text(
            x + VESSEL_WIDTH - 7,
            middle + 1,
            Significant.digits(share * 100) + " %",
            Face.SEMIBOLD,
            12,
            over ? Ink.ERROR : tight ? Ink.WARNING : Ink.TEXT,
            Shape.Anchor.END));
    var made =
        supply
            ? source.output().voltage() + ", " + source.output().rating()
            : "to " + source.output().rating();
    shapes.add(Shape.text(x + 12, middle + 15, dry ? "dry" : made, Face.TEXT, 11.5, Ink.TEXT_SOFT));
    badge(id, x + VESSEL_WIDTH - 2, top);
    spots.add(
        new Drawing.Spot(
            x,
            top,
            VESSEL_WIDTH,
            height,
            id,
            "%s %s, %s %% of %s"
                .formatted(
                    point.device().designation(),
                    point.device().purpose(),
                    Significant.digits(share * 100),
                    source.output().rating())));
  }

  private Placed leaf(Grouped group, boolean dry) {
    var point = group.first();
    var width = Math.max(1.5, group.members().stream().mapToDouble(this::flow).sum() * scale);
    var row = row(group);
    var middle = y + row / 2;
    y += row;
    var id = point.device().id();
    var chosen = group.single() && view.selected().filter(id::equals).isPresent();
    var ink = Ink.of(point.hangsOn());
    if (chosen)
      shapes.add(
          Shape.rounded(
              LEAVES - 2,
              middle - ROW / 2 + 1,
              WIDTH - LEAVES + 0,
              ROW - 2,
              4,
              Optional.of(Ink.ACCENT_SOFT),
              Optional.empty()));
    shapes.add(
        Shape.rectangle(
            LEAVES,
            middle - Math.max(3, width / 2),
            4,
            Math.max(6, width),
            Optional.of(dry ? Ink.TEXT_FAINT : ink),
            Optional.empty()));
    var name = group.name();
    var names = Faces.width(name, Face.MONO, 12);
    shapes.add(
        Shape.text(LEAVES + 11, middle + 4, name, Face.MONO, 12, chosen ? Ink.ACCENT : Ink.TEXT));
    var amount = dry ? "dry" : Significant.digits(group.amperes()) + " A";
    var free = WIDTH - LEAVES - names - 50 - Faces.width(amount, Face.SEMIBOLD, 13);
    shapes.add(
        Shape.text(
            LEAVES + 11 + names + 7,
            middle + 4,
            Faces.fit(group.purpose(study), Face.TEXT, 13, free),
            Face.TEXT,
            13,
            Ink.TEXT_SOFT));
    shapes.add(
        Shape.text(
            WIDTH - 24,
            middle + 4,
            amount,
            Face.SEMIBOLD,
            13,
            dry ? Ink.TEXT_FAINT : Ink.TEXT,
            Shape.Anchor.END));
    group.members().stream()
        .map(member -> worst.get(member.device().id()))
        .filter(java.util.Objects::nonNull)
        .min(java.util.Comparator.naturalOrder())
        .ifPresent(severity -> shapes.addAll(Badge.of(severity, WIDTH - 10, middle, 7)));
    spots.add(
        new Drawing.Spot(
            LEAVES - 4,
            middle - ROW / 2,
            WIDTH - LEAVES,
            ROW,
            id,
            group.name()
                + " "
                + group.purpose(study)
                + ", "
                + Significant.digits(group.amperes())
                + " A"));
    return new Placed(LEAVES, middle, width, dry);
  }

  private void label(double x, double at, String text, Face face, double size, Id id) {
    shapes.add(
        Shape.text(
            x,
            at,
            text,
            face,
            size,
            view.selected().filter(id::equals).isPresent() ? Ink.ACCENT : Ink.TEXT));
  }

  /// The worst open finding on a thing, by shape as well as colour.
  private void badge(Id id, double x, double at) {
    Optional.ofNullable(worst.get(id))
        .ifPresent(severity -> shapes.addAll(Badge.of(severity, x, at, 7)));
  }
}
