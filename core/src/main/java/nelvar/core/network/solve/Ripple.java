package nelvar.core.network.solve;

/// Ripple of a capacitor behind a full-wave bridge, peak to peak.
///
/// `ΔU = (I/C) · (1/(2f) − arccos(1 − ΔU/Upk)/(2πf))`: the capacitor feeds the load alone until the
/// next half wave meets it; `I/(2·f·C)` is its upper bound. Textbook result, no published source.
public final class Ripple {
  private Ripple() {}

  /// @param amperes direct current taken, A; `peak` V; `farads` F; `frequency` of the mains, Hz
  public static double of(double amperes, double peak, double farads, double frequency) {
    if (amperes <= 0 || peak <= 0) return 0;
    var low = 0.0;
    var high = Math.min(peak, amperes / (2 * frequency * farads));
    for (var i = 0; i < 60; i++) {
      var middle = (low + high) / 2;
      var next =
          amperes
              / farads
              * (1 / (2 * frequency) - Math.acos(1 - middle / peak) / (2 * Math.PI * frequency));
      if (next > middle) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }
}
