package nelvar.desktop.control;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;

/// What stands typed in a field and is not taken over yet: saving and closing ask for it first, so
/// that the last thing typed is never lost.
public final class Typing {
  private static final String KEY = "nelvar.typing";

  private Typing() {}

  /// @param takeOver takes over what is typed; gives back why it could not be, naming the field
  public static void in(Node node, Supplier<Optional<String>> takeOver) {
    node.getProperties().put(KEY, takeOver);
  }

  /// Takes over what is typed where the focus is.
  ///
  /// @return what could not be taken over and why; empty when nothing is left
  @SuppressWarnings("unchecked")
  public static Optional<String> takeOver(Node focusOwner) {
    for (var node = Optional.of(focusOwner); node.isPresent(); node = node.map(Node::getParent)) {
      if (node.get().getProperties().get(KEY) instanceof Supplier<?> takeOver)
        return ((Supplier<Optional<String>>) takeOver).get();
    }
    return Optional.empty();
  }
}
