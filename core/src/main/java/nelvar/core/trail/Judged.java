package nelvar.core.trail;

/// A value compared with its limit, the comparison being the last line of the working.
public record Judged<Q>(Q value, boolean holds, Trail trail) {}
