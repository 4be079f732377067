package nelvar.desktop.stage.runs;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.HowLong;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.finding.Severity;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.review.Review;

/// One conductor as a row of the run list. Numbers that are not known are empty, never zero.
///
/// @param lines what is shown, in the order of [#HEADINGS]
public record RunRow(
    Conductor conductor,
    List<String> lines,
    List<Optional<Double>> numbers,
    Optional<Severity> worst) {
  public static final List<String> HEADINGS =
      List.of("No.", "From", "To", "Section", "Length m", "Ib A", "Iz A", "Drop mV", "Way");

  static RunRow of(Conductor conductor, Review review, java.util.Map<Id, Severity> worst) {
    var study = review.study();
    var section = conductor.section().map(s -> s.squareMillimetres());
    var length = study.length(conductor).map(l -> l.metres());
    var design = Optional.of(study.designCurrent(conductor).amperes());
    var ampacity = Ampacity.of(conductor, study).found().map(iz -> iz.value().amperes());
    var drop = VoltageDrop.alone(conductor, study).map(lost -> lost.volts() * 1000);
    var none = Optional.<Double>empty();
    return new RunRow(
        conductor,
        List.of(
            conductor.label().text(),
            end(study, conductor.from()),
            end(study, conductor.to()),
            conductor.section().map(Object::toString).orElse("choose"),
            digits(length) + feet(study, conductor),
            digits(design),
            digits(ampacity),
            digits(drop),
            place(conductor, study)),
        List.of(none, none, none, section, length, design, ampacity, drop, none),
        Optional.ofNullable(worst.get(conductor.id())));
  }

  private static String place(Conductor conductor, Study study) {
    var lies = Lying.of(study).words(conductor);
    return study.cable(conductor).map(cable -> cable.label() + ", ").orElse("")
        + (lies.isEmpty() ? "free, or nowhere yet" : lies);
  }

  private static String end(Study study, nelvar.core.model.TerminalRef end) {
    return study.label(end.device()) + ":" + end.terminal();
  }

  /// In feet and inches besides, where those are what is on the tape.
  private static String feet(Study study, Conductor conductor) {
    return study
        .length(conductor)
        .flatMap(length -> HowLong.onTape(length, study))
        .map(tape -> "  " + tape)
        .orElse("");
  }

  private static String digits(Optional<Double> number) {
    return number.map(nelvar.core.units.Significant::digits).orElse("");
  }

  boolean matches(String words) {
    for (var word : words.toLowerCase(java.util.Locale.ROOT).split("\\s+")) {
      if (lines.stream().noneMatch(line -> line.toLowerCase(java.util.Locale.ROOT).contains(word)))
        return false;
    }
    return true;
  }
}
