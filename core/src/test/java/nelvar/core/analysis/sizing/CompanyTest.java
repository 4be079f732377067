package nelvar.core.analysis.sizing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import nelvar.core.analysis.Study;
import nelvar.core.analysis.runs.Lying;
import nelvar.core.analysis.runs.Routes;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.model.Project;
import org.junit.jupiter.api.Test;

class CompanyTest {
  private static Study study(Project project) {
    return Study.of(project, CatalogueFile.standard());
  }

  /// Law, on 2,000 ways: what counts is the greatest number there is over half of the way or 150
  /// mm, and with one less beside it anywhere it is never more.
  @Test
  void whatLastsCounts() {
    var random = new SplittableRandom(23);
    for (var trial = 0; trial < 2000; trial++) {
      var way = new ArrayList<Company.Beside>();
      for (var n = 1 + random.nextInt(8); n > 0; n--)
        way.add(new Company.Beside(1 + random.nextInt(9), random.nextInt(1, 200)));
      var counted = Company.lasting(way);
      assertThat(counted).isEqualTo(most(way));
      var at = random.nextInt(way.size());
      var less = way.get(at);
      way.set(at, new Company.Beside(less.many() - 1, less.length()));
      assertThat(Company.lasting(way)).isLessThanOrEqualTo(counted);
    }
  }

  private static int most(List<Company.Beside> way) {
    var whole = way.stream().mapToDouble(Company.Beside::length).sum();
    for (var many = 9; many > 1; many--) {
      var least = many;
      var over =
          way.stream()
              .filter(beside -> beside.many() >= least)
              .mapToDouble(Company.Beside::length)
              .sum();
      if (over >= Math.min(150, whole / 2)) return many;
    }
    return 1;
  }

  /// A short lead crowded all along is no better off than a long one; a squeeze of 100 mm on a
  /// metre counts for nothing.
  @Test
  void shortWaysAreCountedToo() {
    assertThat(Company.lasting(List.of(new Company.Beside(6, 60)))).isEqualTo(6);
    assertThat(Company.lasting(List.of(new Company.Beside(9, 100), new Company.Beside(2, 900))))
        .isEqualTo(2);
  }

  /// Cuts of a duct lie one behind the other, and along each wire they are as long as what it
  /// passes of the duct.
  @Test
  void cutsAreWhatIsPassed() {
    var study = study(Demo.settled());
    var lying = Lying.of(study);
    var seen = 0;
    for (var bundle : lying.all()) {
      if (!lying.drawn(bundle)) continue;
      var cuts = lying.cuts(bundle);
      for (var i = 0; i + 1 < cuts.size(); i++)
        assertThat(cuts.get(i).to()).isLessThanOrEqualTo(cuts.get(i + 1).at());
      for (var wire : study.lyingIn(bundle)) {
        var passed =
            Routes.of(study).within(wire).stream()
                .flatMap(part -> part.way().passes().stream())
                .filter(pass -> pass.duct().equals(bundle.id()))
                .mapToDouble(pass -> pass.to() - pass.from())
                .sum();
        var through = lying.cuts(bundle, wire);
        assertThat(through).allMatch(cut -> cut.wires().contains(wire));
        assertThat(through.stream().mapToDouble(Lying.Cut::length).sum())
            .isCloseTo(passed, within(1e-6));
        seen++;
      }
    }
    assertThat(seen).isGreaterThan(200);
  }
}
