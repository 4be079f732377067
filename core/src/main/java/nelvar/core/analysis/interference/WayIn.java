package nelvar.core.analysis.interference;

/// How a disturbance gets in.
public enum WayIn {
  FIELD("through the field", "M · l · Icm/tr · (1 - e^(-tr/τ))"),
  CAPACITANCE(
      "through capacitance",
      "R · C12 · l · ΔU/tr · (1 - e^(-tr/(R · (C12 + C2g) · l))) · (1 - e^(-tr/τ))"),
  SHARED("through a shared way back", "I · (R + L/t · (1 - e^(-t/τ)))"),
  EARTH("over earth and shield", "Icm · L/(L + Ls) · Zt · (1 - e^(-tr/τ))");

  private final String words;
  private final String formula;

  WayIn(String words, String formula) {
    this.words = words;
    this.formula = formula;
  }

  public String formula() {
    return formula;
  }

  public String words() {
    return words;
  }
}
