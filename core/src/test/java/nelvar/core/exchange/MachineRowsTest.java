package nelvar.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import nelvar.core.analysis.Study;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.finding.Severity;
import nelvar.core.model.Conductor;
import nelvar.core.review.Review;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Reading;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MachineRowsTest {
  private static Study demo;

  @BeforeAll
  static void open() {
    demo = Study.of(Demo.settled(), CatalogueFile.standard());
  }

  private static MachineRows.Preview preview(String text, Study study) {
    return MachineRows.preview(text, study, CatalogueFile.standard()).orThrow();
  }

  private static String row(Conductor wire) {
    return String.join(
        "\t",
        wire.label().text(),
        wire.from().toString(),
        wire.to().toString(),
        wire.section().map(Object::toString).orElse(""),
        wire.colour().orElse(""),
        demo.length(wire).map(l -> String.valueOf(l.metres())).orElse(""));
  }

  private static List<Conductor> single() {
    return demo.project().conductors().stream()
        .filter(wire -> wire.cable().isEmpty() && wire.leadOf().isEmpty())
        .toList();
  }

  private static Study without(List<Conductor> wires) {
    var project = demo.project();
    return demo.tried(
        project.withConductors(
            project.conductors().stream().filter(wire -> !wires.contains(wire)).toList()));
  }

  /// The single wires of the demo, taken out and pasted back from a table of their own.
  @Test
  void whatWasCopiedOutCanBePastedBack() {
    var project = demo.project();
    var single = single();
    var without = without(single);
    var text =
        "No.\tFrom\tTo\tSection\tColour\tLength m\n"
            + single.stream().map(MachineRowsTest::row).collect(Collectors.joining("\n"));
    var preview = preview(text, without);
    assertThat(preview.what()).isEqualTo("wires");
    assertThat(preview.wrong()).isEmpty();
    assertThat(preview.ignored()).isEmpty();
    var after = preview.edit().orElseThrow().on(without.project(), CatalogueFile.standard());
    for (var wire : single) {
      var again =
          after.conductors().stream()
              .filter(c -> c.label().equals(wire.label()))
              .findFirst()
              .orElseThrow();
      assertThat(again.from()).isEqualTo(wire.from());
      assertThat(again.to()).isEqualTo(wire.to());
      assertThat(again.section()).isEqualTo(wire.section());
      assertThat(again.colour()).isEqualTo(wire.colour());
      assertThat(again.length()).isEqualTo(demo.length(wire));
    }
  }

  /// Only the ends are said: every wire gets section, colour, number and length, none too thin.
  @Test
  void whatIsNotSaidIsProposed() {
    var project = demo.project();
    var single = single();
    var without = without(single);
    var text =
        "from,to\n"
            + single.stream()
                .map(wire -> wire.from() + "," + wire.to())
                .collect(Collectors.joining("\n"));
    var after =
        preview(text, without).edit().orElseThrow().on(without.project(), CatalogueFile.standard());
    assertThat(after.conductors()).hasSize(project.conductors().size());
    for (var wire : after.conductors()) {
      assertThat(wire.section()).isPresent();
      assertThat(wire.colour()).isPresent();
      assertThat(wire.length().isPresent() || wire.cable().isPresent()).isTrue();
    }
    assertThat(
            Review.findingsOnly(after, CatalogueFile.standard()).open().stream()
                .map(entry -> entry.finding().orElseThrow())
                .filter(finding -> finding.severity() == Severity.ERROR)
                .toList())
        .isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "T1:+,X31:13,, | ",
        "T99:+,X31:13,, | from: There is no device or terminal 'T99:+' in this machine.",
        "T1:7,X31:13,, | from: -T1 has no terminal '7'",
        ",X31:13,, | from: the cell is empty",
        "T1:+,X31,, | to: Say which terminal of -X31",
        "T1:+,T1:+,, | to: a wire ends on another terminal",
        "X0:L1,Q0:1,, | to: W1 joins these two terminals already",
        "T1:+,X31:13,thick, | section: ",
        "T1:+,X31:13,-4, | section: ",
        "T1:+,X31:13,9999999, | section: ",
        "T1:+,X31:13,,soft | use: 'soft' is none of power, control, data, protective, shield",
      })
  void saysByRowAndColumnWhatIsWrong(String cells, String why) {
    var preview =
        preview("From,To,Section (mm²),Use\nT2:-,X40:16,2.5,power\n" + cells.strip() + "\n", demo);
    assertThat(preview.rows()).hasSize(2);
    assertThat(preview.rows().getFirst().problem()).isEmpty();
    var problem = preview.rows().get(1).problem();
    if (why == null || why.isBlank()) assertThat(problem).isEmpty();
    else assertThat(problem.orElseThrow()).startsWith(why.strip());
    assertThat(preview.rows().get(1).line()).isEqualTo(3);
    assertThat(preview.edit().isPresent()).isEqualTo(problem.isEmpty());
  }

  @Test
  void bareNumbersCountInTheUnitOfTheirHeading() {
    var after = preview("From,To,AWG,Length (mm),Remark\nT2:-,X40:16,14,900,x\n", demo);
    assertThat(after.ignored()).containsExactly("Remark");
    var wire =
        after
            .edit()
            .orElseThrow()
            .on(demo.project(), CatalogueFile.standard())
            .conductors()
            .getLast();
    assertThat(wire.section()).contains(CrossSection.ofGauge(14));
    assertThat(wire.length().orElseThrow().metres()).isEqualTo(0.9);
  }

  @Test
  void devicesComeFromATableAsWell() {
    var preview =
        preview(
            "Tag;Part;Description;Place;Function\nK70;relay-6a-24vdc;spare relay;panel;\n-Y70;Solenoid valve, 24 V DC, 4.8 W;spray;machine;\n",
            demo);
    assertThat(preview.wrong()).isEmpty();
    var after = preview.edit().orElseThrow().on(demo.project(), CatalogueFile.standard());
    assertThat(after.devices().subList(demo.project().devices().size(), after.devices().size()))
        .extracting(
            d -> d.designation().text(), d -> d.part(), d -> d.purpose(), d -> d.place().words())
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(
                "-K70", "relay-6a-24vdc", "spare relay", "in the cabinet"),
            org.assertj.core.groups.Tuple.tuple(
                "-Y70", "valve-24vdc-4w8", "spray", "on the machine"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "-T1,relay-6a-24vdc,panel | designation: -T1 is taken already",
        "K70,relay 24,panel | part: there is no part 'relay 24'; did you mean ",
        "K70,zzz,panel | part: there is no part 'zzz' in the catalogue",
        "K70,relay-6a-24vdc,moon | place: 'moon' is none of panel, door, machine",
        "a b,relay-6a-24vdc,panel | designation: '-a b' is not a designation",
      })
  void wrongDevicesSayWhy(String cells, String why) {
    var preview = preview("designation,part,place\n" + cells.strip() + "\n", demo);
    assertThat(preview.rows().getFirst().problem().orElseThrow()).startsWith(why.strip());
    assertThat(preview.edit()).isEmpty();
  }

  @Test
  void whatIsNoTableSaysSo() {
    for (var text :
        List.of(
            "", "hello", "a,b\n1,2\n", "from,to\n", "from,to\n\"T1:+,X31:13\n", "\u0000\n\u0000"))
      assertThat(MachineRows.preview(text, demo, CatalogueFile.standard()))
          .as(text)
          .isInstanceOf(Reading.Misread.class);
    assertThat(
            Optional.of(text(6000))
                .map(t -> MachineRows.preview(t, demo, CatalogueFile.standard()))
                .orElseThrow())
        .isInstanceOfSatisfying(
            Reading.Misread.class, m -> assertThat(m.message()).contains("more than 5000 rows"));
  }

  private static String text(int rows) {
    return "from,to\n" + "T1:+,X31:13\n".repeat(rows);
  }

  /// The wiring sheet comes back: what was measured and ticked off is taken over, empty cells and
  /// all other columns change nothing.
  @Test
  void whatWasMeasuredAndDoneIsReadBack() {
    var preview =
        preview(
            """
            No.;Where;From;To;Length m;Measured m;Done
            W26;on the plate;-F3:2;-T3:L;1.1;1.23;yes
            '-WB4;outside;3 cores;-B4;6.1;;x
            W27;on the plate;;;1.1;;
            """,
            demo);
    assertThat(preview.what()).isEqualTo(MachineRows.BUILT);
    assertThat(preview.rows()).hasSize(2);
    var project = preview.edit().orElseThrow().apply(demo.project());
    var wire =
        project.conductors().stream().filter(w -> w.label().text().equals("W26")).findFirst();
    assertThat(wire.orElseThrow().length().orElseThrow().metres()).isEqualTo(1.23);
    assertThat(wire.orElseThrow().done()).contains(true);
    var cable = project.cables().stream().filter(c -> c.label().text().equals("-WB4")).findFirst();
    assertThat(cable.orElseThrow().done()).contains(true);
    var before = demo.project().cables().stream().filter(c -> c.label().text().equals("-WB4"));
    assertThat(cable.get().length()).isEqualTo(before.findFirst().orElseThrow().length());
    // Another section or another terminal, and it is to be laid anew.
    var laid = wire.get();
    assertThat(laid.withSection(new nelvar.core.units.CrossSection(6)).done()).isEmpty();
    assertThat(laid.withSection(laid.section().orElseThrow()).done()).contains(true);
    assertThat(laid.withEnds(laid.to(), laid.from()).done()).isEmpty();
    var unchanged = List.of("W26");
    assertThat(project.conductors().stream().filter(w -> !unchanged.contains(w.label().text())))
        .containsExactlyElementsOf(
            demo.project().conductors().stream()
                .filter(w -> !unchanged.contains(w.label().text()))
                .toList());
  }

  @Test
  void whatCannotHaveBeenBuiltIsRefusedRowByRow() {
    var preview =
        preview(
            """
            Number,Measured (m),Done
            W9999,1,
            W170,2,
            W26,much,
            W26,1,
            W27,,perhaps
            W28,0,
            """,
            demo);
    assertThat(preview.edit()).isEmpty();
    assertThat(preview.wrong().stream().map(row -> row.problem().orElseThrow()))
        .satisfiesExactly(
            one -> assertThat(one).contains("no wire and no cable 'W9999'"),
            one -> assertThat(one).contains("W170 is a core: measure its cable -WB4"),
            one -> assertThat(one).startsWith("measured:"),
            one -> assertThat(one).contains("W26 stands twice"),
            one -> assertThat(one).contains("'perhaps' is neither yes nor no"),
            one -> assertThat(one).contains("longer than 0 m"));
  }
}
