/// Quantities as types: one record a kind, SI inside, reading and writing them as people do.
/// Nothing here knows a panel. Readers go on to `nelvar.core.trail`, where quantities get their
/// origin.
@NullMarked
package nelvar.core.units;

import org.jspecify.annotations.NullMarked;
