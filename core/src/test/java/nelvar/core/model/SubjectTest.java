package nelvar.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Stream;
import nelvar.core.units.ImpossibleQuantity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/// What something is said of.
final class SubjectTest {
  static Stream<Subject> all() {
    return Stream.of(
        Subject.of(new Id("Q4")),
        new Subject.AtTerminal(TerminalRef.of("T:+")),
        new Subject.AtPole(TerminalRef.of("Q4:1"), TerminalRef.of("Q4:2")),
        new Subject.Pair(new Id("Q4"), new Id("F1")),
        new Subject.Fault("Q4=2.5A"),
        new Subject.WholeMachine());
  }

  @ParameterizedTest
  @MethodSource("all")
  void itsTextIsReadAsItself(Subject subject) {
    assertThat(Subject.of(subject.text())).isEqualTo(subject);
  }

  @Test
  void itStandsOnTheThingsItNames() {
    assertThat(Subject.of("Q4:1 – Q4:2").things()).containsExactly(new Id("Q4"));
    assertThat(Subject.of("Q4 + F1").things()).isEqualTo(List.of(new Id("Q4"), new Id("F1")));
    assertThat(Subject.of("*").thing()).isEmpty();
    assertThat(Subject.of("Q4:1").concerns(new Id("Q4"))).isTrue();
  }

  @Test
  void noPoleStandsBetweenTwoDevices() {
    assertThatThrownBy(() -> Subject.of("Q4:1 – F1:2")).isInstanceOf(ImpossibleQuantity.class);
    assertThatThrownBy(() -> Subject.of("-")).isInstanceOf(ImpossibleQuantity.class);
  }
}
