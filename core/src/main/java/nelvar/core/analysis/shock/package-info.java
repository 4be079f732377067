/// What a hand meets: at metal with a fault and without, with the protective conductor broken,
/// inside with the main switch off. Belongs here: what a touch means. Not here: how metal is joined
/// (bonding/), whether a fault is cut off (protection/), sizes of protective conductors
/// (earthing/).
@NullMarked
package nelvar.core.analysis.shock;

import org.jspecify.annotations.NullMarked;
