package nelvar.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;

class DesktopArchitectureTest {
  private static final JavaClasses ALL =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("nelvar");

  @Test
  void onlyTheDesktopKnowsTheWindowToolkit() {
    noClasses()
        .that()
        .resideOutsideOfPackage("nelvar.desktop..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx..", "nelvar.desktop..")
        .check(ALL);
    noClasses()
        .that()
        .resideInAPackage("nelvar.documents..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.awt..", "nelvar.cli..")
        .check(ALL);
  }

  @Test
  void theSessionKnowsNoNodes() {
    noClasses()
        .that()
        .resideInAPackage("nelvar.desktop.session..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx.scene..", "javafx.stage..")
        .check(ALL);
  }

  @Test
  void stagesDoNotKnowOneAnother() {
    SlicesRuleDefinition.slices()
        .matching("nelvar.desktop.stage.(*)..")
        .should()
        .notDependOnEachOther()
        .check(ALL);
    noClasses()
        .that()
        .resideInAnyPackage("nelvar.desktop.stage..", "nelvar.desktop.control..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("nelvar.desktop.app..")
        .check(ALL);
  }
}
