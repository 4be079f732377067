package nelvar.core.standards;

/// A table file that breaks its own form; shipped data, so this is a defect of the program.
public final class MalformedTable extends IllegalStateException {
  private static final long serialVersionUID = 1;

  MalformedTable(String file, int line, String why) {
    super(line > 0 ? "%s, line %d: %s".formatted(file, line, why) : "%s: %s".formatted(file, why));
  }
}
