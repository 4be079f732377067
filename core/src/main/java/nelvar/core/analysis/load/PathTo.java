package nelvar.core.analysis.load;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.catalogue.Link;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Live;
import nelvar.core.network.PoleRef;
import nelvar.core.network.Source;
import nelvar.core.units.Current;
import nelvar.core.units.Percent;
import nelvar.core.units.Voltage;

/// The way of the current from the inlet to a thing and back to what feeds it, hop by hop: how this
/// trade talks.
///
/// @param title what the way leads to
/// @param out from the inlet on
/// @param back from the thing to its own source
public record PathTo(String title, List<Hop> out, List<Hop> back) {

  public sealed interface Hop {
    /// The device or conductor.
    Id about();

    Source source();

    /// Short lines below it.
    List<String> notes();

    /// Whether it is live, or current flows in it.
    boolean energised();

    /// @param notes short lines below it
    record Through(Device device, String mark, List<String> notes, Source source, boolean energised)
        implements Hop {
      @Override
      public Id about() {
        return device.id();
      }
    }

    /// Wires in a row that are not looked at one by one.
    record Run(List<Conductor> conductors, List<String> notes, Source source, boolean energised)
        implements Hop {
      @Override
      public Id about() {
        return conductors.getFirst().id();
      }
    }

    record Wire(Conductor conductor, List<String> notes, Source source, boolean energised)
        implements Hop {
      @Override
      public Id about() {
        return conductor.id();
      }
    }
  }

  /// Empty where the thing is not known or nothing feeds it.
  public static Optional<PathTo> of(Id subject, Study study) {
    return of(subject, study, study.asDesigned());
  }

  /// The way with the volts and amperes of one solved state on it.
  public static Optional<PathTo> of(Id subject, Study study, Live live) {
    return feed(subject, study)
        .map(feed -> {
          var out = new ArrayList<Hop>();
          var drawn = new Drawn(study, live);
          lead(feed, drawn, out, new HashSet<>(), subject);
          out.add(load(feed, live));
          var back = hops(feed.backWay(), feed.source().orElseThrow(), drawn, true).reversed();
          return new PathTo(
              "From the inlet to " + feed.device().designation() + " and back", out, back);
        });
  }

  private record Drawn(Study study, Live live) {}

  /// The feed whose way is shown: the subject's own, else the most loaded one whose way leads
  /// through the subject.
  private static Optional<Feed> feed(Id subject, Study study) {
    var own =
        study.network().feeds(subject).stream()
            .filter(feed -> feed.source().isPresent())
            .findFirst();
    if (own.isPresent()) return own;
    return study.network().feeds().stream()
        .filter(feed ->
            feed.source().isPresent()
                && Stream.concat(
                        feed.lineWays().stream().flatMap(List::stream), feed.backWay().stream())
                    .anyMatch(edge -> touches(edge, subject, study)))
        .max(java.util.Comparator.comparingDouble(feed -> study.designCurrent(feed).amperes()));
  }

  private static boolean touches(int edge, Id subject, Study study) {
    return switch (study.network().topology().edge(edge)) {
      case Edge.Wire(var conductor) ->
          conductor.id().equals(subject) || conductor.cable().filter(subject::equals).isPresent();
      case Edge.Through(var device, _) -> device.id().equals(subject);
    };
  }

  /// Everything before the load: first what leads to the converter that feeds it, then the way from
  /// there.
  private static void lead(Feed feed, Drawn drawn, List<Hop> hops, HashSet<Id> seen, Id subject) {
    var source = feed.source().orElseThrow();
    if (!seen.add(source.device().id())) return;
    var upstream =
        drawn.study().network().feeds(source.device().id()).stream()
            .filter(f -> f.source().isPresent())
            .findFirst();
    upstream.ifPresent(up -> {
      var before = new ArrayList<Hop>();
      lead(up, drawn, before, seen, subject);
      hops.addAll(shortened(before, drawn, subject));
    });
    hops.add(start(source, drawn.live()));
    hops.addAll(hops(feed.lineWays().getFirst(), source, drawn, false));
  }

  /// Only what protects, cuts or converts stays; the wires between become one run, unless the
  /// subject is among them.
  private static List<Hop> shortened(List<Hop> hops, Drawn drawn, Id subject) {
    var kept = new ArrayList<Hop>();
    var run = new ArrayList<Conductor>();
    for (var hop : hops) {
      switch (hop) {
        case Hop.Wire wire when !wire.about().equals(subject) -> run.add(wire.conductor());
        case Hop.Run before -> run.addAll(before.conductors());
        case Hop.Through through when through.mark().isEmpty() && through.notes().isEmpty() -> {}
        case Hop.Through through when through.mark().equals("block") -> {}
        case Hop.Through _, Hop.Wire _ -> {
          if (!run.isEmpty()) kept.add(run(run, hop.source(), drawn.live()));
          run.clear();
          kept.add(hop);
        }
      }
    }
    if (!run.isEmpty()) kept.add(run(run, hops.getLast().source(), drawn.live()));
    return kept;
  }

  private static Hop run(List<Conductor> wires, Source source, Live live) {
    var lost =
        wires.stream()
            .flatMap(wire -> live.voltage(wire.from(), wire.to()).stream())
            .mapToDouble(Live.Both::rms)
            .sum();
    var known = wires.stream().allMatch(wire -> live.known(wire.from(), wire.to()));
    var count = wires.size() == 1 ? wires.getFirst().label().text() : wires.size() + " wires";
    return new Hop.Run(
        List.copyOf(wires),
        List.of(count, known ? "lose " + volts(lost) : "not settled"),
        source,
        wires.stream().allMatch(live::energised));
  }

  private static Hop start(Source source, Live live) {
    var output =
        live.outputs().stream()
            .filter(o ->
                o.device().id().equals(source.device().id())
                    && o.output().name().equals(source.output().name()))
            .findFirst();
    var rating = source.output().rating();
    var on = output.map(Live.Output::on).orElse(!live.settled());
    var state =
        output.isEmpty() && !live.settled()
            ? "not settled"
            : output.filter(Live.Output::limited).isPresent()
                ? "at its limit"
                : on ? output.orElseThrow().current() + " of " + rating : "off";
    return new Hop.Through(
        source.device(),
        "",
        List.of(
            source.output().voltage() + (source.output().lines().size() == 3 ? ", 3 lines" : ""),
            state),
        source,
        on);
  }

  private static Hop load(Feed feed, Live live) {
    var at = live.at(feed.device(), feed.intake());
    var watts = live.taken(feed.device(), feed.intake());
    return new Hop.Through(
        feed.device(),
        "",
        List.of(
            at.map(volts ->
                    volts + (live.reversed(feed.device(), feed.intake()) ? ", reversed" : " at it"))
                .orElse("not settled"),
            watts.map(Object::toString).orElse("power not known")),
        feed.source().orElseThrow(),
        at.map(volts -> volts.volts() >= 1).orElse(true));
  }

  private static List<Hop> hops(List<Integer> way, Source source, Drawn drawn, boolean back) {
    var hops = new ArrayList<Hop>();
    for (var edge : way) {
      switch (drawn.study().network().topology().edge(edge)) {
        case Edge.Wire(var conductor) -> hops.add(wire(conductor, source, drawn, back));
        case Edge.Through(var device, var link) -> {
          var last = hops.isEmpty() ? null : hops.getLast();
          if (last instanceof Hop.Through through && through.device().id().equals(device.id()))
            continue;
          hops.add(through(device, link, source, drawn));
        }
      }
    }
    return hops;
  }

  private static Hop through(Device device, Link link, Source source, Drawn drawn) {
    var live = drawn.live();
    var a = new TerminalRef(device.id(), link.a());
    var b = new TerminalRef(device.id(), link.b());
    var mark =
        link.protection()
            .map(Object::toString)
            .orElse(
                switch (link.kind()) {
                  case CONTACT -> "contact";
                  case OUTPUT -> "output";
                  case JOINED, PROTECTIVE, DIODE ->
                      drawn.study().part(device).orElse(null) instanceof DistributionBlock
                          ? "block"
                          : "";
                });
    var notes = new ArrayList<String>();
    if (!mark.isEmpty()) notes.add(mark);
    if ((link.actuator().isPresent() || link.protection().isPresent())
        && !live.closed(new PoleRef(a, b))) notes.add("open");
    return new Hop.Through(device, mark, notes, source, live.live(a) || live.live(b));
  }

  private static Hop wire(Conductor conductor, Source source, Drawn drawn, boolean back) {
    var study = drawn.study();
    var live = drawn.live();
    var size =
        conductor.section().map(Object::toString).orElse("no section")
            + study.length(conductor).map(length -> ", " + length).orElse(", no length");
    var cut = live.trial().cut(conductor.id());
    var found = live.current(conductor.id()).map(Live.Both::rms);
    var current = found.orElse(0.0);
    var flows =
        cut
            ? "cut"
            : found.isEmpty()
                ? "not settled"
                : current < 1e-5
                    ? "0 A"
                    : new Current(current)
                        + live.voltage(conductor.from(), conductor.to())
                            .map(v -> ", −" + volts(v.rms()))
                            .orElse("");
    var sharing =
        back
            ? study.currents().served(source).stream()
                .filter(feed -> study.wires(feed.backWay()).contains(conductor))
                .map(feed -> feed.device().designation().text())
                .distinct()
                .count()
            : 0;
    return new Hop.Wire(
        conductor,
        sharing > 1 ? List.of(size, flows, "shared by " + sharing) : List.of(size, flows),
        source,
        live.energised(conductor));
  }

  /// What is less than a tenth of a millivolt is nothing.
  private static Voltage volts(double volts) {
    return new Voltage(volts < 1e-4 || !Double.isFinite(volts) ? 0 : volts);
  }

  /// The share of the supply's voltage that is lost on the way, where known.
  public static Optional<Percent> lost(Id subject, Study study) {
    return feed(subject, study)
        .flatMap(feed -> VoltageDrop.of(feed, study).found())
        .map(explained -> explained.value());
  }
}
