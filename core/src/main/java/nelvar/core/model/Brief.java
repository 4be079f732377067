package nelvar.core.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Percent;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Texts;

/// What the machine is fed from, where it stands, and which schools its design follows.
public record Brief(Supply supply, Surroundings surroundings, Policies policies) {

  /// @param upstream rating of the device that protects the inlet
  /// @param loopImpedance at the inlet, measured or stated by the site; 0 Ω counts as not known
  /// @param prospectiveShortCircuitCurrent at the inlet; 0 A counts as not known
  public record Supply(
      MainsVoltage voltage,
      Frequency frequency,
      Earthing earthing,
      Current upstream,
      Optional<Resistance> loopImpedance,
      Optional<Current> prospectiveShortCircuitCurrent) {
    public Supply {
      // Nothing is fed through 0 Ω, and no inlet gives 0 A: a zero here is somebody's "not known".
      loopImpedance = loopImpedance.filter(z -> z.ohms() > 0);
      prospectiveShortCircuitCurrent =
          prospectiveShortCircuitCurrent.filter(ik -> ik.amperes() > 0);
    }
  }

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
  /// @param dust what the air around carries; empty where nobody said
  public record Surroundings(
      Temperature least,
      Temperature greatest,
      Temperature inside,
      Length altitude,
      Optional<Dust> dust,
      String remarks) {
    /// Dust not said.
    public Surroundings(
        Temperature least,
        Temperature greatest,
        Temperature inside,
        Length altitude,
        String remarks) {
      this(least, greatest, inside, altitude, Optional.empty(), remarks);
    }

    public Surroundings {
      remarks = Texts.storable("remarks", remarks);
      if (least.compareTo(greatest) > 0)
        throw new ImpossibleQuantity(
            "the lowest ambient, " + least + ", is above the highest, " + greatest);
      if (altitude.metres() < LOWEST || altitude.metres() > HIGHEST)
        throw new ImpossibleQuantity(
            "a machine stands from 430 m below the sea to 5000 m above it, not at " + altitude);
    }

    private static final double LOWEST = -430;
    private static final double HIGHEST = 5000;

    public Surroundings withAir(Temperature least, Temperature greatest, Temperature inside) {
      return new Surroundings(least, greatest, inside, altitude, dust, remarks);
    }

    public Surroundings withAltitude(Length next) {
      return new Surroundings(least, greatest, inside, next, dust, remarks);
    }

    public Surroundings withDust(Optional<Dust> next) {
      return new Surroundings(least, greatest, inside, altitude, next, remarks);
    }
  }

  /// What the air around carries.
  public enum Dust {
    NONE("none"),
    /// It burns.
    COMBUSTIBLE("wood, flour"),
    /// It conducts.
    CONDUCTIVE("metal, carbon"),
    OTHER("other");

    private final String words;

    Dust(String words) {
      this.words = words;
    }

    public String words() {
      return words;
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
      String currency,
      List<School.Choice> choices) {
    public Policies {
      currency = Texts.storable("a currency", currency);
      choices = List.copyOf(choices);
      var questions = choices.stream().map(School.Choice::school).toList();
      if (questions.stream().distinct().count() != questions.size())
        throw new ImpossibleQuantity("the same question is answered twice: " + questions);
      if (headroom.percent() < 10 || headroom.percent() > 100)
        throw new ImpossibleQuantity(
            "a headroom policy is from 10 % to 100 % of the rating, not " + headroom);
      if (drop.percent() < 0.1 || drop.percent() > 20)
        throw new ImpossibleQuantity("a voltage-drop limit is from 0.1 % to 20 %, not " + drop);
    }

    /// The answer to a question practitioners disagree on: the one chosen, else what is usual in
    /// the sizing school.
    public School.Option answer(School school) {
      return choices.stream()
          .filter(choice -> choice.school().equals(school.id()))
          .findFirst()
          .map(choice -> school.option(choice.option()))
          .orElseGet(() -> school.usual(sizing));
    }

    /// How many times the band of a magnetic trip counts: its peak is what trips it, so on direct
    /// current it needs more.
    public double magneticBand(boolean alternating) {
      return alternating ? 1 : Double.parseDouble(answer(School.DIRECT_TRIP).id());
    }

    /// Cross-linked wires instead of PVC, metric school.
    public boolean crossLinked() {
      return sizing == Sizing.METRIC && chose(School.WIRE_INSULATION, "xlpe");
    }

    /// How warm conductors may be for ever: what hot wires are counted at.
    public Temperature hot() {
      return new Temperature(crossLinked() ? 90 : 70);
    }

    public boolean chose(School school, String option) {
      return answer(school).id().equals(option);
    }

    /// With another answer; the usual one is not kept as a choice.
    public Policies answering(School school, School.Option option) {
      var next = new ArrayList<School.Choice>();
      for (var other : School.ALL) {
        var now = other.equals(school) ? option : answer(other);
        if (!now.equals(other.usual(sizing))) next.add(new School.Choice(other.id(), now.id()));
      }
      return new Policies(sizing, protection, fuses, headroom, drop, currency, next);
    }

    /// In another sizing school: its usual answers where none was chosen.
    public Policies sizedBy(Sizing next) {
      return new Policies(next, protection, fuses, headroom, drop, currency, choices);
    }

    public Policies withProtection(Protection next) {
      return new Policies(sizing, next, fuses, headroom, drop, currency, choices);
    }

    public Policies withFuses(FuseReading next) {
      return new Policies(sizing, protection, next, headroom, drop, currency, choices);
    }

    public Policies withHeadroom(Percent next) {
      return new Policies(sizing, protection, fuses, next, drop, currency, choices);
    }

    public Policies withDrop(Percent next) {
      return new Policies(sizing, protection, fuses, headroom, next, currency, choices);
    }
  }

  /// Which standards size wires and devices.
  public enum Sizing {
    /// IEC 60204-1, 60364, 60269, 60898, 61439; mm².
    METRIC("metric"),
    /// NFPA 79, NEC, UL 508A; AWG.
    NORTH_AMERICAN("North American");

    private final String words;

    Sizing(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
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
