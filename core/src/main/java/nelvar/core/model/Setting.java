package nelvar.core.model;

/// A value somebody sets on a device: a drive parameter, a switch, a trimmer.
public record Setting(Id device, String name, String value, String reason) {}
