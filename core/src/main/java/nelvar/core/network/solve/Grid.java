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
    HICCUP,
    /// Switches off and stays off, at either frequency.
    TRIP
  }

  /// A source: one or more voltages behind impedances that are on or off together.
  ///
  /// @param greatest current at which its limit acts, A
  /// @param fed whether a converter feeds it; else it stands by itself and follows the mains
  /// @param charge whether it is a capacitor: gives nothing unless it is said to be charged
  public record Group(
      boolean alternating, Limit limit, double greatest, boolean fed, boolean charge) {}

  /// One voltage of a source: `plus` is `re + j·im` volts above `minus`, behind its impedance.
  public record Emf(
      int group, int minus, int plus, double re, double im, double ohms, double reactance) {}

  public enum Law {
    /// `amount` in W at a power factor.
    POWER,
    /// `amount` in A, whatever the voltage.
    CURRENT,
    /// `amount` in S; at both frequencies.
    OHMIC,
    /// What a converter says from round to round, in S.
    ADMITTANCE
  }

  /// What takes current between two nodes. Below `least` volts it counts as the resistance it is at
  /// `least`.
  ///
  /// @param polar takes nothing where `b` stands above `a`
  public record Load(
      int a,
      int b,
      boolean alternating,
      Law law,
      double amount,
      double powerFactor,
      double nominal,
      double least,
      boolean polar) {
    public Load(
        int a,
        int b,
        boolean alternating,
        Law law,
        double amount,
        double powerFactor,
        double nominal,
        double least) {
      this(a, b, alternating, law, amount, powerFactor, nominal, least, false);
    }

    /// The same, minding which way round it is joined.
    public Load minding(boolean way) {
      return new Load(a, b, alternating, law, amount, powerFactor, nominal, least, way);
    }
  }

  /// Loads whose amount follows from what a source gives, and whose voltage decides whether it can.
  public sealed interface Converter {
    List<Integer> loads();

    /// The source it feeds.
    int group();

    /// Share of its voltage that its output can reach for each volt at its input, 1/V; 0 where it
    /// makes its own.
    double gain();

    /// Input power is own power, W, plus output power through the efficiency, a fraction.
    record Efficient(List<Integer> loads, int group, double efficiency, double own, double gain)
        implements Converter {
      public Efficient {
        loads = List.copyOf(loads);
      }
    }

    /// Input current is a share of output current.
    record Chopper(List<Integer> loads, int group, double share, double gain) implements Converter {
      public Chopper {
        loads = List.copyOf(loads);
      }
    }

    /// Bridge and capacitor: output voltage and input current follow from source and load.
    ///
    /// @param drop volts lost in its diodes at `rating` amperes; `idleDrop` without load
    /// @param hertz of the mains it rectifies
    record Rectifier(
        int load,
        int group,
        double farads,
        double drop,
        double idleDrop,
        double rating,
        double hertz)
        implements Converter {
      @Override
      public List<Integer> loads() {
        return List.of(load);
      }

      @Override
      public double gain() {
        return 0;
      }

      double drop(double amperes) {
        return idleDrop + (drop - idleDrop) * Math.clamp(amperes / rating, 0, 1);
      }
    }
  }

  /// The outputs of one drive: those fed through the same loads; itself among them.
  public List<Integer> siblings(int group) {
    return Limits.siblings(this, group);
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
