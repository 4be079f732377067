package nelvar.core.analysis.interference;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.model.Device;

/// What somebody sees go wrong, in their words, and what it points at: the pairs that could do it,
/// worst first, and what to try.
///
/// Words before *when*, *while*, *as* or *if* say what goes wrong, those behind it what happens
/// then. Designations and words of what a device is there for count most; a few words of the trade
/// stand for kinds (common practice).
///
/// @param suspects worst first, one of each source and input
/// @param trials of the first suspects, cheapest first
/// @param says what was understood, or what is missing, in words
public record Symptom(List<Pair> suspects, List<Trial> trials, String says) {
  /// So many pairs are suspected.
  private static final int MOST = 5;

  /// Above this a pair does nothing, dB.
  private static final double INNOCENT = 30;

  private static final Map<String, Set<Receiver.Kind>> HEARS =
      Map.ofEntries(
          Map.entry("count", EnumSet.of(Receiver.Kind.PULSES, Receiver.Kind.DIGITAL)),
          Map.entry("step", EnumSet.of(Receiver.Kind.PULSES)),
          Map.entry("position", EnumSet.of(Receiver.Kind.PULSES)),
          Map.entry("encoder", EnumSet.of(Receiver.Kind.PULSES, Receiver.Kind.DIGITAL)),
          Map.entry("trigger", EnumSet.of(Receiver.Kind.DIGITAL, Receiver.Kind.LOGIC)),
          Map.entry("home", EnumSet.of(Receiver.Kind.DIGITAL, Receiver.Kind.LOGIC)),
          Map.entry("false", EnumSet.of(Receiver.Kind.DIGITAL, Receiver.Kind.LOGIC)),
          Map.entry("limit", EnumSet.of(Receiver.Kind.DIGITAL, Receiver.Kind.LOGIC)),
          Map.entry("link", EnumSet.of(Receiver.Kind.SERIAL, Receiver.Kind.USB)),
          Map.entry("usb", EnumSet.of(Receiver.Kind.USB)),
          Map.entry("computer", EnumSet.of(Receiver.Kind.USB, Receiver.Kind.SERIAL)),
          Map.entry("screen", EnumSet.of(Receiver.Kind.SERIAL, Receiver.Kind.USB)),
          Map.entry("display", EnumSet.of(Receiver.Kind.SERIAL, Receiver.Kind.USB)),
          Map.entry("blank", EnumSet.of(Receiver.Kind.SERIAL, Receiver.Kind.USB)),
          Map.entry("drift", EnumSet.of(Receiver.Kind.ANALOGUE, Receiver.Kind.LOOP)),
          Map.entry("jump", analogue()),
          Map.entry("wander", analogue()),
          Map.entry("value", analogue()),
          Map.entry("weight", EnumSet.of(Receiver.Kind.ANALOGUE, Receiver.Kind.LOOP)),
          Map.entry("temperature", EnumSet.of(Receiver.Kind.THERMISTOR, Receiver.Kind.LOOP)),
          Map.entry("speed", EnumSet.of(Receiver.Kind.ANALOGUE)));

  private static final Map<String, Set<Emitter.Kind>> DISTURBS =
      Map.ofEntries(
          Map.entry("drive", EnumSet.of(Emitter.Kind.DRIVE, Emitter.Kind.FEED)),
          Map.entry("spindle", EnumSet.of(Emitter.Kind.DRIVE, Emitter.Kind.FEED)),
          Map.entry(
              "motor", EnumSet.of(Emitter.Kind.DRIVE, Emitter.Kind.FEED, Emitter.Kind.BRUSHES)),
          Map.entry("accelerat", EnumSet.of(Emitter.Kind.DRIVE, Emitter.Kind.FEED)),
          Map.entry("valve", EnumSet.of(Emitter.Kind.COIL)),
          Map.entry("relay", EnumSet.of(Emitter.Kind.COIL)),
          Map.entry("contactor", EnumSet.of(Emitter.Kind.COIL)),
          Map.entry("coil", EnumSet.of(Emitter.Kind.COIL)),
          Map.entry("brake", EnumSet.of(Emitter.Kind.COIL)),
          Map.entry("pump", EnumSet.of(Emitter.Kind.BRUSHES, Emitter.Kind.COIL)),
          Map.entry("heat", EnumSet.of(Emitter.Kind.PHASE_CUT, Emitter.Kind.MAINS)),
          Map.entry("lamp", EnumSet.of(Emitter.Kind.PHASE_CUT, Emitter.Kind.MAINS)),
          Map.entry("hum", EnumSet.of(Emitter.Kind.MAINS, Emitter.Kind.CASE)),
          Map.entry("dust", EnumSet.of(Emitter.Kind.HOSE)),
          Map.entry("hose", EnumSet.of(Emitter.Kind.HOSE)),
          Map.entry("touch", EnumSet.of(Emitter.Kind.HOSE)),
          Map.entry("static", EnumSet.of(Emitter.Kind.HOSE)));

  /// More than words in common can be.
  private static final int SAID = 100;

  /// Words that name nothing.
  private static final Set<String> EMPTY =
      Set.of(
          "the", "and", "its", "runs", "starts", "drops", "stops", "goes", "turns", "lost", "loses",
          "off", "with", "into", "that", "this", "for");

  public Symptom {
    suspects = List.copyOf(suspects);
    trials = List.copyOf(trials);
  }

  private static Set<Receiver.Kind> analogue() {
    return EnumSet.of(Receiver.Kind.ANALOGUE, Receiver.Kind.LOOP, Receiver.Kind.THERMISTOR);
  }

  /// @param text such as `hopper weight jumps when the auger runs`
  public static Symptom of(String text, Study study) {
    var halves = text.toLowerCase(Locale.ROOT).split("\\b(?:when|while|as|if|whenever)\\b", 2);
    var wrong = words(halves[0]);
    var then = words(halves.length > 1 ? halves[1] : "");
    var hears = hears(wrong, study);
    var disturbs = disturbs(halves.length > 1 ? then : wrong, study);
    var missing = missing(wrong, HEARS, hears) || missing(then, DISTURBS, disturbs);
    if (missing)
      return new Symptom(
          List.of(),
          List.of(),
          "Nothing of that kind is wired in this machine, so nothing is known of it: draw its wires first. %s."
              .formatted(understood(hears, disturbs)));
    if (hears.isEmpty() && disturbs.isEmpty())
      return new Symptom(
          List.of(),
          List.of(),
          "Nothing of this machine was recognised. Say what goes wrong, and when: \"hopper weight jumps when the auger runs\", with names of devices or what they are there for.");
    var suspects = new ArrayList<Pair>();
    var told = new HashSet<Object>();
    for (var pair : Coupled.of(study).pairs()) {
      if (!hears.isEmpty() && !hears.contains(pair.receiver())) continue;
      if (!disturbs.isEmpty() && !disturbs.contains(pair.emitter())) continue;
      if (pair.margin() > INNOCENT || suspects.size() >= MOST) break;
      if (told.add(List.of(pair.emitter().id(), pair.emitter().kind(), pair.receiver().id())))
        suspects.add(pair);
    }
    if (suspects.isEmpty())
      return new Symptom(
          suspects,
          List.of(),
          "%s: nothing couples in by more than a thirtieth of what disturbs. Look elsewhere first: a supply that dips, a loose wire, a contact that bounces, the program."
              .formatted(understood(hears, disturbs)));
    var trials = new ArrayList<Trial>();
    var tried = new HashSet<String>();
    for (var pair : suspects.subList(0, Math.min(2, suspects.size())))
      for (var trial : Trial.of(pair, study)) if (tried.add(trial.what())) trials.add(trial);
    trials.sort(java.util.Comparator.comparingDouble(Trial::minutes));
    return new Symptom(suspects, trials, understood(hears, disturbs));
  }

  /// A word of the trade that nothing here answers to.
  private static boolean missing(List<String> words, Map<String, ?> vocabulary, List<?> found) {
    return found.isEmpty()
        && vocabulary.keySet().stream()
            .anyMatch(stem -> words.stream().anyMatch(w -> w.startsWith(stem)));
  }

  private static String understood(List<Receiver> hears, List<Emitter> disturbs) {
    return "%s against %s"
        .formatted(
            disturbs.isEmpty() ? "All that disturbs" : names(disturbs.stream().map(Emitter::label)),
            hears.isEmpty() ? "all that hears" : names(hears.stream().map(Receiver::label)));
  }

  private static String names(Stream<String> all) {
    var list = all.distinct().toList();
    return list.size() <= 3
        ? String.join(", ", list)
        : "%s and %d more".formatted(String.join(", ", list.subList(0, 2)), list.size() - 2);
  }

  private static List<String> words(String text) {
    return Stream.of(text.split("[^\\p{L}\\p{N}-]+"))
        .filter(w -> w.length() > 2 || w.startsWith("-"))
        .filter(w -> !EMPTY.contains(w))
        .toList();
  }

  private static List<Receiver> hears(List<String> words, Study study) {
    return best(
        Receivers.of(study),
        words,
        HEARS,
        Receiver::kind,
        r ->
            Math.max(
                score(words, r.label(), r.words()),
                Stream.concat(Stream.of(r.at()), r.partner().stream())
                    .flatMap(end -> study.device(end.device()).stream())
                    .mapToInt(d -> score(words, d.designation().text(), d.purpose()))
                    .max()
                    .orElse(0)));
  }

  /// Its device, and the motor behind a drive.
  private static List<Emitter> disturbs(List<String> words, Study study) {
    return best(
        Emitters.of(study),
        words,
        DISTURBS,
        Emitter::kind,
        e ->
            Math.max(
                score(words, e.label(), e.words()),
                Stream.concat(Stream.of(e.device()), motors(e, study))
                    .mapToInt(d -> score(words, d.designation().text(), d.purpose()))
                    .max()
                    .orElse(0)));
  }

  private static Stream<Device> motors(Emitter e, Study study) {
    return e.wires().stream()
        .flatMap(w -> Stream.of(w.from(), w.to()))
        .flatMap(end -> study.device(end.device()).stream())
        .filter(d -> study.part(d).filter(part -> part.motor()).isPresent());
  }

  /// Those that fit best: a designation, then two words; with one word alone, what a kind is called
  /// counts as much.
  private static <T, K> List<T> best(
      List<T> all,
      List<String> words,
      Map<String, Set<K>> vocabulary,
      Function<T, K> kind,
      ToIntFunction<T> score) {
    var most = all.stream().mapToInt(score).max().orElse(0);
    var wanted = new HashSet<K>();
    vocabulary.forEach((stem, kinds) -> {
      if (words.stream().anyMatch(w -> w.startsWith(stem))) wanted.addAll(kinds);
    });
    return all.stream()
        .filter(t ->
            (most > 0 && score.applyAsInt(t) == most)
                || (most < 2 && wanted.contains(kind.apply(t))))
        .toList();
  }

  /// Words in common with what it is there for; a designation counts for all.
  private static int score(List<String> words, String designation, String purpose) {
    if (words.contains(designation.toLowerCase(Locale.ROOT))) return SAID;
    return (int)
        words(purpose.toLowerCase(Locale.ROOT)).stream()
            .filter(part -> words.stream().anyMatch(w -> alike(part, w)))
            .count();
  }

  private static boolean alike(String a, String b) {
    return a.equals(b)
        || (a.length() > 3 && b.length() > 3 && (a.startsWith(b) || b.startsWith(a)));
  }
}
