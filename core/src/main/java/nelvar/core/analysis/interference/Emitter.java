package nelvar.core.analysis.interference;

import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.model.Cable;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;

/// What disturbs: a device whose edges, or whose current as it is switched off, leave it over its
/// wires.
///
/// @param cable of its wires, where they lie in one
/// @param volts height of its edges against the plate, V
/// @param rise of an edge, s
/// @param current that stops or steps in its wires and their way back, A
/// @param steps how long that step takes, s
/// @param outside what its cable gives off although it is shielded, 1 where it is not
/// @param leaves what its edges drive over plate and machine, A
/// @param lays where its wires lie
/// @param back wires that its current goes back through, as far as others may share them
/// @param basis where its edges come from, in words
/// @param unknown what nobody said and is taken as the worst: `length of -WD1`
public record Emitter(
    Device device,
    Kind kind,
    List<Conductor> wires,
    Optional<Cable> cable,
    double volts,
    double rise,
    double current,
    double steps,
    double outside,
    double leaves,
    Lays lays,
    List<Conductor> back,
    String basis,
    List<String> unknown) {
  public Emitter {
    wires = List.copyOf(wires);
    back = List.copyOf(back);
    unknown = List.copyOf(unknown);
  }

  /// Edges by kind, from memory: seconds of an edge, pF/m of its wires to all around.
  public enum Kind {
    /// 2 to 5 kV/µs, 50 to 200 ns.
    DRIVE("drive to its motor", 1e-7),
    /// What a drive gives back into its mains.
    FEED("mains of a drive", 1e-7),
    /// Alternating current itself, with what rectifiers make of it.
    MAINS("mains", 1e-3),
    /// The switching inside a supply, 20 to 100 ns.
    CASE("case of a switching supply", 5e-8),
    /// 0.1 to 1 ms after a spark of a microsecond.
    COIL("coil, switched off", 1e-6),
    BRUSHES("motor with brushes", 1e-7),
    PHASE_CUT("cut waves of the mains", 1e-6),
    /// 4 kV in a nanosecond (IEC 61000-4-2:2008, level 2, from memory).
    HOSE("charge on a hose", 1e-9);

    private final String words;
    private final double rise;

    Kind(String words, double rise) {
      this.words = words;
      this.rise = rise;
    }

    public String words() {
      return words;
    }

    /// s.
    public double rise() {
      return rise;
    }
  }

  /// Of its row: its cable, else its device; of a hose what it lies in.
  public Id id() {
    return hose()
        .map(lies -> lies.bundle().id())
        .orElseGet(() -> cable.map(Cable::id).orElse(device.id()));
  }

  public String label() {
    return hose()
        .map(_ -> "hose")
        .orElseGet(() -> cable.map(c -> c.label().text()).orElse(device.designation().text()));
  }

  private Optional<Lays.Lies> hose() {
    return kind == Kind.HOSE ? lays.in().values().stream().findFirst() : Optional.empty();
  }

  /// Whether its cable has a shield at all.
  public boolean shielded(Study study) {
    return cable.filter(c -> Shielding.of(Optional.of(c), 1, study).there()).isPresent();
  }

  /// What it is there for: `soil auger drive`.
  public String words() {
    return hose()
        .map(lies -> lies.bundle().name())
        .orElseGet(() -> device.purpose().isBlank() ? kind.words() : device.purpose());
  }
}
