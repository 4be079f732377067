package nelvar.core.compose.pattern;

import java.util.List;

/// The one list of patterns; of those that serve a function, the first is the usual one.
public final class Patterns {
  public static final List<Pattern> ALL =
      List.of(
          new StopDevices(),
          new StepperAxis(),
          new ServoAxis(),
          new DirectCurrentMotor(),
          new OnSocket(),
          new MotorOnMains(),
          new MotorOnDrive(),
          new CoilOnOutput(),
          new Heating(),
          new LampOnOutput(),
          new OperatorPanel(),
          new SwitchOnInput(),
          new SensorOnInput(),
          new TransmitterOnInput(),
          new Computing(),
          new Outlet());

  private Patterns() {}
}
