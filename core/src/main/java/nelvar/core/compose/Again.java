package nelvar.core.compose;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.TypicalLength;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.ControlSwitch;
import nelvar.core.catalogue.Link;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Output;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.Sensor;
import nelvar.core.compose.pattern.Patterns;
import nelvar.core.compose.sketch.Composer;
import nelvar.core.compose.sketch.Unmet;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.network.Source;
import nelvar.core.review.Review;
import nelvar.core.units.ImpossibleQuantity;

/// Another way for a function that works, also from another supply.
public final class Again {
  private Again() {}

  /// Other ways for a function that works: what serves it is taken away on a copy and made anew,
  /// also from other supplies, or from a new one. What is left over keeps its name and number; what
  /// is fixed by hand is not made anew.
  public static Ways.Found of(MachineFunction function, Review today, Catalogue standard) {
    var project = today.project();
    var served = FunctionEdits.served(project, function.id());
    if (served.isEmpty()) return Ways.of(function, today, standard);
    for (var device : served)
      if (project.fixed().contains(device.id()))
        return new Ways.Found(
            List.of(),
            List.of(
                "%s is fixed by hand: let go of it, or change it yourself"
                    .formatted(device.designation())));
    var bare = today.study().tried(Clearing.clear(function, today.study()).apply(project));
    var stays = beside(function, served, bare, today.study(), standard);
    var study =
        stays.isEmpty()
            ? bare
            : today
                .study()
                .tried(Clearing.clear(function, stays::contains, today.study()).apply(project));
    // Of two that come to the same, the one that names its supply is kept.
    var from = new ArrayList<Composer.From>();
    supplies(served, today.study()).map(Composer.From.Only::new).forEach(from::add);
    from.add(new Composer.From.Fresh());
    from.add(new Composer.From.Any());
    // What a stop cuts today is cut by every other way too.
    var cut = served.stream().anyMatch(device -> Composer.cutByStop(device, today.study()));
    return Ways.of(function, study, from, !cut, today, standard);
  }

  /// What serves a function and no recipe makes: the sensors of an axis, its brake, with what
  /// switches them. It stays as it is.
  private static Set<Device> beside(
      MachineFunction function, List<Device> served, Study bare, Study today, Catalogue standard) {
    var made = new HashSet<Class<?>>();
    for (var pattern : Patterns.ALL) {
      try {
        var composer =
            Composer.beside(bare, standard, TypicalLength.DISTANCE, Composer.Beside.USUAL);
        if (!pattern.serves(function, composer)) continue;
        pattern.compose(function, composer);
        for (var device : composer.sketch().devices())
          if (bare.project().device(device.id()).isEmpty())
            made.add(composer.sketch().part(device.id()).getClass());
      } catch (Unmet | ImpossibleQuantity cannot) {
        // What cannot be made makes nothing.
      }
    }
    var stays = new LinkedHashSet<Device>();
    for (var device : served)
      today
          .part(device)
          .filter(part -> works(part) && !made.contains(part.getClass()))
          .ifPresent(_ -> stays.add(device));
    // With what hangs on the same wires: the relay of a brake.
    for (var device : served)
      if (today.at(device.id()).stream()
          .anyMatch(wire ->
              List.copyOf(stays).stream()
                  .anyMatch(one -> !one.equals(device) && wire.touches(one.id()))))
        stays.add(device);
    return stays;
  }

  /// What does something or has something to say, and is not only on the way of a current.
  private static boolean works(Part part) {
    return part instanceof Sensor
        || part instanceof ControlSwitch
        || (!part.intakes(Linkage.STAR).isEmpty()
            && part.outputs().isEmpty()
            && part.links().stream().noneMatch(link -> link.kind() == Link.Kind.CONTACT));
  }

  /// Supplies of the voltages that feed what serves it now.
  private static Stream<Device> supplies(List<Device> served, Study study) {
    var volts =
        served.stream()
            .flatMap(device -> study.network().feeds(device.id()).stream())
            .flatMap(feed -> feed.source().stream())
            .map(Source::output)
            .filter(output -> !output.alternating())
            .map(Output::voltage)
            .collect(Collectors.toSet());
    return study.network().sources().stream()
        .filter(source -> volts.contains(source.output().voltage()))
        .map(Source::device)
        .filter(device -> study.part(device).filter(Part::regulatedSupply).isPresent())
        .distinct();
  }
}
