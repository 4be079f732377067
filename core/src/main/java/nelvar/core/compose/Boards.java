package nelvar.core.compose;

import java.util.Optional;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.DriverBoard;
import nelvar.core.compose.sketch.Architecture;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Means;
import nelvar.core.model.Project;
import nelvar.core.units.Current;

/// Why a machine cannot be run from a board that carries its drives. Such boards are not drawn up:
/// they can be entered by hand.
final class Boards {
  /// Of a stepper whose current is not said (assumed).
  private static final double USUAL = 3;

  private Boards() {}

  /// @throws Unmet always, with what speaks against it: axes, amperes, outputs
  static void refuse(Project project, Catalogue standard) {
    var board =
        standard
            .find(Architecture.BOARD_WITH_DRIVES.board())
            .map(DriverBoard.class::cast)
            .orElseThrow();
    var axes = 0;
    for (var function : project.functions()) {
      if (!stepper(function)) continue;
      axes += function.wants().count();
      var wants = function.wants().current().map(Current::amperes).orElse(USUAL);
      if (wants > board.rating().amperes())
        throw new Unmet(
            Optional.of(function),
            "it wants %s, and a drive on the board gives %s"
                .formatted(new Current(wants), board.rating()));
    }
    if (axes > board.axes())
      throw new Unmet(
          "%d axes are wanted, and the board has drives for %d".formatted(axes, board.axes()));
    throw new Unmet(
        "a board with drives on it is not drawn up: its outputs switch 0 V, and an earth fault behind one starts what it drives (IEC 60204-1, 9.4.3.1). Enter it by hand, with a relay for each load");
  }

  private static boolean stepper(MachineFunction function) {
    return function.wants().by().filter(by -> by == Means.STEPPER).isPresent();
  }
}
