package nelvar.core.catalogue;

/// How many leads a stepper motor brings out.
public enum StepperLeads {
  FOUR,
  /// Both ends and the middle of each winding.
  SIX,
  /// Both ends of both halves of each winding; in series or in parallel by how they are linked at
  /// the motor, so that four go to the drive.
  EIGHT
}
