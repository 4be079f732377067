package nelvar.core.catalogue;

/// What a part is drawn as on a circuit sheet: which of the published symbols (IEC 60617, and the
/// American ones of IEEE 315) stands for it.
public enum Glyph {
  /// With its terminals at its edges and its name within.
  BOX,
  /// Two lines or a ring with the letter M.
  MOTOR,
  LAMP,
  /// What turns its watts into heat.
  RESISTOR,
  /// A coil that moves something: a valve, a brake, a lock.
  ACTUATING_COIL,
  /// A coil with contacts of its own.
  COIL,
  BREAKER,
  FUSE,
  OVERLOAD,
  RESIDUAL_CURRENT,
  /// Opened by hand, with the mark of isolation.
  DISCONNECTOR,
  /// Moved by hand, by a door or by a cam.
  COMMAND,
  TERMINAL,
  /// Plug and socket.
  PLUG,
  SENSOR,
  /// A converter: one kind of current in, another out.
  CONVERTER,
  TRANSFORMER,
  CAPACITOR;

  /// Whether it stands upright in one line of current, its name beside it.
  public boolean slim() {
    return switch (this) {
      case LAMP, RESISTOR, ACTUATING_COIL, COIL, CAPACITOR -> true;
      case BOX,
          MOTOR,
          BREAKER,
          FUSE,
          OVERLOAD,
          RESIDUAL_CURRENT,
          DISCONNECTOR,
          COMMAND,
          TERMINAL,
          PLUG,
          SENSOR,
          CONVERTER,
          TRANSFORMER ->
          false;
    };
  }

  static Glyph of(Part part) {
    return switch (part) {
      case CircuitBreaker _ -> BREAKER;
      case FuseHolder _ -> FUSE;
      case MotorProtector _ -> OVERLOAD;
      case ResidualCurrentDevice _ -> RESIDUAL_CURRENT;
      case Disconnector _ -> DISCONNECTOR;
      case ControlSwitch _ -> COMMAND;
      case Contactor _, Relay _, TimerRelay _ -> COIL;
      case Solenoid _ -> ACTUATING_COIL;
      case SignalLamp _ -> LAMP;
      case Heater _, Thermistor _, BusClamp _ -> RESISTOR;
      case BusCapacitors _ -> CAPACITOR;
      case InductionMotor _, ServoMotor _, StepperMotor _, DcMotor _, MainsFan _ -> MOTOR;
      case TerminalStrip _, DistributionBlock _ -> TERMINAL;
      case Connector _ -> PLUG;
      case Sensor _ -> SENSOR;
      case DcSupply _,
          MultiOutputSupply _,
          DcConverter _,
          RectifierBank _,
          FrequencyConverter _,
          ServoDrive _,
          StepperDrive _ ->
          CONVERTER;
      case ControlTransformer _, MultiWindingTransformer _ -> TRANSFORMER;
      case ElectronicProtection _,
          SurgeArrester _,
          DiodeModule _,
          PhaseCutControl _,
          MotorWithDrive _,
          RelayBank _,
          SafetyRelay _,
          SignalConverter _,
          EmcFilter _,
          Controller _,
          DriverBoard _,
          Appliance _,
          Computer _,
          Enclosure _,
          MainsInlet _,
          SocketStrip _,
          CableStock _,
          WireStock _ ->
          BOX;
    };
  }
}
