package nelvar.core.analysis.interference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Disturbing;
import nelvar.core.Panel;
import nelvar.core.file.Demo;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.edit.LayoutEdits;
import org.junit.jupiter.api.Test;

class EmittersTest {
  private static List<Emitter> of(Project project, Emitter.Kind kind) {
    return Emitters.of(Panel.study(project)).stream().filter(e -> e.kind() == kind).toList();
  }

  /// What goes home over the mains flows in the leads as far as the filter, and not behind it.
  @Test
  void aFilterEndsWhatGoesHome() {
    var filtered = of(Demo.planted(), Emitter.Kind.FEED).getFirst();
    assertThat(filtered.basis()).contains("-Z1");
    assertThat(filtered.wires())
        .anyMatch(w -> w.from().toString().equals("Z1:L1'"))
        .noneMatch(w -> w.from().device().text().equals("X0"));
    var bare = of(Demo.rinser(), Emitter.Kind.FEED).getFirst();
    assertThat(bare.basis()).isEqualTo("no filter before it that works");
    assertThat(bare.wires()).anyMatch(w -> w.from().device().text().equals("X0"));
  }

  /// On paint it takes nothing in: what its drives give back flows on to the inlet.
  @Test
  void aFilterOnPaintIsNone() {
    var project = Demo.planted();
    var painted =
        nelvar.core.model.edit.PinEdits.say(device(project, "Z1"), "Foot", "painted")
            .apply(project);
    var feed = of(painted, Emitter.Kind.FEED).getFirst();
    assertThat(feed.basis()).isEqualTo("no filter before it that works");
    assertThat(feed.wires()).anyMatch(w -> w.from().device().text().equals("X0"));
    assertThat(Coupled.of(Panel.study(painted)).pairs().getFirst().margin())
        .isLessThanOrEqualTo(Coupled.of(Panel.study(project)).pairs().getFirst().margin() + 1e-9);
  }

  /// With its shield open at the motor, the auger disturbs steps of the press over the leads of its
  /// drive; with it clamped it does not.
  @Test
  void leadsBeforeTheFilterDisturb() {
    var planted = Coupled.of(Panel.study(Demo.planted())).pairs().getFirst();
    assertThat(planted.emitter().kind()).isEqualTo(Emitter.Kind.FEED);
    assertThat(planted.margin()).isNegative();
    assertThat(Coupled.of(Panel.study(Demo.settled())).pairs().getFirst().margin())
        .isGreaterThan(12);
  }

  /// Nearer to its drive, the leads of the filter are shorter.
  @Test
  void aFilterBesideItsDriveHasShorterLeads() {
    assertThat(metres(Demo.planted())).isGreaterThan(metres(Demo.settled()) + 1);
  }

  private static double metres(Project project) {
    var study = Panel.study(project);
    return of(project, Emitter.Kind.FEED).getFirst().wires().stream()
        .mapToDouble(w -> study.length(w).orElseThrow().metres())
        .sum();
  }

  /// Mains hum, their rectifiers draw peaks; what a drive gives its motor is told as its edges.
  @Test
  void mainsAreToldOnceForEachOfTheirLoads() {
    var all = of(Demo.settled(), Emitter.Kind.MAINS);
    assertThat(all)
        .extracting(e -> e.device().id().text())
        .contains("U1", "T1", "E1", "E2")
        .doesNotContain("M1", "M4");
    var supply = all.stream().filter(e -> e.device().id().text().equals("T1")).findFirst();
    assertThat(supply.orElseThrow().basis()).contains("rectifier");
    assertThat(supply.get().volts()).isCloseTo(Math.sqrt(2) * 230.94, within(0.1));
    // A quarter of a turn at 50 Hz.
    assertThat(supply.get().rise()).isCloseTo(1 / (2 * Math.PI * 50), within(1e-6));
  }

  /// The duct behind a switching supply, where there is one; a linear one switches nothing.
  @Test
  void theCaseOfASupplyDisturbsWhatPassesIt() {
    assertThat(of(Demo.rinserSettled(), Emitter.Kind.CASE))
        .isNotEmpty()
        .allMatch(e -> !e.lays().in().isEmpty() && e.wires().isEmpty());
    var away = LayoutEdits.takeOff(device(Demo.rinserSettled(), "T1")).apply(Demo.rinserSettled());
    assertThat(of(away, Emitter.Kind.CASE)).noneMatch(e -> e.device().id().equals(new Id("T1")));
  }

  private static nelvar.core.model.Device device(Project project, String id) {
    return project.devices().stream()
        .filter(d -> d.id().text().equals(id))
        .findFirst()
        .orElseThrow();
  }

  /// It has no motor cable: its own leads carry what its winding lets through.
  @Test
  void aMotorWithItsDriveBuiltInDisturbsOverItsLeads() {
    var study = Panel.study(Panel.dc().build());
    var part =
        study
            .catalogue()
            .of(nelvar.core.catalogue.MotorWithDrive.class)
            .filter(p -> p.input().contains(new nelvar.core.units.Voltage(24)))
            .findFirst();
    if (part.isEmpty()) return;
    var project =
        Panel.dc()
            .device("M", part.get().id(), Place.MACHINE)
            .wire("T:+", "M:+", 1.5, 3)
            .wire("T:-", "M:-", 1.5, 3)
            .build();
    var feed = of(project, Emitter.Kind.FEED);
    assertThat(feed).hasSize(1);
    // min(1 nF · 24 V/0.1 µs, 24 V/100 Ω) = 0.24 A.
    assertThat(feed.getFirst().leaves()).isCloseTo(0.24, within(1e-6));
  }

  /// A cable whose length nobody said counts as longer than any edge, and is not checked.
  @Test
  void anUnknownLengthIsTheWorstAndIsSaid() {
    var project = Demo.planted();
    var unsaid = Disturbing.unsaid(project, "WD1");
    var study = Panel.study(unsaid);
    assertThat(study.length(unsaid.cable(new nelvar.core.model.Id("WD1")).orElseThrow())).isEmpty();
    var emitter = of(unsaid, Emitter.Kind.DRIVE).getFirst();
    assertThat(emitter.unknown()).containsExactly("length of -WD1");
    var known = of(project, Emitter.Kind.DRIVE).getFirst();
    assertThat(emitter.leaves()).isGreaterThanOrEqualTo(known.leaves());
    assertThat(new QuietEnough().check(study).toList())
        .filteredOn(Verdict.NotChecked.class::isInstance)
        .extracting(v -> ((Verdict.NotChecked) v).why())
        .anyMatch(why -> why.contains("length of -WD1 is not known"));
    assertThat(new QuietEnough().check(study).toList())
        .noneMatch(v ->
            v instanceof Verdict.Finding f
                && f.text().contains("-WD1")
                && f.text().contains("by -WD1"));
    assertThat(Optional.of(emitter).filter(e -> e.shielded(study))).isPresent();
  }
}
