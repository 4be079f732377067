package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.ProjectFormat;
import nelvar.core.model.edit.Differences;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.sample.NewProject;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Measure;
import org.junit.jupiter.api.Test;

class FunctionsTest {
  private static MachineFunction drum() {
    return new MachineFunction(
        new Id("AX2"),
        new Designation("=AX2"),
        "seed drum",
        FunctionKind.MOVE,
        new Wants(
            2,
            Optional.of(Means.STEPPER),
            Optional.of(MainsVoltage.read("48 V").orThrow()),
            Optional.of(Kind.CURRENT.read("4.2 A").orThrow()),
            Optional.of(Kind.POWER.read("120 W").orThrow()),
            Optional.of(new Measure(300, Measure.Unit.ROTATION)),
            Optional.of(Kind.LENGTH.read("400 mm").orThrow()),
            Optional.of(new Measure(12, Measure.Unit.MASS)),
            Optional.of(Kind.LENGTH.read("0.02 mm").orThrow()),
            Optional.of("gantry"),
            Optional.of("belt 24 teeth 5 mm gear 3:1")));
  }

  private static Project machine() {
    var project = FunctionEdits.add(drum()).apply(NewProject.named("x"));
    var motor = Device.of(new Id("M4"), "-M4", "seed drum", "stepper-motor-4p2a", Place.MACHINE);
    project = Edits.add(motor).apply(project);
    return FunctionEdits.serve(motor, Optional.of(drum())).apply(project);
  }

  @Test
  void aFunctionWithAllItWantsComesBackFromTheFile() throws Exception {
    var project =
        FunctionEdits.mark(new Id("AX2"), "=AX2", Optional.of(Standing.LATER)).apply(machine());
    var written = ProjectFormat.write(project);
    assertThat(ProjectFormat.read("x", written, CatalogueFile.standard())).isEqualTo(project);
    var schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
            .getSchema(
                Files.readString(Path.of("../docs/format/project-2.schema.json")),
                InputFormat.JSON);
    assertThat(schema.validate(new String(written, StandardCharsets.UTF_8), InputFormat.JSON))
        .isEmpty();
  }

  @Test
  void whatAFunctionWantsReadsAsASentence() {
    assertThat(drum().wants().words())
        .isEqualTo(
            "2 × stepper motor, 120 W, 48 V, 4.2 A, 300 rpm, travel 0.4 m, 12 kg, resolution 0.02 mm, belt 24 teeth 5 mm gear 3:1, at the gantry");
  }

  @Test
  void aFunctionIsNamedWithAnEqualsSign() {
    assertThatThrownBy(() -> drum().withDesignation(new Designation("-AX2")))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("begins with =");
    assertThatThrownBy(() -> drum().wants().withCount(0))
        .isInstanceOf(ImpossibleQuantity.class)
        .hasMessageContaining("1 to 200");
  }

  @Test
  void removingAFunctionTakesWhatServesOnlyItAndNothingElse() {
    var project = machine();
    var wire =
        new Conductor(
            new Id("W1"),
            new Designation("W1"),
            TerminalRef.of("X10:2"),
            TerminalRef.of("M4:A+"),
            Conductor.Function.POWER,
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.of(new Id("WD1")),
            Optional.empty());
    project =
        Edits.add(
                new Cable(
                    new Id("WD1"),
                    new Designation("-WD1"),
                    "cable-4x1",
                    Optional.empty(),
                    Optional.empty()))
            .apply(project);
    project = Edits.add("wire", wire).apply(project);
    project = FunctionEdits.mark(new Id("W1"), "W1", Optional.of(Standing.TO_BUILD)).apply(project);
    var without = FunctionEdits.remove(drum()).on(project, CatalogueFile.standard());
    assertThat(without).isEqualTo(NewProject.named("x"));
  }

  @Test
  void aDeviceServesAFunctionThatIsThere() {
    var project = machine();
    var lost = project.withFunctions(List.of());
    assertThat(Consistency.words(Consistency.check(lost, CatalogueFile.standard())))
        .contains("-M4 serves 'AX2', which is not a function of the machine");
    assertThatThrownBy(() ->
            FunctionEdits.mark(new Id("nothing"), "it", Optional.of(Standing.LATER))
                .on(project, CatalogueFile.standard()))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("'nothing' is marked, but is not in the project");
  }

  @Test
  void differencesNameFunctionsAndMarks() {
    var renamed = FunctionEdits.rename(drum(), new Designation("=AX9"), "drum").apply(machine());
    var marked =
        FunctionEdits.mark(new Id("M4"), "-M4", Optional.of(Standing.TO_BUILD)).apply(renamed);
    assertThat(Differences.between(machine(), marked).stream().map(Object::toString).toList())
        .hasSize(2)
        .anyMatch(text -> text.contains("=AX2 changed"))
        .anyMatch(text -> text.contains("M4 to build added"));
  }
}
