package nelvar.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.catalogue.Controller;
import nelvar.core.compose.need.ShippedLists;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.edit.Edits;
import nelvar.core.review.Review;
import org.junit.jupiter.api.Test;

/// What nothing reads, what no program switches, and findings that say so.
class ReadByTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();
  private static final Id NEW = new Id("NEW1");

  private static Project conveyor() {
    return ((Drafting.Drawn)
            Drafting.of("x", ShippedLists.text("conveyor-station").orElseThrow(), STANDARD))
        .draft()
        .project();
  }

  private static Project with(String part, Place place, Project project) {
    return Edits.add(Device.of(NEW, "-NEW1", "set down by hand", part, place))
        .on(project, STANDARD);
  }

  private static Review review(Project project) {
    return Review.findingsOnly(project, STANDARD);
  }

  private static Ways.Found connecting(Project project) {
    return Ways.connecting(project.device(NEW).orElseThrow(), review(project), STANDARD);
  }

  /// The input that a terminal is wired to.
  private static List<String> reads(String terminal, Project project) {
    return project.conductors().stream()
        .filter(wire -> wire.touches(NEW))
        .filter(wire ->
            wire.from().terminal().equals(terminal) || wire.to().terminal().equals(terminal))
        .map(wire -> wire.from().device().equals(NEW) ? wire.to() : wire.from())
        .filter(end ->
            STANDARD.find(project.device(end.device()).orElseThrow().part()).orElseThrow()
                instanceof Controller)
        .map(end -> end.terminal())
        .toList();
  }

  /// A sensor that is only set down is fed and read at once; an analogue one on an analogue input.
  @Test
  void aSensorIsFedAndReadInOneStep() {
    for (var project : List.of(conveyor(), Demo.settled()))
      for (var part : List.of("photo-eye-pnp", "inductive-m12-pnp", "transmitter-4-20ma")) {
        var before = with(part, Place.MACHINE, project);
        var found = connecting(before);
        assertThat(found.ways()).as(part + found.refused()).isNotEmpty();
        var after = found.ways().getFirst().edit().on(before, STANDARD);
        assertThat(reads("OUT", after)).as(part).hasSize(1);
        assertThat(review(after).open())
            .noneMatch(e ->
                e.finding().orElseThrow().title().equals("Terminal left open")
                    && e.finding().orElseThrow().subject().concerns(NEW));
      }
  }

  /// Where only the wire that reads it is missing, a core of its own cable that is free takes its
  /// place, and nothing else is laid.
  @Test
  void aMissingSignalWireTakesTheFreeCore() {
    var project = conveyor();
    var eye =
        project.devices().stream()
            .filter(device -> device.part().equals("photo-eye-pnp"))
            .findFirst()
            .orElseThrow();
    var out =
        project.conductors().stream()
            .filter(wire -> wire.touches(eye.id()))
            .filter(
                wire -> wire.from().terminal().equals("OUT") || wire.to().terminal().equals("OUT"))
            .findFirst()
            .orElseThrow();
    var before = Edits.remove(out).on(project, STANDARD);
    var found = Ways.connecting(eye, review(before), STANDARD);
    assertThat(found.ways()).extracting(Way::title).first().isEqualTo("read by an input");
    var after = found.ways().getFirst().edit().on(before, STANDARD);
    assertThat(after.cables()).isEqualTo(project.cables());
    assertThat(after.conductors()).hasSize(project.conductors().size());
    var laid = after.conductors().getLast();
    assertThat(laid.cable()).isEqualTo(out.cable());
    assertThat(laid.colour()).isEqualTo(out.colour());
    // Its review offers the same as the way out of *Terminal left open*.
    var tried = Review.of(before, STANDARD).tried(STANDARD, new WaysAsRepairs(STANDARD));
    var entry =
        tried.open().stream()
            .filter(e -> e.rule().id().equals("completeness.unconnected-terminal"))
            .filter(e -> e.verdict().subject().concerns(eye.id()))
            .findFirst()
            .orElseThrow();
    assertThat(tried.waysOut(entry))
        .extracting(repair -> repair.label())
        .contains(eye.designation() + ": read by an input");
  }

  /// A sinking sensor wants an input that reads 0 V, and there is none: that is said, not wired.
  @Test
  void aSensorOfTheOtherTypeIsRefused() {
    var sinking =
        STANDARD.all().stream()
            .filter(part ->
                part instanceof nelvar.core.catalogue.Sensor sensor
                    && sensor.output() == nelvar.core.catalogue.SensorOutput.NPN)
            .findFirst()
            .orElseThrow();
    var found = connecting(with(sinking.id(), Place.MACHINE, conveyor()));
    assertThat(found.ways()).isEmpty();
    assertThat(found.refused()).anyMatch(why -> why.contains("switches 0 V"));
  }

  @Test
  void aButtonIsReadAndAStopGoesIntoTheChain() {
    var button = with("push-button-1no", Place.DOOR, conveyor());
    var read = connecting(button).ways().getFirst().edit().on(button, STANDARD);
    assertThat(reads("14", read)).hasSize(1);
    var stop = with("stop-button-2nc", Place.MACHINE, conveyor());
    var ways = connecting(stop).ways();
    assertThat(ways.getFirst().title()).startsWith("in both channels of the stop");
    var chained = ways.getFirst().edit().on(stop, STANDARD);
    assertThat(chained.conductors().stream().filter(wire -> wire.touches(NEW))).hasSize(4);
  }

  /// A lamp that is always on gets an output, and its old wires go; in the cabinet too, where as
  /// many are laid as were there.
  @Test
  void whatIsAlwaysOnIsSwitched() {
    switched(Place.MACHINE);
    switched(Place.PANEL);
  }

  private static void switched(Place place) {
    var set = with("lamp-led-24v-10w", place, conveyor());
    var on =
        connecting(set).ways().stream()
            .filter(way -> way.title().startsWith("always on"))
            .findFirst()
            .orElseThrow()
            .edit()
            .on(set, STANDARD);
    var lamp = on.device(NEW).orElseThrow();
    assertThat(Ways.unswitched(lamp, review(on).study())).isTrue();
    var ways = Ways.switching(lamp, review(on), STANDARD).ways();
    assertThat(ways).isNotEmpty();
    for (var way : ways) {
      var after = way.edit().on(on, STANDARD);
      assertThat(Ways.unswitched(lamp, review(after).study())).as(way.title()).isFalse();
      assertThat(review(after).study().network().feeds(NEW))
          .isNotEmpty()
          .allMatch(feed -> feed.source().isPresent());
      assertThat(Effects.between(review(on), review(after)).errors()).isEmpty();
    }
    var valve =
        on.devices().stream().filter(d -> d.part().startsWith("valve")).findFirst().orElseThrow();
    assertThat(Ways.unswitched(valve, review(on).study())).isFalse();
    assertThat(Ways.switching(valve, review(on), STANDARD).ways()).isEmpty();
  }

  /// A stop button that nothing hears is led into the chain by its way out; a supply terminal is
  /// never to be left open on purpose.
  @Test
  void aStopThatNothingHearsHasItsWayOut() {
    var before = with("stop-button-2nc", Place.MACHINE, conveyor());
    var tried = Review.of(before, STANDARD).tried(STANDARD, new WaysAsRepairs(STANDARD));
    var entry =
        tried.open().stream()
            .filter(e -> e.rule().id().equals("stop.read-only"))
            .findFirst()
            .orElseThrow();
    assertThat(tried.waysOut(entry))
        .extracting(repair -> repair.label())
        .contains("-NEW1: in both channels of the stop");
    var bank = with("relay-bank-4-24vdc", Place.PANEL, conveyor());
    var review = Review.of(bank, STANDARD).tried(STANDARD, new WaysAsRepairs(STANDARD));
    var open =
        review.open().stream()
            .filter(e -> e.rule().id().equals("completeness.unconnected-terminal"))
            .filter(e -> e.verdict().subject().concerns(NEW))
            .findFirst()
            .orElseThrow();
    assertThat(review.waysOut(open)).isEmpty();
  }

  /// *Not fed* has its way out, and taking it leaves no error of the device.
  @Test
  void notFedHasItsWayOut() {
    var before = with("valve-24vdc-4w8", Place.MACHINE, conveyor());
    var tried = Review.of(before, STANDARD).tried(STANDARD, new WaysAsRepairs(STANDARD));
    var entry =
        tried.open().stream()
            .filter(e -> e.rule().id().equals("completeness.load-fed"))
            .findFirst()
            .orElseThrow();
    var cures = tried.waysOut(entry);
    assertThat(cures.getFirst().label()).startsWith("-NEW1: switched by a controller output");
    var after = review(cures.getFirst().edit().on(before, STANDARD));
    assertThat(after.open())
        .noneMatch(e ->
            e.verdict().subject().concerns(NEW)
                && e.finding().orElseThrow().severity() == nelvar.core.finding.Severity.ERROR);
  }
}
