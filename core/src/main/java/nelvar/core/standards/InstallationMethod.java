package nelvar.core.standards;

/// How conductors are laid, by the reference methods of IEC 60204-1:2016 Table 6 (unchecked).
public enum InstallationMethod {
  /// Single conductors in trunking or conduit.
  B1("single conductors in duct or conduit", "bunched"),
  /// Multi-core cable in trunking or conduit.
  B2("cable in duct or conduit", "bunched"),
  /// Cable on a wall or plate.
  C("cable on a wall", "layer"),
  /// Cable on an open tray or in a carrier.
  E("cable on an open tray", "tray");

  private final String words;
  private final String grouping;

  InstallationMethod(String words, String grouping) {
    this.words = words;
    this.grouping = grouping;
  }

  public String words() {
    return words;
  }

  String grouping() {
    return grouping;
  }
}
