package nelvar.core.compose.sketch;

import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;

/// What a conductor is for, which decides its function, its colour by school and its duct.
///
/// Colours: IEC 60204-1:2016, 13.2 (black, light blue, red, blue, green-yellow) and NFPA 79:2021,
/// chapter 13 (black, white, red, blue, white with blue stripe, green); both from memory.
public enum Ink {
  LINE(Conductor.Function.POWER, Duct.MAINS, "black", "black"),
  NEUTRAL(Conductor.Function.POWER, Duct.MAINS, "light blue", "white"),
  /// From the inlet to the bars: all the current of the machine.
  FEED(Conductor.Function.POWER, Duct.FEED, "black", "black"),
  FEED_NEUTRAL(Conductor.Function.POWER, Duct.FEED, "light blue", "white"),
  /// The same behind the bars: over the contactors of the stop.
  CUT(Conductor.Function.POWER, Duct.CUT, "black", "black"),
  PROTECTIVE(Conductor.Function.PROTECTIVE, Duct.MAINS, "green-yellow", "green"),
  PLUS(Conductor.Function.POWER, Duct.DIRECT, "dark blue", "blue"),
  ZERO(Conductor.Function.POWER, Duct.DIRECT, "dark blue with white", "white with blue stripe"),
  BUS_PLUS(Conductor.Function.POWER, Duct.BUS, "dark blue", "blue"),
  BUS_ZERO(Conductor.Function.POWER, Duct.BUS, "dark blue with white", "white with blue stripe"),
  CONTROL(Conductor.Function.CONTROL, Duct.DIRECT, "dark blue", "blue"),
  SIGNAL(Conductor.Function.DATA, Duct.SIGNAL, "grey", "grey");

  /// The ducts a drawn-up cabinet has: what disturbs lies apart from what is disturbed.
  enum Duct {
    MAINS("D1", "mains duct"),
    DIRECT("D2", "24 V duct"),
    SIGNAL("D3", "signal duct"),
    FEED("D5", "duct of the main feed"),
    CUT("D6", "duct behind the bars"),
    BUS("D4", "duct of other direct voltages");

    private final String id;
    private final String words;

    Duct(String id, String words) {
      this.id = id;
      this.words = words;
    }

    String id() {
      return id;
    }

    String words() {
      return words;
    }
  }

  private final Conductor.Function function;
  private final Duct duct;
  private final String metric;
  private final String american;

  Ink(Conductor.Function function, Duct duct, String metric, String american) {
    this.function = function;
    this.duct = duct;
    this.metric = metric;
    this.american = american;
  }

  public Conductor.Function function() {
    return function;
  }

  Duct duct() {
    return duct;
  }

  public String colour(Brief.Sizing school) {
    return school == Brief.Sizing.NORTH_AMERICAN ? american : metric;
  }
}
