package nelvar.core.network;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import nelvar.core.catalogue.Part;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.units.Current;
import nelvar.core.units.Kind;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import nelvar.core.units.Resistance;

/// Reads what to try as people write it: `S1=pressed`, `K1=off`, `A1.Q3=on`, `F3=open`, `F3.1=open`
/// (the pole that begins at terminal 1), `A1=dead`, `A1.Q3=frozen-on`, `M1=50 %` (a load takes half
/// of its rating), `mains=70 %` (a dip), `A1.J2=turned`, `A1.J2=shifted`, `A1.J2=J3` (plugs put on
/// the wrong way), `U2=factory`, `U2=keypad`, `U2=entered 3`, `U2.Run source=keypad` (what a drive
/// keeps), `Q4=2.5 A` (its dial), `T1=psu-24v-5a` (another part), `W12=2 Ω` (a bad end). A device
/// goes by its id or its designation.
public final class TrialText {
  private static final Set<String> ON = Set.of("on", "pressed", "closed", "in", "set");
  private static final Set<String> OFF =
      Set.of("off", "released", "open", "out", "let-go", "pulled", "tripped");

  private static final String DEAD = "dead";
  private static final String MAINS = "mains";
  private static final String FROZEN = "frozen-";

  private final Project project;
  private final Circuitry circuitry;

  public TrialText(Project project, Circuitry circuitry) {
    this.project = project;
    this.circuitry = circuitry;
  }

  /// What cannot be read, and what would be.
  public static final class Unreadable extends RuntimeException {
    private static final long serialVersionUID = 1;

    Unreadable(String message) {
      super(message);
    }
  }

  public WhatIf set(WhatIf trial, String text) {
    var parts = text.split("=", 2);
    if (parts.length != 2)
      throw new Unreadable("'" + text + "' sets nothing: write DEVICE=STATE, such as S1=pressed");
    var state = parts[1].strip().toLowerCase(Locale.ROOT);
    var plugged = plugged(parts[0].strip(), parts[1].strip());
    if (plugged.isPresent()) return trial.with(plugged.get());
    var entered = entered(parts[0].strip(), parts[1].strip());
    if (entered.isPresent()) return trial.with(entered.get());
    var measured = measured(trial, parts[0].strip(), parts[1].strip());
    if (measured.isPresent()) return measured.get();
    if (state.equals(DEAD)) return trial.with(new Disturbance.Dead(device(parts[0].strip()).id()));
    var frozen = state.startsWith(FROZEN);
    if (frozen) state = state.substring(FROZEN.length());
    if (!ON.contains(state) && !OFF.contains(state))
      throw new Unreadable(
          "'"
              + parts[1]
              + "' is not a state: write on, off, pressed, released, open, closed, dead, frozen-on or frozen-off; 50 % for a load, 2.5 A for a dial, 2 Ω for a bad end of a wire, the id of another part; turned, shifted or shifted-back for a plug such as A1.J2; "
              + EnteredTrials.ACCEPTED);
    var name = parts[0].strip();
    var device =
        device(
            name.contains(".") && find(name).isEmpty()
                ? name.substring(0, name.lastIndexOf('.'))
                : name);
    var actuators =
        circuitry.actuatorRefs().stream().filter(ref -> ref.device().equals(device.id())).toList();
    if (actuators.isEmpty())
      return find(name).isPresent()
          ? protection(trial, device, OFF.contains(state))
          : pole(trial, device, name.substring(name.lastIndexOf('.') + 1), OFF.contains(state));
    var actuator = actuator(device, name, actuators);
    return frozen
        ? trial.with(new Disturbance.Frozen(actuator, ON.contains(state)))
        : trial.holding(actuator, ON.contains(state));
  }

  /// A plug put on the wrong way: `A1.J2=turned`, `A1.J2=shifted`, `A1.J2=J3`.
  private Optional<Disturbance.Plug> plugged(String name, String how) {
    var dot = name.lastIndexOf('.');
    if (dot < 1) return Optional.empty();
    return find(name.substring(0, dot))
        .flatMap(device ->
            circuitry
                .topology()
                .part(device.id())
                .flatMap(part -> Plugs.of(device, part.faces(), name.substring(dot + 1), how)));
  }

  /// A drive with other settings than planned: `U2=factory`, `U2=entered 3`, `U2.Run
  /// source=keypad`.
  private Optional<Disturbance> entered(String name, String value) {
    var topology = circuitry.topology();
    var whole =
        find(name)
            .flatMap(device ->
                topology.part(device.id()).flatMap(part -> EnteredTrials.of(device, part, value)));
    var dot = name.lastIndexOf('.');
    if (whole.isPresent() || dot < 1) return whole;
    return find(name.substring(0, dot))
        .flatMap(device ->
            topology
                .part(device.id())
                .flatMap(part -> EnteredTrials.of(device, part, name.substring(dot + 1), value)));
  }

  /// What is said as a quantity or as a part.
  private Optional<WhatIf> measured(WhatIf trial, String name, String value) {
    if (Kind.RESISTANCE.read(value) instanceof Reading.Value<Resistance>(var more))
      return Optional.of(trial.with(new Disturbance.Loose(conductor(name), more)));
    if (Kind.PERCENT.read(value) instanceof Reading.Value<Percent>(var share)
        && value.endsWith("%"))
      return Optional.of(
          trial.with(name.equalsIgnoreCase(MAINS) ? sag(share) : load(device(name), share)));
    if (Kind.CURRENT.read(value) instanceof Reading.Value<Current>(var trip)
        && value.toLowerCase(Locale.ROOT).endsWith("a"))
      return Optional.of(trial.with(setting(device(name), trip)));
    return circuitry
        .topology()
        .catalogue()
        .find(value)
        .map(part -> trial.with(wrong(device(name), part)));
  }

  private static Disturbance sag(Percent left) {
    if (left.percent() < 0 || left.percent() > Disturbance.Sag.MOST)
      throw new Unreadable(
          "mains stand at 0 to %d %% of their nominal volts, not %s"
              .formatted(Disturbance.Sag.MOST, left));
    return new Disturbance.Sag(left);
  }

  private Disturbance wrong(Device device, Part part) {
    var missing = circuitry.topology().missing(device, part);
    if (!missing.isEmpty())
      throw new Unreadable(
          "%s cannot be a %s: wires land on %s, which that has not"
              .formatted(device.designation(), part.id(), String.join(", ", missing)));
    return new Disturbance.WrongPart(device.id(), part.id());
  }

  /// The wires on two terminals exchanged: `M1:U,M1:V`.
  public WhatIf swap(WhatIf trial, String text) {
    var ends = pair(text);
    return trial.toggling(new Disturbance.Swap(ends.getFirst(), ends.getLast()));
  }

  private Disturbance load(Device device, Percent share) {
    if (circuitry.served(device.id()).isEmpty())
      throw new Unreadable(device.designation() + " takes no power, so it has no load to set");
    if (share.percent() < 0 || share.percent() > Disturbance.LoadAt.MOST)
      throw new Unreadable(
          "%s takes 0 to %d %% of its rating, not %s"
              .formatted(device.designation(), Disturbance.LoadAt.MOST, share));
    return new Disturbance.LoadAt(device.id(), share);
  }

  private Disturbance setting(Device device, Current trip) {
    var range =
        circuitry
            .topology()
            .part(device.id())
            .flatMap(Part::dial)
            .orElseThrow(() ->
                new Unreadable(device.designation() + " has nothing that is set to a current"));
    if (!range.contains(trip))
      throw new Unreadable(
          "%s is set from %s to %s, not to %s"
              .formatted(device.designation(), range.least(), range.greatest(), trip));
    return new Disturbance.WrongSetting(device.id(), trip);
  }

  private ActuatorRef actuator(Device device, String name, List<ActuatorRef> actuators) {
    if (find(name).isPresent()) {
      if (actuators.size() == 1) return actuators.getFirst();
      throw new Unreadable(device.designation() + " has several: write " + all(actuators));
    }
    var wanted = name.substring(name.lastIndexOf('.') + 1);
    return actuators.stream()
        .filter(ref -> ref.name().equals(wanted))
        .findFirst()
        .orElseThrow(() ->
            new Unreadable(
                device.designation() + " has no '" + wanted + "'; there is " + all(actuators)));
  }

  private static String all(List<ActuatorRef> actuators) {
    return actuators.stream().map(ActuatorRef::toString).collect(Collectors.joining(", "));
  }

  private WhatIf pole(WhatIf trial, Device device, String mark, boolean open) {
    var poles =
        circuitry.poles.stream()
            .map(Circuitry.Pole::pole)
            .filter(pole -> pole.a().device().equals(device.id()))
            .toList();
    var pole =
        poles.stream()
            .filter(p -> p.a().terminal().equals(mark) || p.b().terminal().equals(mark))
            .findFirst()
            .orElseThrow(() ->
                new Unreadable(
                    device.designation()
                        + " has no pole at '"
                        + mark
                        + "'; there is "
                        + poles.stream()
                            .map(p -> p.a().terminal() + "–" + p.b().terminal())
                            .collect(Collectors.joining(", "))));
    return trial.opened(pole) == open ? trial : trial.togglingPole(pole);
  }

  private WhatIf protection(WhatIf trial, Device device, boolean open) {
    if (circuitry.poles.stream().noneMatch(pole -> pole.device().id().equals(device.id())))
      throw new Unreadable(device.designation() + " has nothing that opens or closes");
    return trial.opened(device.id()) == open ? trial : trial.togglingProtection(device.id());
  }

  private Optional<Device> find(String name) {
    return project.called(name);
  }

  private Device device(String name) {
    return find(name)
        .orElseThrow(() -> new Unreadable("there is no device '" + name + "' in this project"));
  }

  /// A conductor by its id or label.
  public Id conductor(String name) {
    return project.conductors().stream()
        .filter(c -> c.id().text().equals(name) || c.label().text().equals(name))
        .findFirst()
        .map(c -> c.id())
        .orElseThrow(() -> new Unreadable("there is no conductor '" + name + "' in this project"));
  }

  /// A terminal: `T1:+` or `-T1:+`.
  public TerminalRef terminal(String text) {
    var colon = text.indexOf(':');
    if (colon < 1) throw new Unreadable("'" + text + "' is not a terminal: write it such as T1:+");
    var ref = new TerminalRef(device(text.substring(0, colon)).id(), text.substring(colon + 1));
    if (circuitry.node(ref) < 0)
      throw new Unreadable("there is no terminal '" + text + "' in this project");
    return ref;
  }

  /// Two terminals with a comma between: `T1:+,T1:-`.
  public List<TerminalRef> pair(String text) {
    var parts = text.split(",");
    if (parts.length != 2)
      throw new Unreadable("'" + text + "' is not two terminals: write them such as T1:+,T1:-");
    return List.of(terminal(parts[0].strip()), terminal(parts[1].strip()));
  }

  /// A contact by its two terminals: `K2:1,K2:2`.
  public PoleRef contact(String text) {
    var ends = pair(text);
    for (var s : circuitry.switched) {
      if (Set.of(s.pole().a(), s.pole().b()).equals(Set.copyOf(ends))) return s.pole();
    }
    throw new Unreadable(
        "there is no contact between " + ends.getFirst() + " and " + ends.getLast());
  }
}
