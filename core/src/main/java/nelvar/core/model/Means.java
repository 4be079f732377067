package nelvar.core.model;

/// What a function is done with, where its builder said so; else composing chooses.
public enum Means {
  MOTOR("motor on the mains"),
  DRIVE("motor on a drive"),
  STEPPER("stepper motor"),
  SERVO("servo motor"),
  DC_MOTOR("direct-current motor"),
  APPLIANCE("appliance on its cord"),
  VALVE("valve"),
  BRAKE("holding brake"),
  HEATER("heater"),
  FAN("fan"),
  LAMP("lamp"),
  TOWER("signal tower"),
  PANEL("operator panel"),
  PROXIMITY("inductive sensor"),
  PHOTO_EYE("photo eye"),
  LIMIT_SWITCH("limit switch"),
  CYLINDER_SENSOR("cylinder sensor"),
  FLOW_SWITCH("flow switch"),
  THERMAL_SWITCH("thermal switch"),
  TOOL_SETTER("tool setter"),
  PROBE("touch probe"),
  PULSES("pulse pick-up"),
  VOLTS("0–10 V transmitter"),
  MILLIAMPERES("4–20 mA transmitter"),
  STOP_BUTTON("stop button"),
  GUARD("guard switch"),
  BUTTON("push-button"),
  COMPUTER("computer"),
  CONTROLLER("controller"),
  SOCKET("socket"),
  SUPPLY("supply");

  private final String words;

  Means(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
