package nelvar.documents.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.stop.Course;
import nelvar.core.analysis.stop.Scenario;
import nelvar.core.analysis.stop.StopRehearsal;
import nelvar.core.model.Id;
import nelvar.core.network.Event;
import nelvar.core.network.Timeline;
import nelvar.core.units.Duration;

/// A rehearsal over time: one lane for each thing that switches, moves, brakes, acts, heats, is
/// charged or commands, from when something is done until nothing happens any more.
///
/// Time is drawn the longer the closer to the first act: milliseconds and minutes stand on one
/// line.
public final class StopPicture {
  private static final double NAMES = 176;
  private static final double ENDS = 236;
  private static final double TOP = 46;
  private static final double BAR = 20;
  private static final double LINE = 14;

  /// Below this, time is drawn evenly, s.
  private static final double EVEN = 0.004;

  private static final List<Double> MARKS = List.of(0.01, 0.1, 1.0, 10.0, 60.0, 600.0);

  private final Study study;
  private final StopRehearsal rehearsal;
  private final List<Course> lanes;
  private final Optional<Id> chosen;
  private final double width;
  private final double end;
  private final List<Shape> shapes = new ArrayList<>();
  private final List<Drawing.Spot> spots = new ArrayList<>();

  private StopPicture(
      StopRehearsal rehearsal, List<Course> lanes, Study study, double width, Optional<Id> chosen) {
    this.rehearsal = rehearsal;
    this.lanes = lanes;
    this.study = study;
    this.chosen = chosen;
    this.width = Math.max(560, width);
    this.end = end();
  }

  /// @param chosen the device whose lane is marked
  public static Drawing of(
      StopRehearsal rehearsal, List<Course> lanes, Study study, double width, Optional<Id> chosen) {
    return new StopPicture(rehearsal, lanes, study, width, chosen).draw();
  }

  /// Somewhat after the last thing that ends.
  private double end() {
    var last = 0.2;
    for (var lane : lanes)
      for (var phase : lane.phases()) last = Math.max(last, phase.from().seconds());
    for (var moment : rehearsal.slow().moments()) last = Math.max(last, moment.at().seconds());
    return last * 1.6;
  }

  private double x(double seconds) {
    var room = width - NAMES - ENDS;
    return NAMES + room * Math.log1p(seconds / EVEN) / Math.log1p(end / EVEN);
  }

  private Drawing draw() {
    var y = TOP;
    var rows = new ArrayList<Double>();
    for (var lane : lanes) {
      rows.add(y);
      y += Math.max(2 * LINE + 10, LINE * ends(lane).size() + 8);
    }
    scale(y);
    for (var i = 0; i < lanes.size(); i++) {
      var high = (i + 1 < lanes.size() ? rows.get(i + 1) : y) - rows.get(i);
      lane(lanes.get(i), rows.get(i), high);
    }
    legend(y + 18);
    return new Drawing(width, y + 46, shapes, spots);
  }

  private static List<String> ends(Course lane) {
    return Faces.wrap(lane.ends(), Face.TEXT, 12, ENDS - 14);
  }

  private void scale(double bottom) {
    for (var mark : MARKS) {
      if (mark > end) break;
      shapes.add(Shape.line(x(mark), TOP - 10, x(mark), bottom, Shape.Pen.of(Ink.LINE, 1)));
      label(x(mark), TOP - 16, new Duration(mark).toString(), Ink.TEXT_SOFT, Shape.Anchor.MIDDLE);
    }
    var free = 0.0;
    for (var moment : rehearsal.slow().moments()) {
      var done = done(moment);
      if (done.isEmpty()) continue;
      var at = x(moment.at().seconds());
      shapes.add(Shape.line(at, TOP - 10, at, bottom, Shape.Pen.of(Ink.ACCENT, 1.5)));
      if (done.get().endsWith(Scenario.SPRINGS_BACK)) continue;
      var words = Faces.fit(done.get(), Face.TEXT, 12, 160);
      var wide = Faces.width(words, Face.TEXT, 12);
      var start = Math.max(Math.min(at - 2, width - wide), free);
      shapes.add(Shape.text(start, 14, words, Face.TEXT, 12, Ink.ACCENT));
      free = start + wide + 12;
    }
  }

  private static Optional<String> done(Timeline.Moment moment) {
    return moment.events().stream()
        .filter(Event.Done.class::isInstance)
        .map(event -> ((Event.Done) event).what())
        .findFirst();
  }

  private void lane(Course lane, double y, double high) {
    var id = lane.devices().getFirst().id();
    if (chosen.filter(id::equals).isPresent())
      shapes.add(
          Shape.rounded(
              0, y - 3, width, high - 2, 4, Optional.of(Ink.ACCENT_SOFT), Optional.empty()));
    shapes.add(
        Shape.text(
            4,
            y + 11,
            Faces.fit(lane.names(), Face.MONO_BOLD, 13, NAMES - 12),
            Face.MONO_BOLD,
            13,
            Ink.TEXT));
    shapes.add(
        Shape.text(
            4,
            y + 26,
            Faces.fit(lane.what(), Face.TEXT, 12, NAMES - 12),
            Face.TEXT,
            12,
            Ink.TEXT_SOFT));
    for (var phase : lane.phases()) phase(lane, phase, y + 4);
    var line = y + 12;
    for (var words : ends(lane)) {
      shapes.add(
          Shape.text(
              width - ENDS + 10,
              line,
              words,
              Face.TEXT,
              12,
              alarming(lane) ? Ink.ERROR : Ink.TEXT));
      line += LINE;
    }
    spots.add(
        new Drawing.Spot(
            0, y - 3, width, high - 2, id, lane.names() + " " + lane.what() + ": " + lane.ends()));
  }

  private static boolean alarming(Course lane) {
    return lane.last() == Course.State.FALLING;
  }

  private void phase(Course lane, Course.Phase phase, double y) {
    var from = x(phase.from().seconds());
    var to = phase.to().map(t -> x(t.seconds())).orElse(width - ENDS);
    var wide = Math.max(2, to - from);
    var own = ink(lane);
    switch (phase.state()) {
      case ENERGISED -> bar(from, y, wide, own.soft(), own, 0);
      case CARRIED, RAMPING -> bar(from, y, wide, own.soft(), own, 3);
      case COASTING -> bar(from, y, wide, Ink.CARD, own, 3);
      case FALLING ->
          bar(
              from,
              y,
              wide,
              phase.to().isPresent() ? Ink.WARNING_SOFT : Ink.ERROR_SOFT,
              phase.to().isPresent() ? Ink.WARNING : Ink.ERROR,
              3);
      case CHARGED -> bar(from, y, wide, Ink.WARNING_SOFT, Ink.WARNING, 3);
      case HELD -> bar(from, y, wide, Ink.CARD, Ink.SETTLED, 0);
      case DEAD ->
          shapes.add(Shape.line(from, y + BAR / 2, to, y + BAR / 2, Shape.Pen.of(Ink.LINE, 1.5)));
    }
  }

  private void bar(double x, double y, double wide, Ink fill, Ink edge, double dash) {
    shapes.add(
        Shape.rounded(
            x,
            y,
            wide,
            BAR,
            Math.min(3, wide / 2),
            Optional.of(fill),
            Optional.of(new Shape.Pen(edge, 1, dash))));
  }

  /// The colour of the volts it has.
  private Ink ink(Course lane) {
    return study.network().feeds(lane.devices().getFirst().id()).stream()
        .flatMap(feed -> feed.source().stream())
        .map(Ink::of)
        .findFirst()
        .orElse(Ink.DC_LOW);
  }

  private void label(double x, double y, String words, Ink ink, Shape.Anchor anchor) {
    shapes.add(Shape.text(x, y, words, Face.TEXT, 12, ink, anchor));
  }

  /// Only what is drawn.
  private void legend(double y) {
    var x = 4.0;
    for (var state : Course.State.values()) {
      if (state == Course.State.DEAD
          || lanes.stream().noneMatch(l -> l.phases().stream().anyMatch(p -> p.state() == state)))
        continue;
      sample(state, x, y);
      shapes.add(Shape.text(x + 26, y + 10, state.words(), Face.TEXT, 12, Ink.TEXT_SOFT));
      x += 40 + Faces.width(state.words(), Face.TEXT, 12);
    }
  }

  private void sample(Course.State state, double x, double y) {
    var fill =
        switch (state) {
          case FALLING, CHARGED -> Ink.WARNING_SOFT;
          case ENERGISED, CARRIED, RAMPING -> Ink.MOTOR_SOFT;
          case COASTING, HELD, DEAD -> Ink.CARD;
        };
    var edge =
        switch (state) {
          case FALLING, CHARGED -> Ink.WARNING;
          case HELD -> Ink.SETTLED;
          case ENERGISED, CARRIED, RAMPING, COASTING, DEAD -> Ink.MOTOR;
        };
    var dash = state == Course.State.ENERGISED || state == Course.State.HELD ? 0 : 3;
    shapes.add(
        Shape.rounded(
            x, y, 20, 12, 3, Optional.of(fill), Optional.of(new Shape.Pen(edge, 1, dash))));
  }
}
