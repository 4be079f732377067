package nelvar.core.catalogue;

/// How many leads a stepper motor brings out.
public enum StepperLeads {
  FOUR,
  /// Both ends and the middle of each winding.
  SIX
}
