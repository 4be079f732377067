package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
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
/// @param serves the one machine function it is there for; empty where it serves the whole machine
/// @param connection of an inlet that hangs on the site otherwise than the Brief says of all
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
    Optional<Voltage> output,
    Optional<Connection> connection,
    Optional<Id> serves) {
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
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  /// A device being changed.
  private final class Draft {
    private Designation designation = Device.this.designation;
    private String purpose = Device.this.purpose;
    private String part = Device.this.part;
    private Optional<Use> use = Device.this.use;
    private Optional<Linkage> linkage = Device.this.linkage;
    private Optional<Suppression> suppression = Device.this.suppression;
    private Optional<Current> trip = Device.this.trip;
    private List<String> spare = Device.this.spare;
    private Optional<Voltage> output = Device.this.output;
    private Optional<Connection> connection = Device.this.connection;
    private Optional<Id> serves = Device.this.serves;

    private Device done() {
      return new Device(
          id,
          designation,
          purpose,
          part,
          place,
          use,
          linkage,
          suppression,
          trip,
          spare,
          output,
          connection,
          serves);
    }
  }

  private Device with(Consumer<Draft> change) {
    var draft = new Draft();
    change.accept(draft);
    return draft.done();
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
    return with(d -> d.designation = next);
  }

  public Device withPurpose(String next) {
    return with(d -> d.purpose = next);
  }

  public Device withPart(String next) {
    return with(d -> d.part = next);
  }

  public Device withUse(Use next) {
    return with(d -> d.use = next.equals(Use.FULL) ? Optional.empty() : Optional.of(next));
  }

  public Device withLinkage(Linkage next) {
    return with(d -> d.linkage = Optional.of(next));
  }

  public Device withSuppression(Suppression next) {
    return with(d -> d.suppression = Optional.of(next));
  }

  public Device withTrip(Optional<Current> next) {
    return with(d -> d.trip = next);
  }

  public Device withOutput(Optional<Voltage> next) {
    return with(d -> d.output = next);
  }

  public Device withServes(Optional<Id> next) {
    return with(d -> d.serves = next);
  }

  public Device withSpare(List<String> next) {
    return with(d -> d.spare = next);
  }

  public Device withConnection(Connection next) {
    return with(
        d -> d.connection = next.equals(Connection.USUAL) ? Optional.empty() : Optional.of(next));
  }

  /// How an inlet hangs on the site, besides what the Brief says.
  public Connection connected() {
    return connection.orElse(Connection.USUAL);
  }

  /// What a chopper drive makes flow in its windings; empty for others, or where it is not known.
  public Optional<Current> setCurrent(Part of) {
    return of.chops() ? trip : Optional.empty();
  }

  /// Where it gives power, at the voltage it is set to.
  public List<Output> outputs(Part of) {
    return of.outputs(output);
  }

  /// The same where it is fed with a voltage.
  public List<Output> outputs(Part of, Voltage fed) {
    return of.outputs(output, fed);
  }

  /// Where it takes power, by how it is linked and which of its terminals stay open.
  public List<Intake> intakes(Part of) {
    return of.intakes(windings(), spare);
  }
}
