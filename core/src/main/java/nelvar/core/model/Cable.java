package nelvar.core.model;

import java.util.Optional;
import java.util.function.Consumer;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;

/// A cable with its cores; the conductors that name it are its cores.
///
/// @param stock id of the catalogue cable
/// @param estimated its length was only assumed: where its way is known, that says how long it is
/// @param gland what it enters the cabinet through; the one that fits is proposed where nothing is
///   said
/// @param done whether it is laid and all its cores are landed
/// @param screen how its shield ends and what it goes through against disturbances; empty where
///   nobody said
public record Cable(
    Id id,
    Designation label,
    String stock,
    Optional<Length> length,
    Optional<Id> bundle,
    Optional<Boolean> estimated,
    Optional<Gland> gland,
    Optional<Boolean> done,
    Optional<Screen> screen) {
  public Cable {
    estimated = estimated.filter(yes -> yes && length.isPresent());
    done = done.filter(yes -> yes);
  }

  /// As long as was said.
  public Cable(
      Id id, Designation label, String stock, Optional<Length> length, Optional<Id> bundle) {
    this(
        id,
        label,
        stock,
        length,
        bundle,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  /// How a shield ends.
  public enum Ending {
    /// Clamped all around, on metal.
    CLAMP("clamped all around"),
    /// Twisted together into a wire, a few centimetres long.
    PIGTAIL("a pigtail"),
    /// Through a capacitor: open to direct current.
    CAPACITOR("through a capacitor"),
    OPEN("open");

    private final String words;

    Ending(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// What is done to a cable against disturbances.
  ///
  /// @param from how its shield ends where its first core begins
  /// @param to how it ends where its first core ends
  /// @param turns it makes through a ferrite core
  public record Screen(Optional<Ending> from, Optional<Ending> to, Optional<Integer> turns) {
    public static final Screen NONE =
        new Screen(Optional.empty(), Optional.empty(), Optional.empty());

    public static final int MOST_TURNS = 10;

    public Screen {
      if (turns.filter(n -> n < 1 || n > MOST_TURNS).isPresent())
        throw new ImpossibleQuantity(
            "a cable makes 1 to %d turns through a core, not %d"
                .formatted(MOST_TURNS, turns.orElseThrow()));
    }

    /// Both ends alike.
    public static Screen both(Ending ending) {
      return new Screen(Optional.of(ending), Optional.of(ending), Optional.empty());
    }

    public Screen withFrom(Optional<Ending> next) {
      return new Screen(next, to, turns);
    }

    public Screen withTo(Optional<Ending> next) {
      return new Screen(from, next, turns);
    }

    public Screen withTurns(Optional<Integer> next) {
      return new Screen(from, to, next);
    }
  }

  /// What was said of its shield and cores; nothing where nobody said anything.
  public Screen screened() {
    return screen.orElse(Screen.NONE);
  }

  /// What a cable enters a housing through: a metric gland by its thread in mm, or one of several
  /// in a frame that opens, so that plugs go through it.
  public enum Gland {
    M12,
    M16,
    M20,
    M25,
    M32,
    M40,
    FRAME;

    /// mm; 0 of a frame.
    public int thread() {
      return this == FRAME ? 0 : Integer.parseInt(name().substring(1));
    }

    public String words() {
      return this == FRAME ? "entry frame" : name();
    }
  }

  /// Whether its length was only assumed.
  public boolean guessed() {
    return estimated.isPresent();
  }

  /// A cable being changed.
  private final class Draft {
    private Designation label = Cable.this.label;
    private String stock = Cable.this.stock;
    private Optional<Length> length = Cable.this.length;
    private Optional<Id> bundle = Cable.this.bundle;
    private Optional<Boolean> estimated = Cable.this.estimated;
    private Optional<Gland> gland = Cable.this.gland;
    private Optional<Boolean> done = Cable.this.done;
    private Optional<Screen> screen = Cable.this.screen;
  }

  private Cable with(Consumer<Draft> change) {
    var d = new Draft();
    change.accept(d);
    return new Cable(
        id, d.label, d.stock, d.length, d.bundle, d.estimated, d.gland, d.done, d.screen);
  }

  /// As long as somebody says.
  public Cable withLength(Length next) {
    return with(d -> {
      d.length = Optional.of(next);
      d.estimated = Optional.empty();
    });
  }

  /// As long as is assumed until its way is known.
  public Cable assumed() {
    return with(d -> d.estimated = Optional.of(true));
  }

  /// As long as its way says.
  public Cable asRouted() {
    return with(d -> {
      d.length = Optional.empty();
      d.estimated = Optional.empty();
    });
  }

  public Cable withBundle(Optional<Id> next) {
    return with(d -> d.bundle = next);
  }

  public Cable withLabel(Designation next) {
    return with(d -> d.label = next);
  }

  public Cable withStock(String next) {
    return with(d -> {
      d.done = done.filter(_ -> stock.equals(next));
      d.stock = next;
    });
  }

  public Cable withGland(Optional<Gland> next) {
    return with(d -> d.gland = next);
  }

  public Cable withDone(boolean next) {
    return with(d -> d.done = Optional.of(next));
  }

  public Cable withScreen(Screen next) {
    return with(d -> d.screen = Optional.of(next).filter(s -> !s.equals(Screen.NONE)));
  }
}
