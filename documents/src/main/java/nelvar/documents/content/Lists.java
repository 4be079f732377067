package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.protection.FaultCurrents;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.analysis.runs.CutList;
import nelvar.core.analysis.runs.Entries;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Repair;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Feed;
import nelvar.core.review.Alike;
import nelvar.core.review.Review;
import nelvar.core.units.Length;
import nelvar.core.units.Price;

/// The lists of a project.
public final class Lists {
  private Lists() {}

  /// All lists, in the order of the pack.
  public static List<ListTable> all(Review review) {
    return List.of(
        wires(review.study()),
        cables(review.study()),
        terminals(review.study()),
        RunRows.cutList(review.study()),
        RunRows.wiringSheet(review.study()),
        RunRows.labels(review.study()),
        RunRows.ferrules(review.study()),
        RunRows.joints(review.study()),
        RunRows.carriers(review.study()),
        RunRows.fill(review.study()),
        RunRows.hours(review.study()),
        billOfMaterials(review.study()),
        DoorSheet.protection(review.study()),
        DoorSheet.waits(review.study()),
        DoorSheet.lamps(review.study()),
        RepairSheet.list(review.study(), SheetFormat.A4),
        Designations.free(review.study()),
        shields(review.study()),
        PinMap.of(review.study()),
        ConnectorRows.list(review.study()),
        settings(review.study()),
        AxisRows.list(review.study()),
        DriveRows.list(review.study()),
        LeadRows.leads(review.study()),
        LeadRows.checks(review.study()),
        StopRows.of(review.study()),
        PlateRows.places(review.study()),
        PlateRows.cuts(review.study()),
        PlateRows.holes(review.study()),
        PlateRows.reached(review.study()),
        faults(review.study()),
        findings(review),
        deviations(review),
        notChecked(review));
  }

  /// The same with the rows of things by the function they belong to; the bill counts each part
  /// once for each function.
  public static List<ListTable> all(Review review, boolean byFunction) {
    if (!byFunction) return all(review);
    var functions = new ByFunction(review.study());
    return all(review).stream()
        .map(list ->
            list.name().equals(BILL)
                ? billOfMaterials(review.study(), Optional.of(functions))
                : functions.grouped(list))
        .toList();
  }

  private static final String BILL = "bill-of-materials";

  static Object or(Optional<?> value, String otherwise) {
    return value.isPresent() ? value.get() : otherwise;
  }

  static String end(Study study, TerminalRef end) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  public static ListTable wires(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var conductor :
        study.project().conductors().stream()
            .sorted(java.util.Comparator.comparing(Conductor::label))
            .toList()) {
      rows.add(
          row(
              conductor.label().text(),
              end(study, conductor.from()),
              end(study, conductor.to()),
              conductor.section().map(Object::toString).orElse("not chosen"),
              conductor.colour().orElse(""),
              or(study.length(conductor), "not known"),
              by(HowLong.of(study).answer(conductor), study),
              way(conductor, study),
              study.designCurrent(conductor),
              or(
                  Ampacity.of(conductor, study).found().map(iz -> iz.value()),
                  conductor.sized() ? "not checked" : "its maker's"),
              or(VoltageDrop.alone(conductor, study), "")));
    }
    return new ListTable(
        "wire-list",
        "Wire list",
        List.of(
            text("No.", 1.1),
            text("From", 1.8),
            text("To", 1.8),
            text("Section", 1.5),
            text("Colour", 1.7),
            number("Length m", 1.1),
            text("Length by", 1.3),
            text("Way", 2.4),
            number("Ib A", 0.9),
            number("Iz A", 1.2),
            number("Drop V", 1)),
        rows);
  }

  /// In feet and inches besides, where those are what is on the tape, and who says so.
  private static String by(HowLong.Answer answer, Study study) {
    return answer
            .length()
            .flatMap(length -> HowLong.onTape(length, study))
            .map(tape -> tape + ", ")
            .orElse("")
        + answer.basis().words();
  }

  /// The cable whose core it is, and what it lies in.
  private static String way(Conductor conductor, Study study) {
    return Stream.concat(
            study.cable(conductor).stream().map(cable -> cable.label().text()),
            Stream.of(Lying.of(study).words(conductor)))
        .filter(words -> !words.isEmpty())
        .collect(Collectors.joining(", "));
  }

  private static String gland(Cable cable, Study study) {
    return study.project().layout().cabinets().stream()
        .flatMap(cabinet -> Entries.of(cabinet, study).of(cable.id()).stream())
        .findFirst()
        .map(entry -> entry.gland().map(Cable.Gland::words).orElse("none fits"))
        .orElse("");
  }

  public static ListTable cables(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var cable : study.project().cables()) {
      var cores = study.cores(cable.id());
      var ends =
          cores.stream()
              .flatMap(core -> java.util.stream.Stream.of(core.from(), core.to()))
              .map(end -> study.label(end.device()))
              .distinct()
              .toList();
      var stock = study.catalogue().find(cable.stock());
      var total = stock.map(part -> ((CableStock) part).cores()).orElse(0);
      rows.add(
          row(
              cable.label().text(),
              stock.map(Part::name).orElse(cable.stock()),
              String.join(", ", ends),
              or(study.length(cable), "not known"),
              by(HowLong.of(study).answer(cable), study),
              gland(cable, study),
              cores.isEmpty() ? "" : way(cores.getFirst(), study),
              cores.size(),
              Math.max(0, total - cores.size())));
    }
    return new ListTable(
        "cable-list",
        "Cable list",
        List.of(
            text("No.", 1),
            text("Cable", 3),
            text("Joins", 4),
            number("Length m", 1.1),
            text("Length by", 1.2),
            text("Gland", 0.9),
            text("Way", 2),
            number("Cores used", 1),
            number("Spare", 0.8)),
        rows);
  }

  /// Shielded cables: where each shield ends, and how.
  static ListTable shields(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var cable : study.project().cables()) {
      var shielded =
          study
              .catalogue()
              .find(cable.stock())
              .filter(part -> part instanceof CableStock stock && stock.shielded())
              .isPresent();
      var cores = study.cores(cable.id());
      if (!shielded || cores.isEmpty()) continue;
      var screen = cable.screened();
      rows.add(
          row(
              cable.label().text(),
              study.label(cores.getFirst().from().device()),
              screen.from().map(Cable.Ending::words).orElse("not said"),
              study.label(cores.getFirst().to().device()),
              screen.to().map(Cable.Ending::words).orElse("not said"),
              screen.turns().map(n -> n + " turns").orElse("")));
    }
    return new ListTable(
        "shields",
        "Shields",
        List.of(
            text("No.", 1),
            text("From", 1),
            text("Ends there", 1.6),
            text("To", 1),
            text("Ends there", 1.6),
            text("Through a ferrite", 1)),
        rows);
  }

  /// Every terminal that a wire lands on, device by device.
  public static ListTable terminals(Study study) {
    var landing = new LinkedHashMap<TerminalRef, List<String>>();
    for (var conductor : study.project().conductors()) {
      landing
          .computeIfAbsent(conductor.from(), _ -> new ArrayList<>())
          .add(conductor.label() + " to " + end(study, conductor.to()));
      landing
          .computeIfAbsent(conductor.to(), _ -> new ArrayList<>())
          .add(conductor.label() + " to " + end(study, conductor.from()));
    }
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var device :
        study.project().devices().stream()
            .sorted(java.util.Comparator.comparing(d -> d.designation()))
            .toList()) {
      for (var terminal : study.part(device).map(Part::terminals).orElse(List.of())) {
        var wires = landing.get(new TerminalRef(device.id(), terminal.name()));
        if (wires != null)
          rows.add(
              row(
                  device.designation().text(),
                  terminal.name(),
                  String.join("; ", wires),
                  device.purpose()));
        else if (terminal.required())
          rows.add(
              row(
                  device.designation().text(),
                  terminal.name(),
                  device.spare().contains(terminal.name()) ? "spare" : "open",
                  device.purpose()));
      }
    }
    return new ListTable(
            "terminal-plan",
            "Terminal plan",
            List.of(
                text("Device", 1.1), text("Terminal", 1.1), text("Wires", 5), text("Purpose", 2.6)),
            rows)
        .grouped(0, 3);
  }

  /// Devices by part, cable and wire by the metre, with what they cost; things without a price are
  /// counted below the total.
  public static ListTable billOfMaterials(Study study) {
    return billOfMaterials(study, Optional.empty());
  }

  private static ListTable billOfMaterials(Study study, Optional<ByFunction> functions) {
    record Item(Optional<MachineFunction> owner, String part) {}
    var byPart = new LinkedHashMap<Item, List<String>>();
    var devices = new ArrayList<>(study.project().devices());
    functions.ifPresent(
        f -> devices.sort(java.util.Comparator.comparingInt(device -> f.place(f.of(device)))));
    for (var device : devices)
      byPart
          .computeIfAbsent(
              new Item(functions.flatMap(f -> f.of(device)), device.part()), _ -> new ArrayList<>())
          .add(device.designation().text());
    var rows = new ArrayList<List<ListTable.Cell>>();
    var owners = new ArrayList<Optional<MachineFunction>>();
    var total = Price.ZERO;
    var unpriced = new HashSet<String>();
    for (var entry : byPart.entrySet()) {
      var name = entry.getKey().part();
      owners.add(entry.getKey().owner());
      var part = study.catalogue().find(name);
      var price = part.flatMap(Part::price);
      var count = entry.getValue().size();
      var sum = price.map(each -> each.times(count));
      if (sum.isPresent()) total = total.plus(sum.get());
      else unpriced.add(name);
      rows.add(
          row(
              part.map(Part::name).orElse(name),
              String.join(", ", entry.getValue()),
              count,
              "pc",
              or(price, "no price"),
              or(sum, "")));
    }
    for (var entry : metres(study).entrySet()) {
      var part = study.catalogue().find(entry.getKey());
      var price = part.flatMap(Part::price);
      var sum = price.map(each -> each.times(entry.getValue()));
      if (sum.isPresent()) total = total.plus(sum.get());
      else unpriced.add(entry.getKey());
      rows.add(
          row(
              part.map(Part::name).orElse(entry.getKey()),
              "",
              new Length(entry.getValue()),
              "m",
              or(price, "no price"),
              or(sum, "")));
    }
    rows.add(
        row(
            "Total, %s%s"
                .formatted(
                    study.project().brief().policies().currency(),
                    unpriced.isEmpty()
                        ? ""
                        : ", without " + unpriced.size() + " items that have no price"),
            "",
            "",
            "",
            "",
            total));
    var columns =
        List.of(
            text("Part", 4),
            text("Designations", 3.4),
            number("Quantity", 1),
            text("Unit", 0.6),
            number("Price each", 1.1),
            number("Sum", 1.1));
    var title = "Bill of materials";
    if (functions.isEmpty()) return new ListTable(BILL, title, columns, rows);
    var all = new ArrayList<ListTable.Column>();
    all.add(ByFunction.COLUMN);
    all.addAll(columns);
    var owned = new ArrayList<List<ListTable.Cell>>();
    for (var n = 0; n < rows.size(); n++)
      owned.add(ByFunction.with(n < owners.size() ? owners.get(n) : Optional.empty(), rows.get(n)));
    return new ListTable(BILL, title, all, owned);
  }

  /// Metres of each cable and wire stock, as the cut list has them; wires of a section that is not
  /// stocked stand under their section.
  private static Map<String, Double> metres(Study study) {
    var metres = new TreeMap<String, Double>();
    for (var kind : CutList.of(study))
      if (!kind.stock().isEmpty() && kind.metres().metres() > 0)
        metres.merge(kind.stock(), kind.metres().metres(), Double::sum);
    return metres;
  }

  /// What is set with a screwdriver: trips, phase currents, output voltages.
  private static List<List<ListTable.Cell>> dialled(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var device : study.project().devices())
      device
          .trip()
          .ifPresent(dial ->
              rows.add(
                  row(
                      device.designation().text(),
                      chops(device, study) ? "Phase current" : "Overload trip",
                      dial.toString(),
                      chops(device, study)
                          ? "what its motor is rated for"
                          : "protects " + protectedBy(device, study))));
    for (var device : study.project().devices())
      device
          .output()
          .ifPresent(volts ->
              rows.add(
                  row(
                      device.designation().text(),
                      "Output voltage",
                      volts.toString(),
                      "what it feeds is judged with it")));
    return rows;
  }

  /// Dials alone, for the door.
  static ListTable dials(Study study) {
    return new ListTable("dials", "Dials", SETTING_COLUMNS, dialled(study));
  }

  private static final List<ListTable.Column> SETTING_COLUMNS =
      List.of(text("Device", 1), text("Setting", 2), text("Value", 1.6), text("Why", 4));

  public static ListTable settings(Study study) {
    var rows = dialled(study);
    study
        .project()
        .settings()
        .forEach(setting ->
            rows.add(
                row(
                    study.label(setting.device()),
                    setting.name(),
                    setting.value(),
                    setting.reason())));
    return new ListTable("settings", "Settings", SETTING_COLUMNS, rows);
  }

  private static boolean chops(Device device, Study study) {
    return study.part(device).filter(nelvar.core.catalogue.Part::chops).isPresent();
  }

  private static String protectedBy(Device device, Study study) {
    return ProtectiveDevices.all(study).stream()
        .filter(protecting -> protecting.device().device().equals(device))
        .flatMap(protecting -> protecting.feeds().stream())
        .map(Feed::name)
        .distinct()
        .collect(Collectors.joining(", "));
  }

  /// Greatest and least short-circuit current at every load, and what opens on the least.
  public static ListTable faults(Study study) {
    var rows =
        FaultCurrents.all(study).stream()
            .map(fault ->
                row(
                    end(study, fault.at()),
                    fault.against(),
                    fault.greatest(),
                    fault.least(),
                    fault
                        .protection()
                        .map(g -> g.device().designation() + ", " + g.protection())
                        .orElse("none of its own"),
                    fault
                        .opens()
                        .map(Object::toString)
                        .orElse(fault.protection().isPresent() ? "need not open" : "")))
            .toList();
    return new ListTable(
        "short-circuit-currents",
        "Short-circuit currents",
        List.of(
            text("At", 1.4),
            text("Against", 1),
            number("Greatest A", 1.2),
            number("Least A", 1.2),
            text("Device before it", 2),
            text("Opens within", 1.2)),
        rows);
  }

  public static ListTable findings(Review review) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var alike : Alike.of(review.open())) {
      var finding = alike.first().finding().orElseThrow();
      rows.add(
          row(
              finding.severity().name().toLowerCase(java.util.Locale.ROOT),
              alike.entries().stream()
                  .map(entry -> review.study().label(entry.verdict().subject()))
                  .distinct()
                  .collect(Collectors.joining(", ")),
              finding.title() + (alike.size() > 1 ? " (%d times)".formatted(alike.size()) : ""),
              finding.text(),
              alike.entries().stream()
                  .flatMap(entry -> review.waysOut(entry).stream().limit(1))
                  .map(Repair::label)
                  .distinct()
                  .collect(Collectors.joining("; ")),
              alike.rule()));
    }
    return new ListTable(
        "findings",
        "Open findings",
        List.of(
            text("Severity", 1),
            text("On", 0.9),
            text("What", 1.8),
            text("Why and what follows", 5),
            text("Way out", 1.8),
            text("Rule", 1.8)),
        rows);
  }

  public static ListTable deviations(Review review) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var entry : review.accepted()) {
      var deviation = entry.accepted().orElseThrow();
      rows.add(
          row(
              review.study().label(deviation.subject()),
              entry.finding().orElseThrow().title(),
              deviation.reason(),
              deviation.by(),
              deviation.date(),
              deviation.rule()));
    }
    return new ListTable(
        "deviations",
        "Accepted deviations",
        List.of(
            text("On", 0.9),
            text("What", 2),
            text("Reason", 4.4),
            text("By", 1.2),
            text("Date", 1.2),
            text("Rule", 1.8)),
        rows);
  }

  public static ListTable notChecked(Review review) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var entry : review.notChecked())
      rows.add(
          row(
              review.study().label(entry.verdict().subject()),
              entry.rule().asks(),
              "because " + ((nelvar.core.finding.Verdict.NotChecked) entry.verdict()).why()));
    return new ListTable(
        "not-checked",
        "Not checked",
        List.of(text("On", 0.9), text("Asked", 4), text("Why not", 4)),
        rows);
  }

  /// One list by its short name.
  public static Optional<ListTable> named(String name, Review review) {
    return all(review).stream().filter(list -> list.name().equals(name)).findFirst();
  }
}
