package nelvar.documents.content;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import nelvar.core.analysis.circuit.SheetFormat;
import nelvar.core.review.Review;
import nelvar.core.trail.Citation;

/// The papers that let someone else build, check and repair the machine.
public final class Pack {
  /// Lists that stand in other chapters.
  private static final Set<String> ELSEWHERE =
      Set.of(
          "protective-devices",
          "wait-times",
          "lamps",
          "repair-sheet",
          "short-circuit-currents",
          "stops",
          "free-terminals",
          "shields");

  /// Lists one works through with a pen or feeds to a printer: in the annex, and always beside the
  /// papers as files.
  private static final Set<String> TO_WORK_WITH =
      Set.of(
          "cut-list",
          "wiring-sheet",
          "labels",
          "ferrules",
          "wiring-hours",
          "drilling",
          "rail-and-duct-cuts");

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
  /// @param annex whether every working and the lists to work with are printed too
  /// @param circuits the paper of the circuit sheets
  public record Options(String about, boolean byFunction, boolean annex, SheetFormat circuits) {
    public static final Options USUAL = new Options("", false, false, SheetFormat.A4);
  }

  public static Paper paper(Review review, Options options) {
    var study = review.study();
    var lists = Lists.all(review, options.byFunction());
    var blocks = new ArrayList<Block>();
    Cover.blocks(review, options.about(), blocks);
    blocks.add(new Block.Contents(beside(lists, options)));
    blocks.addAll(DoorSheet.blocks(review));
    blocks.add(new Block.NewPage());
    Pictures.circuits(review, options.circuits(), blocks);
    Pictures.strips(review, blocks);
    Pictures.connectors(review, blocks);
    blocks.addAll(Block.list(Designations.free(study)));
    blocks.addAll(Pictures.shields(study));
    // It is taken along to the machine.
    blocks.add(new Block.NewPage());
    blocks.addAll(RepairSheet.blocks(study, options.circuits()));
    blocks.addAll(CalculationSheets.blocks(review));
    blocks.addAll(Block.list(Lists.faults(study)));
    Pictures.charts(review, blocks);
    Pictures.plates(review, blocks);
    Pictures.ways(review, blocks);
    Pictures.stops(review, blocks);
    blocks.add(new Block.Heading("Lists", 1));
    blocks.addAll(
        lists(
            lists.stream()
                .filter(
                    list -> !ELSEWHERE.contains(list.name()) && !TO_WORK_WITH.contains(list.name()))
                .toList()));
    Cover.checked(review, blocks);
    blocks.addAll(Designations.index(study, options.circuits()));
    if (options.annex()) {
      blocks.add(new Block.NewPage());
      blocks.add(new Block.Heading("Annex: lists to work with", 1));
      blocks.addAll(
          lists(lists.stream().filter(list -> TO_WORK_WITH.contains(list.name())).toList()));
      blocks.add(new Block.NewPage());
      blocks.addAll(CalculationSheets.annex(review));
    }
    var unchecked =
        Cover.citations(review).stream()
            .filter(citation -> citation.status() == Citation.Status.RECALLED)
            .count();
    return Typesetter.set(
        blocks,
        review.project().name(),
        "revision " + review.project().revision() + ", " + date(review),
        "%d cited places were entered from memory and are marked (unchecked). Local codes and a licensed electrician decide."
            .formatted(unchecked));
  }

  /// Lists one after the other. One in which nothing stands is only named, but for those of which
  /// that is what a reader looks for.
  private static List<Block> lists(List<ListTable> lists) {
    var blocks = new ArrayList<Block>();
    var empty = new ArrayList<String>();
    for (var list : lists)
      if (list.cells().isEmpty() && !SAID_EMPTY.contains(list.name())) empty.add(list.title());
      else blocks.addAll(Block.list(list));
    if (!empty.isEmpty())
      blocks.add(0, new Block.Paragraph("Nothing stands in: " + String.join("; ", empty) + "."));
    return blocks;
  }

  private static final Set<String> SAID_EMPTY = Set.of("findings", "deviations", "not-checked");

  /// What is to be found in files and not on these pages.
  private static String beside(List<ListTable> lists, Options options) {
    if (options.annex()) return "Each list stands besides as CSV, all of them as lists.xlsx.";
    var files =
        lists.stream()
            .filter(list -> TO_WORK_WITH.contains(list.name()))
            .map(list -> "%s (%s.csv)".formatted(list.title(), list.name()))
            .toList();
    return "Not printed here, but beside these papers, and in the annex where that is asked for: every working (workings.json); %s. Each list stands besides as CSV, all of them as lists.xlsx."
        .formatted(String.join("; ", files));
  }
}
