package nelvar.desktop.app;

import java.util.Optional;
import javafx.scene.input.KeyCombination;

/// Something the program does when asked by name, key or button.
public record Command(String name, Optional<KeyCombination> keys, Runnable run) {
  static Command of(String name, String keys, Runnable run) {
    return new Command(
        name, keys.isEmpty() ? Optional.empty() : Optional.of(KeyCombination.valueOf(keys)), run);
  }

  /// The keys as written on a key cap: `Ctrl+K`.
  public String keyText() {
    return keys.map(KeyCombination::getDisplayText).orElse("");
  }
}
