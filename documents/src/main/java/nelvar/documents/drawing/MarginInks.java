package nelvar.documents.drawing;

import java.util.Locale;
import nelvar.core.analysis.interference.Pair;

/// How margins look wherever they stand: in the matrix, over a plate, over ways.
final class MarginInks {
  private MarginInks() {}

  static Ink soft(Pair.Standing standing) {
    return switch (standing) {
      case DISTURBED -> Ink.ERROR_SOFT;
      case DOUBTFUL, NO_RESERVE -> Ink.WARNING_SOFT;
      case QUIET -> Ink.CARD;
    };
  }

  static Ink strong(Pair.Standing standing) {
    return switch (standing) {
      case DISTURBED -> Ink.ERROR;
      case DOUBTFUL, NO_RESERVE -> Ink.WARNING;
      case QUIET -> Ink.SETTLED;
    };
  }

  /// `+31 dB`; `quiet` where nothing gets in.
  static String words(double margin) {
    return margin >= Pair.FAR
        ? "quiet"
        : String.format(Locale.ROOT, "%+.0f dB", margin).replace('-', '−');
  }
}
