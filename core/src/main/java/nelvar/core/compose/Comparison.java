package nelvar.core.compose;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.load.FullestSupply;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Computer;
import nelvar.core.catalogue.Controller;
import nelvar.core.catalogue.DriverBoard;
import nelvar.core.catalogue.FrequencyConverter;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.catalogue.ServoDrive;
import nelvar.core.catalogue.StepperDrive;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.finding.Severity;
import nelvar.core.model.Conductor;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Measure;
import nelvar.core.units.Significant;

/// Two to four variants of a machine side by side, each applied to a copy and reviewed; the first
/// column is the machine as it is.
///
/// What is owned (what the machine has today, and the stock of the project) costs nothing; what is
/// bought costs its price. Work is counted at 12 min for a device mounted or exchanged, 6 min for a
/// wire with both its ends, 20 min for a cable and 2 min for a wire taken out (assumed).
public final class Comparison {
  public static final int MOST = 4;

  private static final double PER_DEVICE = 12;
  private static final double PER_WIRE = 6;
  private static final double PER_CABLE = 20;
  private static final double PER_WIRE_OUT = 2;

  /// A variant that is asked about.
  public record Variant(String title, Edit edit) {}

  /// What came of a variant. Money is in the project's currency.
  ///
  /// @param fullest name and share of the fullest supply, in %
  /// @param heat stated losses inside the cabinet, W
  /// @param leftOver parts the machine has today and the variant has no use for
  /// @param axes that have pulse outputs, or a drive on a board
  /// @param axisCurrent greatest current a motor drive gives, A
  /// @param minutes of work to come from the machine as it is
  public record Column(
      String title,
      Project after,
      Optional<Double> inletAmperes,
      Optional<String> fullest,
      double fullestPercent,
      double heat,
      int devices,
      int wires,
      Costs cost,
      Costs toBuy,
      List<String> leftOver,
      int axes,
      int freeInputs,
      int freeOutputs,
      Optional<Double> axisCurrent,
      boolean hostComputer,
      List<String> licences,
      Optional<Boolean> squares,
      Optional<Controller.Skill> skill,
      String spindleLink,
      Optional<Measure> noise,
      int minutes,
      long errors,
      long warnings,
      Effects effects) {}

  /// A row of the printed table: one cell a column.
  public record Row(String name, List<String> cells) {
    public Row {
      cells = List.copyOf(cells);
    }

    /// Whether the variants differ in it.
    public boolean differs() {
      return new LinkedHashSet<>(cells).size() > 1;
    }
  }

  private final List<Column> columns;
  private final Map<String, String> refused;
  private final String currency;

  /// The machine drawn up anew from what it must do, run by each other architecture. A variant that
  /// cannot be says why in its edit.
  public static List<Variant> architectures(Project project, Catalogue standard) {
    var bare = project.withDevices(List.of()).withCables(List.of()).withConductors(List.of());
    var from =
        bare.withBundles(List.of())
            .withSettings(List.of())
            .withStates(List.of())
            .withDeviations(List.of())
            .withFixed(List.of())
            .with(bare.plan().withMarks(List.of()));
    return java.util.Arrays.stream(Architecture.values())
        .map(architecture ->
            new Variant(
                architecture.words(),
                new Edit(
                    "Draw up again: " + architecture.words(),
                    _ -> {
                      try {
                        return Draft.of(from, standard, true, architecture).project();
                      } catch (Unmet unmet) {
                        throw new EditRefused(
                            unmet.function().map(f -> f.designation() + ": ").orElse("")
                                + unmet.why());
                      }
                    })))
        .toList();
  }

  private Comparison(List<Column> columns, Map<String, String> refused, String currency) {
    this.columns = List.copyOf(columns);
    this.refused = refused;
    this.currency = currency;
  }

  /// As it is, then each variant that can be.
  public List<Column> columns() {
    return columns;
  }

  /// Variants that cannot be, and why.
  public Map<String, String> refused() {
    return java.util.Collections.unmodifiableMap(refused);
  }

  /// @param cancelled asked before each variant
  /// @return empty when cancelled
  public static Optional<Comparison> of(
      Review today, List<Variant> variants, Catalogue standard, BooleanSupplier cancelled) {
    var refused = new LinkedHashMap<String, String>();
    var tried = new LinkedHashMap<Variant, Project>();
    for (var variant : variants) {
      try {
        tried.put(variant, variant.edit().on(today.project(), standard));
      } catch (EditRefused | ImpossibleQuantity why) {
        refused.put(variant.title(), String.valueOf(why.getMessage()));
      }
    }
    var reviewed =
        tried.entrySet().parallelStream()
            .map(entry ->
                cancelled.getAsBoolean()
                    ? Optional.<Column>empty()
                    : Optional.of(
                        column(
                            entry.getKey().title(),
                            Review.findingsOnly(entry.getValue(), standard),
                            today)))
            .toList();
    if (cancelled.getAsBoolean()) return Optional.empty();
    var columns = new ArrayList<Column>();
    columns.add(column("as it is", today, today));
    reviewed.forEach(column -> column.ifPresent(columns::add));
    return Optional.of(
        new Comparison(columns, refused, today.project().brief().policies().currency()));
  }

  private static Column column(String title, Review review, Review today) {
    var study = review.study();
    var before = today.project();
    var after = review.project();
    var catalogue = study.catalogue();
    var had = stock(today.study());
    var has = stock(study);
    var toBuy = 0.0;
    var unpriced = 0;
    var leftOver = new ArrayList<String>();
    for (var part : union(had, has)) {
      var more =
          has.getOrDefault(part, 0.0)
              - had.getOrDefault(part, 0.0)
              - (has.getOrDefault(part, 0.0) > had.getOrDefault(part, 0.0)
                  ? Costs.spare(part, before)
                  : 0);
      var price = Costs.of(part, catalogue);
      if (more > 0 && price.isPresent()) toBuy += more * price.get();
      else if (more > 0) unpriced++;
      if (has.getOrDefault(part, 0.0) < had.getOrDefault(part, 0.0))
        leftOver.add(catalogue.find(part).map(Part::name).orElse(part));
    }
    var fullest = FullestSupply.of(study);
    return new Column(
        title,
        after,
        InletLoad.of(study).map(load -> load.value().amperes()),
        fullest.map(f -> f.source().device().designation().text()),
        fullest.map(f -> f.share() * 100).orElse(0.0),
        Ways.heat(after, catalogue),
        after.devices().size(),
        after.conductors().size(),
        Costs.of(study),
        new Costs(toBuy, unpriced),
        leftOver,
        axes(review),
        pins(review, Pin.Type.INPUT_READS_PLUS, true)
            + pins(review, Pin.Type.INPUT_READS_MINUS, true),
        pins(review, Pin.Type.OUTPUT_SINKING, true) + pins(review, Pin.Type.OUTPUT_SOURCING, true),
        axisCurrent(review),
        parts(review).anyMatch(Computer.class::isInstance)
            || terms(review).anyMatch(Controller.Terms::needsComputer),
        terms(review).map(Controller.Terms::licence).distinct().toList(),
        terms(review).map(Controller.Terms::squaresAxes).reduce((a, b) -> a || b),
        terms(review).map(Controller.Terms::skill).max(java.util.Comparator.naturalOrder()),
        spindleLink(review),
        parts(review)
            .flatMap(part -> part.article().noise().stream())
            .max(java.util.Comparator.naturalOrder()),
        minutes(before, after),
        review.count(Severity.ERROR),
        review.count(Severity.WARNING),
        Effects.between(today, review));
  }

  private static Stream<Part> parts(Review review) {
    return review.project().devices().stream()
        .flatMap(device -> review.study().part(device).stream());
  }

  private static Stream<Controller.Terms> terms(Review review) {
    return parts(review)
        .flatMap(part -> part.logic().stream())
        .flatMap(logic -> logic.terms().stream());
  }

  /// How the drives with motors on three phases hear what to do: speed by a voltage, on and off by
  /// a contact, or not at all.
  private static String spindleLink(Review review) {
    var links = new LinkedHashSet<String>();
    for (var device : review.project().devices()) {
      if (!(review.study().part(device).orElse(null) instanceof FrequencyConverter drive)) continue;
      var wired =
          drive.controls().stream()
              .filter(mark ->
                  review.study().network().topology().wired(new TerminalRef(device.id(), mark)))
              .toList();
      links.add(
          wired.stream().anyMatch(mark -> mark.startsWith("AI"))
              ? "speed by 0–10 V"
              : wired.isEmpty() ? "by hand at the drive" : "on and off");
    }
    return links.isEmpty() ? "–" : String.join("; ", links);
  }

  /// Axes that can be moved: by pulses, or by drives on the board.
  private static int axes(Review review) {
    var onBoards =
        parts(review).mapToInt(part -> part instanceof DriverBoard board ? board.axes() : 0).sum();
    return pins(review, Pin.Type.OUTPUT_PULSES, false) / 4 + onBoards;
  }

  private static int pins(Review review, Pin.Type type, boolean free) {
    var count = 0;
    for (var device : review.project().devices())
      for (var controller : review.study().part(device).flatMap(Part::logic).stream().toList())
        for (var pin : controller.pins())
          if (pin.type() == type
              && !(free
                  && review
                      .study()
                      .network()
                      .topology()
                      .wired(new TerminalRef(device.id(), pin.name())))) count++;
    return count;
  }

  private static Optional<Double> axisCurrent(Review review) {
    return parts(review)
        .flatMap(part ->
            switch (part) {
              case StepperDrive drive -> Stream.of(drive.rating().amperes());
              case ServoDrive drive -> Stream.of(drive.rating().amperes());
              case DriverBoard board -> Stream.of(board.rating().amperes());
              default -> Stream.<Double>of();
            })
        .max(Double::compare);
  }

  /// Parts with how many of them, cables with their metres.
  private static Map<String, Double> stock(Study study) {
    var all = new LinkedHashMap<String, Double>();
    for (var device : study.project().devices()) all.merge(device.part(), 1.0, Double::sum);
    for (var cable : study.project().cables())
      all.merge(cable.stock(), study.length(cable).map(l -> l.metres()).orElse(0.0), Double::sum);
    return all;
  }

  private static Set<String> union(Map<String, Double> a, Map<String, Double> b) {
    var all = new LinkedHashSet<>(a.keySet());
    all.addAll(b.keySet());
    return all;
  }

  private static int minutes(Project before, Project after) {
    var minutes = 0.0;
    for (var device : after.devices())
      if (before.device(device.id()).filter(was -> was.part().equals(device.part())).isEmpty())
        minutes += PER_DEVICE;
    for (var cable : after.cables())
      if (before.cable(cable.id()).filter(was -> was.stock().equals(cable.stock())).isEmpty())
        minutes += PER_CABLE;
    for (var wire : after.conductors())
      if (before.conductor(wire.id()).filter(was -> laidAlike(was, wire)).isEmpty())
        minutes += PER_WIRE;
    for (var wire : before.conductors())
      if (after.conductor(wire.id()).filter(is -> laidAlike(wire, is)).isEmpty())
        minutes += PER_WIRE_OUT;
    return (int) Math.round(minutes);
  }

  private static boolean laidAlike(Conductor a, Conductor b) {
    return a.from().equals(b.from())
        && a.to().equals(b.to())
        && a.section().equals(b.section())
        && a.cable().equals(b.cable());
  }

  /// The table as it is shown and printed.
  public List<Row> rows() {
    var rows = new ArrayList<Row>();
    row(rows, "Inlet, all on", c -> c.inletAmperes().map(a -> amount(a, "A")).orElse("no inlet"));
    row(
        rows,
        "Fullest supply",
        c -> c.fullest().map(n -> n + " " + amount(c.fullestPercent(), "%")).orElse("none"));
    row(rows, "Heat inside, stated losses", c -> amount(c.heat(), "W"));
    row(rows, "Devices", c -> String.valueOf(c.devices()));
    row(rows, "Wires", c -> String.valueOf(c.wires()));
    row(rows, "Cost, what is owned at nothing", c -> money(c.cost()));
    row(rows, "To buy beside what is there", c -> money(c.toBuy()));
    row(rows, "Left over", c -> c.leftOver().isEmpty() ? "–" : String.join("; ", c.leftOver()));
    row(rows, "Work (assumed)", c -> c.minutes() == 0 ? "–" : c.minutes() + " min");
    row(rows, "Axes with pulse outputs", c -> String.valueOf(c.axes()));
    row(rows, "Free inputs", c -> String.valueOf(c.freeInputs()));
    row(rows, "Free outputs", c -> String.valueOf(c.freeOutputs()));
    row(
        rows,
        "Greatest current of a drive",
        c -> c.axisCurrent().map(a -> amount(a, "A")).orElse("–"));
    row(rows, "Needs a computer", c -> c.hostComputer() ? "yes" : "no");
    row(rows, "Licence of its program", c -> stated(c.licences()));
    row(rows, "Link to drives of motors", Column::spindleLink);
    row(
        rows,
        "Squares an axis of two motors",
        c -> c.squares().map(yes -> yes ? "yes" : "no").orElse(NOT_STATED));
    row(
        rows,
        "Skill asked of who sets it up",
        c -> c.skill().map(s -> s.name().toLowerCase(Locale.ROOT)).orElse(NOT_STATED));
    row(rows, "Loudest part, at 1 m", c -> c.noise().map(Object::toString).orElse(NOT_STATED));
    row(rows, "Errors, warnings", c -> "%d, %d".formatted(c.errors(), c.warnings()));
    row(rows, "Opens", c -> listed(List.copyOf(c.effects().opened().keySet())));
    row(rows, "Closes", c -> listed(c.effects().closed()));
    return rows;
  }

  private void row(List<Row> rows, String name, Function<Column, String> cell) {
    rows.add(new Row(name, columns.stream().map(cell).toList()));
  }

  private static final String NOT_STATED = "not stated";

  private static String stated(List<String> lines) {
    return lines.isEmpty() ? NOT_STATED : String.join("; ", lines);
  }

  private static String listed(List<String> lines) {
    return lines.isEmpty() ? "–" : String.join("; ", lines);
  }

  private static String amount(double value, String unit) {
    return Significant.digits(value) + " " + unit;
  }

  private String money(Costs costs) {
    return "%.2f %s%s".formatted(costs.amount(), currency, Costs.beside(costs.unpriced()));
  }
}
