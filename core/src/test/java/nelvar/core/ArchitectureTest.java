package nelvar.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.util.stream.Collectors;
import nelvar.core.analysis.Rule;
import nelvar.core.review.RuleBook;
import org.junit.jupiter.api.Test;

class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("nelvar.core");

  /// A package uses only rooms above it in this list.
  @Test
  void dependenciesPointOneWay() {
    Architectures.layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("units")
        .definedBy("nelvar.core.units..")
        .layer("trail")
        .definedBy("nelvar.core.trail..")
        .layer("standards")
        .definedBy("nelvar.core.standards..")
        .layer("formula")
        .definedBy("nelvar.core.formula..")
        .layer("catalogue")
        .definedBy("nelvar.core.catalogue..")
        .layer("model")
        .definedBy("nelvar.core.model..")
        .layer("file")
        .definedBy("nelvar.core.file..")
        .layer("network")
        .definedBy("nelvar.core.network..")
        .layer("finding")
        .definedBy("nelvar.core.finding..")
        .layer("analysis")
        .definedBy("nelvar.core.analysis..")
        .layer("review")
        .definedBy("nelvar.core.review..")
        .layer("calc")
        .definedBy("nelvar.core.calc..")
        .layer("compose")
        .definedBy("nelvar.core.compose..")
        .layer("exchange")
        .definedBy("nelvar.core.exchange..")
        .layer("sample")
        .definedBy("nelvar.core.sample..")
        .whereLayer("trail")
        .mayOnlyAccessLayers("units")
        .whereLayer("standards")
        .mayOnlyAccessLayers("units", "trail")
        .whereLayer("formula")
        .mayOnlyAccessLayers("units")
        .whereLayer("catalogue")
        .mayOnlyAccessLayers("units", "trail", "standards", "formula")
        .whereLayer("model")
        .mayOnlyAccessLayers("units", "trail", "standards", "formula", "catalogue")
        .whereLayer("file")
        .mayOnlyAccessLayers("units", "trail", "standards", "formula", "catalogue", "model")
        .whereLayer("network")
        .mayOnlyAccessLayers("formula", "units", "trail", "standards", "catalogue", "model")
        .whereLayer("finding")
        .mayOnlyAccessLayers("units", "trail", "model")
        .whereLayer("analysis")
        .mayOnlyAccessLayers(
            "units", "trail", "standards", "formula", "catalogue", "model", "network", "finding")
        .whereLayer("review")
        .mayOnlyAccessLayers("units", "trail", "catalogue", "model", "finding", "analysis")
        .whereLayer("calc")
        .mayOnlyAccessLayers(
            "units", "trail", "standards", "formula", "analysis", "catalogue", "network")
        .whereLayer("compose")
        .mayOnlyAccessLayers(
            "units",
            "trail",
            "standards",
            "formula",
            "catalogue",
            "model",
            "network",
            "finding",
            "analysis",
            "review",
            "sample")
        .whereLayer("exchange")
        .mayOnlyAccessLayers(
            "units", "catalogue", "model", "file", "network", "analysis", "compose")
        .whereLayer("sample")
        .mayOnlyAccessLayers("units", "standards", "catalogue", "model")
        .whereLayer("units")
        .mayNotAccessAnyLayer()
        .check(CORE);
  }

  @Test
  void theCoreKnowsNoInterfaceNoClockAndNoNetwork() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "javafx..",
            "java.awt..",
            "javax.swing..",
            "java.net..",
            "java.time..",
            "nelvar.documents..",
            "nelvar.desktop..")
        .check(CORE);
    noClasses()
        .should()
        .callMethod(System.class, "currentTimeMillis")
        .orShould()
        .callMethod(System.class, "nanoTime")
        .check(CORE);
  }

  @Test
  void onlyTheFileRoomKnowsJson() {
    noClasses()
        .that()
        .resideOutsideOfPackages("nelvar.core.file..", "nelvar.core.exchange..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("tools.jackson..", "com.fasterxml..")
        .check(CORE);
  }

  @Test
  void subjectsOfAnalysisMakeNoRing() {
    SlicesRuleDefinition.slices()
        .matching("nelvar.core.analysis.(sizing|supply|parts|completeness|earthing|load)..")
        .should()
        .beFreeOfCycles()
        .check(CORE);
  }

  /// A quick calculation is a door to a typed function of its subject, which rules and stages call
  /// too: it reads inputs and writes lines, and computes nothing that needs more than the four
  /// operations.
  @Test
  void quickCalculationsAreDoors() {
    var mathematics = "sqrt|pow|log|log10|exp|expm1|sin|cos|acos|hypot|max";
    assertThat(
            CORE.stream()
                .filter(type -> type.getPackageName().equals("nelvar.core.calc"))
                .flatMap(type -> type.getMethodCallsFromSelf().stream())
                .filter(call -> call.getTargetOwner().getName().equals("java.lang.Math"))
                .filter(call -> call.getName().matches(mathematics))
                .map(call -> call.getDescription())
                .toList())
        .isEmpty();
  }

  /// A new kind of part meets no switch over kinds that does not know it: what is common to kinds
  /// is asked of the part as a capability. What treats kinds one by one stands here by name.
  @Test
  void switchesOverKindsOfPartsStandInNamedPlaces() {
    var named =
        java.util.Set.of(
            "Alternatives", // of one kind, what would do instead
            "Replacement", // of one kind of protective device, what would do instead
            "PanelRating" // the table of UL 508A, by kind
            );
    var many =
        CORE.stream()
            .filter(type -> !type.getPackageName().startsWith("nelvar.core.catalogue"))
            .filter(type -> !type.getPackageName().startsWith("nelvar.core.file"))
            // What composing makes of a wish is a part of a certain kind.
            .filter(type -> !type.getPackageName().startsWith("nelvar.core.compose"))
            .filter(type -> !named.contains(type.getSimpleName().split("\\$")[0]))
            .filter(type -> kinds(type).size() > 2)
            .map(type -> type.getSimpleName() + " knows " + kinds(type))
            .toList();
    assertThat(many).isEmpty();
  }

  private static java.util.Set<String> kinds(com.tngtech.archunit.core.domain.JavaClass type) {
    return type.getDirectDependenciesFromSelf().stream()
        .map(dependency -> dependency.getTargetClass())
        .filter(target ->
            target.isAssignableTo(nelvar.core.catalogue.Part.class) && !target.isInterface())
        .map(target -> target.getSimpleName())
        .collect(Collectors.toSet());
  }

  @Test
  void theRuleBookHoldsEveryRule() {
    var written =
        CORE.stream()
            .filter(type -> type.isAssignableTo(Rule.class) && !type.isInterface())
            .map(type -> type.getName())
            .collect(Collectors.toSet());
    assertThat(RuleBook.ALL.stream().map(rule -> rule.getClass().getName()))
        .containsExactlyInAnyOrderElementsOf(written);
  }

  @Test
  void namesWithoutAMeaningAreNotUsed() {
    classes()
        .should()
        .haveNameNotMatching(".*\\.(utils?|helpers?|common|impl|managers?)\\..*")
        .andShould()
        .haveNameNotMatching(".*(Utils?|Helper|Manager|Impl)$")
        .check(CORE);
  }
}
