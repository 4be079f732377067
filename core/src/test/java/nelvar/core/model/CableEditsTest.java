package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

/// Single wires made one cable, and a cable taken apart.
class CableEditsTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();
  private static final Project DEMO = Demo.settled();

  private static Cable cable(int cores) {
    return DEMO.cables().stream()
        .filter(cable -> cores(cable, DEMO).size() == cores)
        .findFirst()
        .orElseThrow();
  }

  private static List<Conductor> cores(Cable cable, Project project) {
    return project.conductors().stream()
        .filter(wire -> wire.cable().filter(cable.id()::equals).isPresent())
        .toList();
  }

  private static CableStock stock(Cable cable) {
    return (CableStock) STANDARD.find(cable.stock()).orElseThrow();
  }

  /// Apart and together again: the same cores to the same ends, in a cable of the same make, as
  /// long.
  @Test
  void takenApartAndMadeOneAgain() {
    var cable = cable(3);
    var apart = CableEdits.apart(cable).on(DEMO, STANDARD);
    assertThat(apart.cable(cable.id())).isEmpty();
    var ids = new LinkedHashSet<Id>();
    for (var core : cores(cable, DEMO)) ids.add(core.id());
    var singles = ids.stream().map(id -> apart.conductor(id).orElseThrow()).toList();
    assertThat(singles)
        .allMatch(wire -> wire.cable().isEmpty())
        .allMatch(wire -> wire.length().equals(cable.length()))
        .allMatch(wire -> wire.bundle().equals(cable.bundle()));
    assertThat(CableEdits.fitting(singles, STANDARD))
        .first()
        .satisfies(first -> assertThat(first.cores()).isEqualTo(3));
    var together = CableEdits.join(ids, stock(cable)).on(apart, STANDARD);
    var made = together.cables().getLast();
    assertThat(made.stock()).isEqualTo(cable.stock());
    assertThat(made.length()).isEqualTo(cable.length());
    assertThat(cores(made, together))
        .extracting(Conductor::from)
        .containsExactlyElementsOf(cores(cable, DEMO).stream().map(Conductor::from).toList());
    assertThat(cores(made, together))
        .extracting(Conductor::colour)
        .doesNotHaveDuplicates()
        .allMatch(java.util.Optional::isPresent);
  }

  @Test
  void whatCannotBeOneCableIsRefusedWithWhy() {
    var cable = cable(3);
    var core = cores(cable, DEMO).getFirst();
    assertThatThrownBy(() -> CableEdits.join(Set.of(core.id()), stock(cable)).on(DEMO, STANDARD))
        .isInstanceOf(EditRefused.class)
        .hasMessageContaining("is a core of " + cable.label() + " already");
    var apart = CableEdits.apart(cable).on(DEMO, STANDARD);
    var inside =
        apart.conductors().stream()
            .filter(wire -> wire.cable().isEmpty())
            .filter(wire ->
                apart.device(wire.from().device()).orElseThrow().place() == Place.PANEL
                    && apart.device(wire.to().device()).orElseThrow().place() == Place.PANEL)
            .filter(wire ->
                wire.section().filter(s -> s.compareTo(new CrossSection(0.75)) < 0).isPresent())
            .findFirst()
            .orElseThrow();
    var wide =
        STANDARD
            .of(CableStock.class)
            .filter(s -> s.cores() >= 4 && s.section().squareMillimetres() >= 1)
            .findFirst()
            .orElseThrow();
    assertThatThrownBy(
            () -> CableEdits.join(Set.of(core.id(), inside.id()), wide).on(apart, STANDARD))
        .hasMessageContaining("do not lead the same way");
    var many = new LinkedHashSet<Id>();
    cores(cable, DEMO).forEach(c -> many.add(c.id()));
    var two = STANDARD.of(CableStock.class).filter(s -> s.cores() == 2).findFirst().orElseThrow();
    assertThatThrownBy(() -> CableEdits.join(many, two).on(apart, STANDARD))
        .hasMessageContaining("has 2 cores, and these are 3 wires");
    assertThatThrownBy(() -> CableEdits.stock(cable, two).on(DEMO, STANDARD))
        .hasMessageContaining("3 of " + cable.label() + " are in use");
  }

  @Test
  void anotherMakeGivesItsSectionToAllCores() {
    var cable = cable(3);
    var other =
        STANDARD
            .of(CableStock.class)
            .filter(s -> s.cores() >= 3 && s.section().squareMillimetres() == 1.5)
            .findFirst()
            .orElseThrow();
    var after = CableEdits.stock(cable, other).on(DEMO, STANDARD);
    assertThat(cores(cable, after))
        .allMatch(core -> core.section().orElseThrow().equals(new CrossSection(1.5)));
    assertThat(after.cable(cable.id()).orElseThrow().length())
        .isEqualTo(cable.length().map(l -> new Length(l.metres())));
  }
}
