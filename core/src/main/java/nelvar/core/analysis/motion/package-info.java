/// Axes from pulse to load: what one unit is, what must be set for it, and what the motor can give.
@org.jspecify.annotations.NullMarked
package nelvar.core.analysis.motion;
