package nelvar.core.analysis.earthing;

import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Terminal;
import nelvar.core.finding.Repair;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;

/// The repair that adds a protective conductor from a free way of a PE bar.
final class BondRepair {
  private BondRepair() {}

  static Optional<Repair> of(Device device, Terminal terminal, Study study) {
    var section = ProtectiveSection.needed(device, study).map(explained -> explained.value());
    return freeWay(study)
        .flatMap(way ->
            section.map(size -> {
              var label =
                  "Bond %s:%s with %s".formatted(device.designation(), terminal.name(), size);
              return new Repair(
                  label,
                  new Edit(
                      label,
                      project -> {
                        var number = NextName.designation(project, "PE");
                        var like = likeWire(device, study);
                        return Edits.add(
                                label,
                                new Conductor(
                                        NextName.id(project, number.text()),
                                        number,
                                        way,
                                        new TerminalRef(device.id(), terminal.name()),
                                        Conductor.Function.PROTECTIVE,
                                        Optional.of(size),
                                        like.flatMap(study::length),
                                        Optional.of("green-yellow"),
                                        Optional.empty(),
                                        like.flatMap(Conductor::bundle))
                                    .assumed())
                            .apply(project);
                      }));
            }));
  }

  /// A free terminal of a PE bar that is itself joined to the inlet.
  private static Optional<TerminalRef> freeWay(Study study) {
    for (var device : study.project().devices()) {
      if (!(study.part(device).orElse(null) instanceof DistributionBlock block)
          || block.role() != Terminal.Role.PROTECTIVE) continue;
      for (var way : block.terminals()) {
        var ref = new TerminalRef(device.id(), way.name());
        if (!study.network().topology().wired(ref) && study.network().earthed(ref))
          return Optional.of(ref);
      }
    }
    return Optional.empty();
  }

  /// The wire whose length and place the new one takes over: a single wire to the same device.
  private static Optional<Conductor> likeWire(Device device, Study study) {
    return study.at(device.id()).stream().filter(c -> c.cable().isEmpty()).findFirst();
  }
}
