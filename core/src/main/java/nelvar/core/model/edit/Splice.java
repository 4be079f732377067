package nelvar.core.model.edit;

import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;

/// A wire led over another device: the old one ends there, a new one like it goes on.
public final class Splice {
  private Splice() {}

  /// @param load the end that is fed; @param in where the old wire ends; @param out where the new
  ///   one begins. Each keeps the old length, which then is assumed: the device is beside it.
  public static Project over(
      Project project, Conductor wire, Id load, TerminalRef in, TerminalRef out) {
    var loadEnd = wire.to().device().equals(load) ? wire.to() : wire.from();
    var farEnd = wire.to().device().equals(load) ? wire.from() : wire.to();
    var rest =
        project.withConductors(
            Project.changed(
                project.conductors(), c -> c.id().equals(wire.id()), c -> c.withEnds(farEnd, in)));
    var label = NextName.designation(rest, wire.label().stem());
    return Edits.add(
            "",
            new Conductor(
                    NextName.id(rest, label.text()),
                    label,
                    out,
                    loadEnd,
                    wire.function(),
                    wire.section(),
                    wire.length(),
                    wire.colour(),
                    wire.cable(),
                    wire.bundle())
                .assumed())
        .apply(rest);
  }
}
