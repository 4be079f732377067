package nelvar.core.analysis.interference;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.CarrierFits;
import nelvar.core.analysis.runs.Parting;
import nelvar.core.model.Bundle;
import nelvar.core.model.Cable;
import nelvar.core.model.Id;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.model.edit.RunEdits;
import nelvar.core.units.Length;
import nelvar.core.units.Price;

/// What helps between both: another tray, a divider, a duct that is kept for signals.
final class Between {
  private Between() {}

  static void all(Pair pair, Study study, List<Idea> all) {
    pair.receiver().cable().ifPresent(cable -> apart(cable, pair, study, all));
    divider(pair, study).ifPresent(all::add);
    kept(pair, study, all);
  }

  /// Out of the tray that both lie in: into one where nothing disturbs it, else one of its own.
  private static void apart(Cable cable, Pair pair, Study study, List<Idea> all) {
    var lies = cable.bundle().filter(id -> pair.emitter().lays().in().containsKey(id));
    if (lies.isEmpty()) return;
    var disturbed = new HashSet<Id>();
    for (var e : Emitters.of(study)) disturbed.addAll(e.lays().in().keySet());
    var from =
        study.project().bundles().stream().filter(b -> b.id().equals(lies.get())).findFirst();
    if (from.isEmpty()) return;
    var quiet =
        study.project().bundles().stream()
            .filter(b -> !b.inside() && !disturbed.contains(b.id()))
            .filter(b -> b.only().filter(o -> o == Bundle.Only.POWER).isEmpty())
            .filter(b -> !study.lyingIn(b).isEmpty())
            .filter(b -> same(b, from.get()))
            .findFirst();
    var other =
        quiet.orElseGet(() ->
            new Bundle(
                NextName.id(study.project(), "P1"),
                from.get().name() + ", own",
                from.get().method(),
                from.get().inside(),
                from.get().form().map(f -> f.withHoses(List.of())),
                from.get().course(),
                Optional.of(Bundle.Only.SIGNALS)));
    all.add(
        new Idea(
            RunEdits.lay(
                "Lay %s in the %s, across others at a right angle"
                    .formatted(cable.label(), other.name()),
                Set.of(cable.id()),
                Set.of(),
                other),
            Optional.empty(),
            Idea.PULL + Idea.PULL_METRE * Idea.metres(cable, study)));
  }

  /// A moving cable stays in a carrier, what is fixed does not go into one.
  private static boolean same(Bundle a, Bundle b) {
    return carrier(a) == carrier(b);
  }

  private static boolean carrier(Bundle bundle) {
    return bundle.form().filter(f -> f.kind() == Bundle.Kind.CARRIER).isPresent();
  }

  /// A wall in a tray or a carrier that has none, where its width bears it.
  private static Optional<Idea> divider(Pair pair, Study study) {
    var bundle = pair.apart().map(place -> place.receiver().bundle());
    var tray = bundle.flatMap(b -> Parting.divider(b, study));
    if (tray.isPresent() && pair.emitter().lays().in().containsKey(bundle.orElseThrow().id()))
      return Optional.of(new Idea(tray.get(), Optional.empty(), Idea.PULL + 2 * Idea.END));
    var form = bundle.flatMap(Bundle::form);
    var carrier = form.flatMap(Bundle.Form::carrier);
    if (carrier.filter(c -> c.dividers().isEmpty()).isEmpty()
        || !pair.emitter().lays().in().containsKey(bundle.orElseThrow().id()))
      return Optional.empty();
    var next =
        form.get()
            .withCarrier(
                carrier.get().parted(List.of(new Length(form.get().width().metres() / 2))));
    if (!CarrierFits.bears(bundle.get(), next, study)) return Optional.empty();
    return Optional.of(
        new Idea(
            Edits.change(bundle.get().with(b -> b.form = Optional.of(next)))
                .named(
                    "Put a divider into the %s, power on one side, signals on the other"
                        .formatted(bundle.get().name())),
            Optional.empty(),
            Idea.PULL + 2 * Idea.END));
  }

  /// The duct that both lie in kept for signals: what disturbs takes another way.
  private static void kept(Pair pair, Study study, List<Idea> all) {
    if (pair.apart().isEmpty()) return;
    var id = pair.apart().get().receiver().bundle().id();
    if (!pair.emitter().lays().in().containsKey(id)) return;
    for (var cabinet : study.project().layout().cabinets())
      for (var duct : cabinet.ducts())
        if (duct.id().equals(id) && duct.only().isEmpty())
          all.add(
              new Idea(
                  RunEdits.keep(cabinet, duct, Optional.of(Bundle.Only.SIGNALS)),
                  Optional.of(Price.ZERO),
                  Idea.PULL + Idea.DEVICE));
  }
}
