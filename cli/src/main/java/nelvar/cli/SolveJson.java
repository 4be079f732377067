package nelvar.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nelvar.core.file.NelvarJson;
import nelvar.core.model.Project;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Live;
import nelvar.core.network.Outcome;
import nelvar.core.network.StoredCharge;
import nelvar.core.network.solve.Phasor;
import nelvar.core.units.Duration;
import nelvar.core.units.Voltage;

/// A solved state as JSON, version 1. Volts, amperes, watts, seconds; angles in degrees.
final class SolveJson {
  private record Document(
      int version,
      String project,
      String revision,
      String status,
      int solves,
      double residual,
      List<String> chatter,
      Map<String, Boolean> states,
      Map<String, Node> terminals,
      Map<String, Both> conductors,
      List<Source> sources,
      List<Load> loads,
      List<Opening> opens,
      List<Bridged> shorts,
      List<Charge> charged,
      List<String> assumed) {}

  /// Amperes in a bridge, what ends it in words, and the energy of capacitors that empty into it,
  /// J.
  private record Bridged(
      String a, String b, Optional<Double> amperes, String words, double joules) {}

  /// Volts before, volts now, and the seconds until it is below 60, 25 and 5 V; absent where
  /// nothing is stated that discharges it.
  private record Charge(
      String device,
      double from,
      double now,
      Optional<Double> below60,
      Optional<Double> below25,
      Optional<Double> below5) {}

  /// Volts against the protective conductor; absent where nothing joins the two.
  private record Node(boolean live, Optional<Both> toEarth) {}

  private record Both(double direct, double alternating, double degrees) {}

  private record Source(
      String device,
      String output,
      boolean on,
      double amperes,
      double watts,
      Optional<String> state) {}

  /// Volts and watts are absent where no state was found.
  private record Load(
      String device, String intake, Optional<Double> volts, Optional<Double> watts) {}

  private record Opening(String pole, String device, double amperes, double within) {}

  private SolveJson() {}

  /// What is unusual about a source.
  static Optional<String> state(Live.Output output) {
    if (output.starved()) return Optional.of("its input collapses when it is loaded");
    if (output.tripped()) return Optional.of("switched off by its own limit");
    if (!output.on()) return Optional.of("off");
    if (output.limited()) return Optional.of("at its current limit");
    if (output.backFed()) return Optional.of("held up by another source");
    return Optional.empty();
  }

  static String of(Project project, Live live) {
    var states = new LinkedHashMap<String, Boolean>();
    for (var ref : live.circuitry().actuatorRefs()) states.put(ref.toString(), live.on(ref));
    var conductors = new LinkedHashMap<String, Both>();
    // No number is read out of what did not settle: it is left out.
    for (var conductor : project.conductors())
      live.current(conductor.id())
          .ifPresent(current -> conductors.put(conductor.id().text(), both(current)));
    var document =
        new Document(
            1,
            project.name(),
            project.revision(),
            live.outcome().words(),
            live.solution().solves(),
            rounded(live.solution().residual()),
            moving(live),
            states,
            terminals(project, live),
            conductors,
            live.outputs().stream().map(SolveJson::source).toList(),
            live.circuitry().served().stream()
                .map(served ->
                    new Load(
                        served.device().id().text(),
                        served.intake().name(),
                        live.at(served.device(), served.intake()).map(v -> rounded(v.volts())),
                        live.taken(served.device(), served.intake()).map(p -> rounded(p.watts()))))
                .toList(),
            live.poles().stream().flatMap(pole -> opening(live, pole).stream()).toList(),
            live.shorts().stream()
                .map(bridged ->
                    new Bridged(
                        bridged.bridge().a().toString(),
                        bridged.bridge().b().toString(),
                        bridged.current().map(current -> rounded(current.rms())),
                        bridged.words(live),
                        rounded(bridged.capacitors().energy().joules())))
                .toList(),
            live.charged().stream().map(charge -> charge(charge, live)).toList(),
            live.circuitry().assumed().stream().map(id -> id.text()).toList());
    return NelvarJson.mapper()
        .writerWithDefaultPrettyPrinter()
        .writeValueAsString(document)
        .replace("\r\n", "\n");
  }

  private static List<String> moving(Live live) {
    return switch (live.outcome()) {
      case Outcome.Chattering(var circle) -> circle.stream().map(Object::toString).toList();
      case Outcome.Settled _, Outcome.Undecided _, Outcome.Unsettled _ -> List.of();
    };
  }

  private static Map<String, Node> terminals(Project project, Live live) {
    var all = new LinkedHashMap<String, Node>();
    for (var device : project.devices())
      live.circuitry()
          .topology()
          .part(device.id())
          .ifPresent(part ->
              part.terminals()
                  .forEach(terminal -> {
                    var ref = new TerminalRef(device.id(), terminal.name());
                    all.put(
                        ref.toString(),
                        new Node(live.live(ref), live.toEarth(ref).map(SolveJson::both)));
                  }));
    return all;
  }

  private static Charge charge(StoredCharge charge, Live live) {
    return new Charge(
        charge.device().id().text(),
        rounded(charge.from().volts()),
        rounded(charge.after(live.after().orElse(new Duration(0))).volts()),
        until(charge, 60),
        until(charge, 25),
        until(charge, 5));
  }

  private static Optional<Double> until(StoredCharge charge, double volts) {
    return charge.until(new Voltage(volts)).map(time -> rounded(time.seconds()));
  }

  private static Source source(Live.Output output) {
    return new Source(
        output.device().id().text(),
        output.output().name(),
        output.on(),
        rounded(output.current().amperes()),
        rounded(output.power().watts()),
        state(output));
  }

  private static Optional<Opening> opening(Live live, Live.Loaded pole) {
    return live.tripTime(pole)
        .map(time ->
            new Opening(
                pole.pole().toString(),
                pole.device().id().text(),
                rounded(pole.current().amperes()),
                rounded(time.seconds())));
  }

  private static Both both(Live.Both value) {
    Phasor alternating = value.alternating();
    var size = rounded(alternating.magnitude());
    return new Both(
        rounded(value.direct()),
        size,
        size == 0 ? 0 : rounded(Math.toDegrees(Math.atan2(alternating.im(), alternating.re()))));
  }

  /// To a millionth, so that the last bits of arithmetic do not show.
  private static double rounded(double value) {
    return Double.isFinite(value) ? Math.round(value * 1e6) / 1e6 + 0.0 : 0;
  }
}
