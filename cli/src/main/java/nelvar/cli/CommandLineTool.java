package nelvar.cli;

import java.io.PrintWriter;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import picocli.CommandLine;

/// The commands that need no window. `run` returns the exit code and never lets a stack trace out.
@CommandLine.Command(
    name = "nelvar",
    description = "The electrical panel of a machine: computed, judged, documented.",
    subcommands = {
      ReviewCommand.class,
      SolveCommand.class,
      SignalsCommand.class,
      MotionCommand.class,
      PanelCommand.class,
      RunsCommand.class,
      QuietCommand.class,
      StopCommand.class,
      ShockCommand.class,
      ArrangeCommand.class,
      SettingsCommand.class,
      CalcCommand.class,
      PackCommand.class,
      ExportCommand.class,
      NewCommand.class,
      ImportCommand.class,
      CatalogueCommand.class,
      CompareCommand.class
    },
    mixinStandardHelpOptions = true,
    version = "nelvar 0.1.0",
    footer = {
      "",
      "Without a command the window opens; 'nelvar demo' opens it with the demo; 'nelvar --shot DIR' writes a picture of each stage."
    })
public final class CommandLineTool implements Runnable {
  @CommandLine.Spec CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  public static final int FINE = 0;
  public static final int FOUND = 1;
  public static final int BAD_USE = 2;

  /// Out of memory: never the code that says errors were found.
  public static final int NO_MEMORY = 3;

  @Override
  public void run() {
    java.util.Objects.requireNonNull(spec).commandLine().usage(spec.commandLine().getOut());
  }

  /// The commands with their options, as picocli knows them.
  static CommandLine line() {
    return new CommandLine(new CommandLineTool());
  }

  /// What the command line answers to, so that no window opens for it.
  public static Set<String> names() {
    var all = new TreeSet<>(line().getSubcommands().keySet());
    all.add("help");
    return all;
  }

  public static int run(String[] arguments, PrintWriter terminal, PrintWriter errors) {
    // The same digits and letters everywhere, whatever the machine's own language.
    Locale.setDefault(Locale.ROOT);
    var out = PlainWriter.before(terminal);
    var err = PlainWriter.before(errors);
    var line = line();
    line.setOut(out);
    line.setErr(err);
    line.setCaseInsensitiveEnumValuesAllowed(true);
    line.setParameterExceptionHandler((problem, _) -> {
      err.println(
          "nelvar: "
              + problem.getMessage()
              + ". See: nelvar "
              + (problem.getCommandLine().getCommandName().equals("nelvar")
                  ? ""
                  : problem.getCommandLine().getCommandName() + " ")
              + "--help");
      return BAD_USE;
    });
    line.setExecutionExceptionHandler((problem, _, _) -> {
      err.println("nelvar: " + explain(problem));
      return BAD_USE;
    });
    var code = execute(line, arguments, err);
    out.flush();
    err.flush();
    terminal.flush();
    errors.flush();
    return code;
  }

  private static int execute(CommandLine line, String[] arguments, PrintWriter err) {
    try {
      return line.execute(arguments);
    } catch (OutOfMemoryError full) {
      err.println(
          "nelvar: out of memory; every file is as it was. Give it more: NELVAR_HEAP=4g ./nelvar ...");
      return NO_MEMORY;
    } catch (StackOverflowError deep) {
      err.println("nelvar: this is nested too deeply to be worked on; every file is as it was");
      return BAD_USE;
    }
  }

  private static String explain(Exception problem) {
    return switch (problem) {
      case nelvar.core.file.UnreadableFile unreadable -> String.valueOf(unreadable.getMessage());
      case nelvar.core.network.TrialText.Unreadable wrong -> String.valueOf(wrong.getMessage());
      case nelvar.core.calc.Calculator.WrongInput wrong -> String.valueOf(wrong.getMessage());
      case java.io.IOException io -> "not written: " + nelvar.core.file.DiskTrouble.words(io);
      case BadUse use -> String.valueOf(use.getMessage());
      case nelvar.core.units.ImpossibleQuantity impossible ->
          String.valueOf(impossible.getMessage());
      default ->
          "this failed in the program ("
              + unforeseen(problem)
              + "). Nothing was changed; please tell us what you did.";
    };
  }

  private static String unforeseen(Exception problem) {
    var message = problem.getMessage();
    // Names of the program's own classes mean nothing to whoever reads this.
    return message == null || message.length() > 200 || message.matches(".*\\b[a-z]+\\.[a-z]+\\..*")
        ? "an unforeseen case"
        : message;
  }

  /// Something asked for that cannot be done; the message says what can.
  static final class BadUse extends RuntimeException {
    private static final long serialVersionUID = 1;

    BadUse(String message) {
      super(message);
    }
  }
}
