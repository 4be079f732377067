package nelvar.documents.content;

import static nelvar.documents.content.ListTable.Column.number;
import static nelvar.documents.content.ListTable.Column.text;
import static nelvar.documents.content.ListTable.row;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import nelvar.core.analysis.Potentials;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Carriers;
import nelvar.core.analysis.runs.CutList;
import nelvar.core.analysis.runs.Fill;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.runs.WireMarks;
import nelvar.core.analysis.runs.WiringHours;
import nelvar.core.analysis.runs.WiringOrder;
import nelvar.core.catalogue.Connector;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.standards.Ferrules;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;

/// Lists of the wiring: what is cut from which drum, what is written on which end, which ferrules,
/// how full ducts are, and how long it takes.
final class RunRows {
  static final String WIRING_SHEET = "wiring-sheet";

  private RunRows() {}

  static ListTable cutList(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var kind : CutList.of(study)) {
      for (var d = 0; d < kind.drums().size(); d++) {
        var drum = kind.drums().get(d);
        var so = 0.0;
        for (var piece : drum.pieces()) {
          so += piece.length().metres();
          rows.add(
              row(
                  piece.label(),
                  kind.kind(),
                  d + 1,
                  piece.length(),
                  new Length(Math.max(0, drum.holds().metres() - so))));
        }
      }
    }
    return new ListTable(
            "cut-list",
            "Cut list",
            List.of(
                text("No.", 1.2),
                text("Kind", 3.4),
                number("Drum", 0.8),
                number("Length m", 1.1),
                number("Left on it m", 1.2)),
            rows)
        .grouped(1, 2);
  }

  /// Two for each wire, one for each end: what is written on its sleeve by the scheme of the Brief,
  /// its number, and where that end and the other one land.
  static ListTable labels(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var wire :
        study.project().conductors().stream()
            .filter(w -> !w.plugged())
            .sorted(java.util.Comparator.comparing(w -> w.label()))
            .toList())
      for (var there : List.of(true, false)) {
        var here = there ? wire.from() : wire.to();
        var other = there ? wire.to() : wire.from();
        rows.add(
            row(
                WireMarks.of(study).at(wire, here),
                wire.label().text(),
                Lists.end(study, here),
                Lists.end(study, other),
                study.cable(wire).map(cable -> cable.label().text()).orElse(""),
                wire.colour().orElse("")));
      }
    return new ListTable(
        "labels",
        "Labels, one row an end",
        List.of(
            text("On its sleeve", 2),
            text("No.", 1.2),
            text("This end", 2),
            text("Other end", 2),
            text("Cable", 1.2),
            text("Colour", 1.4)),
        rows);
  }

  /// Wires and cables in the order they are laid, with columns to write in by hand; read back, what
  /// was measured and what is done are taken over.
  static ListTable wiringSheet(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var step : WiringOrder.of(study)) {
      var wire = step.wires().getFirst();
      var cable = step.cable() ? study.cable(wire) : Optional.<Cable>empty();
      var ends = step.wires().stream();
      rows.add(
          row(
              step.label().text(),
              step.stage().words(),
              cable.isEmpty() ? Lists.end(study, wire.from()) : "%d cores".formatted(ends.count()),
              cable.isEmpty() ? Lists.end(study, wire.to()) : joins(step.wires(), study),
              cable.isEmpty() ? wire.section().map(CrossSection::toString).orElse("") : "",
              cable.isEmpty() ? wire.colour().orElse("") : "",
              Lists.or(cable.map(study::length).orElseGet(() -> study.length(wire)), "not known"),
              "",
              step.done() ? "yes" : ""));
    }
    return new ListTable(
        WIRING_SHEET,
        "Wiring sheet, in the order one reaches everything",
        List.of(
            text("No.", 1),
            text("Where", 1.9),
            text("From", 1.5),
            text("To", 1.9),
            text("Section", 1.1),
            text("Colour", 1.2),
            number("Length m", 1),
            ListTable.Column.toFill("Measured m", 1.1),
            ListTable.Column.toFill("Done", 0.7)),
        rows);
  }

  private static String joins(List<Conductor> cores, Study study) {
    return cores.stream()
        .flatMap(core -> java.util.stream.Stream.of(core.from(), core.to()))
        .map(end -> study.label(end.device()))
        .distinct()
        .collect(java.util.stream.Collectors.joining(", "));
  }

  /// Ends by section: of fine-stranded wires on screws; where wires land in springs their maker may
  /// want none.
  static ListTable ferrules(Study study) {
    var ends = new TreeMap<CrossSection, Integer>();
    for (var wire : study.project().conductors())
      if (!wire.plugged() && wire.sized())
        wire.section().ifPresent(section -> ends.merge(section, 2, Integer::sum));
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var entry : ends.entrySet()) {
      var size = Ferrules.size(entry.getKey());
      rows.add(
          row(
              entry.getKey().toString(),
              size.map(CrossSection::toString).orElse("none"),
              size.map(Ferrules::colour).orElse(""),
              size.flatMap(Ferrules::barrel).<Object>map(b -> mm(b.value())).orElse(""),
              size.flatMap(Ferrules::strip).<Object>map(RunRows::mm).orElse(""),
              entry.getValue()));
    }
    return new ListTable(
        "ferrules",
        "Ferrules (DIN 46228-4, German colours, from memory)",
        List.of(
            text("Wire", 1.3),
            text("Ferrule", 1.3),
            text("Colour", 1.6),
            number("Barrel mm", 1.2),
            number("Strip mm", 1.2),
            number("Ends", 0.9)),
        rows);
  }

  private static Integer mm(Length length) {
    return (int) Math.round(length.metres() * 1000);
  }

  static ListTable fill(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var bundle : Lying.of(study).all()) {
      if (study.lyingIn(bundle).isEmpty()) continue;
      var fill = Fill.of(bundle, study);
      rows.add(
          row(
              bundle.name(),
              bundle.form().map(form -> form.kind().words()).orElse(""),
              study.lyingIn(bundle).size(),
              fill.<Object>map(f -> f.filled().value())
                  .orElse(bundle.form().isPresent() ? "nothing around it" : "size not known"),
              fill.<Object>map(f -> f.most().percent()).orElse(""),
              fill.map(f -> f.most().because()).orElse("")));
    }
    return new ListTable(
        "fill",
        "How full ducts, conduits, trays and carriers are",
        List.of(
            text("Where", 2.6),
            text("Kind", 1.2),
            number("Wires and cores", 1.2),
            number("Full %", 1.1),
            number("At most %", 1.1),
            text("By", 3)),
        rows);
  }

  /// What is ordered of each carrier, and the room it takes (common practice; the maker's figures
  /// win).
  static ListTable carriers(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var bundle : study.project().bundles())
      Carriers.of(bundle)
          .ifPresent(it ->
              rows.add(
                  row(
                      bundle.name(),
                      it.lies().words() + it.opens().map(h -> ", " + h.words()).orElse(""),
                      mm(it.travel()),
                      Carriers.links(it),
                      mm(it.pitch()),
                      mm(Carriers.chain(it).value()),
                      mm(it.bendRadius()),
                      mm(Carriers.rest(it).value()),
                      mm(Carriers.standsOut(it)),
                      mm(it.fixedOff()),
                      it.dividers().size(),
                      bundle.form().orElseThrow().hoses().size())));
    return new ListTable(
        "carriers",
        "Cable carriers",
        List.of(
            text("Carrier", 2.4),
            text("Moves", 2.2),
            number("Travel mm", 1.1),
            number("Links", 0.8),
            number("Pitch mm", 1),
            number("Long mm", 1.1),
            number("Bend mm", 1.1),
            number("Loop mm", 1.1),
            number("Stands out mm", 1.3),
            number("Fixed off mm", 1.2),
            number("Dividers", 1),
            number("Hoses", 0.8)),
        rows);
  }

  /// Where wires are joined outside the cabinet: each wants a box with a lid or a plug that is made
  /// for it, and is looked for first when something fails (IEC 60204-1:2016, 13.1.2: no joint but
  /// on terminals or in plugs; from memory).
  static ListTable joints(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var device : study.project().devices()) {
      if (device.place() != Place.MACHINE) continue;
      var part = study.part(device).filter(p -> p.row().isPresent() || p instanceof Connector);
      if (part.isEmpty()) continue;
      var by = new java.util.TreeMap<Integer, List<Conductor>>();
      for (var wire : study.at(device.id()))
        if (!wire.plugged())
          by.computeIfAbsent(Potentials.of(study).at(wire.from()), _ -> new ArrayList<>())
              .add(wire);
      for (var joined : by.values())
        if (joined.size() > 1)
          rows.add(
              row(
                  device.designation().text(),
                  part.get().name(),
                  device.purpose(),
                  joined.stream()
                      .map(wire -> wire.label().text())
                      .collect(java.util.stream.Collectors.joining(", ")),
                  joined.stream()
                      .map(wire -> far(wire, device.id(), study))
                      .distinct()
                      .collect(java.util.stream.Collectors.joining(", "))));
    }
    return new ListTable(
        "joints",
        "Where wires are joined outside the cabinet",
        List.of(
            text("At", 1.2),
            text("Part", 3),
            text("What for", 2.4),
            text("Wires", 2.4),
            text("To", 2.6)),
        rows);
  }

  private static String far(Conductor wire, Id here, Study study) {
    return Lists.end(study, wire.from().device().equals(here) ? wire.to() : wire.from());
  }

  /// Assumed minutes; what a shop measures of its own is better.
  static ListTable hours(Study study) {
    var rows = new ArrayList<List<ListTable.Cell>>();
    for (var step : WiringHours.of(study))
      rows.add(
          row(
              step.what(),
              step.count(),
              step.each() + " min",
              Math.round(step.minutes()) + " min"));
    rows.add(row("All", "", "", "%.1f h".formatted(WiringHours.hours(study))));
    return new ListTable(
        "wiring-hours",
        "Hours of wiring by assumed minutes",
        List.of(text("Step", 3), number("Count", 1), text("Each", 1), text("All", 1)),
        rows);
  }
}
