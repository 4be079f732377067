package nelvar.core.analysis.stop;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CoilTimes;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Repair;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.Splice;
import nelvar.core.network.ActuatorRef;

/// The way out that makes a contactor hold itself: its coil over its own closing contact, a start
/// button beside that.
final class SelfHold {
  private static final String COIL = "A1";
  private static final List<String> OWN = List.of("13", "14");

  private SelfHold() {}

  /// Offered where one contactor alone comes back and its own contact is free.
  static List<Repair> ways(Pressed one, Study study) {
    var back =
        study.project().devices().stream()
            .filter(d ->
                study.part(d).filter(p -> p.coilTimes().equals(CoilTimes.CONTACTOR)).isPresent())
            .filter(d -> {
              var coil = new ActuatorRef(d.id(), nelvar.core.catalogue.Actuator.COIL);
              return study.asDesigned().on(coil) && !one.pressed().on(coil) && one.letGo().on(coil);
            })
            .toList();
    if (back.size() != 1) return List.of();
    return way(back.getFirst(), study).stream().toList();
  }

  private static Optional<Repair> way(Device contactor, Study study) {
    var topology = study.network().topology();
    var free =
        OWN.stream().noneMatch(mark -> topology.wired(new TerminalRef(contactor.id(), mark)));
    var coil = new TerminalRef(contactor.id(), COIL);
    var wires =
        study.project().conductors().stream()
            .filter(c -> c.from().equals(coil) || c.to().equals(coil))
            .toList();
    var button = button(study);
    if (!free || wires.size() != 1 || button.isEmpty()) return Optional.empty();
    var label =
        "Let %s hold itself, with a start button beside its contact"
            .formatted(contactor.designation());
    return Optional.of(
        new Repair(
            label,
            new Edit(label, project -> apply(project, contactor, wires.getFirst(), button.get()))));
  }

  /// The cheapest with one closing contact that springs back.
  private static Optional<ControlSwitch> button(Study study) {
    return study
        .catalogue()
        .of(ControlSwitch.class)
        .filter(part -> part.id().startsWith("push-button") && part.closedContacts() == 0)
        .min(java.util.Comparator.comparing(Part::id));
  }

  private static Project apply(
      Project project, Device contactor, Conductor wire, ControlSwitch part) {
    var in = new TerminalRef(contactor.id(), OWN.getFirst());
    var out = new TerminalRef(contactor.id(), OWN.getLast());
    var next = Splice.over(project, wire, contactor.id(), in, out);
    var designation = NextName.designation(next, "-S");
    var id = NextName.id(next, designation.text());
    next =
        Edits.add(
                Device.of(
                    id,
                    designation.text(),
                    "starts " + contactor.designation(),
                    part.id(),
                    Place.DOOR))
            .apply(next);
    var ends = part.terminals().stream().map(nelvar.core.catalogue.Terminal::name).toList();
    next = joined(next, wire, in, new TerminalRef(id, ends.getFirst()));
    return joined(next, wire, new TerminalRef(id, ends.getLast()), out);
  }

  private static Project joined(Project project, Conductor like, TerminalRef from, TerminalRef to) {
    var label = NextName.designation(project, like.label().stem());
    return Edits.add(
            "",
            new Conductor(
                    NextName.id(project, label.text()),
                    label,
                    from,
                    to,
                    like.function(),
                    like.section(),
                    Optional.empty(),
                    like.colour(),
                    Optional.empty(),
                    Optional.empty())
                .assumed())
        .apply(project);
  }
}
