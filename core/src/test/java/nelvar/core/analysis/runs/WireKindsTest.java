package nelvar.core.analysis.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Map;
import java.util.stream.Collectors;
import nelvar.core.Panel;
import nelvar.core.analysis.Study;
import nelvar.core.catalogue.Catalogue;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Id;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.TerminalRef;
import nelvar.core.review.Review;
import nelvar.core.units.CrossSection;
import org.junit.jupiter.api.Test;

/// How many different wires are bought, and what is written on them.
class WireKindsTest {
  private static final Catalogue STANDARD = CatalogueFile.standard();

  private static Map<Id, CrossSection> sections(Project project) {
    return project.conductors().stream()
        .filter(w -> w.section().isPresent())
        .collect(Collectors.toMap(Conductor::id, w -> w.section().orElseThrow()));
  }

  /// On the demo: it costs less, nothing becomes thinner or more than twice as thick, and the
  /// review opens nothing.
  @Test
  void fewerKindsCostLessAndOpenNothing() {
    var demo = Demo.settled();
    var answer = WireKinds.of(Panel.study(demo), STANDARD);
    assertThat(answer.merges()).isNotEmpty();
    assertThat(answer.after()).hasSize(answer.before().size() - answer.merges().size());
    var before = answer.before().stream().mapToDouble(k -> k.cost().orElse(0.0)).sum();
    var after = answer.after().stream().mapToDouble(k -> k.cost().orElse(0.0)).sum();
    assertThat(before - after).isCloseTo(answer.saves(), within(0.01));
    var was = sections(demo);
    sections(answer.project())
        .forEach((id, now) -> {
          var then = was.getOrDefault(id, now);
          assertThat(now.compareTo(then)).isNotNegative();
          assertThat(now.squareMillimetres())
              .isLessThanOrEqualTo(2 * then.squareMillimetres() + 1e-9);
        });
    assertThat(Review.of(answer.project(), STANDARD).open()).isEmpty();
    // Once done there is nothing left to do.
    assertThat(WireKinds.of(Study.of(answer.project(), STANDARD), STANDARD).saves())
        .isLessThan(answer.saves());
  }

  /// Two drums of 100 m cost 24 + 29; all on the thicker one 29: 24 less.
  @Test
  void byHand() {
    var panel = Panel.dc().device("K", "block-plus-32");
    var project = panel.wire("T:+", "K:1", 0.75, 10).wire("T:+", "K:2", 1, 10).build();
    var black =
        project.withConductors(
            project.conductors().stream()
                .map(w ->
                    w.section().orElseThrow().squareMillimetres() <= 1
                        ? w.withColour(java.util.Optional.of("black"))
                        : w)
                .toList());
    var answer = WireKinds.of(Panel.study(black), STANDARD);
    assertThat(answer.merges()).hasSize(1);
    assertThat(answer.saves()).isCloseTo(24, within(0.01));
    assertThat(answer.merges().getFirst().words())
        .isEqualTo("0.75 mm², black become 1 mm² (1 wires)");
  }

  private static Study scheme(int option) {
    var demo = Demo.settled();
    var b = demo.brief();
    return Panel.study(
        demo.withBrief(
            new Brief(
                b.supply(),
                b.surroundings(),
                b.policies()
                    .answering(School.WIRE_NUMBERS, School.WIRE_NUMBERS.options().get(option)))));
  }

  /// All wires on one block bear one number, on both ends; others bear another.
  @Test
  void marksByPotential() {
    var study = scheme(1);
    var marks = WireMarks.of(study);
    var onBlock =
        study.at(new Id("X30")).stream()
            .filter(w -> !w.plugged())
            .flatMap(w -> java.util.stream.Stream.of(marks.at(w, w.from()), marks.at(w, w.to())))
            .collect(Collectors.toSet());
    assertThat(onBlock).hasSize(1);
    var line = study.conductor(new Id("W1")).orElseThrow();
    assertThat(marks.at(line, line.from())).isEqualTo("W1").isNotIn(onBlock);
  }

  @Test
  void marksByWireAndByEnds() {
    var byWire = scheme(0);
    var wire = byWire.conductor(new Id("W1")).orElseThrow();
    assertThat(WireMarks.of(byWire).at(wire, wire.from())).isEqualTo("W1");
    var byEnds = WireMarks.of(scheme(2));
    assertThat(byEnds.at(wire, wire.from())).isEqualTo("-X0:L1/-Q0:1");
    assertThat(byEnds.at(wire, wire.to())).isEqualTo("-Q0:1/-X0:L1");
  }

  /// Every number once, rising in the order of laying; a second time nothing changes.
  @Test
  void numberedInTheOrderOfLaying() {
    var demo = Demo.settled();
    var numbered = WireMarks.numbered(Panel.study(demo)).apply(demo);
    var labels = new HashSet<String>();
    for (var wire : numbered.conductors()) assertThat(labels.add(wire.label().text())).isTrue();
    assertThat(numbered.conductors()).extracting(Conductor::from).isEqualTo(ends(demo));
    assertThat(WireMarks.numbered(Panel.study(numbered)).apply(numbered)).isEqualTo(numbered);
    assertThat(Review.of(numbered, STANDARD).open()).isEmpty();
  }

  private static java.util.List<TerminalRef> ends(Project project) {
    return project.conductors().stream().map(Conductor::from).toList();
  }
}
