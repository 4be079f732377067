package nelvar.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nelvar.core.standards.Conduits;
import nelvar.core.units.Capacitance;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Frequency;
import nelvar.core.units.Length;
import nelvar.core.units.Measure;
import nelvar.core.units.Percent;
import nelvar.core.units.Power;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// What the worked examples of the quick calculations do not reach: limits at which a formula has
/// no answer, formulas that undo one another, and the same number by another way.
class FormulasTest {
  private static Measure rpm(double value) {
    return new Measure(value, Measure.Unit.ROTATION);
  }

  @ParameterizedTest(name = "{0} W, {1} V, {2} phases")
  @CsvSource({"2200,230,1", "5500,400,3", "0.5,24,1"})
  void currentAndApparentPowerAgree(double watts, double volts, int phases) {
    var u = new Voltage(volts);
    var i = AlternatingCurrent.ofPower(new Power(watts), u, phases, 0.8, 0.9);
    var s = new Measure(watts / 0.8 / 0.9, Measure.Unit.APPARENT_POWER);
    assertThat(i.amperes())
        .isCloseTo(AlternatingCurrent.ofApparentPower(s, u, phases).amperes(), within(1e-9));
  }

  @Test
  void threeEqualCurrentsLeaveNothingAndOneAloneAllOfIt() {
    var ten = new Current(10);
    var none = new Current(0);
    assertThat(AlternatingCurrent.left(ten, ten, ten).amperes()).isZero();
    assertThat(AlternatingCurrent.left(none, ten, none)).isEqualTo(ten);
    assertThat(AlternatingCurrent.left(ten, ten, none)).isEqualTo(ten);
  }

  @Test
  void aDeviceFarDownIsNotProtectedWhereTheLoopUpToTheInletIsTooWeak() {
    var loop = EarthFault.greatestLoop(0.95, new Voltage(230), new Current(160));
    assertThat(EarthFault.current(0.95, new Voltage(230), loop).amperes())
        .isCloseTo(160, within(1e-9));
    var per = new nelvar.core.units.ResistancePerLength(7.98e-3);
    assertThat(EarthFault.greatestLength(loop, loop, 1.2, per, per)).isEmpty();
    var length = EarthFault.greatestLength(loop, new Resistance(0.35), 1.2, per, per).orElseThrow();
    var end = new Resistance(per.ohmsPerMetre() * length.metres());
    assertThat(EarthFault.loop(new Resistance(0.35), 1.2, end, end).ohms())
        .isCloseTo(loop.ohms(), within(1e-9));
  }

  @Test
  void theFactorByTemperaturesIsTheTabledOne() {
    // IEC 60364-5-54, Table A.54.4: PVC copper 70 to 160 °C 115, XLPE 90 to 250 °C 143; aluminium
    // 76, 94
    assertThat(factor(FaultHeating.Metal.COPPER, 70, 160)).isCloseTo(115, within(0.5));
    assertThat(factor(FaultHeating.Metal.COPPER, 90, 250)).isCloseTo(143, within(0.5));
    assertThat(factor(FaultHeating.Metal.ALUMINIUM, 70, 160)).isCloseTo(76, within(0.5));
    assertThat(factor(FaultHeating.Metal.ALUMINIUM, 90, 250)).isCloseTo(94, within(0.5));
    assertThat(
            FaultHeating.factor(
                FaultHeating.Metal.COPPER, new Temperature(90), new Temperature(90)))
        .isEmpty();
  }

  private static double factor(FaultHeating.Metal metal, double from, double to) {
    return FaultHeating.factor(metal, new Temperature(from), new Temperature(to))
        .orElseThrow()
        .value();
  }

  @Test
  void sectionTimeAndEnergyOfAFaultAreOneRelation() {
    var section = new nelvar.core.units.CrossSection(2.5);
    var time = FaultHeating.time(115, section, new Current(800));
    assertThat(FaultHeating.leastSection(new Current(800), time, 115).value())
        .isCloseTo(2.5, within(1e-9));
    assertThat(FaultHeating.energy(115, section).value())
        .isCloseTo(800 * 800 * time.seconds(), within(1e-6));
  }

  /// A box free on all sides has every face, 1.4 times for the top; against a wall it has less.
  @ParameterizedTest
  @EnumSource(Enclosure.Standing.class)
  void noEnclosureShedsMoreThanAFreeOne(Enclosure.Standing standing) {
    var w = new Length(0.8);
    var h = new Length(1.2);
    var d = new Length(0.3);
    var free = Enclosure.Standing.FREE.effectiveArea(w, h, d).value();
    var least = Enclosure.Standing.MIDDLE_WALL.effectiveArea(w, h, d).value();
    assertThat(standing.effectiveArea(w, h, d).value()).isBetween(least, free);
  }

  @Test
  void aFanIsNeededOnlyWhereTheWallsDoNotSuffice() {
    var k = new Measure(5.5, Measure.Unit.HEAT_TRANSFER);
    var area = new Measure(1.242, Measure.Unit.AREA);
    var alone = Enclosure.rise(new Power(68.31), k, area);
    assertThat(alone.value()).isCloseTo(10, within(1e-9));
    assertThat(Enclosure.leftForFan(new Power(68), k, area, alone)).isEmpty();
    assertThat(Enclosure.leftForFan(new Power(168.31), k, area, alone).orElseThrow().watts())
        .isCloseTo(100, within(1e-9));
  }

  @Test
  void saturatedAirCondensesAtItsOwnTemperature() {
    assertThat(Enclosure.dewPoint(new Temperature(25), Percent.WHOLE).celsius())
        .isCloseTo(25, within(1e-9));
  }

  @Test
  void whatIsCoupledInStaysBelowItsLimit() {
    var c12 = new Measure(10, Measure.Unit.CAPACITANCE_PER_LENGTH);
    var c2g = new Measure(40, Measure.Unit.CAPACITANCE_PER_LENGTH);
    var edge = new Voltage(300);
    var limit = Coupling.capacitiveLimit(edge, c12, c2g);
    assertThat(limit.volts()).isCloseTo(60, within(1e-9));
    for (var ohms : List.of(1.0, 1e3, 1e6, 1e9))
      assertThat(
              Coupling.capacitive(
                      c12, c2g, new Length(10), edge, new Duration(1e-7), new Resistance(ohms))
                  .volts())
          .isLessThanOrEqualTo(limit.volts() + 1e-9);
    assertThat(Coupling.overPlate(new Length(0.01), new Length(0.01), new Length(0.1), 1))
        .isEmpty();
  }

  @Test
  void volumeAndPartsOfASafetyFigureAreTheStandards() {
    assertThat(SafetyFigures.requiredLevel(2, 2, 2)).isEqualTo('e');
    assertThat(SafetyFigures.requiredLevel(1, 1, 1)).isEqualTo('a');
    assertThat(
            SafetyFigures.level(
                SafetyFigures.Category.THREE, SafetyFigures.Level.MEDIUM, SafetyFigures.Level.HIGH))
        .contains('d');
    assertThat(
            SafetyFigures.level(
                SafetyFigures.Category.FOUR, SafetyFigures.Level.LOW, SafetyFigures.Level.HIGH))
        .isEmpty();
    assertThat(
            SafetyFigures.level(
                SafetyFigures.Category.B, SafetyFigures.Level.NONE, SafetyFigures.Level.NONE))
        .isEmpty();
  }

  @Test
  void aCommandAndItsSpeedUndoOneAnother() {
    var volts = SpeedCommand.volts(rpm(18_000), rpm(0), rpm(24_000)).orElseThrow();
    assertThat(SpeedCommand.speed(volts, rpm(0), rpm(24_000)).orElseThrow().value())
        .isCloseTo(18_000, within(1e-6));
    assertThat(SpeedCommand.volts(rpm(25_000), rpm(0), rpm(24_000))).isEmpty();
    assertThat(SpeedCommand.volts(rpm(100), rpm(500), rpm(24_000))).isEmpty();
    assertThat(SpeedCommand.volts(rpm(100), rpm(500), rpm(500))).isEmpty();
    var line =
        SpeedCommand.calibrate(new Voltage(2), rpm(1000), new Voltage(8), rpm(7000)).orElseThrow();
    assertThat(line.standsBelow()).contains(new Voltage(1));
    assertThat(line.at(new Voltage(0)).value()).isZero();
    assertThat(line.at(new Voltage(10)).value()).isCloseTo(9000, within(1e-9));
    assertThat(SpeedCommand.calibrate(new Voltage(8), rpm(1), new Voltage(2), rpm(2))).isEmpty();
  }

  @Test
  void aBusRisesAsFarAsItsBankAllows() {
    var e = new Energy(493);
    var bank = MovingEnergy.bank(e, new Voltage(325), new Voltage(400)).orElseThrow();
    assertThat(MovingEnergy.busAfter(new Voltage(325), e, bank).volts())
        .isCloseTo(400, within(1e-9));
    assertThat(MovingEnergy.takenUp(bank, new Voltage(325), new Voltage(400)).joules())
        .isCloseTo(493, within(1e-9));
    assertThat(MovingEnergy.bank(e, new Voltage(400), new Voltage(400))).isEmpty();
    assertThat(MovingEnergy.mean(e, new Energy(500), new Duration(5)).watts()).isZero();
  }

  @Test
  void aCoilWithADiodeAloneHoldsLongest() {
    var l = new Measure(1, Measure.Unit.INDUCTANCE);
    var r = new Resistance(115);
    var flows = new Current(0.208);
    var holds = new Current(0.05);
    var diode = CoilFormulas.releaseTime(l, r, flows, holds, new Voltage(0)).orElseThrow();
    var zener = CoilFormulas.releaseTime(l, r, flows, holds, new Voltage(36)).orElseThrow();
    assertThat(diode.seconds())
        .isCloseTo(1 / 115.0 * Math.log(0.208 / 0.05), within(1e-12))
        .isGreaterThan(zener.seconds());
    assertThat(CoilFormulas.releaseTime(l, r, holds, holds, new Voltage(0))).isEmpty();
    assertThat(CoilFormulas.bleeder(new Current(0.001), new Resistance(100), new Voltage(1)))
        .isEmpty();
  }

  @Test
  void theChargingTimeTakesRippleAwayFromItsBound() {
    var load = new Current(10);
    var bank = new Capacitance(22e-3);
    var peak = new Voltage(65.9);
    var mains = new Frequency(50);
    var bound = LinearBus.ripple(load, bank, mains).volts();
    var ripple = LinearBus.rippleBetweenPeaks(load, bank, peak, mains).orElseThrow().volts();
    assertThat(ripple).isBetween(0.7 * bound, bound);
    // it solves its own equation
    assertThat(10 / 22e-3 * (1 / 100.0 - Math.acos(1 - ripple / 65.9) / (2 * Math.PI * 50)))
        .isCloseTo(ripple, within(1e-6));
    assertThat(LinearBus.rippleBetweenPeaks(load, new Capacitance(1e-3), peak, mains)).isEmpty();
  }

  @Test
  void aConstantPowerHasALimitOverAResistance() {
    var source = new Voltage(24);
    var loop = new Resistance(0.5);
    var most = LinearBus.mostThrough(source, loop);
    assertThat(most.watts()).isCloseTo(288, within(1e-9));
    var at = LinearBus.constantPower(source, new Power(287), loop).orElseThrow();
    assertThat(at.voltage().volts() * at.current().amperes()).isCloseTo(287, within(1e-9));
    assertThat(at.voltage().volts() + at.current().amperes() * 0.5).isCloseTo(24, within(1e-9));
    assertThat(LinearBus.constantPower(source, new Power(289), loop)).isEmpty();
  }

  @Test
  void electronicsLoseNothingInCoolLowAirAndEverythingInTheEnd() {
    var rated = new Current(10);
    var low = new Length(0);
    assertThat(Derating.SUPPLY.of(rated, new Temperature(55), low)).isEqualTo(rated);
    assertThat(Derating.SUPPLY.of(rated, new Temperature(65), low).amperes())
        .isCloseTo(7.5, within(1e-9));
    assertThat(Derating.DRIVE.of(rated, new Temperature(50), new Length(1500)).amperes())
        .isCloseTo(10 * 0.8 * 0.95, within(1e-9));
    assertThat(Derating.SUPPLY.of(rated, new Temperature(200), low).amperes()).isZero();
  }

  @Test
  void aDutyOfOneStretchIsThatCurrent() {
    var three = new WireHeat.Stretch(new Current(12), new Duration(3));
    assertThat(WireHeat.rms(List.of(three)).orElseThrow()).isEqualTo(new Current(12));
    assertThat(WireHeat.rms(List.of(new WireHeat.Stretch(new Current(12), new Duration(0)))))
        .isEmpty();
    var warm = new Temperature(70);
    assertThat(
            WireHeat.rescaled(new Current(20), warm, new Temperature(30), warm, new Temperature(30))
                .orElseThrow())
        .isEqualTo(new Current(20));
    assertThat(
            WireHeat.rescaled(
                new Current(20), warm, new Temperature(30), warm, new Temperature(70)))
        .isEmpty();
  }

  @Test
  void counterAndTimerAreEquallyGoodWhereTheySayTheyAre() {
    var gate = new Duration(0.5);
    var tick = new Duration(1e-6);
    var at = PulseCount.equallyGood(8, gate, tick);
    assertThat(PulseCount.periodError(at, 8, tick).value())
        .isCloseTo(PulseCount.resolution(8, gate).value(), within(1e-9));
  }

  @Test
  void aGearIsShortened() {
    assertThat(Axis.electronicGear(10_000, 2000)).hasToString("5/1");
    assertThat(Axis.electronicGear(131_072, 10_000)).hasToString("8192/625");
  }

  /// NEC Chapter 9, Table 1: one wire may fill 53 %, two 31 %, three and more 40 %; the sizes of
  /// Annex C, Table C.1 (from memory): 9 of 12 AWG in 1/2, 16 in 3/4, 26 in 1 inch.
  @ParameterizedTest(name = "{1} AWG in {0}")
  @CsvSource({"HALF,12,9", "THREE_QUARTERS,12,16", "ONE,12,26", "HALF,4,1", "TWO,14,138"})
  void aConduitHoldsWhatTheAnnexLists(Conduits.TradeSize conduit, int gauge, int wires) {
    assertThat(
            Conduits.most(
                Conduits.room(conduit).orElseThrow().value(),
                Conduits.wire(nelvar.core.units.CrossSection.ofGauge(gauge)).orElseThrow().value()))
        .isEqualTo(wires);
  }
}
