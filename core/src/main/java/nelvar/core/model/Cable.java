package nelvar.core.model;

import java.util.Optional;
import nelvar.core.units.Length;

/// A cable with its cores; the conductors that name it are its cores.
///
/// @param stock id of the catalogue cable
/// @param estimated its length was only assumed: where its way is known, that says how long it is
/// @param gland what it enters the cabinet through; the one that fits is proposed where nothing is
///   said
/// @param done whether it is laid and all its cores are landed
public record Cable(
    Id id,
    Designation label,
    String stock,
    Optional<Length> length,
    Optional<Id> bundle,
    Optional<Boolean> estimated,
    Optional<Gland> gland,
    Optional<Boolean> done) {
  public Cable {
    estimated = estimated.filter(yes -> yes && length.isPresent());
    done = done.filter(yes -> yes);
  }

  /// As long as was said.
  public Cable(
      Id id, Designation label, String stock, Optional<Length> length, Optional<Id> bundle) {
    this(id, label, stock, length, bundle, Optional.empty(), Optional.empty(), Optional.empty());
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

  /// As long as somebody says.
  public Cable withLength(Length next) {
    return new Cable(id, label, stock, Optional.of(next), bundle, Optional.empty(), gland, done);
  }

  /// As long as is assumed until its way is known.
  public Cable assumed() {
    return new Cable(id, label, stock, length, bundle, Optional.of(true), gland, done);
  }

  /// As long as its way says.
  public Cable asRouted() {
    return new Cable(id, label, stock, Optional.empty(), bundle, Optional.empty(), gland, done);
  }

  public Cable withBundle(Optional<Id> next) {
    return new Cable(id, label, stock, length, next, estimated, gland, done);
  }

  public Cable withLabel(Designation next) {
    return new Cable(id, next, stock, length, bundle, estimated, gland, done);
  }

  public Cable withStock(String next) {
    return new Cable(
        id, label, next, length, bundle, estimated, gland, done.filter(_ -> stock.equals(next)));
  }

  public Cable withGland(Optional<Gland> next) {
    return new Cable(id, label, stock, length, bundle, estimated, next, done);
  }

  public Cable withDone(boolean next) {
    return new Cable(id, label, stock, length, bundle, estimated, gland, Optional.of(next));
  }
}
