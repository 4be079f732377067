package nelvar.core.analysis.load;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.sizing.VoltageDrop;
import nelvar.core.catalogue.DistributionBlock;
import nelvar.core.model.Conductor;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.network.Edge;
import nelvar.core.network.Feed;
import nelvar.core.network.Source;
import nelvar.core.units.Percent;

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

    /// @param notes short lines below it
    record Through(Device device, String mark, List<String> notes, Source source) implements Hop {
      @Override
      public Id about() {
        return device.id();
      }
    }

    /// Wires in a row that are not looked at one by one.
    record Run(List<Conductor> conductors, List<String> notes, Source source) implements Hop {
      @Override
      public Id about() {
        return conductors.getFirst().id();
      }
    }

    record Wire(Conductor conductor, List<String> notes, Source source) implements Hop {
      @Override
      public Id about() {
        return conductor.id();
      }
    }
  }

  /// Empty where the thing is not known or nothing feeds it.
  public static Optional<PathTo> of(Id subject, Study study) {
    return feed(subject, study)
        .map(feed -> {
          var out = new ArrayList<Hop>();
          lead(feed, study, out, new HashSet<>(), subject);
          out.add(load(feed, study));
          var back = hops(feed.backWay(), feed.source().orElseThrow(), study, true).reversed();
          return new PathTo(
              "From the inlet to " + feed.device().designation() + " and back", out, back);
        });
  }

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
  private static void lead(Feed feed, Study study, List<Hop> hops, HashSet<Id> seen, Id subject) {
    var source = feed.source().orElseThrow();
    if (!seen.add(source.device().id())) return;
    var upstream =
        study.network().feeds(source.device().id()).stream()
            .filter(f -> f.source().isPresent())
            .findFirst();
    upstream.ifPresent(up -> {
      var before = new ArrayList<Hop>();
      lead(up, study, before, seen, subject);
      hops.addAll(shortened(before, study, subject));
    });
    hops.add(start(source, study));
    hops.addAll(hops(feed.lineWays().getFirst(), source, study, false));
  }

  /// Only what guards, cuts or converts stays; the wires between become one run, unless the subject
  /// is among them.
  private static List<Hop> shortened(List<Hop> hops, Study study, Id subject) {
    var kept = new ArrayList<Hop>();
    var run = new ArrayList<Conductor>();
    for (var hop : hops) {
      switch (hop) {
        case Hop.Wire wire when !wire.about().equals(subject) -> run.add(wire.conductor());
        case Hop.Run before -> run.addAll(before.conductors());
        case Hop.Through through when through.mark().isEmpty() && through.notes().isEmpty() -> {}
        case Hop.Through through when through.mark().equals("block") -> {}
        case Hop.Through _, Hop.Wire _ -> {
          if (!run.isEmpty()) kept.add(run(run, hop.source(), study));
          run.clear();
          kept.add(hop);
        }
      }
    }
    if (!run.isEmpty()) kept.add(run(run, hops.getLast().source(), study));
    return kept;
  }

  private static Hop run(List<Conductor> wires, Source source, Study study) {
    var lost =
        wires.stream()
            .flatMap(wire -> VoltageDrop.alone(wire, study).stream())
            .mapToDouble(volts -> volts.volts())
            .sum();
    var count = wires.size() == 1 ? wires.getFirst().label().text() : wires.size() + " wires";
    return new Hop.Run(
        List.copyOf(wires), List.of(count, "lose " + new nelvar.core.units.Voltage(lost)), source);
  }

  private static Hop start(Source source, Study study) {
    var design = study.designCurrent(source);
    var rating = source.output().rating();
    var notes =
        List.of(
            source.output().voltage() + (source.output().lines().size() == 3 ? ", 3 lines" : ""),
            design + " of " + rating);
    return new Hop.Through(source.device(), "", notes, source);
  }

  private static Hop load(Feed feed, Study study) {
    var drop = VoltageDrop.of(feed, study);
    var at =
        drop.found()
            .map(share ->
                feed.voltage().less(feed.voltage().times(share.value().fraction())) + " at it")
            .orElse("drop not known");
    return new Hop.Through(
        feed.device(),
        "",
        List.of(study.designCurrent(feed).toString(), at),
        feed.source().orElseThrow());
  }

  private static List<Hop> hops(List<Integer> way, Source source, Study study, boolean back) {
    var hops = new ArrayList<Hop>();
    for (var edge : way) {
      switch (study.network().topology().edge(edge)) {
        case Edge.Wire(var conductor) -> hops.add(wire(conductor, source, study, back));
        case Edge.Through(var device, var link) -> {
          var mark =
              link.guard()
                  .map(Object::toString)
                  .orElse(
                      switch (link.kind()) {
                        case CONTACT -> "contact";
                        case OUTPUT -> "output";
                        case JOINED, GUARDED, DIODE ->
                            study.part(device).orElse(null) instanceof DistributionBlock
                                ? "block"
                                : "";
                      });
          var last = hops.isEmpty() ? null : hops.getLast();
          if (last instanceof Hop.Through through && through.device().id().equals(device.id()))
            continue;
          hops.add(
              new Hop.Through(device, mark, mark.isEmpty() ? List.of() : List.of(mark), source));
        }
      }
    }
    return hops;
  }

  private static Hop wire(Conductor conductor, Source source, Study study, boolean back) {
    var size =
        conductor.section().map(Object::toString).orElse("no section")
            + study.length(conductor).map(length -> ", " + length).orElse(", no length");
    var lost =
        VoltageDrop.alone(conductor, study)
            .map(volts -> study.designCurrent(conductor) + ", −" + volts)
            .orElse(study.designCurrent(conductor).toString());
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
        sharing > 1 ? List.of(size, lost, "shared by " + sharing) : List.of(size, lost),
        source);
  }

  /// The share of the supply's voltage that is lost on the way, where known.
  public static Optional<Percent> lost(Id subject, Study study) {
    return feed(subject, study)
        .flatMap(feed -> VoltageDrop.of(feed, study).found())
        .map(explained -> explained.value());
  }
}
