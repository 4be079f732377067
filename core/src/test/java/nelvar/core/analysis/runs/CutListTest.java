package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class CutListTest {
  private static final Length DRUM = new Length(100);

  private static CutList.Piece piece(int n, double metres) {
    return new CutList.Piece("W" + n, new Length(metres));
  }

  /// By hand: 60, 50, 50, 40: first-fit as they come needs 60 + 40 | 50 + 50; two drums, none left.
  /// 40, 50, 60, 50 as they come: 40 + 50 | 60 | 50, three; from the longest two.
  @Test
  void byHand() {
    var pieces = List.of(piece(1, 40), piece(2, 50), piece(3, 60), piece(4, 50));
    assertThat(CutList.packed(pieces, DRUM, false)).hasSize(3);
    var best = CutList.packed(pieces, DRUM);
    assertThat(best).hasSize(2);
    assertThat(best).allSatisfy(drum -> assertThat(drum.left().metres()).isZero());
  }

  /// Laws on 500 random lists: never more drums than first-fit, never fewer than their metres ask
  /// for, every piece once, no drum overfull.
  @Test
  void neverMoreThanFirstFit() {
    var random = new SplittableRandom(20);
    var better = 0;
    for (var trial = 0; trial < 500; trial++) {
      var pieces = new ArrayList<CutList.Piece>();
      var count = 1 + random.nextInt(60);
      for (var n = 0; n < count; n++) pieces.add(piece(n, 0.2 + random.nextDouble() * 70));
      var firstFit = CutList.packed(pieces, DRUM, false);
      var packed = CutList.packed(pieces, DRUM);
      assertThat(packed.size()).isLessThanOrEqualTo(firstFit.size());
      if (packed.size() < firstFit.size()) better++;
      var metres = pieces.stream().mapToDouble(p -> p.length().metres()).sum();
      assertThat(packed.size()).isGreaterThanOrEqualTo((int) Math.ceil(metres / 100 - 1e-9));
      assertThat(packed.stream().flatMap(drum -> drum.pieces().stream()))
          .containsExactlyInAnyOrderElementsOf(pieces);
      for (var drum : packed)
        assertThat(drum.used().metres()).isLessThanOrEqualTo(drum.holds().metres() + 1e-9);
    }
    assertThat(better).as("lists where it matters").isPositive();
  }

  @Test
  void aPieceLongerThanADrumHasOneOfItsOwn() {
    var packed = CutList.packed(List.of(piece(1, 130), piece(2, 20)), DRUM);
    assertThat(packed).hasSize(2);
    assertThat(packed.getFirst().holds()).isEqualTo(new Length(130));
  }

  /// Every wire and cable of the demos is cut once, and what is cut is as long as they are.
  @Test
  void theDemosAreCutOnce() {
    for (var project : List.of(Demo.settled(), Demo.rinserSettled())) {
      var study = Study.of(project, CatalogueFile.standard());
      var kinds = CutList.of(study);
      var cut = kinds.stream().flatMap(k -> k.drums().stream()).flatMap(d -> d.pieces().stream());
      var wires =
          project.conductors().stream()
              .filter(w -> w.cable().isEmpty() && w.leadOf().isEmpty())
              .toList();
      assertThat(cut).hasSize(wires.size() + project.cables().size());
      var metres =
          wires.stream().mapToDouble(w -> study.length(w).orElseThrow().metres()).sum()
              + project.cables().stream()
                  .mapToDouble(c -> study.length(c).orElseThrow().metres())
                  .sum();
      assertThat(kinds.stream().mapToDouble(k -> k.metres().metres()).sum())
          .isCloseTo(metres, within(1e-6));
      assertThat(kinds).allSatisfy(kind -> assertThat(kind.unknown()).isZero());
      assertThat(WiringHours.hours(study)).isBetween(5.0, 100.0);
    }
  }
}
