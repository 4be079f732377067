package nelvar.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Reading;

/// Reads a wire as one says it: `T1:+ to X31`, `B4 to DI5`, `-K1:14 to -X10:3`.
///
/// The dash of a designation may be left out. Without a terminal the free one that goes with the
/// other end is taken; a terminal alone is found where only one device has it.
public final class WireText {
  private static final Pattern TO = Pattern.compile("^(\\S.*?)\\s+(?:to|->|→)\\s+(\\S.*)$");

  private static final int MOST_TERMINALS = 12;

  /// Both ends, found in the machine.
  public record Ends(TerminalRef from, TerminalRef to) {}

  private final Study study;

  private WireText(Study study) {
    this.study = study;
  }

  /// Whether a text is written like a wire.
  public static boolean looksLikeOne(String text) {
    return TO.matcher(text.strip()).matches();
  }

  public static Reading<Ends> read(String text, Study study) {
    var ends = TO.matcher(text.strip());
    if (!ends.matches())
      return new Reading.Misread<>("Write both ends with 'to' between, such as T1:+ to X31.");
    return new WireText(study).read(ends.group(1), ends.group(2));
  }

  /// One end that names its terminal: `-T2:+`.
  public static Reading<TerminalRef> terminal(String text, Study study) {
    return switch (new WireText(study).end(text)) {
      case Reading.Misread<End>(var why) -> new Reading.Misread<>(why);
      case Reading.Value<End>(var end) ->
          end.terminal()
              .<Reading<TerminalRef>>map(t -> new Reading.Value<>(end.at(t)))
              .orElseGet(() ->
                  new Reading.Misread<>(
                      "Say which terminal of %s: %s"
                          .formatted(end.device().designation(), new WireText(study).marks(end))));
    };
  }

  private record End(Device device, Optional<Terminal> terminal) {
    TerminalRef at(Terminal which) {
      return new TerminalRef(device.id(), which.name());
    }
  }

  private Reading<Ends> read(String first, String second) {
    return switch (end(first)) {
      case Reading.Misread<End>(var why) -> new Reading.Misread<>(why);
      case Reading.Value<End>(var from) ->
          switch (end(second)) {
            case Reading.Misread<End>(var why) -> new Reading.Misread<>(why);
            case Reading.Value<End>(var to) -> joined(from, to);
          };
    };
  }

  private Reading<Ends> joined(End from, End to) {
    if (from.terminal().isEmpty() && to.terminal().isEmpty())
      return new Reading.Misread<>(
          "Say at least one terminal, such as %s:%s to %s."
              .formatted(
                  name(from),
                  terminals(from.device()).stream().findFirst().map(Terminal::name).orElse("1"),
                  name(to)));
    var a = from.terminal().or(() -> matching(from, to));
    var b = to.terminal().or(() -> matching(to, from));
    if (a.isEmpty()) return new Reading.Misread<>(noneFree(from));
    if (b.isEmpty()) return new Reading.Misread<>(noneFree(to));
    if (from.at(a.get()).equals(to.at(b.get())))
      return new Reading.Misread<>("A wire ends on another terminal than it begins on.");
    return new Reading.Value<>(new Ends(from.at(a.get()), to.at(b.get())));
  }

  private String noneFree(End end) {
    return "%s has no free terminal that goes with the other end; say which: %s"
        .formatted(end.device().designation(), marks(end));
  }

  private static String name(End end) {
    return end.device().designation().text().replaceFirst("^-", "");
  }

  private String marks(End end) {
    var all = terminals(end.device());
    var shown =
        all.stream().limit(MOST_TERMINALS).map(Terminal::name).collect(Collectors.joining(", "));
    return all.size() > MOST_TERMINALS ? shown + ", …" : shown;
  }

  /// The free terminal of one end that goes with the terminal said of the other; of a block any way
  /// does.
  private Optional<Terminal> matching(End open, End said) {
    var role = said.terminal().orElseThrow().role();
    var free =
        terminals(open.device()).stream()
            .filter(t -> !study.network().topology().wired(open.at(t)))
            .toList();
    if (study.part(open.device()).orElse(null) instanceof DistributionBlock)
      return free.stream().findFirst();
    for (var wanted : alike(role))
      for (var terminal : free) if (terminal.role() == wanted) return Optional.of(terminal);
    return Optional.empty();
  }

  /// Roles that a wire from such a terminal commonly ends on, the likeliest first.
  private static List<Terminal.Role> alike(Terminal.Role role) {
    return switch (role) {
      case PROTECTIVE -> List.of(Terminal.Role.PROTECTIVE);
      case LINE -> List.of(Terminal.Role.LINE, Terminal.Role.CONTACT);
      case NEUTRAL -> List.of(Terminal.Role.NEUTRAL, Terminal.Role.CONTACT);
      case PLUS -> List.of(Terminal.Role.PLUS, Terminal.Role.CONTACT, Terminal.Role.SIGNAL);
      case MINUS -> List.of(Terminal.Role.MINUS, Terminal.Role.CONTACT);
      case SIGNAL -> List.of(Terminal.Role.SIGNAL, Terminal.Role.CONTACT, Terminal.Role.PLUS);
      case CONTACT ->
          List.of(
              Terminal.Role.CONTACT, Terminal.Role.SIGNAL, Terminal.Role.PLUS, Terminal.Role.LINE);
    };
  }

  private List<Terminal> terminals(Device device) {
    return study.part(device).map(part -> part.terminals()).orElse(List.of());
  }

  private Reading<End> end(String text) {
    var written = text.strip();
    var whole = device(written);
    if (whole.isPresent()) return new Reading.Value<>(new End(whole.get(), Optional.empty()));
    // A mark may hold a colon itself: the device is named before the first that leads to one.
    for (var at = written.indexOf(':'); at > 0; at = written.indexOf(':', at + 1)) {
      var named = device(written.substring(0, at).strip());
      if (named.isEmpty()) continue;
      var device = named.get();
      var mark = written.substring(at + 1).strip();
      var found =
          terminals(device).stream().filter(t -> t.name().equalsIgnoreCase(mark)).findFirst();
      return found.isPresent()
          ? new Reading.Value<>(new End(device, found))
          : new Reading.Misread<>(
              "%s has no terminal '%s'; it has %s"
                  .formatted(device.designation(), mark, marks(new End(device, Optional.empty()))));
    }
    return alone(written);
  }

  /// A terminal by its mark alone, such as `DI5`.
  private Reading<End> alone(String mark) {
    var found = new ArrayList<End>();
    for (var device : study.project().devices())
      for (var terminal : terminals(device))
        if (terminal.name().equalsIgnoreCase(mark) && mark.length() > 1)
          found.add(new End(device, Optional.of(terminal)));
    if (found.size() == 1) return new Reading.Value<>(found.getFirst());
    return new Reading.Misread<>(
        found.isEmpty()
            ? "There is no device or terminal '%s' in this machine.".formatted(mark)
            : "Several devices have a terminal %s: %s. Say which, such as %s:%s."
                .formatted(
                    mark,
                    found.stream()
                        .limit(MOST_TERMINALS)
                        .map(end -> end.device().designation().text())
                        .collect(Collectors.joining(", ")),
                    name(found.getFirst()),
                    mark));
  }

  private Optional<Device> device(String name) {
    var wanted = name.toLowerCase(Locale.ROOT);
    return study.project().devices().stream()
        .filter(d -> {
          var text = d.designation().text().toLowerCase(Locale.ROOT);
          return text.equals(wanted)
              || text.equals("-" + wanted)
              || d.id().text().equalsIgnoreCase(name);
        })
        .findFirst();
  }
}
