package nelvar.cli;

import java.io.PrintWriter;
import java.io.StringWriter;

/// A command as a terminal would run it: what it returned and what it printed.
record Ran(int code, String out, String err) {
  static Ran of(String... arguments) {
    var out = new StringWriter();
    var err = new StringWriter();
    var code =
        CommandLineTool.run(arguments, new PrintWriter(out, true), new PrintWriter(err, true));
    return new Ran(code, out.toString(), err.toString());
  }
}
