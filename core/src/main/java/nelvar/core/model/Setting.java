package nelvar.core.model;

import nelvar.core.units.Texts;

/// A value somebody sets on a device: a drive parameter, a switch, a trimmer.
public record Setting(Id device, String name, String value, String reason) {
  public Setting {
    name = Texts.storable("a setting's name", name);
    value = Texts.storable("a setting's value", value);
    reason = Texts.storable("a reason", reason);
  }
}
