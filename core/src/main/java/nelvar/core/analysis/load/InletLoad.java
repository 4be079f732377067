package nelvar.core.analysis.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
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

  public static List<Source> inlets(Study study) {
    return study.network().sources().stream()
        .filter(source -> study.part(source.device()).orElse(null) instanceof MainsInlet)
        .toList();
  }

  /// The inlet that takes the most of what the device before it gives; of several the first.
  public static Optional<Source> inlet(Study study) {
    return inlets(study).stream().max(Comparator.comparingDouble(source -> share(source, study)));
  }

  private static double share(Source inlet, Study study) {
    return study.designCurrent(inlet).amperes() / inlet.output().rating().amperes();
  }

  /// Design current of the most loaded line of the fullest inlet.
  public static Optional<Explained<Current>> of(Study study) {
    return inlet(study).map(inlet -> of(inlet, study));
  }

  /// Design current of the most loaded line, with the currents of all lines in the working.
  public static Explained<Current> of(Source inlet, Study study) {
    var w = Working.of("Current from the mains at " + inlet.device().designation());
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
  }

  /// Running current (with duty) of the most loaded line.
  public static Current running(Source inlet, Study study) {
    return study.runningCurrent(inlet);
  }
}
