package nelvar.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Part;
import nelvar.core.finding.Severity;
import nelvar.core.model.Device;
import nelvar.core.model.MachineFunction;
import nelvar.core.model.Standing;
import nelvar.core.model.edit.FunctionEdits;
import nelvar.core.network.Source;
import nelvar.core.review.Review;

/// Each function with what it is made of, from feed to work, and how it stands.
///
/// Costs are prices of devices, their cables and what protects them alone; heat is the stated loss
/// of devices in the cabinet. What serves the whole machine stands in a row of its own.
public final class Chains {
  /// The order in which a chain is read, by the letter of what stands in it.
  private static final String FROM_FEED_TO_WORK = "XQZFTKAUCMYEHSBRVW";

  private Chains() {}

  /// @param fed whether everything that takes power gets it
  /// @param source where it takes power, for its colour
  public record Link(Device device, String caption, boolean fed, Optional<Source> source) {}

  /// @param function empty for what serves the whole machine
  /// @param standing whether it is to be built, or for later; empty where it is there
  /// @param there whether it is in the machine asked about
  /// @param worst the gravest open finding on anything of it
  public record Row(
      Optional<MachineFunction> function,
      Optional<Standing> standing,
      boolean there,
      List<Link> chain,
      double cost,
      double heat,
      boolean finished,
      Optional<Severity> worst) {
    public Row {
      chain = List.copyOf(chain);
    }

    /// The same row where the machine asked about does not have it: nothing of it counts.
    Row absent() {
      return new Row(function, standing, false, chain, 0, 0, true, Optional.empty());
    }
  }

  /// Of the machine asked about, with the functions of the whole that are not in it, in the order
  /// of the whole.
  public static List<Row> of(Review asked, Review whole) {
    var rows = of(asked);
    if (asked == whole || asked.project().functions().size() == whole.project().functions().size())
      return rows;
    var all = new ArrayList<Row>();
    for (var row : of(whole)) {
      var there =
          rows.stream()
              .filter(r ->
                  r.function()
                      .map(MachineFunction::id)
                      .equals(row.function().map(MachineFunction::id)))
              .findFirst();
      there.ifPresentOrElse(all::add, () -> all.add(row.absent()));
    }
    return all;
  }

  public static List<Row> of(Review review) {
    var study = review.study();
    var project = review.project();
    var worst = new LinkedHashMap<Object, Severity>();
    for (var entry : review.open())
      for (var thing : entry.finding().orElseThrow().subject().things())
        worst.merge(
            thing, entry.finding().orElseThrow().severity(), (a, b) -> a.compareTo(b) <= 0 ? a : b);
    var rows = new ArrayList<Row>();
    for (var function : project.functions())
      rows.add(
          row(Optional.of(function), FunctionEdits.served(project, function.id()), study, worst));
    var others = project.devices().stream().filter(d -> d.serves().isEmpty()).toList();
    if (!others.isEmpty()) rows.add(row(Optional.empty(), others, study, worst));
    return rows;
  }

  private static Row row(
      Optional<MachineFunction> function,
      List<Device> devices,
      Study study,
      java.util.Map<Object, Severity> worst) {
    var all = new LinkedHashSet<Device>();
    if (function.isPresent()) protector(devices, study).ifPresent(all::add);
    devices.stream().sorted(byPlaceInChain(study)).forEach(all::add);
    var links = all.stream().map(device -> link(device, study)).toList();
    var finished = function.isEmpty() || (!devices.isEmpty() && links.stream().allMatch(Link::fed));
    var gravest =
        devices.stream()
            .flatMap(device -> Optional.ofNullable(worst.get(device.id())).stream())
            .min(Comparator.naturalOrder());
    return new Row(
        function,
        function.flatMap(f -> study.project().plan().mark(f.id())),
        true,
        links,
        devices.stream().mapToDouble(device -> cost(device, study)).sum() + cables(devices, study),
        devices.stream().mapToDouble(device -> heat(device, study)).sum(),
        finished,
        gravest);
  }

  private static Comparator<Device> byPlaceInChain(Study study) {
    return Comparator.comparingInt((Device device) -> place(device, study))
        .thenComparing(Device::designation);
  }

  private static int place(Device device, Study study) {
    var stem = study.part(device).map(Part::stem).orElse("-W");
    var at = FROM_FEED_TO_WORK.indexOf(stem.charAt(1));
    return at < 0 ? FROM_FEED_TO_WORK.length() : at;
  }

  /// What protects the feed that takes most of what a function takes.
  private static Optional<Device> protector(List<Device> mine, Study study) {
    return mine.stream()
        .flatMap(device -> study.network().feeds(device.id()).stream())
        .filter(feed -> !feed.lineWays().isEmpty())
        .filter(feed -> study.network().protection(feed.lineWays().getFirst()).isPresent())
        .max(Comparator.comparingDouble(feed -> study.designPower(feed).watts()))
        .flatMap(feed -> study.network().protection(feed.lineWays().getFirst()))
        .map(found -> found.device())
        .filter(device -> !mine.contains(device));
  }

  private static Link link(Device device, Study study) {
    var part = study.part(device);
    var feeds = study.network().feeds(device.id());
    var intakes = part.map(device::intakes).orElse(List.of());
    var fed =
        intakes.isEmpty()
            ? part.map(p -> p.terminals().isEmpty()).orElse(false) || wired(device, study)
            : feeds.stream().allMatch(feed -> feed.source().isPresent()) && !feeds.isEmpty();
    return new Link(
        device,
        part.map(p -> caption(device, p)).orElse("?"),
        fed,
        feeds.stream().flatMap(feed -> feed.source().stream()).findFirst());
  }

  private static boolean wired(Device device, Study study) {
    return !study.at(device.id()).isEmpty();
  }

  private static final Pattern POWER = Pattern.compile("[0-9.,]+ k?W");
  private static final Pattern PHASE = Pattern.compile("[0-9.,]+ A");

  /// What tells it from others: what protects, the power of a motor or drive, the amperes of a
  /// stepper; else what it is for.
  private static String caption(Device device, Part part) {
    if (part.protection().isPresent()) return part.protection().get().toString();
    if (part.motor() || part.drives()) {
      for (var pattern : List.of(POWER, PHASE)) {
        var match = pattern.matcher(part.name());
        if (match.find()) return match.group();
      }
    }
    var purpose = device.purpose();
    return purpose.isEmpty() ? part.name() : purpose;
  }

  private static double cost(Device device, Study study) {
    return study
        .part(device)
        .flatMap(Part::price)
        .map(price -> price.amount().doubleValue())
        .orElse(0.0);
  }

  private static double heat(Device device, Study study) {
    return device.place() == nelvar.core.model.Place.PANEL
        ? study.part(device).flatMap(Part::loss).map(loss -> loss.watts()).orElse(0.0)
        : 0;
  }

  private static double cables(List<Device> devices, Study study) {
    return devices.stream()
        .flatMap(device -> study.at(device.id()).stream())
        .flatMap(wire -> study.cable(wire).stream())
        .distinct()
        .filter(cable -> study.cores(cable.id()).stream().anyMatch(core -> ends(core, devices)))
        .mapToDouble(cable -> price(cable, study))
        .sum();
  }

  private static boolean ends(nelvar.core.model.Conductor core, List<Device> devices) {
    return devices.stream()
        .anyMatch(device ->
            device.place() == nelvar.core.model.Place.MACHINE && core.touches(device.id()));
  }

  private static double price(nelvar.core.model.Cable cable, Study study) {
    return Costs.of(cable.stock(), study.catalogue()).orElse(0.0)
        * study.length(cable).map(length -> length.metres()).orElse(0.0);
  }
}
