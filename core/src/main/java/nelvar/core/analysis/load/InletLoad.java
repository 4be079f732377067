package nelvar.core.analysis.load;

import java.util.ArrayList;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.MainsInlet;
import nelvar.core.network.Source;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Current;

/// The current the machine takes from the mains, line by line.
///
/// Alternating currents add as phasors at their power factor; with linear loads the neutral carries
/// their sum.
public final class InletLoad {
  private InletLoad() {}

  public static Optional<Source> inlet(Study study) {
    return study.network().sources().stream()
        .filter(source -> study.part(source.device()).orElse(null) instanceof MainsInlet)
        .findFirst();
  }

  /// Design current of the most loaded line, with the currents of all lines in the working.
  public static Optional<Explained<Current>> of(Study study) {
    return inlet(study)
        .map(inlet -> {
          var w = Working.of("Current from the mains");
          var sums = study.currents().given(inlet);
          var lines = new ArrayList<String>();
          for (var i = 0; i < sums.size(); i++) {
            var terminal = inlet.terminals().get(i).terminal();
            w.result(
                "I" + terminal,
                "|Σ I| of all feeds on " + terminal,
                "",
                new Current(sums.get(i).design()));
            if (!terminal.equals("N")) lines.add("I" + terminal);
          }
          return w.explain(
              w.result("Ib", "max(" + String.join(", ", lines) + ")", study.designCurrent(inlet)));
        });
  }

  /// Running current (with duty) of the most loaded line.
  public static Optional<Current> running(Study study) {
    return inlet(study).map(study::runningCurrent);
  }
}
