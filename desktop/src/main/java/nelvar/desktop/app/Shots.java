package nelvar.desktop.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Scene;
import javafx.util.Duration;
import nelvar.core.model.Id;
import nelvar.desktop.session.Places;
import nelvar.desktop.stage.circuits.CircuitStage;
import nelvar.desktop.stage.pack.PackStage;

/// One picture of each stage at 1280×800, from the demo, without a display.
public final class Shots {
  private Shots() {}

  /// @return exit code: 0 fine, 2 the folder cannot be written
  static int write(Path folder, javafx.stage.Stage primary) {
    try {
      Files.createDirectories(folder);
      var places = new Places(Files.createTempDirectory("nelvar-shot"));
      var window = new MainWindow(Workers.start(), Picker.NATIVE, places, "2026-01-01");
      var scene = new Scene(window.root(), 1280, 800);
      window.begin();
      primary.setScene(scene);
      primary.show();
      window.desk().openDemo();
      var stages = window.stages();
      for (var i = 0; i < stages.size(); i++) {
        var subject =
            switch (stages.get(i).name()) {
              case "Power" -> Optional.of(new Id("T2"));
              case "Runs" -> Optional.of(new Id("X30"));
              case "Quiet" -> Optional.of(new Id("WB4"));
              case "Signals" -> Optional.of(new Id("B3"));
              case "Stop" -> Optional.of(new Id("M5"));
              case "Motion" -> Optional.of(new Id("M4"));
              case "Panel" -> Optional.of(new Id("A1"));
              default -> Optional.<Id>empty();
            };
        window.session().orElseThrow().selection().set(subject);
        window.choose(stages.get(i));
        if (stages.get(i) instanceof PackStage pack) {
          settle(pack);
          pack.turnTo("Repair sheet");
          pulse(200);
        }
        // Its picture is the one with the meter on it.
        if (stages.get(i) instanceof CircuitStage) continue;
        // What helps is tried beside the interface.
        if (stages.get(i).name().equals("Quiet"))
          for (var turn = 0; turn < 400 && window.root().lookup("#quiet-helps") == null; turn++)
            pulse(50);
        // Rehearsed beside the interface too.
        if (stages.get(i).name().equals("Stop")) pulse(2000);
        picture(
            scene,
            folder.resolve(
                "%d-%s.png"
                    .formatted(
                        number(stages.get(i).name()),
                        stages.get(i).name().toLowerCase(java.util.Locale.ROOT))));
      }
      var bench = window.session().orElseThrow().bench();
      bench.plus().set(Optional.of(nelvar.core.model.TerminalRef.of("M6:+")));
      bench.minus().set(Optional.of(nelvar.core.model.TerminalRef.of("M6:-")));
      bench
          .trial()
          .set(
              nelvar.core.network.WhatIf.AS_DESIGNED.holding(
                  new nelvar.core.network.ActuatorRef(new Id("S1"), "pressed"), true));
      window.select(new Id("M6"));
      window.choose(window.stage("Circuits"));
      settle(window);
      picture(scene, folder.resolve("6-meter.png"));
      bench.back();
      window.select(new Id("U1"));
      if (window.stage("Power") instanceof nelvar.desktop.stage.power.PowerStage power) {
        power.showCurves(true);
        window.choose(power);
        picture(scene, folder.resolve("8-curves.png"));
        power.showCurves(false);
      }
      if (window.stage("Panel") instanceof nelvar.desktop.stage.panel.PanelStage panel) {
        window.select(new Id("T3"));
        window.choose(panel);
        panel.look(nelvar.documents.drawing.PlatePicture.Lens.HEAT);
        picture(scene, folder.resolve("9-panel-heat.png"));
        panel.look(nelvar.documents.drawing.PlatePicture.Lens.PLACE);
      }
      window.select(new Id("W32"));
      quick(window);
      picture(scene, folder.resolve("7-quick.png"));
      window.quick();
      window.choose(window.stage("Quiet"));
      if (window.root().lookup("#quiet-bonding") instanceof javafx.scene.control.ToggleButton bonds)
        bonds.fire();
      picture(scene, folder.resolve("14-bonding.png"));
      if (window.root().lookup("#quiet-shock") instanceof javafx.scene.control.ToggleButton shock)
        shock.fire();
      picture(scene, folder.resolve("11-shock.png"));
      composing(window, scene, folder);
      return 0;
    } catch (IOException e) {
      System.err.println("nelvar: the pictures cannot be written: " + e.getMessage());
      return 2;
    }
  }

  private static void settle(MainWindow window) {
    if (window.stage("Circuits") instanceof CircuitStage circuits)
      for (var turn = 0; turn < 400 && !circuits.settled(); turn++) pulse(50);
    pulse(500);
  }

  /// The numbers of pictures stay, whatever stage comes between.
  private static int number(String stage) {
    return switch (stage) {
      case "Brief" -> 1;
      case "Parts" -> 2;
      case "Power" -> 3;
      case "Runs" -> 4;
      case "Pack" -> 5;
      case "Quiet" -> 10;
      case "Stop" -> 17;
      case "Motion" -> 15;
      case "Panel" -> 19;
      default -> 13;
    };
  }

  /// A wish with its ways, and a machine drawn up from a list.
  private static void composing(MainWindow window, Scene scene, Path folder) throws IOException {
    var session = window.session().orElseThrow();
    var need =
        nelvar.core.compose.need.NeedReader.read("air knife: 4 valves 24 V on the gantry")
            .orThrow();
    session.composing().add(need);
    window.choose(window.stage("Parts"));
    for (var turn = 0; turn < 200 && session.composing().offered().get().isEmpty(); turn++)
      pulse(50);
    picture(scene, folder.resolve("12-composing.png"));
    session.undo();
    window.select(new Id("T2"));
    window.comparing().selected();
    for (var turn = 0; turn < 400 && !compared(window); turn++) pulse(50);
    if (window.root().lookup("#compare-list") instanceof javafx.scene.control.ListView<?> list)
      list.getSelectionModel().selectIndices(0, 1, 3);
    pulse(1500);
    picture(scene, folder.resolve("16-compare.png"));
    window.closeOverlay();
    window.select(new Id("T2"));
    window.catalogue();
    if (window.root().lookup("#catalogue-words") instanceof javafx.scene.control.TextField words)
      words.setText("supply 24 V >= 5 A");
    picture(scene, folder.resolve("18-catalogue.png"));
    window.closeOverlay();
  }

  private static boolean compared(MainWindow window) {
    return window.root().lookup("#compare-list") instanceof javafx.scene.control.ListView<?> list
        && !list.getItems().isEmpty();
  }

  /// A drop asked for on the side, filled from a wire of the project.
  private static void quick(MainWindow window) {
    window.select(new Id("W32"));
    var model = window.quickModel();
    model.choose(nelvar.core.calc.Calculators.named("voltage-drop").orElseThrow());
    model.write("S", "0.75 mm²");
    model.write("l", "12 m");
    model.write("I", "3 A");
    model.write("Un", "24 V");
    window.quick();
  }

  private static void settle(PackStage pack) {
    // The pages are set by a worker; its result comes through this thread's own queue.
    for (var turn = 0; turn < 800 && !pack.settled(); turn++) pulse(50);
  }

  /// Lets the toolkit lay out and paint for a while.
  private static void pulse(int milliseconds) {
    var loop = new Object();
    var pause = new PauseTransition(Duration.millis(milliseconds));
    pause.setOnFinished(_ -> Platform.exitNestedEventLoop(loop, null));
    pause.play();
    Platform.enterNestedEventLoop(loop);
  }

  private static void picture(Scene scene, Path file) throws IOException {
    pulse(250);
    var image = scene.snapshot(null);
    javax.imageio.ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", file.toFile());
  }
}
