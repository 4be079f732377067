package nelvar.core.analysis.earthing;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.standards.AmericanConductors;
import nelvar.core.standards.ProtectiveConductor;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Cited;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;

/// A protective conductor is as thick as its lines demand.
///
/// By the thickest line conductor of the devices it joins; where they have none, by the inlet's. A
/// single wire outside cable and duct has at least 4 mm². Demand: IEC 60364-5-54:2011, Table 54.2
/// and 543.1.3 (unchecked).
public final class ProtectiveSection implements Rule {
  private static final Reason PROTECTIVE_CONDUCTOR_TOO_THIN =
      Reason.of("Protective conductor too thin");

  @Override
  public String id() {
    return "earthing.protective-section";
  }

  @Override
  public String asks() {
    return "Every protective conductor is thick enough for its line conductors.";
  }

  private static final Citation SINGLE = Citation.recalled("IEC 60364-5-54:2011", "543.1.3");

  @Override
  public Stream<Verdict> check(Study study) {
    return study.project().conductors().stream()
        .filter(c -> c.function() == Conductor.Function.PROTECTIVE)
        .flatMap(Contained.one(this, c -> c.id(), c -> judge(c, study)));
  }

  private static Verdict judge(Conductor conductor, Study study) {
    if (conductor.section().isEmpty())
      return new Verdict.NotChecked(conductor.id(), "its section is not chosen yet");
    var line = thickest(conductor.from(), study).or(() -> Optional.empty());
    var other = thickest(conductor.to(), study);
    var reference =
        line.isPresent() && other.isPresent()
            ? Optional.of(line.get().compareTo(other.get()) < 0 ? line.get() : other.get())
            : line.or(() -> other).or(() -> inletLine(study));
    if (reference.isEmpty())
      return new Verdict.NotChecked(conductor.id(), "no line conductor says how thick it must be");
    var needed =
        byDevice(study)
            ? grounding(conductor, study)
            : needed(
                reference.get(),
                conductor.cable().isEmpty() && study.bundles(conductor).isEmpty(),
                study);
    if (needed.isEmpty() && byDevice(study))
      return new Verdict.NotChecked(
          conductor.id(), "no protective device is known ahead of what it earths");
    if (needed.isEmpty())
      return new Verdict.NotChecked(
          conductor.id(), "the table of protective conductors has no row for " + reference.get());
    var judged =
        Explained.atLeast(
            new Explained<>(conductor.section().get(), needed.get().trail()),
            "SPE",
            needed.get().value(),
            needed.get().trail().citations().getLast());
    if (judged.holds()) return new Verdict.Pass(conductor.id(), judged.trail());
    var least = needed.get().value();
    var repairs =
        Schools.sizes(study).stream()
            .filter(
                size -> size.compareTo(least) >= 0 && Sections.available(conductor, size, study))
            .limit(1)
            .map(size -> Repair.of(Sections.change(conductor, size, study)))
            .toList();
    return new Verdict.Finding(
        conductor.id(),
        Severity.ERROR,
        PROTECTIVE_CONDUCTOR_TOO_THIN,
        "%s has %s and needs %s. In a fault it must carry the current until the device trips."
            .formatted(conductor.label(), conductor.section().get(), needed.get().value()),
        judged.trail(),
        repairs);
  }

  /// The section a protective conductor to `device` needs.
  static Optional<Explained<CrossSection>> needed(Device device, Study study) {
    if (byDevice(study)) {
      var ahead = ratings(device.id(), study).min(java.util.Comparator.naturalOrder());
      var w = Working.of("Equipment grounding conductor");
      Schools.name(w, study, School.PROTECTIVE_CONDUCTOR);
      var rating =
          w.given("In", ahead.orElse(study.project().brief().supply().upstream()), "device ahead");
      return AmericanConductors.equipmentGrounding(rating)
          .map(cited -> w.explain(w.table("SPE", cited, "for In")));
    }
    return lines(device, study)
        .max(java.util.Comparator.naturalOrder())
        .or(() -> inletLine(study))
        .flatMap(line -> needed(line, lines(device, study).findAny().isEmpty(), study));
  }

  private static boolean byDevice(Study study) {
    return study.project().brief().policies().chose(School.PROTECTIVE_CONDUCTOR, "by-device");
  }

  /// By the rating of the device ahead: of what it earths, else the one before the inlet. It need
  /// never be thicker than the line conductors (NEC 250.122(A)).
  private static Optional<Explained<CrossSection>> grounding(Conductor conductor, Study study) {
    var ahead =
        Stream.of(conductor.from(), conductor.to())
            .flatMap(end -> ratings(end.device(), study))
            .min(java.util.Comparator.naturalOrder());
    var w = Working.of("Equipment grounding conductor");
    Schools.name(w, study, School.PROTECTIVE_CONDUCTOR);
    var rating =
        ahead.isPresent()
            ? w.given("In", ahead.get(), "device ahead of what it earths")
            : w.given("In", study.project().brief().supply().upstream(), "before the inlet");
    var line =
        Stream.of(conductor.from(), conductor.to())
            .flatMap(end -> thickest(end, study).stream())
            .min(java.util.Comparator.naturalOrder())
            .or(() -> inletLine(study));
    return AmericanConductors.equipmentGrounding(rating)
        .map(cited -> {
          var least = w.table("SPE", cited, "for In");
          return line.isPresent() && line.get().compareTo(least) < 0
              ? w.explain(w.result("SPE", "no thicker than the line", line.get()))
              : w.explain(least);
        });
  }

  private static Stream<Current> ratings(Id device, Study study) {
    return study.network().feeds(device).stream()
        .filter(feed -> !feed.lineWays().isEmpty())
        .flatMap(feed -> study.network().protection(feed.lineWays().getFirst()).stream())
        .map(protection -> protection.protection().rating());
  }

  private static Optional<Explained<CrossSection>> needed(
      CrossSection line, boolean unprotected, Study study) {
    return ProtectiveConductor.forLine(line)
        .map(cited -> {
          var w = Working.of("Protective conductor");
          Schools.name(w, study, School.PROTECTIVE_CONDUCTOR);
          w.given("S", line, "thickest line conductor");
          var least = w.table("SPE", cited, "for " + line);
          if (!unprotected || least.squareMillimetres() >= 4) return w.explain(least);
          return w.explain(
              w.table(
                  "SPEmin",
                  new Cited<>(new CrossSection(4), SINGLE),
                  "single wire, not in cable or duct"));
        });
  }

  private static Optional<CrossSection> thickest(TerminalRef end, Study study) {
    return study
        .device(end.device())
        .filter(device ->
            !(study.part(device).orElse(null) instanceof DistributionBlock block
                && block.role() == Terminal.Role.PROTECTIVE))
        .flatMap(device -> lines(device, study).max(java.util.Comparator.naturalOrder()));
  }

  private static Stream<CrossSection> lines(Device device, Study study) {
    return study.at(device.id()).stream()
        .filter(c -> c.function() == Conductor.Function.POWER && feeds(c, device, study))
        .flatMap(c -> c.section().stream());
  }

  /// Of a part with intakes only the wires that feed it count: a supply's own output does not.
  private static boolean feeds(Conductor conductor, Device device, Study study) {
    var intakes = study.part(device).map(device::intakes).orElse(List.of());
    return intakes.isEmpty()
        || intakes.stream()
            .flatMap(intake -> intake.lines().stream())
            .map(mark -> new TerminalRef(device.id(), mark))
            .anyMatch(end -> end.equals(conductor.from()) || end.equals(conductor.to()));
  }

  private static Optional<CrossSection> inletLine(Study study) {
    return study.project().devices().stream()
        .filter(device -> study.part(device).orElse(null) instanceof MainsInlet)
        .flatMap(device -> lines(device, study))
        .max(java.util.Comparator.naturalOrder());
  }
}
