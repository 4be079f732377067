package nelvar.core.standards;

import nelvar.core.trail.Cited;
import nelvar.core.units.Measure;

/// The adiabatic factor k: how much let-through energy a conductor stands for each square
/// millimetre.
public enum Adiabatic {
  PVC(1, "PVC, cores of a cable or wires together"),
  PVC_ABOVE_300(2, "PVC above 300 mm²"),
  XLPE(3, "XLPE or EPR"),
  RUBBER(4, "rubber, 60 °C"),
  SILICONE(5, "silicone"),
  PROTECTIVE_PVC(6, "protective, PVC, laid apart"),
  PROTECTIVE_XLPE(7, "protective, XLPE, laid apart"),
  PROTECTIVE_BARE(8, "protective, bare");

  private static final Table TABLE = Table.load("iec-60364-5-54-2011/adiabatic.tsv");
  private final int row;
  private final String words;

  Adiabatic(int row, String words) {
    this.row = row;
    this.words = words;
  }

  public String words() {
    return words;
  }

  public Cited<Measure> copper() {
    return k("copper");
  }

  public Cited<Measure> aluminium() {
    return k("aluminium");
  }

  private Cited<Measure> k(String column) {
    return TABLE.cited(row, column, k -> new Measure(k, Measure.Unit.ADIABATIC)).orElseThrow();
  }
}
