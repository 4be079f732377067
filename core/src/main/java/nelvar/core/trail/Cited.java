package nelvar.core.trail;

/// A value with the page it was taken from.
public record Cited<Q>(Q value, Citation citation) {}
