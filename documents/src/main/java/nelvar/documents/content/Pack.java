package nelvar.documents.content;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import nelvar.core.analysis.circuit.CircuitSheets;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.analysis.load.InletLoad;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.analysis.runs.StripPlan;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.analysis.space.Bodies;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.analysis.stop.StopMatrix;
import nelvar.core.analysis.supply.SupplyLoad;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Cabinet;
import nelvar.core.model.School;
import nelvar.core.model.Surface;
import nelvar.core.review.Review;
import nelvar.core.review.RuleBook;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Trail;
import nelvar.documents.drawing.CircuitPicture;
import nelvar.documents.drawing.ConnectorFace;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.PlateDrawing;
import nelvar.documents.drawing.RunsPicture;
import nelvar.documents.drawing.Scaled;
import nelvar.documents.drawing.SingleLine;
import nelvar.documents.drawing.StopMatrixPicture;
import nelvar.documents.drawing.StripPicture;
import nelvar.documents.drawing.TimeCurrentChart;

/// The papers that let someone else build, check and repair the machine.
public final class Pack {
  private Pack() {}

  public static String title(Review review) {
    return review.project().name() + ", revision " + review.project().revision();
  }

  public static String date(Review review) {
    var revisions = review.project().revisions();
    return revisions.isEmpty() ? "" : revisions.getLast().date();
  }

  /// The pages, A4, in millimetres, with their contents.
  public static Paper paper(Review review) {
    return paper(review, Options.USUAL);
  }

  /// What papers can be asked to be.
  ///
  /// @param about which machine they answer for; empty where there is only one
  /// @param byFunction whether lists go by what the machine must do
  public record Options(String about, boolean byFunction) {
    public static final Options USUAL = new Options("", false);
  }

  public static Paper paper(Review review, Options options) {
    var blocks = new ArrayList<Block>();
    cover(review, options.about(), blocks);
    blocks.add(new Block.NewPage());
    blocks.add(new Block.Heading("Power single-line", 1));
    blocks.add(
        new Block.Paragraph(
            "One line for each feed; currents with everything on that can be on together."));
    blocks.add(new Block.Picture(SingleLine.of(review.study())));
    blocks.add(new Block.NewPage());
    circuits(review, blocks);
    supplySheets(review, blocks);
    blocks.add(new Block.NewPage());
    wireSheets(review, blocks);
    charts(review, blocks);
    connectors(review, blocks);
    strips(review, blocks);
    plates(review, blocks);
    ways(review, blocks);
    stops(review, blocks);
    for (var list : Lists.all(review, options.byFunction())) {
      blocks.add(new Block.NewPage());
      blocks.addAll(Block.list(list));
    }
    var unchecked =
        citations(review).stream()
            .filter(citation -> citation.status() == Citation.Status.RECALLED)
            .count();
    return Typesetter.set(
        blocks,
        review.project().name(),
        "revision " + review.project().revision() + ", " + date(review),
        "%d cited places were entered from memory and are marked (unchecked). Local codes and a licensed electrician decide."
            .formatted(unchecked));
  }

  /// The circuit sheets, each a page.
  private static void circuits(Review review, List<Block> blocks) {
    var sheets = CircuitSheets.of(review.study(), SheetFormat.A4);
    for (var sheet : sheets.sheets())
      blocks.add(
          new Block.FullPage(
              CircuitPicture.name(sheet), CircuitPicture.of(review.study(), sheets, sheet)));
  }

  /// One chart for each breaker or fuse fed from the mains, two a page.
  private static void charts(Review review, List<Block> blocks) {
    var chains =
        ProtectionChain.all(review.study()).stream().filter(ProtectionChain::alternating).toList();
    if (chains.isEmpty()) return;
    blocks.add(new Block.NewPage());
    blocks.add(new Block.Heading("Time and current", 1));
    blocks.add(
        new Block.Paragraph(
            "Each device opens between the edges of its band; dashed is where the wire is damaged, dotted what flows. Curves join the gates of the standards, from memory, and a breaker's instantaneous trip is drawn within one period (assumed; the standard promises 0.1 s). A device's own curve beats them."));
    for (var chain : chains)
      blocks.add(new Block.Picture(TimeCurrentChart.of(chain, 176, 96, 2.8)));
  }

  /// Plugs with wires on them, as one sees them from the side they are mounted on, and from behind
  /// where they are mounted.
  private static void connectors(Review review, List<Block> blocks) {
    var wired =
        ConnectorRows.of(review.study()).stream()
            .filter(face -> face.stream().anyMatch(place -> place.wire().isPresent()))
            .toList();
    if (wired.isEmpty()) return;
    blocks.add(new Block.NewPage());
    blocks.add(new Block.Heading("Connector faces", 1));
    blocks.add(
        new Block.Paragraph(
            "Seen from the side they are plugged at, and below that from behind, where the wires go in; place 1 has a filled corner. How the places lie is row by row; the numbers moulded into the connector count. Below each mark the wire. What lands where stands in the list of connectors."));
    for (var face : wired) {
      var under = ConnectorRows.under(face);
      var board = face.getFirst().board();
      var shape = face.getFirst().face();
      blocks.add(new Block.Heading(board.designation() + " " + shape.name(), 3));
      blocks.add(
          new Block.Picture(small(ConnectorFace.of(shape, under, java.util.Optional.empty()))));
      if (review.study().part(board).flatMap(part -> part.socket()).isPresent())
        blocks.add(
            new Block.Picture(
                small(ConnectorFace.wiringSide(shape, under, java.util.Optional.empty()))));
    }
  }

  /// Rows of terminals on which something lands.
  private static void strips(Review review, List<Block> blocks) {
    var strips =
        StripPlan.all(review.study()).stream()
            .filter(strip -> strip.free().size() < strip.row().ways())
            .toList();
    if (strips.isEmpty()) return;
    blocks.add(new Block.NewPage());
    blocks.add(new Block.Heading("Rows of terminals", 1));
    blocks.add(
        new Block.Paragraph(
            "Turned a quarter: wires of the cabinet at the left, cables and what leaves at the right. A thick line across is a divider, a bar in the slots joins ways, a soft bar behind all numbers says that all are one."));
    for (var strip : strips)
      for (var page : StripPicture.pages(strip, review.study(), 176 / SMALL, 36))
        blocks.add(new Block.Picture(small(page)));
  }

  /// Each surface with something on it, to scale and with its measures.
  private static void plates(Review review, List<Block> blocks) {
    var study = review.study();
    for (var cabinet : study.project().layout().cabinets()) {
      var bodies = Bodies.of(study).in(cabinet);
      for (var surface : PlateDrawing.surfaces(cabinet, study)) {
        blocks.add(new Block.NewPage());
        blocks.add(
            new Block.Heading("Layout: %s, %s".formatted(cabinet.name(), surface.words()), 1));
        blocks.add(new Block.Paragraph(weighs(cabinet, surface, bodies)));
        blocks.add(new Block.Picture(PlateDrawing.of(cabinet, surface, study, 176, 225)));
        if (surface != Surface.DOOR) continue;
        blocks.add(new Block.NewPage());
        blocks.add(new Block.Heading("Layout: %s, door from inside".formatted(cabinet.name()), 1));
        blocks.add(
            new Block.Paragraph(
                "As whoever wires it sees it, hung open. Measures from the edge that is left then."));
        blocks.add(new Block.Picture(PlateDrawing.fromInside(cabinet, study, 176, 225)));
      }
    }
  }

  /// Where wires run in each cabinet.
  private static void ways(Review review, List<Block> blocks) {
    for (var cabinet : review.project().layout().cabinets()) {
      if (cabinet.ducts().isEmpty()) continue;
      blocks.add(new Block.NewPage());
      blocks.add(new Block.Heading("Ways: %s".formatted(cabinet.name()), 1));
      blocks.add(
          new Block.Paragraph(
              "Ducts as full along their length as they are, glands, and what lies outside. The list of wires says through which each one goes and how long it is cut."));
      blocks.add(
          new Block.Picture(
              small(
                  RunsPicture.of(
                      review.study(),
                      java.util.Optional.of(cabinet),
                      java.util.Optional.empty(),
                      176 / SMALL,
                      700))));
    }
  }

  /// What each stop takes; nothing where no stop is.
  private static void stops(Review review, List<Block> blocks) {
    var matrix = StopMatrix.of(review.study());
    if (matrix.columns().isEmpty()) return;
    blocks.add(new Block.NewPage());
    blocks.add(new Block.Heading("What each stop takes", 1));
    blocks.add(
        new Block.Paragraph(
            "Rehearsed from the running machine, programs going on, at the slowest: until it stands, is held or is off. Filled stays on, dashed is taken, red falls. The list of stops has the times apart. Nelvar computes and certifies nothing: try every stop on the machine."));
    for (var page : StopMatrixPicture.pages(matrix, review.study(), 176 / SMALL, 21))
      blocks.add(new Block.Picture(small(page)));
  }

  private static String weighs(Cabinet cabinet, Surface surface, List<Body> bodies) {
    var here = bodies.stream().filter(b -> b.surface() == surface).toList();
    var unknown = here.stream().filter(b -> b.part().article().mass().isEmpty()).count();
    var sum =
        here.stream()
            .flatMap(b -> b.part().article().mass().stream())
            .mapToDouble(m -> m.value())
            .sum();
    return "In mm from the left and the upper edge, as one stands before it. What is mounted here weighs %.1f kg%s. Sizes marked assumed in the list of places are measured before anything is drilled. Cables leave at the %s."
        .formatted(
            sum,
            unknown == 0 ? "" : " and %d parts whose mass is not known".formatted(unknown),
            cabinet.shell().cables().words());
  }

  /// From pixels to millimetres of paper: a place 13 mm wide.
  private static Drawing small(Drawing drawing) {
    return new Drawing(
        drawing.width() * SMALL,
        drawing.height() * SMALL,
        drawing.shapes().stream().map(shape -> Scaled.at(shape, 0, 0, SMALL)).toList(),
        List.of());
  }

  private static final double SMALL = 0.28;

  private static List<Citation> citations(Review review) {
    return review.entries().stream()
        .flatMap(entry -> trail(entry.verdict()).citations().stream())
        .distinct()
        .toList();
  }

  private static Trail trail(Verdict verdict) {
    return switch (verdict) {
      case Verdict.Pass pass -> pass.trail();
      case Verdict.Finding finding -> finding.trail();
      case Verdict.NotChecked _ -> Trail.of("", List.of());
    };
  }

  private static void cover(Review review, String about, List<Block> blocks) {
    var project = review.project();
    var supply = project.brief().supply();
    var around = project.brief().surroundings();
    var policies = project.brief().policies();
    blocks.add(new Block.Heading(project.name(), 1));
    blocks.add(new Block.Paragraph(project.description()));
    if (!about.isEmpty())
      blocks.add(new Block.Notice("Which machine these papers show", about, Ink.ACCENT));
    blocks.add(
        new Block.Notice(
            "Before anyone opens the cabinet",
            "Lock off and prove dead. Wait for stored charge, then measure. Hold up suspended axes. Mind hot parts. Join the protective conductor first, take it off last.",
            Ink.ERROR));
    blocks.add(
        new Block.Notice(
            "What these papers are",
            "Nelvar computed them from the project and says below what it checked, against which table, and what it did not check. It claims no compliance. Local codes and a licensed electrician decide.",
            Ink.ACCENT));
    blocks.add(new Block.Heading("Fed from", 2));
    blocks.add(
        new Block.Paragraph(
            "%s, %s, %s; upstream device %s%s%s. Air %s to %s around, %s inside to design for; altitude %s. %s."
                .formatted(
                    supply.voltage(),
                    supply.frequency(),
                    supply.earthing().words(),
                    supply.upstream(),
                    supply
                        .loopImpedance()
                        .map(z -> "; loop impedance at the inlet " + z)
                        .orElse(""),
                    supply
                        .prospectiveShortCircuitCurrent()
                        .map(i -> "; prospective short-circuit current " + i)
                        .orElse(""),
                    around.least(),
                    around.greatest(),
                    around.inside(),
                    around.altitude(),
                    around.remarks())));
    blocks.add(
        new Block.Paragraph(
            "Sized by the %s school (%s); %s; gG fuses read %s; supplies to %s of their rating; voltage drop to %s."
                .formatted(
                    policies.sizing().words(),
                    policies.sizing() == nelvar.core.model.Brief.Sizing.METRIC
                        ? "IEC 60204-1"
                        : "NFPA 79, NEC, UL 508A",
                    policies.protection() == nelvar.core.model.Brief.Protection.PER_BRANCH
                        ? "a protective device per branch"
                        : "converters grouped behind one device where they protect themselves",
                    policies.fuses() == nelvar.core.model.Brief.FuseReading.STRICT
                        ? "strictly (I2 ≤ 1.45 Iz)"
                        : "by rating (In ≤ Iz)",
                    policies.headroom(),
                    policies.drop())));
    blocks.add(
        new Block.Paragraph(
            "Where practitioners disagree: "
                + School.ALL.stream()
                    .filter(school -> school.mattersTo(policies.sizing()))
                    .map(school ->
                        "%s: %s".formatted(school.question(), policies.answer(school).words()))
                    .collect(Collectors.joining("; "))
                + "."));
    blocks.add(new Block.Heading("State", 2));
    blocks.add(
        new Block.Paragraph(
            "%d verdicts: %d passed, %d errors, %d warnings, %d advice open, %d accepted with a reason, %d not checked."
                .formatted(
                    review.total(),
                    review.passed(),
                    review.count(Severity.ERROR),
                    review.count(Severity.WARNING),
                    review.count(Severity.ADVICE),
                    review.accepted().size(),
                    review.notChecked().size())));
    if (!project.states().isEmpty())
      blocks.add(
          new Block.Paragraph(
              "Shorts, limits, opening devices and loads without volts were judged in these states of the machine: %s."
                  .formatted(
                      MachineStates.of(review.study()).stream()
                          .map(MachineStates.State::name)
                          .collect(Collectors.joining(", ")))));
    blocks.add(new Block.Heading("What was checked", 2));
    blocks.add(
        new Block.Paragraph(
            RuleBook.ALL.stream().map(rule -> rule.asks()).collect(Collectors.joining(" "))));
    blocks.add(new Block.Heading("What was not checked", 2));
    blocks.add(
        new Block.Paragraph(
            "Insulation monitoring of IT systems; leakage through filters; heat in the cabinet; interference, shields and separation; what a stop cuts and any safety function; whether what is entered was entered; mechanical strength, ingress protection and spacing. %d single verdicts lacked data: see the list Not checked."
                .formatted(review.notChecked().size())));
    blocks.add(new Block.Heading("Pages and tables relied on", 2));
    blocks.add(
        new Block.Paragraph(
            citations(review).stream()
                    .map(Citation::toString)
                    .sorted()
                    .collect(Collectors.joining("; "))
                + "."));
    blocks.add(new Block.Heading("Revisions", 2));
    var rows =
        project.revisions().stream()
            .map(revision ->
                ListTable.row(revision.mark(), revision.date(), revision.by(), revision.what()))
            .toList();
    blocks.add(
        new Block.Rows(
            new ListTable(
                "revisions",
                "Revisions",
                List.of(
                    ListTable.Column.text("Mark", 0.6),
                    ListTable.Column.text("Date", 1),
                    ListTable.Column.text("By", 1.2),
                    ListTable.Column.text("What", 5)),
                rows)));
  }

  private static void supplySheets(Review review, List<Block> blocks) {
    var study = review.study();
    blocks.add(new Block.Heading("Supplies and protection", 1));
    for (var inlet : InletLoad.inlets(study)) {
      var load = InletLoad.of(inlet, study);
      blocks.add(
          new Block.Sheet(
              load.trail(), "%s of %s".formatted(load.value(), inlet.output().rating())));
    }
    for (var source : study.network().sources()) {
      if (!study.part(source.device()).filter(Part::electronicSupply).isPresent()) continue;
      var load = SupplyLoad.of(source, study);
      blocks.add(
          new Block.Sheet(
              load.trail(), "%s of %s".formatted(load.value(), source.output().rating())));
    }
    blocks.add(new Block.Heading("Protective devices", 2));
    for (var protecting : ProtectiveDevices.all(study)) {
      for (var entry :
          review
              .about(protecting.device().device().id())
              .filter(entry ->
                  entry.rule().id().equals("protection.device-against-load")
                      || entry.rule().id().equals("protection.inrush"))
              .toList()) {
        if (!trail(entry.verdict()).lines().isEmpty())
          blocks.add(
              new Block.Sheet(
                  named(
                      trail(entry.verdict()),
                      protecting.device().device().designation()
                          + " "
                          + protecting.device().protection()),
                  result(entry)));
      }
    }
  }

  private static Trail named(Trail trail, String name) {
    return trail.titled(name + ": " + trail.title());
  }

  private static String result(Review.Entry entry) {
    return switch (entry.verdict()) {
      case Verdict.Pass _ -> "holds";
      case Verdict.Finding _ ->
          entry.accepted().isPresent() ? "accepted deviation" : "does not hold";
      case Verdict.NotChecked _ -> "not checked";
    };
  }

  private static void wireSheets(Review review, List<Block> blocks) {
    var study = review.study();
    blocks.add(new Block.Heading("Ampacity and voltage drop", 1));
    blocks.add(
        new Block.Paragraph(
            "Ampacity of every conductor that carries a load, then the voltage drop to every load. Wires of one section in one bundle share their working."));
    var shown = new java.util.HashSet<String>();
    for (var conductor : study.project().conductors()) {
      if (study.designCurrent(conductor).amperes() == 0) continue;
      Ampacity.of(conductor, study)
          .found()
          .filter(iz -> shown.add(iz.trail().text()))
          .ifPresent(iz ->
              blocks.add(
                  new Block.Sheet(
                      named(
                          iz.trail(),
                          "%s, %s, %s"
                              .formatted(
                                  conductor.label(),
                                  conductor.section().orElseThrow(),
                                  study.bundle(conductor).map(bundle -> bundle.name()).orElse(""))),
                      iz.value().toString())));
    }
    blocks.add(new Block.Heading("Voltage drop", 2));
    for (var feed : study.network().feeds()) {
      if (study.designCurrent(feed).amperes() == 0
          || feed.source()
              .filter(source ->
                  source.output().alternating()
                      && !source.output().name().equals("mains")
                      && source.output().lines().size() == 1)
              .isPresent()) continue;
      VoltageDrop.of(feed, study)
          .found()
          .ifPresent(drop -> blocks.add(new Block.Sheet(drop.trail(), drop.value().toString())));
    }
  }
}
