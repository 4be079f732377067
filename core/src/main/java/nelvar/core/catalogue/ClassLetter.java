package nelvar.core.catalogue;

/// What the designation of a device begins with: its letter, after IEC 81346-2 (unchecked) as
/// commonly used.
final class ClassLetter {
  private ClassLetter() {}

  static String of(Part part) {
    return switch (part) {
      case CircuitBreaker _,
          FuseHolder _,
          MotorProtector _,
          ResidualCurrentDevice _,
          ElectronicProtection _,
          SurgeArrester _ ->
          "-F";
      case DcSupply _,
          MultiOutputSupply _,
          ControlTransformer _,
          MultiWindingTransformer _,
          DcConverter _,
          RectifierBank _ ->
          "-T";
      case BusCapacitors _ -> "-C";
      case BusClamp _ -> "-R";
      case DiodeModule _ -> "-V";
      case TimerRelay _ -> "-K";
      case FrequencyConverter _, ServoDrive _, StepperDrive _, PhaseCutControl _ -> "-U";
      case InductionMotor _, ServoMotor _, StepperMotor _, MotorWithDrive _, DcMotor _ -> "-M";
      case Contactor _, Relay _, RelayBank _, SafetyRelay _, SignalConverter _ -> "-K";
      case Disconnector _ -> "-Q";
      case EmcFilter _ -> "-Z";
      case Controller _, DriverBoard _ -> "-A";
      case ControlSwitch _ -> "-S";
      case Sensor _, Thermistor _ -> "-B";
      case Solenoid _ -> "-Y";
      case SignalLamp _ -> "-H";
      case Heater _, MainsFan _, Appliance _, Computer _ -> "-E";
      case Enclosure _ -> "-UC";
      case MainsInlet _,
          TerminalStrip _,
          Connector _,
          SocketStrip _,
          DistributionBlock _,
          CableStock _,
          WireStock _ ->
          "-X";
    };
  }
}
