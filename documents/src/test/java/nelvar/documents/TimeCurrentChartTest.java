package nelvar.documents;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.model.Id;
import nelvar.documents.drawing.Drawing;
import nelvar.documents.drawing.Shape;
import nelvar.documents.drawing.TimeCurrentChart;
import org.junit.jupiter.api.Test;

class TimeCurrentChartTest {
  private static final Study STUDY = Machines.planted(true).study();

  private static List<String> words(Drawing drawing) {
    return Machines.texts(drawing).toList();
  }

  /// -U1 behind -F1: the device, its thinnest wire, its inrush and both fault currents are named,
  /// and nothing leaves the picture.
  @Test
  void theChainOfADriveIsDrawnWithWhatFlows() {
    var chain = ProtectionChain.about(new Id("U1"), STUDY).orElseThrow();
    assertThat(chain.protectors().getFirst().device().designation().text()).isEqualTo("-F1");
    assertThat(chain.least().orElseThrow()).isLessThan(chain.greatest().orElseThrow());
    // 1.5 mm² PVC: 115² · 2.25 A²s
    assertThat(chain.energy()).isEqualTo(115 * 115 * 2.25);
    var drawing = TimeCurrentChart.of(chain, 800, 470, 13);
    assertThat(String.join("|", words(drawing)))
        .contains("-F1 C 6 A", "1.5 mm²: damage", "inrush 20 A peak", "least fault", "greatest");
    for (var shape : drawing.shapes()) {
      if (!(shape instanceof Shape.Path path)) continue;
      for (var step : path.steps()) {
        var x = step instanceof Shape.Step.Line line ? line.x() : 1;
        var y = step instanceof Shape.Step.Line line ? line.y() : 1;
        assertThat(x).isBetween(0.0, drawing.width());
        assertThat(y).isBetween(0.0, drawing.height());
      }
    }
    assertThat(drawing.spot(new Id("F1"))).isPresent();
  }

  /// A wire, the device itself and the load lead to the same chain; a sensor behind electronics has
  /// one too; what nothing protects has none.
  @Test
  void whatIsSelectedLeadsToItsChain() {
    assertThat(ProtectionChain.about(new Id("F1"), STUDY).orElseThrow().feed().device().id())
        .isEqualTo(new Id("U1"));
    assertThat(ProtectionChain.about(new Id("W15"), STUDY).orElseThrow().feed().device().id())
        .isEqualTo(new Id("U1"));
    assertThat(ProtectionChain.about(new Id("H1"), STUDY).orElseThrow().protectors()).isNotEmpty();
    assertThat(ProtectionChain.about(new Id("no-such"), STUDY)).isEmpty();
  }

  /// Every chain of the demo can be drawn, those on direct current too.
  @Test
  void everyChainOfTheDemoIsDrawn() {
    var all = ProtectionChain.all(STUDY);
    assertThat(all).hasSizeGreaterThan(10);
    for (var chain : all)
      assertThat(words(TimeCurrentChart.of(chain, 176, 96, 2.8)))
          .as(chain.feed().name())
          .anyMatch(
              word -> word.contains(chain.protectors().getFirst().device().designation().text()));
  }
}
