package nelvar.core.network;

import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import org.junit.jupiter.api.Test;

class ScratchTest {
  @Test
  void show() {
    for (var p : new nelvar.core.model.Project[] {Demo.settled(), Demo.planted()}) {
      var study = Study.of(p, CatalogueFile.standard());
      var engine = Engine.of(study.network());
      var c = Conditions.usual(p.brief().surroundings().inside());
      var live = engine.solve(WhatIf.AS_DESIGNED, c);
      System.out.println(
          live.status()
              + " solves "
              + live.solution().solves()
              + " residual "
              + live.solution().residual()
              + " nodes "
              + live.circuitry().grid().nodes()
              + " chatter "
              + live.chatter()
              + " assumed "
              + live.circuitry().assumed());
      live.positions()
          .on()
          .forEach((k, v) -> {
            if (!v) System.out.println("off " + k);
          });
      for (var o : live.outputs())
        System.out.println(
            o.device().designation()
                + " "
                + o.output().name()
                + " "
                + o.on()
                + " lim "
                + o.limited()
                + " idle "
                + o.backFed()
                + " "
                + o.current()
                + " "
                + o.power());
      for (var s : live.circuitry().served())
        System.out.println(
            s.device().designation()
                + " "
                + s.intake().name()
                + " "
                + live.at(s.device(), s.intake())
                + " "
                + live.taken(s.device(), s.intake()));
      for (int n = 0; n < 2000; n++) engine.solve(WhatIf.AS_DESIGNED, c);
      long t = System.nanoTime();
      for (int n = 0; n < 200; n++) engine.solve(WhatIf.AS_DESIGNED, c);
      System.out.println("warm ms " + (System.nanoTime() - t) / 200e6);
      for (int n = 0; n < 200; n++) Engine.of(study.network()).solve(WhatIf.AS_DESIGNED, c);
      t = System.nanoTime();
      for (int n = 0; n < 50; n++) Engine.of(study.network()).solve(WhatIf.AS_DESIGNED, c);
      System.out.println("fresh ms " + (System.nanoTime() - t) / 50e6);
    }
  }
}
