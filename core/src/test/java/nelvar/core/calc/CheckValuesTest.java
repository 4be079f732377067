package nelvar.core.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import nelvar.core.units.Quantity;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Every check value of the project's reference collection through the calculator it belongs to.
/// `checks.json` names each value's source and how far it is to be trusted; values were recomputed
/// by separately written code, tables are from memory.
class CheckValuesTest {
  /// Check, calculator, inputs in which `{name}` stands for an input of the check, and what one
  /// unit of the expected value is in the answer's own.
  private static final List<String> CALLS =
      List.of(
          "load-24v|bus-load|loads=8 x 10mA x 1; 12 x 60mA x 0.5; 4 x 0.208A x 0.75; 6 x 0.5A x 0.4; 1 x 1.2A x 1|1",
          "psu-mains|supply-current|P={P_out}W eta=92% U={U}V pf={lambda}|1",
          "na-supply|supply-conductor-na|heaters=10A motors=11A,4.8A,4.8A other=2A|1",
          "amp-iec-1|ampacity|S={S}mm2 method={method} Ta={Ta}C circuits={cables}|1",
          "amp-iec-2|ampacity|S={S}mm2 method={method} Ta={Ta}C circuits={circuits}|1",
          "amp-iec-3|ampacity-30|S={S}mm2 method={method} Ta={Ta}C circuits={circuits}|1",
          "amp-h1|ampacity-panel|S={S}mm2 laid=trunking|1",
          "amp-na-1|ampacity-na|S={awg} insulation={insulation_C}C terminals=75C Ta={Ta}C conductors={ccc}|1",
          "amp-na-2|ampacity-na|S={awg} insulation={insulation_C}C terminals=75C Ta={Ta}C conductors={ccc}|1",
          "amp-na-terminal|ampacity-na|S={awg} insulation={insulation_C}C terminals={terminal_C}C Ta={Ta}C conductors={ccc}|1",
          "awg-area|gauge|S={awg}|1",
          "awg-4-0|gauge|S={awg}|1",
          "gg-strict|fuse-limit|Iz={Iz}A school=strict|1",
          "gg-uk|fuse-limit|Iz={Iz}A school=rating|1",
          "na-next-size|device-na|Iz={Iz}A|1",
          "na-motor-fuse|motor-device-na|hp={hp} U={U} device=dual-element time-delay fuse|1",
          "na-motor-wire|motor-wire-na|hp={hp} U={U}|1",
          // Given as volts; the calculator answers in % of Un.
          "vd-dc|voltage-drop|S={S}mm2 l={L}m I={I}A Un=100V T={T}C|1",
          "vd-3ph|voltage-drop|S={S}mm2 l={L}m I={I}A Un=100V lines=3 pf={cosphi} T={T}C X=0.08mΩ/m|1",
          "vd-shared|drop-shared-return|I=2A,1A,0.5A S={S}mm2 lf={L_feed}m lr={L_return}m T={T}C|1",
          "vd-na|drop-na|S={awg} I={I}A l={L_ft}ft K={K} phases={phases}|1",
          "vd-constP|drop-constant-power|Us={Us}V P={P}W R={R_loop}Ω|1",
          "vd-parallel|voltage-drop|S={S}mm2 l={L}m I={I}A Un=100V T={T}C parallel={n_parallel}|1",
          "pe-iec|protective-conductor|S={S_line}mm2|1",
          "pe-iec-2|protective-conductor|S={S_line}mm2|1",
          "pe-na|protective-conductor-na|In={device_A}A|1",
          "zs-20|loop-impedance|Ze={Ze}Ω S={S}mm2 SPE={S_PE}mm2 l={L}m T={T}C|1",
          "ik-70|fault-current|Ze={Ze}Ω S={S}mm2 SPE={S_PE}mm2 l={L}m T=20C k={factor} U0={U0}V Cmin={Cmin}|1",
          "gg-gate|fuse-current|In={In}A t={t}s|1",
          "zs-b16|greatest-loop-impedance|In={In}A curve={curve} U0={U0}V Cmin={Cmin}|1",
          "disc-time-277|disconnection-time|system={system} U0={U0}V|1",
          "adiab-s|fault-section|I={I}A t={t}s k={k}|1",
          "k2s2|withstand-energy|S={S}mm2 k={k}|1",
          "k-derive|adiabatic-factor|metal=copper Ti={Ti}C Tf={Tf}C|1",
          "leak-vector|leakage|Ia={Ia}mA Ib={Ib}mA Ic={Ic}mA|1e-3",
          "leak-filter|filter-leakage|Cx=1uF Cy=1uF U0={U0}V f={f}Hz lost=follow|1e-3",
          "rcd-type|rcd-type|load=three-phase-drive|1",
          "resid-R|bleed-resistor|C=470uF U0={U}V t={t}s Ue={U_end}V|1",
          "resid-Q|charge|C=100nF U={U}V|1e-6",
          "lin-vpk|linear-peak|Us={Vsec}V reg=5% line=10% Uf={Vf_total}V|1",
          "lin-ripple|ripple|I={I}A C=22mF f={f}Hz|1",
          "lin-ripple-ref|ripple-refined|I={I}A C=22mF f={f}Hz Upk={Vpk}V|1",
          "step-mm|steps-per-mm|steps={steps} micro={micro} lead={lead}mm ratio={ratio}|1",
          "step-rate|step-rate|feed={feed}mm/min spm={steps_per_mm}|1",
          "step-supply|stepper-supply|L={L_mH}mH|1",
          "enc-freq|encoder-frequency|lines={lines} n={rpm}rpm|1",
          "regen-E|kinetic-energy|J={J}kgm2 n={rpm}rpm|1",
          "regen-V|bus-rise|E={E}J C=1mF U1={V1}V eta=100%|1",
          "brake-R|braking-resistor|J={J}kgm2 n={rpm}rpm t={t_stop}s Uon={Von}V Imax=20A|1",
          "star-delta|star-delta|I={I_delta_230}A|1",
          "hz87|delta-at-higher-voltage|f={f}Hz Udelta={U_delta}V U={U_drive}V P=2.2kW|1",
          "vfd-1ph-sqrt3|drive-single-phase|I={I_motor}A school=sqrt3|1",
          "vfd-1ph-half|drive-single-phase|I={I_motor}A school=half|1",
          "spindle-v|spindle-volts|n={rpm}rpm nmax={rpm_max}rpm|1",
          "coil-volt|coil-voltage|Us={Us}V I={I}A l={L}m S={S}mm2 T={T}C Un=24V|1",
          "coil-leak|coil-leakage|Ileak={I_leak}A R={R_coil}Ω Un=24V|1",
          "snub-leak|snubber-leakage|C=100nF U={U}V f={f}Hz|1e-3",
          "diode-t|release-time|L={L}H R={R}Ω I0={I0}A Ih={Ih}A|1e-3",
          "pnp-npn|input-pull-up|U={U}V Rpu={R_pullup}Ω Rin={R_in}Ω|1",
          "heat-area|enclosure-area|W={W}m H={H}m D={D}m standing=free|1",
          "heat-fan|fan|Pv={Pv}W A={A}m2 k={k} dT={dT}K f={f}|1",
          "fill-duct|duct-fill|W={W}mm H={H}mm n={n} d={d}mm|1",
          "fill-emt|conduit-fill-na|conduit={emt} size={awg}|1",
          "m-pair|mutual-inductance|d13={d13}m d24={d24}m d14={d14}m d23={d23}m|1",
          "c12|mutual-capacitance|h={h}m r={r}m x={x}m er={er}|1",
          "cap-couple|capacitive-coupling|C12={C12_pF_m} C2g={C2g_pF_m} l={L}m dU={dU}V tr=100ns R={R}Ω|1",
          "shield-fc|shield-cutoff|Rs={Rs}Ω/m Ls={Ls}H/m|1",
          "ferrite|ferrite|Z1={Z1}Ω N={turns} Zl={Z_loop}Ω|1",
          "plr|required-performance-level|S={S} F={F} P={P}|1",
          "pl-simple|performance-level|category={cat} DC={DC} MTTFd={MTTFd}|1",
          "mttfd|time-to-failure|B10d={B10d} days={d} hours={h} cycle={cycle_s}s|1",
          "pe-meas|protective-resistance|S={S}mm2 l={L}m T={T}C|1",
          "ins-par|insulation-parallel|R={R_each_Mohm}MΩ n={n}|1e6",
          "rpm-gate|speed-by-count|N={N} Tg={Tg}s PPR={PPR}|1");

  private static final Map<String, JsonNode> CHECKS = read();

  private static Map<String, JsonNode> read() {
    try (var in = CheckValuesTest.class.getResourceAsStream("checks.json")) {
      var all = new LinkedHashMap<String, JsonNode>();
      for (var check : new JsonMapper().readTree(in)) all.put(check.get("id").asString(), check);
      return all;
    } catch (java.io.IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void everyCheckHasItsCalculator() {
    assertThat(CALLS.stream().map(call -> call.substring(0, call.indexOf('|'))).toList())
        .containsExactlyElementsOf(CHECKS.keySet());
  }

  @TestFactory
  Stream<DynamicTest> agrees() {
    return CALLS.stream()
        .map(call -> call.split("\\|"))
        .map(call -> DynamicTest.dynamicTest(call[0], () -> agrees(call)));
  }

  private static void agrees(String[] call) {
    var check = CHECKS.get(call[0]);
    var inputs = check.get("inputs");
    var text = call[2];
    for (var name : inputs.propertyNames())
      if (inputs.get(name).isValueNode())
        text = text.replace("{" + name + "}", inputs.get(name).asString());
    assertThat(text).doesNotContain("{");
    var value =
        Calculators.named(call[1])
            .orElseThrow(() -> new AssertionError("no calculator " + call[1]))
            .answer(written(text))
            .fold(
                nelvar.core.trail.Explained::value,
                why -> {
                  throw new AssertionError(why);
                });
    var expected = check.get("expected");
    if (expected.isNumber())
      assertThat(number(value))
          .as("%s, %s", check.get("formula"), check.get("source"))
          .isCloseTo(
              expected.asDouble() * Double.parseDouble(call[3]),
              within(
                  Math.max(check.get("tolerance").asDouble(), 1e-9) * Double.parseDouble(call[3])));
    else assertThat(String.valueOf(value)).startsWith(expected.asString());
  }

  private static double number(Object value) {
    return switch (value) {
      case Quantity quantity -> quantity.si();
      case Number number -> number.doubleValue();
      default -> throw new AssertionError("not a number: " + value);
    };
  }

  /// Inputs as the command line takes them; a blank ends a value unless what follows has no `=`.
  static Map<String, String> written(String text) {
    var all = new HashMap<String, String>();
    var parts = new ArrayList<String>();
    for (var word : text.split(" ", -1)) {
      if (word.contains("=") || parts.isEmpty()) parts.add(word);
      else parts.set(parts.size() - 1, parts.getLast() + " " + word);
    }
    for (var part : parts)
      all.put(part.substring(0, part.indexOf('=')), part.substring(part.indexOf('=') + 1));
    return all;
  }
}
