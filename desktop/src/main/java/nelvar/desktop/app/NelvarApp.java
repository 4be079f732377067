package nelvar.desktop.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import nelvar.desktop.session.Places;
import nelvar.desktop.session.Trouble;

/// The application: `demo` opens the demo machine, a file name opens that project, `--shot DIR`
/// writes pictures and ends.
public final class NelvarApp extends Application {
  @Override
  public void start(javafx.stage.Stage primary) {
    var arguments = getParameters().getRaw();
    if (!arguments.isEmpty() && arguments.getFirst().equals("--shot")) {
      shoot(arguments.size() > 1 ? arguments.get(1) : "", primary);
      return;
    }
    var workers = Workers.start();
    var window =
        new MainWindow(
            workers,
            Picker.NATIVE,
            Places.usual(),
            LocalDate.now(java.time.ZoneId.systemDefault()).toString());
    // Whatever fails unforeseen is said in the window; no trace of the program's inside is shown.
    Thread.setDefaultUncaughtExceptionHandler((_, broken) ->
        Platform.runLater(() ->
            window.tell(
                "This failed in the program (%s). Nothing you did is lost; save, and tell us what you did."
                    .formatted(Trouble.of(broken)))));
    var demo = !arguments.isEmpty() && arguments.getFirst().equals("demo");
    // The demo is put up before the window shows, so that the first picture is the one wanted.
    if (demo) window.desk().openDemo();
    else window.begin();
    primary.setTitle("Nelvar");
    primary.setScene(new Scene(window.root(), 1280, 800));
    primary.setMinWidth(1024);
    primary.setMinHeight(700);
    // The window goes when what is unsaved is safe; a program told to end waits for the same.
    Platform.setImplicitExit(false);
    primary.setOnCloseRequest(e -> {
      e.consume();
      window.desk().close(Platform::exit);
    });
    primary
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (focused) window.desk().lookAtDisk();
        });
    Runtime.getRuntime().addShutdownHook(new Thread(workers::finishWriting, "nelvar-finish"));
    primary.show();
    if (!arguments.isEmpty()) {
      if (demo) window.desk().offerUntitled();
      else if (Files.exists(Path.of(arguments.getFirst())))
        window.desk().open(Path.of(arguments.getFirst()));
      else
        window.welcome(
            "There is no command and no file '"
                + arguments.getFirst()
                + "'. Known commands: nelvar --help");
    }
    var begun = Long.getLong("nelvar.begun");
    if (begun != null) {
      // For the start-up benchmark: says when the first picture stands, then ends.
      Platform.runLater(() ->
          Platform.runLater(() -> {
            System.out.println(
                "window up with its picture "
                    + (System.currentTimeMillis() - begun)
                    + " ms after the launcher was called");
            Platform.exit();
          }));
    }
  }

  private static void shoot(String folder, javafx.stage.Stage primary) {
    if (folder.isEmpty()) {
      System.err.println("nelvar: --shot needs a folder: nelvar --shot DIR");
      System.exit(2);
    }
    var code = Shots.write(Path.of(folder), primary);
    Platform.exit();
    if (code != 0) System.exit(code);
  }
}
