package nelvar.desktop.app;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import javafx.application.Application;
import nelvar.cli.CommandLineTool;

/// The one entry: window, demo, pictures, or the command line.
public final class Main {
  private Main() {}

  public static void main(String[] arguments) {
    // Numbers and papers are the same everywhere, whatever the machine's own language.
    Locale.setDefault(Locale.ROOT);
    if (arguments.length > 0
        && (CommandLineTool.names().contains(arguments[0])
            || (arguments[0].startsWith("-") && !arguments[0].equals("--shot")))) {
      var out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
      var err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
      System.exit(CommandLineTool.run(arguments, out, err));
    }
    DemoMachine.warmUp(
        arguments.length > 0 && (arguments[0].equals("demo") || arguments[0].equals("--shot")));
    Application.launch(NelvarApp.class, arguments);
  }
}
