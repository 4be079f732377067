package nelvar.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.file.CatalogueFile;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cabinet;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Layout;
import nelvar.core.model.Place;
import nelvar.core.model.Placement;
import nelvar.core.model.Project;
import nelvar.core.model.Returned;
import nelvar.core.model.School;
import nelvar.core.model.Shell;
import nelvar.core.model.Suppression;
import nelvar.core.model.Surface;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.Use;
import nelvar.core.sample.NewProject;
import nelvar.core.standards.InstallationMethod;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Duration;
import nelvar.core.units.Energy;
import nelvar.core.units.Length;
import nelvar.core.units.Percent;

/// The smallest panels that show one thing, said in a few words. Every wire lies in the duct D
/// unless told otherwise.
public final class Panel {
  private final List<Device> devices = new ArrayList<>();
  private final List<Conductor> conductors = new ArrayList<>();
  private final List<Cable> cables = new ArrayList<>();
  private final List<Bundle> bundles =
      new ArrayList<>(List.of(new Bundle(new Id("D"), "duct", InstallationMethod.B1, true)));
  private final List<Part> own = new ArrayList<>();
  private final List<Placement> placements = new ArrayList<>();
  private Optional<Cabinet> cabinet = Optional.empty();
  private Brief brief = NewProject.usualBrief();
  private int wires;

  /// 3x400/230 V, 16 A upstream, 45 °C inside: an inlet X0 and nothing else.
  public static Panel mains() {
    return new Panel().device("X0", "inlet-3-n-pe");
  }

  /// A 24 V supply T behind breaker F on L1, with PE; its breaker and wires are right.
  public static Panel dc(String supply, String breaker) {
    return mains()
        .device("F", breaker)
        .device("T", supply)
        .wire("X0:L1", "F:1", 6, 0.5)
        .wire("F:2", "T:L", 2.5, 0.5)
        .wire("T:N", "X0:N", 2.5, 0.5)
        .protective("X0:PE", "T:PE", 2.5);
  }

  public static Panel dc() {
    return dc("supply-24v-10a", "breaker-1p-c6");
  }

  public Panel device(String id, String part) {
    return device(id, part, Place.PANEL);
  }

  public Panel device(String id, String part, Place place) {
    devices.add(Device.of(new Id(id), "-" + id, "", part, place));
    return this;
  }

  private Panel last(java.util.function.UnaryOperator<Device> change) {
    devices.set(devices.size() - 1, change.apply(devices.getLast()));
    return this;
  }

  public Panel purpose(String words) {
    return last(device -> device.withPurpose(words));
  }

  public Panel called(String designation) {
    return last(device -> device.withDesignation(new Designation(designation)));
  }

  /// The inlet added last hangs on the site like this.
  public Panel connected(nelvar.core.model.Connection connection) {
    return last(device -> device.withConnection(connection));
  }

  /// Terminals of the device added last that stay open on purpose.
  public Panel spare(String... marks) {
    return last(device -> device.withSpare(List.of(marks)));
  }

  public Panel linked(Linkage linkage) {
    return last(device -> device.withLinkage(linkage));
  }

  /// The dial of the device named last.
  public Panel setTo(double amperes) {
    return last(device -> device.withTrip(Optional.of(new Current(amperes))));
  }

  /// The third line of the drive named last stays open.
  public Panel onTwoLines() {
    return last(device -> device.withSpare(List.of("L3")));
  }

  public Panel suppressed() {
    return last(device -> device.withSuppression(Suppression.DIODE));
  }

  /// Loading, simultaneity and duty of the device named last, in %.
  public Panel works(double loading, double simultaneity, double duty) {
    return last(device ->
        device.withUse(
            new Use(
                Optional.of(new Percent(loading)),
                Optional.of(new Percent(simultaneity)),
                Optional.of(new Percent(duty)),
                Optional.empty())));
  }

  /// What the motor named last gives back at each stop, in J; within and every in s.
  public Panel returns(double joules, double within, double every) {
    return last(device ->
        device.withUse(
            device
                .work()
                .withReturned(
                    Optional.of(
                        new Returned(
                            new Energy(joules), new Duration(within), new Duration(every))))));
  }

  public Panel wire(String from, String to, double section, double metres) {
    return wire(
        from,
        to,
        Conductor.Function.POWER,
        Optional.of(section),
        Optional.of(metres),
        Optional.of("D"));
  }

  public Panel wire(
      String from,
      String to,
      Conductor.Function function,
      Optional<Double> section,
      Optional<Double> metres,
      Optional<String> bundle) {
    wires++;
    conductors.add(
        new Conductor(
            new Id("W" + wires),
            new Designation("W" + wires),
            TerminalRef.of(from),
            TerminalRef.of(to),
            function,
            section.map(CrossSection::new),
            metres.map(Length::new),
            Optional.empty(),
            Optional.empty(),
            bundle.map(Id::new)));
    return this;
  }

  public Panel control(String from, String to, double section, double metres) {
    return wire(
        from,
        to,
        Conductor.Function.CONTROL,
        Optional.of(section),
        Optional.of(metres),
        Optional.of("D"));
  }

  public Panel protective(String from, String to, double section) {
    return wire(
        from,
        to,
        Conductor.Function.PROTECTIVE,
        Optional.of(section),
        Optional.of(0.5),
        Optional.of("D"));
  }

  public Panel protectiveOf(String from, String to, double section, double metres) {
    return wire(
        from,
        to,
        Conductor.Function.PROTECTIVE,
        Optional.of(section),
        Optional.of(metres),
        Optional.of("D"));
  }

  public Panel bundle(String id, InstallationMethod method, boolean inside) {
    bundles.add(new Bundle(new Id(id), id, method, inside));
    return this;
  }

  /// A cable of `stock` in `bundle`; `cores` as from, to, from, to …
  public Panel cable(
      String id, String stock, double metres, String bundle, double section, String... cores) {
    cables.add(
        new Cable(
            new Id(id),
            new Designation("-" + id),
            stock,
            Optional.of(new Length(metres)),
            Optional.of(new Id(bundle))));
    for (var i = 0; i < cores.length; i += 2) {
      wires++;
      conductors.add(
          new Conductor(
              new Id("W" + wires),
              new Designation("W" + wires),
              TerminalRef.of(cores[i]),
              TerminalRef.of(cores[i + 1]),
              Conductor.Function.POWER,
              Optional.of(new CrossSection(section)),
              Optional.empty(),
              Optional.empty(),
              Optional.of(new Id(id)),
              Optional.empty()));
    }
    return this;
  }

  public Panel part(Part part) {
    own.add(part);
    return this;
  }

  public Panel brief(java.util.function.UnaryOperator<Brief> change) {
    brief = change.apply(brief);
    return this;
  }

  /// With another answer to a question practitioners disagree on.
  public Panel answering(School school, String option) {
    var answer =
        school.options().stream().filter(o -> o.id().equals(option)).findFirst().orElseThrow();
    return brief(
        b -> new Brief(b.supply(), b.surroundings(), b.policies().answering(school, answer)));
  }

  public Panel earthed(Brief.Earthing earthing) {
    return brief(b ->
        new Brief(
            new Brief.Supply(
                b.supply().voltage(),
                b.supply().frequency(),
                earthing,
                b.supply().upstream(),
                b.supply().loopImpedance(),
                b.supply().prospectiveShortCircuitCurrent()),
            b.surroundings(),
            b.policies()));
  }

  /// With a stated short-circuit current at the inlet, A.
  public Panel siteShortCircuit(double amperes) {
    return brief(b ->
        new Brief(
            new Brief.Supply(
                b.supply().voltage(),
                b.supply().frequency(),
                b.supply().earthing(),
                b.supply().upstream(),
                b.supply().loopImpedance(),
                java.util.Optional.of(new Current(amperes))),
            b.surroundings(),
            b.policies()));
  }

  public Project build() {
    return Project.empty("Test panel", "", brief)
        .with(new nelvar.core.model.Wiring(devices, cables, conductors, own, List.of()))
        .with(
            new Layout(
                bundles, cabinet.stream().toList(), placements, List.of(), List.of(), List.of()));
  }

  /// In a cabinet C of painted steel on a wall, its outside in mm; see [#at].
  public Panel cabinet(double width, double height, double depth) {
    return cabinet(
        Shell.onWall(
            Length.ofMillimetres(width),
            Length.ofMillimetres(height),
            Length.ofMillimetres(depth)));
  }

  public Panel cabinet(Shell shell) {
    cabinet = Optional.of(Cabinet.of(new Id("C"), "cabinet", Optional.empty(), shell));
    return this;
  }

  public Panel cabinet(java.util.function.UnaryOperator<Cabinet> change) {
    cabinet = cabinet.map(change);
    return this;
  }

  /// On the plate of the cabinet, so many mm from its left and its top edge.
  public Panel at(String id, double left, double top) {
    return at(id, Surface.PLATE, left, top);
  }

  public Panel at(String id, Surface surface, double left, double top) {
    return at(
        Placement.at(
            new Id(id),
            new Id("C"),
            surface,
            Length.ofMillimetres(left),
            Length.ofMillimetres(top)));
  }

  public Panel at(Placement placement) {
    placements.add(placement);
    return this;
  }

  public Study study() {
    return study(build());
  }

  public static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  /// What a rule says of one subject; the first that is not a pass, if there is one.
  public Verdict judge(Rule rule, String subject) {
    return judge(rule, subject, build());
  }

  public static Verdict judge(Rule rule, String subject, Project project) {
    var about =
        rule.check(study(project))
            .filter(verdict -> verdict.subject().text().equals(subject))
            .toList();
    return about.stream()
        .filter(verdict -> !(verdict instanceof Verdict.Pass))
        .findFirst()
        .orElseGet(about::getFirst);
  }

  /// The finding of a rule about one subject; fails where there is none.
  public Verdict.Finding found(Rule rule, String subject) {
    if (judge(rule, subject) instanceof Verdict.Finding finding) return finding;
    throw new AssertionError(rule.id() + " finds nothing of " + subject);
  }

  /// Every way out of it, taken, gives a pass of the same rule; and there is one.
  public void cures(Rule rule, String subject) {
    var proposals = found(rule, subject).proposals();
    if (proposals.isEmpty()) throw new AssertionError(rule.id() + " offers nothing");
    for (var repair : proposals)
      if (!(judge(rule, subject, repair.edit().apply(build())) instanceof Verdict.Pass))
        throw new AssertionError(repair.label() + " does not cure " + rule.id());
  }

  /// A level rail of the plate, by its middle line; mm.
  public static Cabinet.Rail rail(String id, double left, double top, double length) {
    return new Cabinet.Rail(
        new Id(id),
        Surface.PLATE,
        Length.ofMillimetres(left),
        Length.ofMillimetres(top),
        Length.ofMillimetres(length),
        Optional.empty());
  }

  /// A duct of 40 × 60 mm of the plate.
  public static Cabinet.Duct duct(
      String id, double left, double top, double length, boolean upright) {
    return new Cabinet.Duct(
        new Id(id),
        Surface.PLATE,
        Length.ofMillimetres(left),
        Length.ofMillimetres(top),
        Length.ofMillimetres(length),
        Length.ofMillimetres(40),
        Length.ofMillimetres(60),
        upright ? Optional.of(true) : Optional.empty(),
        Optional.empty());
  }
}
