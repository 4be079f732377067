package nelvar.documents.content;

import java.util.List;
import java.util.stream.Collectors;
import nelvar.core.analysis.states.MachineStates;
import nelvar.core.finding.Severity;
import nelvar.core.model.School;
import nelvar.core.review.Calculation;
import nelvar.core.review.Review;
import nelvar.core.review.RuleBook;
import nelvar.core.trail.Citation;
import nelvar.documents.drawing.Ink;

/// The first page, and what these papers rest on: what was asked, by which tables, what was not.
final class Cover {
  private Cover() {}

  static void blocks(Review review, String about, List<Block> blocks) {
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
    blocks.add(new Block.Heading("Fed from", 3));
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
    blocks.add(new Block.Heading("State", 3));
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
    blocks.add(new Block.Heading("Revisions", 3));
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

  /// What was asked, and what was not.
  static void checked(Review review, List<Block> blocks) {
    blocks.add(new Block.Heading("What was checked", 1));
    blocks.add(
        new Block.Fine(
            RuleBook.ALL.stream().map(rule -> rule.asks()).collect(Collectors.joining(" "))));
    blocks.add(new Block.Heading("What was not checked", 2));
    blocks.add(
        new Block.Paragraph(
            "Insulation monitoring of IT systems; whether a stop does what a safety function must (its category and performance level, and their validation); conformity with limits of emission and immunity; creepage and clearance inside the cabinet; mechanical strength and ingress protection; what programs of controllers do. Heat, interference and stops are computed by models that say what they assume. %d single verdicts lacked data: see the list Not checked."
                .formatted(review.notChecked().size())));
    blocks.add(new Block.Heading("Pages and tables relied on", 2));
    blocks.add(
        new Block.Fine(
            citations(review).stream()
                    .map(Citation::toString)
                    .sorted()
                    .collect(Collectors.joining("; "))
                + "."));
  }

  static List<Citation> citations(Review review) {
    return review.entries().stream()
        .flatMap(entry -> Calculation.trail(entry).citations().stream())
        .distinct()
        .toList();
  }
}
