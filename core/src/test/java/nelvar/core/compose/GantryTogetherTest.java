package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.analysis.signals.PinLinks;
import nelvar.core.analysis.stop.GantryTogether;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Device;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.review.WaysOut;
import org.junit.jupiter.api.Test;

/// Two motors on one gantry stop together, and one that fails is told to the other.
class GantryTogetherTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  private static Project gantry() {
    return ((Drafting.Drawn)
            Drafting.of(
                "gantry",
                """
                mains 230 V 50 Hz TN-S
                upstream 16 A
                impedance 0.5 Ω
                =Y1 gantry: 2 stepper motors 4.2 A
                =STP1 stop: stop button
                =SNS1 start: start button
                """,
                STANDARD))
        .draft()
        .project();
  }

  private static Verdict.Finding found(Project project) {
    return new GantryTogether()
        .check(Panel.study(project))
        .filter(Verdict.Finding.class::isInstance)
        .map(Verdict.Finding.class::cast)
        .findFirst()
        .orElseThrow();
  }

  private static List<Repair> waysOut(Project project) {
    var review = Review.findingsOnly(project, STANDARD);
    var entry =
        review.open().stream()
            .filter(e -> e.rule().id().equals("stop.gantry"))
            .findFirst()
            .orElseThrow();
    return WaysOut.of(review, STANDARD, new WaysAsRepairs(STANDARD)).of(entry).orElseThrow();
  }

  private static Device called(String name, Study study) {
    return study.project().devices().stream()
        .filter(d -> d.designation().text().equals(name))
        .findFirst()
        .orElseThrow();
  }

  /// Each drive's alarm on an input of its own: one while it is ready, zero when it fails, and the
  /// other side's as before.
  @Test
  void theAlarmOfEachSideIsTold() {
    var before = gantry();
    assertThat(found(before).severity()).isEqualTo(Severity.WARNING);
    var ways = waysOut(before);
    assertThat(ways).hasSize(1);
    assertThat(ways.getFirst().label()).contains("ALM of -U1, -U2");
    var after = Panel.study(ways.getFirst().edit().on(before, STANDARD));
    assertThat(new GantryTogether().check(after).toList())
        .singleElement()
        .isInstanceOf(Verdict.Pass.class);
    var running = after.asDesigned();
    for (var failed : List.of("-U1", "-U2")) {
      var ready = new ActuatorRef(called(failed, after).id(), Actuator.READY);
      var then =
          after
              .engine()
              .solve(
                  WhatIf.AS_DESIGNED.holding(ready, false),
                  Conditions.usual(after.project().brief().surroundings().inside()),
                  running.positions());
      for (var drive : List.of("-U1", "-U2")) {
        var pin = told(called(drive, after), after);
        assertThat(pin.reads(pin.at(), running)).as(drive).isEqualTo(PinLink.Reads.ONE);
        assertThat(pin.reads(pin.at(), then))
            .as("%s told of %s", drive, failed)
            .isEqualTo(drive.equals(failed) ? PinLink.Reads.ZERO : PinLink.Reads.ONE);
      }
    }
  }

  private static PinLink told(Device drive, Study study) {
    var alarm = new TerminalRef(drive.id(), "ALM");
    return PinLinks.of(study).stream()
        .filter(link ->
            study.project().conductors().stream()
                .anyMatch(wire -> wire.lands(alarm) && wire.lands(link.at())))
        .findFirst()
        .orElseThrow();
  }

  /// One side fed past the stop is led back behind it.
  @Test
  void oneSideBesideTheStop() {
    var project = gantry();
    var study = Panel.study(project);
    var second = called("-U2", study).id();
    var live = called("-X3", study).id();
    var plus =
        project.conductors().stream()
            .filter(w -> w.lands(new TerminalRef(second, "+")))
            .findFirst()
            .orElseThrow();
    var astray =
        project.withConductors(
            Project.changed(
                project.conductors(),
                w -> w.id().equals(plus.id()),
                w -> w.withEnds(new TerminalRef(live, "8"), new TerminalRef(second, "+"))));
    var finding = found(astray);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.proposals()).hasSize(1);
    var back = finding.proposals().getFirst().edit().on(astray, STANDARD);
    assertThat(found(back).severity()).isEqualTo(Severity.WARNING);
  }
}
