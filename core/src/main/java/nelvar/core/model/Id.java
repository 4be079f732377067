package nelvar.core.model;

import java.util.regex.Pattern;
import nelvar.core.units.ImpossibleQuantity;

/// The lasting name of a thing in a project; it stays when the designation changes.
public record Id(String text) implements Comparable<Id> {
  private static final Pattern FORM = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}._-]{0,39}");

  public Id {
    if (!FORM.matcher(text).matches()) {
      throw new ImpossibleQuantity(
          "'"
              + text
              + "' is not an id: write 1 to 40 letters, digits, '.', '_' or '-', a letter or digit first");
    }
  }

  @Override
  public int compareTo(Id other) {
    return text.compareTo(other.text);
  }

  @Override
  public String toString() {
    return text;
  }
}
