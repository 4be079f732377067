package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;

/// What the machine is fed from, where it stands, and which schools its design follows.
public record Brief(Supply supply, Surroundings surroundings, Policies policies) {

  /// @param upstream rating of the device that protects the inlet
  /// @param loopImpedance at the inlet, measured or stated by the site
  /// @param prospectiveShortCircuitCurrent at the inlet
  public record Supply(
      MainsVoltage voltage,
      Frequency frequency,
      Earthing earthing,
      Current upstream,
      Optional<Resistance> loopImpedance,
      Optional<Current> prospectiveShortCircuitCurrent) {}

  public enum Earthing {
    TN_S("TN-S"),
    TN_C_S("TN-C-S"),
    TT("TT"),
    IT("IT");

    private final String words;

    Earthing(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// @param inside highest air temperature in the cabinet to design for
  public record Surroundings(
      Temperature least,
      Temperature greatest,
      Temperature inside,
      Length altitude,
      String remarks) {
    public Surroundings {
      if (least.compareTo(greatest) > 0)
        throw new ImpossibleQuantity(
            "the lowest ambient, " + least + ", is above the highest, " + greatest);
    }
  }

  /// @param headroom share of a supply's rating that the design load may use (common practice 80 %)
  /// @param drop greatest voltage drop from a source to a load (IEC 60204-1: 5 %)
  public record Policies(
      Sizing sizing,
      Protection protection,
      FuseReading fuses,
      Percent headroom,
      Percent drop,
      String currency) {
    public Policies {
      if (headroom.percent() < 10 || headroom.percent() > 100)
        throw new ImpossibleQuantity(
            "a headroom policy is from 10 % to 100 % of the rating, not " + headroom);
      if (drop.percent() < 0.1 || drop.percent() > 20)
        throw new ImpossibleQuantity("a voltage-drop limit is from 0.1 % to 20 %, not " + drop);
    }
  }

  /// Which standards size wires and devices.
  public enum Sizing {
    METRIC
  }

  /// A device per branch, or several converters that protect themselves behind one device.
  public enum Protection {
    PER_BRANCH,
    GROUPED
  }

  /// How a gG fuse is matched with its wire: `I2 ≤ 1.45 Iz` to the letter, or `In ≤ Iz`.
  public enum FuseReading {
    STRICT,
    RATING
  }
}
