package nelvar.core.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import nelvar.core.model.Conductor;
import nelvar.core.model.Project;
import nelvar.core.network.Circuitry;
import nelvar.core.network.Edge;
import nelvar.core.network.Live;
import nelvar.core.network.solve.Grid;
import nelvar.core.network.solve.Solution;
import nelvar.core.units.ImpossibleQuantity;

/// A solved state as a SPICE netlist, so that any general-purpose circuit simulator can check it:
/// one for direct current, one for mains frequency.
///
/// Contacts stand as they were found; limits of sources as they act. At direct current loads keep
/// their law as a current source; at mains frequency they are the admittance they were found at.
/// Node 0 is joined to one node of each island by 1 Ω, through which nothing flows.
///
/// With *behaviour* the direct-current netlist says what contacts, diodes and limits do instead of
/// how they were found: a contact of a coil follows the coil's volts with their hysteresis, a few
/// milliseconds late and at rest at first, and every node has a stray 1 µF; a simulator switches it
/// on and comes to the state itself. What alternating current decides (coils on it, which supply
/// runs) stands as found.
public final class SpiceNetlist {
  /// Electronics take their power when their supplies are up; a supply that folds back would not
  /// come up on them.
  private static final String LATE = "min(1,max(0,(time-0.05)/0.02))*";

  private final Live live;
  private final Circuitry circuitry;
  private final Grid grid;
  private final Solution solution;
  private final boolean alternating;
  private final double frequency;
  private final StringBuilder out = new StringBuilder();
  private final Map<Integer, Circuitry.CoilContact> moved = new TreeMap<>();
  private final boolean behaving;
  private int inner;

  private SpiceNetlist(Project project, Live live, boolean alternating, boolean behaving) {
    this.behaving = behaving;
    this.live = live;
    this.circuitry = live.circuitry();
    this.grid = circuitry.grid();
    this.solution = live.solution();
    this.alternating = alternating;
    this.frequency = project.brief().supply().frequency().hertz();
    if (behaving)
      for (var contact : circuitry.coilContacts(live.trial()))
        if (live.solution().alternating(contact.a(), contact.b()).magnitude() < 1)
          moved.put(contact.branch(), contact);
  }

  public static String direct(Project project, Live live) {
    return new SpiceNetlist(project, live, false, false).write(project);
  }

  public static String alternating(Project project, Live live) {
    return new SpiceNetlist(project, live, true, false).write(project);
  }

  /// Direct current, with behaviour: the state is left to the simulator.
  public static String behaviour(Project project, Live live) {
    return new SpiceNetlist(project, live, false, true).write(project);
  }

  private String write(Project project) {
    if (!live.settled())
      throw new ImpossibleQuantity(
          "the machine does not come to rest with everything on: a netlist of that state would say nothing");
    comment(
        project.name()
            + ", revision "
            + project.revision()
            + ", "
            + (alternating ? "mains frequency" : "direct current"));
    comment(live.outcome().words() + ", residual " + number(solution.residual()) + " A");
    nodes();
    wires();
    bridges();
    for (var i = 0; i < grid.transformers().size(); i++) transformer(i);
    sources();
    loads();
    for (var pin : solution.pins()) line("Rpin" + pin, node(pin), "0", "1");
    if (behaving) {
      for (var node = 0; node < grid.nodes(); node++) line("Cn" + node, node(node), "0", "1u");
      line(".options method=gear reltol=1e-5 abstol=1e-9 vntol=1e-7 itl4=500 gmin=1e-15");
    }
    if (behaving) line(".tran 100u 400m uic");
    else line(alternating ? ".ac lin 1 " + number(frequency) + " " + number(frequency) : ".op");
    line(".end");
    return out.toString();
  }

  private void nodes() {
    var terminals = new TreeMap<Integer, List<String>>();
    var topology = circuitry.topology();
    for (var device : topology.project().devices())
      topology
          .part(device.id())
          .ifPresent(part ->
              part.terminals()
                  .forEach(terminal -> {
                    var ref = new nelvar.core.model.TerminalRef(device.id(), terminal.name());
                    terminals
                        .computeIfAbsent(circuitry.node(ref), _ -> new ArrayList<>())
                        .add(device.designation() + ":" + terminal.name());
                  }));
    terminals.forEach((node, names) -> comment(node(node) + " = " + String.join(" ", names)));
  }

  private void wires() {
    var names = new TreeMap<Integer, String>();
    var topology = circuitry.topology();
    for (var edge = 0; edge < topology.edgeCount(); edge++) {
      var name =
          switch (topology.edge(edge)) {
            case Edge.Wire(Conductor conductor) -> conductor.label().text();
            case Edge.Through(var device, var link) ->
                device.designation() + " " + link.a() + "-" + link.b();
          };
      var at = edge;
      circuitry.branchOf(at).ifPresent(branch -> names.put(branch, name));
    }
    for (var i = 0; i < grid.branches().size(); i++) branch(i, names.getOrDefault(i, ""));
  }

  private void bridges() {
    var count = 0;
    for (var bridge : solution.bridges())
      line("Rx" + count++, node(bridge.a()), node(bridge.b()), number(bridge.ohms()));
  }

  private void branch(int index, String name) {
    var branch = grid.branches().get(index);
    if (!name.isEmpty()) comment(name);
    var contact = moved.get(index);
    if (contact != null) {
      contact(index, branch, contact);
    } else if (behaving && branch.diode() && solution.closed(index)) {
      var volts =
          "V(%s,%s)-%s".formatted(node(branch.a()), node(branch.b()), number(branch.forward()));
      line(
          "Bd" + index,
          node(branch.a()),
          node(branch.b()),
          "I=u(%s)*(%s)/%s".formatted(volts, volts, number(branch.ohms())));
      line("Rd" + index, node(branch.a()), node(branch.b()), "1e9");
    } else if (!solution.closed(index)) {
      comment("  open");
    } else if (!solution.conducts(index)) {
      line("Rb" + index, node(branch.a()), node(branch.b()), "1e9");
    } else if (branch.diode() && !alternating) {
      var between = inner();
      line("Vb" + index, node(branch.a()), between, "DC " + number(branch.forward()));
      line("Rb" + index, between, node(branch.b()), number(branch.ohms()));
    } else {
      series("b" + index, node(branch.a()), node(branch.b()), branch.ohms(), branch.reactance());
    }
  }

  /// A contact of a coil. How far the armature is, 0 to 1, follows with 5 ms what the coil asks
  /// for: pulled in from the pick-up on, let go below the drop-out, whichever way round its volts
  /// are. The contact goes from open to closed within the middle tenth of that way.
  private void contact(int index, Grid.Branch branch, Circuitry.CoilContact contact) {
    var wanted = inner();
    var armature = inner();
    line(
        "Bk" + index,
        wanted,
        "0",
        "V=u(abs(V(%s,%s))-(V(%s)>0.5?%s:%s))"
            .formatted(
                node(contact.a()),
                node(contact.b()),
                armature,
                number(contact.dropOut()),
                number(contact.pickUp())));
    line("Rk" + index, wanted, armature, "1k");
    line("Ck" + index, armature, "0", "5u");
    var closed =
        "1/(1+exp(%s80*(V(%s)-0.5)))".formatted(contact.closedAtRest() ? "" : "-", armature);
    var a = node(branch.a());
    var b = node(branch.b());
    line(
        "Bc" + index,
        a,
        b,
        "I=V(%s,%s)*(1e-9+%s*%s)".formatted(a, b, number(1 / branch.ohms()), closed));
  }

  /// Resistance and, at mains frequency, inductance in a row.
  private void series(String name, String a, String b, double ohms, double reactance) {
    if (!alternating || reactance == 0) {
      line("R" + name, a, b, number(ohms));
      return;
    }
    var between = inner();
    line("R" + name, a, between, number(ohms));
    line("L" + name, between, b, number(reactance / (2 * Math.PI * frequency)));
  }

  private void transformer(int index) {
    var t = grid.transformers().get(index);
    if (!alternating) {
      line("Rt" + index + "s", node(t.c()), node(t.d()), number(t.ohms()));
      line("Rt" + index + "p", node(t.a()), node(t.b()), number(t.ohms() / t.ratio() / t.ratio()));
      return;
    }
    var driven = inner();
    var sensed = inner();
    line("Et" + index, driven, node(t.d()), node(t.a()), node(t.b()), number(t.ratio()));
    line("Vt" + index, driven, sensed, "DC 0");
    series("t" + index, sensed, node(t.c()), t.ohms(), t.reactance());
    line("Ft" + index, node(t.a()), node(t.b()), "Vt" + index, number(t.ratio()));
    line("Rt" + index + "p", node(t.a()), node(t.b()), "1e9");
    line("Rt" + index + "q", node(t.c()), node(t.d()), "1e9");
  }

  private void sources() {
    var names = new TreeMap<Integer, String>();
    for (var given : circuitry.given())
      for (var emf : given.emfs())
        names.put(
            emf,
            given.device().designation()
                + given.output().map(output -> " " + output.name()).orElse(" input"));
    for (var emf = 0; emf < grid.emfs().size(); emf++) {
      comment(names.getOrDefault(emf, "capacitor"));
      source(emf);
    }
  }

  private void source(int index) {
    var emf = grid.emfs().get(index);
    var group = grid.groups().get(emf.group());
    var plus = node(emf.plus());
    var minus = node(emf.minus());
    var name = String.valueOf(index);
    if (!solution.on(emf.group())) {
      line("Rs" + name, plus, minus, "1e9");
    } else if (group.alternating() != alternating) {
      series("s" + name, plus, minus, solution.ohms(index), emf.reactance());
    } else if (solution.idle(emf.group()) || solution.tripped(emf.group())) {
      line("Rs" + name, plus, minus, "1e9");
    } else if (behaving && limits(group)) {
      behaving(name, minus, plus, group, index);
    } else if (solution.limited(emf.group())) {
      line("Rs" + name, plus, minus, "1e9");
      limited(name, minus, plus, group, emf);
    } else {
      var driven = inner();
      var factor = solution.factor(index);
      var size = factor * Math.hypot(emf.re(), emf.im());
      line(
          "Vs" + name,
          driven,
          minus,
          alternating
              ? "DC 0 AC " + number(size) + " " + number(degrees(emf))
              : "DC " + number(factor * emf.re()));
      series("s" + name, driven, plus, solution.ohms(index), emf.reactance());
    }
  }

  private static boolean limits(Grid.Group group) {
    return group.limit() == Grid.Limit.CONSTANT_CURRENT || group.limit() == Grid.Limit.FOLD_BACK;
  }

  /// Gives what its volts ask for up to its limit, and takes nothing back.
  private void behaving(String name, String minus, String plus, Grid.Group group, int index) {
    var emf = grid.emfs().get(index);
    var volts = solution.factor(index) * emf.re();
    var across = "V(%s,%s)".formatted(plus, minus);
    var most = number(group.greatest());
    var limit =
        group.limit() == Grid.Limit.FOLD_BACK
            ? "%s*(0.25+0.75*max(0,%s)/%s)".formatted(most, across, number(emf.re()))
            : most;
    line("Rs" + name, plus, minus, "1e9");
    line(
        "Bs" + name,
        minus,
        plus,
        "I=max(0,min(%s,(%s-%s)/%s))"
            .formatted(limit, number(volts), across, number(solution.ohms(index))));
  }

  private void limited(String name, String minus, String plus, Grid.Group group, Grid.Emf emf) {
    if (group.limit() == Grid.Limit.FOLD_BACK)
      line(
          "Bs" + name,
          minus,
          plus,
          "I=%s+%s*V(%s,%s)"
              .formatted(
                  number(0.25 * group.greatest()),
                  number(0.75 * group.greatest() / emf.re()),
                  plus,
                  minus));
    else line("Is" + name, minus, plus, "DC " + number(group.greatest()));
  }

  private static double degrees(Grid.Emf emf) {
    return Math.toDegrees(Math.atan2(emf.im(), emf.re()));
  }

  private void loads() {
    for (var served : circuitry.served())
      for (var load : served.loads()) {
        comment(served.device().designation() + " " + served.intake().name());
        load(load);
      }
  }

  private void load(int index) {
    var load = grid.loads().get(index);
    var a = node(load.a());
    var b = node(load.b());
    line("Rl" + index, a, b, "1e9");
    var amount = solution.amount(index);
    if (load.law() == Grid.Law.OHMIC) {
      if (amount > 0) line("Ro" + index, a, b, number(1 / amount));
    } else if (load.alternating() == alternating && amount > 0) {
      if (alternating) admittance(index, load, a, b);
      else law(index, load, a, b, amount);
    }
  }

  private void law(int index, Grid.Load load, String a, String b, double amount) {
    var volts = "V(" + a + "," + b + ")";
    var least = number(load.least());
    var one = "I=" + (behaving ? LATE : "") + (load.polar() ? "u(" + volts + ")*" : "");
    line(
        "Bl" + index,
        a,
        b,
        load.law() == Grid.Law.POWER
            ? one
                + "%s*%s/max(%s*%s,%s*%s)"
                    .formatted(volts, number(amount), volts, volts, least, least)
            : one + "%s*%s/max(abs(%s),%s)".formatted(volts, number(amount), volts, least));
  }

  private void admittance(int index, Grid.Load load, String a, String b) {
    var v = solution.alternating(load.a(), load.b());
    var i = solution.loadAlternating(index);
    var squared = v.magnitude() * v.magnitude();
    if (squared == 0) return;
    var g = (i.re() * v.re() + i.im() * v.im()) / squared - 1e-9;
    var s = (i.im() * v.re() - i.re() * v.im()) / squared;
    if (g > 0) line("Rg" + index, a, b, number(1 / g));
    if (s < 0) line("Lg" + index, a, b, number(-1 / s / (2 * Math.PI * frequency)));
  }

  private String inner() {
    return "m" + inner++;
  }

  private static String node(int node) {
    return "n" + node;
  }

  private static String number(double value) {
    // A simulator knows no infinity: next to nothing, or as good as open.
    var finite = Double.isNaN(value) ? 0 : Math.clamp(value, -1e30, 1e30);
    return String.format(Locale.ROOT, "%.12g", finite);
  }

  private void comment(String text) {
    line("* " + text.replaceAll("[^\\x20-\\x7e]", "?"));
  }

  private void line(String... words) {
    out.append(String.join(" ", words)).append('\n');
  }
}
