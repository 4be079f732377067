package nelvar.core.catalogue;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Frequency;
import nelvar.core.units.Resistance;
import nelvar.core.units.Voltage;

/// One input or output of a controller. It has three names: `name` on the board, `pinOut` on the
/// maker's drawing, `firmware` in the program as it is shipped; what a builder calls it there is a
/// setting of the device (see `model.FirmwareNames`).
///
/// @param rating greatest current it gives or takes
/// @param thresholds type of a digital input of 24 V
/// @param at connector and place on it
/// @param logic levels of an input that is not one of 24 V
/// @param frequency greatest it counts or gives
/// @param pulse least width it sees, or gives
/// @param group pins of one group share a common or a fuse
/// @param common of a relay's contact: the terminal on its other side
/// @param whileBooting whether it is on while its board boots or has no program
/// @param whileResetting whether it is on while its board is reset, else as while it boots
/// @param unpowered whether it is on while its board has no supply, as a relay's contact closed at
///   rest; off where nothing is stated
/// @param peak that an output stands for a moment
/// @param greatestVoltage that an output switches
/// @param setUp of pulses: how long direction stands before a step
/// @param line which wire of a serial line it is
/// @param gives volts of the board's own making, on a pin that is always on (else it gives the + of
///   its board) or of its pulses
/// @param groupRating what all pins of its group carry together
/// @param analogue what it loads its sender with or gives through, and in how many steps
public record Pin(
    String name,
    Type type,
    Optional<Current> rating,
    Optional<DigitalInput> thresholds,
    Optional<String> pinOut,
    Optional<String> firmware,
    Optional<Spot> at,
    Optional<Logic> logic,
    Optional<Frequency> frequency,
    Optional<Duration> pulse,
    Optional<String> group,
    Optional<String> common,
    Optional<Boolean> whileBooting,
    Optional<Boolean> whileResetting,
    Optional<Boolean> unpowered,
    Optional<Current> peak,
    Optional<Current> groupRating,
    Optional<Voltage> greatestVoltage,
    Optional<Voltage> gives,
    Optional<Analogue> analogue,
    Optional<Line> line,
    Optional<Duration> setUp) {
  /// Of an input that loads its sender next to nothing.
  private static final Resistance HIGH = new Resistance(100_000);

  /// What an input of 4–20 mA drops its current over, where nothing else is stated.
  private static final Resistance BURDEN = new Resistance(250);

  public Pin {
    Part.require(
        (type == Type.OUTPUT_CONTACT) == common.isPresent(),
        "pin '%s': a relay's contact, and nothing else, has a common".formatted(name));
    Part.require(
        unpowered.isEmpty() || type == Type.OUTPUT_CONTACT,
        "pin '%s': only a relay's contact is closed or open without supply".formatted(name));
    Part.require(
        type != Type.THERMISTOR || logic.flatMap(Logic::pullUp).isPresent(),
        "pin '%s': a thermistor's input states its pull-up".formatted(name));
  }

  /// Whether it is a contact that is closed while its relay is not driven.
  public boolean breaks() {
    return unpowered.orElse(false);
  }

  /// Whether it is on at times when no program asks for it.
  public boolean onByItself() {
    return whileBooting.orElse(false) || resets().orElse(false) || breaks();
  }

  /// Whether it is on while its board is reset, as far as is stated.
  public Optional<Boolean> resets() {
    return whileResetting.or(() -> whileBooting);
  }

  /// Where it is found: `J4`, 5.
  public record Spot(String connector, int number) {
    public Spot {
      Part.require(number >= 1 && number <= 200, "a connector has pins 1 to 200, not " + number);
    }

    @Override
    public String toString() {
      return "%s pin %d".formatted(connector, number);
    }
  }

  /// A signal that is a value.
  ///
  /// @param resistance of an input what it loads its sender with, of an output what it gives
  ///   through
  /// @param bits steps its range is divided in, as a power of two
  /// @param burden what it drops 4–20 mA over, where it can be set to take them
  public record Analogue(
      Optional<Resistance> resistance, Optional<Integer> bits, Optional<Resistance> burden) {
    static final Analogue UNKNOWN =
        new Analogue(Optional.empty(), Optional.empty(), Optional.empty());

    public Analogue {
      Part.require(
          bits.filter(b -> b < 1 || b > 32).isEmpty(),
          "a value has 1 to 32 bits, not " + bits.orElse(0));
    }
  }

  /// What is known of its value.
  public Analogue value() {
    return analogue.orElse(Analogue.UNKNOWN);
  }

  /// Whether it is the 0 V that belongs to analogue outputs: marked 0, as AO0 is.
  public boolean analogueZero() {
    return type == Type.ANALOGUE_OUTPUT && name.matches(".*[A-Za-z]0");
  }

  /// Levels of an input of its own logic.
  ///
  /// @param low surely 0 up to here; @param high surely 1 from here
  /// @param greatest what it bears
  /// @param supply what its pull-up hangs on
  public record Logic(
      Voltage low,
      Voltage high,
      Voltage greatest,
      Optional<Resistance> pullUp,
      Optional<Voltage> supply) {
    /// TTL: 0.8 and 2.0 V of 5 V.
    public static final Logic TTL =
        new Logic(
            new Voltage(0.8), new Voltage(2), new Voltage(5.5), Optional.empty(), Optional.empty());

    public Logic {
      Part.require(
          low.compareTo(high) < 0 && high.compareTo(greatest) < 0,
          "an input reads 0 below %s, 1 above %s and bears %s: each must be more than the one before"
              .formatted(low, high, greatest));
      Part.require(
          pullUp.isPresent() == supply.isPresent(), "a pull-up has ohms and volts, or neither");
    }
  }

  /// Type 3 where nothing is stated: the commonest on small controllers.
  public DigitalInput digital() {
    return thresholds.orElse(DigitalInput.TYPE_3);
  }

  /// Its levels, where it reads 0 and 1. An input of 24 V bears 30 V (IEC 61131-2, unchecked); TTL
  /// where an input of another logic states nothing, which proves nothing.
  public Logic levels() {
    if (type == Type.LOGIC_INPUT || type == Type.THERMISTOR) return logic.orElse(Logic.TTL);
    return new Logic(
        digital().offBelow(),
        digital().onAbove(),
        new Voltage(30),
        Optional.empty(),
        Optional.empty());
  }

  /// What it loads its sender with.
  public Resistance load() {
    return switch (type) {
      case INPUT_READS_PLUS, INPUT_READS_MINUS -> digital().resistance();
      case CURRENT_INPUT -> value().burden().orElse(BURDEN);
      case ANALOGUE_INPUT -> value().resistance().orElse(HIGH);
      default -> HIGH;
    };
  }

  /// The wires of serial lines.
  public enum Line {
    TX("sends"),
    RX("receives"),
    A("line A"),
    B("line B");

    private final String words;

    Line(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    /// The one that must be at the other end.
    public Line other() {
      return switch (this) {
        case TX -> RX;
        case RX -> TX;
        case A -> A;
        case B -> B;
      };
    }

    /// Of a bus on two wires that many hang on.
    public boolean bus() {
      return this == A || this == B;
    }
  }

  public enum Type {
    /// Reads a switch or sensor that gives + (its common is 0 V).
    INPUT_READS_PLUS("reads +, its common is 0 V"),
    /// Reads a switch or sensor that pulls to 0 V (its common is +).
    INPUT_READS_MINUS("reads 0 V, its common is +"),
    /// Reads the level of its own logic, 3.3 V or 5 V, against 0 V.
    LOGIC_INPUT("reads a logic level"),
    ANALOGUE_INPUT("0–10 V in"),
    /// 4–20 mA over its own resistor.
    CURRENT_INPUT("4–20 mA in"),
    /// A thermistor to 0 V, with a pull-up on the board.
    THERMISTOR("thermistor, with a pull-up"),
    ANALOGUE_OUTPUT("0–10 V out"),
    /// Pulls to 0 V when on.
    OUTPUT_SINKING("pulls to 0 V"),
    /// Pulls to 0 V in fast pulses of a width that is set: dimmed, slowed.
    OUTPUT_PWM("pulls to 0 V in pulses of set width (PWM)"),
    /// Gives + when on.
    OUTPUT_SOURCING("gives +"),
    /// A relay's contact on the board.
    OUTPUT_CONTACT("contact of a relay"),
    /// + that cannot be switched: a fan that always turns, 5 V for sensors.
    ALWAYS_ON("+, always on"),
    /// Differential 5 V pulses.
    OUTPUT_PULSES("pulses, differential 5 V"),
    /// Pulses of one wire against 0 V.
    OUTPUT_PULSES_SINGLE("pulses against 0 V"),
    /// Serial lines and networks.
    SERIAL("serial");

    private final String words;

    Type(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }

    /// Whether something is read with it.
    public boolean reads() {
      return switch (this) {
        case INPUT_READS_PLUS,
            INPUT_READS_MINUS,
            LOGIC_INPUT,
            ANALOGUE_INPUT,
            CURRENT_INPUT,
            THERMISTOR ->
            true;
        default -> false;
      };
    }

    /// Whether it reads 0 or 1.
    public boolean digitalInput() {
      return this == INPUT_READS_PLUS || this == INPUT_READS_MINUS || this == LOGIC_INPUT;
    }

    /// Whether it switches the side of 0 V.
    public boolean sinks() {
      return this == OUTPUT_SINKING || this == OUTPUT_PWM;
    }

    /// Whether it carries a value, not a level.
    public boolean analogue() {
      return this == ANALOGUE_INPUT || this == CURRENT_INPUT || this == ANALOGUE_OUTPUT;
    }

    /// Whether pulses of an axis come out of it.
    public boolean steps() {
      return this == OUTPUT_PULSES || this == OUTPUT_PULSES_SINGLE;
    }

    /// Whether a program switches something with it.
    public boolean switches() {
      return this == OUTPUT_SINKING
          || this == OUTPUT_PWM
          || this == OUTPUT_SOURCING
          || this == OUTPUT_CONTACT;
    }
  }
}
