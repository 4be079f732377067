package nelvar.documents.drawing;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.interference.Noise;
import nelvar.core.analysis.interference.Pair;
import nelvar.core.analysis.space.Body;
import nelvar.core.analysis.space.NoiseClass;

/// What colours mean through the noise lens. Each class stands in words beside its colour.
final class NoiseInks {
  private NoiseInks() {}

  static Ink of(Body body, Study study) {
    return body.device().map(device -> of(NoiseClass.of(device, study))).orElse(Ink.PAPER);
  }

  /// Its worst margin where that is without reserve, else its class.
  static Optional<String> words(Body body, Study study) {
    return Noise.of(study)
        .of(body.id())
        .filter(pair -> pair.standing() != Pair.Standing.QUIET)
        .map(pair -> MarginInks.words(pair.margin()))
        .or(() -> body.device().map(d -> NoiseClass.of(d, study).words()));
  }

  static Ink of(NoiseClass noise) {
    return switch (noise) {
      case MAINS -> Ink.MAINS_SOFT;
      case MOTORS -> Ink.MOTOR_SOFT;
      case SUPPLY -> Ink.HEAT;
      case COILS -> Ink.DUCT;
      case DC -> Ink.CARD;
      case LOGIC -> Ink.DC_LOW_SOFT;
      case ANALOGUE -> Ink.DC_HIGH_SOFT;
    };
  }

  /// @return where it ends
  static double legend(List<Shape> shapes, double left, double top) {
    var x = left;
    for (var noise : NoiseClass.values()) {
      shapes.add(
          Shape.rectangle(
              x,
              top,
              14,
              12,
              Optional.of(of(noise)),
              Optional.of(Shape.Pen.of(Ink.TEXT_FAINT, 0.8))));
      shapes.add(Shape.text(x + 19, top + 10, noise.words(), Face.TEXT, 11.5, Ink.TEXT_SOFT));
      x += 19 + Faces.width(noise.words(), Face.TEXT, 11.5) + 16;
    }
    shapes.add(
        Shape.text(
            left,
            top + 28,
            "dB: the worst margin of what lies in a duct, or of a part, where it has no reserve; Quiet (Ctrl+7) says of what.",
            Face.TEXT,
            11.5,
            Ink.TEXT_SOFT));
    return top + 36;
  }
}
