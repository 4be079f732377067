package nelvar.core.analysis.interference;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.CableStock;
import nelvar.core.model.Cable;
import nelvar.core.model.Cable.Ending;
import nelvar.core.model.Cable.Screen;
import nelvar.core.model.Place;
import nelvar.core.model.School;
import nelvar.core.model.edit.CableEdits;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.Edits;

/// How shields should end, and what makes them.
final class Screens {
  private Screens() {}

  /// How the Brief wants a shield to end. Of values one end only, that in the cabinet, where it
  /// says so; a capacitor at the other.
  static Screen usual(Cable cable, Receiver.Kind kind, Study study) {
    return usual(beginsInside(cable, study), kind, study);
  }

  /// @param begins whether its first end is the one in the cabinet
  static Screen usual(boolean begins, Receiver.Kind kind, Study study) {
    var school = study.project().brief().policies().answer(School.SHIELD_ENDS).id();
    var value =
        kind == Receiver.Kind.ANALOGUE
            || kind == Receiver.Kind.LOOP
            || kind == Receiver.Kind.THERMISTOR;
    if (!value || school.equals("both")) return Screen.both(Ending.CLAMP);
    var other = school.equals("one") ? Ending.OPEN : Ending.CAPACITOR;
    return begins
        ? new Screen(Optional.of(Ending.CLAMP), Optional.of(other), Optional.empty())
        : new Screen(Optional.of(other), Optional.of(Ending.CLAMP), Optional.empty());
  }

  static boolean beginsInside(Cable cable, Study study) {
    return study.cores(cable.id()).stream()
        .findFirst()
        .flatMap(core -> study.device(core.from().device()))
        .filter(d -> d.place() == Place.MACHINE)
        .isEmpty();
  }

  static String words(Screen ends) {
    var from = ends.from().orElse(Ending.OPEN);
    var to = ends.to().orElse(Ending.OPEN);
    return from == to ? from.words() + " at both ends" : from.words() + " and " + to.words();
  }

  /// Nothing where it ends so already.
  static void clamped(Cable cable, Screen ends, List<Idea> all) {
    var next = ends.withTurns(cable.screened().turns());
    if (next.equals(cable.screened())) return;
    all.add(
        new Idea(
            screen(cable, next)
                .named("Clamp the shield of %s: %s".formatted(cable.label(), words(ends))),
            Optional.empty(),
            2 * Idea.CLAMP));
  }

  static void shielded(Cable cable, CableStock stock, Screen ends, Study study, List<Idea> all) {
    study
        .catalogue()
        .of(CableStock.class)
        .filter(other ->
            other.shielded()
                && other.cores() == stock.cores()
                && other.section().equals(stock.section())
                && (other.moving() || !stock.moving())
                && other.pairs().equals(stock.pairs()))
        .findFirst()
        .ifPresent(other ->
            all.add(
                Idea.laid(
                    cable,
                    other,
                    CableEdits.stock(cable, other)
                        .then(CableEdits.screened(cable.id(), ends))
                        .named("Shielded cable for %s, %s".formatted(cable.label(), words(ends))),
                    study)));
  }

  static Edit screen(Cable cable, Screen next) {
    return Edits.change(cable.withScreen(next));
  }
}
