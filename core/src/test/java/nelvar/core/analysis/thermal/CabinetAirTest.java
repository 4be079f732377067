package nelvar.core.analysis.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Housing;
import nelvar.core.formula.Enclosure;
import nelvar.core.formula.Plume;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Id;
import nelvar.core.model.Placement;
import nelvar.core.model.Shell;
import nelvar.core.model.Surface;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Temperature;
import org.junit.jupiter.api.Test;

class CabinetAirTest {
  /// A lamp of 200 W at 24 V behind the supply: 10 A · 24 V would be 240 W; it takes what is
  /// stated.
  private static Panel loaded() {
    return Panel.dc()
        .device("E1", "plate-60w-24v", nelvar.core.model.Place.MACHINE)
        .wire("T:+", "E1:1", 2.5, 2)
        .wire("T:-", "E1:2", 2.5, 2);
  }

  private static Study in(Shell shell) {
    return loaded().cabinet(shell).at("F", 20, 40).at("T", 60, 40).study();
  }

  private static Shell steel(double w, double h, double d) {
    return Shell.onWall(Length.ofMillimetres(w), Length.ofMillimetres(h), Length.ofMillimetres(d));
  }

  private static CabinetAir air(Study study) {
    return CabinetAir.of(study.project().layout().cabinets().getFirst(), study);
  }

  /// Effective areas as IEC TR 60890 weighs faces (from memory), by hand: free-standing 800 × 2000
  /// × 600: 1.8 · 2 · 1.4 + 1.4 · 0.8 · 0.6 = 5.712 m²; on a wall 600 × 800 × 250: 1.4 · 0.6 · 1.05
  /// + 1.8 · 0.25 · 0.8 = 1.242 m².
  @Test
  void effectiveAreas() {
    assertThat(
            Enclosure.Standing.FREE
                .effectiveArea(new Length(0.8), new Length(2), new Length(0.6))
                .value())
        .isCloseTo(5.712, within(1e-9));
    assertThat(
            Enclosure.Standing.WALL
                .effectiveArea(new Length(0.6), new Length(0.8), new Length(0.25))
                .value())
        .isCloseTo(1.242, within(1e-9));
  }

  /// By hand: 60 W at 24 V through a supply of the catalogue, 60/η − 60; the breaker of 6 A loses
  /// 1.5 W at 6 A, so I²/36 · 1.5; wires of 2 · 2 m 2.5 mm² at 2.5 A lose less than half a watt.
  @Test
  void heatIsWhatIsTakenAndNotPassedOn() {
    var study = in(steel(600, 800, 250));
    var supply = study.project().called("T").orElseThrow();
    var feed = study.network().feeds(supply.id()).getFirst();
    var taken = study.currents().drawn(feed).runningWatts();
    var lost = DeviceHeat.of(supply, study).value().watts();
    assertThat(taken - lost).isCloseTo(60, within(0.5));
    assertThat(lost).isBetween(3.0, 15.0);
    var breaker = study.project().called("F").orElseThrow();
    var amperes = study.currents().drawn(feed).running();
    assertThat(DeviceHeat.of(breaker, study).value().watts())
        .isCloseTo(amperes * amperes / 36 * 1.5, within(1e-6));
  }

  /// `ΔT = P/(k · Ae)`: 1.242 m² of painted steel, 5.5 W/m²K; the top of a cabinet 800/600 high and
  /// wide 1.15 + 0.25 · (1.333 − 1)/2 = 1.1917 times as much.
  @Test
  void theMiddleAndTheTop() {
    var air = air(in(steel(600, 800, 250)));
    assertThat(air.middle()).isCloseTo(air.inside().watts() / (5.5 * 1.242), within(1e-9));
    assertThat(air.top() / air.middle()).isCloseTo(1.19167, within(1e-4));
    // Small: one temperature from three quarters of the height, the middle's at half.
    assertThat(air.rise(0.75)).isCloseTo(air.top(), within(1e-9));
    assertThat(air.rise(0.5)).isCloseTo(air.middle(), within(1e-9));
    assertThat(air.around()).isEqualTo(new Temperature(40));
  }

  /// Worked example of handbooks: 400 W, 10 K allowed, 5.5 W/m²K, 1.242 m²: 331.7 W are left for a
  /// fan, 3.1 · 331.7/10 = 102.8 m³/h. Backwards: with that flow the rise is 10 K.
  @Test
  void aFanByHandBothWays() {
    var k = new Measure(5.5, Measure.Unit.HEAT_TRANSFER);
    var area = new Measure(1.242, Measure.Unit.AREA);
    var ten = new Measure(10, Measure.Unit.TEMPERATURE_RISE);
    var left = Enclosure.leftForFan(new Power(400), k, area, ten).orElseThrow();
    var flow = Enclosure.airFlow(left, ten, 3.1);
    assertThat(flow.value()).isCloseTo(102.8, within(0.05));
    var rise =
        Enclosure.rise(
            new Power(400), k, area, flow, 3.1, new Measure(0, Measure.Unit.HEAT_PER_KELVIN));
    assertThat(rise.value()).isCloseTo(10, within(1e-9));
    // 3.25 at 500 m, 3.42 at 1000 m, 3.77 at 2000 m: density of ISO 2533.
    assertThat(Enclosure.airFactor(new Length(500))).isCloseTo(3.25, within(0.01));
    assertThat(Enclosure.airFactor(new Length(1000))).isCloseTo(3.42, within(0.01));
    assertThat(Enclosure.airFactor(new Length(2000))).isCloseTo(3.77, within(0.01));
  }

  /// By hand: 34 W, 70 % of it by air: 0.0238 kW. A drive 75 wide and 140 deep: √(4 · 0.0105/π) =
  /// 0.1156 m. 100 mm above: z = 0.1 + 1.7 · 0.1156 = 0.2966 m. 25.0 · 0.0238^⅔ · 0.2966^(−5/3) =
  /// 25.0 · 0.08276 · 7.585 = 15.7 K.
  @Test
  void aPlumeOf34WattsByHand() {
    var diameter = Plume.diameter(new Length(0.075), new Length(0.14));
    assertThat(diameter.metres()).isCloseTo(0.1156, within(1e-4));
    assertThat(Plume.rise(new Power(34 * 0.7), new Length(0.1), diameter).value())
        .isCloseTo(15.7, within(0.15));
  }

  /// The law conserves heat: a Gaussian plume carries `½ · ρ · cp · π b² · u · ΔT`; with the same
  /// paper's speed `3.4 · (g/(cp ρ T))^⅓ · Q^⅓ · z^(−⅓)` and half-width `0.12 · √(T/Ta) · z` to
  /// half the excess, it is the convected heat within 15 %. Another equation than the one in the
  /// code.
  @Test
  void aPlumeCarriesItsHeat() {
    var q = 0.1;
    var z = 0.5;
    var excess = Plume.rise(new Power(q * 1000), new Length(z), new Length(0)).value();
    var speed = 3.4 * Math.cbrt(9.81 / (1.005 * 1.2 * 293)) * Math.cbrt(q) * Math.pow(z, -1.0 / 3);
    var halfWidth = 0.12 * z;
    // exp(−r²/b²) is one half at r = b √ln2; speed spreads 1.1 times as wide.
    var heatWidth = halfWidth / Math.sqrt(Math.log(2));
    var speedWidth = 1.1 * heatWidth;
    var both = 1 / (1 / (heatWidth * heatWidth) + 1 / (speedWidth * speedWidth));
    var carried = 1.2 * 1.005 * Math.PI * both * speed * excess;
    assertThat(carried).isCloseTo(q, within(0.15 * q));
  }

  @Test
  void lawsOfTheModel() {
    var small = air(in(steel(400, 600, 210)));
    var middle = air(in(steel(600, 800, 250)));
    var large = air(in(steel(800, 1000, 300)));
    assertThat(small.top()).isGreaterThan(middle.top());
    assertThat(middle.top()).isGreaterThan(large.top());
    // Free-standing gives off more than on a wall; plastic and wood less than steel.
    var shell = steel(600, 800, 250);
    var free = air(in(shell.with(d -> d.stands = Enclosure.Standing.FREE)));
    assertThat(free.top()).isLessThan(middle.top());
    var plastic = air(in(shell.with(d -> d.housing = Housing.PLASTIC)));
    var wood = air(in(shell.with(d -> d.housing = Housing.WOOD)));
    var open = air(in(shell.with(d -> d.housing = Housing.OPEN)));
    assertThat(plastic.top()).isGreaterThan(middle.top());
    assertThat(wood.top()).isGreaterThan(plastic.top());
    assertThat(open.top()).isZero();
    // Less duty is never warmer; the sun always is.
    var half =
        loaded()
            .build()
            .withDevices(
                loaded().build().devices().stream()
                    .map(d ->
                        d.designation().text().equals("-E1")
                            ? d.withUse(d.work().withDuty(Optional.of(new Percent(50))))
                            : d)
                    .toList());
    var rested = Panel.study(half.with(in(shell).project().layout()));
    assertThat(air(rested).top()).isLessThan(middle.top());
    assertThat(
            air(in(shell.with(d -> d.sun = Optional.of(Shell.Sun.LIGHT_PAINT))))
                .hottest()
                .compareTo(middle.hottest()))
        .isPositive();
    // 0.4 · 1000/15/3 K by hand.
    assertThat(Sunshine.kelvin(Shell.Sun.LIGHT_PAINT)).isCloseTo(8.9, within(0.05));
  }

  private static Panel withFan(Surface surface) {
    return loaded()
        .device("E2", "fan-230v-20w")
        .wire("F:2", "E2:L", 1.5, 0.5)
        .wire("E2:N", "X0:N", 1.5, 0.5)
        .cabinet(steel(600, 800, 250))
        .at("F", 20, 40)
        .at("T", 60, 40)
        .at("E2", surface, 60, 600);
  }

  /// A fan in the wall: 60 m³/h in free air, 36 through its filter, 18 through a clogged one; its
  /// own 20 W are in it. On the plate it only stirs.
  @Test
  void aFanNeverWarmsMoreThanItsOwnHeat() {
    var study = withFan(Surface.LEFT).study();
    var cabinet = study.project().layout().cabinets().getFirst();
    var fan = air(study);
    var watts = fan.inside().watts();
    assertThat(fan.mixed()).isTrue();
    assertThat(fan.top()).isCloseTo(watts / (5.5 * 1.242 + 36 / 3.1), within(0.02));
    var clogged = CabinetAir.of(cabinet, study, CabinetAir.Trouble.CLOGGED);
    var stopped = CabinetAir.of(cabinet, study, CabinetAir.Trouble.STOPPED);
    assertThat(clogged.top()).isCloseTo(watts / (5.5 * 1.242 + 18 / 3.1), within(0.02));
    // Stopped it gives off nothing itself, and nothing mixes the air: the top by height to width.
    assertThat(stopped.top()).isCloseTo((watts - 20) / (5.5 * 1.242) * 1.19167, within(0.02));
    assertThat(clogged.top()).isGreaterThan(fan.top());
    var stirred = air(withFan(Surface.PLATE).study());
    assertThat(stirred.mixed()).isTrue();
    assertThat(stirred.top()).isCloseTo(watts / (5.5 * 1.242), within(0.02));
  }

  /// A fan that nothing feeds cools nothing.
  @Test
  void aFanWithoutVoltsStandsStill() {
    var idle =
        loaded()
            .device("E2", "fan-230v-20w")
            .cabinet(steel(600, 800, 250))
            .at("E2", Surface.LEFT, 60, 600)
            .study();
    assertThat(air(idle).mixed()).isFalse();
    assertThat(air(idle).trail().lines().toString()).contains("nothing feeds it");
  }

  /// Measured 30 K where the model has other: every rise is scaled, and the model says how far off
  /// it was.
  @Test
  void whatWasMeasuredOverrides() {
    var plain = air(in(steel(600, 800, 250)));
    var study =
        loaded()
            .cabinet(steel(600, 800, 250))
            .cabinet(c ->
                c.withFelt(Optional.of(new Cabinet.Felt(new Temperature(31), new Temperature(25)))))
            .at("F", 20, 40)
            .at("T", 60, 40)
            .study();
    var felt = air(study);
    assertThat(felt.top()).isCloseTo(6, within(1e-9));
    assertThat(felt.off().orElseThrow()).isCloseTo(6 / plain.top(), within(1e-9));
    assertThat(felt.hottest().celsius()).isCloseTo(46, within(1e-9));
    assertThat(InsideAir.of(study).origin()).isEqualTo(InsideAir.Origin.MEASURED);
  }

  /// The supply stands above the breaker that warms nobody: nothing. A part 100 mm above the supply
  /// stands in its plume, one beside it does not.
  @Test
  void aPlumeReachesWhatStandsAbove() {
    var panel =
        loaded()
            .device("K1", "contactor-3p-9a-24vdc")
            .device("K2", "contactor-3p-9a-24vdc")
            .cabinet(steel(600, 800, 250))
            .at("T", 200, 400)
            .at("K1", 205, 220)
            .at("K2", 400, 220);
    var study = panel.study();
    var above = InsideAir.at(new Id("K1"), study).orElseThrow();
    var beside = InsideAir.at(new Id("K2"), study).orElseThrow();
    assertThat(above.plume()).isGreaterThan(1);
    assertThat(beside.plume()).isZero();
    assertThat(above.expected().compareTo(beside.expected())).isPositive();
    assertThat(above.upper().compareTo(above.expected())).isPositive();
  }

  /// A heat sink through the wall takes 60 % of a drive's heat out.
  @Test
  void aSinkOutsideTakesItsShareOut() {
    var drive =
        Panel.mains()
            .device("U1", "drive-1ph-230-0p37kw")
            .device("M1", "motor-0p25kw-230-400", nelvar.core.model.Place.MACHINE)
            .linked(nelvar.core.catalogue.Linkage.DELTA)
            .wire("X0:L1", "U1:L", 1.5, 1)
            .wire("X0:N", "U1:N", 1.5, 1)
            .wire("U1:U", "M1:U", 1.5, 5)
            .wire("U1:V", "M1:V", 1.5, 5)
            .wire("U1:W", "M1:W", 1.5, 5)
            .cabinet(steel(400, 600, 210));
    var inside = drive.at("U1", 50, 150).study();
    var heat =
        air(inside).heats().stream()
            .filter(h -> h.device().designation().text().equals("-U1"))
            .findFirst()
            .orElseThrow();
    assertThat(heat.whole().value().watts()).isGreaterThan(5);
    assertThat(heat.inside()).isEqualTo(heat.whole().value());
    var sunk =
        Panel.study(
            inside
                .project()
                .with(
                    inside
                        .project()
                        .layout()
                        .withPlacements(
                            List.of(
                                Placement.at(
                                        new Id("U1"),
                                        new Id("C"),
                                        Surface.PLATE,
                                        Length.ofMillimetres(50),
                                        Length.ofMillimetres(150))
                                    .sinking(true)))));
    assertThat(air(sunk).heat(new Id("U1")).orElseThrow().inside().watts())
        .isCloseTo(0.4 * heat.whole().value().watts(), within(1e-9));
    assertThat(air(sunk).top()).isLessThan(air(inside).top());
  }
}
