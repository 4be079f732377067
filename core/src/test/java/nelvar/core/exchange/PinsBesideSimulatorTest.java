package nelvar.core.exchange;

import java.nio.file.Path;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.file.CatalogueFile;
import nelvar.core.model.Id;
import nelvar.core.network.ActuatorRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Engine;
import nelvar.core.network.WhatIf;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/// Each kind of link of a pin in both its states, beside a circuit simulator: contact on an input
/// that reads +, on one that reads 0 V, on one with a pull-up of its own logic; outputs that give
/// +, that pull to 0 V, a relay's contact, one that is always on.
class PinsBesideSimulatorTest {
  private static final String PINS =
      """
      board,input,current,output supply,pin,type,rating,low,high,greatest,pull-up,pull-up supply,common
      Board,20.4–28.8 V,0.2 A,P+,DI1,input-reads-plus,,,,,,,
      ,,,,DN1,input-reads-minus,,,,,,,
      ,,,,L1,logic-input,,0.8 V,2 V,5.5 V,10 kΩ,5 V,
      ,,,,Q1,output-sourcing,0.5 A,,,,,,
      ,,,,Q2,output-sinking,0.5 A,,,,,,
      ,,,,R1,output-contact,2 A,,,,,,RC
      ,,,,FAN,always-on,1 A,,,,,,
      """;

  @TempDir Path folder;

  @Test
  void everyKindOfLinkInBothStates() throws Exception {
    Part board = BoardCsv.read("board.csv", PINS);
    var panel =
        Panel.dc()
            .part(board)
            .device("A", board.id())
            .wire("T:+", "A:+", 0.75, 1)
            .wire("A:-", "T:-", 0.75, 1)
            .wire("T:+", "A:P+", 0.75, 1)
            .wire("T:+", "A:RC", 0.75, 1);
    for (var n = 1; n <= 4; n++) panel.device("H" + n, "lamp-led-24v-10w");
    for (var n = 1; n <= 3; n++) panel.device("S" + n, "push-button-1no");
    panel
        .wire("T:+", "S1:13", 0.5, 12)
        .wire("S1:14", "A:DI1", 0.5, 12)
        .wire("T:-", "S2:13", 0.5, 12)
        .wire("S2:14", "A:DN1", 0.5, 12)
        .wire("T:-", "S3:13", 0.5, 12)
        .wire("S3:14", "A:L1", 0.5, 12)
        .wire("A:Q1", "H1:+", 0.5, 12)
        .wire("H1:-", "T:-", 0.5, 12)
        .wire("T:+", "H2:+", 0.5, 12)
        .wire("H2:-", "A:Q2", 0.5, 12)
        .wire("A:R1", "H3:+", 0.5, 12)
        .wire("H3:-", "T:-", 0.5, 12)
        .wire("A:FAN", "H4:+", 0.5, 12)
        .wire("H4:-", "T:-", 0.5, 12);
    var project = panel.build();
    var engine = Engine.of(Study.of(project, CatalogueFile.standard()).network());
    for (var on : new boolean[] {true, false}) {
      var trial = WhatIf.AS_DESIGNED;
      for (var n = 1; n <= 3; n++)
        trial = trial.holding(new ActuatorRef(new Id("S" + n), "pressed"), on);
      for (var output : new String[] {"Q1", "Q2", "R1"})
        trial = trial.holding(new ActuatorRef(new Id("A"), output), on);
      var live = engine.solve(trial, Conditions.usual(project.brief().surroundings().inside()));
      BesideSimulator.agrees(project, live, folder);
    }
  }
}
