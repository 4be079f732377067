package nelvar.core.catalogue;

import java.util.Optional;

/// How a row of terminals is built.
///
/// @param levels so many ways lie one above the other in one piece
/// @param sides clamps of a way: two where it leads from one side to the other
/// @param clamp what one of them holds; empty where that is not known
public record Row(int ways, int levels, int sides, Optional<Clamp> clamp) {}
