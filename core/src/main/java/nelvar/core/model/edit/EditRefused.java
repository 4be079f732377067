package nelvar.core.model.edit;

/// An edit that would leave the project in pieces. The message says why and what to do first.
public final class EditRefused extends IllegalArgumentException {
  private static final long serialVersionUID = 1;

  public EditRefused(String message) {
    super(message);
  }
}
