package nelvar.core.abuse;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import nelvar.core.Panel;
import nelvar.core.catalogue.CableStock;
import nelvar.core.catalogue.Linkage;
import nelvar.core.catalogue.Part;
import nelvar.core.catalogue.WireStock;
import nelvar.core.file.CatalogueFile;
import nelvar.core.file.Demo;
import nelvar.core.file.PartProperties;
import nelvar.core.file.ProjectFormat;
import nelvar.core.finding.Verdict;
import nelvar.core.model.Brief;
import nelvar.core.model.Conductor;
import nelvar.core.model.Designation;
import nelvar.core.model.Deviation;
import nelvar.core.model.Device;
import nelvar.core.model.Id;
import nelvar.core.model.Place;
import nelvar.core.model.Project;
import nelvar.core.model.School;
import nelvar.core.model.Setting;
import nelvar.core.model.Suppression;
import nelvar.core.model.TerminalRef;
import nelvar.core.model.Use;
import nelvar.core.model.edit.Edit;
import nelvar.core.model.edit.EditRefused;
import nelvar.core.model.edit.Edits;
import nelvar.core.model.edit.NextName;
import nelvar.core.review.Review;
import nelvar.core.units.CrossSection;
import nelvar.core.units.Current;
import nelvar.core.units.ImpossibleQuantity;
import nelvar.core.units.Length;
import nelvar.core.units.MainsVoltage;
import nelvar.core.units.Percent;
import nelvar.core.units.Reading;
import nelvar.core.units.Voltage;
import org.junit.jupiter.api.Test;

/// Edits of every kind in sequence, absurd ones among them. The law: what an edit leaves can be
/// written and read back identical, and can be reviewed and solved.
class EditAbuseTest {
  private static final int STEPS = 40;

  private static final List<String> ABSURD =
      List.of(
          "0",
          "1",
          "3",
          "4",
          "-1",
          "1e9",
          "1e-30",
          "150 %",
          "0 %",
          "100 %",
          "-5 %",
          "0 V",
          "1 V",
          "100000 V",
          "0 A",
          "1e6 A",
          "0 W",
          "1e8 W",
          "0 mm²",
          "NaN",
          "Infinity",
          "",
          " ",
          "x",
          "0 Ω",
          "1e12 Ω",
          "0 F",
          "10–30 V",
          "30–10 V",
          "0–0 V",
          "true",
          "c",
          "gg",
          "0 s",
          "-40 °C",
          "ein \u0007 Ton",
          "half \ud83d of a character",
          "\u202eturned");

  @Test
  void whatEditsLeaveIsReadBackTheSameAndCanBeReviewed() throws Exception {
    var abuse = Abuse.of("sequences of " + STEPS + " edits", 30);
    var kept = 0;
    var refused = 0;
    while (abuse.more()) {
      var random = abuse.random();
      var project = start(random);
      for (var step = 0; step < STEPS && !project.devices().isEmpty(); step++) {
        var where = "seed " + abuse.seed() + ", step " + step;
        Project next;
        String label;
        try {
          var edit = edit(project, random);
          label = edit.label();
          next = edit.on(project, CatalogueFile.standard());
          kept++;
        } catch (EditRefused | ImpossibleQuantity said) {
          assertThat(said.getMessage()).as(where).isNotBlank().doesNotContain("Exception");
          refused++;
          continue;
        }
        var bytes = ProjectFormat.write(next);
        assertThat(ProjectFormat.read("m", bytes, CatalogueFile.standard()))
            .as(where + ": " + label)
            .isEqualTo(next);
        project = next;
        if (step % 10 == 9) review(project, where + ": " + label);
      }
    }
    assertThat(kept).as("the law was tried on something").isGreaterThan(refused / 4).isPositive();
  }

  private static void review(Project project, String where) {
    try {
      var review = Review.of(project, CatalogueFile.standard());
      review.study().asDesigned();
      assertThat(review.notChecked())
          .extracting(entry -> ((Verdict.NotChecked) entry.verdict()).why())
          .as(where)
          .noneMatch(why -> why.contains("could not be computed here"));
    } catch (RuntimeException broken) {
      throw new AssertionError(where + " cannot be reviewed", broken);
    }
  }

  private static Project start(Random random) {
    return switch (random.nextInt(4)) {
      case 0 -> Demo.planted();
      case 1 -> Demo.rinser();
      case 2 -> Panel.mains().build();
      default ->
          Panel.dc()
              .device("M", "pump-24v-3a")
              .wire("T:+", "M:+", 1, 1)
              .wire("M:-", "T:-", 1, 1)
              .build();
    };
  }

  private static <T> T any(List<T> from, Random random) {
    return from.get(random.nextInt(from.size()));
  }

  private Edit edit(Project p, Random random) {
    var device = any(p.devices(), random);
    var conductor =
        p.conductors().isEmpty()
            ? Optional.<Conductor>empty()
            : Optional.of(any(p.conductors(), random));
    List<Supplier<Edit>> all = new ArrayList<>();
    all.add(() -> Edits.rename(device, new Designation(text(random))));
    all.add(() -> Edits.purpose(device, text(random)));
    all.add(() -> Edits.link(device, any(List.of(Linkage.values()), random)));
    all.add(() -> Edits.suppress(device, any(List.of(Suppression.values()), random)));
    all.add(() -> Edits.trip(device, Optional.of(new Current(number(random)))));
    all.add(() -> Edits.leaveSpare(device, any(List.of("1", "L3", "PE", text(random)), random)));
    all.add(() -> Edits.swap(device, any(parts(p), random)));
    all.add(() -> Edits.remove(device));
    all.add(() -> Edits.fix(device.id(), "it", random.nextBoolean()));
    all.add(() ->
        Edits.use(
            device,
            Use.FULL
                .withLoading(Optional.of(new Percent(number(random))))
                .withDuty(Optional.of(new Percent(random.nextDouble() * 100)))));
    all.add(() -> Edits.set(new Setting(device.id(), text(random), text(random), text(random))));
    all.add(() ->
        Edits.accept(
            new Deviation(
                "supply.headroom",
                random.nextInt(5) == 0 ? new Id("nobody") : device.id(),
                text(random) + " long enough",
                text(random),
                "2026-01-01")));
    all.add(() -> {
      var part = any(parts(p), random);
      return Edits.add(
          Device.of(
              NextName.id(p, "N1"),
              "-N" + random.nextInt(9),
              text(random),
              part.id(),
              Place.PANEL));
    });
    all.add(() -> wire(p, random));
    all.add(() -> brief(p, random));
    all.add(() -> ownPart(p, device, random));
    all.add(() -> changedPart(p, random));
    all.add(() -> changedPart(p, random));
    conductor.ifPresent(wire -> {
      all.add(() -> Edits.relabel(wire, new Designation(text(random))));
      all.add(() -> Edits.length(wire, new Length(number(random))));
      all.add(() -> Edits.remove(wire));
      all.add(() -> Edits.fix(wire.id(), "it", random.nextBoolean()));
      all.add(() ->
          Edits.section(
              "it",
              java.util.Set.of(wire.id()),
              new CrossSection(number(random)),
              CatalogueFile.standard().with(p.ownParts())));
      if (!p.bundles().isEmpty()) all.add(() -> Edits.bundle(wire, any(p.bundles(), random).id()));
    });
    return any(all, random).get();
  }

  private static List<Part> parts(Project p) {
    return CatalogueFile.standard().with(p.ownParts()).all().stream()
        .filter(part -> !(part instanceof CableStock || part instanceof WireStock))
        .toList();
  }

  private static Edit wire(Project p, Random random) {
    var from = end(p, random);
    var to = end(p, random);
    return Edits.add(
        "Wire",
        new Conductor(
            NextName.id(p, "X"),
            new Designation("X" + random.nextInt(100)),
            from,
            to,
            any(List.of(Conductor.Function.values()), random),
            random.nextBoolean() ? Optional.of(new CrossSection(1.5)) : Optional.empty(),
            random.nextBoolean() ? Optional.of(new Length(number(random) % 50)) : Optional.empty(),
            random.nextBoolean() ? Optional.of(text(random)) : Optional.empty(),
            Optional.empty(),
            Optional.empty()));
  }

  private static TerminalRef end(Project p, Random random) {
    var device = any(p.devices(), random);
    var part = CatalogueFile.standard().with(p.ownParts()).find(device.part()).orElseThrow();
    return part.terminals().isEmpty() || random.nextInt(20) == 0
        ? new TerminalRef(device.id(), "1")
        : new TerminalRef(device.id(), any(part.terminals(), random).name());
  }

  private static Edit brief(Project p, Random random) {
    var b = p.brief();
    var supply =
        new Brief.Supply(
            new MainsVoltage(
                any(List.of(MainsVoltage.Phases.values()), random),
                new Voltage(100 + random.nextDouble() * 500)),
            b.supply().frequency(),
            any(List.of(Brief.Earthing.values()), random),
            new Current(number(random)),
            b.supply().loopImpedance(),
            random.nextBoolean() ? Optional.of(new Current(number(random))) : Optional.empty());
    var school = any(School.ALL, random);
    return Edits.brief(
        "Brief",
        new Brief(
            supply,
            b.surroundings(),
            b.policies()
                .answering(school, any(school.options(), random))
                .withHeadroom(new Percent(number(random)))));
  }

  private static Edit ownPart(Project p, Device device, Random random) {
    var shipped = CatalogueFile.standard().with(p.ownParts()).find(device.part()).orElseThrow();
    var id = random.nextInt(3) == 0 ? shipped.id() : shipped.id() + "-own" + random.nextInt(3);
    var own = PartProperties.copy(shipped, id, text(random));
    var add = Edits.ownParts("Import", List.of(own));
    return random.nextBoolean() ? add : add.then(Edits.swap(device, own));
  }

  private static Edit changedPart(Project p, Random random) {
    if (p.ownParts().isEmpty()) return ownPart(p, any(p.devices(), random), random);
    var own = any(p.ownParts(), random);
    var property = any(List.copyOf(PartProperties.of(own).keySet()), random);
    return switch (PartProperties.with(own, property, any(ABSURD, random))) {
      case Reading.Misread<Part>(var why) -> throw new EditRefused(why);
      case Reading.Value<Part>(var next) -> Edits.replacePart(next);
    };
  }

  private static double number(Random random) {
    return switch (random.nextInt(6)) {
      case 0 -> 0;
      case 1 -> 415.37 * random.nextDouble();
      case 2 -> 1e5 * random.nextDouble();
      case 3 -> -0.0;
      case 4 -> 1.3087872 + 1e-9 * random.nextInt(10);
      default -> random.nextInt(100);
    };
  }

  private static String text(Random random) {
    return random.nextBoolean() ? "-T" + random.nextInt(40) : any(ABSURD, random);
  }
}
