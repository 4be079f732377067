/// Everything that joins metal to earth as one network: protective conductors, shields, plates,
/// doors, 0 V and computers, with what it is worth at mains frequency and for fast edges.
@NullMarked
package nelvar.core.analysis.bonding;

import org.jspecify.annotations.NullMarked;
