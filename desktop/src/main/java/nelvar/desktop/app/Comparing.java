package nelvar.desktop.app;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import nelvar.core.compose.Candidates;
import nelvar.core.compose.Costs;
import nelvar.core.compose.Ways;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.desktop.session.Session;
import nelvar.desktop.style.Theme;

/// Opens what stands side by side over the window: parts for a device, ways for a function, what
/// could run the machine.
final class Comparing {
  private final Optional<Session> session;
  private final Theme theme;
  private final Consumer<Node> over;
  private final Runnable close;

  /// @param over lays a sheet over the window; @param close takes it away
  Comparing(Optional<Session> session, Theme theme, Consumer<Node> over, Runnable close) {
    this.session = session;
    this.theme = theme;
    this.over = over;
    this.close = close;
  }

  /// What could stand in the place of the selected device, or make the selected function work, side
  /// by side.
  void selected() {
    session.ifPresent(s -> {
      var study = s.whole().study();
      var selected = s.selection().get();
      var device = selected.flatMap(study::device);
      var function = selected.flatMap(id -> s.project().plan().function(id));
      if (device.isPresent() && s.composing().known(device.get().id()).isEmpty())
        another(device.get(), s);
      else if (device.isPresent()) ways(device.get().id(), device.get().designation().text(), s);
      else if (function.isPresent()
          && !FunctionEdits.served(s.project(), function.get().id()).isEmpty())
        again(function.get(), s);
      else if (function.isPresent())
        ways(function.get().id(), function.get().designation().text(), s);
      else s.tell("Select a device to compare parts for it, or a function to compare its ways.");
    });
  }

  private void another(Device device, Session s) {
    var sheet = new CompareSheet(s, theme, "Another part for " + device.designation(), close);
    over.accept(sheet);
    s.composing()
        .candidates(
            device,
            found ->
                sheet.show(
                    found.stream()
                        .map(c ->
                            new CompareSheet.Choice(
                                c.part().name(), note(c, s), c.unfit(), c.edit()))
                        .toList()),
            sheet::say);
  }

  private static String note(Candidates.Candidate c, Session s) {
    return "%s%s%s%s"
        .formatted(
            c.mechanics().isEmpty()
                ? ""
                : "does not bolt on: " + String.join(", ", c.mechanics()) + "; ",
            c.costs()
                .map(costs ->
                    "%s%d %s"
                        .formatted(
                            costs < 0 ? "− " : "+ ",
                            Math.round(Math.abs(costs)),
                            s.project().brief().policies().currency()))
                .orElse("price not stated"),
            c.opens().isEmpty() ? "" : ", opens " + String.join(", ", c.opens()),
            c.closes().isEmpty() ? "" : ", closes " + String.join(", ", c.closes()));
  }

  private void ways(Id thing, String name, Session s) {
    var known = s.composing().known(thing);
    if (known.isEmpty()) {
      s.tell("Its ways are not known yet, or it works already.");
      return;
    }
    var sheet = new CompareSheet(s, theme, "Ways for %s side by side".formatted(name), close);
    over.accept(sheet);
    sheet.show(choices(known.get(), s));
  }

  /// Other ways for a function that works, also from other supplies.
  private void again(MachineFunction function, Session s) {
    var sheet = new CompareSheet(s, theme, "Another way for " + function.designation(), close);
    over.accept(sheet);
    s.composing().again(function, found -> show(found, sheet, s), sheet::say);
  }

  private static void show(Ways.Found found, CompareSheet sheet, Session s) {
    sheet.show(choices(found, s));
    if (found.ways().isEmpty())
      sheet.say(
          found.refused().isEmpty()
              ? "It is made in the only way there is."
              : "There is no other way: " + String.join("; ", found.refused()));
  }

  /// The ways to have a program switch the selected device, which is always on.
  void switching() {
    session.ifPresent(s -> {
      var device = s.selection().get().flatMap(id -> s.whole().study().device(id));
      if (device.isEmpty()) return;
      var sheet =
          new CompareSheet(s, theme, "Let a program switch " + device.get().designation(), close);
      over.accept(sheet);
      s.composing().switching(device.get(), found -> show(found, sheet, s), sheet::say);
    });
  }

  private static List<CompareSheet.Choice> choices(Ways.Found found, Session s) {
    return found.ways().stream()
        .map(way ->
            new CompareSheet.Choice(
                way.title(),
                "%s%d %s%s, %d wire%s %s"
                    .formatted(
                        way.costs() < 0 ? "− " : "+ ",
                        Math.round(Math.abs(way.costs())),
                        s.project().brief().policies().currency(),
                        Costs.beside(way.unpriced()),
                        Math.abs(way.wires()),
                        Math.abs(way.wires()) == 1 ? "" : "s",
                        way.wires() < 0 ? "fewer" : "more"),
                Optional.empty(),
                way.edit()))
        .toList();
  }

  /// The machine drawn up anew from what it must do, run by each other architecture.
  void architectures() {
    session.ifPresent(s -> {
      if (s.project().functions().isEmpty()) {
        s.tell("Name in Parts what the machine must do first: it is drawn up from that.");
        return;
      }
      var sheet = new CompareSheet(s, theme, "What runs the machine", close);
      over.accept(sheet);
      s.composing()
          .architectures(
              tried -> {
                sheet.show(
                    tried.stream()
                        .map(one ->
                            new CompareSheet.Choice(
                                one.variant().title(),
                                "draws the whole machine up again from its functions",
                                one.refused(),
                                one.variant().edit()))
                        .toList());
                sheet.say(
                    "Each is the machine drawn up anew from its functions: compare before you take one. What was made by hand goes; undo brings it back.");
              },
              sheet::say);
    });
  }
}
