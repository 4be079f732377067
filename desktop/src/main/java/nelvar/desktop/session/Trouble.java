package nelvar.desktop.session;

/// What failed in the program, in a few words a person can pass on.
public final class Trouble {
  private Trouble() {}

  public static String of(Throwable broken) {
    return switch (broken) {
      case OutOfMemoryError _ ->
          "out of memory: start with more, such as NELVAR_JVM_OPTS=-Xmx4g ./nelvar";
      case StackOverflowError _ -> "it is nested too deeply";
      case VirtualMachineError _ -> "the machine refused";
      default ->
          broken.getMessage() == null || broken.getMessage().length() > 200
              ? "an unforeseen case"
              : nelvar.core.units.Texts.plain(broken.getMessage());
    };
  }
}
