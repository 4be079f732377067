package nelvar.core.analysis.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.InductionMotor;
import nelvar.core.catalogue.Leads;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.StepperLeads;
import nelvar.core.catalogue.StepperMotor;
import nelvar.core.formula.WindingJoins;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.TerminalRef;

/// Every lead of a motor: its mark, its colour and its maker's letter as somebody saw them, where
/// it goes, by which core, and what is done with those that go nowhere.
///
/// Colours and letters are settings of the motor: *Lead A+* with the value `red, letter A`. A motor
/// with nine or twelve leads says so: *Winding* with the value `nine star`, `nine delta`, `twelve
/// star` or `twelve delta`.
///
/// @param mark on the drawing; of a motor with more leads than terminals that of the lead
/// @param to the terminal of what feeds it; empty where it goes nowhere
/// @param core the conductor it lands on, with its cable and colour
/// @param remark what is joined to it, or that it is insulated by itself
public record MotorLeads(
    String mark,
    Optional<String> colour,
    Optional<String> letter,
    Optional<String> to,
    Optional<String> core,
    String remark) {
  /// Names of the settings of a motor.
  public static final String LEAD = "Lead ";

  public static final String WINDING = "Winding";

  private static final Pattern LETTER = Pattern.compile("(?i)letter\\s+(\\S+)");

  /// Of one motor, in the order of its terminals.
  public static List<MotorLeads> of(Device motor, Study study) {
    return switch (study.part(motor).orElse(null)) {
      case StepperMotor stepper when eight(stepper) -> eight(motor, study);
      case InductionMotor induction -> induction(motor, induction, study);
      case Part part when part.motor() -> plain(motor, part, study);
      case null, default -> List.of();
    };
  }

  /// Motors of a machine that have windings to be told apart.
  public static List<Device> motors(Study study) {
    return study.project().devices().stream().filter(d -> !of(d, study).isEmpty()).toList();
  }

  static boolean eight(StepperMotor stepper) {
    return stepper.leads().filter(StepperLeads.EIGHT::equals).isPresent();
  }

  private static List<MotorLeads> plain(Device motor, Part part, Study study) {
    return part.terminals().stream()
        .map(t -> {
          var at = new TerminalRef(motor.id(), t.name());
          var open = !study.network().topology().wired(at);
          return lead(
              motor,
              t.name(),
              Optional.of(at),
              open
                  ? t.name().endsWith("0")
                      ? "unused tap: insulate it by itself, it carries the volts of both halves"
                      : "goes nowhere: insulate it by itself"
                  : "",
              study);
        })
        .toList();
  }

  /// Four halves with two ends each, joined at the motor.
  private static List<MotorLeads> eight(Device motor, Study study) {
    var parallel = motor.linkage().filter(Linkage.PARALLEL::equals).isPresent();
    var all = new ArrayList<MotorLeads>();
    for (var winding : List.of("A", "B")) {
      var plus = Optional.of(new TerminalRef(motor.id(), winding + "+"));
      var minus = Optional.of(new TerminalRef(motor.id(), winding + "-"));
      var a = winding + "1";
      var b = winding + "2";
      var c = winding + "3";
      var d = winding + "4";
      all.add(lead(motor, a, plus, parallel ? "with " + c : "", study));
      all.add(
          lead(
              motor,
              b,
              parallel ? minus : Optional.empty(),
              parallel ? "with " + d : "joined to " + c + ", the pair insulated by itself",
              study));
      all.add(
          lead(
              motor,
              c,
              parallel ? plus : Optional.empty(),
              parallel ? "with " + a : "joined to " + b + ", the pair insulated by itself",
              study));
      all.add(lead(motor, d, minus, parallel ? "with " + b : "", study));
    }
    return all;
  }

  private static List<MotorLeads> induction(Device motor, InductionMotor part, Study study) {
    var many = winding(motor, study);
    var all = new ArrayList<MotorLeads>();
    if (many.isPresent()) {
      numbered(motor, many.get(), study, all);
    } else if (part.leads().orElse(Leads.SIX) == Leads.SIX) {
      var star = motor.windings() == Linkage.STAR;
      for (var phase : List.of("U", "V", "W"))
        all.add(
            lead(
                motor,
                phase + "1",
                Optional.of(new TerminalRef(motor.id(), phase)),
                star ? "" : "link to " + ring(phase),
                study));
      for (var phase : List.of("U", "V", "W"))
        all.add(
            lead(
                motor,
                phase + "2",
                Optional.empty(),
                star ? "link with the other two: the star point" : "link to " + start(phase),
                study));
    } else
      for (var phase : List.of("U", "V", "W"))
        all.add(
            lead(
                motor,
                phase,
                Optional.of(new TerminalRef(motor.id(), phase)),
                part.leads().filter(Leads.THREE_FIXED::equals).isPresent()
                    ? "cannot be linked otherwise"
                    : "star inside",
                study));
    all.add(
        lead(motor, "PE", Optional.of(new TerminalRef(motor.id(), "PE")), "to the frame", study));
    return all;
  }

  /// In delta the end of each winding meets the start of the next: U1 W2, V1 U2, W1 V2 (IEC
  /// 60034-8, from memory).
  private static String ring(String phase) {
    return switch (phase) {
      case "U" -> "W2";
      case "V" -> "U2";
      default -> "V2";
    };
  }

  private static String start(String phase) {
    return switch (phase) {
      case "U" -> "V1";
      case "V" -> "W1";
      default -> "U1";
    };
  }

  static Optional<WindingJoins.Winding> winding(Device motor, Study study) {
    return study
        .project()
        .setting(motor.id(), WINDING)
        .flatMap(text -> {
          var name = text.strip().toUpperCase(Locale.ROOT).replaceAll("[ -]+", "_");
          return java.util.Arrays.stream(WindingJoins.Winding.values())
              .filter(w -> w.name().equals(name))
              .findFirst();
        });
  }

  /// Low volts where it is linked for them.
  static WindingJoins.Volts volts(Device motor) {
    return motor.windings() == Linkage.DELTA ? WindingJoins.Volts.LOW : WindingJoins.Volts.HIGH;
  }

  private static void numbered(
      Device motor, WindingJoins.Winding winding, Study study, List<MotorLeads> all) {
    var joins = WindingJoins.of(winding, volts(motor));
    var count =
        winding.name().startsWith("TWELVE") ? 12 : winding.name().startsWith("NINE") ? 9 : 6;
    for (var n = 1; n <= count; n++) {
      var own = String.valueOf(n);
      var group = group(joins, n);
      var phase =
          group
              .filter(g -> g.startsWith("L"))
              .map(g -> List.of("U", "V", "W").get(g.charAt(1) - '1'));
      var others =
          group
              .map(g -> g.replaceFirst("^(?:L[123]:|join)", "").strip())
              .map(g -> g.replaceAll("\\b" + own + "\\b", "").strip().replaceAll("\\s+", ", "))
              .filter(g -> !g.isEmpty());
      all.add(
          lead(
              motor,
              own,
              phase.map(p -> new TerminalRef(motor.id(), p)),
              others.map(o -> "with " + o).orElse(""),
              study));
    }
  }

  /// `L1: 1 7` or `join 4 5 6` that names a lead.
  private static Optional<String> group(String joins, int lead) {
    for (var piece : joins.split("[,;]\\s*"))
      if (java.util.Arrays.asList(piece.replaceFirst("^L[123]:", "").strip().split("\\s+"))
          .contains(String.valueOf(lead)))
        return Optional.of(
            piece.startsWith("L") ? piece : "join " + piece.replace("join", "").strip());
    return Optional.empty();
  }

  private static MotorLeads lead(
      Device motor, String mark, Optional<TerminalRef> at, String remark, Study study) {
    var said = study.project().setting(motor.id(), LEAD + mark);
    var letter =
        said.map(LETTER::matcher).filter(java.util.regex.Matcher::find).map(m -> m.group(1));
    var colour =
        said.map(text -> LETTER.matcher(text).replaceAll("").replaceAll("[,;]", " ").strip())
            .filter(text -> !text.isEmpty());
    return new MotorLeads(
        mark,
        colour,
        letter,
        at.flatMap(a -> feeding(motor, a, study)),
        at.flatMap(a -> core(a, study)),
        remark);
  }

  private static Optional<String> feeding(Device motor, TerminalRef at, Study study) {
    return study.network().joined(at).stream()
        .filter(end -> !end.device().equals(motor.id()))
        .filter(end ->
            study
                .device(end.device())
                .flatMap(study::part)
                .filter(p -> p.drives() || !p.links().isEmpty())
                .isPresent())
        .map(end -> study.label(new nelvar.core.model.Subject.AtTerminal(end)))
        .findFirst()
        .or(() ->
            study.network().joined(at).stream()
                .filter(end -> !end.device().equals(motor.id()))
                .map(end -> study.label(new nelvar.core.model.Subject.AtTerminal(end)))
                .findFirst());
  }

  private static Optional<String> core(TerminalRef at, Study study) {
    return study.at(at.device()).stream()
        .filter(c -> c.from().equals(at) || c.to().equals(at))
        .findFirst()
        .map(c -> words(c, study));
  }

  private static String words(Conductor conductor, Study study) {
    return study.cable(conductor).map(Cable::label).map(d -> d.text() + " ").orElse("")
        + conductor.label().text()
        + conductor.colour().map(c -> ", " + c).orElse("");
  }
}
