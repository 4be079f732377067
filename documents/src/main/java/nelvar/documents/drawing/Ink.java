package nelvar.documents.drawing;

/// Colours by meaning. Paper uses the light values here; the screen's themes give each its own.
public enum Ink {
  PAPER("#F6F3EC"),
  CARD("#FFFDF9"),
  LINE("#DCD5C7"),
  TEXT("#25221E"),
  TEXT_SOFT("#6A6258"),
  TEXT_FAINT("#857B6E"),
  ACCENT("#A5502A"),
  ACCENT_SOFT("#EFDCCF"),
  ERROR("#B02A1F"),
  ERROR_SOFT("#F7DEDA"),
  WARNING("#9A6400"),
  WARNING_SOFT("#F6E7C6"),
  ADVICE("#3B6280"),
  SETTLED("#3C6E57"),
  MAINS("#7B5E7B"),
  MAINS_SOFT("#D9CBD8"),
  DC_HIGH("#2F7472"),
  DC_HIGH_SOFT("#C3DEDB"),
  DC_LOW("#4B6FA5"),
  DC_LOW_SOFT("#CBD8EB"),
  MOTOR("#6B7341"),
  MOTOR_SOFT("#DADFC0"),
  EARTH("#4E7D3A"),
  /// What lies on a plate and gives off no heat: a duct.
  DUCT("#E6DED1"),
  /// What fills a duct, a tray or a carrier.
  FILLED("#C4B49A"),
  HEAT_LOW("#F8EBD6"),
  HEAT("#F2D7AC"),
  HEAT_HIGH("#EBBD83");

  private final String paper;

  Ink(String paper) {
    this.paper = paper;
  }

  /// `#RRGGBB` on paper.
  public String paper() {
    return paper;
  }

  /// The ink of a circuit by its voltage: mains from 60 V, then 48 V, then 24 V and below.
  public static Ink of(nelvar.core.network.Source source) {
    if (source.output().alternating()
        && !source.output().name().equals("mains")
        && !source.output().name().equals("secondary")) return MOTOR;
    var volts = source.output().voltage().volts();
    return volts > 60 ? MAINS : volts > 30 ? DC_HIGH : DC_LOW;
  }

  /// The pale companion for areas.
  public Ink soft() {
    return switch (this) {
      case MAINS -> MAINS_SOFT;
      case DC_HIGH -> DC_HIGH_SOFT;
      case DC_LOW -> DC_LOW_SOFT;
      case MOTOR -> MOTOR_SOFT;
      case ERROR -> ERROR_SOFT;
      case WARNING -> WARNING_SOFT;
      case ACCENT -> ACCENT_SOFT;
      case PAPER,
          CARD,
          LINE,
          TEXT,
          TEXT_SOFT,
          TEXT_FAINT,
          ACCENT_SOFT,
          ERROR_SOFT,
          WARNING_SOFT,
          ADVICE,
          SETTLED,
          MAINS_SOFT,
          DC_HIGH_SOFT,
          DC_LOW_SOFT,
          MOTOR_SOFT,
          EARTH,
          DUCT,
          FILLED,
          HEAT_LOW,
          HEAT,
          HEAT_HIGH ->
          this;
    };
  }
}
