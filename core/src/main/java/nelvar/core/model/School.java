package nelvar.core.model;

import java.util.List;
import java.util.Optional;
import nelvar.core.model.Brief.Sizing;
import nelvar.core.units.ImpossibleQuantity;

/// A question on which practitioners disagree, with what each side says for itself. The project's
/// policies hold the answers; a working that depends on one names it.
///
/// @param id never changes: files hold it
/// @param options the metric school's usual answer first
/// @param american the North American school's usual answer
/// @param only the sizing school it matters to; empty where to both
public record School(
    String id, String question, List<Option> options, String american, Optional<Sizing> only) {

  /// @param words as a working names it
  /// @param argument who says so and why
  public record Option(String id, String words, String argument) {}

  public static final School AMBIENT_BASE =
      new School(
          "ambient-base",
          "Reference air of the ampacity tables",
          List.of(
              new Option(
                  "forty",
                  "base 40 °C",
                  "IEC 60204-1: machines stand in warm halls, so the table itself is for 40 °C."),
              new Option(
                  "thirty",
                  "base 30 °C",
                  "IEC 60364: buildings; the same copper, corrected from 30 °C. The two tables agree; they must never be mixed.")),
          "thirty",
          Optional.of(Sizing.METRIC));

  public static final School WIRE_INSULATION =
      new School(
          "wire-insulation",
          "Insulation of the wires",
          List.of(
              new Option(
                  "pvc",
                  "PVC, 70 °C",
                  "The usual panel wire; devices and terminals are tested with the current it carries."),
              new Option(
                  "xlpe",
                  "cross-linked, 90 °C",
                  "Halogen-free panel wire carries more and survives more; it runs hotter, and so must every terminal on it.")),
          "pvc",
          Optional.of(Sizing.METRIC));

  public static final School INSULATION_RATING =
      new School(
          "insulation-rating",
          "Rating of the wires' insulation",
          List.of(
              new Option(
                  "c90",
                  "insulation 90 °C",
                  "The usual machine tool wire: correction begins at its column."),
              new Option("c75", "insulation 75 °C", "Where some wires are of the older kind."),
              new Option("c60", "insulation 60 °C", "Where nothing is marked.")),
          "c90",
          Optional.of(Sizing.NORTH_AMERICAN));

  public static final School TERMINAL_RATING =
      new School(
          "terminal-rating",
          "Rating of the terminals",
          List.of(
              new Option(
                  "c60",
                  "terminals 60 °C",
                  "The code's own answer up to 100 A where a device is not marked."),
              new Option(
                  "c75",
                  "terminals 75 °C",
                  "Most industrial devices are marked so; every end of the wire must be.")),
          "c60",
          Optional.of(Sizing.NORTH_AMERICAN));

  public static final School PANEL_GROUPING =
      new School(
          "panel-grouping",
          "Wires that lie together in the panel",
          List.of(
              new Option(
                  "counted",
                  "grouping counted in the panel",
                  "IEC: assumes that all circuits of a duct are loaded at once."),
              new Option(
                  "not-counted",
                  "no grouping in the panel",
                  "North American practice: panel loads are diverse; up to 30 current-carrying conductors in a metal wireway need no adjustment.")),
          "not-counted",
          Optional.empty());

  public static final School FUSE_MELTING =
      new School(
          "fuse-melting",
          "Current that surely melts a gG fuse in time",
          List.of(
              new Option(
                  "gates",
                  "by the gates of the standard",
                  "Any fuse to the standard keeps them; the safe side."),
              new Option(
                  "curve",
                  "by the published curve",
                  "British practice reads the curve at 0.4 s; lower, for fuses that keep to it.")),
          "gates",
          Optional.of(Sizing.METRIC));

  public static final School FAULT_VOLTAGE =
      new School(
          "fault-voltage",
          "Loop impedance in a fault",
          List.of(
              new Option(
                  "cmin",
                  "0.95 · U0, wires hot",
                  "IEC 60909 and British practice: least voltage, conductors at their working temperature."),
              new Option(
                  "two-thirds",
                  "2/3 · U0, wires cold",
                  "IEC 60364-6: a cold loop may reach two thirds of U0/Ia; the rest covers the warming."),
              new Option("plain", "U0, wires hot", "IEC 60364-4-41 as written: Zs · Ia ≤ U0.")),
          "cmin",
          Optional.empty());

  public static final School PROTECTIVE_CONDUCTOR =
      new School(
          "protective-conductor",
          "Size of protective conductors",
          List.of(
              new Option(
                  "by-section",
                  "by the line's section",
                  "IEC: touch voltage and time ask for a low loop impedance."),
              new Option(
                  "by-device",
                  "by the device's rating",
                  "NEC: enough copper to open the device; metal raceways help.")),
          "by-device",
          Optional.empty());

  public static final School SMALL_BREAKER =
      new School(
          "small-breaker",
          "What a miniature circuit-breaker counts for",
          List.of(
              new Option(
                  "branch",
                  "breaker protects a branch",
                  "IEC 60898 and 60947-2: a miniature breaker protects a branch."),
              new Option(
                  "marked",
                  "only a breaker marked for it protects a branch",
                  "UL 489 breakers and listed fuses protect branches; UL 1077 protectors are supplementary, behind one of them.")),
          "marked",
          Optional.empty());

  public static final School CONTINUOUS_LOAD =
      new School(
          "continuous-load",
          "Loads that stay on for hours",
          List.of(
              new Option("as-is", "at their current", "IEC: ratings hold for ever."),
              new Option(
                  "plus-25",
                  "at 125 % of their current",
                  "NEC: devices and wires for loads of 3 h and more have a quarter to spare.")),
          "plus-25",
          Optional.empty());

  public static final School SINGLE_PHASE_DRIVE =
      new School(
          "single-phase-drive",
          "A three-phase drive on single-phase mains",
          List.of(
              new Option(
                  "half",
                  "half of its rating",
                  "Its capacitors and diodes carry twice the current at the poorer power factor. Where the maker gives a figure it is taken in every school."),
              new Option("sqrt3", "its rating by √3", "Equal power at equal power factor."),
              new Option(
                  "maker",
                  "only by its maker's figure",
                  "Many drives trip on a missing phase or on bus ripple: without the maker's word no figure holds.")),
          "half",
          Optional.empty());

  public static final School DIRECT_TRIP =
      new School(
          "direct-trip",
          "Magnetic trips of a.c. breakers on direct current",
          List.of(
              new Option("1.4", "1.4 times the band", "The trip follows the peak: √2."),
              new Option(
                  "1.5",
                  "1.5 times the band",
                  "Some data sheets; take it where nothing else is known.")),
          "1.4",
          Optional.empty());

  public static final School RESIDUAL_DEVICE =
      new School(
          "residual-device",
          "Residual-current device before a fixed machine",
          List.of(
              new Option(
                  "none",
                  "none in TN",
                  "Automatic disconnection by overcurrent is proven instead; drives leak too much for 30 mA."),
              new Option(
                  "type-b",
                  "300 mA, type B",
                  "Against fire and for indirect contact as well; smooth direct current from drives asks for type B.")),
          "none",
          Optional.empty());

  public static final School WIRE_SLACK =
      new School(
          "wire-slack",
          "How much longer a wire is cut than its way",
          List.of(
              new Option(
                  "usual",
                  "10 % and 100 mm at each end",
                  "Wires lie loosely in ducts, and each end can be cut back and landed once more."),
              new Option(
                  "short",
                  "5 % and 50 mm at each end",
                  "Less copper in the ducts, and less that couples; there is no second try.")),
          "usual",
          Optional.empty());

  public static final School DUCT_FILL =
      new School(
          "duct-fill",
          "How full a duct may be",
          List.of(
              new Option(
                  "sixty",
                  "60 % of the duct",
                  "European panel practice: the lid closes, and one more wire goes in later."),
              new Option(
                  "half",
                  "50 % of the duct",
                  "North American panel practice for ducts and wireways of machines."),
              new Option(
                  "fifth",
                  "20 % of the wireway",
                  "The building code's rule for metal wireways, where the panel counts as one.")),
          "half",
          Optional.empty());

  public static final School WIRE_COLOURS =
      new School(
          "wire-colours",
          "What the colours of wires say",
          List.of(
              new Option(
                  "function",
                  "by function",
                  "IEC 60204-1 and NFPA 79: whoever opens the cabinet sees mains, control and neutral by their colours."),
              new Option(
                  "own",
                  "own colours, safety ones by the standard",
                  "Small machines and wired looms: colours tell one wire from another; only protective and neutral ones are bound.")),
          "function",
          Optional.empty());

  public static final School WIRE_NUMBERS =
      new School(
          "wire-numbers",
          "What is written on the ends of wires",
          List.of(
              new Option(
                  "wire",
                  "each wire its own number",
                  "A number is one wire from end to end: whoever pulls it finds both ends."),
              new Option(
                  "potential",
                  "one number for all wires that are joined",
                  "A number is one potential: whoever measures knows what to expect, wherever it is met."),
              new Option(
                  "ends",
                  "where it lands and where it comes from",
                  "Landed without papers, and landed again after a repair.")),
          "wire",
          Optional.empty());

  public static final School SHIELD_ENDS =
      new School(
          "shield-ends",
          "Where shields of signal cables are joined to earth",
          List.of(
              new Option(
                  "both",
                  "shields at both ends",
                  "Makers of drives and IEC 61000-5-2: above some kilohertz only a shield that can carry current keeps fields out; encoders, pulses and data need it."),
              new Option(
                  "one",
                  "shields of values at one end, in the cabinet",
                  "Measuring practice: slow values need no more, and no current of another earth flows in their shield. Drives, pulses and data still take both ends."),
              new Option(
                  "hybrid",
                  "shields of values at one end, through a capacitor at the other",
                  "Open to direct current and mains, closed to fast edges; one more part that can come loose.")),
          "both",
          Optional.empty());

  public static final School EARTHING_SYSTEM =
      new School(
          "earthing-system",
          "How plate, machine and shields are earthed",
          List.of(
              new Option(
                  "mesh",
                  "earthed as a mesh",
                  "IEC 60364-4-44 and makers of drives: bare plate, frame and door joined over their area; at a megahertz only area counts."),
              new Option(
                  "star",
                  "earthed at a single point",
                  "Audio and measuring practice: no way back is shared, so nothing lifts another; each wire is a choke to fast edges.")),
          "mesh",
          Optional.empty());

  public static final School STOP_CHAIN =
      new School(
          "stop-chain",
          "What a stop acts on",
          List.of(
              new Option(
                  "two-channel",
                  "stop over a safety relay and two contactors",
                  "Industrial practice and ISO 13849-1: no single fault keeps the machine running, and the reset tells of one."),
              new Option(
                  "contactor",
                  "stop over one contactor that holds itself",
                  "Workshop practice: few parts, and a mains that comes back starts nothing. If it welds, nothing stops, and nothing tells."),
              new Option(
                  "torque-off",
                  "stop by torque inputs of drives, contactors for the rest",
                  "Makers of drives and IEC 61800-5-2: no contacts that wear, and the drive is ready at once. It stays live: that is no isolation."),
              new Option(
                  "output",
                  "stop only by an output of the controller",
                  "Hobby practice, and cheap: no emergency stop. If the program hangs, nothing stops.")),
          "two-channel",
          Optional.empty());

  public static final School STOP_CATEGORY =
      new School(
          "stop-category",
          "How a stop takes power",
          List.of(
              new Option(
                  "zero",
                  "stop of category 0, power goes at once",
                  "IEC 60204-1: nothing in between can fail. What turns coasts, what hangs needs a brake that closes in time."),
              new Option(
                  "one",
                  "stop of category 1, drives slow down and then power goes",
                  "IEC 60204-1: stands sooner where the drive still brakes; the power goes 1 s later whatever the drive does. Category 2 keeps power on: a program may stop so, an emergency stop may not.")),
          "zero",
          Optional.empty());

  /// In the order they are shown.
  public static final List<School> ALL =
      List.of(
          AMBIENT_BASE,
          WIRE_INSULATION,
          INSULATION_RATING,
          TERMINAL_RATING,
          PANEL_GROUPING,
          WIRE_SLACK,
          DUCT_FILL,
          WIRE_COLOURS,
          WIRE_NUMBERS,
          STOP_CHAIN,
          STOP_CATEGORY,
          SHIELD_ENDS,
          EARTHING_SYSTEM,
          CONTINUOUS_LOAD,
          SMALL_BREAKER,
          DIRECT_TRIP,
          FUSE_MELTING,
          FAULT_VOLTAGE,
          RESIDUAL_DEVICE,
          PROTECTIVE_CONDUCTOR,
          SINGLE_PHASE_DRIVE);

  public School {
    options = List.copyOf(options);
  }

  /// What a project of this sizing school answers where nothing else was chosen.
  public Option usual(Sizing sizing) {
    return sizing == Sizing.NORTH_AMERICAN ? option(american) : options.getFirst();
  }

  public boolean mattersTo(Sizing sizing) {
    return only.map(sizing::equals).orElse(true);
  }

  Option option(String optionId) {
    return options.stream()
        .filter(option -> option.id().equals(optionId))
        .findFirst()
        .orElseThrow(() ->
            new ImpossibleQuantity(
                "'%s' has no answer '%s': write %s"
                    .formatted(
                        id,
                        optionId,
                        String.join(", ", options.stream().map(Option::id).toList()))));
  }

  static School named(String id) {
    return ALL.stream()
        .filter(school -> school.id().equals(id))
        .findFirst()
        .orElseThrow(() ->
            new ImpossibleQuantity(
                "there is no question '%s': write one of %s"
                    .formatted(id, String.join(", ", ALL.stream().map(School::id).toList()))));
  }

  /// An answer that differs from the usual one.
  public record Choice(String school, String option) {
    public Choice {
      named(school).option(option);
    }
  }
}
