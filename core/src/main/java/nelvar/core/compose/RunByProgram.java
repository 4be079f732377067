package nelvar.core.compose;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.motion.DrivenMotor;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Ink;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.finding.Repair;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.ImpossibleQuantity;

/// A relay that the program closes in place of the bridge on the run input of a drive: the way out
/// for a motor that a reset alone starts.
final class RunByProgram {
  private static final String RUN = "RUN";
  private static final String COMMON = "COM";

  private RunByProgram() {}

  /// Empty where its run input is not bridged, or no output is free.
  static Optional<Repair> of(Device motor, Study study, Catalogue standard) {
    return DrivenMotor.all(study).stream()
        .filter(driven -> driven.motors().contains(motor))
        .map(DrivenMotor::drive)
        .findFirst()
        .flatMap(drive -> of(drive, bridges(drive, study), study, standard));
  }

  private static List<Conductor> bridges(Device drive, Study study) {
    var run = new TerminalRef(drive.id(), RUN);
    var common = new TerminalRef(drive.id(), COMMON);
    return study.project().conductors().stream()
        .filter(wire -> wire.lands(run) && wire.lands(common))
        .toList();
  }

  private static Optional<Repair> of(
      Device drive, List<Conductor> bridges, Study study, Catalogue standard) {
    if (bridges.isEmpty()) return Optional.empty();
    try {
      var open = study.project();
      for (var bridge : bridges) open = Edits.remove(bridge).apply(open);
      var composer =
          Composer.beside(
              study.tried(open), standard, TypicalLength.DISTANCE, Composer.Beside.USUAL);
      var sketch = composer.sketch();
      var contact = composer.io().contact(drive.serves(), drive.purpose() + ", run");
      sketch.wire(contact.a(), sketch.at(drive, COMMON), Ink.CONTROL);
      sketch.wire(contact.b(), sketch.at(drive, RUN), Ink.CONTROL);
      composer.settle();
      var after = new Sizing(composer, standard, true).added(open).project();
      var label =
          "Let the program close the run input of %s over a relay, in place of its bridge"
              .formatted(drive.designation());
      return Optional.of(InPlace.of(label, study.project(), after));
    } catch (Unmet | EditRefused | ImpossibleQuantity notPossible) {
      return Optional.empty();
    }
  }
}
