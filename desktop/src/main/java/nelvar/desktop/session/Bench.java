package nelvar.desktop.session;

import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import nelvar.core.model.TerminalRef;
import nelvar.core.network.Conditions;
import nelvar.core.network.Live;
import nelvar.core.network.Rehearsal;
import nelvar.core.network.WhatIf;
import nelvar.core.review.Review;
import nelvar.core.units.Duration;

/// What is tried on the open machine and measured on it: switches moved, wires cut, probes put. The
/// project is never changed by it, and one call puts everything back as designed.
public final class Bench {
  /// Just after what is tried was done: contacts have moved, capacitors still hold their charge.
  public static final Duration JUST = new Duration(0);

  /// What the meter measures.
  public enum Mode {
    VOLTS,
    AMPERES,
    OHMS
  }

  /// The state as solved.
  ///
  /// @param firstToOpen the protective device that opens first at its currents
  public record Solved(Live live, Optional<Live.Loaded> firstToOpen) {}

  private final SimpleObjectProperty<WhatIf> trial = new SimpleObjectProperty<>(WhatIf.AS_DESIGNED);
  private final SimpleObjectProperty<Duration> after = new SimpleObjectProperty<>(JUST);
  private final SimpleObjectProperty<Mode> mode = new SimpleObjectProperty<>(Mode.VOLTS);
  private final SimpleObjectProperty<Optional<TerminalRef>> plus =
      new SimpleObjectProperty<>(Optional.empty());
  private final SimpleObjectProperty<Optional<TerminalRef>> minus =
      new SimpleObjectProperty<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Solved> solved;
  private final ReadOnlyObjectProperty<Review> review;
  private final Latest<Solved> solving;
  private final Consumer<String> trouble;

  /// @param trouble told what failed
  Bench(
      ReadOnlyObjectProperty<Review> review,
      Executor worker,
      Executor interfaceThread,
      Consumer<String> trouble) {
    this.trouble = trouble;
    this.review = review;
    this.solving = new Latest<>(worker, interfaceThread);
    this.solved = new ReadOnlyObjectWrapper<>(solve(review.get(), WhatIf.AS_DESIGNED, JUST));
    review.addListener(_ -> changed());
    trial.addListener(_ -> changed());
    after.addListener(_ -> changed());
  }

  private void changed() {
    var about = review.get();
    var tried = trial.get();
    var time = after.get();
    solving.ask(
        _ -> solve(about, tried, time),
        solved::set,
        broken -> {
          trouble.accept(
              "What is tried could not be solved (%s); the machine is shown as it was before."
                  .formatted(Trouble.of(broken)));
          if (!tried.asDesigned()) trial.set(WhatIf.AS_DESIGNED);
        });
  }

  private static Solved solve(Review about, WhatIf tried, Duration time) {
    var study = about.study();
    var live =
        tried.asDesigned()
            ? study.asDesigned()
            : study
                .engine()
                .after(
                    WhatIf.AS_DESIGNED.with(tried.loads()),
                    tried,
                    Conditions.usual(study.project().brief().surroundings().inside()),
                    time);
    return new Solved(live, Rehearsal.firstToOpen(live));
  }

  public SimpleObjectProperty<WhatIf> trial() {
    return trial;
  }

  /// How long after what is tried was done: capacitors empty meanwhile.
  public SimpleObjectProperty<Duration> after() {
    return after;
  }

  /// Everything back as designed.
  public void back() {
    trial.set(WhatIf.AS_DESIGNED);
    after.set(JUST);
  }

  /// The newest solved state; for a moment that of the trial before.
  public ReadOnlyObjectProperty<Solved> solved() {
    return solved.getReadOnlyProperty();
  }

  public SimpleObjectProperty<Mode> mode() {
    return mode;
  }

  public SimpleObjectProperty<Optional<TerminalRef>> plus() {
    return plus;
  }

  public SimpleObjectProperty<Optional<TerminalRef>> minus() {
    return minus;
  }
}
