package nelvar.core.analysis.protection;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Circuit;
import nelvar.core.analysis.Contained;
import nelvar.core.analysis.Rule;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Schools;
import nelvar.core.analysis.sizing.SectionChoice;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.finding.Reason;
import nelvar.core.finding.Repair;
import nelvar.core.finding.Severity;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.network.Feed;
import nelvar.core.standards.FuseClass;
import nelvar.core.trail.Citation;
import nelvar.core.trail.Computed;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Judged;
import nelvar.core.trail.Working;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;

/// A protective device trips before its wire overheats.
///
/// `In ≤ Iz`; for gG fuses read strictly `I2 ≤ 1.45 Iz`, that is `In ≤ 1.45/k · Iz`, k the fusing
/// factor. A breaker's I2 is 1.45 In, so the first is enough. North American: the next standard
/// size above Iz, and the small-conductor limit. Where no device is in the way, what the source is
/// protected with, or can give, stands in its place; except on a tap: no longer than 3 m, inside
/// the enclosure, ending at a protective device, where that device's rating counts.
///
/// One finding a device, on its thinnest wire; one a wire that no device protects. Data wires are
/// left out: electronic outputs limit them.
///
/// Demand: IEC 60364-4-43:2008, 433.1; IEC 60204-1:2016, 7.2.8 for taps NEC 2023, 240.4
/// (unchecked).
public final class DeviceAgainstWire implements Rule {
  private static final Reason WIRE_WITHOUT_FITTING_PROTECTION =
      Reason.of("Wire without fitting protection");
  private static final Reason DEVICE_TOO_LARGE_FOR_ITS_WIRE =
      Reason.of("Device too large for its wire");

  @Override
  public String id() {
    return "protection.device-against-wire";
  }

  @Override
  public String asks() {
    return "Every protective device is no larger than its wires allow: In ≤ Iz.";
  }

  private static final Citation DEMAND = Citation.recalled("IEC 60364-4-43:2008", "433.1");
  private static final Citation TAP = Citation.recalled("IEC 60204-1:2016", "7.2.8");
  private static final Citation AMERICAN = Citation.recalled("NEC 2023 (NFPA 70)", "240.4");
  private static final Citation AMERICAN_TAP = Citation.recalled("NFPA 79:2021", "7.2.8");
  private static final Length LONGEST_TAP = new Length(3);

  @Override
  public Stream<Verdict> check(Study study) {
    var verdicts = new ArrayList<Verdict>();
    var failing = new LinkedHashMap<Feed.Protector, List<Weak>>();
    Contained.each(
        this,
        study.project().conductors(),
        conductor -> conductor.id(),
        verdicts,
        conductor -> {
          var circuit = study.circuit(conductor);
          if (circuit.isEmpty() || !asked(conductor)) return;
          switch (Ampacity.of(conductor, study)) {
            case Computed.Missing<Current>(var why) ->
                verdicts.add(new Verdict.NotChecked(conductor.id(), why));
            case Computed.Known<Current>(var ampacity) -> {
              var weak = weigh(conductor, circuit.get(), ampacity, study);
              if (weak.judged().holds())
                verdicts.add(new Verdict.Pass(conductor.id(), weak.judged().trail()));
              else if (weak.protection().isPresent())
                failing.computeIfAbsent(weak.protection().get(), _ -> new ArrayList<>()).add(weak);
              else verdicts.add(unprotected(weak, circuit.get(), study));
            }
          }
        });
    Contained.each(
        this,
        failing.entrySet(),
        entry -> entry.getKey().device().id(),
        verdicts,
        entry -> verdicts.add(tooLarge(entry.getKey(), entry.getValue(), study)));
    return verdicts.stream();
  }

  private static boolean asked(Conductor conductor) {
    return conductor.carriesWork()
        && conductor.sized()
        && conductor.function() != Conductor.Function.DATA;
  }

  /// Whether a wire stands what protects it; true where that is not asked or cannot be told.
  public static boolean stands(Conductor conductor, Study study) {
    var circuit = study.circuit(conductor);
    if (circuit.isEmpty() || !asked(conductor)) return true;
    return switch (Ampacity.of(conductor, study)) {
      case Computed.Missing<Current> _ -> true;
      case Computed.Known<Current>(var ampacity) ->
          weigh(conductor, circuit.get(), ampacity, study).judged().holds();
    };
  }

  /// @param allowed the greatest rating the wire stands
  private record Weak(
      Conductor conductor,
      Optional<Feed.Protector> protection,
      Supplier<String> protectionName,
      Current rating,
      Current allowed,
      double share,
      Judged<Current> judged) {}

  private static Weak weigh(
      Conductor conductor, Circuit circuit, Explained<Current> ampacity, Study study) {
    var tap =
        circuit.protection().isPresent()
            ? Optional.<Feed.Protector>empty()
            : tapTo(conductor, study);
    var protection = circuit.protection().or(() -> tap);
    var rating = protection.map(g -> g.protection().rating()).orElse(circuit.limit());
    Supplier<String> name =
        () ->
            protection
                .map(g -> g.device().designation() + " " + g.protection())
                .orElseGet(() -> circuit.source() + ", no device of its own");
    var share =
        protection.map(g -> ProtectiveDevices.shareOfAmpacity(g.protection(), study)).orElse(1.0);
    var w = Working.of("Device against wire");
    if (protection.isPresent()
        && protection.get().protection() instanceof ProtectiveDevice.Fuse(_, var fuse)
        && fuse == FuseClass.GG)
      w.given(
          "school",
          study.project().brief().policies().fuses() == Brief.FuseReading.STRICT
              ? "gG fuses read strictly"
              : "gG fuses by rating",
          "Brief");
    var iz = w.use(Schools.greatestDevice(ampacity, conductor, study));
    var allowed =
        share < 1
            ? w.result(
                "Imax",
                "1.45/k · Iz",
                () -> "%s · %s".formatted(nelvar.core.units.Significant.digits(share), iz),
                iz.times(share))
            : iz;
    var judged =
        Explained.atMost(
            new Explained<>(
                w.given(
                    "In",
                    rating,
                    () -> tap.isPresent() ? name.get() + " at the end of this tap" : name.get()),
                w.explain(rating).trail()),
            "In",
            allowed,
            tap.isPresent()
                ? Schools.demand(study, TAP, AMERICAN_TAP)
                : Schools.demand(study, DEMAND, AMERICAN));
    return new Weak(conductor, protection, name, rating, allowed, share, judged);
  }

  /// The protective device a short wire inside the enclosure ends at, whose rating counts for it
  /// where no device stands before it.
  public static Optional<Feed.Protector> tapTo(Conductor conductor, Study study) {
    if (study.length(conductor).filter(length -> length.compareTo(LONGEST_TAP) <= 0).isEmpty()
        || !study.staysInside(conductor)) return Optional.empty();
    for (var end : List.of(conductor.to(), conductor.from())) {
      var device = study.device(end.device());
      if (device.isEmpty()) continue;
      for (var link :
          study
              .part(device.get())
              .filter(part -> part.protection().isPresent())
              .map(Part::links)
              .orElse(List.of())) {
        if (link.a().equals(end.terminal())
            && link.protection().isPresent()
            && !(link.protection().get() instanceof ProtectiveDevice.Electronic))
          return Optional.of(
              new Feed.Protector(device.get(), set(link.protection().get(), device.get())));
      }
    }
    return Optional.empty();
  }

  private static ProtectiveDevice set(ProtectiveDevice protection, Device device) {
    return protection instanceof ProtectiveDevice.MotorSwitch motor
        ? motor.setTo(device.trip())
        : protection;
  }

  /// A wire behind an electronic supply may be protected by the limit of that; one behind mains,
  /// transformer or bridge never is, and a thicker one would only hide that its device is missing.
  private static Verdict unprotected(Weak weak, Circuit circuit, Study study) {
    var limits =
        study.part(circuit.source().device()).filter(part -> part.electronicSupply()).isPresent();
    var text =
        "%s stands for %s, but only %s limits it to %s: on an overload the wire burns first. Give it a device of its own of at most %s where it begins%s."
            .formatted(
                weak.conductor().label(),
                weak.allowed(),
                weak.protectionName().get(),
                weak.rating(),
                weak.allowed(),
                limits ? ", or make it thick enough for the limit of the supply" : "");
    return new Verdict.Finding(
        weak.conductor().id(),
        Severity.ERROR,
        WIRE_WITHOUT_FITTING_PROTECTION,
        text,
        weak.judged().trail(),
        limits ? thicker(weak, study).stream().toList() : List.of());
  }

  private static Verdict tooLarge(Feed.Protector protection, List<Weak> wires, Study study) {
    var thinnest = wires.stream().min(java.util.Comparator.comparing(Weak::allowed)).orElseThrow();
    var repairs = new ArrayList<Repair>();
    // A branch that feeds nothing yet has no load that another device could be chosen for.
    ProtectiveDevices.of(protection, study)
        .flatMap(protecting ->
            Replacement.candidates(study.part(protection.device()).orElseThrow(), protecting, study)
                .findFirst()
                .map(next -> Replacement.repair(protection.device(), next, protecting)))
        .ifPresent(repairs::add);
    if (wires.size() == 1) thicker(thinnest, study).ifPresent(repairs::add);
    else allThicker(wires, study).ifPresent(repairs::add);
    var names =
        wires.stream()
            .map(weak -> weak.conductor().label().text())
            .collect(Collectors.joining(", "));
    var text =
        "%s is %s, but its thinnest wire (%s) stands for %s: on an overload the wire burns first. Too thin: %s."
            .formatted(
                protection.device().designation(),
                protection.protection(),
                thinnest.conductor().label(),
                thinnest.allowed(),
                names);
    return new Verdict.Finding(
        protection.device().id(),
        Severity.ERROR,
        DEVICE_TOO_LARGE_FOR_ITS_WIRE,
        text,
        thinnest.judged().trail(),
        repairs);
  }

  private static Optional<Repair> thicker(Weak weak, Study study) {
    return SectionChoice.atLeast(weak.conductor(), weak.rating().times(1 / weak.share()), study)
        .map(choice -> Repair.of(Sections.change(weak.conductor(), choice.value(), study)));
  }

  private static Optional<Repair> allThicker(List<Weak> wires, Study study) {
    var changed = new LinkedHashSet<Id>();
    CrossSection widest = null;
    for (var weak : wires) {
      var choice =
          SectionChoice.atLeast(weak.conductor(), weak.rating().times(1 / weak.share()), study);
      if (choice.isEmpty()) return Optional.empty();
      changed.addAll(Sections.together(weak.conductor(), study));
      if (widest == null || choice.get().value().compareTo(widest) > 0)
        widest = choice.get().value();
    }
    var section = widest;
    if (section == null
        || !wires.stream().allMatch(weak -> Sections.available(weak.conductor(), section, study)))
      return Optional.empty();
    return Optional.of(
        Repair.of(
            Edits.section(
                wires.size()
                    + " wires behind "
                    + wires.getFirst().protection().orElseThrow().device().designation(),
                changed,
                section,
                study.catalogue())));
  }
}
