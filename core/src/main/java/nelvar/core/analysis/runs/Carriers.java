package nelvar.core.analysis.runs;

import java.util.Optional;
import nelvar.core.formula.CarrierChain;
import nelvar.core.model.Bundle;
import nelvar.core.trail.Explained;
import nelvar.core.trail.Working;
import nelvar.core.units.Length;

/// How long a cable carrier is, and how much room it takes.
public final class Carriers {
  private Carriers() {}

  public static Optional<Bundle.Carrier> of(Bundle bundle) {
    return bundle.form().flatMap(Bundle.Form::carrier);
  }

  /// Empty for what is neither a carrier whose travel is said nor a coiled cord.
  public static Optional<Length> length(Bundle bundle) {
    return of(bundle).map(it -> chain(it).value()).or(() -> cord(bundle).map(Explained::value));
  }

  /// The cord that is wound in a coiled one: turns that touch, each as long as their middle.
  public static Optional<Explained<Length>> cord(Bundle bundle) {
    return bundle
        .form()
        .filter(form -> form.closed().isPresent())
        .map(form -> {
          var w = Working.of("Cord in the coil");
          var across = w.given("D", form.width(), "over its turns").metres();
          var thick = w.given("d", form.height(), "of the cord").metres();
          var closed = w.given("l", form.closed().orElseThrow(), "at rest").metres();
          return w.explain(
              w.result(
                  "L",
                  "π · (D - d) · l / d",
                  new Length(Math.PI * (across - thick) * closed / thick)));
        });
  }

  /// What it takes beside or above its lower run: the bend and a link, and a tenth of it for what
  /// swings (common practice).
  public static Explained<Length> rest(Bundle.Carrier carrier) {
    var w = Working.of("Room of the loop");
    var radius = w.given("R", carrier.bendRadius(), "bend radius of its links");
    var height = w.given("h", carrier.outerHeight(), "of a link");
    w.assumed("swing", "1.1", "a tenth more, common practice");
    return w.explain(
        w.result(
            "H",
            "1.1 · (2 · R + h)",
            new Length(SWING * CarrierChain.restHeight(radius, height).metres())));
  }

  private static final double SWING = 1.1;

  /// Whole links.
  public static int links(Bundle.Carrier carrier) {
    return CarrierChain.links(chain(carrier).value(), carrier.pitch());
  }

  /// How far its bend stands out beyond the end of its travel: a link, the bend and half a height.
  public static Length standsOut(Bundle.Carrier carrier) {
    return new Length(
        carrier.pitch().metres()
            + CarrierChain.overhang(carrier.bendRadius(), carrier.outerHeight()).metres());
  }

  /// What is ordered and what room it takes, in words.
  public static String words(Bundle.Carrier carrier) {
    return "%d links of %s, %s in all, bending to %s; %s%s; the loop takes %s and stands out %s beyond the travel%s"
        .formatted(
            links(carrier),
            carrier.pitch(),
            chain(carrier).value(),
            carrier.bendRadius(),
            carrier.lies().words(),
            carrier.opens().map(hand -> ", opening " + hand.words()).orElse(""),
            rest(carrier).value(),
            standsOut(carrier),
            carrier.strokesPerHour().map(n -> "; %d strokes an hour".formatted(n)).orElse(""));
  }

  public static Explained<Length> chain(Bundle.Carrier carrier) {
    var w = Working.of("Length of the carrier");
    var travel = w.given("S", carrier.travel(), "travel");
    var off = w.given("Δ", carrier.fixedOff(), "fixed end off the middle of the travel");
    var radius = w.given("R", carrier.bendRadius(), "bend radius of its links");
    var pitch = w.given("t", carrier.pitch(), "pitch of a link");
    return w.explain(
        w.result("L", "S/2 + Δ + π · R + 2 · t", CarrierChain.length(travel, off, radius, pitch)));
  }
}
