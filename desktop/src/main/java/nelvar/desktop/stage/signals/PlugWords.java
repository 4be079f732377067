package nelvar.desktop.stage.signals;

import java.util.List;
import nelvar.core.analysis.signals.PlugTrials;

/// What plugs destroy when they are put on the wrong way, in a few lines.
final class PlugWords {
  private static final int MOST = 6;

  private PlugWords() {}

  static String of(List<PlugTrials.Trial> trials) {
    if (trials.isEmpty()) return "No plug of the machine has more than one place wired.";
    var harm = trials.stream().filter(trial -> !trial.harm().isEmpty()).toList();
    var open = trials.stream().filter(trial -> !trial.settled()).count();
    var all = new StringBuilder();
    all.append(
        harm.isEmpty()
            ? "%d ways tried, none destroys anything.".formatted(trials.size())
            : "%d ways tried, %d destroy something:".formatted(trials.size(), harm.size()));
    for (var trial : harm.stream().limit(MOST).toList())
      all.append("\n")
          .append(trial.words())
          .append(": ")
          .append(String.join(", ", trial.harm().stream().limit(3).toList()));
    if (harm.size() > MOST)
      all.append("\nand %d more; nelvar signals --plugs lists them.".formatted(harm.size() - MOST));
    if (open > 0) all.append("\nFor %d no steady state is found.".formatted(open));
    return all.toString();
  }
}
