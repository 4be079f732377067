package nelvar.core.analysis.signals;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.Setting;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.PinSettings;
import nelvar.core.network.ActuatorRef;

/// One row of a truth table: how sensors stand in a situation that has a name, and what may then be
/// switched on.
///
/// Written as a setting of the controller, *Permissive* and its name: `B20 on, B21 off permits
/// DO3`, `B20 on, B21 on forbidden`, `B20 off, B21 off permits nothing`.
///
/// @param stands each sensor or switch with how it stands; on means that it conducts its target's
///   state: it sees, it is moved
/// @param forbidden it must not be: a sensor is broken or out of place
/// @param permits outputs that may be on
public record Permissive(
    Device board,
    String name,
    Map<ActuatorRef, Boolean> stands,
    boolean forbidden,
    List<TerminalRef> permits) {
  /// What the name of the setting begins with.
  public static final String SETTING = PinSettings.PERMISSIVE;

  private static final Pattern ROW =
      Pattern.compile("(?i)\\s*(.+?)\\s+(forbidden|permits\\s+(.+?))\\s*");
  private static final Pattern SENSOR = Pattern.compile("(?i)(\\S+)\\s+(on|off)");

  public Permissive {
    stands = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(stands));
    permits = List.copyOf(permits);
  }

  /// A row that could not be read, and why.
  public record Unread(Device board, String name, String why) {}

  /// All rows of a machine.
  public record Table(List<Permissive> rows, List<Unread> unread) {
    public Table {
      rows = List.copyOf(rows);
      unread = List.copyOf(unread);
    }

    public static Table of(Study study) {
      var rows = new ArrayList<Permissive>();
      var unread = new ArrayList<Unread>();
      for (var setting : study.project().settings()) {
        if (!setting.name().toLowerCase(Locale.ROOT).startsWith(SETTING.toLowerCase(Locale.ROOT)))
          continue;
        var board = study.device(setting.device());
        if (board.isEmpty()) continue;
        try {
          rows.add(read(board.get(), setting, study));
        } catch (IllegalArgumentException why) {
          unread.add(
              new Unread(
                  board.get(),
                  setting.name().substring(SETTING.length()),
                  String.valueOf(why.getMessage())));
        }
      }
      return new Table(rows, unread);
    }
  }

  private static Permissive read(Device board, Setting setting, Study study) {
    var row = ROW.matcher(setting.value());
    if (!row.matches())
      throw new IllegalArgumentException(
          "'%s' is no row: write it such as B20 on, B21 off permits DO3, or B20 on, B21 on forbidden"
              .formatted(setting.value()));
    var stands = new LinkedHashMap<ActuatorRef, Boolean>();
    for (var one : row.group(1).split("\\s*,\\s*")) {
      var sensor = SENSOR.matcher(one.strip());
      if (!sensor.matches())
        throw new IllegalArgumentException(
            "'%s' says no sensor and its state: write it such as B20 on".formatted(one));
      var ref = actuator(String.valueOf(sensor.group(1)), study);
      if (stands.put(ref, String.valueOf(sensor.group(2)).equalsIgnoreCase("on")) != null)
        throw new IllegalArgumentException("'%s' stands twice".formatted(sensor.group(1)));
    }
    var forbidden = String.valueOf(row.group(2)).equalsIgnoreCase("forbidden");
    var permits = new ArrayList<TerminalRef>();
    if (!forbidden && !String.valueOf(row.group(3)).equalsIgnoreCase("nothing"))
      for (var name : String.valueOf(row.group(3)).split("\\s*,\\s*"))
        permits.add(output(name.strip(), board, study));
    return new Permissive(
        board, setting.name().substring(SETTING.length()), stands, forbidden, permits);
  }

  private static ActuatorRef actuator(String name, Study study) {
    var dot = name.indexOf('.');
    var device = device(dot < 0 ? name : name.substring(0, dot), study);
    var moved =
        study.part(device).map(Part::actuators).orElse(List.of()).stream()
            .filter(a -> a instanceof Actuator.Hand || a instanceof Actuator.Program)
            .map(Actuator::name)
            .filter(a -> dot < 0 || a.equals(name.substring(dot + 1)))
            .findFirst();
    return moved
        .map(a -> new ActuatorRef(device.id(), a))
        .orElseThrow(() -> new IllegalArgumentException("%s tells nothing apart".formatted(name)));
  }

  private static Device device(String name, Study study) {
    return study
        .project()
        .called(name)
        .orElseThrow(() -> new IllegalArgumentException("there is no device '%s'".formatted(name)));
  }

  private static TerminalRef output(String name, Device board, Study study) {
    var colon = name.indexOf(':');
    var of = colon < 0 ? board : device(name.substring(0, colon), study);
    var pin = name.substring(colon + 1);
    if (study.part(of).flatMap(Part::logic).stream()
        .flatMap(logic -> logic.pins().stream())
        .noneMatch(p -> p.name().equals(pin) && !p.type().reads()))
      throw new IllegalArgumentException("%s has no output '%s'".formatted(of.designation(), pin));
    return new TerminalRef(of.id(), pin);
  }

  /// What a row can name.
  public record Choice(String name, String purpose) {}

  /// Sensors and switches on the inputs of a board.
  public static List<Choice> sensors(Device board, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.board().id().equals(board.id()))
        .filter(link -> link.pin().type().digitalInput() && link.wired())
        .flatMap(link -> Drivers.of(link.at(), study).conducting().keySet().stream())
        .flatMap(ref -> study.device(ref.device()).stream())
        .filter(device -> PinLinks.of(study).stream().noneMatch(l -> l.board().equals(device)))
        .distinct()
        .map(device -> new Choice(bare(device), device.purpose()))
        .toList();
  }

  /// Outputs of a board that something hangs on.
  public static List<Choice> outputs(Device board, Study study) {
    return PinLinks.of(study).stream()
        .filter(link -> link.board().id().equals(board.id()) && link.wired())
        .filter(link -> link.pin().type().switches())
        .map(link ->
            new Choice(
                link.pin().name(),
                String.join(
                    ", ",
                    link.partners().stream()
                        .flatMap(end -> study.device(end.device()).stream())
                        .map(device -> "%s %s".formatted(device.designation(), device.purpose()))
                        .distinct()
                        .toList())))
        .toList();
  }

  /// As rows name it: without the sign of a product.
  private static String bare(Device device) {
    return device.designation().text().replaceFirst("^-", "");
  }

  /// The sensors of a row, for the working.
  String words(Study study) {
    var all = new ArrayList<String>();
    stands.forEach((ref, on) -> all.add(study.label(ref.device()) + (on ? " on" : " off")));
    return String.join(", ", all);
  }

  /// What it may switch on that another may not.
  List<TerminalRef> beyond(Optional<Permissive> other) {
    return permits.stream()
        .filter(pin -> other.filter(o -> o.permits().contains(pin)).isEmpty())
        .toList();
  }
}
