package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.signals.PinLink;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Pin;
import nelvar.core.finding.Severity;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.FirmwareNames;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;

/// Controllers in the middle, pin by pin in the order of their connectors; what they read at the
/// left, what they drive at the right. A full line reads 1 or is on now, a dashed one is not; the
/// pins of an axis are one double line. Free pins of a kind stand folded. Units are pixels.
public final class PinPicture {
  private static final double ROW = 34;
  private static final double CHIP = 54;
  private static final double CHIP_HEIGHT = 22;
  private static final double BOX = 74;
  private static final double BOARD_LEFT = 304;
  private static final double BOARD_RIGHT = 546;
  private static final double LINE = 70;
  private static final double HEAD = 36;

  /// Its natural width.
  public static final double WIDTH = 850;

  /// @param free whether free pins stand unfolded
  /// @param selected a wire, a device: its pins are marked
  /// @param marks the worst finding of a pin
  public record View(boolean free, Optional<Id> selected, Map<TerminalRef, Severity> marks) {
    public View {
      marks = Map.copyOf(marks);
    }
  }

  /// One row at one side of a board.
  ///
  /// @param links one, or the pins of an axis that lead to one device; none where they are free
  /// @param label on its chip
  /// @param folded how many free pins it stands for
  private record Row(List<PinLink> links, String label, String folded) {
    PinLink first() {
      return links.getFirst();
    }
  }

  private final Study study;
  private final Live live;
  private final View view;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();
  private double y = 14;

  private final List<PinLink> links;

  private PinPicture(List<PinLink> links, Study study, Live live, View view) {
    this.links = links;
    this.study = study;
    this.live = live;
    this.view = view;
  }

  /// @param live the state that is shown: as designed, or what is tried
  public static Drawing of(List<PinLink> links, Study study, Live live, View view) {
    var picture = new PinPicture(links, study, live, view);
    var byBoard = new LinkedHashMap<Id, List<PinLink>>();
    for (var link : links)
      byBoard.computeIfAbsent(link.board().id(), _ -> new ArrayList<>()).add(link);
    for (var board : byBoard.values()) picture.board(board);
    return new Drawing(WIDTH, picture.y + 10, picture.shapes, picture.spots);
  }

  private void board(List<PinLink> links) {
    var device = links.getFirst().board();
    var left = new ArrayList<PinLink>();
    var right = new ArrayList<PinLink>();
    for (var link : links) (link.pin().type().reads() ? left : right).add(link);
    var top = y;
    var behind = shapes.size();
    var ends = Math.max(side(left, top + HEAD, true), side(right, top + HEAD, false));
    var height = ends - top + 6;
    var chosen = view.selected().filter(device.id()::equals).isPresent();
    var box = new ArrayList<Shape>();
    box.add(
        Shape.rounded(
            BOARD_LEFT,
            top,
            BOARD_RIGHT - BOARD_LEFT,
            height,
            8,
            Optional.of(Ink.CARD),
            Optional.of(
                new Shape.Pen(chosen ? Ink.ACCENT : Ink.TEXT_SOFT, chosen ? 2.5 : 1.5, 0))));
    var middle = (BOARD_LEFT + BOARD_RIGHT) / 2;
    var name = device.designation().text();
    box.add(Shape.text(middle, top + 19, name, Face.MONO_BOLD, 14, Ink.TEXT, Shape.Anchor.MIDDLE));
    box.add(
        Shape.text(
            middle,
            top + 33,
            Faces.fit(
                study.part(device).map(Part::name).orElse(""),
                Face.TEXT,
                12,
                BOARD_RIGHT - BOARD_LEFT - 16),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT,
            Shape.Anchor.MIDDLE));
    shapes.addAll(behind, box);
    spots.addFirst(
        new Drawing.Spot(
            BOARD_LEFT + CHIP + 8,
            top,
            BOARD_RIGHT - BOARD_LEFT - 2 * CHIP - 16,
            HEAD,
            device.id(),
            name + " " + device.purpose()));
    y = top + height + 22;
  }

  /// Draws one side from `from` down; where it ends.
  private double side(List<PinLink> links, double from, boolean left) {
    var at = from;
    var heading = "";
    for (var row : rows(links)) {
      var next = heading(row.first());
      if (!next.equals(heading)) {
        heading = next;
        at += 8;
        shapes.add(
            left
                ? Shape.text(
                    BOARD_LEFT + 10,
                    at + 12,
                    Faces.fit(next, Face.SEMIBOLD, 12, HALF),
                    Face.SEMIBOLD,
                    12,
                    Ink.TEXT_SOFT)
                : Shape.text(
                    BOARD_RIGHT - 10,
                    at + 12,
                    Faces.fit(next, Face.SEMIBOLD, 12, HALF),
                    Face.SEMIBOLD,
                    12,
                    Ink.TEXT_SOFT,
                    Shape.Anchor.END));
        at += 18;
      }
      row(row, at, left);
      at += row.folded().isEmpty() ? ROW : ROW - 8;
    }
    return at;
  }

  private static final double HALF = (BOARD_RIGHT - BOARD_LEFT) / 2 - 12;

  /// Whether a connector has more pins than this on its side of the board.
  private boolean shared(PinLink link, String connector) {
    return links.stream()
            .filter(other ->
                other.board().equals(link.board())
                    && other.pin().type().reads() == link.pin().type().reads()
                    && other.pin().at().filter(s -> s.connector().equals(connector)).isPresent())
            .count()
        > 1;
  }

  private String heading(PinLink link) {
    var kind =
        switch (link.pin().type()) {
          case INPUT_READS_PLUS -> "reads +";
          case INPUT_READS_MINUS -> "reads 0 V";
          case LOGIC_INPUT -> "logic";
          case ANALOGUE_INPUT -> "0–10 V in";
          case CURRENT_INPUT -> "4–20 mA in";
          case THERMISTOR -> "thermistors";
          case ANALOGUE_OUTPUT -> "0–10 V out";
          case OUTPUT_SINKING -> "pulls to 0 V";
          case OUTPUT_PWM -> "pulses to 0 V";
          case OUTPUT_SOURCING -> "gives +";
          case OUTPUT_CONTACT -> "relays";
          case ALWAYS_ON -> "always on";
          case OUTPUT_PULSES, OUTPUT_PULSES_SINGLE -> "axes";
          case SERIAL -> "serial";
        };
    // A plug with one pin on this side is named beside the pin.
    return link.pin()
        .at()
        .filter(spot -> shared(link, spot.connector()))
        .map(spot -> spot.connector() + " " + kind)
        .orElse(kind);
  }

  /// Pins of an axis to one device as one, free pins of a heading as one.
  private List<Row> rows(List<PinLink> links) {
    var all = new ArrayList<Row>();
    for (var n = 0; n < links.size(); n++) {
      var link = links.get(n);
      var together = new ArrayList<PinLink>(List.of(link));
      if (!link.wired() && !view.free())
        while (n + 1 < links.size()
            && !links.get(n + 1).wired()
            && heading(links.get(n + 1)).equals(heading(link))) together.add(links.get(++n));
      else if (pulses(link) && link.wired())
        while (n + 1 < links.size()
            && pulses(links.get(n + 1))
            && partner(links.get(n + 1)).equals(partner(link))) together.add(links.get(++n));
      var name = link.pin().name();
      all.add(
          new Row(
              together,
              pulses(link) && together.size() > 1 ? name.replaceFirst("[+-]$", "") : name,
              link.wired() || view.free()
                  ? ""
                  : together.size() == 1
                      ? name + " free"
                      : "%d free: %s to %s"
                          .formatted(together.size(), name, together.getLast().pin().name())));
    }
    return all;
  }

  private static boolean pulses(PinLink link) {
    return link.pin().type() == Pin.Type.OUTPUT_PULSES
        || link.pin().type() == Pin.Type.OUTPUT_PULSES_SINGLE;
  }

  private static Optional<Id> partner(PinLink link) {
    return link.partners().stream().findFirst().map(TerminalRef::device);
  }

  private void row(Row row, double top, boolean left) {
    if (!row.folded().isEmpty()) {
      shapes.add(
          left
              ? Shape.text(BOARD_LEFT + 10, top + 15, row.folded(), Face.TEXT, 12, Ink.TEXT_SOFT)
              : Shape.text(
                  BOARD_RIGHT - 10,
                  top + 15,
                  row.folded(),
                  Face.TEXT,
                  12,
                  Ink.TEXT_SOFT,
                  Shape.Anchor.END));
      return;
    }
    var link = row.first();
    var severity =
        row.links().stream()
            .flatMap(one -> Optional.ofNullable(view.marks().get(one.at())).stream())
            .min(java.util.Comparator.naturalOrder());
    var ink = severity.map(Badge::ink).orElse(on(link) ? Ink.DC_LOW : Ink.TEXT_FAINT);
    var chosen = row.links().stream().anyMatch(this::chosen);
    chip(row, top, left, chosen);
    names(link, top, left);
    if (!link.wired()) return;
    line(row, top, left, ink, severity);
    partnerBox(link, top, left, ink, severity.isPresent());
    spots.add(
        new Drawing.Spot(
            left ? BOARD_LEFT - LINE : BOARD_RIGHT - CHIP,
            top,
            LINE + CHIP,
            ROW - 4,
            wire(link).map(Conductor::id).orElse(link.board().id()),
            says(link)));
  }

  private void chip(Row row, double top, boolean left, boolean chosen) {
    var x = left ? BOARD_LEFT + 6 : BOARD_RIGHT - 6 - CHIP;
    shapes.add(
        Shape.rounded(
            x,
            top + 2,
            CHIP,
            CHIP_HEIGHT,
            3,
            Optional.of(chosen ? Ink.ACCENT_SOFT : Ink.PAPER),
            Optional.of(new Shape.Pen(chosen ? Ink.ACCENT : Ink.LINE, chosen ? 2 : 1, 0))));
    shapes.add(
        Shape.text(
            x + CHIP / 2,
            top + 17.5,
            Faces.fit(row.label(), Face.MONO_BOLD, 12, CHIP - 4),
            Face.MONO_BOLD,
            12,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
  }

  /// What it is called in the program, else on the maker's drawing; its place on the connector.
  private void names(PinLink link, double top, boolean left) {
    var pin = link.pin();
    var named = FirmwareNames.of(study.project(), link.board().id(), pin);
    var text = named.or(pin::pinOut).orElse("");
    var place =
        pin.at()
            .map(spot ->
                (shared(link, spot.connector()) || spot.connector().equals(pin.name())
                        ? ""
                        : spot.connector() + " ")
                    + (spot.number() == 1 ? "pin 1 ▸" : "pin " + spot.number()))
            .orElse("");
    var x = left ? BOARD_LEFT + 6 + CHIP + 6 : BOARD_RIGHT - 6 - CHIP - 6;
    var anchor = left ? Shape.Anchor.START : Shape.Anchor.END;
    var room = HALF - CHIP - 2;
    if (!text.isEmpty())
      shapes.add(
          Shape.text(
              x,
              top + (place.isEmpty() ? 17 : 12),
              Faces.fit(text, Face.MONO, 11, room),
              Face.MONO,
              11,
              named.isPresent() ? Ink.TEXT : Ink.TEXT_SOFT,
              anchor));
    if (!place.isEmpty())
      shapes.add(
          Shape.text(
              x, top + (text.isEmpty() ? 17 : 25), place, Face.TEXT, 11, Ink.TEXT_SOFT, anchor));
  }

  private void line(Row row, double top, boolean left, Ink ink, Optional<Severity> severity) {
    var a = left ? BOARD_LEFT - LINE : BOARD_RIGHT;
    var b = left ? BOARD_LEFT : BOARD_RIGHT + LINE;
    var middle = top + 2 + CHIP_HEIGHT / 2;
    var dash = on(row.first()) && severity.isEmpty() ? 0 : 5;
    var pen = new Shape.Pen(ink, 2, dash);
    if (row.links().size() > 1) {
      shapes.add(Shape.line(a, middle - 2.5, b, middle - 2.5, pen));
      shapes.add(Shape.line(a, middle + 2.5, b, middle + 2.5, pen));
    } else shapes.add(Shape.line(a, middle, b, middle, pen));
    severity.ifPresent(worst -> shapes.addAll(Badge.of(worst, (a + b) / 2, middle, 8)));
  }

  private void partnerBox(PinLink link, double top, boolean left, Ink ink, boolean wrong) {
    var x = left ? BOARD_LEFT - LINE - BOX : BOARD_RIGHT + LINE;
    var end = link.partners().stream().findFirst();
    var device = end.flatMap(at -> study.device(at.device()));
    shapes.add(
        Shape.rounded(
            x,
            top + 1,
            BOX,
            CHIP_HEIGHT + 2,
            4,
            Optional.of(Ink.CARD),
            Optional.of(
                new Shape.Pen(
                    wrong || on(link) ? ink : Ink.LINE, wrong || on(link) ? 1.8 : 1.3, 0))));
    shapes.add(
        Shape.text(
            x + BOX / 2,
            top + 17.5,
            Faces.fit(
                device.map(d -> d.designation().text()).orElse("?"), Face.MONO_BOLD, 12, BOX - 6),
            Face.MONO_BOLD,
            12,
            Ink.TEXT,
            Shape.Anchor.MIDDLE));
    device.ifPresent(d ->
        spots.add(
            new Drawing.Spot(
                x, top, BOX, ROW - 6, d.id(), d.designation().text() + " " + d.purpose())));
    var textX = left ? x - 8 : x + BOX + 8;
    var anchor = left ? Shape.Anchor.END : Shape.Anchor.START;
    var room = left ? textX - 8 : WIDTH - textX - 4;
    shapes.add(
        Shape.text(
            textX,
            top + 12,
            Faces.fit(device.map(Device::purpose).orElse(""), Face.SEMIBOLD, 12, room),
            Face.SEMIBOLD,
            12,
            Ink.TEXT,
            anchor));
    shapes.add(
        Shape.text(
            textX,
            top + 26,
            Faces.fit(state(link), Face.TEXT, 12, room),
            Face.TEXT,
            12,
            link.standing() == PinLink.Standing.WRONG ? Ink.ERROR : Ink.TEXT_SOFT,
            anchor));
  }

  /// What stands there now, in a few words.
  private String state(PinLink link) {
    var pin = link.pin();
    if (pin.type().digitalInput())
      return live.voltage(link.at(), new TerminalRef(link.board().id(), "-"))
          .map(both -> new nelvar.core.units.Voltage(Math.max(0, both.direct())))
          .map(volts -> "%s, %s".formatted(PinLink.reads(pin, volts).words(), rounded(volts)))
          .orElse(link.standing().words());
    if (pin.type().switches())
      return link.on()
          .map(seen -> "%s, %s when on".formatted(on(link) ? "on" : "off", small(seen.current())))
          .orElse(link.standing().words());
    return pin.type().words();
  }

  /// In one unit below 1 A, so that outputs can be told apart at a glance.
  private static String small(nelvar.core.units.Current current) {
    return current.amperes() < 1
        ? nelvar.core.units.Significant.digits(Math.round(current.amperes() * 10_000) / 10.0)
            + " mA"
        : current.toString();
  }

  private static String rounded(nelvar.core.units.Voltage volts) {
    return new nelvar.core.units.Voltage(Math.round(volts.volts() * 10) / 10.0).toString();
  }

  /// Whether it reads 1 or is switched on in the state that is shown.
  private boolean on(PinLink link) {
    var pin = link.pin();
    if (pin.type().digitalInput())
      return live.voltage(link.at(), new TerminalRef(link.board().id(), "-"))
          .map(both -> new nelvar.core.units.Voltage(Math.max(0, both.direct())))
          .filter(volts -> PinLink.reads(pin, volts) == PinLink.Reads.ONE)
          .isPresent();
    if (!pin.type().switches()) return link.wired();
    return study.part(link.board()).flatMap(Part::logic).stream()
        .flatMap(logic -> logic.links().stream())
        .filter(way -> way.actuator().equals(Optional.of(pin.name())))
        .anyMatch(way ->
            live.closed(
                new PoleRef(
                    new TerminalRef(link.board().id(), way.a()),
                    new TerminalRef(link.board().id(), way.b()))));
  }

  private Optional<Conductor> wire(PinLink link) {
    return study.at(link.board().id()).stream().filter(wire -> wire.lands(link.at())).findFirst();
  }

  private boolean chosen(PinLink link) {
    return view.selected()
        .filter(id ->
            wire(link).map(Conductor::id).filter(id::equals).isPresent()
                || link.partners().stream()
                    .anyMatch(end -> end.device().equals(id) || serves(end.device(), id)))
        .isPresent();
  }

  /// Whether a device serves a function that is selected: its pins are marked together.
  private boolean serves(Id device, Id function) {
    return study.device(device).flatMap(Device::serves).filter(function::equals).isPresent();
  }

  private String says(PinLink link) {
    return "%s:%s %s"
        .formatted(
            link.board().designation(), link.pin().name(), Objects.requireNonNull(link.words()));
  }
}
