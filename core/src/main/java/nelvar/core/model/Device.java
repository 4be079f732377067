package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import nelvar.core.catalogue.Intake;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Output;
import nelvar.core.catalogue.Part;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Texts;
import nelvar.core.units.Voltage;

/// One device of the machine: a part with a label, a purpose and a place.
///
/// @param part id of the catalogue part
/// @param linkage how a motor with two nameplate voltages is linked
/// @param suppression what protects the switch of its coil, where it has one
/// @param trip what its dial is set to: an adjustable overload trip, the current of a drive
/// @param spare terminals left open on purpose
/// @param output what an adjustable supply is set to; its nominal voltage where nothing is said
public record Device(
    Id id,
    Designation designation,
    String purpose,
    String part,
    Place place,
    Optional<Use> use,
    Optional<Linkage> linkage,
    Optional<Suppression> suppression,
    Optional<Current> trip,
    List<String> spare,
    Optional<Voltage> output) {
  public Device {
    if (trip.isPresent() && trip.get().amperes() <= 0)
      throw new ImpossibleQuantity("a dial is set to more than 0 A");
    purpose = Texts.storable("a purpose", purpose);
    spare = spare.stream().map(mark -> Texts.storable("a terminal mark", mark)).toList();
  }

  public static Device of(Id id, String designation, String purpose, String part, Place place) {
    return new Device(
        id,
        new Designation(designation),
        purpose,
        part,
        place,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        List.of(),
        Optional.empty());
  }

  /// How hard it works; full where nothing is said.
  public Use work() {
    return use.orElse(Use.FULL);
  }

  /// How it is linked; star where nothing is said.
  public Linkage windings() {
    return linkage.orElse(Linkage.STAR);
  }

  public Device withDesignation(Designation next) {
    return new Device(
        id, next, purpose, part, place, use, linkage, suppression, trip, spare, output);
  }

  public Device withPurpose(String next) {
    return new Device(
        id, designation, next, part, place, use, linkage, suppression, trip, spare, output);
  }

  public Device withPart(String next) {
    return new Device(
        id, designation, purpose, next, place, use, linkage, suppression, trip, spare, output);
  }

  public Device withUse(Use next) {
    return new Device(
        id,
        designation,
        purpose,
        part,
        place,
        next.equals(Use.FULL) ? Optional.empty() : Optional.of(next),
        linkage,
        suppression,
        trip,
        spare,
        output);
  }

  public Device withLinkage(Linkage next) {
    return new Device(
        id,
        designation,
        purpose,
        part,
        place,
        use,
        Optional.of(next),
        suppression,
        trip,
        spare,
        output);
  }

  public Device withSuppression(Suppression next) {
    return new Device(
        id,
        designation,
        purpose,
        part,
        place,
        use,
        linkage,
        Optional.of(next),
        trip,
        spare,
        output);
  }

  public Device withTrip(Optional<Current> next) {
    return new Device(
        id, designation, purpose, part, place, use, linkage, suppression, next, spare, output);
  }

  public Device withOutput(Optional<Voltage> next) {
    return new Device(
        id, designation, purpose, part, place, use, linkage, suppression, trip, spare, next);
  }

  /// What a chopper drive makes flow in its windings; empty for others, or where it is not known.
  public Optional<Current> setCurrent(Part of) {
    return of.chops() ? trip : Optional.empty();
  }

  /// Where it gives power, at the voltage it is set to.
  public List<Output> outputs(Part of) {
    return of.outputs(output);
  }

  /// Where it takes power, by how it is linked and which of its terminals stay open.
  public List<Intake> intakes(Part of) {
    return of.intakes(windings(), spare);
  }

  public Device withSpare(List<String> next) {
    return new Device(
        id, designation, purpose, part, place, use, linkage, suppression, trip, next, output);
  }
}
