package nelvar.core.analysis.thermal;

import nelvar.core.model.Shell;

/// What the sun adds to the air around a cabinet: the sol-air temperature of handbooks of building
/// services, `α · I/h`, on the third of the walls that it reaches (assumed). I 1000 W/m², h 15
/// W/m²K, α 0.4 for light and 0.9 for dark paint, all from memory.
final class Sunshine {
  private static final double IRRADIANCE = 1000;
  private static final double FILM = 15;
  private static final double REACHED = 1.0 / 3;

  private Sunshine() {}

  static double kelvin(Shell.Sun sun) {
    var absorbed =
        switch (sun) {
          case LIGHT_PAINT -> 0.4;
          case DARK_PAINT -> 0.9;
        };
    return absorbed * IRRADIANCE / FILM * REACHED;
  }
}
