package nelvar.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.PlugFace;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Plugs put on the wrong way: which wire then lands where.
public final class Plugs {
  public static final String TURNED = "turned";
  public static final String SHIFTED = "shifted";
  public static final String SHIFTED_BACK = "shifted-back";

  private Plugs() {}

  /// The first place comes to the last and so on.
  public static Disturbance.Plug turned(Device device, PlugFace face) {
    return plug(device, face, TURNED, place -> face.ways() - 1 - place);
  }

  /// Every place comes one further; the last hangs in the air.
  public static Disturbance.Plug shifted(Device device, PlugFace face, boolean back) {
    return plug(device, face, back ? SHIFTED_BACK : SHIFTED, place -> back ? place - 1 : place + 1);
  }

  private static Disturbance.Plug plug(
      Device device, PlugFace face, String how, java.util.function.IntUnaryOperator to) {
    var moves = new ArrayList<Disturbance.Moved>();
    for (var place = 0; place < face.ways(); place++)
      at(device, face, place).ifPresent(moved(moves, at(device, face, to.applyAsInt(place))));
    return new Disturbance.Plug(device.id(), face.name(), how, moves);
  }

  /// Two plugs of one device in each other's sockets.
  public static Disturbance.Plug exchanged(Device device, PlugFace one, PlugFace other) {
    var moves = new ArrayList<Disturbance.Moved>();
    for (var place = 0; place < Math.max(one.ways(), other.ways()); place++) {
      var a = at(device, one, place);
      var b = at(device, other, place);
      a.ifPresent(moved(moves, b));
      b.ifPresent(moved(moves, a));
    }
    return new Disturbance.Plug(device.id(), one.name(), "on " + other.name(), moves);
  }

  /// The plugs of two connectors on each other's sockets.
  public static Disturbance.Plug exchanged(
      Device device, PlugFace face, Device other, PlugFace there) {
    var moves = new ArrayList<Disturbance.Moved>();
    for (var place = 0; place < Math.max(face.ways(), there.ways()); place++) {
      var a = at(device, face, place);
      var b = at(other, there, place);
      a.ifPresent(moved(moves, b));
      b.ifPresent(moved(moves, a));
    }
    return new Disturbance.Plug(
        device.id(), face.name(), "on the socket of " + other.designation(), moves);
  }

  private static java.util.function.Consumer<TerminalRef> moved(
      List<Disturbance.Moved> moves, Optional<TerminalRef> to) {
    return from -> moves.add(new Disturbance.Moved(from, to));
  }

  private static Optional<TerminalRef> at(Device device, PlugFace face, int place) {
    return place < 0 || place >= face.ways()
        ? Optional.empty()
        : face.places().get(place).map(mark -> new TerminalRef(device.id(), mark));
  }

  /// As people write it: `turned`, `shifted`, `shifted-back`, or the name of another plug.
  static Optional<Disturbance.Plug> of(
      Device device, List<PlugFace> faces, String plug, String how) {
    var face = named(faces, plug);
    if (face.isEmpty()) return Optional.empty();
    return switch (how) {
      case TURNED -> Optional.of(turned(device, face.get()));
      case SHIFTED -> Optional.of(shifted(device, face.get(), false));
      case SHIFTED_BACK -> Optional.of(shifted(device, face.get(), true));
      default ->
          named(faces, how)
              .filter(other -> !other.equals(face.get()))
              .map(other -> exchanged(device, face.get(), other));
    };
  }

  private static Optional<PlugFace> named(List<PlugFace> faces, String name) {
    return faces.stream().filter(face -> face.name().equalsIgnoreCase(name)).findFirst();
  }
}
