package nelvar.core.network.solve;

import java.util.List;

/// An electrical network in numbers: SI units, nodes from 0, no names.
///
/// It is solved twice, at direct current and at mains frequency; each source works at one of them
/// and is only its own impedance at the other.
///
/// @param earth the node that voltages count from where it is in reach, or -1
public record Grid(
    int nodes,
    int earth,
    List<Branch> branches,
    List<Transformer> transformers,
    List<Group> groups,
    List<Emf> emfs,
    List<Load> loads,
    List<Converter> converters) {

  /// A resistance with reactance at mains frequency, in Ω. With a `forward` voltage it is a diode
  /// that lets direct current pass from `a` to `b`.
  public record Branch(int a, int b, double ohms, double reactance, double forward) {
    public static Branch linear(int a, int b, double ohms, double reactance) {
      return new Branch(a, b, ohms, reactance, Double.NaN);
    }

    public boolean diode() {
      return !Double.isNaN(forward);
    }
  }

  /// Two windings, `a`–`b` and `c`–`d`; `ratio` is Ucd/Uab at no load, the impedance is seen from
  /// `c`–`d`.
  public record Transformer(
      int a, int b, int c, int d, double ratio, double ohms, double reactance) {}

  /// What happens above the greatest current of a direct-current source.
  public enum Limit {
    /// An ideal source: gives and takes back whatever is asked.
    NONE,
    /// Gives its limit at whatever voltage is left.
    CONSTANT_CURRENT,
    /// Gives less the lower the voltage, down to a quarter of its limit at a dead short.
    FOLD_BACK,
    /// Switches off and tries again: counts as off.
    HICCUP
  }

  /// A source: one or more voltages behind impedances that are on or off together.
  ///
  /// @param greatest current at which its limit acts, A
  /// @param fed whether a converter feeds it; else it stands by itself and follows the mains
  public record Group(boolean alternating, Limit limit, double greatest, boolean fed) {}

  /// One voltage of a source: `plus` is `re + j·im` volts above `minus`, behind its impedance.
  public record Emf(
      int group, int minus, int plus, double re, double im, double ohms, double reactance) {}

  public enum Law {
    /// `amount` in W at a power factor.
    POWER,
    /// `amount` in A, whatever the voltage.
    CURRENT,
    /// `amount` in S; at both frequencies.
    OHMIC
  }

  /// What takes current between two nodes. Below `least` volts it counts as the resistance it is at
  /// `least`.
  public record Load(
      int a,
      int b,
      boolean alternating,
      Law law,
      double amount,
      double powerFactor,
      double nominal,
      double least) {}

  public enum Conversion {
    /// Input power is own power plus output power through the efficiency.
    EFFICIENCY,
    /// Input current is a share of output current.
    CHOPPER,
    /// Output voltage follows the peak of the input: bridge and capacitor.
    RECTIFIER
  }

  /// Loads whose amount follows from what a source gives, and whose voltage decides whether it can.
  ///
  /// @param factor efficiency, or share of the current, as a fraction
  /// @param own power it uses itself, W
  /// @param farads smoothing capacitor of a rectifier; `drop` volts lost in its diodes
  /// @param frequency of the mains it rectifies, Hz
  public record Converter(
      List<Integer> loads,
      int group,
      Conversion conversion,
      double factor,
      double own,
      double farads,
      double drop,
      double frequency) {
    public Converter {
      loads = List.copyOf(loads);
    }
  }

  public Grid {
    branches = List.copyOf(branches);
    transformers = List.copyOf(transformers);
    groups = List.copyOf(groups);
    emfs = List.copyOf(emfs);
    loads = List.copyOf(loads);
    converters = List.copyOf(converters);
  }
}
