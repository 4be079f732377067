package nelvar.core.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nelvar.core.trail.Computed;
import nelvar.core.units.Current;
import nelvar.core.units.Quantity;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CalculatorsTest {
  private static Computed<?> answer(String name, String inputs) {
    return Calculators.named(name).orElseThrow().answer(CheckValuesTest.written(inputs));
  }

  private static Object value(String name, String inputs) {
    return answer(name, inputs).found().orElseThrow().value();
  }

  /// Worked examples of the project's reference collection beside its check values: arithmetic
  /// recomputed there by separately written code, table values from memory.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // Section 1: a supply of 4.33 A for 3.464 A; with power factor correction 2.39 A; neutral
        // of
        // 10, 6 and 3 A; 2 kVA at 480 V; the primary at 167 %
        "supply-size|I=3.464A|4.33|0.001",
        "supply-current|P=480W eta=92% U=230V pf=0.95|2.388|0.001",
        "neutral-current|Ia=10A Ib=6A Ic=3A|6.083|0.001",
        "transformer-current|S=2kVA Un=480V|4.167|0.001",
        "transformer-device-na|I=4.167A|6.96|0.01",
        "transformer-device-na|I=4.167A secondary=yes|10.42|0.01",
        "control-transformer-device|S=2kVA|20|0",
        "class-2|U=24V|4.167|0.001",
        "apparent-power|P=3kW,1kW Q=2kW,1kW|5000|0.001",
        "disconnect-na|heaters=10A motors=11A,4.8A,4.8A other=2A|37.49|0.001",
        "feeder-device-na|device=30A rest=11.6A|40|0",
        "continuous-load-na|continuous=16A|20|0",
        "supply-derating|In=10A Ta=60C T0=50C d=2.5%|7.5|0.001",
        "neutral-harmonics|I=10A third=30%|9|0.001",
        "diversity|n=4|0.8|0",
        "disconnect|Ilocked=69A rest=20A|89|0",
        // By hand: 2 · 10 A · 0.8; 2 · 10 A, one failed; 30 + 36 + 60 W; 7.8 + 12 − 3 A; 8 % ·
        // 102/160;
        // 8 % · 102/5.6 %; 55²/(2 · 10/0.1)
        "supplies-together|n=2 In=10A purpose=capacity|16|0.001",
        "supplies-together|n=3 In=10A purpose=redundancy|20|0.001",
        "outputs-together|outputs=5V x 6A,12V x 3A,24V x 2.5A|126|0.001",
        "supply-start|Ib=7.8A Istart=12A I=3A|16.8|0.001",
        "transformer-sag|Spull=70VA Shold=32VA Sn=160VA|5.1|0.001",
        "transformer-size|Spull=70VA Shold=32VA|145.7|0.1",
        "bus-clamp|E=10J t=0.1s cycle=5s Uclamp=55V|15.125|0.001",
        // Sections 7 to 9: 0.8 · 230/1.2; 12 AWG from 75 to 150 °C for 0.1 s stands 1093 A; 4.7 nF
        // at 230
        // V; 200 pF/m · 10 m · 560 V/0.1 µs; IEC 61008-1 at five times
        "fault-current-conventional|RL=0.6Ω RPE=0.6Ω|153.3|0.1",
        "fault-heat-na|S=12AWG t=0.1s|1093|2",
        "capacitor-leakage|C=4.7nF|0.0003396|1e-6",
        "cable-leakage|l=10m dU=560V|11.2|0.001",
        "rcd-time|I=150mA IdN=30mA|0.04|0",
        "rcd-time|I=60mA IdN=30mA type=selective|0.2|0",
        "ground-fault-na|In=20A|100|0",
        // Sections 12 to 16: parallel 1.414, peak scale √2 again; 60 · 200 kHz/2500; 20 kg at 0.1
        // m/s;
        // 20 · 9.80665 · 0.5; 7.5 V of 24000 rpm; gain 2400 rpm/V through 4700 rpm at 2 V is −100
        // rpm
        // at 0 V: dead up to 0.0417 V; 300 Hz, two poles; coils in parallel
        "stepper-setting|I=3A winding=parallel scale=peak|6|0.001",
        "stepper-setting|I=3A winding=series|2.121|0.001",
        "encoder-speed|fmax=200kHz lines=2500|4800|0.001",
        "moving-energy|m=20kg v=6000mm/min|0.1|0.0001",
        "lowering-energy|m=20kg h=0.5m|98.07|0.01",
        // Sections 23, 31 and 22 of the reference; 14 kg on a screw of 10 mm lead and 0.6 kg·cm²
        // falls 10 + 18.2 mm; by the free fall 10 + 49 mm; 3000 rpm, 0.01 kg·m² against 5 N·m
        "bus-carries|C=240uF U1=566V U2=360V P=1.5kW|0.01526|0.00002",
        "falls|m=14kg J=0.00006kgm2 lead=10mm feed=6000mm/min t2=0.1s|0.0282|0.00005",
        "falls|m=14kg feed=6000mm/min t1=0.05s t2=0.1s|0.0640|0.0001",
        "coasts|J=0.01kgm2 n=3000rpm T=5Nm|0.6283|0.0001",
        "hand-distance|T=0.25s d=14mm|0.5|0",
        "hand-distance|T=0.3s d=14mm|0.5|0",
        "hand-distance|T=0.4s d=30mm|0.768|0.0001",
        "hand-distance|T=0.3s d=50mm|1.33|0.0001",
        "hand-distance|T=0.02s d=14mm|0.1|0",
        "spindle-speed|U=7.5V nmax=24000rpm|18000|0.001",
        "spindle-speed|U=5V nmax=24000rpm n0=6000rpm|15000|0.001",
        "spindle-calibration|Ua=2V na=4700rpm Ub=8V nb=19100rpm|0.04167|0.0001",
        "spindle-calibration|Ua=0V na=200rpm Ub=10V nb=24200rpm|200|0.001",
        "motor-speed|f=300Hz poles=2|18000|0.001",
        "motor-nine-lead|Ihigh=7A|14|0.001",
        // Section 2: 17.4 A under the British reading; B16; 10 hp on an inverse-time breaker; its
        // overload; C16 of 6 kA; C6 on direct current
        "fuse-limit|Iz=17.7A|16|0",
        "motor-device-na|hp=10 U=460 device=inverse-time breaker|35|0",
        "motor-overload-na|I=14A|17.5|0.001",
        "motor-overload-na|I=14A SF=1|16.1|0.001",
        "let-through|In=16A curve=C Icn=6kA|42000|0",
        "magnetic-trip|In=6A curve=C dc=1.4|84|0.001",
        "fuse-current|In=16A t=5s|65|0.001",
        "short-circuit|S=250kVA U=400V uk=4%|9021|1",
        // Sections 3 and 4: grouped cables; 24 of 25 cores; 10 mm² in trunking at 55 °C
        "ampacity|S=1.5mm2 method=B2 Ta=40C circuits=4|8.515|0.001",
        "ampacity|S=4mm2 method=B2 Ta=40C circuits=4|14.95|0.001",
        "ampacity|S=1mm2 method=B2 cores=24|4.04|0.001",
        "ampacity-na|S=6 insulation=90C terminals=75C Ta=50C|61.5|0.001",
        "small-conductor-na|S=12|20|0",
        "drum|Iz=20A layers=3|9|0.001",
        // By hand: K = 30 · 0.25 = 7.5; 40 + 7.5 · 274.5/(304.5 − 7.5) = 46.93
        "conductor-temperature|Ib=10A Iz=20A Ta=40C Tc=70C|46.931|0.001",
        // By hand: √(144·3/10)
        "rms-load|duty=12A for 3s, 0A for 7s|6.573|0.001",
        // By hand: 20·√(30/40 · 304.5/304.5)
        "rescale-ampacity|I1=20A Tc1=70C Ta1=30C Tc2=70C Ta2=40C|17.32|0.01",
        // Section 5: 70 °C; the third load of a shared return; two return wires; 12.9 against Table
        // 8
        "voltage-drop|S=1mm2 l=20m I=5A Un=100V T=70C|4.666|0.001",
        "drop-shared-return|I=0.5A,2A,1A S=1mm2 lf=10m lr=10m T=20C|0.78|0.0001",
        "drop-shared-return|I=2A,1A,0.5A S=1mm2 lf=10m lr=10m returns=2 T=20C|0.73125|0.0001",
        // a stiff winding of 48 V behind 2 V of diodes: 65.88 V less half of 3.40 V of ripple, near
        // enough
        "linear-supply|U0=48V R=1mohm I=10A C=22mF Uf=2V f=60Hz|64.18|0.1",
        "resistance|S=1.5mm2 l=10m T=20C|0.133|1e-9",
        // NEC Chapter 9 Table 8 (from memory): 1.98 Ω/1000 ft at 75 °C
        "resistance|S=12AWG l=1000ft T=75C|1.98|0.001",
        // Section 6: 12 AWG enlarged to 8 on a 20 A device takes the ground from 12 to 8 AWG
        "protective-conductor|S=4mm2|4|0",
        // Section 7: greatest length of C16 on 1.5 mm²; cold reading; D16
        "greatest-length|Ia=160A Ze=0.35Ω S=1.5mm2 SPE=1.5mm2|31.8|0.05",
        "cold-loop-limit|Ia=160A U0=230V|0.958|0.001",
        "greatest-loop-impedance|In=16A curve=D|0.683|0.001",
        "disconnection-time|U0=230V|0.4|0",
        "disconnection-time|U0=230V system=TT|0.2|0",
        "earth-electrode|IdN=300mA|166.7|0.1",
        "touch-voltage|I=160A RPE=0.4Ω|64|0.001",
        // Section 8: 2.5 mm² and 1000 A; XLPE of 4 mm²
        "fault-time|S=2.5mm2 I=1000A|0.0827|0.0001",
        "withstand-energy|S=4mm2 k=143|327184|0.5",
        "adiabatic-table|insulation=xlpe|143|0",
        "adiabatic-factor|Ti=90C Tf=250C|143|0.5",
        "adiabatic-factor|metal=aluminium Ti=70C Tf=160C|76|0.5",
        // Section 9: floating lines of a filter; three phases cancel
        "filter-leakage|Cx=1uF Cy=1uF lost=float|0.0361|0.0001",
        "leakage|Ia=3.5mA Ib=3.5mA Ic=3.5mA|0|1e-9",
        // Section 10: from 68 V to 5 V; section 11: 22 mF bled by 470 Ω
        "discharge-time|C=1000uF R=10kΩ U0=68V Ue=5V|26.1|0.05",
        "discharge-time|C=22mF R=470Ω U0=66V Ue=5V|26.7|0.05",
        "smoothing-capacitor|I=10A Upk=65.9V|0.01214|0.00001",
        "linear-transformer|Us=48V I=10A k=1.8|864|0.001",
        "bus-bank|E=493.48J U1=325V Utrip=1045.27V|0.001|0.00001",
        // Section 12: a pinion of module 1, 20 teeth, 3:1; 3 motors; corner; one of 10 microsteps
        "steps-per-mm|steps=200 micro=8 ratio=3 lead=62.8318530718mm|76.394|0.001",
        "stepper-current|I=4.2A motors=3|8.442|0.001",
        "stepper-corner|U=48V L=2.5mH I=4.2A steps=200|685.7|0.1",
        "microstep-torque|micro=10|15.64|0.01",
        // Section 13: 2500 lines, 10 mm; 100 kg; mean power of the resistor
        "encoder|lines=2500 lead=10mm|1000|0",
        "screw-inertia|m=100kg lead=10mm|2.533e-4|1e-7",
        "braking-power|E=493.48J C=1mF U1=325V Uon=390V cycle=5s|94.0|0.1",
        // Section 14: input of a drive, choke, motor cable
        "drive-input|P=2.2kW eta-motor=0.83 eta-drive=0.96 U=230V pf=0.65 phases=1|18.47|0.01",
        "drive-input|P=2.2kW eta-motor=0.83 eta-drive=0.96 U=230V pf=0.75 phases=3|9.24|0.01",
        "line-choke|uk=3 U=480V I=14A f=60Hz|0.001575|0.000001",
        "motor-cable|tr=0.1us|7.5|1e-9",
        "volts-per-hertz|U=400V f=50Hz|8|0",
        "synchronous-speed|f=50Hz poles=2|3000|0",
        "drive-derating|In=10A Ta=45C h=1500m|8.55|0.001",
        // A 12 V plate on 24 V: four times its power
        "heater|P=30W Ur=12V U=24V|120|1e-9",
        // Section 15: tables; code letter H; the formula beside the table
        "motor-current|P=5.5 U=400|11.5|0",
        "motor-current|P=7-1/2 U=230 table=three-phase|22|0",
        "locked-rotor-na|kVA=7.09 hp=10 U=460V|89|0.1",
        "load-current|P=5.5kW Un=400V eta=86% pf=0.81|11.40|0.01",
        "load-current|P=2.3kW Un=230V phases=1|10|1e-9",
        // Section 16: 8 bits; loading of 100 Ω; 50 mV of offset; a start speed
        "spindle-resolution|nmax=24000rpm bits=8|94.12|0.01",
        "analogue-loading|Rs=100Ω Rin=10kΩ nmax=24000rpm|0.990|0.001",
        "analogue-offset|dU=50mV nmax=24000rpm|120|1e-6",
        "spindle-volts|n=15000rpm nmax=24000rpm n0=6000rpm|5|1e-9",
        // Section 17: longest wire to a coil; a warm coil; clamped by 36 V; snubber; hold-in
        "coil-length|Us=22.8V I=208.333mA S=0.75mm2 Un=24V T=20C|221.5|0.1",
        "coil-length|Us=22.8V I=208.333mA S=0.75mm2 Un=24V|185.1|0.1",
        "coil-hot|Un=24V P=5W T=80C|0.169|0.001",
        "release-time|L=1H R=115.2Ω I0=208.3mA Ih=50mA Uz=36V|0.00315|0.00001",
        "snubber|I=1A U=170V|1e-7|1e-12",
        "hold-in|P=8 U=230V|252|0.5",
        // Section 18: leakage into an input; a resistor before an optocoupler
        "input-leakage|Ileak=0.5mA Rin=3.3kΩ|1.65|1e-9",
        "input-resistor|U=24V I=10mA Uf=2.2V Ri=270Ω|1910|0.01",
        // Sections 19 to 25: a wall-mounted box, its warming, dew point, error of a period
        "enclosure-area|W=600mm H=800mm D=250mm standing=wall|1.242|0.0001",
        "enclosure-rise|Pv=150W A=1.242m2|21.96|0.01",
        "dew-point|T=25C RH=60%|16.69|0.01",
        "speed-by-period|n=6000rpm|0.6|1e-9",
        // By hand: 1.1 · (4.9 + 1.9); √2 · 400; 0.09/3²; half the current; 1 H at 208 mA twice a
        // second; √2 · 48/0.2
        "drive-size|I=4.9A,1.9A|7.48|1e-9",
        "bus-voltage|U=400V|565.69|0.01",
        "reflected-inertia|J=0.09kgm2 ratio=3|0.01|1e-9",
        "stepper-idle|idle=50%|25|1e-9",
        "coil-energy|L=1H I0=208mA f=2Hz|0.043264|1e-9",
        "coil-varistor|U=24V|30|1e-9",
        "coil-diode|U=24V|72|1e-9",
        "winding-inrush|Us=48V Rw=0.2Ω|339.4|0.05",
        // By hand: 0.81 · 4 mm; of aluminium 0.4 of it; a target of half the side; 20 mm in 3 ms
        "sensing-distance|Sn=4mm face=12mm target=12mm metal=steel|0.00324|1e-9",
        "sensing-distance|Sn=4mm face=12mm target=20mm metal=aluminium|0.001296|1e-9",
        "sensing-distance|Sn=8mm face=18mm target=12mm metal=steel|0.00324|1e-9",
        "sensor-speed|w=20mm tr=3ms|400000|1e-3",
        // By hand: 10/360 of a turn of 20 ms; 10 V · tanh(0.025)
        "mark-time|alpha=10 n=3000rpm|0.000555556|1e-8",
        "pwm-filter|U=10V f=1kHz R=10kohm C=1uF|0.249948|1e-5",
        // By hand: 3 · 6 · 2400 · 800/60000/0.8 W; 2400/(18000 · 2) mm; 40 · 100/99.5; 50 pole
        // pairs, 0.01044 V·s, 13.96 Ω; 2 · 3 Ω, 2/3 of a half
        "cutting-power|ap=3mm ae=6mm vf=2400mm/min material=aluminium|720|1e-6",
        "chip-load|vf=2400mm/min n=18000rpm z=2|6.66667e-5|1e-9",
        "travel-correction|k=40 told=100 went=99.5|40.201|1e-3",
        "stepper-torque|Th=3.1Nm In=4.2A R=0.9ohm L=3.8mH U=48V n=700rpm|1.70|0.03",
        "lead-ohms|R=3ohm joined=star|6|1e-9",
        "thermistor-volts|R25=10kohm B=3435 T=100C Rp=4.7kohm Us=3.3V|0.5727|1e-3",
        "lead-ohms|R=3ohm joined=delta groups=2|1|1e-9",
        "lead-ohms|R=3ohm joined=open|3|1e-9",
      })
  void workedExample(String name, String inputs, double expected, double tolerance) {
    var value = value(name, inputs);
    var number =
        value instanceof Quantity quantity ? quantity.si() : ((Number) value).doubleValue();
    assertThat(number).as(name + " " + inputs).isCloseTo(expected, within(tolerance + 1e-12));
  }

  /// Answers in words.
  @Test
  void judgements() {
    assertThat(value("breaker", "Ib=11.5A")).hasToString("B 13 A");
    // Numbering of nine leads as in NEMA MG 1 (from memory); reference section 14
    assertThat(value("winding-joins", "leads=nine-star volts=low"))
        .hasToString("L1: 1 7, L2: 2 8, L3: 3 9; join 4 5 6");
    assertThat(value("winding-joins", "leads=nine-delta volts=high"))
        .hasToString("L1: 1, L2: 2, L3: 3; join 4 7, 5 8, 6 9");
    // By hand: 576 W at π · 6 mm · 300 turns a second, 5.65 m/s
    assertThat(value("cutting-force", "P=576W d=6mm n=18000rpm")).hasToString("102 N");
    assertThat(value("two-lengths", "told=100 went=100.4 told2=300 went2=300.8"))
        .hasToString("scale 1.002, offset 0.2");
    assertThat(value("breaker", "Ib=1A Ipeak=34A")).hasToString("D 3 A");
    // 40 A peak flow for 16 A at most through B: 45 A/√2 = 31.8 A is within 3 · 16 A
    assertThat(value("breaker", "Ib=11.5A Ipeak=45A")).hasToString("B 13 A");
    // Reference section 2.5: 25 A above 16 A counts as two steps; 20 above 16 does not
    assertThat(value("fuse-selectivity", "up=25A down=16A")).asString().startsWith("yes");
    assertThat(value("fuse-selectivity", "up=20A down=16A")).asString().startsWith("no");
    // Z2 is not among the curves; C6 needs 84 A of the 15 A it can get; C1 needs 14 A
    assertThat(value("trip-on-supply", "In=6A curve=C U=24V Iboost=15A R=0.4Ω"))
        .asString()
        .contains("only 15 A flow of the 84 A");
    assertThat(value("trip-on-supply", "In=1A curve=C U=24V Iboost=15A R=0.4Ω"))
        .asString()
        .startsWith("yes");
    assertThat(value("motor-switch", "I=3.6A")).hasToString("motor 2.5 A to 4 A");
    // Reference section 14: 8.5 A at 230 V in delta are 4.91 A at 400 V in star
    assertThat(value("motor-links", "U=400V Udelta=230V Idelta=8.5A")).hasToString("star, 4.91 A");
    assertThat(value("motor-links", "U=240V Udelta=230V Idelta=8.5A")).hasToString("delta, 8.5 A");
    // IEC 60898-1 Table 7 (from memory): 2.55 In within 1 to 60 s up to 32 A; C trips by 10 In
    assertThat(value("opening-time", "device=C16A I=40.8A"))
        .hasToString("after 1 s at the earliest, 60 s at the latest");
    assertThat(value("opening-time", "device=c16 I=161A"))
        .hasToString("after 5 ms at the earliest, 0.1 s at the latest");
    assertThat(value("opening-time", "device=B16A I=16A")).asString().startsWith("never");
    // gates of gG 16 A (IEC 60269-1, from memory): holds 33 A for 10 s, melts at 65 A within 5 s
    assertThat(value("opening-time", "device=gG16A I=33A")).asString().contains("10 s at the");
    assertThat(value("opening-time", "device=gG16 I=65A")).asString().endsWith("5 s at the latest");
    assertThat(value("stands-inrush", "device=C6A Ipeak=34A t=1ms")).asString().startsWith("yes");
    assertThat(value("stands-inrush", "device=B6A Ipeak=34A t=1ms")).asString().startsWith("no");
    // gG 4 A holds 14 A for 0.1 s and melts with 300·(4/16)² = 18.75 A²s, 43.3 A for 10 ms: 23.8 A
    // lie between on log paper at 0.1·(23.8/14)^(ln 0.1/ln(43.3/14)) = 33.9 ms
    assertThat(value("stands-inrush", "device=gG4A Ipeak=33.66A t=1s"))
        .hasToString("no: it may open after 33.9 ms");
    // and a pulse of 5 ms by its energy: (200/√2)²·5 ms = 100 A²s melt it, 11 A²s of 2 ms at 105 A
    // not
    assertThat(value("stands-inrush", "device=gG4A Ipeak=200A t=5ms")).asString().startsWith("no");
    assertThat(value("stands-inrush", "device=gG4A Ipeak=105A t=2ms")).asString().startsWith("yes");
    assertThat(value("selectivity", "up=gG25A down=gG16A Ik=600A")).hasToString("yes");
    assertThat(value("selectivity", "up=C16A down=B6A Ik=79A")).hasToString("yes");
    assertThat(value("selectivity", "up=C16A down=B6A Ik=81A")).asString().startsWith("no");
    assertThat(value("bonding-conductor", "S1=6mm2 S2=2.5mm2")).hasToString("2.5 mm²");
    assertThat(value("protective-conductor-na", "In=20A from=12 to=8")).hasToString("8 AWG");
    assertThat(value("protective-conductor-na", "In=225A")).hasToString("4 AWG");
    assertThat(value("nearest-gauge", "S=2.5mm2")).asString().startsWith("12 AWG");
    assertThat(value("rcd-leakage", "I=9mA IdN=30mA")).asString().startsWith("yes");
    assertThat(value("rcd-leakage", "I=10mA IdN=30mA")).asString().startsWith("no");
    assertThat(value("performance-level", "category=3 DC=low MTTFd=low")).isEqualTo("b");
    assertThat(value("required-performance-level", "S=1 F=1 P=1")).isEqualTo("a");
  }

  /// What has no answer says why, in a clause.
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "ampacity|S=2.5mm2 method=B1 Ta=70C|ends at 60 °C",
        "ampacity-na|S=12 insulation=60C Ta=60C|no correction for air",
        "fuse-limit|Iz=1A|even a 2 A fuse",
        "breaker|Ib=100A|no standard breaker",
        "protective-conductor|S=0.34mm2|none for this section",
        "drop-constant-power|Us=24V P=500W R=0.5Ω|at most",
        "device-na|Iz=900A|above 800 A",
        "motor-current|P=5.6 U=400|has rows for",
        "motor-current|P=5.5 U=401|has columns for",
        "discharge-time|C=1mF R=1kΩ U0=50V|no higher than the end",
        "fan|Pv=10W A=2m2 dT=20K|no fan is needed",
        "spindle-volts|n=30000rpm nmax=24000rpm|lies outside",
        "ripple-refined|I=100A C=100uF Upk=30V|run empty",
        "greatest-length|Ia=1000A Ze=0.35Ω S=1.5mm2 SPE=1.5mm2|too weak already",
        "coil-length|Us=20V I=200mA S=1mm2 Un=24V|below the coil's least",
        "release-time|L=1H R=100Ω I0=50mA Ih=60mA|above the one that flows",
        "performance-level|category=1 DC=high MTTFd=low|does not go with",
        "mutual-capacitance|h=1mm r=2mm x=5mm|touch",
        "supply-derating|In=10A Ta=90C T0=50C d=3%|nothing is left",
        "disconnection-time|U0=24V|not asked for",
        "small-conductor-na|S=8|18 to 10 AWG",
        "let-through|In=16A curve=D|curves B and C",
      })
  void whatHasNoAnswerSaysWhy(String name, String inputs, String why) {
    assertThat(answer(name, inputs))
        .isInstanceOfSatisfying(
            Computed.Missing.class, missing -> assertThat(missing.why()).contains(why));
  }

  @Test
  void everyCalculatorAnswersItsOwnExamplesWithItsWorking() {
    for (var calculator : Calculators.ALL) {
      var answer = calculator.answer(examples(calculator)).found();
      assertThat(answer).as(calculator.name()).isPresent();
      assertThat(answer.get().trail().lines()).as(calculator.name()).isNotEmpty();
    }
  }

  @Test
  void namesAreUniqueAndSymbolsAreUniqueInEach() {
    assertThat(Calculators.ALL.stream().map(Calculator::name).toList()).doesNotHaveDuplicates();
    for (var calculator : Calculators.ALL)
      assertThat(calculator.inputs().stream().map(Input::symbol).toList())
          .as(calculator.name())
          .doesNotHaveDuplicates();
    assertThat(Calculators.named("no-such")).isEmpty();
  }

  private static Map<String, String> examples(Calculator calculator) {
    var written = new HashMap<String, String>();
    for (var input : calculator.inputs()) written.put(input.symbol(), input.example());
    return written;
  }

  /// For every input of every calculator: left out where it is needed, negative, zero where zero is
  /// not in its range, absurd, in a wrong unit, nonsense. Each is refused with a message that names
  /// the input and what is accepted.
  @Test
  void badInputNamesTheFieldAndWhatIsAccepted() {
    var soft = new SoftAssertions();
    for (var calculator : Calculators.ALL) {
      for (var input : calculator.inputs()) {
        for (var bad : List.of("", "-7", "9e99", "3 parsec", "rubbish", "1e999")) {
          if (bad.isEmpty() && input.usual().isPresent()) continue;
          if (bad.equals("-7") && input.meaning().contains("temperature")) continue;
          if (bad.equals("-7") && accepts(input, bad)) continue;
          var written = examples(calculator);
          written.put(input.symbol(), bad);
          var wrong =
              catchThrowableOfType(Calculator.WrongInput.class, () -> calculator.answer(written));
          soft.assertThat(wrong).as("%s %s=%s", calculator.name(), input.symbol(), bad).isNotNull();
          if (wrong == null) continue;
          soft.assertThat(wrong.symbol()).isEqualTo(input.symbol());
          soft.assertThat(wrong)
              .as("%s %s=%s", calculator.name(), input.symbol(), bad)
              .hasMessageStartingWith(input.symbol())
              .hasMessageContaining(input.accepts())
              .hasMessageContaining(input.meaning());
        }
      }
    }
    soft.assertAll();
  }

  /// Temperatures may be below zero; nothing else may.
  private static boolean accepts(Input<?> input, String text) {
    return input.accepts().contains("°C") && !text.isEmpty();
  }

  /// Where zero is refused, the range says so; where it is taken, the calculator still answers.
  @Test
  void zeroIsRefusedOrAnswered() {
    for (var calculator : Calculators.ALL) {
      for (var input : calculator.inputs()) {
        var written = examples(calculator);
        written.put(input.symbol(), "0");
        try {
          switch (calculator.answer(written)) {
            case Computed.Known<?>(var explained) ->
                assertThat(String.valueOf(explained.value()))
                    .as("%s %s=0", calculator.name(), input.symbol())
                    .doesNotContain("NaN")
                    .doesNotContain("Infinity");
            case Computed.Missing<?>(var why) -> assertThat(why).isNotBlank();
          }
        } catch (Calculator.WrongInput wrong) {
          assertThat(wrong).hasMessageContaining(input.accepts());
        }
      }
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "ampacity|method=B2|S is missing: cross-section, from 0.05 mm² to 500 mm², such as S=2.5mm2",
        "ampacity|S=2.5mm2 method=Z9|method: 'Z9' is none of the words; how it is laid is one of b1, b2, c, e",
        "ampacity|S=2.5mm2 method=B1 circuits=0|circuits: '0' is out of range; loaded circuits lying together is a whole number from 1 to 20",
        "ampacity|S=2.5mm2 method=B1 circuits=many|circuits: 'many' is not a number",
        "ampacity|S=2.5mm2 method=B1 Ta=hot|Ta: 'hot' is not a temperature",
        "ampacity|S=2.5mm2 method=B1 x=1|has no input 'x'; it takes S, method",
        "voltage-drop|S=1mm2 l=-3m I=5A Un=24V|l: -3 m is not possible",
        "voltage-drop|S=1mm2 l=0m I=5A Un=24V|l: '0 m' is out of range; one-way length is from 10 mm to 5000 m",
        "voltage-drop|S=1mm2 l=3V I=5A Un=24V|l: 'V' in '3V' is not a unit of a length",
        "voltage-drop|S=1mm2 l=3m I=5A Un=24V pf=1.2|pf: '1.2' is out of range; power factor is a number from 0.05 to 1",
        "load-current|P=1kW Un=400V phases=2|phases: '2' is none of the words; phases is one of 1, 3",
        "load-current|P=1kW Un=400V eta=120%|eta: '120 %' is out of range; efficiency is from 1 % to 100 %",
        "gauge|S=99|S: gauge 99 is not an AWG size",
        "gauge|S=2.5mm2|S: '2.5mm2 AWG' is not a wire gauge",
        "bus-load|loads=3 apples|loads: '3 apples' is not number x current x share",
      })
  void messagesReadWell(String name, String inputs, String message) {
    assertThatThrownBy(() -> answer(name, inputs))
        .isInstanceOf(Calculator.WrongInput.class)
        .hasMessageContaining(message);
  }

  /// A warmer room never raises ampacity; a longer wire never lowers the drop; more company never
  /// raises ampacity; thicker copper never lowers it.
  @Test
  void laws() {
    var last = Double.MAX_VALUE;
    for (var t = 10; t <= 60; t++) {
      var now = ((Current) value("ampacity", "S=6mm2 method=B1 Ta=" + t + "C")).amperes();
      assertThat(now).isLessThanOrEqualTo(last);
      last = now;
    }
    last = 0;
    for (var l = 1; l <= 200; l += 7) {
      var now = ((Quantity) value("voltage-drop", "S=1.5mm2 I=3A Un=24V l=" + l + "m")).si();
      assertThat(now).isGreaterThan(last);
      last = now;
    }
    last = Double.MAX_VALUE;
    for (var n = 1; n <= 60; n++) {
      var now = ((Current) value("ampacity-na", "S=10 conductors=" + n)).amperes();
      assertThat(now).isLessThanOrEqualTo(last);
      last = now;
    }
    last = 0;
    for (var size : nelvar.core.standards.AmericanConductors.sizes()) {
      if (size.squareMillimetres() < 0.2) continue;
      var now = ((Current) value("ampacity-na", "S=" + size)).amperes();
      assertThat(now).as(size.toString()).isGreaterThanOrEqualTo(last);
      last = now;
    }
  }

  /// 10000 counts for 2000 pulses are 5/1; numbers without a common part stay as they are.
  @Test
  void anElectronicGearIsShortened() {
    assertThat(value("electronic-gear", "counts=10000 pulses=2000")).isEqualTo("5/1");
    assertThat(value("electronic-gear", "counts=10000 pulses=3600")).isEqualTo("25/9");
    assertThat(value("electronic-gear", "counts=10007 pulses=2000")).isEqualTo("10007/2000");
  }

  @Test
  void aResidualDeviceNeedNotOpenBelowItsRating() {
    assertThat(answer("rcd-time", "I=10mA IdN=30mA").found()).isEmpty();
    assertThat(answer("rcd-time", "I=20mA IdN=30mA").found()).isEmpty();
    assertThat(((Computed.Missing<?>) answer("rcd-time", "I=20mA IdN=30mA")).why())
        .contains("may open or not");
  }
}
