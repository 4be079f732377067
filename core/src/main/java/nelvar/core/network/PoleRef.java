package nelvar.core.network;

import nelvar.core.model.TerminalRef;

/// One way through a device, by its two terminals: a pole, a contact, a fuse.
public record PoleRef(TerminalRef a, TerminalRef b) {
  @Override
  public String toString() {
    return a + "–" + b.terminal();
  }
}
