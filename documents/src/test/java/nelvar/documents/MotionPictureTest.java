package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.AxisStretch;
import nelvar.core.analysis.motion.DialedMotor;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.motion.MotionAxes;
import nelvar.core.analysis.motion.MotionAxis;
import nelvar.core.compose.Drafting;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.PinEdits;
import nelvar.core.review.Review;
import nelvar.documents.content.Lists;
import nelvar.documents.drawing.DialPicture;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.DrivePicture;
import nelvar.documents.drawing.Faces;
import nelvar.documents.drawing.Ink;
import nelvar.documents.drawing.MotionPicture;
import nelvar.documents.drawing.Shape;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// The picture of an axis: its chain, its sum, its switches, its torque.
class MotionPictureTest {
  private static Project project(String name) throws Exception {
    var path = Path.of("../demo/" + name + ".nelvar.json");
    return ProjectFormat.read("demo", Files.readAllBytes(path), CatalogueFile.standard());
  }

  private static Project filler() throws Exception {
    return project("seed-tray-filler/seed-tray-filler-settled");
  }

  private static List<MotionAxis> axes(Project project) {
    return MotionAxes.of(Study.of(project, CatalogueFile.standard()));
  }

  private static List<Shape.Label> labels(Drawing drawing) {
    return drawing.shapes().stream()
        .filter(Shape.Label.class::isInstance)
        .map(Shape.Label.class::cast)
        .toList();
  }

  private static boolean says(Drawing drawing, String text) {
    return labels(drawing).stream().anyMatch(label -> label.text().contains(text));
  }

  private static Drawing drawn(MotionAxis axis) {
    return MotionPicture.of(axis, AxisStretch.UNKNOWN, 836, 452);
  }

  private static List<Drawing> drawn(Project project, double width) {
    var study = Study.of(project, CatalogueFile.standard());
    var all = new java.util.ArrayList<Drawing>();
    for (var axis : MotionAxes.of(study))
      all.add(MotionPicture.of(axis, AxisStretch.of(axis, study), width, 452));
    for (var driven : DrivenMotor.all(study)) all.add(DrivePicture.of(driven, study, width, 452));
    return all;
  }

  /// Whatever the axis, and however narrow, nothing is written beyond the edge.
  @ParameterizedTest
  @ValueSource(
      strings = {
        "seed-tray-filler/seed-tray-filler",
        "bottle-rinser/bottle-rinser",
        "glaze-sprayer/glaze-sprayer"
      })
  void nothingStandsBeyondTheEdge(String name) throws Exception {
    for (var width : new double[] {600, 836, 1200})
      for (var drawing : drawn(project(name), width)) {
        for (var label : labels(drawing)) {
          var wide = Faces.width(label.text(), label.face(), label.size());
          var left =
              switch (label.anchor()) {
                case START -> label.x();
                case MIDDLE -> label.x() - wide / 2;
                case END -> label.x() - wide;
              };
          assertThat(left).as(label.text()).isGreaterThanOrEqualTo(0);
          assertThat(left + wide).as(label.text()).isLessThanOrEqualTo(width + 1);
          assertThat(label.y()).as(label.text()).isBetween(0.0, 452.0);
        }
        assertThat(drawing.spots()).isNotEmpty();
      }
  }

  /// The press with its ends; the belt with its speeds, what never starts, and what is entered.
  @Test
  void endsOfAnAxisAndSpeedsOfADrive() throws Exception {
    var study = Study.of(filler(), CatalogueFile.standard());
    var all = drawn(filler(), 836);
    assertThat(says(all.getFirst(), "stops within 12.9 mm of its switch")).isTrue();
    assertThat(says(all.getFirst(), "trips -5")).isTrue();
    assertThat(says(all.getFirst(), "soft limits 0 to 190")).isTrue();
    var belt = all.getLast();
    assertThat(says(belt, "120 · 60 Hz ÷ 4 poles = 1800 rpm at 10 V")).isTrue();
    assertThat(says(belt, "below 0.5 V it never starts; slowest 600 rpm")).isTrue();
    assertThat(says(belt, "measured; -2")).isTrue();
    assertThat(says(belt, "13 values, some 52 key presses")).isTrue();
    assertThat(labels(belt).stream().map(Shape.Label::text))
        .containsSubsequence("Motor volts", "Motor current", "Run input", "Run source");
    var auger = DrivenMotor.all(study).getFirst();
    var one = DrivePicture.of(auger, study, 836, 452);
    assertThat(says(one, "one speed, set on the drive")).isTrue();
    assertThat(says(one, "both ways, forward only")).as("what it takes").isTrue();
  }

  /// A motor on the mains with the dial of its protective switch; set elsewhere, both places show.
  @Test
  void aDialIsDrawnWhereItHasToStand() {
    var drawn =
        Drafting.of(
            "Kiln cart",
            "mains 3x400 V 50 Hz TN-S\nupstream 16 A\nextractor motor on the mains 1.1 kW\n2 stop buttons\nstart button\n",
            CatalogueFile.standard());
    assertThat(drawn).isInstanceOf(Drafting.Drawn.class);
    var project = ((Drafting.Drawn) drawn).draft().project();
    var dialed = DialedMotor.all(Study.of(project, CatalogueFile.standard())).getFirst();
    var picture = DialPicture.of(dialed, 836, 452);
    assertThat(says(picture, "To stand at 2.6 A")).isTrue();
    assertThat(says(picture, "2.5 A")).isTrue();
    var wrong =
        nelvar.core.model.edit.Edits.trip(
                dialed.protector(), Optional.of(new nelvar.core.units.Current(3.6)))
            .apply(project);
    var other =
        DialPicture.of(
            DialedMotor.all(Study.of(wrong, CatalogueFile.standard())).getFirst(), 600, 452);
    assertThat(says(other, "Stands at 3.6 A")).isTrue();
    for (var label : labels(other)) assertThat(label.x()).isBetween(0.0, 600.0);
  }

  @Test
  void aStepperWithItsSwitchesAndItsTorque() throws Exception {
    var drum = drawn(axes(filler()).get(1));
    assertThat(says(drum, "200 · 8 · 3 ÷ 120 mm = 40 steps/mm")).isTrue();
    assertThat(says(drum, "one pulse 0.025 mm; 0.1 mm wanted")).isTrue();
    assertThat(says(drum, "5–8 phase current: 4.2 A")).isTrue();
    assertThat(says(drum, "23.8 V would give this")).isTrue();
    assertThat(says(drum, "450 rpm: asked 0.253 N·m, reserve 10.4")).isTrue();
  }

  @Test
  void aServoWithWhatItGivesForEverAndForAMoment() throws Exception {
    var press = drawn(axes(filler()).getFirst());
    assertThat(says(press, "2000 ÷ 10 mm = 200 steps/mm")).isTrue();
    assertThat(says(press, "10000 counts a turn")).isTrue();
    assertThat(says(press, "filled: for ever")).isTrue();
    assertThat(says(press, "asked 0.314 N·m, 0.421 N·m while it speeds up")).isTrue();
    assertThat(says(press, "250 kHz, too fast")).isTrue();
  }

  @Test
  void degreesAndInches() throws Exception {
    var rinser = axes(project("bottle-rinser/bottle-rinser-settled"));
    assertThat(says(drawn(rinser.getFirst()), "= 26.6666667 steps/°")).isTrue();
    assertThat(says(drawn(rinser.getLast()), "÷ 12.7 mm · 25.4 = 3200 steps/inch")).isTrue();
    var sprayer = axes(project("glaze-sprayer/glaze-sprayer-settled")).getFirst();
    assertThat(says(drawn(sprayer), "its jumpers as one sees them")).isTrue();
    assertThat(says(drawn(sprayer), "1–3 microsteps: 16")).isTrue();
  }

  /// What is not known is written where its number would stand.
  @Test
  void whatIsNotKnownIsSaid() throws Exception {
    var project = filler();
    var function =
        project.functions().stream()
            .filter(f -> f.id().text().equals("AX2"))
            .findFirst()
            .orElseThrow();
    var unsaid =
        FunctionEdits.change(
                function.withWants(
                    function
                        .wants()
                        .withMotion(
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.of("moves"))))
            .apply(project);
    var picture = drawn(axes(unsaid).get(1));
    assertThat(says(picture, "What one turn moves is not said")).isTrue();
    assertThat(says(picture, "is not said")).isTrue();
    var unset =
        PinEdits.say(project.device(new Id("U4")).orElseThrow(), "Microsteps", "").apply(project);
    var without = drawn(axes(unset).get(1));
    assertThat(says(without, "Set the microsteps of -U4")).isTrue();
    assertThat(says(without, "microsteps not set")).isTrue();
    assertThat(labels(without)).filteredOn(label -> label.text().equals("?")).hasSize(3);
    var many =
        PinEdits.say(project.device(new Id("U5")).orElseThrow(), "Microsteps", "128")
            .apply(project);
    assertThat(labels(drawn(axes(many).get(2))))
        .filteredOn(label -> label.ink() == Ink.ERROR)
        .extracting(Shape.Label::text)
        .contains("320 kHz, too fast");
  }

  /// The page for the door: every value of every axis, and what is entered.
  @Test
  void theValuesOfAxesAreAList() throws Exception {
    var lists = Lists.all(Review.findingsOnly(filler(), CatalogueFile.standard()));
    var values =
        lists.stream().filter(list -> list.name().equals("axis-values")).findFirst().orElseThrow();
    assertThat(values.rows())
        .extracting(row -> row.get(1) + " " + row.get(2) + " " + row.get(3) + " " + row.get(4))
        .anyMatch(row -> row.contains("=AX2") && row.contains("40 steps/mm"));
  }
}
