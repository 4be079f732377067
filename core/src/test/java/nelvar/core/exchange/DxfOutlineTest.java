package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import nelvar.core.file.UnreadableFile;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import org.junit.jupiter.api.Test;

class DxfOutlineTest {
  private static String dxf(String unit, String... entities) {
    return """
    0
    SECTION
    2
    HEADER
    9
    $INSUNITS
    70
    %s
    0
    ENDSEC
    0
    SECTION
    2
    ENTITIES
    %s
    0
    ENDSEC
    0
    EOF
    """
        .formatted(unit, String.join("\n", entities).replace(' ', '\n'));
  }

  private static DxfOutline.Read read(String text) throws UnreadableFile {
    return DxfOutline.read("plate.dxf", text, Surface.PLATE, new Length(0.5));
  }

  private static double left(Cabinet.Stroke stroke, int i) {
    return stroke.points().get(i).left().metres() * 1000;
  }

  private static double top(Cabinet.Stroke stroke, int i) {
    return stroke.points().get(i).top().metres() * 1000;
  }

  /// Its lower left corner lies on that of the plate, 500 mm high; upwards becomes downwards.
  @Test
  void aLineIsLaidOnThePlate() throws Exception {
    var read = read(dxf("4", "0 LINE 8 0 10 100 20 50 11 300 21 150"));
    assertThat(read.unit()).isEqualTo("metric");
    var stroke = read.strokes().getFirst();
    assertThat(left(stroke, 0)).isCloseTo(0, within(1e-6));
    assertThat(top(stroke, 0)).isCloseTo(500, within(1e-6));
    assertThat(left(stroke, 1)).isCloseTo(200, within(1e-6));
    assertThat(top(stroke, 1)).isCloseTo(400, within(1e-6));
  }

  @Test
  void unitsAreTheDrawings() throws Exception {
    var line = "0 LINE 10 0 20 0 11 4 21 0";
    assertThat(left(read(dxf("1", line)).strokes().getFirst(), 1)).isCloseTo(101.6, within(0.01));
    assertThat(left(read(dxf("5", line)).strokes().getFirst(), 1)).isCloseTo(40, within(0.01));
    var none = read(dxf("0", line));
    assertThat(left(none.strokes().getFirst(), 1)).isCloseTo(4, within(0.01));
    assertThat(none.words()).contains("mm, which is assumed");
    assertThatThrownBy(() -> read(dxf("9", line)))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("unit");
  }

  /// A full circle of 50 mm; every point of it 50 mm from its middle.
  @Test
  void circlesAndArcs() throws Exception {
    var circle = read(dxf("4", "0 CIRCLE 10 80 20 90 40 50")).strokes().getFirst();
    for (var i = 0; i < circle.points().size(); i++)
      assertThat(Math.hypot(left(circle, i) - 50, top(circle, i) - 450))
          .isCloseTo(50, within(0.02));
    // A quarter from 0° to 90°: from its right end to its upper one.
    var arc = read(dxf("4", "0 ARC 10 0 20 0 40 100 50 0 51 90")).strokes().getFirst();
    assertThat(left(arc, 0)).isCloseTo(100, within(0.02));
    assertThat(top(arc, arc.points().size() - 1)).isCloseTo(400, within(0.02));
  }

  /// A bulge of 1 is half a circle, of −1 the other half (counter-clockwise is positive).
  @Test
  void bulgesAreArcs() throws Exception {
    var half =
        read(dxf(
                "4",
                "0 LWPOLYLINE 70 0 10 0 20 0 42 1 10 100 20 0",
                "0 LINE 10 0 20 -50 11 100 21 50"))
            .strokes()
            .getFirst();
    assertThat(half.points()).hasSizeGreaterThan(8);
    for (var i = 0; i < half.points().size(); i++) {
      assertThat(Math.hypot(left(half, i) - 50, top(half, i) - 450)).isCloseTo(50, within(0.02));
      assertThat(top(half, i)).isGreaterThanOrEqualTo(450 - 0.02);
    }
  }

  @Test
  void closedPolylinesOfBothKinds() throws Exception {
    var light =
        read(dxf("4", "0 LWPOLYLINE 70 1 10 0 20 0 10 100 20 0 10 100 20 80")).strokes().getFirst();
    assertThat(light.points()).hasSize(4);
    assertThat(light.points().getLast()).isEqualTo(light.points().getFirst());
    var old =
        read(dxf(
                "4",
                "0 POLYLINE 66 1 70 1",
                "0 VERTEX 10 0 20 0",
                "0 VERTEX 10 100 20 0",
                "0 VERTEX 10 100 20 80",
                "0 SEQEND"))
            .strokes()
            .getFirst();
    assertThat(old.points()).isEqualTo(light.points());
  }

  @Test
  void whatIsNotReadIsCounted() throws Exception {
    var read = read(dxf("4", "0 LINE 10 0 20 0 11 5 21 5", "0 SPLINE 70 8", "0 TEXT 1 a"));
    assertThat(read.left()).containsExactly("SPLINE 1", "TEXT 1");
    assertThatThrownBy(() -> read(dxf("4", "0 SPLINE 70 8")))
        .isInstanceOf(UnreadableFile.class)
        .hasMessageContaining("SPLINE");
  }

  @Test
  void whatIsNoDrawingIsSaid() {
    for (var wrong :
        new String[] {
          "",
          "hello\nworld",
          "0\nSECTION\n2\nHEADER\n0\nEOF",
          dxf("4", "0 LINE 10 x 20 0 11 5 21 5"),
          dxf("4", "0 LINE 10 0 20 0 11 99000 21 5"),
          dxf("4", "0 LINE 10 0 20 0 11 1e300 21 5"),
          "0\nSECTION\0"
        })
      assertThatThrownBy(() -> read(wrong))
          .isInstanceOf(UnreadableFile.class)
          .hasMessageContaining("plate.dxf");
  }

  /// Whatever bytes come, they are read or said to be no drawing.
  @Test
  void garbage() {
    var random = new SplittableRandom(5);
    var whole = dxf("4", "0 LWPOLYLINE 70 1 10 0 20 0 42 0.5 10 100 20 0 10 100 20 80");
    for (var i = 0; i < 300; i++) {
      var text = new StringBuilder(whole);
      for (var k = 0; k < 3; k++)
        text.setCharAt(random.nextInt(text.length()), (char) (32 + random.nextInt(90)));
      try {
        assertThat(read(text.toString()).strokes()).isNotEmpty();
      } catch (UnreadableFile e) {
        assertThat(e).hasMessageContaining("plate.dxf");
      }
    }
  }
}
