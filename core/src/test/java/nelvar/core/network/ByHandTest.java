package nelvar.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class ByHandTest {
  private static Study study;
  private static Live running;

  @BeforeAll
  static void read() {
    study = Study.of(Demo.planted(), CatalogueFile.standard());
    running = study.asDesigned();
  }

  private static Optional<ByHand.Touch> touch(String about, String where, WhatIf now) {
    return ByHand.of(
        new Id(about),
        Optional.of(where).filter(w -> !w.isEmpty()).map(TerminalRef::of),
        now,
        study.engine().solve(now, running.conditions()));
  }

  private static ByHand.Touch touch(String about, String where) {
    return touch(about, where, WhatIf.AS_DESIGNED).orElseThrow();
  }

  /// One touch tries something, the next takes it back, of everything that can be touched.
  @Test
  void twoTouchesLeaveNothingTried() {
    var touched = 0;
    for (var device : study.project().devices())
      for (var terminal : study.part(device).orElseThrow().terminals()) {
        var where = device.id() + ":" + terminal.name();
        var first = touch(device.id().text(), where, WhatIf.AS_DESIGNED);
        if (first.isEmpty()) continue;
        assertThat(first.get().next()).as(where).isNotEqualTo(WhatIf.AS_DESIGNED);
        var second = touch(device.id().text(), where, first.get().next());
        assertThat(second.orElseThrow().next()).as(where).isEqualTo(WhatIf.AS_DESIGNED);
        touched++;
      }
    assertThat(touched).isGreaterThan(100);
  }

  @Test
  void aWireIsCutAndMended() {
    var wire = study.project().conductors().getFirst();
    var cut = touch(wire.id().text(), "");
    assertThat(cut.next().cut(wire.id())).isTrue();
    assertThat(cut.words()).isEqualTo(wire.label() + " is cut");
    var mended = touch(wire.id().text(), "", cut.next()).orElseThrow();
    assertThat(mended.next()).isEqualTo(WhatIf.AS_DESIGNED);
    assertThat(mended.words()).endsWith("is mended");
  }

  /// Pressing a stop opens the loads behind it, as pressing it on the machine does.
  @Test
  void aStopIsPressed() {
    var pressed = touch("S1", "");
    assertThat(pressed.next().held(new ActuatorRef(new Id("S1"), "pressed"))).contains(true);
    assertThat(pressed.words()).isEqualTo("-S1 pressed is held on");
  }

  /// The terminal that was pointed at says which channel, and which output of a board.
  @Test
  void theTerminalSaysWhichChannelAndWhichPin() {
    var channel = touch("F21", "F21:1").next();
    assertThat(channel.opened(new Id("F21"))).isFalse();
    assertThat(channel.disturbances()).hasSize(1);
    assertThat(touch("F21", "").next().opened(new Id("F21"))).isTrue();
    var output = touch("A1", "A1:Q1").next().disturbances().iterator().next();
    assertThat(output).isInstanceOf(Disturbance.Hold.class);
    assertThat(((Disturbance.Hold) output).actuator().name()).isEqualTo("Q1");
    assertThat(touch("A1", "", WhatIf.AS_DESIGNED)).isEmpty();
    assertThat(touch("M6", "M6:+", WhatIf.AS_DESIGNED)).isEmpty();
  }
}
