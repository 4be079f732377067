package nelvar.desktop.quick;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.protection.Guards;
import nelvar.core.analysis.sizing.Ampacity;
import nelvar.core.analysis.sizing.Sections;
import nelvar.core.calc.Calculator;
import nelvar.core.catalogue.CircuitBreaker;
import nelvar.core.catalogue.Guard;
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
        .flatMap(circuit -> circuit.guard())
        .ifPresent(guard -> guard(guard.guard(), all));
  }

  private static void device(Device device, Study study, Map<String, String> all) {
    study.part(device).flatMap(part -> part.guard()).ifPresent(guard -> guard(guard, all));
    Guards.all(study).stream()
        .filter(guarding -> guarding.device().device().id().equals(device.id()))
        .findFirst()
        .ifPresent(guarding -> {
          all.put("Ib", guarding.design().toString());
          if (guarding.inrushPeak().amperes() > 0)
            all.put("Ipeak", guarding.inrushPeak().toString());
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

  private static void guard(Guard guard, Map<String, String> all) {
    all.put("In", guard.rating().toString());
    if (guard instanceof Guard.Breaker(_, var curve)) all.put("curve", curve.name());
  }

  /// The edit that puts an answer where it belongs: a section or a length into the selected wire, a
  /// breaker into the place of the selected one. Empty where it belongs nowhere.
  static Optional<Edit> use(Object answer, Id selected, Study study) {
    var wire = study.conductor(selected);
    return switch (answer) {
      case CrossSection section ->
          wire.filter(w -> Sections.available(w, section, study))
              .filter(w -> !w.section().equals(Optional.of(section)))
              .map(w -> Sections.change(w, section, study));
      case Length length -> wire.map(w -> Edits.length(w, length));
      case Guard.Breaker breaker ->
          study
              .device(selected)
              .flatMap(device ->
                  swap(
                      device,
                      next ->
                          next.rating().equals(breaker.rating()) && next.curve() == breaker.curve(),
                      study));
      case Current rating ->
          study
              .device(selected)
              .flatMap(device -> swap(device, next -> next.rating().equals(rating), study));
      default -> Optional.empty();
    };
  }

  private static Optional<Edit> swap(
      Device device, java.util.function.Predicate<CircuitBreaker> fits, Study study) {
    return study
        .part(device)
        .filter(CircuitBreaker.class::isInstance)
        .map(CircuitBreaker.class::cast)
        .flatMap(now ->
            study
                .catalogue()
                .of(CircuitBreaker.class)
                .filter(next -> next.poles() == now.poles() && !next.id().equals(now.id()))
                .filter(fits)
                .min(
                    java.util.Comparator.comparing(
                            (CircuitBreaker next) -> next.curve() != now.curve())
                        .thenComparing(CircuitBreaker::id)))
        .map(next -> Edits.swap(device, next));
  }
}
