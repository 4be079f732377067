package nelvar.core.compose.place;

import java.util.List;

/// What a layout is to be like, and how much each costs against a metre of wire. Weights are
/// choices, not measurements: they only order layouts of which none breaks a rule.
///
/// @param name what it is called where proposals stand side by side
/// @param copper of one metre of wire
/// @param heat of one kelvin of plume more than 5 K at what warm air hurts
/// @param high of ten watts at the bottom instead of the top
/// @param noise of a quiet part that stands close to one that disturbs
/// @param room of all the room that is to be left and is not
record Wanted(String name, double copper, double heat, double high, double noise, double room) {
  static final Wanted SHORT = new Wanted("short wires", 1, 2, 0.05, 8, 60);
  static final Wanted COOL = new Wanted("cool", 0.4, 6, 0.4, 8, 60);
  static final Wanted ROOMY = new Wanted("room left", 0.3, 2, 0.05, 8, 300);
  static final List<Wanted> ALL = List.of(SHORT, COOL, ROOMY);

  /// Only whether it goes in at all.
  static final Wanted FITTING = new Wanted("fits", 0.02, 0.1, 0, 0.1, 0);
}
