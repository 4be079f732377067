package nelvar.core.compose.need;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.model.Brief;
import nelvar.core.model.Designation;
import nelvar.core.model.Id;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.MachinePlace;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.model.edit.NextName;
import nelvar.core.sample.NewProject;
import nelvar.core.units.Current;
import nelvar.core.units.Frequency;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Kind;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Reading;
import nelvar.core.units.Resistance;
import nelvar.core.units.Temperature;

/// A machine as a list: one function a line as one would type it, and lines that say what it is fed
/// from. What is not said is assumed, and told.
///
/// ```
/// machine tile polisher
/// mains 3x400 V 50 Hz TN-S
/// school metric            (or: north american)
/// stop by contactor        (or: safety relay, torque inputs, output of the controller)
/// stop category 1          (or: 0)
/// ambient 40 °C
/// upstream 16 A
/// place gantry 8 m         (as far as its cables go; 5 m where nothing is said)
/// impedance 0.4 Ω          (at the inlet; or: short circuit 6 kA)
/// # a remark
/// 3 axes stepper 4.2 A
/// ```
public final class DraftList {
  private static final Pattern SETTING =
      Pattern.compile(
          "(machine|place|mains|school|stop by|stop category|ambient|upstream|impedance|short[ -]circuit)\\s+(.+)",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern HERTZ =
      Pattern.compile("([0-9]+(?:[.,][0-9]+)?)\\s*Hz", Pattern.CASE_INSENSITIVE);
  private static final Pattern EARTHING =
      Pattern.compile("(?<![A-Z])(TN-S|TN-C-S|TT|IT)(?![A-Z-])", Pattern.CASE_INSENSITIVE);
  private static final Pattern FAR = Pattern.compile("(\\p{L}[\\p{L} -]{0,40}?)\\s+([0-9].*)");
  private static final int MOST_LINES = 500;

  /// A line that cannot be read, or cannot be met, and why.
  ///
  /// @param line 0 where it is about no single line
  public record Problem(int line, String text, String why) {
    @Override
    public String toString() {
      return line == 0 ? text + ": " + why : "line %d, '%s': %s".formatted(line, text, why);
    }
  }

  private final List<Problem> problems = new ArrayList<>();
  private final List<Line> needs = new ArrayList<>();
  private final List<MachinePlace> places = new ArrayList<>();
  private String name = "";
  private Optional<MainsVoltage> mains = Optional.empty();
  private Optional<Frequency> frequency = Optional.empty();
  private Optional<Brief.Earthing> earthing = Optional.empty();
  private Optional<Brief.Sizing> school = Optional.empty();
  private Optional<Temperature> ambient = Optional.empty();
  private Optional<Current> upstream = Optional.empty();
  private Optional<Resistance> impedance = Optional.empty();
  private Optional<Current> shortCircuit = Optional.empty();
  private final Map<School, String> answers = new LinkedHashMap<>();

  private record Line(int number, String text, Need need) {}

  private DraftList() {}

  /// What a list says: functions and Brief in a project, or what is wrong with which lines.
  ///
  /// @param lines by function, the line it came from
  public record Machine(
      Project project,
      boolean upstreamStated,
      List<String> assumptions,
      List<Problem> problems,
      java.util.Map<Id, Problem> lines) {}

  /// @param title the machine's name where the list has none
  public static Machine read(String title, String text) {
    var list = new DraftList();
    var lines = text.lines().toList();
    if (lines.size() > MOST_LINES)
      list.problems.add(
          new Problem(MOST_LINES + 1, "", "a list has at most %d lines".formatted(MOST_LINES)));
    else for (var n = 0; n < lines.size(); n++) list.line(n + 1, lines.get(n).strip());
    return list.machine(title);
  }

  private void line(int number, String text) {
    if (text.isEmpty() || text.startsWith("#")) return;
    var setting = SETTING.matcher(text);
    try {
      if (setting.matches()) {
        set(group(setting, 1), group(setting, 2).strip());
        return;
      }
    } catch (ImpossibleQuantity impossible) {
      problems.add(new Problem(number, text, String.valueOf(impossible.getMessage())));
      return;
    }
    switch (NeedReader.read(text)) {
      case Reading.Misread<Need>(var why) -> problems.add(new Problem(number, text, why));
      case Reading.Value<Need>(var need) -> {
        if (need.unread().isEmpty()) needs.add(new Line(number, text, need));
        else
          problems.add(
              new Problem(number, text, "not understood: " + String.join(", ", need.unread())));
      }
    }
  }

  private static String group(java.util.regex.Matcher match, int number) {
    return Objects.requireNonNull(match.group(number));
  }

  private void set(String word, String value) {
    switch (word.toLowerCase(Locale.ROOT).replace('-', ' ')) {
      case "machine" -> name = value;
      case "place" -> place(value);
      case "mains" -> mains(value);
      case "school" -> school = Optional.of(school(value));
      case "stop by" ->
          answer(
              School.STOP_CHAIN,
              value,
              Map.of(
                  "safety relay", "two-channel",
                  "contactor", "contactor",
                  "torque inputs", "torque-off",
                  "output of the controller", "output"));
      case "stop category" -> answer(School.STOP_CATEGORY, value, Map.of("0", "zero", "1", "one"));
      case "ambient" -> ambient = Optional.of(Kind.TEMPERATURE.read(value).orThrow());
      case "upstream" -> upstream = Optional.of(Kind.CURRENT.read(value).orThrow());
      case "impedance" -> impedance = Optional.of(Kind.RESISTANCE.read(value).orThrow());
      default -> shortCircuit = Optional.of(Kind.CURRENT.readStrict(value).orThrow());
    }
  }

  /// `gantry 8 m`
  private void place(String value) {
    var match = FAR.matcher(value);
    if (!match.matches())
      throw new ImpossibleQuantity(
          "'" + value + "' is not a place and how far it is: write place gantry 8 m");
    places.add(
        new MachinePlace(
            group(match, 1).replaceFirst("(?i)^the\\s+", ""),
            Kind.LENGTH.readStrict(group(match, 2)).orThrow()));
  }

  private void mains(String value) {
    var rest = value;
    var hertz = HERTZ.matcher(rest);
    if (hertz.find()) {
      frequency = Optional.of(Kind.FREQUENCY.readStrict(hertz.group()).orThrow());
      rest = rest.replace(hertz.group(), " ");
    }
    var earth = EARTHING.matcher(rest);
    if (earth.find()) {
      earthing =
          Optional.of(
              Brief.Earthing.valueOf(earth.group().toUpperCase(Locale.ROOT).replace('-', '_')));
      rest = rest.replace(earth.group(), " ");
    }
    mains = Optional.of(MainsVoltage.read(rest.strip()).orThrow());
  }

  private void answer(School question, String value, Map<String, String> words) {
    var option = words.get(value.strip().toLowerCase(Locale.ROOT));
    if (option == null)
      throw new ImpossibleQuantity(
          "'%s' is no answer here: write %s"
              .formatted(value, String.join(", ", words.keySet().stream().sorted().toList())));
    answers.put(question, option);
  }

  private static Brief.Sizing school(String value) {
    var plain = value.toLowerCase(Locale.ROOT).replace('-', ' ');
    if (plain.equals("metric")) return Brief.Sizing.METRIC;
    if (plain.equals("north american") || plain.equals("american"))
      return Brief.Sizing.NORTH_AMERICAN;
    throw new ImpossibleQuantity("'" + value + "' is no school: write metric or north american");
  }

  private Machine machine(String title) {
    var assumptions = new ArrayList<String>();
    var brief = brief(assumptions);
    var project = Project.empty(name.isEmpty() ? title : name, "", brief);
    project = project.with(project.plan().withPlaces(places));
    var lines = new java.util.LinkedHashMap<Id, Problem>();
    var taken = new java.util.HashSet<String>();
    for (var line : needs)
      line.need()
          .designation()
          .ifPresent(d -> {
            if (!taken.add(d.text()))
              problems.add(new Problem(line.number(), line.text(), d + " stands twice"));
          });
    if (!problems.isEmpty()) return new Machine(project, false, assumptions, problems, lines);
    for (var line : needs) {
      var need = line.need();
      var designation = need.designation().orElseGet(() -> free(need, taken));
      taken.add(designation.text());
      var id = NextName.id(project, designation.text());
      lines.put(id, new Problem(line.number(), line.text(), ""));
      project =
          FunctionEdits.add(
                  new MachineFunction(id, designation, need.name(), need.kind(), need.wants()))
              .apply(project);
    }
    return new Machine(project, upstream.isPresent(), assumptions, List.of(), lines);
  }

  private static Designation free(Need need, java.util.Set<String> taken) {
    for (var n = 1; ; n++) {
      var wish = "=" + need.kind().letters() + n;
      if (!taken.contains(wish)) return new Designation(wish);
    }
  }

  private Brief brief(List<String> assumptions) {
    var usual = NewProject.usualBrief();
    var sizing =
        school.orElseGet(() ->
            mains.filter(DraftList::american).isPresent()
                ? Brief.Sizing.NORTH_AMERICAN
                : Brief.Sizing.METRIC);
    var american = sizing == Brief.Sizing.NORTH_AMERICAN;
    var voltage =
        mains.orElseGet(() -> MainsVoltage.read(american ? "120/240 V" : "3x400 V").orThrow());
    var hertz = frequency.orElse(new Frequency(american ? 60 : 50));
    var earth = earthing.orElse(american ? Brief.Earthing.TN_C_S : Brief.Earthing.TN_S);
    if (mains.isEmpty()) assumptions.add("Mains assumed: %s.".formatted(voltage));
    if (frequency.isEmpty() || earthing.isEmpty())
      assumptions.add("Mains assumed to be of %s, %s.".formatted(hertz, earth.words()));
    if (school.isEmpty()) assumptions.add("School assumed: %s.".formatted(sizing.words()));
    var greatest = ambient.orElse(usual.surroundings().greatest());
    if (ambient.isEmpty()) assumptions.add("Ambient assumed: up to %s.".formatted(greatest));
    if (impedance.isEmpty() && shortCircuit.isEmpty())
      assumptions.add(
          "Neither impedance nor short-circuit current at the inlet is known: ask the site before ordering.");
    var inside =
        new Temperature(Math.max(usual.surroundings().inside().celsius(), greatest.celsius() + 5));
    // A machine in the cold: its lowest ambient is no higher than its highest.
    var least =
        new Temperature(Math.min(usual.surroundings().least().celsius(), greatest.celsius()));
    return new Brief(
        new Brief.Supply(
            voltage,
            hertz,
            earth,
            upstream.orElse(usual.supply().upstream()),
            impedance,
            shortCircuit),
        new Brief.Surroundings(least, greatest, inside, new Length(200), ""),
        policies(usual.policies(), sizing));
  }

  private Brief.Policies policies(Brief.Policies usual, Brief.Sizing sizing) {
    return new Brief.Policies(
        sizing,
        usual.protection(),
        usual.fuses(),
        usual.headroom(),
        usual.drop(),
        sizing == Brief.Sizing.NORTH_AMERICAN ? "USD" : usual.currency(),
        answers.entrySet().stream()
            .filter(answer -> !answer.getKey().usual(sizing).id().equals(answer.getValue()))
            .map(answer -> new School.Choice(answer.getKey().id(), answer.getValue()))
            .toList());
  }

  private static boolean american(MainsVoltage voltage) {
    var volts = voltage.between().volts();
    return voltage.phases() == MainsVoltage.Phases.SPLIT
        || List.of(115.0, 120.0, 208.0, 240.0, 460.0, 480.0).contains(volts);
  }
}
