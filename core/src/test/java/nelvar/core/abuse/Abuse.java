package nelvar.core.abuse;

import java.util.Random;

/// How hard the tests of this folder try: a quick, seeded share by default; with
/// `-Dnelvar.abuse.seconds=N` each goes on for so long with fresh seeds, and prints its counts.
public final class Abuse {
  private static final long SECONDS = Long.getLong("nelvar.abuse.seconds", 0);
  private static final long SEED = Long.getLong("nelvar.abuse.seed", 20261126);

  private final String what;
  private final int quick;
  private final long begun = System.nanoTime();
  private int done;

  private Abuse(String what, int quick) {
    this.what = what;
    this.quick = quick;
  }

  /// @param quick how many rounds the default share has
  public static Abuse of(String what, int quick) {
    return new Abuse(what, quick);
  }

  /// Whether there is another round; says at the end how many there were.
  public boolean more() {
    var goes = SECONDS > 0 ? System.nanoTime() - begun < SECONDS * 1_000_000_000L : done < quick;
    if (goes) done++;
    else if (SECONDS > 0) System.out.printf("abuse: %s: %d rounds%n", what, done);
    return goes;
  }

  /// The seed of this round, for messages.
  public long seed() {
    return SEED + done;
  }

  public Random random() {
    return new Random(seed());
  }
}
