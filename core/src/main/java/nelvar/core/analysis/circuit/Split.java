package nelvar.core.analysis.circuit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Actuator;
import nelvar.core.catalogue.Glyph;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Terminal;
import nelvar.core.model.Device;

/// Which symbols a device is drawn as: its coil, its main poles together, each auxiliary contact,
/// what it is fed with, and of a board each pin with what it belongs to.
final class Split {
  /// A device with more terminals than this, beside its contacts, stands in several places.
  private static final int WHOLE = 8;

  /// Poles of a main circuit are numbered with one digit (IEC 60947-1, annex on marking;
  /// unchecked).
  private static final Pattern MAIN = Pattern.compile("[1-9]");

  private static final Pattern NUMBER = Pattern.compile("\\d+");

  /// @param marks in the order of [Piece#marks]
  record Group(Form form, List<String> marks) {}

  private final Study study;
  private final Device device;
  private final Part part;
  private final Pieces pieces;
  private final Set<String> left = new LinkedHashSet<>();
  private final Set<String> wired = new LinkedHashSet<>();
  private final List<Group> groups = new ArrayList<>();

  private Split(Study study, Device device, Part part, Pieces pieces) {
    this.pieces = pieces;
    this.study = study;
    this.device = device;
    this.part = part;
    part.terminals().forEach(terminal -> left.add(terminal.name()));
    for (var wire : study.at(device.id()))
      for (var end : List.of(wire.from(), wire.to()))
        if (end.device().equals(device.id())) wired.add(end.terminal());
    // What a wire lands on that the part has not is drawn all the same.
    left.addAll(wired);
  }

  /// What of a device is drawn, main parts first. What has no wire is left out: it is free.
  static List<Group> of(Study study, Device device, Pieces pieces) {
    var part = study.part(device);
    if (part.isEmpty()) return withoutPart(study, device);
    var split = new Split(study, device, part.get(), pieces);
    split.all();
    return split.groups.stream()
        .filter(group -> group.marks().stream().anyMatch(split.wired::contains))
        .toList();
  }

  private static List<Group> withoutPart(Study study, Device device) {
    var marks = new LinkedHashSet<String>();
    for (var wire : study.at(device.id()))
      for (var end : List.of(wire.from(), wire.to()))
        if (end.device().equals(device.id())) marks.add(end.terminal());
    return marks.isEmpty() ? List.of() : List.of(new Group(Form.BOX, List.copyOf(marks)));
  }

  private void all() {
    if (part.row().isPresent()) {
      for (var mark : List.copyOf(left)) take(Form.WAY, List.of(mark));
      return;
    }
    if (part.glyph() == Glyph.PLUG)
      for (var link : part.links()) take(Form.WAY, List.of(link.a(), link.b()));
    coil();
    var at = groups.size();
    contacts();
    rest(at);
  }

  private void take(Form form, List<String> marks) {
    left.removeAll(marks);
    groups.add(new Group(form, marks));
  }

  private void coil() {
    if (part.ownCoil().isEmpty()) return;
    for (var actuator : part.actuators())
      if (actuator instanceof Actuator.Magnet magnet && magnet.name().equals(Actuator.COIL))
        take(Form.SLIM, List.of(magnet.a(), magnet.b()));
  }

  private void contacts() {
    var main = new ArrayList<String>();
    var done = new LinkedHashSet<Link>();
    var all =
        part.links().stream()
            .filter(l -> l.kind() == Link.Kind.CONTACT || l.kind() == Link.Kind.PROTECTIVE)
            .toList();
    for (var link : all) {
      if (!done.add(link)) continue;
      var sharing = all.stream().filter(l -> !l.equals(link) && shares(l, link)).toList();
      done.addAll(sharing);
      if (sharing.isEmpty()) {
        if (MAIN.matcher(link.a()).matches() && MAIN.matcher(link.b()).matches())
          main.addAll(List.of(link.a(), link.b()));
        else if (!byHand(link) || NUMBER.matcher(link.a()).matches())
          take(Form.POLES, List.of(link.a(), link.b()));
      } else if (sharing.size() == 1) changeover(link, sharing.getFirst());
    }
    if (main.isEmpty()) return;
    left.removeAll(main);
    groups.add(part.ownCoil().isPresent() ? 1 : 0, new Group(Form.POLES, main));
  }

  private static boolean shares(Link a, Link b) {
    return a.a().equals(b.a()) || a.a().equals(b.b()) || a.b().equals(b.a()) || a.b().equals(b.b());
  }

  private boolean byHand(Link link) {
    return part.actuators().stream()
        .anyMatch(a -> a instanceof Actuator.Hand && link.actuator().equals(Optional.of(a.name())));
  }

  private void changeover(Link one, Link two) {
    if (one.closedAtRest() == two.closedAtRest() || one.kind() != Link.Kind.CONTACT) return;
    var rest = one.closedAtRest() ? one : two;
    var work = one.closedAtRest() ? two : one;
    var common = rest.a().equals(work.a()) || rest.a().equals(work.b()) ? rest.a() : rest.b();
    take(Form.CHANGEOVER, List.of(common, other(rest, common), other(work, common)));
  }

  private static String other(Link link, String one) {
    return link.a().equals(one) ? link.b() : link.a();
  }

  /// What is neither coil nor contact, before the contacts.
  private void rest(int at) {
    if (left.isEmpty()) return;
    var power = power();
    var whole = left.size() <= WHOLE || power.isEmpty();
    if (whole && left.size() <= 2 * WHOLE) {
      groups.add(at, new Group(form(left), List.copyOf(left)));
      return;
    }
    power.retainAll(left);
    left.removeAll(power);
    if (!power.isEmpty()) groups.add(at, new Group(form(power), List.copyOf(power)));
    groups.addAll(Related.of(study, device, part, left, pieces));
  }

  private Form form(Set<String> marks) {
    if (part.glyph() == Glyph.MOTOR) return Form.RING;
    return part.glyph().slim() && marks.size() <= 3 ? Form.SLIM : Form.BOX;
  }

  /// Where it takes and gives power, and its protective terminals.
  private Set<String> power() {
    var all = new LinkedHashSet<String>();
    for (var terminal : part.terminals())
      if (terminal.role() != Terminal.Role.SIGNAL && terminal.role() != Terminal.Role.CONTACT)
        all.add(terminal.name());
    for (var intake : part.intakes(Linkage.STAR)) {
      all.addAll(intake.lines());
      intake.back().ifPresent(all::add);
    }
    for (var output : part.outputs()) {
      all.addAll(output.lines());
      output.back().ifPresent(all::add);
    }
    var ordered = new LinkedHashMap<String, Boolean>();
    for (var terminal : part.terminals())
      if (all.contains(terminal.name())) ordered.put(terminal.name(), true);
    return new LinkedHashSet<>(ordered.keySet());
  }
}
