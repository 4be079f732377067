package nelvar.desktop.quick;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.ProtectionChain;
import nelvar.core.analysis.protection.ProtectiveDevices;
import nelvar.core.analysis.protection.Replacement;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.calc.Calculator;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.DcSupply;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.ProtectiveDevice;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.Length;

/// What the project knows for a calculation, and where its answer belongs in the project.
final class FromProject {
  private FromProject() {}

  /// Inputs of the calculator that the selected thing has a value for, by symbol.
  static Map<String, String> known(Calculator calculator, Id selected, Study study) {
    var all = new LinkedHashMap<String, String>();
    study.conductor(selected).ifPresent(wire -> wire(wire, study, all));
    study.device(selected).ifPresent(device -> device(device, study, all));
    chain(selected, study, all);
    if (calculator.name().equals("stands-inrush")) inrush(selected, study, all);
    var surroundings = study.project().brief().surroundings();
    all.put("Ta", surroundings.inside().toString());
    all.put("U0", study.project().brief().supply().voltage().toNeutral().toString());
    study
        .project()
        .brief()
        .supply()
        .loopImpedance()
        .ifPresent(loop -> all.put("Ze", loop.toString()));
    all.entrySet()
        .removeIf(entry ->
            calculator.inputs().stream()
                .noneMatch(input ->
                    input.symbol().equals(entry.getKey())
                        && input.problem(entry.getValue()).isEmpty()));
    return all;
  }

  private static void wire(Conductor wire, Study study, Map<String, String> all) {
    wire.section().ifPresent(section -> all.put("S", section.toString()));
    study.length(wire).ifPresent(length -> all.put("l", length.toString()));
    var current = study.designCurrent(wire);
    if (current.amperes() > 0) {
      all.put("I", current.toString());
      all.put("Ib", current.toString());
    }
    study.bundle(wire).ifPresent(bundle -> all.put("method", bundle.method().name()));
    Ampacity.of(wire, study).found().ifPresent(iz -> all.put("Iz", iz.value().toString()));
    study
        .circuit(wire)
        .flatMap(circuit -> circuit.protection())
        .ifPresent(protection -> protection(protection.protection(), all));
  }

  private static void device(Device device, Study study, Map<String, String> all) {
    study
        .part(device)
        .flatMap(part -> part.protection())
        .ifPresent(protection -> protection(protection, all));
    ProtectiveDevices.all(study).stream()
        .filter(protecting -> protecting.device().device().id().equals(device.id()))
        .findFirst()
        .ifPresent(protecting -> {
          all.put("Ib", protecting.design().toString());
          if (protecting.inrushPeak().amperes() > 0)
            all.put("Ipeak", protecting.inrushPeak().toString());
        });
    study.network().feeds(device.id()).stream()
        .findFirst()
        .ifPresent(feed -> {
          all.put("Un", feed.voltage().toString());
          all.put("U", feed.voltage().toString());
          all.put("I", study.designCurrent(feed).toString());
          all.put("P", study.designPower(feed).toString());
        });
  }

  /// The devices in series, from the nearest on, and the greatest fault behind it.
  private static void chain(Id selected, Study study, Map<String, String> all) {
    var chain = ProtectionChain.about(selected, study);
    if (chain.isEmpty() || chain.get().protectors().isEmpty()) return;
    var protectors = chain.get().protectors();
    all.put("device", protectors.getFirst().protection().toString());
    all.put("down", protectors.getFirst().protection().toString());
    if (protectors.size() > 1) all.put("up", protectors.get(1).protection().toString());
    chain.get().greatest().ifPresent(fault -> all.put("Ik", fault.toString()));
  }

  private static void inrush(Id selected, Study study, Map<String, String> all) {
    ProtectiveDevices.all(study).stream()
        .filter(protecting ->
            protecting.device().device().id().equals(selected)
                && protecting.inrushPeak().amperes() > 0)
        .findFirst()
        .ifPresent(protecting -> all.put("t", protecting.inrushDuration().toString()));
  }

  private static void protection(ProtectiveDevice protection, Map<String, String> all) {
    all.put("In", protection.rating().toString());
    if (protection instanceof ProtectiveDevice.Breaker(_, var curve))
      all.put("curve", curve.name());
  }

  /// The edit that puts an answer where it belongs: a section or a length into the selected wire; a
  /// breaker, a range or a rating into the place of the selected device; a current onto the dial of
  /// a motor protective switch; the least supply that gives what one needs. Empty where it belongs
  /// nowhere.
  static Optional<Edit> use(Calculator calculator, Object answer, Id selected, Study study) {
    var wire = study.conductor(selected);
    var device = study.device(selected);
    return switch (answer) {
      case CrossSection section ->
          wire.filter(w -> Sections.available(w, section, study))
              .filter(w -> !w.section().equals(Optional.of(section)))
              .map(w -> Sections.change(w, section, study));
      case Length length -> wire.map(w -> Edits.length(w, length));
      case ProtectiveDevice protection -> device.flatMap(d -> swap(d, protection::equals, study));
      case Current current when calculator.name().equals("supply-size") ->
          device.flatMap(d -> supply(d, current, study));
      case Current current ->
          device.flatMap(d ->
              dial(d, current, study)
                  .or(() -> swap(d, protection -> protection.rating().equals(current), study)));
      default -> Optional.empty();
    };
  }

  private static Optional<Edit> dial(Device device, Current current, Study study) {
    return study
        .part(device)
        .flatMap(part -> part.protection())
        .filter(protection ->
            protection instanceof ProtectiveDevice.MotorSwitch(var least, var greatest, _)
                && least.compareTo(current) <= 0
                && greatest.compareTo(current) >= 0)
        .map(_ -> Edits.trip(device, Optional.of(current)));
  }

  /// A breaker of the same curve before others.
  private static Optional<Edit> swap(Device device, Predicate<ProtectiveDevice> fits, Study study) {
    var now = study.part(device).filter(Replacement::chosen);
    if (now.isEmpty()) return Optional.empty();
    var design =
        ProtectiveDevices.all(study).stream()
            .filter(protecting -> protecting.device().device().id().equals(device.id()))
            .findFirst()
            .map(protecting -> protecting.design());
    return Replacement.alike(now.get(), study).stream()
        .filter(next -> !next.id().equals(now.get().id()))
        .filter(next -> fits.test(next.protection().orElseThrow()))
        .min(
            Comparator.comparing((Part next) -> !sameCurve(next, now.get()))
                .thenComparing(Part::id))
        .map(next -> Replacement.swap(device, next, design.orElse(new Current(0))));
  }

  private static boolean sameCurve(Part a, Part b) {
    return a instanceof CircuitBreaker one
        && b instanceof CircuitBreaker other
        && one.curve() == other.curve();
  }

  /// The least supply of the same voltage and mains that gives it.
  private static Optional<Edit> supply(Device device, Current needed, Study study) {
    if (!(study.part(device).orElse(null) instanceof DcSupply now)) return Optional.empty();
    return study
        .catalogue()
        .of(DcSupply.class)
        .filter(next ->
            next.terminals().equals(now.terminals())
                && next.output().equals(now.output())
                && next.phases() == now.phases()
                && next.rating().compareTo(needed) >= 0)
        .min(Comparator.comparing(DcSupply::rating).thenComparing(DcSupply::id))
        .filter(next -> !next.id().equals(now.id()))
        .map(next -> Edits.swap(device, next));
  }
}
