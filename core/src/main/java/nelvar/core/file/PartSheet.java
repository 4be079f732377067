package nelvar.core.file;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.catalogue.Demand;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Output;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.units.Length;

/// All that is known of a part, in words: what it is as an article, its ratings, where it takes and
/// gives power, its terminals, what joins inside it. What is not stated is said to be so.
public final class PartSheet {
  private static final Set<String> ARTICLE =
      Set.of(
          "name",
          "price",
          "loss",
          "mass",
          "mounting",
          "body.width",
          "body.height",
          "body.depth",
          "body.origin",
          "noise",
          "mechanics.frame",
          "mechanics.shaft",
          "mechanics.clamp");
  private static final String UNKNOWN = "not stated";

  private PartSheet() {}

  public record Row(String name, String value) {}

  public record Section(String title, List<Row> rows) {
    public Section {
      rows = List.copyOf(rows);
    }
  }

  /// Sections with at least one row.
  public static List<Section> of(Part part) {
    return Stream.of(
            new Section("As an article", article(part)),
            new Section("Where it is mounted", mounted(part)),
            new Section("Ratings", ratings(part)),
            new Section("Takes power", takes(part)),
            new Section("Gives power", gives(part)),
            new Section("Terminals", terminals(part)),
            new Section("Joined inside", inside(part)))
        .filter(section -> !section.rows().isEmpty())
        .toList();
  }

  /// `dc-supply` as people say it.
  public static String kind(Part part) {
    return kindWords(NelvarJson.kindName(part.getClass()));
  }

  private static String kindWords(String kind) {
    return kind.replace('-', ' ').replaceFirst("^dc ", "DC ").replaceFirst("^emc ", "EMC ");
  }

  /// The texts in which its ratings stand, for finding it by them: not what it takes for a moment,
  /// nor what it breaks.
  public static List<String> values(Part part) {
    var all = new ArrayList<String>();
    all.add(part.name());
    PartProperties.of(part)
        .forEach((name, value) -> {
          if (!name.equals("price") && !name.startsWith("inrush") && !name.contains("reaking"))
            all.add(value);
        });
    return all;
  }

  private static List<Row> article(Part part) {
    var article = part.article();
    var rows = new ArrayList<Row>();
    rows.add(new Row("Kind", kind(part)));
    rows.add(new Row("Id", part.id()));
    rows.add(new Row("Price", said(article.price())));
    rows.add(new Row("Heat at rated load", said(article.loss())));
    rows.add(
        new Row(
            "Width × height × depth",
            article
                .body()
                .map(body ->
                    "%s × %s × %s%s"
                        .formatted(
                            body.width(),
                            body.height(),
                            body.depth().<String>map(Object::toString).orElse("?"),
                            body.assumed() ? " (assumed)" : ""))
                .orElse(UNKNOWN)));
    rows.add(new Row("Mass", said(article.mass())));
    rows.add(
        new Row(
            "Mounted on",
            article.mounting().map(m -> m.name().toLowerCase(Locale.ROOT)).orElse(UNKNOWN)));
    article.noise().ifPresent(noise -> rows.add(new Row("As loud as, at 1 m", noise.toString())));
    article
        .mechanics()
        .ifPresent(m -> {
          m.frame().ifPresent(frame -> rows.add(new Row("Frame or flange", frame)));
          m.shaft().ifPresent(shaft -> rows.add(new Row("Shaft", shaft.toString())));
          m.clamp().ifPresent(clamp -> rows.add(new Row("Clamped at", clamp.toString())));
        });
    return rows;
  }

  /// What it wants around it; sizes and rooms are as its maker, or the catalogue, has them.
  private static List<Row> mounted(Part part) {
    var rows = new ArrayList<Row>();
    part.article()
        .fitting()
        .ifPresent(fitting -> {
          fitting.above().ifPresent(room -> rows.add(new Row("Free above", room.toString())));
          fitting.below().ifPresent(room -> rows.add(new Row("Free below", room.toString())));
          fitting.sides().ifPresent(room -> rows.add(new Row("Free beside", room.toString())));
          if (!fitting.wires().isEmpty())
            rows.add(
                new Row(
                    "Wires enter at",
                    String.join(
                        ", ", fitting.wires().stream().map(side -> side.words()).toList())));
          fitting
              .fullTo()
              .ifPresent(air -> rows.add(new Row("All it gives in air to", air.toString())));
          fitting.most().ifPresent(air -> rows.add(new Row("Warmest air", air.toString())));
          for (var reach : fitting.reach())
            rows.add(
                new Row(
                    "To be reached: " + reach.what(),
                    "%s, %s free".formatted(reach.side().words(), reach.free())));
          if (fitting.bareBoard()) rows.add(new Row("Case", "none: it stands on spacers"));
          fitting.moves().ifPresent(air -> rows.add(new Row("Moves in free air", air.toString())));
          fitting.exchanges().ifPresent(q -> rows.add(new Row("Carries out", q.toString())));
          fitting.removes().ifPresent(q -> rows.add(new Row("Cools by", q.toString())));
          fitting
              .through()
              .ifPresent(share -> rows.add(new Row("Heat by its sink", share.toString())));
        });
    return rows;
  }

  private static String said(Optional<?> value) {
    return value.map(Object::toString).orElse(UNKNOWN);
  }

  private static List<Row> ratings(Part part) {
    var rows = new ArrayList<Row>();
    PartProperties.of(part)
        .forEach((name, value) -> {
          if (!ARTICLE.contains(name) && !name.startsWith("fitting"))
            rows.add(new Row(words(name), metres(value)));
        });
    part.dial()
        .ifPresent(dial -> rows.add(new Row("Dial", dial.least() + " to " + dial.greatest())));
    if (part.leakage().amperes() > 0)
      rows.add(new Row("Leakage to earth", part.leakage().toString()));
    part.busCapacitance().ifPresent(c -> rows.add(new Row("Capacitance on the bus", c.toString())));
    return rows;
  }

  /// Files keep lengths in metres; a cable of 0.008 m is 8 mm thick to everybody.
  private static String metres(String value) {
    return value.matches("0\\.[0-9]+ m")
        ? new Length(Double.parseDouble(value.substring(0, value.length() - 2))).toString()
        : value;
  }

  /// `coil.breakingCapacity` → `Coil breaking capacity`.
  public static String words(String property) {
    var spaced =
        property.replace('.', ' ').replaceAll("(?<=[a-z])(?=[A-Z])", " ").toLowerCase(Locale.ROOT);
    return spaced.substring(0, 1).toUpperCase(Locale.ROOT) + spaced.substring(1);
  }

  private static List<Row> takes(Part part) {
    var linkage = part.linkages().isEmpty() ? Linkage.STAR : part.linkages().getFirst();
    var rows = new ArrayList<Row>();
    for (var intake : part.intakes(linkage))
      rows.add(
          new Row(
              capital(intake.name()),
              "%s: %s, %s%s"
                  .formatted(
                      ends(intake), intake.accepts(), demand(intake.demand()), inrush(intake))));
    return rows;
  }

  private static String ends(Intake intake) {
    return ends(intake.lines(), intake.back());
  }

  private static String ends(List<String> lines, Optional<String> back) {
    var all = Stream.concat(lines.stream(), back.stream()).toList();
    return all.size() < 2
        ? String.join("", all)
        : String.join(", ", all.subList(0, all.size() - 1)) + " and " + all.getLast();
  }

  private static String inrush(Intake intake) {
    return intake
        .inrush()
        .map(i -> ", inrush %s for %s".formatted(i.peak(), i.duration()))
        .orElse("");
  }

  private static String demand(Demand demand) {
    return switch (demand) {
      case Demand.FixedCurrent(var current) -> current + " whatever the volts";
      case Demand.FixedPower(var power, var factor) ->
          "%s%s whatever the volts"
              .formatted(power, factor < 1 ? " at power factor " + factor : "");
      case Demand.Ohmic(var power, var madeFor) ->
          "%s at %s, as a resistance".formatted(power, madeFor);
      case Demand.Converts(var output, var efficiency, _, var own) ->
          "what %s gives, at %s%s"
              .formatted(output, efficiency, own.watts() > 0 ? ", and " + own + " for itself" : "");
      case Demand.Chops(var outputs, var factor) ->
          "%s of the current of %s".formatted(factor, String.join(", ", outputs));
    };
  }

  private static List<Row> gives(Part part) {
    var rows = new ArrayList<Row>();
    for (Output output : part.outputs())
      rows.add(
          new Row(
              capital(output.name()),
              "%s: %s %s, up to %s"
                  .formatted(
                      ends(output.lines(), output.back()),
                      output.voltage(),
                      output.alternating() ? "alternating" : "direct",
                      output.rating())));
    return rows;
  }

  private static List<Row> terminals(Part part) {
    var byUse = new LinkedHashMap<String, List<String>>();
    for (Terminal terminal : part.terminals())
      byUse
          .computeIfAbsent(
              capital(terminal.role().name().toLowerCase(Locale.ROOT))
                  + (terminal.required() ? "" : ", may stay open"),
              _ -> new ArrayList<>())
          .add(terminal.name());
    return byUse.entrySet().stream()
        .map(use -> new Row(use.getKey(), String.join(", ", use.getValue())))
        .toList();
  }

  private static List<Row> inside(Part part) {
    var byWhat = new LinkedHashMap<String, List<String>>();
    for (var link : part.links())
      byWhat.computeIfAbsent(what(link), _ -> new ArrayList<>()).add(link.a() + "–" + link.b());
    var rows = new ArrayList<Row>();
    for (Map.Entry<String, List<String>> entry : byWhat.entrySet())
      rows.add(new Row(entry.getKey(), String.join(", ", entry.getValue())));
    var hands =
        part.actuators().stream()
            .map(actuator -> actuator.name())
            .distinct()
            .collect(Collectors.joining(", "));
    if (!hands.isEmpty()) rows.add(new Row("Set by", hands));
    return rows;
  }

  private static String what(Link link) {
    return switch (link.kind()) {
      case JOINED -> "Always joined";
      case CONTACT -> link.closedAtRest() ? "Contact, closed at rest" : "Contact";
      case PROTECTIVE -> "Through " + link.protection().map(Object::toString).orElse("its device");
      case OUTPUT -> link.closedAtRest() ? "Output, on at rest" : "Output";
      case DIODE -> "One way, through a diode";
    };
  }

  private static String capital(String text) {
    return text.isEmpty()
        ? text
        : text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
  }

  /// What stands in the sheets of several parts beside one another: a row a name, a value a part.
  ///
  /// @param differs whether they are not all the same
  public record Line(String name, List<String> values, boolean differs) {
    public Line {
      values = List.copyOf(values);
    }
  }

  public static List<Line> beside(List<Part> parts) {
    var names = new LinkedHashMap<String, Boolean>();
    var sheets = new ArrayList<Map<String, String>>();
    for (var part : parts) {
      var rows = new LinkedHashMap<String, String>();
      for (var section : of(part))
        for (var row : section.rows()) {
          var name = section.title() + ": " + row.name();
          rows.put(name, row.value());
          names.put(name, true);
        }
      sheets.add(rows);
    }
    var lines = new ArrayList<Line>();
    for (var name : names.keySet()) {
      var values = sheets.stream().map(rows -> rows.getOrDefault(name, "–")).toList();
      lines.add(
          new Line(
              name.substring(name.indexOf(": ") + 2),
              values,
              values.stream().distinct().count() > 1));
    }
    return lines;
  }
}
